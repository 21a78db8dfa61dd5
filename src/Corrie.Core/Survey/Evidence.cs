using Corrie.Core.Format;
using Corrie.Core.Measure;

namespace Corrie.Core.Survey;

/// <summary>How somebody came to think that a member is there, or is not: from weak to strong.</summary>
public enum EvidenceKind
{
    /// <summary>It sounds solid.</summary>
    Knock,

    /// <summary>A scanner showed where it begins and where it ends.</summary>
    ScannerEdges,

    /// <summary>A scanner showed its centre.</summary>
    ScannerCentre,

    /// <summary>A magnet holds on a screw head: a screw sits within the member's face.</summary>
    Magnet,

    /// <summary>A thin bit met something solid behind the layers.</summary>
    ProbeHit,

    /// <summary>A thin bit fell through behind the layers.</summary>
    ProbeMiss,

    /// <summary>It was seen in an opening.</summary>
    Seen,

    /// <summary>A scanner's sign of live wiring.</summary>
    Live,
}

/// <summary>What a scanner that can tell, or what a bit brought, said about the material.</summary>
public enum ToldMaterial
{
    /// <summary>Nothing.</summary>
    Nothing,

    /// <summary>Wood.</summary>
    Wood,

    /// <summary>Metal.</summary>
    Metal,
}

/// <summary>One piece of evidence of framing, as it was found.</summary>
/// <param name="Id">Short key in the sheet.</param>
/// <param name="Kind">How it was found.</param>
/// <param name="Axis">Across for vertical members, up for horizontal ones.</param>
/// <param name="From">The datum that it was measured from.</param>
/// <param name="At">Where, from that datum: to the right, or up; negative for the other way.</param>
/// <param name="To">The far edge, where both edges were found.</param>
/// <param name="Beside">Where on the other axis, from the floor or the left corner; null where nobody said.</param>
/// <param name="Good">How far it may be off: 1/32 in for a probe (common practice), zero where it is taken as exact.</param>
/// <param name="Bite">How deep the bit went into what it met, at least; zero where it stopped at once; null where nobody said.</param>
/// <param name="Told">What a scanner, or what the bit brought, said about the material.</param>
/// <param name="Struck">Whether it was taken back as wrong: it stays on the drawing, struck out.</param>
/// <param name="Gap">For a miss: whether it is the gap between two members.</param>
/// <param name="OtherFace">Whether it was found on the wall's other face; its sides are then as seen from there.</param>
/// <param name="By">Who found it.</param>
public sealed record Evidence(
    string Id,
    EvidenceKind Kind,
    Axis Axis,
    string From,
    Length At,
    Length? To,
    Length? Beside,
    Length Good,
    Length? Bite,
    ToldMaterial Told,
    bool Struck,
    bool Gap,
    bool OtherFace,
    string By)
{
    /// <summary>Bite under which a bit may have met a furring strip, a pipe or a nail plate (common practice).</summary>
    public static readonly Length ShallowBite = Length.Tape(0, 1, 2);

    /// <summary>Where it stands in the document.</summary>
    public Place Here { get; init; } = Place.Nowhere;

    /// <summary>Whether it is a hit that went too little deep to be a member for sure.</summary>
    public bool Shallow => Kind == EvidenceKind.ProbeHit && Bite is { } bite && bite < ShallowBite;

    /// <summary>Whether it is a hit on what is no member of a material for sure: too thin, or its chips are of another one.</summary>
    /// <remarks>Steel is thin: metal chips are all that a bit brings of it, however little it bites; it neither stops a bit dead nor lets it go on biting.</remarks>
    /// <param name="material">What members of the line are made of.</param>
    /// <returns>Whether it is.</returns>
    public bool ForeignTo(ToldMaterial material) => Kind == EvidenceKind.ProbeHit &&
        (Told == ToldMaterial.Nothing ? (material == ToldMaterial.Metal ? Bite == Length.Zero || Bite >= ShallowBite : Shallow) : Told != material || (Shallow && material != ToldMaterial.Metal));

    /// <summary>The method: two findings of one method count less than two methods that agree.</summary>
    public Method Method => Kind switch
    {
        EvidenceKind.Knock => Method.Sound,
        EvidenceKind.ScannerEdges or EvidenceKind.ScannerCentre or EvidenceKind.Live => Method.Scanner,
        EvidenceKind.Magnet => Method.Magnet,
        EvidenceKind.Seen => Method.Eye,
        _ => Method.Probe,
    };
}

/// <summary>A way of finding members.</summary>
public enum Method
{
    /// <summary>Knocking.</summary>
    Sound,

    /// <summary>A scanner.</summary>
    Scanner,

    /// <summary>A magnet.</summary>
    Magnet,

    /// <summary>A thin bit.</summary>
    Probe,

    /// <summary>Looking.</summary>
    Eye,
}

/// <summary>A piece of evidence where it lies on this face of the wall.</summary>
/// <param name="Evidence">The evidence.</param>
/// <param name="Low">Its position, or its nearer edge, from the left corner or over the floor.</param>
/// <param name="High">Its far edge; the same as <paramref name="Low"/> for a point.</param>
/// <param name="Deviation">Standard deviation of the datum that it hangs on.</param>
public sealed record Sounding(Evidence Evidence, Length Low, Length High, Length Deviation)
{
    /// <summary>How far it was moved from where it was found, since its tool is known to be off; to the right.</summary>
    public Length Moved { get; init; }

    /// <summary>Its middle.</summary>
    public Length Middle => (Low + High).Half;
}
