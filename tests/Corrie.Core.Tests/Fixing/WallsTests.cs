using System.Text.Json.Nodes;
using Corrie.Core.Findings;
using Corrie.Core.Fixing;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using Corrie.Core.Planning;

namespace Corrie.Core.Tests.Fixing;

/// <summary>Every kind of wall with what belongs into it, planned as a whole, and with what does not.</summary>
public class WallsTests
{
    private static readonly Dictionary<string, (string, JsonNode?)[]> Walls = new()
    {
        ["wood studs"] = [],
        ["steel studs"] = Wall("steel-studs", ("gypsum board", "5/8 in")),
        ["steel studs of 25 gauge"] = [.. Wall("steel-studs", ("gypsum board", "5/8 in")), ("/walls/w1/gauge", "steel25")],
        ["solid brick"] = [.. Wall("masonry", ("render", "1/2 in"), ("brick", "4 in")), ("/walls/w1/unit", "solid-brick")],
        ["hollow block"] = [.. Wall("masonry", ("block", "7 5/8 in")), ("/walls/w1/unit", "hollow-block")],
        ["concrete"] = [.. Wall("masonry", ("concrete", "8 in")), ("/walls/w1/unit", "concrete")],
        ["masonry of which nobody knows the units"] = Wall("masonry", ("brick", "4 in")),
        ["stone on sheathing and studs"] = Wall("wood-studs", ("stone veneer", "2 3/4 in"), ("plywood", "1/2 in")),
        ["planks"] = Wall("planks", ("planks", "1 1/2 in")),
        ["board alone"] = [("/items/m1/support/boardOnly", true), ("/items/d1/product/mass", "22 lb"), ("/items/m1/product/rows", Sheets.Json("""[{ "id": "a", "aboveHook": "0 in", "slots": [{ "from": "-6 in", "to": "-6 in" }, { "from": "6 in", "to": "6 in" }] }, { "id": "b", "aboveHook": "-3 in", "slots": [{ "from": "-6 in", "to": "-6 in" }, { "from": "6 in", "to": "6 in" }] }, { "id": "c", "aboveHook": "-6 in", "slots": [{ "from": "-6 in", "to": "-6 in" }, { "from": "6 in", "to": "6 in" }] }]"""))],
    };

    private static readonly Dictionary<string, JsonNode> Fasteners = new()
    {
        ["lag"] = Of("lag-screw", "3/8 in", "3 1/2 in"),
        ["long lag"] = Of("lag-screw", "3/8 in", "6 1/2 in", ("tip", "7/32 in")),
        ["wood screw"] = Of("wood-screw", "0.242 in", "3 in", ("tip", "1/4 in")),
        ["short wood screw"] = Of("wood-screw", "0.216 in", "1 5/8 in", ("tip", "1/8 in")),
        ["structural screw"] = Of("structural-screw", "1/4 in", "3 in", "wood, 250 lb, 140 lb"),
        ["structural screw without a report"] = Of("structural-screw", "1/4 in", "3 in"),
        ["toggle"] = Of("toggle", "1/4 in", "4 in", "steel20, 320 lb, 280 lb; steel25, 200 lb, 180 lb; board, 260 lb, 240 lb", ("hole", "1/2 in"), ("grip", "2 in")),
        ["toggle for 20 gauge"] = Of("toggle", "1/4 in", "4 in", "steel20, 320 lb, 280 lb", ("hole", "1/2 in"), ("grip", "2 in")),
        ["toggle rated without a gauge"] = Of("toggle", "1/4 in", "4 in", ("hole", "1/2 in"), ("grip", "2 in"), ("ratedTension", "200 lb")),
        ["sheet metal screw"] = Of("sheet-metal-screw", "0.164 in", "1 1/2 in"),
        ["sleeve anchor"] = Of("sleeve-anchor", "3/8 in", "3 in", "solid-brick, 800 lb, 700 lb, 1 1/2 in, 4 in, 4 in"),
        ["bonded anchor"] = Of("bonded-anchor", "3/8 in", "4 in", "hollow-block, 900 lb, 800 lb, 2 in, 4 in, 4 in"),
        ["wedge anchor"] = Of("wedge-anchor", "3/8 in", "3 in", "concrete, 2000 lb, 1600 lb, 2 in, 3 in, 3 in"),
        ["through bolt"] = Of("through-bolt", "3/8 in", "3 in", "planks, 900 lb, 700 lb"),
    };

    [Theory]
    [InlineData("wood studs", "lag")]
    [InlineData("wood studs", "wood screw")]
    [InlineData("wood studs", "structural screw")]
    [InlineData("steel studs", "toggle")]
    [InlineData("steel studs of 25 gauge", "toggle")]
    [InlineData("solid brick", "sleeve anchor")]
    [InlineData("hollow block", "bonded anchor")]
    [InlineData("concrete", "wedge anchor")]
    [InlineData("planks", "short wood screw")]
    [InlineData("planks", "through bolt")]
    public void What_belongs_into_a_wall_holds(string wall, string fastener)
    {
        var plan = Plan(wall, fastener);
        Assert.Equal(string.Empty, string.Join('\n', plan.Findings.Where(f => f.Stops).Select(f => f.Message)));
        Assert.Equal(4, plan.Bolted.Bolts.Count);
        Assert.All(plan.Bolted.Bolts, b => Assert.InRange(b.Utilisation!.Value, 0.001, 1));
    }

    [Theory]
    [InlineData("wood studs", "toggle", "cannot open inside a wood stud")]
    [InlineData("wood studs", "sleeve anchor", "is made to hold in masonry")]
    [InlineData("steel studs", "lag", "holds no thread in the flange")]
    [InlineData("steel studs", "sheet metal screw", "carries none by itself")]
    [InlineData("solid brick", "lag", "holds nothing in brick")]
    [InlineData("solid brick", "wedge anchor", "for concrete alone")]
    [InlineData("stone on sheathing and studs", "sleeve anchor", "is made to hold in masonry")]
    [InlineData("planks", "wedge anchor", "does not hold in 1 1/2 in of planks")]
    [InlineData("board alone", "lag", "tears out of 5/8 in of it")]
    public void What_does_not_is_refused_for_good_and_says_why(string wall, string fastener, string why)
    {
        var finding = Plan(wall, fastener).Finding("fix.wrong-for-wall");
        Assert.Equal(Severity.FinalStop, finding.Severity);
        Assert.Contains(why, finding.Message.Say(LengthStyle.Inches));
    }

    [Theory]
    [InlineData("wood studs", "structural screw without a report", "no rated load in the catalogue")]
    [InlineData("steel studs of 25 gauge", "toggle for 20 gauge", "rated for 25 gauge steel")]
    [InlineData("steel studs of 25 gauge", "toggle rated without a gauge", "is rated for 200 lbf without a gauge")]
    [InlineData("hollow block", "sleeve anchor", "rated for hollow block")]
    [InlineData("masonry of which nobody knows the units", "sleeve anchor", "Say what the wall's units are")]
    public void A_rating_is_for_one_material(string wall, string fastener, string why) => Assert.Contains(why, Plan(wall, fastener).Finding("fix.rating-unknown").Message.Say(LengthStyle.Inches));

    [Fact]
    public void A_gauge_that_nobody_has_said_is_taken_as_the_weakest_rated()
    {
        // 200 lb at failure for 25 gauge, over the company's factor of 4.
        Assert.All(Plan("steel studs", "toggle").Bolted.Bolts, b => Assert.Equal(50, b.Holds!.Value.PoundsForce, 0.01));
        Assert.All(Sheets.Plan([.. Walls["steel studs"], ("/items/m1/bolt", Fasteners["toggle"].DeepClone()), ("/walls/w1/gauge", "steel20")]).Bolted.Bolts, b => Assert.Equal(80, b.Holds!.Value.PoundsForce, 0.01));
    }

    [Fact]
    public void Stone_veneer_is_passed_and_an_engineer_says_what_it_holds_across()
    {
        var plan = Plan("stone on sheathing and studs", "long lag");
        Assert.Contains("3 1/4 in that does not bear", plan.Finding("fix.shear-unknown").Message.Say(LengthStyle.Inches));
        Assert.DoesNotContain(plan.Findings, f => f.Severity == Severity.FinalStop);
        // The engineer's figure counts for what it was made for, and no longer once the stone is another.
        (string, JsonNode?)[] figure =
        [
            .. Walls["stone on sheathing and studs"], ("/items/m1/bolt", Fasteners["long lag"].DeepClone()),
            ("/items/m1/evidence/engineer", Sheets.Json("""{ "name": "R. Fell", "on": "4 May 2026", "tension": "150 lb", "shear": "40 lb", "assumed": "lag screw 3/8 in by 6 1/2 in; wood studs, stud; stone veneer 2 3/4 in and plywood 1/2 in; packing 0 in; plate 3/16 in" }""")),
        ];
        var cleared = Sheets.Plan(figure);
        Assert.DoesNotContain(cleared.Findings, f => f.Stops);
        Assert.All(cleared.Bolted.Bolts, b => Assert.Equal(40, b.HoldsAcross!.Value.PoundsForce, 0.01));
        var thicker = Sheets.Plan([.. figure, ("/walls/w1/layers/l1/thickness", "3 in")]);
        Assert.Contains("fix.shear-unknown", thicker.Codes());
        Assert.Contains("it was for lag screw 3/8 in by 6 1/2 in; wood studs, stud; stone veneer 2 3/4 in", thicker.Finding("fix.evidence-void").Message.Say(LengthStyle.Inches));
    }

    [Fact]
    public void A_maker_s_rating_for_this_wall_covers_what_goes_across_and_never_what_pulls_out()
    {
        (string, JsonNode?)[] arm = [("/items/m1/product/kind", "articulating"), ("/items/m1/product/depthExtended", "24 in")];
        (string, JsonNode?) Rated(string load) => ("/items/m1/evidence/maker", new JsonObject
        {
            ["load"] = load,
            ["bolts"] = 4,
            ["bolt"] = "5/16 in",
            ["paper"] = "manual, page 7",
            ["assumed"] = "a mount; wood studs; gypsum board 5/8 in; 2 members",
        });
        Assert.Contains(Sheets.Plan(arm).Findings, f => f is { Code: "fix.demand-over-capacity", Severity: Severity.FinalStop });
        var rated = Sheets.Plan([.. arm, Rated("40 lb")]);
        Assert.DoesNotContain(rated.Findings, f => f is { Code: "fix.demand-over-capacity", Stops: true });
        Assert.Contains("manual, page 7", rated.Findings.First(f => f.Code == "fix.demand-over-capacity").Message.Say(LengthStyle.Inches));
        // Less than hangs, or another wall, and it does not count; nor against a pull that the wood does not hold.
        foreach (var not in new[] { Sheets.Plan([.. arm, Rated("39 lb")]), Sheets.Plan([.. arm, Rated("40 lb"), ("/walls/w1/layers/l1/thickness", "3/4 in")]), Sheets.Plan([.. arm, Rated("40 lb"), ("/items/m1/bolt/length", "1 1/2 in")]) })
        {
            Assert.True(not.Findings.Any(f => f is { Code: "fix.demand-over-capacity", Severity: Severity.FinalStop }), string.Join('\n', not.Findings.Select(f => f.Message)));
        }
    }

    [Fact]
    public void Board_alone_is_the_company_s_policy_and_never_for_what_moves()
    {
        var within = Plan("board alone", "toggle");
        Assert.Equal((Severity.Caution, 6), (within.Finding("fix.board-only").Severity, within.Bolted.Bolts.Count));
        (string, JsonNode?)[] here = [.. Walls["board alone"], ("/items/m1/bolt", Fasteners["toggle"].DeepClone())];
        Assert.Equal(Severity.Stop, Sheets.Plan([.. here, ("/policy/boardOnlyUpTo", "0 lb")]).Finding("fix.board-only").Severity);
        // 30 kg are 66.1 lb; a company's own limit stands up to 70 lb.
        Assert.Equal(Severity.Stop, Sheets.Plan([.. here, ("/items/d1/product/mass", "66.2 lb")]).Finding("fix.board-only").Severity);
        Assert.Equal(Severity.Stop, Sheets.Plan([.. here, ("/policy/boardOnlyUpTo", "200 lb"), ("/items/d1/product/mass", "70.1 lb")]).Finding("fix.board-only").Severity);
        var arm = Sheets.Plan([.. here, ("/items/m1/product/kind", "articulating"), ("/items/m1/product/depthExtended", "6 in")]);
        Assert.Equal(Severity.FinalStop, arm.Finding("fix.wrong-for-wall").Severity);
    }

    // Worked: plate 3/16, board 5/8, 2 in in the stud, tip 3/16: 3 in. Of those 2 in are thread by the table, 3/16 of it tip: 1 13/16.
    [Fact]
    public void The_shortest_that_is_sold_and_holds_is_taken()
    {
        var plan = Sheets.Plan(("/items/m1/bolt/washer", "0 in"), ("/items/m1/bolt/thread", null), ("/items/m1/fix/conditions/penetration", "2 in"), ("/items/m1/bolt/sold", new JsonArray("2 1/2 in", "3 in", "3 1/2 in")));
        Assert.Equal((Sheets.In("3 in"), Sheets.In("3 in")), (plan.Bolted.Length.Least, plan.Bolted.Length.Sold));
        Assert.All(plan.Bolted.Bolts, b => Assert.Equal(Sheets.In("1 13/16 in"), b.Thread));
    }

    // Worked: stone 2 3/4, plywood 1/2, plate 1/4, board 3/4, packing 3/8, 2 in in the stud, tip 7/32: 6 27/32, so 7 in.
    [Theory]
    [InlineData("3 in", "fix.no-hold", "never reaches the stud: plate, washer, packing and layers are 4 5/8 in. At least 6 27/32 in is needed")]
    [InlineData("6 in", "fix.too-short", "is 1 5/32 in in the wood without its tip; 2 in are asked for: 6 27/32 in or longer")]
    [InlineData("7 in", null, "")]
    [InlineData("8 1/2 in", "fix.too-long", "reaches through the stud")]
    public void A_bolt_through_stone_and_board(string length, string? code, string says)
    {
        var plan = Sheets.Plan([
            .. Walls["stone on sheathing and studs"], ("/items/m1/bolt", Fasteners["long lag"].DeepClone()), ("/items/m1/bolt/length", length), ("/items/m1/bolt/sold", new JsonArray("3 in", "4 in", "5 in", "6 in", "7 in", "8 in")),
            ("/items/m1/product/plateThickness", "1/4 in"), ("/items/m1/fix/conditions/spreader", "3/4 in"), ("/items/m1/fix/packing", "3/8 in"), ("/items/m1/fix/conditions/penetration", "2 in")]);
        Assert.Equal((Length.Tape(6, 27, 32), Sheets.In("7 in")), (plan.Bolted.Length.Least, plan.Bolted.Length.Sold));
        string[] aboutLength = ["fix.no-hold", "fix.too-short", "fix.too-long"];
        Assert.Equal(code, plan.Codes().SingleOrDefault(c => aboutLength.Contains(c)));
        if (code is not null)
        {
            Assert.Contains(says, plan.Finding(code).Message.Say(LengthStyle.Inches with { Denominator = 32 }));
        }

        Assert.Equal(code != "fix.no-hold", plan.Findings.Any(f => f.Code == "fix.shear-unknown" && f.Message.Say(LengthStyle.Inches).Contains("engineer", StringComparison.Ordinal)));
    }

    private static JobPlan Plan(string wall, string fastener) => Sheets.Plan([.. Walls[wall], ("/items/m1/bolt", Fasteners[fastener].DeepClone())]);

    private static (string, JsonNode?)[] Wall(string kind, params (string Name, string Thickness)[] layers) =>
    [
        ("/walls/w1/kind", kind), ("/items/m1/product/walls", new JsonArray(kind)), ("/site/built", 1995),
        ("/walls/w1/questions", Sheets.Json("""{ "flue": "none", "gas": false, "fireRated": false, "insulated": false, "mayCut": true }""")),
        ("/walls/w1/layers", new JsonObject(layers.Select((l, i) => KeyValuePair.Create<string, JsonNode?>($"l{i + 1}", new JsonObject { ["order"] = i + 1, ["name"] = l.Name, ["thickness"] = l.Thickness, ["confirmed"] = true })))),
    ];

    private static JsonNode Of(string kind, string diameter, string length, params (string, string)[] more) => Of(kind, diameter, length, string.Empty, more);

    private static JsonNode Of(string kind, string diameter, string length, string ratings, params (string Name, string Value)[] more)
    {
        var fastener = new JsonObject { ["name"] = kind.Replace('-', ' '), ["kind"] = kind, ["diameter"] = diameter, ["length"] = length };
        foreach (var (name, value) in more)
        {
            fastener[name] = value;
        }

        if (ratings.Length > 0)
        {
            string[] order = ["into", "tension", "shear", "embedment", "edge", "spacing"];
            fastener["ratings"] = new JsonArray([.. ratings.Split("; ").Select(r => (JsonNode)new JsonObject(r.Split(", ").Select((v, i) => KeyValuePair.Create<string, JsonNode?>(order[i], v))))]);
        }

        return fastener;
    }
}
