using SkiaSharp;

namespace Corrie.Data;

/// <summary>Something flat that is painted on a wall, in inches: from the left corner, over the floor.</summary>
/// <param name="Left">Its left edge.</param>
/// <param name="Bottom">Its lower edge.</param>
/// <param name="Width">Its width.</param>
/// <param name="Height">Its height.</param>
/// <param name="Colour">Its colour, with how much it covers.</param>
/// <param name="Edge">The colour of its edge; nothing for none.</param>
public readonly record struct Paint(double Left, double Bottom, double Width, double Height, uint Colour, uint Edge = 0);

/// <summary>Draws a wall's photo squared, and the plan of a wall on its photo as it was taken.</summary>
public static class WallPictures
{
    private const int Quality = 85;

    /// <summary>Size of a picture.</summary>
    /// <param name="path">Where it lies.</param>
    /// <returns>Width and height in pixels; nothing where it is none.</returns>
    public static (int Width, int Height) SizeOf(string path)
    {
        using var codec = SKCodec.Create(path);
        return codec is null ? default : (codec.Info.Width, codec.Info.Height);
    }

    /// <summary>A photo as it lies on the wall, the wall filling the picture.</summary>
    /// <param name="path">Where the photo lies.</param>
    /// <param name="toWall">Nine numbers from shares of the photo to inches on the wall, row by row.</param>
    /// <param name="width">The wall's width in inches.</param>
    /// <param name="height">The wall's height in inches.</param>
    /// <param name="pixels">How wide the picture is made.</param>
    /// <returns>A JPEG.</returns>
    public static byte[] Squared(string path, IReadOnlyList<double> toWall, double width, double height, int pixels)
    {
        using var photo = SKBitmap.Decode(path);
        var scale = pixels / width;
        using var drawn = new SKBitmap(pixels, Math.Max(1, (int)Math.Round(height * scale)));
        using (var canvas = new SKCanvas(drawn))
        {
            canvas.Clear(new SKColor(0xF8, 0xF4, 0xEA));
            // Pixels of the photo to shares of it, to inches, to pixels of the picture, whose top is the ceiling.
            canvas.SetMatrix(Of([scale, 0, 0, 0, -scale, height * scale, 0, 0, 1]).PreConcat(Of(toWall)).PreConcat(SKMatrix.CreateScale(1f / photo.Width, 1f / photo.Height)));
            using var image = SKImage.FromBitmap(photo);
            canvas.DrawImage(image, 0, 0, new SKSamplingOptions(SKFilterMode.Linear, SKMipmapMode.Linear));
        }

        return Encoded(drawn);
    }

    /// <summary>The plan on the photo, in the photo's own perspective.</summary>
    /// <param name="path">Where the photo lies.</param>
    /// <param name="toPhoto">Nine numbers from inches on the wall to shares of the photo, row by row.</param>
    /// <param name="paints">What is painted, in this order.</param>
    /// <returns>A JPEG of the photo's size.</returns>
    public static byte[] Composed(string path, IReadOnlyList<double> toPhoto, IReadOnlyList<Paint> paints)
    {
        using var photo = SKBitmap.Decode(path);
        using (var canvas = new SKCanvas(photo))
        {
            Paint(canvas, SKMatrix.CreateScale(photo.Width, photo.Height).PreConcat(Of(toPhoto)), paints);
        }

        return Encoded(photo);
    }

    /// <summary>A picture of a wall that nobody photographed, as a camera aslant before it would have it.</summary>
    /// <param name="toPixels">Nine numbers from inches on the wall to pixels, row by row.</param>
    /// <param name="width">Width of the picture.</param>
    /// <param name="height">Height of the picture.</param>
    /// <param name="ground">Its colour where nothing is painted.</param>
    /// <param name="paints">What is painted, in this order.</param>
    /// <returns>A JPEG.</returns>
    public static byte[] Drawn(IReadOnlyList<double> toPixels, int width, int height, uint ground, IReadOnlyList<Paint> paints)
    {
        using var drawn = new SKBitmap(width, height);
        using (var canvas = new SKCanvas(drawn))
        {
            canvas.Clear(new SKColor(ground));
            Paint(canvas, Of(toPixels), paints);
        }

        return Encoded(drawn);
    }

    private static void Paint(SKCanvas canvas, SKMatrix matrix, IReadOnlyList<Paint> paints)
    {
        canvas.SetMatrix(matrix);
        foreach (var paint in paints)
        {
            var rect = new SKRect((float)paint.Left, (float)paint.Bottom, (float)(paint.Left + paint.Width), (float)(paint.Bottom + paint.Height));
            using var fill = new SKPaint { Color = new SKColor(paint.Colour), IsAntialias = true, Style = SKPaintStyle.Fill };
            canvas.DrawRect(rect, fill);
            if (paint.Edge != 0)
            {
                using var edge = new SKPaint { Color = new SKColor(paint.Edge), IsAntialias = true, Style = SKPaintStyle.Stroke, StrokeWidth = .35f };
                canvas.DrawRect(rect, edge);
            }
        }
    }

    private static SKMatrix Of(IReadOnlyList<double> n) =>
        new((float)n[0], (float)n[1], (float)n[2], (float)n[3], (float)n[4], (float)n[5], (float)n[6], (float)n[7], (float)n[8]);

    private static byte[] Encoded(SKBitmap drawn)
    {
        using var pixels = drawn.PeekPixels();
        using var data = pixels.Encode(new SKJpegEncoderOptions(Quality));
        return data!.ToArray();
    }
}
