using Corrie.Core.Findings;
using Corrie.Core.Fixing;
using Corrie.Core.Hanging;
using Corrie.Core.Masonry;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Core.WholePlan;

/// <summary>
/// Compares all pairs: every hole with what is in the wall, with its ends and with every other hole; every body that is planned with every other
/// body in space and with the wall's outline. Stages say which bodies and holes they make; none compares them itself.
/// </summary>
internal static class Clearances
{
    // Between two lag screws in a row: NDS-2018 12.5.1, from memory.
    private const int DiametersApart = 4;

    /// <summary>Everything that meets and may not.</summary>
    /// <param name="input">Bodies, holes and the wall.</param>
    /// <returns>The findings; their parts are whole names.</returns>
    public static IEnumerable<Finding> Check(Clearing input) => [.. Holes(input), .. Flues(input), .. Outside(input), .. Meetings(input), .. FireDevices(input), .. MotionCheck.Check(input), .. MotionCheck.Travel(input)];

    private static IEnumerable<Finding> Holes(Clearing input)
    {
        var wall = input.Survey.Wall;
        var holes = input.Holes.Items;
        var keeps = holes.Count == 0 ? [] : input.Survey.KeepOuts(input.Policy).GroupBy(k => k.Id).ToList();
        var open = wall.Features.Where(f => f.Traits.OpensWall).ToList();
        for (var i = 0; i < holes.Count; i++)
        {
            var hole = holes[i];
            var radius = hole.Diameter.Half;
            foreach (var keep in keeps)
            {
                if (keep.FirstOrDefault(k => k.Area.Holds(hole.X, hole.Y)) is { Area: var area } inside)
                {
                    var least = new[] { hole.X - area.Left, area.Right - hole.X, hole.Y - area.Bottom, area.Top - hole.Y }.Min();
                    yield return SurveyFindings.LiveNearHole.At(
                        new($"{hole.Part}/{keep.Key}", hole.X, hole.Y),
                        $"The hole at {hole.X} across, {hole.Y} up is {least} inside what is kept free round the {inside.Name} ({area.Left} to {area.Right} across, {area.Bottom} to {area.Top} up): {inside.Why}.");
                }
            }

            foreach (var opening in open.Where(f => f.Outline.Grown(radius).Holds(hole.X, hole.Y)))
            {
                yield return FixingFindings.ThroughOpening.At(
                    new($"{hole.Part}/{opening.Id}", hole.X, hole.Y),
                    $"Move it: the hole at {hole.X} across, {hole.Y} up falls into the {opening.Name}, {opening.Left} to {opening.Right} across, {opening.Bottom} to {opening.Top} up.");
            }

            foreach (var box in input.Bodies.Items.Where(b => b.From < Length.Zero && b.Outline.Grown(radius).Holds(hole.X, hole.Y)))
            {
                yield return HangingFindings.BodiesMeet.At(
                    new($"{hole.Part}/{box.Item}", hole.X, hole.Y),
                    $"Move the {box.Name} or the plate: the hole at {hole.X} across, {hole.Y} up goes into the {box.Name}, {box.Outline.Left} to {box.Outline.Right} across, {box.Outline.Bottom} to {box.Outline.Top} up.");
            }

            foreach (var run in input.Runs.Items.Where(r => r.Area.Grown(radius).Holds(hole.X, hole.Y)))
            {
                yield return HangingFindings.BodiesMeet.At(
                    new($"{hole.Part}/{run.Part}", hole.X, hole.Y),
                    $"Move the hole, or bring the {run.Name} another way: the hole at {hole.X} across, {hole.Y} up goes where the {run.Name} will run, {run.Area.Left} to {run.Area.Right} across, {run.Area.Bottom} to {run.Area.Top} up.");
            }

            if (hole.X < radius || hole.X > wall.Width - radius || hole.Y < radius || hole.Y > wall.Height - radius)
            {
                yield return HangingFindings.Outside.At(
                    new($"{hole.Part}/wall", hole.X, hole.Y),
                    $"The hole at {hole.X} across, {hole.Y} up is not on the wall, which is {wall.Width} wide and {wall.Height} high.");
            }

            for (var j = 0; j < i; j++)
            {
                var other = holes[j];
                var apart = Length.FromInches(Math.Sqrt(Math.Pow((hole.X - other.X).Inches, 2) + Math.Pow((hole.Y - other.Y).Inches, 2)));
                var least = Length.Max(hole.Diameter, other.Diameter) * DiametersApart;
                if (apart < least)
                {
                    yield return FixingFindings.HolesNear.At(
                        new($"{hole.Part}/{other.Part}", hole.X, hole.Y),
                        $"The holes at {other.X} across, {other.Y} up and {hole.X} across, {hole.Y} up are {apart:fine} apart; {DiametersApart} diameters are {least:fine}.");
                }
            }
        }
    }

    // Plates and arms; where a thing passes the wall's end is said with its place.
    // One flue, one stop: the holes that reach it are counted.
    private static IEnumerable<Finding> Flues(Clearing input)
    {
        // As final as gas: it is somewhere in this wall, and nobody knows where.
        if (input.Flues.Items.Count == 0 && input.Holes.Items.Count > 0 && input.Survey.Wall.Questions.Flue == FlueState.Live)
        {
            var hole = input.Holes.Items[0];
            yield return MasonryFindings.FlueRoute.At(
                new($"{hole.Part}/flue", hole.X, hole.Y), $"Find the flue and put it on the wall, with how far behind the face it begins: it is said to be in use, and {input.Holes.Items.Count} {(input.Holes.Items.Count == 1 ? "hole is" : "holes are")} planned without anybody knowing where it runs.");
        }

        foreach (var flue in input.Flues.Items)
        {
            var reached = input.Holes.Items.Where(h => flue.IsReachedBy(h.X, h.Y, h.Diameter.Half, h.Depth)).ToList();
            if (reached.Count == 0)
            {
                continue;
            }

            var (first, deepest) = (reached[0], reached.Max(h => h.Depth));
            Phrase holes = $"{reached.Count} {(reached.Count == 1 ? "hole" : "holes")}, the first at {first.X} across, {first.Y} up";
            yield return MasonryFindings.FlueRoute.At(
                new($"{first.Part}/{flue.Id}", first.X, first.Y),
                flue.Begins is { } begins ? Phrase.Of($"Move the plate or drill less deep: {holes}, up to {deepest} deep, and the {flue.Name} begins {begins} behind the face; {FluePlace.Cover} has to be left.")
                : flue.Assumed ? Phrase.Of($"Find out where the {flue.Name} runs and put it on the wall, with how far behind the face it begins: {holes}, over the fire, and a flue that nobody has found counts as one in use.")
                : Phrase.Of($"Enter how far behind the face the {flue.Name} begins, or show that it is dead: {holes}, up to {deepest} deep, into it for all that is known."));
        }
    }

    private static IEnumerable<Finding> Outside(Clearing input)
    {
        var wall = input.Survey.Wall;
        var hung = input.Bodies.Items.Where(b => b.Role == BodyRole.Thing).ToLookup(b => b.Assembly);
        foreach (var body in input.Bodies.Items.Where(b => b.Role is BodyRole.Plate or BodyRole.Arm))
        {
            var over = Over(body.Outline, new(Length.Zero, Length.Zero, wall.Width, wall.Height));
            if (over is { } passes)
            {
                yield return HangingFindings.Outside.At(
                    new($"{body.Part}/wall", body.Outline.CentreX, body.Outline.CentreY), $"The {body.Name} passes the {passes.Edge switch { "left" => "left corner", "right" => "right corner", "bottom" => "floor", _ => "ceiling" }} by {passes.By}.");
            }
            else if (body.Role == BodyRole.Plate && hung[body.Assembly].Where(t => t.Outline.Overlaps(body.Outline)).MaxBy(t => t.Outline.Width.Units * (double)t.Outline.Height.Units) is { } before && Over(body.Outline, before.Outline) is { } shows)
            {
                yield return HangingFindings.Outside.MildAt(
                    new($"{body.Part}/shows", body.Outline.CentreX, body.Outline.CentreY),
                    $"The {body.Name} shows {shows.By} beyond the {shows.Edge} edge of the {before.Name}.");
            }
        }
    }

    private static (string Edge, Length By)? Over(Rect inner, Rect outer)
    {
        var worst = new[]
        {
            (Edge: "left", By: outer.Left - inner.Left), (Edge: "right", By: inner.Right - outer.Right), (Edge: "bottom", By: outer.Bottom - inner.Bottom), (Edge: "top", By: inner.Top - outer.Top),
        }.MaxBy(o => o.By);
        return worst.By > Length.Zero ? worst : null;
    }

    // What saves people in a fire is left free, beside it and under it.
    private static IEnumerable<Finding> FireDevices(Clearing input)
    {
        foreach (var device in input.Survey.Wall.Features.Where(f => f.Traits.Clear is not null))
        {
            var (its, clear) = (device.Outline, device.Traits.Clear!.Value);
            var free = Rect.Between(its.Left - clear, its.Right + clear, its.Bottom - clear, its.Top);
            foreach (var body in input.Bodies.Items.Where(b => b.Item.Length > 0 && b.Role == BodyRole.Thing && b.To > Length.Zero && b.Outline.Overlaps(free)))
            {
                yield return PlacementFindings.FireDevice.At(
                    new($"{body.Item}/fire/{device.Id}", its.CentreX, its.CentreY),
                    body.Outline.Overlaps(its)
                        ? Phrase.Of($"Move the {body.Name}: it covers the {device.Name} at {its.CentreX} across, {its.CentreY} up, and nothing ever does.")
                        : Phrase.Of($"Move the {body.Name} away from the {device.Name} at {its.CentreX} across, {its.CentreY} up: beside and under it {clear} stay free, and it is {Apart(body.Outline, its):fine} away."));
            }
        }
    }

    private static Length Apart(Rect a, Rect b)
    {
        var across = Length.Max(Length.Zero, Length.Max(a.Left - b.Right, b.Left - a.Right));
        var up = Length.Max(Length.Zero, Length.Max(a.Bottom - b.Top, b.Bottom - a.Top));
        return Length.FromInches(Math.Sqrt((across.Inches * across.Inches) + (up.Inches * up.Inches)));
    }

    // One pair of assemblies that meet is one finding: the display says it for its plate and arms too.
    private static IEnumerable<Finding> Meetings(Clearing input)
    {
        var said = new HashSet<(string, string)>();
        var bodies = input.Bodies.Items.OrderBy(b => b.Role).ToList();
        for (var i = 0; i < bodies.Count; i++)
        {
            var body = bodies[i];
            if (body.Item.Length == 0)
            {
                continue;
            }

            for (var j = 0; j < bodies.Count; j++)
            {
                var other = bodies[j];
                var both = other.Item.Length > 0;
                // Of two things that are planned the one that came later says it.
                if ((both && (j >= i || SameAssembly(body, other))) || !Touches(body, other) || body.Takes?.Covers(other.Outline) == true || other.Takes?.Covers(body.Outline) == true || !said.Add(Pair(body, other)))
                {
                    continue;
                }

                yield return Meeting(input, body, other);
            }
        }
    }

    private static (string, string) Pair(Body body, Body other)
    {
        var (mine, its) = other.Item.Length == 0 ? (body.Assembly, other.Part) : body.Assembly == other.Assembly ? (body.Item, other.Item) : (body.Assembly, other.Assembly);
        return string.CompareOrdinal(mine, its) < 0 ? (mine, its) : (its, mine);
    }

    // A plate and arms stand where their own display is, by design; two things on one mount may not share a place.
    private static bool SameAssembly(Body a, Body b) => a.Assembly == b.Assembly && (a.Role != BodyRole.Thing || b.Role != BodyRole.Thing);

    // What hands or plugs have to get at is covered by whatever is before it, however far.
    private static bool Touches(Body body, Body other) => other.Role is BodyRole.Control or BodyRole.Outlet
        ? body.To > Length.Zero && body.Outline.Overlaps(other.Outline)
        : body.Meets(other);

    private static Finding Meeting(Clearing input, Body body, Body other)
    {
        var (mine, its) = (body.Outline, other.Outline);
        var across = mine.CentreX >= its.CentreX ? its.Right - mine.Left : mine.Right - its.Left;
        var up = Length.Min(its.Top - mine.Bottom, mine.Top - its.Bottom);
        var part = other.Part[(other.Part.IndexOf('/') + 1)..];
        var spot = new Spot($"{body.Item}/meets/{(other.Item.Length > 0 ? other.Item : part)}", Length.Max(mine.Left, its.Left), Length.Max(mine.Bottom, its.Bottom));
        var placed = input.Placed.Items.FirstOrDefault(p => p.Id == body.Item);
        switch (other.Role)
        {
            case BodyRole.Control:
                return PlacementFindings.Covers.At(spot, $"The {body.Name} covers the {other.Name} by {Length.Min(across, its.Width)}, {its.Left} to {its.Right} across: nobody gets at it any more.");
            case BodyRole.Outlet:
                return body.Role == BodyRole.Plate
                    ? PlacementFindings.Covers.At(spot, $"The {body.Name} lies on the {other.Name} at {its.CentreX} across, {its.CentreY} up: move one of them, or have it recessed or blanked.")
                    : PlacementFindings.Covers.MildAt(spot, $"The {other.Name} at {its.CentreX} across, {its.CentreY} up stays in use behind the {body.Name}: its plug needs {body.From:most} or less.");
            case BodyRole.Opening when body.Role == BodyRole.Thing:
                return PlacementFindings.OutOfRoom.At(
                    spot, $"The {body.Name} covers the {other.Name} by {across}.", Sideways(body, placed, across, its.CentreX < mine.CentreX, other.Name));
            case BodyRole.Solid when placed is not null && its.Bottom < mine.CentreY:
                return PlacementFindings.BehindFurniture.At(
                    spot,
                    $"The {body.Name}'s bottom at {mine.Bottom} lies {its.Top - mine.Bottom} below the top of the {other.Name} at {its.Top}.", Raise(body, placed, other));
            case BodyRole.Solid when placed is not null:
                return PlacementFindings.OutOfRoom.At(
                    spot, $"The {body.Name}'s top at {mine.Top} is {mine.Top - its.Bottom} above the {other.Name} at {its.Bottom}.", Lower(placed, its.Bottom));
            case BodyRole.Thing when Hidden(input, body, other) is var (box, display) && box is not null:
                return HangingFindings.BoxTooDeep.At(
                    spot with { Part = $"{display!.Item}/behind/{box.Item}" },
                    $"Move the {box.Name} from behind the {display.Name}, recess it, or take a mount that stands out more: it is {box.To} deep, and behind the parked {display.Name} are {display.From}.");
            case BodyRole.Thing when placed is not null:
                return PlacementFindings.OutOfRoom.At(
                    spot,
                    $"The {body.Name} and the {other.Name} are in one place: they overlap by {across} sideways and {up} in height.",
                    across <= up ? Sideways(body, placed, across, mine.CentreX >= its.CentreX, other.Name)
                        : [new Remedy($"Raise the {body.Name} {its.Top - mine.Bottom}", $"over the {other.Name}, bottom at {its.Top}", [placed.Choice.BottomAt(its.Top, mine.Height)])]);
            default:
                return HangingFindings.BodiesMeet.At(spot, $"The {body.Name} and the {other.Name} are in one place: they overlap by {across} sideways and {up} in height.");
        }
    }

    // A thing that goes out of sight behind a display, and is no bar before it: the display hangs in front, and the thing inside its outline.
    private static (Body? Box, Body? Display) Hidden(Clearing input, Body a, Body b)
    {
        var (small, large) = a.Outline.Width < b.Outline.Width ? (a, b) : (b, a);
        var picture = input.Placed.Items.FirstOrDefault(p => p.Id == large.Item)?.Result.Picture is not null && large.From > Length.Zero;
        return picture && small.From == Length.Zero && small.Outline.Left >= large.Outline.Left && small.Outline.Right <= large.Outline.Right && small.Outline.Bottom >= large.Outline.Bottom && small.Outline.Top <= large.Outline.Top
            ? (small, large) : (null, null);
    }

    private static Remedy[] Sideways(Body body, PlacedItem? placed, Length by, bool right, string name)
    {
        var centre = body.Outline.CentreX + (right ? by : -by);
        return placed is null ? [] : [new($"Move the {body.Name} {by} to the {(right ? "right" : "left")}", $"clear of the {name}, centre at {centre}", placed.Choice.CentreAt(centre))];
    }

    private static Remedy[] Raise(Body body, PlacedItem placed, Body other)
    {
        var bottom = Length.Max(placed.Result.LeastBottom, other.Outline.Top);
        var raise = bottom - body.Outline.Bottom;
        return body.Outline.Top + raise > placed.Result.Ceiling - placed.Choice.GapAbove ? [] :
        [
            new($"Raise it {raise}", $"bottom at {bottom}, {bottom - other.Outline.Top} over the {other.Name}; centre at {body.Outline.CentreY + raise}", [placed.Choice.BottomAt(bottom, body.Outline.Height)]),
        ];
    }

    private static Remedy[] Lower(PlacedItem placed, Length foot)
    {
        var bottom = foot - placed.Choice.GapAbove - placed.Result.Outer.Height;
        return bottom < placed.Result.LeastBottom ? [] : [new($"Lower it {placed.Result.Outer.Bottom - bottom}", $"bottom at {bottom}", [placed.Choice.BottomAt(bottom, placed.Result.Outer.Height)])];
    }
}
