using Corrie.Core.Measure;

namespace Corrie.Core.Survey;

/// <summary>Evidence of framing as it was typed in one line.</summary>
/// <param name="Kind">How it was found.</param>
/// <param name="Axis">Across for upright members, up for level ones.</param>
/// <param name="From">The datum; null for the corner or the floor.</param>
/// <param name="At">Its place along the axis.</param>
/// <param name="To">The far edge, if both were found.</param>
/// <param name="Beside">Where on the other axis.</param>
/// <param name="Told">What the scanner, or what the bit brought, said of the material.</param>
/// <param name="Bite">How deep the bit went into what it met.</param>
public readonly record struct TypedEvidence(EvidenceKind Kind, Axis Axis, string? From, Length At, Length? To, Length? Beside, ToldMaterial Told, Length? Bite);

/// <summary>What a word for a finding stands for.</summary>
/// <param name="Kind">How it was found.</param>
/// <param name="Told">What was told of the material.</param>
/// <param name="Bite">For a hit: how deep the bit went into what it met, at least; null where the word does not say.</param>
public readonly record struct FoundBy(EvidenceKind Kind, ToldMaterial Told = ToldMaterial.Nothing, Length? Bite = null);

/// <summary>
/// Reads one line such as <c>bites 40 1/4</c>, <c>hit 40 1/4 for 3/4 @ 50</c>, <c>edges 39 1/4 to 40 3/4 @ 62</c>, <c>right casing -&gt; magnet 14 1/2</c> or
/// <c>level miss 47 @ 40</c>.
/// </summary>
public static class QuickEvidence
{
    private const string Expected = "knock, edges, scan, wood, metal, magnet, hit, bites, stops, chips, miss, seen or live, then where, such as bites 40 1/4, hit 40 1/4 for 3/4 or edges 39 1/4 to 40 3/4 @ 62";
    private static readonly string[] Arrows = ["->", "→", "=>"];
    private static readonly string[] Until = [" to ", "..", "–"];
    private const string For = " for ";
    private static readonly char[] At = ['@'];

    /// <summary>The words for the kinds.</summary>
    /// <remarks>
    /// A bit that <c>bites</c> goes on for <see cref="Evidence.ShallowBite"/> and more; one that <c>stops</c> does so at once, at metal;
    /// <c>chips</c> are of metal, after which it drops through; with <c>hit</c> alone it is not known what it met.
    /// </remarks>
    public static IReadOnlyDictionary<string, FoundBy> Words { get; } = new Dictionary<string, FoundBy>(StringComparer.OrdinalIgnoreCase)
    {
        ["knock"] = new(EvidenceKind.Knock),
        ["edges"] = new(EvidenceKind.ScannerEdges),
        ["scan"] = new(EvidenceKind.ScannerCentre),
        ["wood"] = new(EvidenceKind.ScannerCentre, ToldMaterial.Wood),
        ["metal"] = new(EvidenceKind.ScannerCentre, ToldMaterial.Metal),
        ["magnet"] = new(EvidenceKind.Magnet),
        ["hit"] = new(EvidenceKind.ProbeHit),
        ["bites"] = new(EvidenceKind.ProbeHit, Bite: Evidence.ShallowBite),
        ["stops"] = new(EvidenceKind.ProbeHit, Bite: Length.Zero),
        ["chips"] = new(EvidenceKind.ProbeHit, ToldMaterial.Metal),
        ["miss"] = new(EvidenceKind.ProbeMiss),
        ["seen"] = new(EvidenceKind.Seen),
        ["live"] = new(EvidenceKind.Live),
    };

    // What buttons say can be typed as well; the longer first.
    private static readonly (string Said, string Word)[] Spoken =
    [
        ("goes on biting", "bites"), ("stops short", "stops"), ("falls through", "miss"), ("fell through", "miss"), ("metal chips", "chips"), ("scanner edges", "edges"),
        ("live sign", "live"), ("through", "miss"), ("scanner", "scan"),
    ];

    /// <summary>Reads a line.</summary>
    /// <param name="typed">What was typed.</param>
    /// <param name="wall">The wall, whose points can be named.</param>
    /// <param name="bare">The unit of a number without one.</param>
    /// <param name="inHand">The word of the tool in hand, which a line of figures alone is for; null for none.</param>
    /// <returns>What was found, or what was understood and what is expected.</returns>
    public static ReadResult<TypedEvidence> Read(string? typed, Wall wall, UnitSystem bare, string? inHand = null)
    {
        typed = (typed ?? string.Empty).Trim();
        var rest = inHand is not null && typed.Length > 0 && char.IsAsciiDigit(typed[0]) ? $"{inHand} {typed}" : typed;
        string? from = null;
        if (Arrows.FirstOrDefault(a => typed.Contains(a, StringComparison.Ordinal)) is { } arrow)
        {
            var cut = typed.IndexOf(arrow, StringComparison.Ordinal);
            if (QuickReading.Point(typed[..cut].Trim(), wall, typed, out from) is { } unknown)
            {
                return unknown;
            }

            rest = typed[(cut + arrow.Length)..].Trim();
        }

        var axis = from is not null ? Surveyor.AxisOf(wall, from) ?? Axis.Across : Axis.Across;
        if (rest.StartsWith("level ", StringComparison.OrdinalIgnoreCase))
        {
            (axis, rest) = (Axis.Up, rest[6..].Trim());
        }

        if (Spoken.FirstOrDefault(s => rest.StartsWith(s.Said + " ", StringComparison.OrdinalIgnoreCase)) is { Said: not null } spoken)
        {
            rest = $"{spoken.Word}{rest[spoken.Said.Length..]}";
        }

        var space = rest.IndexOf(' ');
        var word = space < 0 ? rest : rest[..space];
        if (!Words.TryGetValue(word, out var kind))
        {
            return new ReadProblem(typed, typed.Length == 0 ? "Nothing was typed" : $"'{word}' is no way of finding a member", Expected);
        }

        rest = space < 0 ? string.Empty : rest[space..].Trim();
        Length? beside = null;
        if (rest.IndexOfAny(At) is >= 0 and var at)
        {
            var height = LengthReader.Read(rest[(at + 1)..], bare);
            if (!height.Ok)
            {
                return new ReadProblem(typed, height.Problem!.Understood, "a length after @, which is where on the other tape");
            }

            (beside, rest) = (height.Value, rest[..at].Trim());
        }

        var bite = kind.Bite;
        if (rest.IndexOf(For, StringComparison.OrdinalIgnoreCase) is >= 0 and var deep)
        {
            var depth = LengthReader.Read(rest[(deep + For.Length)..], bare);
            if (!depth.Ok || kind.Kind != EvidenceKind.ProbeHit)
            {
                return new ReadProblem(typed, depth.Problem?.Understood ?? $"'{word}' has no depth", "after 'for' how deep the bit went into what it met, such as hit 40 1/4 for 3/4");
            }

            (bite, rest) = (depth.Value, rest[..deep].Trim());
        }

        Length? to = null;
        if (Until.FirstOrDefault(u => rest.Contains(u, StringComparison.OrdinalIgnoreCase)) is { } until)
        {
            var cut = rest.IndexOf(until, StringComparison.OrdinalIgnoreCase);
            var far = LengthReader.Read(rest[(cut + until.Length)..], bare, directed: true);
            if (!far.Ok)
            {
                return new ReadProblem(typed, far.Problem!.Understood, "the far edge after 'to'");
            }

            (to, rest) = (far.Value, rest[..cut].Trim());
        }

        var where = LengthReader.Read(rest, bare, directed: from is not null);
        if (!where.Ok)
        {
            return new ReadProblem(typed, where.Problem!.Understood, Expected);
        }

        return kind.Kind == EvidenceKind.ScannerEdges && to is null
            ? new ReadProblem(typed, "There is one edge only", "both edges, such as edges 39 1/4 to 40 3/4; or scan 40 for a centre")
            : new TypedEvidence(kind.Kind, axis, from, where.Value, to, beside, kind.Told, bite);
    }
}
