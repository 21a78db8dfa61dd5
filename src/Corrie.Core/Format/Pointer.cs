using System.Text.Json.Nodes;

namespace Corrie.Core.Format;

/// <summary>JSON Pointers (RFC 6901) into a document whose collections are all maps.</summary>
public static class Pointer
{
    /// <summary>The keys of a pointer.</summary>
    /// <param name="pointer">A pointer; empty for the whole document.</param>
    /// <returns>Its keys from the root, unescaped; none for the whole document.</returns>
    /// <exception cref="FormatException">It does not begin with a slash.</exception>
    public static IReadOnlyList<string> Split(string pointer)
    {
        if (pointer.Length == 0)
        {
            return [];
        }

        return pointer[0] == '/'
            ? [.. pointer[1..].Split('/').Select(k => k.Replace("~1", "/").Replace("~0", "~"))]
            : throw new FormatException($"'{pointer}' is not a JSON Pointer: it begins with '/'.");
    }

    /// <summary>The pointer to a member.</summary>
    /// <param name="pointer">The pointer to its holder.</param>
    /// <param name="key">The member's name, not escaped.</param>
    /// <returns>The holder's pointer, a slash and the escaped name.</returns>
    public static string Join(string pointer, string key) => $"{pointer}/{key.Replace("~", "~0").Replace("/", "~1")}";

    /// <summary>Whether one pointer is the other or leads into it.</summary>
    /// <param name="outer">The pointer that may cover the other.</param>
    /// <param name="inner">The pointer that may be covered.</param>
    /// <returns>Whether the value at <paramref name="inner"/> is, or is a part of, the one at <paramref name="outer"/>.</returns>
    public static bool Covers(string outer, string inner) =>
        inner.StartsWith(outer, StringComparison.Ordinal) && (inner.Length == outer.Length || inner[outer.Length] == '/');

    /// <summary>The value at a pointer.</summary>
    /// <param name="document">The document; null for none.</param>
    /// <param name="pointer">Where to look.</param>
    /// <returns>The value; null where the pointer leads nowhere.</returns>
    /// <exception cref="FormatException">The pointer does not begin with a slash.</exception>
    public static JsonNode? Get(JsonNode? document, string pointer)
    {
        var node = document;
        foreach (var key in Split(pointer))
        {
            node = node is JsonObject group ? group[key] : null;
        }

        return node;
    }

    /// <summary>Puts a value at a pointer, making the groups on the way.</summary>
    /// <param name="document">The document that is changed.</param>
    /// <param name="pointer">Where to put it; empty for the whole document.</param>
    /// <param name="value">The value, which is copied; null takes away what is there.</param>
    /// <exception cref="FormatException">The pointer does not begin with a slash.</exception>
    public static void Set(JsonObject document, string pointer, JsonNode? value)
    {
        var keys = Split(pointer);
        if (keys.Count == 0)
        {
            document.Clear();
            foreach (var (key, member) in (value?.DeepClone() as JsonObject ?? []).ToList())
            {
                document[key] = member?.DeepClone();
            }

            return;
        }

        var group = document;
        foreach (var key in keys.Take(keys.Count - 1))
        {
            if (group[key] is not JsonObject next)
            {
                if (value is null)
                {
                    return;
                }

                group[key] = next = [];
            }

            group = next;
        }

        if (value is null)
        {
            group.Remove(keys[^1]);
        }
        else
        {
            group[keys[^1]] = value.DeepClone();
        }
    }
}
