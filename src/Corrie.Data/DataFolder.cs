namespace Corrie.Data;

/// <summary>The folder with all that Corrie keeps, for one program alone: what it knows in memory would be wrong if another one wrote there too.</summary>
public sealed class DataFolder : IDisposable
{
    private const string LockFile = ".in-use";

    private readonly FileStream hold;

    private DataFolder(string path, FileStream hold)
    {
        Path = path;
        this.hold = hold;
    }

    /// <summary>Where it lies.</summary>
    public string Path { get; }

    /// <summary>Takes the folder for this program until it ends, however it ends; makes it where there is none.</summary>
    /// <param name="path">The folder.</param>
    /// <returns>The folder; null where another program has it.</returns>
    public static DataFolder? Lock(string path)
    {
        Disk.OwnFolder(path);
        try
        {
            // The lock is the system's, and is gone with the program; the file stays and says nothing.
            return new(path, new FileStream(System.IO.Path.Combine(path, LockFile), FileMode.OpenOrCreate, FileAccess.ReadWrite, FileShare.None));
        }
        catch (IOException)
        {
            return null;
        }
    }

    /// <inheritdoc/>
    public void Dispose() => hold.Dispose();
}
