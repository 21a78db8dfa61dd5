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
