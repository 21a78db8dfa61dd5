using Corrie.Core.Findings;
using Corrie.Core.Measure;
using Corrie.Core.Planning;

namespace Corrie.Data;

/// <summary>Makes what lists show of a job from its plan.</summary>
public static class JobSummaries
{
    /// <summary>What a list shows of a job.</summary>
    /// <param name="seq">The last entry that the plan takes in.</param>
    /// <param name="plan">The job's plan.</param>
    /// <returns>The summary.</returns>
    public static JobSummary Of(long seq, JobPlan plan)
    {
        var stops = plan.Findings.Count(f => f.Stops);
        var next = plan.Next;
        return new(
            seq,
            plan.Sheet.Head.Number,
            plan.Sheet.Head.Title,
            plan.Sheet.Head.Archived ? JobSummary.Archived : stops > 0 ? "stopped" : next is null ? "clear" : "open",
            stops,
            plan.Findings.Count(f => f.Severity == Severity.Caution),
            next is null ? "Print the set-out"
                : next.State == StageState.Stopped ? $"{next.Stage.Id.Title}: clear {next.Stops} {(next.Stops == 1 ? "stop" : "stops")}"
                : $"{next.Stage.Id.Title}: {next.Says.Say(new LengthStyle(plan.Sheet.Head.Units))}",
            plan.Findings.Count > 0 && plan.Findings[0].Stops ? plan.Findings[0].Kind.Title : string.Empty);
    }
}
