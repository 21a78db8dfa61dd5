using Corrie.Core.Findings;

namespace Corrie.Core.Fixing;

/// <summary>What can be wrong with what holds the plate.</summary>
public static class FixingFindings
{
    /// <summary>The stage whose matter these are.</summary>
    public static readonly StageId Stage = new("fix", "Fix");

    /// <summary>Edge distance.</summary>
    public static readonly FindingKind EdgeDistance = new(
        Stage, "fix.edge-distance", Severity.Stop, "Bolt too near the stud's edge",
        "a bolt is off its member's centre by more than width/2 - 1.5 D, less the uncertainty of that centre",
        "The wood splits, or the bolt comes out at the side.", Source.Nds("12.5.1"));

    /// <summary>Into an opening.</summary>
    public static readonly FindingKind ThroughOpening = new(
        Stage, "fix.through-opening", Severity.FinalStop, "Hole into an opening",
        "a hole falls into a window, a door or a fireplace, to the outer edge of its casing",
        "There is glass, passage or fire, and nothing that holds.", Source.Arithmetic);

    /// <summary>Two holes too near.</summary>
    public static readonly FindingKind HolesNear = new(
        Stage, "fix.holes-near", Severity.Stop, "Holes too near each other",
        "two planned holes are under 4 diameters apart, the larger diameter counting",
        "The wood between them splits, and neither holds.", Source.Nds("12.5.1"));

    /// <summary>Too short.</summary>
    public static readonly FindingKind TooShort = new(
        Stage, "fix.too-short", Severity.Stop, "Bolt too short",
        "a lag screw is under 4 D in the wood without its tip, a wood screw under 6 D, either under what was asked or what the load needs; an anchor under its embedment; or a toggle does not clamp or reach through what it passes",
        "Short threads pull out.", Source.Nds("12.1.4, 12.1.5"));

    /// <summary>No hold at all.</summary>
    public static readonly FindingKind NoHold = new(
        Stage, "fix.no-hold", Severity.FinalStop, "Bolt holds in nothing",
        "a screw ends in layers, plate or packing, before the member that should hold it, or a bolt that is in the wall went beside it; a stop that a lead may pass where the others hold all of it",
        "It holds nothing at all.", Source.Arithmetic, Severity.Stop);

    /// <summary>Load across not known.</summary>
    public static readonly FindingKind ShearUnknown = new(
        Stage, "fix.shear-unknown", Severity.Stop, "Load across the bolts not checked",
        "a screw crosses over 1 1/4 in that does not bear, or nobody publishes what an anchor holds across itself",
        "A bolt across a gap is a cantilever: it bends long before it is pulled out.",
        Source.Published("AWC Technical Report 12; the 1 1/4 in is an own rule"));

    /// <summary>Too long.</summary>
    public static readonly FindingKind TooLong = new(
        Stage, "fix.too-long", Severity.Stop, "Bolt too long",
        "the bolt reaches through its member into what is behind",
        "What lies behind the stud is not known to be free.", Source.CommonPractice);

    /// <summary>Demand over capacity.</summary>
    public static readonly FindingKind DemandOverCapacity = new(
        Stage, "fix.demand-over-capacity", Severity.FinalStop, "Bolt asked for more than it holds",
        "pull and load across a bolt are together over what it holds, in the pose that is worst for it; a caution over 80 %, and where only what goes across it is too much and the maker rates the mount for exactly this wall",
        "Reach is what pulls plates off walls.", Source.Nds("12.2, 12.3.1, 12.4.1"), Severity.Caution);

    /// <summary>Wrong fastener for the wall.</summary>
    public static readonly FindingKind WrongForWall = new(
        Stage, "fix.wrong-for-wall", Severity.FinalStop, "Wrong fastener for this wall",
        "a screw into a steel stud, a toggle into wood, a screw into masonry, a wedge anchor elsewhere than in concrete, or anchors in board for a mount that moves",
        "A thin flange holds no thread, a toggle cannot open inside wood, and a wedge bursts what is not concrete.", Source.CommonPractice);

    /// <summary>Crossings not looked for.</summary>
    public static readonly FindingKind BoredCrossing = new(
        Stage, "fix.bored-crossing", Severity.Stop, "Crossings in the stud not looked for",
        "a fastener goes over 1 1/4 in into a member without a recorded scan for cables that cross it",
        "Cables may lawfully run through a stud 1 1/4 in behind its face.", Source.Published("NFPA 70 300.4(A)"));

    /// <summary>A hole that stays empty.</summary>
    public static readonly FindingKind LeftEmpty = new(
        Stage, "fix.left-empty", Severity.Note, "Holes of the plate stay empty",
        "a hole of the plate lies over a stud but off its centre by more than the edge distance allows, and the other bolts hold",
        "A bolt at the edge splits the stud that the others hold in.", Source.Nds("12.5.1"));

    /// <summary>Pilot hole.</summary>
    public static readonly FindingKind Pilot = new(
        Stage, "fix.pilot", Severity.Caution, "Pilot bit outside the range",
        "the chosen bit lies outside the range for the wood, or the crew has none inside it",
        "Too small splits the stud or snaps the head; too large leaves no thread.", Source.Nds("12.1.4"));

    /// <summary>A bit that nobody has.</summary>
    public static readonly FindingKind BitMissing = new(
        Stage, "fix.bit-missing", Severity.Caution, "Bit missing",
        "the crew's bits are entered, and none of them drills this size in this material",
        "The wrong bit makes the wrong hole, and the right one costs a trip.", Source.CommonPractice);

    /// <summary>A bit that is too short.</summary>
    public static readonly FindingKind BitTooShort = new(
        Stage, "fix.bit-too-short", Severity.Caution, "Bit too short",
        "the longest of the crew's bits of that size does not reach the depth of drilling",
        "A hole that is too shallow snaps the screw, or splits the wood under its tip.", Source.CommonPractice);

    /// <summary>Plate before its toggles.</summary>
    public static readonly FindingKind ToggleOrder = new(
        Stage, "fix.toggle-order", Severity.Caution, "Plate before its toggles",
        "a bolt is in, the plate has toggles too, and nobody has said that they were set",
        "Toggles cannot be turned and pulled tight once the plate is before them.", Source.CommonPractice);

    /// <summary>No rating.</summary>
    public static readonly FindingKind RatingUnknown = new(
        Stage, "fix.rating-unknown", Severity.Stop, "Anchor without a rated load",
        "an anchor has no rated load in the catalogue",
        "Without the maker's figure nobody can say what it holds.", Source.Maker);

    /// <summary>Outside the rules.</summary>
    public static readonly FindingKind Engineer = new(
        Stage, "fix.engineer", Severity.Stop, "Outside what the rules cover",
        "a moving mount hangs on light-gauge steel without backing; a caution where its maker rates it for exactly this wall",
        "A thin flange tears under a load that comes and goes; there a licensed engineer decides.", Source.CommonPractice, Severity.Caution);

    /// <summary>Wood loaded across its grain.</summary>
    public static readonly FindingKind CrossGrain = new(
        Stage, "fix.cross-grain", Severity.Stop, "Wood loaded across its grain",
        "over a tenth of what a bolt holds there goes across the grain of a single stud, or blocking splits or its ends do not hold; a caution where the maker rates the mount for one wood stud",
        "Across its grain wood splits at a fraction of what it holds along it.", Source.Nds("3.4.3, 12.5.1; the tenth is an own rule"), Severity.Caution);

    /// <summary>A plate that is drilled.</summary>
    public static readonly FindingKind DrilledPlate = new(
        Stage, "fix.drilled-plate", Severity.Caution, "Extra hole in the plate",
        "holes are drilled into a mount's plate without its maker's word",
        "A hole in the wrong place weakens the plate, and ends the maker's promise.", Source.CommonPractice);

    /// <summary>Board alone.</summary>
    public static readonly FindingKind BoardOnly = new(
        Stage, "fix.board-only", Severity.Stop, "Held by board alone",
        "anchors in board alone carry a still display beyond the company's limits; a caution within them",
        "A display on anchors in board comes down when somebody moves it.", Source.CommonPractice, Severity.Caution);

    /// <summary>No bite.</summary>
    public static readonly FindingKind Spin = new(
        Stage, "fix.spin", Severity.Stop, "Bolt turns freely",
        "a bolt turns freely in its hole, which is still one of those that the plan counts on or the only one of its row",
        "It has no bite: nobody knows yet what is behind.", Source.CommonPractice);

    /// <summary>Evidence that does not count.</summary>
    public static readonly FindingKind EvidenceVoid = new(
        Stage, "fix.evidence-void", Severity.Caution, "Figure of another not in force",
        "a maker's rating or an engineer's figure is for another wall or bolt than is planned, for less than hangs, or nobody has said for what",
        "A figure is true for what it was made for alone.", Source.CommonPractice);

    /// <summary>All of them, in the order of the catalogue.</summary>
    public static IReadOnlyList<FindingKind> All { get; } =
    [
        EdgeDistance, ThroughOpening, HolesNear, TooShort, NoHold, ShearUnknown, TooLong, DemandOverCapacity, WrongForWall, BoredCrossing, LeftEmpty, Pilot, BitMissing, BitTooShort, ToggleOrder, RatingUnknown, Engineer, CrossGrain, DrilledPlate, BoardOnly, Spin, EvidenceVoid,
    ];
}
