using Corrie.Core.Measure;

namespace Corrie.Core.Masonry;

/// <summary>A gap that was measured behind a plate held level against the wall.</summary>
/// <param name="Id">Its key.</param>
/// <param name="X">Where, from the left corner.</param>
/// <param name="Y">Over the floor.</param>
/// <param name="Gap">From the plate's back to the stone.</param>
public readonly record struct GapPoint(string Id, Length X, Length Y, Length Gap);

/// <summary>
/// How a stiff plate comes to rest on an uneven face when it is pressed on at a point: on three stones, whose triangle has the point in it. Of all planes that go
/// through no stone it is the one that is nearest to the wall at that point (a linear program in three unknowns).
/// </summary>
/// <param name="Points">The gaps that were measured.</param>
/// <param name="Contacts">Indices of those that it touches.</param>
/// <param name="At">How far the plate's back is from the plane in which it was held, at the point that is pressed on, in inches; below zero is nearer to the wall.</param>
/// <param name="PerRight">How much farther out it comes for each inch to the right.</param>
/// <param name="PerUp">For each inch up.</param>
/// <param name="Pressed">The point that is pressed on.</param>
public sealed record Resting(IReadOnlyList<GapPoint> Points, IReadOnlyList<int> Contacts, double At, double PerRight, double PerUp, (Length X, Length Y) Pressed)
{
    /// <summary>What a stone may lack to bear all the same: a plate gives by that, and no gap is measured finer (common practice).</summary>
    public static readonly Length Bears = Length.Tape(0, 1, 32);

    /// <summary>A bolt that is no farther beside what the plate touches is on it: a stone is no point, and its place was read off a tape (common practice).</summary>
    public static readonly Length Beside = Length.Tape(0, 1, 16);

    private const double Hair = 1e-9;
    private const int MostSteps = 500;

    /// <summary>The points that it touches, counter-clockwise: three, or more where they bear alike.</summary>
    public IReadOnlyList<(double X, double Y)> Triangle { get; private init; } = [];

    /// <summary>How far the plate's back is from the stone at a point when it rests, nothing being packed.</summary>
    /// <param name="point">A point that was measured.</param>
    /// <returns>The gap; zero where it touches.</returns>
    public Length GapAt(GapPoint point) => Length.FromInches(Math.Max(0, point.Gap.Inches + Plane(point.X.Inches, point.Y.Inches)));

    /// <summary>Whether a bolt tips the plate when it is tightened: it is outside what the plate touches.</summary>
    /// <param name="x">The bolt from the left corner.</param>
    /// <param name="y">Over the floor.</param>
    /// <returns>Whether it does.</returns>
    public bool Rocks(Length x, Length y)
    {
        var (q, outside, nearest) = ((X: x.Inches, Y: y.Inches), false, double.PositiveInfinity);
        for (var i = 0; i < Triangle.Count; i++)
        {
            var (a, b) = (Triangle[i], Triangle[(i + 1) % Triangle.Count]);
            var (dx, dy) = (b.X - a.X, b.Y - a.Y);
            var along = Math.Clamp((((q.X - a.X) * dx) + ((q.Y - a.Y) * dy)) / ((dx * dx) + (dy * dy)), 0, 1);
            nearest = Math.Min(nearest, Math.Sqrt(Math.Pow(q.X - a.X - (along * dx), 2) + Math.Pow(q.Y - a.Y - (along * dy), 2)));
            outside |= Cross(a, b, q) < 0;
        }

        return outside && nearest > Beside.Inches;
    }

    /// <summary>Finds how a plate comes to rest.</summary>
    /// <param name="points">Gaps behind it, at least three that are not in one line.</param>
    /// <param name="pressed">Where it is pressed on: the middle of its bolts.</param>
    /// <returns>How it rests; null where the points lie all to one side of where it is pressed on, so that it tips off what was measured.</returns>
    public static Resting? Of(IReadOnlyList<GapPoint> points, (Length X, Length Y) pressed)
    {
        var p = points.Select(g => (X: g.X.Inches, Y: g.Y.Inches, H: -g.Gap.Inches)).ToArray();
        var q = (X: pressed.X.Inches, Y: pressed.Y.Inches);
        if (First(p, q) is not { } on)
        {
            return null;
        }

        // From three points round the one that is pressed on to the next: the stone that stands farthest through the plane takes the place of one of them. The plane rises each time.
        for (var step = 0; step < MostSteps; step++)
        {
            var (at, right, up) = Through(p, on, q);
            var worst = -1;
            var most = Hair;
            for (var i = 0; i < p.Length; i++)
            {
                var through = p[i].H - (at + (right * (p[i].X - q.X)) + (up * (p[i].Y - q.Y)));
                if (through > most)
                {
                    (worst, most) = (i, through);
                }
            }

            if (worst < 0)
            {
                var touching = Enumerable.Range(0, p.Length).Where(i => at + (right * (p[i].X - q.X)) + (up * (p[i].Y - q.Y)) - p[i].H <= Bears.Inches + Hair).ToList();
                return new(points, touching, at, right, up, pressed) { Triangle = Polygon.Round(touching.Select(i => (p[i].X, p[i].Y))).Corners };
            }

            on = new[] { (worst, on.B, on.C), (on.A, worst, on.C), (on.A, on.B, worst) }.Where(t => Holds(p, t, q)).OrderByDescending(t => Through(p, t, q).At).First();
        }

        return null;
    }

    private static double Cross((double X, double Y) a, (double X, double Y) b, (double X, double Y) c) => ((b.X - a.X) * (c.Y - a.Y)) - ((b.Y - a.Y) * (c.X - a.X));

    private static (int A, int B, int C)? First((double X, double Y, double H)[] p, (double X, double Y) q)
    {
        for (var a = 0; a < p.Length; a++)
        {
            for (var b = a + 1; b < p.Length; b++)
            {
                for (var c = b + 1; c < p.Length; c++)
                {
                    if (Holds(p, (a, b, c), q))
                    {
                        return (a, b, c);
                    }
                }
            }
        }

        return null;
    }

    private static bool Holds((double X, double Y, double H)[] p, (int A, int B, int C) t, (double X, double Y) q)
    {
        var (a, b, c) = ((p[t.A].X, p[t.A].Y), (p[t.B].X, p[t.B].Y), (p[t.C].X, p[t.C].Y));
        var area = Cross(a, b, c);
        if (Math.Abs(area) < 1e-6)
        {
            return false;
        }

        var (u, v, w) = (Cross(a, b, q) / area, Cross(b, c, q) / area, Cross(c, a, q) / area);
        return u >= -Hair && v >= -Hair && w >= -Hair;
    }

    private static (double At, double Right, double Up) Through((double X, double Y, double H)[] p, (int A, int B, int C) t, (double X, double Y) q)
    {
        var (a, b, c) = (p[t.A], p[t.B], p[t.C]);
        var area = Cross((a.X, a.Y), (b.X, b.Y), (c.X, c.Y));
        var right = (((b.H - a.H) * (c.Y - a.Y)) - ((c.H - a.H) * (b.Y - a.Y))) / area;
        var up = (((c.H - a.H) * (b.X - a.X)) - ((b.H - a.H) * (c.X - a.X))) / area;
        return (a.H + (right * (q.X - a.X)) + (up * (q.Y - a.Y)), right, up);
    }

    private double Plane(double x, double y) => At + (PerRight * (x - Pressed.X.Inches)) + (PerUp * (y - Pressed.Y.Inches));
}
