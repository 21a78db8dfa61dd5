using System.Text.Json.Nodes;
using Corrie.Core.Findings;
using Corrie.Core.Jobs;
using Corrie.Core.Jobs.Entries;
using Corrie.Core.Jobs.Format;
using Corrie.Core.Measure;
using Corrie.Data;
using Corrie.Web.Access;
using Corrie.Web.Drawing;
using Corrie.Web.Jobs;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.Filters;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.AspNetCore.OutputCaching;

namespace Corrie.Web.Pages.Wall;

/// <summary>A job: its wall, and the questions of one step beside it. Every press appends entries and shows the wall anew.</summary>
[Authorize(nameof(Permission.ReadJobs))]
[OutputCache(PolicyName = WallCache.Policy)]
public sealed partial class IndexModel(Reader reader, TimeProvider time) : PageModel
{
    /// <summary>The job's key.</summary>
    [BindProperty(SupportsGet = true)]
    public long Id { get; set; }

    /// <summary>The step whose questions are shown.</summary>
    [BindProperty(SupportsGet = true, Name = "step")]
    public string StepName { get; set; } = "place";

    /// <summary>Which way to look.</summary>
    [BindProperty(SupportsGet = true, Name = "view")]
    public string ViewName { get; set; } = "front";

    /// <summary>The last entry that the page had when something was done on it.</summary>
    [BindProperty]
    public long Seen { get; set; } = long.MaxValue;

    /// <summary>Who reads.</summary>
    public Reader Reader => reader;

    /// <summary>The job.</summary>
    public OpenJob Job { get; private set; } = null!;

    /// <summary>What was wrong with something typed.</summary>
    public FieldProblem? Problem { get; private set; }

    /// <summary>The step.</summary>
    public Step Step => Enum.TryParse<Step>(StepName, ignoreCase: true, out var step) ? step : Step.Place;

    /// <summary>The view.</summary>
    public WallView View => Enum.TryParse<WallView>(ViewName, ignoreCase: true, out var view) ? view : WallView.Front;

    /// <summary>The plan.</summary>
    public JobPlan Plan => Job.Plan;

    /// <summary>The sheet.</summary>
    public JobSheet Sheet => Plan.Sheet;

    /// <summary>The document.</summary>
    public JsonObject Document => Job.Ledger.Document;

    /// <summary>The reader's units.</summary>
    public LengthStyle Style => reader.Style(Sheet.Head.Units);

    /// <summary>Whether the reader may change the sheet.</summary>
    public bool Edits => reader.May(Permission.EditJobs);

    /// <summary>Names of people by the name that they sign in with.</summary>
    public IReadOnlyDictionary<string, string> Names { get; private set; } = new Dictionary<string, string>();

    /// <summary>What the reader may take back next.</summary>
    public Entry? Undoable => Edits ? Job.Ledger.LastToUndo(reader.SignIn, reader.May(Permission.UndoOthers)) : null;

    /// <summary>What the reader may do again.</summary>
    public Entry? Redoable => Edits ? Job.Ledger.LastToRedo(reader.SignIn, reader.May(Permission.UndoOthers)) : null;

    /// <summary>Items of the catalogue.</summary>
    public IReadOnlyList<(string Id, string Name)> Items(string kind) => reader.Company.Catalogue.Names(kind);

    /// <summary>A question about a part of the sheet.</summary>
    public Field Field(string path, string label, IReadOnlyList<(string Key, string Words)>? choices = null, string? placeholder = null) =>
        Corrie.Web.Jobs.Field.Of(Document, path, label, Style, Problem, choices, placeholder);

    /// <summary>The address of this job at a step and view.</summary>
    public string At(Step step, WallView view, string? handler = null) =>
        $"/jobs/{Id}/{step.Word()}?view={view.Word()}{(handler is null ? string.Empty : "&handler=" + handler)}";

    /// <summary>The address to which a press is sent.</summary>
    public string To(string handler) => At(Step, View, handler);

    /// <summary>How long ago something was.</summary>
    public string Ago(DateTimeOffset at) => (time.GetUtcNow() - at) switch
    {
        { TotalMinutes: < 1 } => "just now",
        { TotalHours: < 1 } span => $"{span.TotalMinutes:0} min ago",
        { TotalDays: < 1 } span => $"{span.TotalHours:0} h ago",
        { } span => $"{span.TotalDays:0} d ago",
    };

    /// <inheritdoc/>
    public override void OnPageHandlerExecuting(PageHandlerExecutingContext context)
    {
        if (reader.Open(Id) is not { } job)
        {
            context.Result = NotFound();
            return;
        }

        Job = job;
        if (HttpMethods.IsPost(Request.Method) && !Edits)
        {
            context.Result = Forbid();
            return;
        }

        // What people type is taken as text and answered in words; what the forms themselves send is either there or was made by hand.
        if (HttpMethods.IsPost(Request.Method) && !ModelState.IsValid)
        {
            context.Result = BadRequest();
            return;
        }

        Names = reader.Company.People.All().ToDictionary(p => p.SignIn, p => p.Name);
    }

    /// <summary>Shows the page.</summary>
    public void OnGet()
    {
    }

    /// <summary>Shows the board alone, for a page that is open.</summary>
    public IActionResult OnGetBoard() => Partial("_Board", this);

    /// <summary>What was typed into a form that adds something, kept when it was refused.</summary>
    public string Kept(string map, string name) =>
        Problem is { } p && p.Path.StartsWith(map + "/new/", StringComparison.Ordinal) ? Request.Form[name].ToString() : string.Empty;

    /// <summary>What was typed into a form that was refused.</summary>
    public string Typed(string name) => Request.HasFormContentType ? Request.Form[name].ToString() : string.Empty;

    private string Exact(Length length) => LengthText.Exact(length, Sheet.Head.Units);

    private static string Key() => Guid.NewGuid().ToString("N")[..6];

    private async Task<IActionResult> TakeBack(Entry last)
    {
        await reader.Company.Entries.Append(Id, reader.SignIn, "page", [new(Guid.NewGuid().ToString("N"), string.Empty, null, [], last.Batch)]);
        return await Again();
    }

    private async Task<IActionResult> Append(IReadOnlyList<Change> changes)
    {
        var seqOf = Job.Ledger.Entries.ToDictionary(e => e.Id, e => e.Seq);
        var entries = changes
            .Where(c => !JsonNode.DeepEquals(Pointer.Get(Document, c.Path), c.Value) || Job.Ledger.HoldersOf(c.Path).Count > 1)
            .Select(c => new NewEntry(
                Guid.NewGuid().ToString("N"), c.Path, c.Value?.DeepClone(), [.. Job.Ledger.HoldersOf(c.Path).Where(h => seqOf[h] <= Seen)]))
            .ToList();
        if (entries.Count > 0)
        {
            await reader.Company.Entries.Append(Id, reader.SignIn, "page", entries);
        }

        return await Again();
    }

    private IActionResult Refuse(string path, string typed, string words)
    {
        Problem = new(path, typed, words);
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Show();
    }

    private Task<IActionResult> Again()
    {
        if (!Request.Headers.ContainsKey("HX-Request"))
        {
            return Task.FromResult<IActionResult>(Redirect(At(Step, View)));
        }

        Job = reader.Open(Id)!;
        return Task.FromResult(Show());
    }

    private IActionResult Show() => Request.Headers.ContainsKey("HX-Request") ? Partial("_Board", this) : Page();
}
