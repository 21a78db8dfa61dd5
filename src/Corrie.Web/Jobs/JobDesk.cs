using System.Globalization;
using System.Runtime.CompilerServices;
using System.Text.Json.Nodes;
using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Data;
using Corrie.Web.Access;

namespace Corrie.Web.Jobs;

/// <summary>A job as somebody opens it: its records, the sheet they fold into and the plan that follows.</summary>
/// <param name="Row">The job.</param>
/// <param name="Ledger">Its entries.</param>
/// <param name="Plan">Its plan.</param>
/// <param name="Problems">Parts of the sheet that had to be left out.</param>
public sealed record OpenJob(JobRow Row, Ledger Ledger, JobPlan Plan, IReadOnlyList<SheetProblem> Problems)
{
    /// <summary>Up to which entry what is shown holds, and when that was, for papers.</summary>
    public string AsOf => Said(Row);

    /// <summary>Up to which entry something holds that is shown of a job.</summary>
    public static string Said(JobRow row) => string.Create(CultureInfo.InvariantCulture, $"As of entry {row.Seq}, {row.MovedAt:d MMM yyyy HH:mm} UTC");
}

/// <summary>Opens jobs for people, and keeps what lists show of them up to date.</summary>
public static class JobDesk
{
    private const int MostPlans = 100;
    private static readonly ConditionalWeakTable<Company, RecentlyUsed<long, Planned>> Plans = [];
    private static readonly ConditionalWeakTable<Company, RecentlyUsed<long, JobRow>> Rows = [];

    /// <summary>A job that somebody may see; null where there is none.</summary>
    /// <exception cref="DamagedJobException">Its entries, sheet or plan cannot be read.</exception>
    public static OpenJob? Open(this CurrentUser user, long id)
    {
        // A job stays at its site: who may see it is known from any earlier row.
        var rows = Rows.GetValue(user.Company, _ => new(MostPlans));
        if ((rows.Find(id) ?? user.Company.Jobs.Find(id)) is not { } row || !user.Sees(row))
        {
            return null;
        }

        var open = Open(user.Company, row, user.Gone);
        if (open is not null)
        {
            rows.Set(id, open.Row);
        }

        return open;
    }

    /// <summary>A job of a company; null where it has no entries.</summary>
    /// <param name="company">The company.</param>
    /// <param name="row">What was read of the job; read again where the job has moved on since.</param>
    /// <param name="stop">Says that nobody waits for it any more.</param>
    /// <exception cref="DamagedJobException">Its entries, sheet or plan cannot be read.</exception>
    public static OpenJob? Open(Company company, JobRow row, CancellationToken stop = default)
    {
        if (company.Entries.Read(row.Id) is not { } ledger)
        {
            return null;
        }

        if (row.Seq != ledger.Seq)
        {
            row = company.Jobs.Find(row.Id) ?? row;
        }

        var planned = PlanOf(company, row.Id, ledger, stop);
        return new(row, ledger, planned.Plan, planned.Problems);
    }

    /// <summary>What the list knows of a job that somebody may see; null where there is none.</summary>
    public static JobRow? Find(this CurrentUser user, long id) => user.Company.Jobs.Find(id) is { } row && user.Sees(row) ? row : null;

    private static bool Sees(this CurrentUser user, JobRow row) => user.SiteId is not { } site || site == row.Site.Id;

    /// <summary>The plan of a job in a list; null where it cannot be made.</summary>
    public static JobPlan? PlanOrNothing(Company company, long id)
    {
        try
        {
            return company.Entries.Read(id) is { } ledger ? PlanOf(company, id, ledger).Plan : null;
        }
        catch (DamagedJobException)
        {
            // The list says so in words; it shows the job without its wall.
            return null;
        }
    }

    /// <summary>Brings the summaries of jobs that moved on up to date. A job that cannot be read is marked as damaged, and the others go on.</summary>
    /// <remarks>Who only looks does not fail for want of a disk to write on: the list is then of before.</remarks>
    public static void Refresh(Company company)
    {
        foreach (var id in company.Jobs.Stale(500))
        {
            try
            {
                Refresh(company, id);
            }
            catch (Exception e) when (StorageTrouble.Words(e) is not null)
            {
                return;
            }
        }
    }

    private static void Refresh(Company company, long id)
    {
        try
        {
            if (company.Entries.Read(id) is { } ledger)
            {
                var plan = PlanOf(company, id, ledger).Plan;
                company.Jobs.Summarise(id, JobSummaries.Of(ledger.Seq, plan), Used(ledger.Document));
            }
        }
        catch (DamagedJobException e)
        {
            company.Jobs.SetDamaged(id, e.Message);
        }
    }

    /// <summary>Sites by the name that a job document has; made where there is none.</summary>
    public static long SiteOf(Company company, JsonObject document)
    {
        var name = Pointer.Get(document, "/job/site")?.GetValue<string>().Trim() is { Length: > 0 } said ? said : "Imported";
        return company.Jobs.Sites().FirstOrDefault(s => s.Name == name)?.Id ?? company.Jobs.AddSite(name, string.Empty, string.Empty);
    }

    // What moved on is read and planned from where it was; the rest of the sheet and of the plan stays as it is.
    private static Planned PlanOf(Company company, long id, Ledger ledger, CancellationToken stop = default)
    {
        var plans = Plans.GetValue(company, _ => new(MostPlans));
        var known = plans.Find(id);
        if (known?.Seq == ledger.Seq)
        {
            return known;
        }

        try
        {
            var earlier = known is { Problems.Count: 0 } && known.Seq < ledger.Seq ? known : null;
            var (sheet, problems) = JobForm.Read(ledger.Document, earlier?.Plan.Sheet, earlier is null ? null : ledger.ChangedSince(earlier.Seq));
            var made = new Planned(ledger.Seq, Planner.Plan(sheet, known?.Plan, new(WorkBudget.OfAPlan, stop)), problems);
            plans.Set(id, made);
            return made;
        }
        catch (OverBudgetException e)
        {
            // Which of the entries were too many, people have to say.
            throw new DamagedJobException(id, e.Message, e);
        }
        catch (Exception e) when (e is not (OutOfMemoryException or OperationCanceledException))
        {
            var entry = EntryStore.FirstBad(ledger.Entries, entries => Planner.Plan(JobForm.Read(Ledger.Fold(entries).Document).Sheet));
            throw new DamagedJobException(id, $"Its sheet cannot be planned since entry {entry}: {e.Message}", e, entry);
        }
    }

    // Every copy of something from the catalogue says from where it was copied, wherever on the sheet it stands.
    private static HashSet<string> Used(JsonNode? node)
    {
        var used = new HashSet<string>();
        void Look(JsonNode? part)
        {
            foreach (var (name, value) in part as JsonObject ?? [])
            {
                if (name == Product.CatalogueKey && value is JsonValue key && key.TryGetValue<string>(out var id))
                {
                    used.Add(id);
                }
                else
                {
                    Look(value);
                }
            }
        }

        Look((node as JsonObject)?["items"]);
        return used;
    }

    private sealed record Planned(long Seq, JobPlan Plan, IReadOnlyList<SheetProblem> Problems);
}
