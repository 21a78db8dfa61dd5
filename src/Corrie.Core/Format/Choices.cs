using System.Text.Json;
using System.Text.RegularExpressions;

namespace Corrie.Core.Format;

/// <summary>What job files and plans call the members of an enumeration: by their own names, in small letters with dashes.</summary>
public static partial class Choices
{
    /// <summary>The word for a member, such as <c>pull-down</c>.</summary>
    /// <typeparam name="T">The enumeration.</typeparam>
    /// <param name="member">A member that has a name.</param>
    /// <returns>Its name in small letters, parts joined by dashes.</returns>
    public static string Word<T>(this T member)
        where T : struct, Enum => Known<T>.Words[member];

    /// <summary>The word for a member as a person reads it, such as <c>pull down</c>.</summary>
    /// <typeparam name="T">The enumeration.</typeparam>
    /// <param name="member">A member that has a name.</param>
    /// <returns>Its name in small letters, parts joined by spaces.</returns>
    public static string Words<T>(this T member)
        where T : struct, Enum => Spoken(member.Word());

    /// <summary>A file's word as a person reads it.</summary>
    /// <param name="word">A word with dashes, such as <c>wood-studs</c>.</param>
    /// <returns>The word with spaces, such as <c>wood studs</c>, also before a number: <c>steel 25</c>.</returns>
    public static string Spoken(string word) => BeforeNumber().Replace(word, " ").Replace('-', ' ');

    /// <summary>The member that a word stands for.</summary>
    /// <typeparam name="T">The enumeration.</typeparam>
    /// <param name="word">A word as files have it; null for none.</param>
    /// <returns>The member; null where no member has that word.</returns>
    public static T? Of<T>(string? word)
        where T : struct, Enum => word is not null && Known<T>.Members.TryGetValue(word, out var member) ? member : null;

    /// <summary>All words of an enumeration.</summary>
    /// <typeparam name="T">The enumeration.</typeparam>
    /// <param name="without">Members that are left out.</param>
    /// <returns>The words, in the order of the members.</returns>
    public static IReadOnlyList<string> All<T>(params IEnumerable<T> without)
        where T : struct, Enum => [.. Enum.GetValues<T>().Except(without).Select(m => m.Word())];

    // Keys of parts, such as w1, stay as they are.
    [GeneratedRegex("(?<=[a-z]{3})(?=[0-9])")]
    private static partial Regex BeforeNumber();

    private static class Known<T>
        where T : struct, Enum
    {
        public static readonly Dictionary<T, string> Words = Enum.GetValues<T>().ToDictionary(m => m, m => JsonNamingPolicy.KebabCaseLower.ConvertName(m.ToString()));
        public static readonly Dictionary<string, T> Members = Words.ToDictionary(w => w.Value, w => w.Key, StringComparer.Ordinal);
    }
}
