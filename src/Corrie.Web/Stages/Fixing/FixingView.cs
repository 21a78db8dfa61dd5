using System.Globalization;
using System.Net;
using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Fixing;
using Corrie.Core.Format;
using Corrie.Core.Hanging;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Core.Survey;
using Corrie.Web.Drawing;

namespace Corrie.Web.Stages.Fixing;

/// <summary>What holds the plates.</summary>
public sealed class FixingView : StageView
{
    /// <inheritdoc/>
    public override StageId Stage => FixingFindings.Stage;

    /// <inheritdoc/>
    public override IReadOnlyList<Part> Parts => [HangingChoice.Bolt, FixingChoice.Part, FixingChoice.Crews];

    /// <inheritdoc/>
    public override string Prompt => "~/Stages/Fixing/_Bolts.cshtml";

    /// <inheritdoc/>
    public override string Results => "~/Stages/Fixing/_Fix.cshtml";

    /// <inheritdoc/>
    public override IReadOnlyList<DrawingLayer> Layers { get; } =
    [
        new(Drawings.Behind, Depth.Bolts, c => Each(c, Front)),
        new(Drawings.Above, Depth.Bolts, c => Each(c, Above)),
    ];

    /// <inheritdoc/>
    public override IEnumerable<Phrase> Sentences(JobPlan plan, string wall) => plan.Sheet.Wall(wall) is not { } sheet ? []
        : plan.Sheet.ThingsOn(sheet).SelectMany(i => plan.Fixing(i.Id)?.Bolts ?? [])
            .Select(b => Phrase.Of($"Bolt {b.Number}, {b.X} across, {b.Y} up, in a stud that is {b.Stud.State.Word()}."));

    /// <inheritdoc/>
    public override IEnumerable<Reading> Readings(Canvas canvas) =>
        canvas.Look.Drawing == Drawings.Above && canvas.Shown().Mount is { } mount && canvas.Plan.Fixing(mount.Id) is { } fixing
            ? fixing.Bolts.Select(b => new Reading(Axis.Across, b.X, $"bolt {b.Number}", "hole-flag"))
            : [];

    private static void Each(Canvas canvas, Action<Canvas, Item, Bolt> draw)
    {
        foreach (var item in canvas.Things)
        {
            foreach (var bolt in canvas.Plan.Fixing(item.Id)?.Bolts ?? [])
            {
                draw(canvas, item, bolt);
            }
        }
    }

    private static void Front(Canvas canvas, Item item, Bolt bolt)
    {
        var (svg, x, y) = (canvas.Svg, canvas.Frame.X(bolt.X), canvas.Frame.Y(bolt.Y));
        svg.Group(bolt.WouldKeepEdge ? "bolt" : "bolt off", ("data-item", item.Id));
        svg.Open("title", string.Empty, [], close: false)
            .Raw(WebUtility.HtmlEncode($"bolt {bolt.Number}: {bolt.X.Show(canvas.Style)} across, {bolt.Y.Show(canvas.Style)} up")).End("title");
        svg.Circle("head", x, y, 6);
        svg.Line("cross", x - 9, y, x + 9, y);
        svg.Line("cross", x, y - 9, x, y + 9);
        if (canvas.IsShown(item.Id) || canvas.Look.Apart)
        {
            // The number that it has in the list and on the sheet.
            canvas.Keep(x + 6, y - 6, 30, 26);
            svg.Words("bolt-number", x + 13, y - 9, bolt.Number.ToString(CultureInfo.InvariantCulture));
        }

        svg.End();
    }

    private static void Above(Canvas canvas, Item item, Bolt bolt)
    {
        var reach = item.Bolt()!.Length - ((Mount)item.Product!).PlateThickness;
        var (svg, s, x, thick) = (canvas.Svg, canvas.Frame, canvas.Frame.X(bolt.X), Math.Max(2, canvas.Frame.D(item.Bolt()!.Diameter)));
        var end = canvas.Face - s.D(reach);
        svg.Path("bolt-body", $"M{x - (thick / 2)} {canvas.Face} V{end + thick} L{x} {end} L{x + (thick / 2)} {end + thick} V{canvas.Face} Z");
        svg.Rect("bolt-head", x - thick, canvas.Face, 2 * thick, Math.Max(3, thick * .7), 1);
        // Rows lie over each other from here: one number a column, with all that are in it.
        var column = canvas.Plan.Fixing(item.Id)!.Bolts.Where(b => b.X == bolt.X).ToList();
        if (column[0] == bolt && canvas.IsShown(item.Id))
        {
            svg.Words("bolt-number", x, canvas.Face - s.D(canvas.Wall.StudDepth + canvas.Wall.LayersThickness) - 6, string.Join(", ", column.Select(b => b.Number)));
        }
    }
}
