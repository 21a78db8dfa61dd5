using Corrie.Core.Catalogue;
using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Survey;
using Corrie.Web.Drawing;

namespace Corrie.Web.Stages.Survey;

/// <summary>Draws the wall cut through to its own scale: from the side and from above, with what stands before it.</summary>
public static class CutDrawing
{
    /// <summary>From the side: layers, floor, ceiling, and what stands under and over the thing that is looked at.</summary>
    public static void Side(Canvas canvas)
    {
        var (svg, s, wall, face, style) = (canvas.Svg, canvas.Frame, canvas.Wall, canvas.Face, canvas.Style);
        var top = s.Y(wall.Height);
        svg.Rect(wall.Kind == WallKind.Masonry ? "cut masonry" : wall.Kind == WallKind.SteelStuds ? "cut steel" : "cut wood", face - s.D(wall.LayersThickness + wall.StudDepth), top, s.D(wall.StudDepth), s.Floor - top);
        var x = face;
        foreach (var layer in wall.Layers)
        {
            x -= s.D(layer.Thickness);
            svg.Rect(layer.Confirmed ? "cut board" : "cut board guessed", x, top, s.D(layer.Thickness), s.Floor - top);
        }

        svg.Line("floor-line", s.Left, s.Floor, Frame.Width - 12, s.Floor);
        svg.Line("ceiling-line", s.Left, top, Frame.Width - 12, top);
        svg.Words("note-left", s.Left, s.Floor + 18, string.Join(", ", wall.Layers.Select(l => $"{l.Name} {l.Thickness.Show(style)}{(l.Confirmed ? string.Empty : "?")}")) + (wall.Kind == WallKind.Masonry ? string.Empty : ", then studs"));

        var outer = canvas.Shown().Thing is { } thing ? canvas.Plan.Placement(thing.Id)?.Outer : null;
        foreach (var flue in wall.Features.Where(f => f.Kind == FeatureKind.Flue && f.Depth > Length.Zero))
        {
            // As far behind the face as it begins; how far it goes on nobody has to know.
            svg.Rect("flue-body", face - s.D(flue.Depth) - 10, s.Y(flue.Top), 10, s.D(flue.Height));
        }

        foreach (var f in wall.Features.Where(f => f.Depth > Length.Zero && !f.Buried && (outer is null || f.Overlaps(outer.Value.Left, outer.Value.Right))))
        {
            svg.Group($"feature {f.Kind.Word()}");
            svg.Rect(f.Kind == FeatureKind.Soundbar ? "bar-body" : "body", face, s.Y(f.Top), s.D(f.Depth), s.D(f.Height));
            svg.Words("name-left", canvas.Out(f.Depth) + 5, s.Y(f.Top) + 13, f.Name);
            svg.End();
        }
    }

    /// <summary>From above: members, layers and what stands before them.</summary>
    public static void Above(Canvas canvas)
    {
        var (svg, s, wall, face) = (canvas.Svg, canvas.Frame, canvas.Wall, canvas.Face);
        var back = face - s.D(wall.StudDepth + wall.LayersThickness);
        var (left, wide) = (s.X(canvas.Stretch.From), s.D(canvas.Stretch.To - canvas.Stretch.From));
        svg.Rect("floor-plan", left, face, wide, s.Floor - face);
        foreach (var stud in canvas.Studs.Where(t => t.Left < canvas.Stretch.To && t.Right > canvas.Stretch.From))
        {
            svg.Group($"stud {stud.State.Word()}");
            svg.Rect("stud-face", s.X(stud.Left), back, s.D(stud.Width), s.D(wall.StudDepth));
            svg.Rect(wall.Kind == WallKind.SteelStuds ? "stud-steel" : "stud-wood", s.X(stud.Left), back, s.D(stud.Width), s.D(wall.StudDepth));
            svg.End();
        }

        var y = face;
        foreach (var layer in wall.Layers)
        {
            y -= s.D(layer.Thickness);
            svg.Rect(layer.Confirmed ? "cut board" : "cut board guessed", left, y, wide, s.D(layer.Thickness));
        }

        // What stands out farthest lies under the rest; its name is in its corner, where the rest is not.
        foreach (var f in wall.Features.Where(f => f.Depth > Length.Zero && !f.Buried && f.Overlaps(canvas.Stretch.From, canvas.Stretch.To)).OrderByDescending(f => f.Depth))
        {
            svg.Group($"feature {f.Kind.Word()}");
            svg.Rect(f.Kind == FeatureKind.Soundbar ? "bar-body" : "body", s.X(f.Left), face, s.D(f.Width), s.D(f.Depth));
            svg.Words("name-left", Math.Max(left, s.X(f.Left)) + 6, Math.Min(canvas.Out(f.Depth), s.Floor) - 6, f.Name);
            svg.End();
        }
    }
}
