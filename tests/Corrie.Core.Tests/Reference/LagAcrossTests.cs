using CsCheck;
using Corrie.Core.Fixing;
using Corrie.Core.Measure;

namespace Corrie.Core.Tests.Reference;

/// <summary>
/// Lag screws along and across the grain: the rows of NDS-2018 table 12K as remembered (3 gauge side plate, G 0.67), and two runs of the tests' own: the
/// standard's closed forms (k1, k2, k3), and the work of a dowel that gives way, least over all ways in which it can (the upper bound of limit analysis).
/// </summary>
public class LagAcrossTests
{
    private const double Gravity = 0.67;
    private const double Plate = 0.239;
    private const double Steel = 61_850;

    // Nominal and root diameter, bending yield (appendix I and L), the row along and across; what the equations give across, worked outside the program.
    public static TheoryData<double, double, double, double, double, double> Rows => new()
    {
        { 0.25, 0.173, 70_000, 240, 170, 181.9 },
        { 0.3125, 0.227, 60_000, 300, 210, 221.9 },
        { 0.375, 0.265, 45_000, 310, 210, 217.4 },
        { 0.5, 0.371, 45_000, 510, 340, 343.2 },
    };

    [Theory]
    [MemberData(nameof(Rows))]
    public void Along_it_is_the_row_within_two_in_a_hundred(double nominal, double root, double yield, double along, double across, double equations)
    {
        Assert.True(across < along && equations > across);
        Assert.InRange(Planned(nominal, 0) / along, 0.98, 1.02);
        Assert.Equal((root, yield), (WoodValues.Root(Length.FromInches(nominal)), WoodValues.BendingYield(Length.FromInches(nominal))));
    }

    [Theory]
    [MemberData(nameof(Rows))]
    public void Across_it_is_no_more_than_the_row(double nominal, double root, double yield, double along, double across, double equations)
    {
        Assert.InRange(Planned(nominal, 90) / across, 0.98, 1.02);
        Assert.True(Planned(nominal, 90) < 0.75 * along);
        // Both runs of our own say what the equations give before it is brought down to the row.
        Assert.Equal(equations, ClosedForms(nominal, root, yield), 0.1);
        Assert.Equal(equations, LeastWork(nominal, root, yield) / Term(root), 0.005 * equations);
        Assert.Equal(equations, Planned(nominal, 90) / YieldEquations.OfTheRows(Dowel(nominal, 90)), 0.1);
    }

    [Theory] // halfway between 5/16 and 3/8 in, halfway between along and across
    [InlineData(0.34375, 90, 0.95)]
    [InlineData(0.25, 45, 0.965)]
    [InlineData(0.75, 90, 0.99)]
    [InlineData(0.242, 90, 1)]
    public void What_is_left_of_it_is_straight_between_the_rows(double nominal, double angle, double share) => Assert.Equal(share, YieldEquations.OfTheRows(Dowel(nominal, angle)), 1e-9);

    [Fact]
    public void It_is_never_stronger_across_the_grain_than_along() =>
        Gen.Select(Gen.Double[0.1, 0.8], Gen.Double[0.36, 0.73], Gen.Double[0.05, 0.4], Gen.Double[0, 1.25], Gen.Double[0.3, 6], Gen.Double[0, 90]).Sample((nominal, gravity, plate, gap, deep, angle) =>
        {
            double At(double from) => YieldEquations.Least(new(
                WoodValues.Root(Length.FromInches(nominal)), WoodValues.BendingYield(Length.FromInches(nominal)), Length.FromInches(deep), WoodValues.Bearing(gravity, Length.FromInches(nominal), new(from)),
                Length.FromInches(plate), Steel, Length.FromInches(gap), new(from), Length.FromInches(nominal))).Load.Newtons;
            return At(angle) <= At(0) * 1.0000001 && At(90) <= At(angle) * 1.0000001;
        }, iter: 5_000);

    private static Dowel Dowel(double nominal, double angle) => new(
        WoodValues.Root(Length.FromInches(nominal)), WoodValues.BendingYield(Length.FromInches(nominal)), Length.FromInches(8 * nominal), WoodValues.Bearing(Gravity, Length.FromInches(nominal), new(angle)),
        Length.FromInches(Plate), Steel, Length.Zero, new(angle), Length.FromInches(nominal));

    private static double Planned(double nominal, double angle) => YieldEquations.Least(Dowel(nominal, angle)).Load.PoundsForce;

    // K_D K_theta for roots under 1/4 in; 3.2 K_theta for the modes that govern over it.
    private static double Term(double root) => 1.25 * (root < 0.25 ? (10 * root) + 0.5 : 3.2);

    private static double Bearing(double nominal) => 6_100 * Math.Pow(Gravity, 1.45) / Math.Sqrt(nominal);

    private static double ClosedForms(double nominal, double root, double yield)
    {
        var (main, deep) = (Bearing(nominal), 8 * nominal);
        var (re, rt) = (main / Steel, deep / Plate);
        var k1 = (Math.Sqrt(re + (2 * re * re * (1 + rt + (rt * rt))) + (rt * rt * re * re * re)) - (re * (1 + rt))) / (1 + re);
        var k2 = Math.Sqrt((2 * (1 + re)) + (2 * yield * (1 + (2 * re)) * root * root / (3 * main * deep * deep))) - 1;
        var k3 = Math.Sqrt((2 * (1 + re) / re) + (2 * yield * (2 + re) * root * root / (3 * main * Plate * Plate))) - 1;
        var small = root < 0.25;
        double[] loads =
        [
            root * deep * main / (small ? Term(root) : 5), root * Plate * Steel / (small ? Term(root) : 5), k1 * root * Plate * Steel / (small ? Term(root) : 4.5),
            k2 * root * deep * main / (1 + (2 * re)) / Term(root), k3 * root * Plate * main / (2 + re) / Term(root), root * root * Math.Sqrt(2 * main * yield / (3 * (1 + re))) / Term(root),
        ];
        return loads.Min();
    }

    // The plate moves by 1: the dowel is straight but for two hinges, one in the plate and one in the wood; what it crushes and how it bends is the work.
    private static double LeastWork(double nominal, double root, double yield)
    {
        var (main, side, deep, hinge) = (Bearing(nominal) * root, Steel * root, 8 * nominal, yield * root * root * root / 6);
        // Where the hinges are (shares of plate and wood), and the dowel's place at its head, at both hinges and at its tip.
        double Work(double[] v)
        {
            var (first, second) = (Math.Clamp(v[0], 0, 1) * Plate, Math.Clamp(v[1], 0, 1) * deep);
            var middle = (v[4] - v[3]) / (Plate - first + second + 1e-9);
            var at = v[3] + (middle * (Plate - first));
            var (headSlope, tipSlope) = (first > 1e-6 ? (v[3] - v[2]) / first : middle, deep - second > 1e-6 ? (v[5] - v[4]) / (deep - second) : middle);
            return (side * (Crushed(v[2] - 1, v[3] - 1, first) + Crushed(v[3] - 1, at - 1, Plate - first)))
                + (main * (Crushed(at, v[4], second) + Crushed(v[4], v[5], deep - second))) + (hinge * (Math.Abs(headSlope - middle) + Math.Abs(tipSlope - middle)));
        }

        var random = new Random(7);
        var best = double.PositiveInfinity;
        for (var start = 0; start < 60; start++)
        {
            double[] v = [random.NextDouble(), random.NextDouble() * 0.4, 1 + random.NextDouble(), random.NextDouble(), random.NextDouble() * 0.3, 0];
            var work = Work(v);
            for (var step = 0.5; step > 1e-6;)
            {
                var better = false;
                for (var n = 0; n < 60; n++)
                {
                    var to = Array.ConvertAll(v, x => x + (step * ((random.NextDouble() * 2) - 1) * (random.Next(2) == 0 ? 0 : 1)));
                    if (Work(to) is var w && w < work - 1e-9)
                    {
                        (v, work, better) = (to, w, true);
                    }
                }

                step *= better ? 1.1 : 0.6;
            }

            best = Math.Min(best, work);
        }

        return best;
    }

    // The area under the absolute value of a straight line.
    private static double Crushed(double from, double to, double length) =>
        from * to >= 0 ? length * (Math.Abs(from) + Math.Abs(to)) / 2 : length * ((from * from) + (to * to)) / (2 * (Math.Abs(from) + Math.Abs(to)));
}
