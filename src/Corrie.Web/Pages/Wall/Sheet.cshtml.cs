using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using Corrie.Data;
using Corrie.Web.Access;
using Corrie.Web.Jobs;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Corrie.Web.Pages.Wall;

/// <summary>The set-out sheet, to be printed on one page.</summary>
[Authorize(nameof(Permission.ReadJobs))]
public sealed class SheetModel(Reader reader) : PageModel
{
    /// <summary>The job's key.</summary>
    [BindProperty(SupportsGet = true)]
    public long Id { get; set; }

    /// <summary>The job.</summary>
    public JobRow Row { get; private set; } = null!;

    /// <summary>The plan.</summary>
    public JobPlan Plan { get; private set; } = null!;

    /// <summary>The reader's units.</summary>
    public LengthStyle Style => reader.Style(Plan.Sheet.Head.Units);

    /// <summary>Shows the sheet.</summary>
    public IActionResult OnGet()
    {
        if (reader.Open(Id) is not { } job)
        {
            return NotFound();
        }

        (Row, Plan) = (job.Row, job.Plan);
        return Page();
    }
}
