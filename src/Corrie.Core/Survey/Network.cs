using System.Numerics.Tensors;
using Corrie.Core.Measure;
using Corrie.Core.Planning;

namespace Corrie.Core.Survey;

/// <summary>
/// Solves a one-dimensional network of readings by weighted least squares, as a surveyor adjusts a levelling net, and tests every reading by
/// its normalised residual (Baarda's data snooping; method from the literature of surveying, from memory).
/// </summary>
/// <remarks>
/// Readings that share no point are solved apart. Of m readings in one piece with n points the work is m n at the least (a chain) and m n² at
/// the most (everything measured from everything).
/// </remarks>
public static class Network
{
    /// <summary>Normalised residual over which a reading does not fit.</summary>
    public const double Limit = 3;

    // From here on two tests rise and fall together: no reading of these points tells which one is wrong.
    private const double Inseparable = 0.95;
    private const double Nothing = 1e-9;
    private const double Unchecked = 1e-6;
    private static readonly Length AsEntered = Length.Tape(0, 1, 32);

    /// <summary>Solves a network.</summary>
    /// <param name="readings">Readings of one axis.</param>
    /// <param name="terms">
    /// What a point is made of: the origin of no terms, a base point of itself, a derived point (a centre) of halves of others.
    /// </param>
    /// <param name="entered">
    /// Where somebody has put a base point; null for nowhere. What the readings leave loose hangs on these: as few as will do, so that an old
    /// entry never argues with a measurement.
    /// </param>
    /// <param name="budget">What the work may cost; null for no limit.</param>
    /// <returns>The positions, and how well each reading fits.</returns>
    public static AdjustedNetwork Solve(
        IReadOnlyList<MeasuredReading> readings, Func<string, IReadOnlyList<(string Point, double Share)>> terms, Func<string, Length?>? entered = null, WorkBudget? budget = null)
    {
        if (readings.Count == 0)
        {
            return AdjustedNetwork.Empty;
        }

        var rows = readings.Select((r, i) => Row.Of(i, r, terms)).ToList();
        var points = new Dictionary<string, AdjustedPoint>();
        var loose = new List<string>();
        var solved = new Fit[rows.Count];
        foreach (var piece in Pieces(rows))
        {
            Piece(piece, entered ?? (static _ => null), budget, points, loose, solved);
        }

        return new(points, [.. loose.Order(StringComparer.Ordinal)], Tested(readings, rows, solved));
    }

    // Readings that hang together by their points. The origin holds nothing together: it does not move.
    private static IEnumerable<List<Row>> Pieces(List<Row> rows)
    {
        var parent = new Dictionary<string, string>();
        string Root(string point)
        {
            var root = point;
            while (parent.GetValueOrDefault(root, root) is var above && above != root)
            {
                root = above;
            }

            for (var at = point; at != root;)
            {
                (parent[at], at) = (root, parent.GetValueOrDefault(at, root));
            }

            return root;
        }

        foreach (var row in rows)
        {
            foreach (var (point, _) in row.Terms)
            {
                parent[Root(point)] = Root(row.Terms[0].Point);
            }
        }

        return rows.GroupBy(r => r.Terms.Count == 0 ? string.Empty : Root(r.Terms[0].Point)).Select(g => g.ToList());
    }

    private static void Piece(
        List<Row> rows, Func<string, Length?> entered, WorkBudget? budget, Dictionary<string, AdjustedPoint> points, List<string> loose, Fit[] solved)
    {
        var names = InReach(rows);
        budget?.Spend((long)rows.Count * names.Count);
        var column = names.Select((n, i) => (n, i)).ToDictionary(p => p.n, p => p.i);
        var space = new RowSpace(names.Count);
        foreach (var row in rows)
        {
            space.Add(row.Dense(column));
        }

        var all = rows;
        // The wall's own ends before what is on it: nobody measures a wall from where a window was first thought to be.
        foreach (var point in names.OrderBy(n => n.Contains('/')).ThenBy(n => !n.StartsWith("studs/", StringComparison.Ordinal)).ThenBy(n => n, StringComparer.Ordinal))
        {
            if (space.Rank < names.Count && !space.Fixes(column[point]) && entered(point) is { } at)
            {
                var anchor = new Row(-1, [(point, 1)], at.Inches, 1 / AsEntered.Inches);
                space.Add(anchor.Dense(column));
                all = [.. all, anchor];
            }
        }

        // What is left free may stand anywhere without a reading minding: it is held where it is, and nothing is said of it.
        var kept = names.Where(n => space.Leads(column[n])).ToList();
        var place = kept.Select((n, i) => (n, i)).ToDictionary(p => p.n, p => p.i);
        var factor = Envelope.Factor(kept.Count, all.Select(r => r.Weighted(place)).ToList(), budget);
        var right = new double[kept.Count];
        foreach (var row in all)
        {
            row.AddTo(right, row.Observed * row.Weight, place);
        }

        var solution = factor.Solve(right);
        // Once more on what is left over: the squares of the weights cost digits.
        Array.Clear(right);
        foreach (var row in all)
        {
            row.AddTo(right, (row.Observed - row.At(solution, place)) * row.Weight, place);
        }

        TensorPrimitives.Add(solution, factor.Solve(right), solution);
        foreach (var name in names)
        {
            if (!space.Fixes(column[name]))
            {
                loose.Add(name);
                continue;
            }

            var half = factor.Forward([(place[name], 1)]);
            points[name] = new(Length.FromInches(solution[place[name]]), Length.FromInches(Math.Sqrt(half.Square)));
        }

        foreach (var row in rows)
        {
            var half = factor.Forward(row.Weighted(place));
            solved[row.Index] = new((row.At(solution, place) - row.Observed) * row.Weight, half, Math.Clamp(1 - half.Square, 0, 1), rows);
        }
    }

    // The points from one to its neighbours and on, and then from the last to the first (Cuthill and McKee, reversed): points that are measured
    // from each other come near each other, and the equations fill up little.
    private static List<string> InReach(List<Row> rows)
    {
        var byPoint = rows.SelectMany(r => r.Terms.Select(t => (t.Point, Row: r))).ToLookup(p => p.Point, p => p.Row);
        if (byPoint.Count == 0)
        {
            return [];
        }

        var order = new List<string>(byPoint.Count) { byPoint.OrderBy(p => p.Count()).ThenBy(p => p.Key, StringComparer.Ordinal).First().Key };
        var seen = new HashSet<string>(order);
        for (var at = 0; at < order.Count; at++)
        {
            foreach (var (point, _) in byPoint[order[at]].SelectMany(r => r.Terms))
            {
                if (seen.Add(point))
                {
                    order.Add(point);
                }
            }
        }

        order.Reverse();
        return order;
    }

    private static List<AdjustedReading> Tested(IReadOnlyList<MeasuredReading> readings, List<Row> rows, Fit[] fits)
    {
        var worst = -1;
        for (var i = 0; i < fits.Length; i++)
        {
            if (Math.Abs(fits[i].Test) > Limit && (worst < 0 || Math.Abs(fits[i].Test) > Math.Abs(fits[worst].Test) + Nothing))
            {
                worst = i;
            }
        }

        return
        [
            .. readings.Select((reading, i) => new AdjustedReading(
                reading,
                Length.FromInches(fits[i].Residual / rows[i].Weight),
                fits[i].Redundancy,
                fits[i].Test,
                i == worst ? [.. fits[i].Piece.Where(r => Together(fits[i], fits[r.Index], i == r.Index)).OrderBy(r => r.Index).Select(r => readings[r.Index])] : [])),
        ];
    }

    private static bool Together(Fit one, Fit other, bool same) =>
        same || (other.Redundancy > Unchecked && Math.Abs(one.Half.Dot(other.Half)) / Math.Sqrt(one.Redundancy * other.Redundancy) >= Inseparable);

    // A reading as an equation: the sum of its terms is what was observed.
    private sealed record Row(int Index, IReadOnlyList<(string Point, double Share)> Terms, double Observed, double Weight)
    {
        public static Row Of(int index, MeasuredReading reading, Func<string, IReadOnlyList<(string Point, double Share)>> terms)
        {
            var sum = new List<(string Point, double Share)>();
            foreach (var (point, share) in terms(reading.To).Concat(terms(reading.From).Select(t => (t.Point, -t.Share))))
            {
                var at = sum.FindIndex(t => t.Point == point);
                if (at < 0)
                {
                    sum.Add((point, share));
                }
                else
                {
                    sum[at] = (point, sum[at].Share + share);
                }
            }

            return new(index, [.. sum.Where(t => Math.Abs(t.Share) > Nothing)], reading.Value.Inches, 1 / Math.Max(reading.Deviation.Inches, Length.FromUnits(1).Inches));
        }

        public double[] Dense(Dictionary<string, int> column)
        {
            var dense = new double[column.Count];
            foreach (var (point, share) in Terms)
            {
                dense[column[point]] = share;
            }

            return dense;
        }

        public List<(int At, double Value)> Weighted(Dictionary<string, int> place) => [.. Terms.Where(t => place.ContainsKey(t.Point)).Select(t => (place[t.Point], t.Share * Weight))];

        public void AddTo(double[] sums, double times, Dictionary<string, int> place)
        {
            foreach (var (at, value) in Weighted(place))
            {
                sums[at] += value * times;
            }
        }

        public double At(double[] solution, Dictionary<string, int> place) => Weighted(place).Sum(t => t.Value * solution[t.At]) / Weight;
    }

    // How a reading fits; the half is its row under the factor, whose products with others are what the readings have in common.
    private readonly record struct Fit(double Residual, Envelope.Tail Half, double Redundancy, List<Row> Piece)
    {
        public double Test => Redundancy > Unchecked ? Residual / Math.Sqrt(Redundancy) : 0;
    }
}
