using Corrie.Core.Fixing;
using Corrie.Core.Measure;
using Corrie.Core.Survey;

namespace Corrie.Core.Tests.Reference;

/// <summary>ANSI/AWC NDS-2018; all values from memory.</summary>
public class WoodTests
{
    [Theory] // Table 12.2A
    [InlineData(0.42, "1/4", 173)]
    [InlineData(0.42, "5/16", 205)]
    [InlineData(0.42, "3/8", 235)]
    [InlineData(0.42, "1/2", 291)]
    [InlineData(0.50, "1/4", 225)]
    [InlineData(0.50, "5/16", 266)]
    [InlineData(0.50, "3/8", 305)]
    [InlineData(0.50, "1/2", 378)]
    [InlineData(0.55, "1/4", 260)]
    [InlineData(0.55, "5/16", 307)]
    [InlineData(0.55, "3/8", 352)]
    [InlineData(0.55, "1/2", 437)]
    [InlineData(0.36, "5/16", 163)]
    [InlineData(0.36, "3/8", 186)]
    public void Lag_screws_hold_what_the_table_says(double gravity, string diameter, double pounds) =>
        Assert.Equal(pounds, Withdrawal.LagPoundsPerInch(gravity, Sheets.In(diameter)), 0.5);

    [Theory] // Table 12.2B
    [InlineData(0.42, 0.164, 82)]
    [InlineData(0.42, 0.190, 96)]
    [InlineData(0.42, 0.216, 109)]
    [InlineData(0.42, 0.242, 122)]
    [InlineData(0.50, 0.164, 117)]
    [InlineData(0.50, 0.190, 135)]
    [InlineData(0.50, 0.216, 154)]
    [InlineData(0.50, 0.242, 172)]
    public void Wood_screws_hold_what_the_table_says(double gravity, double diameter, double pounds) =>
        Assert.Equal(pounds, Withdrawal.WoodScrewPoundsPerInch(gravity, Length.FromInches(diameter)), 0.6);

    [Theory] // 12.1.4, as the trade writes it: 3/8 in 5/32 to 1/4, 5/16 in 1/8 to 7/32, southern pine 3/8 in 15/64 to 9/32
    [InlineData("3/8", 0.5, "5/32", "1/4")]
    [InlineData("5/16", 0.42, "1/8", "7/32")]
    [InlineData("3/8", 0.55, "15/64", "9/32")]
    public void Pilot_bits_on_a_tape_s_steps_inside_the_range(string shank, double gravity, string least, string most)
    {
        var (from, to) = PilotHole.Range(Sheets.In(shank), gravity);
        var bits = Enumerable.Range(1, 64).Select(n => Length.Tape(0, n, 64)).Where(b => b >= from && b <= to).ToList();
        Assert.Equal(Sheets.In(least), bits[0]);
        Assert.Equal(Sheets.In(most), bits[^1].RoundedTo(Length.FromUnits(1)) >= Sheets.In(most) ? Sheets.In(most) : bits[^1]);
    }

    [Theory] // 12.5.1: width/2 - 1.5 D
    [InlineData("3/8", "3/16")]
    [InlineData("5/16", "9/32")]
    [InlineData("1/4", "3/8")]
    public void A_bolt_may_be_off_the_centre_by_half_the_width_less_one_and_a_half_diameters(string diameter, string tolerance) =>
        Assert.Equal(Sheets.In(tolerance), new Stud("s", default, Length.Tape(1, 1, 2), StudState.Confirmed, Length.Zero).Tolerance(Sheets.In(diameter)));

    [Theory]
    [InlineData("3/8 in", "0 in", true)]
    [InlineData("5/16 in", "0 in", false)]
    [InlineData("5/16 in", "1/16 in", true)]
    public void A_bolt_a_quarter_off_the_centre_of_a_stud(string diameter, string uncertainty, bool stop)
    {
        // One fixed hole each side, 16 in apart, no slide: studs 16 1/2 in apart put both bolts 1/4 in off.
        var hole = """[{ "id": "top", "aboveHook": "-1/2 in", "slots": [{ "from": "-8 in", "to": "-8 in" }, { "from": "8 in", "to": "8 in" }] }]""";
        var stud = (string centre) => Sheets.Json($$"""{ "centre": "{{centre}}", "state": "confirmed", "uncertainty": "{{uncertainty}}" }""");
        var plan = Sheets.Plan(
            ("/items/m1/product/rows", Sheets.Json(hole)), ("/items/m1/product/slide", "0 in"), ("/items/m1/bolt/diameter", diameter),
            ("/walls/w1/studs/a", null), ("/walls/w1/studs/d", null), ("/walls/w1/studs/b", stud("69 3/4 in")), ("/walls/w1/studs/c", stud("86 1/4 in")));
        Assert.All(plan.Bolted.Bolts, b => Assert.Equal(Length.Tape(0, 1, 4), b.OffCentre));
        Assert.Equal(stop ? 2 : 0, plan.Findings.Count(f => f is { Code: "fix.edge-distance", Stops: true }));
    }
}
