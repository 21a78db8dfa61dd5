using System.Text;
using SkiaSharp;

namespace Corrie.Data.Tests;

/// <summary>Tests that look at what the whole process uses run while no others do.</summary>
[CollectionDefinition(Name, DisableParallelization = true)]
public sealed class Alone
{
    public const string Name = "alone";
}

[Collection(Alone.Name)]
[System.Runtime.Versioning.UnsupportedOSPlatform("windows")]
public sealed class PhotosTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("corrie-photos-").FullName;

    /// <summary>A picture 80 wide and 60 high, as a phone held on its side writes it: turned, with a place in it.</summary>
    private static byte[] FromPhone()
    {
        using var picture = new SKBitmap(80, 60);
        picture.Erase(SKColors.White);
        using (var canvas = new SKCanvas(picture))
        {
            canvas.DrawRect(0, 0, 20, 15, new() { Color = SKColors.Red });
        }

        using var image = SKImage.FromBitmap(picture);
        var jpeg = image.Encode(SKEncodedImageFormat.Jpeg, 95).ToArray();
        // Exif 2.3: TIFF header, one directory with orientation 6 (turn right to see it upright) and a place in words.
        byte[] exif =
        [
            .. "Exif\0\0MM\0*"u8, 0, 0, 0, 8, 0, 2,
            0x01, 0x12, 0, 3, 0, 0, 0, 1, 0, 6, 0, 0,
            0x01, 0x0E, 0, 2, 0, 0, 0, 12, 0, 0, 0, 38, 0, 0, 0, 0, .. "GPS 54.4 -3\0"u8,
        ];
        return [.. jpeg[..2], 0xFF, 0xE1, (byte)((exif.Length + 2) >> 8), (byte)((exif.Length + 2) & 255), .. exif, .. jpeg[2..]];
    }

    [Fact]
    public void What_is_shown_is_upright_and_says_nothing_of_the_place_and_the_original_stays()
    {
        var store = new PhotoStore(folder);
        var bytes = FromPhone();
        var name = store.Add(bytes).Name!;
        Assert.Equal(bytes, File.ReadAllBytes(store.Find(name, PhotoSize.Original)!));
        foreach (var size in new[] { PhotoSize.Thumbnail, PhotoSize.View })
        {
            var shown = File.ReadAllBytes(store.Find(name, size)!);
            Assert.DoesNotContain("GPS", Encoding.Latin1.GetString(shown));
            Assert.DoesNotContain("Exif", Encoding.Latin1.GetString(shown));
            using var picture = SKBitmap.Decode(shown);
            // By hand: turned right, the red corner at the upper left comes to the upper right.
            Assert.Equal((60, 80), (picture.Width, picture.Height));
            Assert.True(picture.GetPixel(55, 5) is { Red: > 200, Green: < 80 });
            Assert.True(picture.GetPixel(5, 5) is { Green: > 200 });
        }

        Assert.Equal(name, store.Add(bytes).Name);
        Assert.Equal(3, Directory.GetFiles(folder).Length);
    }

    [Fact]
    public void What_is_no_picture_or_unfolds_too_far_is_refused()
    {
        var store = new PhotoStore(folder);
        Assert.Contains("empty", store.Add([]).Problem);
        Assert.Contains("no JPEG", store.Add(Encoding.UTF8.GetBytes("<svg onload='x'/>")).Problem);
        Assert.Contains("no JPEG", store.Add(Encoding.UTF8.GetBytes("GIF89a")).Problem);
        // A PNG's header that promises 60,000 by 60,000 points.
        byte[] header = [0x49, 0x48, 0x44, 0x52, 0, 0, 0xEA, 0x60, 0, 0, 0xEA, 0x60, 8, 2, 0, 0, 0];
        byte[] bomb = [0x89, 0x50, 0x4E, 0x47, 0x0D, 0x0A, 0x1A, 0x0A, 0, 0, 0, 13, .. header, .. Crc(header), 0, 0, 0, 0, .. "IDAT"u8, .. Crc("IDAT"u8.ToArray())];
        Assert.NotNull(store.Add(bomb).Problem);
        Assert.Empty(Directory.GetFiles(folder));
        Assert.Null(store.Find("../../etc/passwd", PhotoSize.Original));
    }

    [Fact]
    public void Many_huge_pictures_at_once_take_little_memory()
    {
        var store = new PhotoStore(folder);
        using var grey = new SKBitmap(new SKImageInfo(9_990, 8_000, SKColorType.Gray8, SKAlphaType.Opaque));
        using var image = SKImage.FromBitmap(grey);
        // What comes after the end of a JPEG belongs to nobody, and makes it another file.
        var jpeg = image.Encode(SKEncodedImageFormat.Jpeg, 50).ToArray();
        using (var codec = SKCodec.Create(store.Find(store.Add(jpeg).Name!, PhotoSize.View)))
        {
            Assert.Equal((1600, 1281), (codec.Info.Width, codec.Info.Height));
        }

        var before = Environment.WorkingSet;
        long most = 0;
        using var watch = new Timer(_ => most = Math.Max(most, Environment.WorkingSet), null, 0, 2);
        var names = Enumerable.Range(1, 12).AsParallel().WithDegreeOfParallelism(12).Select(n => store.Add([.. jpeg, (byte)n]).Name).ToList();
        Assert.All(names, Assert.NotNull);
        Assert.Equal(12, names.Distinct().Count());
        // One of them unfolded whole takes 320 MB.
        Assert.InRange(most - before, 0, 200_000_000);
        Assert.Contains("as a JPEG", store.Add(Png(9_990, 8_000, 1)).Problem);
    }

    [Fact]
    public void Half_a_picture_is_refused()
    {
        var store = new PhotoStore(folder);
        foreach (var whole in new[] { FromPhone(), Png(300, 200, 1), Png(4_000, 5_900, 1) })
        {
            Assert.Null(store.Add(whole).Problem);
            Assert.Contains("missing", store.Add(whole[..(whole.Length * 9 / 10)]).Problem);
        }
    }

    [Fact]
    public void Files_are_their_owner_s_alone()
    {
        var store = new PhotoStore(Path.Combine(folder, "photos"));
        var name = store.Add(FromPhone()).Name!;
        Assert.Equal(UnixFileMode.UserRead | UnixFileMode.UserWrite, File.GetUnixFileMode(store.Find(name, PhotoSize.Original)!));
        Assert.Equal(UnixFileMode.UserRead | UnixFileMode.UserWrite | UnixFileMode.UserExecute, File.GetUnixFileMode(Path.Combine(folder, "photos")));
    }

    // A picture of one grey (PNG specification, ISO/IEC 15948): some kilobytes, whatever its size.
    private static byte[] Png(int width, int height, int shade)
    {
        static byte[] Chunk(string name, byte[] data) => [.. Big(data.Length), .. Encoding.ASCII.GetBytes(name), .. data, .. Crc([.. Encoding.ASCII.GetBytes(name), .. data])];
        static byte[] Big(int number) => [(byte)(number >> 24), (byte)(number >> 16), (byte)(number >> 8), (byte)number];
        using var packed = new MemoryStream();
        using (var zip = new System.IO.Compression.ZLibStream(packed, System.IO.Compression.CompressionLevel.Fastest, leaveOpen: true))
        {
            var row = new byte[width + 1];
            row.AsSpan(1).Fill((byte)shade);
            for (var y = 0; y < height; y++)
            {
                zip.Write(row);
            }
        }

        return [0x89, .. "PNG\r\n\u001a\n"u8, .. Chunk("IHDR", [.. Big(width), .. Big(height), 8, 0, 0, 0, 0]), .. Chunk("IDAT", packed.ToArray()), .. Chunk("IEND", [])];
    }

    public void Dispose() => Directory.Delete(folder, recursive: true);

    private static byte[] Crc(byte[] bytes)
    {
        var crc = bytes.Aggregate(uint.MaxValue, (c, b) =>
        {
            c ^= b;
            for (var k = 0; k < 8; k++)
            {
                c = (c & 1) == 1 ? (c >> 1) ^ 0xEDB88320 : c >> 1;
            }

            return c;
        }) ^ uint.MaxValue;
        return [(byte)(crc >> 24), (byte)(crc >> 16), (byte)(crc >> 8), (byte)crc];
    }
}
