using System.Runtime.InteropServices;

namespace Corrie.Data;

/// <summary>Files that nobody but their owner reads, and that are on the disk before anybody is told so.</summary>
public static partial class Disk
{
    private const UnixFileMode OwnersFile = UnixFileMode.UserRead | UnixFileMode.UserWrite;
    private const UnixFileMode OwnersFolder = OwnersFile | UnixFileMode.UserExecute;

    /// <summary>Makes a folder that only its owner enters, or makes it so.</summary>
    /// <param name="path">The folder.</param>
    public static void OwnFolder(string path)
    {
        if (OperatingSystem.IsWindows())
        {
            Directory.CreateDirectory(path);
            return;
        }

        Directory.CreateDirectory(path, OwnersFolder);
        if (File.GetUnixFileMode(path) != OwnersFolder)
        {
            File.SetUnixFileMode(path, OwnersFolder);
        }
    }

    /// <summary>The files of a folder, by name.</summary>
    /// <param name="path">The folder.</param>
    /// <param name="pattern">Which files, such as <c>*.corrie</c>.</param>
    /// <returns>Their paths; none where the folder is not there.</returns>
    public static IReadOnlyList<string> Files(string path, string pattern = "*") =>
        Directory.Exists(path) ? [.. Directory.GetFiles(path, pattern).Order(StringComparer.Ordinal)] : [];

    /// <summary>Makes a file one that only its owner reads.</summary>
    /// <param name="path">The file.</param>
    public static void OwnFile(string path)
    {
        if (!OperatingSystem.IsWindows() && File.GetUnixFileMode(path) != OwnersFile)
        {
            File.SetUnixFileMode(path, OwnersFile);
        }
    }

    /// <summary>Writes a file whole or not at all: beside its place first, and moved there once its bytes are on the disk; so is its name then.</summary>
    /// <param name="path">The file; one that is there already is replaced.</param>
    /// <param name="write">Writes its bytes.</param>
    public static void Write(string path, Action<Stream> write)
    {
        var part = $"{path}.{Guid.NewGuid():N}.part";
        try
        {
            var options = new FileStreamOptions { Mode = FileMode.CreateNew, Access = FileAccess.ReadWrite };
            if (!OperatingSystem.IsWindows())
            {
                options.UnixCreateMode = OwnersFile;
            }

            using (var stream = new FileStream(part, options))
            {
                write(stream);
                stream.Flush(flushToDisk: true);
            }

            File.Move(part, path, overwrite: true);
            SyncFolder(Path.GetDirectoryName(Path.GetFullPath(path))!);
        }
        finally
        {
            File.Delete(part);
        }
    }

    // The framework opens no folder, so that the system is asked itself.
    private static void SyncFolder(string folder)
    {
        if (OperatingSystem.IsWindows())
        {
            return;
        }

        var handle = Open(folder, 0);
        if (handle < 0)
        {
            throw new IOException($"'{folder}' cannot be opened: {Marshal.GetLastPInvokeErrorMessage()}.");
        }

        try
        {
            if (Sync(handle) != 0)
            {
                throw new IOException($"'{folder}' cannot be written to the disk: {Marshal.GetLastPInvokeErrorMessage()}.");
            }
        }
        finally
        {
            _ = Close(handle);
        }
    }

    [LibraryImport("libc", EntryPoint = "open", SetLastError = true, StringMarshalling = StringMarshalling.Utf8)]
    private static partial int Open(string path, int flags);

    [LibraryImport("libc", EntryPoint = "fsync", SetLastError = true)]
    private static partial int Sync(int handle);

    [LibraryImport("libc", EntryPoint = "close", SetLastError = true)]
    private static partial int Close(int handle);
}
