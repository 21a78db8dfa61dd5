using System.Net;
using Corrie.Core.Catalogue;
using Corrie.Core.Feeds;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Web.Drawing;

namespace Corrie.Web.Stages.Feeds;

/// <summary>Draws where boxes may go and which ways cables take.</summary>
public static class FeedDrawing
{
    /// <summary>Where the box that is looked at may be, and the best of it.</summary>
    public static void Windows(Canvas canvas)
    {
        if (canvas.Selected is not { Product: WallBox box } item || canvas.Plan.Box(item.Id) is not { } places)
        {
            return;
        }

        var (svg, frame) = (canvas.Svg, canvas.Frame);
        svg.Group("box-windows");
        // Centres are where the middle may be; what is shown is what the opening may cover, so that it is seen between the studs.
        foreach (var piece in places.Centres.Windows.SelectMany(w => w.Pieces))
        {
            frame.Rect(svg, "box-window", Rect.Between(piece.Left - box.OpeningWidth.Half, piece.Right + box.OpeningWidth.Half, piece.Bottom - box.OpeningHeight.Half, piece.Top + box.OpeningHeight.Half));
        }

        svg.End();
        var number = 1;
        foreach (var place in places.All.Take(3))
        {
            var (x, y) = (frame.X(place.X), frame.Y(place.Y));
            svg.Path(number == 1 ? "box-best" : "box-next", $"M{x - 7} {y}h14M{x} {y - 7}v14");
            svg.Words("box-best-number", x + 9, y - 4, number.ToString(System.Globalization.CultureInfo.InvariantCulture));
            number++;
        }
    }

    /// <summary>Ways through the wall, with every hole that is drilled for them.</summary>
    public static void Inside(Canvas canvas)
    {
        foreach (var (box, item) in canvas.Things.Select(t => (t.Product as WallBox, t)).Where(t => t.Item1 is not null))
        {
            if (canvas.Plan.Placement(item.Id) is { } placed)
            {
                canvas.Frame.Rect(canvas.Svg, "box-opening", Rect.Between(placed.Outer.CentreX - box!.OpeningWidth.Half, placed.Outer.CentreX + box.OpeningWidth.Half, placed.Outer.CentreY - box.OpeningHeight.Half, placed.Outer.CentreY + box.OpeningHeight.Half), 1);
            }
        }

        foreach (var route in canvas.Plan.Routes(canvas.Look.Wall)?.All ?? [])
        {
            if (route.Next is { OnSurface: false } next && canvas.Plan.Routes(canvas.Look.Wall)!.All.Count <= 4)
            {
                Line(canvas, next, "way next", route.Route.Power);
            }

            if (route.Chosen is not { OnSurface: false } way)
            {
                continue;
            }

            var svg = canvas.Svg;
            svg.Group(route.Route.Power ? "feed-way power" : "feed-way signal");
            svg.Open("title", string.Empty, [], close: false).Raw(WebUtility.HtmlEncode(FeedWords.Says(canvas.Plan, canvas.Look.Wall, route).Say(canvas.Style))).End("title");
            Line(canvas, way, "way", route.Route.Power);
            var n = 1;
            foreach (var hole in way.Holes)
            {
                var (x, y) = Place(canvas, hole, route.Route.Power);
                svg.Circle("way-hole", x, y, Math.Max(3.5, canvas.Frame.D(route.Hole) / 2));
                n++;
            }

            if (way.Moves.Count > 0)
            {
                var longest = way.Moves.MaxBy(m => m.Run.Units);
                var (x, y) = Middle(canvas, longest, route.Route.Power);
                // Beside an upright run, power on the left and signal on the right; over a level one, signal under it.
                var upright = longest.From.X == longest.To.X;
                var (dx, dy) = upright ? (route.Route.Power ? -6d : 6d, 4d) : (0d, route.Route.Power ? -5d : 13d);
                canvas.Keep(x + dx + (route.Route.Power ? -28 : 28), y + dy - 4, 56, 14);
                svg.Words(upright && route.Route.Power ? "way-name left" : "way-name", x + dx, y + dy, route.Route.Called);
            }

            svg.End();
        }
    }

    /// <summary>Devices on brackets behind displays, with their brackets.</summary>
    public static void Hidden(Canvas canvas)
    {
        foreach (var item in canvas.Plan.Sheet.Items)
        {
            if (canvas.Plan.Hidden(item.Id) is not var (outline, left, right) || canvas.Plan.Sheet.Item(item.Get(Stands.Part)!.In) is not { } display || canvas.Plan.Sheet.WallOf(display)?.Id != canvas.Look.Wall)
            {
                continue;
            }

            var (svg, frame) = (canvas.Svg, canvas.Frame);
            frame.Rect(svg, "hidden-box", outline, 1);
            foreach (var x in new[] { left, right })
            {
                svg.Line("hidden-bracket", frame.X(x), frame.Y(outline.Bottom) + 4, frame.X(x), frame.Y(outline.Top) - 4);
            }

            svg.Words("hidden-name", frame.X(outline.CentreX), frame.Y(outline.CentreY) + 4, item.Name);
        }
    }

    /// <summary>Raceways over the wall.</summary>
    public static void Surface(Canvas canvas)
    {
        foreach (var route in canvas.Plan.Routes(canvas.Look.Wall)?.All ?? [])
        {
            if (route.Chosen is { OnSurface: true } way)
            {
                canvas.Svg.Group("raceway");
                canvas.Svg.Open("title", string.Empty, [], close: false).Raw(WebUtility.HtmlEncode(FeedWords.Says(canvas.Plan, canvas.Look.Wall, route).Say(canvas.Style))).End("title");
                // What follows the line of another is drawn beside it.
                var beside = canvas.Plan.Routes(canvas.Look.Wall)!.Beside(route).Count;
                if (beside > 0)
                {
                    canvas.Svg.Group(string.Empty, [("transform", $"translate({-7 * beside} {-7 * beside})")]);
                }

                Line(canvas, way, "raceway-edge", route.Route.Power);
                Line(canvas, way, "raceway-face", route.Route.Power);
                if (beside > 0)
                {
                    canvas.Svg.End();
                }

                canvas.Svg.End();
            }
        }
    }

    /// <summary>What runs in raceways, where nothing else stands.</summary>
    public static void SurfaceNames(Canvas canvas)
    {
        foreach (var route in canvas.Plan.Routes(canvas.Look.Wall)?.All ?? [])
        {
            foreach (var move in route.Chosen is { OnSurface: true } way ? way.Moves.OrderByDescending(m => m.Run.Units) : Enumerable.Empty<WayMove>())
            {
                var words = route.Route.Called + ", raceway";
                var (x, y) = ((canvas.Frame.X(move.From.X) + canvas.Frame.X(move.To.X)) / 2, (canvas.Frame.Y(move.From.Y) + canvas.Frame.Y(move.To.Y)) / 2);
                var (left, top, wide) = move.From.X == move.To.X ? (x + 7, y - 10, words.Length * 6.4) : (x - (words.Length * 3.2), y - 20, words.Length * 6.4);
                if (canvas.IsFree(left, top, wide, 15))
                {
                    canvas.Keep(left + (wide / 2), top + 8, wide, 15);
                    canvas.Svg.Words("way-name", left, top + 13, words);
                    break;
                }
            }
        }
    }

    // Power runs left of its line and signal right of it, as they are kept apart in the bay.
    private static double Side(bool power) => power ? -4 : 4;

    private static (double X, double Y) Place(Canvas canvas, WayMove move, bool power)
    {
        var x = move.Kind == WayMoveKind.Stud ? (canvas.Frame.X(move.From.X) + canvas.Frame.X(move.To.X)) / 2 : canvas.Frame.X(move.From.X) + Side(power);
        return move.Kind switch
        {
            WayMoveKind.Stud => (StudX(canvas, move) ?? x, canvas.Frame.Y(move.From.Y)),
            WayMoveKind.TopPlate => (x, canvas.Frame.Y(canvas.Wall.Height - WayWall.TopPlate.Half)),
            WayMoveKind.BottomPlate => (x, canvas.Frame.Y(WayWall.BottomPlate.Half)),
            _ => (x, canvas.Frame.Y(move.From.Y)),
        };
    }

    private static double? StudX(Canvas canvas, WayMove move) => canvas.Studs.Where(s => s.Centre > Length.Min(move.From.X, move.To.X) && s.Centre < Length.Max(move.From.X, move.To.X)).Select(s => (double?)canvas.Frame.X(s.Centre)).FirstOrDefault();

    private static (double X, double Y) Middle(Canvas canvas, WayMove move, bool power) =>
        ((canvas.Frame.X(move.From.X) + canvas.Frame.X(move.To.X)) / 2 + (move.From.X == move.To.X ? Side(power) : 0), (canvas.Frame.Y(move.From.Y) + canvas.Frame.Y(move.To.Y)) / 2);

    private static void Line(Canvas canvas, Way way, string look, bool power) => Line(canvas.Svg, canvas.Frame, way, look, power);

    /// <summary>A way as a line.</summary>
    /// <param name="svg">Where it is drawn.</param>
    /// <param name="frame">Where things of the wall lie.</param>
    /// <param name="way">The way.</param>
    /// <param name="look">How it looks.</param>
    /// <param name="power">Whether it carries power.</param>
    internal static void Line(Svg svg, Frame frame, Way way, string look, bool power)
    {
        if (way.Moves.Count == 0)
        {
            return;
        }

        var side = way.OnSurface ? 0 : Side(power);
        var points = new List<(double X, double Y)>();
        void To(WayEnd end, double dx) => points.Add((frame.X(end.X) + dx, frame.Y(end.Y)));
        To(way.Moves[0].From, side);
        foreach (var move in way.Moves)
        {
            // Attic and basement are drawn just outside of the wall.
            var off = move.Kind == WayMoveKind.Attic ? -9 : move.Kind == WayMoveKind.Basement ? 9 : 0;
            if (off != 0)
            {
                points.Add((frame.X(move.From.X) + side, frame.Y(move.From.Y) + off));
                points.Add((frame.X(move.To.X) + side, frame.Y(move.To.Y) + off));
            }
            else
            {
                To(move.To, side);
            }
        }

        svg.Open("polyline", $"{look} {(power ? "power" : "signal")}", [("points", string.Join(' ', points.Select(p => $"{Svg.Trim(p.X)},{Svg.Trim(p.Y)}")))], close: true);
    }
}
