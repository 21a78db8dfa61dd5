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
    public override IReadOnlyList<Part> Parts => [HangingChoice.Bolt, FixingChoice.Part, FixingEvidence.Part, FixingChoice.Crews];

    /// <inheritdoc/>
    public override string Fold(Part part) => part == FixingEvidence.Part ? "What the maker or an engineer says" : string.Empty;

    /// <inheritdoc/>
    public override string Prompt => "~/Stages/Fixing/_Bolts.cshtml";

    /// <inheritdoc/>
    public override string Results => "~/Stages/Fixing/_Fix.cshtml";

    /// <inheritdoc/>
    public override IReadOnlyList<DrawingLayer> Layers { get; } =
    [
        new(Drawings.Behind, Depth.Bolts, c => Each(c, Front)),
        new(Drawings.Behind, Depth.Bolts, Spent),
        new(Drawings.Behind, Depth.Lines, c => Each(c, Across)),
        new(Drawings.Side, Depth.Lines, Pulls),
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

    // What is in the wall and holds nothing: crossed out, its number with it, so that nobody puts a bolt there again.
    private static void Spent(Canvas canvas)
    {
        foreach (var item in canvas.Things)
        {
            foreach (var hole in canvas.Plan.Layout(item.Id)?.Spent ?? [])
            {
                var (svg, x, y) = (canvas.Svg, canvas.Frame.X(hole.X), canvas.Frame.Y(hole.Y));
                svg.Group("bolt spent", ("data-item", item.Id));
                svg.Open("title", string.Empty, [], close: false).Raw(WebUtility.HtmlEncode($"hole {hole.Number}, spent: {hole.X.Show(canvas.Style)} across, {hole.Y.Show(canvas.Style)} up")).End("title");
                svg.Circle("head", x, y, 4);
                svg.Line("struck", x - 7, y - 7, x + 7, y + 7);
                svg.Line("struck", x - 7, y + 7, x + 7, y - 7);
                if (canvas.IsShown(item.Id) || canvas.Look.Apart)
                {
                    canvas.Keep(x - 13, y - 6, 26, 20);
                    svg.Words("bolt-number struck-number", x - 14, y - 5, hole.Number.ToString(CultureInfo.InvariantCulture));
                }

                svg.End();
            }
        }
    }

    // What goes across each bolt in its worst pose, as an arrow: its direction, and as long as the load is large.
    private static void Across(Canvas canvas, Item item, Bolt bolt)
    {
        if (!canvas.IsShown(item.Id) || bolt.Across.Newtons < 1 || double.IsInfinity(bolt.Across.Newtons))
        {
            return;
        }

        var length = Math.Min(LongestArrow, ShortestArrow + (bolt.Across.PoundsForce * PerPound));
        var (right, up) = (bolt.Load.Right.Newtons / bolt.Across.Newtons, bolt.Load.Up.Newtons / bolt.Across.Newtons);
        var (x, y) = (canvas.Frame.X(bolt.X), canvas.Frame.Y(bolt.Y));
        Arrow(canvas.Svg, bolt, x + (right * Beside), y - (up * Beside), right, -up, length);
    }

    // From the side: what pulls each row out of the wall.
    private static void Pulls(Canvas canvas)
    {
        if (canvas.Shown().Mount is not { } mount || canvas.Plan.Fixing(mount.Id) is not { } fixing)
        {
            return;
        }

        foreach (var row in fixing.Bolts.GroupBy(b => b.Y))
        {
            var worst = row.MaxBy(b => b.Pull.Newtons)!;
            if (worst.Pull.Newtons >= 1 && !double.IsInfinity(worst.Pull.Newtons))
            {
                Arrow(canvas.Svg, worst, canvas.Face, canvas.Frame.Y(worst.Y), 1, 0, Math.Min(LongestArrow, ShortestArrow + (worst.Pull.PoundsForce * PerPound)));
            }
        }
    }

    private const double Beside = 8;
    private const double ShortestArrow = 10;
    private const double LongestArrow = 56;
    private const double PerPound = 0.35;
    private const double Head = 6;

    private static void Arrow(Svg svg, Bolt bolt, double x, double y, double right, double down, double length)
    {
        var (tipX, tipY) = (x + (right * length), y + (down * length));
        var (backX, backY) = (tipX - (right * Head), tipY - (down * Head));
        var used = bolt.Utilisation ?? 0;
        svg.Path(used > 1 ? "load-arrow over" : used > 0.8 ? "load-arrow near" : "load-arrow",
            $"M{x:0.#} {y:0.#} L{backX:0.#} {backY:0.#} M{backX - (down * Head / 2):0.#} {backY + (right * Head / 2):0.#} L{tipX:0.#} {tipY:0.#} L{backX + (down * Head / 2):0.#} {backY - (right * Head / 2):0.#} Z");
    }

    private static void Above(Canvas canvas, Item item, Bolt bolt)
    {
        var reach = canvas.Plan.BoltOf(item)!.Length - ((Mount)item.Product!).PlateThickness;
        var (svg, s, x, thick) = (canvas.Svg, canvas.Frame, canvas.Frame.X(bolt.X), Math.Max(2, canvas.Frame.D(canvas.Plan.BoltOf(item)!.Diameter)));
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
