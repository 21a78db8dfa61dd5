using Corrie.Core.Fixing;
using Corrie.Core.Planning;
using Corrie.Web.Access;
using Corrie.Web.Sheets;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Html;
using Microsoft.AspNetCore.Mvc;

namespace Corrie.Web.Pages.Wall;

/// <summary>A plate's template at true scale, to look at and to print.</summary>
[Authorize(nameof(Permission.ReadJobs))]
public sealed class TemplateModel(CurrentUser user) : MountPageModel(user)
{
    /// <summary><c>board</c> for the cut-out of a board under the plate; else the plate's holes.</summary>
    [BindProperty(SupportsGet = true, Name = "sheet")]
    public string? Sheet { get; set; }

    /// <summary>Whether it is a board's cut-out.</summary>
    public bool Board => Sheet == "board";

    /// <summary>What goes on to every address of it.</summary>
    public string Address => $"/jobs/{Id}/template?item={Mount!.Id}{(Board ? "&sheet=board" : string.Empty)}";

    /// <summary>The template; null where no mount has bolts.</summary>
    public Template? Template => Mount is null ? null : new(Job.Plan, Mount, Style, Board);

    /// <summary>What stops drilling by it.</summary>
    public int Stops => Job.Plan.Findings.Count(f => f.Stops && (f.Where.Wall.Length == 0 || f.Where.Wall == Job.Plan.Sheet.WallOf(Mount!)?.Id));

    /// <summary>It as markup.</summary>
    public IHtmlContent Picture => new HtmlString(Template?.Svg() ?? string.Empty);

    /// <summary>Shows it.</summary>
    public IActionResult OnGet() => Open() ? Page() : NotFound();

    /// <summary>As a PDF.</summary>
    /// <param name="paper">The word of what it is printed on.</param>
    public IActionResult OnGetPdf(string? paper) => !Open() || Template is not { } template ? NotFound()
        : File(template.Pdf(TemplatePaper.All.FirstOrDefault(p => p.Word == paper) ?? TemplatePaper.All[Style.System == Core.Measure.UnitSystem.Inches ? 0 : 1]), "application/pdf", $"{(Board ? "board" : "template")}-{Id}-{Mount!.Id}.pdf");

    /// <summary>As SVG.</summary>
    public IActionResult OnGetSvg() => !Open() || Template is not { } template ? NotFound()
        : File(System.Text.Encoding.UTF8.GetBytes(template.Svg()), "image/svg+xml", $"{(Board ? "board" : "template")}-{Id}-{Mount!.Id}.svg");
}
