using Corrie.Core.Catalogue;
using Corrie.Core.Measure;
using Corrie.Core.Survey;
using Corrie.Web.Drawing;

namespace Corrie.Web.Stages.Survey;

/// <summary>Draws the wall cut through, from the room inwards, many times larger than the wall: what a bolt passes and what it meets.</summary>
public static class SectionDrawing
{
    private const double Left = 90;
    private const double Right = 830;
    private const double Top = 70;
    private const double Bottom = 330;
    private const double Least = 30;

    /// <summary>Draws the section; layers are to scale as far as each stays wide enough to be read.</summary>
    public static void Draw(Canvas canvas)
    {
        var (svg, wall, style) = (canvas.Svg, canvas.Wall, canvas.Style);
        var masonry = wall.Kind == WallKind.Masonry;
        var deep = wall.StudDepth;
        var scale = (Right - Left) / Math.Max(0.5, (wall.LayersThickness + (masonry ? Length.Zero : deep)).Inches);
        var widths = wall.Layers.Select(l => Math.Max(Least, l.Thickness.Inches * scale)).ToList();
        var rest = masonry ? 0 : Math.Max(Least * 2, deep.Inches * scale);
        // Thin layers take their least width from all the others.
        var shrink = (Right - Left) / Math.Max(1, widths.Sum() + rest);
        var x = Left;
        svg.Words("section-side", Left - 12, (Top + Bottom) / 2, wall.Outside ? "outside" : "room", ("transform", $"rotate(-90 {Svg.Trim(Left - 12)} {Svg.Trim((Top + Bottom) / 2)})"));
        foreach (var (layer, i) in wall.Layers.Select((l, i) => (l, i)))
        {
            var width = widths[i] * shrink;
            svg.Group(layer.Confirmed ? "cut-layer sure" : "cut-layer guessed");
            svg.Rect("layer-ground", x, Top, width, Bottom - Top);
            svg.Rect("layer-hatch " + Hatch(layer.Name), x, Top, width, Bottom - Top);
            var low = i % 2 == 0;
            var y = low ? Bottom + 22 : Bottom + 78;
            svg.Line("layer-string", x + (width / 2), Bottom, x + (width / 2), y - 12);
            svg.Words("layer-name", Math.Max(x + (width / 2), Left), y, layer.Name);
            svg.Figures("layer-figure", Math.Max(x + (width / 2), Left), y + 19, layer.Thickness.Show(style with { Denominator = 32 }));
            svg.Words("layer-sure", Math.Max(x + (width / 2), Left), y + 36, !layer.Confirmed ? "not confirmed" : layer.By.Length > 0 ? "confirmed: " + layer.By : "confirmed");
            svg.End();
            x += width;
        }

        if (!masonry)
        {
            var width = rest * shrink;
            svg.Rect("layer-ground stud-behind", x, Top, width, Bottom - Top);
            svg.Rect(wall.Kind == WallKind.SteelStuds ? "stud-steel" : "stud-wood", x, Top + 70, width, Bottom - Top - 140);
            svg.Words("layer-name", x + (width / 2), Top + 50, wall.Insulated() ? "bay with insulation" : "bay");
            svg.Words("layer-name on-stud", x + (width / 2), (Top + Bottom) / 2, wall.Kind == WallKind.SteelStuds ? "steel stud" : "wood stud");
            svg.Figures("layer-figure on-stud", x + (width / 2), ((Top + Bottom) / 2) + 20, deep.Show(style));
        }

        svg.Words("section-total", Left, Top - 26, wall.Layers.Count == 0
            ? "No layer is on the sheet yet: start from a usual build-up, or make a test hole."
            : wall.Base is { } holds ? $"A bolt passes {wall.BeforeBase.Show(style)} before it holds in the {holds.Name}."
            : masonry ? $"A bolt passes {wall.LayersThickness.Show(style)} of facing, and nobody has entered what is behind it."
            : $"A bolt passes {wall.LayersThickness.Show(style)} before it meets a stud.");
    }

    private static bool Insulated(this Wall wall) => wall.Questions.Insulated == true;

    private static string Hatch(string name)
    {
        (string Word, string Hatch)[] hatches =
        [
            ("void", "hatch-none"), ("plaster", "hatch-board"), ("gypsum", "hatch-board"), ("board", "hatch-board"), ("brick", "hatch-brick"), ("block", "hatch-brick"),
            ("stone", "hatch-stone"), ("cobble", "hatch-stone"), ("mortar", "hatch-board"), ("siding", "hatch-siding"), ("sheath", "hatch-grain"), ("lath", "hatch-grain"), ("furring", "hatch-grain"),
        ];
        return hatches.FirstOrDefault(h => name.Contains(h.Word, StringComparison.OrdinalIgnoreCase)).Hatch ?? "hatch-none";
    }
}
