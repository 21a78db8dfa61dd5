using System.Text.Json;
using System.Text.Json.Nodes;

namespace Corrie.Core.Format;

/// <summary>Looks for texts with half of a character in them (a lone surrogate): JSON allows them, and nothing else does.</summary>
public static class WholeText
{
    /// <summary>Whether every text in a value, and every name of a member, is whole.</summary>
    /// <param name="node">The value; null is whole.</param>
    /// <returns>Whether it is.</returns>
    public static bool Is(JsonNode? node)
    {
        try
        {
            return Look(node);
        }
        catch (Exception e) when (e is InvalidOperationException or JsonException or ArgumentException)
        {
            // The library finds out when it is asked for the text, and for the names of members.
            return false;
        }
    }

    private static bool Look(JsonNode? node) => node switch
    {
        JsonObject group => group.All(p => Sound(p.Key) && Look(p.Value)),
        JsonArray list => list.All(Look),
        JsonValue value when value.GetValueKind() == JsonValueKind.String => Sound(value.GetValue<string>()),
        _ => true,
    };

    private static bool Sound(string text)
    {
        for (var i = 0; i < text.Length; i++)
        {
            if (char.IsSurrogate(text[i]) && (i + 1 >= text.Length || !char.IsSurrogatePair(text, i++)))
            {
                return false;
            }
        }

        return true;
    }
}
