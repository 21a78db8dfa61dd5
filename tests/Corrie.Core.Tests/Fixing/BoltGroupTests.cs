using Corrie.Core.Fixing;
using Corrie.Core.Measure;
using CsCheck;
using MathNet.Numerics.LinearAlgebra;

namespace Corrie.Core.Tests.Fixing;

/// <summary>What bolts take, checked by statics and by a library of linear algebra that shares no line with the program.</summary>
public class BoltGroupTests
{
    private static readonly Rect Plate = new(Length.Tape(60), Length.Tape(40), Length.Tape(20), Length.Tape(9));

    private static readonly (double X, double Y)[][] Patterns =
    [
        [(2, 6), (18, 6)],
        [(2, 8), (18, 8), (2, 2), (18, 2)],
        [(10, 8), (10, 2)],
        [(10, 8), (10, 5), (10, 1)],
        [(2, 7), (10, 7), (18, 7), (2, 1), (10, 1), (18, 1)],
        [(3, 8), (17, 5), (4, 2)],
        [(1, 4), (19, 4)],
        [(2, 8), (4, 8), (16, 8), (18, 8), (3, 1), (17, 1)],
        [(5, 7), (15, 7), (10, 3)],
        [(2, 8), (18, 7), (2, 1), (18, 2)],
    ];

    // common practice, worked
    [Theory]
    [InlineData(45, 20, 12, 75)]
    [InlineData(70, 29, 10, 203)]
    [InlineData(60, 3, 14, 12.9)]
    public void Reach_is_what_pulls_plates_off_walls(double pounds, int reach, int height, double pull)
    {
        var group = Group([(4, height), (16, height)], new Rect(Plate.Left, Plate.Bottom, Plate.Width, Length.Tape(height + 1)));
        var solved = group.Solve(Weight(pounds, 10, reach));
        Assert.Equal(pull, solved.Bolts.Sum(b => b.Pull.PoundsForce), 0.5);
    }

    public static TheoryData<int> EveryPattern => [.. Enumerable.Range(0, Patterns.Length)];

    /// <summary>The plate tipping about its bottom edge, and turning in the wall's plane: least squares by MathNet for the first, its solution of three equations for the second.</summary>
    [Theory]
    [MemberData(nameof(EveryPattern))]
    public void Several_rows_agree_with_a_linear_algebra_library(int pattern)
    {
        var at = Patterns[pattern];
        var solved = Group(at, Plate).Solve(Weight(100, 16, 20));
        // Bolts are springs, w = a * height: minimise Σ w² / 2 - M a, so that Σ h² a = M.
        var heights = Matrix<double>.Build.DenseOfColumns([at.Select(b => b.Y)]);
        var turn = (heights.TransposeThisAndMultiply(heights)).Solve(Vector<double>.Build.Dense(1, 100 * 20));
        var pulls = heights * turn;
        Assert.Equal(pulls, solved.Bolts.Select(b => b.Pull.PoundsForce), (a, b) => Math.Abs(a - b) < 1e-9);

        // Across: bolts are springs both ways; the plate moves right and up and turns.
        var stiff = Matrix<double>.Build.Dense(2 * at.Length, 3);
        for (var i = 0; i < at.Length; i++)
        {
            stiff.SetRow(2 * i, [1, 0, -at[i].Y]);
            stiff.SetRow((2 * i) + 1, [0, 1, at[i].X]);
        }

        var moves = stiff.TransposeThisAndMultiply(stiff).Solve(Vector<double>.Build.Dense([0, -100, -100 * 16]));
        var across = stiff * moves;
        for (var i = 0; i < at.Length; i++)
        {
            Assert.Equal(across[2 * i], solved.Bolts[i].Right.PoundsForce, 1e-9);
            Assert.Equal(across[(2 * i) + 1], solved.Bolts[i].Up.PoundsForce, 1e-9);
        }
    }

    /// <summary>Statics alone: forces and moments of bolts, wall and loads make up nothing; no bolt pushes and the wall does not pull; and the plate lifts off wherever the wall does not press.</summary>
    [Fact]
    public void Any_plate_is_in_balance() => Gen.Select(
        Gen.Select(Gen.Int[1, 19], Gen.Int[1, 8]).Array[2, 8],
        Gen.Select(Gen.Double[-40, 60], Gen.Double[-20, 40], Gen.Double[0, 40], Gen.Double[-60, 60], Gen.Double[-200, 0], Gen.Double[0, 60]).Array[1, 3]).Sample((places, forces) =>
        {
            var at = places.Distinct().Select(p => ((double)p.Item1, (double)p.Item2)).ToArray();
            if (at.Length < 2)
            {
                return;
            }

            PointLoad[] loads = [.. forces.Select(f => new PointLoad(
                Plate.Left + Length.FromInches(f.Item1), Plate.Bottom + Length.FromInches(f.Item2), Length.FromInches(f.Item3),
                Force.FromPoundsForce(f.Item4), Force.FromPoundsForce(f.Item5), Force.FromPoundsForce(f.Item6)))];
            var solved = Group(at, Plate).Solve(loads);
            var sum = new double[6];
            void Add(double x, double y, double z, double right, double up, double outwards)
            {
                double[] parts = [right, up, outwards, (y * outwards) - (z * up), (z * right) - (x * outwards), (x * up) - (y * right)];
                for (var i = 0; i < 6; i++)
                {
                    sum[i] += parts[i];
                }
            }

            foreach (var l in loads)
            {
                Add((l.X - Plate.Left).Inches, (l.Y - Plate.Bottom).Inches, l.Z.Inches, l.Right.PoundsForce, l.Up.PoundsForce, l.Out.PoundsForce);
            }

            for (var i = 0; i < at.Length; i++)
            {
                var bolt = solved.Bolts[i];
                Assert.True(bolt.Pull.Newtons >= 0);
                Add(at[i].Item1, at[i].Item2, 0, -bolt.Right.PoundsForce, -bolt.Up.PoundsForce, -bolt.Pull.PoundsForce);
            }

            (double X, double Y)[] corners = [(0, 0), (20, 0), (0, 9), (20, 9)];
            for (var i = 0; i < 4; i++)
            {
                Assert.True(solved.Corners[i].Newtons >= 0);
                Add(corners[i].X, corners[i].Y, 0, 0, 0, solved.Corners[i].PoundsForce);
            }

            var size = 1 + loads.Sum(l => Math.Abs(l.Up.PoundsForce) + Math.Abs(l.Right.PoundsForce) + l.Out.PoundsForce);
            Assert.All(sum, s => Assert.Equal(0, s / size / 60, 1e-9));
        }, iter: 1000);

    [Fact]
    public void A_single_stud_is_governed_by_the_plate_s_side()
    {
        // 30 lbf to the right, 40 in out, on a plate 4 in wide with two bolts in its middle: about the right edge, 2 in from each, 1200 / (2 * 2) = 300 each.
        var narrow = new Rect(Plate.Left, Plate.Bottom, Length.Tape(4), Length.Tape(9));
        var sideways = new PointLoad(narrow.CentreX, narrow.CentreY, Length.Tape(40), Force.FromPoundsForce(30), default, default);
        Assert.All(Group([(2, 8), (2, 1)], narrow).Solve(sideways).Bolts, b => Assert.Equal(300, b.Pull.PoundsForce, 1e-6));
    }

    [Fact]
    public void What_nothing_keeps_in_balance_is_said_and_not_left_out()
    {
        // Both bolts on the very edge that the plate turns about.
        var solved = Group([(2, 0), (18, 0)], Plate).Solve(Weight(40, 10, 3));
        Assert.All(solved.Bolts, b => Assert.True(double.IsPositiveInfinity(b.Pull.Newtons)));
    }

    private static PointLoad Weight(double pounds, double x, double reach) => new(Plate.Left + Length.FromInches(x), Plate.Top, Length.FromInches(reach), default, Force.FromPoundsForce(-pounds), default);

    private static BoltGroup Group(IEnumerable<(double X, double Y)> bolts, Rect plate) => new([.. bolts.Select(b => (plate.Left + Length.FromInches(b.X), plate.Bottom + Length.FromInches(b.Y)))], plate);
}
