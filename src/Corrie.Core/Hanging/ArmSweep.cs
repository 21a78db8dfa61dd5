using Corrie.Core.Measure;
using Corrie.Core.Planning;

namespace Corrie.Core.Hanging;

/// <summary>A pose of an arm, seen from above.</summary>
/// <param name="Swing">How far the arm is swung from straight out, to the right above zero.</param>
/// <param name="Share">How much of its way out it has come, 0 to 1.</param>
/// <param name="Turn">How far the display is turned, its right edge back to the wall above zero.</param>
public readonly record struct ArmPose(Angle Swing, double Share, Angle Turn);

/// <summary>
/// All poses of an arm against what stands beside it: how far it comes out, how far it swings, how far the display turns at its end. A box of poses is free where its middle is farther from
/// the thing than anything in the box moves; a pose that cuts into its own wall is none; what is left is halved until that is less than 1/32 in. Nothing slips through between two poses.
/// </summary>
internal static class ArmSweep
{
    // Less than a tape shows: what comes nearer than that touches.
    private const double Near = 1.0 / 32;

    // So many boxes are looked at; what is still open then is so close that it counts as touched.
    private const int MostBoxes = 12_000;

    /// <summary>A pose in which something that moves touches what does not.</summary>
    /// <param name="motion">How it moves.</param>
    /// <param name="moving">What moves, as it is parked.</param>
    /// <param name="stays">What does not: from left to right, and from where to where out of the wall, in inches.</param>
    /// <param name="limit">How far the arm swings to each side.</param>
    /// <returns>The pose; null where it swings past.</returns>
    public static ArmPose? Touches(Motion motion, IReadOnlyList<Body> moving, (double Left, double Right, double Back, double Front) stays, Angle limit)
    {
        var (reach, pivot, parked, beside) = ((motion.Reach - motion.Parked).Inches, motion.Pivot.Inches, motion.Parked.Inches, motion.Beside.Inches);
        // Corners from the pivot: right, and out.
        var shapes = moving.Select(b => (Left: b.Outline.Left.Inches - pivot, Right: b.Outline.Right.Inches - pivot, Back: b.From.Inches - parked, Front: b.To.Inches - parked)).ToList();
        var farthest = shapes.Max(s => Math.Sqrt(Math.Pow(Math.Max(Math.Abs(s.Left), Math.Abs(s.Right)), 2) + Math.Pow(Math.Max(Math.Abs(s.Back), Math.Abs(s.Front)), 2)));
        Span<(double X, double Z)> corners = stackalloc (double, double)[4];
        var boxes = new Stack<(double Swing, double Share, double Turn, double Swings, double Shares, double Turns)>();
        var (left, right) = (motion.Left.Radians, motion.Right.Radians);
        boxes.Push((0, 0.5, (right - left) / 2, limit.Radians, 0.5, (right + left) / 2));
        for (var n = 0; boxes.TryPop(out var box); n++)
        {
            var (swing, share, turn) = (box.Swing, box.Share, box.Turn);
            var (x, z) = (pivot + (reach * share * Math.Sin(swing)) + (beside * share), parked + (reach * share * Math.Cos(swing)));
            // How far any point moves within the box: the arm's end along its circle and out, the display about it.
            var (bySwing, byShare, byTurn) = (reach * Math.Min(1, share + box.Shares) * box.Swings, (reach + Math.Abs(beside)) * box.Shares, farthest * box.Turns);
            var moves = bySwing + byShare + byTurn;
            var (cuts, deepest) = (false, double.PositiveInfinity);
            var (sine, cosine) = (Math.Sin(turn), Math.Cos(turn));
            var reached = false;
            foreach (var shape in shapes)
            {
                for (var i = 0; i < 4; i++)
                {
                    var (a, b) = (i is 0 or 3 ? shape.Left : shape.Right, i < 2 ? shape.Back : shape.Front);
                    corners[i] = (x + (a * cosine) + (b * sine), z - (a * sine) + (b * cosine));
                    deepest = Math.Min(deepest, corners[i].Z);
                }

                reached |= Overlaps(corners, (sine, cosine), stays, moves);
                cuts |= Overlaps(corners, (sine, cosine), stays, 0);
            }

            // Free whatever it does in this box, or in its own wall whatever it does.
            if (!reached || deepest < -moves - Near)
            {
                continue;
            }

            if ((cuts && deepest >= -Near) || moves < Near || n > MostBoxes)
            {
                return new(new(swing * 180 / Math.PI), share, new(turn * 180 / Math.PI));
            }

            if (bySwing >= byShare && bySwing >= byTurn)
            {
                boxes.Push((swing - (box.Swings / 2), share, turn, box.Swings / 2, box.Shares, box.Turns));
                boxes.Push((swing + (box.Swings / 2), share, turn, box.Swings / 2, box.Shares, box.Turns));
            }
            else if (byShare >= byTurn)
            {
                boxes.Push((swing, share - (box.Shares / 2), turn, box.Swings, box.Shares / 2, box.Turns));
                boxes.Push((swing, share + (box.Shares / 2), turn, box.Swings, box.Shares / 2, box.Turns));
            }
            else
            {
                boxes.Push((swing, share, turn - (box.Turns / 2), box.Swings, box.Shares, box.Turns / 2));
                boxes.Push((swing, share, turn + (box.Turns / 2), box.Swings, box.Shares, box.Turns / 2));
            }
        }

        return null;
    }

    // Whether a turned rectangle overlaps an upright one that is larger by so much all round: separating axes, both pairs.
    private static bool Overlaps(ReadOnlySpan<(double X, double Z)> corners, (double Sine, double Cosine) turned, (double Left, double Right, double Back, double Front) stays, double by)
    {
        var (left, right, back, front) = (stays.Left - by, stays.Right + by, stays.Back - by, stays.Front + by);
        double minX = double.PositiveInfinity, maxX = double.NegativeInfinity, minZ = double.PositiveInfinity, maxZ = double.NegativeInfinity;
        foreach (var (x, z) in corners)
        {
            (minX, maxX, minZ, maxZ) = (Math.Min(minX, x), Math.Max(maxX, x), Math.Min(minZ, z), Math.Max(maxZ, z));
        }

        if (maxX <= left || minX >= right || maxZ <= back || minZ >= front)
        {
            return false;
        }

        return Along(corners, turned.Cosine, -turned.Sine) && Along(corners, turned.Sine, turned.Cosine);

        bool Along(ReadOnlySpan<(double X, double Z)> shape, double ax, double az)
        {
            double a = double.PositiveInfinity, b = double.NegativeInfinity;
            foreach (var (x, z) in shape)
            {
                var at = (x * ax) + (z * az);
                (a, b) = (Math.Min(a, at), Math.Max(b, at));
            }

            var (middle, half) = (((left + right) / 2 * ax) + ((back + front) / 2 * az), ((right - left) / 2 * Math.Abs(ax)) + ((front - back) / 2 * Math.Abs(az)));
            return b > middle - half && a < middle + half;
        }
    }
}
