using Microsoft.Data.Sqlite;

namespace Corrie.Data;

/// <summary>Says in words what is wrong with the disk, as far as that can be known from what failed.</summary>
public static class StorageTrouble
{
    // Result codes of SQLite (sqlite.org/rescode.html).
    private const int Busy = 5, ReadOnly = 8, InputOutput = 10, Corrupt = 11, Full = 13, CannotOpen = 14, NoDatabase = 26;

    // 'No space left on device', 'file too large' and 'read-only file system' of Linux (errno.h), as .NET wraps them.
    private const int NoSpace = 28, TooLarge = 27, ReadOnlySystem = 30;

    /// <summary>What is wrong.</summary>
    /// <param name="failure">What failed.</param>
    /// <returns>A sentence; null where it is not about the disk.</returns>
    public static string? Words(Exception failure) => failure switch
    {
        SqliteException { SqliteErrorCode: Full } => "The server's disk is full.",
        SqliteException { SqliteErrorCode: ReadOnly } => "The server's data folder can only be read.",
        SqliteException { SqliteErrorCode: InputOutput or CannotOpen } => "The server cannot reach its disk.",
        SqliteException { SqliteErrorCode: Corrupt or NoDatabase } => "The company's file is damaged. Whoever runs Corrie can put a backup back.",
        SqliteException { SqliteErrorCode: Busy } => "Another program holds the company's file.",
        IOException { HResult: NoSpace or TooLarge } => "The server's disk is full.",
        IOException { HResult: ReadOnlySystem } or UnauthorizedAccessException => "The server's data folder can only be read.",
        AggregateException { InnerException: { } inner } => Words(inner),
        _ => null,
    };
}
