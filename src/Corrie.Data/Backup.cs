using System.IO.Compression;
using System.Security.Cryptography;
using System.Text.Json;
using Dapper;
using Microsoft.Data.Sqlite;

namespace Corrie.Data;

/// <summary>Why a backup could not be made or put back, in words for whoever runs Corrie.</summary>
/// <param name="words">The whole message.</param>
/// <param name="cause">What went wrong underneath.</param>
public sealed class BackupException(string words, Exception? cause = null) : Exception(words, cause);

/// <summary>What is in a backup.</summary>
/// <param name="Companies">How many companies.</param>
/// <param name="Entries">How many entries.</param>
/// <param name="Photos">How many photos.</param>
public sealed record BackupContent(int Companies, long Entries, int Photos);

/// <summary>
/// Everything in a data folder as one file: the companies' files as they are at one moment, also while Corrie writes, photos, and the keys that seal
/// cookies. It is a ZIP with a list of what is in it; when it is made it is read back whole before it gets its name.
/// </summary>
public static class Backup
{
    private const string Format = "corrie-backup/1";
    private const string ListName = "list.json";
    private const string KeysFolder = "keys";
    private const string CompanyEnd = ".corrie";
    private const string PhotosEnd = "-photos";
    private const string OriginalEnd = ".original";

    /// <summary>Makes a backup.</summary>
    /// <param name="folder">The data folder.</param>
    /// <param name="file">Where the backup goes; one that is there is replaced once the new one is whole.</param>
    /// <param name="time">The clock.</param>
    /// <returns>What is in it.</returns>
    /// <exception cref="BackupException">There is nothing to keep, it could not be written, or it did not read back as it was written.</exception>
    public static BackupContent Save(string folder, string file, TimeProvider time)
    {
        var companies = Disk.Files(folder, "*" + CompanyEnd);
        if (companies.Count == 0)
        {
            throw new BackupException($"'{folder}' holds no company's file. Expected: Corrie's data folder.");
        }

        try
        {
            BackupContent? content = null;
            using var aside = new Aside(file);
            Disk.Write(file, stream =>
            {
                Fill(stream, folder, companies, aside.File, time);
                stream.Position = 0;
                content = Verify(stream, aside.File);
            });
            return content!;
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException or SqliteException)
        {
            throw new BackupException($"The backup '{file}' could not be made: {e.Message} What was there before is as it was.", e);
        }
    }

    /// <summary>Puts a backup back into a folder that is empty or not there.</summary>
    /// <param name="file">The backup.</param>
    /// <param name="folder">The data folder to be.</param>
    /// <returns>What was put back.</returns>
    /// <exception cref="BackupException">The folder holds something, or the backup is damaged; nothing was put there.</exception>
    public static BackupContent Restore(string file, string folder)
    {
        if (Directory.Exists(folder) && Directory.EnumerateFileSystemEntries(folder).Any())
        {
            throw new BackupException($"'{folder}' is not empty. Expected: an empty folder, or one that is not there; nothing is written over.");
        }

        try
        {
            BackupContent content;
            using var aside = new Aside(folder);
            var beside = Path.Combine(aside.Folder, "data");
            Disk.OwnFolder(beside);
            using (var stream = File.OpenRead(file))
            {
                content = Verify(stream, aside.File);
                stream.Position = 0;
                using var zip = new ZipArchive(stream, ZipArchiveMode.Read);
                foreach (var entry in zip.Entries.Where(e => e.FullName != ListName))
                {
                    var path = Path.Combine(beside, entry.FullName);
                    Disk.OwnFolder(Path.GetDirectoryName(path)!);
                    Disk.Write(path, target =>
                    {
                        using var source = entry.Open();
                        source.CopyTo(target);
                    });
                }
            }

            if (Directory.Exists(folder))
            {
                Directory.Delete(folder);
            }

            // All at once: a folder that is half full would look like the whole.
            Directory.Move(beside, folder);
            return content;
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException or InvalidDataException or SqliteException)
        {
            throw new BackupException($"The backup '{file}' could not be put back: {e.Message} Nothing was put into '{folder}'.", e);
        }
    }

    private static void Fill(Stream stream, string folder, IReadOnlyList<string> companies, string snapshot, TimeProvider time)
    {
        using var zip = new ZipArchive(stream, ZipArchiveMode.Create, leaveOpen: true);
        var list = new List<Kept>();
        foreach (var company in companies)
        {
            var name = Path.GetFileName(company);
            try
            {
                Snapshot(company, snapshot);
                list.Add(Add(zip, snapshot, name, CompressionLevel.Fastest));
            }
            finally
            {
                File.Delete(snapshot);
            }

            // After the snapshot: every photo that an entry of it speaks of was written before that entry.
            var photos = Path.Combine(folder, Path.GetFileNameWithoutExtension(name) + PhotosEnd);
            foreach (var photo in Disk.Files(photos).Where(p => !p.EndsWith(".part", StringComparison.Ordinal)))
            {
                list.Add(Add(zip, photo, $"{Path.GetFileName(photos)}/{Path.GetFileName(photo)}", CompressionLevel.NoCompression));
            }
        }

        foreach (var key in Disk.Files(Path.Combine(folder, KeysFolder)))
        {
            list.Add(Add(zip, key, $"{KeysFolder}/{Path.GetFileName(key)}", CompressionLevel.Fastest));
        }

        using var listed = zip.CreateEntry(ListName).Open();
        JsonSerializer.Serialize(listed, new KeptList(Format, time.GetUtcNow(), list), JsonSerializerOptions.Web);
    }

    // SQLite's own copying, which gives the file as of one commit whatever is written meanwhile.
    private static void Snapshot(string company, string to)
    {
        using var source = new SqliteConnection(new SqliteConnectionStringBuilder { DataSource = company, Mode = SqliteOpenMode.ReadOnly, Pooling = false }.ToString());
        using var target = new SqliteConnection(new SqliteConnectionStringBuilder { DataSource = to, Pooling = false }.ToString());
        source.Open();
        target.Open();
        Disk.OwnFile(to);
        // A server that closes its last connection holds the file for a moment; only SQLite itself waits within a copy, and not unless it is told to.
        source.Execute("pragma busy_timeout = 30000");
        source.BackupDatabase(target);
    }

    private static Kept Add(ZipArchive zip, string file, string name, CompressionLevel level)
    {
        using var source = File.OpenRead(file);
        using var target = zip.CreateEntry(name, level).Open();
        using var hash = IncrementalHash.CreateHash(HashAlgorithmName.SHA256);
        var buffer = new byte[81920];
        for (int read; (read = source.Read(buffer)) > 0;)
        {
            hash.AppendData(buffer.AsSpan(0, read));
            target.Write(buffer.AsSpan(0, read));
        }

        return new(name, source.Length, Convert.ToHexStringLower(hash.GetHashAndReset()));
    }

    private static BackupContent Verify(Stream stream, string snapshot)
    {
        using var zip = new ZipArchive(stream, ZipArchiveMode.Read, leaveOpen: true);
        KeptList? list;
        try
        {
            using var listed = (zip.GetEntry(ListName) ?? throw new InvalidDataException("it has no list of what is in it.")).Open();
            list = JsonSerializer.Deserialize<KeptList>(listed, JsonSerializerOptions.Web);
        }
        catch (JsonException e)
        {
            throw new InvalidDataException("its list of what is in it cannot be read.", e);
        }

        if (list?.Format != Format)
        {
            throw new InvalidDataException($"it is of the form '{list?.Format}'. Expected: {Format}.");
        }

        var (companies, entries, photos) = (0, 0L, 0);
        var names = list.Files.Select(f => f.Name).ToHashSet();
        if (zip.Entries.Count != names.Count + 1)
        {
            throw new InvalidDataException($"it holds {zip.Entries.Count - 1} files and lists {names.Count}.");
        }

        foreach (var kept in list.Files)
        {
            if (!IsName(kept.Name) || zip.GetEntry(kept.Name) is not { } entry)
            {
                throw new InvalidDataException($"'{kept.Name}' is not in it, or no name of a file of Corrie's.");
            }

            using (var source = entry.Open())
            {
                if (Convert.ToHexStringLower(SHA256.HashData(source)) != kept.Sha256)
                {
                    throw new InvalidDataException($"'{kept.Name}' is not as it was written.");
                }
            }

            if (kept.Name.EndsWith(CompanyEnd, StringComparison.Ordinal))
            {
                companies++;
                entries += EntriesOf(entry, snapshot, Path.GetFileNameWithoutExtension(kept.Name) + PhotosEnd, names);
            }

            photos += kept.Name.EndsWith(OriginalEnd, StringComparison.Ordinal) ? 1 : 0;
        }

        return new(companies, entries, photos);
    }

    private static long EntriesOf(ZipArchiveEntry entry, string snapshot, string photos, HashSet<string> names)
    {
        try
        {
            entry.ExtractToFile(snapshot, overwrite: true);
            Disk.OwnFile(snapshot);
            using var connection = new SqliteConnection(new SqliteConnectionStringBuilder { DataSource = snapshot, Mode = SqliteOpenMode.ReadOnly, Pooling = false }.ToString());
            connection.Open();
            if (connection.ExecuteScalar<string>("pragma integrity_check") is { } said and not "ok")
            {
                throw new InvalidDataException($"'{entry.FullName}' is damaged: {said}.");
            }

            var lacking = connection.Query<string>("select distinct name from job_photos").FirstOrDefault(n => !names.Contains($"{photos}/{n}{OriginalEnd}"));
            return lacking is null ? connection.ExecuteScalar<long>("select count(*) from entries") : throw new InvalidDataException($"the photo {lacking} of '{entry.FullName}' is not in it.");
        }
        finally
        {
            File.Delete(snapshot);
        }
    }

    // COMPANY.corrie, COMPANY-photos/FILE, keys/FILE; nothing that leads elsewhere.
    private static bool IsName(string name) => name.Split('/') is { Length: 1 or 2 } parts
        && parts.All(p => p.Length > 0 && p[0] != '.' && p.All(c => char.IsAsciiLetterOrDigit(c) || c is '-' or '.'))
        && (parts.Length == 1 ? name.EndsWith(CompanyEnd, StringComparison.Ordinal) : parts[0] == KeysFolder || parts[0].EndsWith(PhotosEnd, StringComparison.Ordinal));

    // A folder for what is needed on the way, on the disk where the result will be, and gone with all that SQLite puts beside its files.
    private sealed class Aside : IDisposable
    {
        public Aside(string beside)
        {
            Folder = $"{Path.GetFullPath(beside).TrimEnd(Path.DirectorySeparatorChar)}.{Guid.NewGuid():N}.part";
            Disk.OwnFolder(Folder);
        }

        public string Folder { get; }

        public string File => Path.Combine(Folder, "snapshot");

        public void Dispose() => Directory.Delete(Folder, recursive: true);
    }

    private sealed record Kept(string Name, long Length, string Sha256);

    private sealed record KeptList(string Format, DateTimeOffset MadeAt, IReadOnlyList<Kept> Files);
}
