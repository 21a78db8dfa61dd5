using System.Globalization;
using Corrie.Core.Findings;
using MathNet.Numerics.LinearAlgebra;

namespace Corrie.Core.Survey;

/// <summary>A point as a picture has it, and where that is on the wall.</summary>
/// <param name="Name">What people call it.</param>
/// <param name="X">Across the picture, from its left edge, in whatever the picture is counted in.</param>
/// <param name="Y">Down the picture, from its upper edge.</param>
/// <param name="Across">From the wall's left corner, in inches.</param>
/// <param name="Up">Over the floor, in inches.</param>
public readonly record struct PointPair(string Name, double X, double Y, double Across, double Up);

/// <summary>
/// How a flat wall lies in a picture of it: straight lines stay straight, nothing else does. Found by the direct linear transformation of both sides
/// brought to one size (Hartley), least squares where there are more than four points.
/// </summary>
public sealed class Homography
{
    // Corners of a triangle this flat, against its longest side, are in a row: its angles are under a degree.
    private const double InARow = 0.015;

    private readonly Matrix<double> matrix;

    private Homography(Matrix<double> matrix) => this.matrix = matrix;

    /// <summary>Its nine numbers, row by row, the last one 1.</summary>
    public IReadOnlyList<double> Numbers => [.. matrix.ToRowMajorArray()];

    /// <summary>The way back.</summary>
    public Homography Inverse => Scaled(matrix.Inverse());

    /// <summary>From a picture to the wall.</summary>
    /// <param name="points">At least four points, no three of the first four in a row.</param>
    /// <returns>How the wall lies in the picture; or why the points do not say it.</returns>
    public static (Homography? ToWall, Phrase? Problem) Fit(IReadOnlyList<PointPair> points)
    {
        if (points.Count < 4)
        {
            return (null, Phrase.Of($"{(points.Count == 1 ? "1 point is" : string.Create(CultureInfo.InvariantCulture, $"{points.Count} points are"))} set; it takes four"));
        }

        if (Unsound(points) is { } problem)
        {
            return (null, problem);
        }

        var (from, fromSize) = Sized([.. points.Select(p => (p.X, p.Y))]);
        var (to, toSize) = Sized([.. points.Select(p => (p.Across, p.Up))]);
        var rows = Matrix<double>.Build.Dense(points.Count * 2, 9);
        for (var i = 0; i < points.Count; i++)
        {
            var ((x, y), (u, v)) = (from[i], to[i]);
            rows.SetRow(2 * i, [-x, -y, -1, 0, 0, 0, u * x, u * y, u]);
            rows.SetRow((2 * i) + 1, [0, 0, 0, -x, -y, -1, v * x, v * y, v]);
        }

        // The direction that the rows leave smallest.
        var least = rows.TransposeThisAndMultiply(rows).Evd(MathNet.Numerics.LinearAlgebra.Symmetricity.Symmetric).EigenVectors.Column(0);
        var inner = Matrix<double>.Build.Dense(3, 3, (r, c) => least[(3 * r) + c]);
        return (new Homography(Scaled(toSize.Inverse() * inner * fromSize).matrix), null);
    }

    /// <summary>Where a point of the one lies in the other.</summary>
    /// <param name="x">Across.</param>
    /// <param name="y">Up or down.</param>
    /// <returns>The point.</returns>
    public (double X, double Y) Map(double x, double y)
    {
        var w = (matrix[2, 0] * x) + (matrix[2, 1] * y) + matrix[2, 2];
        return (((matrix[0, 0] * x) + (matrix[0, 1] * y) + matrix[0, 2]) / w, ((matrix[1, 0] * x) + (matrix[1, 1] * y) + matrix[1, 2]) / w);
    }

    /// <summary>How far a point lies from where the others put it, on the wall.</summary>
    /// <param name="point">The point.</param>
    /// <returns>The distance in inches.</returns>
    public double Off(PointPair point) => Map(point.X, point.Y) is var (across, up) ? Math.Sqrt(Math.Pow(across - point.Across, 2) + Math.Pow(up - point.Up, 2)) : 0;

    private static Homography Scaled(Matrix<double> matrix) => new(matrix / matrix[2, 2]);

    // A picture is counted downwards, a wall upwards: seen from before the wall, three points go round the same way in both, or two are exchanged.
    private static Phrase? Unsound(IReadOnlyList<PointPair> points)
    {
        for (var i = 0; i < points.Count; i++)
        {
            for (var j = i + 1; j < points.Count; j++)
            {
                var (a, b) = (points[i], points[j]);
                if ((a.X, a.Y) == (b.X, b.Y) || (a.Across, a.Up) == (b.Across, b.Up))
                {
                    return Phrase.Of($"Points {a.Name} and {b.Name} are in one place {((a.X, a.Y) == (b.X, b.Y) ? "on the picture" : "on the wall")}");
                }
            }
        }

        // Later points may stand in a row with two of the first: the first four are what holds the picture.
        foreach (var three in Threes(points.Count))
        {
            var (a, b, c) = (points[three.A], points[three.B], points[three.C]);
            var picture = Flatness((a.X, -a.Y), (b.X, -b.Y), (c.X, -c.Y));
            var wall = Flatness((a.Across, a.Up), (b.Across, b.Up), (c.Across, c.Up));
            if (three.C < 4 && (Math.Abs(picture) < InARow || Math.Abs(wall) < InARow))
            {
                return Phrase.Of($"Points {a.Name}, {b.Name} and {c.Name} are in a row {(Math.Abs(picture) < InARow ? "on the picture" : "on the wall")}: the four are to be the corners of something");
            }

            if (Math.Abs(picture) >= InARow && Math.Abs(wall) >= InARow && picture * wall < 0)
            {
                return Phrase.Of($"Points {a.Name}, {b.Name} and {c.Name} are crossed: round them it goes one way on the picture and the other way on the wall. Two of them are exchanged");
            }
        }

        return null;
    }

    private static IEnumerable<(int A, int B, int C)> Threes(int count) =>
        from a in Enumerable.Range(0, count)
        from b in Enumerable.Range(a + 1, count - a - 1)
        from c in Enumerable.Range(b + 1, count - b - 1)
        select (a, b, c);

    // Twice the triangle's area over the square of its longest side, with its sign.
    private static double Flatness((double X, double Y) a, (double X, double Y) b, (double X, double Y) c)
    {
        static double Square((double X, double Y) p, (double X, double Y) q) => Math.Pow(p.X - q.X, 2) + Math.Pow(p.Y - q.Y, 2);
        return (((b.X - a.X) * (c.Y - a.Y)) - ((b.Y - a.Y) * (c.X - a.X))) / new[] { Square(a, b), Square(b, c), Square(c, a) }.Max();
    }

    // Brought to the middle and to a mean distance of the root of 2.
    private static (IReadOnlyList<(double X, double Y)> Points, Matrix<double> Size) Sized(IReadOnlyList<(double X, double Y)> points)
    {
        var (x, y) = (points.Average(p => p.X), points.Average(p => p.Y));
        var scale = Math.Sqrt(2) / points.Average(p => Math.Sqrt(Math.Pow(p.X - x, 2) + Math.Pow(p.Y - y, 2)));
        return ([.. points.Select(p => ((p.X - x) * scale, (p.Y - y) * scale))], Matrix<double>.Build.DenseOfRowArrays([scale, 0, -x * scale], [0, scale, -y * scale], [0, 0, 1]));
    }
}
