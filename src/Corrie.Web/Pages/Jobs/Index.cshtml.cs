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

    /// <summary>Shows the list.</summary>
    public void OnGet()
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
