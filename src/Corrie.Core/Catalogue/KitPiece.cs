using System.Globalization;
using System.Text.Json.Nodes;
using Corrie.Core.Format;
using Corrie.Core.Measure;

namespace Corrie.Core.Catalogue;

/// <summary>What lies in the bags that come with a mount.</summary>
public enum KitPieceKind
{
    /// <summary>A screw into the display's back.</summary>
    Screw,

    /// <summary>A washer under its head.</summary>
    Washer,

    /// <summary>A spacer between the arm and the display's back.</summary>
    Spacer,
}

/// <summary>Pieces of one size in a mount's kit.</summary>
/// <param name="Sort">What they are.</param>
/// <param name="Thread">Their thread, such as <c>M8</c>; null for washers and spacers that take every screw.</param>
/// <param name="Long">Length of a screw under its head; thickness of a washer; length of a spacer.</param>
/// <param name="Count">How many there are, at least 1.</param>
/// <param name="Bag">The letter of their bag; empty for none.</param>
public sealed record KitPiece(KitPieceKind Sort, string? Thread, Length Long, int Count, string Bag)
{
    /// <summary>Threads of the holes in displays' backs (VESA FDMI and common practice).</summary>
    public static IReadOnlyList<string> Threads { get; } = ["M4", "M5", "M6", "M8"];

    /// <summary>How a kit is described: a piece of one size is a line.</summary>
    internal static ListShape<KitPiece> Kit { get; } = new(
        "screws, washers and spacers that come with it",
        new GroupShape<KitPiece>("pieces of one size", m => new KitPiece(
            m.Need("kind", new ChoiceShape<KitPieceKind>("what they are: screw, washer or spacer")),
            m.Part("thread", new WordShape("thread", [.. Threads])),
            m.Need("length", LengthShape.Metric("length of a screw, thickness of a washer", LengthRange.Size)),
            m.Or("count", new WholeShape("how many there are", 1, 999), 4),
            m.Part("bag", new TextShape("letter of their bag", 8)) ?? string.Empty)),
        40,
        new ListText(
            "A size a line: how many, what, thread, length or thickness in mm, letter of the bag: 4 screws M8 30 B",
            typed => new JsonArray([.. typed.Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).Select(Taken)]),
            pieces => string.Join('\n', pieces.Select(Shown))));

    /// <summary>Whether it goes with a screw of a thread.</summary>
    /// <param name="thread">The thread, such as <c>M8</c>.</param>
    /// <returns>Whether it has that thread, or takes every one.</returns>
    public bool Fits(string thread) => Thread is null || Thread == thread;

    /// <summary>A screw's usual name, such as <c>M8 x 30</c>.</summary>
    /// <param name="thread">Its thread.</param>
    /// <param name="length">Its length under the head.</param>
    /// <returns>The name.</returns>
    public static string Size(string thread, Length length) => string.Create(CultureInfo.InvariantCulture, $"{thread} x {length.Millimetres:0.##}");

    // In whatever order: '4 screws M8 x 30 mm B', 'M8x30 screws, 4, bag B'.
    private static JsonNode Taken(string line)
    {
        var piece = new JsonObject();
        var words = line.Replace(",", " ", StringComparison.Ordinal).Replace(" x ", " ", StringComparison.OrdinalIgnoreCase).Split(' ', StringSplitOptions.RemoveEmptyEntries).ToList();
        for (var i = 0; i < words.Count; i++)
        {
            var word = words[i].TrimEnd('s').ToLowerInvariant();
            if (Enum.GetValues<KitPieceKind>().Any(k => k.Word() == word))
            {
                piece["kind"] = word;
            }
            else if (word.Split('x') is [{ Length: > 1 } thread, { Length: > 0 } size] && thread[0] == 'm' && char.IsDigit(size[0]))
            {
                piece["thread"] = thread.ToUpperInvariant();
                piece["length"] = size.EndsWith("mm", StringComparison.Ordinal) ? size : $"{size} mm";
            }
            else if (word.Length > 1 && word[0] == 'm' && char.IsDigit(word[1]))
            {
                piece["thread"] = word.ToUpperInvariant();
            }
            else if (char.IsDigit(word[0]))
            {
                var unit = i + 1 < words.Count && words[i + 1].ToLowerInvariant() is "mm" or "in" ? words[++i].ToLowerInvariant() : word.EndsWith("mm", StringComparison.Ordinal) ? string.Empty : null;
                if (unit is null && piece["count"] is null && int.TryParse(word, NumberStyles.None, CultureInfo.InvariantCulture, out var count))
                {
                    piece["count"] = count;
                }
                else
                {
                    piece["length"] = unit is { Length: > 0 } said ? $"{word} {said}" : unit is null ? $"{word} mm" : word;
                }
            }
            else if (word is not "bag" and not "mm")
            {
                piece["bag"] = words[i];
            }
        }

        return piece;
    }

    private static string Shown(JsonNode? piece) => string.Join(' ', new[]
    {
        piece!["count"]?.ToString() ?? "4", piece["kind"] + "s", piece["thread"]?.ToString(), piece["length"]?.ToString(), piece["bag"]?.ToString(),
    }.Where(w => !string.IsNullOrEmpty(w)));
}
