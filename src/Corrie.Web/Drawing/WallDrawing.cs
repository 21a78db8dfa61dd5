using System.Collections.Concurrent;
using System.Runtime.CompilerServices;
using Corrie.Core.Catalogue;
using Corrie.Core.Format;
using Corrie.Core.Masonry;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;
using Corrie.Core.Survey;
using Corrie.Web.Stages;
using Microsoft.AspNetCore.Html;

namespace Corrie.Web.Drawing;

/// <summary>Draws a plan on a wall of it: the layers of all stages, one over the other.</summary>
public static class WallDrawing
{
    // A plan never changes, so its drawings do not either: they are made once for all who look, and go with the plan.
    private static readonly ConditionalWeakTable<JobPlan, ConcurrentDictionary<Look, IHtmlContent>> Drawn = [];

    private static readonly DrawingLayer[] Layers =
    [
        .. new[]
        {
            new DrawingLayer(Drawings.Elevations, Depth.Ground, Ground),
            new DrawingLayer(Drawings.Elevations, Depth.Found, c => c.Svg.Line("floor-line", c.Frame.Left - 4, c.Frame.Floor, c.Frame.X(c.Wall.Width) + 4, c.Frame.Floor)),
            new DrawingLayer(Drawings.Elevations | Drawings.Side | Drawings.Above, Depth.Tapes, Tape),
            new DrawingLayer(Drawings.Above, Depth.Next, RoomDrawing.Draw),
            new DrawingLayer(Drawings.Elevations, Depth.Tags, Tags.Draw),
        }.Concat(StageViews.All.SelectMany(v => v.Layers)).OrderBy(l => l.Depth),
    ];

    /// <summary>The drawing as an SVG element; null as long as the wall has no size.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="look">What is looked at, and how.</param>
    public static IHtmlContent? Draw(JobPlan plan, Look look) =>
        plan.Tapes(look.Wall) is null ? null
        : look.Advice is not null ? Make(plan, look)
        : Drawn.GetValue(plan, _ => new()).GetOrAdd(look, _ => Make(plan, look));

    private static HtmlString Make(JobPlan plan, Look look)
    {
        var svg = new Svg();
        var canvas = new Canvas(svg, plan, look);
        var (style, tapes) = (look.Style, canvas.Tapes);
        svg.Open("svg", $"drawing view-{look.View.Word()}{(look.Photo.Length > 0 ? " on-photo" : string.Empty)}",
            [
                ("xmlns", "http://www.w3.org/2000/svg"),
                ("id", "drawing"),
                ("viewBox", $"0 0 {Svg.Trim(Frame.Width)} {Svg.Trim(Frame.Of(canvas.Wall.Width, canvas.Wall.Height).Height)}"),
                ("role", "group"),
                ("aria-label", Says(canvas)),
                ("data-scale", (canvas.Frame.Scale / Length.PerInch).ToString("R")),
                ("data-left", Svg.Trim(canvas.Frame.Left)),
                ("data-floor", Svg.Trim(canvas.Frame.Floor)),
                ("data-step", style.Step.Units.ToString()),
                ("data-system", style.System == UnitSystem.Inches ? "in" : "mm"),
                ("data-denominator", style.Denominator.ToString()),
                ("data-feet", style.FeetInches ? "1" : "0"),
                ("data-datum-across", tapes.Across.At.Units.ToString()),
                ("data-datum-up", tapes.Up.At.Units.ToString()),
                .. (look.Edits ? [("data-edits", "1")] : Array.Empty<(string, string)>()),
            ], close: false);
        svg.Raw(Materials.Definitions);
        if (look.Drawing == Drawings.Above)
        {
            var (left, right) = (canvas.Frame.X(canvas.Stretch.From), canvas.Frame.X(canvas.Stretch.To));
            svg.Open("clipPath", string.Empty, [("id", "stretch")], close: false).Rect(string.Empty, left, 0, right - left, canvas.Frame.Floor).End("clipPath");
            svg.Group("stretch", ("clip-path", "url(#stretch)"));
        }

        var inStretch = look.Drawing == Drawings.Above;
        foreach (var layer in Layers.Where(l => l.Drawings.HasFlag(look.Drawing)))
        {
            if (inStretch && layer.Depth >= Depth.Tapes)
            {
                svg.End();
                inStretch = false;
            }

            layer.Draw(canvas);
        }

        return new HtmlString(svg.End("svg").ToString());
    }

    private static string Says(Canvas canvas) => canvas.Look.View switch
    {
        WallView.Side => "The wall from the side, in section",
        WallView.Above => "The wall from above, in section",
        var view => $"The wall {(view == WallView.Front ? "from the front" : "as if the board were glass")}, {canvas.Wall.Width.Show(canvas.Style)} wide and {canvas.Wall.Height.Show(canvas.Style)} high",
    };

    private static void Ground(Canvas canvas)
    {
        var outline = new Rect(Length.Zero, Length.Zero, canvas.Wall.Width, canvas.Wall.Height);
        canvas.Frame.Rect(canvas.Svg, "wall", outline);
        if (canvas.Look is { Photo.Length: > 0, Drawing: Drawings.Front })
        {
            var (left, top) = (canvas.Frame.X(Length.Zero), canvas.Frame.Y(canvas.Wall.Height));
            canvas.Svg.Open("image", "wall-photo", [("href", canvas.Look.Photo), ("x", Svg.Trim(left)), ("y", Svg.Trim(top)), ("width", Svg.Trim(canvas.Frame.D(canvas.Wall.Width))), ("height", Svg.Trim(canvas.Frame.D(canvas.Wall.Height))), ("preserveAspectRatio", "none")], close: true);
        }
        else if (canvas.Wall.Kind == WallKind.Masonry)
        {
            // What is known of its joints is drawn by itself.
            var look = canvas.Plan.Sheet.Wall(canvas.Look.Wall)!.Facework().Courses is not null ? "masonry coursed" : canvas.Wall.Layers.Count > 0 && canvas.Wall.Layers[0].IsRough() ? "masonry rough" : "masonry";
            canvas.Frame.Rect(canvas.Svg, look, outline);
        }
    }

    private static void Tape(Canvas canvas)
    {
        var (svg, frame, wall) = (canvas.Svg, canvas.Frame, canvas.Wall);
        var readings = Marks(canvas).Concat(StageViews.All.SelectMany(v => v.Readings(canvas))).ToList();
        var (thing, _) = canvas.Shown();
        var outer = thing is null ? null : canvas.Plan.Placement(thing.Id)?.Outer;
        if (canvas.Look.Drawing != Drawings.Above)
        {
            var reach = canvas.Look.Drawing == Drawings.Side ? canvas.Face : outer is { } o ? frame.X(o.Right) : frame.X(wall.Width);
            Tapes.Up(svg, frame, wall.Height, canvas.Tapes.Up, canvas.Tapes.Datums, readings.Where(r => r.Axis == Axis.Up), canvas.Style, reach);
        }

        if (canvas.Look.Drawing != Drawings.Side)
        {
            var reach = canvas.Look.Drawing == Drawings.Above ? canvas.Face : outer is { } o ? frame.Y(o.Bottom) : frame.Y(wall.Height);
            Tapes.Across(svg, frame, canvas.Stretch, canvas.Tapes.Across, canvas.Tapes.Datums, readings.Where(r => r.Axis == Axis.Across), canvas.Style, reach);
        }
    }

    // The marks of what is looked at; of everything else only its centre line, or the flags would cover each other.
    private static IEnumerable<Reading> Marks(Canvas canvas)
    {
        var view = canvas.Look.Drawing switch
        {
            Drawings.Front => MarkViews.Front,
            Drawings.Behind => MarkViews.Behind,
            _ => MarkViews.None,
        };
        return canvas.Plan.Marks
            .Where(m => m.Wall == canvas.Look.Wall && view != MarkViews.None && m.Views.HasFlag(view))
            .Where(m => m.Item.Length == 0 || canvas.Look.Apart || canvas.IsShown(m.Item) || m.Phase == MarkPhase.CentreLines)
            .SelectMany(m => new[]
            {
                m.X is { } x ? new Reading(Axis.Across, x, m.Name, Classes(m.Look), m.Follows) : null,
                m.Y is { } y ? new Reading(Axis.Up, y, m.Name, Classes(m.Look), m.Follows) : null,
            }.OfType<Reading>());
    }

    private static string Classes(MarkLook look) => look switch
    {
        MarkLook.Chalk => "blue",
        MarkLook.Hole => "hole-flag",
        _ => string.Empty,
    };
}
