using System.Globalization;
using System.Text;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using Corrie.Data;
using Corrie.Web.Access;
using Corrie.Web.Jobs;
using CsvHelper;
using CsvHelper.Configuration;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Corrie.Web.Pages.Wall;

/// <summary>One line of a job's history.</summary>
/// <param name="Entry">The entry.</param>
/// <param name="Author">Who.</param>
/// <param name="What">What it is about.</param>
/// <param name="Before">What stood there before; null for nothing.</param>
/// <param name="After">What it was set to; null where it was taken away.</param>
/// <param name="InForce">Whether it has not been taken back.</param>
public sealed record HistoryLine(Entry Entry, string Author, string What, string? Before, string? After, bool InForce)
{
    /// <summary>Whether it waited on a device: what its clock said is another time than when it came.</summary>
    public bool Waited => (Entry.ReceivedAt - Entry.TakenAt).Duration() > TimeSpan.FromMinutes(2);

    /// <summary>Whether something was put where nothing was.</summary>
    public bool Puts => Before is null && After is not null;

    /// <summary>Whether what was there was taken away.</summary>
    public bool TakesAway => After is null;
}

/// <summary>An entry as it is exported.</summary>
/// <param name="Seq">Its place.</param>
/// <param name="Who">Who.</param>
/// <param name="OnDevice">When, by the device's clock.</param>
/// <param name="OnServer">When it came, by the server's.</param>
/// <param name="Device">From which device or page.</param>
/// <param name="Path">The part of the sheet.</param>
/// <param name="What">The same in words.</param>
/// <param name="Before">What it was before; empty for nothing.</param>
/// <param name="After">What it was set to; empty where it was taken away.</param>
/// <param name="Counts">Whether it counts, or was taken back.</param>
/// <param name="Submit">What was submitted with it at once.</param>
/// <param name="Id">Its id.</param>
public sealed record HistoryRecord(long Seq, string Who, string OnDevice, string OnServer, string Device, string Path, string What, string Before, string After, string Counts, string Submit, string Id);

/// <summary>What one person did without a long break: a visit, or a sitting at a desk.</summary>
/// <param name="Author">Who.</param>
/// <param name="Lines">What they did, latest first.</param>
public sealed record HistoryVisit(string Author, IReadOnlyList<HistoryLine> Lines)
{
    /// <summary>When it began.</summary>
    public DateTimeOffset From => Lines[^1].Entry.ReceivedAt;

    /// <summary>When it ended.</summary>
    public DateTimeOffset To => Lines[0].Entry.ReceivedAt;
}

/// <summary>Who changed what, when, and what it was before.</summary>
[Authorize(nameof(Permission.ReadJobs))]
public sealed class HistoryModel(CurrentUser user) : PageModel
{
    private const int Most = 100;
    private const int MostRaw = 1000;
    private static readonly TimeSpan Break = TimeSpan.FromHours(2);

    /// <summary>The job's key.</summary>
    [FromRoute]
    public long Id { get; set; }

    /// <summary>Shows what is older than this place in the job's entries; null for the latest.</summary>
    [BindProperty(SupportsGet = true)]
    public long? Before { get; set; }

    /// <summary>What the list knows of the job.</summary>
    public JobRow Row { get; private set; } = null!;

    /// <summary>The job; null where it is damaged.</summary>
    public OpenJob? Job { get; private set; }

    /// <summary>What is damaged; null where nothing is.</summary>
    public string? Damage { get; private set; }

    /// <summary>The place of the entry that does the damage; null where that is not known, or nothing is damaged.</summary>
    public long? Culprit { get; private set; }

    /// <summary>Whether the reader may set an entry of a damaged job aside.</summary>
    public bool MayMend => user.May(Permission.MendJobs);

    /// <summary>Whether the reader may take the history with them.</summary>
    public bool MayExport => user.May(Permission.EditJobs);

    /// <summary>Why nothing was set aside; null where nothing was wrong.</summary>
    public string? Refused { get; private set; }

    /// <summary>The entries of a damaged job as they lie in the file, latest first.</summary>
    public IReadOnlyList<RawEntry> Raw { get; private set; } = [];

    /// <summary>Some entries, latest first.</summary>
    public IReadOnlyList<HistoryLine> Lines { get; private set; } = [];

    /// <summary>The same, by visit and person.</summary>
    public IEnumerable<HistoryVisit> Visits
    {
        get
        {
            List<HistoryLine> visit = [];
            foreach (var line in Lines)
            {
                if (visit.Count > 0 && (visit[^1].Author != line.Author || visit[^1].Entry.ReceivedAt - line.Entry.ReceivedAt > Break))
                {
                    yield return new(visit[0].Author, visit);
                    visit = [];
                }

                visit.Add(line);
            }

            if (visit.Count > 0)
            {
                yield return new(visit[0].Author, visit);
            }
        }
    }

    /// <summary>Shows the history.</summary>
    public IActionResult OnGet() => Show();

    /// <summary>The whole history as a table: who, when by the device and by the server, what, and what it was before.</summary>
    public IActionResult OnGetCsv()
    {
        if (Refusal() is { } refusal)
        {
            return refusal;
        }

        using var writer = new StringWriter();
        // What begins like a formula is no formula in whatever opens the table.
        using (var csv = new CsvWriter(writer, new CsvConfiguration(CultureInfo.InvariantCulture) { NewLine = "\r\n", InjectionOptions = InjectionOptions.Escape }))
        {
            csv.WriteRecords(Records());
        }

        return File(Encoding.UTF8.GetPreamble().Concat(Encoding.UTF8.GetBytes(writer.ToString())).ToArray(), "text/csv; charset=utf-8", $"history-{Id}.csv");
    }

    /// <summary>The same as JSON.</summary>
    public IActionResult OnGetJson() => Refusal() ?? new JsonResult(Records());

    /// <summary>Sets aside an entry of a damaged job; where the job can be read, or the entry is not there, nothing happens but words.</summary>
    public async Task<IActionResult> OnPostSetAsideAsync(long seq)
    {
        if (!MayMend || user.Find(Id) is null)
        {
            return MayMend ? NotFound() : Forbid();
        }

        if (Show() is not PageResult shown)
        {
            return NotFound();
        }

        Refused = Damage is null ? "This job can be read: nothing of it is set aside."
            : await user.Company.Entries.SetAside(Id, user.SignIn, "page", seq) ? null
            : $"Entry {seq} is not there, or set aside already.";
        if (Refused is null)
        {
            return Redirect($"/jobs/{Id}/history");
        }

        Response.StatusCode = StatusCodes.Status409Conflict;
        return shown;
    }

    /// <summary>What an entry takes back or does again, in words.</summary>
    public string Undone(Entry entry)
    {
        var undone = Job!.Ledger.Entries.FirstOrDefault(e => e.Batch == entry.Undoes);
        var again = false;
        // Who takes back what took something back does it again.
        while (undone is { Undoes: { } further })
        {
            undone = Job.Ledger.Entries.FirstOrDefault(e => e.Batch == further);
            again = !again;
        }

        return (again ? "did again: " : "took back: ") + (undone is null ? "a change" : PathWords.Name(undone.Path, Job.Ledger.Document, user.Style(Job.Plan.Sheet.Head.Units)));
    }

    private IActionResult? Refusal() => !user.May(Permission.EditJobs) ? Forbid() : Show() is not PageResult ? NotFound() : Damage is not null ? StatusCode(StatusCodes.Status409Conflict) : null;

    private IEnumerable<HistoryRecord> Records()
    {
        var names = user.Company.People.All().ToDictionary(p => p.SignIn, p => p.Name);
        var style = user.Style(Job!.Plan.Sheet.Head.Units);
        return Job.Ledger.Entries.Select(e => LineOf(Job, e, names, style)).Select(l => new HistoryRecord(
            l.Entry.Seq, l.Author, l.Entry.TakenAt.UtcDateTime.ToString("O", CultureInfo.InvariantCulture), l.Entry.ReceivedAt.UtcDateTime.ToString("O", CultureInfo.InvariantCulture), l.Entry.Device, l.Entry.Path,
            l.Entry.Undoes is not null ? Undone(l.Entry) : l.What, l.Before ?? string.Empty, l.After ?? string.Empty, l.InForce ? "yes" : "taken back", l.Entry.Batch, l.Entry.Id));
    }

    private static HistoryLine LineOf(OpenJob job, Entry e, Dictionary<string, string> names, LengthStyle style) => new(
        e,
        names.GetValueOrDefault(e.Author, e.Author),
        PathWords.Name(e.Path, job.Ledger.Document, style),
        e.Undoes is null && e.Path.Length > 0 && job.Ledger.Before(e) is { } before ? PathWords.Value(before, style, e.Path, job.Plan) : null,
        e.Value is { } value ? PathWords.Value(value, style, e.Path, job.Plan) : null,
        job.Ledger.InForce(e));

    private IActionResult Show()
    {
        if (user.Find(Id) is not { } row)
        {
            return NotFound();
        }

        Row = row;
        OpenJob job;
        try
        {
            if (user.Open(Id) is not { } opened)
            {
                return NotFound();
            }

            job = opened;
        }
        catch (DamagedJobException e)
        {
            (Damage, Culprit, Raw) = (e.Message, e.Entry, user.Company.Entries.ReadRaw(Id, MostRaw));
            return Page();
        }

        Job = job;
        var style = user.Style(job.Plan.Sheet.Head.Units);
        var names = user.Company.People.All().ToDictionary(p => p.SignIn, p => p.Name);
        Lines = [.. job.Ledger.Entries.Reverse().SkipWhile(e => e.Seq >= Before).Take(Most).Select(e => LineOf(job, e, names, style))];
        return Page();
    }
}
