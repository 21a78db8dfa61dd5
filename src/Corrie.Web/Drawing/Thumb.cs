using Corrie.Core.Jobs;
using Corrie.Core.Jobs.Format;
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
        if (plan?.Sheet.Wall is { } wall)
        {
            var scale = Math.Min(188 / wall.Width.Inches, 100 / wall.Height.Inches);
            var sheet = new Sheet(scale, (200 - (wall.Width.Inches * scale)) / 2, 108);
            svg.Rect("wall", sheet.Left, sheet.Y(wall.Height), sheet.D(wall.Width), sheet.D(wall.Height));
            foreach (var stud in wall.Studs)
            {
                svg.Rect("stud-hint", sheet.X(stud.Left), sheet.Y(wall.Height), Math.Max(1, sheet.D(stud.Width)), sheet.D(wall.Height));
            }

            foreach (var f in wall.Features)
            {
                svg.Rect($"hint {f.Kind.Word()}", sheet.X(f.Left), sheet.Y(f.Top), Math.Max(1.5, sheet.D(f.Width)), Math.Max(1.5, sheet.D(f.Height)));
            }

            if (plan.Placed is { } placed)
            {
                sheet.Box(svg, "bezel", placed.Outer, 1);
            }

            foreach (var bolt in plan.Fixed?.Bolts ?? [])
            {
                svg.Circle("bolt-hint", sheet.X(bolt.X), sheet.Y(bolt.Y), 1.6);
            }

            svg.Line("floor-line", sheet.Left - 3, 108, sheet.X(wall.Width) + 3, 108);
        }
        else
        {
            svg.Rect("wall unknown", 20, 12, 160, 96);
        }

        return new HtmlString(svg.End("svg").ToString());
    }
}
