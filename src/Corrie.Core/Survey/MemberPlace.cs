namespace Corrie.Core.Survey;

/// <summary>A place where members may stand: what the facts leave possible there, weighed by everything else.</summary>
internal sealed class MemberPlace
{
    private const double Quarter = 0.25;
    private const double Margin = 2.375;
    private const double ScannerMargin = 1.25;
    private const double FoundFrom = 0.975;
    private const double GivesWay = 1;
    private const double Agrees = 1d / 3;
    private const double Trusted = 0.99;
    private const double Likelier = 0.95;
    private const double MissesReach = 3;
    private const double UsualSpacing = 16;

    private readonly FramingLine line;
    private readonly IReadOnlyList<Make> makes;
    private readonly IReadOnlyList<Sounding> nearMisses;
    private readonly IReadOnlyList<Sounding> soft;
    private readonly IReadOnlyList<Spans> spans;
    private readonly bool bounded;
    private readonly Brackets proven;
    private readonly double start;
    private double alone = 1;
    private Strip[]? doubted;
    private double[] grid = [];
    private readonly IReadOnlyList<Strip> likelihoods;

    /// <summary>Makes a place and weighs it by itself.</summary>
    /// <param name="group">What was found there.</param>
    /// <param name="line">What is known of the members of the line.</param>
    /// <param name="misses">Where a bit fell through, anywhere along the line.</param>
    public MemberPlace(EvidenceGroup group, FramingLine line, IReadOnlyList<Sounding> misses)
    {
        this.line = line;
        Group = group;
        makes = group.Stated?.Width is { } width ? [new(1, width, 0.95), new(2, width, 0.05)] : line.Makes;
        nearMisses = [.. misses.Where(m => group.Away(m.Middle.Inches) <= MissesReach)];
        soft = [.. group.Positives.Where(p => !line.IsFact(p))];
        // What contradicts itself gives no bounds: it stays a suspicion until somebody says which probe was wrong.
        bounded = !group.Contradicted && group.Facts.Any();
        proven = Bracketed(line.Proves);
        spans = group.Contradicted ? [.. makes.Select(_ => new Spans([(group.First - 1, group.Last + 1)]))] : group.Possible(makes, nearMisses);

        // A scanner is never more than some of its spreads off; a bit in a member of three, or a knock, may be.
        var margin = bounded || group.Stated is not null || soft.Any(p => p.Evidence.Kind == EvidenceKind.Knock) ? Margin : ScannerMargin;
        start = Math.Floor((group.First - margin) / Belief.Step) * Belief.Step;
        likelihoods = Likelihoods((int)Math.Ceiling((group.Last + margin - start) / Belief.Step) + 1);
        Weigh(null);
    }

    /// <summary>What was found there.</summary>
    public EvidenceGroup Group { get; }

    /// <summary>Face of one member here, in inches.</summary>
    public double Face => makes[0].Ply;

    /// <summary>Where bits alone, and no scanner, have pinned a member, and how far off that may be, in inches; null where they have not.</summary>
    public (double Centre, double Doubt)? Pinned => proven.Surest;

    /// <summary>What is left open.</summary>
    public Belief Belief { get; private set; } = null!;

    /// <summary>The likeliest centre of a member, in inches.</summary>
    public double Mark { get; private set; }

    /// <summary>Probability that there is a member at all.</summary>
    public double Presence { get; private set; }

    /// <summary>Whether probes leave no room for what was read here.</summary>
    /// <remarks>A bit that fell through, or stopped short, inside of what a scanner showed settles it, unless other findings say more.</remarks>
    public bool Disproved => !bounded && !Group.Contradicted && (
        (Against.Any() && Presence < 0.05) ||
        (Presence < 0.5 && soft.Any(IsReading) && soft.Where(IsReading).All(s => Against.Any(m => m.High >= s.Low && m.Low <= s.High))));

    private IEnumerable<Sounding> Against => nearMisses.Concat(soft.Where(s => s.Evidence.Kind == EvidenceKind.ProbeHit));

    /// <summary>Weighs what is possible.</summary>
    /// <param name="module">What the other members of the line have to say; null while nobody knows of any.</param>
    public void Weigh(ModulePrior? module)
    {
        var (from, to) = (likelihoods.Min(l => l.First), likelihoods.Max(l => l.End));
        var modules = module?.Around(Mark, start + (from * Belief.Step), to - from);
        var plain = 1 / (line.Spacing > 0 ? line.Spacing : UsualSpacing);
        var weights = new Strip[makes.Count];
        for (var m = 0; m < weights.Length; m++)
        {
            var (first, likely) = likelihoods[m];
            var weight = new double[likely.Length];
            for (var i = 0; i < weight.Length; i++)
            {
                // Doubled members stand at openings, wherever these are.
                weight[i] = makes[m].Prior * (modules is null || makes[m].Plies > 1 ? plain : modules[first - from + i]) * Belief.Step * likely[i];
            }

            weights[m] = new(first, weight);
        }

        // Where the module has a member, one that stands alone is so much likelier than two side by side.
        alone = modules is not { Length: > 0 } ? 1 : modules[Math.Clamp((int)Math.Round((Mark - start) / Belief.Step) - from, 0, modules.Length - 1)] / plain;
        doubted = null;
        Belief = new(makes, start, weights, proven);
        if (Belief.Total <= 0)
        {
            (Presence, Mark) = (0, (Group.First + Group.Last) / 2);
            return;
        }

        Presence = Belief.Total / (Belief.Total + MethodErrors.Absent(Group.Positives, Group.Stated?.State, line.Material));
        var (make, middle) = Belief.Likeliest();
        Mark = middle + (makes[make].Plies % 2 == 1 ? 0 : makes[make].Offset(0));
    }

    /// <summary>The members that stand here, as a bolt sees them.</summary>
    /// <param name="bolt">Shank diameter of the bolt that is to hold in them, in inches.</param>
    /// <returns>The members, from left to right; none where it is likelier that nothing stands here.</returns>
    public IEnumerable<SolvedMember> Members(double bolt)
    {
        if (Belief.Total <= 0)
        {
            // Nothing fits: what somebody put on the sheet stays there as a guess, and so does what contradicts itself.
            if (Group.Stated is not null || Group.Contradicted)
            {
                yield return new(Key(0, 1), Mark, makes[0].Ply, 1, StudState.Suspected, 0, 0, (Group.Last - Group.First) / 2, Belief, Soundings(Mark));
            }

            yield break;
        }

        var (best, middle) = Belief.Likeliest();
        for (var ply = 0; ply < makes[best].Plies; ply++)
        {
            yield return Member(makes[best], ply, middle + makes[best].Offset(ply), bolt);
        }
    }

    private SolvedMember Member(Make make, int ply, double wanted, double bolt)
    {
        // The facts set the mark where they pin the centre down; until then what the scanner says is nearer the truth than their middle.
        var pinned = Group.Contradicted ? wanted : Belief.BestMark(wanted);
        var mark = Math.Abs(pinned - wanted) <= make.Ply / 2 && Belief.Confirms(pinned, make.Ply, bolt) ? pinned : wanted;
        var pins = !Group.Contradicted && Belief.Confirms(mark, make.Ply, bolt);
        var disputed = pins && !Trusts((make.Ply / 2) - (1.5 * bolt), ref mark);
        var worst = Group.Contradicted ? double.PositiveInfinity : Belief.Worst(mark);
        var near = Presence * Belief.Near(mark, Quarter);
        var state = pins && !disputed ? StudState.Confirmed
            : near >= FoundFrom && !Group.Contradicted ? StudState.Found
            : StudState.Suspected;
        if (Group.Stated is { } stated && stated.State > state && !Group.Contradicted && !disputed && !Disproved && Allows(stated.Centre))
        {
            state = stated.State;
            worst = Math.Min(worst, Math.Max(stated.Uncertainty, Math.Abs(stated.Centre - mark)));
        }

        var doubt = state == StudState.Confirmed && double.IsFinite(worst) ? worst : Math.Min(worst, Belief.Spread(mark));
        var presence = state == StudState.Confirmed && !Disproved ? 1 : Presence;
        // The hits would do, if it were known that they are of a stud.
        var unproven = state != StudState.Confirmed && !disputed && bounded && Group.Facts.Any(f => !line.Proves(f, Group.Positives))
            && Bracketed(static (_, _) => true) is var all && all.Worst(all.BestMark(wanted)) <= (make.Ply / 2) - (1.5 * bolt) + 1e-6;
        return new(Key(ply, make.Plies), mark, make.Ply, make.Plies, state, presence, near, doubt, Belief, Soundings(mark)) { Unproven = unproven, Disputed = disputed };
    }

    // Whether all facts are likelier true, with what a scanner says here, than that one of those that pin the mark was misread. The mark gives way
    // to the scanner by a part of what the bolt allows, where that settles it.
    private bool Trusts(double tolerance, ref double mark)
    {
        var at = mark;
        if (soft.All(s => s.Evidence.Method != Method.Scanner || Math.Abs(s.Middle.Inches - at) <= Agrees * tolerance))
        {
            return true;
        }

        var (share, mean) = Believed(mark, mark, tolerance);
        if (share >= Trusted)
        {
            return true;
        }

        var give = Math.Max(0, (GivesWay * tolerance) - proven.Worst(mark));
        var nearer = Math.Clamp(mean, mark - give, mark + give);
        if (proven.Worst(nearer) <= tolerance && Believed(mark, nearer, tolerance).Share >= Trusted)
        {
            mark = nearer;
            return true;
        }

        return share >= Likelier && proven.Holds(mark, tolerance + 1e-6);
    }

    // Of the members nearest to a mark: which share is within a distance of a place, and the mean of all, if any fact may have been misread.
    private (double Share, double Mean) Believed(double mark, double at, double distance)
    {
        doubted ??= [.. makes.Select(Doubted)];
        var (near, all, sum) = (0d, 0d, 0d);
        for (var m = 0; m < doubted.Length; m++)
        {
            var (first, weights) = doubted[m];
            for (var i = 0; i < weights.Length; i++)
            {
                var centre = Belief.Nearest(makes[m], start + ((first + i) * Belief.Step), mark);
                all += weights[i];
                sum += weights[i] * centre;
                near += Math.Abs(centre - at) <= distance + 1e-6 ? weights[i] : 0;
            }
        }

        return (near / all, sum / all);
    }

    private Strip Doubted(Make make)
    {
        if (!soft.Any(s => s.Evidence.Kind == EvidenceKind.ScannerCentre) && !soft.Any(s => s.Evidence.Kind == EvidenceKind.ScannerEdges && MethodErrors.CanBe(make, s)))
        {
            return Strip.Nothing;
        }

        var points = (int)Math.Ceiling((Group.Last + Margin - start) / Belief.Step) + 1;
        var strip = Likelihood(make, new Spans([(start, start + (points * Belief.Step))]), points);
        for (var i = 0; i < strip.Weights.Length; i++)
        {
            strip.Weights[i] *= make.Prior * (make.Plies == 1 ? alone : 1) * proven.Likely(make, start + ((strip.First + i) * Belief.Step));
        }

        return strip;
    }

    // What some of the facts leave of where a member's centre can be.
    private Brackets Bracketed(Func<Sounding, IReadOnlyList<Sounding>, bool> counts)
    {
        var met = new List<Met>();
        foreach (var fact in bounded ? Group.Facts.Where(f => counts(f, Group.Positives)) : [])
        {
            var (good, wide) = (fact.Evidence.Good.Inches, (fact.High - fact.Low).Inches);
            if (fact.Evidence.Kind != EvidenceKind.Seen || wide <= 0)
            {
                met.Add(new(fact.Middle.Inches, good));
                continue;
            }

            // Both edges were seen: what stands there fills them.
            var make = makes.MinBy(m => Math.Abs(wide - (2 * m.Reach)));
            met.AddRange(Enumerable.Range(0, make.Plies).Select(ply => new Met(fact.Middle.Inches + make.Offset(ply), good, Seen: true)));
        }

        return new(Group.Stated?.Width is { } told ? [told] : line.Widths, met, nearMisses.Select(m => new Free(m.Middle.Inches, m.Evidence.Good.Inches)));
    }

    private IReadOnlyList<Strip> Likelihoods(int points)
    {
        var scans = soft.Where(s => s.Evidence.Kind == EvidenceKind.ScannerEdges).ToList();
        return [.. makes.Select((make, m) =>
            // What no finding can be of need not be weighed point by point.
            !bounded && scans.Count > 0 && !scans.Any(s => MethodErrors.CanBe(make, s)) ? Strip.Nothing : Likelihood(make, spans[m], points))];
    }

    private Strip Likelihood(Make make, Spans allowed, int points)
    {
        var pieces = allowed.All.Select(s => Points(s, points)).ToList();
        if (pieces.Count == 0)
        {
            return Strip.Nothing;
        }

        var first = pieces[0].First;
        var likely = new double[pieces[^1].Last + 1 - first];
        foreach (var piece in pieces)
        {
            var part = likely.AsSpan(piece.First - first, piece.Last + 1 - piece.First);
            var middles = Middles(points).AsSpan(piece.First, part.Length);
            MethodErrors.Present(soft, make, middles, part, line.Rough);
            for (var i = 0; Group.Stated is not null && i < part.Length; i++)
            {
                part[i] *= Said(Group.Stated, make, middles[i]);
            }
        }

        return new(first, likely);
    }

    // The grid, made once for all ways to stand.
    private double[] Middles(int points)
    {
        if (grid.Length < points)
        {
            grid = new double[points];
            for (var i = 0; i < points; i++)
            {
                grid[i] = start + (i * Belief.Step);
            }
        }

        return grid;
    }

    // The grid's points in a span; one narrower than the grid still has its weight, at its nearest point.
    private (int First, int Last) Points((double From, double To) span, int points)
    {
        var first = Math.Max(0, (int)Math.Ceiling((span.From - start) / Belief.Step));
        var last = Math.Min(points - 1, (int)Math.Floor((span.To - start) / Belief.Step));
        if (last < first)
        {
            first = last = Math.Clamp((int)Math.Round((((span.From + span.To) / 2) - start) / Belief.Step), 0, points - 1);
        }

        return (first, last);
    }

    // How likely somebody says that a member is where it was put, if one of them has this middle.
    private static double Said(StatedMember stated, Make make, double middle) =>
        MethodErrors.Bell(Belief.Off(make, middle, stated.Centre), Math.Max(stated.Uncertainty / 2, Belief.Step)) + 1e-4;

    private static bool IsReading(Sounding s) => s.Evidence.Method is Method.Scanner or Method.Magnet;

    private string Key(int ply, int plies)
    {
        var key = Group.Stated?.Id ?? "m-" + Group.Positives.Select(p => p.Evidence.Id).Order(StringComparer.Ordinal).First();
        return plies == 1 ? key : $"{(key.Length > 21 ? key[..21] : key)}-{ply + 1}";
    }

    private bool Allows(double centre) => spans.Any(s => s.All.Any(i => centre >= i.From - Quarter && centre <= i.To + Quarter));

    private List<Sounding> Soundings(double mark) => nearMisses.Count == 0
        ? Group.Positives
        : [.. Group.Positives, .. nearMisses.Where(m => Math.Abs(m.Middle.Inches - mark) <= MissesReach)];
}
