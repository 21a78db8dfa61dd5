using System.Globalization;
using System.Text.Json.Nodes;
using Corrie.Core.Findings;
using Corrie.Core.SiteDay;
using Corrie.Data;
using Corrie.Web.Access;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;

namespace Corrie.Web.Pages.Wall;

/// <summary>A photo of a step: with arrows that are drawn over it, and beside another one, before and after.</summary>
[Authorize(nameof(Permission.EditJobs))]
public sealed class PictureModel(CurrentUser user) : WallPageModel(user)
{
    /// <summary>Key of the photo.</summary>
    [BindProperty(SupportsGet = true, Name = "photo")]
    public string? PhotoId { get; set; }

    /// <summary>Key of the photo that it is compared with; none where nothing is said.</summary>
    [BindProperty(SupportsGet = true, Name = "with")]
    public string? WithId { get; set; }

    /// <summary>The photo.</summary>
    public DayPhoto? Photo => All.FirstOrDefault(p => p.Id == PhotoId);

    /// <summary>The photo beside it.</summary>
    public DayPhoto? With => WithId == PhotoId ? null : All.FirstOrDefault(p => p.Id == WithId);

    /// <summary>All other photos of the day, those of the same step first.</summary>
    public IReadOnlyList<DayPhoto> Others => [.. All.Where(p => p.Id != PhotoId).OrderBy(p => p.Step != Photo?.Step)];

    /// <summary>The step that it is of; null where the plan has no such step.</summary>
    public DayStep? Step => Steps.FirstOrDefault(s => s.Id == Photo?.Step);

    /// <summary>Where it is gone back to.</summary>
    public string Back => (Step is { } step ? DayModel.At(Id, step) : $"/jobs/{Id}/day") + "#photos";

    /// <summary>Width and height of the picture, in pixels.</summary>
    public (int Width, int Height) Size { get; private set; }

    private IReadOnlyList<DayPhoto> All => Job.Plan.Sheet.Get(DayPhoto.Part) ?? [];

    private IReadOnlyList<DayStep> Steps { get; set; } = [];

    /// <summary>The address of a picture.</summary>
    /// <param name="photo">The photo.</param>
    public string At(DayPhoto photo) => $"/jobs/{Id}/survey?handler=Picture&name={photo.Picture}&size=view";

    /// <summary>What a photo's step does.</summary>
    /// <param name="photo">The photo.</param>
    public string StepOf(DayPhoto photo) => Steps.FirstOrDefault(s => s.Id == photo.Step)?.Does.Say(Style) ?? photo.Step;

    /// <summary>What was typed where it was refused.</summary>
    /// <param name="name">Name of the field.</param>
    public string Typed(string name) => Problem is not null && Request.HasFormContentType ? Request.Form[name].ToString() : string.Empty;

    /// <summary>Shows it.</summary>
    public IActionResult OnGet() => Find() ? Page() : NotFound();

    /// <summary>Draws an arrow.</summary>
    /// <param name="says">Its words.</param>
    public async Task<IActionResult> OnPostNoteAsync(string? says)
    {
        if (!Find())
        {
            return NotFound();
        }

        var note = new JsonObject();
        foreach (var (name, what) in new[] { ("x", "Where the words stand, across"), ("y", "Where the words stand, down"), ("toX", "Where the tip is, across"), ("toY", "Where the tip is, down") })
        {
            var typed = Request.Form[name].ToString().Trim().TrimEnd('%');
            if (!double.TryParse(typed, NumberStyles.Float, CultureInfo.InvariantCulture, out var percent) || percent is not (>= 0 and <= 100))
            {
                Problem = $"{what}: '{typed}' is not understood. Expected: a number from 0 to 100, per cent of the photo.";
                break;
            }

            note[name] = percent / 100;
        }

        if (Problem is null && string.IsNullOrWhiteSpace(says))
        {
            Problem = "The arrow has no words. Expected: what it points at.";
        }

        if (Problem is not null)
        {
            return Refuse();
        }

        note["says"] = says!.Trim()[..Math.Min(120, says.Trim().Length)];
        note["by"] = Reader.Name;
        var path = $"/{DayPhoto.Part.Name}/{Photo!.Id}/notes/n{Guid.NewGuid():N}"[..^20];
        return await Append(Here, new Change(path, note));
    }

    /// <summary>Takes an arrow off.</summary>
    /// <param name="note">Its key.</param>
    public async Task<IActionResult> OnPostGoneAsync(string? note)
    {
        if (!Find())
        {
            return NotFound();
        }

        return Photo!.Notes.Items.FirstOrDefault(n => n.Id == note) is { } found
            ? await Append(Here, new Change($"/{DayPhoto.Part.Name}/{Photo.Id}/notes/{found.Id}", null))
            : Redirect(Here);
    }

    private string Here => $"/jobs/{Id}/picture?photo={Photo!.Id}";

    private bool Find()
    {
        if (!Open() || Photo is null || Reader.Company.Photos.Find(Photo.Picture, PhotoSize.View) is not { } path)
        {
            return false;
        }

        Steps = DaySteps.Of(Job.Plan);
        Size = WallPictures.SizeOf(path);
        return true;
    }
}
