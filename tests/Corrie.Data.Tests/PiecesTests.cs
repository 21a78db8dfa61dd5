using System.Security.Cryptography;

namespace Corrie.Data.Tests;

/// <summary>A photo that comes in pieces is whole in the end, whatever the network does with them.</summary>
public sealed class PiecesTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("corrie-pieces-").FullName;

    public void Dispose() => Directory.Delete(folder, recursive: true);

    [Fact]
    public void Pieces_that_are_lost_doubled_overlap_or_come_late_make_the_same_file()
    {
        var random = new Random(3);
        for (var n = 0; n < 60; n++)
        {
            var photo = RandomNumberGenerator.GetBytes(random.Next(1, 40_000));
            var (key, sent, late) = ($"7-{n:x8}", 0L, new List<(int From, int Long)>());
            byte[]? whole = null;
            while (whole is null)
            {
                // A phone goes on from what it last heard, or from what it is told when it asks; the program may be another one by then.
                var pieces = new PhotoPieces(folder, TimeProvider.System);
                sent = random.Next(3) == 0 ? pieces.Have(key) : sent;
                var piece = (From: (int)sent, Long: (int)Math.Min(photo.Length - sent, random.Next(0, 9_000)));
                switch (random.Next(4))
                {
                    case 0:
                        late.Add(piece);
                        break;
                    case 1:
                        _ = pieces.Add(key, piece.From, photo.Length, photo.AsSpan(piece.From, piece.Long));
                        break;
                    case 2 when late.Count > 0:
                        var old = late[random.Next(late.Count)];
                        whole = pieces.Add(key, old.From, photo.Length, photo.AsSpan(old.From, old.Long)).Whole;
                        break;
                    default:
                        (sent, whole, var problem) = pieces.Add(key, piece.From, photo.Length, photo.AsSpan(piece.From, piece.Long));
                        Assert.Null(problem);
                        break;
                }
            }

            Assert.Equal(photo, whole);
            new PhotoPieces(folder, TimeProvider.System).Drop(key);
        }
    }

    [Fact]
    public void What_is_too_long_leaves_a_gap_or_fits_nowhere_is_not_taken()
    {
        var pieces = new PhotoPieces(folder, TimeProvider.System);
        Assert.Contains("20 MB", pieces.Add("1-a", 0, PhotoStore.MostBytes + 1, new byte[10]).Problem);
        Assert.Contains("does not fit", pieces.Add("1-a", 95, 100, new byte[10]).Problem);
        Assert.Contains("does not fit", pieces.Add("1-a", -1, 100, new byte[10]).Problem);
        Assert.Equal((0, null, null), pieces.Add("1-a", 50, 100, new byte[10]));
        Assert.Throws<ArgumentException>(() => pieces.Have("../../etc"));
    }
}
