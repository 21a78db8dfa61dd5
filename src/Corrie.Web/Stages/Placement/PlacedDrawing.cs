using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;
using Corrie.Web.Drawing;

namespace Corrie.Web.Stages.Placement;

/// <summary>Draws what is placed, in elevation.</summary>
public static class PlacedDrawing
{
    /// <summary>A thing that can be dragged and chosen.</summary>
    public static void Draw(Canvas canvas, Item item, PlacementResult placed)
    {
        var (svg, frame, outer, style) = (canvas.Svg, canvas.Frame, placed.Outer, canvas.Style);
        var kind = item.Kind.Title;
        // The finer arrow steps are the reader's own: one step of what is shown, or an inch or a centimetre with Shift.
        var name = $"placed {item.Kind.Word}{(item == canvas.Shown().Thing && canvas.Look.Edits ? " chosen" : string.Empty)}";
        var label = $"{item.Name}, bottom at {canvas.Tapes.Up.Read(outer.Bottom).Distance.Show(style)}, centre at {canvas.Tapes.Across.Read(outer.CentreX).Distance.Show(style)}.";
        if (item.Get(PlacementChoice.Part) is null)
        {
            // Its place follows from what carries it: nobody drags it away from there.
            svg.Group(name, ("id", "the-" + item.Id), ("data-item", item.Id), ("role", "img"), ("aria-label", $"{label} Its place follows from what carries it."));
        }
        else
        {
            svg.Group(
                name, ("id", "the-" + item.Id), ("data-item", item.Id), ("data-drag", "item"), ("tabindex", "0"), ("role", "application"), ("aria-roledescription", $"{kind.ToLowerInvariant()} that can be moved"),
                ("aria-label", $"{label} Arrow keys move it."),
                ("data-bottom", outer.Bottom.Units.ToString()), ("data-centre", outer.CentreX.Units.ToString()), ("data-height", outer.Height.Units.ToString()));
        }

        frame.Rect(svg, canvas.Behind ? "ghost" : item.Kind.Layer == WallLayer.Front ? "bezel" : "thing", outer, 3);
        if (!canvas.Behind)
        {
            Face(canvas, item, placed);
        }

        svg.End();
    }

    /// <summary>The plumb line through a display.</summary>
    public static void CentreLine(Canvas canvas, Item item, PlacementResult placed)
    {
        if (placed.Picture is null && item != canvas.Shown().Thing)
        {
            return;
        }

        var x = canvas.Frame.X(placed.Outer.CentreX);
        canvas.Svg.Group("chalk-lines", ("data-follow", item.Id), ("data-axis", "across"));
        canvas.Svg.Line("chalk", x, canvas.Frame.Y(canvas.Wall.Height), x, canvas.Frame.Floor);
        canvas.Svg.End();
    }

    /// <summary>The vertical budget as dimensions beside what is looked at, gaps only: sizes are written on the things themselves.</summary>
    public static void Gaps(Canvas canvas, Item item, PlacementResult placed)
    {
        if (item != canvas.Shown().Thing)
        {
            return;
        }

        var (svg, frame) = (canvas.Svg, canvas.Frame);
        var x = frame.X(placed.Outer.Right) - 26;
        foreach (var line in placed.Budget.Where(b => b.IsGap && b.Size != Length.Zero))
        {
            var (y1, y2) = (frame.Y(line.To), frame.Y(line.From));
            svg.Group(line.Size < Length.Zero ? "gap over" : "gap", ("data-gone", item.Id));
            svg.Line("gap-line", x, Math.Min(y1, y2), x, Math.Max(y1, y2));
            svg.Line("gap-end", x - 5, y1, x + 5, y1);
            svg.Line("gap-end", x - 5, y2, x + 5, y2);
            canvas.Keep(x + 27, (y1 + y2) / 2, 40);
            svg.Figures("gap-figure", x + 9, ((y1 + y2) / 2) + 5, line.Size.Show(canvas.Style));
            svg.End();
        }
    }

    // What does not fit on a thing is not written there; the set-out and the sheet have it.
    private static void Face(Canvas canvas, Item item, PlacementResult placed)
    {
        var (svg, frame, outer, style) = (canvas.Svg, canvas.Frame, placed.Outer, canvas.Style);
        if (placed.Picture is { } picture)
        {
            frame.Rect(svg, "picture", picture);
            var (px, py, ph) = (frame.X(picture.Left), frame.Y(picture.Top), frame.D(picture.Height));
            svg.Path("sheen", $"M{px} {py + ph} V{py} H{px + (frame.D(picture.Width) * .42)} Z");
        }

        var (wide, high) = (frame.D((placed.Picture ?? outer).Width), frame.D((placed.Picture ?? outer).Height));
        var named = wide > item.Name.Length * 7.6 && high > (placed.Picture is null ? 18 : 96);
        if (named)
        {
            canvas.Keep(frame.X(outer.CentreX), frame.Y(outer.CentreY) + (placed.Picture is null ? -1 : 19), item.Name.Length * 7);
            svg.Words("display-name", frame.X(outer.CentreX), frame.Y(outer.CentreY) + (placed.Picture is null ? 4 : 24), item.Name);
        }

        var size = $"{outer.Width.Show(style).Figures} × {outer.Height.Show(style).Figures}, {Phrase.PlainPart(item.Product!.Mass, style.System)}";
        if (placed.Picture is not null && wide > size.Length * 6.6 && high > 34)
        {
            svg.Words("display-size", frame.X(outer.CentreX), frame.Y(outer.CentreY) + (named ? 42 : 20), size);
        }
    }
}
