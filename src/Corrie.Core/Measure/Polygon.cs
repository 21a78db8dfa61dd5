namespace Corrie.Core.Measure;

/// <summary>A convex outline in a plane, in inches: angles have left the tape, and so has what is turned by them.</summary>
public sealed class Polygon
{
    private const double Hair = 1e-9;

    private Polygon(IReadOnlyList<(double X, double Y)> corners) => Corners = corners;

    /// <summary>Its corners, counter-clockwise.</summary>
    public IReadOnlyList<(double X, double Y)> Corners { get; }

    /// <summary>The smallest convex outline round some points: Andrew's monotone chain.</summary>
    /// <param name="points">At least three that are not in a row.</param>
    /// <returns>The outline.</returns>
    public static Polygon Round(IEnumerable<(double X, double Y)> points)
    {
        var sorted = points.Distinct().Order().ToList();
        var chain = new List<(double X, double Y)>();
        foreach (var pass in new[] { sorted, [.. Enumerable.Reverse(sorted)] })
        {
            var from = chain.Count;
            foreach (var point in pass)
            {
                while (chain.Count - from > 1 && Cross(chain[^2], chain[^1], point) <= 0)
                {
                    chain.RemoveAt(chain.Count - 1);
                }

                chain.Add(point);
            }

            chain.RemoveAt(chain.Count - 1);
        }

        return new(chain);
    }

    /// <summary>An upright rectangle.</summary>
    /// <param name="left">Its left edge.</param>
    /// <param name="right">Its right edge.</param>
    /// <param name="bottom">Its lower edge.</param>
    /// <param name="top">Its upper edge.</param>
    /// <returns>The rectangle.</returns>
    public static Polygon Box(Length left, Length right, Length bottom, Length top) =>
        new([(left.Inches, bottom.Inches), (right.Inches, bottom.Inches), (right.Inches, top.Inches), (left.Inches, top.Inches)]);

    /// <summary>The outline turned about a point.</summary>
    /// <param name="about">The point.</param>
    /// <param name="angle">How far, counter-clockwise.</param>
    /// <returns>The turned outline.</returns>
    public Polygon Turned((double X, double Y) about, Angle angle)
    {
        var (cos, sin) = (Math.Cos(angle.Radians), Math.Sin(angle.Radians));
        return new([.. Corners.Select(c => (about.X + ((c.X - about.X) * cos) - ((c.Y - about.Y) * sin), about.Y + ((c.X - about.X) * sin) + ((c.Y - about.Y) * cos)))]);
    }

    /// <summary>The outline moved.</summary>
    /// <param name="x">How far to the right.</param>
    /// <param name="y">How far up.</param>
    /// <returns>The moved outline.</returns>
    public Polygon Moved(Length x, Length y) => new([.. Corners.Select(c => (c.X + x.Inches, c.Y + y.Inches))]);

    /// <summary>Whether two outlines cover a common area; touching is not covering. Two convex outlines are apart where an edge of one has all of the other beyond it.</summary>
    /// <param name="other">The other.</param>
    /// <returns>Whether they do.</returns>
    public bool Overlaps(Polygon other) => !Apart(this, other) && !Apart(other, this);

    private static bool Apart(Polygon edges, Polygon points)
    {
        for (var i = 0; i < edges.Corners.Count; i++)
        {
            var (a, b) = (edges.Corners[i], edges.Corners[(i + 1) % edges.Corners.Count]);
            if (points.Corners.All(p => Cross(a, b, p) <= Hair))
            {
                return true;
            }
        }

        return false;
    }

    private static double Cross((double X, double Y) o, (double X, double Y) a, (double X, double Y) b) => ((a.X - o.X) * (b.Y - o.Y)) - ((a.Y - o.Y) * (b.X - o.X));
}
