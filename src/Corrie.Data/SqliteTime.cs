using System.Globalization;

namespace Corrie.Data;

/// <summary>Times as SQLite keeps them: ISO 8601 in UTC, which sorts as text.</summary>
internal static class SqliteTime
{
    /// <summary>A time as text.</summary>
    /// <param name="time">The time.</param>
    /// <returns>Its text, to the millisecond.</returns>
    public static string Of(DateTimeOffset time) => time.UtcDateTime.ToString("yyyy-MM-dd'T'HH:mm:ss.fff'Z'", CultureInfo.InvariantCulture);

    /// <summary>A text as time.</summary>
    /// <param name="text">The text.</param>
    /// <returns>The time.</returns>
    /// <exception cref="FormatException">It is not a time.</exception>
    public static DateTimeOffset Time(string text) => DateTimeOffset.Parse(text, CultureInfo.InvariantCulture, DateTimeStyles.AssumeUniversal);
}
