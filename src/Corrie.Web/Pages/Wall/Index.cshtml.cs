using System.Text.Json.Nodes;
using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;
using Corrie.Core.Survey;
using Corrie.Data;
using Corrie.Web.Access;
using Corrie.Web.Drawing;
using Corrie.Web.Forms;
using Corrie.Web.Jobs;
using Corrie.Web.Stages;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Html;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.Filters;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.AspNetCore.Mvc.Rendering;
using Microsoft.AspNetCore.OutputCaching;
using Microsoft.AspNetCore.WebUtilities;

namespace Corrie.Web.Pages.Wall;

/// <summary>A job: one of its walls, and the questions of one step beside it. Every submit appends entries and shows the wall anew.</summary>
[Authorize(nameof(Permission.ReadJobs))]
[OutputCache(PolicyName = WallCache.Policy)]
public sealed partial class IndexModel(CurrentUser user, TimeProvider time, FormToken token, BoardPieces pieces) : PageModel
{
    /// <summary>The piece of a board that is another one from every side.</summary>
    public const string WallPiece = "_WallPane";

    private readonly Dictionary<string, FieldProblem> problems = [];

    /// <summary>The job's key.</summary>
    [FromRoute]
    public long Id { get; set; }

    /// <summary>The step whose questions are shown.</summary>
    [BindProperty(SupportsGet = true, Name = "step")]
    public string StepName { get; set; } = WorkStep.Place.Word;

    /// <summary>Which way to look; what the page showed from which somebody comes, where nothing is said.</summary>
    [BindProperty(SupportsGet = true, Name = "view")]
    public string? ViewName { get; set; }

    /// <summary>The wall that is shown; the first one where nothing is said.</summary>
    [BindProperty(SupportsGet = true, Name = "wall")]
    public string? WallId { get; set; }

    /// <summary>The thing that is looked at.</summary>
    [BindProperty(SupportsGet = true, Name = "item")]
    public string? ItemId { get; set; }

    /// <summary>The row of a list whose questions are shown.</summary>
    [BindProperty(SupportsGet = true, Name = "open")]
    public string? OpenPath { get; set; }

    /// <summary>The last entry that the page had when something was done on it.</summary>
    [BindProperty]
    public long Seen { get; set; } = long.MaxValue;

    /// <summary>Who reads.</summary>
    public CurrentUser CurrentUser => user;

    /// <summary>The job.</summary>
    public OpenJob Job { get; private set; } = null!;

    /// <summary>The step.</summary>
    public WorkStep Step => WorkStep.All.FirstOrDefault(s => s.Word == StepName) ?? WorkStep.Place;

    /// <summary>The view.</summary>
    public WallView View => Enum.TryParse<WallView>(ViewName ?? ViewBefore(Request), ignoreCase: true, out var view) && Enum.IsDefined(view) ? view : WallView.Front;

    /// <summary>The plan.</summary>
    public JobPlan Plan => Job.Plan;

    /// <summary>The sheet.</summary>
    public JobSheet Sheet => Plan.Sheet;

    /// <summary>The document.</summary>
    public JsonObject Document => Job.Ledger.Document;

    /// <summary>The wall that is shown; null where the job has none.</summary>
    public WallSheet? Wall => Sheet.Wall(WallId) ?? (Sheet.Item(ItemId) is { } item ? Sheet.WallOf(item) : null) ?? (Sheet.Walls.Count > 0 ? Sheet.Walls[0] : null);

    /// <summary>The wall as surveyed; null as long as it has no size.</summary>
    public Surveyed? Survey => Wall is null ? null : Plan.Survey(Wall.Id);

    /// <summary>The wall's tapes; null as long as it has no size.</summary>
    public WallTapes? Tapes => Wall is null ? null : Plan.Tapes(Wall.Id);

    /// <summary>The views of the step's stages.</summary>
    public IReadOnlyList<StageView> Stages => StageViews.Of(Step);

    /// <summary>What stages say of the wall that is shown, or of the job where it has no wall.</summary>
    public IReadOnlyList<StageStatus> Statuses => Plan.On(Wall?.Id ?? string.Empty);

    /// <summary>The reader's units.</summary>
    public LengthStyle Style => user.Style(Sheet.Head.Units);

    /// <summary>Whether the reader may change the sheet.</summary>
    public bool Edits => user.May(Permission.EditJobs);

    /// <summary>Whether the reader is the client, who sees what concerns them and agrees to it.</summary>
    public bool Consents => !Edits && user.May(Permission.Consent);

    /// <summary>Names of people by the name that they sign in with.</summary>
    public IReadOnlyDictionary<string, string> Names { get; private set; } = new Dictionary<string, string>();

    // A lead takes back others' entries, and only those that the page has shown.
    private long OthersUpTo => user.May(Permission.UndoOthers) ? Seen : 0;

    /// <summary>What the reader may take back next, and do again.</summary>
    public (Entry? Undo, Entry? Redo) Walk => Edits ? Job.Ledger.Walk(user.SignIn, OthersUpTo) : default;

    /// <summary>An entry of the submit that an undoing took back.</summary>
    public Entry? TakenBack(Entry undoing)
    {
        var entry = Job.Ledger.Entries.FirstOrDefault(e => e.Batch == undoing.Undoes);
        return entry is { Undoes: not null } ? TakenBack(entry) : entry;
    }

    /// <summary>Whose entry it is, where it is not the reader's own.</summary>
    public string Whose(Entry entry) => entry.Author == user.SignIn ? string.Empty : Names.GetValueOrDefault(entry.Author, entry.Author) + ": ";

    /// <summary>The company's figures as they are now.</summary>
    public CompanyPolicy Policy => user.Company.Policies.Read();

    /// <summary>Parts on the wall that the catalogue has other figures of.</summary>
    public IReadOnlyList<OlderPart> OlderParts => Wall is null ? [] : CatalogueAge.Of(Plan, Document, Sheet.ThingsOn(Wall), user.Company, Style);

    /// <summary>The things of the wall that the step asks about.</summary>
    public IReadOnlyList<Item> Candidates => Wall is null ? []
        : [.. Sheet.ThingsOn(Wall).Where(i => Stages.SelectMany(s => s.Parts).Any(p => p.Holder == Holder.Item && p.Of(i.Kind))).OrderBy(Rank)];

    // What it is all for comes first, then what carries it, what stands before the wall, what is in it.
    private static int Rank(Item item) => item.Kind == Core.Catalogue.Display.Kind ? 0 : item.Kind == Core.Catalogue.Mount.Kind ? 1 : 2 + (int)item.Kind.Layer;

    /// <summary>The thing that is looked at among them: the one that was chosen, what it hangs on, what hangs on it, or the first.</summary>
    public Item? Selected
    {
        get
        {
            var candidates = Candidates;
            var chosen = Sheet.Item(ItemId);
            return chosen is null ? candidates.Count > 0 ? candidates[0] : null
                : candidates.FirstOrDefault(i => i == chosen)
                ?? candidates.FirstOrDefault(i => i == Sheet.On(chosen) || Sheet.On(i) == chosen)
                ?? (candidates.Count > 0 ? candidates[0] : null);
        }
    }

    /// <summary>Whether a thing belongs to what is looked at: it is that, carries it, or hangs with it.</summary>
    public bool Together(string item)
    {
        var looked = Selected ?? Sheet.Item(ItemId) ?? (Candidates.Count > 0 ? Candidates[0] : null) ?? Sheet.Items.FirstOrDefault(i => Sheet.WallOf(i) == Wall);
        return looked is not null && Sheet.Item(item) is { } other && Root(other) == Root(looked);
    }

    /// <summary>What the drawing shows, in sentences: of the wall itself while that is the question, and else of what hangs on it.</summary>
    public IEnumerable<Phrase> Sentences => Wall is null ? []
        : StageViews.All.Where(v => v.Surveys == Stages.Any(s => s.Surveys)).SelectMany(v => v.Sentences(Plan, Wall.Id))
            .Concat(Plan.Findings.Where(f => f.Stops && f.Where is { X: not null } && f.Where.Wall == Wall.Id).Select(f => Phrase.Of($"Stop at {f.Where.X!.Value} across: {f.Kind.Title}.")));

    /// <summary>The drawing; null as long as the wall has no size.</summary>
    public IHtmlContent? Drawing => Wall is null ? null
        : WallDrawing.Draw(Plan, new(Wall.Id, View, Style, Edits, Stages.Any(s => s.Surveys), Selected?.Id ?? Sheet.Item(ItemId)?.Id ?? string.Empty, Photo: View == WallView.Front && PlanOnPhoto.Version(Plan, Wall.Id) is { Length: > 0 } version ? $"/jobs/{Id}/photo?wall={Wall.Id}&handler=Squared&v={version}" : string.Empty));

    /// <summary>The address of the picture of the wall with the plan on it; null where there is no squared photo.</summary>
    public string? PlanPicture => Wall is not null && PlanOnPhoto.Version(Plan, Wall.Id) is { Length: > 0 } version ? $"/jobs/{Id}/photo?wall={Wall.Id}&handler=Composed&v={version}-{Job.Ledger.Seq}" : null;

    /// <summary>The remedies of a finding that have been planned and do what they say.</summary>
    public IReadOnlyList<Remedy> Offered(Finding finding) => RemedyProof.Proven(Document, Plan, finding);

    /// <summary>Where the question is that clears a finding: the step's address, empty for this page, and the names of the field, the likeliest first.</summary>
    public (string Address, string Names) QuestionOf(Finding finding)
    {
        var parts = finding.Where.Part.Split('/');
        var item = Sheet.Item(parts[0]);
        // A thing's own figures are asked for where it first comes up.
        var about = item is not null && parts is [_, "product"] ? StageViews.All.FirstOrDefault(v => v.Parts.Any(p => p.Holder == Holder.Item && p.Of(item.Kind)))?.Stage : finding.Kind.Stage;
        var step = Core.Jobs.Stages.All.FirstOrDefault(s => s.Id == about)?.Step ?? Step;
        var wall = finding.Where.Wall.Length > 0 ? finding.Where.Wall : Wall?.Id;
        var here = step == Step && wall == Wall?.Id && (item is null || step == Core.Jobs.Stages.Steps[0] || item == Selected || !Candidates.Contains(item));
        var stage = StageViews.Of(step).FirstOrDefault(v => v.Stage == finding.Kind.Stage);
        var names = $"{stage?.Question(finding.Kind)} {(item is null ? string.Empty : $"f-items-{item.Id}-{finding.Kind.Stage.Word} f-items-{item.Id}")}".Trim();
        return (here ? string.Empty : At(step, wall, item?.Id ?? ItemId), names);
    }

    /// <summary>The problem of a field; null for none.</summary>
    public FieldProblem? Problem(string path) => problems.GetValueOrDefault(path);

    /// <summary>The address of this job at a step.</summary>
    /// <remarks>Addresses don't say the view, so that what is beside the drawing is the same from every side: the page adds it, or the browser says where one comes from.</remarks>
    public string At(WorkStep step, string? handler = null, WallView? view = null) => At(step, Wall?.Id, Sheet.Item(ItemId)?.Id, handler, step == Step ? OpenPath : null, view);

    /// <summary>The address of this job at a step, a wall and a thing.</summary>
    public string At(WorkStep step, string? wall, string? item, string? handler = null, string? open = null, WallView? view = null)
    {
        var first = Sheet.Walls.Count == 0 || wall is null || wall == Sheet.Walls[0].Id;
        var query = new List<string>();
        Say("view", view?.Word());
        Say("wall", first ? null : wall);
        Say("item", item);
        Say("open", string.IsNullOrEmpty(open) ? null : Uri.EscapeDataString(open));
        Say("handler", handler);
        return $"/jobs/{Id}/{step.Word}{(query.Count > 0 ? "?" : string.Empty)}{string.Join('&', query)}";

        void Say(string name, string? value)
        {
            if (value is not null)
            {
                query.Add($"{name}={value}");
            }
        }
    }

    /// <summary>The address to which something is sent.</summary>
    public string To(string handler) => At(Step, handler);

    /// <summary>The view of the page from which a request comes, where it is one of the same job; null for none.</summary>
    /// <param name="request">The request.</param>
    public static string? ViewBefore(HttpRequest request) =>
        Uri.TryCreate(request.Headers.Referer.ToString(), UriKind.Absolute, out var from) && from.AbsolutePath.StartsWith($"/jobs/{request.RouteValues["id"]}/", StringComparison.Ordinal) &&
        QueryHelpers.ParseQuery(from.Query).TryGetValue("view", out var view) ? view.ToString() : null;

    /// <summary>What a button sends that makes changes known beforehand: a line each, the path and the value as JSON; a path alone takes a part away.</summary>
    public static string Sent(params IReadOnlyList<Change> changes) =>
        string.Join('\n', changes.Select(c => c.Value is null ? c.Path : $"{c.Path} {c.Value.ToJsonString()}"));

    /// <summary>How long ago something was.</summary>
    public string Ago(DateTimeOffset at) => Words.Ago(at, time.GetUtcNow());

    /// <inheritdoc/>
    [NonHandler]
    public override void OnPageHandlerExecuting(PageHandlerExecutingContext context)
    {
        if (user.Open(Id) is not { } job)
        {
            context.Result = NotFound();
            return;
        }

        Job = job;
        if (HttpMethods.IsPost(Request.Method) && !Edits && !(Consents && context.HandlerMethod?.Name == "Approve"))
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

        Names = user.Company.People.All().ToDictionary(p => p.SignIn, p => p.Name);
    }

    /// <summary>Shows the page.</summary>
    public void OnGet()
    {
    }

    /// <summary>Shows the board alone, for a page that is open.</summary>
    public IActionResult OnGetBoard() => Partial("_Board", this);

    /// <summary>Shows the wall alone, for a page that is open: from another side, what is beside it stays.</summary>
    public IActionResult OnGetWall() => Partial("_WallAlone", this);

    /// <summary>A piece of the board, kept where it is the same for others too.</summary>
    /// <param name="html">What writes it.</param>
    /// <param name="name">The partial.</param>
    /// <remarks>What answers a submit says what was typed, and rivals say how long ago they were entered: those are written for this reader now.</remarks>
    public Task<IHtmlContent> Piece(IHtmlHelper html, string name) => HttpMethods.IsGet(Request.Method) && Job.Ledger.Rivals.Count == 0
        ? pieces.Get(string.Join('\n', name, user.Company.Key, Id, Job.Ledger.Seq, user.Company.Catalogue.Changes, Policy.Version, user.RoleWords, user.Units, name == WallPiece ? View.Word() : string.Empty, At(Step)), token.Value, () => html.PartialAsync(name, this))
        : html.PartialAsync(name, this);

    /// <summary>What was typed into a form that was refused.</summary>
    public string Typed(string name) => Request.HasFormContentType ? Request.Form[name].ToString() : string.Empty;

    private Item Root(Item item) => Sheet.On(item) is { } holder ? Root(holder) : item;

    private string Exact(Length length) => LengthText.Exact(length, Sheet.Head.Units);

    private static string Key() => Guid.NewGuid().ToString("N")[..6];

    private async Task<IActionResult> TakeBack(Entry last)
    {
        if (Overriding.Refusal(user, Job.Ledger, last.Batch) is { } refusal)
        {
            return Refuse(ChangeLine, string.Empty, refusal + ".");
        }

        await user.Company.Entries.Append(Id, user.SignIn, "page", [new(Guid.NewGuid().ToString("N"), string.Empty, null, [], last.Batch)]);
        return await Again();
    }

    private async Task<IActionResult> Append(IReadOnlyList<Change> changes)
    {
        if (changes.Select(c => Overriding.Refusal(user, c, Document)).FirstOrDefault(r => r is not null) is { } refusal)
        {
            return Refuse(ChangeLine, string.Empty, refusal + ".");
        }

        var entries = changes
            .Where(c => !JsonNode.DeepEquals(Pointer.Get(Document, c.Path), c.Value) || Job.Ledger.HoldersOf(c.Path).Count > 1)
            .Select(c => new NewEntry(
                Guid.NewGuid().ToString("N"), c.Path, c.Value?.DeepClone(), [.. Job.Ledger.HoldersOf(c.Path).Where(h => Job.Ledger.Find(h)?.Seq <= Seen)]))
            .ToList();
        if (entries.Count > 0)
        {
            if (SheetChanges.WouldBeLeftOut(Document, changes) is { Count: > 0 } wrong)
            {
                return Refuse(wrong[0]);
            }

            await user.Company.Entries.Append(Id, user.SignIn, "page", entries);
        }

        return await Again();
    }

    private IActionResult Refuse(SheetProblem problem) => Refuse(ChangeLine, problem.Typed, $"{problem.Understood}. Expected: {problem.Expected}.");

    private IActionResult Refuse(string path, string typed, string words)
    {
        problems[path] = new(path, typed, words);
        return Refused();
    }

    private IActionResult Refused()
    {
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Show();
    }

    private Task<IActionResult> Again()
    {
        if (problems.Count == 0 && !Request.Headers.ContainsKey("HX-Request"))
        {
            return Task.FromResult<IActionResult>(Redirect(At(Step, view: View)));
        }

        Job = user.Open(Id)!;
        return Task.FromResult(problems.Count > 0 ? Refused() : Show());
    }

    private IActionResult Show() => Request.Headers.ContainsKey("HX-Request") ? Partial("_Board", this) : Page();
}
