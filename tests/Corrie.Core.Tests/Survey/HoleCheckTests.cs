using System.Text.Json.Nodes;
using Corrie.Core.Findings;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using Corrie.Core.Survey;

namespace Corrie.Core.Tests.Survey;

/// <summary>What a hole may not come near. The bolts of the plain wall are at 70 and 86 in across; common practice for the distances.</summary>
public class HoleCheckTests
{
    private static (string, JsonNode?) Thing(string kind, string left, string bottom, string width, string height, bool routeKnown = false) => ("/walls/w1/features/x", new JsonObject
    {
        ["kind"] = kind,
        ["name"] = "thing",
        ["left"] = left,
        ["bottom"] = bottom,
        ["width"] = width,
        ["height"] = height,
        ["routeKnown"] = routeKnown,
    });

    private static int Live(params (string, JsonNode?)[] changes) => Sheets.Plan(changes).Findings.Count(f => f.Code == "survey.live-near-hole");

    [Theory] // A cable goes straight up and down from its device: 6 in either side, from floor to ceiling.
    [InlineData("62 in", "2 in", 0)] // 64 + 6 = 70: on the edge is outside
    [InlineData("62 1/16 in", "2 in", 2)]
    [InlineData("76 in", "2 in", 0)] // 76 - 6 = 70, 78 + 6 = 84
    [InlineData("92 in", "2 in", 0)] // 92 - 6 = 86
    [InlineData("91 15/16 in", "2 in", 2)]
    public void Nothing_is_drilled_in_line_with_a_device_whose_cable_nobody_knows(string left, string width, int holes) =>
        Assert.Equal(holes, Live(Thing("receptacle", left, "12 in", width, "4 in")));

    [Fact]
    public void A_cable_may_run_along_through_the_next_bay_at_the_device_s_height()
    {
        var top = Sheets.Plan().Bolted.Bolts[0].Y;
        string At(Length y) => LengthText.Exact(y, UnitSystem.Inches);
        // 16 in spacing: a bay and a half are 24 in. Device 44 to 46: free from 70 on.
        Assert.Equal(0, Live(Thing("switch", "44 in", At(top - Length.Tape(2)), "2 in", "4 in")));
        // Both rows: the lower one, 4 1/2 in under the upper, is still within 6 in of the box.
        Assert.Equal(2, Live(Thing("switch", "44 1/8 in", At(top - Length.Tape(2)), "2 in", "4 in")));
        // 6 in over and under its box, the same.
        Assert.Equal(0, Live(Thing("switch", "44 1/8 in", At(top + Length.Tape(6)), "2 in", "4 in")));
        Assert.Equal(1, Live(Thing("switch", "44 1/8 in", At(top + Length.Tape(5, 7, 8)), "2 in", "4 in")));
        // Whoever has looked where the cable runs draws it, and is believed; the box itself, and 2 in round it, stay.
        var drawn = ("/walls/w1/features/run", Sheets.Json("""{ "kind": "cable", "left": "66 1/8 in", "bottom": "0 in", "width": "1/2 in", "height": "50 in" }"""));
        Assert.Equal(0, Live(Thing("switch", "66 in", At(top), "2 in", "4 in", routeKnown: true), drawn));
        Assert.Equal(1, Live(Thing("switch", "66 1/16 in", At(top), "2 in", "4 in", routeKnown: true), drawn));
    }

    // The answer 'it is known' alone takes nothing away: one hole is 7 1/8 in inside of what is kept free.
    [Theory]
    [InlineData("receptacle", "cable", "89 in", "30 in", true)]
    [InlineData("receptacle", "cable", "95 in", "30 in", false)] // another cable, beside it
    [InlineData("receptacle", "pipe", "89 in", "30 in", false)] // not what a receptacle is connected to
    [InlineData("gas", "gas", "89 in", "30 in", true)]
    [InlineData("pipe", "gas", "89 in", "30 in", false)]
    public void That_a_route_is_known_counts_once_it_is_drawn(string device, string run, string left, string width, bool free)
    {
        var thing = Thing(device, "88 7/8 in", "10 in", "3 in", "4 in", routeKnown: true);
        Assert.Equal(2, Live(thing));
        Assert.Equal(free ? 0 : 2, Live(thing, ("/walls/w1/features/run", new JsonObject { ["kind"] = run, ["left"] = left, ["bottom"] = "11 in", ["width"] = width, ["height"] = "1/2 in" })));
        // A stump of less than a foot is no route, and its own end is not known either.
        Assert.Equal(4, Live(Thing("receptacle", "88 7/8 in", "10 in", "3 in", "4 in", routeKnown: true), ("/walls/w1/features/run", new JsonObject { ["kind"] = "cable", ["left"] = "89 in", ["bottom"] = "11 in", ["width"] = "11 in", ["height"] = "1/2 in" })));
        Assert.Equal(2, Live(Thing(device, "88 7/8 in", "10 in", "3 in", "4 in"), ("/walls/w1/features/run", new JsonObject { ["kind"] = run, ["left"] = left, ["bottom"] = "11 in", ["width"] = width, ["height"] = "1/2 in" })));
    }

    [Fact]
    public void Gas_near_is_not_found_by_its_cock_alone()
    {
        Assert.Contains("survey.gas-near", Sheets.Plan(("/walls/w1/questions/gas", true), Thing("gas", "20 in", "8 in", "3 in", "3 in", routeKnown: true)).Codes());
        Assert.DoesNotContain("survey.gas-near", Sheets.Plan(("/walls/w1/questions/gas", true), Thing("gas", "20 in", "8 in", "3 in", "30 in", routeKnown: true)).Codes());
    }

    [Theory]
    [InlineData("cable", 2)]
    [InlineData("pipe", 2)]
    [InlineData("gas", 2)]
    [InlineData("signal-plate", 2)]
    [InlineData("window", 0)]
    public void What_lies_in_the_wall_is_kept_free_by_two_inches(string kind, int holes)
    {
        Assert.Equal(holes, Live(Thing(kind, "67 1/2 in", "0 in", "9/16 in", "96 in", routeKnown: true)));
        Assert.Equal(0, Live(Thing(kind, "67 7/16 in", "0 in", "9/16 in", "96 in", routeKnown: true)));
    }

    [Theory]
    [InlineData("64 in", false, 0)]
    [InlineData("64 1/16 in", false, 2)]
    [InlineData("64 1/16 in", true, 0)]
    public void A_live_sign_of_the_scanner_is_kept_free_until_somebody_strikes_it_out(string at, bool struck, int holes) =>
        Assert.Equal(holes, Live(("/walls/w1/evidence/l", new JsonObject { ["kind"] = "live", ["at"] = at, ["struck"] = struck })));

    [Fact]
    public void A_stop_for_live_wires_is_final_and_has_its_numbers()
    {
        var finding = Sheets.Plan(Thing("receptacle", "62 1/2 in", "12 in", "2 in", "4 in")).Findings.First(f => f.Code == "survey.live-near-hole");
        Assert.Equal(Severity.FinalStop, finding.Severity);
        // 64 1/2 + 6 = 70 1/2.
        Assert.Contains("1/2 in inside", finding.Message.Say(LengthStyle.Inches));
        Assert.Contains("56 1/2 in to 70 1/2 in across", finding.Message.Say(LengthStyle.Inches));
    }

    [Theory] // A probe's hole is 1/8 in wide: 3 diameters are 3/8 in, and across and up count together.
    [InlineData("5/16 in", "0 in", true)]
    [InlineData("3/8 in", "0 in", false)]
    [InlineData("5/16 in", "3/16 in", true)] // 0.364 in
    [InlineData("5/16 in", "7/32 in", false)] // 0.381 in
    public void A_miss_leaves_a_hole_that_a_bolt_keeps_away_from(string across, string up, bool near)
    {
        // One hole each side 8 in off a plate at 78 1/2: the left bolt is 1/2 in off its stud's centre, and the bit fell through just past the face.
        (string, JsonNode?)[] off =
        [
            ("/items/m1/hang/plateCentre", "78 1/2 in"),
            ("/items/m1/product/rows", Sheets.Json("""[{ "id": "top", "aboveHook": "-1/2 in", "slots": [{ "from": "-8 in", "to": "-8 in" }, { "from": "8 in", "to": "8 in" }] }]""")),
        ];
        var bolt = Sheets.Plan(off).Bolted.Bolts[0];
        Assert.Equal(Sheets.In("70 1/2"), bolt.X);
        var miss = ("/walls/w1/evidence/m", (JsonNode?)new JsonObject
        {
            ["kind"] = "probe-miss",
            ["at"] = LengthText.Exact(bolt.X + Sheets.In(across), UnitSystem.Inches),
            ["beside"] = LengthText.Exact(bolt.Y + Sheets.In(up), UnitSystem.Inches),
        });
        Assert.Equal(near, Sheets.Plan([.. off, miss]).Codes().Contains("survey.old-hole-too-near"));
    }

    [Fact]
    public void A_wall_that_is_clear_for_one_plate_is_not_for_another()
    {
        // 96 1/2 - 6 to 98 1/2 + 6: past the bolts at 70 and 86, and over that at 102 with the display 16 in farther to the right.
        var thing = Thing("receptacle", "96 1/2 in", "12 in", "2 in", "4 in");
        Assert.Equal(0, Live(thing));
        Assert.Equal(2, Live(thing, ("/items/d1/place/across", "94 in")));
    }
}
