using System.Globalization;
using Corrie.Core.Format;
using Corrie.Core.Jobs;
using Corrie.Core.SiteDay;
using Corrie.Data;
using Corrie.Web.Access;
using Corrie.Web.Jobs;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Corrie.Web.Pages;

/// <summary>When a visit is, seen from today.</summary>
public enum MineWhen
{
    /// <summary>Today.</summary>
    Today,

    /// <summary>Later.</summary>
    Soon,

    /// <summary>In the week before.</summary>
    Before,

    /// <summary>Its day is not understood.</summary>
    Unclear,
}

/// <summary>A visit of somebody's.</summary>
/// <param name="Job">The job's key.</param>
/// <param name="Title">What the job is called.</param>
/// <param name="Place">Where it is.</param>
/// <param name="Visit">The visit.</param>
/// <param name="When">When it is.</param>
/// <param name="On">Its day in words.</param>
/// <param name="News">What others have changed since the reader last wrote there, latest first.</param>
public sealed record MineDay(long Job, string Title, string Place, Visit Visit, MineWhen When, string On, IReadOnlyList<string> News);

/// <summary>Something that is looked at again after a job, and is due soon.</summary>
/// <param name="Job">The job's key.</param>
/// <param name="Title">What the job is called.</param>
/// <param name="Says">What to do.</param>
/// <param name="On">When it is due; null where what was said of it is not understood.</param>
/// <param name="When">That in words.</param>
public sealed record CareDue(long Job, string Title, string Says, DateOnly? On, string When);

/// <summary>The visits of whoever reads, over all jobs, with what others have changed there.</summary>
[Authorize(nameof(Permission.EditJobs))]
public sealed class MineModel(CurrentUser user, TimeProvider time) : PageModel
{
    /// <summary>So many changes are told of a visit.</summary>
    public const int MostNews = 5;

    private const int DaysBefore = 7;
    private const int CareAhead = 30;
    private const int MostJobs = 200;

    /// <summary>Whose visits: <c>all</c> for everybody's.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Who { get; set; }

    /// <summary>Whether everybody's visits are shown.</summary>
    public bool All => Who == "all";

    /// <summary>The day that it is where the server stands.</summary>
    public DateOnly Today => DateOnly.FromDateTime(time.GetLocalNow().DateTime);

    /// <summary>The reader's name as visits may have it.</summary>
    public string Called => user.Name;

    /// <summary>The visits: today's, those to come, those of last week.</summary>
    public IReadOnlyList<MineDay> Days { get; private set; } = [];

    /// <summary>What is looked at again within the next weeks, or should have been, the earliest first.</summary>
    public IReadOnlyList<CareDue> Care { get; private set; } = [];

    /// <summary>Jobs of today, to be taken along.</summary>
    public IReadOnlyList<long> JobsToday => [.. Days.Where(d => d.When == MineWhen.Today).Select(d => d.Job).Distinct()];

    /// <summary>Collects them.</summary>
    public void OnGet()
    {
        Care = [.. AllCare().OrderBy(c => c.On).ThenBy(c => c.Title, StringComparer.OrdinalIgnoreCase)];
        var days = new List<(DateOnly? On, MineDay Day)>();
        var names = user.Company.People.All().ToDictionary(p => p.SignIn, p => p.Name);
        foreach (var job in user.Company.Entries.JobsThatSay(Visit.Part.Name).Take(MostJobs))
        {
            if (user.Find(job) is not { } row || Ledger(job) is not { } ledger)
            {
                continue;
            }

            foreach (var visit in JobForm.Read(ledger.Document).Sheet.Get(Visit.Part) ?? [])
            {
                var on = DayTime.Read(visit.On);
                if ((!All && !IsMine(visit)) || on < Today.AddDays(-DaysBefore))
                {
                    continue;
                }

                var when = on is null ? MineWhen.Unclear : on == Today ? MineWhen.Today : on > Today ? MineWhen.Soon : MineWhen.Before;
                days.Add((on, new(job, row.Summary.Title, string.Join(", ", new[] { row.Site.Name, row.Site.Address }.Where(t => t.Length > 0)), visit, when, on?.ToString("ddd d MMM", CultureInfo.InvariantCulture) ?? visit.On, News(ledger, names))));
            }
        }

        Days = [.. days.OrderBy(d => d.Day.When).ThenBy(d => d.Day.When == MineWhen.Before ? -(d.On?.DayNumber ?? 0) : d.On?.DayNumber ?? 0).ThenBy(d => d.Day.Title, StringComparer.OrdinalIgnoreCase).Select(d => d.Day)];
    }

    private IEnumerable<CareDue> AllCare()
    {
        foreach (var job in user.Company.Entries.JobsThatSay(Aftercare.Part.Name).Take(MostJobs))
        {
            if (user.Find(job) is { } row && Ledger(job) is { } ledger)
            {
                var sheet = JobForm.Read(ledger.Document).Sheet;
                foreach (var care in (sheet.Get(Aftercare.Part) ?? []).Where(c => c.Done.Length == 0))
                {
                    var on = care.Due(sheet);
                    if (on <= Today.AddDays(CareAhead) || (on is null && care.SaidDue.Trim().Length > 0))
                    {
                        yield return new(job, row.Summary.Title, care.Says, on, care.When(sheet, Today));
                    }
                }
            }
        }
    }

    // A damaged job says so in the list of jobs; here it has no visits.
    private Ledger? Ledger(long job)
    {
        try
        {
            return user.Company.Entries.Read(job);
        }
        catch (DamagedJobException)
        {
            return null;
        }
    }

    // By the whole name, the first one, or the one that is signed in with.
    private bool IsMine(Visit visit) => visit.People.Items.Any(p => new[] { user.Name, user.Name.Split(' ')[0], user.SignIn }.Contains(p, StringComparer.OrdinalIgnoreCase));

    private List<string> News(Ledger ledger, Dictionary<string, string> names)
    {
        var mine = ledger.Entries.LastOrDefault(e => e.Author == user.SignIn)?.Seq ?? 0;
        var style = user.Style(JobForm.Read(ledger.Document).Sheet.Head.Units);
        return
        [
            .. ledger.Entries.Where(e => e.Seq > mine && e.Author != user.SignIn && e.Path.Length > 0 && ledger.InForce(e)).Reverse()
                .Select(e => $"{names.GetValueOrDefault(e.Author, e.Author)}: {PathWords.Name(e.Path, ledger.Document, style)}{(e.Value is { } value ? ", " + PathWords.Value(value, style, e.Path) : " taken away")}, {Words.Ago(e.ReceivedAt, time.GetUtcNow())}"),
        ];
    }
}
