using Corrie.Core.Measure;
using Corrie.Core.Survey;
using CsCheck;

namespace Corrie.Core.Tests.Survey;

/// <summary>Intervals, doubt and likelihoods, against trying every point of a fine comb.</summary>
public class BeliefTests
{
    private const double Comb = 1d / 64;

    private static readonly Gen<(bool Within, double From, double Length)[]> Cuts =
        Gen.Select(Gen.Bool, Gen.Int[0, 640], Gen.Int[0, 320]).Select((within, from, length) => (within, from * Comb, length * Comb)).Array[0, 6];

    [Fact]
    public void Intervals_hold_what_every_cut_leaves() => Cuts.Sample(cuts =>
    {
        var spans = new Spans([(0, 10)]);
        foreach (var (within, from, length) in cuts)
        {
            spans = within ? spans.Within(from, from + length) : spans.Without(from, from + length);
        }

        // Between the comb's teeth, so that closed and open ends make no difference.
        for (var x = Comb / 2; x < 10; x += Comb)
        {
            var left = cuts.All(c => c.Within ? x >= c.From && x <= c.From + c.Length : x < c.From || x > c.From + c.Length);
            Assert.Equal(left, spans.All.Any(s => x >= s.From && x <= s.To));
        }

        Assert.All(spans.All.Zip(spans.All.Skip(1)), pair => Assert.True(pair.First.To <= pair.Second.From));
    }, iter: 400);

    /// <summary>
    /// Members of one face, with gaps of any width between them, tried at every tooth of a comb: wherever all hits are covered and no miss is,
    /// some member is within the doubt of the mark that is called best.
    /// </summary>
    [Fact]
    public void Whatever_stands_side_by_side_the_nearest_centre_is_within_the_doubt() =>
        Gen.Select(Gen.Int[0, 26].Array[1, 4], Gen.Int[0, 26].Array[0, 4]).Sample((hits, misses) =>
        {
            // A face of 12 teeth; facts lie between teeth, so that edges make no difference.
            const int face = 12;
            double[] met = [.. hits.Select(h => h + 0.5)], free = [.. misses.Select(m => m + 0.5)];
            if (met.Intersect(free).Any())
            {
                return;
            }

            var brackets = new Brackets([face], met.Select(h => new Met(h, 0)), free.Select(m => new Free(m, 0)));
            var mark = brackets.BestMark(13);
            var (worst, any) = (0d, false);
            foreach (var lefts in Stands(-face, face, met, free))
            {
                any = true;
                worst = Math.Max(worst, lefts.Min(l => Math.Abs(l + (face / 2d) - mark)));
            }

            Assert.True(!any || brackets.Worst(mark) >= worst - 1e-9, $"hits {string.Join(' ', met)}, misses {string.Join(' ', free)}: {brackets.Worst(mark)} said, {worst} found");
            // What one hit and the misses beside it say is never given away.
            Assert.True(!any || met.Min(h => Alone(h, face, free)) >= brackets.Surest!.Value.Doubt - 1e-9);
        }, iter: 400);

    [Fact]
    public void Chances_of_a_hit_and_of_a_miss_make_one_and_those_of_two_probes_their_four_outcomes() =>
        Gen.Select(Gen.Int[0, 200], Gen.Int[64, 120], Gen.Double[-1, 6], Gen.Double[-1, 6]).Sample((from, length, x, y) =>
        {
            var belief = Flat([new Make(1, 1.5, 0.7), new Make(2, 1.5, 0.3)], [(from * Comb, (from + length) * Comb), (from * Comb, (from + length) * Comb)]);
            // A point of the grid that lies on an edge counts on both sides of it: 1/32 in of one or two inches.
            Assert.Equal(1, belief.Chance([(x, true)]) + belief.Chance([(x, false)]), 0.1);
            Assert.Equal(belief.Hits(x), belief.Chance([(x, true)]), 0.05);
            var four = from first in new[] { true, false } from second in new[] { true, false } select belief.Chance([(x, first), (y, second)]);
            Assert.Equal(1, four.Sum(), 0.2);
        }, iter: 200);

    [Fact]
    public void Without_a_fact_nothing_is_bounded()
    {
        var belief = new Belief([new Make(1, 1.5, 1)], 0, [new(0, [.. Enumerable.Repeat(1d, 129)])], new([1.5], [], [new(3, 0)]));
        Assert.Equal(double.PositiveInfinity, belief.Worst(2));
        Assert.Equal(2.5, belief.BestMark(2.5));
    }

    /// <summary>
    /// What a way of finding says is a density of where it says it: over all the places where a scanner, a magnet or a knuckle could have spoken of
    /// one member it adds up to one, but for what is taken for sheer nonsense.
    /// </summary>
    [Theory]
    [InlineData(EvidenceKind.ScannerCentre)]
    [InlineData(EvidenceKind.Knock)]
    [InlineData(EvidenceKind.Magnet)]
    public void A_finding_speaks_somewhere(EvidenceKind kind)
    {
        var make = new Make(1, 1.5, 1);
        var sum = 0d;
        for (var at = -8d; at < 8; at += Comb)
        {
            sum += Comb * Likely(50, make, Finding(kind, 50 + at, 50 + at));
        }

        Assert.Equal(1, sum, 0.02);
    }

    [Fact]
    public void Both_edges_of_a_pass_speak_somewhere()
    {
        var make = new Make(1, 1.5, 1);
        const double Step = 1d / 32;
        var sum = 0d;
        for (var low = -4d; low < 4; low += Step)
        {
            for (var high = -4d; high < 4; high += Step)
            {
                sum += Step * Step * Likely(50, make, Finding(EvidenceKind.ScannerEdges, 49.25 + low, 50.75 + high));
            }
        }

        Assert.Equal(1, sum, 0.03);
    }

    [Theory]
    [InlineData(EvidenceKind.ScannerCentre, 0.05, 0.3)]
    [InlineData(EvidenceKind.Knock, 0.2, 1.5)]
    [InlineData(EvidenceKind.Magnet, 0.2, 1.2)]
    public void Nearer_is_likelier_than_farther_and_the_same_to_both_sides(EvidenceKind kind, double near, double far)
    {
        double At(double middle) => Likely(middle, new(1, 1.5, 1), Finding(kind, 50, 50));
        Assert.True(At(50 + near) > At(50 + far));
        Assert.Equal(At(50 + near), At(50 - near), 1e-9);
    }

    [Fact]
    public void Ten_passes_of_one_scanner_tell_less_than_ten_ways_would()
    {
        var make = new Make(1, 1.5, 1);
        double Ratio(int passes)
        {
            var findings = Enumerable.Repeat(Finding(EvidenceKind.ScannerCentre, 50, 50), passes).ToArray();
            return Likely(50, make, findings) / Likely(50.2, make, findings);
        }

        Assert.True(Ratio(2) > Ratio(1));
        Assert.True(Ratio(10) < Math.Pow(Ratio(1), 10));
        Assert.True(Ratio(10) < Math.Pow(Ratio(1), 4));
    }

    [Fact]
    public void What_was_seen_leaves_no_room_for_there_being_nothing()
    {
        Assert.Equal(0, MethodErrors.Absent([Finding(EvidenceKind.Seen, 49.25, 50.75)], null, ToldMaterial.Wood));
        Assert.True(MethodErrors.Absent([Finding(EvidenceKind.ScannerCentre, 50, 50)], null, ToldMaterial.Wood) > MethodErrors.Absent([Finding(EvidenceKind.ScannerCentre, 50, 50), Finding(EvidenceKind.Magnet, 50, 50)], null, ToldMaterial.Wood));
    }

    /// <summary>Studs at 16 in from an unknown start: the module expects the next one where they say, and holds itself back everywhere between.</summary>
    [Theory]
    [InlineData(16)]
    [InlineData(24)]
    public void The_module_expects_members_a_spacing_on(double spacing)
    {
        var module = new ModulePrior(spacing, [(10, 1), (10 + spacing, 1), (10 + (2 * spacing) + 0.1, 1)]);
        Assert.Contains(module.Missing(0, 10 + (4 * spacing)), x => Math.Abs(x - (10 + (3 * spacing))) < 0.3);
        var around = module.Around(1000, 10 + (3 * spacing) - (spacing / 2), (int)(spacing / Belief.Step));
        var most = Array.IndexOf(around, around.Max()) * Belief.Step;
        Assert.Equal(spacing / 2, most, 0.3);
        // One member a spacing, wherever it stands.
        Assert.Equal(1, around.Sum() * Belief.Step, 0.05);
    }

    private static Sounding Finding(EvidenceKind kind, double low, double high) => new(
        new Evidence("e", kind, Axis.Across, Datum.LeftCorner, Length.FromInches(low), null, null, Length.Zero, null, ToldMaterial.Nothing, false, false, false, "somebody"),
        Length.FromInches(low), Length.FromInches(high), Length.Zero);

    private static double Likely(double middle, Make make, params Sounding[] findings)
    {
        var likely = new double[1];
        MethodErrors.Present(findings, make, [middle], likely);
        return likely[0];
    }

    // Half of what is left open to the centre of a member that covers a hit, by itself.
    private static double Alone(double hit, double face, double[] free) =>
        (Math.Min(hit + (face / 2), free.Where(m => m > hit).Select(m => m - (face / 2)).DefaultIfEmpty(double.PositiveInfinity).Min())
            - Math.Max(hit - (face / 2), free.Where(m => m < hit).Select(m => m + (face / 2)).DefaultIfEmpty(double.NegativeInfinity).Max())) / 2;

    // All rows of members from a place on, by their left edges, that cover every hit and no miss; members that cover no hit are left out.
    private static IEnumerable<List<int>> Stands(int from, int face, double[] met, double[] free)
    {
        var next = met.Where(h => h > from).DefaultIfEmpty(double.NaN).Min();
        if (double.IsNaN(next))
        {
            yield return [];
            yield break;
        }

        for (var left = Math.Max(from, (int)Math.Ceiling(next - face)); left <= next; left++)
        {
            if (free.Any(m => m > left && m < left + face))
            {
                continue;
            }

            foreach (var rest in Stands(left + face, face, [.. met.Where(h => h > left + face)], free))
            {
                yield return [left, .. rest];
            }
        }
    }

    // Every middle in an interval as likely as any other.
    private static Belief Flat(IReadOnlyList<Make> makes, IReadOnlyList<(double From, double To)> middles)
    {
        const int Points = 400;
        return new(
            makes,
            -2,
            [.. makes.Select((make, n) => new Strip(0, [.. Enumerable.Range(0, Points).Select(i => -2 + (i * Belief.Step) is var x && x >= middles[n].From && x <= middles[n].To ? make.Prior : 0)]))],
            new([1.5], [], []));
    }
}
