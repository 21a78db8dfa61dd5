using Corrie.Core.Findings;
using Corrie.Core.Hanging;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Core.WholePlan;

/// <summary>Compares what moves on its mounts with all that stands at the wall, over the whole way and not only at its ends.</summary>
internal static class MotionCheck
{
    /// <summary>Everything that is touched on the way.</summary>
    /// <param name="input">Bodies, motions and the wall.</param>
    /// <returns>The findings; their parts are whole names.</returns>
    public static IEnumerable<Finding> Check(Clearing input) => input.Motions.Items.SelectMany(m => Check(input, m));

    private static IEnumerable<Finding> Check(Clearing input, Motion motion)
    {
        var assembly = input.Bodies.Items.FirstOrDefault(b => b.Item == motion.Mount)?.Assembly ?? motion.Mount;
        var moving = input.Bodies.Items.Where(b => b.Assembly == assembly && b.Role == BodyRole.Thing && b.To > Length.Zero).ToList();
        var others = input.Bodies.Items.Where(b => b.Assembly != assembly || b.Item.Length == 0).Where(b => b.Role is BodyRole.Solid or BodyRole.Thing or BodyRole.Plate && b.To > Length.Zero).ToList();
        if (moving.Count == 0)
        {
            yield break;
        }

        var outline = Rect.Between(moving.Min(b => b.Outline.Left), moving.Max(b => b.Outline.Right), moving.Min(b => b.Outline.Bottom), moving.Max(b => b.Outline.Top));
        foreach (var (name, part, what) in Beside(input, outline, others))
        {
            foreach (var right in new[] { false, true })
            {
                if (motion.TurnsUntil(moving, what, right) is { } until)
                {
                    var (side, wanted) = (right ? "right" : "left", right ? motion.Right : motion.Left);
                    var spot = new Spot($"{motion.Mount}/motion/{side}/{part}", right ? outline.Right : outline.Left, outline.CentreY);
                    yield return motion.Asked
                        ? HangingFindings.SwingHits.At(spot, $"Turn it less, move it or take a shorter arm: at its full reach of {motion.Reach} it is to turn {wanted} to the {side}, and past {until} it touches the {name}.")
                        : HangingFindings.SwingHits.MildAt(spot, $"Say how far it is to turn: at its full reach of {motion.Reach} it could turn {wanted} to the {side}, and past {until} it touches the {name}.");
                }
            }
        }

        foreach (var finding in Swung(input, motion, moving, outline, others))
        {
            yield return finding;
        }

        foreach (var other in others.Where(o => o.Outline.Overlaps(outline.Left, outline.Right)))
        {
            var stays = Polygon.Box(other.From, other.To, other.Outline.Bottom, other.Outline.Top);
            // What is in its way already where it is parked is said there.
            if (moving.All(m => !motion.FromSide(m, default).Overlaps(stays)) && motion.ComesUntil(moving, stays) is ({ } pose, var share))
            {
                yield return HangingFindings.SwingHits.At(
                    new($"{motion.Mount}/motion/down/{Part(other)}", outline.CentreX, other.Outline.Top),
                    $"Raise it, bring it out farther before it comes down, or lower the {other.Name}: {pose.Out} out and {pose.Down} down, {100 * share:0} % of the way, it touches the {other.Name}, which stands out {other.To} with its top at {other.Outline.Top}.");
            }
        }

        var nearest = motion.Way.Items.SelectMany(p => moving.SelectMany(m => motion.FromSide(m, p).Corners)).Min(c => c.X);
        if (nearest < 0)
        {
            yield return HangingFindings.SwingHits.At(
                new($"{motion.Mount}/motion/down/wall", outline.CentreX, outline.CentreY), $"Measure its poses again: on its way it is {Length.FromInches(-nearest)} behind the wall's face.");
        }

        var lowest = motion.Way.Items.SelectMany(p => moving.SelectMany(m => motion.FromSide(m, p).Corners)).Min(c => c.Y);
        if (lowest < 0)
        {
            yield return HangingFindings.SwingHits.At(
                new($"{motion.Mount}/motion/down/floor", outline.CentreX, Length.Zero), $"Raise it: all the way down its lower edge is {Length.FromInches(-lowest)} under the floor.");
        }
    }

    // The arm itself, as far as its stop lets it: every way out, swung and turned.
    private static IEnumerable<Finding> Swung(Clearing input, Motion motion, IReadOnlyList<Body> moving, Rect outline, IReadOnlyList<Body> others)
    {
        if (motion.Swing is not { Degrees: > 0 } swing || motion.Reach <= motion.Parked)
        {
            yield break;
        }

        var far = Body.Unknown.Inches;
        var things = new List<(string Name, string Part, (double Left, double Right, double Back, double Front) At)>
        {
            ("wall on the left", "left-wall", (-far, 0, -1, far)),
            ("wall on the right", "right-wall", (input.Survey.Wall.Width.Inches, input.Survey.Wall.Width.Inches + far, -1, far)),
        };
        things.AddRange(others.Where(o => o.Outline.Bottom < outline.Top && o.Outline.Top > outline.Bottom && moving.All(m => !m.Meets(o)))
            .Select(o => (o.Name, Part(o), (o.Outline.Left.Inches, o.Outline.Right.Inches, Math.Max(0, o.From.Inches), o.To.Inches))));
        foreach (var (name, part, at) in things)
        {
            // What it touches straight out is said where it is turned.
            if (ArmSweep.Touches(motion, moving, at, default) is not null || ArmSweep.Touches(motion, moving, at, swing) is not { } pose)
            {
                continue;
            }

            var (free, hits) = (0d, swing.Degrees);
            for (var i = 0; i < 7; i++)
            {
                var middle = (free + hits) / 2;
                (free, hits) = ArmSweep.Touches(motion, moving, at, new(middle)) is null ? (middle, hits) : (free, middle);
            }

            var stop = new Angle(Math.Floor(free));
            yield return HangingFindings.SwingHits.At(
                new($"{motion.Mount}/motion/arm/{part}", pose.Swing.Degrees < 0 ? outline.Left : outline.Right, outline.CentreY),
                $"Set the arm's stop, move it or take a shorter arm: its arm swings {swing} to each side and reaches {motion.Reach}, and past {stop} it touches the {name}, {Says(pose)}.",
                motion.Choice is { } choice && stop.Degrees > 0 ? [new Remedy($"Set its stop at {stop}", $"clear of the {name}; set on site, before it is let go of", [choice.Set("armStop", $"{stop.Degrees.ToString("0", System.Globalization.CultureInfo.InvariantCulture)} deg")])] : []);
        }

        static Phrase Says(ArmPose pose) => Phrase.Of($"{100 * pose.Share:0} % out, swung {new Angle(Math.Round(Math.Abs(pose.Swing.Degrees)))} to the {(pose.Swing.Degrees < 0 ? "left" : "right")}{(Math.Abs(pose.Turn.Degrees) < 1 ? Phrase.Of(string.Empty) : Phrase.Of($", turned {new Angle(Math.Round(Math.Abs(pose.Turn.Degrees)))} to the {(pose.Turn.Degrees < 0 ? "left" : "right")}"))}");
    }

    /// <summary>Less than that is levelled and no travel (own rule).</summary>
    private static readonly Length Levelled = Length.Tape(2);

    /// <summary>What is touched where a mount raises or lowers what hangs on it.</summary>
    /// <param name="input">Bodies and the wall.</param>
    /// <returns>The findings; their parts are whole names.</returns>
    public static IEnumerable<Finding> Travel(Clearing input)
    {
        foreach (var travel in input.Travels.Items)
        {
            var moving = input.Bodies.Items.Where(b => b.Assembly == travel.Assembly && b.Role == BodyRole.Thing && b.To > Length.Zero).ToList();
            bool IsBeam(Body b) => b.Item.Length == 0 && input.Survey.Wall.Features.Any(f => f.Kind == FeatureKind.Beam && b.Part.EndsWith("features/" + f.Id, StringComparison.Ordinal));
            foreach (var body in moving)
            {
                // Beams and the ceiling are said with the hanging; another display over it, or a shelf, is in the way of lifting on as well.
                var over = input.Bodies.Items.Where(b => (b.Assembly != travel.Assembly || b.Item.Length == 0) && b.Role is BodyRole.Solid or BodyRole.Thing && b.To > body.From && b.From < body.To && !IsBeam(b) && b.Outline.Overlaps(body.Outline.Left, body.Outline.Right) && b.Outline.Bottom >= body.Outline.Top).MinBy(b => b.Outline.Bottom);
                if (over is not null && over.Outline.Bottom - body.Outline.Top is var clear && clear < travel.ClearAbove)
                {
                    yield return HangingFindings.NoRoomAbove.At(
                        new($"{travel.Mount}/above/{Part(over)}", body.Outline.CentreX, body.Outline.Top), $"Lower it, or hang the {over.Name} after it: {clear} are under the {over.Name}, and lifting the {body.Name} on needs {travel.ClearAbove:least}.");
                }
            }

            foreach (var (by, down) in new[] { (travel.LowerBy, true), (travel.RaiseBy, false) })
            {
                if (by <= Levelled || moving.Count == 0)
                {
                    continue;
                }

                var (lowest, highest) = (moving.Min(b => b.Outline.Bottom), moving.Max(b => b.Outline.Top));
                var room = down ? lowest : input.Survey.Wall.Height - highest;
                var nearest = (Name: down ? "floor" : "ceiling", Part: down ? "floor" : "ceiling", Room: room);
                foreach (var other in input.Bodies.Items.Where(b => (b.Assembly != travel.Assembly || b.Item.Length == 0) && b.Role is BodyRole.Solid or BodyRole.Thing or BodyRole.Plate or BodyRole.Control && b.To > Length.Zero))
                {
                    foreach (var body in moving.Where(m => m.Outline.Overlaps(other.Outline.Left, other.Outline.Right) && m.From < other.To && other.From < m.To + travel.Out))
                    {
                        var apart = down ? body.Outline.Bottom - other.Outline.Top : other.Outline.Bottom - body.Outline.Top;
                        nearest = apart >= Length.Zero && apart < nearest.Room ? (other.Name, Part(other), apart) : nearest;
                    }
                }

                if (nearest.Room < by)
                {
                    yield return HangingFindings.TravelHits.At(
                        new($"{travel.Mount}/travel/{(down ? "down" : "up")}", moving[0].Outline.CentreX, down ? lowest : highest),
                        $"{(down ? "Raise it, or stop its travel" : "Lower it, or stop its travel")}: the mount {(down ? "lowers" : "raises")} it by {by}, and after {nearest.Room:fine} it touches the {nearest.Name}.");
                }
            }
        }
    }

    // From above: the walls at both ends, doors that open into the room, and all that stands out at its height.
    private static IEnumerable<(string Name, string Part, Polygon What)> Beside(Clearing input, Rect outline, IReadOnlyList<Body> others)
    {
        var (wall, far) = (input.Survey.Wall, Body.Unknown);
        yield return ("wall on the left", "left-wall", Polygon.Box(-far, Length.Zero, Length.Zero, far));
        yield return ("wall on the right", "right-wall", Polygon.Box(wall.Width, wall.Width + far, Length.Zero, far));
        foreach (var door in wall.Features.Where(f => f.Kind == FeatureKind.Door && f.Bottom < outline.Top && f.Top > outline.Bottom))
        {
            yield return ($"{door.Name}, if that opens into the room", door.Id, Polygon.Box(door.Left, door.Right, Length.Zero, door.Width));
        }

        foreach (var other in others.Where(o => o.Outline.Bottom < outline.Top && o.Outline.Top > outline.Bottom))
        {
            yield return (other.Name, Part(other), Polygon.Box(other.Outline.Left, other.Outline.Right, Length.Max(Length.Zero, other.From), other.To));
        }
    }

    private static string Part(Body other) => other.Item.Length > 0 ? other.Item : other.Part[(other.Part.LastIndexOf('/') + 1)..];
}
