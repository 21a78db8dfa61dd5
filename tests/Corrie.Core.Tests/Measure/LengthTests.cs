using System.Text.Json;
using Corrie.Core.Measure;
using CsCheck;

namespace Corrie.Core.Tests.Measure;

public class LengthTests
{
    private static readonly Gen<Length> Any = Gen.Long[-60_000_000, 60_000_000].Select(Length.FromUnits);

    public static TheoryData<UnitSystem, int, bool> Styles => new()
    {
        { UnitSystem.Inches, 8, false }, { UnitSystem.Inches, 16, false }, { UnitSystem.Inches, 32, false }, { UnitSystem.Inches, 16, true }, { UnitSystem.Millimetres, 16, false },
    };

    [Fact]
    public void The_unit_holds_a_sixty_fourth_its_half_and_a_tenth_of_a_millimetre()
    {
        Assert.Equal(254, Length.Tape(0, 1, 64).Units);
        Assert.Equal(127, Length.Tape(0, 1, 64).Half.Units);
        Assert.Equal(64, Length.FromMillimetres(0.1).Units);
        Assert.Equal(25.4, Length.Tape(1).Millimetres, 12); // international inch, 1959
    }

    [Theory]
    [MemberData(nameof(Styles))]
    public void What_is_shown_reads_back_to_the_shown_step(UnitSystem system, int denominator, bool feet)
    {
        var style = new LengthStyle(system, denominator, feet);
        Any.Sample(x =>
        {
            var grid = x.RoundedTo(style.Step);
            return LengthReader.Read(grid.Show(style).ToString(), system, directed: true).Value == grid
                && LengthReader.Read(grid.Show(style).Figures, system, directed: true).Value == grid;
        });
    }

    [Theory] // a foot is 0.3048 m (international foot, 1959): 100 m are 328.08 ft, 25 ft are 7.62 m
    [InlineData(100_000, "328 ft", "100 m")]
    [InlineData(7620, "25 ft", "7.6 m")]
    [InlineData(7619, "24 ft", "7.6 m")]
    public void How_far_something_reaches_is_never_told_too_far(double millimetres, string feet, string metres)
    {
        Assert.Equal(feet, LengthText.Far(Length.FromMillimetres(millimetres), LengthStyle.Inches));
        Assert.Equal(metres, LengthText.Far(Length.FromMillimetres(millimetres), LengthStyle.Millimetres));
    }

    [Fact]
    public void Exact_text_loses_nothing() =>
        Any.Sample(x => LengthReader.Read(LengthText.Exact(x, UnitSystem.Inches), UnitSystem.Inches, true).Value == x
            && LengthReader.Read(LengthText.Exact(x, UnitSystem.Millimetres), UnitSystem.Inches, true).Value == x);

    [Fact]
    public void Rounding_is_to_the_nearest_and_never_by_more_than_half_a_step() =>
        Gen.Select(Any, Gen.Int[1, 20_000]).Sample((x, s) =>
        {
            var step = Length.FromUnits(s);
            var rounded = x.RoundedTo(step);
            return rounded.Units % s == 0 && 2 * Math.Abs(rounded.Units - x.Units) <= s;
        });

    [Fact]
    public void Sums_are_exact_whatever_their_order() =>
        Gen.Select(Any, Any, Any).Sample((a, b, c) => a + b + c == c + a + b && a - b == -(b - a));

    [Fact]
    public void Millimetres_and_inches_agree_with_a_library_of_units() =>
        Any.Sample(x => Math.Abs(UnitsNet.Length.FromMillimeters(x.Millimetres).Inches - x.Inches) < 1e-9);

    [Fact]
    public void Pounds_agree_with_a_library_of_units()
    {
        Assert.Equal(UnitsNet.Mass.FromPounds(49).Kilograms, Mass.FromPounds(49).Kilograms, 9);
        Assert.Equal(UnitsNet.Force.FromPoundsForce(30).Newtons, Force.FromPoundsForce(30).Newtons, 6);
    }

    [Theory]
    [InlineData("49 lb", 22.226)]
    [InlineData("22.2 kg", 22.2)]
    [InlineData("49", 22.226)]
    public void Weights_are_read(string typed, double kilograms) => Assert.Equal(kilograms, QuantityReader.ReadMass(typed, UnitSystem.Inches).Value.Kilograms, 3);

    [Theory]
    [InlineData("heavy")]
    [InlineData("12 st")]
    [InlineData("")]
    [InlineData("99999999 kg")]
    public void Other_weights_are_refused_with_what_is_expected(string typed) => Assert.Contains("49 lb", QuantityReader.ReadMass(typed, UnitSystem.Inches).Problem!.Expected);

    /// <summary>The browser's read-out while dragging runs the same vectors.</summary>
    [Fact]
    public void Shown_as_in_the_vectors_that_the_browser_runs_too()
    {
        foreach (var v in JsonDocument.Parse(File.ReadAllText(Repository.File("tests/vectors/lengths.json"))).RootElement.EnumerateArray())
        {
            var length = Length.FromUnits(v.GetProperty("units").GetInt64());
            foreach (var (key, style) in new[]
            {
                ("in8", new LengthStyle(UnitSystem.Inches, 8)), ("in16", LengthStyle.Inches), ("in32", new LengthStyle(UnitSystem.Inches, 32)),
                ("ft", new LengthStyle(UnitSystem.Inches, 16, true)), ("mm", LengthStyle.Millimetres),
            })
            {
                Assert.Equal(v.GetProperty(key).GetString(), length.Show(style).Figures);
            }
        }
    }
}
