using Corrie.Core.Catalogue;
using Corrie.Core.Jobs;
using Corrie.Core.Jobs.Format;
using Corrie.Core.Measure;
using Corrie.Core.Survey;

namespace Corrie.Web.Drawing;

/// <summary>Draws the wall from the side, in section: layers, depth, seats and sight lines.</summary>
public static class SideDrawing
{
    /// <summary>Draws the view; heights are to the wall's scale, and so are distances as long as the farthest seat fits.</summary>
    public static void Draw(Svg svg, Sheet sheet, JobPlan plan, Wall wall, LengthStyle style)
    {
        var farthest = plan.Placed?.Views.Select(v => v.Viewer.Distance).DefaultIfEmpty(Length.Zero).Max() ?? Length.Zero;
        var behindFace = wall.LayersThickness + wall.StudDepth;
        var scale = Math.Min(sheet.Scale, (Sheet.Width - Sheet.LeftMargin - 60) / Math.Max(1, (farthest + behindFace).Inches));
        var s = sheet with { Scale = scale, Floor = Sheet.TopMargin + (wall.Height.Inches * scale) + 40 };
        var face = s.Left + s.D(behindFace) + 8;
        double Out(Length distance) => face + s.D(distance);
        var top = s.Y(wall.Height);

        svg.Rect(wall.Kind == WallKind.Masonry ? "cut masonry" : wall.Kind == WallKind.SteelStuds ? "cut steel" : "cut wood", face - s.D(behindFace), top, s.D(wall.StudDepth), s.Floor - top);
        var x = face;
        foreach (var layer in wall.Layers)
        {
            x -= s.D(layer.Thickness);
            svg.Rect(layer.Confirmed ? "cut board" : "cut board guessed", x, top, s.D(layer.Thickness), s.Floor - top);
        }

        svg.Line("floor-line", s.Left, s.Floor, Sheet.Width - 12, s.Floor);
        svg.Line("ceiling-line", s.Left, top, Sheet.Width - 12, top);
        svg.Words("note-left", s.Left, s.Floor + 18, string.Join(", ", wall.Layers.Select(l => $"{l.Name} {l.Thickness.Show(style)}{(l.Confirmed ? string.Empty : "?")}")) + $", then {(wall.Kind == WallKind.Masonry ? "masonry" : "studs")}");

        var outer = plan.Placed?.Outer;
        foreach (var f in wall.Features.Where(f => f.Depth > Length.Zero && (outer is null || f.Overlaps(outer.Value.Left, outer.Value.Right))))
        {
            svg.Group($"feature {f.Kind.Word()}");
            svg.Rect(f.Kind == FeatureKind.Soundbar ? "bar-body" : "body", face, s.Y(f.Top), s.D(f.Depth), s.D(f.Height));
            svg.Words("name-left", Out(f.Depth) + 5, s.Y(f.Top) + 13, f.Name);
            svg.End();
        }

        if (plan.Placed is { } placed && plan.Sheet.Display is { } display)
        {
            var parked = plan.Sheet.Mount?.DepthParked ?? Length.Zero;
            if (plan.Hung is { } hung)
            {
                svg.Rect("steel-plate", face, s.Y(hung.Plate.Top), Math.Max(2, s.D(parked) * .5), s.D(hung.Plate.Height));
                svg.Line("chalk", s.Left, s.Y(hung.HookLine), Out(parked) + 30, s.Y(hung.HookLine));
            }

            var tilt = placed.Views.FirstOrDefault(v => v.Viewer.Seated)?.Tilt.Degrees ?? 0;
            var (cx, cy) = (Out(parked + display.Depth), s.Y(placed.Outer.CentreY));
            svg.Group("display", ("transform", $"rotate({Svg.Trim(-tilt)} {Svg.Trim(Out(parked))} {Svg.Trim(cy)})"));
            svg.Rect("bezel", Out(parked), s.Y(placed.Outer.Top), Math.Max(3, s.D(display.Depth)), s.D(placed.Outer.Height), 2);
            svg.End();
            if (tilt > 0)
            {
                svg.Words("note-left", cx + 8, s.Y(placed.Outer.Top) - 8, $"tilted down {tilt:0.#}°");
            }

            foreach (var (view, i) in placed.Views.Select((v, i) => (v, i)))
            {
                var (ex, ey) = (Out(view.Viewer.Distance), s.Y(view.Viewer.Eye));
                svg.Group(view.ToCentre.Degrees > 15 + view.Viewer.Recline.Degrees || view.ToTop.Degrees > 35 ? "sight far" : "sight");
                svg.Line("sight-centre", ex, ey, cx, s.Y(placed.Picture.CentreY));
                svg.Line("sight-top", ex, ey, cx, s.Y(placed.Picture.Top));
                svg.Line("sight-level", ex, ey, cx, ey);
                var seat = Length.Min(Length.Tape(17), view.Viewer.Eye.Half);
                svg.Circle("head", ex + 7, ey + 2, 9);
                svg.Circle("eye", ex, ey, 2.6);
                if (view.Viewer.Seated)
                {
                    svg.Path("seat", $"M{ex + 24} {ey + 8} V{s.Y(seat)} H{ex - 22} M{ex + 24} {s.Y(seat)} V{s.Floor} M{ex - 22} {s.Y(seat)} V{s.Floor}");
                }
                else
                {
                    svg.Path("seat", $"M{ex + 7} {ey + 11} V{s.Floor}");
                }

                var toLeft = ex > 430;
                svg.Words(toLeft ? "sight-words left" : "sight-words", toLeft ? Sheet.Width - 14 : ex - 8, top + 22 + (18 * i), $"{view.Viewer.Name}: {view.ToCentre.Degrees:0.#}° to the centre, {view.ToTop.Degrees:0.#}° to the top, fills {view.Field.Degrees:0}°");
                // Over the head and not beside it, where the next seat may stand; those behind a row higher.
                svg.Figures("note-left", ex - 6, ey - 12 - (15 * i), view.Viewer.Eye.Show(style), view.Viewer.Name + ", eye ");
                svg.End();
            }
        }

        List<Reading> up = [];
        if (plan.Placed is { } q)
        {
            up.AddRange([new(q.Outer.Bottom, "bottom"), new(q.Outer.Top, "top")]);
            up.AddRange(plan.Hung is { } h ? [new Reading(h.HookLine, "hook line", "blue")] : []);
            up.AddRange(q.Views.Select(v => new Reading(v.Viewer.Eye, "eye of the " + v.Viewer.Name)));
        }

        Tapes.Up(svg, s, wall.Height, plan.Up!, plan.Datums, up, style, face);
    }
}
