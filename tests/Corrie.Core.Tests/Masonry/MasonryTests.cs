using System.Text.Json.Nodes;
using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Fixing;
using Corrie.Core.Hanging;
using Corrie.Core.Masonry;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Core.Survey;
using Corrie.Core.Tests.Jobs;
using Corrie.Core.WholePlan;

namespace Corrie.Core.Tests.Masonry;

/// <summary>Stone and heat in whole plans.</summary>
public class MasonryTests : IFindingCases
{
    // The display reaches from 53 3/4 to 102 1/4 across and from 30 to 58 up; its bolts are at 70 and 86 across, 50.437 and 45.937 up (the pattern is metric).
    private static readonly (string, JsonNode?) Fire = ("/walls/w1/features/fire", Sheets.Json("""{ "kind": "fireplace", "name": "stove", "left": "66 in", "width": "30 in", "height": "16 in", "depth": "1 in" }"""));
    private static readonly (string, JsonNode?) Mantel = ("/walls/w1/features/mantel", Sheets.Json("""{ "kind": "mantel", "name": "slate shelf", "left": "66 in", "width": "30 in", "bottom": "22 in", "height": "2 in", "depth": "6 in", "combustible": false }"""));
    private static readonly (string, JsonNode?) Brick = ("/walls/w1/layers/l1/name", "brick");

    /// <inheritdoc/>
    public IEnumerable<(string Code, (string Path, JsonNode? Value)[] Has, (string Path, JsonNode? Value)[] Just)> Cases =>
    [
        ("masonry.heat-unknown", [Fire, Mantel, Heat("30 in", "85 F", 59)], [Fire, Mantel, Heat("30 in", "85 F", 60)]),
        // 40 °C as is usual, less 5.
        ("masonry.too-hot", [Fire, Mantel, Heat("30 in", "35.1 C", 60)], [Fire, Mantel, Heat("30 in", "35 C", 60)]),
        ("masonry.rising-air", [Fire, Mantel, ("/walls/w1/features/mantel/width", "29 15/16 in")], [Fire, Mantel]),
        // An eighth of 9 in is 1 1/8 in.
        ("masonry.combustible-near", [Fire, Trim("25 in", "1 3/16 in")], [Fire, Trim("25 in", "1 1/8 in")]),
        // The lags' holes are 2 3/4 in deep, and 1 in is left.
        ("masonry.flue-route", [Flue("3 11/16 in")], [Flue("3 3/4 in")]),
        // Half a joint and one and a half diameters: 3/16 + 15/32 in over the bed.
        ("masonry.near-joint", [Brick, Courses("49 51/64 in")], [Brick, Courses("49 49/64 in")]),
        ("masonry.joints-unknown", [Brick], [Brick, Courses("49 49/64 in")]),
        ("masonry.rocks", [Brick, .. Gap("3/64 in")], [Brick, .. Gap("1/32 in")]),
        ("masonry.gap-not-packed", [Brick, .. Gap("0 in"), ("/items/m1/gaps/points/d/x", "86 17/32 in")], [Brick, .. Gap("0 in"), ("/items/m1/gaps/points/d/x", "86 15/32 in")]),
        ("masonry.packing-short", [Brick, Soft, .. Gap("1/4 in")], [Brick, Soft, .. Gap("15/64 in")]),
        ("masonry.veneer-carries", [.. Anchored, ("/walls/w1/layers/l1/facing", true)], [.. Anchored]),
        ("masonry.crumbles", [Brick, Knock("hollow"), ("/walls/w1/unit", "solid-brick")], [Brick, Knock("hollow"), ("/walls/w1/unit", "hollow-brick")]),
        ("masonry.silica", [Brick], [Brick, ("/items/m1/built/done/dust", Sheets.Json("""{ "by": "Ines" }"""))]),
        ("masonry.closed-unseen", [ClosedOpening], [ClosedOpening, ("/walls/w1/closedIn/by", "Ines")]),
        // The rows are 4 1/2 in apart, and 2 in over and under them: pieces of 8 1/2 in.
        ("masonry.blocking-stuck", [.. Blocked("8 7/16 in")], [.. Blocked("8 1/2 in")]),
    ];

    private static readonly (string, JsonNode?) Soft = ("/packing/soft", Sheets.Json("""{ "free": "1/4 in", "least": "11/64 in", "most": "15/64 in" }"""));
    private static readonly (string, JsonNode?) ClosedOpening = ("/walls/w1/features/closed", Sheets.Json("""{ "kind": "closed-opening", "name": "old hatch", "left": "60 in", "bottom": "30 in", "width": "40 in", "height": "30 in" }"""));

    private static readonly (string, JsonNode?)[] Anchored =
    [
        ("/walls/w1/kind", "masonry"), ("/items/m1/product/walls", Sheets.Json("""["masonry", "wood-studs"]""")), ("/walls/w1/layers/l1", Sheets.Json("""{ "order": 1, "name": "stone", "thickness": "8 in", "confirmed": true }""")), ("/walls/w1/unit", "stone"),
        ("/items/m1/bolt", Sheets.Json("""{ "name": "sleeve anchor", "kind": "sleeve-anchor", "diameter": "3/8 in", "length": "3 in", "ratings": [{ "into": "stone", "tension": "800 lb", "shear": "700 lb", "embedment": "1 1/2 in" }] }""")),
    ];

    [Theory]
    // By hand: IRC R1001.11, an eighth of the distance within 12 in, nothing within 6 in.
    [InlineData("5 15/16 in", "1/16 in", "nothing that burns may be nearer than 6 in")]
    [InlineData("6 in", "3/4 in", null)]
    [InlineData("8 in", "1 1/16 in", "it may stand out 1 in")]
    [InlineData("9 in", "1 1/4 in", "it may stand out 1 1/8 in")]
    [InlineData("9 in", "1 1/4 in", "move it 1 in farther")]
    [InlineData("11 15/16 in", "9 in", "back to 1 1/2 in")]
    [InlineData("12 in", "9 in", null)]
    [InlineData("9 in", "0 in", "Measure how far")]
    public void What_burns_keeps_its_distance_from_a_fire(string away, string depth, string? says)
    {
        var plan = Sheets.Plan(Fire, Trim(Sheets.In("16 in") + Sheets.In(away), depth));
        var found = plan.Findings.Where(f => f.Code == "masonry.combustible-near").ToList();
        Assert.Equal(says is null, found.Count == 0);
        Assert.All(found, f => Assert.Contains(says!, f.Message.Say(LengthStyle.Inches)));
    }

    [Fact]
    public void An_appliance_s_own_papers_count_where_they_are_stricter()
    {
        Assert.Contains("18 in", Sheets.Plan(Fire, Mantel, Trim("30 in", "2 in"), ("/walls/w1/fire/listed", "18 in")).Finding("masonry.combustible-near").Message.Say(LengthStyle.Inches));
        Assert.DoesNotContain("masonry.combustible-near", Sheets.Plan(Fire, Mantel, Trim("34 in", "2 in"), ("/walls/w1/fire/listed", "18 in")).Codes());
        // A board under the plate burns as well: here 3/4 in of it, 5 in over the opening.
        Assert.Contains("board under the plate", Sheets.Plan(Fire, ("/walls/w1/features/fire/height", "39 15/16 in"), ("/items/m1/fix/conditions/spreader", "3/4 in")).Findings.First(f => f.Where.Part == "m1/board/fire").Message.Say(LengthStyle.Inches));
        // And so does the display, where no mantel is between: 10 in over the opening it may stand out 1 1/4, and stands out 3 1/2.
        Assert.Contains("may stand out 1 1/4 in", Sheets.Plan(Fire, ("/walls/w1/features/fire/height", "20 in")).Finding("masonry.combustible-near").Message.Say(LengthStyle.Inches));
        Assert.DoesNotContain("masonry.combustible-near", Sheets.Plan(Fire, Mantel, ("/walls/w1/features/fire/height", "20 in")).Codes());
    }

    [Fact]
    public void A_hot_reading_is_cured_by_the_height_at_which_it_was_cool()
    {
        // 122 °F at 30 up and 86 at 48: 95 °F (35 °C) at three quarters of the way, 43 1/2 in, told as 44.
        var plan = Sheets.Plan(Fire, Mantel, Readings(("air", "30 in", "122 F", 70), ("air", "48 in", "86 F", 70)));
        var hot = plan.Finding("masonry.too-hot");
        Assert.Contains("122 °F after 70 minutes", hot.Message.Say(LengthStyle.Inches));
        Assert.Contains("50 °C after 70 minutes", hot.Message.Say(LengthStyle.Millimetres));
        Assert.Equal(("/items/d1/place/height", "44 in"), (hot.Remedies[0].Changes[0].Path, hot.Remedies[0].Changes[0].Value!.ToString()));
        // What is hot before an hour is hot; what is cool before an hour is not known; what was measured higher says nothing of what is lower.
        Assert.Contains("masonry.too-hot", Sheets.Plan(Fire, Mantel, Readings(("air", "30 in", "122 F", 10))).Codes());
        Assert.Contains("10 minutes are too short", Sheets.Plan(Fire, Mantel, Readings(("air", "30 in", "80 F", 10))).Finding("masonry.heat-unknown").Message.Say(LengthStyle.Inches));
        Assert.Contains("measured at 33 in, higher than that", Sheets.Plan(Fire, Mantel, Readings(("air", "33 in", "80 F", 90))).Finding("masonry.heat-unknown").Message.Say(LengthStyle.Inches));
        Assert.DoesNotContain("masonry.too-hot", Sheets.Plan(Fire, Mantel, Heat("30 in", "44 C", 60), ("/items/d1/product/warmest", "50 C")).Codes());
    }

    [Fact]
    public void A_mount_that_comes_down_is_measured_where_it_comes_to()
    {
        (string, JsonNode?)[] pulled =
        [
            Fire, Mantel, ("/items/m1/product/kind", "pull-down"), ("/items/m1/product/depthExtended", "12 in"), ("/items/m1/product/drop", "10 in"),
        ];
        Assert.Contains("the air at 20 in up", Sheets.Plan([.. pulled, Heat("30 in", "80 F", 60)]).Finding("masonry.heat-unknown").Message.Say(LengthStyle.Inches));
        Assert.DoesNotContain("masonry.heat-unknown", Sheets.Plan([.. pulled, Heat("20 in", "80 F", 60)]).Codes());
    }

    [Fact]
    public void A_flue_counts_as_in_use_until_it_is_shown_to_be_dead()
    {
        (string, JsonNode?)[] over = [Fire, ("/walls/w1/features/fire/height", "20 in")];
        Assert.Equal(Severity.FinalStop, Sheets.Plan(over).Findings.First(f => f.Code == "masonry.flue-route").Severity);
        Assert.Contains("masonry.flue-route", Sheets.Plan([.. over, ("/walls/w1/questions/flue", "dead")]).Codes());
        var shown = Sheets.Json("""{ "applianceGone": true, "closedOff": true, "photo": "p1", "by": "Ines" }""");
        // A photo that is named and not there shows nothing.
        Assert.Contains("masonry.flue-route", Sheets.Plan([.. over, ("/walls/w1/questions/flue", "dead"), ("/walls/w1/questions/deadFlue", shown.DeepClone())]).Codes());
        Assert.DoesNotContain("masonry.flue-route", Sheets.Plan([.. over, ("/walls/w1/questions/flue", "dead"), ("/walls/w1/questions/deadFlue", shown.DeepClone()), ("/walls/w1/photos/p1", Sheets.Json($$"""{ "of": "wall", "picture": "{{new string('a', 64)}}" }"""))]).Codes());
        Assert.DoesNotContain("masonry.flue-route", Sheets.Plan([.. over, ("/walls/w1/fire/fuel", "electric")]).Codes());
        // A wood fire has one, whatever was answered.
        Assert.Contains("masonry.flue-route", Sheets.Plan([.. over, ("/walls/w1/questions/flue", "none"), ("/walls/w1/fire/fuel", "wood")]).Codes());
        Assert.DoesNotContain("masonry.flue-route", Sheets.Plan([.. over, ("/walls/w1/questions/flue", "none"), ("/walls/w1/fire/fuel", "gas"), ("/walls/w1/fire/vented", false)]).Codes());
    }

    [Fact]
    public void A_test_hole_that_meets_wood_changes_fixing_bits_lengths_and_list_at_once()
    {
        (string, JsonNode?)[] planned =
        [
            .. Anchored,
            ("/walls/w1/layers", Sheets.Json("""{ "l1": { "order": 1, "name": "stone facing", "thickness": "3 in", "confirmed": true }, "l2": { "order": 2, "name": "void", "thickness": "1 in", "confirmed": true }, "l3": { "order": 3, "name": "block", "thickness": "7 5/8 in", "confirmed": true } }""")),
            ("/walls/w1/unit", "solid-block"), ("/items/m1/bolt/length", "7 in"), ("/items/m1/bolt/ratings", Sheets.Json("""[{ "into": "solid-block", "tension": "800 lb", "shear": "700 lb", "embedment": "1 1/2 in" }]""")),
            ("/items/m1/spares/lag", Sheets.Json("""{ "name": "lag screw", "kind": "lag-screw", "diameter": "3/8 in", "length": "6 in", "tip": "7/32 in", "sold": ["5 in", "6 in", "7 in"] }""")),
        ];
        var before = Sheets.Plan(planned);
        Assert.Equal((Ground.Units, FastenerKind.SleeveAnchor), (before.Bolted.Ground, before.BoltOf(before.Sheet.Item("m1")!)!.Sort));

        // 3 in of stone as was thought, and then wood for 1 1/4 in where the void and the block were to be.
        var after = Sheets.Plan([.. planned, ("/walls/w1/testHoles/t", Sheets.Json("""{ "x": "70 in", "y": "50 in", "by": "Ines", "dust": "grey, then pale wood", "behind": "wood", "bite": "1 1/4 in", "layers": [{ "name": "stone facing", "thickness": "3 in" }] }"""))]);
        Assert.Equal((Ground.Stud, FastenerKind.LagScrew), (after.Bolted.Ground, after.BoltOf(after.Sheet.Item("m1")!)!.Sort));
        Assert.Equal((WallKind.WoodStuds, 1), (after.Wall.Kind, after.Wall.Layers.Count));
        Assert.Contains(after.Survey("w1")!.Soundings, s => s.Evidence.Id == "hole-t" && s.Middle == Length.Tape(70));
        Assert.Contains("the void of 1 in is not there: the bit met wood", after.Finding("survey.build-up-differs").Message.Say(LengthStyle.Inches));
        // Plate 3/16 and stone 3 in are passed; 7/32 of tip: of 5, 6 and 7 in the 5 in one has 4 D, 1 1/2 in, in the wood. Three bits instead of two.
        Assert.Equal(Length.Tape(3, 3, 16), after.Bolted.Passed);
        Assert.Equal(Length.Tape(5), after.Bolted.Length.Sold);
        Assert.Equal([BitFor.Masonry, BitFor.Masonry, BitFor.Wood], DrillStep.Of(after.Bolted, after.Bolted.DrillDepth).Select(s => s.For));
        Assert.All(DrillStep.Of(before.Bolted, before.Bolted.DrillDepth), s => Assert.Equal(BitFor.Masonry, s.For));
        var (had, has) = (Tools(before), Tools(after));
        Assert.Contains(had, t => t.Contains("masonry bit", StringComparison.Ordinal));
        Assert.Contains(has, t => t.Contains("wood bit", StringComparison.Ordinal));
        Assert.DoesNotContain(had, t => t.Contains("wood bit", StringComparison.Ordinal));

        // Taken over, it is no contradiction any more, and the plan is the same.
        var taken = Sheets.Document([.. planned, ("/walls/w1/testHoles/t", after.Sheet.Walls[0].Get(WallForm.Wall)!.TestHoles.Count > 0 ? Sheets.Json("""{ "x": "70 in", "y": "50 in", "by": "Ines", "behind": "wood", "bite": "1 1/4 in", "layers": [{ "name": "stone facing", "thickness": "3 in" }] }""") : null)]);
        foreach (var change in after.Finding("survey.build-up-differs").Remedies[0].Changes)
        {
            Corrie.Core.Format.Pointer.Set(taken, change.Path, change.Value);
        }

        var then = Sheets.Plan(taken);
        Assert.DoesNotContain("survey.build-up-differs", then.Codes());
        Assert.Equal(after.Bolted.Bolts.Select(b => (b.X, b.Y, b.Penetration)), then.Bolted.Bolts.Select(b => (b.X, b.Y, b.Penetration)));
    }

    [Fact]
    public void Every_bolt_has_the_length_that_its_own_packing_asks_for()
    {
        (string, JsonNode?)[] packed =
        [
            ("/walls/w1/layers", Sheets.Json("""{ "l1": { "order": 1, "name": "brick veneer", "thickness": "3/4 in", "confirmed": true } }""")), Soft,
            ("/packing/pieces", Sheets.Json("""[{ "name": "steel washer", "thickness": "1/8 in", "count": 20 }]""")), ("/items/m1/bolt/sold", Sheets.Json("""["2 1/2 in", "3 in", "3 1/2 in", "4 in"]""")), ("/items/m1/bolt/thread", null),
            Points(("70 in", "50 7/16 in", "0 in"), ("86 in", "50 7/16 in", "7/16 in"), ("70 in", "45 15/16 in", "0 in"), ("86 in", "45 15/16 in", "19/32 in"), ("68 1/2 in", "48 in", "0 in")),
        ];
        var plan = Sheets.Plan(packed);
        Assert.Equal(string.Empty, string.Join('\n', plan.Findings.Where(f => f.Code.StartsWith("masonry.packing", StringComparison.Ordinal) || f.Code is "masonry.rocks" or "fix.too-short" or "fix.no-hold").Select(f => f.Message)));
        // Washer 1/16, plate 3/16, brick 3/4, 4 D of 1 1/4 and 3/16 of tip: 2 7/16 without packing, 2 7/8 and 3 1/32 with.
        Assert.Equal(["2 1/2 in", "3 in", "2 1/2 in", "3 1/2 in"], plan.Bolted.Bolts.Select(b => LengthText.Exact(b.Length, UnitSystem.Inches)));
        Assert.Equal(["0 in", "7/16 in", "0 in", "19/32 in"], plan.Bolted.Bolts.Select(b => LengthText.Exact(b.Packing, UnitSystem.Inches)));
        // 7/16 takes two washers of 1/8 and the soft one at 3/16; 19/32 three of them and the soft one at 7/32.
        Assert.Equal([0, 2, 0, 3], plan.Face("m1")!.Holes.Select(h => h.Stack!.Pieces[0]));
        // Moved by an inch, nobody knows the gaps any more.
        Assert.Contains("masonry.gap-not-packed", Sheets.Plan([.. packed, ("/items/d1/place/height", "31 in")]).Codes());
        // What hangs stands out by the widest gap.
        Assert.True(plan.Bolted.Bolts[0].Pull.Newtons > Sheets.Plan([.. packed[..^1]]).Bolted.Bolts[0].Pull.Newtons);
    }

    // By hand: washer 1/16, plate 1/8, 4 in of cobbles and 2 1/2 in in the block are 6 11/16 in, and each hole's gap; sold are 7, 7 1/2, 8, 8 1/2, 9.
    [Fact]
    public void The_stove_lounge_is_complete_on_its_three_walls()
    {
        var document = Demo();
        var plan = Sheets.Plan(document);
        Assert.Equal(string.Empty, string.Join('\n', plan.Findings.Where(f => f.Stops).Select(f => f.Message)));
        Assert.All(plan.Statuses.Where(s => s.Stage.Step != WorkStep.Site), s => Assert.True(s.State is StageState.Clear or StageState.NotNeeded, $"{s.Stage.Id.Title} on {s.Wall}: {s.State}"));
        Assert.Equal(["7 in", "7 1/2 in", "7 in", "8 in"], plan.Fixing("m1")!.Bolts.Select(b => LengthText.Exact(b.Length, UnitSystem.Inches)));
        Assert.Equal(["g1", "g5", "g6"], plan.Face("m1")!.Resting!.Contacts.Select(c => plan.Face("m1")!.Resting!.Points[c].Id).Order());
        Assert.Equal([2, 3, 4], plan.Face("m1")!.Holes.Where(h => h.Rocks).Select(h => h.Number));
        Assert.Equal(Length.Tape(22, 3, 8), Assert.Single(plan.Face("m3")!.Blocking).Length);

        // The mantel 9 in over the opening, and 12: an eighth of 9 in is 1 1/8.
        document["walls"]!["w1"]!["features"]!["f2"]!["bottom"] = "45 in";
        document["walls"]!["w1"]!["features"]!["f2"]!["depth"] = "1 1/4 in";
        Assert.Contains("9 in from the stove it may stand out 1 1/8 in", Sheets.Plan(document).Finding("masonry.combustible-near").Message.Say(LengthStyle.Inches));
        document["walls"]!["w1"]!["features"]!["f2"]!["bottom"] = "48 in";
        document["walls"]!["w1"]!["features"]!["f2"]!["depth"] = "20 in";
        Assert.DoesNotContain("masonry.combustible-near", Sheets.Plan(document).Codes());
    }

    [Fact]
    public void Gaps_that_are_alike_load_the_bolts_as_packing_of_that_thickness_does()
    {
        (string, JsonNode?)[] wall = [("/walls/w1/layers/l1/name", "brick veneer"), ("/items/m1/bolt/sold", null), ("/items/m1/product/kind", "articulating"), ("/items/m1/product/depthExtended", "16 in"), ("/items/m1/bolt/length", "4 in")];
        var gapped = Sheets.Plan([.. wall, Points(("70 in", "50 7/16 in", "1/4 in"), ("86 in", "50 7/16 in", "1/4 in"), ("70 in", "45 15/16 in", "1/4 in"), ("86 in", "45 15/16 in", "1/4 in"))]).Bolted;
        var packed = Sheets.Plan([.. wall, ("/items/m1/fix/packing", "1/4 in")]).Bolted;
        Assert.Equal(packed.Bolts.Select(b => (b.X, b.Y, b.Penetration, b.Thread)), gapped.Bolts.Select(b => (b.X, b.Y, b.Penetration, b.Thread)));
        Assert.Equal(packed.Bolts.Select(b => b.Pull.Newtons), gapped.Bolts.Select(b => b.Pull.Newtons));
        Assert.Equal(packed.Bolts.Select(b => b.Utilisation!.Value), gapped.Bolts.Select(b => b.Utilisation!.Value));
        Assert.Equal(packed.DrillDepth, gapped.DrillDepth);
    }

    [Theory]
    [InlineData("air 57, 86 F, 75 min", HeatOf.Air, 57, 30, 75)]
    [InlineData("wall 57 1/2; 30 C; 1.5 h", HeatOf.Wall, 57.5, 30, 90)]
    [InlineData("WALL 5' 2\", 86 °F, 60", HeatOf.Wall, 62, 30, 60)]
    public void A_temperature_is_read_as_people_write_it(string typed, HeatOf of, double up, double celsius, int minutes)
    {
        var heat = QuickHeat.Read(typed, UnitSystem.Inches).Heat!.Value;
        Assert.Equal((of, up, minutes), (heat.Of, heat.Up.Inches, heat.Minutes));
        Assert.Equal(celsius, heat.Warm.Celsius, 1e-9);
    }

    [Theory]
    [InlineData("")]
    [InlineData("hot 57, 86 F, 75")]
    [InlineData("air, 86 F, 75")]
    [InlineData("air 57, 86 K, 75")]
    [InlineData("air 57, 900 F, 75")]
    [InlineData("air 57, 86 F, long")]
    [InlineData("air 57, 86 F, -5")]
    public void What_is_no_temperature_is_said(string typed) => Assert.Contains("air 57, 86 F, 75 min", QuickHeat.Read(typed, UnitSystem.Inches).Problem!.ToString());

    [Fact]
    public void Gaps_are_read_in_the_order_of_the_holes()
    {
        static string Read(string typed) => QuickGaps.Read(typed, 4, UnitSystem.Inches) is (var gaps, null) ? string.Join(", ", gaps.Select(g => g is { } l ? LengthText.Exact(l, UnitSystem.Inches) : "-")) : "no";
        Assert.Equal("3/8 in, 1 1/2 in, 0 in, 7/16 in", Read("3/8, 1 1/2, 0, 7/16"));
        Assert.Equal("3/8 in, 1/2 in, 0 in", Read("3/8 1/2 0"));
        Assert.Equal("3/8 in, -, 0 in", Read("3/8; -; 0"));
        // One gap of one and a half, and not two; where nobody could tell it is refused.
        Assert.Equal("1 1/2 in", Read("1 1/2"));
        Assert.Equal("no", Read("1 1/2 0 3/8"));
        Assert.All(new[] { "", "1,2,3,4,5", "a, b", "-1/8, 0", "20, 0" }, t => Assert.Equal("no", Read(t)));
    }

    [Theory]
    [InlineData("/items/m1/fix/conditions/spreader", "\"3/4 in\"", "fix.evidence-void", "board 3/4 in")]
    [InlineData("/packing/soft/least", "\"1/2 in\"", "masonry.packing-short", "Correct the rubber washer")]
    [InlineData("/walls/w1/testHoles/h2", """{ "x": "97 in", "y": "72 in", "layers": [{ "name": "cobble facing", "thickness": "4 in" }, { "name": "block", "thickness": "2 in" }], "behind": "metal" }""", "survey.build-up-differs", "the bit met metal")]
    [InlineData("/walls/w1/features/f4/left", "\"70 in\"", "masonry.flue-route", null)]
    [InlineData("/walls/w1/layers/l1/thickness", "\"5 in\"", "survey.build-up-differs", "the cobble facing is 4 in thick; the build-up says 5 in")]
    [InlineData("/items/m1/gaps/points/g2/gap", "\"4 in\"", "fix.too-short", "10 11/16 in or longer")]
    public void A_slip_in_the_stove_lounge_is_said(string path, string value, string code, string? says)
    {
        var document = Demo();
        Corrie.Core.Format.Pointer.Set(document, path, Sheets.Json(value));
        // A flue farther to the left is behind bolts, and 7 in deep at the most for all they leave of the block.
        document["walls"]!["w1"]!["features"]!["f4"]!["depth"] = code == "masonry.flue-route" ? "7 in" : "11 5/8 in";
        var found = Sheets.Plan(document).Findings.First(f => f.Code == code);
        Assert.Contains(says ?? "the flue begins 7 in behind the face", found.Message.Say(LengthStyle.Inches));
    }

    [Theory]
    [InlineData("/walls/w1/features/f9", """{ "kind": "fireplace", "name": "oven", "left": "60 in", "width": "20 in", "bottom": "20 in", "height": "16 in" }""", "masonry.flue-route", "flue of the oven")]
    [InlineData("/walls/w1/features/f9", """{ "kind": "fireplace", "name": "oven", "left": "60 in", "width": "20 in", "bottom": "20 in", "height": "16 in" }""", "masonry.heat-unknown", "with several fires say over which")]
    [InlineData("/walls/w1/fire/readings/r1/warm", "\"30 F\"", "masonry.heat-unknown", "30 °F was read at 57 in, which is colder than a room")]
    [InlineData("/items/m1/gaps/points/g9", """{ "x": "97 in", "y": "77 15/16 in", "gap": "1 1/2 in" }""", "masonry.gap-not-packed", "hole 2 again and take the wrong one away: 7/16 in and 1 1/2 in")]
    [InlineData("/walls/w3/closedIn/hatch/left", "\"10 in\"", "masonry.blocking-stuck", "10 in to 20 in across it opens on something else")]
    public void Two_of_a_thing_the_other_unit_and_the_wrong_place_are_said(string path, string value, string code, string says)
    {
        var document = Demo();
        Corrie.Core.Format.Pointer.Set(document, path, Sheets.Json(value));
        Assert.Contains(Sheets.Plan(document).Findings.Where(f => f.Code == code), f => f.Message.Say(LengthStyle.Inches).Contains(says, StringComparison.Ordinal));
    }

    [Fact]
    public void No_edge_distance_lets_a_hole_into_a_joint() =>
        // Half a 3/8 in joint and half a 5/16 in hole: its middle is 11/32 in from the bed's at the least, whatever was entered.
        Assert.Contains("masonry.near-joint", Sheets.Plan(Brick, Courses("50 1/8 in"), ("/walls/w1/facework/edge", "0 in")).Codes());

    private static JsonObject Demo() => Corrie.Core.Jobs.JobFile.Parse(File.ReadAllText(Repository.File("src/Corrie.Web/Demo/stove-lounge.json"))).Document!;

    private static List<string> Tools(Corrie.Core.Planning.JobPlan plan) => [.. SetOutKit.Of(plan, "w1").Tools.Select(t => t.Say(LengthStyle.Inches))];

    private static (string, JsonNode?) Heat(string air, string warm, int minutes) => Readings(("air", air, warm, minutes), ("wall", "30 in", warm, minutes), ("wall", "44 in", warm, minutes), ("wall", "58 in", warm, minutes));

    private static (string, JsonNode?) Readings(params (string Of, string Up, string Warm, int Minutes)[] readings) => ("/walls/w1/fire/readings", new JsonObject(readings.Select((r, i) =>
        KeyValuePair.Create<string, JsonNode?>($"r{i}", new JsonObject { ["of"] = r.Of, ["up"] = r.Up, ["warm"] = r.Warm, ["minutes"] = r.Minutes }))));

    private static (string, JsonNode?) Trim(Length bottom, string depth) => Trim(LengthText.Exact(bottom, UnitSystem.Inches), depth);

    private static (string, JsonNode?) Trim(string bottom, string depth) => ("/walls/w1/features/trim", Sheets.Json($$"""{ "kind": "mantel", "name": "oak trim", "left": "60 in", "width": "40 in", "bottom": "{{bottom}}", "height": "2 in", "depth": "{{depth}}" }"""));

    private static (string, JsonNode?) Flue(string begins) => ("/walls/w1/features/flue", Sheets.Json($$"""{ "kind": "flue", "name": "flue", "left": "60 in", "bottom": "30 in", "width": "30 in", "height": "60 in", "depth": "{{begins}}" }"""));

    private static (string, JsonNode?) Courses(string bed) => ("/walls/w1/facework/courses", Sheets.Json($$"""{ "course": "4 1/2 in", "joint": "3/8 in", "firstBed": "{{bed}}" }"""));

    private static (string, JsonNode?) Knock(string sound) => ("/walls/w1/facework/knocks/k", Sheets.Json($$"""{ "x": "70 in", "y": "50 in", "sound": "{{sound}}", "by": "Ines" }"""));

    private static (string, JsonNode?)[] Gap(string last) =>
    [
        Courses("49 49/64 in"), Points(("70 in", "50 7/16 in", "0 in"), ("86 in", "50 7/16 in", "0 in"), ("70 in", "45 15/16 in", "0 in"), ("86 in", "45 15/16 in", last)),
    ];

    private static (string, JsonNode?) Points(params (string X, string Y, string Gap)[] points) => ("/items/m1/gaps/points", new JsonObject(points.Select((p, i) =>
        KeyValuePair.Create<string, JsonNode?>(((char)('a' + i)).ToString(), new JsonObject { ["x"] = p.X, ["y"] = p.Y, ["gap"] = p.Gap }))));

    private static (string, JsonNode?)[] Blocked(string hatch) =>
    [
        ClosedOpening, ("/items/m1/support", Sheets.Json("""{ "backing": "blocking", "thickness": "1 1/2 in" }""")),
        ("/walls/w1/closedIn", Sheets.Json($$"""{ "by": "Ines", "hatch": { "left": "62 in", "bottom": "31 in", "width": "{{hatch}}", "height": "1 1/2 in" } }""")),
    ];
}
