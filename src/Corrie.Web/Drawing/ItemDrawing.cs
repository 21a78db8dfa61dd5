using System.Text.Json.Nodes;
using Corrie.Core.Catalogue;
using Corrie.Core.Format;
using Corrie.Core.Measure;
using Microsoft.AspNetCore.Html;

namespace Corrie.Web.Drawing;

/// <summary>Draws an item of the catalogue, displays and plates to one scale each.</summary>
public static class ItemDrawing
{
    // Figures of level measures stand on the outer side of their line.
    private const double Middle = 90;

    /// <summary>The item, seen from the front.</summary>
    /// <param name="kind">Its kind.</param>
    /// <param name="document">The item as the catalogue has it.</param>
    /// <param name="style">The reader's units, to have its measures written on it; null for the shape alone.</param>
    public static IHtmlContent Draw(ProductKind kind, JsonObject document, LengthStyle? style = null)
    {
        var svg = new Svg();
        svg.Open("svg", "drawing item", [("viewBox", style is null ? "0 0 240 130" : "-42 -22 324 190"), ("xmlns", "http://www.w3.org/2000/svg")], close: false);
        void Measure(string of, double x1, double y1, double x2, double y2, Length length)
        {
            if (style is { } units)
            {
                // In the units that its field is in: hole patterns go by millimetres everywhere.
                Dimension(svg, of, x1, y1, x2, y2, length.Show(kind.Form.Child(of, document) is LengthShape { Bare: { } bare } ? new LengthStyle(bare) : units));
            }
        }

        switch (kind.Read(document))
        {
            case Display d:
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

                foreach (var area in d.Areas)
                {
                    svg.Rect(area.Kind == BackAreaKind.ThinGlass ? "thin-glass" : "back-area", x + (area.Left.Inches * s), 124 - ((area.Up + area.Height).Inches * s), area.Width.Inches * s, area.Height.Inches * s, 1);
                }

                foreach (var port in d.Ports)
                {
                    // One that is not on the back was typed wrong, and is seen to be.
                    var beyond = port.Left < Length.Zero || port.Up < Length.Zero || port.Left + port.Width > d.Width || port.Up + port.Height > d.Height;
                    svg.Rect(beyond ? "port beyond" : "port", x + (port.Left.Inches * s), 124 - ((port.Up + port.Height).Inches * s), port.Width.Inches * s, port.Height.Inches * s, 1);
                }

                Measure("width", x, 138, x + w, 138, d.Width);
                Measure("height", x - 20, y, x - 20, 124, d.Height);
                Measure("vesaWidth", cx - (d.VesaWidth.Inches * s / 2), cy - (d.VesaHeight.Inches * s / 2) - 10, cx + (d.VesaWidth.Inches * s / 2), cy - (d.VesaHeight.Inches * s / 2) - 10, d.VesaWidth);
                Measure("vesaHeight", cx - (d.VesaWidth.Inches * s / 2) - 20, cy - (d.VesaHeight.Inches * s / 2), cx - (d.VesaWidth.Inches * s / 2) - 20, cy + (d.VesaHeight.Inches * s / 2), d.VesaHeight);
                Measure("vesaCentreUp", cx + (d.VesaWidth.Inches * s / 2) + 20, cy, cx + (d.VesaWidth.Inches * s / 2) + 20, 124, d.VesaCentreUp);
                break;
            case Mount m:
                var scale = Math.Min(6, 220 / m.PlateWidth.Inches);
                var left = 120 - (m.PlateWidth.Inches * scale / 2);
                var bottom = 65 + (m.PlateHeight.Inches * scale / 2);
                svg.Rect("steel-plate", left, bottom - (m.PlateHeight.Inches * scale), m.PlateWidth.Inches * scale, m.PlateHeight.Inches * scale, 3);
                var hook = bottom - (m.HookUp.Inches * scale);
                svg.Line("chalk", 6, hook, 234, hook);
                foreach (var (i, row) in m.Rows.Index())
                {
                    foreach (var (j, slot) in row.Slots.Index())
                    {
                        var (from, to, at) = (120 + (slot.From.Inches * scale), 120 + (slot.To.Inches * scale), hook - (row.AboveHook.Inches * scale));
                        var beyond = slot.From < -m.PlateWidth.Half || slot.To > m.PlateWidth.Half || !m.OnPlate(row);
                        if (style is null)
                        {
                            svg.Rect(beyond ? "slot beyond" : "slot", from - 3, at - 3, to - from + 6, 6, 3);
                            continue;
                        }

                        // The whole slot and each of its ends can be taken hold of.
                        svg.Group("slot-of", ("data-slot", $"{i}-{j}"), ("data-scale", Svg.Trim(scale)));
                        svg.Rect(beyond ? "slot beyond" : "slot", from - 3, at - 3, to - from + 6, 6, 3, ("data-part", "whole"));
                        svg.Rect("slot-end", from - 4.5, at - 4.5, 6, 9, 2, ("data-part", "from"));
                        svg.Rect("slot-end", to - 1.5, at - 4.5, 6, 9, 2, ("data-part", "to"));
                        svg.End();
                    }
                }

                var (right, top) = (left + (m.PlateWidth.Inches * scale), bottom - (m.PlateHeight.Inches * scale));
                Measure("plateWidth", left, bottom + 16, right, bottom + 16, m.PlateWidth);
                Measure("plateHeight", left - 20, top, left - 20, bottom, m.PlateHeight);
                Measure("hookUp", right + 16, hook, right + 16, bottom, m.HookUp);
                break;
            case Fastener f:
                var (l, t) = (Math.Min(190, f.Length.Inches * 40), Math.Max(3, f.Diameter.Inches * 40));
                svg.Rect("head-side", 18, 65 - t, 9, 2 * t, 2);
                svg.Rect("shank", 27, 65 - (t / 2), l, t);
                svg.Path("tip", $"M{27 + l} {65 - (t / 2)} L{27 + l + 9} 65 L{27 + l} {65 + (t / 2)} Z");
                Measure("length", 27, 65 + t + 14, 27 + l + 9, 65 + t + 14, f.Length);
                Measure("diameter", -4, 65 - (t / 2), -4, 65 + (t / 2), f.Diameter);
                break;
            case Cable c:
                var (thick, plug) = (Math.Max(2, c.Diameter.Inches * 40), (W: c.PlugWidth.Inches * 40, H: Math.Max(4, c.PlugHeight.Inches * 40)));
                svg.Rect("shank", 20, 65 - (thick / 2), 150, thick, thick / 2);
                Measure("diameter", 8, 65 - (thick / 2), 8, 65 + (thick / 2), c.Diameter);
                if (c.PlugWidth > Length.Zero)
                {
                    svg.Rect("head-side", 170, 65 - (plug.W / 2), 34, plug.W, 3);
                    Measure("plugWidth", 220, 65 - (plug.W / 2), 220, 65 + (plug.W / 2), c.PlugWidth);
                }

                break;
            case ISized sized:
                var fit = Math.Min(220 / sized.Width.Inches, 110 / sized.Height.Inches);
                var (sw, sh) = (sized.Width.Inches * fit, sized.Height.Inches * fit);
                svg.Rect("bar-body", 120 - (sw / 2), 65 - (sh / 2), sw, sh, 4);
                Measure("width", 120 - (sw / 2), 138, 120 + (sw / 2), 138, sized.Width);
                Measure("height", 100 - (sw / 2), 65 - (sh / 2), 100 - (sw / 2), 65 + (sh / 2), sized.Height);
                break;
        }

        return new HtmlString(svg.End("svg").ToString());
    }

    // A measure with its figure; the page lights it up with the question that it belongs to.
    private static void Dimension(Svg svg, string of, double x1, double y1, double x2, double y2, ShownLength shown)
    {
        var upright = x1 == x2;
        svg.Group("measure", ("data-of", of));
        svg.Line("measure-line", x1, y1, x2, y2);
        foreach (var (x, y) in new[] { (x1, y1), (x2, y2) })
        {
            svg.Line("measure-line", upright ? x - 3 : x, upright ? y : y - 3, upright ? x + 3 : x, upright ? y : y + 3);
        }

        svg.Figures("measure-figure", upright ? x1 : (x1 + x2) / 2, upright ? ((y1 + y2) / 2) + 3 : y1 > Middle ? y1 + 11 : y1 - 4, shown);
        svg.End();
    }
}
