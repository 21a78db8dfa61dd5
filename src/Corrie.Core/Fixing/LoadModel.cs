using Corrie.Core.Catalogue;
using Corrie.Core.Hanging;
using Corrie.Core.Measure;

namespace Corrie.Core.Fixing;

/// <summary>
/// What hangs on a plate, in every pose that its mount allows: all weights in the display's centre of gravity, and for a mount that moves somebody who leans on the
/// display's edge. An arm is one link from the plate's middle, as long as it comes out; it swings to both sides, and the display turns at its end as far as
/// mount and wall let it.
/// </summary>
/// <param name="input">All that a plate's bolts follow from.</param>
internal sealed class LoadModel(Bolting input)
{
    // How many poses of the arm and of the display are tried before the worst of them is looked at closely.
    private const int Swings = 9;
    private const int Turns = 5;
    private const int Halvings = 9;
    private const int MostClosely = 16;

    private readonly Mount mount = input.Mount;
    private readonly Rect outer = input.Outer;
    private readonly bool arm = input.Mount.Sort == MountKind.Articulating;
    private readonly Length pivot = input.Layout.Pivot;

    /// <summary>All that hangs, the mount itself with it; in a vehicle the dynamic factor is on it.</summary>
    public Force Weight { get; } = new((input.Layout.Load + input.Mount.Mass).Weight.Newtons * (input.Choice.Conditions.Vehicle ? input.Policy.VehicleFactor : 1));

    /// <summary>How far the arm swings to each side; flat to the wall where nobody has said.</summary>
    public Angle MostSwing => arm ? new(Math.Min(90, Math.Abs(mount.ArmSwing?.Degrees ?? 90))) : default;

    /// <summary>The loads of a pose.</summary>
    /// <param name="pose">The pose.</param>
    /// <returns>The weight, and the pull of who leans on it.</returns>
    public IReadOnlyList<PointLoad> At(LoadPose pose)
    {
        var (x, y, z, back) = Middle(pose);
        var weight = new PointLoad(x, y, z, default, new(-Weight.Newtons), default);
        if (pose.At == LeanAt.Nowhere)
        {
            return [weight];
        }

        var (sine, cosine) = (Math.Sin(pose.Turn.Radians), Math.Cos(pose.Turn.Radians));
        var beside = pose.At == LeanAt.LeftEdge ? outer.Left - pivot : pose.At == LeanAt.RightEdge ? outer.Right - pivot : outer.CentreX - pivot;
        // The back's own plane turns about the pivot; a lower edge hangs under it.
        var at = (X: back.X + (beside * cosine), Y: pose.At == LeanAt.LowerEdge ? y - outer.Height.Half : y, Z: Length.Max(Length.Zero, back.Z - (beside * sine)));
        var pull = input.Policy.AccidentalPull.Weight;
        return [weight, pose.Way switch
        {
            LeanWay.Out => new(at.X, at.Y, at.Z, default, default, pull),
            LeanWay.Down => new(at.X, at.Y, at.Z, default, new(-pull.Newtons), default),
            LeanWay.Left => new(at.X, at.Y, at.Z, new(-pull.Newtons), default, default),
            _ => new(at.X, at.Y, at.Z, pull, default, default),
        }];
    }

    /// <summary>How far the display can be turned in a pose: to the mount's end, or until its edge touches the wall.</summary>
    /// <param name="swing">How far the arm is swung.</param>
    /// <param name="share">How far it has come out.</param>
    /// <returns>The angle to each side, 0 to 90 degrees.</returns>
    public Angle MostTurn(Angle swing, double share)
    {
        if (!arm)
        {
            return default;
        }

        var edge = Length.Max(outer.Right - pivot, pivot - outer.Left);
        return new(Math.Min(Math.Abs(mount.Swing?.Degrees ?? 90), Turning.FarthestOf(Out(swing, share), edge).Degrees));
    }

    /// <summary>The pose that is worst for each bolt.</summary>
    /// <param name="group">The plate and its bolts.</param>
    /// <param name="use">How far a load uses up what a bolt holds.</param>
    /// <returns>What each bolt takes in its worst pose, and that pose.</returns>
    public IReadOnlyList<(BoltLoad Load, LoadPose Pose)> Worst(BoltGroup group, Func<BoltLoad, double> use) => Worst(group, (_, load) => use(load));

    /// <summary>The pose that is worst for each bolt, where each holds differently.</summary>
    /// <param name="group">The plate and its bolts.</param>
    /// <param name="use">How far a load uses up what a bolt holds; the bolt's place among them comes first.</param>
    /// <returns>What each bolt takes in its worst pose, and that pose.</returns>
    public IReadOnlyList<(BoltLoad Load, LoadPose Pose)> Worst(BoltGroup group, Func<int, BoltLoad, double> use)
    {
        var worst = new (double Use, BoltLoad Load, LoadPose Pose)[group.Count];
        Array.Fill(worst, (-1, default, default));
        var bolts = new BoltLoad[group.Count];
        foreach (var pose in Coarse())
        {
            Solve(group, pose, bolts);
            for (var i = 0; i < bolts.Length; i++)
            {
                if (use(i, bolts[i]) is var used && used > worst[i].Use)
                {
                    worst[i] = (used, bolts[i], pose);
                }
            }
        }

        // The plate is as good as its worst bolts: of a great many only those are looked at closely.
        foreach (var i in mount.Moves ? Enumerable.Range(0, worst.Length).OrderByDescending(i => worst[i].Use).Take(MostClosely) : [])
        {
            worst[i] = Closer(group, use, i, worst[i], bolts);
        }

        return [.. worst.Select(w => (w.Load, w.Pose))];
    }

    private void Solve(BoltGroup group, LoadPose pose, BoltLoad[] bolts)
    {
        var sum = default(BoltGroup.Resultant);
        foreach (var load in At(pose))
        {
            sum = sum.With(group.At(load));
        }

        group.Solve(sum, bolts);
    }

    private IEnumerable<LoadPose> Coarse()
    {
        foreach (var (swing, share, turn) in Stands())
        {
            yield return new(swing, share, turn, LeanAt.Nowhere, LeanWay.Out);
            for (var at = LeanAt.LeftEdge; at <= LeanAt.LowerEdge && mount.Moves; at++)
            {
                for (var way = LeanWay.Out; way <= LeanWay.Right; way++)
                {
                    yield return new(swing, share, turn, at, way);
                }
            }
        }
    }

    private IEnumerable<(Angle Swing, double Share, Angle Turn)> Stands()
    {
        if (!mount.Moves)
        {
            yield return default;
            yield break;
        }

        if (!arm)
        {
            var legs = input.Layout.Motion?.Way.Items.Count - 1 ?? 1;
            for (var i = 0; i <= legs * 2; i++)
            {
                yield return (default, i / (legs * 2d), default);
            }

            yield break;
        }

        // Every lever grows with the way out, so that the worst is at full reach; parked, the weight alone may lie otherwise.
        foreach (var share in new[] { 0d, 1 })
        {
            for (var i = 0; i < (share == 0 ? 1 : Swings); i++)
            {
                var swing = share == 0 ? default : new Angle(MostSwing.Degrees * ((2d * i / (Swings - 1)) - 1));
                var most = MostTurn(swing, share).Degrees;
                for (var j = 0; j < Turns; j++)
                {
                    yield return (swing, share, new(most * ((2d * j / (Turns - 1)) - 1)));
                }
            }
        }
    }

    // From the worst of the coarse poses on, step by step in each direction, with steps that are halved where none leads on.
    private (double Use, BoltLoad Load, LoadPose Pose) Closer(BoltGroup group, Func<int, BoltLoad, double> use, int bolt, (double Use, BoltLoad Load, LoadPose Pose) best, BoltLoad[] bolts)
    {
        var (swing, turn, share) = (2 * MostSwing.Degrees / (Swings - 1), 45d, 0.25);
        for (var n = 0; n < Halvings;)
        {
            var better = best;
            foreach (var (s, t, o) in new[] { (swing, 0d, 0d), (-swing, 0, 0), (0, turn, 0), (0, -turn, 0), (0, 0, share), (0, 0, -share), (swing, turn, 0), (-swing, -turn, 0), (swing, -turn, 0), (-swing, turn, 0) })
            {
                var to = new Angle(Math.Clamp(best.Pose.Swing.Degrees + s, -MostSwing.Degrees, MostSwing.Degrees));
                var way = Math.Clamp(best.Pose.Share + o, 0, 1);
                var most = MostTurn(to, way).Degrees;
                var pose = best.Pose with { Swing = to, Share = way, Turn = new(Math.Clamp(best.Pose.Turn.Degrees + t, -most, most)) };
                if (pose == best.Pose)
                {
                    continue;
                }

                Solve(group, pose, bolts);
                if (use(bolt, bolts[bolt]) is var used && used > better.Use)
                {
                    better = (used, bolts[bolt], pose);
                }
            }

            if (better.Use > best.Use)
            {
                best = better;
                continue;
            }

            (swing, turn, share, n) = (swing / 2, turn / 2, share / 2, n + 1);
        }

        return best;
    }

    // Who enters an arm that reaches less far out than parked has exchanged the two.
    private Length Reach => (mount.DepthExtended - mount.DepthParked).Abs;

    private Length Out(Angle swing, double share) => input.Choice.Proud + mount.DepthParked + (Reach * (share * Math.Cos(swing.Radians)));

    // The display's centre of gravity, and the point of its back at its pivot.
    private (Length X, Length Y, Length Z, (Length X, Length Z) Back) Middle(LoadPose pose)
    {
        if (!arm)
        {
            var stands = input.Layout.Motion is { } motion ? Along(motion, pose.Share) : default;
            var away = input.Choice.Proud + mount.DepthParked + stands.Out;
            return (outer.CentreX, outer.CentreY - stands.Down, away + input.DisplayDepth.Half, (pivot, away));
        }

        var back = (X: pivot + (Reach * (pose.Share * Math.Sin(pose.Swing.Radians))) + (mount.SwungBeside * pose.Share), Z: Out(pose.Swing, pose.Share));
        var (sine, cosine) = (Math.Sin(pose.Turn.Radians), Math.Cos(pose.Turn.Radians));
        var (beside, deep) = (outer.CentreX - pivot, input.DisplayDepth.Half);
        return (back.X + (beside * cosine) + (deep * sine), outer.CentreY, back.Z - (beside * sine) + (deep * cosine), back);
    }

    private static Pose Along(Motion motion, double share)
    {
        var way = motion.Way.Items;
        var at = share * (way.Count - 1);
        var leg = Math.Min((int)at, way.Count - 2);
        return way[leg].To(way[leg + 1], at - leg);
    }
}
