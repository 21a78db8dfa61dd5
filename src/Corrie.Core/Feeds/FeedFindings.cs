using Corrie.Core.Findings;

namespace Corrie.Core.Feeds;

/// <summary>What can be wrong with power, boxes and cables.</summary>
public static class FeedFindings
{
    /// <summary>The stage whose matter these are.</summary>
    public static readonly StageId Stage = new("feed", "Feeds");

    /// <summary>Cord or unrated cable inside a wall.</summary>
    public static readonly FindingKind CordInWall = new(
        Stage, "feed.cord-in-wall", Severity.FinalStop, "Cord or unrated cable inside a wall",
        "a flexible cord, or mains cable that is not made for it, runs inside the wall",
        "A cord's jacket is no protection inside a wall: damage is neither seen nor felt until it burns.", Source.Published("NFPA 70 400.12"));

    /// <summary>Joined or capped wires out of reach.</summary>
    public static readonly FindingKind BuriedJunction = new(
        Stage, "feed.buried-junction", Severity.FinalStop, "Joined or capped wires out of reach",
        "conductors that were capped or joined are left in the wall without a covered box that stays accessible",
        "A joint that nobody can reach fails where nobody sees it.", Source.Published("NFPA 70 314.29"));

    /// <summary>Mains worked on without isolation.</summary>
    public static readonly FindingKind NotIsolated = new(
        Stage, "feed.not-isolated", Severity.FinalStop, "Mains worked on without isolation",
        "work at mains is recorded as done, and no record says that its circuit was off, locked and proved dead",
        "Nobody feels a live wire before touching it.", Source.CommonPractice);

    /// <summary>Mains worked on without a licence.</summary>
    public static readonly FindingKind NotLicensed = new(
        Stage, "feed.not-licensed", Severity.FinalStop, "Mains worked on without a licence",
        "work at mains, or its isolation, is recorded by somebody for whom no licence is",
        "Mains work is for a licensed electrician under the local code.", Source.CommonPractice);

    /// <summary>Box on a member.</summary>
    public static readonly FindingKind BoxOnMember = new(
        Stage, "feed.box-on-member", Severity.Stop, "Box on a member",
        "a box's opening, with the room that it needs, meets a stud, a noggin, or what is in the wall or on it",
        "The saw meets wood, wire or pipe, and the hole is in the wrong place for good.", Source.Arithmetic);

    /// <summary>Bay narrower than the opening.</summary>
    public static readonly FindingKind BayTooNarrow = new(
        Stage, "feed.bay-too-narrow", Severity.Stop, "Bay narrower than the opening",
        "an opening is wider than the bay that it is in",
        "An enclosure made for a nominal bay goes only where the framing is true: an eighth less, and it does not go in.", Source.Arithmetic);

    /// <summary>Box shows beside the display.</summary>
    public static readonly FindingKind BoxShows = new(
        Stage, "feed.box-shows", Severity.Stop, "Box shows beside the display",
        "a box behind a display reaches out of the display's outline, less a margin",
        "Who sits at the side looks behind the display.", Source.CommonPractice);

    /// <summary>Box under the wall plate or arms.</summary>
    public static readonly FindingKind BoxUnderPlate = new(
        Stage, "feed.box-under-plate", Severity.Stop, "Box under the wall plate or arms",
        "a box's cover lies under the wall plate, its backing or an arm, or behind a port with its plug",
        "It cannot be reached or closed, or the plate does not lie flat.", Source.CommonPractice);

    /// <summary>No room for a box's wings.</summary>
    public static readonly FindingKind WingSpace = new(
        Stage, "feed.wing-space", Severity.Stop, "No room for a box's wings",
        "the wings of a box that grips the board meet a member",
        "A wing on a stud grips nothing, and the box falls out with the first plug.", Source.CommonPractice);

    /// <summary>Box deeper than the wall.</summary>
    public static readonly FindingKind BoxTooDeep = new(
        Stage, "feed.box-too-deep", Severity.Stop, "Box deeper than the wall",
        "a box goes deeper than the layers and the cavity behind them",
        "Its back stands on what is behind, and its flange stands off the wall.", Source.Arithmetic);

    /// <summary>A plug that keeps the display off.</summary>
    public static readonly FindingKind DeviceBehind = new(
        Stage, "feed.device-behind", Severity.Stop, "A plug that keeps the display off",
        "a receptacle or plate behind a display stands, with its plug, prouder than the parked gap, or lies under the hanger or the arms, and nobody has said what becomes of it",
        "The display does not come to the wall, or leans on a live plug.", Source.CommonPractice);

    /// <summary>Local rule not recorded.</summary>
    public static readonly FindingKind LocalRule = new(
        Stage, "feed.local-rule", Severity.Stop, "Local rule not recorded",
        "the plan rests on a rule of the electrical code NFPA 70, which is not this site's, and no licensed person has recorded the local one",
        "Codes differ from place to place, and the local one holds.", Source.CommonPractice);

    /// <summary>Box low behind the display.</summary>
    public static readonly FindingKind Droop = new(
        Stage, "feed.droop", Severity.Note, "Box low behind the display",
        "a box behind a display is in its lower third",
        "Cables droop, and show under the display.", Source.CommonPractice);

    /// <summary>New plate not in line with the old.</summary>
    public static readonly FindingKind HeightsDiffer = new(
        Stage, "feed.heights-differ", Severity.Note, "New plate not in line with the old",
        "a box at the source end is over 1/8 in higher or lower than the nearest receptacle or plate",
        "Two plates at two heights are seen at once.", Source.CommonPractice);

    /// <summary>Power beside signal.</summary>
    public static readonly FindingKind Separation = new(
        Stage, "feed.separation", Severity.Stop, "Power beside signal",
        "mains and signal share a box or raceway without a divider, or mains ends in a box for signal; milder: they run along each other closer than they may",
        "Mains gets into what is touched and heard, and a fault in one is a fault in both.", Source.Published("NFPA 70 800.133(A)(2), by later numbering 805.133"), Severity.Caution);

    /// <summary>Stud bored too far.</summary>
    public static readonly FindingKind StudBored = new(
        Stage, "feed.stud-bored", Severity.Stop, "Stud bored too far",
        "a hole takes more than its share of a stud's depth or comes too near its edge; milder: its edge is so near the face that it needs a nail plate",
        "The stud carries less, and the next screw finds the cable.", Source.Published("IRC R602.6, NFPA 70 300.4(A)"), Severity.Caution);

    /// <summary>Hole in a fire block.</summary>
    public static readonly FindingKind FireBlock = new(
        Stage, "feed.fire-block", Severity.Caution, "Hole in a fire block",
        "a cable goes through a noggin or plate that may be a fire block",
        "An open hole lets fire and smoke climb from bay to bay.", Source.Published("IRC R302.11, NFPA 70 300.21"));

    /// <summary>Opening in a fire-rated wall.</summary>
    public static readonly FindingKind FireRated = new(
        Stage, "feed.fire-rated", Severity.Stop, "Opening in a fire-rated wall",
        "a box or a cable goes into a fire-rated or party wall, and no listed seal is recorded",
        "A wall that holds fire back for an hour does so without holes.", Source.Published("NFPA 70 300.21"));

    /// <summary>Cable not made for where it runs.</summary>
    public static readonly FindingKind Rating = new(
        Stage, "feed.rating", Severity.Stop, "Cable not made for where it runs",
        "a signal cable runs in a wall, outdoors or elsewhere, and is not rated for that",
        "Its jacket spreads fire, or perishes.", Source.Published("NFPA 70 chapter 8, 725.154"));

    /// <summary>Conduit too full.</summary>
    public static readonly FindingKind Fill = new(
        Stage, "feed.fill", Severity.Caution, "Conduit too full",
        "cables take more of a conduit's area than 53 % for one, 31 % for two, 40 % for more",
        "They jam, and heat cannot leave.", Source.Published("NFPA 70 chapter 9, table 1"));

    /// <summary>Plug does not pass.</summary>
    public static readonly FindingKind PlugDoesNotPass = new(
        Stage, "feed.plug-does-not-pass", Severity.Stop, "Plug does not pass",
        "the largest plug does not go through a conduit, a hole or a cover plate, beside the cables that are already through",
        "The cable is there, and its end does not come out.", Source.CommonPractice);

    /// <summary>Too many bends in a pull.</summary>
    public static readonly FindingKind Bends = new(
        Stage, "feed.bends", Severity.Caution, "Too many bends in a pull",
        "a conduit turns by more than 360 degrees between two places where it can be pulled",
        "Friction grows with every bend until the cable tears.", Source.Published("NFPA 70 358.26"));

    /// <summary>Bend too tight.</summary>
    public static readonly FindingKind BendRadius = new(
        Stage, "feed.bend-radius", Severity.Stop, "Bend too tight",
        "a cable is bent tighter than it takes: in a conduit, or between a box and its port",
        "Its pairs or fibres are crushed, and it fails later, behind the wall.", Source.Published("TIA-568"));

    /// <summary>Cable too short.</summary>
    public static readonly FindingKind TooShort = new(
        Stage, "feed.too-short", Severity.Stop, "Cable too short",
        "a cable is shorter than its way from port to port with loops and what is spare",
        "It does not reach, or hangs in sight, or is pulled out.", Source.Arithmetic);

    /// <summary>Farther than the signal goes.</summary>
    public static readonly FindingKind TooFar = new(
        Stage, "feed.too-far", Severity.Caution, "Farther than the signal goes",
        "a cable is longer than its kind of signal carries",
        "The picture drops out, now and then, in front of the client.", Source.CommonPractice);

    /// <summary>Arm pulls the cable out.</summary>
    public static readonly FindingKind ArmSlack = new(
        Stage, "feed.arm-slack", Severity.Stop, "Arm pulls the cable out",
        "a cable to a display that moves has less slack than the arm's way asks for",
        "Pulled out for the first time it tears its plug or its port.", Source.Arithmetic);

    /// <summary>Cables in the fold of the arm.</summary>
    public static readonly FindingKind Pinch = new(
        Stage, "feed.pinch", Severity.Caution, "Cables in the fold of the arm",
        "a box or its cables are where the arm folds",
        "A cable is crushed each time that the arm closes.", Source.CommonPractice);

    /// <summary>A source without an input.</summary>
    public static readonly FindingKind NoInput = new(
        Stage, "feed.no-input", Severity.Stop, "A source without an input",
        "a source reaches no input of a display with what it needs",
        "There is no picture.", Source.CommonPractice);

    /// <summary>Soundbar without the return channel.</summary>
    public static readonly FindingKind NoReturnChannel = new(
        Stage, "feed.no-return-channel", Severity.Caution, "Soundbar without the return channel",
        "a soundbar is connected to no input that gives the display's sound back, nor by light",
        "The display's own sound does not come out of the bar.", Source.CommonPractice);

    /// <summary>No outlet to take power from.</summary>
    public static readonly FindingKind NoSourceOutlet = new(
        Stage, "feed.no-source-outlet", Severity.Stop, "No outlet to take power from",
        "a box with mains, a display, or a device that is plugged in elsewhere has no outlet and circuit from which its power comes, or more plugs go into an outlet than it takes; a caution where nobody has counted its sockets",
        "An in-wall kit is no source, nor is a strip of sockets behind furniture: it wants an outlet that is there.", Source.CommonPractice, Severity.Caution);

    /// <summary>Circuit overloaded.</summary>
    public static readonly FindingKind CircuitLoad = new(
        Stage, "feed.circuit-load", Severity.Stop, "Circuit overloaded",
        "the load of a circuit is over 80 % of its breaker, where what runs for three hours counts in full, or its breaker is larger than its wire or a new cable on it allows",
        "The breaker trips in the middle of the picture, or the wire warms and nothing trips.", Source.Published("NFPA 70 210.20(A), 210.23(A), 240.4(D)"));

    /// <summary>Voltage drops too far.</summary>
    public static readonly FindingKind VoltageDrop = new(
        Stage, "feed.voltage-drop", Severity.Caution, "Voltage drops too far",
        "the drop along a circuit is over 3 %",
        "Devices run warm or restart.", Source.Published("NFPA 70 210.19(A), informational note; chapter 9, table 8"));

    /// <summary>Box too full of wires.</summary>
    public static readonly FindingKind BoxFill = new(
        Stage, "feed.box-fill", Severity.Stop, "Box too full of wires",
        "conductors, clamps and devices take more room than a box has",
        "Wires are crushed behind the device, and warm.", Source.Published("NFPA 70 314.16(B)"));

    /// <summary>Too warm in a closed box.</summary>
    public static readonly FindingKind TooWarm = new(
        Stage, "feed.too-warm", Severity.Caution, "Too warm in a closed box",
        "the equipment in an enclosure gives more heat than its vents let out",
        "What is too warm slows down, and dies early.", Source.CommonPractice);

    /// <summary>Cable tester shows a fault.</summary>
    public static readonly FindingKind WireMap = new(
        Stage, "feed.wire-map", Severity.Stop, "Cable tester shows a fault",
        "the last test of a cable shows a fault, or is not of this cable's pair order",
        "It works on the bench and not in the wall, or at a tenth of its speed.", Source.Published("TIA-568"));

    /// <summary>Wall that may not be cut.</summary>
    public static readonly FindingKind Tenant = new(
        Stage, "feed.tenant", Severity.Stop, "Wall that may not be cut",
        "a box or a cable goes into a wall that may not be cut",
        "The hole is in somebody else's wall.", Source.CommonPractice);

    /// <summary>Nobody has looked into the bay.</summary>
    public static readonly FindingKind BayUnknown = new(
        Stage, "feed.bay-unknown", Severity.Note, "Nobody has looked into the bay",
        "a way leads along a bay of which nobody knows whether a noggin crosses it",
        "A noggin in the way turns half an hour into half a day.", Source.CommonPractice);

    /// <summary>No way from box to box.</summary>
    public static readonly FindingKind NoWay = new(
        Stage, "feed.no-way", Severity.Stop, "No way from box to box",
        "what is allowed leads from one end of a cable to the other nowhere",
        "The cable cannot be brought there as it is planned.", Source.Arithmetic);

    /// <summary>Brackets too weak for the box.</summary>
    public static readonly FindingKind BracketLoad = new(
        Stage, "feed.bracket-load", Severity.Stop, "Brackets too weak for the box",
        "the brackets of a box behind a display carry less than it weighs",
        "It falls behind the display and takes the cables along.", Source.Arithmetic);

    /// <summary>All of them, in the order of the catalogue.</summary>
    public static IReadOnlyList<FindingKind> All { get; } =
    [
        CordInWall, BuriedJunction, NotIsolated, NotLicensed, BoxOnMember, BayTooNarrow, BoxShows, BoxUnderPlate, WingSpace, BoxTooDeep, DeviceBehind,
        LocalRule, Droop, HeightsDiffer, Separation, StudBored, FireBlock, FireRated, Rating, Fill, PlugDoesNotPass, Bends, BendRadius, TooShort,
        TooFar, ArmSlack, Pinch, NoInput, NoReturnChannel, NoSourceOutlet, CircuitLoad, VoltageDrop, BoxFill, TooWarm, WireMap, Tenant, BayUnknown,
        NoWay, BracketLoad,
    ];
}
