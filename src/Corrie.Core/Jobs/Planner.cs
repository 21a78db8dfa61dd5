using Corrie.Core.Consistency;
using Corrie.Core.Planning;

namespace Corrie.Core.Jobs;

/// <summary>Makes a job plan of a job sheet. The only place where anything is decided.</summary>
public static class Planner
{
    /// <summary>Plans a job: pure and deterministic. A sheet that lacks something gives as much of a plan as it allows.</summary>
    /// <param name="sheet">The sheet.</param>
    /// <param name="previous">The plan of an earlier sheet: what a change did not touch is taken over from it. The plan is the same with it and without.</param>
    /// <param name="budget">What the work may cost; null for that of one plan.</param>
    /// <returns>The plan.</returns>
    /// <exception cref="OverBudgetException">The sheet is more than is worked out at once.</exception>
    /// <exception cref="OperationCanceledException">Nobody waits for the plan any more.</exception>
    public static JobPlan Plan(JobSheet sheet, JobPlan? previous = null, WorkBudget? budget = null)
    {
        var builder = new HungPlan(sheet, previous, budget ?? new WorkBudget(WorkBudget.OfAPlan));
        Consistent.Check(builder);
        foreach (var stage in Stages.All.OfType<IEarlyStage>())
        {
            stage.Plan(builder);
        }

        foreach (var stage in Stages.All.OfType<IEarlyStage>())
        {
            stage.Settle(builder);
        }

        foreach (var stage in Stages.All.OfType<ILateStage>())
        {
            stage.Plan(builder);
        }

        return new(builder, Stages.All);
    }
}
