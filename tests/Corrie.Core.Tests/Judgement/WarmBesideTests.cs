using System.Text.Json.Nodes;
using Corrie.Core.Findings;
using Corrie.Core.Measure;

namespace Corrie.Core.Tests.Judgement;

/// <summary>What a stove fitter says of displays beside stoves, of air measured at the floor, and of flues that nobody can point at (36 in: NFPA 211, from memory; the rest common practice).</summary>
public class WarmBesideTests
{
    // The display reaches from 53 3/4 to 102 1/4 across and from 30 to 58 up.
    [Theory]
    [InlineData("104 1/2 in", "32 in", true)] // 57 mm beside it
    [InlineData("138 1/8 in", "32 in", true)]
    [InlineData("138 1/4 in", "32 in", false)]
    [InlineData("104 1/2 in", "27 15/16 in", false)] // all of it lower than the display
    public void A_display_beside_a_burning_stove_is_measured(string left, string high, bool said)
    {
        var plan = Sheets.Plan(Stove(left, high), ("/walls/w1/fire", Sheets.Json("""{ "fuel": "wood", "use": "often", "vented": true, "fan": false }""")));
        Assert.Equal(said, plan.Codes().Contains("masonry.heat-unknown"));
        Assert.DoesNotContain("masonry.heat-unknown", Sheets.Plan(Stove(left, high), ("/walls/w1/fire", Sheets.Json("""{ "fuel": "wood", "use": "never" }"""))).Codes());
    }

    [Theory] // 40 °C less 5
    [InlineData("95 F", "100 in", null)]
    [InlineData("96 F", "100 in", "masonry.too-hot")]
    [InlineData("80 F", "60 in", null)]
    [InlineData("80 F", "30 in", "masonry.heat-unknown")] // not at the display
    public void What_was_measured_at_it_counts(string warm, string across, string? code)
    {
        var plan = Sheets.Plan(Stove("104 1/2 in", "32 in"), ("/walls/w1/fire", Sheets.Json($$"""{ "fuel": "wood", "use": "often", "vented": true, "fan": false, "readings": { "r": { "of": "wall", "up": "40 in", "across": "{{across}}", "warm": "{{warm}}", "minutes": 60 } } }""")));
        Assert.Equal(code is null ? [] : new[] { code }, plan.Codes().Where(c => c is "masonry.too-hot" or "masonry.heat-unknown"));
    }

    [Theory] // over a fire 36 in high; the display hangs from 57 in on
    [InlineData("2 in", true)]
    [InlineData("33 in", true)]
    [InlineData("40 in", false)]
    [InlineData("57 in", false)]
    public void Air_measured_at_the_floor_is_not_what_rises(string up, bool open)
    {
        var plan = Sheets.Plan(
            ("/walls/w1/height", "120 in"), ("/items/d1/place/height", "57 in"), Stove("64 in", "36 in"),
            ("/walls/w1/fire", Sheets.Json($$"""
                { "fuel": "wood", "use": "often", "vented": true, "fan": false, "readings": { "a": { "of": "air", "up": "{{up}}", "warm": "80 F", "minutes": 60 },
                  "b": { "of": "wall", "up": "57 in", "warm": "80 F", "minutes": 60 }, "c": { "of": "wall", "up": "71 in", "warm": "80 F", "minutes": 60 }, "d": { "of": "wall", "up": "85 in", "warm": "80 F", "minutes": 60 } } }
                """)));
        Assert.Equal(open, plan.Findings.Any(f => f.Code == "masonry.heat-unknown" && f.Message.Say(LengthStyle.Inches).Contains("the air at 57 in up")));
    }

    [Fact]
    public void A_live_flue_of_unknown_place_is_as_final_as_gas()
    {
        Assert.Contains(Sheets.Plan(("/walls/w1/questions/flue", "live")).Findings, f => f.Code == "masonry.flue-route" && f.Severity == Severity.FinalStop);
        (string, JsonNode?) drawn = ("/walls/w1/features/x", Sheets.Json("""{ "kind": "flue", "left": "20 in", "bottom": "0 in", "width": "8 in", "height": "96 in", "depth": "6 in" }"""));
        Assert.DoesNotContain("masonry.flue-route", Sheets.Plan(("/walls/w1/questions/flue", "live"), drawn).Codes());
    }

    private static (string, JsonNode?) Stove(string left, string high) => ("/walls/w1/features/s", new JsonObject { ["kind"] = "fireplace", ["name"] = "stove", ["left"] = left, ["bottom"] = "0 in", ["width"] = "10 in", ["height"] = high, ["depth"] = "12 in" });
}
