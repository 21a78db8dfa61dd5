using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Data;
using Corrie.Web.Access;
using Corrie.Web.Drawing;
using Corrie.Web.Jobs;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Html;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Corrie.Web.Pages.Catalogue;

/// <summary>The company's products of each kind, drawn to one scale.</summary>
[Authorize(nameof(Permission.ReadCatalogue))]
public sealed class IndexModel(CurrentUser user) : PageModel
{
    /// <summary>Which kind is shown.</summary>
    [BindProperty(SupportsGet = true)]
    public string Kind { get; set; } = Display.Kind.Word;

    /// <summary>Who reads.</summary>
    public CurrentUser CurrentUser => user;

    /// <summary>The items.</summary>
    public IReadOnlyList<CatalogueItem> Items { get; private set; } = [];

    /// <summary>Shows the list.</summary>
    public void OnGet()
    {
        JobDesk.Refresh(user.Company);
        Items = user.Company.Catalogue.List(Kind);
    }

    /// <summary>The list as a file.</summary>
    public IActionResult OnGetCsv() =>
        File(CatalogueCsv.Write(ProductKinds.Of(Kind)!, user.Company.Catalogue.List(Kind), user.Style(UnitSystem.Inches) with { Denominator = 64 }), "text/csv; charset=utf-8", $"{Kind}s.csv");

    /// <summary>How many jobs use an item.</summary>
    public string UsedBy(string id) => user.Company.Jobs.List(new(Item: id, PerPage: 1)).Total switch
    {
        0 => "used by no job",
        1 => "used by 1 job",
        var n => $"used by {n} jobs",
    };

    /// <summary>An item in one line.</summary>
    public string Says(CatalogueItem item)
    {
        var style = user.Style(UnitSystem.Inches);
        return ReadOf(item) switch
        {
            null => "can't be read any more: open it and enter what it lacks",
            Display d => $"{d.Width.Show(style).Figures} × {d.Height.Show(style)}, {d.Depth.Show(style)} deep, {Phrase.PlainPart(d.Mass, style.System)}, holes {d.VesaWidth.Millimetres:0} × {d.VesaHeight.Millimetres:0} mm",
            Mount m => $"carries {Phrase.PlainPart(m.Rated, style.System)}, slides {m.Slide.Show(style)} each way, {m.DepthParked.Show(style)} deep{(m.DepthExtended > m.DepthParked ? $", reaches {m.DepthExtended.Show(style)}" : string.Empty)}",
            Fastener f => $"{f.Diameter.Show(style)}, {f.Length.Show(style)} long",
            ISized sized => $"{sized.Width.Show(style).Figures} × {sized.Height.Show(style)}, {sized.Depth.Show(style)} deep, {Phrase.PlainPart(ReadOf(item)!.Mass, style.System)}",
            var other => Phrase.PlainPart(other.Mass, style.System),
        };
    }

    /// <summary>An item in small; nothing where it cannot be read.</summary>
    public IHtmlContent? Drawing(CatalogueItem item) => ReadOf(item) is null ? null : ItemDrawing.Draw(ProductKinds.Of(item.Kind)!, item.Document);

    private static Product? ReadOf(CatalogueItem item)
    {
        var problems = new List<SheetProblem>();
        var kind = ProductKinds.Of(item.Kind)!;
        kind.Form.Check(item.Document, string.Empty, problems);
        return problems.Count == 0 ? kind.Read(item.Document) : null;
    }
}
