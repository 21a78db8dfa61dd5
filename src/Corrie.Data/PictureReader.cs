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

    private static readonly SemaphoreSlim Gate = new(Math.Min(Environment.ProcessorCount, MostAtOnce));

    /// <summary>Reads a picture.</summary>
    /// <param name="bytes">The file's bytes.</param>
    /// <param name="longest">How long its longer side is at the most, in pixels.</param>
    /// <returns>The picture, upright, to be disposed; or why it is not taken.</returns>
    public static (SKBitmap? Picture, string? Problem) Read(byte[] bytes, int longest)
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

        Gate.Wait();
        try
        {
            var (raw, problem) = Unfold(codec, longest);
            using (raw)
            {
                return raw is null ? (null, problem) : (Upright(raw, codec.EncodedOrigin, longest), null);
            }
        }
        finally
        {
            Gate.Release();
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
        using var image = SKImage.FromBitmap(raw);
        canvas.DrawImage(image, new SKRect(0, 0, raw.Width, raw.Height), new SKRect(0, 0, wide, high), new SKSamplingOptions(SKFilterMode.Linear, SKMipmapMode.Linear));
        return upright;
    }
}
