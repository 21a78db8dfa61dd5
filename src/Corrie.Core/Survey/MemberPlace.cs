namespace Corrie.Core.Survey;

/// <summary>A place where members may stand: what the facts leave possible there, weighed by everything else.</summary>
internal sealed class MemberPlace
{
    private const double Quarter = 0.25;
    private const double Margin = 2.375;
    private const double ScannerMargin = 1.25;
    private const double FoundFrom = 0.975;
    private const double MissesReach = 3;
    private const double UsualSpacing = 16;

    private readonly FramingLine line;
    private readonly IReadOnlyList<Make> makes;
    private readonly IReadOnlyList<Sounding> nearMisses;
    private readonly IReadOnlyList<Sounding> soft;
    private readonly IReadOnlyList<Spans> spans;
    private readonly bool bounded;
    private readonly double start;
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
        soft = [.. group.Positives.Where(p => !EvidenceGroup.IsFact(p))];
        // What contradicts itself gives no bounds: it stays a suspicion until somebody says which probe was wrong.
        bounded = !group.Contradicted && group.Facts.Any();
        spans = group.Contradicted ? [.. makes.Select(_ => new Spans([(group.First - 1, group.Last + 1)]))] : group.Possible(makes, nearMisses);

        // A scanner is never more than some of its spreads off; a bit in a member of three, or a knock, may be.
        var margin = bounded || group.Stated is not null || soft.Any(p => p.Evidence.Kind == EvidenceKind.Knock) ? Margin : ScannerMargin;
        start = Math.Floor((group.First - margin) / Belief.Step) * Belief.Step;
        likelihoods = Likelihoods((int)Math.Ceiling((group.Last + margin - start) / Belief.Step) + 1);
        Weigh(null);
    }

    /// <summary>What was found there.</summary>
    public EvidenceGroup Group { get; }

    /// <summary>What is left open.</summary>
    public Belief Belief { get; private set; } = null!;

    /// <summary>The likeliest centre of a member, in inches.</summary>
    public double Mark { get; private set; }

    /// <summary>Probability that there is a member at all.</summary>
    public double Presence { get; private set; }

    /// <summary>Whether probes leave no room for what was read here.</summary>
    /// <remarks>A bit that fell through inside of what a scanner showed settles it, unless other findings say more.</remarks>
    public bool Disproved => !bounded && !Group.Contradicted && (
        (nearMisses.Count > 0 && Presence < 0.05) ||
        (Presence < 0.5 && soft.Any(IsReading) && soft.Where(IsReading).All(s => nearMisses.Any(m => m.High >= s.Low && m.Low <= s.High))));

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
                weight[i] = makes[m].Prior * (modules is null ? plain : modules[first - from + i]) * Belief.Step * likely[i];
            }

            weights[m] = new(first, weight);
        }

        Belief = new(makes, spans, start, weights, bounded);
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
        var worst = Group.Contradicted ? double.PositiveInfinity : Belief.Worst(mark);
        var near = Presence * Belief.Near(mark, Quarter);
        var state = !Group.Contradicted && Belief.Confirms(mark, make.Ply, bolt) ? StudState.Confirmed
            : near >= FoundFrom && !Group.Contradicted ? StudState.Found
            : StudState.Suspected;
        if (Group.Stated is { } stated && stated.State > state && !Group.Contradicted && !Disproved && Allows(stated.Centre))
        {
            state = stated.State;
            worst = Math.Min(worst, Math.Max(stated.Uncertainty, Math.Abs(stated.Centre - mark)));
        }

        var doubt = state == StudState.Confirmed && double.IsFinite(worst) ? worst : Math.Min(worst, Belief.Spread(mark));
        var presence = state == StudState.Confirmed && !Disproved ? 1 : Presence;
        return new(Key(ply, make.Plies), mark, make.Ply, make.Plies, state, presence, near, doubt, Belief, Soundings(mark));
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
            var middles = new double[part.Length];
            for (var i = 0; i < part.Length; i++)
            {
                middles[i] = start + ((piece.First + i) * Belief.Step);
            }

            MethodErrors.Present(soft, make, middles, part);
            for (var i = 0; Group.Stated is not null && i < part.Length; i++)
            {
                part[i] *= Said(Group.Stated, make, middles[i]);
            }
        }

        return new(first, likely);
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

    private List<Sounding> Soundings(double mark) => [.. Group.Positives, .. nearMisses.Where(m => Math.Abs(m.Middle.Inches - mark) <= MissesReach)];
}
