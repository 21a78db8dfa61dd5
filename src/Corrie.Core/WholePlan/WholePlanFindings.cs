using Corrie.Core.Findings;

namespace Corrie.Core.WholePlan;

/// <summary>What can be wrong with a plan as a whole.</summary>
public static class WholePlanFindings
{
    /// <summary>The stage whose matter these are.</summary>
    public static readonly StageId Stage = new("plan", "Whole plan");

    /// <summary>A value that nobody entered.</summary>
    public static readonly FindingKind Assumed = new(
        Stage, "plan.assumed", Severity.Stop, "Planned on a guess",
        "holes are planned, and a result that safety rests on rests on a value that nobody entered, or on a typical part that nobody has measured; a note where it does not, or no hole is planned",
        "What is usual is not what is there.", Source.CommonPractice, Severity.Note);

    /// <summary>A reference to what is gone.</summary>
    public static readonly FindingKind ItemLost = new(
        Stage, "plan.item-lost", Severity.Stop, "Refers to something that is gone",
        "a thing hangs on, or is centred on, what is not on the sheet, or in a ring; a caution where a seat or a thing is for it",
        "The plan then follows something else than was meant.", Source.Arithmetic, Severity.Caution);

    /// <summary>A part that is not in the plan.</summary>
    public static readonly FindingKind LeftOut = new(
        Stage, "plan.left-out", Severity.Stop, "Not in the plan",
        "a part of the sheet could not be read; a caution where it is of no wall, no thing and none of the company's figures",
        "What nobody planned with is there all the same.", Source.Arithmetic, Severity.Caution);

    /// <summary>A figure of the company's that is not usual.</summary>
    public static readonly FindingKind FigureUnusual = new(
        Stage, "plan.figure-unusual", Severity.Caution, "A figure of the company's is unusual",
        "a figure of safety of the company's is outside its usual range, or on the unsafe side of its floor, which counts then",
        "One figure takes stops away from every job that is planned with it.", Source.CommonPractice);

    /// <summary>All of them, in the order of the catalogue.</summary>
    public static IReadOnlyList<FindingKind> All { get; } = [Assumed, LeftOut, ItemLost, FigureUnusual];
}
