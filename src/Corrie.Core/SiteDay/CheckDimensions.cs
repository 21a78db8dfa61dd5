using Corrie.Core.Measure;
using MathNet.Numerics.Distributions;
using MathNet.Numerics.LinearAlgebra;

namespace Corrie.Core.SiteDay;

/// <summary>A mark on the wall that others are checked against.</summary>
/// <param name="Id">Its name.</param>
/// <param name="X">From the left corner.</param>
/// <param name="Y">Over the floor.</param>
public sealed record CheckPoint(string Id, Length X, Length Y);

/// <summary>How two marks are checked against each other.</summary>
public enum CheckKind
{
    /// <summary>With the tape from one to the other.</summary>
    Apart,

    /// <summary>With a level: how much higher the second is.</summary>
    Level,

    /// <summary>With a plumb line: how much farther right the second is.</summary>
    Plumb,
}

/// <summary>A dimension between two marks that follows from the plan and is measured once they are on the wall.</summary>
/// <param name="Id">Its name: the kind and both marks.</param>
/// <param name="Kind">How it is measured.</param>
/// <param name="From">Index of the first mark.</param>
/// <param name="To">Index of the second.</param>
/// <param name="Expected">What it is by the plan.</param>
public sealed record CheckDimension(string Id, CheckKind Kind, int From, int To, Length Expected);

/// <summary>A mistake that would explain what was measured.</summary>
/// <param name="Marks">The marks that it is about: one that was read wrong, or two whose readings were exchanged.</param>
/// <param name="Exchanged">Whether readings were exchanged.</param>
/// <param name="Unlikely">How badly it fits what was measured: less is better.</param>
public sealed record Suspicion(IReadOnlyList<int> Marks, bool Exchanged, double Unlikely);

/// <summary>What check dimensions say.</summary>
/// <param name="Sound">Whether they are as far off as tapes are, and no farther.</param>
/// <param name="Suspicions">What would explain them otherwise, the likeliest first; empty where they are sound.</param>
public sealed record CheckVerdict(bool Sound, IReadOnlyList<Suspicion> Suspicions);

/// <summary>
/// Check dimensions: a few tape readings between marks that show a misread tape before the drill does. At most as many as there are marks and two, a level and
/// a plumb reading among them; the tape's are chosen so that no mark can be off in any direction without several of them showing it.
/// </summary>
/// <remarks>
/// Each mark is off by a reading of the tape across and one up, each check by one more (standard deviation 1/32 in, common practice). Sound is what such errors
/// bring about in 99 of 100 set-outs (chi-squared). Otherwise each mark is taken to be off by whatever fits best, and each pair of readings to be exchanged;
/// what leaves least is named first.
/// </remarks>
public static class CheckDimensions
{
    private const double Tape = 1 / 32d;
    private const double SoundShare = 0.99;
    private const double Faint = 0.01;
    private const int MostWeighed = 12;

    // A mark that is off takes two figures to explain, an exchange none: of two that fit as well the exchange is the plainer (own rule, as much as a figure is worth by the Bayesian information criterion).
    private const double PerFigure = 1.6;

    /// <summary>The dimensions to measure.</summary>
    /// <param name="points">The marks.</param>
    /// <returns>The dimensions, level and plumb first; none for less than two marks.</returns>
    public static IReadOnlyList<CheckDimension> For(IReadOnlyList<CheckPoint> points)
    {
        var pairs = Enumerable.Range(0, points.Count).SelectMany(i => Enumerable.Range(i + 1, points.Count - i - 1).Select(j => (From: i, To: j))).ToList();
        if (pairs.Count == 0)
        {
            return [];
        }

        // The longest pair at one height, and over one another; where there is none, what is nearest to it.
        var chosen = new List<CheckDimension>
        {
            Of(points, CheckKind.Level, pairs.MinBy(p => (Slope(points, p, level: true), -Apart(points, p).Units))),
            Of(points, CheckKind.Plumb, pairs.MinBy(p => (Slope(points, p, level: false), -Apart(points, p).Units))),
        };
        var left = pairs.Select(p => Of(points, CheckKind.Apart, p)).ToList();
        // The diagonals first, which everybody measures; the rest where a slip would show least.
        var longest = left.MaxBy(c => c.Expected)!;
        var other = points.Count > 3 ? left.Where(c => c.From != longest.From && c.To != longest.From && c.From != longest.To && c.To != longest.To).MaxBy(c => c.Expected) : null;
        foreach (var diagonal in new[] { longest, other })
        {
            if (diagonal is not null && chosen.Count < points.Count + 2)
            {
                left.Remove(diagonal);
                chosen.Add(diagonal);
            }
        }

        // With a great many marks each gets the longest one that is left, those with the fewest first: choosing by what shows would take seconds.
        while (points.Count > MostWeighed && chosen.Count < points.Count + 2 && left.Count > 0)
        {
            var seldom = Enumerable.Range(0, points.Count).MinBy(i => chosen.Count(c => c.From == i || c.To == i));
            var next = left.Where(c => c.From == seldom || c.To == seldom).MaxBy(c => c.Expected) ?? left.MaxBy(c => c.Expected)!;
            left.Remove(next);
            chosen.Add(next);
        }

        while (chosen.Count < points.Count + 2 && left.Count > 0)
        {
            var next = left.MaxBy(c => Shows(points, [.. chosen, c]))!;
            left.Remove(next);
            chosen.Add(next);
        }

        return chosen;
    }

    /// <summary>What measured dimensions say.</summary>
    /// <param name="points">The marks.</param>
    /// <param name="checks">The dimensions.</param>
    /// <param name="measured">What was measured, in their order.</param>
    /// <returns>Whether they are sound, and what would explain them otherwise.</returns>
    public static CheckVerdict Judge(IReadOnlyList<CheckPoint> points, IReadOnlyList<CheckDimension> checks, IReadOnlyList<Length> measured)
    {
        if (checks.Count == 0)
        {
            return new(true, []);
        }

        var turns = Turns(points, checks);
        var weight = Spread(turns).Inverse();
        var off = Vector<double>.Build.Dense([.. checks.Zip(measured, (c, m) => (m - c.Expected).Inches)]);
        double Left(Vector<double> rest) => rest * weight * rest;
        if (Left(off) <= ChiSquared.InvCDF(checks.Count, SoundShare))
        {
            return new(true, []);
        }

        var suspicions = new List<Suspicion>();
        for (var i = 0; i < points.Count; i++)
        {
            // A mark may be far off: what it then measures is not straight in how far, so the fit is repeated from where it has come to.
            var moved = Vector<double>.Build.Dense(2);
            var rest = off;
            for (var n = 0; n < 6; n++)
            {
                var own = Turns([.. points.Select((p, k) => k == i ? Moved(p, moved) : p)], checks).SubMatrix(0, checks.Count, 2 * i, 2);
                if (own.TransposeThisAndMultiply(weight * own) is not { } normal || Math.Abs(normal.Determinant()) < 1e-9)
                {
                    break;
                }

                moved += normal.Solve(own.TransposeThisAndMultiply(weight * rest));
                var at = points.Select((p, k) => k == i ? Moved(p, moved) : p).ToList();
                rest = off - Vector<double>.Build.Dense([.. checks.Select(c => (Reads(at, c) - c.Expected).Inches)]);
            }

            suspicions.Add(new([i], false, Left(rest) + (2 * PerFigure)));
            for (var j = i + 1; j < points.Count; j++)
            {
                foreach (var across in new[] { true, false })
                {
                    var swapped = points.Select((p, k) => k == i ? Taken(p, points[j], across) : k == j ? Taken(p, points[i], across) : p).ToList();
                    var rests = off - Vector<double>.Build.Dense([.. checks.Select(c => (Reads(swapped, c) - c.Expected).Inches)]);
                    suspicions.Add(new([i, j], true, Left(rests)));
                }
            }
        }

        return new(false, [.. suspicions.OrderBy(s => s.Unlikely)]);
    }

    private static CheckPoint Moved(CheckPoint point, Vector<double> by) => point with { X = point.X + Length.FromInches(by[0]), Y = point.Y + Length.FromInches(by[1]) };

    private static CheckPoint Taken(CheckPoint point, CheckPoint other, bool across) => across ? point with { X = other.X } : point with { Y = other.Y };

    private static CheckDimension Of(IReadOnlyList<CheckPoint> points, CheckKind kind, (int From, int To) pair)
    {
        var check = new CheckDimension($"{kind.ToString().ToLowerInvariant()}-{points[pair.From].Id}-{points[pair.To].Id}", kind, pair.From, pair.To, Length.Zero);
        return check with { Expected = Reads(points, check) };
    }

    private static Length Reads(IReadOnlyList<CheckPoint> points, CheckDimension check) => check.Kind switch
    {
        CheckKind.Level => points[check.To].Y - points[check.From].Y,
        CheckKind.Plumb => points[check.To].X - points[check.From].X,
        _ => Apart(points, (check.From, check.To)),
    };

    private static Length Apart(IReadOnlyList<CheckPoint> points, (int From, int To) pair)
    {
        var (x, y) = ((points[pair.To].X - points[pair.From].X).Inches, (points[pair.To].Y - points[pair.From].Y).Inches);
        return Length.FromInches(Math.Sqrt((x * x) + (y * y)));
    }

    private static long Slope(IReadOnlyList<CheckPoint> points, (int From, int To) pair, bool level) =>
        (level ? points[pair.To].Y - points[pair.From].Y : points[pair.To].X - points[pair.From].X).Abs.Units;

    // How each check changes with each mark's place: a row a check, two columns a mark.
    private static Matrix<double> Turns(IReadOnlyList<CheckPoint> points, IReadOnlyList<CheckDimension> checks)
    {
        var turns = Matrix<double>.Build.Dense(checks.Count, 2 * points.Count);
        for (var k = 0; k < checks.Count; k++)
        {
            var (a, b) = (checks[k].From, checks[k].To);
            var (x, y) = ((points[b].X - points[a].X).Inches, (points[b].Y - points[a].Y).Inches);
            var apart = Math.Max(1e-6, Math.Sqrt((x * x) + (y * y)));
            var (right, up) = checks[k].Kind switch { CheckKind.Level => (0d, 1d), CheckKind.Plumb => (1d, 0d), _ => (x / apart, y / apart) };
            (turns[k, 2 * b], turns[k, (2 * b) + 1]) = (right, up);
            (turns[k, 2 * a], turns[k, (2 * a) + 1]) = (-right, -up);
        }

        return turns;
    }

    private static Matrix<double> Spread(Matrix<double> turns) => ((turns * turns.Transpose()) + Matrix<double>.Build.DenseIdentity(turns.RowCount)) * (Tape * Tape);

    // How clearly marks that are off show, each in both directions: logarithms, so that the first check of a mark counts more than the third of another.
    private static double Shows(IReadOnlyList<CheckPoint> points, IReadOnlyList<CheckDimension> checks)
    {
        var turns = Turns(points, checks);
        var weight = Spread(turns).Inverse();
        var hardly = Faint / (Tape * Tape);
        var sum = 0d;
        for (var i = 0; i < points.Count; i++)
        {
            var own = turns.SubMatrix(0, checks.Count, 2 * i, 2);
            var seen = own.TransposeThisAndMultiply(weight * own);
            sum += Math.Log(((seen[0, 0] + hardly) * (seen[1, 1] + hardly)) - (seen[0, 1] * seen[1, 0]));
        }

        return sum;
    }
}
