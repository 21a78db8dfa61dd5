using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Core.Survey;
using CsCheck;

namespace Corrie.Core.Tests.Survey;

/// <summary>
/// The adjustment against a second one, written here from the textbook's normal equations (N = AᵀPA, x = N⁻¹AᵀPl, Q = N⁻¹; from memory) and
/// solved by elimination, without the library that the core uses.
/// </summary>
public class NetworkTests
{
    private static readonly Gen<(double[] Truth, (int From, int To, double Off, int Parts)[] Readings)> Nets = Gen.Select(
        Gen.Double[10, 200].Array[4],
        Gen.Select(Gen.Int[0, 4], Gen.Int[0, 4], Gen.Double[-0.03, 0.03], Gen.Int[1, 4]).Where(r => r.Item1 != r.Item2).Array[5, 12]);

    [Fact]
    public void Positions_and_their_deviations_are_those_of_the_normal_equations() => Nets.Sample(net =>
    {
        var readings = Readings(net);
        var solved = Network.Solve(readings, Terms);
        if (solved.Loose.Count > 0)
        {
            return;
        }

        var (positions, cofactors) = Adjust(net);
        for (var p = 1; p <= 4; p++)
        {
            if (net.Readings.All(r => r.From != p && r.To != p))
            {
                continue;
            }

            var point = solved.Points["p" + p];
            Assert.Equal(positions[p - 1], point.Position.Inches, 1e-4);
            Assert.Equal(Math.Sqrt(cofactors[p - 1][p - 1]), point.Deviation.Inches, 1e-4);
        }
    }, iter: 400);

    [Fact]
    public void Shares_of_redundancy_add_up_to_the_readings_that_are_too_many() => Nets.Sample(net =>
    {
        var solved = Network.Solve(Readings(net), Terms);
        var points = solved.Points.Count + solved.Loose.Count;
        if (solved.Loose.Count == 0)
        {
            Assert.Equal(net.Readings.Length - points, solved.Readings.Sum(r => r.Share), 1e-6);
        }
    }, iter: 400);

    [Fact]
    public void What_agrees_exactly_is_left_as_it_is_and_accuses_nobody() => Nets.Sample(net =>
    {
        var exact = net with { Readings = [.. net.Readings.Select(r => r with { Off = 0 })] };
        var solved = Network.Solve(Readings(exact), Terms);
        Assert.All(solved.Readings, r => Assert.Equal(0, r.Normalised, 0.05));
        Assert.All(solved.Readings, r => Assert.Empty(r.Suspects));
        Assert.All(solved.Points, p => Assert.Equal(net.Truth[int.Parse(p.Key[1..]) - 1], p.Value.Position.Inches, 1e-3));
    }, iter: 200);

    [Fact]
    public void A_gross_error_where_every_reading_is_checked_twice_is_named_alone() =>
        Gen.Select(Gen.Double[10, 200].Array[4], Gen.Int[0, 9], Gen.Double[0.5, 3], Gen.Bool).Sample((truth, which, error, down) =>
        {
            // Every point from the corner and from every other: ten readings for four unknowns.
            var pairs = from a in Enumerable.Range(0, 5) from b in Enumerable.Range(a + 1, 4 - a) select (From: a, To: b, Off: 0d, Parts: 1);
            var readings = pairs.Select((p, i) => p with { Off = i == which ? down ? -error : error : 0 }).ToArray();
            var solved = Network.Solve(Readings((truth, readings)), Terms);
            var accused = Assert.Single(solved.Readings, r => r.Suspects.Count > 0);
            Assert.Equal(["r" + which], accused.Suspects.Select(s => s.Id));
        }, iter: 200);

    [Fact]
    public void Readings_in_another_order_give_the_same_network() => Gen.Select(Nets, Gen.Int[0, 1000]).Sample((net, seed) =>
    {
        var readings = Readings(net);
        var shuffled = readings.OrderBy(r => (r.Id.GetHashCode(StringComparison.Ordinal) * 31 ^ seed) % 97).ToList();
        var (one, two) = (Network.Solve(readings, Terms), Network.Solve(shuffled, Terms));
        Assert.Equal(one.Loose, two.Loose);
        Assert.All(one.Points, p => Assert.InRange((two.Points[p.Key].Position - p.Value.Position).Abs.Units, 0, 1));
    }, iter: 100);

    /// <summary>
    /// Five hundred readings at once. In a chain the deviations add up by their squares; of two readings of one distance each has half of the
    /// redundancy; in a ladder every rung closes a loop (the law of propagation, as in any textbook of surveying).
    /// </summary>
    [Theory]
    [InlineData("pairs")]
    [InlineData("chain")]
    [InlineData("grid")]
    public void Hundreds_of_readings_are_solved_like_few(string shape)
    {
        var budget = new WorkBudget(100_000_000);
        var one = Length.Tape(0, 1, 32);
        MeasuredReading R(int i, string from, string to, double inches) => new($"r{i}", from, to, Length.FromInches(inches), one, "somebody");
        List<MeasuredReading> readings = shape switch
        {
            "pairs" => [.. Enumerable.Range(0, 500).Select(i => R(i, $"a{i / 2}", $"b{i / 2}", 10))],
            "chain" => [.. Enumerable.Range(0, 500).Select(i => R(i, i == 0 ? "origin" : $"p{i}", $"p{i + 1}", 0.25))],
            _ => [.. Enumerable.Range(0, 167).SelectMany(i => new[] { R(3 * i, i == 0 ? "origin" : $"p{i}", $"p{i + 1}", 1), R((3 * i) + 1, i == 0 ? "origin" : $"q{i}", $"q{i + 1}", 1), R((3 * i) + 2, $"p{i + 1}", $"q{i + 1}", 0) })],
        };
        var solved = Network.Solve(readings, Terms, budget: budget);
        Assert.All(solved.Readings, r => Assert.Equal(0, r.Normalised, 1e-6));
        switch (shape)
        {
            case "pairs":
                Assert.Equal(500, solved.Loose.Count);
                Assert.All(solved.Readings, r => Assert.Equal(0.5, r.Share, 1e-9));
                break;
            case "chain":
                Assert.Equal(125, solved.Points["p500"].Position.Inches, 1e-6);
                Assert.Equal(Math.Sqrt(500) / 32, solved.Points["p500"].Deviation.Inches, 1e-2);
                Assert.All(solved.Readings, r => Assert.Equal(0, r.Share, 1e-6));
                break;
            default:
                Assert.Equal(501 - 334, solved.Readings.Sum(r => r.Share), 1e-6);
                Assert.Equal(167, solved.Points["q167"].Position.Inches, 1e-6);
                break;
        }

        // What would cost too much is given up in words, and so is what nobody waits for.
        Assert.Contains("more than Corrie works out at once", Assert.Throws<OverBudgetException>(() => Network.Solve(readings, Terms, budget: new(100))).Message);
        Assert.Throws<OperationCanceledException>(() => Network.Solve(readings, Terms, budget: new(100, new CancellationToken(canceled: true))));
    }

    [Fact]
    public void What_the_readings_leave_loose_hangs_on_as_few_entered_places_as_will_do()
    {
        var readings = Readings(([10, 20, 30, 40], [(1, 2, 0, 1), (2, 3, 0, 1), (3, 1, 0, 1), (4, 0, 0, 1)]));
        var solved = Network.Solve(readings, Terms, p => p == "p2" ? Length.Tape(21) : p == "p3" ? Length.Tape(35) : null);
        Assert.Equal([11, 21, 31, 40], solved.Points.OrderBy(p => p.Key, StringComparer.Ordinal).Select(p => Math.Round(p.Value.Position.Inches, 3)));
        Assert.Equal(4, solved.Readings.Count);
        Assert.Empty(solved.Loose);
        Assert.Equal(["p1", "p2", "p3"], Network.Solve(readings, Terms).Loose);
    }

    private static List<MeasuredReading> Readings((double[] Truth, (int From, int To, double Off, int Parts)[] Readings) net) =>
    [
        .. net.Readings.Select((r, i) => new MeasuredReading(
            "r" + i, Name(r.From), Name(r.To), Length.FromInches(At(net.Truth, r.To) - At(net.Truth, r.From) + r.Off), Length.Tape(0, r.Parts, 32), "somebody")),
    ];

    private static string Name(int point) => point == 0 ? "origin" : "p" + point;

    private static double At(double[] truth, int point) => point == 0 ? 0 : truth[point - 1];

    private static IReadOnlyList<(string, double)> Terms(string point) => point == "origin" ? [] : [(point, 1)];

    private static (double[] Positions, double[][] Cofactors) Adjust((double[] Truth, (int From, int To, double Off, int Parts)[] Readings) net)
    {
        // Points that no reading touches get a row of their own, so that the equations can be solved.
        var normal = Enumerable.Range(0, 4).Select(i => Enumerable.Range(0, 9).Select(j => j == i + 4 + 1 ? 1d : 0d).ToArray()).ToArray();
        foreach (var (from, to, off, parts) in net.Readings)
        {
            var weight = 1 / Math.Pow(parts / 32d, 2);
            var value = Length.FromInches(At(net.Truth, to) - At(net.Truth, from) + off).Inches;
            double Sign(int p) => p + 1 == to ? 1 : p + 1 == from ? -1 : 0;
            for (var i = 0; i < 4; i++)
            {
                for (var j = 0; j < 4; j++)
                {
                    normal[i][j] += weight * Sign(i) * Sign(j);
                }

                normal[i][4] += weight * Sign(i) * value;
            }
        }

        for (var i = 0; i < 4; i++)
        {
            normal[i][i] += normal[i][i] == 0 ? 1 : 0;
        }

        for (var i = 0; i < 4; i++)
        {
            var pivot = Enumerable.Range(i, 4 - i).MaxBy(r => Math.Abs(normal[r][i]));
            (normal[i], normal[pivot]) = (normal[pivot], normal[i]);
            var by = normal[i][i];
            normal[i] = [.. normal[i].Select(v => v / by)];
            for (var r = 0; r < 4; r++)
            {
                var factor = normal[r][i];
                if (r != i)
                {
                    normal[r] = [.. normal[r].Select((v, c) => v - (factor * normal[i][c]))];
                }
            }
        }

        return ([.. normal.Select(r => r[4])], [.. normal.Select(r => r[5..])]);
    }
}
