using System.Security.Cryptography;

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

        var (drawn, problem) = PictureReader.Draw(bytes, Screen, Thumb);
        if (problem is not null)
        {
            return (null, problem);
        }

        var name = Convert.ToHexStringLower(SHA256.HashData(bytes));
        Disk.OwnFolder(folder);
        Write(name, PhotoSize.View, drawn[0]);
        Write(name, PhotoSize.Thumbnail, drawn[1]);
        // The original comes last: where it is, the others are.
        Write(name, PhotoSize.Original, bytes);
        return (name, null);
    }

    /// <summary>A photo's file.</summary>
    /// <param name="name">Its name.</param>
    /// <param name="size">In which form it is wanted.</param>
    /// <returns>Where it lies; null where there is none of that name.</returns>
    public string? Find(string name, PhotoSize size) =>
        name.Length == 64 && name.All(char.IsAsciiHexDigitLower) && PathOf(name, size) is var path && File.Exists(path) ? path : null;

    /// <summary>Keeps a manual beside the photos: it is saved and brought back with them.</summary>
    /// <param name="bytes">The file's bytes.</param>
    /// <returns>Its name, or why it is not taken.</returns>
    public (string? Name, string? Problem) AddManual(byte[] bytes)
    {
        if (bytes.Length is 0 or > MostBytes)
        {
            return (null, bytes.Length == 0 ? "The file is empty" : $"The file has {bytes.Length / 1_000_000} MB; at most {MostBytes / 1_000_000} are taken");
        }

        // By what is in it, not by what it is called: a beginning and an end that every such file has.
        if (!bytes.AsSpan().StartsWith("%PDF-"u8) || bytes.AsSpan()[Math.Max(0, bytes.Length - 2048)..].IndexOf("%%EOF"u8) < 0)
        {
            return (null, "The file is no whole PDF");
        }

        var name = Convert.ToHexStringLower(SHA256.HashData(bytes));
        Disk.OwnFolder(folder);
        if (ManualPath(name) is var path && !File.Exists(path))
        {
            Disk.Write(path, stream => stream.Write(bytes));
        }

        return (name, null);
    }

    /// <summary>A manual's file.</summary>
    /// <param name="name">Its name.</param>
    /// <returns>Where it lies; null where there is none of that name.</returns>
    public string? FindManual(string name) => name.Length == 64 && name.All(char.IsAsciiHexDigitLower) && ManualPath(name) is var path && File.Exists(path) ? path : null;

    /// <summary>Removes a photo in all its sizes, for good.</summary>
    /// <param name="name">Its name.</param>
    public void Remove(string name)
    {
        foreach (var size in Enum.GetValues<PhotoSize>())
        {
            if (Find(name, size) is { } path)
            {
                File.Delete(path);
            }
        }
    }

    // What is there already is the same: it is named by what is in it.
    private void Write(string name, PhotoSize size, byte[] bytes)
    {
        if (PathOf(name, size) is var path && !File.Exists(path))
        {
            Disk.Write(path, stream => stream.Write(bytes));
        }
    }

    private string ManualPath(string name) => Path.Combine(folder, name + ".manual.pdf");

    private string PathOf(string name, PhotoSize size) => Path.Combine(folder, size switch
    {
        PhotoSize.Thumbnail => name + ".thumb.jpg",
        PhotoSize.View => name + ".view.jpg",
        _ => name + ".original",
    });
}
