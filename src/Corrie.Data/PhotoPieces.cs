namespace Corrie.Data;

/// <summary>
/// Photos that come in pieces: a phone with a weak signal goes on where it was cut off. Pieces lie beside the photos until the whole is there, and are
/// no part of a backup.
/// </summary>
/// <param name="folder">The folder of the photos.</param>
/// <param name="time">The clock.</param>
public sealed class PhotoPieces(string folder, TimeProvider time)
{
    /// <summary>The largest piece, in bytes.</summary>
    public const int MostPiece = 2_000_000;

    // What nobody has gone on with for so long is not gone on with.
    private static readonly TimeSpan Kept = TimeSpan.FromDays(7);

    private const int MostOpen = 200;

    private readonly Lock taking = new();

    /// <summary>How much of a photo is there.</summary>
    /// <param name="key">The photo's key: letters, figures and strokes.</param>
    /// <returns>The number of bytes; 0 for nothing.</returns>
    public long Have(string key) => new FileInfo(PathOf(key)) is { Exists: true } file ? file.Length : 0;

    /// <summary>Takes a piece. One that comes again, or overlaps, adds what is new of it; one that leaves a gap adds nothing.</summary>
    /// <param name="key">The photo's key.</param>
    /// <param name="offset">Where the piece begins, in bytes.</param>
    /// <param name="total">How long the whole is.</param>
    /// <param name="piece">Its bytes.</param>
    /// <returns>How much is there now, the whole where all is there, or why it is not taken.</returns>
    public (long Have, byte[]? Whole, string? Problem) Add(string key, long offset, long total, ReadOnlySpan<byte> piece)
    {
        if (total is <= 0 or > PhotoStore.MostBytes)
        {
            return (0, null, $"The picture has {total / 1_000_000} MB; from 1 byte to {PhotoStore.MostBytes / 1_000_000} MB are taken");
        }

        if (offset < 0 || piece.Length > MostPiece || offset + piece.Length > total)
        {
            return (Have(key), null, $"A piece of {piece.Length} bytes from {offset} on does not fit into {total}");
        }

        lock (taking)
        {
            var have = Have(key);
            if (have == 0 && !Begin())
            {
                return (0, null, $"{MostOpen} pictures are on their way at once");
            }

            // What is longer than the whole belonged to another picture.
            if (have > total)
            {
                Drop(key);
                have = 0;
            }

            if (offset <= have && offset + piece.Length > have)
            {
                using var file = new FileStream(PathOf(key), FileMode.Append, FileAccess.Write);
                Disk.OwnFile(PathOf(key));
                file.Write(piece[(int)(have - offset)..]);
                file.Flush(flushToDisk: true);
                have = file.Position;
            }

            return (have, have == total ? File.ReadAllBytes(PathOf(key)) : null, null);
        }
    }

    /// <summary>Forgets a photo's pieces.</summary>
    /// <param name="key">The photo's key.</param>
    public void Drop(string key) => File.Delete(PathOf(key));

    private bool Begin()
    {
        Disk.OwnFolder(folder);
        Disk.OwnFolder(Folder);
        var open = Disk.Files(Folder);
        foreach (var old in open.Where(f => time.GetUtcNow() - File.GetLastWriteTimeUtc(f) > Kept))
        {
            File.Delete(old);
        }

        return open.Count < MostOpen;
    }

    private string Folder => Path.Combine(folder, "pieces");

    private string PathOf(string key) => Path.Combine(Folder, key.All(c => char.IsAsciiLetterOrDigit(c) || c == '-') ? key : throw new ArgumentException("A key has letters, figures and strokes.", nameof(key)));
}
