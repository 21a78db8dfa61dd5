using Corrie.Core.Findings;
using Corrie.Core.Jobs;
using Corrie.Core.Planning;
using Corrie.Core.SiteDay;
using Corrie.Web.Access;
using Corrie.Web.Jobs;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;

namespace Corrie.Web.Pages.Wall;

/// <summary>The whole day as a list, and one step of it at a time: what to do, who does it, what has to be shown first.</summary>
[Authorize(nameof(Permission.EditJobs))]
public sealed class DayModel(CurrentUser user) : WallPageModel(user)
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

    /// <summary>What was typed where it was refused.</summary>
    public string Typed { get; private set; } = string.Empty;

    /// <summary>The address of a step.</summary>
    /// <param name="step">The step.</param>
    public string At(DayStep step) => step.Field is { } field ? $"/jobs/{Id}/field?item={field.Mount}&step={Uri.EscapeDataString(field.Step)}" : $"/jobs/{Id}/day?step={Uri.EscapeDataString(step.Id)}";

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
            : otherwise && string.IsNullOrWhiteSpace(note) ? "Nothing was said of what was not as planned. Expected: a few words."
            : null;
        if (Problem is null && SheetChanges.WouldBeWrong(Job.Ledger.Document, DaySteps.Tick(found, Reader.Name, Typed, !otherwise)) is { Count: > 0 } wrong)
        {
            Problem = $"{wrong[0].Understood}. Expected: {wrong[0].Expected}.";
        }

        if (Problem is not null)
        {
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
            return Page();
        }

        // A second press says the same again: nothing is written for it.
        if (!found.Done || otherwise || Typed.Length > 0)
        {
            await Append(DaySteps.Tick(found, Reader.Name, Typed, !otherwise));
        }

        Find();
        return Send.Go(Request.Form["list"] == "yes" ? $"/jobs/{Id}/day#step-{found.Id}" : Next is { } next ? At(next) : $"/jobs/{Id}/day");
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
