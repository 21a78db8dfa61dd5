using Dapper;
using Microsoft.Data.Sqlite;

namespace Corrie.Data;

/// <summary>Why a company's file cannot be opened, in words for whoever runs Corrie.</summary>
/// <param name="words">The whole message.</param>
/// <param name="cause">What went wrong underneath.</param>
public sealed class CompanyFileException(string words, Exception? cause = null) : Exception(words, cause);

/// <summary>One step from a version of the file to the next.</summary>
/// <param name="Version">The version that it makes, from 1.</param>
/// <param name="Name">Its name, for messages.</param>
/// <param name="Sql">Its statements: all of them or none.</param>
internal sealed record Migration(int Version, string Name, string Sql)
{
    /// <summary>The migrations that come with Corrie, in their order.</summary>
    public static IReadOnlyList<Migration> All { get; } = [.. Embedded()];

    private static IEnumerable<Migration> Embedded()
    {
        var assembly = typeof(Migration).Assembly;
        foreach (var (name, i) in assembly.GetManifestResourceNames().Where(n => n.EndsWith(".sql", StringComparison.Ordinal)).Order(StringComparer.Ordinal).Select((n, i) => (n, i)))
        {
            using var reader = new StreamReader(assembly.GetManifestResourceStream(name)!);
            yield return new(i + 1, name, reader.ReadToEnd());
        }
    }
}

/// <summary>
/// The file of one company: SQLite in WAL mode with foreign keys on. Every commit is on the disk before it returns (synchronous FULL). The file
/// carries its version; it is brought up to date when it is opened, and a copy of it is kept before.
/// </summary>
public sealed class CompanyFile
{
    /// <summary>Marks a file as a company's: 'Corr' in ASCII.</summary>
    internal const int ApplicationId = 0x436F7272;

    /// <summary>The version that this Corrie writes.</summary>
    public static int Version => Migration.All[^1].Version;

    private readonly string connectionString;

    private CompanyFile(string path)
    {
        Path = path;
        connectionString = new SqliteConnectionStringBuilder
        {
            DataSource = path,
            ForeignKeys = true,
            Pooling = true,
        }.ToString();
    }

    /// <summary>Where it lies.</summary>
    public string Path { get; }

    /// <summary>Opens a company's file, makes it where there is none, and brings it up to date.</summary>
    /// <param name="path">The file.</param>
    /// <returns>The file, of today's version.</returns>
    /// <exception cref="CompanyFileException">It is of another program, of an earlier or later Corrie, or could not be brought up to date; it is as it was.</exception>
    public static CompanyFile Open(string path) => Open(path, Migration.All);

    /// <summary>Opens a company's file with other migrations than those that come with Corrie.</summary>
    /// <param name="path">The file.</param>
    /// <param name="migrations">The migrations, in their order.</param>
    /// <returns>The file, of the last migration's version.</returns>
    /// <exception cref="CompanyFileException">It cannot be opened; it is as it was.</exception>
    internal static CompanyFile Open(string path, IReadOnlyList<Migration> migrations)
    {
        Disk.OwnFolder(System.IO.Path.GetDirectoryName(System.IO.Path.GetFullPath(path))!);
        var file = new CompanyFile(path);
        try
        {
            using var connection = file.Connect();
            var (version, latest) = (connection.ExecuteScalar<int>("pragma user_version"), migrations[^1].Version);
            var tables = connection.ExecuteScalar<int>("select count(*) from sqlite_master");
            Refuse(connection, path, version, latest, tables);
            Disk.OwnFile(path);
            connection.Execute("pragma journal_mode = wal");
            if (version < latest)
            {
                BringUp(connection, path, version, migrations);
            }

            return file;
        }
        catch (SqliteException e)
        {
            throw new CompanyFileException($"'{System.IO.Path.GetFileName(path)}' cannot be opened: {e.Message}.", e);
        }
    }

    /// <summary>An open connection; to be disposed.</summary>
    /// <param name="patience">How long it waits for another one that writes, in milliseconds.</param>
    /// <returns>The connection, with its own settings made.</returns>
    public SqliteConnection Connect(int patience = 5000)
    {
        // The provider tries again and again by itself, for whole seconds, whatever the file has been told.
        var connection = new SqliteConnection(connectionString) { DefaultTimeout = Math.Max(1, patience / 1000) };
        connection.Open();
        // Both belong to the connection, not to the file.
        using var command = connection.CreateCommand();
        command.CommandText = $"pragma busy_timeout = {patience}; pragma synchronous = full;";
        command.ExecuteNonQuery();
        return connection;
    }

    private static void Refuse(SqliteConnection connection, string path, int version, int latest, int tables)
    {
        if (tables == 0)
        {
            return;
        }

        var mark = connection.ExecuteScalar<int>("pragma application_id");
        if (mark != ApplicationId)
        {
            throw new CompanyFileException(connection.ExecuteScalar<int>("select count(*) from sqlite_master where name = 'SchemaVersions'") > 0
                ? $"'{System.IO.Path.GetFileName(path)}' was written by a Corrie from before its records were settled, and is not carried along. Export its jobs there as files, bring each up to date with 'corrie upgrade FILE', and import them into a new company."
                : $"'{System.IO.Path.GetFileName(path)}' is not a company's file of Corrie.");
        }

        if (version > latest)
        {
            throw new CompanyFileException($"'{System.IO.Path.GetFileName(path)}' is of version {version}, which a newer Corrie has written; this one knows versions up to {latest}. Install the newer Corrie, or put back a copy from before.");
        }
    }

    // All steps in one transaction: whatever ends the program, the file is as it was or up to date. The copy of before has its name once it is whole.
    private static void BringUp(SqliteConnection connection, string path, int version, IReadOnlyList<Migration> migrations)
    {
        string? copy = null;
        if (version > 0)
        {
            copy = Enumerable.Range(1, int.MaxValue).Select(n => $"{path}.version-{version}{(n == 1 ? string.Empty : $"-{n}")}").First(c => !File.Exists(c));
            var part = copy + ".part";
            File.Delete(part);
            connection.Execute("vacuum into @part", new { part });
            Disk.OwnFile(part);
            File.Move(part, copy);
        }

        var step = migrations[^1];
        try
        {
            using var transaction = connection.BeginTransaction();
            foreach (var migration in migrations.Where(m => m.Version > version))
            {
                step = migration;
                using var command = connection.CreateCommand();
                command.Transaction = transaction;
                // All statements of a command are run, and the first that fails ends it.
                command.CommandText = $"{migration.Sql}\n;pragma user_version = {migration.Version}; pragma application_id = {ApplicationId};";
                command.ExecuteNonQuery();
            }

            transaction.Commit();
        }
        catch (SqliteException e)
        {
            throw new CompanyFileException(
                $"'{System.IO.Path.GetFileName(path)}' could not be brought to version {step.Version} ({step.Name}): {e.Message}. The file is as it was{(copy is null ? string.Empty : $"; a copy from before lies beside it, '{System.IO.Path.GetFileName(copy)}'")}.", e);
        }
    }
}
