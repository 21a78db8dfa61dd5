using Corrie.Core.Findings;
using Corrie.Core.Measure;

namespace Corrie.Core.Survey;

/// <summary>A place to push a thin bit in next.</summary>
/// <param name="Axis">Across for vertical members, up for horizontal ones.</param>
/// <param name="At">Where, from the left corner or over the floor.</param>
/// <param name="Beside">Where on the other axis; null where it does not matter.</param>
/// <param name="For">The member or place that it is for: its key.</param>
/// <param name="Purpose">What it is to show.</param>
/// <param name="IfHit">What a hit would tell: the bit goes on biting for 1/2 in and more, or brings metal chips from a steel stud.</param>
/// <param name="IfMiss">What a miss would tell.</param>
public sealed record Probe(Axis Axis, Length At, Length? Beside, string For, Phrase Purpose, Phrase IfHit, Phrase IfMiss)
{
    /// <summary>What it would tell if the bit stopped short.</summary>
    public Phrase IfStops { get; } = "a pipe, a strip or a plate: no stud is proven";
}

/// <summary>Chooses the next probes: those from which the fewest more are to be expected.</summary>
public static class Probing
{
    /// <summary>How far off a probe may be (common practice).</summary>
    public static readonly Length Accuracy = Length.Tape(0, 1, 32);

    // Nobody makes more holes than that before looking at the wall again.
    private const int Most = 6;

    // What is still to be expected after two more probes that did not settle it.
    private const double Rest = 1.2;
    private const double Lattice = 1d / 16;
    private const double Around = 1.625;

    /// <summary>The next probe for each of a plate's studs that is not confirmed yet, six at the most.</summary>
    /// <param name="surveyed">The survey.</param>
    /// <param name="needed">The studs, by key.</param>
    /// <param name="height">Height at which to probe, behind the display.</param>
    /// <param name="boltDiameter">The bolt they are to hold.</param>
    /// <returns>The probes, in the order of the studs.</returns>
    public static IReadOnlyList<Probe> Confirm(Surveyed surveyed, IEnumerable<string> needed, Length? height, Length boltDiameter)
    {
        var (probes, framed) = (new List<Probe>(), surveyed.For(boltDiameter));
        foreach (var id in needed.Distinct())
        {
            if (probes.Count == Most)
            {
                break;
            }

            var stud = framed.Studs.FirstOrDefault(s => s.Id == id);
            if (stud is null or { State: StudState.Confirmed } ||
                framed.Map.Contradictions.Any(c => framed.Map.Member(id)?.Soundings.Contains(c.Miss) == true))
            {
                continue;
            }

            var member = framed.Map.Member(id);
            var belief = member?.Belief ?? FramingSolver.Of(FramingMapper.Line(surveyed.Wall) with { Spacing = 0 }, FramingMapper.Stated(stud));
            belief = member is { Disputed: true } ? belief.Doubted(stud.Centre.Inches) : belief;
            var tolerance = (stud.Width.Inches / 2) - (1.5 * boltDiameter.Inches);
            // A bit that has been there tells nothing new.
            List<double> tried = [.. surveyed.Soundings.Where(p => p.Evidence is { Struck: false, Axis: Axis.Across, Kind: EvidenceKind.ProbeHit or EvidenceKind.ProbeMiss }).Select(p => p.Middle.Inches)];
            if (Next(belief, stud.Centre.Inches, tolerance, tried) is not { } x)
            {
                continue;
            }

            probes.Add(new(
                Axis.Across, Length.FromInches(x), height, id,
                member is { Disputed: true }
                    ? Phrase.Of($"to back the probes at the stud at {stud.Centre}, which the scanner does not believe")
                    : Phrase.Of($"to confirm the stud at {stud.Centre} for a {boltDiameter} bolt"),
                Tells(belief, x, true, stud.Centre.Inches, tolerance),
                Tells(belief, x, false, stud.Centre.Inches, tolerance)));
        }

        return probes;
    }

    /// <summary>The probes that show whether places are free of members: as few as leave none room to hide between them.</summary>
    /// <param name="surveyed">The survey.</param>
    /// <param name="boltDiameter">The bolt that members are shown for.</param>
    /// <returns>The next probe for each place and axis that is not cleared yet.</returns>
    public static IReadOnlyList<Probe> Clear(Surveyed surveyed, Length boltDiameter)
    {
        var probes = new List<Probe>();
        foreach (var place in surveyed.Wall.FreePlaces)
        {
            if (Blocks(surveyed, place, boltDiameter).Count > 0)
            {
                continue;
            }

            // A vertical member cannot hide between two misses closer than its face, nor a level one.
            var area = place.Area;
            var ply = Length.FromInches(FramingMapper.Makes(surveyed.Wall).Min(m => m.Ply)) - (Accuracy * 2);
            if (Gap(surveyed, Axis.Across, area.Left, area.Right, area.Bottom, area.Top, ply) is { } across)
            {
                probes.Add(new(
                    Axis.Across, across, area.CentreY, place.Id, $"to see whether a stud stands where the {place.Name} goes",
                    $"a stud is there: the {place.Name} has to move", $"none covers {across:fine}"));
            }

            if (Gap(surveyed, Axis.Up, area.Bottom, area.Top, area.Left, area.Right, Length.Tape(1, 1, 2) - (Accuracy * 2)) is { } up)
            {
                probes.Add(new(
                    Axis.Up, up, area.CentreX, place.Id, $"to see whether a noggin runs where the {place.Name} goes",
                    $"a level member is there: the {place.Name} has to move up or down", $"none covers {up:fine}"));
            }
        }

        return probes;
    }

    /// <summary>The members that stand where a place has to be free.</summary>
    /// <param name="surveyed">The survey.</param>
    /// <param name="place">The place.</param>
    /// <param name="boltDiameter">The bolt that members are shown for.</param>
    /// <returns>Their keys; none where the place is free as far as is known.</returns>
    public static IReadOnlyList<string> Blocks(Surveyed surveyed, FreePlace place, Length boltDiameter)
    {
        var (framed, area) = (surveyed.For(boltDiameter), place.Area);
        return
        [
            .. framed.Studs.Where(s => s.Right > area.Left && s.Left < area.Right).Select(s => s.Id),
            .. framed.Map.Crossings.Where(c => c.Centre + c.Width.Half > area.Bottom && c.Centre - c.Width.Half < area.Top && c.To > area.Left && c.From < area.Right).Select(c => c.Id),
        ];
    }

    /// <summary>Where to probe next for a belief, in inches; null where nothing would help.</summary>
    /// <param name="belief">What is believed of a member.</param>
    /// <param name="mark">Where the bolt is to go, in inches.</param>
    /// <param name="tolerance">How far the centre may be off it, in inches.</param>
    /// <param name="tried">Where a bit has been already, in inches.</param>
    /// <returns>The place, in inches.</returns>
    internal static double? Next(Belief belief, double mark, double tolerance, IReadOnlyList<double> tried)
    {
        if (belief.Total <= 0)
        {
            return null;
        }

        var good = Accuracy.Inches;
        // So far from a hit a miss still pins the edge between them down to what the bolt allows.
        var pinned = Math.Floor(((2 * tolerance) - (2 * good)) / Lattice) * Lattice;
        var steps = pinned > 0 ? new[] { pinned, -pinned, pinned / 2, -pinned / 2, 2 * pinned, -2 * pinned } : [];
        var (best, least) = (double.NaN, double.PositiveInfinity);
        var middle = Math.Round(mark / Lattice) * Lattice;
        for (var x = middle - Around; x <= middle + Around; x += 2 * Lattice)
        {
            Try(x);
        }

        var coarse = best;
        Try(coarse - Lattice);
        Try(coarse + Lattice);
        return double.IsNaN(best) ? null : best;

        void Try(double x)
        {
            foreach (var before in tried)
            {
                if (Math.Abs(before - x) < Lattice / 2)
                {
                    return;
                }
            }

            // What the scanner makes all but sure is not yet a fact: such a probe is worth a hole where it bounds the centre.
            var hits = Math.Clamp(belief.Hits(x), 0.002, 0.998);
            var cost = 1 + (hits * Then(x, true, hits)) + ((1 - hits) * Then(x, false, 1 - hits));
            // Of equally good places the one nearest the mark leaves the smallest scar to hide.
            if (cost < least - 1e-6 || (cost < least + 1e-6 && Math.Abs(x - mark) < Math.Abs(best - mark)))
            {
                (best, least) = (x, cost);
            }
        }

        // What is to be expected after a probe: nothing more, or the best of a few second ones.
        double Then(double x, bool hit, double chance)
        {
            if (belief.After([(x, hit)], good, mark).Worst <= tolerance)
            {
                return 0;
            }

            var least = 1 + Rest;
            foreach (var step in steps)
            {
                var y = x + step;
                var both = belief.Chance([(x, hit), (y, true)]) / chance;
                both = double.IsFinite(both) ? Math.Clamp(both, 0.002, 0.998) : 0.5;
                least = Math.Min(least, 1 + (both * Left((x, hit), (y, true))) + ((1 - both) * Left((x, hit), (y, false))));
            }

            return least;
        }

        double Left((double, bool) first, (double, bool) second)
        {
            var worst = belief.After([first, second], good, mark).Worst;
            return worst <= tolerance ? 0 : Rest + (double.IsFinite(worst) ? Math.Max(0, Math.Log2(worst / tolerance)) : 1.5);
        }
    }

    private static Phrase Tells(Belief belief, double x, bool hit, double wanted, double tolerance)
    {
        var (worst, mark) = belief.After([(x, hit)], Accuracy.Inches, wanted);
        return worst <= tolerance ? Phrase.Of($"confirms it at {Length.FromInches(mark):fine}, to within {Length.FromInches(worst):fine}")
            : double.IsFinite(worst) ? Phrase.Of($"its centre is then known to within {Length.FromInches(worst):fine}")
            : Phrase.Of($"no member covers {Length.FromInches(x):fine}");
    }

    // Where to probe in the first stretch in which a member could still hide; null where there is none.
    private static Length? Gap(Surveyed surveyed, Axis axis, Length from, Length to, Length low, Length high, Length ply)
    {
        var misses = surveyed.Soundings
            .Where(s => s.Evidence is { Kind: EvidenceKind.ProbeMiss, Struck: false } && s.Evidence.Axis == axis && (axis == Axis.Across || s.Evidence.Beside is null || (s.Evidence.Beside >= low - Length.Tape(8) && s.Evidence.Beside <= high + Length.Tape(8))))
            .Select(s => s.Middle).Where(m => m > from - ply && m < to + ply).Append(from - ply).Append(to + ply).Order().ToList();
        var open = misses.Zip(misses.Skip(1)).FirstOrDefault(p => p.Second - p.First >= ply);
        var room = open.Second - open.First;
        // So many probes are the fewest that leave less than a member's face between them; this is the first of them.
        return room < ply ? null : open.First + (room * (1.0 / (Math.Floor(room / ply) + 1)));
    }
}
