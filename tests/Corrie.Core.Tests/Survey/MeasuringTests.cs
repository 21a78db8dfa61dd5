using System.Text.Json.Nodes;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using Corrie.Core.Survey;

namespace Corrie.Core.Tests.Survey;

public class MeasuringTests
{
    private static JsonNode Readings(params (string From, string To, string Value, string By)[] readings) => new JsonObject(readings.Select((r, i) =>
        KeyValuePair.Create<string, JsonNode?>($"r{i}", new JsonObject { ["from"] = r.From, ["to"] = r.To, ["value"] = r.Value, ["by"] = r.By })));

    private static (string, JsonNode?)[] Loop(string third) =>
    [
        ("/walls/w1/width", "121 1/2 in"),
        ("/walls/w1/features/w", Sheets.Json("""{ "kind": "window", "name": "window", "left": "20 in", "width": "10 in", "height": "30 in", "bottom": "40 in" }""")),
        ("/walls/w1/readings", Readings(("left-corner", "w/left", "61 in", "Ines"), ("w/left", "right-corner", "60 1/2 in", "Ines"), ("left-corner", "right-corner", third, "Tom"))),
    ];

    [Fact]
    public void A_single_loop_that_does_not_close_has_three_equal_suspects_and_a_measurement_that_tells()
    {
        var finding = Sheets.Plan(Loop("122 in")).Finding("survey.readings-disagree");
        var message = finding.Message.Say(LengthStyle.Inches);
        // By hand: 61 + 60 1/2 = 121 1/2, 1/2 in short of 122.
        Assert.Contains("A loop of 3 readings does not close by 1/2 in, and each is equally suspect", message);
        Assert.Contains("Measure left edge of the window to right corner again", message);
        // A line each, first what is measured again.
        Assert.Equal(
            ["left edge of the window to right corner = 60 1/2 in, by Ines", "left corner to left edge of the window = 61 in, by Ines", "left corner to right corner = 122 in, by Tom"],
            finding.Parts.Select(p => p.Say(LengthStyle.Inches)));
        Assert.DoesNotContain("survey.readings-disagree", Sheets.Plan(Loop("121 5/8 in")).Codes());
    }

    [Fact]
    public void A_reading_that_others_check_is_named_alone()
    {
        var plan = Sheets.Plan(
            ("/walls/w1/studs", Sheets.Json("""{ "b": { "state": "confirmed" }, "c": { "state": "confirmed" } }""")),
            ("/walls/w1/readings", Readings(
                ("left-corner", "studs/b", "70 in", "Ines"), ("left-corner", "studs/c", "86 in", "Ines"), ("studs/b", "studs/c", "16 in", "Ines"),
                ("right-corner", "studs/b", "-86 in", "Tom"), ("right-corner", "studs/c", "-70 3/4 in", "Tom"), ("left-corner", "right-corner", "156 in", "Tom"))));
        var message = plan.Finding("survey.readings-disagree").Message.Say(LengthStyle.Inches);
        Assert.Matches("^right corner to stud at [0-9/ ]+ in = -70 3/4 in by Tom does not fit", message);
        Assert.Equal("w1/readings/r4", plan.Finding("survey.readings-disagree").Where.Part);
    }

    [Fact]
    public void A_member_takes_its_place_and_its_uncertainty_from_the_chain()
    {
        var plan = Sheets.Plan(
            ("/walls/w1/studs/b", Sheets.Json("""{ "state": "confirmed", "uncertainty": "0 in" }""")),
            ("/walls/w1/features/w", Sheets.Json("""{ "kind": "window", "name": "window", "left": "20 in", "width": "10 in", "height": "30 in", "bottom": "40 in" }""")),
            ("/walls/w1/readings", Readings(("left-corner", "w/left", "20 1/4 in", "Ines"), ("w/left", "w/right", "10 in", "Ines"), ("w/centre", "studs/b", "44 3/4 in", "Ines"))));
        var stud = plan.Studs.Single(s => s.Id == "b");
        // By hand: 20 1/4 + 5 + 44 3/4 = 70; variances of 1/32 in: 1 + 1/4 + 1, so 1.5 deviations, and two of those are 3/32 in.
        Assert.Equal(Length.Tape(70), stud.Centre);
        Assert.Equal(3.0 / 32, stud.Uncertainty.Inches, 1e-4);
        Assert.Equal(Length.Tape(20, 1, 4), plan.Wall.Features.Single(f => f.Id == "w").Left);
    }

    [Fact]
    public void A_point_that_hangs_on_nothing_is_loose_and_leaves_the_rest_alone()
    {
        var plan = Sheets.Plan(
            ("/walls/w1/studs/x", Sheets.Json("""{ "state": "found" }""")), ("/walls/w1/studs/y", Sheets.Json("""{ "state": "found" }""")),
            ("/walls/w1/readings", Readings(("studs/x", "studs/y", "16 in", "Ines"), ("left-corner", "studs/b", "70 in", "Ines"))));
        Assert.Equal(["studs/x", "studs/y"], plan.Surveyed.Across.Loose);
        Assert.Equal(Length.Tape(70), plan.Studs.Single(s => s.Id == "b").Centre);
        Assert.Equal(4, plan.Studs.Count);
    }

    [Fact]
    public void Members_that_fit_no_module_are_explained_both_ways()
    {
        var studs = (string first) => Sheets.Json($$"""{ "a": { "centre": "{{first}}", "state": "found" }, "b": { "centre": "39 3/4 in", "state": "found" }, "c": { "centre": "55 3/4 in", "state": "found" } }""");
        var message = Sheets.Plan(("/walls/w1/studs", studs("22 3/4 in"))).Finding("survey.spacing-broken").Message.Say(LengthStyle.Inches);
        Assert.Contains("either 22 3/4 in is 1 in low, or 39 3/4 in and 55 3/4 in are 1 in high", message);
        Assert.Contains("measure 22 3/4 in again", message);
        Assert.DoesNotContain("survey.spacing-broken", Sheets.Plan(("/walls/w1/studs", studs("23 1/4 in"))).Codes());
    }

    [Theory]
    [InlineData("left corner -> new stud 14 1/2", "left-corner", "studs/new", "14 1/2")]
    [InlineData("left corner → stud = 4' 6\"", "left-corner", "studs/new", "54")]
    [InlineData("stud b to stud c 16", "studs/b", "studs/c", "16")]
    [InlineData("left window -> stud b -12 1/4", "w/left", "studs/b", "-12 1/4")]
    [InlineData("right edge of the window => right corner 1559 mm", "w/right", "right-corner", "1559 mm")]
    [InlineData("floor -> bottom casing 36 in", "floor", "w/bottom", "36")]
    [InlineData("window -> stud b 40", "w", "studs/b", "40")]
    [InlineData("left corner -> stud at 70 in 70 1/8", "left-corner", "studs/b", "70 1/8")]
    [InlineData("stud 70 -> left window -30", "studs/b", "w/left", "-30")]
    public void A_line_is_read_as_a_reading(string typed, string from, string to, string value)
    {
        var read = QuickReading.Read(typed, WallWithWindow, UnitSystem.Inches).Value;
        Assert.Equal((from, to, Sheets.In(value)), (read.From, read.To, read.Value));
    }

    [Theory]
    [InlineData("", "Nothing was typed")]
    [InlineData("left corner 14 1/2", "no arrow")]
    [InlineData("left corner -> stud b", "no length")]
    [InlineData("left corner -> 14 1/2", "no name")]
    [InlineData("left corner -> stud b 5//8", "no number below the slash")]
    [InlineData("left corner -> kettle 12", "Nothing on the wall is called 'kettle'")]
    [InlineData("corner -> stud b 12", "'corner' fits 2 points")]
    public void A_line_that_is_not_understood_says_so(string typed, string words) =>
        Assert.Contains(words, QuickReading.Read(typed, WallWithWindow, UnitSystem.Inches).Problem!.Understood);

    private static Wall WallWithWindow => Sheets.Plan(
        ("/walls/w1/features/w", Sheets.Json("""{ "kind": "window", "name": "window", "left": "20 in", "width": "10 in", "height": "30 in", "bottom": "40 in" }"""))).Wall;

    // A wall of 156 by 96 in; what is expected is what somebody with a tape would draw.
    [Theory]
    [InlineData("44 in to 104 in", "right-corner", "m/right", "52 in")]
    [InlineData("44 in to 104 in", "m/right", "right-corner", "52 in")]
    [InlineData("44 in to 104 in", "m/left", "left-corner", "44 in")]
    [InlineData("44 in to 104 in", "left-corner", "m/left", "44 in")]
    [InlineData("44 in to 104 in", "right-corner", "m/right", "-52 in")]
    [InlineData("44 in to 104 in", "right-corner", "m/left", "112 in")]
    [InlineData("44 in to 104 in", "left-corner", "m/left", "-44 in", "left-corner", "right-corner", "-156 in")]
    [InlineData("40 in to 100 in", "w/left", "m/right", "30 in", "right-corner", "w/right", "16 in", "w/left", "w/right", "10 in")]
    [InlineData("94 in to 154 in", "studs/c", "m/right", "68 in")]
    [InlineData("8 in to 68 in", "studs/c", "m/right", "-18 in")]
    [InlineData("26 in to 86 in", "m/right", "m/left", "60 in", "studs/c", "m/right", "0 in")]
    public void A_reading_goes_the_way_that_its_points_and_the_wall_allow(string expected, params string[] readings)
    {
        var wall = Sheets.Plan(Mantel(readings)).Survey("w1")!.Wall;
        var mantel = wall.Features.Single(f => f.Id == "m");
        Assert.Equal(expected, $"{mantel.Left.Inches:0.###} in to {mantel.Right.Inches:0.###} in");
    }

    [Fact]
    public void From_the_ceiling_a_tape_goes_down_and_a_height_off_the_wall_moves_nothing()
    {
        // 96 in is 2438.4 mm; less 1030 leaves 1408.4.
        Assert.Equal(1408.4, Sheets.Plan(Mantel(["ceiling", "m/top", "1030 mm"])).Survey("w1")!.Wall.Features.Single(f => f.Id == "m").Top.Millimetres, 3);
        var plan = Sheets.Plan(Mantel(["ceiling", "m/top", "10300 mm"]));
        Assert.Equal(24, plan.Survey("w1")!.Wall.Features.Single(f => f.Id == "m").Top.Inches);
        var finding = plan.Finding("survey.off-the-wall");
        Assert.Equal("w1/readings/r0", finding.Where.Part);
        Assert.Contains("ceiling to top of the mantel = 405 1/2 in", finding.Message.Say(LengthStyle.Inches));
        Assert.Contains(plan.Marks, m => m.Item == "m1");
    }

    [Fact]
    public void What_lies_off_one_end_in_numbers_speaks_against_the_wall_and_is_said_once()
    {
        static (string, JsonNode?) Studs(params string[] at) => ("/walls/w1/studs", new JsonObject(at.Select((a, i) =>
            KeyValuePair.Create<string, JsonNode?>($"k{i}", new JsonObject { ["centre"] = a, ["state"] = "confirmed" }))));
        var plan = Sheets.Plan(("/walls/w1/width", "56 in"), Studs("40 in", "70 in", "86 in", "102 in"));
        var finding = Assert.Single(plan.Findings, f => f.Code == "survey.off-the-wall");
        Assert.Equal("w1/width", finding.Where.Part);
        Assert.Contains("3 entries lie right of its right end, the farthest at 102 in, and the wall is 56 in wide", finding.Message.Say(LengthStyle.Inches));
        Assert.Equal(3, finding.Parts.Count);
        // Two may be two slips.
        Assert.Equal(["w1/studs/k1", "w1/studs/k2"], Sheets.Plan(("/walls/w1/width", "56 in"), Studs("40 in", "70 in", "86 in")).Findings.Where(f => f.Code == "survey.off-the-wall").Select(f => f.Where.Part));
    }

    [Theory]
    [InlineData("right-corner", "86 in", 70)]
    [InlineData("m/right", "18 in", 86)]
    [InlineData("m/left", "-8 in", 0)]
    public void Evidence_goes_the_way_that_the_wall_allows(string from, string at, double expected)
    {
        var plan = Sheets.Plan([.. Mantel(["left-corner", "m/left", "8 in"]), ("/walls/w1/evidence/e", Sheets.Json($$"""{ "kind": "scanner-centre", "from": "{{from}}", "at": "{{at}}" }"""))]);
        Assert.Equal(expected, plan.Survey("w1")!.Soundings.Single().Low.Inches);
    }

    private static (string, JsonNode?)[] Mantel(string[] readings) =>
    [
        ("/walls/w1/features/m", Sheets.Json("""{ "kind": "mantel", "name": "mantel", "left": "1 in", "width": "60 in", "height": "4 in", "bottom": "20 in" }""")),
        ("/walls/w1/features/w", Sheets.Json("""{ "kind": "window", "name": "window", "left": "20 in", "width": "10 in", "height": "3 in", "bottom": "2 in" }""")),
        ("/walls/w1/readings", Readings([.. readings.Chunk(3).Select(r => (r[0], r[1], r[2], "Ines"))])),
    ];
}
