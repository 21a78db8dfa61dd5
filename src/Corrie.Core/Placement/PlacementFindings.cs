using Corrie.Core.Findings;

namespace Corrie.Core.Placement;

/// <summary>What can be wrong with a placement.</summary>
public static class PlacementFindings
{
    /// <summary>The stage whose matter these are.</summary>
    public static readonly StageId Stage = new("place", "Place");

    /// <summary>Too far above a seated eye.</summary>
    public static readonly FindingKind TooHigh = new(
        Stage, "place.too-high", Severity.Caution, "Too high for the seat",
        "over 15 degrees up to the picture's centre, or over 35 to its top, for a seated viewer; a recliner's lean is added to the first",
        "Looking up for an evening hurts the neck; the picture's colours shift as well.",
        Source.Published("SMPTE EG 18 (35 degrees to the top); 15 degrees to the centre from ergonomics practice"));

    /// <summary>Hidden behind what stands below.</summary>
    public static readonly FindingKind BehindFurniture = new(
        Stage, "place.behind-furniture", Severity.Stop, "Display behind what stands below",
        "the outer edge lies below the top of the furniture, mantel or bar in front of it",
        "The picture is covered, or the display does not go in at all.",
        Source.Arithmetic);

    /// <summary>A gap under its minimum.</summary>
    public static readonly FindingKind GapTooSmall = new(
        Stage, "place.gap-too-small", Severity.Caution, "Gap too small",
        "a gap of the vertical budget is below its minimum",
        "The gap is for hands, sound, warm air and the next, taller piece.",
        Source.CommonPractice);

    /// <summary>Does not fit.</summary>
    public static readonly FindingKind OutOfRoom = new(
        Stage, "place.out-of-room", Severity.Stop, "Does not fit there",
        "the outer edge passes the ceiling, a beam, a shelf, a corner, a window or a door, or two things are in one place",
        "Two solid things cannot share a place.",
        Source.Arithmetic);

    /// <summary>Covers what is used.</summary>
    public static readonly FindingKind Covers = new(
        Stage, "place.covers", Severity.Stop, "Covers what is used",
        "something that is planned covers a switch, a thermostat, a vent, a gas cock or another valve, or another control, or a plate lies on an outlet; a caution where an outlet stays in use behind a display",
        "Nobody reaches it any more, in a hurry least of all.",
        Source.CommonPractice, Severity.Caution);

    /// <summary>Over or close under what saves people in a fire.</summary>
    public static readonly FindingKind FireDevice = new(
        Stage, "place.fire-device", Severity.FinalStop, "Over or close under a fire device",
        "something that is planned covers a sprinkler, a detector, an exit sign or an emergency light, or hangs beside or under it within its clearance",
        "It does not spread, smell or show any more in the minute when it has to.", Source.Published("NFPA 13 and NFPA 72; the distances beside signs and lights are an own rule"));

    /// <summary>Over a fireplace.</summary>
    public static readonly FindingKind OverFireplace = new(
        Stage, "place.over-fireplace", Severity.Caution, "Over a fireplace",
        "the display hangs over a fireplace or stove, always",
        "Heat shortens its life and the height strains the neck; some hold that it is simply wrong, others that it is the client's choice.",
        Source.CommonPractice);

    /// <summary>Too small for the seat.</summary>
    public static readonly FindingKind TooSmall = new(
        Stage, "place.too-small", Severity.Note, "Small for the seat",
        "the picture fills under 30 degrees at a seat",
        "At least 30 degrees is wanted for film-like viewing.",
        Source.Published("SMPTE EG 18"));

    /// <summary>Too near.</summary>
    public static readonly FindingKind TooNear = new(
        Stage, "place.too-near", Severity.Note, "Near for its size",
        "the picture fills over 50 degrees at a seat",
        "The eye cannot take it in without turning the head.",
        Source.CommonPractice);

    /// <summary>Sticks out into a path.</summary>
    public static readonly FindingKind Protrudes = new(
        Stage, "place.protrudes", Severity.Stop, "Sticks out into the path",
        "on a wall that people walk along, a display whose bottom edge is over 27 in and not over 80 in up stands out more than 4 in",
        "A cane does not find it before the head does.",
        Source.Published("36 CFR 1191 (2010 ADA standards) 307.2"));

    /// <summary>Centres differ.</summary>
    public static readonly FindingKind CentresDiffer = new(
        Stage, "place.centres-differ", Severity.Note, "Centres differ",
        "the centre of the wall, of the furniture or of the fireplace is over 1 in off the display's",
        "Centres rarely agree; the client sees it for years, so it is their choice.",
        Source.CommonPractice);

    /// <summary>No consent.</summary>
    public static readonly FindingKind NotApproved = new(
        Stage, "place.not-approved", Severity.Stop, "Position not approved",
        "no client's consent to this position before the first hole, or it has moved by over 1/8 in since",
        "Holes cannot be moved afterwards.",
        Source.CommonPractice);

    /// <summary>A light that is mirrored.</summary>
    public static readonly FindingKind Glare = new(
        Stage, "place.glare", Severity.Note, "A window in the picture",
        "a seat sees a window or a lamp mirrored in the picture, seen from above",
        "Where a window is mirrored there is no picture, for as long as it is bright.", Source.Arithmetic);

    /// <summary>All of them, in the order of the catalogue.</summary>
    public static IReadOnlyList<FindingKind> All { get; } =
    [
        TooHigh, BehindFurniture, GapTooSmall, OutOfRoom, Covers, FireDevice, OverFireplace, TooSmall, TooNear, Protrudes, CentresDiffer, Glare, NotApproved,
    ];
}
