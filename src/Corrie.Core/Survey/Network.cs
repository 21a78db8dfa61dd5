using Corrie.Core.Measure;
using MathNet.Numerics.LinearAlgebra;

namespace Corrie.Core.Survey;

/// <summary>
/// Solves a one-dimensional network of readings by weighted least squares, as a surveyor adjusts a levelling net, and tests every reading by
/// its normalised residual (Baarda's data snooping; method from the literature of surveying, from memory).
/// </summary>
public static class Network
{
    /// <summary>Normalised residual over which a reading does not fit.</summary>
    public const double Limit = 3;

    // From here on two tests rise and fall together: no reading of these points tells which one is wrong.
    private const double Inseparable = 0.95;
    private const double Nothing = 1e-9;

    /// <summary>Solves a network.</summary>
    /// <param name="readings">Readings of one axis.</param>
    /// <param name="terms">
    /// What a point is made of: the origin of no terms, a base point of itself, a derived point (a centre) of halves of others.
    /// </param>
    /// <returns>The positions, and how well each reading fits.</returns>
    public static AdjustedNetwork Solve(IReadOnlyList<MeasuredReading> readings, Func<string, IReadOnlyList<(string Point, double Share)>> terms)
    {
        if (readings.Count == 0)
        {
            return AdjustedNetwork.Empty;
        }

        var names = readings.SelectMany(r => terms(r.From).Concat(terms(r.To))).Select(t => t.Point).Distinct().Order(StringComparer.Ordinal).ToList();
        var column = names.Select((n, i) => (n, i)).ToDictionary(p => p.n, p => p.i);
        var (m, n) = (readings.Count, names.Count);
        var design = Matrix<double>.Build.Dense(m, Math.Max(1, n));
        var observed = Vector<double>.Build.Dense(m);
        for (var row = 0; row < m; row++)
        {
            var reading = readings[row];
            var weight = 1 / Math.Max(reading.Deviation.Inches, Length.FromUnits(1).Inches);
            foreach (var (point, share) in terms(reading.To))
            {
                design[row, column[point]] += share * weight;
            }

            foreach (var (point, share) in terms(reading.From))
            {
                design[row, column[point]] -= share * weight;
            }

            observed[row] = reading.Value.Inches * weight;
        }

        // One decomposition gives positions, their covariance, the redundancy of each reading, and which points hang on nothing.
        var svd = design.Svd();
        var largest = svd.S.Count == 0 ? 0 : svd.S.Maximum();
        var rank = svd.S.Count(s => s > largest * Nothing && s > 0);
        if (rank == 0)
        {
            return new(new Dictionary<string, AdjustedPoint>(), names, [.. readings.Select(r => new AdjustedReading(r, Length.Zero, 0, 0, []))]);
        }

        var left = svd.U.SubMatrix(0, m, 0, rank);
        var right = svd.VT.SubMatrix(0, rank, 0, Math.Max(1, n)).Transpose();
        var inverse = Vector<double>.Build.Dense(rank, i => 1 / svd.S[i]);
        var solution = right * (left.TransposeThisAndMultiply(observed).PointwiseMultiply(inverse));
        var redundancy = Matrix<double>.Build.DenseIdentity(m) - left.TransposeAndMultiply(left);
        var residuals = (design * solution) - observed;

        var points = new Dictionary<string, AdjustedPoint>();
        var loose = new List<string>();
        for (var i = 0; i < n; i++)
        {
            var row = right.Row(i);
            // What the readings fix lies wholly in the row space: its share there is 1.
            if (row.DotProduct(row) < 1 - 1e-6)
            {
                loose.Add(names[i]);
                continue;
            }

            var spread = row.PointwiseMultiply(inverse).L2Norm();
            points[names[i]] = new(Length.FromInches(solution[i]), Length.FromInches(spread));
        }

        return new(points, loose, Tested(readings, residuals, redundancy));
    }

    private static List<AdjustedReading> Tested(IReadOnlyList<MeasuredReading> readings, Vector<double> residuals, Matrix<double> redundancy)
    {
        var m = readings.Count;
        var tests = new double[m];
        var worst = -1;
        for (var i = 0; i < m; i++)
        {
            tests[i] = redundancy[i, i] > 1e-6 ? residuals[i] / Math.Sqrt(redundancy[i, i]) : 0;
            if (Math.Abs(tests[i]) > Limit && (worst < 0 || Math.Abs(tests[i]) > Math.Abs(tests[worst]) + Nothing))
            {
                worst = i;
            }
        }

        return
        [
            .. readings.Select((reading, i) => new AdjustedReading(
                reading,
                Length.FromInches(residuals[i] * Math.Max(reading.Deviation.Inches, Length.FromUnits(1).Inches)),
                Math.Clamp(redundancy[i, i], 0, 1),
                tests[i],
                i == worst ? [.. readings.Where((_, j) => Together(redundancy, i, j))] : [])),
        ];
    }

    private static bool Together(Matrix<double> redundancy, int i, int j) =>
        i == j || (redundancy[j, j] > 1e-6 && Math.Abs(redundancy[i, j]) / Math.Sqrt(redundancy[i, i] * redundancy[j, j]) >= Inseparable);
}
