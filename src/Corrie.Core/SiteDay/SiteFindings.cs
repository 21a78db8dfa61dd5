using Corrie.Core.Findings;

namespace Corrie.Core.SiteDay;

/// <summary>What can be wrong with what has been made on site.</summary>
public static class SiteFindings
{
    /// <summary>The stage whose matter these are.</summary>
    public static readonly StageId Stage = new("site", "Site day");

    /// <summary>Out of level.</summary>
    public static readonly FindingKind Level = new(
        Stage, "site.level", Severity.Caution, "Out of level",
        "holes of one row, the plate or the display slope by over 1/8 in over the display's width",
        "A display is seen as crooked from about 1/8 in over its width.", Source.CommonPractice);

    /// <summary>Off its place.</summary>
    public static readonly FindingKind Centre = new(
        Stage, "site.centre", Severity.Caution, "Off the place that was agreed",
        "what is in the wall, or was measured on the display, puts its centre over 1/8 in from where it is wanted",
        "Centre marks are kept within 1/8 in, and the client agreed to a place.", Source.CommonPractice);

    /// <summary>A hold point that was passed.</summary>
    public static readonly FindingKind HoldPoint = new(
        Stage, "site.hold-point", Severity.Stop, "Hold point passed without evidence",
        "a bolt is in a member that is not confirmed, a second one although nobody has held a level to the plate after the first, or the display hangs and not all bolts are in",
        "What was not looked at then cannot be seen any more.", Source.CommonPractice);

    /// <summary>No proof pull.</summary>
    public static readonly FindingKind ProofMissing = new(
        Stage, "site.proof-missing", Severity.Stop, "Proof pull missing",
        "the display hangs, and no pull at the plate is recorded that held with a quarter more than what hangs for a minute",
        "It shows that every bolt sits before the load does. It proves shear and seating, and not tension: that rests on the calculation.", Source.CommonPractice);

    /// <summary>A check that fails.</summary>
    public static readonly FindingKind CheckFails = new(
        Stage, "site.check-fails", Severity.Stop, "Check dimension does not fit",
        "check dimensions between the marks are farther off than tapes are, which are good to 1/32 in",
        "A tape was misread, and the next hole would be in the wrong place.", Source.CommonPractice);

    /// <summary>A hole that the plate does not go over.</summary>
    public static readonly FindingKind HoleUnused = new(
        Stage, "site.hole-beside", Severity.Stop, "A hole that the plate does not go over",
        "no place of the plate brings its holes over all holes that hold",
        "A bolt is in the wall that the plate cannot be put on.", Source.Arithmetic);

    /// <summary>Too few people for the lift.</summary>
    public static readonly FindingKind Lift = new(
        Stage, "site.lift", Severity.Stop, "Too few people for the lift",
        "nobody has put as many people on an install visit as it takes to lift a display, a bar, a board or a plate to its place, or a platform or a lifting machine where it takes that; each lift by itself",
        "A back is hurt, or the display falls.", Source.Published("NIOSH 94-110, HSE INDG143"));

    /// <summary>A lift from where one stands badly.</summary>
    public static readonly FindingKind Footing = new(
        Stage, "site.footing", Severity.Stop, "No firm footing for the lift",
        "a lift in a corner, from a ladder, over furniture, on covers, soft, sloping or wet ground, or up stairs with turns, without one more person for each, or a platform (own rule)",
        "Who slips lets go, and the others hold all of it.", Source.CommonPractice);

    /// <summary>An earlier install that nobody has looked at.</summary>
    public static readonly FindingKind Earlier = new(
        Stage, "site.earlier-install", Severity.Stop, "Earlier install not shown to hold",
        "a mount that somebody else put up is used again, and nobody has seen it held by members with nothing moving",
        "What hangs on anchors in the board falls when it is touched.", Source.CommonPractice);

    /// <summary>Never powered on before it hung.</summary>
    public static readonly FindingKind NotTested = new(
        Stage, "site.not-tested-on-receipt", Severity.Caution, "Not powered on before it was hung",
        "a display hangs, and nobody has powered it on while it could still be returned",
        "A dead display is found on the wall, after the day for returns.", Source.CommonPractice);

    /// <summary>Parts that are missing.</summary>
    public static readonly FindingKind PartsMissing = new(
        Stage, "site.parts-missing", Severity.Stop, "Parts are missing",
        "something was not in its box, does not work, or is the client's and not there",
        "The day ends with half an install.", Source.CommonPractice);

    /// <summary>Done in the wrong order.</summary>
    public static readonly FindingKind Order = new(
        Stage, "site.order", Severity.Stop, "Done in the wrong order",
        "the first hole is made before plate and boxes are laid out together, or a wall is closed before its photo or its inspection; a caution where a display hangs before its power is in",
        "What is behind cannot be reached or looked at any more.", Source.CommonPractice, Severity.Caution);

    /// <summary>Extra work that nobody approved.</summary>
    public static readonly FindingKind ChangeNotApproved = new(
        Stage, "site.change-not-approved", Severity.Stop, "Extra work not approved",
        "work beyond what was agreed has begun, and the client has not approved it by name",
        "Nobody pays for it, and nobody wanted it.", Source.CommonPractice, Severity.Caution);

    /// <summary>An incident that is not closed.</summary>
    public static readonly FindingKind IncidentOpen = new(
        Stage, "site.incident-open", Severity.Stop, "Incident not looked into",
        "a shock, a drop or a near miss is on record without its cause, or without what was checked after it",
        "It happens again, with somebody under it.", Source.CommonPractice);

    /// <summary>What is not dry yet.</summary>
    public static readonly FindingKind DryTime = new(
        Stage, "site.dry-time", Severity.Stop, "Not dry before the next visit",
        "a visit that goes on at a wall begins before its paint, filler, plaster or adhesive is dry; a caution where nobody can tell",
        "What hangs on wet adhesive slides, and a plate pulls wet filler off with it.", Source.CommonPractice, Severity.Caution);

    /// <summary>Dates that cannot be.</summary>
    public static readonly FindingKind Dates = new(
        Stage, "site.dates", Severity.Stop, "Dates that cannot be",
        "a visit's day is none, or could be read as another one; the electrician comes after the display, the install before the survey or after the hand-over; what the client supplies comes after the last install visit",
        "Somebody stands before a locked door, or before a wall that is not ready.", Source.Arithmetic);

    /// <summary>All of them, in the order of the catalogue.</summary>
    public static IReadOnlyList<FindingKind> All { get; } = [HoleUnused, HoldPoint, CheckFails, ProofMissing, Level, Centre, Lift, Footing, Earlier, NotTested, PartsMissing, Order, DryTime, ChangeNotApproved, IncidentOpen, Dates];
}
