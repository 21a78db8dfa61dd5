using Corrie.Core.Catalogue;
using Corrie.Core.Measure;
using Corrie.Core.Survey;

namespace Corrie.Core.Tests.Survey;

/// <summary>Walls framed at a known spacing, framers up to half an inch off: what is said of them.</summary>
public class SpacingTests
{
    private const int Walls = 400;

    [Theory]
    [InlineData(12, 12)]
    [InlineData(16, 16)]
    [InlineData(24, 24)]
    [InlineData(19.2, 19.2)]
    [InlineData(15.748, 15.748)] // 400 mm
    [InlineData(23.622, 23.622)] // 600 mm
    public void The_told_spacing_is_seldom_questioned_where_it_is_true(double spacing, double told) =>
        Assert.InRange(Questioned(spacing, told), 0, Walls * 2 / 100);

    [Theory]
    [InlineData(19.2, 16)]
    [InlineData(24, 16)]
    [InlineData(12, 16)]
    [InlineData(16, 24)]
    [InlineData(16, 19.2)]
    public void Another_spacing_than_the_told_one_is_said(double spacing, double told) =>
        Assert.InRange(Questioned(spacing, told), Walls * 95 / 100, Walls);

    [Fact]
    public void An_old_house_without_a_module_is_said_to_have_none()
    {
        var said = 0;
        for (var seed = 0; seed < Walls; seed++)
        {
            var random = new Random(seed);
            var at = 4 + (random.NextDouble() * 10);
            var centres = new List<double>();
            while (at < 170)
            {
                centres.Add(at);
                at += 11 + (random.NextDouble() * 14);
            }

            said += SpacingCheck.Likeliest(centres) == "no module" ? 1 : 0;
        }

        Assert.InRange(said, Walls * 85 / 100, Walls);
    }

    [Theory]
    [InlineData(16, "16 in", "400 mm")]
    [InlineData(24, "24 in", "600 mm")]
    [InlineData(19.2, "19.2 in", "19.2 in")]
    [InlineData(12, "12 in", "12 in")]
    public void The_wall_is_named_for_what_it_is(double spacing, string name, string alike)
    {
        var right = Enumerable.Range(0, Walls).Count(seed => SpacingCheck.Likeliest(Centres(spacing, seed)) is var said && (said == name || said == alike));
        Assert.InRange(right, Walls * 95 / 100, Walls);
    }

    private static int Questioned(double spacing, double told) =>
        Enumerable.Range(0, Walls).Count(seed => SpacingCheck.Check(Told(told), [.. Centres(spacing, seed).Select((x, i) => new Stud($"s{i}", Length.FromInches(x), Length.Tape(1, 1, 2), StudState.Found, Length.Tape(0, 1, 4)))]).Any());

    private static List<double> Centres(double spacing, int seed)
    {
        var random = new Random(seed);
        double Gauss() => Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());
        var start = random.NextDouble() * spacing;
        return [.. Enumerable.Range(0, 40).Select(i => start + (i * spacing)).Where(x => x is > 2 and < 160).Select(x => x + Math.Clamp(0.2 * Gauss(), -0.5, 0.5))];
    }

    private static Wall Told(double inches) => new(Length.Tape(168), Length.Tape(96), WallKind.WoodStuds, Length.FromInches(inches), Length.Tape(3, 1, 2), false, [], [], [], null);
}
