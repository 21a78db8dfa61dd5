namespace Corrie.Core.Survey;

/// <summary>A place along a line that some member covers for sure, all in inches.</summary>
/// <param name="At">The place.</param>
/// <param name="Give">How far off it the middle of its member's face may be, but for the member's own half: what a tape is good to.</param>
/// <param name="Seen">Whether both edges were seen, so that the place is the member's centre.</param>
internal readonly record struct Met(double At, double Give, bool Seen = false);

/// <summary>A place along a line that no member covers, in inches.</summary>
/// <param name="At">The place.</param>
/// <param name="Good">How far it may be off.</param>
internal readonly record struct Free(double At, double Good);

/// <summary>
/// Between which centres the member lies that a proven hit is of, whatever else stands beside it: members may touch or have a gap of any width
/// between them, so that hits far apart say nothing of each other, and only what pins one member's own edges pins its centre.
/// </summary>
/// <remarks>
/// Exact for one face width but for this: where a hit may be of one of two members with a hole between what they allow, the hole counts as
/// allowed, which errs to the safe side. Own derivation.
/// </remarks>
internal sealed class Brackets
{
    // One probe in a while is misread (common practice); taken high, since a wrong stud is worse than one more hole.
    private const double Misread = 0.05;
    private const double Rounding = 1e-9;

    private readonly IReadOnlyList<double> widths;
    private readonly Met[] hits;
    private readonly Free[] misses;
    private readonly (double From, double To)[] centres;

    /// <summary>Works out the brackets.</summary>
    /// <param name="widths">How wide one member's face may be, in inches.</param>
    /// <param name="hits">Where members are for sure.</param>
    /// <param name="misses">Where none is.</param>
    public Brackets(IReadOnlyList<double> widths, IEnumerable<Met> hits, IEnumerable<Free> misses)
    {
        this.widths = widths;
        this.hits = [.. hits];
        this.misses = [.. misses];
        Array.Sort(this.hits, static (a, b) => a.At.CompareTo(b.At));
        centres = Work();
    }

    /// <summary>Whether there is a hit, and members of some width explain all of them.</summary>
    public bool Any => centres.Length > 0;

    /// <summary>How far, at worst, the nearest member's centre is off a mark.</summary>
    /// <param name="mark">The mark, in inches.</param>
    /// <returns>The distance in inches; infinite where nothing bounds it.</returns>
    public double Worst(double mark)
    {
        var worst = double.PositiveInfinity;
        foreach (var (from, to) in centres)
        {
            worst = Math.Min(worst, Math.Max(mark - from, to - mark));
        }

        return worst;
    }

    /// <summary>The centre that is pinned best, and how far off it may be, in inches; null where nothing bounds any.</summary>
    public (double Centre, double Doubt)? Surest
    {
        get
        {
            (double Centre, double Doubt)? surest = null;
            foreach (var (from, to) in centres)
            {
                surest = surest is { Doubt: var least } && least <= (to - from) / 2 ? surest : ((from + to) / 2, (to - from) / 2);
            }

            return surest;
        }
    }

    /// <summary>The mark that leaves the least doubt, of those that are one member with a wanted one if there are any.</summary>
    /// <param name="wanted">The mark that is wanted, in inches.</param>
    /// <returns>The mark, in inches; the wanted one where nothing bounds it.</returns>
    public double BestMark(double wanted)
    {
        var (best, least, near) = (wanted, double.PositiveInfinity, false);
        foreach (var (from, to) in centres)
        {
            var (mark, worst) = ((from + to) / 2, (to - from) / 2);
            var here = Math.Abs(mark - wanted) <= widths[0] / 2;
            var better = worst < least - Rounding || (worst < least + Rounding && Math.Abs(mark - wanted) < Math.Abs(best - wanted));
            if (here == near ? better : here)
            {
                (best, least, near) = (mark, worst, here);
            }
        }

        return best;
    }

    /// <summary>The brackets after more probes, each of which is proof.</summary>
    /// <param name="probes">Where the bit goes in, in inches, and whether it bites.</param>
    /// <param name="accuracy">How far each may be off, in inches.</param>
    /// <returns>The brackets then.</returns>
    public Brackets After(IReadOnlyList<(double X, bool Hit)> probes, double accuracy)
    {
        var (met, free) = (new List<Met>(hits.Length + probes.Count), new List<Free>(misses.Length + probes.Count));
        met.AddRange(hits);
        free.AddRange(misses);
        foreach (var (x, hit) in probes)
        {
            if (hit)
            {
                met.Add(new(x, accuracy));
            }
            else
            {
                free.Add(new(x, accuracy));
            }
        }

        return new(widths, met, free);
    }

    /// <summary>Whether a mark stays good whichever single one of the facts is wrong.</summary>
    /// <param name="mark">The mark, in inches.</param>
    /// <param name="tolerance">How far the nearest centre may be off it, in inches.</param>
    /// <returns>Whether it does.</returns>
    public bool Holds(double mark, double tolerance) => Doubted(mark).Worst(mark) <= tolerance;

    /// <summary>The brackets without the one fact that most depends on.</summary>
    /// <param name="mark">The mark, in inches.</param>
    /// <returns>The brackets that are left.</returns>
    public Brackets Doubted(double mark)
    {
        var (most, worst) = (this, double.NegativeInfinity);
        for (var i = 0; i < hits.Length + misses.Length; i++)
        {
            var rest = i < hits.Length
                ? new Brackets(widths, hits.Where((_, n) => n != i), misses)
                : new Brackets(widths, hits, misses.Where((_, n) => n != i - hits.Length));
            if (rest.Worst(mark) is var left && left > worst)
            {
                (most, worst) = (rest, left);
            }
        }

        return most;
    }

    /// <summary>How likely the facts are where members stand in a way round a middle, if one of them in twenty is misread.</summary>
    /// <param name="make">How members stand side by side.</param>
    /// <param name="middle">The middle of them all, in inches.</param>
    /// <returns>The likelihood.</returns>
    public double Likely(Make make, double middle)
    {
        var likely = 1d;
        foreach (var hit in hits)
        {
            likely *= Math.Abs(hit.At - middle) <= make.Reach + hit.Give ? 1 - Misread : Misread;
        }

        foreach (var miss in misses)
        {
            likely *= Math.Abs(miss.At - middle) >= make.Reach - miss.Good ? 1 - Misread : Misread;
        }

        return likely;
    }

    private (double, double)[] Work()
    {
        if (hits.Length == 0)
        {
            return [];
        }

        // A width of which no members explain the hits is none of this place; of several that do, each may be the true one.
        var all = Array.Empty<(double From, double To)>();
        Span<(double From, double To)> own = new (double, double)[hits.Length];
        foreach (var width in widths)
        {
            if (!Alone(width, own) || !Together(width, own))
            {
                continue;
            }

            if (all.Length == 0)
            {
                all = own.ToArray();
                continue;
            }

            for (var i = 0; i < all.Length; i++)
            {
                all[i] = (Math.Min(all[i].From, own[i].From), Math.Max(all[i].To, own[i].To));
            }
        }

        return all;
    }

    // Where the member of each hit may have its centre, by itself: it covers the hit, and reaches to neither miss beside it.
    private bool Alone(double width, Span<(double From, double To)> centres)
    {
        for (var i = 0; i < hits.Length; i++)
        {
            var half = hits[i].Seen ? 0 : width / 2;
            var (at, from, to) = (hits[i].At, hits[i].At - half - hits[i].Give, hits[i].At + half + hits[i].Give);
            foreach (var miss in misses)
            {
                if (Math.Abs(miss.At - at) < miss.Good + hits[i].Give - Rounding)
                {
                    // Nearer than a tape can tell: an edge is there, and which one the other facts say.
                    continue;
                }

                if (miss.At <= at)
                {
                    from = Math.Max(from, miss.At + (width / 2) - miss.Good);
                }

                if (miss.At >= at)
                {
                    to = Math.Min(to, miss.At - (width / 2) + miss.Good);
                }
            }

            if (from > to + Rounding)
            {
                return false;
            }

            centres[i] = (from, Math.Max(from, to));
        }

        return true;
    }

    // Neighbouring hits are of one member, or of two that do not lie in each other: from the left, then from the right.
    private static bool Together(double width, Span<(double From, double To)> centres)
    {
        Span<(double From, double To)> forth = centres.ToArray();
        for (var i = 1; i < centres.Length; i++)
        {
            var (from, to) = centres[i];
            var same = (From: Math.Max(from, forth[i - 1].From), To: Math.Min(to, forth[i - 1].To));
            var next = (From: Math.Max(from, forth[i - 1].From + width), To: to);
            if (Union(same, next) is not { } left)
            {
                return false;
            }

            forth[i] = left;
        }

        var back = centres[^1];
        centres[^1] = forth[^1];
        for (var i = centres.Length - 2; i >= 0; i--)
        {
            var (from, to) = centres[i];
            if (Union((Math.Max(from, back.From), Math.Min(to, back.To)), (from, Math.Min(to, back.To - width))) is not { } left)
            {
                return false;
            }

            back = left;
            centres[i] = (Math.Max(back.From, forth[i].From), Math.Min(back.To, forth[i].To));
            if (centres[i].From > centres[i].To + Rounding)
            {
                return false;
            }
        }

        return true;
    }

    private static (double From, double To)? Union((double From, double To) a, (double From, double To) b)
    {
        var (first, second) = (a.From <= a.To + Rounding, b.From <= b.To + Rounding);
        return (first, second) switch
        {
            (true, true) => (Math.Min(a.From, b.From), Math.Max(a.To, b.To)),
            (true, false) => a,
            (false, true) => b,
            _ => null,
        };
    }
}
