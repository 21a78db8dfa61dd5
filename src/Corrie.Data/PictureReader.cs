using System.Collections.Concurrent;
using SkiaSharp;

namespace Corrie.Data;

/// <summary>
/// Unfolds pictures no larger than they will be shown, and only so many at once: a file of some kilobytes can hold a picture of hundreds of
/// megabytes.
/// </summary>
internal static class PictureReader
{
    private const long MostPixels = 80_000_000;

    // A JPEG of any size is unfolded smaller; what cannot be has to be in memory whole, with four bytes a pixel.
    private const long MostPixelsAtOnce = 24_000_000;
    private const int MostAtOnce = 4;
    private const int Quality = 82;

    // Threads of their own, and few: the system's allocator keeps some tens of megabytes for every thread on which a picture was ever unfolded.
    private static readonly BlockingCollection<Action> Work = Started(Math.Min(Environment.ProcessorCount, MostAtOnce));

    /// <summary>Draws a picture anew in some sizes, as JPEGs, upright and without a word of where, when and with what it was taken.</summary>
    /// <param name="bytes">The file's bytes.</param>
    /// <param name="sizes">How long the longer side is at the most, in pixels, the largest first.</param>
    /// <returns>A JPEG for each size; or why the file is not taken.</returns>
    public static (IReadOnlyList<byte[]> Drawn, string? Problem) Draw(byte[] bytes, params IReadOnlyList<int> sizes)
    {
        var done = new TaskCompletionSource<(IReadOnlyList<byte[]>, string?)>(TaskCreationOptions.RunContinuationsAsynchronously);
        Work.Add(() =>
        {
            try
            {
                var (upright, problem) = Read(bytes, sizes[0]);
                using (upright)
                {
                    done.SetResult(upright is null ? ([], problem) : ([.. sizes.Select(s => Shrunk(upright, s))], null));
                }
            }
            catch (Exception e)
            {
                // It belongs to whoever waits for the picture.
                done.SetException(e);
            }
        });
        return done.Task.GetAwaiter().GetResult();
    }

    private static BlockingCollection<Action> Started(int threads)
    {
        var work = new BlockingCollection<Action>();
        for (var n = 0; n < threads; n++)
        {
            new Thread(() =>
            {
                foreach (var one in work.GetConsumingEnumerable())
                {
                    one();
                }
            })
            {
                IsBackground = true,
                Name = "pictures",
            }.Start();
        }

        return work;
    }

    private static byte[] Shrunk(SKBitmap picture, int longest)
    {
        var scale = Math.Min(1d, longest / (double)Math.Max(picture.Width, picture.Height));
        var size = new SKSizeI(Math.Max(1, (int)Math.Round(picture.Width * scale)), Math.Max(1, (int)Math.Round(picture.Height * scale)));
        using var small = picture.Resize(size, new SKSamplingOptions(SKFilterMode.Linear, SKMipmapMode.Linear));
        using var pixels = small.PeekPixels();
        using var data = pixels.Encode(new SKJpegEncoderOptions(Quality));
        return data!.ToArray();
    }

    private static (SKBitmap? Picture, string? Problem) Read(byte[] bytes, int longest)
    {
        using var data = SKData.CreateCopy(bytes);
        using var codec = SKCodec.Create(data);
        if (codec is null || codec.EncodedFormat is not (SKEncodedImageFormat.Jpeg or SKEncodedImageFormat.Png or SKEncodedImageFormat.Webp))
        {
            return (null, "The file is no JPEG, PNG or WebP picture");
        }

        var (width, height) = (codec.Info.Width, codec.Info.Height);
        if ((long)width * height is <= 0 or > MostPixels)
        {
            return (null, $"The picture has {width} by {height} points, which is too many");
        }

        var (raw, problem) = Unfold(codec, longest);
        using (raw)
        {
            return raw is null ? (null, problem) : (Upright(raw, codec.EncodedOrigin, longest), null);
        }
    }

    private static (SKBitmap? Picture, string? Problem) Unfold(SKCodec codec, int longest)
    {
        var whole = codec.Info.WithColorType(SKColorType.Rgba8888).WithAlphaType(SKAlphaType.Premul);
        var scale = longest / (float)Math.Max(whole.Width, whole.Height);
        // A format that cannot be unfolded smaller says its whole size again.
        // One that can takes steps of an eighth, and goes below what is asked for.
        var size = scale < 0.5f ? codec.GetScaledDimensions(2 * scale) : whole.Size;
        if ((long)size.Width * size.Height > MostPixelsAtOnce)
        {
            return (null, $"The picture has {whole.Width} by {whole.Height} points, which is too many for a {codec.EncodedFormat.ToString().ToUpperInvariant()}: save it smaller, or as a JPEG");
        }

        var picture = new SKBitmap(whole.WithSize(size.Width, size.Height));
        if (codec.GetPixels(picture.Info, picture.GetPixels()) == SKCodecResult.Success)
        {
            return (picture, null);
        }

        picture.Dispose();
        return (null, "The picture is damaged, or a part of it is missing");
    }

    private static SKBitmap Upright(SKBitmap raw, SKEncodedOrigin turned, int longest)
    {
        var scale = Math.Min(1f, longest / (float)Math.Max(raw.Width, raw.Height));
        var (wide, high) = (raw.Width * scale, raw.Height * scale);
        var (width, height) = turned >= SKEncodedOrigin.LeftTop ? (high, wide) : (wide, high);
        var upright = new SKBitmap(new SKImageInfo(Math.Max(1, (int)Math.Round(width)), Math.Max(1, (int)Math.Round(height)), SKColorType.Rgba8888, SKAlphaType.Premul));
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
        raw.SetImmutable();
        using var image = SKImage.FromBitmap(raw);
        canvas.DrawImage(image, new SKRect(0, 0, raw.Width, raw.Height), new SKRect(0, 0, wide, high), new SKSamplingOptions(SKFilterMode.Linear, SKMipmapMode.Linear));
        return upright;
    }
}
