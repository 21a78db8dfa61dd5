using System.Globalization;
using System.Text.Json.Nodes;
using Corrie.Core.Catalogue;
using Corrie.Core.Feeds;
using Corrie.Core.Findings;
using Corrie.Core.Hanging;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Core.SiteDay;
using Corrie.Data;
using Corrie.Web.Access;
using Corrie.Web.Jobs;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Corrie.Web.Pages.Wall;

/// <summary>The whole day as a list, and one step of it at a time: what to do, who does it, what has to be shown first.</summary>
[Authorize(nameof(Permission.EditJobs))]
public sealed class DayModel(CurrentUser user, TimeProvider time) : WallPageModel(user)
{
    /// <summary>Key of the step that is looked at; the whole list where nothing is said.</summary>
    [BindProperty(SupportsGet = true, Name = "step")]
    public string? StepId { get; set; }

    /// <summary>All steps.</summary>
    public IReadOnlyList<DayStep> Steps { get; private set; } = [];

    /// <summary>The step that is looked at; null for the whole list.</summary>
    public DayStep? Step => StepId is null ? null : Steps.FirstOrDefault(s => s.Id == StepId);

    /// <summary>The step to go on with.</summary>
    public DayStep? Next => Steps.FirstOrDefault(s => !s.Done && DaySteps.WaitsFor(Steps, s) is null) ?? Steps.FirstOrDefault(s => !s.Done);

    /// <summary>Visits of the job, the earliest first.</summary>
    public IReadOnlyList<Visit> Visits => [.. (Job.Plan.Sheet.Get(Visit.Part) ?? []).OrderBy(v => v.On, StringComparer.Ordinal)];

    /// <summary>The company, whose catalogue has the manuals.</summary>
    public Company Company => Reader.Company;

    /// <summary>What was typed where it was refused.</summary>
    public string Typed { get; private set; } = string.Empty;

    /// <summary>Photos of the steps.</summary>
    public IReadOnlyList<DayPhoto> Photos => Job.Plan.Sheet.Get(DayPhoto.Part) ?? [];

    /// <summary>The address of a step.</summary>
    /// <param name="step">The step.</param>
    public string At(DayStep step) => At(Id, step);

    /// <summary>The address of a step.</summary>
    /// <param name="job">The job's key.</param>
    /// <param name="step">The step.</param>
    public static string At(long job, DayStep step) => step.Field is { } field ? $"/jobs/{job}/field?item={field.Mount}&step={Uri.EscapeDataString(field.Step)}" : $"/jobs/{job}/day?step={Uri.EscapeDataString(step.Id)}";

    /// <summary>Where a step's evidence is entered; null where a tick is all.</summary>
    /// <param name="step">The step.</param>
    public string? Evidence(DayStep step) => step.Evidence is { } evidence ? $"/jobs/{Id}/{evidence.Step.Word}{(step.Wall.Length > 0 ? "?wall=" + step.Wall : string.Empty)}{(evidence.Form.Length > 0 ? "#" + evidence.Form : string.Empty)}" : null;

    /// <summary>Whether a step is done by evidence alone, and by no tick.</summary>
    /// <param name="step">The step.</param>
    public static bool ByEvidence(DayStep step) => step.Evidence is not null && step.Writes.Count == 0;

    /// <summary>Shows it.</summary>
    public IActionResult OnGet() => Find() ? Page() : NotFound();

    /// <summary>Says that a step is done, or what was not as planned.</summary>
    /// <param name="step">Key of the step.</param>
    /// <param name="note">What else there is to say.</param>
    /// <param name="how">Whether it went otherwise than planned.</param>
    public async Task<IActionResult> OnPostDoneAsync(string? step, string? note, string? how)
    {
        if (!Find())
        {
            return NotFound();
        }

        if (Send.IsKnown(Job.Ledger))
        {
            return Send.Go($"/jobs/{Id}/day");
        }

        StepId = step;
        Typed = note ?? string.Empty;
        if (Step is not { } found || found.Field is not null || ByEvidence(found))
        {
            return BadRequest();
        }

        var otherwise = how == "otherwise";
        Problem = DaySteps.WaitsFor(Steps, found) is { } hold ? $"This waits for a hold point: {hold.Hold!.Say(Style)}"
            : found is { ByPhoto: true, Done: false } ? "A tick is not enough for this. Expected: a photo."
            : found is { Measures.Length: > 0, Done: false } ? "A tick is not enough for this. Expected: both readings."
            : otherwise && string.IsNullOrWhiteSpace(note) ? "Nothing was said of what was not as planned. Expected: a few words."
            : null;
        if ((Problem ?? WrongWith(DaySteps.Tick(found, Reader.Name, Typed, !otherwise))) is { } problem)
        {
            return Refuse(problem);
        }

        // A second press says the same again: nothing is written for it.
        if (!found.Done || otherwise || Typed.Length > 0)
        {
            await Append(DaySteps.Tick(found, Reader.Name, Typed, !otherwise));
        }

        Find();
        return Send.Go(Request.Form["list"] == "yes" ? $"/jobs/{Id}/day#step-{found.Id}" : Next is { } next ? At(next) : $"/jobs/{Id}/day");
    }

    /// <summary>Enters where the hook is on the display, measured on the table.</summary>
    /// <param name="step">Key of the step.</param>
    /// <param name="bottom">From its bottom edge to the hook.</param>
    /// <param name="top">From its top edge to the hook.</param>
    public Task<IActionResult> OnPostChainAsync(string? step, string? bottom, string? top) => Enter(step, s => s.Measures.Length > 0, found =>
    {
        if (Read(bottom) is not { } up || Read(top) is not { } down)
        {
            return [];
        }

        var choice = Job.Plan.Sheet.Item(found.Measures)!.Get(HangingChoice.Part)!;
        var display = (Display)Job.Plan.Sheet.DisplayOn(Job.Plan.Sheet.Item(found.Measures)!)!.Product!;
        if (!HeightChain.Agrees(up, down, display.Height))
        {
            Problem = $"{(up + down).Show(Style with { Denominator = 32 })} together, and the display is {display.Height.Show(Style with { Denominator = 32 })} high. Expected: both readings to the same hook, which make its height.";
            return [];
        }

        return [choice.Here.Set("measuredBottomToHook", up), choice.Here.Set("measuredTopToHook", down)];

        Length? Read(string? typed)
        {
            var read = LengthReader.Read(typed ?? string.Empty, Style.System);
            Problem ??= read.Ok ? null : $"{read.Problem!.Understood}. Expected: {read.Problem.Expected}.";
            return read.Ok ? read.Value : null;
        }
    });

    /// <summary>Takes the client's signature at the end.</summary>
    /// <param name="step">Key of the step.</param>
    /// <param name="signed">The client's name.</param>
    /// <param name="drawn">The signature as strokes.</param>
    /// <param name="note">What else was said.</param>
    public Task<IActionResult> OnPostSignedAsync(string? step, string? signed, string? drawn, string? note) => Enter(step, s => s.Signs, found =>
    {
        Problem = !Licences.Given(signed ?? string.Empty) ? "No name is signed. Expected: the client's name, with or without a drawn signature."
            : !string.IsNullOrEmpty(drawn) && DrawnSignature.Read(drawn) is null ? "What was drawn is no signature. Expected: a name in strokes, or the typed name alone."
            : null;
        return Problem is not null ? [] :
        [
            new($"/{HandedOver.Part.Name}", new JsonObject
            {
                ["by"] = signed!.Trim(),
                ["on"] = (Send.At ?? time.GetUtcNow()).ToString("yyyy-MM-dd HH:mm 'UTC'", CultureInfo.InvariantCulture),
                ["drawn"] = drawn ?? string.Empty,
                ["open"] = Job.Plan.Findings.Count(f => f.Stops),
                ["note"] = note?.Trim() ?? string.Empty,
            }),
            .. DaySteps.Tick(found, Reader.Name, string.Empty, asPlanned: true),
        ];
    });

    /// <summary>What was typed, where it was refused.</summary>
    /// <param name="name">Name of the field.</param>
    public string TypedIn(string name) => Problem is not null && Request.HasFormContentType ? Request.Form[name].ToString() : string.Empty;

    // What is entered at a step that asks for more than a tick.
    private async Task<IActionResult> Enter(string? step, Func<DayStep, bool> asks, Func<DayStep, IReadOnlyList<Change>> read)
    {
        if (!Find())
        {
            return NotFound();
        }

        if (Send.IsKnown(Job.Ledger))
        {
            return Send.Go($"/jobs/{Id}/day");
        }

        StepId = step;
        if (Step is not { } found || !asks(found))
        {
            return BadRequest();
        }

        if (DaySteps.WaitsFor(Steps, found) is { } hold)
        {
            return Refuse($"This waits for a hold point: {hold.Hold!.Say(Style)}");
        }

        var changes = read(found);
        if ((Problem ?? WrongWith(changes)) is { } problem)
        {
            return Refuse(problem);
        }

        await Append(changes);
        Find();
        return Send.Go(Next is { } next ? At(next) : $"/jobs/{Id}/day");
    }

    /// <summary>Takes a tick back.</summary>
    /// <param name="step">Key of the step.</param>
    public async Task<IActionResult> OnPostOpenAsync(string? step)
    {
        if (!Find())
        {
            return NotFound();
        }

        if (Send.IsKnown(Job.Ledger))
        {
            return Send.Go($"/jobs/{Id}/day");
        }

        if (Steps.FirstOrDefault(s => s.Id == step) is not { Field: null } found || (Job.Plan.Sheet.Get(DayTick.Part) ?? []).All(t => t.Id != found.Id))
        {
            return BadRequest();
        }

        await Append([new Change($"/{DayTick.Part.Name}/{found.Id}", null), .. found.Writes.Select(w => w with { Value = null })]);
        return Send.Go($"/jobs/{Id}/day?step={Uri.EscapeDataString(found.Id)}");
    }

    /// <summary>Adds a photo to a step, all of it at once.</summary>
    /// <param name="step">Key of the step.</param>
    /// <param name="says">What is to be seen.</param>
    /// <param name="picture">The picture.</param>
    public async Task<IActionResult> OnPostPhotoAsync(string? step, string? says, IFormFile? picture)
    {
        if (!Find())
        {
            return NotFound();
        }

        StepId = step;
        if (Send.IsKnown(Job.Ledger))
        {
            return Send.Go(AfterPhoto(step));
        }

        if (picture is null)
        {
            return Refuse("No picture was chosen. Expected: a JPEG, PNG or WebP picture.");
        }

        using var bytes = new MemoryStream();
        await picture.CopyToAsync(bytes);
        return await Keep(step, says, bytes.ToArray());
    }

    /// <summary>How much of a photo is there already, for a phone that was cut off.</summary>
    /// <param name="once">The key that it is sent with.</param>
    public IActionResult OnGetPiece(string? once)
    {
        if (!Find())
        {
            return NotFound();
        }

        return new JsonResult(new { have = OneSend.IsKey(once) ? Reader.Company.Pieces.Have(PieceKey(once!)) : 0 });
    }

    /// <summary>Takes a piece of a photo; with the last one the photo is there.</summary>
    /// <param name="step">Key of the step.</param>
    /// <param name="says">What is to be seen.</param>
    /// <param name="offset">Where the piece begins, in bytes.</param>
    /// <param name="total">How long the whole is.</param>
    /// <param name="piece">The piece.</param>
    public async Task<IActionResult> OnPostPieceAsync(string? step, string? says, long? offset, long? total, IFormFile? piece)
    {
        if (!Find())
        {
            return NotFound();
        }

        StepId = step;
        if (Send.IsKnown(Job.Ledger))
        {
            return Send.Go(AfterPhoto(step));
        }

        if (!OneSend.IsKey(Request.Form["once"]) || offset is null || total is null || piece is null)
        {
            return Refuse("A piece of a picture came without its key, its place or its bytes. Expected: all three.");
        }

        using var bytes = new MemoryStream();
        await piece.CopyToAsync(bytes);
        var key = PieceKey(Send.Key);
        var (have, whole, problem) = Reader.Company.Pieces.Add(key, offset.Value, total.Value, bytes.ToArray());
        if (problem is not null)
        {
            return Refuse($"{problem}.");
        }

        if (whole is null)
        {
            return new JsonResult(new { have });
        }

        var answer = await Keep(step, says, whole);
        Reader.Company.Pieces.Drop(key);
        return answer;
    }

    private string PieceKey(string once) => $"{Id}-{once}";

    private string AfterPhoto(string? step) => (Steps.FirstOrDefault(s => s.Id == step) is { } found ? At(found) : $"/jobs/{Id}/day") + "#photos";

    private async Task<IActionResult> Keep(string? step, string? says, byte[] bytes)
    {
        // What a later plan has no step for is a photo of the job all the same.
        if (step is not { Length: > 0 and <= 60 } || !step.All(c => char.IsAsciiLetterOrDigit(c) || c == '-'))
        {
            return Refuse("It is not said which step the photo is of. Expected: the key of a step.");
        }

        var (name, problem) = Reader.Company.Photos.Add(bytes);
        if (name is null)
        {
            return Refuse($"{problem}. Expected: a JPEG, PNG or WebP picture of at most {PhotoStore.MostBytes / 1_000_000} MB.");
        }

        var photo = new JsonObject { ["step"] = step, ["picture"] = name, ["by"] = Reader.Name };
        if (!string.IsNullOrWhiteSpace(says))
        {
            photo["says"] = says.Trim()[..Math.Min(200, says.Trim().Length)];
        }

        await Append([new Change($"/{DayPhoto.Part.Name}/p{Send.Key[..12]}", photo)]);
        return Send.Go(AfterPhoto(step));
    }

    private OneSend Send => send ??= OneSend.Of(Request);

    private OneSend? send;

    private Task Append(IReadOnlyList<Change> changes) => Send.Append(Reader.Company, Id, Reader.SignIn, "day", Job.Ledger, changes);

    private bool Find()
    {
        if (!Open())
        {
            return false;
        }

        Steps = DaySteps.Of(Job.Plan);
        return true;
    }
}
