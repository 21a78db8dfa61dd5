using System.Security.Cryptography;
using SkiaSharp;

namespace Corrie.Data;

/// <summary>In which form a photo is wanted.</summary>
public enum PhotoSize
{
    /// <summary>At most 480 pixels, for lists and pins.</summary>
    Thumbnail,

    /// <summary>At most 1,600 pixels, for looking at.</summary>
    View,

    /// <summary>As it came from the camera, with all that is written in it.</summary>
    Original,
}

/// <summary>
/// Photos in a folder beside the company's file, named by what is in them. The original stays as it came; what is shown is drawn anew from it,
/// upright and smaller, and carries no word of where, when and with what it was taken.
/// </summary>
/// <param name="folder">The folder.</param>
public sealed class PhotoStore(string folder)
{
    /// <summary>The largest file that is taken, in bytes.</summary>
    public const int MostBytes = 20_000_000;

    private const long MostPixels = 80_000_000;
    private const int Thumb = 480;
    private const int Screen = 1600;

    /// <summary>Keeps a photo.</summary>
    /// <param name="bytes">The file's bytes.</param>
    /// <returns>Its name, or why it is not taken.</returns>
    public (string? Name, string? Problem) Add(byte[] bytes)
    {
        if (bytes.Length is 0 or > MostBytes)
        {
            return (null, bytes.Length == 0 ? "The file is empty" : $"The file has {bytes.Length / 1_000_000} MB; at most {MostBytes / 1_000_000} are taken");
        }

        using var data = SKData.CreateCopy(bytes);
        using var codec = SKCodec.Create(data);
        if (codec is null || codec.EncodedFormat is not (SKEncodedImageFormat.Jpeg or SKEncodedImageFormat.Png or SKEncodedImageFormat.Webp))
        {
            return (null, "The file is no JPEG, PNG or WebP picture");
        }

        // A small file can unfold into a huge picture: its size is looked at before it is unfolded.
        if ((long)codec.Info.Width * codec.Info.Height is <= 0 or > MostPixels)
        {
            return (null, $"The picture has {codec.Info.Width} by {codec.Info.Height} points, which is too many");
        }

        var name = Convert.ToHexStringLower(SHA256.HashData(bytes));
        using var upright = Upright(codec);
        if (upright is null)
        {
            return (null, "The picture is damaged");
        }

        Directory.CreateDirectory(folder);
        Write(name, PhotoSize.Original, bytes);
        Write(name, PhotoSize.View, Shrunk(upright, Screen));
        Write(name, PhotoSize.Thumbnail, Shrunk(upright, Thumb));
        return (name, null);
    }

    /// <summary>A photo's file.</summary>
    /// <param name="name">Its name.</param>
    /// <param name="size">In which form it is wanted.</param>
    /// <returns>Where it lies; null where there is none of that name.</returns>
    public string? Find(string name, PhotoSize size) =>
        name.Length == 64 && name.All(char.IsAsciiHexDigitLower) && PathOf(name, size) is var path && File.Exists(path) ? path : null;

    private static SKBitmap? Upright(SKCodec codec)
    {
        using var raw = new SKBitmap(codec.Info.WithColorType(SKColorType.Rgba8888).WithAlphaType(SKAlphaType.Premul));
        if (codec.GetPixels(raw.Info, raw.GetPixels()) is not (SKCodecResult.Success or SKCodecResult.IncompleteInput))
        {
            return null;
        }

        var turned = codec.EncodedOrigin;
        var (width, height) = turned >= SKEncodedOrigin.LeftTop ? (raw.Height, raw.Width) : (raw.Width, raw.Height);
        var upright = new SKBitmap(new SKImageInfo(width, height, SKColorType.Rgba8888, SKAlphaType.Premul));
        using var canvas = new SKCanvas(upright);
        canvas.SetMatrix(turned switch
        {
            SKEncodedOrigin.TopRight => new(-1, 0, width, 0, 1, 0, 0, 0, 1),
            SKEncodedOrigin.BottomRight => new(-1, 0, width, 0, -1, height, 0, 0, 1),
            SKEncodedOrigin.BottomLeft => new(1, 0, 0, 0, -1, height, 0, 0, 1),
            SKEncodedOrigin.LeftTop => new(0, 1, 0, 1, 0, 0, 0, 0, 1),
            SKEncodedOrigin.RightTop => new(0, -1, width, 1, 0, 0, 0, 0, 1),
            SKEncodedOrigin.RightBottom => new(0, -1, width, -1, 0, height, 0, 0, 1),
            SKEncodedOrigin.LeftBottom => new(0, 1, 0, -1, 0, height, 0, 0, 1),
            _ => SKMatrix.Identity,
        });
        canvas.DrawBitmap(raw, 0, 0, SKSamplingOptions.Default);
        return upright;
    }

    private static byte[] Shrunk(SKBitmap picture, int longest)
    {
        var scale = Math.Min(1d, longest / (double)Math.Max(picture.Width, picture.Height));
        var size = new SKSizeI(Math.Max(1, (int)Math.Round(picture.Width * scale)), Math.Max(1, (int)Math.Round(picture.Height * scale)));
        using var small = picture.Resize(size, new SKSamplingOptions(SKFilterMode.Linear, SKMipmapMode.Linear));
        using var image = SKImage.FromBitmap(small);
        using var data = image.Encode(SKEncodedImageFormat.Jpeg, 82);
        return data.ToArray();
    }

    // Written beside and moved into place, so that nobody ever reads half a picture.
    private void Write(string name, PhotoSize size, byte[] bytes)
    {
        var path = PathOf(name, size);
        if (File.Exists(path))
        {
            return;
        }

        var part = path + "." + Guid.NewGuid().ToString("N");
        File.WriteAllBytes(part, bytes);
        File.Move(part, path, overwrite: true);
    }

    private string PathOf(string name, PhotoSize size) => Path.Combine(folder, size switch
    {
        PhotoSize.Thumbnail => name + ".thumb.jpg",
        PhotoSize.View => name + ".view.jpg",
        _ => name + ".original",
    });
}
