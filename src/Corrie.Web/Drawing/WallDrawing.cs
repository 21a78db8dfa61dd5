using System.Collections.Concurrent;
using System.Runtime.CompilerServices;
using Corrie.Core.Catalogue;
using Corrie.Core.Jobs;
using Corrie.Core.Jobs.Format;
using Corrie.Core.Measure;
using Corrie.Core.Survey;
using Microsoft.AspNetCore.Html;

namespace Corrie.Web.Drawing;

/// <summary>Draws a plan on its wall.</summary>
public static class WallDrawing
{
    // A plan never changes, so its drawings do not either: they are made once for all who look, and go with the plan.
    private static readonly ConditionalWeakTable<JobPlan, ConcurrentDictionary<(WallView, LengthStyle, bool, bool), IHtmlContent>> Drawn = [];

    /// <summary>The drawing as an SVG element; null as long as the wall has no size.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="view">Which way to look.</param>
    /// <param name="style">The reader's units.</param>
    /// <param name="edits">Whether things can be dragged.</param>
    /// <param name="surveying">Whether the wall itself is the question: what was found and measured is shown then, and not what hangs.</param>
    public static IHtmlContent? Draw(JobPlan plan, WallView view, LengthStyle style, bool edits, bool surveying = false)
    {
        return plan is { Sheet.Wall: not null, Across: not null, Up: not null }
            ? Drawn.GetValue(plan, _ => new()).GetOrAdd((view, style, edits, surveying), _ => Make(plan, view, style, edits, surveying))
            : null;
    }

    private static HtmlString Make(JobPlan plan, WallView view, LengthStyle style, bool edits, bool surveying)
    {
        var wall = plan.Sheet.Wall!;
        var sheet = Sheet.Of(wall.Width, wall.Height, surveying);
        var svg = new Svg();
        svg.Open("svg", $"drawing view-{view.Word()}",
            [
                ("xmlns", "http://www.w3.org/2000/svg"),
                ("id", "drawing"),
                ("viewBox", $"0 0 {Svg.Trim(Sheet.Width)} {Svg.Trim(sheet.Height)}"),
                ("role", "group"),
                ("aria-label", Says(plan, view, style)),
                ("data-scale", (sheet.Scale / Length.PerInch).ToString("R")),
                ("data-left", Svg.Trim(sheet.Left)),
                ("data-floor", Svg.Trim(sheet.Floor)),
                ("data-step", style.Step.Units.ToString()),
                ("data-system", style.System == UnitSystem.Inches ? "in" : "mm"),
                ("data-denominator", style.Denominator.ToString()),
                ("data-feet", style.FeetInches ? "1" : "0"),
                ("data-datum-across", plan.Across!.At.Units.ToString()),
                ("data-datum-up", plan.Up!.At.Units.ToString()),
                .. (edits ? [("data-edits", "1")] : Array.Empty<(string, string)>()),
            ], close: false);
        svg.Raw(Materials.Definitions);
        switch (view)
        {
            case WallView.Side when surveying:
                SectionDrawing.Draw(svg, wall, style);
                break;
            case WallView.Side:
                SideDrawing.Draw(svg, sheet, plan, wall, style);
                break;
            case WallView.Above:
                AboveDrawing.Draw(svg, sheet, plan, wall, style);
                break;
            default:
                Elevation(svg, sheet, plan, wall, view, style, surveying);
                break;
        }

        return new HtmlString(svg.End("svg").ToString());
    }

    private static string Says(JobPlan plan, WallView view, LengthStyle style) => view switch
    {
        WallView.Side => "The wall from the side, in section",
        WallView.Above => "The wall from above, in section",
        _ => $"The wall {(view == WallView.Front ? "from the front" : "as if the board were glass")}, {plan.Sheet.Wall!.Width.Show(style)} wide and {plan.Sheet.Wall.Height.Show(style)} high",
    };

    private static void Elevation(Svg svg, Sheet sheet, JobPlan plan, Wall wall, WallView view, LengthStyle style, bool surveying)
    {
        var behind = view == WallView.Behind;
        var top = sheet.Y(wall.Height);
        svg.Rect("wall", sheet.Left, top, sheet.D(wall.Width), sheet.D(wall.Height));
        if (wall.Kind == WallKind.Masonry)
        {
            svg.Rect("masonry", sheet.Left, top, sheet.D(wall.Width), sheet.D(wall.Height));
        }

        if (behind)
        {
            Framing.Draw(svg, sheet, wall, plan.Across!, style);
        }

        foreach (var feature in wall.Features.Where(f => f.Kind != FeatureKind.Soundbar || behind))
        {
            FeatureDrawing.Draw(svg, sheet, feature, behind);
        }

        var ofTheWall = behind && surveying;
        if (behind)
        {
            Framing.Crossings(svg, sheet, plan.Survey!.Framing, style);
            Framing.KeepOuts(svg, sheet, plan.Survey);
        }

        if (ofTheWall)
        {
            Dimensions.Draw(svg, sheet, plan, wall, style);
            if (plan.Placed is { } outline)
            {
                sheet.Box(svg, "outline", outline.Outer);
            }

            EvidenceDrawing.Draw(svg, sheet, plan, wall, style);
        }

        svg.Line("floor-line", sheet.Left - 4, sheet.Floor, sheet.X(wall.Width) + 4, sheet.Floor);
        if (plan.Placed is not null && !ofTheWall)
        {
            HangingDrawing.Draw(svg, sheet, plan, behind, style);
        }

        foreach (var bar in wall.Features.Where(f => f.Kind == FeatureKind.Soundbar && !behind))
        {
            FeatureDrawing.Draw(svg, sheet, bar, behind);
        }

        var (up, across) = ofTheWall ? OfTheWall(plan, wall) : Readings(plan, wall, behind);
        Tapes.Up(svg, sheet, wall.Height, plan.Up!, plan.Datums, up, style, plan.Placed is { } p ? sheet.X(p.Outer.Right) : sheet.X(wall.Width));
        Tapes.Across(svg, sheet, wall.Width, plan.Across!, plan.Datums, across, style, plan.Placed is { } q ? sheet.Y(q.Outer.Bottom) : top);
        if (ofTheWall)
        {
            EvidenceDrawing.Probes(svg, sheet, plan, wall, style);
        }

        Tags.Draw(svg, sheet, plan, wall, surveying);
    }

    private static (List<Reading> Up, List<Reading> Across) OfTheWall(JobPlan plan, Wall wall)
    {
        var up = wall.Features.Where(f => f.Solid && f.Kind is not FeatureKind.Other).Select(f => new Reading(f.Top, "top of the " + f.Name)).Take(4).ToList();
        up.AddRange(plan.Probes.Where(p => p.Axis == Axis.Up).Select(p => new Reading(p.At, "next probe", "blue")));
        var across = plan.Probes.Where(p => p.Axis == Axis.Across).Select(p => new Reading(p.At, "next probe", "blue")).ToList();
        across.AddRange(wall.Features.Where(f => f.Kind is FeatureKind.Window or FeatureKind.Door or FeatureKind.Fireplace or FeatureKind.Furniture).SelectMany(f => new[] { new Reading(f.Left, "left edge of the " + f.Name), new(f.Right, "right edge of the " + f.Name) }));
        return (up, [.. across.Take(8)]);
    }

    private static (List<Reading> Up, List<Reading> Across) Readings(JobPlan plan, Wall wall, bool behind)
    {
        var up = new List<Reading>();
        var across = new List<Reading>();
        if (plan.Placed is not { } placed)
        {
            across.AddRange(wall.Studs.Select(s => new Reading(s.Centre, "stud")));
            return (up, across);
        }

        across.Add(new(placed.Outer.CentreX, "centre line", "blue", "display"));
        if (!behind)
        {
            up.Add(new(placed.Outer.Bottom, "bottom of the display", Follows: "display"));
            up.Add(new(placed.Outer.CentreY, "centre of the display", Follows: "display"));
            up.Add(new(placed.Outer.Top, "top of the display", Follows: "display"));
            return (up, across);
        }

        up.Add(new(placed.Outer.Bottom, "bottom of the display", Follows: "display"));
        if (plan.Hung is { } hung)
        {
            up.Add(new(hung.HookLine, "hook line", "blue", "display"));
            across.Add(new(hung.Position.Plate, "plate centre", "blue"));
        }

        foreach (var bolt in plan.Fixed?.Bolts ?? [])
        {
            up.Add(new(bolt.Y, $"{bolt.Row} row", "hole-flag", "display"));
            across.Add(new(bolt.X, $"bolt {bolt.Number}", "hole-flag"));
        }

        return (up, across);
    }
}
