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

    /// <summary>All of them, in the order of the catalogue.</summary>
    public static IReadOnlyList<FindingKind> All { get; } = [HoleUnused, HoldPoint, CheckFails, ProofMissing, Level, Centre];
}
