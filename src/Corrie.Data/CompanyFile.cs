using Dapper;
using DbUp;
using DbUp.Engine.Output;
using Microsoft.Data.Sqlite;

namespace Corrie.Data;

/// <summary>
/// The file of one company: SQLite in WAL mode with foreign keys on. Every commit is on the disk before it returns (synchronous FULL).
/// </summary>
public sealed class CompanyFile
{
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
    /// <exception cref="InvalidOperationException">A migration failed; the file is as it was.</exception>
    public static CompanyFile Open(string path)
    {
        Directory.CreateDirectory(System.IO.Path.GetDirectoryName(System.IO.Path.GetFullPath(path))!);
        var file = new CompanyFile(path);
        using (var connection = file.Connect())
        {
            connection.Execute("pragma journal_mode = wal");
        }

        var result = DeployChanges.To
            .SqliteDatabase(file.connectionString)
            .WithScriptsEmbeddedInAssembly(typeof(CompanyFile).Assembly)
            .WithVariablesDisabled()
            .WithTransactionPerScript()
            .LogTo(new NoOpUpgradeLog())
            .Build()
            .PerformUpgrade();
        return result.Successful ? file : throw new InvalidOperationException($"'{path}' could not be brought up to date.", result.Error);
    }

    /// <summary>An open connection; to be disposed.</summary>
    public SqliteConnection Connect()
    {
        var connection = new SqliteConnection(connectionString);
        connection.Open();
        // Both belong to the connection, not to the file.
        using var command = connection.CreateCommand();
        command.CommandText = "pragma busy_timeout = 5000; pragma synchronous = full;";
        command.ExecuteNonQuery();
        return connection;
    }
}
