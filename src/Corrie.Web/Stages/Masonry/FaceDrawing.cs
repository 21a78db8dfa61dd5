using System.Globalization;
using System.Net;
using Corrie.Core.Findings;
using Corrie.Core.Hanging;
using Corrie.Core.Masonry;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;
using Corrie.Core.Survey;
using Corrie.Web.Drawing;

namespace Corrie.Web.Stages.Masonry;

/// <summary>Draws a face: its joints, its flue, what is warm, and how a plate lies on it.</summary>
public static class FaceDrawing
{
    private const int MostCourses = 400;

    /// <summary>Courses, or stones as they were traced.</summary>
    public static void Units(Canvas canvas)
    {
        var (svg, frame, wall) = (canvas.Svg, canvas.Frame, canvas.Wall);
        var face = canvas.Plan.Sheet.Wall(canvas.Look.Wall)!.Facework();
        if (canvas.Look is { Photo.Length: > 0, Drawing: Drawings.Front } && face.Units.Items.Count == 0)
        {
            return;
        }

        foreach (var unit in face.Units.Items.Where(u => u.Outline.Items.Count >= 3))
        {
            svg.Open("polygon", "traced-stone", [("points", string.Join(' ', unit.Outline.Items.Select(c => $"{Svg.Trim(frame.X(c.X))},{Svg.Trim(frame.Y(c.Y))}"))), ("data-stone", unit.Id)], close: true);
        }

        if (face.Courses is not { } courses || courses.Course.Units <= 0)
        {
            return;
        }

        var lines = new List<(double, double, double, double)>();
        var k = (int)Math.Floor((Length.Zero - courses.FirstBed) / courses.Course);
        for (var drawn = 0; courses.FirstBed + (courses.Course * k) < wall.Height && drawn < MostCourses; k++, drawn++)
        {
            var (bed, top) = (courses.FirstBed + (courses.Course * k), Length.Min(wall.Height, courses.FirstBed + (courses.Course * (k + 1))));
            if (bed > Length.Zero)
            {
                lines.Add((frame.X(Length.Zero), frame.Y(bed), frame.X(wall.Width), frame.Y(bed)));
            }

            if (courses.Unit is { } unit && frame.D(unit) > 3)
            {
                var head = courses.FirstHead + (courses.Offset * k);
                head -= unit * (long)Math.Floor(head / unit);
                for (var x = head; x < wall.Width; x += unit)
                {
                    lines.Add((frame.X(x), frame.Y(Length.Max(Length.Zero, bed)), frame.X(x), frame.Y(top)));
                }
            }
        }

        svg.Lines(frame.D(courses.Joint) > 1.5 ? "joint wide" : "joint", lines);
    }

    /// <summary>How far what burns keeps from an opening, and what a thermometer has shown.</summary>
    public static void Heat(Canvas canvas)
    {
        var (svg, frame, wall) = (canvas.Svg, canvas.Frame, canvas.Wall);
        var fire = canvas.Plan.Sheet.Wall(canvas.Look.Wall)!.Get(Fire.Part);
        foreach (var opening in wall.Features.Where(f => f.Kind == FeatureKind.Fireplace))
        {
            foreach (var (away, look) in new[] { (Combustibles.Limited, "fire-zone outer"), (Length.Max(Combustibles.Nothing, fire?.Listed ?? Length.Zero), "fire-zone inner") })
            {
                var (left, right, top) = (frame.X(opening.Left - away), frame.X(opening.Right + away), frame.Y(opening.Top + away));
                svg.Path(look, $"M{left} {frame.Floor} V{top} H{right} V{frame.Floor}");
            }

            var (beginsAt, line) = (frame.X(opening.Right + Combustibles.Limited) + 5, frame.Y(opening.Top) + 4);
            canvas.Keep(beginsAt + 90, line + 3, 180, 30);
            svg.Words("fire-zone-name", beginsAt, line, "inside, what burns stands out");
            svg.Words("fire-zone-name", beginsAt, line + 13, "an eighth of its distance at most");
        }

        // Beside what hangs, at the height at which they were taken: behind it nobody would read them.
        var beside = canvas.Things.Select(t => canvas.Plan.Placement(t.Id)?.Outer.Right ?? Length.Zero).Concat(wall.Features.Where(f => f.Kind == FeatureKind.Fireplace).Select(f => f.Right)).Append(Length.Zero).Max();
        foreach (var reading in fire?.Readings.Items ?? [])
        {
            var x = frame.X(Length.Min(wall.Width, reading.Across ?? beside)) + 16;
            var y = frame.Y(reading.Up) + (reading.Of == HeatOf.Air ? 9 : -3);
            svg.Group(reading.Full ? "heat" : "heat early");
            svg.Open("title", string.Empty, [], close: false).Raw(WebUtility.HtmlEncode($"{reading.Of.ToString().ToLowerInvariant()}, after {reading.Minutes} minutes at full{(reading.By.Length > 0 ? ", " + reading.By : string.Empty)}")).End("title");
            svg.Circle("heat-bulb", x, y, 4);
            canvas.Keep(x + 44, y, 96);
            svg.Words("heat-figure", x + 8, y + 4, $"{reading.Of.ToString().ToLowerInvariant()} {Phrase.PlainPart(reading.Warm, canvas.Style.System)}");
            svg.End();
        }
    }

    /// <summary>Flues that may be in use.</summary>
    public static void Flues(Canvas canvas)
    {
        foreach (var flue in FluePlace.Of(canvas.Wall, canvas.Plan.Sheet.Wall(canvas.Look.Wall)!.Get(Fire.Part)))
        {
            canvas.Svg.Group(flue.Assumed ? "flue guessed" : "flue");
            canvas.Svg.Open("title", string.Empty, [], close: false).Raw(WebUtility.HtmlEncode(flue.Begins is { } begins ? $"{flue.Name}, {begins.Show(canvas.Style)} behind the face" : $"{flue.Name}: nobody knows how deep")).End("title");
            canvas.Frame.Rect(canvas.Svg, "flue-body", flue.Outline);
            canvas.Svg.Words("flue-name", canvas.Frame.X(flue.Outline.CentreX), canvas.Frame.Y(flue.Outline.Top) + 14, flue.Assumed ? "flue?" : "flue");
            canvas.Svg.End();
        }
    }

    /// <summary>What a plate rests on.</summary>
    public static void Rests(Canvas canvas)
    {
        foreach (var (_, face) in Faces(canvas))
        {
            if (face.Resting is { Triangle.Count: > 2 } resting)
            {
                canvas.Svg.Open("polygon", "rests-on", [("points", string.Join(' ', resting.Triangle.Select(c => $"{Svg.Trim(canvas.Frame.X(Length.FromInches(c.X)))},{Svg.Trim(canvas.Frame.Y(Length.FromInches(c.Y)))}")))], close: true);
            }
        }
    }

    /// <summary>Gaps where they were measured, and which bolts rock the plate.</summary>
    public static void Gaps(Canvas canvas)
    {
        var (svg, frame, style) = (canvas.Svg, canvas.Frame, canvas.Style with { Denominator = 32 });
        foreach (var (item, face) in Faces(canvas))
        {
            foreach (var (point, i) in (face.Resting?.Points ?? []).Select((p, i) => (p, i)))
            {
                var touches = face.Resting!.Contacts.Contains(i);
                var (x, y) = (frame.X(point.X), frame.Y(point.Y));
                svg.Group(touches ? "gap-point touches" : "gap-point");
                svg.Circle("gap-dot", x, y, 3);
                svg.Open("title", string.Empty, [], close: false).Raw(WebUtility.HtmlEncode($"gap {point.Gap.Show(style)}{(touches ? ": it rests there" : string.Empty)}")).End("title");
                svg.End();
            }

            foreach (var hole in face.Holes.Where(h => h.Gap is not null))
            {
                var (x, y) = (frame.X(hole.X), frame.Y(hole.Y));
                svg.Group(hole.Stack is not { Fits: true } ? "pack missing" : hole.Rocks ? "pack rocks" : "pack", ("data-item", item.Id));
                svg.Open("title", string.Empty, [], close: false).Raw(WebUtility.HtmlEncode(MasonryStage.StackSays(canvas.Plan, hole).Say(canvas.Style) + (hole.Rocks ? "; a bolt there rocks the plate until it is packed" : string.Empty))).End("title");
                var left = hole.X < (canvas.Plan.Layout(item.Id)?.Position.Plate ?? hole.X);
                canvas.Keep(x + (left ? -32 : 32), y, 48, 20);
                svg.Figures(left ? "gap-figure left" : "gap-figure right", x + (left ? -12 : 12), y + 5, hole.Gap!.Value.Show(style));
                svg.End();
            }

            foreach (var hole in face.Holes.Where(h => h.InJoint))
            {
                svg.Circle("in-joint", frame.X(hole.X), frame.Y(hole.Y), Math.Max(9, frame.D(face.Edge)));
            }
        }
    }

    private static IEnumerable<(Item Item, FaceResult Face)> Faces(Canvas canvas) =>
        canvas.Things.Where(t => canvas.IsShown(t.Id) || canvas.Look.Apart).Select(t => (t, canvas.Plan.Face(t.Id))).Where(t => t.Item2 is not null).Select(t => (t.t, t.Item2!));
}

/// <summary>Draws what lies between a plate and the stone at one hole: many times its size, from the bolt's head to its tip.</summary>
public static class StackDrawing
{
    private const double Wide = 330, High = 74, Left = 4, Mid = 40, Thick = 22;

    /// <summary>The stack of a hole.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="plate">Thickness of the plate.</param>
    /// <param name="hole">The hole; its gap was measured.</param>
    /// <param name="style">The reader's units.</param>
    /// <returns>The drawing.</returns>
    public static string Draw(JobPlan plan, Length plate, FaceHole hole, LengthStyle style)
    {
        var svg = new Svg();
        svg.Open("svg", "stack-drawing", [("viewBox", $"0 0 {Wide} {High}"), ("role", "img"), ("aria-label", MasonryStage.StackSays(plan, hole).Say(style))], close: false);
        var parts = new List<(string Look, string Name, Length Thick)> { ("plate", "plate", plate) };
        foreach (var (piece, count) in hole.Stack is { } stack ? MasonryStage.PiecesOf(plan, stack) : [])
        {
            parts.AddRange(Enumerable.Repeat(("stiff", piece.Name, piece.Thickness), count));
        }

        if (hole.Stack?.Block is { } block)
        {
            parts.Add(("block", "block", block));
        }

        if (hole.Stack?.Soft is { } soft)
        {
            parts.Add(("soft", "soft", soft));
        }

        var scale = (Wide - 130) / Math.Max(0.6, parts.Sum(p => p.Thick.Inches));
        var x = Left + 26;
        svg.Rect("stack-head", Left + 10, Mid - 12, 12, 24, 2);
        foreach (var (look, name, thick) in parts)
        {
            var wide = Math.Max(4, thick.Inches * scale);
            svg.Group("stack-part " + look).Open("title", string.Empty, [], close: false).Raw(WebUtility.HtmlEncode($"{name} {thick.Show(style)}")).End("title");
            svg.Rect("stack-body", x, Mid - Thick, wide, 2 * Thick).End();
            x += wide;
        }

        svg.Path("stack-stone", $"M{x} {Mid - Thick - 8} Q{x + 5} {Mid - 14} {x} {Mid} T{x} {Mid + Thick + 8} H{Wide - 4} V{Mid - Thick - 8} Z");
        svg.Line("stack-bolt", Left + 22, Mid, Wide - 10, Mid);
        svg.Words("stack-number", Left + 2, 12, hole.Number.ToString(CultureInfo.InvariantCulture));
        svg.Figures("stack-figure", x - ((x - Left - 26) / 2), 12, hole.Gap!.Value.Show(style with { Denominator = 32 }));
        return svg.End("svg").ToString()!;
    }
}
