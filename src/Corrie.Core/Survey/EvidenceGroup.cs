using Corrie.Core.Measure;

namespace Corrie.Core.Survey;

/// <summary>Findings that lie so near to each other that they are of one place, before they are weighed.</summary>
/// <param name="line">What is known of the members of the line.</param>
/// <param name="positives">What speaks for a member there.</param>
/// <param name="stated">The member that somebody has put there.</param>
internal sealed class EvidenceGroup(FramingLine line, List<Sounding> positives, StatedMember? stated)
{
    private const double Link = 1.75;
    private const double LongestPlace = 8;
    private const double KnocksReach = 3;
    private const double Seen = 0.25;

    public List<Sounding> Positives { get; } = positives;

    public StatedMember? Stated { get; set; } = stated;

    /// <summary>Whether its facts cannot all be right.</summary>
    public bool Contradicted { get; set; }

    public double First => Positives.Count == 0 ? Stated!.Centre : Math.Min(Positives.Min(p => p.Middle.Inches), Stated?.Centre ?? double.PositiveInfinity);

    public double Last => Positives.Count == 0 ? Stated!.Centre : Math.Max(Positives.Max(p => p.Middle.Inches), Stated?.Centre ?? double.NegativeInfinity);

    /// <summary>What a bit or the eye has met.</summary>
    public IEnumerable<Sounding> Facts => Positives.Where(line.IsFact);

    /// <summary>How far a point is outside of it.</summary>
    /// <param name="x">The point, in inches.</param>
    /// <returns>The distance in inches; 0 inside.</returns>
    public double Away(double x) => x < First ? First - x : x > Last ? x - Last : 0;

    /// <summary>Gathers findings by place, from left to right.</summary>
    /// <param name="line">What is known of the members of the line.</param>
    /// <param name="positives">What speaks for members, sorted.</param>
    /// <param name="stated">Members that somebody has put on the sheet; one that no finding is near makes a place only where a miss touches it.</param>
    /// <param name="misses">Where a bit fell through.</param>
    /// <returns>The groups.</returns>
    public static IReadOnlyList<EvidenceGroup> Gather(FramingLine line, List<Sounding> positives, IReadOnlyList<StatedMember> stated, List<Sounding> misses)
    {
        var groups = new List<EvidenceGroup>();
        foreach (var sounding in positives.Where(p => p.Evidence.Kind != EvidenceKind.Knock))
        {
            // A row of findings without a gap is no member: however they are strung, a place is no longer than some members side by side.
            var near = groups.LastOrDefault(g => sounding.Middle.Inches - g.Last <= Link && sounding.Middle.Inches - g.First <= LongestPlace);
            if (near is null)
            {
                groups.Add(new(line, [sounding], null));
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
            if (near is not null && near.Away(knock.Middle.Inches) < KnocksReach)
            {
                near.Positives.Add(knock);
            }
            else
            {
                groups.Add(new(line, [knock], null));
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
            else if (misses.Any(m => Math.Abs(m.Middle.Inches - member.Centre) < ((member.Width ?? line.Makes[0].Ply) / 2) + member.Uncertainty))
            {
                groups.Add(new(line, [], member));
            }
        }

        return [.. groups.OrderBy(g => g.First)];
    }

    /// <summary>The two groups left and right of a gap.</summary>
    /// <param name="gap">Where the gap is.</param>
    /// <returns>Both groups; one of them may be empty.</returns>
    public IReadOnlyList<EvidenceGroup> CutAt(Length gap) =>
    [
        new(line, [.. Positives.Where(p => p.Middle < gap)], Stated?.Centre < gap.Inches ? Stated : null),
        new(line, [.. Positives.Where(p => p.Middle >= gap)], Stated?.Centre >= gap.Inches ? Stated : null),
    ];

    /// <summary>For each way in which members may stand, the middles that the facts allow.</summary>
    /// <param name="makes">The ways.</param>
    /// <param name="misses">Where a bit fell through.</param>
    /// <returns>For each way its spans, in inches.</returns>
    public IReadOnlyList<Spans> Possible(IReadOnlyList<Make> makes, IReadOnlyList<Sounding> misses) => [.. makes.Select(make =>
    {
        var spans = new Spans([(First - 6, Last + 6)]);
        foreach (var fact in Facts)
        {
            var good = fact.Evidence.Good.Inches;
            spans = fact.Evidence.Kind == EvidenceKind.Seen && fact.Low < fact.High
                // Both edges were seen: the middle is theirs, and what stands there has to fill them.
                ? Math.Abs((fact.High - fact.Low).Inches - (2 * make.Reach)) <= Seen ? spans.Within(fact.Middle.Inches - good, fact.Middle.Inches + good) : new([])
                : spans.Within(fact.High.Inches - make.Reach - good, fact.Low.Inches + make.Reach + good);
        }

        foreach (var miss in misses)
        {
            var good = miss.Evidence.Good.Inches;
            spans = spans.Without(miss.Low.Inches - make.Reach + good, miss.High.Inches + make.Reach - good);
        }

        return spans;
    })];
}
