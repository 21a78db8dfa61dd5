using System.IO.Compression;
using System.Text;

namespace Corrie.Web.Tests;

/// <summary>What is gathered and compressed in one go reads back as it was, by the framework's own reader.</summary>
public class WholeBrotliTests
{
    [Fact]
    public async Task Whatever_is_written_reads_back_however_it_was_cut_and_flushed()
    {
        var random = new Random(5);
        foreach (var size in new[] { 0, 1, 100, 16_384, 73_000, 262_143, 262_144, 262_145, 1_100_000 })
        {
            var written = Encoding.UTF8.GetBytes(string.Concat(Enumerable.Range(0, (size / 30) + 1).Select(_ => $"<rect x=\"{random.Next(999):000}\" y=\"{random.Next(99999999):00000000}\" class=\"ö\"/>")))[..size];
            using var to = new MemoryStream();
            await using (var body = new WholeBrotli().CreateStream(to))
            {
                for (var at = 0; at < size;)
                {
                    var piece = Math.Min(size - at, random.Next(1, 90_000));
                    await body.WriteAsync(written.AsMemory(at, piece));
                    at += piece;
                    if (random.Next(5) == 0)
                    {
                        // Who flushes wants all of it to be there, and not only some time later.
                        await body.FlushAsync();
                        Assert.Equal(written[..at], Read(to.ToArray(), at));
                    }
                }
            }

            Assert.Equal(written, Read(to.ToArray(), size + 1));
        }
    }

    private static byte[] Read(byte[] compressed, int most)
    {
        using var from = new BrotliStream(new MemoryStream(compressed), CompressionMode.Decompress);
        var found = new byte[most];
        return found[..from.ReadAtLeast(found, most, throwOnEndOfStream: false)];
    }
}
