using Corrie.Core.Findings;
using Corrie.Core.Jobs.Format;
using Corrie.Core.Measure;
using Corrie.Data;
using Corrie.Web.Access;
using Corrie.Web.Jobs;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Corrie.Web.Pages.Catalogue;

/// <summary>The company's displays, mounts and fasteners, drawn to one scale.</summary>
[Authorize(nameof(Permission.ReadCatalogue))]
public sealed class IndexModel(Reader reader) : PageModel
{
    private static readonly string[] FastenerFigures = ["diameter", "length", "ratedTension"];

    /// <summary>Which kind is shown.</summary>
    [BindProperty(SupportsGet = true)]
    public string Kind { get; set; } = "display";

    /// <summary>Who reads.</summary>
    public Reader Reader => reader;

    /// <summary>The items.</summary>
    public IReadOnlyList<CatalogueItem> Items { get; private set; } = [];

    /// <summary>Shows the list.</summary>
    public void OnGet()
    {
        JobDesk.Refresh(reader.Company);
        Items = reader.Company.Catalogue.List(Kind);
    }

    /// <summary>How many jobs use an item.</summary>
    public string UsedBy(string id) => reader.Company.Jobs.List(new(Item: id, PerPage: 1)).Total switch
    {
        0 => "used by no job",
        1 => "used by 1 job",
        var n => $"used by {n} jobs",
    };

    /// <summary>An item in one line.</summary>
    public string Says(CatalogueItem item)
    {
        var style = reader.Style(UnitSystem.Inches);
        switch (item.Kind)
        {
            case "display":
                var d = SheetReader.Display(item.Document);
                return $"{d.Width.Show(style).Figures} × {d.Height.Show(style)}, {d.Depth.Show(style)} deep, {Phrase.PlainPart(d.Mass, style.System)}, holes {d.VesaWidth.Millimetres:0} × {d.VesaHeight.Millimetres:0} mm";
            case "mount":
                var m = SheetReader.Mount(item.Document);
                return $"carries {Phrase.PlainPart(m.Rated, style.System)}, slides {m.Slide.Show(style)} each way, {m.DepthParked.Show(style)} deep{(m.DepthExtended > m.DepthParked ? $", reaches {m.DepthExtended.Show(style)}" : string.Empty)}";
            default:
                return string.Join(", ", FastenerFigures.Select(n => item.Document[n]?.ToString()).Where(t => t is not null));
        }
    }
}
