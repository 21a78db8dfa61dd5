using System.Text.Json.Nodes;

namespace Corrie.Core.Jobs.Format;

/// <summary>JSON Pointers (RFC 6901) into a job sheet whose collections are all maps.</summary>
public static class Pointer
{
    /// <summary>The keys of a pointer; none for the whole document.</summary>
    /// <exception cref="FormatException">It does not begin with a stroke.</exception>
    public static IReadOnlyList<string> Split(string pointer)
    {
        if (pointer.Length == 0)
        {
            return [];
        }

        return pointer[0] == '/'
            ? [.. pointer[1..].Split('/').Select(k => k.Replace("~1", "/").Replace("~0", "~"))]
            : throw new FormatException($"'{pointer}' is no JSON Pointer: it begins with '/'.");
    }

    /// <summary>The pointer to a member.</summary>
    public static string Join(string pointer, string key) => $"{pointer}/{key.Replace("~", "~0").Replace("/", "~1")}";

    /// <summary>Whether one pointer is the other or leads into it.</summary>
    public static bool Covers(string outer, string inner) =>
        inner.StartsWith(outer, StringComparison.Ordinal) && (inner.Length == outer.Length || inner[outer.Length] == '/');

    /// <summary>The value at a pointer; null where there is none.</summary>
    public static JsonNode? Get(JsonNode? document, string pointer)
    {
        var node = document;
        foreach (var key in Split(pointer))
        {
            node = node is JsonObject group ? group[key] : null;
        }

        return node;
    }

    /// <summary>Puts a value at a pointer, making the groups on the way; null takes it away.</summary>
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
