using Corrie.Core.Findings;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Core.Survey;
using Corrie.Core.WholePlan;
using Corrie.Data;
using Corrie.Web.Access;
using Corrie.Web.Jobs;
using Corrie.Web.Sheets;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Corrie.Web.Pages.Wall;

/// <summary>The set-out sheet, to be printed on one page.</summary>
[Authorize(nameof(Permission.ReadJobs))]
public sealed class SheetModel(CurrentUser user) : PageModel
{
    /// <summary>The job's key.</summary>
    [FromRoute]
    public long Id { get; set; }

    /// <summary>The job.</summary>
    public JobRow Row { get; private set; } = null!;

    /// <summary>The plan.</summary>
    public JobPlan Plan { get; private set; } = null!;

    /// <summary>The wall; the first one where nothing is said.</summary>
    [BindProperty(SupportsGet = true, Name = "wall")]
    public string? WallId { get; set; }

    /// <summary>The wall.</summary>
    public WallSheet? Wall => Plan.Sheet.Wall(WallId) ?? (Plan.Sheet.Walls.Count > 0 ? Plan.Sheet.Walls[0] : null);

    /// <summary>Its tapes; null as long as it has no size.</summary>
    public WallTapes? Tapes => Wall is null ? null : Plan.Tapes(Wall.Id);

    /// <summary>What hangs on it.</summary>
    public IReadOnlyList<Item> Things => Wall is null ? [] : [.. Plan.Sheet.ThingsOn(Wall)];

    /// <summary>What is wrong on it, or with the whole job.</summary>
    public IReadOnlyList<Finding> Findings => [.. Plan.Findings.Where(f => f.Where.Wall.Length == 0 || f.Where.Wall == Wall?.Id)];

    /// <summary>Tools, people, and what nobody has confirmed.</summary>
    public SetOutKit Kit => SetOutKit.Of(Plan, Wall?.Id ?? string.Empty);

    /// <summary>The reader's units.</summary>
    public LengthStyle Style => user.Style(Plan.Sheet.Head.Units);

    /// <summary>Shows the sheet.</summary>
    public IActionResult OnGet()
    {
        if (user.Open(Id) is not { } job)
        {
            return NotFound();
        }

        (Row, Plan) = (job.Row, job.Plan);
        return Page();
    }

    /// <summary>The sheet as a PDF, the calculation of the worst bolts behind it.</summary>
    public IActionResult OnGetPdf()
    {
        if (user.Open(Id) is not { } job)
        {
            return NotFound();
        }

        (Row, Plan) = (job.Row, job.Plan);
        return Wall is null ? NotFound() : File(SetOutPaper.Write(Plan, Wall, Style, OpenJob.Said(Row)), "application/pdf", $"set-out-{Id}-{Wall.Id}.pdf");
    }
}
