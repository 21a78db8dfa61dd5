using System.Runtime.CompilerServices;
using Corrie.Core.Jobs;
using Corrie.Core.Jobs.Entries;
using Corrie.Core.Jobs.Format;
using Corrie.Core.Measure;
using Corrie.Data;
using Corrie.Web.Access;

namespace Corrie.Web.Jobs;

/// <summary>A job as somebody opens it: its records, the sheet they fold into and the plan that follows.</summary>
/// <param name="Row">The job.</param>
/// <param name="Ledger">Its entries.</param>
/// <param name="Plan">Its plan.</param>
/// <param name="Problems">Parts of the sheet that had to be left out.</param>
public sealed record OpenJob(JobRow Row, Ledger Ledger, JobPlan Plan, IReadOnlyList<SheetProblem> Problems);

/// <summary>Opens jobs for readers, and keeps what lists show of them up to date.</summary>
public static class JobDesk
{
    // The plan of a ledger never changes: it is worked out once, and goes with it.
    private static readonly ConditionalWeakTable<Ledger, Tuple<JobPlan, IReadOnlyList<SheetProblem>>> Plans = [];

    /// <summary>A job that the reader may see; null where there is none.</summary>
    public static OpenJob? Open(this Reader reader, long id)
    {
        var row = reader.Company.Jobs.Find(id);
        if (row is null || (reader.SiteId is { } site && site != row.Site.Id) || reader.Company.Entries.Read(id) is not { } ledger)
        {
            return null;
        }

        var (plan, problems) = PlanOf(ledger);
        return new(row, ledger, plan, problems);
    }

    /// <summary>The plan of a ledger.</summary>
    public static (JobPlan Plan, IReadOnlyList<SheetProblem> Problems) PlanOf(Ledger ledger)
    {
        var pair = Plans.GetValue(ledger, l =>
        {
            var (sheet, problems) = SheetReader.Read(l.Document);
            return new(Planner.Plan(sheet), problems);
        });
        return (pair.Item1, pair.Item2);
    }

    /// <summary>Brings the summaries of jobs that moved on up to date.</summary>
    public static void Refresh(Company company)
    {
        foreach (var id in company.Jobs.Stale(500))
        {
            if (company.Entries.Read(id) is { } ledger)
            {
                company.Jobs.Summarise(id, Summary(ledger));
            }
        }
    }

    private static JobSummary Summary(Ledger ledger)
    {
        var plan = PlanOf(ledger).Plan;
        var stops = plan.Findings.Count(f => f.Stops);
        var next = plan.Next;
        var item = (string part) => Pointer.Get(ledger.Document, part + "/item")?.GetValue<string>() ?? string.Empty;
        return new(
            ledger.Seq,
            plan.Sheet.Head.Number,
            plan.Sheet.Head.Title,
            stops > 0 ? "stopped" : next is null ? "clear" : "open",
            stops,
            plan.Findings.Count(f => f.Severity == Core.Findings.Severity.Caution),
            next is null ? "Print the set-out" : next.State == StepState.Stopped ? $"{next.Step}: clear {Words.Count(next.Stops, "stop")}" : $"{next.Step}: {next.Says.Say(new LengthStyle(plan.Sheet.Head.Units))}",
            plan.Findings.Count > 0 && plan.Findings[0].Stops ? plan.Findings[0].Kind.Title : string.Empty,
            item("/display"),
            item("/mount"),
            item("/fixing/fastener"));
    }
}
