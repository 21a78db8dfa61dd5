using Corrie.Core.Catalogue;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;
using Corrie.Web.Drawing;

namespace Corrie.Web.Stages.Placement;

/// <summary>Draws what is placed before the wall, with the seats and their sight lines.</summary>
public static class SeatsDrawing
{
    /// <summary>From the side.</summary>
    public static void Side(Canvas canvas)
    {
        if (canvas.Shown() is not ({ Product: ISized sized } thing, var mount) || canvas.Plan.Placement(thing.Id) is not { } placed)
        {
            return;
        }

        var (svg, s, style) = (canvas.Svg, canvas.Frame, canvas.Style);
        var parked = mount?.Hardware()?.DepthParked ?? Length.Zero;
        var tilt = placed.Views.FirstOrDefault(v => v.Viewer.Seated)?.Tilt.Degrees ?? 0;
        var (cx, cy) = (canvas.Out(parked + sized.Depth), s.Y(placed.Outer.CentreY));
        // Tilted down its top leans into the room: on the screen that is with the clock.
        svg.Group("placed", ("transform", $"rotate({Svg.Trim(tilt)} {Svg.Trim(canvas.Out(parked))} {Svg.Trim(cy)})"));
        svg.Rect("bezel", canvas.Out(parked), s.Y(placed.Outer.Top), Math.Max(3, s.D(sized.Depth)), s.D(placed.Outer.Height), 2);
        svg.End();
        if (tilt > 0)
        {
            svg.Words("note-left", cx + 8, s.Y(placed.Outer.Top) - 8, $"tilted down {tilt:0.#}°");
        }

        if (placed.Picture is { } picture)
        {
            foreach (var (view, i) in placed.Views.Select((v, i) => (v, i)))
            {
                Sight(canvas, view, i, cx, picture, style);
            }
        }
    }

    /// <summary>From above.</summary>
    public static void Above(Canvas canvas, Item item, PlacementResult placed)
    {
        var (svg, s, style) = (canvas.Svg, canvas.Frame, canvas.Style);
        if (item.Product is not ISized sized)
        {
            return;
        }

        var mount = canvas.Plan.Sheet.On(item)?.Hardware();
        var parked = mount?.DepthParked ?? Length.Zero;
        if (mount is { Moves: true } && mount.DepthExtended > parked && canvas.Plan.Sheet.On(item) is { } on && PlateOf(canvas, on) is { } plate)
        {
            svg.Group("reach");
            svg.Rect("ghost", s.X(placed.Outer.Left), canvas.Out(mount.DepthExtended), s.D(placed.Outer.Width), Math.Max(3, s.D(sized.Depth)), 2);
            svg.Line("arm-line", s.X(plate), canvas.Face, s.X(placed.Outer.CentreX), canvas.Out(mount.DepthExtended));
            svg.Figures("note-left", s.X(placed.Outer.Left) + 6, canvas.Out(mount.DepthExtended) + s.D(sized.Depth) + 14, mount.DepthExtended.Show(style), "reaches ");
            svg.End();
        }

        svg.Rect("bezel", s.X(placed.Outer.Left), canvas.Out(parked), s.D(placed.Outer.Width), Math.Max(3, s.D(sized.Depth)), 2);
        svg.Line("chalk", s.X(placed.Outer.CentreX), canvas.Face - s.D(canvas.Wall.StudDepth + canvas.Wall.LayersThickness), s.X(placed.Outer.CentreX), s.Floor);
        if (item != canvas.Shown().Thing)
        {
            return;
        }

        svg.Figures("note-left", s.X(placed.Outer.CentreX) + 8, canvas.Out(parked + sized.Depth) + 16, (parked + sized.Depth).Show(style), after: " out of the wall");
    }

    private static Length? PlateOf(Canvas canvas, Item mount) => Core.Hanging.HangingResults.Layout(canvas.Plan, mount.Id)?.Position.Plate;

    private static void Sight(Canvas canvas, View view, int i, double cx, Rect picture, LengthStyle style)
    {
        var (svg, s) = (canvas.Svg, canvas.Frame);
        var top = s.Y(canvas.Wall.Height);
        var (ex, ey) = (canvas.Out(view.Viewer.Distance), s.Y(view.Viewer.Eye));
        var policy = canvas.Plan.Sheet.Policy;
        svg.Group(view.ToCentre.Degrees > policy.UpToCentre.Degrees + view.Viewer.Recline.Degrees || view.ToTop.Degrees > policy.UpToTop.Degrees ? "sight far" : "sight");
        svg.Line("sight-centre", ex, ey, cx, s.Y(picture.CentreY));
        svg.Line("sight-top", ex, ey, cx, s.Y(picture.Top));
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
        svg.Words(toLeft ? "sight-words left" : "sight-words", toLeft ? Frame.Width - 14 : ex - 8, top + 22 + (18 * i), $"{view.Viewer.Name}: {view.ToCentre.Degrees:0.#}° to the centre, {view.ToTop.Degrees:0.#}° to the top, fills {view.Field.Degrees:0}°");
        // Over the head and not beside it, where the next seat may stand; those behind a row higher.
        svg.Figures("note-left", ex - 6, ey - 12 - (15 * i), view.Viewer.Eye.Show(style), view.Viewer.Name + ", eye ");
        svg.End();
    }
}
