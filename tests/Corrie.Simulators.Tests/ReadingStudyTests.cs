using Corrie.Core.Survey;
using MathNet.Numerics.LinearAlgebra;

namespace Corrie.Simulators.Tests;

public class ReadingStudyTests
{
    [Fact]
    public void Slips_that_the_geometry_shows_are_found_and_those_that_it_tells_apart_are_named()
    {
        var study = ReadingStudy.Run(2000, seed: 1);
        Assert.True(study.Found >= 0.95 * study.Walls, study.ToString());
        Assert.True(study.Apart > 200 && study.Located >= 0.90 * study.Apart, study.ToString());
        // 3 standard deviations: 0.27 % of checked readings by the normal law; walls have about nine of them.
        Assert.InRange(study.FalseAlarms, 0, 0.04);
    }

    /// <summary>Positions and deviations of ten networks, by QR of the normal way round: MathNet's, with its own covariance.</summary>
    [Theory]
    [InlineData(11)]
    [InlineData(12)]
    [InlineData(13)]
    [InlineData(14)]
    [InlineData(15)]
    [InlineData(16)]
    [InlineData(17)]
    [InlineData(18)]
    [InlineData(19)]
    [InlineData(20)]
    public void Adjusted_positions_agree_with_another_solution(int seed)
    {
        var wall = MeasuredWall.Of(seed);
        var n = wall.Truth.Count - 1;
        var design = Matrix<double>.Build.Dense(wall.Readings.Count, n);
        var observed = Vector<double>.Build.Dense(wall.Readings.Count);
        for (var i = 0; i < wall.Readings.Count; i++)
        {
            var r = wall.Readings[i];
            foreach (var (point, sign) in new[] { (r.To, 1), (r.From, -1) })
            {
                if (point != Datum.LeftCorner)
                {
                    design[i, int.Parse(point[1..]) - 1] += sign / r.Deviation.Inches;
                }
            }

            observed[i] = r.Value.Inches / r.Deviation.Inches;
        }

        var expected = design.QR().Solve(observed);
        var covariance = (design.Transpose() * design).Cholesky().Solve(Matrix<double>.Build.DenseIdentity(n));
        var solved = wall.Solve();
        for (var p = 1; p <= n; p++)
        {
            Assert.Equal(expected[p - 1], solved.Points[$"p{p}"].Position.Inches, 1e-4);
            Assert.Equal(Math.Sqrt(covariance[p - 1, p - 1]), solved.Points[$"p{p}"].Deviation.Inches, 1e-4);
            Assert.InRange(Math.Abs(wall.Truth[p] - expected[p - 1]), 0, 6 * Math.Sqrt(covariance[p - 1, p - 1]));
        }
    }

    [Fact]
    public void The_same_seed_gives_the_same_wall() =>
        Assert.Equal(MeasuredWall.Of(5).Readings, MeasuredWall.Of(5).Readings);
}
