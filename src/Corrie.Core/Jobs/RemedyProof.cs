using System.Text.Json.Nodes;
using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Placement;
using Corrie.Core.Planning;

namespace Corrie.Core.Jobs;

/// <summary>Plans with a remedy before it is offered: when somebody looks, and never while a plan is made.</summary>
public static class RemedyProof
{
    private static readonly Result<Offered> Result = new("remedies that do what they say");

    /// <summary>
    /// The remedies of a finding that do what they say: with them the finding is gone or milder, and no stop has come that was not there. One stop
    /// may come, and is said: whoever moves a display needs the client's consent anew.
    /// </summary>
    /// <param name="document">The job's document.</param>
    /// <param name="plan">Its plan.</param>
    /// <param name="finding">A finding of that plan.</param>
    /// <returns>The remedies, in their order; kept with the plan.</returns>
    public static IReadOnlyList<Remedy> Proven(JsonObject document, JobPlan plan, Finding finding) => finding.Remedies.Count == 0 ? []
        : plan.Later(Result, $"{finding.Code} {finding.Where.Wall} {finding.Where.Part}", () => Prove(document, plan, finding)).Remedies;

    private static Offered Prove(JsonObject document, JobPlan plan, Finding finding)
    {
        var unread = JobForm.Read(document).Problems.Count;
        return new([.. finding.Remedies.Select(r => Prove(document, unread, plan, finding, r)).OfType<Remedy>()]);
    }

    private static Remedy? Prove(JsonObject document, int unread, JobPlan plan, Finding finding, Remedy remedy)
    {
        var after = (JsonObject)document.DeepClone();
        foreach (var change in remedy.Changes)
        {
            Pointer.Set(after, change.Path, change.Value?.DeepClone());
        }

        // Read anew: what could not be read before has been left out of the plan, and must not be met again on the way.
        var (sheet, problems) = JobForm.Read(after);
        if (problems.Count > unread)
        {
            return null;
        }

        var then = Planner.Plan(sheet, plan);
        if (then.Findings.Any(f => f.Code == finding.Code && f.Where.Part == finding.Where.Part && f.Severity <= finding.Severity))
        {
            return null;
        }

        var before = plan.Findings.Where(f => f.Stops).Select(f => (f.Code, f.Where.Part)).ToHashSet();
        var come = then.Findings.Where(f => f.Stops && !before.Contains((f.Code, f.Where.Part))).Select(f => f.Kind).Distinct().ToList();
        return come.Count == 0 ? remedy
            : come is [var only] && only == PlacementFindings.NotApproved ? remedy with { Effect = Phrase.Of($"{remedy.Effect}; the client has to consent again") }
            : null;
    }

    private sealed record Offered(IReadOnlyList<Remedy> Remedies);
}
