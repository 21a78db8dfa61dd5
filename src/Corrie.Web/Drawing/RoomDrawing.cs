using Corrie.Core.Measure;
using Corrie.Core.Placement;

namespace Corrie.Web.Drawing;

/// <summary>Draws the room from above in small, in the corner of a larger drawing: where on the wall that is, and where people sit.</summary>
public static class RoomDrawing
{
    private const double MostWide = 190;
    private const double MostHigh = 120;

    /// <summary>The room; nothing where the drawing shows the whole wall and nobody sits before it.</summary>
    /// <param name="canvas">The drawing from above.</param>
    public static void Draw(Canvas canvas)
    {
        var (svg, wall) = (canvas.Svg, canvas.Wall);
        var placed = canvas.Shown().Thing is { } thing ? canvas.Plan.Placement(thing.Id) : null;
        var seats = placed?.Views.Select(v => v.Viewer).ToList() ?? [];
        if (placed is null || (canvas.Stretch == (Length.Zero, wall.Width) && seats.Count == 0))
        {
            return;
        }

        // As deep as the farthest seat and somebody in it, or as a usual room is.
        var deep = seats.Select(v => v.Distance).Append(Length.Tape(72)).Max() + Length.Tape(24);
        var scale = Math.Min(MostWide / wall.Width.Inches, MostHigh / deep.Inches);
        var (wide, high) = (wall.Width.Inches * scale, deep.Inches * scale);
        var (left, top) = (Frame.Width - 20 - wide, canvas.Frame.Floor - 10 - high);
        double X(Length across) => left + (across.Inches * scale);
        svg.Group("room");
        svg.Rect("room-paper", left - 8, top - 8, wide + 16, high + 16);
        svg.Rect("room-floor", left, top, wide, high);
        svg.Line("room-wall", left, top, left + wide, top);
        svg.Rect("room-stretch", X(canvas.Stretch.From), top - 4, X(canvas.Stretch.To) - X(canvas.Stretch.From), 12);
        svg.Rect("bezel", X(placed.Outer.Left), top + 1, placed.Outer.Width.Inches * scale, 3);
        foreach (var light in canvas.Plan.Sheet.Wall(canvas.Look.Wall)!.Get(RoomLight.Part) ?? [])
        {
            // What is beyond the room's edge is drawn at it.
            double Down(Length along) => top + Math.Min(high, along.Inches * scale);
            double Over(Length across) => Math.Clamp(X(across), left, left + wide);
            svg.Line("room-light", Over(light.FromAcross), Down(light.FromOut), Over(light.ToAcross), Down(light.ToOut));
        }

        foreach (var (seat, i) in seats.Select((v, i) => (v, i)))
        {
            var y = top + (seat.Distance.Inches * scale);
            var across = X(seat.Across ?? placed.Outer.CentreX);
            svg.Circle("room-seat", across, y, 3.5);
            svg.Words(i % 2 == 0 ? "room-name" : "room-name left", across + (i % 2 == 0 ? 7 : -7), y + 4, seat.Name);
        }

        svg.End();
    }
}
