using System.Text.Json.Nodes;
using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Hanging;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Web.Access;
using Corrie.Web.Jobs;
using Corrie.Web.Stages.Hanging;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Corrie.Web.Pages.Wall;

/// <summary>What can be done where a plate and the studs do not meet, and which mounts of the catalogue fit: each a plan of its own, side by side.</summary>
[Authorize(nameof(Permission.ReadCatalogue))]
public sealed class WaysModel(CurrentUser user) : PageModel
{
    /// <summary>The job's key.</summary>
    [FromRoute]
    public long Id { get; set; }

    /// <summary>Key of the mount; the first one where nothing is said.</summary>
    [BindProperty(SupportsGet = true, Name = "item")]
    public string? ItemId { get; set; }

    /// <summary>The job.</summary>
    public OpenJob Job { get; private set; } = null!;

    /// <summary>The mount; null where the job has none that has a place.</summary>
    public Item? Mount { get; private set; }

    /// <summary>The ways that lead out, as it is planned first; other mounts are not among them.</summary>
    public IReadOnlyList<WayOut> Ways { get; private set; } = [];

    /// <summary>The mounts of the catalogue, those that fit first.</summary>
    public IReadOnlyList<WayOut> Mounts { get; private set; } = [];

    /// <summary>Whether the reader may change the sheet.</summary>
    public bool Edits => user.May(Permission.EditJobs);

    /// <summary>The reader's units.</summary>
    public LengthStyle Style => user.Style(Job.Plan.Sheet.Head.Units);

    /// <summary>The stretch of the wall that all drawings show.</summary>
    public Rect? Stretch => PlateCloseUp.Stretch(Ways.Select(w => w.Plan), Mount?.Id ?? string.Empty);

    /// <summary>What stops a way: what is wrong with the mount for any place first, and then with this place.</summary>
    public IEnumerable<Finding> Against(WayOut way) => way.Plan.Findings.Where(f => f.Stops && f.Kind.Stage == HangingFindings.Stage && f.Where.Part.StartsWith(Mount!.Id + "/", StringComparison.Ordinal))
        .OrderBy(f => f.Kind == HangingFindings.CentreOutOfSlide || f.Kind == HangingFindings.OneStudOnly);

    /// <summary>Shows them.</summary>
    public IActionResult OnGet()
    {
        if (user.Open(Id) is not { } job)
        {
            return NotFound();
        }

        Job = job;
        Mount = (job.Plan.Sheet.Item(ItemId) is { } asked && asked.Kind == Core.Catalogue.Mount.Kind ? asked : null) ?? job.Plan.Sheet.Items.FirstOrDefault(i => job.Plan.Layout(i.Id) is not null);
        if (Mount is not null)
        {
            List<(string Name, JsonObject Product)> others = [.. user.Company.Catalogue.List(Core.Catalogue.Mount.Kind.Word).Select(m => (m.Name, Product: Parts.Copy(user.Company, m.Id)?.Document)).Where(m => m.Product is not null).Select(m => (m.Name, m.Product!))];
            var all = WaysOut.Of(job.Ledger.Document, job.Plan, Mount.Id, others, all: true);
            Ways = [.. all.Where(w => w.Kind == WayKind.AsItIs || (w.Kind != WayKind.OtherMount && w.Holds && WaysOut.Wanted(job.Plan, Mount.Id)))];
            Mounts = [.. all.Where(w => w.Kind is WayKind.AsItIs or WayKind.OtherMount).OrderBy(w => w.Kind).ThenBy(w => Against(w).Count())];
        }

        return Page();
    }
}
