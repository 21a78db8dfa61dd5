using System.Numerics.Tensors;

namespace Corrie.Core.Survey;

/// <summary>A way in which members may stand at a place: so many side by side, each so wide.</summary>
/// <param name="Plies">How many.</param>
/// <param name="Ply">Face of one, in inches.</param>
/// <param name="Prior">How usual that is.</param>
internal readonly record struct Make(int Plies, double Ply, double Prior)
{
    /// <summary>Half of their whole width.</summary>
    public double Reach => Plies * Ply / 2;

    /// <summary>Centre of one of them, from the middle of all.</summary>
    /// <param name="ply">Which of them, from 0 at the left.</param>
    /// <returns>The offset to the right, in inches.</returns>
    public double Offset(int ply) => (ply - ((Plies - 1) / 2d)) * Ply;
}

/// <summary>Closed intervals of the line, in inches, sorted and apart.</summary>
internal readonly record struct Spans(IReadOnlyList<(double From, double To)> All)
{
    private const double Rounding = 1e-9;

    public bool Empty => All.Count == 0;

    public Spans Within(double from, double to)
    {
        if (All is [var (first, last)])
        {
            // The usual case: one span, which stays one.
            return first >= from && last <= to ? this : Math.Max(first, from) <= Math.Min(last, to) + Rounding ? new([(Math.Max(first, from), Math.Min(last, to))]) : new([]);
        }

        return new([.. All.Select(s => (From: Math.Max(s.From, from), To: Math.Min(s.To, to))).Where(s => s.From <= s.To + Rounding)]);
    }

    public Spans Without(double from, double to)
    {
        if (from >= to || (All is [var (first, last)] && (last <= from + Rounding || first >= to - Rounding)))
        {
            return this;
        }

        var left = new List<(double, double)>(All.Count + 1);
        foreach (var (a, b) in All)
        {
            if (b <= from + Rounding || a >= to - Rounding)
            {
                left.Add((a, b));
                continue;
            }

            if (a <= from)
            {
                left.Add((a, from));
            }

            if (b >= to)
            {
                left.Add((to, b));
            }
        }

        return new(left);
    }
}

/// <summary>A stretch of a grid with a weight at each of its points; what lies outside of it weighs nothing.</summary>
/// <param name="First">The grid's point at which it begins.</param>
/// <param name="Weights">A weight for each point from there on.</param>
internal readonly record struct Strip(int First, double[] Weights)
{
    public static Strip Nothing { get; } = new(0, []);

    /// <summary>The grid's point after its last one.</summary>
    public int End => First + Weights.Length;

    public double Sum()
    {
        var sum = 0d;
        foreach (var weight in Weights)
        {
            sum += weight;
        }

        return sum;
    }
}

/// <summary>
/// What is left possible at a place, and how likely each possibility is: for each way to stand weights of its middles on a grid, and beside
/// them the brackets that proven facts leave.
/// </summary>
internal sealed class Belief
{
    /// <summary>Step of the grid, in inches.</summary>
    public const double Step = 1d / 32;

    private const double PeakReach = 0.75;

    private double Negligible => Total * 1e-9;

    private readonly IReadOnlyList<Make> makes;
    private readonly Brackets proven;
    private readonly IReadOnlyList<Strip> strips;
    // Only who asks for a probe needs them.
    private readonly Lazy<double[][]> sums;
    private readonly double start;
    private readonly int heaviest;

    /// <summary>Makes a belief.</summary>
    /// <param name="makes">The ways to stand.</param>
    /// <param name="start">First point of the grid, in inches.</param>
    /// <param name="strips">For each way, the weights of the points that the facts allow.</param>
    /// <param name="proven">What proven hits and misses bound: only they confirm.</param>
    public Belief(IReadOnlyList<Make> makes, double start, IReadOnlyList<Strip> strips, Brackets proven)
    {
        this.makes = makes;
        this.start = start;
        this.strips = strips;
        this.proven = proven;
        sums = new(() => [.. strips.Select(s => RunningSum(s.Weights))]);
        var most = double.NegativeInfinity;
        for (var m = 0; m < strips.Count; m++)
        {
            var sum = strips[m].Sum();
            Total += sum;
            (heaviest, most) = sum > most ? (m, sum) : (heaviest, most);
        }
    }

    public double Total { get; }

    public IReadOnlyList<Make> Makes => makes;

    public double At(int point) => start + (point * Step);

    /// <summary>The way and the middle that are likeliest.</summary>
    /// <returns>The way, by its place in the list of ways, and the middle of all in inches.</returns>
    public (int Make, double Middle) Likeliest()
    {
        var (first, weights) = strips[heaviest];
        var top = TensorPrimitives.IndexOfMax<double>(weights);
        var (sum, weight) = (0d, 0d);
        // The mean of the peak's surroundings: a second, lower peak far away must not pull the mark between the two.
        const int half = (int)(PeakReach / Step);
        for (var i = Math.Max(0, top - half); i <= Math.Min(weights.Length - 1, top + half); i++)
        {
            sum += weights[i] * At(first + i);
            weight += weights[i];
        }

        return (heaviest, weight > 0 ? sum / weight : At(first + Math.Max(0, top)));
    }

    /// <summary>Share of the weight at which a member's centre lies within a distance of a mark.</summary>
    /// <param name="mark">The mark, in inches.</param>
    /// <param name="distance">The distance, in inches; over zero.</param>
    /// <returns>The share, 0 to 1.</returns>
    public double Near(double mark, double distance)
    {
        var near = 0d;
        for (var m = 0; m < makes.Count; m++)
        {
            // A member's centre is no farther from the middle of all than half of their width.
            var (from, to) = Points(m, mark - distance - makes[m].Reach, mark + distance + makes[m].Reach);
            var (first, weights) = strips[m];
            for (var i = from; i < to; i++)
            {
                if (weights[i] > Negligible && Off(makes[m], At(first + i), mark) <= distance + 1e-9)
                {
                    near += weights[i];
                }
            }
        }

        return Total > 0 ? near / Total : 0;
    }

    /// <summary>Twice the standard deviation of the nearest centre from a mark.</summary>
    /// <param name="mark">The mark, in inches.</param>
    /// <returns>The spread, in inches.</returns>
    public double Spread(double mark)
    {
        var sum = 0d;
        for (var m = 0; m < makes.Count; m++)
        {
            var (first, weights) = strips[m];
            for (var i = 0; i < weights.Length; i++)
            {
                if (weights[i] > Negligible)
                {
                    var off = Off(makes[m], At(first + i), mark);
                    sum += weights[i] * off * off;
                }
            }
        }

        return Total > 0 ? 2 * Math.Sqrt(sum / Total) : double.PositiveInfinity;
    }

    /// <summary>How far, at worst, the nearest member's centre is off a mark, over everything that proven facts allow.</summary>
    /// <param name="mark">The mark, in inches.</param>
    /// <returns>The distance in inches; infinite where nothing bounds where members can be.</returns>
    public double Worst(double mark) => proven.Worst(mark);

    /// <summary>Whether a mark is confirmed for a bolt: every centre that the facts allow leaves it its edge distance, <c>ply/2 - 1.5 D</c>.</summary>
    /// <param name="mark">Where the bolt goes, in inches.</param>
    /// <param name="ply">Face of one member, in inches.</param>
    /// <param name="bolt">Shank diameter, in inches.</param>
    /// <returns>Whether it is.</returns>
    public bool Confirms(double mark, double ply, double bolt) => Worst(mark) <= (ply / 2) - (1.5 * bolt) + 1e-6;

    /// <summary>The mark that proven facts leave the least doubt about, near a wanted one.</summary>
    /// <param name="wanted">The mark that is wanted, in inches.</param>
    /// <returns>The mark, in inches.</returns>
    public double BestMark(double wanted) => proven.BestMark(wanted);

    /// <summary>The same belief without the one fact that most depends on: what there is to find out where a fact is doubted.</summary>
    /// <param name="mark">The mark, in inches.</param>
    /// <returns>The belief.</returns>
    public Belief Doubted(double mark) => new(makes, start, strips, proven.Doubted(mark));

    /// <summary>Probability that a bit at a place meets something.</summary>
    /// <param name="x">The place, in inches.</param>
    /// <returns>The probability, 0 to 1.</returns>
    public double Hits(double x)
    {
        var hit = 0d;
        for (var m = 0; m < makes.Count; m++)
        {
            hit += Sum(m, x - makes[m].Reach, x + makes[m].Reach);
        }

        return Total > 0 ? hit / Total : 0;
    }

    /// <summary>What a probe would leave: doubt after it, and the mark.</summary>
    /// <param name="probes">Where the bit goes in, in inches, and whether it bites.</param>
    /// <param name="accuracy">How far each may be off, in inches.</param>
    /// <param name="wanted">The mark that is wanted, in inches.</param>
    /// <returns>The doubt that is left, in inches, and the mark that has it.</returns>
    public (double Worst, double Mark) After(IReadOnlyList<(double X, bool Hit)> probes, double accuracy, double wanted)
    {
        var after = proven.After(probes, accuracy);
        var mark = after.BestMark(wanted);
        return (after.Worst(mark), mark);
    }

    /// <summary>Weight of the possibilities in which probes come out in a way, over all weight.</summary>
    /// <param name="probes">Where the bit goes in, in inches, and whether it bites.</param>
    /// <returns>The share, 0 to 1.</returns>
    public double Chance(IReadOnlyList<(double X, bool Hit)> probes)
    {
        var chance = 0d;
        for (var m = 0; m < makes.Count; m++)
        {
            // Each probe cuts the line into within and without: the middles for which all come out so are few intervals.
            var reach = makes[m].Reach;
            var left = new Spans([(At(strips[m].First - 1), At(strips[m].End))]);
            foreach (var (x, hit) in probes)
            {
                left = hit ? left.Within(x - reach, x + reach) : left.Without(x - reach, x + reach);
            }

            foreach (var (a, b) in left.All)
            {
                chance += Sum(m, a, b);
            }
        }

        return Total > 0 ? chance / Total : 0;
    }

    /// <summary>How far the nearest member's centre is off a mark where members stand in a way round a middle.</summary>
    /// <param name="make">How members stand side by side.</param>
    /// <param name="middle">The middle of them all, in inches.</param>
    /// <param name="mark">The mark, in inches.</param>
    /// <returns>The distance, in inches.</returns>
    public static double Off(Make make, double middle, double mark) => Math.Abs(Nearest(make, middle, mark) - mark);

    /// <summary>The member's centre that is nearest to a mark where members stand in a way round a middle.</summary>
    /// <param name="make">How members stand side by side.</param>
    /// <param name="middle">The middle of them all, in inches.</param>
    /// <param name="mark">The mark, in inches.</param>
    /// <returns>The centre, in inches.</returns>
    public static double Nearest(Make make, double middle, double mark)
    {
        var nearest = middle + make.Offset(0);
        for (var ply = 1; ply < make.Plies; ply++)
        {
            var centre = middle + make.Offset(ply);
            nearest = Math.Abs(centre - mark) < Math.Abs(nearest - mark) ? centre : nearest;
        }

        return nearest;
    }

    private static double[] RunningSum(double[] weights)
    {
        var sum = new double[weights.Length + 1];
        for (var i = 0; i < weights.Length; i++)
        {
            sum[i + 1] = sum[i] + weights[i];
        }

        return sum;
    }

    private double Sum(int make, double from, double to)
    {
        var (a, b) = Points(make, from, to);
        return b > a ? sums.Value[make][b] - sums.Value[make][a] : 0;
    }

    // The points of a way's strip between two places: the first one, and the one after the last.
    private (int From, int To) Points(int make, double from, double to)
    {
        var (first, weights) = strips[make];
        return (
            Math.Clamp((int)Math.Ceiling((from - start) / Step) - first, 0, weights.Length),
            Math.Clamp((int)Math.Floor((to - start) / Step) + 1 - first, 0, weights.Length));
    }
}
