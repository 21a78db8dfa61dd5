using Corrie.Core.Measure;

namespace Corrie.Core.Tests.Measure;

public class LengthReaderTests
{
    [Theory]
    [InlineData("61 3/8", 61, 3, 8)]
    [InlineData("61-3/8\"", 61, 3, 8)]
    [InlineData("61.375 in", 61, 3, 8)]
    [InlineData("5' 1 3/8\"", 61, 3, 8)]
    [InlineData("5'-1 3/8", 61, 3, 8)]
    [InlineData("5 ft 1 3/8 in", 61, 3, 8)]
    [InlineData("5′ 1⅜″", 61, 3, 8)]
    [InlineData("5’ 1 3⁄8”", 61, 3, 8)]
    [InlineData("61⅜", 61, 3, 8)]
    [InlineData("4'-6\"", 54, 0, 1)]
    [InlineData("5 ft", 60, 0, 1)]
    [InlineData("5.5'", 66, 0, 1)]
    [InlineData("3/8", 0, 3, 8)]
    [InlineData("1/64 in", 0, 1, 64)]
    [InlineData("  12  ", 12, 0, 1)]
    [InlineData("5' 1 3/8''", 61, 3, 8)]
    [InlineData("1' 3/4", 12, 3, 4)]
    [InlineData("0", 0, 0, 1)]
    public void Reads_inches_as_people_write_them(string typed, int whole, int numerator, int denominator) =>
        Assert.Equal(Length.Tape(whole, numerator, denominator), LengthReader.Read(typed, UnitSystem.Inches).Value);

    [Theory]
    [InlineData("1559", 1559)]
    [InlineData("1559mm", 1559)]
    [InlineData("155.9 cm", 1559)]
    [InlineData("1.559 m", 1559)]
    [InlineData("1559.1", 1559.1)]
    [InlineData("61 3/8 in", 1558.925)]
    [InlineData("5' 1 3/8\"", 1558.925)]
    public void Reads_millimetres_on_a_metric_job_and_inches_that_say_so(string typed, double millimetres) =>
        Assert.Equal(millimetres, LengthReader.Read(typed, UnitSystem.Millimetres).Value.Millimetres, 9);

    [Theory]
    [InlineData("5//8", "no number below the slash")]
    [InlineData("4' 14\"", "4 ft and 14 in are 5 ft 2 in", "is 5' 2\" meant?")]
    [InlineData("1/0", "divides by nothing")]
    [InlineData("", "Nothing was typed")]
    [InlineData("   ", "Nothing was typed")]
    [InlineData("abc", "'abc' is no unit of length")]
    [InlineData("-5", "says a direction")]
    [InlineData("+5", "says a direction")]
    [InlineData("1,559", "thousands or a decimal point")]
    [InlineData("61 3/7", "not on a tape")]
    [InlineData("61 9/8", "is 1 1/8 in meant?")]
    [InlineData("8/8", "a whole inch")]
    [InlineData("1.2.3", "is not a number")]
    [InlineData("61 3/8 mm", "Inches and 'mm' are mixed")]
    [InlineData("5' 12 mm", "Inches and 'mm' are mixed")]
    [InlineData("5 6", "comes where nothing should follow")]
    [InlineData("5.5' 3", "decimals and inches follow")]
    [InlineData("61.5 3/8", "decimals and a fraction follows")]
    [InlineData("in", "no number")]
    [InlineData("5' in", "inches have no number")]
    [InlineData("61-", "no fraction")]
    [InlineData("99999999999999999999999999", "over a kilometre")]
    [InlineData("2000 m", "over a kilometre")]
    [InlineData("5; drop", "';' has no place")]
    [InlineData("0000000000000000000000000000000000000000000000000000001", "too many")]
    public void Says_what_was_understood_and_what_is_expected(string typed, string understood, string expected = "a length")
    {
        var problem = LengthReader.Read(typed, UnitSystem.Inches).Problem;
        Assert.NotNull(problem);
        Assert.Equal(typed, problem.Typed);
        Assert.Contains(understood, problem.Understood);
        if (expected != "a length")
        {
            Assert.Contains(expected, problem.Expected);
        }

        Assert.NotEmpty(problem.Expected);
    }

    [Fact]
    public void A_fraction_without_a_unit_on_a_metric_job_is_asked_about() =>
        Assert.Contains("millimetres", LengthReader.Read("61 3/8", UnitSystem.Millimetres).Problem!.Understood);

    [Fact]
    public void A_sign_is_taken_where_a_direction_makes_sense() =>
        Assert.Equal(Length.Tape(-2, -1, 4), LengthReader.Read("−2 1/4", UnitSystem.Inches, directed: true).Value);
}
