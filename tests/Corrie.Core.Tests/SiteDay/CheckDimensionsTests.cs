using Corrie.Core.Measure;
using Corrie.Core.SiteDay;

namespace Corrie.Core.Tests.SiteDay;

/// <summary>Set-outs drawn at random, with errors of the tape and with slips: what the check dimensions catch, and whom they blame.</summary>
public class CheckDimensionsTests
{
    private const double Tape = 1 / 32d;

    [Fact]
    public void A_slip_is_caught_the_mark_named_and_sound_work_let_pass()
    {
        var random = new Random(2026);
        var (caught, named, alarms) = (0, 0, 0);
        for (var n = 0; n < 1000; n++)
        {
            var points = Random(random);
            var checks = CheckDimensions.For(points);
            Assert.InRange(checks.Count, 2, points.Count + 2);
            Assert.Contains(checks, c => c.Kind == CheckKind.Level);
            Assert.Contains(checks, c => c.Kind == CheckKind.Plumb);
            alarms += CheckDimensions.Judge(points, checks, Measured(random, points, checks)).Sound ? 0 : 1;

            var (slipped, marks) = Slip(random, points);
            while (marks.Count == 0)
            {
                (slipped, marks) = Slip(random, points);
            }

            var verdict = CheckDimensions.Judge(points, checks, Measured(random, slipped, checks));
            caught += verdict.Sound ? 0 : 1;
            named += !verdict.Sound && (marks.Count == 1 ? verdict.Suspicions[0].Marks.SequenceEqual(marks) : verdict.Suspicions[0].Marks.All(marks.Contains)) ? 1 : 0;
        }

        Assert.True(caught >= 950, $"{caught} of 1000 caught, {named} named");
        Assert.True(named >= 800, $"{named} of 1000 named");
        Assert.True(alarms <= 20, $"{alarms} false alarms of 1000");
    }

    /// <summary>Four bolts of a plate, by hand: 16 in apart and 4 1/2 in over each other, both diagonals the root of 16² + 4.5², 16.62 in.</summary>
    [Fact]
    public void A_plate_of_four_bolts_has_its_diagonals_a_level_row_and_a_plumb_side()
    {
        CheckPoint[] four = [At("1", 70, 50), At("2", 86, 50), At("3", 70, 45.5), At("4", 86, 45.5)];
        var checks = CheckDimensions.For(four);
        Assert.Equal(6, checks.Count);
        Assert.All(checks.Where(c => c.Kind != CheckKind.Apart), c => Assert.Equal(Length.Zero, c.Expected));
        Assert.Equal(2, checks.Count(c => c.Kind == CheckKind.Apart && Math.Abs(c.Expected.Inches - 16.62) < 0.01));
        // The fourth half an inch too far right: the diagonal from the first is 16.98, the row below 16 1/2, and nothing else is off.
        var slipped = four.ToList();
        slipped[3] = At("4", 86.5, 45.5);
        var verdict = CheckDimensions.Judge(four, checks, [.. checks.Select(c => Exactly(slipped, c))]);
        Assert.Equal([3], verdict.Suspicions[0].Marks);
    }

    private static CheckPoint At(string id, double x, double y) => new(id, Length.FromInches(x), Length.FromInches(y));

    // Three to eight marks, half of them in rows as plates have them, the others anywhere; never all in one line.
    private static List<CheckPoint> Random(Random random)
    {
        while (true)
        {
            var count = random.Next(3, 9);
            List<CheckPoint> points = random.Next(2) == 0
                ? [.. Enumerable.Range(0, count).Select(i => At($"{i}", 30 + random.Next(0, 64), 30 + random.Next(0, 40)))]
                : [.. Enumerable.Range(0, count).Select(i => At($"{i}", 60 + (16 * (i % 2)) + (8 * (i / 4)), 50 - (4.5 * ((i / 2) % 2))))];
            var apart = points.SelectMany((a, i) => points.Skip(i + 1).Select(b => Distance(a, b))).Min();
            var (first, far) = (points[0], points.MaxBy(p => Distance(points[0], p))!);
            var beside = points.Max(p => Math.Abs(((far.X - first.X).Inches * (p.Y - first.Y).Inches) - ((far.Y - first.Y).Inches * (p.X - first.X).Inches))) / Math.Max(0.1, Distance(first, far));
            if (apart >= 3 && beside >= 3)
            {
                return points;
            }
        }
    }

    // One reading of one mark off by 1/4 in or more, or two marks' readings exchanged; where nothing moves by that, no slip.
    private static (List<CheckPoint> Points, List<int> Marks) Slip(Random random, List<CheckPoint> points)
    {
        var slipped = points.ToList();
        var (i, across) = (random.Next(points.Count), random.Next(2) == 0);
        if (random.Next(4) > 0)
        {
            var by = Length.FromInches((0.25 + (random.NextDouble() * 2)) * (random.Next(2) == 0 ? 1 : -1));
            slipped[i] = across ? points[i] with { X = points[i].X + by } : points[i] with { Y = points[i].Y + by };
            return (slipped, [i]);
        }

        for (var tries = 0; tries < 20; tries++)
        {
            var j = (i + 1 + random.Next(points.Count - 1)) % points.Count;
            if (Math.Abs(across ? (points[i].X - points[j].X).Inches : (points[i].Y - points[j].Y).Inches) >= 0.25)
            {
                slipped[i] = across ? points[i] with { X = points[j].X } : points[i] with { Y = points[j].Y };
                slipped[j] = across ? points[j] with { X = points[i].X } : points[j] with { Y = points[i].Y };
                // Two marks that change places are the same holes.
                return slipped.Any(s => points.All(p => p.X != s.X || p.Y != s.Y)) ? (slipped, [i, j]) : (slipped, []);
            }
        }

        return (slipped, []);
    }

    private static List<Length> Measured(Random random, IReadOnlyList<CheckPoint> planned, IReadOnlyList<CheckDimension> checks)
    {
        var made = planned.Select(p => p with { X = p.X + Length.FromInches(Noise(random)), Y = p.Y + Length.FromInches(Noise(random)) }).ToList();
        return [.. checks.Select(c => Exactly(made, c) + Length.FromInches(Noise(random)))];
    }

    private static Length Exactly(IReadOnlyList<CheckPoint> points, CheckDimension check) => check.Kind switch
    {
        CheckKind.Level => points[check.To].Y - points[check.From].Y,
        CheckKind.Plumb => points[check.To].X - points[check.From].X,
        _ => Length.FromInches(Distance(points[check.From], points[check.To])),
    };

    private static double Distance(CheckPoint a, CheckPoint b) => Math.Sqrt(Math.Pow((a.X - b.X).Inches, 2) + Math.Pow((a.Y - b.Y).Inches, 2));

    // Box and Muller.
    private static double Noise(Random random) => Tape * Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());
}
