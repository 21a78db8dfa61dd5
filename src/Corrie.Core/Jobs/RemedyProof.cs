using System.Text.Json.Nodes;
using Corrie.Core.Findings;
using Corrie.Core.Fixing;
using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;

namespace Corrie.Core.Jobs;

/// <summary>Plans with a remedy before it is offered: when somebody looks, and never while a plan is made.</summary>
public static class RemedyProof
{
    // What trying all remedies of one plan may cost: some dozens of usual plans, and a handful of the largest.
    private const long StepsOfAll = WorkBudget.OfAPlan / 2;
    private const long StepsOfReading = 500_000;

    private static readonly Result<Offered> Result = new("remedies that do what they say");
    private static readonly Result<Said> Changed = new("what changes would bring");
    private static readonly Result<WorkBudget> Trying = new("what trying them has cost");

    /// <summary>
    /// The remedies of a finding that do what they say: with them the finding is gone or milder, and no stop has come that was not there. One stop
    /// may come, and is said: whoever moves a display needs the client's consent anew.
    /// </summary>
    /// <param name="document">The job's document.</param>
    /// <param name="plan">Its plan.</param>
    /// <param name="finding">A finding of that plan.</param>
    /// <returns>The remedies, in their order; kept with the plan.</returns>
    public static IReadOnlyList<Remedy> Proven(JsonObject document, JobPlan plan, Finding finding) => Offers(document, plan, finding).Remedies;

    /// <summary>Whether a finding may have remedies that were not tried, since the job is so large that trying all would take too long.</summary>
    /// <param name="document">The job's document.</param>
    /// <param name="plan">Its plan.</param>
    /// <param name="finding">A finding of that plan.</param>
    /// <returns>Whether it may.</returns>
    public static bool Untried(JsonObject document, JobPlan plan, Finding finding) => Offers(document, plan, finding).Untried;

    /// <summary>All that a change would make different.</summary>
    /// <param name="document">The job's document.</param>
    /// <param name="plan">Its plan.</param>
    /// <param name="change">The change.</param>
    /// <returns>What it brings, kept with the plan; null where the document could not be read with it, or planning it would take too long.</returns>
    public static RemedyOutcome? Brings(JsonObject document, JobPlan plan, Change change) => plan.Later(Changed, $"{change.Path} {change.Value?.ToJsonString()}", () =>
    {
        try
        {
            var (sheet, problems) = JobForm.Read(With(document, [change]));
            return new Said(problems.Count > JobForm.Read(document).Problems.Count ? null : Outcome(plan, Planner.Plan(sheet, plan, plan.Later(Trying, string.Empty, () => new WorkBudget(StepsOfAll)))));
        }
        catch (OverBudgetException)
        {
            return new Said(null);
        }
    }).Brings;

    private static JsonObject With(JsonObject document, IReadOnlyList<Change> changes)
    {
        var after = (JsonObject)document.DeepClone();
        foreach (var change in changes)
        {
            Pointer.Set(after, change.Path, change.Value?.DeepClone());
        }

        return after;
    }

    private static Offered Offers(JsonObject document, JobPlan plan, Finding finding) => finding.Remedies.Count == 0 ? Offered.Nothing
        : plan.Later(Result, $"{finding.Code} {finding.Where.Wall} {finding.Where.Part}", () => Prove(document, plan, finding));

    private static Offered Prove(JsonObject document, JobPlan plan, Finding finding)
    {
        var unread = JobForm.Read(document).Problems.Count;
        var budget = plan.Later(Trying, string.Empty, () => new WorkBudget(StepsOfAll));
        var proven = new List<Remedy>();
        try
        {
            foreach (var remedy in finding.Remedies)
            {
                budget.Spend(StepsOfReading);
                if (Prove(document, unread, plan, finding, remedy, budget) is { } good)
                {
                    proven.Add(good);
                }
            }

            return new(proven, Untried: false);
        }
        catch (OverBudgetException)
        {
            // Whoever shows the finding says that there may be more.
            return new(proven, Untried: true);
        }
    }

    private static Remedy? Prove(JsonObject document, int unread, JobPlan plan, Finding finding, Remedy remedy, WorkBudget budget)
    {
        // Read anew: what could not be read before has been left out of the plan, and must not be met again on the way.
        var (sheet, problems) = JobForm.Read(With(document, remedy.Changes));
        if (problems.Count > unread)
        {
            return null;
        }

        var then = Planner.Plan(sheet, plan, budget);
        if (then.Findings.Any(f => f.Code == finding.Code && f.Where.Part == finding.Where.Part && f.Severity <= finding.Severity))
        {
            return null;
        }

        var before = plan.Findings.Where(f => f.Stops).Select(f => (f.Code, f.Where.Part)).ToHashSet();
        var come = then.Findings.Where(f => f.Stops && !before.Contains((f.Code, f.Where.Part))).Select(f => f.Kind).Distinct().ToList();
        var brings = Outcome(plan, then);
        return come.Count == 0 ? remedy with { Brings = brings }
            : come is [var only] && only == PlacementFindings.NotApproved ? remedy with { Effect = Phrase.Of($"{remedy.Effect}; the client has to consent again"), Brings = brings }
            : null;
    }

    /// <summary>Everything that is different in another plan of the same job, so that nobody is surprised by it.</summary>
    /// <param name="before">The plan.</param>
    /// <param name="after">The other.</param>
    /// <returns>What goes, comes and moves.</returns>
    public static RemedyOutcome Outcome(JobPlan before, JobPlan after)
    {
        static Dictionary<(string, string), FindingKind> Said(JobPlan plan) => plan.Findings.GroupBy(f => (f.Code, f.Where.Part)).ToDictionary(g => g.Key, g => g.First().Kind);
        static IReadOnlyList<FindingKind> Only(Dictionary<(string, string), FindingKind> these, Dictionary<(string, string), FindingKind> those) =>
            [.. these.Where(s => !those.ContainsKey(s.Key)).Select(s => s.Value)];
        var (was, becomes) = (Said(before), Said(after));
        var moved = new List<Phrase>();
        foreach (var item in before.Sheet.Items)
        {
            if (before.Placement(item.Id) is { } from && after.Placement(item.Id) is { } to && from.Outer != to.Outer)
            {
                var (up, right) = (to.Outer.Bottom - from.Outer.Bottom, to.Outer.CentreX - from.Outer.CentreX);
                Phrase how = item.Name + ":";
                if (up != Length.Zero)
                {
                    how.AppendFormatted($" {up.Abs} {(up > Length.Zero ? "up" : "down")}");
                }

                if (right != Length.Zero)
                {
                    how.AppendFormatted($" {right.Abs} to the {right.Side()}");
                }

                if (from.Outer.Height != to.Outer.Height)
                {
                    how.AppendFormatted($" {to.Outer.Height} high instead of {from.Outer.Height}");
                }

                if (from.Outer.Width != to.Outer.Width)
                {
                    how.AppendFormatted($" {to.Outer.Width} wide instead of {from.Outer.Width}");
                }

                moved.Add(how);
            }
        }

        static HashSet<(string, Length, Length)> Holes(JobPlan plan) => [.. plan.Sheet.Items.SelectMany(i => plan.Fixing(i.Id)?.Bolts.Select(b => (i.Id, b.X, b.Y)) ?? [])];
        return new(Only(was, becomes), Only(becomes, was), moved, Holes(after).Except(Holes(before)).Count());
    }

    private sealed record Said(RemedyOutcome? Brings);

    private sealed record Offered(IReadOnlyList<Remedy> Remedies, bool Untried)
    {
        public static Offered Nothing { get; } = new([], Untried: false);
    }
}
