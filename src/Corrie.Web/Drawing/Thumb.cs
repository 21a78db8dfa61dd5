using Corrie.Core.Fixing;
using Corrie.Core.Format;
using Corrie.Core.Placement;
using Corrie.Core.Planning;
using Corrie.Core.Survey;
using Microsoft.AspNetCore.Html;

namespace Corrie.Web.Drawing;

/// <summary>Draws a wall in small, for lists.</summary>
public static class Thumb
{
    /// <summary>The wall with its things, display and plate; a bare outline where nothing is known.</summary>
    public static IHtmlContent Draw(JobPlan? plan)
    {
        var svg = new Svg();
        svg.Open("svg", "drawing small", [("viewBox", "0 0 200 112"), ("xmlns", "http://www.w3.org/2000/svg")], close: false);
        if (plan?.Sheet.Walls.FirstOrDefault(w => plan.Survey(w.Id) is not null) is { } on)
        {
            var wall = plan.Survey(on.Id)!.Wall;
            var scale = Math.Min(188 / wall.Width.Inches, 100 / wall.Height.Inches);
            var frame = new Frame(scale, (200 - (wall.Width.Inches * scale)) / 2, 108);
            svg.Rect("wall", frame.Left, frame.Y(wall.Height), frame.D(wall.Width), frame.D(wall.Height));
            foreach (var stud in plan.Survey(on.Id)!.For(plan.ShownBolt(on.Id)).Studs)
            {
                svg.Rect("stud-hint", frame.X(stud.Left), frame.Y(wall.Height), Math.Max(1, frame.D(stud.Width)), frame.D(wall.Height));
            }

            foreach (var f in wall.Features)
            {
                svg.Rect($"hint {f.Kind.Word()}", frame.X(f.Left), frame.Y(f.Top), Math.Max(1.5, frame.D(f.Width)), Math.Max(1.5, frame.D(f.Height)));
            }

            foreach (var item in plan.Sheet.ThingsOn(on))
            {
                if (plan.Placement(item.Id) is { } placed)
                {
                    frame.Rect(svg, placed.Picture is null ? "hint soundbar" : "bezel", placed.Outer, 1);
                }

                foreach (var bolt in plan.Fixing(item.Id)?.Bolts ?? [])
                {
                    svg.Circle("bolt-hint", frame.X(bolt.X), frame.Y(bolt.Y), 1.6);
                }
            }

            svg.Line("floor-line", frame.Left - 3, 108, frame.X(wall.Width) + 3, 108);
        }
        else
        {
            svg.Rect("wall unknown", 20, 12, 160, 96);
        }

        return new HtmlString(svg.End("svg").ToString());
    }
}
