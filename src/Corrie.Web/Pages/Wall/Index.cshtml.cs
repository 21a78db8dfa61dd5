using System.Text.Json.Nodes;
using Corrie.Core.Findings;
using Corrie.Core.Jobs;
using Corrie.Core.Jobs.Entries;
using Corrie.Core.Jobs.Format;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Survey;
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
public sealed class IndexModel(Reader reader, TimeProvider time) : PageModel
{
    private static readonly string[] Choosable = ["display", "mount", "fastener"];

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
        $"/jobs/{Id}/{step.ToString().ToLowerInvariant()}?view={view.ToString().ToLowerInvariant()}{(handler is null ? string.Empty : "&handler=" + handler)}";

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

        Names = reader.Company.People.All().ToDictionary(p => p.SignIn, p => p.Name);
    }

    /// <summary>Shows the page.</summary>
    public void OnGet()
    {
    }

    /// <summary>Shows the board alone, for a page that is open.</summary>
    public IActionResult OnGetBoard() => Partial("_Board", this);

    /// <summary>Sets a part to what was typed or chosen.</summary>
    public async Task<IActionResult> OnPostSetAsync(string path, string? value)
    {
        if (SheetShape.Root.At(path) is not { } shape)
        {
            return BadRequest();
        }

        if (string.IsNullOrWhiteSpace(value))
        {
            return await Append([new(path, null)]);
        }

        var taken = shape.Take(value, Style.System, out var problem);
        if (problem is not null)
        {
            return Refuse(path, value, problem.ToString());
        }

        return await Append([new(path, taken)]);
    }

    /// <summary>Adds a stud, layer, feature or seat.</summary>
    public async Task<IActionResult> OnPostAddAsync(string map)
    {
        var fields = map switch
        {
            "/wall/studs" => new[] { "centre", "state" },
            "/wall/layers" => ["name", "thickness", "order"],
            "/wall/features" => ["kind", "name", "left", "bottom", "width", "height", "depth"],
            "/placement/viewers" => ["name", "eye", "distance"],
            "/wall/freePlaces" => ["name", "left", "bottom", "width", "height"],
            "/wall/crosses" => ["x", "y", "standsFor"],
            _ => [],
        };
        if (fields.Length == 0)
        {
            return BadRequest();
        }

        var group = new JsonObject();
        foreach (var name in fields)
        {
            var typed = Request.Form[name].ToString();
            if (typed.Length > 0)
            {
                var shape = SheetShape.Root.At($"{map}/new/{name}")!;
                group[name] = shape.Take(typed, Style.System, out var problem);
                if (problem is not null)
                {
                    return Refuse($"{map}/new/{name}", typed, problem.ToString());
                }
            }
        }

        if (map == "/wall/layers")
        {
            group["order"] ??= Sheet.Wall is { Layers: { Count: > 0 } layers } ? layers.Max(l => l.Order) + 1 : 1;
        }

        var key = map[(map.LastIndexOf('/') + 1)..][0] + Key();
        var lacking = new List<SheetProblem>();
        SheetShape.Root.At($"{map}/{key}")!.Check(group, $"{map}/new", lacking);
        if (lacking.Count > 0)
        {
            var lacks = lacking[0].Understood.Split('\'') is [_, var name, ..] ? name : fields[0];
            return Refuse($"{map}/new/{lacks}", Request.Form[lacks].ToString(), $"{lacking[0].Understood}. Expected: {lacking[0].Expected}.");
        }

        return await Append([new($"{map}/{key}", group)]);
    }

    /// <summary>What was typed into a form that adds something, kept when it was refused.</summary>
    public string Kept(string map, string name) =>
        Problem is { } p && p.Path.StartsWith(map + "/new/", StringComparison.Ordinal) ? Request.Form[name].ToString() : string.Empty;

    /// <summary>What was typed into a form that was refused.</summary>
    public string Typed(string name) => Request.HasFormContentType ? Request.Form[name].ToString() : string.Empty;

    /// <summary>Sets how a casing's edges stand off the opening on both faces: all four, or none of them.</summary>
    public async Task<IActionResult> OnPostCasingAsync(string feature)
    {
        var path = $"/wall/features/{feature}/casing";
        if (Sheet.Wall?.Features.Any(f => f.Id == feature) != true)
        {
            return BadRequest();
        }

        var group = new JsonObject();
        foreach (var name in new[] { "hereInner", "hereOuter", "thereInner", "thereOuter" })
        {
            group[name] = SheetShape.Root.At($"{path}/{name}")!.Take(Typed(name), Style.System, out var problem);
            if (problem is not null)
            {
                return Refuse(path, Typed(name), problem.ToString());
            }
        }

        return await Append([new(path, group)]);
    }

    /// <summary>Takes a part away.</summary>
    public Task<IActionResult> OnPostRemoveAsync(string path) =>
        SheetShape.Root.At(path) is null ? Task.FromResult<IActionResult>(BadRequest()) : Append([new(path, null)]);

    /// <summary>Copies an item of the catalogue onto the sheet.</summary>
    public async Task<IActionResult> OnPostChooseAsync(string kind, string? item)
    {
        if (!Choosable.Contains(kind))
        {
            return BadRequest();
        }

        var path = kind == "fastener" ? "/fixing/fastener" : "/" + kind;
        if (string.IsNullOrEmpty(item))
        {
            return await Append([new(path, null)]);
        }

        if (reader.Company.Catalogue.Find(item) is not { } found || found.Kind != kind)
        {
            return Refuse(path, item, "That item is not in the catalogue any more. Expected: one of the list.");
        }

        var copy = (JsonObject)found.Document.DeepClone();
        copy["item"] = found.Id;
        return await Append([new(path, copy)]);
    }

    /// <summary>Moves the display to where it was dropped; both in 1/640 mm, from the left corner and over the floor.</summary>
    public async Task<IActionResult> OnPostDragAsync(long across, long bottom)
    {
        if (Sheet is not { Placement: { } placement, Display: { } display } || Plan.Placed is not { } placed)
        {
            return BadRequest();
        }

        var changes = new List<Change>();
        var (x, y) = (Length.FromUnits(Math.Clamp(across, 0, Sheet.Wall!.Width.Units)), Length.FromUnits(Math.Clamp(bottom, 0, Sheet.Wall.Height.Units)));
        if (y != placed.Outer.Bottom)
        {
            changes.Add(new("/placement/height", Exact(Placer.GivenOf(placement.Given, y, display.Height))));
        }

        if (x != placed.Outer.CentreX)
        {
            changes.Add(new("/placement/over", null));
            changes.Add(new("/placement/across", Exact(x)));
        }

        return await Append(changes);
    }

    /// <summary>Hooks a tape on another datum.</summary>
    public Task<IActionResult> OnPostHookAsync(string axis, string datum) =>
        Plan.Datums.Any(d => d.Id == datum && d.Axis == (axis == "up" ? Axis.Up : Axis.Across))
            ? Append([new(axis == "up" ? "/setOut/up" : "/setOut/across", datum)])
            : Task.FromResult<IActionResult>(BadRequest());

    /// <summary>Applies a fix that the planner worked out.</summary>
    public Task<IActionResult> OnPostFixAsync(string code, string part, int number)
    {
        var fixes = Plan.Findings.FirstOrDefault(f => f.Code == code && f.Where.Part == part)?.Fixes ?? [];
        return number >= 0 && number < fixes.Count ? Append(fixes[number].Changes) : Again();
    }

    /// <summary>What was typed as a reading, kept when it was not understood.</summary>
    public const string ReadingLine = "/wall/readings/new/line";

    /// <summary>Takes a reading typed in one line; a reading to a new stud puts the stud on the sheet with it.</summary>
    public async Task<IActionResult> OnPostMeasureAsync(string? line, string? face)
    {
        if (Sheet.Wall is not { } wall)
        {
            return Refuse(ReadingLine, line ?? string.Empty, "The wall has no size yet. Expected: its width and height first.");
        }

        var read = QuickReading.Read(line, wall, Style.System);
        if (!read.Ok)
        {
            return Refuse(ReadingLine, line ?? string.Empty, read.Problem!.ToString());
        }

        var key = Key();
        var (from, to, value) = read.Value;
        var changes = new List<Change>();
        if (to == TypedReading.NewStud)
        {
            to = "studs/s" + key;
            changes.Add(new("/wall/studs/s" + key, new JsonObject { ["state"] = "found" }));
        }

        changes.Add(new("/wall/readings/r" + key, OnFace(face, new JsonObject
        {
            ["from"] = from,
            ["to"] = to,
            ["value"] = Exact(value),
            ["by"] = reader.Name,
        })));
        return await Append(changes);
    }

    /// <summary>What was typed as evidence, kept when it was not understood.</summary>
    public const string EvidenceLine = "/wall/evidence/new/line";

    /// <summary>Takes evidence of framing typed in one line.</summary>
    public async Task<IActionResult> OnPostEvidenceAsync(string? line, string? face)
    {
        if (Sheet.Wall is not { } wall)
        {
            return Refuse(EvidenceLine, line ?? string.Empty, "The wall has no size yet. Expected: its width and height first.");
        }

        var read = QuickEvidence.Read(line, wall, Style.System);
        return read.Ok ? await Found(read.Value, face) : Refuse(EvidenceLine, line ?? string.Empty, read.Problem!.ToString());
    }

    /// <summary>Takes evidence where somebody has tapped on the wall; both in 1/640 mm, from the left corner and over the floor.</summary>
    public Task<IActionResult> OnPostTapAsync(string? tool, long across, long up)
    {
        if (Sheet.Wall is not { } wall || tool is null || !QuickEvidence.Words.TryGetValue(tool.Replace("level-", string.Empty, StringComparison.Ordinal), out var kind))
        {
            return Task.FromResult<IActionResult>(BadRequest());
        }

        var (x, y) = (Length.FromUnits(Math.Clamp(across, 0, wall.Width.Units)), Length.FromUnits(Math.Clamp(up, 0, wall.Height.Units)));
        var level = tool.StartsWith("level-", StringComparison.Ordinal);
        return Found(new(kind.Kind, level ? Axis.Up : Axis.Across, null, level ? y : x, null, level ? x : y, kind.Told), null);
    }

    /// <summary>Takes the answer to a probe that the planner proposed.</summary>
    public Task<IActionResult> OnPostProbedAsync(string? axis, long at, long? beside, bool hit)
    {
        var up = axis == "up";
        var most = (Sheet.Wall is { } wall ? up ? wall.Height : wall.Width : Length.Zero).Units;
        return at < 0 || at > most
            ? Task.FromResult<IActionResult>(BadRequest())
            : Found(new(hit ? EvidenceKind.ProbeHit : EvidenceKind.ProbeMiss, up ? Axis.Up : Axis.Across, null, Length.FromUnits(at), null, beside is { } b and >= 0 ? Length.FromUnits(Math.Min(b, 40_000_000)) : null, ToldMaterial.Nothing), null);
    }

    /// <summary>Starts the build-up from a usual one; nothing of it is confirmed yet.</summary>
    public Task<IActionResult> OnPostBuildUpAsync(string? preset)
    {
        if (BuildUps.All.FirstOrDefault(b => b.Id == preset) is not { } buildUp)
        {
            return Again();
        }

        var kind = buildUp.Kind switch
        {
            Core.Catalogue.WallKind.SteelStuds => "steel-studs",
            Core.Catalogue.WallKind.Masonry => "masonry",
            _ => "wood-studs",
        };
        return Append(
        [
            new("/wall/kind", kind),
            new("/wall/layers", new JsonObject(buildUp.Layers.Select((l, i) => KeyValuePair.Create<string, JsonNode?>(
                "l" + (i + 1), new JsonObject { ["order"] = i + 1, ["name"] = l.Name, ["thickness"] = Exact(l.Thickness) })))),
        ]);
    }

    /// <summary>The part of the page where photos are added.</summary>
    public const string PhotoForm = "/wall/photos/new/picture";

    /// <summary>Pins a photo to what it shows.</summary>
    public async Task<IActionResult> OnPostPhotoAsync(string? of, string? says, IFormFile? picture)
    {
        if (picture is null)
        {
            return Refuse(PhotoForm, says ?? string.Empty, "No picture was chosen. Expected: a JPEG, PNG or WebP picture.");
        }

        if (of is null || !(of == "wall" || Sheet.Wall?.Features.Any(f => f.Id == of) == true || Sheet.Wall?.Evidence.Any(e => "evidence/" + e.Id == of) == true))
        {
            return Refuse(PhotoForm, says ?? string.Empty, "It is not said what the photo shows. Expected: the wall, or something on it.");
        }

        using var bytes = new MemoryStream();
        await picture.CopyToAsync(bytes);
        var (name, problem) = reader.Company.Photos.Add(bytes.ToArray());
        if (name is null)
        {
            return Refuse(PhotoForm, says ?? string.Empty, problem + ". Expected: a JPEG, PNG or WebP picture of at most 20 MB.");
        }

        var photo = new JsonObject { ["of"] = of, ["picture"] = name, ["by"] = reader.Name };
        if (!string.IsNullOrWhiteSpace(says))
        {
            photo["says"] = says.Trim()[..Math.Min(200, says.Trim().Length)];
        }

        return await Append([new("/wall/photos/p" + Key(), photo)]);
    }

    /// <summary>A photo of this job.</summary>
    public IActionResult OnGetPicture(string name, string? size)
    {
        var wanted = size switch
        {
            "view" => PhotoSize.View,
            "original" => PhotoSize.Original,
            _ => PhotoSize.Thumbnail,
        };
        if (wanted == PhotoSize.Original && !reader.May(Permission.SeeOriginals))
        {
            return Forbid();
        }

        // Only what is, or was, pinned to this job is shown to its readers.
        if (!Job.Ledger.Entries.Any(e => e.Value?.ToJsonString().Contains(name, StringComparison.Ordinal) == true) || name.Length != 64 ||
            reader.Company.Photos.Find(name, wanted) is not { } path)
        {
            return NotFound();
        }

        Response.Headers.CacheControl = "private, max-age=31536000, immutable";
        return wanted == PhotoSize.Original ? PhysicalFile(path, "application/octet-stream", name[..12] + ".original") : PhysicalFile(path, "image/jpeg");
    }

    /// <summary>The address of a photo.</summary>
    public string Picture(string name, string size) => $"/jobs/{Id}/survey?handler=Picture&name={name}&size={size}";

    /// <summary>What a photo shows, in words.</summary>
    public string ShownBy(string of) => of == "wall" ? "the wall"
        : Sheet.Wall?.Features.FirstOrDefault(f => f.Id == of)?.Name
        ?? (Plan.Survey?.Framing.Soundings.FirstOrDefault(s => "evidence/" + s.Evidence.Id == of) is { } s ? $"{EvidenceDrawing.Words(s.Evidence.Kind)} at {s.Middle.Show(Style)}" : of);

    /// <summary>What was typed as a test hole, kept when it was not understood.</summary>
    public const string TestHoleLine = "/wall/testHoles/new/layers";

    /// <summary>Takes a test hole: where, and what it went through, such as <c>gypsum board 1/2, void 3/4</c>.</summary>
    public async Task<IActionResult> OnPostTestHoleAsync(string? x, string? y, string? layers)
    {
        var (across, up) = (LengthReader.Read(x, Style.System), LengthReader.Read(y, Style.System));
        if (!across.Ok || !up.Ok)
        {
            return Refuse(TestHoleLine, layers ?? string.Empty, (across.Problem ?? up.Problem)!.ToString());
        }

        var list = new JsonArray();
        foreach (var part in (layers ?? string.Empty).Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries))
        {
            var cut = part.IndexOfAny(['0', '1', '2', '3', '4', '5', '6', '7', '8', '9', '½', '¼', '¾', '⅛', '⅜', '⅝', '⅞']);
            var thickness = LengthReader.Read(cut < 0 ? string.Empty : part[cut..], Style.System);
            if (cut <= 0 || !thickness.Ok)
            {
                return Refuse(TestHoleLine, layers!, $"'{part}' is no layer with its thickness. Expected: name and thickness, with commas between, such as gypsum board 1/2, void 3/4.");
            }

            list.Add(new JsonObject { ["name"] = part[..cut].Trim(), ["thickness"] = Exact(thickness.Value) });
        }

        var hole = new JsonObject { ["x"] = Exact(across.Value), ["y"] = Exact(up.Value), ["layers"] = list, ["by"] = reader.Name };
        var wrong = new List<SheetProblem>();
        SheetShape.Root.At("/wall/testHoles/new")!.Check(hole, "/wall/testHoles/new", wrong);
        return wrong.Count > 0 || list.Count == 0
            ? Refuse(TestHoleLine, layers ?? string.Empty, wrong.Count > 0 ? wrong[0].ToString() : "No layer was typed. Expected: such as gypsum board 1/2, void 3/4.")
            : await Append([new("/wall/testHoles/h" + Key(), hole)]);
    }

    private Task<IActionResult> Found(TypedEvidence found, string? face)
    {
        var item = new JsonObject { ["kind"] = EvidenceDrawing.Name(found.Kind), ["at"] = Exact(found.At) };
        if (found.Axis == Axis.Up)
        {
            item["axis"] = "up";
        }

        if (found.From is not null)
        {
            item["from"] = found.From;
        }

        if (found.To is { } to)
        {
            item["to"] = Exact(to);
        }

        if (found.Beside is { } beside)
        {
            item["beside"] = Exact(beside);
        }

        if (found.Told != ToldMaterial.Nothing)
        {
            item["told"] = found.Told == ToldMaterial.Wood ? "wood" : "metal";
        }

        item["by"] = reader.Name;
        return Append([new("/wall/evidence/e" + Key(), OnFace(face, item))]);
    }

    private string Exact(Length length) => LengthText.Exact(length, Sheet.Head.Units);

    private static string Key() => Guid.NewGuid().ToString("N")[..6];

    private static JsonObject OnFace(string? face, JsonObject item)
    {
        if (face == "other")
        {
            item["face"] = "other";
        }

        return item;
    }

    /// <summary>Records the client's consent to the place as it is.</summary>
    public Task<IActionResult> OnPostApproveAsync(string? by)
    {
        if (Plan.Placed is not { } placed)
        {
            return Task.FromResult<IActionResult>(BadRequest());
        }

        return string.IsNullOrWhiteSpace(by)
            ? Task.FromResult(Refuse("/placement/approval/by", string.Empty, "No name was typed. Expected: who consented."))
            : Append([new("/placement/approval", new JsonObject
            {
                ["by"] = by.Trim()[..Math.Min(80, by.Trim().Length)],
                ["centre"] = LengthText.Exact(placed.Outer.CentreY, Sheet.Head.Units),
                ["across"] = LengthText.Exact(placed.Outer.CentreX, Sheet.Head.Units),
            })]);
    }

    /// <summary>Records that services were looked for.</summary>
    public Task<IActionResult> OnPostScanAsync(string? with, bool crossings) => string.IsNullOrWhiteSpace(with)
        ? Task.FromResult(Refuse("/wall/scan/with", string.Empty, "No tool was typed. Expected: with what it was looked for, such as a scanner for metal and live wires."))
        : Append([new("/wall/scan", new JsonObject { ["by"] = reader.Name, ["with"] = with.Trim()[..Math.Min(120, with.Trim().Length)], ["crossings"] = crossings })]);

    /// <summary>Takes back the last press.</summary>
    public Task<IActionResult> OnPostUndoAsync() => Undoable is { } last ? TakeBack(last) : Again();

    /// <summary>Does again what was taken back last.</summary>
    public Task<IActionResult> OnPostRedoAsync() => Redoable is { } last ? TakeBack(last) : Again();

    /// <summary>Chooses one of two values for one thing.</summary>
    public async Task<IActionResult> OnPostSettleAsync(string path, string entry)
    {
        if (Job.Ledger.Rivals.FirstOrDefault(r => r.Path == path) is not { } rivals ||
            rivals.Others.Prepend(rivals.InForce).FirstOrDefault(e => e.Id == entry) is not { } chosen)
        {
            return await Again();
        }

        // A choice replaces all of them, also those that the page had not seen when it was made.
        Seen = long.MaxValue;
        return await Append([new(path, chosen.Value?.DeepClone())]);
    }

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
