using System.Text.Json.Nodes;
using Corrie.Core.Findings;
using Corrie.Core.Jobs;
using Corrie.Core.Planning;
using Corrie.Core.SiteDay;
using Corrie.Data;
using Corrie.Web.Access;
using Corrie.Web.Jobs;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Corrie.Web.Pages.Wall;

/// <summary>What the client gets of a job, and what is looked at again after it.</summary>
[Authorize(nameof(Permission.EditJobs))]
public sealed class ShareModel(CurrentUser user, TimeProvider time) : WallPageModel(user)
{
    private const int LongestName = 80;

    /// <summary>The link that was just made: shown once.</summary>
    public string? Made { get; private set; }

    /// <summary>Whether the reader may let a client in.</summary>
    public bool Shares => Reader.May(Permission.ShareJobs);

    /// <summary>The job's links, the newest first.</summary>
    public IReadOnlyList<ClientLink> Links => Reader.Company.ClientLinks.Of(Id);

    /// <summary>What is looked at again, the earliest first.</summary>
    public IReadOnlyList<(Aftercare Care, DateOnly? Due)> Again =>
        [.. (Job.Plan.Sheet.Get(Aftercare.Part) ?? []).Select(a => (a, Due: a.Due(Job.Plan.Sheet))).OrderBy(a => a.a.Done.Length > 0).ThenBy(a => a.Due ?? DateOnly.MaxValue)];

    /// <summary>The day that it is where the server stands.</summary>
    public DateOnly Today => DateOnly.FromDateTime(time.GetLocalNow().DateTime);

    /// <summary>What was typed, where it was refused.</summary>
    public string Typed(string name) => Problem is not null && Request.HasFormContentType ? Request.Form[name].ToString() : string.Empty;

    /// <summary>The name to be shown of who signs in with a name.</summary>
    public string NameOf(string signIn) => Reader.Company.People.Find(signIn)?.Name ?? signIn;

    /// <summary>Shows it.</summary>
    public IActionResult OnGet() => Open() ? Page() : NotFound();

    private string Here => $"/jobs/{Id}/share";

    /// <summary>Makes a link.</summary>
    /// <param name="says">For whom it is.</param>
    public IActionResult OnPostLink(string? says)
    {
        if (!Open())
        {
            return NotFound();
        }

        if (!Shares)
        {
            return Forbid();
        }

        if (string.IsNullOrWhiteSpace(says) || says.Length > LongestName)
        {
            return Refuse($"Nobody was named, or by over {LongestName} letters. Expected: for whom the link is.");
        }

        Made = $"{Request.Scheme}://{Request.Host}/handed-over/{Invited.Write(Reader.Company, Reader.Company.ClientLinks.Make(Id, says.Trim(), Reader.SignIn))}";
        return Page();
    }

    /// <summary>Revokes a link.</summary>
    /// <param name="link">Key of the link.</param>
    public IActionResult OnPostRevoke(long link)
    {
        if (!Open())
        {
            return NotFound();
        }

        if (!Shares)
        {
            return Forbid();
        }

        Reader.Company.ClientLinks.Revoke(Id, link);
        return Redirect(Here);
    }

    /// <summary>Says that something is to be looked at again.</summary>
    /// <param name="kind">Why.</param>
    /// <param name="what">What it is.</param>
    /// <param name="due">When; empty for the usual time after the hand-over.</param>
    public async Task<IActionResult> OnPostCareAsync(string? kind, string? what, string? due) => !Open() ? NotFound()
        : !string.IsNullOrWhiteSpace(due) && DayTime.Read(due) is null ? Refuse($"'{due}' is no day. Expected: year, month and day, such as 2026-12-27, or nothing.")
        : await Append(Here, new Change($"/{Aftercare.Part.Name}/a{Guid.NewGuid().ToString("N")[..6]}", new JsonObject { ["kind"] = kind, ["what"] = what ?? string.Empty, ["due"] = due?.Trim() ?? string.Empty }));

    /// <summary>Says that it was done.</summary>
    /// <param name="care">Key of what was looked at.</param>
    public async Task<IActionResult> OnPostDoneAsync(string? care) => !Open() ? NotFound()
        : Again.FirstOrDefault(a => a.Care.Id == care).Care is not { } again ? NotFound()
        : again.Done.Length > 0 ? Redirect(Here)
        : await Append(Here, new($"/{Aftercare.Part.Name}/{again.Id}/done", Today.ToString("yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture)), new($"/{Aftercare.Part.Name}/{again.Id}/by", Reader.Name));
}
