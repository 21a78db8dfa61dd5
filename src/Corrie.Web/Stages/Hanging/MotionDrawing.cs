using System.Globalization;
using Corrie.Core.Catalogue;
using Corrie.Core.Hanging;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;
using Corrie.Web.Drawing;

namespace Corrie.Web.Stages.Hanging;

/// <summary>Draws what a moving mount does: the display swung out, to be turned by a handle, and the way that it is pulled down.</summary>
public static class MotionDrawing
{
    /// <summary>From above: as far out and turned as it goes, or as it is to; a drag turns it.</summary>
    /// <remarks>Its right edge goes back to the wall: the picture is turned to the right. On the screen that is against the clock.</remarks>
    public static void Above(Canvas canvas, Item item, PlateLayout layout)
    {
        if (layout.Turning is not { } turning || canvas.Plan.Sheet.DisplayOn(item) is not { Product: Display display } hung || canvas.Plan.Placement(hung.Id) is not { Outer: var outer })
        {
            return;
        }

        var left = item.Get(HangingChoice.Part)!.Side == TurnSide.Left;
        var turn = left ? turning.Shown.Degrees : -turning.Shown.Degrees;
        var (x, y, thick) = (canvas.Frame.X(layout.Pivot), canvas.Out(turning.Reach), canvas.Frame.D(display.Depth));
        var svg = canvas.Svg;
        svg.Line("swing-arm", x, canvas.Face, x, y);
        svg.Group(
            "swung", ("id", "swings-" + item.Id), ("data-drag", "turn"), ("data-item", item.Id), ("data-x", Svg.Trim(x)), ("data-y", Svg.Trim(y)), ("data-turn", Svg.Trim(turn)), ("data-most", Svg.Trim(turning.Possible.Degrees)),
            ("transform", $"rotate({Svg.Trim(turn)} {Svg.Trim(x)} {Svg.Trim(y)})"),
            ("tabindex", "0"), ("role", "application"), ("aria-roledescription", "arm that can be turned"), ("aria-label", $"{item.Name}, turned {Says(turn)}. Arrow keys turn it."));
        svg.Rect("ghost", canvas.Frame.X(outer.Left), y, canvas.Frame.D(outer.Width), thick, 2);
        svg.Circle("swing-handle", canvas.Frame.X(left ? outer.Left : outer.Right), y + (thick / 2), 8);
        svg.End();
        svg.Circle("swing-pivot", x, y, 4);
        svg.Words("swing-words", x + 12, y + thick + 20, "turned " + Says(turn));
    }

    /// <summary>From the side: the poses of its way, and what it sweeps between them.</summary>
    public static void Side(Canvas canvas)
    {
        if (canvas.Shown().Mount is not { } item || canvas.Plan.Layout(item.Id)?.Motion is not { } motion || canvas.Plan.Sheet.DisplayOn(item) is not { Product: Display { Depth: var deep } } hung || canvas.Plan.Placement(hung.Id) is not { } placed)
        {
            return;
        }

        var display = new Body("body", "display", BodyRole.Thing, placed.Outer, motion.Parked, motion.Parked + deep);
        var svg = canvas.Svg;
        var poses = motion.Way.Items;
        if (poses.Count < 2 || (poses[^1].Out == Length.Zero && poses[^1].Down == Length.Zero))
        {
            return;
        }

        svg.Group("pulled");
        for (var i = 0; i + 1 < poses.Count; i++)
        {
            Outline(canvas, "pulled-way", Polygon.Round(motion.FromSide(display, poses[i]).Corners.Concat(motion.FromSide(display, poses[i + 1]).Corners)));
        }

        foreach (var pose in poses.Skip(1).SkipLast(1))
        {
            Outline(canvas, "pulled-pose", motion.FromSide(display, pose));
        }

        svg.End();
        // The last pose is the handle: dragged, it goes back and forth on its way.
        var last = poses[^1];
        svg.Group(
            "pulled-last", ("id", "pulls-" + item.Id), ("data-drag", "way"), ("data-item", item.Id), ("data-way", string.Join(';', poses.Select(p => string.Create(CultureInfo.InvariantCulture, $"{canvas.Frame.D(p.Out - last.Out):0.##},{canvas.Frame.D(p.Down - last.Down):0.##},{p.Tilt.Degrees - last.Tilt.Degrees:0.##}")))),
            ("data-x", Svg.Trim(canvas.Out(motion.Parked + last.Out))), ("data-y", Svg.Trim(canvas.Frame.Y(motion.PivotUp - last.Down))),
            ("tabindex", "0"), ("role", "application"), ("aria-roledescription", "display that can be pulled along its way"), ("aria-label", $"{item.Name}, {last.Out.Show(canvas.Style)} out and {last.Down.Show(canvas.Style)} down. Arrow keys move it along its way."));
        Outline(canvas, "ghost", motion.FromSide(display, last));
        svg.End();
        var lowest = motion.FromSide(display, last).Corners.Min(c => c.Y);
        svg.Figures("note-left", canvas.Out(motion.Parked + last.Out + display.To - display.From) + 8, canvas.Frame.Y(Length.FromInches(lowest)) + 4, Length.FromInches(lowest).Show(canvas.Style), "comes down to ");
    }

    private static void Outline(Canvas canvas, string classes, Polygon outline) => canvas.Svg.Open(
        "polygon", classes, [("points", string.Join(' ', outline.Corners.Select(c => $"{Svg.Trim(canvas.Out(Length.FromInches(c.X)))},{Svg.Trim(canvas.Frame.Y(Length.FromInches(c.Y)))}")))], close: true);

    private static string Says(double turn) => turn == 0 ? "straight" : FormattableString.Invariant($"{Math.Abs(turn):0.#}° to the {(turn > 0 ? "left" : "right")}");
}
