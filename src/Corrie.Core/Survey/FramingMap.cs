using Corrie.Core.Measure;

namespace Corrie.Core.Survey;

/// <summary>A member as it follows from evidence.</summary>
/// <param name="Id">The key of the member on the sheet that it is, or one made from its first evidence.</param>
/// <param name="Axis">Across for a vertical member, up for a horizontal one.</param>
/// <param name="Centre">The mark: where its centre is taken to be.</param>
/// <param name="Width">Its face.</param>
/// <param name="Uncertainty">How far its centre may be off the mark.</param>
/// <param name="State">How sure that is.</param>
/// <param name="Presence">Probability that there is a member at all.</param>
/// <param name="Near">Probability that it is there, within 1/4 in of the mark.</param>
/// <param name="Plies">How many members stand side by side here, this one included.</param>
/// <param name="Told">What scanners said about its material.</param>
/// <param name="Soundings">The evidence that it rests on, and misses that bound it.</param>
/// <param name="From">For a horizontal member: the left end of its bay.</param>
/// <param name="To">For a horizontal member: the right end of its bay.</param>
public sealed record FoundMember(
    string Id,
    Axis Axis,
    Length Centre,
    Length Width,
    Length Uncertainty,
    StudState State,
    double Presence,
    double Near,
    int Plies,
    ToldMaterial Told,
    IReadOnlyList<Sounding> Soundings,
    Length From = default,
    Length To = default)
{
    /// <summary>The methods that found it.</summary>
    public IReadOnlyList<Method> Methods { get; } =
        [.. Soundings.Where(s => s.Evidence.Kind != EvidenceKind.ProbeMiss).Select(s => s.Evidence.Method).Distinct().Order()];

    /// <summary>Whether it lacks nothing but proof that the bit has met a stud, and no pipe, strip or plate.</summary>
    public bool Unproven { get; init; }

    /// <summary>Whether probes pin it down where the scanner does not believe it, so that one of them may be misread.</summary>
    public bool Disputed { get; init; }

    /// <summary>What the evidence leaves open, for choosing the next probe.</summary>
    internal Belief? Belief { get; init; }

    /// <summary>Whether it was found on the other face only, and no bit has met it from this one.</summary>
    public bool Carried => Soundings.Count > 0 && Soundings.All(s => s.Evidence.OtherFace || s.Evidence.Kind is not (EvidenceKind.ProbeHit or EvidenceKind.Seen))
        && Soundings.Any(s => s.Evidence.OtherFace);
}

/// <summary>Probes that cannot all be right.</summary>
/// <param name="Axis">Which way.</param>
/// <param name="Miss">The miss in the middle.</param>
/// <param name="Left">The nearest hit to its left, or below.</param>
/// <param name="Right">The nearest hit to its right, or above.</param>
/// <param name="Width">One member's width.</param>
public sealed record Contradiction(Axis Axis, Sounding Miss, Sounding Left, Sounding Right, Length Width);

/// <summary>Hits that no member fits.</summary>
/// <param name="Axis">Which way.</param>
/// <param name="First">The first hit.</param>
/// <param name="Last">The last one; the same where there is one only.</param>
/// <param name="Before">The nearest miss before them.</param>
/// <param name="After">The nearest miss after them.</param>
public sealed record UnfitHits(Axis Axis, Sounding First, Sounding Last, Sounding? Before, Sounding? After);

/// <summary>What the evidence says about the framing.</summary>
/// <param name="Members">Members, left to right, then the horizontal ones from the floor up.</param>
/// <param name="False">Readings that a probe has disproved.</param>
/// <param name="Contradictions">Probes that cannot all be right.</param>
/// <param name="Expected">Where the module has members that nobody has looked for; a hint, never proof.</param>
/// <param name="Soundings">All evidence where it lies.</param>
public sealed record FramingMap(
    IReadOnlyList<FoundMember> Members,
    IReadOnlyList<Sounding> False,
    IReadOnlyList<Contradiction> Contradictions,
    IReadOnlyList<Length> Expected,
    IReadOnlyList<Sounding> Soundings)
{
    /// <summary>Hits that no member fits.</summary>
    public IReadOnlyList<UnfitHits> Unfit { get; init; } = [];

    /// <summary>By how much the scanner is off everywhere; null where it is not, as far as is known. Members have it taken off already.</summary>
    public ScannerBias? Bias { get; init; }

    /// <summary>A map without evidence.</summary>
    public static FramingMap Empty { get; } = new([], [], [], [], []);

    /// <summary>Horizontal members.</summary>
    public IEnumerable<FoundMember> Crossings => Members.Where(m => m.Axis == Axis.Up);

    /// <summary>The member of a key.</summary>
    /// <param name="id">The member's key.</param>
    /// <returns>The member; null where there is none.</returns>
    public FoundMember? Member(string id) => Members.FirstOrDefault(m => m.Id == id);
}
