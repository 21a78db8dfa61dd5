using Corrie.Core.Catalogue;
using Corrie.Core.Measure;
using Corrie.Core.Planning;

namespace Corrie.Core.Hanging;

/// <summary>Where a moving mount holds what hangs on it, against its parked place.</summary>
/// <param name="Out">How far farther out of the wall.</param>
/// <param name="Down">How far lower.</param>
/// <param name="Tilt">How far its top leans forward.</param>
public readonly record struct Pose(Length Out, Length Down, Angle Tilt)
{
    /// <summary>A pose on the straight way to another.</summary>
    /// <param name="other">The other.</param>
    /// <param name="share">How much of the way, 0 to 1.</param>
    /// <returns>The pose.</returns>
    public Pose To(Pose other, double share) => new(Out + ((other.Out - Out) * share), Down + ((other.Down - Down) * share), new(Tilt.Degrees + ((other.Tilt.Degrees - Tilt.Degrees) * share)));
}

/// <summary>
/// What moves on a mount, and how: seen from above as it swings, from the side as it is pulled down. Outlines of whole stretches of the way, so that
/// nothing slips through between two poses.
/// </summary>
/// <param name="Mount">Key of the mount.</param>
/// <param name="Pivot">The pivot, from the left corner.</param>
/// <param name="PivotUp">The pivot over the floor.</param>
/// <param name="Parked">Wall to the display's back, parked.</param>
/// <param name="Reach">Wall to the display's back at full reach.</param>
/// <param name="Way">Poses from parked to full reach.</param>
/// <param name="Left">How far it may come to be turned to the left; zero for not at all.</param>
/// <param name="Right">How far to the right.</param>
/// <param name="Asked">Whether somebody has said how far it is to turn; where nobody has, all that it can is looked at.</param>
public sealed record Motion(string Mount, Length Pivot, Length PivotUp, Length Parked, Length Reach, Same<Pose> Way, Angle Left, Angle Right, bool Asked)
{
    /// <summary>How far its arm swings to each side of straight out: to its stop, where somebody has set one; null where nobody has entered that.</summary>
    public Angle? Swing { get; init; }

    /// <summary>Where it is chosen how it hangs, for remedies; null in a test.</summary>
    public Format.Place? Choice { get; init; }

    /// <summary>How far its pivot stands beside its parked place once it is swung out.</summary>
    public Length Beside { get; init; }

    private const double Step = 1;

    // Between two steps of a turn a corner runs beside the straight line by r(1 - cos 1/2 degree): 1/256 in at 100 in. Nothing is told to that.
    private const int FinerTimes = 10;

    /// <summary>The outline of a body from above, the arm fully out and turned.</summary>
    /// <param name="body">The body, as it is parked.</param>
    /// <param name="turn">How far it is turned, to the right above zero: its right edge goes back to the wall.</param>
    /// <returns>The outline: across from the left corner, up out of the wall.</returns>
    public Polygon FromAbove(Body body, Angle turn) =>
        Polygon.Box(body.Outline.Left, body.Outline.Right, body.From - Parked + Reach, body.To - Parked + Reach).Turned((Pivot.Inches, Reach.Inches), new(-turn.Degrees));

    /// <summary>The outline of a body from the side, in a pose.</summary>
    /// <param name="body">The body, as it is parked.</param>
    /// <param name="pose">The pose.</param>
    /// <returns>The outline: across out of the wall, up over the floor.</returns>
    public Polygon FromSide(Body body, Pose pose) =>
        Polygon.Box(body.From, body.To, body.Outline.Bottom, body.Outline.Top).Turned((Parked.Inches, PivotUp.Inches), new(-pose.Tilt.Degrees)).Moved(pose.Out, -pose.Down);

    /// <summary>How far it turns to a side before something that moves covers something that does not.</summary>
    /// <param name="moving">What moves.</param>
    /// <param name="stays">What does not, from above.</param>
    /// <param name="toRight">To which side.</param>
    /// <returns>The angle; null where it turns as far as it is to.</returns>
    public Angle? TurnsUntil(IReadOnlyList<Body> moving, Polygon stays, bool toRight)
    {
        var (most, sign) = (toRight ? Right.Degrees : Left.Degrees, toRight ? 1 : -1);
        bool Hits(double from, double to) => moving.Any(b => Swept(FromAbove(b, new(sign * from)), FromAbove(b, new(sign * to))).Overlaps(stays));
        for (var at = 0d; at < most; at += Step)
        {
            var to = Math.Min(most, at + Step);
            if (Hits(at, to))
            {
                return new(Enumerable.Range(0, FinerTimes).Select(i => at + ((to - at) * i / FinerTimes)).Last(a => !Hits(at, a) || a == at));
            }
        }

        return null;
    }

    /// <summary>The pose up to which it comes out and down before something that moves covers something that does not.</summary>
    /// <param name="moving">What moves.</param>
    /// <param name="stays">What does not, from the side.</param>
    /// <returns>The last pose that is free, and how much of the whole way that is; null where the whole way is free.</returns>
    public (Pose Pose, double Share)? ComesUntil(IReadOnlyList<Body> moving, Polygon stays)
    {
        var way = Way.Items;
        for (var leg = 0; leg + 1 < way.Count; leg++)
        {
            // Without a tilt the hull of both ends is exactly what is swept; a tilt is followed degree by degree.
            var steps = Math.Max(16, (int)Math.Ceiling(Math.Abs(way[leg + 1].Tilt.Degrees - way[leg].Tilt.Degrees) / Step));
            for (var i = 0; i < steps; i++)
            {
                var (a, b) = (way[leg].To(way[leg + 1], (double)i / steps), way[leg].To(way[leg + 1], (i + 1d) / steps));
                if (moving.Any(m => Swept(FromSide(m, a), FromSide(m, b)).Overlaps(stays)))
                {
                    return (a, (leg + ((double)i / steps)) / (way.Count - 1));
                }
            }
        }

        return null;
    }

    /// <summary>How a mount moves what hangs on it.</summary>
    /// <param name="id">Key of the mount.</param>
    /// <param name="input">Mount, display and choice.</param>
    /// <param name="turning">How far it turns; null for not at all.</param>
    /// <returns>The motion; null where nothing moves, or nobody knows how far.</returns>
    internal static Motion? Of(string id, Hanging input, Turning? turning)
    {
        var mount = input.Mount;
        if (!mount.Moves || !mount.ReachKnown)
        {
            return null;
        }

        IReadOnlyList<Pose> way = mount.Poses.Count > 0
            ? [default, .. mount.Poses.Select(p => new Pose(p.Out, p.Down, p.Tilt)), .. ToTheEnd(mount)]
            : [default, new(mount.DepthExtended - mount.DepthParked, mount.Drop, default)];
        // Where nobody has said how far it is to turn, all that it can is looked at.
        var wanted = input.Choice.Turn;
        var possible = turning?.Possible ?? default;
        Angle Side(bool right) => input.Choice.Side == (right ? TurnSide.Left : TurnSide.Right) ? default : wanted is { } to ? new(Math.Min(possible.Degrees, to.Degrees)) : possible;
        return new(id, input.ArmsAt, input.Outer.Bottom + input.Display.UpperRowUp - input.Display.VesaHeight.Half, mount.DepthParked, mount.DepthExtended, new(way), Side(right: false), Side(right: true), wanted is not null)
        {
            Swing = mount.Sort != MountKind.Articulating || (input.Choice.ArmStop ?? mount.ArmSwing) is not { } stop ? null : new(Math.Min(Math.Abs(stop.Degrees), Math.Min(90, Math.Abs(mount.ArmSwing?.Degrees ?? 90)))),
            Beside = mount.SwungBeside,
            Choice = input.Choice.Here,
        };
    }

    // Poses that stop before full reach and drop were measured on a part of the way; the rest is taken as straight.
    private static IEnumerable<Pose> ToTheEnd(Mount mount) =>
        mount.Poses[^1] is var last && (last.Out < mount.DepthExtended - mount.DepthParked || last.Down < mount.Drop)
            ? [new(Length.Max(last.Out, mount.DepthExtended - mount.DepthParked), Length.Max(last.Down, mount.Drop), last.Tilt)] : [];

    private static Polygon Swept(Polygon from, Polygon to) => Polygon.Round(from.Corners.Concat(to.Corners));
}
