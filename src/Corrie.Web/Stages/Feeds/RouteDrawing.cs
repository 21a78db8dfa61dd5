using System.Globalization;
using Corrie.Core.Catalogue;
using Corrie.Core.Feeds;
using Corrie.Core.Fixing;
using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;
using Corrie.Core.Survey;
using Corrie.Web.Drawing;
using Microsoft.AspNetCore.Html;

namespace Corrie.Web.Stages.Feeds;

/// <summary>Draws one way over a wall in small, its holes numbered: several such drawings stand side by side, all to one scale.</summary>
public static class RouteDrawing
{
    private const double Wide = 380, High = 236, Edge = 14;

    /// <summary>A way over its wall.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="wall">Key of the wall.</param>
    /// <param name="route">What the way is for.</param>
    /// <param name="way">The way.</param>
    /// <param name="says">What it shows, for those who do not see it.</param>
    public static IHtmlContent Draw(JobPlan plan, string wall, RoutePlan route, Way way, string says)
    {
        if (plan.Sheet.Wall(wall) is not { } sheet || plan.Survey(wall) is not { } survey)
        {
            return HtmlString.Empty;
        }

        var face = survey.Wall;
        var scale = Math.Min((Wide - (2 * Edge)) / face.Width.Inches, (High - (2 * Edge)) / face.Height.Inches);
        var frame = new Frame(scale, (Wide - (face.Width.Inches * scale)) / 2, ((High - (face.Height.Inches * scale)) / 2) + (face.Height.Inches * scale));
        var svg = new Svg();
        svg.Open("svg", "drawing route-small", [("viewBox", FormattableString.Invariant($"0 0 {Wide} {High}")), ("xmlns", "http://www.w3.org/2000/svg"), ("role", "img"), ("aria-label", says)], close: false);
        svg.Rect("wall", frame.Left, frame.Y(face.Height), frame.D(face.Width), frame.D(face.Height));
        foreach (var stud in survey.For(plan.ShownBolt(wall)).Studs)
        {
            svg.Rect("stud-near", frame.X(stud.Left), frame.Y(face.Height), frame.D(stud.Width), frame.D(face.Height));
        }

        foreach (var noggin in survey.For(plan.ShownBolt(wall)).Map.Crossings)
        {
            frame.Rect(svg, "stud-near", Rect.Between(noggin.From, noggin.To, noggin.Centre - noggin.Width.Half, noggin.Centre + noggin.Width.Half));
        }

        foreach (var feature in face.Features)
        {
            frame.Rect(svg, $"hint {feature.Kind.Word()}", feature.Outline);
        }

        foreach (var item in plan.Sheet.ThingsOn(sheet))
        {
            if (plan.Placement(item.Id) is { } placed)
            {
                frame.Rect(svg, item.Product is WallBox ? "box-opening" : "route-display", placed.Outer, 1);
            }
        }

        FeedDrawing.Line(svg, frame, way, way.OnSurface ? "raceway-edge" : "way", route.Route.Power);
        var number = 0;
        foreach (var hole in way.Holes)
        {
            number++;
            var (x, y) = HoleAt(plan, wall, hole);
            svg.Circle("way-hole", frame.X(x), frame.Y(y), 4).Words("way-number", frame.X(x) + 6, frame.Y(y) - 4, number.ToString(CultureInfo.InvariantCulture));
        }

        return new HtmlString(svg.End("svg").ToString());
    }

    /// <summary>Where the middle of a hole is.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="wall">Key of the wall.</param>
    /// <param name="hole">The move that drills it.</param>
    /// <returns>From the left corner, and over the floor.</returns>
    public static (Length X, Length Y) HoleAt(JobPlan plan, string wall, WayMove hole)
    {
        var survey = plan.Survey(wall)!;
        return hole.Kind switch
        {
            WayMoveKind.Stud => (survey.For(plan.ShownBolt(wall)).Studs.Where(s => s.Centre > Length.Min(hole.From.X, hole.To.X) && s.Centre < Length.Max(hole.From.X, hole.To.X)).Select(s => (Length?)s.Centre).FirstOrDefault() ?? hole.From.X + (hole.To.X - hole.From.X).Half, hole.From.Y),
            WayMoveKind.TopPlate => (hole.From.X, survey.Wall.Height - WayWall.TopPlate.Half),
            WayMoveKind.BottomPlate => (hole.From.X, WayWall.BottomPlate.Half),
            _ => (hole.From.X, hole.From.Y),
        };
    }
}
