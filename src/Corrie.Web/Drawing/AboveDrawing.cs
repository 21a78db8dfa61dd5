using Corrie.Core.Catalogue;
using Corrie.Core.Jobs;
using Corrie.Core.Jobs.Format;
using Corrie.Core.Measure;
using Corrie.Core.Survey;

namespace Corrie.Web.Drawing;

/// <summary>Draws the wall from above, in section: members, plate, display, what stands before it, and how far an arm reaches.</summary>
public static class AboveDrawing
{
    /// <summary>Draws the view, to the wall's scale both ways.</summary>
    public static void Draw(Svg svg, Sheet sheet, JobPlan plan, Wall wall, LengthStyle style)
    {
        var back = Sheet.TopMargin + 8;
        var face = back + sheet.D(wall.StudDepth + wall.LayersThickness);
        var s = sheet with { Floor = sheet.Floor };
        double Out(Length distance) => face + sheet.D(distance);
        svg.Rect("floor-plan", s.Left, face, s.D(wall.Width), s.Floor - face);
        foreach (var stud in wall.Studs)
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
            svg.Rect(layer.Confirmed ? "cut board" : "cut board guessed", s.Left, y, s.D(wall.Width), s.D(layer.Thickness));
        }

        foreach (var f in wall.Features.Where(f => f.Depth > Length.Zero))
        {
            svg.Group($"feature {f.Kind.Word()}");
            svg.Rect(f.Kind == FeatureKind.Soundbar ? "bar-body" : "body", s.X(f.Left), face, s.D(f.Width), s.D(f.Depth));
            svg.Words("name", s.X(f.Centre), Out(f.Depth) + 14, f.Name);
            svg.End();
        }

        List<Reading> across = [];
        if (plan.Placed is { } placed && plan.Sheet.Display is { } display)
        {
            var mount = plan.Sheet.Mount;
            var parked = mount?.DepthParked ?? Length.Zero;
            if (plan.Hung is { } hung)
            {
                svg.Rect("steel-plate", s.X(hung.Plate.Left), face, s.D(hung.Plate.Width), Math.Max(3, s.D(parked) * .6));
                across.Add(new(hung.Position.Plate, "plate centre", "blue"));
                foreach (var bolt in plan.Fixed?.Bolts ?? [])
                {
                    var reach = plan.Sheet.Fixing!.Fastener.Length - mount!.PlateThickness;
                    svg.Line("bolt-shank", s.X(bolt.X), face, s.X(bolt.X), face - s.D(reach));
                    across.Add(new(bolt.X, $"bolt {bolt.Number}", "hole-flag"));
                }

                if (mount!.Moves && mount.DepthExtended > parked)
                {
                    svg.Group("reach");
                    svg.Rect("ghost", s.X(placed.Outer.Left), Out(mount.DepthExtended), s.D(placed.Outer.Width), Math.Max(3, s.D(display.Depth)), 2);
                    svg.Line("arm-line", s.X(hung.Position.Plate), face, s.X(placed.Outer.CentreX), Out(mount.DepthExtended));
                    svg.Figures("note-right", s.X(placed.Outer.Right) + 6, Out(mount.DepthExtended) + 6, mount.DepthExtended.Show(style), "reaches ");
                    svg.End();
                }
            }

            svg.Rect("bezel", s.X(placed.Outer.Left), Out(parked), s.D(placed.Outer.Width), Math.Max(3, s.D(display.Depth)), 2);
            svg.Figures("note-right", s.X(placed.Outer.Right) + 6, Out(parked) + 10, (parked + display.Depth).Show(style), after: " out of the wall");
            svg.Line("chalk", s.X(placed.Outer.CentreX), back, s.X(placed.Outer.CentreX), s.Floor);
            across.AddRange([new(placed.Outer.CentreX, "centre line", "blue"), new(placed.Outer.Left, "left edge"), new(placed.Outer.Right, "right edge")]);
            foreach (var view in placed.Views.Where(v => Out(v.Viewer.Distance) < s.Floor - 14))
            {
                svg.Group("sight");
                svg.Circle("head", s.X(placed.Outer.CentreX), Out(view.Viewer.Distance), 8);
                svg.Words("note-left", s.X(placed.Outer.CentreX) + 14, Out(view.Viewer.Distance) + 4, view.Viewer.Name);
                svg.End();
            }
        }

        Tapes.Across(svg, s, wall.Width, plan.Across!, plan.Datums, across, style, face);
    }
}
