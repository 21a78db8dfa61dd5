using System.Globalization;
using System.Text.Json.Nodes;
using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Fixing;
using Corrie.Core.Format;
using Corrie.Core.Hanging;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Core.SiteDay;
using Corrie.Core.Survey;
using Corrie.Data;
using Corrie.Web.Access;
using Corrie.Web.Jobs;
using Corrie.Web.Stages.Hanging;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;

namespace Corrie.Web.Pages.Wall;

/// <summary>The field sheet: one step at a time, for one hand. What is entered goes onto the job's sheet, and the rest is planned anew.</summary>
[Authorize(nameof(Permission.EditJobs))]
public sealed class FieldModel(CurrentUser user) : MountPageModel(user)
{
    /// <summary>Key of the step; the first that is not done where nothing is said.</summary>
    [BindProperty(SupportsGet = true, Name = "step")]
    public string? StepId { get; set; }

    /// <summary>The last entry before what was entered here: what has changed since is shown.</summary>
    [BindProperty(SupportsGet = true, Name = "since")]
    public long? Since { get; set; }

    /// <summary>Its steps.</summary>
    public IReadOnlyList<FieldStep> Steps { get; private set; } = [];

    /// <summary>The step that is shown.</summary>
    public FieldStep? Step => Steps.FirstOrDefault(s => s.Id == StepId) ?? Steps.FirstOrDefault(s => !s.Done) ?? (Steps.Count > 0 ? Steps[^1] : null);

    /// <summary>The hold point that the step waits for: one before it whose evidence is not there. Null for none.</summary>
    public FieldStep? Waits => Step is { Ask: FieldAsk.Hole or FieldAsk.Proof or FieldAsk.Hung } step
        ? Steps.TakeWhile(s => s.Id != step.Id).FirstOrDefault(s => !s.Done && (s.Ask != FieldAsk.Tick || s.Hold is not null) && (s.Ask != FieldAsk.Hole || step.Ask != FieldAsk.Hole)) : null;

    /// <summary>The hold point of the day that a hole waits for: nobody has looked for cables, or measured the hook. Null for none.</summary>
    public DayStep? WaitsOnDay { get; private set; }

    /// <summary>The plan before what was entered here; null where nothing was.</summary>
    public JobPlan? Before { get; private set; }

    /// <summary>What has changed; null where nothing was entered.</summary>
    public RemedyOutcome? Changed { get; private set; }

    /// <summary>Stops of this mount, or of its wall.</summary>
    public IReadOnlyList<Finding> Stops => Mount is null ? [] : [.. Job.Plan.Findings.Where(f => f.Stops && (f.Where.Part.StartsWith(Mount.Id + "/", StringComparison.Ordinal) || f.Where.Wall == Job.Plan.Sheet.WallOf(Mount)?.Id))];

    /// <summary>Findings that what was made has brought, and that do not stop.</summary>
    public IReadOnlyList<Finding> Cautions => Mount is null ? [] : [.. Job.Plan.Findings.Where(f => !f.Stops && f.Severity == Severity.Caution && f.Kind.Stage == SiteFindings.Stage && f.Where.Part.StartsWith(Mount.Id + "/", StringComparison.Ordinal))];

    /// <summary>The stretch of the wall that is drawn.</summary>
    public Rect? Stretch => PlateCloseUp.Stretch([Job.Plan, .. Before is null ? Array.Empty<JobPlan>() : [Before]], Mount?.Id ?? string.Empty);

    /// <summary>The last entry that the page had when something was pressed on it.</summary>
    [BindProperty]
    public long Seen { get; set; } = long.MaxValue;

    /// <summary>What was typed, where it was refused.</summary>
    public string Typed(string name) => Request.HasFormContentType ? Request.Form[name].ToString() : string.Empty;

    /// <summary>The address of a step.</summary>
    public string At(string step) => $"/jobs/{Id}/field?item={Mount!.Id}&step={Uri.EscapeDataString(step)}";

    /// <summary>Shows the step.</summary>
    public IActionResult OnGet() => Find() ? Page() : NotFound();

    /// <summary>Says that a step is done.</summary>
    public Task<IActionResult> OnPostDoneAsync() => Enter(FieldAsk.Tick, step => [new($"{Place}/done/{step.Id}", new JsonObject { ["by"] = Reader.Name })]);

    /// <summary>Enters a hole as it is, and what became of it.</summary>
    /// <param name="across">Where it is, from the tape's datum; empty for as planned.</param>
    /// <param name="up">How high; empty for as planned.</param>
    /// <param name="state">What became of it.</param>
    public Task<IActionResult> OnPostHoleAsync(string? across, string? up, string? state) => Enter(FieldAsk.Hole, step =>
    {
        if (Job.Plan.Fixing(Mount!.Id)?.Bolts.FirstOrDefault(b => b.Number == step.Bolt) is not { } bolt || Choices.Of<HoleState>(state) is not { } became || Job.Plan.Tapes(Job.Plan.Sheet.WallOf(Mount)!.Id) is not { } tapes)
        {
            return null;
        }

        if (Measured(tapes.Across, across, bolt.X) is not { } x || Measured(tapes.Up, up, bolt.Y) is not { } y)
        {
            return [];
        }

        // A second press, or somebody else's hole: what was meant is the place that the page showed.
        if (step.Done || Elsewhere(bolt))
        {
            Problem = step.Done ? $"Bolt {bolt.Number} is in already. Expected: the next step." : $"The plan has moved on since this page was shown: bolt {bolt.Number} belongs where it is shown now. Expected: a look at its readings.";
            return [];
        }

        var changes = new List<Change>
        {
            new($"{Place}/holes/h{Send.Short}", new JsonObject { ["row"] = bolt.Row, ["across"] = Exact(x), ["up"] = Exact(y), ["state"] = became.Word(), ["by"] = Reader.Name, ["number"] = bolt.Number }),
        };
        // A hole that met nothing says something of the wall too.
        if (became == HoleState.Missed && Job.Plan.Fixing(Mount.Id)!.Ground is Ground.Stud or Ground.Flange)
        {
            changes.Add(new($"{Job.Plan.Sheet.WallOf(Mount)!.Here.Pointer}/evidence/e{Send.Short}", new JsonObject
            {
                ["kind"] = EvidenceKind.ProbeMiss.Word(),
                ["at"] = Exact(x),
                ["beside"] = Exact(y),
                ["by"] = Reader.Name,
            }));
        }

        return changes;
    });

    /// <summary>Enters what a test hole went through: the wall is planned anew with it.</summary>
    /// <param name="across">Where it is, from the tape's datum; empty for as planned.</param>
    /// <param name="up">How high; empty for as planned.</param>
    /// <param name="layers">What it went through, from the room inwards.</param>
    /// <param name="behind">What the bit met behind that.</param>
    /// <param name="bite">How deep it went on biting in that.</param>
    /// <param name="dust">Colour of the dust.</param>
    /// <param name="sound">How it sounded and drilled.</param>
    public Task<IActionResult> OnPostTestHoleAsync(string? across, string? up, string? layers, string? behind, string? bite, string? dust, string? sound) => Enter(FieldAsk.TestHole, _ =>
    {
        if (Job.Plan.Sheet.WallOf(Mount!) is not { } wall || Job.Plan.Tapes(wall.Id) is not { } tapes || Job.Plan.Fixing(Mount!.Id)?.Bolts is not { Count: > 0 } bolts)
        {
            return null;
        }

        if (Measured(tapes.Across, across, bolts[0].X) is not { } x || Measured(tapes.Up, up, bolts[0].Y) is not { } y)
        {
            return [];
        }

        var (read, problem) = QuickLayers.Read(layers, Style.System);
        Problem = problem?.ToString();
        Length? deep = problem is null && !string.IsNullOrWhiteSpace(bite) ? Read(bite) : null;
        if (Problem is not null)
        {
            return [];
        }

        var hole = new JsonObject
        {
            ["x"] = Exact(x),
            ["y"] = Exact(y),
            ["layers"] = new JsonArray([.. read.Select(l => new JsonObject { ["name"] = l.Name, ["thickness"] = Exact(l.Thickness) })]),
            ["by"] = Reader.Name,
        };
        foreach (var (name, value) in new[] { ("behind", behind), ("dust", dust), ("sound", sound), ("bite", deep is { } into ? Exact(into) : null) })
        {
            if (!string.IsNullOrWhiteSpace(value))
            {
                hole[name] = value.Trim();
            }
        }

        return [new($"{wall.Here.Pointer}/testHoles/h{Send.Short}", hole)];
    });

    /// <summary>What a test hole shows against the build-up that was entered; null where none does.</summary>
    public Finding? Contradiction => Mount is null ? null : Job.Plan.Findings.FirstOrDefault(f => f.Kind == SurveyFindings.BuildUpDiffers && f.Where.Wall == Job.Plan.Sheet.WallOf(Mount)?.Id);

    /// <summary>Takes the wall over as its test hole shows it.</summary>
    public Task<IActionResult> OnPostAsFoundAsync() => Enter(FieldAsk.TestHole, _ => Contradiction?.Remedies[0].Changes);

    /// <summary>Enters the gaps behind the plate.</summary>
    /// <param name="gaps">A gap for each hole, in their order.</param>
    public Task<IActionResult> OnPostGapsAsync(string? gaps) => Enter(FieldAsk.Gaps, _ =>
    {
        var (changes, problem) = GapsEntry.Changes(Job.Plan, Mount!, gaps, Style.System, Reader.Name);
        Problem = problem?.ToString();
        return changes;
    });

    /// <summary>Enters what the level shows.</summary>
    /// <param name="higher">How much one end is higher; empty for level.</param>
    /// <param name="side">Which end.</param>
    public Task<IActionResult> OnPostLevelAsync(string? higher, string? side) => Enter(FieldAsk.Level, _ =>
        Read(string.IsNullOrWhiteSpace(higher) ? "0" : higher) is { } by ? [new($"{Place}/rightHigher", JsonValue.Create(Exact(side == "left" ? -by : by)))] : []);

    /// <summary>Enters check dimensions.</summary>
    public Task<IActionResult> OnPostChecksAsync() => Enter(FieldAsk.Checks, _ =>
    {
        var changes = new List<Change>();
        foreach (var check in Job.Plan.Site(Mount!.Id)!.Checks)
        {
            var typed = Typed(check.Id);
            if ((typed.Trim().Length == 0 ? check.Expected : Read(typed)) is not { } reads)
            {
                return [];
            }

            changes.Add(new($"{Place}/checks/{check.Id}", new JsonObject { ["reads"] = Exact(reads) }));
        }

        return changes;
    });

    /// <summary>Enters the pull at the plate.</summary>
    /// <param name="pull">How much.</param>
    /// <param name="held">Whether nothing moved.</param>
    public Task<IActionResult> OnPostProofAsync(string? pull, string? held) => Enter(FieldAsk.Proof, _ =>
    {
        if (new MassShape("what the scale showed", overZero: true).Take(pull ?? string.Empty, Style.System, out var problem) is not { } mass)
        {
            Problem = problem!.ToString();
            return [];
        }

        return [new($"{Place}/proof", new JsonObject { ["pull"] = mass, ["seconds"] = 60, ["held"] = held == "yes", ["by"] = Reader.Name })];
    });

    /// <summary>Enters how the display hangs.</summary>
    /// <param name="up">Its centre over the floor; empty for as planned.</param>
    /// <param name="across">Its centre from the left corner; empty for as planned.</param>
    /// <param name="higher">How much its right end is higher; empty for level.</param>
    public Task<IActionResult> OnPostHungAsync(string? up, string? across, string? higher) => Enter(FieldAsk.Hung, step =>
        ReadOr(up, step.Readings[0].Reads) is { } y && ReadOr(across, step.Readings[1].Reads) is { } x && ReadOr(higher, Length.Zero) is { } by
            ? [new($"{Place}/hung", new JsonObject { ["centreUp"] = Exact(y), ["centreAcross"] = Exact(x), ["rightHigher"] = Exact(by), ["by"] = Reader.Name })] : []);

    private OneSend Send => send ??= OneSend.Of(Request);

    private OneSend? send;

    private string Place => $"{Mount!.Here.Pointer}/{Built.Part.Name}";

    private string Exact(Length length) => LengthText.Exact(length, Job.Plan.Sheet.Head.Units);

    private Length? ReadOr(string? typed, Length otherwise) => string.IsNullOrWhiteSpace(typed) ? otherwise : Read(typed);

    private Length? Read(string typed)
    {
        var read = LengthReader.Read(typed, Style.System, directed: true);
        Problem = read.Ok ? Problem : $"{read.Problem!.Understood}. Expected: {read.Problem.Expected}.";
        return read.Ok ? read.Value : null;
    }

    private bool Elsewhere(Bolt bolt) => Seen < Job.Ledger.Seq && Seen >= 1 &&
        Planner.Plan(JobForm.Read(Job.Ledger.At(Seen).Document).Sheet, Job.Plan).Fixing(Mount!.Id)?.Bolts.FirstOrDefault(b => b.Number == bolt.Number) is var then && (then?.X != bolt.X || then.Y != bolt.Y);

    // As the tape reads, from where it is hooked.
    private Length? Measured(Datum datum, string? typed, Length planned) => string.IsNullOrWhiteSpace(typed) ? planned
        : Read(typed) is { } read ? datum.Position(read.Abs, datum.Read(planned).Back != read < Length.Zero) : null;

    // Null is what only a page made by hand sends; nothing is what was refused in words.
    private async Task<IActionResult> Enter(FieldAsk ask, Func<FieldStep, IReadOnlyList<Change>?> changes)
    {
        if (!Find())
        {
            return NotFound();
        }

        // Sent again because no answer was heard: it is there.
        if (Send.IsKnown(Job.Ledger))
        {
            return Send.Go(Step is { } done ? At(done.Id) : $"/jobs/{Id}/day");
        }

        // A second press for a hole that is crossed out by now: it keeps its number, and no step asks for it any more.
        if (Mount is not null && ask == FieldAsk.Hole && Step?.Id != StepId && StepId is ['b', 'o', 'l', 't', '-', .. var number])
        {
            Problem = $"The plan has moved on since this page was shown: hole {number} is in the wall or crossed out. Expected: the next hole, as it is shown now.";
            return Refuse();
        }

        if (Mount is null || Step is not { } step || step.Ask != ask || changes(step) is not { } wanted)
        {
            return BadRequest();
        }

        if (wanted.Count == 0)
        {
            return Refuse();
        }

        if (WrongWith(wanted) is { } wrong)
        {
            return Refuse(wrong);
        }

        if (WaitsOnDay is { } earlier)
        {
            return Refuse($"This waits for a hold point: {earlier.Hold!.Say(Style)}");
        }

        if (Waits is { } hold)
        {
            return Refuse($"This waits for a hold point: {hold.Hold?.Say(Style) ?? hold.Does.Say(Style)}");
        }

        var before = Job.Ledger.Seq;
        await Send.Append(Reader.Company, Id, Reader.SignIn, "field", Job.Ledger, wanted);
        // On to the next step; where a hole is spent, the same one again, as it is planned now.
        var at = Steps.ToList().IndexOf(step);
        var next = ask == FieldAsk.TestHole || (Request.Form["state"].ToString() is { Length: > 0 } state && state != HoleState.Holds.Word()) ? step.Id : Steps[Math.Min(at + 1, Steps.Count - 1)].Id;
        return Send.Go($"{At(next)}&since={before.ToString(CultureInfo.InvariantCulture)}");
    }

    private bool Find()
    {
        if (!Open())
        {
            return false;
        }

        Steps = Mount is null ? [] : FieldSteps.Of(Job.Plan, Mount.Id);
        if (Step is { Ask: FieldAsk.Hole or FieldAsk.TestHole, Done: false } hole)
        {
            var day = DaySteps.Of(Job.Plan);
            WaitsOnDay = day.FirstOrDefault(s => s.Field == (Mount!.Id, hole.Id)) is { } held ? DaySteps.WaitsFor(day, held) : null;
        }

        if (Since is { } since && since >= 1 && since < Job.Ledger.Seq && Job.Ledger.Seq - since < 200)
        {
            Before = Planner.Plan(JobForm.Read(Job.Ledger.At(since).Document).Sheet, Job.Plan);
            Changed = RemedyProof.Outcome(Before, Job.Plan);
        }

        return true;
    }
}
