using System.Text.Json.Nodes;
using Corrie.Core.Format;

namespace Corrie.Core.Jobs;

/// <summary>
/// What an entry has to be like to be written at all. Entries stay for ever: one that a ledger cannot fold would damage its job for good, so that
/// none is taken which has the wrong form.
/// </summary>
public static class EntryForm
{
    /// <summary>Shortest id.</summary>
    public const int Shortest = 8;

    /// <summary>Longest id.</summary>
    public const int Longest = 64;

    /// <summary>Longest pointer.</summary>
    public const int LongestPath = 400;

    // No device's clock is before the first of them, or so far ahead.
    private static readonly DateTimeOffset First = new(2000, 1, 1, 0, 0, 0, TimeSpan.Zero);
    private static readonly DateTimeOffset Last = new(2200, 1, 1, 0, 0, 0, TimeSpan.Zero);

    /// <summary>What is wrong with an entry's form.</summary>
    /// <param name="id">Its id.</param>
    /// <param name="path">Where it goes.</param>
    /// <param name="replaces">Which entries it replaces.</param>
    /// <param name="undoes">The batch that it takes back; null for an ordinary entry.</param>
    /// <param name="takenAt">When it was entered; null for now.</param>
    /// <param name="value">Its value.</param>
    /// <returns>What was understood and what is expected; null where nothing is wrong.</returns>
    public static string? Problem(string? id, string? path, IEnumerable<string?> replaces, string? undoes, DateTimeOffset? takenAt, JsonNode? value)
    {
        if (!WholeText.Is(value))
        {
            return "The value holds a text with half of a character, or a member twice. Expected: whole characters, and each member once.";
        }

        if (!IsId(id))
        {
            return $"'{Shown(id)}' is no id of an entry. {Ids}";
        }

        if (path is not { Length: <= LongestPath } || (path.Length > 0 && path[0] != '/') || path.Any(c => char.IsControl(c) || char.IsSurrogate(c)))
        {
            return $"'{Shown(path)}' is no place in a job sheet. Expected: a JSON Pointer of at most {LongestPath} characters, such as /items/d1/place/height.";
        }

        foreach (var replaced in replaces)
        {
            if (!IsId(replaced))
            {
                return $"'{Shown(replaced)}', which it replaces, is no id of an entry. {Ids}";
            }
        }

        return undoes is not null && !IsId(undoes) ? $"There is no batch '{Shown(undoes)}' to take back."
            : takenAt < First || takenAt > Last ? $"{takenAt:O} is no time at which anything was entered. Expected: a time from {First.Year} to {Last.Year}."
            : null;
    }

    private static string Ids => $"Expected: {Shortest} to {Longest} letters, digits, dashes, dots or underscores.";

    private static bool IsId(string? id) => id is { Length: >= Shortest and <= Longest } && id.All(static c => char.IsAsciiLetterOrDigit(c) || c is '-' or '.' or '_');

    // Not all of what somebody sent belongs into an answer.
    private static string Shown(string? text) => text is null ? "nothing" : text.Length <= 40 ? text : text[..40] + "…";
}
