using System.Text;
using Corrie.Core.Feeds;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Core.Survey;
using Corrie.Data;
using Corrie.Web.Access;
using Corrie.Web.Drawing;
using Corrie.Web.Jobs;
using Corrie.Web.Sheets;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Html;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Corrie.Web.Pages;

/// <summary>The hand-over of one job, for whoever has its link. Nothing can be changed here.</summary>
[AllowAnonymous]
public sealed class HandedOverModel(Companies companies) : PageModel
{
    /// <summary>What the link shows.</summary>
    [FromRoute]
    public string? Code { get; set; }

    /// <summary>The job; null where the link does not work.</summary>
    public OpenJob? Job { get; private set; }

    /// <summary>Who fitted it.</summary>
    public string CompanyName { get; private set; } = string.Empty;

    /// <summary>How lengths are shown: in the units of the job.</summary>
    public LengthStyle Style => new(Job!.Plan.Sheet.Head.Units);

    /// <summary>Walls that are drawn.</summary>
    public IReadOnlyList<WallSheet> Walls => [.. Job!.Plan.Sheet.Walls.Where(w => Job.Plan.Survey(w.Id) is not null)];

    /// <summary>What was fitted.</summary>
    public IReadOnlyList<Item> Fitted => [.. Job!.Plan.Sheet.Items.Where(i => i.Product is not null && Job.Plan.Sheet.WallOf(i) is not null)];

    /// <summary>A wall, from the front or as if its board were glass.</summary>
    public IHtmlContent? Drawn(WallSheet wall, WallView view) => WallDrawing.Draw(Job!.Plan, new(wall.Id, view, Style, Apart: view == WallView.Behind, Settled: true));

    /// <summary>Everything hidden in a wall.</summary>
    public IReadOnlyList<HiddenThing> Hidden(WallSheet wall) => InWall.Of(Job!.Plan, wall);

    /// <summary>Shows it.</summary>
    public IActionResult OnGet()
    {
        Response.StatusCode = Find() ? StatusCodes.Status200OK : StatusCodes.Status404NotFound;
        return Page();
    }

    /// <summary>Sends the pack.</summary>
    public IActionResult OnGetPaper() => Find() ? File(HandOverPaper.Write(Job!.Plan, Style, Job.AsOf), "application/pdf", "hand-over.pdf") : NotFound();

    /// <summary>Sends the job as an open file.</summary>
    public IActionResult OnGetFile() => Find() ? File(Encoding.UTF8.GetBytes(JobFile.Write(Job!.Ledger.Document)), "application/json; charset=utf-8", "job.json") : NotFound();

    private bool Find()
    {
        // Nobody but who has the link is to find this page.
        Response.Headers.CacheControl = "no-store";
        Response.Headers["X-Robots-Tag"] = "noindex";
        Response.Headers["Referrer-Policy"] = "no-referrer";
        if (Invited.Read(companies, Code, (c, secret) => c.ClientLinks.Open(secret)) is not var (company, link) || company.Jobs.Find(link.Job) is not { } row)
        {
            return false;
        }

        try
        {
            Job = JobDesk.Open(company, row, HttpContext.RequestAborted);
        }
        catch (DamagedJobException)
        {
            // The company sees it in its list of jobs; the client is told to ask.
            return false;
        }

        CompanyName = company.Name ?? string.Empty;
        return Job is not null;
    }
}
