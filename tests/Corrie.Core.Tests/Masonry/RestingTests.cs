using Corrie.Core.Masonry;
using Corrie.Core.Measure;
using Google.OrTools.LinearSolver;

namespace Corrie.Core.Tests.Masonry;

/// <summary>How a stiff plate rests on an uneven face, beside the linear program that it is, solved by a library (GLOP of Google's OR-Tools).</summary>
public class RestingTests
{
    [Fact]
    public void A_plate_rests_as_the_linear_program_says()
    {
        var random = new Random(1407);
        var (rested, tipped, rocking) = (0, 0, 0);
        for (var n = 0; n < 1000; n++)
        {
            var points = Enumerable.Range(0, random.Next(4, 30)).Select(i => new GapPoint($"g{i}", Length.Tape(0, random.Next(16 * 64), 64) + Length.Tape(60), Length.Tape(0, random.Next(9 * 64), 64) + Length.Tape(40), Length.Tape(0, random.Next(128), 64))).ToList();
            var pressed = (X: Length.Tape(68), Y: Length.Tape(44, 1, 2));
            var resting = Resting.Of(points, pressed);
            if (Least(points, pressed) is not { } least)
            {
                Assert.Null(resting);
                tipped++;
                continue;
            }

            rested++;
            Assert.NotNull(resting);
            Assert.Equal(least.At, resting.At, 1e-6);
            var slack = points.Select(p => p.Gap.Inches + least.At + (least.Right * (p.X - pressed.X).Inches) + (least.Up * (p.Y - pressed.Y).Inches)).ToList();
            // Where the program has more than one answer only the height where it is pressed on is one.
            if (slack.Count(s => s < 1e-6) == 3)
            {
                Assert.All(points.Zip(slack), p => Assert.Equal(Math.Max(0, p.Second), resting.GapAt(p.First).Inches, 1e-4));
                var bears = points.Where((_, i) => slack[i] <= (1.0 / 32) + 1e-7).Select(p => (p.X.Inches, p.Y.Inches)).ToList();
                for (var k = 0; k < 4; k++)
                {
                    var bolt = (X: Length.Tape(60 + (k % 2 * 16)), Y: Length.Tape(41 + (k / 2 * 6)));
                    // Nearer to the edge than a tape says nothing is held against it.
                    var around = Enumerable.Range(0, 25).Select(d => Among(bears, (bolt.X.Inches + (((d % 5) - 2) * 0.05), bolt.Y.Inches + (((d / 5) - 2) * 0.05)))).Distinct().ToList();
                    Assert.True(around.Count > 1 || around[0] != resting.Rocks(bolt.X, bolt.Y), $"{n}: {string.Join(' ', bears)} {bolt} {around[0]}");
                    rocking += resting.Rocks(bolt.X, bolt.Y) ? 1 : 0;
                }
            }
        }

        Assert.True(rested > 700 && tipped > 20 && rocking > 500, $"{rested} rest, {tipped} tip, {rocking} bolts rock");
    }

    [Fact]
    public void A_flat_face_rocks_nothing_and_a_lone_stone_rocks_every_bolt_beyond_it()
    {
        GapPoint At(int x, int y, int gap) => new($"{x}-{y}", Length.Tape(x), Length.Tape(y), Length.Tape(0, gap, 16));
        var flat = new[] { At(0, 0, 4), At(16, 0, 4), At(0, 8, 4), At(16, 8, 4), At(8, 4, 4) };
        var pressed = (Length.Tape(8), Length.Tape(4));
        var resting = Resting.Of(flat, pressed)!;
        Assert.Equal(5, resting.Contacts.Count);
        Assert.DoesNotContain(flat, p => resting.Rocks(p.X, p.Y));
        Assert.All(flat, p => Assert.Equal(Length.Zero, resting.GapAt(p)));

        // One corner 1/2 in back: three are left to rest on, and the bolt there tips it.
        var back = Resting.Of([.. flat[..3], At(16, 8, 12), At(8, 4, 5)], pressed)!;
        Assert.True(back.Rocks(Length.Tape(16), Length.Tape(8)));
        Assert.False(back.Rocks(Length.Tape(0), Length.Tape(0)));
        Assert.Equal(Length.Tape(0, 1, 2), back.GapAt(back.Points[3]));
        Assert.Null(Resting.Of(flat[..2], pressed));
        Assert.Null(Resting.Of(flat, (Length.Tape(20), Length.Tape(4))));
    }

    private static (double At, double Right, double Up)? Least(List<GapPoint> points, (Length X, Length Y) pressed)
    {
        using var solver = Solver.CreateSolver("GLOP");
        var (at, right, up) = (solver.MakeNumVar(double.NegativeInfinity, double.PositiveInfinity, "at"), solver.MakeNumVar(double.NegativeInfinity, double.PositiveInfinity, "right"), solver.MakeNumVar(double.NegativeInfinity, double.PositiveInfinity, "up"));
        foreach (var p in points)
        {
            solver.Add(at + (right * (p.X - pressed.X).Inches) + (up * (p.Y - pressed.Y).Inches) >= -p.Gap.Inches);
        }

        solver.Minimize(at);
        // Without a bound it tips for ever where nothing holds it from both sides.
        return solver.Solve() == Solver.ResultStatus.OPTIMAL ? (at.SolutionValue(), right.SolutionValue(), up.SolutionValue()) : null;
    }

    // Whether a point lies within others: no line through it has all of them on one side.
    private static bool Among(List<(double X, double Y)> points, (double X, double Y) q)
    {
        var angles = points.Where(p => p != q).Select(p => Math.Atan2(p.Y - q.Y, p.X - q.X)).Order().ToList();
        return points.Contains(q) || (angles.Count > 1 && angles.Select((a, i) => (i + 1 < angles.Count ? angles[i + 1] : angles[0] + (2 * Math.PI)) - a).Max() <= Math.PI + 1e-9);
    }
}
