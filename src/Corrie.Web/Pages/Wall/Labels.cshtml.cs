using System.Globalization;
using Corrie.Core.Feeds;
using Corrie.Web.Access;
using Corrie.Web.Sheets;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Html;
using Microsoft.AspNetCore.Mvc;

namespace Corrie.Web.Pages.Wall;

/// <summary>Labels for both ends of every cable, to be printed and stuck on, each with a code that leads to the cable's record.</summary>
[Authorize(nameof(Permission.ReadJobs))]
public sealed class LabelsModel(CurrentUser user) : WallPageModel(user)
{
    /// <summary>The labels: one for each end of a cable.</summary>
    public IReadOnlyList<CableLabel> All => CableLabel.Of(Job.Plan);

    /// <summary>Where a cable's record is.</summary>
    public string RecordOf(Connection cable) => $"{Request.Scheme}://{Request.Host}/jobs/{Id}/connections#cable-{cable.Id}";

    /// <summary>The code that leads there, as a drawing.</summary>
    public IHtmlContent Code(Connection cable)
    {
        var (size, dark) = LabelPaper.Squares(RecordOf(cable));
        var path = string.Concat(dark.Select(d => string.Create(CultureInfo.InvariantCulture, $"M{d.X} {d.Y}h1v1h-1z")));
        return new HtmlString($"<svg class=\"qr\" viewBox=\"0 0 {size} {size}\" role=\"img\" aria-label=\"Code that leads to the record of {System.Net.WebUtility.HtmlEncode(cable.Says)}\" shape-rendering=\"crispEdges\"><path d=\"{path}\"></path></svg>");
    }

    /// <summary>Shows them.</summary>
    public IActionResult OnGet() => Open() ? Page() : NotFound();

    /// <summary>Sends them as a PDF.</summary>
    public IActionResult OnGetPaper() => Open() ? File(LabelPaper.Write(Job.Plan, Style, Job.AsOf, RecordOf), "application/pdf", $"labels-{Id}.pdf") : NotFound();
}
