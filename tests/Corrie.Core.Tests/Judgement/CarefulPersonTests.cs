using System.Text.Json.Nodes;
using Corrie.Core.Findings;
using Corrie.Core.Measure;

namespace Corrie.Core.Tests.Judgement;

/// <summary>
/// What a careful installer or engineer would say of whole jobs, one line each: what is done, what is said at the least, and where it just is not
/// (trade facts are common practice; geometry by hand). The wall has studs at 54, 70, 86 and 102 in; the plate's bolts are at 70 and 86.
/// </summary>
public class CarefulPersonTests
{
    private static readonly Dictionary<string, (string Code, Severity Least, (string, JsonNode?)[] Has, (string, JsonNode?)[] Just)> Says = new()
    {
        // Slots 7 to 9 in from the plate's middle: bolts less than 14 in apart are on one side of it.
        ["two members 2 1/2 in apart are one end of the plate"] = ("hang.one-stud-only", Severity.Stop, Studs("70 in", "72 1/2 in"), Studs("70 in", "86 in")),
        ["two members at a slot's two ends are no more"] = ("hang.one-stud-only", Severity.Stop, Studs("69 in", "71 in"), Studs("69 in", "85 in")),
        ["one stud, entered by two people 3/8 in apart"] = ("survey.member-twice", Severity.Stop, [("/walls/w1/studs/tom", Stud("70 3/8 in"))], [("/walls/w1/studs/tom", Stud("71 1/2 in"))]),
        ["the tape read a foot short from corner to corner"] = ("survey.readings-disagree", Severity.Caution, [("/walls/w1/readings/w", Reading("left-corner", "right-corner", "144 in"))], [("/walls/w1/readings/w", Reading("left-corner", "right-corner", "155 in"))]),
        ["the ceiling 30 mm lower than was entered"] = ("survey.readings-disagree", Severity.Caution, [("/walls/w1/readings/h", Reading("floor", "ceiling", "2408 mm"))], [("/walls/w1/readings/h", Reading("floor", "ceiling", "2414 mm"))]),
        ["a gas cock typed 100 in too far, beyond the wall"] = ("survey.off-the-wall", Severity.Stop, [On("gas", "184 in", "8 in", "3 in", "3 in", routeKnown: true)], [On("gas", "153 in", "8 in", "3 15/16 in", "3 in", routeKnown: true)]),
        ["a stud typed with a digit too many"] = ("survey.off-the-wall", Severity.Stop, [("/walls/w1/studs/e", Stud("1180 in"))], [("/walls/w1/studs/e", Stud("118 in"))]),
        ["a receptacle as high as the roof"] = ("survey.off-the-wall", Severity.Stop, [On("receptacle", "20 in", "120 in", "3 in", "4 in", routeKnown: true)], [On("receptacle", "20 in", "92 1/2 in", "3 in", "4 in", routeKnown: true)]),
        ["a gas cock under the plate, and nobody knows where its pipe runs"] = ("survey.live-near-hole", Severity.FinalStop, [On("gas", "84 in", "8 in", "3 in", "3 in", routeKnown: true)], [On("gas", "84 in", "8 in", "3 in", "3 in", routeKnown: true), Run("gas", "86 in", "9 in", "30 in", "1 in")]),
        ["a pipe's elbow at the height of the bolts, a bay away"] = ("survey.live-near-hole", Severity.FinalStop, [On("pipe", "50 in", "52 in", "60 mm", "60 mm")], [On("pipe", "50 in", "20 in", "60 mm", "60 mm")]),
        ["a bolt through a receptacle whose cable is known to run down"] = ("survey.live-near-hole", Severity.FinalStop, [On("receptacle", "85 in", "50 in", "3 in", "4 in", routeKnown: true)], [On("receptacle", "88 1/4 in", "50 in", "3 in", "4 in", routeKnown: true), Run("cable", "91 in", "0 in", "1/2 in", "51 in")]),
        ["a bolt through a signal plate"] = ("survey.live-near-hole", Severity.FinalStop, [On("signal-plate", "68 in", "45 in", "3 in", "5 in")], [On("signal-plate", "65 in", "45 in", "3 in", "5 in")]),
        ["a bolt through a window's glass"] = ("fix.through-opening", Severity.FinalStop, [On("window", "84 in", "44 in", "30 in", "30 in")], [On("window", "86 3/16 in", "44 in", "30 in", "30 in")]),
        // 8 in wide round its centre; the bolts' radius is 5/32 in.
        ["a box planned in the wall where a bolt goes"] = ("hang.bodies-meet", Severity.Stop, [Box("82 in")], [Box("81 3/4 in")]),
        // The upper row is 1/2 in under the hook line, 30 + 14 + 100 mm + 3 = 50 15/16 in, at 50 7/16.
        ["a live sign at a height of 45 in"] = ("survey.live-near-hole", Severity.FinalStop, [Live("45 in")], [Live("39 in")]),
        ["a duct at 68 in"] = ("survey.live-near-hole", Severity.FinalStop, [On("duct", "63 in", "10 in", "6 in", "80 in")], [On("duct", "62 in", "10 in", "6 in", "80 in")]),
        ["3 in of stone before sheathing"] = ("fix.shear-unknown", Severity.Stop, Stone("3 in", "6 1/2 in"), Stone("1/8 in", "3 1/4 in")),
        ["a bolt that ends in the stone"] = ("fix.no-hold", Severity.FinalStop, Stone("3 in", "3 1/2 in"), Stone("3 in", "6 1/2 in")),
        // By hand for a 1/4 in lag through 5/8 in of board, 1.19 in deep: about 13 lb; (200 + 8) / 4 is 52.
        ["300 lb on four 1/4 by 2 1/4 lags"] = ("fix.demand-over-capacity", Severity.FinalStop, Heavy("300 lb"), Heavy("40 lb")),
        ["an arm of which nobody knows the reach"] = ("plan.assumed", Severity.Stop, [("/items/m1/product/kind", "articulating")], [("/items/m1/product/kind", "articulating"), ("/items/m1/product/depthExtended", "12 in")]),
        ["a pull-down mount of which nobody knows the reach"] = ("plan.assumed", Severity.Stop, [("/items/m1/product/kind", "pull-down")], [("/items/m1/product/kind", "pull-down"), ("/items/m1/product/depthExtended", "9 in")]),
        // Arms at 78 +- 300 mm, 66 3/16 and 89 13/16; the plate reaches from 68 to 88.
        ["arms beyond the plate's ends"] = ("hang.cannot-hook", Severity.Stop, [("/items/d1/product/vesaWidth", "600 mm")], [("/items/d1/product/vesaWidth", "500 mm")]),
        ["arms that end above the lower holes"] = ("hang.cannot-hook", Severity.Stop, [("/items/m1/product/armLength", "9 in")], [("/items/m1/product/armLength", "12 in")]),
        ["arm hole 12 of 8"] = ("hang.cannot-hook", Severity.Stop, [("/items/m1/hang/armHoleRight", 12)], [("/items/m1/hang/armHoleRight", 3)]),
        // With arm hole 3 the hook is 20 15/16 in over the bottom edge, 7 1/16 under the top.
        ["the top measured 4 in off"] = ("hang.chain-disagrees", Severity.Stop, [Hole3, ("/items/m1/hang/measuredTopToHook", "11 1/16 in")], [Hole3, ("/items/m1/hang/measuredTopToHook", "7 1/16 in")]),
        ["the bottom measured 1/4 in off"] = ("hang.chain-disagrees", Severity.Stop, [Hole3, ("/items/m1/hang/measuredBottomToHook", "21 3/16 in")], [Hole3, ("/items/m1/hang/measuredBottomToHook", "21 in")]),
        ["a stud typed as confirmed that probes put 1 1/4 in farther"] = ("survey.member-disputed", Severity.Stop, Probed("71 1/4 in"), Probed("70 1/8 in")),
        // Misses 1 7/8 in apart round 70 in, where nobody has entered a stud; 5/16 in bolts want it to 9/32 in.
        ["a pipe that stops the bit twice"] = ("hang.one-stud-only", Severity.Stop, Instead("stops -0.5; stops 0.5; miss -0.9375; miss 0.9375"), Instead("bites -0.5; bites 0.5; miss -0.9375; miss 0.9375")),
        ["two hits of which nobody said what they met"] = ("survey.framing-unconfirmed", Severity.Stop, Instead("hit -0.5; hit 0.5; miss -0.9375; miss 0.9375"), Instead("bites -0.5; hit 0.5; miss -0.9375; miss 0.9375")),
        ["a bit that stopped dead where a bolt goes, the stud confirmed by word"] = ("survey.live-near-hole", Severity.FinalStop, [Dead("70 1/4 in", "50 in")], [Dead("70 1/4 in", "75 in")]),
        ["chips of metal in a wall of wood"] = ("survey.hit-too-shallow", Severity.Caution, Instead("chips 0.3; bites -0.5; miss -0.9"), Instead("bites 0.3; bites -0.5; miss -0.9")),
        ["three hits over 2 3/4 in of a doubled stud, its edges unknown"] = ("survey.framing-unconfirmed", Severity.Stop, Instead("bites -1.4; bites 0; bites 1.4"), Instead("bites -1.4; bites 0; bites 1.4; miss -1.6; miss 1.6")),
        // The bit puts the edge at 70 1/16, the scanner at 70 3/4; and at 70 5/8.
        ["a bit that fell through inside of what the scanner shows"] = ("survey.scanner-disputed", Severity.Caution, Instead("edges -0.75; edges -0.7; bites -0.1; miss 0.2"), Instead("edges -0.75; edges -0.7; bites 0.5; miss 0.9")),
        ["a scanner that reads 5/16 in too far right at two studs"] = ("survey.tool-biased", Severity.Caution, Off(0.3125), Off(0.17)),
        // Arm 3 mm, washer 1.6 mm, thread 20 mm deep of which 1 mm stays free: 23.6 mm of screw.
        ["a 30 mm screw from another display's bag"] = ("hang.screw-bottoms", Severity.Stop, [.. Screw("30 mm")], [.. Screw("23.5 mm")]),
        ["gas near, no pipe on the sheet"] = ("survey.gas-near", Severity.FinalStop, [("/walls/w1/questions/gas", true)], [("/walls/w1/questions/gas", false)]),
        ["a party wall"] = ("survey.fire-rated", Severity.Caution, [("/walls/w1/questions/fireRated", true)], [("/walls/w1/questions/fireRated", false)]),
        // The display's middle is at 44 in, its top at 58.
        ["a shelf whose foot is above the display's middle"] = ("place.out-of-room", Severity.Stop, [On("shelf", "60 in", "50 in", "30 in", "1 in", "8 in")], [On("shelf", "60 in", "58 in", "30 in", "1 in", "8 in")]),
        ["a bar on the wall, higher than the display's middle"] = ("place.out-of-room", Severity.Stop, [On("soundbar", "60 in", "46 in", "30 in", "4 in", "4 in")], [On("soundbar", "60 in", "58 in", "30 in", "4 in", "4 in")]),
        ["a thermostat behind the display"] = ("place.covers", Severity.Stop, [On("thermostat", "56 in", "50 in", "4 in", "4 in", "1 in")], [On("thermostat", "49 in", "50 in", "4 in", "4 in", "1 in")]),
        ["a switch behind the display"] = ("place.covers", Severity.Stop, [On("switch", "98 in", "52 in", "3 in", "4 in", routeKnown: true)], [On("switch", "104 in", "52 in", "3 in", "4 in", routeKnown: true)]),
        ["a plate that sticks out beside a small display"] = ("hang.outside", Severity.Caution, [("/items/d1/product/width", "19 in")], [("/items/d1/product/width", "20 in")]),
        ["a plate beyond the wall's end"] = ("hang.outside", Severity.Stop, [("/walls/w1/width", "87 in"), ("/items/m1/hang/plateCentre", "78 in")], [("/walls/w1/width", "110 in"), ("/items/m1/hang/plateCentre", "78 in")]),
        // Washer, plate and board are 7/8 in; two diameters of 1/4 in have to come out behind.
        ["a toggle 1 1/4 in long through 7/8 in"] = ("fix.too-short", Severity.Stop, Toggle("1 1/4 in"), Toggle("1 3/8 in")),
        ["a client's cross a foot from the centre"] = ("place.not-approved", Severity.Stop, [Cross("90 in", "44 in", "centre")], [Cross("78 1/2 in", "44 in", "centre")]),
        ["a client's cross for the bottom edge"] = ("place.not-approved", Severity.Stop, [Cross("78 in", "36 in", "bottom-edge")], [Cross("95 in", "30 3/4 in", "bottom-edge")]),
        ["centred on a chest that is gone"] = ("plan.item-lost", Severity.Stop, [("/items/d1/place/over", "chest")], [("/items/d1/place/over", "wall"), ("/items/d1/place/across", "0 in")]),
        ["a wall of which nobody said what it is"] = ("plan.assumed", Severity.Stop, [("/walls/w1/kind", null)], [("/walls/w1/kind", "wood-studs")]),
        ["deep bolts, and nobody measured the studs"] = ("plan.assumed", Severity.Stop, [("/walls/w1/studDepth", null), ("/items/m1/bolt/length", "3 1/2 in")], [("/walls/w1/studDepth", "3 1/2 in"), ("/items/m1/bolt/length", "3 1/2 in")]),
        ["consent by nobody"] = ("place.not-approved", Severity.Stop, [("/items/d1/place/approval/by", "  ")], [("/items/d1/place/approval/by", "A. Client")]),
    };

    private static IEnumerable<(string, JsonNode?)> Screw(string length) =>
    [
        ("/items/d1/product/thread", "M8"), ("/items/d1/product/threadDepth", "20 mm"), ("/items/m1/product/armThickness", "3 mm"),
        ("/items/m1/screws", new JsonObject { ["upperScrew"] = length, ["upperWasher"] = "1.6 mm", ["lowerScrew"] = length, ["lowerWasher"] = "1.6 mm" }),
    ];

    // The cable or pipe itself, as it runs.
    private static (string, JsonNode?) Run(string kind, string left, string bottom, string width, string height) => ("/walls/w1/features/run", new JsonObject { ["kind"] = kind, ["left"] = left, ["bottom"] = bottom, ["width"] = width, ["height"] = height });

    private static (string, JsonNode?) Hole3 => ("/items/m1/hang/armHoleLeft", 3);

    public static TheoryData<string> Lines => [.. Says.Keys];

    [Theory]
    [MemberData(nameof(Lines))]
    public void Says_it_and_just_does_not(string line)
    {
        var (code, least, has, just) = Says[line];
        var said = Sheets.Plan(has).Findings.Where(f => f.Code == code).ToList();
        Assert.Contains(said, f => f.Severity <= least);
        Assert.DoesNotContain(Sheets.Plan(just).Findings, f => f.Code == code && f.Severity <= least);
    }

    [Fact]
    public void A_weight_of_nothing_is_refused()
    {
        var (_, problems) = Corrie.Core.Jobs.JobForm.Read(Sheets.Document(("/items/d1/product/mass", "0 kg")));
        Assert.Contains("no weight at all", Assert.Single(problems).ToString());
    }

    [Fact]
    public void A_surplus_bolt_beside_its_stud_stays_out_and_stops_nothing()
    {
        var plan = Sheets.Plan(
            ("/walls/w1/studs/e", Stud("78 1/2 in")), ("/items/m1/hang/plateCentre", "78 in"),
            ("/items/m1/product/rows", Sheets.Json("""
                [{ "id": "top", "aboveHook": "-1/2 in", "slots": [{ "from": "-9 in", "to": "-7 in" }, { "from": "0 in", "to": "0 in" }, { "from": "7 in", "to": "9 in" }] },
                 { "id": "bottom", "aboveHook": "-5 in", "slots": [{ "from": "-9 in", "to": "-7 in" }, { "from": "7 in", "to": "9 in" }] }]
                """)));
        Assert.DoesNotContain("fix.edge-distance", plan.Codes());
        Assert.Equal(4, plan.Bolted.Bolts.Count);
        Assert.Contains("Leave 1 hole of the plate empty: top row at 78 in, 1/2 in off", plan.Finding("fix.left-empty").Message.Say(LengthStyle.Inches));
    }

    [Fact]
    public void A_remedy_that_moves_a_display_says_that_the_client_has_to_consent_again()
    {
        var document = Sheets.Document(("/walls/w1/features/x", On("furniture", "60 in", "0 in", "36 in", "31 in", "18 in").Item2));
        var plan = Sheets.Plan(document);
        var remedy = Assert.Single(Corrie.Core.Jobs.RemedyProof.Proven(document, plan, plan.Finding("place.behind-furniture")));
        Assert.EndsWith("the client has to consent again", remedy.Effect.Say(LengthStyle.Inches));
    }

    [Fact]
    public void A_remedy_that_only_moves_the_trouble_is_not_offered()
    {
        // Raised over the chest the display would be in the beam.
        var document = Sheets.Document(
            ("/walls/w1/features/x", On("furniture", "60 in", "0 in", "36 in", "31 in", "18 in").Item2), ("/walls/w1/features/y", On("beam", "0 in", "60 in", "156 in", "8 in", "8 in").Item2));
        var plan = Sheets.Plan(document);
        Assert.Empty(Corrie.Core.Jobs.RemedyProof.Proven(document, plan, plan.Finding("place.behind-furniture")));
    }

    private static JsonNode Stud(string centre) => Sheets.Json($$"""{ "centre": "{{centre}}", "state": "confirmed", "uncertainty": "0 in" }""");

    private static (string, JsonNode?)[] Studs(string one, string other) => [("/walls/w1/studs", new JsonObject { ["a"] = Stud(one), ["b"] = Stud(other) }), ("/walls/w1/spacing", "24 in"), ("/items/m1/hang/plateCentre", "78 in")];

    private static (string, JsonNode?) On(string kind, string left, string bottom, string width, string height, string depth = "0 in", bool routeKnown = false) => (
        "/walls/w1/features/x", Sheets.Json($$"""{ "kind": "{{kind}}", "left": "{{left}}", "bottom": "{{bottom}}", "width": "{{width}}", "height": "{{height}}", "depth": "{{depth}}", "routeKnown": {{(routeKnown ? "true" : "false")}} }"""));

    private static (string, JsonNode?) Box(string across) => ("/items/b1", Sheets.Json($$"""
        { "kind": "box", "wall": "w1", "product": { "name": "box", "width": "8 in", "height": "8 in", "depth": "3 in", "mass": "1 lb" }, "place": { "height": "46 in", "across": "{{across}}" } }
        """));

    private static (string, JsonNode?) Live(string at) => ("/walls/w1/evidence/l", Sheets.Json($$"""{ "kind": "live", "axis": "up", "at": "{{at}}" }"""));

    private static (string, JsonNode?)[] Stone(string thickness, string bolt) =>
    [
        ("/walls/w1/layers/l0", Sheets.Json($$"""{ "order": 2, "name": "stone", "thickness": "{{thickness}}", "confirmed": true }""")), ("/items/m1/bolt/length", bolt),
    ];

    private static (string, JsonNode?)[] Heavy(string mass) =>
        [("/items/d1/product/mass", mass), ("/items/m1/product/rated", "400 lb"), ("/items/m1/bolt/diameter", "1/4 in"), ("/items/m1/bolt/length", "2 1/4 in")];

    private static (string, JsonNode?)[] Probed(string middle)
    {
        var at = Sheets.In(middle);
        JsonNode Probe(string kind, Length x) => Sheets.Json($$"""{ "kind": "{{kind}}", "at": "{{LengthText.Exact(x, UnitSystem.Inches)}}", "bite": "1 in" }""");
        return
        [
            ("/walls/w1/evidence/a", Probe("probe-hit", at - Length.Tape(0, 5, 8))), ("/walls/w1/evidence/b", Probe("probe-hit", at + Length.Tape(0, 5, 8))),
            ("/walls/w1/evidence/c", Probe("probe-miss", at - Length.Tape(0, 7, 8))), ("/walls/w1/evidence/d", Probe("probe-miss", at + Length.Tape(0, 7, 8))),
        ];
    }

    private static (string, JsonNode?) Dead(string at, string height) => ("/walls/w1/evidence/n", Sheets.Json($$"""{ "kind": "probe-hit", "at": "{{at}}", "beside": "{{height}}", "bite": "0 in" }"""));

    // In place of the stud at 70 in what somebody has found there: how, and how far right of it; of a scanner the left edge of two alike.
    private static (string, JsonNode?)[] Instead(string found) => Evidence("70 in", found, "/walls/w1/studs/b");

    private static (string, JsonNode?)[] Off(double by) =>
    [
        .. Evidence("70 in", $"edges {-0.75 + by} {0.75 + by}; bites -0.7; miss -0.8; bites 0.7; miss 0.8", "/walls/w1/studs/b"),
        .. Evidence("86 in", $"edges {-0.75 + by} {0.75 + by}; bites -0.7; miss -0.8; bites 0.7; miss 0.8", "/walls/w1/studs/c"),
    ];

    private static (string, JsonNode?)[] Evidence(string middle, string found, string stud) =>
    [
        (stud, null),
        .. found.Split("; ").Select((f, i) =>
        {
            var words = f.Split(' ');
            var at = Sheets.In(middle).Inches + double.Parse(words[1], System.Globalization.CultureInfo.InvariantCulture);
            var to = words.Length > 2 ? Sheets.In(middle).Inches + double.Parse(words[2], System.Globalization.CultureInfo.InvariantCulture) : (2 * Sheets.In(middle).Inches) - at;
            var more = words[0] switch { "bites" => """, "bite": "1/2 in" """, "stops" => """, "bite": "0 in" """, "chips" => """, "told": "metal" """, "edges" => $", \"to\": \"{to} in\"", _ => string.Empty };
            return ($"/walls/w1/evidence/{middle[..2]}-{i}", (JsonNode?)Sheets.Json($$"""{ "kind": "{{words[0] switch { "edges" => "scanner-edges", "miss" => "probe-miss", _ => "probe-hit" }}}", "at": "{{at}} in"{{more}} }"""));
        }),
    ];

    private static (string, JsonNode?) Cross(string x, string y, string stands) => ("/walls/w1/crosses/c", Sheets.Json($$"""{ "x": "{{x}}", "y": "{{y}}", "standsFor": "{{stands}}" }"""));

    private static (string, JsonNode?)[] Toggle(string length) =>
    [
        ("/walls/w1/kind", "steel-studs"), ("/items/m1/product/walls", new JsonArray("steel-studs")),
        ("/items/m1/bolt", Sheets.Json($$"""{ "name": "toggle", "kind": "toggle", "diameter": "1/4 in", "length": "{{length}}", "washer": "1/16 in", "hole": "1/2 in", "grip": "2 in", "ratedTension": "400 lb" }""")),
    ];

    private static JsonObject Reading(string from, string to, string value) => new() { ["from"] = from, ["to"] = to, ["value"] = value, ["by"] = "Tom" };
}
