using System.Text.Json;

namespace Corrie.Core.Jobs.Format;

/// <summary>What job files and plans call the members of an enumeration: by their own names, in small letters with dashes.</summary>
public static class Choices
{
    /// <summary>The word for a member, such as <c>pull-down</c>.</summary>
    public static string Word<T>(this T member)
        where T : struct, Enum => Known<T>.Words[member];

    /// <summary>The member that a word stands for; null where there is none.</summary>
    public static T? Of<T>(string? word)
        where T : struct, Enum => word is not null && Known<T>.Members.TryGetValue(word, out var member) ? member : null;

    /// <summary>All words, in the order of the members.</summary>
    public static IReadOnlyList<string> Words<T>(params IEnumerable<T> without)
        where T : struct, Enum => [.. Enum.GetValues<T>().Except(without).Select(m => m.Word())];

    private static class Known<T>
        where T : struct, Enum
    {
        public static readonly Dictionary<T, string> Words = Enum.GetValues<T>().ToDictionary(m => m, m => JsonNamingPolicy.KebabCaseLower.ConvertName(m.ToString()));
        public static readonly Dictionary<string, T> Members = Words.ToDictionary(w => w.Value, w => w.Key, StringComparer.Ordinal);
    }
}
