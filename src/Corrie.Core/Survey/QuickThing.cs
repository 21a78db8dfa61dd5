using Corrie.Core.Format;
using Corrie.Core.Measure;

namespace Corrie.Core.Survey;

/// <summary>A thing on the wall as it was typed in one line.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Area">Its edges.</param>
/// <param name="Depth">How far it stands out of the wall.</param>
/// <param name="Name">What the crew calls it; empty for the kind's own name.</param>
public readonly record struct TypedThing(FeatureKind Kind, Rect Area, Length Depth, string Name);

/// <summary>
/// Reads one line such as <c>mantel 44 to 104 @ 50 to 52 deep 8, oak mantel</c>, <c>chest 56 to 120 @ 30</c> or <c>outlet 20 @ 12</c>: what it is,
/// its edges across, and its edges up. A device has the usual size, and its middle is named.
/// </summary>
public static class QuickThing
{
    private const string Expected = "what it is, its edges across and up, such as mantel 44 to 104 @ 50 to 52 deep 8, or a device's middle, such as outlet 20 @ 12";
    private const string Deep = " deep ";
    private static readonly string[] Until = [" to ", "..", "–"];
    private static readonly string[] Up = ["@", " at ", " up "];

    // A single-gang cover plate (common practice).
    private static readonly Length DeviceWidth = Length.Tape(2, 3, 4);
    private static readonly Length DeviceHeight = Length.Tape(4, 1, 2);

    private static readonly Dictionary<string, FeatureKind> Names = Named();

    /// <summary>The words for things, each with what it stands for.</summary>
    public static IReadOnlyDictionary<string, FeatureKind> Words => Names;

    /// <summary>Whether a line begins with the name of a thing and a figure.</summary>
    /// <param name="typed">What was typed.</param>
    /// <returns>Whether it does; 'mantel to right corner 44' is a reading, which begins with a point.</returns>
    public static bool Begins(string? typed) => NameIn(typed) is { } name && typed!.TrimStart()[name.Length..].TrimStart() is { Length: > 0 } rest && (char.IsAsciiDigit(rest[0]) || rest[0] is '-' or '.');

    /// <summary>Reads a line.</summary>
    /// <param name="typed">What was typed.</param>
    /// <param name="bare">The unit of a number without one.</param>
    /// <returns>The thing, or what was understood and what is expected.</returns>
    public static ReadResult<TypedThing> Read(string? typed, UnitSystem bare)
    {
        var line = (typed ?? string.Empty).Trim();
        if (NameIn(line) is not { } name)
        {
            return new ReadProblem(line, line.Length == 0 ? "Nothing was typed" : $"'{line.Split(' ')[0]}' is no thing on a wall", Expected);
        }

        var kind = Names[name];
        var rest = line[name.Length..];
        var called = string.Empty;
        // A comma before a figure is a decimal one.
        if (rest.LastIndexOf(',') is > 0 and var comma && rest[(comma + 1)..].TrimStart() is var after && (after.Length == 0 || !char.IsAsciiDigit(after[0])))
        {
            (called, rest) = (rest[(comma + 1)..].Trim(), rest[..comma]);
        }

        var depth = Length.Zero;
        if (rest.IndexOf(Deep, StringComparison.OrdinalIgnoreCase) is > 0 and var deep)
        {
            var read = LengthReader.Read(rest[(deep + Deep.Length)..], bare);
            if (!read.Ok)
            {
                return new ReadProblem(line, read.Problem!.Understood, "after 'deep' how far it stands out of the wall");
            }

            (depth, rest) = (read.Value, rest[..deep]);
        }

        var up = string.Empty;
        if (Up.Select(u => (At: rest.IndexOf(u, StringComparison.OrdinalIgnoreCase), u.Length)).Where(u => u.At > 0).OrderBy(u => u.At).FirstOrDefault() is { Length: > 0 } cut)
        {
            (up, rest) = (rest[(cut.At + cut.Length)..], rest[..cut.At]);
        }

        if (Range(rest, bare, out var left, out var right) is { } across)
        {
            return new ReadProblem(line, across.Understood, Expected);
        }

        var heights = (From: Length.Zero, To: (Length?)null);
        if (up.Length > 0 && Range(up, bare, out heights.From, out heights.To) is { } high)
        {
            return new ReadProblem(line, high.Understood, "after @ its bottom, 'to' and its top, over the floor");
        }

        return (right, heights.To, up.Length > 0) switch
        {
            (null, null, true) when IsDevice(kind) => new TypedThing(kind, new(left - DeviceWidth.Half, heights.From - DeviceHeight.Half, DeviceWidth, DeviceHeight), depth, called),
            (null, _, _) => new ReadProblem(line, IsDevice(kind) ? "Its height is missing" : "There is one edge only", Expected),
            ({ } r, { } top, _) => new TypedThing(kind, Rect.Between(left, r, heights.From, top), depth, called),
            ({ } r, null, true) when OnFloor(kind) => new TypedThing(kind, Rect.Between(left, r, Length.Zero, heights.From), depth, called),
            _ => new ReadProblem(line, up.Length > 0 ? "There is one height only" : "How high it is is missing", "after @ its bottom, 'to' and its top, over the floor"),
        };
    }

    private static ReadProblem? Range(string text, UnitSystem bare, out Length from, out Length? to)
    {
        (from, to) = (Length.Zero, null);
        var until = Until.FirstOrDefault(u => text.Contains(u, StringComparison.OrdinalIgnoreCase));
        var cut = until is null ? text.Length : text.IndexOf(until, StringComparison.OrdinalIgnoreCase);
        var first = LengthReader.Read(text[..cut], bare);
        if (!first.Ok)
        {
            return first.Problem;
        }

        from = first.Value;
        if (until is null)
        {
            return null;
        }

        var second = LengthReader.Read(text[(cut + until.Length)..], bare);
        (from, to) = second.Ok ? (Length.Min(from, second.Value), Length.Max(from, second.Value)) : (from, (Length?)null);
        return second.Problem;
    }

    private static bool IsDevice(FeatureKind kind) => kind is FeatureKind.Receptacle or FeatureKind.Switch or FeatureKind.SignalPlate or FeatureKind.Thermostat or FeatureKind.Control or FeatureKind.Sprinkler or FeatureKind.Detector or FeatureKind.ExitSign or FeatureKind.EmergencyLight;

    private static bool OnFloor(FeatureKind kind) => kind is FeatureKind.Furniture or FeatureKind.Fireplace or FeatureKind.Door;

    private static string? NameIn(string? typed) => typed is null ? null
        : Names.Keys.Where(n => typed.TrimStart().StartsWith(n + " ", StringComparison.OrdinalIgnoreCase)).MaxBy(n => n.Length);

    private static Dictionary<string, FeatureKind> Named()
    {
        var names = Enum.GetValues<FeatureKind>().Where(k => k is not (FeatureKind.Other or FeatureKind.OldHole)).ToDictionary(k => k.Words(), StringComparer.OrdinalIgnoreCase);
        foreach (var (word, kind) in new[]
        {
            ("outlet", FeatureKind.Receptacle), ("socket", FeatureKind.Receptacle), ("receptacle", FeatureKind.Receptacle), ("chest", FeatureKind.Furniture), ("cupboard", FeatureKind.Furniture),
            ("table", FeatureKind.Furniture), ("data plate", FeatureKind.SignalPlate), ("bar", FeatureKind.Soundbar), ("stove", FeatureKind.Fireplace),
        })
        {
            names[word] = kind;
        }

        return names;
    }
}
