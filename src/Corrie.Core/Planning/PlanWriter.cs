using System.Globalization;
using System.Text.Json.Nodes;
using Corrie.Core.Findings;
using Corrie.Core.Measure;

namespace Corrie.Core.Planning;

/// <summary>Writes results as JSON, by wall and by thing. Lengths are exact text with their unit.</summary>
/// <param name="style">How lengths inside sentences are shown; other lengths are exact, in the style's units.</param>
public sealed class PlanWriter(LengthStyle style)
{
    private readonly SortedDictionary<string, JsonObject> walls = new(StringComparer.Ordinal);
    private readonly SortedDictionary<string, JsonObject> items = new(StringComparer.Ordinal);

    /// <summary>How lengths inside sentences are shown.</summary>
    public LengthStyle Style => style;

    /// <summary>The results of all walls so far.</summary>
    internal JsonObject Walls => Together(walls);

    /// <summary>The results of all things so far.</summary>
    internal JsonObject Items => Together(items);

    /// <summary>Where the results of a wall go.</summary>
    /// <param name="id">The wall's key.</param>
    /// <returns>An object that stages add their members to.</returns>
    public JsonObject Wall(string id) => walls.TryGetValue(id, out var json) ? json : walls[id] = [];

    /// <summary>Where the results of a thing go.</summary>
    /// <param name="id">The thing's key.</param>
    /// <returns>An object that stages add their members to.</returns>
    public JsonObject Item(string id) => items.TryGetValue(id, out var json) ? json : items[id] = [];

    /// <summary>A length in full, in the style's units.</summary>
    /// <param name="length">Any length.</param>
    /// <returns>Text that reads back to the same length.</returns>
    public string Exact(Length length) => LengthText.Exact(length, style.System);

    /// <summary>A length in full, where there is one.</summary>
    /// <param name="length">Any length; null for none.</param>
    /// <returns>Text that reads back to the same length; null for none.</returns>
    public string? Exact(Length? length) => length is { } l ? Exact(l) : null;

    /// <summary>A rectangle.</summary>
    /// <param name="rect">The rectangle.</param>
    /// <returns>Its left and bottom edge, width and height.</returns>
    public JsonObject Rectangle(Rect rect) => new()
    {
        ["left"] = Exact(rect.Left),
        ["bottom"] = Exact(rect.Bottom),
        ["width"] = Exact(rect.Width),
        ["height"] = Exact(rect.Height),
    };

    /// <summary>A force with its unit.</summary>
    /// <param name="force">The force; null for none.</param>
    /// <returns>The text; null for none.</returns>
    public string? Force(Force? force) => force is { } f ? Phrase.PlainPart(f, style.System) : null;

    /// <summary>A weight with its unit.</summary>
    /// <param name="mass">The mass.</param>
    /// <returns>The text.</returns>
    public string Mass(Mass mass) => Phrase.PlainPart(mass, style.System);

    /// <summary>A number, rounded.</summary>
    /// <param name="value">The number; null for none.</param>
    /// <param name="decimals">To how many decimals.</param>
    /// <returns>The number; null where there is none, or none that a file can hold.</returns>
    public static double? Number(double? value, int decimals) => value is { } number && double.IsFinite(number) ? Math.Round(number, decimals) : null;

    /// <summary>An angle to a hundredth of a degree.</summary>
    /// <param name="angle">The angle.</param>
    /// <returns>The text with its unit.</returns>
    public static string Degrees(Angle angle) => Math.Round(angle.Degrees, 2).ToString(CultureInfo.InvariantCulture) + " deg";

    /// <summary>A list.</summary>
    /// <typeparam name="T">The type of its items.</typeparam>
    /// <param name="all">The items.</param>
    /// <param name="write">Writes one.</param>
    /// <returns>The list, in the same order.</returns>
    public static JsonArray All<T>(IEnumerable<T> all, Func<T, JsonNode?> write) => [.. all.Select(write)];

    private static JsonObject Together(SortedDictionary<string, JsonObject> parts) => new(parts.Select(p => KeyValuePair.Create<string, JsonNode?>(p.Key, p.Value)));
}
