using Corrie.Core.Findings;

namespace Corrie.Core.WholePlan;

/// <summary>What can be wrong with a plan as a whole.</summary>
public static class WholePlanFindings
{
    /// <summary>The stage whose matter these are.</summary>
    public static readonly StageId Stage = new("plan", "Whole plan");

    /// <summary>All of them, in the order of the catalogue.</summary>
    public static IReadOnlyList<FindingKind> All { get; } = [];
}
