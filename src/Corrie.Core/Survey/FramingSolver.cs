using Corrie.Core.Measure;

namespace Corrie.Core.Survey;

/// <summary>
/// Infers members along one line from all evidence together. Probes and the eye are facts: they say which middles are possible at all.
/// Everything else weighs these by how likely such a finding is beside a member of that place (<see cref="MethodErrors"/>), and the nominal
/// spacing weighs a little too.
/// </summary>
internal sealed class FramingSolver
{
    private const double StatedPresence = 0.8;
    private const double Rounding = 1e-6;

    private readonly FramingLine line;
    private readonly List<Sounding> untrue = [];
    private readonly List<(Sounding Miss, Sounding Left, Sounding Right)> contradictions = [];
    private readonly List<(Sounding First, Sounding Last, Sounding? Before, Sounding? After)> unfit = [];

    private FramingSolver(FramingLine line) => this.line = line;

    /// <summary>Infers where members stand; which bolt is to hold in them makes no difference.</summary>
    /// <param name="line">What is known of the members before anything was found.</param>
    /// <param name="soundings">All evidence along the line, in any order.</param>
    /// <param name="stated">Members that somebody has put on the sheet.</param>
    /// <param name="from">Where the line begins, in inches.</param>
    /// <param name="to">Where it ends.</param>
    /// <returns>The places at which members stand.</returns>
    public static SolvedLine Solve(FramingLine line, IReadOnlyList<Sounding> soundings, IReadOnlyList<StatedMember> stated, double from, double to) =>
        new FramingSolver(line).Solve(soundings, stated, from, to);

    /// <summary>What is believed of a member that no evidence is on record for.</summary>
    /// <param name="line">What is known of the members before anything was found.</param>
    /// <param name="stated">The member as somebody put it on the sheet.</param>
    /// <returns>The belief.</returns>
    public static Belief Of(FramingLine line, StatedMember stated) => new MemberPlace(new(line, [], stated), line, []).Belief;

    private SolvedLine Solve(IReadOnlyList<Sounding> soundings, IReadOnlyList<StatedMember> stated, double from, double to)
    {
        var useful = soundings.Where(s => !s.Evidence.Struck && s.Evidence.Kind != EvidenceKind.Live)
            .OrderBy(s => s.Middle).ThenBy(s => s.Evidence.Id, StringComparer.Ordinal).ToList();
        var misses = useful.Where(s => s.Evidence.Kind == EvidenceKind.ProbeMiss).ToList();
        var places = Gathered(useful, stated, misses);
        var bias = ScannerBias.Of(places);
        if (bias is not null)
        {
            // What the scanner says is taken for what it means, everywhere.
            useful = [.. useful.Select(bias.Corrected).OrderBy(s => s.Middle).ThenBy(s => s.Evidence.Id, StringComparer.Ordinal)];
            contradictions.Clear();
            unfit.Clear();
            places = Gathered(useful, stated, misses);
        }

        // Every place is looked at once by itself; then the module that the others agree on has its say.
        var untouched = stated.Where(s => places.All(p => p.Group.Stated?.Id != s.Id)).Select(s => (Mark: s.Centre, Presence: StatedPresence));
        List<(double Mark, double Presence)> known = [.. places.Where(p => p.Presence > 0.5).Select(p => (p.Mark, p.Presence)), .. untouched];
        List<double> expected = [];
        var spacing = line.Spacing > 0 && known.Count > 1 ? SpacingCheck.Believed(line.Spacing, [.. known.Select(k => k.Mark).Order()]) : 0;
        if (spacing > 0)
        {
            var module = new ModulePrior(spacing, known);
            places.ForEach(p => p.Weigh(module));
            expected = [.. module.Missing(from, to)];
        }

        var disproved = places.Where(p => p.Disproved).ToList();
        untrue.AddRange(disproved.SelectMany(p => p.Group.Positives).Where(s => s.Evidence.Method is Method.Scanner or Method.Magnet));
        return new([.. places.Where(p => !p.Disproved || p.Group.Stated is not null)], untrue, contradictions, unfit, expected) { Bias = bias };
    }

    private List<MemberPlace> Gathered(List<Sounding> useful, IReadOnlyList<StatedMember> stated, List<Sounding> misses) =>
        [.. EvidenceGroup.Gather(line, [.. useful.Where(s => s.Evidence.Kind != EvidenceKind.ProbeMiss)], stated, misses)
            .SelectMany(g => Split(g, misses)).Select(g => new MemberPlace(g, line, misses))];

    // Facts that one place cannot hold are two places where the miss lies between hits a member's width apart, or somebody has said that it
    // is a gap; otherwise they contradict each other.
    private IEnumerable<EvidenceGroup> Split(EvidenceGroup group, List<Sounding> misses)
    {
        var hits = group.Facts.ToList();
        if (hits.Count == 0 || group.Possible(line.Makes, misses).Any(s => !s.Empty))
        {
            return [group];
        }

        var between = misses
            .Select(m => (Miss: m, Left: hits.LastOrDefault(h => h.High < m.Low), Right: hits.FirstOrDefault(h => h.Low > m.High)))
            .Where(t => t is { Left: not null, Right: not null })
            .Select(t => (t.Miss, Left: t.Left!, Right: t.Right!)).ToList();
        foreach (var (miss, left, right) in between)
        {
            var give = (left.Evidence.Good + right.Evidence.Good).Inches;
            if (miss.Evidence.Gap || (right.Low - left.High).Inches >= line.Makes.Min(m => m.Ply) - give - Rounding)
            {
                return group.CutAt(miss.Middle).SelectMany(part => Split(part, misses));
            }
        }

        if (between.Count > 0)
        {
            contradictions.Add(between[0]);
        }
        else
        {
            unfit.Add((hits[0], hits[^1], misses.LastOrDefault(m => m.High < hits[0].Low), misses.FirstOrDefault(m => m.Low > hits[^1].High)));
        }

        group.Contradicted = true;
        return [group];
    }
}

/// <summary>What is known of the members of a line before anything was found.</summary>
/// <param name="Makes">The ways in which they may stand, the usual one first.</param>
/// <param name="Spacing">Nominal spacing, in inches; zero for none.</param>
/// <param name="Material">What they are made of.</param>
internal sealed record FramingLine(IReadOnlyList<Make> Makes, double Spacing, ToldMaterial Material)
{
    // A scanner that tells the material stands within a member's half of what it tells of.
    private static readonly Length ToldAround = Length.Tape(0, 3, 4);

    /// <summary>How wide the face of one of them may be, in inches.</summary>
    public IReadOnlyList<double> Widths => [.. Makes.Select(m => m.Ply).Distinct()];

    /// <summary>How many times as rough as usual a scanner is here: on laths it sees every nail and key of the plaster (common practice).</summary>
    public double Rough { get; init; } = 1;

    /// <summary>Ways for wood to stand: mostly alone, sometimes doubled or tripled at openings.</summary>
    public static IReadOnlyList<Make> Wood { get; } = [new(1, 1.5, 0.9), new(2, 1.5, 0.085), new(3, 1.5, 0.015)];

    /// <summary>Ways for steel to stand: flanges of 1 1/4 or 1 5/8 in.</summary>
    public static IReadOnlyList<Make> Steel { get; } = [new(1, 1.25, 0.6), new(1, 1.625, 0.34), new(2, 1.25, 0.04), new(2, 1.625, 0.02)];

    /// <summary>Whether a finding bounds where a member can be, and does not only weigh: the eye has seen one, or a bit has met what may be one.</summary>
    /// <param name="s">The finding.</param>
    /// <returns>Whether it bounds.</returns>
    public bool IsFact(Sounding s) => s.Evidence.Kind == EvidenceKind.Seen || (s.Evidence.Kind == EvidenceKind.ProbeHit && !s.Evidence.ForeignTo(Material));

    /// <summary>
    /// Whether a fact is one that only a member explains: it was seen, the bit went on biting for 1/2 in and more, or the material is known, from
    /// the bit's own chips or from a scanner that tells it at the same place. A second height does not tell a stud from a pipe or a strip,
    /// which are upright too.
    /// </summary>
    /// <param name="fact">The fact.</param>
    /// <param name="near">All findings of its place.</param>
    /// <returns>Whether it is proof.</returns>
    public bool Proves(Sounding fact, IReadOnlyList<Sounding> near) => fact.Evidence.Kind == EvidenceKind.Seen || fact.Evidence.Told == Material ||
        (Material == ToldMaterial.Wood && fact.Evidence.Bite >= Evidence.ShallowBite) ||
        near.Any(s => s.Evidence.Method == Method.Scanner && s.Evidence.Told == Material && fact.Middle >= s.Low - ToldAround && fact.Middle <= s.High + ToldAround);
}

/// <summary>A member that somebody has put on the sheet, as a piece of evidence among others.</summary>
/// <param name="Id">Its key.</param>
/// <param name="Centre">Where it is said to be.</param>
/// <param name="Width">How wide it is said to be; null for the usual.</param>
/// <param name="State">How sure somebody was.</param>
/// <param name="Uncertainty">How far off it may be.</param>
internal sealed record StatedMember(string Id, double Centre, double? Width, StudState State, double Uncertainty);

/// <summary>What follows from the evidence along one line.</summary>
/// <param name="Places">Where members stand.</param>
/// <param name="Untrue">Readings that a probe has disproved.</param>
/// <param name="Contradictions">Probes that cannot all be right.</param>
/// <param name="Unfit">Hits that no member fits: the outer two, and the misses nearest to them.</param>
/// <param name="Expected">Where the module has members that no evidence is near; a hint.</param>
internal sealed record SolvedLine(
    IReadOnlyList<MemberPlace> Places,
    IReadOnlyList<Sounding> Untrue,
    IReadOnlyList<(Sounding Miss, Sounding Left, Sounding Right)> Contradictions,
    IReadOnlyList<(Sounding First, Sounding Last, Sounding? Before, Sounding? After)> Unfit,
    IReadOnlyList<double> Expected)
{
    /// <summary>By how much the scanner is off; null where it is not, as far as is known.</summary>
    public ScannerBias? Bias { get; init; }

    /// <summary>The members as a bolt sees them, from left to right.</summary>
    /// <param name="bolt">Shank diameter, in inches.</param>
    /// <returns>The members.</returns>
    public IEnumerable<SolvedMember> Members(double bolt) => Places.SelectMany(p => p.Members(bolt)).OrderBy(m => m.Centre);
}

/// <summary>A member along one line, in inches.</summary>
/// <param name="Id">Its key, unique in the company.</param>
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
    string Id, double Centre, double Width, int Plies, StudState State, double Presence, double Near, double Doubt, Belief Belief, IReadOnlyList<Sounding> Soundings)
{
    /// <summary>Whether it lacks nothing but proof that its hits are of a stud.</summary>
    public bool Unproven { get; init; }

    /// <summary>Whether probes pin it down where the scanner does not believe it, so that one of them may be misread.</summary>
    public bool Disputed { get; init; }
}
