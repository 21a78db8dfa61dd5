using Corrie.Core.Measure;

namespace Corrie.Core.Survey;

/// <summary>A member that somebody has put on the sheet, as a piece of evidence among others.</summary>
/// <param name="Id">Its key.</param>
/// <param name="Centre">Where it is said to be.</param>
/// <param name="Width">How wide it is said to be; null for the usual.</param>
/// <param name="State">How sure somebody was.</param>
/// <param name="Uncertainty">How far off it may be.</param>
internal sealed record StatedMember(string Id, double Centre, double? Width, StudState State, double Uncertainty);

/// <summary>
/// Infers members along one line from all evidence together. Probes and the eye are facts: they say which middles are possible at all.
/// Everything else weighs these by how likely such a finding is beside a member of that place, and the nominal spacing weighs a little too.
/// </summary>
/// <remarks>
/// How far each method errs is assumed (common practice and makers' usual statements, from memory): a scanner's edge to 1/10 in, one pass in
/// twenty off by up to half an inch and more, one place in 150 in read as a member where there is none; a screw sits in the face in nine of ten
/// cases; a bit meets something else once in fifty. docs/studies/framing.md shows how well that does on walls whose truth is known.
/// </remarks>
internal sealed class FramingSolver(IReadOnlyList<Make> makes, double spacing, double bolt, ToldMaterial material)
{
    private const double Quarter = 0.25;
    private const double Link = 1.75;
    private const double LongestPlace = 8;
    private const double Margin = 2.375;
    private const double ScannerMargin = 1.25;
    private const double FoundFrom = 0.975;
    private const double ScannerEdge = 0.1;
    private const double ScannerWild = 0.6;
    private const double ScannerNever = 1;
    private const double WildShare = 0.05;
    private const double KnockSpread = 1;
    private const double RightMaterial = 0.4;
    private const double WrongMaterial = 6;
    private const double FalseScans = 1d / 150;
    private const double FalseAgain = 0.7;
    private const double FalseMagnets = 1d / 60;
    private const double FalseMagnetsOnStrips = 0.2;
    private const double ScrewInFace = 0.9;
    private const double FalseHit = 0.02;

    /// <summary>Ways for wood to stand: mostly alone, sometimes doubled or tripled at openings.</summary>
    public static IReadOnlyList<Make> Wood { get; } = [new(1, 1.5, 0.9), new(2, 1.5, 0.085), new(3, 1.5, 0.015)];

    /// <summary>Ways for steel to stand: flanges of 1 1/4 or 1 5/8 in.</summary>
    public static IReadOnlyList<Make> Steel { get; } = [new(1, 1.25, 0.6), new(1, 1.625, 0.34), new(2, 1.25, 0.04), new(2, 1.625, 0.02)];

    private readonly IReadOnlyList<Make> makes = makes;
    private readonly double spacing = spacing;
    private readonly double bolt = bolt;
    private readonly ToldMaterial material = material;
    private readonly List<Sounding> untrue = [];
    private readonly List<(Sounding Miss, Sounding Left, Sounding Right)> contradictions = [];

    private readonly List<(Sounding First, Sounding Last, Sounding? Before, Sounding? After)> unfit = [];

    /// <summary>Readings that a probe has disproved.</summary>
    public IReadOnlyList<Sounding> Untrue => untrue;

    /// <summary>Hits that no member fits: the outer two, and the misses nearest to them.</summary>
    public IReadOnlyList<(Sounding First, Sounding Last, Sounding? Before, Sounding? After)> Unfit => unfit;

    /// <summary>Probes that cannot all be right.</summary>
    public IReadOnlyList<(Sounding Miss, Sounding Left, Sounding Right)> Contradictions => contradictions;

    /// <summary>Where the module has members that no evidence is near; a hint.</summary>
    public IReadOnlyList<double> Expected { get; private set; } = [];

    /// <summary>Infers the members.</summary>
    /// <param name="soundings">All evidence along the line, in any order.</param>
    /// <param name="stated">Members that somebody has put on the sheet.</param>
    /// <param name="from">Where the line begins, in inches.</param>
    /// <param name="to">Where it ends.</param>
    public IReadOnlyList<SolvedMember> Solve(IReadOnlyList<Sounding> soundings, IReadOnlyList<StatedMember> stated, double from, double to)
    {
        var useful = soundings.Where(s => !s.Evidence.Struck && s.Evidence.Kind != EvidenceKind.Live)
            .OrderBy(s => s.Middle).ThenBy(s => s.Evidence.Id, StringComparer.Ordinal).ToList();
        var misses = useful.Where(s => s.Evidence.Kind == EvidenceKind.ProbeMiss).ToList();
        var groups = Groups([.. useful.Where(s => s.Evidence.Kind != EvidenceKind.ProbeMiss)], stated, misses);

        var places = groups.SelectMany(g => Split(g, misses)).Select(g => new Place(g, this, misses)).ToList();
        // Every place is looked at once by itself; then the module that the others agree on has its say.
        foreach (var place in places)
        {
            place.Weigh(null);
        }

        var firm = places.Where(p => p.Presence > 0.5 && p.Belief.Total > 0).ToList();
        if (spacing > 0 && firm.Count + stated.Count(s => places.All(p => p.Group.Stated?.Id != s.Id)) > 1)
        {
            var known = firm.Select(p => (p.Mark, p.Presence)).Concat(stated.Where(s => places.All(p => p.Group.Stated?.Id != s.Id)).Select(s => (Mark: s.Centre, Presence: 0.8))).ToList();
            var module = new ModulePrior(spacing, known);
            foreach (var place in places)
            {
                place.Weigh(module);
            }

            Expected = [.. module.Missing(from, to)];
        }

        var members = new List<SolvedMember>();
        foreach (var place in places)
        {
            if (place.Disproved)
            {
                untrue.AddRange(place.Group.Positives.Where(s => s.Evidence.Kind != EvidenceKind.Knock));
                if (place.Group.Stated is null)
                {
                    continue;
                }
            }

            members.AddRange(place.Members());
        }

        return [.. members.OrderBy(m => m.Centre)];
    }

    /// <summary>What is believed of a member that no evidence is on record for.</summary>
    public Belief Of(StatedMember stated)
    {
        var place = new Place(new([], stated), this, []);
        place.Weigh(null);
        return place.Belief;
    }

    private List<Group> Groups(List<Sounding> positives, IReadOnlyList<StatedMember> stated, List<Sounding> misses)
    {
        var groups = new List<Group>();
        foreach (var sounding in positives.Where(p => p.Evidence.Kind != EvidenceKind.Knock))
        {
            // A row of findings without a gap is no member: however they are strung, a place is no longer than some members side by side.
            var near = groups.LastOrDefault(g => sounding.Middle.Inches - g.Last <= Link && sounding.Middle.Inches - g.First <= LongestPlace);
            if (near is null)
            {
                groups.Add(new([sounding], null));
            }
            else
            {
                near.Positives.Add(sounding);
            }
        }

        // A knock is heard inches around: it joins the nearest place, or is one by itself.
        foreach (var knock in positives.Where(p => p.Evidence.Kind == EvidenceKind.Knock))
        {
            var near = groups.MinBy(g => g.Away(knock.Middle.Inches));
            if (near is not null && near.Away(knock.Middle.Inches) < 3)
            {
                near.Positives.Add(knock);
            }
            else
            {
                groups.Add(new([knock], null));
            }
        }

        foreach (var member in stated)
        {
            var near = groups.Where(g => g.Stated is null).MinBy(g => g.Away(member.Centre));
            var reach = Link + member.Uncertainty;
            if (near is not null && near.Away(member.Centre) <= reach)
            {
                near.Stated = member;
            }
            else if (misses.Any(m => Math.Abs(m.Middle.Inches - member.Centre) < ((member.Width ?? makes[0].Ply) / 2) + member.Uncertainty))
            {
                groups.Add(new([], member));
            }
        }

        return [.. groups.OrderBy(g => g.First)];
    }

    // Facts that one place cannot hold are two places where the miss lies between hits a member's width apart, or somebody has said that it
    // is a gap; otherwise they contradict each other.
    private IEnumerable<Group> Split(Group group, List<Sounding> misses)
    {
        var hits = group.Positives.Where(IsFact).ToList();
        if (hits.Count == 0 || Possible(makes, group, misses).Any(s => !s.Empty))
        {
            return [group];
        }

        foreach (var miss in misses)
        {
            var (left, right) = (hits.LastOrDefault(h => h.High < miss.Low), hits.FirstOrDefault(h => h.Low > miss.High));
            if (left is null || right is null)
            {
                continue;
            }

            var give = Inches(left.Evidence.Good + right.Evidence.Good);
            if (!miss.Evidence.Gap && (right.Low - left.High).Inches < makes.Min(m => m.Ply) - give - 1e-6)
            {
                continue;
            }

            var cut = miss.Middle;
            var first = new Group([.. group.Positives.Where(p => p.Middle < cut)], group.Stated is { } s && s.Centre < cut.Inches ? s : null);
            var second = new Group([.. group.Positives.Where(p => p.Middle >= cut)], group.Stated is { } t && t.Centre >= cut.Inches ? t : null);
            return Split(first, misses).Concat(Split(second, misses));
        }

        var between = misses.Select(m => (Miss: m, Left: hits.LastOrDefault(h => h.High < m.Low), Right: hits.FirstOrDefault(h => h.Low > m.High)))
            .FirstOrDefault(t => t.Left is not null && t.Right is not null);
        if (between.Miss is not null)
        {
            contradictions.Add((between.Miss, between.Left!, between.Right!));
        }
        else
        {
            unfit.Add((hits[0], hits[^1], misses.LastOrDefault(m => m.High < hits[0].Low), misses.FirstOrDefault(m => m.Low > hits[^1].High)));
        }

        group.Contradicted = true;

        return [group];
    }

    private static List<Spans> Possible(IReadOnlyList<Make> makes, Group group, List<Sounding> misses) => [.. makes.Select(make =>
    {
        var spans = new Spans([(group.First - 6, group.Last + 6)]);
        foreach (var fact in group.Positives.Where(IsFact))
        {
            var good = Inches(fact.Evidence.Good);
            spans = fact.Evidence.Kind == EvidenceKind.Seen && fact.Low < fact.High
                // Both edges were seen: the middle is theirs, and what stands there has to fill them.
                ? Math.Abs((fact.High - fact.Low).Inches - (2 * make.Reach)) <= Quarter ? spans.Within(fact.Middle.Inches - good, fact.Middle.Inches + good) : new([])
                : spans.Within(fact.High.Inches - make.Reach - good, fact.Low.Inches + make.Reach + good);
        }

        foreach (var miss in misses)
        {
            var good = Inches(miss.Evidence.Good);
            spans = spans.Without(miss.Low.Inches - make.Reach + good, miss.High.Inches + make.Reach - good);
        }

        return spans;
    })];

    private static bool IsFact(Sounding s) => s.Evidence.Kind is EvidenceKind.Seen || (s.Evidence.Kind == EvidenceKind.ProbeHit && !s.Evidence.Shallow);

    private static double Inches(Length length) => length.Inches;

    private static double Bell(double off, double spread) => Math.Exp(-0.5 * off * off / (spread * spread)) / (spread * 2.5066282746310002);

    /// <summary>Findings of one place, before they are weighed.</summary>
    private sealed class Group(List<Sounding> positives, StatedMember? stated)
    {
        public List<Sounding> Positives { get; } = positives;

        public StatedMember? Stated { get; set; } = stated;

        public bool Contradicted { get; set; }

        public double First => Positives.Count == 0 ? Stated!.Centre : Math.Min(Positives.Min(p => p.Middle.Inches), Stated?.Centre ?? double.PositiveInfinity);

        public double Last => Positives.Count == 0 ? Stated!.Centre : Math.Max(Positives.Max(p => p.Middle.Inches), Stated?.Centre ?? double.NegativeInfinity);

        public double Away(double x) => x < First ? First - x : x > Last ? x - Last : 0;
    }

    /// <summary>One place as it is weighed.</summary>
    private sealed class Place
    {
        private readonly FramingSolver solver;
        private readonly List<Sounding> nearMisses;
        private readonly IReadOnlyList<Spans> spans;
        private readonly List<Sounding> soft;
        private readonly (EvidenceKind Kind, double Low, double High, double Middle)[] items;
        private double[][]? likelihoods;

        public Place(Group group, FramingSolver solver, List<Sounding> misses)
        {
            this.solver = solver;
            Group = group;
            Makes = group.Stated?.Width is { } width ? [new(1, width, 0.95), new(2, width, 0.05)] : solver.makes;
            nearMisses = [.. misses.Where(m => group.Away(m.Middle.Inches) <= 3)];
            // What contradicts itself gives no bounds: it stays a suspicion until somebody says which probe was wrong.
            var facts = group.Contradicted ? [] : group.Positives.Where(IsFact).ToList();
            Bounded = facts.Count > 0;
            spans = group.Contradicted
                ? [.. Makes.Select(_ => new Spans([(group.First - 1, group.Last + 1)]))]
                : Possible(Makes, group, nearMisses);
            soft = [.. group.Positives.Where(p => !IsFact(p))];
            items = [.. soft.Select(s => (s.Evidence.Kind, s.Low.Inches, s.High.Inches, s.Middle.Inches))];
            Belief = new(Makes, spans, 0, [.. Makes.Select(_ => Array.Empty<double>())], Bounded);
        }

        public Group Group { get; }

        public IReadOnlyList<Make> Makes { get; }

        public bool Bounded { get; }

        public Belief Belief { get; private set; }

        public double Mark { get; private set; }

        public double Presence { get; private set; }

        /// <summary>Whether probes leave no room for what was read here.</summary>
        /// <remarks>A bit that fell through inside of what a scanner showed settles it, unless other findings say more.</remarks>
        public bool Disproved => !Bounded && !Group.Contradicted && (
            (nearMisses.Count > 0 && Presence < 0.05) ||
            (Presence < 0.5 && soft.Any(IsReading) && soft.Where(IsReading).All(s => nearMisses.Any(m => m.High >= s.Low && m.Low <= s.High))));

        private static bool IsReading(Sounding s) => s.Evidence.Method is Method.Scanner or Method.Magnet;

        public void Weigh(ModulePrior? module)
        {
            // A scanner is never more than some of its spreads off; a bit in a member of three, or a knock, may be.
            var margin = Bounded || Group.Stated is not null || Group.Positives.Any(p => p.Evidence.Kind == EvidenceKind.Knock) ? Margin : ScannerMargin;
            var start = Math.Floor((Group.First - margin) / Belief.Step) * Belief.Step;
            var points = (int)Math.Ceiling((Group.Last + margin - start) / Belief.Step) + 1;
            var modules = module?.Around(Mark, start, points);
            var plain = 1 / (solver.spacing > 0 ? solver.spacing : 16);

            // Findings are weighed once; only the module's say changes.
            var weighed = likelihoods is not null;
            likelihoods ??= [.. Makes.Select(_ => new double[points])];
            var weights = new double[Makes.Count][];
            for (var m = 0; m < Makes.Count; m++)
            {
                weights[m] = new double[points];
                // No scanner takes two members for one, or one for two: that need not be reckoned point by point.
                if (items.Any(i => i.Kind == EvidenceKind.ScannerEdges) &&
                    items.All(i => i.Kind != EvidenceKind.ScannerEdges || Math.Abs(i.High - i.Low - (2 * Makes[m].Reach)) > ScannerNever) && !Bounded)
                {
                    continue;
                }

                foreach (var (a, b) in spans[m].All)
                {
                    // A span narrower than the grid still has its weight, at its nearest point.
                    var first = Math.Max(0, (int)Math.Ceiling((a - start) / Belief.Step));
                    var last = Math.Min(points - 1, (int)Math.Floor((b - start) / Belief.Step));
                    if (last < first)
                    {
                        first = last = Math.Clamp((int)Math.Round((((a + b) / 2) - start) / Belief.Step), 0, points - 1);
                    }

                    for (var i = first; i <= last; i++)
                    {
                        if (!weighed)
                        {
                            likelihoods[m][i] = Likelihood(Makes[m], start + (i * Belief.Step));
                        }

                        weights[m][i] = Makes[m].Prior * (modules is null ? plain : modules[i]) * Belief.Step * likelihoods[m][i];
                    }
                }
            }

            Belief = new(Makes, spans, start, weights, Bounded);
            var nothing = Nothing();
            Presence = Belief.Total > 0 ? Belief.Total / (Belief.Total + nothing) : 0;
            if (Belief.Total <= 0)
            {
                Mark = (Group.First + Group.Last) / 2;
                return;
            }

            var (make, middle) = Belief.Likeliest();
            Mark = middle + (Makes[make].Plies % 2 == 1 ? 0 : Makes[make].Offset(0));
        }

        /// <summary>The members that stand here.</summary>
        public IEnumerable<SolvedMember> Members()
        {
            if (Belief.Total <= 0)
            {
                // Nothing fits: what somebody put on the sheet stays there as a guess, and so does what contradicts itself.
                if (Group.Stated is not null || Group.Contradicted)
                {
                    yield return new(Key(0, 1), Mark, Makes[0].Ply, 1, StudState.Suspected, 0, 0, (Group.Last - Group.First) / 2, Belief, Soundings(Mark));
                }

                yield break;
            }

            var (best, middle) = Belief.Likeliest();
            var make = Makes[best];
            for (var ply = 0; ply < make.Plies; ply++)
            {
                var wanted = middle + make.Offset(ply);
                // The facts set the mark where they pin the centre down; until then what the scanner says is nearer the truth than their middle.
                var tolerance = (make.Ply / 2) - (1.5 * solver.bolt) + 1e-6;
                var pinned = Group.Contradicted ? wanted : Belief.BestMark(wanted);
                var mark = Math.Abs(pinned - wanted) <= make.Ply / 2 && Belief.Worst(pinned) <= tolerance ? pinned : wanted;
                var worst = Group.Contradicted ? double.PositiveInfinity : Belief.Worst(mark);
                var near = Presence * Belief.Near(mark, Quarter);
                var state = worst <= tolerance ? StudState.Confirmed
                    : near >= FoundFrom && !Group.Contradicted ? StudState.Found
                    : StudState.Suspected;
                if (Group.Stated is { } stated && stated.State > state && !Group.Contradicted && !Disproved && Allows(stated.Centre))
                {
                    state = stated.State;
                    worst = Math.Min(worst, Math.Max(stated.Uncertainty, Math.Abs(stated.Centre - mark)));
                }

                yield return new(
                    Key(ply, make.Plies), mark, make.Ply, make.Plies, state, Disproved ? Presence : Math.Max(Presence, state == StudState.Confirmed ? 1 : 0), near,
                    Math.Min(worst, Belief.Spread(mark)) is var doubt && state == StudState.Confirmed && double.IsFinite(worst) ? worst : doubt,
                    Belief, Soundings(mark));
            }
        }

        private string Key(int ply, int plies)
        {
            var key = Group.Stated?.Id ?? "m-" + Group.Positives.Select(p => p.Evidence.Id).Order(StringComparer.Ordinal).First();
            return plies == 1 ? key : $"{(key.Length > 21 ? key[..21] : key)}-{ply + 1}";
        }

        private bool Allows(double centre) => spans.Any(s => s.All.Any(i => centre >= i.From - Quarter && centre <= i.To + Quarter));

        private List<Sounding> Soundings(double mark) => [.. Group.Positives, .. nearMisses.Where(m => Math.Abs(m.Middle.Inches - mark) <= 3)];

        // How likely the findings are beside members of this make with this middle.
        private double Likelihood(Make make, double middle)
        {
            var (all, scanned, scans) = (1d, 1d, 0);
            foreach (var s in items)
            {
                switch (s.Kind)
                {
                    case EvidenceKind.ScannerEdges:
                        // A pass that goes wrong takes both edges with it.
                        var (low, high) = (s.Low - (middle - make.Reach), s.High - (middle + make.Reach));
                        scanned *= ((1 - WildShare) * Math.Exp(-0.5 * ((low * low) + (high * high)) / (ScannerEdge * ScannerEdge)) / (ScannerEdge * ScannerEdge * 2 * Math.PI)) +
                            WildPair(s.Middle - middle, s.High - s.Low - (2 * make.Reach)) + 1e-6;
                        scans++;
                        break;
                    case EvidenceKind.ScannerCentre:
                        scanned *= Wild(s.Middle - middle, ScannerEdge);
                        scans++;
                        break;
                    case EvidenceKind.Magnet or EvidenceKind.ProbeHit:
                        all *= (ScrewInFace * Face(Math.Abs(s.Middle - middle), make.Reach) / (2 * make.Reach)) + ((1 - ScrewInFace) / 16);
                        break;
                    case EvidenceKind.Knock:
                        all *= (0.8 * Bell(s.Middle - middle, KnockSpread)) + (0.2 / 16);
                        break;
                    default:
                        break;
                }
            }

            if (Group.Stated is { } stated)
            {
                all *= Bell(Belief.Off(make, middle, stated.Centre), Math.Max(stated.Uncertainty / 2, Belief.Step)) + 1e-4;
            }

            // Passes of one scanner err together: the tenth tells little that the first two have not.
            return all * (scans > 1 ? Math.Pow(scanned, 1 / (1 + (0.25 * (scans - 1)))) : scanned);
        }

        // How likely the same findings are where there is no member: a joint, a pipe, a strip behind the board.
        private double Nothing()
        {
            if (Group.Positives.Any(p => p.Evidence.Kind == EvidenceKind.Seen))
            {
                return 0;
            }

            var (log, scans) = (0d, 0);
            foreach (var s in soft.Where(s => s.Evidence.Method == Method.Scanner))
            {
                var width = s.Evidence.Kind == EvidenceKind.ScannerEdges ? Bell((s.High - s.Low).Inches - 1.3, 0.6) : 1;
                // Metal in a wall of wood is more often a pipe or a plate than a stud; the right material speaks for a member.
                var told = s.Evidence.Told == ToldMaterial.Nothing ? 1 : s.Evidence.Told == solver.material ? RightMaterial : WrongMaterial;
                log += Math.Log((scans == 0 ? FalseScans : FalseAgain * Bell(0, 0.25)) * width * told);
                scans++;
            }

            if (scans > 1)
            {
                log /= 1 + (0.25 * (scans - 1));
            }

            foreach (var s in Group.Positives)
            {
                log += s.Evidence.Kind switch
                {
                    EvidenceKind.Magnet => Math.Log(scans > 0 ? FalseMagnetsOnStrips : FalseMagnets),
                    EvidenceKind.Knock => Math.Log(0.5 / 16),
                    EvidenceKind.ProbeHit => Math.Log(s.Evidence.Shallow ? 0.5 : FalseHit),
                    _ => 0,
                };
            }

            log += Group.Stated switch
            {
                { State: StudState.Confirmed } => Math.Log(1e-4),
                { State: StudState.Found } => Math.Log(0.02),
                { State: StudState.Suspected } => Math.Log(0.5 / 16),
                _ => 0,
            };
            return Math.Exp(log);
        }

        // Both bells in one: a pass off by so much, its edges as far apart as they should be but for so much.
        private static double WildPair(double off, double width) =>
            WildShare * Math.Exp(-0.5 * ((off * off / (ScannerWild * ScannerWild)) + (width * width / (4 * ScannerEdge * ScannerEdge)))) / (ScannerWild * 2 * ScannerEdge * 2 * Math.PI);

        private static double Wild(double off, double spread) => ((1 - WildShare) * Bell(off, spread)) + (WildShare * Bell(off, ScannerWild)) + 1e-6;

        private static double Face(double off, double reach) => 1 / (1 + Math.Exp((off - reach) / 0.05));
    }
}

/// <summary>A member along one line, in inches.</summary>
/// <param name="Id">Key.</param>
/// <param name="Centre">The mark.</param>
/// <param name="Width">Its face.</param>
/// <param name="Plies">How many stand side by side.</param>
/// <param name="State">How sure.</param>
/// <param name="Presence">Probability that there is one.</param>
/// <param name="Near">Probability that there is one within 1/4 in.</param>
/// <param name="Doubt">How far its centre may be off.</param>
/// <param name="Belief">What is left open.</param>
/// <param name="Soundings">What it rests on.</param>
internal sealed record SolvedMember(
    string Id, double Centre, double Width, int Plies, StudState State, double Presence, double Near, double Doubt, Belief Belief, IReadOnlyList<Sounding> Soundings);
