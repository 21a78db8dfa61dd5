using Corrie.Core.Findings;

namespace Corrie.Core.Masonry;

/// <summary>What can be wrong with stone, brick and heat.</summary>
public static class MasonryFindings
{
    /// <summary>The stage whose matter these are.</summary>
    public static readonly StageId Stage = new("masonry", "Stone and heat");

    private static readonly Source Irc = Source.Published("IRC R1001.11 and NFPA 211; an appliance's own papers prevail");

    /// <summary>No reading with the fire on.</summary>
    public static readonly FindingKind HeatUnknown = new(
        Stage, "masonry.heat-unknown", Severity.Stop, "Not measured with the fire on",
        "a display over a fire, and no temperature of the air at its lower edge and of the wall behind it after an hour at full, there or lower but over the opening; or a display less than 36 in beside a fire, and none measured at it",
        "What is too warm for a display cannot be felt by hand, and a fire takes an hour to warm a wall.", Source.CommonPractice);

    /// <summary>Too hot.</summary>
    public static readonly FindingKind TooHot = new(
        Stage, "masonry.too-hot", Severity.Stop, "Too hot for the display",
        "a temperature with the fire on is over what the display may have around it, less 5 °C",
        "Heat ages a display, and its maker answers for nothing over that figure.", Source.Maker);

    /// <summary>In rising air.</summary>
    public static readonly FindingKind RisingAir = new(
        Stage, "masonry.rising-air", Severity.Stop, "In rising air, no mantel between",
        "a display over a fire, and no mantel, shelf or beam between them as wide as the fire",
        "What turns the warm air away from a display over a fire is the mantel.", Source.CommonPractice);

    /// <summary>What burns, too near.</summary>
    public static readonly FindingKind CombustibleNear = new(
        Stage, "masonry.combustible-near", Severity.Stop, "What burns is too near the fire",
        "a mantel, shelf, board or trim that burns is under 6 in from the opening, stands out over an eighth of its distance within 12 in, or is nearer than the appliance's papers say",
        "It chars, and one evening it burns.", Irc);

    /// <summary>Into a flue.</summary>
    public static readonly FindingKind FlueRoute = new(
        Stage, "masonry.flue-route", Severity.FinalStop, "Into a flue, a firebox or a chase",
        "a hole reaches to within 1 in of a flue that is not shown to be dead, or goes over a fire whose flue nobody has put on the wall; a cable's route through one",
        "A hole into a flue lets smoke and carbon monoxide into the room, and a cable in one melts.", Source.CommonPractice);

    /// <summary>Too near a joint.</summary>
    public static readonly FindingKind NearJoint = new(
        Stage, "masonry.near-joint", Severity.Stop, "Holes too near joints",
        "a hole is nearer to a joint than its edge distance",
        "The bit drifts into the joint, and mortar holds a fraction of what the unit does.", Source.CommonPractice);

    /// <summary>The joints are not known.</summary>
    public static readonly FindingKind JointsUnknown = new(
        Stage, "masonry.joints-unknown", Severity.Caution, "Joints not on the wall yet",
        "holes are planned in a face of brick, block or stone, and neither its courses nor its stones are entered",
        "Whether a hole meets a joint is seen after it is drilled otherwise.", Source.CommonPractice);

    /// <summary>It rocks.</summary>
    public static readonly FindingKind Rocks = new(
        Stage, "masonry.rocks", Severity.Stop, "The plate rocks",
        "a bolt is outside what the plate touches when it rests on the face, and not every hole has its stack of packing",
        "A bolt outside the stones that a stiff plate rests on tips it when it is tightened.", Source.Arithmetic);

    /// <summary>No packing.</summary>
    public static readonly FindingKind GapNotPacked = new(
        Stage, "masonry.gap-not-packed", Severity.Caution, "A gap without packing",
        "the gap behind a plate on an uneven face is not measured at a hole, or nothing to pack with is entered",
        "A bolt tightened across a gap bends the plate, and the display hangs crooked.", Source.CommonPractice);

    /// <summary>Packing that does not fit.</summary>
    public static readonly FindingKind PackingShort = new(
        Stage, "masonry.packing-short", Severity.Stop, "Packing does not fill the gap",
        "no stack of what is at hand fills a gap with the compression washer within its range",
        "A loose stack falls out; one that is too thick pushes the plate off the others.", Source.CommonPractice);

    /// <summary>It ends in veneer.</summary>
    public static readonly FindingKind VeneerCarries = new(
        Stage, "masonry.veneer-carries", Severity.Stop, "The fixing ends in a facing",
        "a fixing ends in veneer, render or another facing, or nobody knows what is behind that",
        "Adhered stone carries nothing: the pull goes to what is behind.", Source.CommonPractice);

    /// <summary>Bad masonry.</summary>
    public static readonly FindingKind Crumbles = new(
        Stage, "masonry.crumbles", Severity.Stop, "Crumbling, sooty or hollow",
        "a test hole or a knock has shown crumbling or sooty masonry, or hollow where its units are not",
        "Nothing holds in it, and soot says that smoke gets through.", Source.CommonPractice);

    /// <summary>Dust.</summary>
    public static readonly FindingKind Silica = new(
        Stage, "masonry.silica", Severity.Caution, "Dust with silica",
        "holes are drilled in stone, brick, block or mortar, and the step with extraction and breathing protection is not done",
        "The dust scars lungs, and is too fine to be seen.", Source.Published("OSHA 29 CFR 1926.1153, respirable crystalline silica; local rules prevail"));

    /// <summary>A closed opening that nobody has looked into.</summary>
    public static readonly FindingKind ClosedUnseen = new(
        Stage, "masonry.closed-unseen", Severity.Stop, "Closed opening, not looked into",
        "holes go into a former opening that was closed with board, and no inspection of what is in it is recorded",
        "It may be framed well, badly or not at all.", Source.CommonPractice);

    /// <summary>Blocking that cannot go in.</summary>
    public static readonly FindingKind BlockingStuck = new(
        Stage, "masonry.blocking-stuck", Severity.Stop, "Blocking does not go through the hatch",
        "a piece of blocking is wider than the hatch, or too long to be turned in behind it, or the hatch is not in the closed opening",
        "It is cut for nothing, and the hatch is cut larger in a hurry.", Source.Arithmetic);

    /// <summary>All of them, in the order of the catalogue.</summary>
    public static IReadOnlyList<FindingKind> All { get; } =
    [
        HeatUnknown, TooHot, RisingAir, CombustibleNear, FlueRoute, NearJoint, JointsUnknown, Rocks, GapNotPacked, PackingShort, VeneerCarries, Crumbles, Silica, ClosedUnseen, BlockingStuck,
    ];
}
