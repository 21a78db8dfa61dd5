using Corrie.Core.Catalogue;
using Corrie.Core.Hanging;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;
using Corrie.Web.Drawing;

namespace Corrie.Web.Stages.Hanging;

/// <summary>Draws plates, arms and hook lines.</summary>
public static class PlateDrawing
{
    /// <summary>In elevation, as if the board were glass.</summary>
    public static void Draw(Canvas canvas, Item item, PlateLayout layout)
    {
        var (svg, frame) = (canvas.Svg, canvas.Frame);
        var mount = item.Hardware()!;
        if (layout.Template is { } template)
        {
            frame.Rect(svg, "template", template);
        }

        foreach (var arm in layout.Arms)
        {
            frame.Rect(svg, "arm", arm, 2);
        }

        if (canvas.Plan.Sheet.DisplayOn(item) is { Product: Display display } hung && canvas.Plan.Placement(hung.Id) is { } at)
        {
            foreach (var port in display.Ports)
            {
                var area = new Rect(at.Outer.Left + port.Left, at.Outer.Bottom + port.Up, port.Width, port.Height);
                svg.Group("ports", ("data-gone", hung.Id));
                svg.Open("title", string.Empty, [], close: false).Raw(System.Net.WebUtility.HtmlEncode(port.Name)).End("title");
                frame.Rect(svg, layout.Arms.Any(a => a.Overlaps(area)) ? "port beyond" : "port", area, 1);
                svg.End();
            }
        }

        Plate(svg, frame, mount, layout, canvas.Wall.Kind);

        if (canvas.IsShown(item.Id) || canvas.Look.Apart)
        {
            HookLine(canvas, item, layout);
        }

        if (layout.Shift != Length.Zero)
        {
            Shift(canvas, layout);
        }
    }

    /// <summary>A plate, or two brackets, with its holes, and what it is bolted to besides studs.</summary>
    public static void Plate(Svg svg, Frame frame, Mount mount, PlateLayout layout, WallKind wall)
    {
        if (layout.Backing is { } backing)
        {
            frame.Rect(svg, backing.Kind == BackingKind.Board ? "backing board" : "backing", backing.Outline, 1);
            foreach (var screw in backing.Screws)
            {
                svg.Circle("backing-screw", frame.X(screw.X), frame.Y(screw.Y), 3);
            }
        }

        foreach (var part in mount.Spread is { } spread ? new[] { -spread.Half, spread.Half } : [Length.Zero])
        {
            var width = mount.Spread is { } apart ? mount.PlateWidth - apart : mount.PlateWidth;
            frame.Rect(svg, "steel-plate", new(layout.Position.Plate + part - width.Half, layout.Plate.Bottom, width, layout.Plate.Height), 2);
        }

        foreach (var row in mount.Rows.Where(r => mount.OnPlate(r) && r.IsFor(wall)))
        {
            var y = frame.Y(layout.HookLine + row.AboveHook);
            foreach (var slot in row.Slots)
            {
                svg.Rect("slot", frame.X(layout.Position.Plate + slot.From) - 3, y - 3, frame.D(slot.To - slot.From) + 6, 6, 3);
            }

            foreach (var drilled in layout.Drilled)
            {
                svg.Circle("slot drilled", frame.X(layout.Position.Plate + drilled), y, 5);
            }
        }

        foreach (var toggle in layout.Toggles)
        {
            var (x, y) = (frame.X(toggle.X), frame.Y(toggle.Y));
            svg.Path("toggle", $"M{x - 8} {y}h16M{x - 8} {y - 4}v8M{x + 8} {y - 4}v8");
        }
    }

    /// <summary>From the side.</summary>
    public static void Side(Canvas canvas)
    {
        if (canvas.Shown().Mount is not { } item || item.Hardware() is not { } mount || canvas.Plan.Layout(item.Id) is not { } layout)
        {
            return;
        }

        var (svg, s) = (canvas.Svg, canvas.Frame);
        svg.Rect("steel-plate", canvas.Face, s.Y(layout.Plate.Top), Math.Max(2, s.D(mount.DepthParked) * .5), s.D(layout.Plate.Height));
        svg.Line("chalk", s.Left, s.Y(layout.HookLine), canvas.Out(mount.DepthParked) + 30, s.Y(layout.HookLine));
    }

    /// <summary>From above.</summary>
    public static void Above(Canvas canvas, Item item, PlateLayout layout)
    {
        canvas.Svg.Rect("steel-plate", canvas.Frame.X(layout.Plate.Left), canvas.Face, canvas.Frame.D(layout.Plate.Width), Math.Max(3, canvas.Frame.D(item.Hardware()!.DepthParked) * .6));
    }

    private static void HookLine(Canvas canvas, Item item, PlateLayout layout)
    {
        var (svg, frame) = (canvas.Svg, canvas.Frame);
        // On paper each of several plates has a line of its own length, with its key.
        var several = canvas.Look.Apart && canvas.Things.Count(t => canvas.Plan.Layout(t.Id) is not null) > 1;
        var (from, to) = several ? (frame.X(layout.Plate.Left) - 24, frame.X(layout.Plate.Right) + 24) : (frame.Left, frame.X(canvas.Wall.Width));
        svg.Group("chalk-lines", ("data-follow", canvas.Plan.Sheet.DisplayOn(item)?.Id ?? string.Empty), ("data-axis", "up"));
        svg.Line("chalk", from, frame.Y(layout.HookLine), to, frame.Y(layout.HookLine));
        canvas.Keep(several ? to + 16 : to - 36, frame.Y(layout.HookLine) - 9, 70, 12);
        svg.Words("chalk-name", several ? to + 16 : to - 6, frame.Y(layout.HookLine) - 5, several ? item.Id : "hook line");
        svg.End();
    }

    private static void Shift(Canvas canvas, PlateLayout layout)
    {
        var (svg, frame) = (canvas.Svg, canvas.Frame);
        var y = frame.Y(layout.Plate.Bottom) + 13;
        var (from, to) = (frame.X(layout.Position.Plate), frame.X(layout.Position.Plate + layout.Shift));
        svg.Group("slide");
        svg.Line("slide-line", from, frame.Y(layout.Plate.Bottom), from, y + 5);
        svg.Open("line", "slide-arrow",
            [
                ("x1", Svg.Trim(from)), ("y1", Svg.Trim(y)), ("x2", Svg.Trim(to)), ("y2", Svg.Trim(y)), ("marker-end", "url(#a-end)"),
            ], close: true);
        canvas.Keep((from + to) / 2, y + 12, 110);
        svg.Figures("slide-figure", (from + to) / 2, y + 17, layout.Shift.Abs.Show(canvas.Style), "slides ", layout.Shift > Length.Zero ? " right" : " left");
        svg.End();
    }
}
