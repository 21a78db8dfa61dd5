using System.Text.Json.Nodes;
using Corrie.Core.Jobs.Format;
using Corrie.Core.Measure;
using Microsoft.AspNetCore.Html;

namespace Corrie.Web.Drawing;

/// <summary>Draws an item of the catalogue, displays and plates to one scale each.</summary>
public static class ItemDrawing
{
    /// <summary>The item, seen from the front.</summary>
    public static IHtmlContent Draw(string kind, JsonObject document)
    {
        var svg = new Svg();
        svg.Open("svg", "drawing item", [("viewBox", "0 0 240 130"), ("xmlns", "http://www.w3.org/2000/svg")], close: false);
        switch (kind)
        {
            case "display":
                var d = SheetReader.Display(document);
                var s = 2.4;
                var (w, h) = (d.Width.Inches * s, d.Height.Inches * s);
                var (x, y) = (120 - (w / 2), 124 - h);
                svg.Rect("ghost", x, y, w, h, 3);
                var (cx, cy) = (120 + (d.VesaCentreRight.Inches * s), 124 - (d.VesaCentreUp.Inches * s));
                svg.Rect("pattern", cx - (d.VesaWidth.Inches * s / 2), cy - (d.VesaHeight.Inches * s / 2), d.VesaWidth.Inches * s, d.VesaHeight.Inches * s);
                foreach (var (sx, sy) in new[] { (-1, -1), (1, -1), (-1, 1), (1, 1) })
                {
                    svg.Circle("hole", cx + (sx * d.VesaWidth.Inches * s / 2), cy + (sy * d.VesaHeight.Inches * s / 2), 2.5);
                }

                break;
            case "mount":
                var m = SheetReader.Mount(document);
                var scale = Math.Min(6, 220 / m.PlateWidth.Inches);
                var left = 120 - (m.PlateWidth.Inches * scale / 2);
                var bottom = 65 + (m.PlateHeight.Inches * scale / 2);
                svg.Rect("steel-plate", left, bottom - (m.PlateHeight.Inches * scale), m.PlateWidth.Inches * scale, m.PlateHeight.Inches * scale, 3);
                var hook = bottom - (m.HookUp.Inches * scale);
                svg.Line("chalk", 6, hook, 234, hook);
                foreach (var row in m.Rows)
                {
                    foreach (var slot in row.Slots)
                    {
                        svg.Rect("slot", 120 + (slot.From.Inches * scale) - 3, hook - (row.AboveHook.Inches * scale) - 3, ((slot.To - slot.From).Inches * scale) + 6, 6, 3);
                    }
                }

                break;
            default:
                var length = LengthReader.Read(document["length"]?.ToString(), UnitSystem.Inches);
                var diameter = LengthReader.Read(document["diameter"]?.ToString(), UnitSystem.Inches);
                var (l, t) = (Math.Min(190, length.Ok ? length.Value.Inches * 40 : 100), Math.Max(3, diameter.Ok ? diameter.Value.Inches * 40 : 8));
                svg.Rect("head-side", 18, 65 - t, 9, 2 * t, 2);
                svg.Rect("shank", 27, 65 - (t / 2), l, t);
                svg.Path("tip", $"M{27 + l} {65 - (t / 2)} L{27 + l + 9} 65 L{27 + l} {65 + (t / 2)} Z");
                break;
        }

        return new HtmlString(svg.End("svg").ToString());
    }
}
