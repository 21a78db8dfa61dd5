using System.Text.Json.Nodes;
using Corrie.Core.Format;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Data;
using Corrie.Web.Access;
using Corrie.Web.Jobs;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Corrie.Web.Pages.Jobs;

/// <summary>The jobs, each with its wall in small, its state, what is wrong and what comes next.</summary>
[Authorize(nameof(Permission.ReadJobs))]
public sealed class IndexModel(CurrentUser user) : PageModel
{
    private const int PerPage = 24;
    private const string TitlePath = "/job/title";
    private const string ArchivedPath = "/job/archived";

    /// <summary>Words searched for.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Search { get; set; }

    /// <summary>State chosen.</summary>
    [BindProperty(SupportsGet = true)]
    public string? State { get; set; }

    /// <summary>Catalogue item that the jobs use.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Item { get; set; }

    /// <summary>Page of the list.</summary>
    [BindProperty(SupportsGet = true)]
    public int Number { get; set; } = 1;

    /// <summary>Who reads.</summary>
    public CurrentUser CurrentUser => user;

    /// <summary>The jobs of this page.</summary>
    public IReadOnlyList<JobRow> List { get; private set; } = [];

    /// <summary>How many there are in all.</summary>
    public int Total { get; private set; }

    /// <summary>How many pages.</summary>
    public int Pages => (Total + PerPage - 1) / PerPage;

    /// <summary>Whether anything narrows the list.</summary>
    public bool Filtered => !string.IsNullOrWhiteSpace(Search) || !string.IsNullOrEmpty(State) || !string.IsNullOrEmpty(Item);

    /// <summary>What the catalogue item is called.</summary>
    public string? UsedBy { get; private set; }

    /// <summary>The job whose new name was refused; null for none.</summary>
    public long? Renamed { get; private set; }

    /// <summary>The name that was refused, as typed.</summary>
    public string TypedTitle { get; private set; } = string.Empty;

    /// <summary>Why it was refused.</summary>
    public string Problem { get; private set; } = string.Empty;

    /// <summary>Shows the list.</summary>
    public void OnGet() => Load();

    /// <summary>Gives a job another name.</summary>
    public async Task<IActionResult> OnPostRenameAsync(long id, string? title)
    {
        if (!user.May(Permission.StartJobs))
        {
            return Forbid();
        }

        var name = title?.Trim() ?? string.Empty;
        var shape = JobForm.At(TitlePath)!;
        var value = shape.Take(name, UnitSystem.Inches, out var problem);
        if (name.Length == 0 || problem is not null)
        {
            (Renamed, TypedTitle, Problem) = (id, title ?? string.Empty, problem?.ToString() ?? "A job needs a name. Expected: what the crew calls it, such as Map room.");
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
            Load();
            return Page();
        }

        return await Set(id, TitlePath, value!);
    }

    /// <summary>Puts a job away, or takes it out again; nothing of it is lost.</summary>
    public Task<IActionResult> OnPostArchiveAsync(long id, bool archived) => Set(id, ArchivedPath, JsonValue.Create(archived));

    private async Task<IActionResult> Set(long id, string path, JsonNode value)
    {
        if (!user.May(Permission.StartJobs))
        {
            return Forbid();
        }

        if (user.Open(id) is not { } job)
        {
            return NotFound();
        }

        if (!JsonNode.DeepEquals(Pointer.Get(job.Ledger.Document, path), value))
        {
            await user.Company.Entries.Append(id, user.SignIn, "page", [new(Guid.NewGuid().ToString("N"), path, value, [.. job.Ledger.HoldersOf(path)])]);
        }

        return Redirect("/jobs");
    }

    private void Load()
    {
        JobDesk.Refresh(user.Company);
        Number = Math.Max(1, Number);
        (List, Total) = user.Company.Jobs.List(new(
            Search ?? string.Empty, string.IsNullOrEmpty(State) ? null : State, user.SiteId, string.IsNullOrEmpty(Item) ? null : Item, Number, PerPage));
        UsedBy = string.IsNullOrEmpty(Item) ? null : user.Company.Catalogue.Find(Item)?.Name;
    }

    /// <summary>The plan of a job in the list.</summary>
    public JobPlan? PlanOf(JobRow job) => job.Summary.State == JobSummary.Damaged ? null : JobDesk.PlanOrNothing(user.Company, job.Id);
}
