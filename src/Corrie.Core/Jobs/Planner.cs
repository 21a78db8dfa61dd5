using Corrie.Core.Planning;

namespace Corrie.Core.Jobs;

/// <summary>Makes a job plan of a job sheet. The only place where anything is decided.</summary>
public static class Planner
{
    /// <summary>Plans a job: pure and deterministic. A sheet that lacks something gives as much of a plan as it allows.</summary>
    /// <param name="sheet">The sheet.</param>
    /// <param name="previous">The plan of an earlier sheet: what a change did not touch is taken over from it. The plan is the same with it and without.</param>
    /// <returns>The plan.</returns>
    public static JobPlan Plan(JobSheet sheet, JobPlan? previous = null)
    {
        var builder = new PlanBuilder(sheet, previous);
        foreach (var stage in Stages.All)
        {
            stage.Plan(builder);
        }

        return new(builder, Stages.All);
    }
}
