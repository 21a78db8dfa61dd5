using System.Text.Json.Nodes;
using Corrie.Core.Findings;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using Corrie.Core.Planning;

namespace Corrie.Core.Tests.Jobs;

/// <summary>Every kind of finding once where a sheet has it, and once where it just has not.</summary>
public class FindingsTests
{
    private const string Fire = """{ "kind": "fireplace", "name": "stove", "left": "LEFT", "width": "30 in", "height": "20 in" }""";
    private const string Low = """{ "kind": "furniture", "name": "chest", "left": "60 in", "width": "36 in", "height": "TOP", "depth": "18 in" }""";
    private const string Socket = """{ "kind": "receptacle", "name": "socket", "left": "LEFT", "bottom": "12 in", "width": "2 in", "height": "4 in" }""";
    private static readonly JsonNode Toggle = Sheets.Json("""{ "name": "toggle", "kind": "toggle", "diameter": "1/4 in", "length": "4 in", "hole": "1/2 in", "grip": "2 in", "ratedTension": "200 lb" }""");
    private static readonly (string, JsonNode?)[] Steel =
    [
        ("/walls/w1/kind", "steel-studs"), ("/items/m1/product/walls", Sheets.Json("""["steel-studs"]""")), ("/items/m1/bolt", Toggle),
    ];

    private static readonly Dictionary<string, ((string, JsonNode?)[] Has, (string, JsonNode?)[] Just)> Cases = new(Brought())
    {
        // Two readings of one thing, 1/8 in apart at the most; their deviation here is so large that the network takes both.
        ["survey.readings-disagree"] = ([.. Twice("70 3/16 in")], [.. Twice("70 1/8 in")]),
        ["survey.off-the-wall"] = ([Thing(Low, "20 in"), ("/walls/w1/readings/r", Sheets.Json("""{ "from": "right-corner", "to": "x/left", "value": "157 1/16 in" }"""))], [Thing(Low, "20 in"), ("/walls/w1/readings/r", Sheets.Json("""{ "from": "right-corner", "to": "x/left", "value": "156 15/16 in" }"""))]),
        ["survey.datum-unclear"] = ([Thing(Low, "20 in"), ("/walls/w1/readings/r", Sheets.Json("""{ "from": "x", "to": "studs/b", "value": "10 in" }"""))], [Thing(Low, "20 in"), ("/walls/w1/readings/r", Sheets.Json("""{ "from": "x/left", "to": "studs/b", "value": "10 in" }"""))]),
        ["survey.spacing-broken"] = ([("/walls/w1/studs/a/centre", "53 1/16 in")], [("/walls/w1/studs/a/centre", "53 1/8 in")]),
        ["survey.framing-unconfirmed"] = ([("/walls/w1/studs/b/state", "found"), ("/walls/w1/studs/b/uncertainty", "1/8 in")], [("/walls/w1/studs/a/state", "found")]),
        ["survey.single-method"] = ([Found("e", """{ "kind": "probe-hit", "at": "70 1/8 in", "bite": "1 in" }"""), Found("f", """{ "kind": "probe-miss", "at": "70 5/8 in" }""")], [Found("e", """{ "kind": "probe-hit", "at": "70 1/8 in", "bite": "1 in" }"""), Found("f", """{ "kind": "magnet", "at": "70 in" }""")]),
        ["survey.false-reading"] = ([Found("e", """{ "kind": "scanner-centre", "at": "62 in" }"""), Found("f", """{ "kind": "probe-miss", "at": "62 in" }""")], [Found("e", """{ "kind": "scanner-centre", "at": "62 in" }"""), Found("f", """{ "kind": "probe-miss", "at": "63 in" }""")]),
        // 1 1/2 in less 1/32 in for each hit is as near as two hits beside a miss may be to belong to one member.
        ["survey.evidence-contradicts"] = ([.. Gap("62 13/32 in")], [.. Gap("62 15/32 in")]),
        // The bit pins a stud to 61 11/32 .. 61 25/32, and the scanner says 62 1/8 or 61 5/8 for its middle.
        ["survey.scanner-disputed"] = ([.. Against("61 3/8 in", "62 7/8 in")], [.. Against("60 7/8 in", "62 3/8 in")]),
        // 1 1/2 in of face and 1/32 in for each probe: misses 1 7/16 in apart leave room for a stud, 1 3/8 do not.
        ["survey.no-member-fits"] = ([.. Narrow("62 3/8 in")], [.. Narrow("62 7/16 in")]),
        ["survey.hit-too-shallow"] = ([Found("e", """{ "kind": "probe-hit", "at": "70 in", "bite": "15/32 in" }""")], [Found("e", """{ "kind": "probe-hit", "at": "70 in", "bite": "1/2 in" }""")]),
        ["survey.build-up-differs"] = ([("/walls/w1/testHoles/t", Test("25/32 in"))], [("/walls/w1/testHoles/t", Test("3/4 in"))]),
        ["survey.hazard-questions-open"] = ([Thing(Fire, "5 in"), ("/walls/w1/questions/flue", "dead")], [Thing(Fire, "5 in"), ("/walls/w1/questions/flue", "dead"), ("/walls/w1/questions/gas", false)]),
        ["survey.old-finish"] = ([("/site/built", 1979)], [("/site/built", 1980)]),
        ["survey.live-flue"] = ([("/walls/w1/questions/flue", "live")], [("/walls/w1/questions/flue", "dead")]),
        ["survey.temporary"] = ([("/site/renovation", "spring 2028")], [("/site/renovation", null)]),
        ["survey.not-to-be-cut"] = ([("/walls/w1/questions/mayCut", false)], [("/walls/w1/questions/mayCut", true)]),
        ["survey.insulated-wall"] = ([("/walls/w1/questions/insulated", true)], [("/walls/w1/questions/insulated", false)]),
        ["survey.small-hands"] = ([("/site/smallHands", true)], [("/site/smallHands", false)]),
        // Beside a bolt at 70 in, at its height; 3 diameters of the old hole's 1/2 in are 1 1/2 in.
        ["survey.old-hole-too-near"] = ([("/walls/w1/features/x", Old("71 15/32 in"))], [("/walls/w1/features/x", Old("71 1/2 in"))]),
        // 1 1/2 in wide, and 1/16 in of tape.
        ["survey.member-twice"] = ([("/walls/w1/studs/e", Stud("55 3/8 in"))], [("/walls/w1/studs/e", Stud("55 7/16 in"))]),
        // Two chains to one stud that are 3/4 in apart, and 1/8 in: a 5/16 in bolt may be 9/32 in off.
        ["survey.member-disputed"] = ([Chains("-70 3/4 in")], [Chains("-70 1/8 in")]),
        // Three studs found by bits, and a scanner that reads 1/4 in to the right of each, or 1/8 in.
        ["survey.tool-biased"] = ([Scanned(0.28125)], [Scanned(0.21875)]),
        ["plan.assumed"] = ([("/walls/w1/kind", null)], [("/walls/w1/kind", "wood-studs")]),
        ["plan.left-out"] = ([("/walls/w1/layers/l1/order", "first")], [("/walls/w1/layers/l1/order", 2)]),
        ["plan.item-lost"] = ([("/items/d1/place/over", "x")], [("/items/d1/place/over", "x"), ("/items/d1/place/across", "0 in"), At("furniture", "75 in", "0 in", "6 in", "20 in")]),
        ["survey.gas-near"] = ([("/walls/w1/questions/gas", true)], [("/walls/w1/questions/gas", true), At("gas", "20 in", "0 in", "1 in", "40 in")]),
        ["survey.fire-rated"] = ([("/walls/w1/questions/fireRated", true)], [("/walls/w1/questions/fireRated", false)]),
        ["survey.live-near-hole"] = ([Thing(Socket, "62 1/8 in")], [Thing(Socket, "34 in")]),
        ["survey.services-not-looked-for"] = ([("/walls/w1/scan", null)], [("/walls/w1/scan/with", "a probe")]),
        ["survey.layers-unknown"] = ([("/walls/w1/layers/l1/confirmed", false)], [("/walls/w1/layers/l1/confirmed", true)]),
        // 80 in away 15 degrees are 21.44 in: centre at most 65 7/16.
        ["place.too-high"] = ([("/items/d1/place/height", "51 1/2 in")], [("/items/d1/place/height", "51 3/8 in")]),
        ["place.behind-furniture"] = ([Thing(Low, "30 1/16 in")], [Thing(Low, "30 in"), ("/items/d1/place/gapBelow", "0 in")]),
        ["place.gap-too-small"] = ([Thing(Low, "28 1/16 in")], [Thing(Low, "28 in")]),
        ["place.out-of-room"] = ([("/items/d1/place/height", "68 1/16 in")], [("/items/d1/place/height", "68 in")]),
        // The display reaches from 53 3/4 to 102 1/4 across and from 30 to 58 up.
        ["place.covers"] = ([At("thermostat", "102 3/16 in", "40 in", "3 in", "4 in")], [At("thermostat", "102 1/4 in", "40 in", "3 in", "4 in")]),
        // Upper holes at 14 in + 100 mm, lower ones 200 mm under them; hole 6 puts the arm's end 9 7/16 in up, hole 7 at 10 7/16.
        ["hang.cannot-hook"] = ([("/items/m1/hang/armHoleLeft", 7)], [("/items/m1/hang/armHoleLeft", 6)]),
        // Plate 68 to 88 across; with the wall's end at 88 it is all on the wall.
        ["hang.outside"] = ([("/walls/w1/width", "87 15/16 in"), ("/items/m1/hang/plateCentre", "78 in")], [("/walls/w1/width", "88 in"), ("/items/m1/hang/plateCentre", "78 in")]),
        // A rail 1 in deep behind a display that is parked 1 1/2 in out: only the plate, 3/16 in thick, can meet it. The plate reaches up to 51 15/16 in.
        ["hang.bodies-meet"] = ([At("shelf", "60 in", "51 7/8 in", "12 in", "1 in", "1 in")], [At("shelf", "60 in", "51 15/16 in", "12 in", "1 in", "1 in")]),
        // Bolts at 70 and 86 across; a round of 5/32 in each.
        ["fix.through-opening"] = ([At("window", "70 1/8 in", "20 in", "10 in", "40 in")], [At("window", "70 5/32 in", "20 in", "10 in", "40 in")]),
        // Rows 1 1/4 in apart are 4 diameters of 5/16 in.
        ["fix.holes-near"] = ([("/items/m1/product/rows", Rows("-1 11/16 in"))], [("/items/m1/product/rows", Rows("-1 3/4 in"))]),
        ["place.over-fireplace"] = ([Thing(Fire, "70 in")], [Thing(Fire, "102 1/4 in")]),
        ["place.too-small"] = ([("/seats/v/distance", "90 in")], [("/seats/v/distance", "89 in")]),
        ["place.too-near"] = ([("/seats/v/distance", "51 in")], [("/seats/v/distance", "52 in")]),
        ["place.protrudes"] = ([("/walls/w1/circulation", true), ("/items/d1/product/depth", "2 9/16 in")], [("/walls/w1/circulation", true), ("/items/d1/product/depth", "2 1/2 in")]),
        ["place.centres-differ"] = ([("/items/d1/place/across", "76 15/16 in")], [("/items/d1/place/across", "77 in")]),
        ["place.not-approved"] = ([("/items/d1/place/height", "30 3/16 in")], [("/items/d1/place/height", "30 1/8 in")]),
        ["hang.overloaded"] = ([("/items/d1/product/mass", "100.1 lb")], [("/items/d1/product/mass", "83.3 lb")]),
        ["hang.pattern-misfit"] = ([("/items/d1/product/vesaWidth", "601 mm")], [("/items/d1/product/vesaWidth", "600 mm")]),
        ["hang.size-misfit"] = ([("/items/m1/product/sizeTo", "54 15/16 in")], [("/items/m1/product/sizeTo", "55 in")]),
        ["hang.wrong-wall"] = ([("/items/m1/product/walls", Sheets.Json("""["masonry"]"""))], [("/items/m1/product/walls", Sheets.Json("""["masonry", "wood-studs"]"""))]),
        // The catalogue makes 21 15/16 of it (14 + 100 mm + 4 with arm hole 4).
        ["hang.chain-disagrees"] = ([("/items/m1/hang/measuredBottomToHook", "20 in"), ("/items/m1/hang/measuredTopToHook", "8 3/16 in"), ("/items/m1/hang/armHoleLeft", 2)], [("/items/m1/hang/measuredBottomToHook", "20 in"), ("/items/m1/hang/measuredTopToHook", "8 1/8 in"), ("/items/m1/hang/armHoleLeft", 2)]),
        // Studs at 70 and 86, slots 7 to 9, 9/32 of edge distance: the plate from 76 23/32 on, the display 2 in more to the left.
        ["hang.centre-out-of-slide"] = ([("/items/d1/place/across", "74 11/16 in")], [("/items/d1/place/across", "74 3/4 in")]),
        ["hang.one-stud-only"] = ([("/walls/w1/studs/b", null), ("/walls/w1/studs/c", null)], [("/walls/w1/studs/a", null), ("/walls/w1/studs/d", null)]),
        // The plate is 8 in high with its hook line 7 in up: holes at 7 in under it are on its foot.
        ["hang.row-off-plate"] = ([("/items/m1/product/rows", Rows("-7 1/16 in"))], [("/items/m1/product/rows", Rows("-7 in"))]),
        ["hang.arms-show"] = ([("/items/m1/product/armLength", "28 1/16 in")], [("/items/m1/product/armLength", "22 in")]),
        ["hang.arm-holes-differ"] = ([("/items/m1/hang/armHoleLeft", 2), ("/items/m1/hang/armHoleRight", 3)], [("/items/m1/hang/armHoleLeft", 2), ("/items/m1/hang/armHoleRight", 2)]),
        ["hang.no-adjustment-left"] = ([("/items/m1/product/slide", "7/16 in")], [("/items/m1/product/slide", "1/2 in")]),
        ["hang.no-room-above"] = ([("/items/d1/place/height", "67 1/16 in")], [("/items/d1/place/height", "67 in")]),
        ["hang.height-fixed"] = ([("/items/m1/product/raiseBy", null), ("/items/m1/product/lowerBy", null)], [("/items/m1/product/raiseBy", null)]),
        ["hang.hard-to-reach"] = ([("/items/m1/product/kind", "flat"), ("/items/d1/product/portsUsed", true)], [("/items/m1/product/kind", "flat")]),
        // A 5/16 in lag may be 9/32 off; the slots let the bolt follow the stud, fixed holes do not.
        ["fix.edge-distance"] = ([.. FixedHoles("7 11/16 in")], [.. FixedHoles("7 23/32 in")]),
        // Washer, plate and board are 7/8; tip 3/16; 4 D is 1 1/4: 2 5/16 in at least.
        ["fix.too-short"] = ([("/items/m1/bolt/length", "2 1/4 in")], [("/items/m1/bolt/length", "2 5/16 in")]),
        // 7/8 passed and 3/16 of tip: 1 1/16 ends at the stud's face.
        // A hole in the plate's middle, 9/32 off a third stud at the most.
        ["fix.left-empty"] = ([.. Third("78 5/16 in")], [.. Third("78 9/32 in")]),
        ["fix.no-hold"] = ([("/items/m1/bolt/length", "1 1/16 in")], [("/items/m1/bolt/length", "1 1/8 in")]),
        // 1 1/4 in of layers is the most across which these rules say what a bolt holds.
        ["fix.shear-unknown"] = ([("/walls/w1/layers/l1/thickness", "1 5/16 in"), ("/items/m1/bolt/length", "4 in")], [("/walls/w1/layers/l1/thickness", "1 1/4 in"), ("/items/m1/bolt/length", "4 in")]),
        ["fix.too-long"] = ([("/items/m1/bolt/length", "4 3/8 in")], [("/items/m1/bolt/length", "4 5/16 in")]),
        ["fix.demand-over-capacity"] = ([("/items/m1/product/kind", "articulating"), ("/items/m1/product/depthExtended", "29 in"), ("/items/m1/bolt/length", "2 in")], [("/items/m1/product/kind", "articulating"), ("/items/m1/product/depthExtended", "6 in")]),
        ["fix.wrong-for-wall"] = ([("/items/m1/bolt", Toggle.DeepClone())], [.. Steel]),
        // Washer, plate and board are 7/8 in; 1 1/4 in of depth is reached at 2 1/8.
        ["fix.bored-crossing"] = ([("/walls/w1/scan/crossings", false)], [("/walls/w1/scan/crossings", false), ("/items/m1/bolt/length", "2 1/8 in"), ("/items/m1/bolt/tip", "0 in")]),
        ["fix.pilot"] = ([("/items/m1/fix/pilot", "15/64 in")], [("/items/m1/fix/pilot", "7/32 in")]),
        ["fix.rating-unknown"] = ([.. Steel, ("/items/m1/bolt/ratedTension", null)], [.. Steel]),
        ["fix.engineer"] = ([.. Steel, ("/items/m1/product/kind", "articulating")], [.. Steel]),
    };

    // Cases that lie with the tests of their stage.
    private static IEnumerable<KeyValuePair<string, ((string, JsonNode?)[] Has, (string, JsonNode?)[] Just)>> Brought() => typeof(FindingsTests).Assembly.GetTypes()
        .Where(t => t is { IsClass: true } && t.IsAssignableTo(typeof(IFindingCases)))
        .SelectMany(t => ((IFindingCases)Activator.CreateInstance(t)!).Cases)
        .Select(c => KeyValuePair.Create(c.Code, (c.Has, c.Just)));

    public static TheoryData<string> Codes => [.. FindingCatalogue.All.Select(k => k.Code)];

    [Fact]
    public void The_plain_wall_is_clear()
    {
        var plan = Sheets.Plan();
        Assert.Empty(plan.Findings);
        Assert.All(plan.Statuses, s => Assert.True(s.State is StageState.Clear or StageState.NotNeeded, $"{s.Stage.Id.Title} is {s.State}"));
    }

    [Theory]
    [MemberData(nameof(Codes))]
    public void Is_found_where_a_sheet_has_it_and_not_where_it_just_has_not(string code)
    {
        Assert.True(Cases.ContainsKey(code), $"{code} has no test");
        var found = Has(code).Findings.Where(f => f.Code == code).ToList();
        Assert.NotEmpty(found);
        Assert.DoesNotContain(code, Sheets.Plan(Cases[code].Just).Codes());
        Assert.All(found, f =>
        {
            Assert.Matches("[0-9]", f.Message.Say(LengthStyle.Inches));
            Assert.NotEmpty(f.Kind.Why);
            Assert.NotEmpty(f.Kind.Source.Name);
            Assert.DoesNotContain("mm", f.Message.Say(LengthStyle.Inches));
            Assert.DoesNotContain(" in,", f.Message.Say(LengthStyle.Millimetres));
        });
    }

    private static JobPlan Has(string code) => Sheets.Plan(Sheets.Document(Cases[code].Has), whole: code != "plan.left-out");

    [Theory]
    [InlineData("hang.overloaded", "/items/d1/product/mass", "83.4 lb", Severity.Caution)]
    [InlineData("hang.overloaded", "/items/d1/product/mass", "100.1 lb", Severity.FinalStop)]
    [InlineData("fix.pilot", "/items/m1/fix/pilot", "1/4 in", Severity.Caution)]
    [InlineData("survey.services-not-looked-for", "/walls/w1/scan", null, Severity.FinalStop)]
    public void Has_its_severity(string code, string path, string? value, Severity severity) =>
        Assert.Equal(severity, Sheets.Plan((path, value)).Finding(code).Severity);

    // By hand: straight out and turned square to the wall, T = (48 lb * 29 in + 30 lb * (29 + 24 1/4) in) * 6.5 / (2 * (6.5² + 2²)) = 210.1, V = 78 / 4 = 19.5.
    // W = 205 lb/in (NDS table 12.2A, from memory) * thread * 0.9; Z = 101.5 (TR12, mode IIIs, 5/8 in of gap and 3/16 of plate) * 0.9 = 91.3.
    // (19.5² / 91.3 + 210.1² / W) / 211: 0.927 at 1 1/4 in of thread, 1.027 at 1 1/8. Another pose may be a little worse.
    [Theory]
    [InlineData("2 5/16 in", 0.927, Severity.Caution)]
    [InlineData("2 3/16 in", 1.027, Severity.FinalStop)]
    public void Demand_over_four_fifths_of_capacity_is_a_caution_first(string length, double utilisation, Severity severity)
    {
        var plan = Sheets.Plan(("/items/m1/product/kind", "articulating"), ("/items/m1/product/depthExtended", "29 in"), ("/items/m1/product/armSwing", "0 deg"), ("/items/m1/bolt/length", length));
        var top = plan.Bolted.Bolts[0];
        Assert.Equal(205 * (Sheets.In(length).Inches - 1.0625) * 0.9, top.Holds!.Value.PoundsForce, 0.5);
        Assert.InRange(top.Utilisation!.Value, utilisation - 0.001, utilisation + 0.02);
        Assert.Equal(severity, plan.Findings.First(f => f.Code == "fix.demand-over-capacity").Severity);
    }

    [Fact]
    public void Every_remedy_takes_its_finding_away()
    {
        var seen = new HashSet<string>();
        foreach (var (code, (has, _)) in Cases)
        {
            foreach (var finding in Has(code).Findings.Where(f => f.Code == code))
            {
                foreach (var remedy in finding.Remedies)
                {
                    var document = Sheets.Document(has);
                    foreach (var change in remedy.Changes)
                    {
                        Corrie.Core.Format.Pointer.Set(document, change.Path, change.Value);
                    }

                    seen.Add(code);
                    Assert.DoesNotContain(Sheets.Plan(document).Findings, f => f.Code == code && f.Where.Part == finding.Where.Part && f.Severity == finding.Severity);
                }
            }
        }

        Assert.Superset(new HashSet<string> { "place.too-high", "place.behind-furniture", "place.gap-too-small", "hang.arm-holes-differ", "fix.pilot" }, seen);
    }

    [Fact]
    public void The_catalogue_in_docs_is_the_code_s() =>
        Assert.Equal(FindingCatalogue.ToMarkdown(), File.ReadAllText(Repository.File("docs/findings.md")));

    private static (string, JsonNode?) Thing(string json, string place) =>
        ("/walls/w1/features/x", Sheets.Json(json.Replace("LEFT", place).Replace("TOP", place)));

    private static (string, JsonNode?) At(string kind, string left, string bottom, string width, string height, string depth = "0 in") => (
        "/walls/w1/features/x", Sheets.Json($$"""{ "kind": "{{kind}}", "left": "{{left}}", "bottom": "{{bottom}}", "width": "{{width}}", "height": "{{height}}", "depth": "{{depth}}" }"""));

    private static JsonNode Stud(string centre) => Sheets.Json($$"""{ "centre": "{{centre}}", "state": "confirmed", "uncertainty": "0 in" }""");

    private static (string, JsonNode?)[] Third(string centre) =>
    [
        ("/walls/w1/studs/e", Stud(centre)), ("/items/m1/hang/plateCentre", "78 in"),
        ("/items/m1/product/rows", Sheets.Json("""
            [{ "id": "top", "aboveHook": "-1/2 in", "slots": [{ "from": "-9 in", "to": "-7 in" }, { "from": "0 in", "to": "0 in" }, { "from": "7 in", "to": "9 in" }] },
             { "id": "bottom", "aboveHook": "-5 in", "slots": [{ "from": "-9 in", "to": "-7 in" }, { "from": "7 in", "to": "9 in" }] }]
            """)),
    ];

    private static (string, JsonNode?) Scanned(double off)
    {
        var evidence = new JsonObject();
        foreach (var stud in new[] { 54.0, 70, 86 })
        {
            void Add(string kind, double at) => evidence[$"e{evidence.Count}"] = Sheets.Json(
                $$"""{ "kind": "{{kind}}", "at": "{{at}} in"{{(kind == "probe-hit" ? ", \"bite\": \"1 in\"" : string.Empty)}} }""");
            Add("scanner-centre", stud + off);
            Add("probe-hit", stud - 0.625);
            Add("probe-miss", stud - 0.875);
            Add("probe-hit", stud + 0.625);
            Add("probe-miss", stud + 0.875);
        }

        return ("/walls/w1/evidence", evidence);
    }

    private static (string, JsonNode?) Chains(string second) => ("/walls/w1/readings", Sheets.Json($$"""
        {
          "r1": { "from": "left-corner", "to": "studs/b", "value": "70 in" }, "r2": { "from": "left-corner", "to": "studs/c", "value": "86 in" },
          "r3": { "from": "studs/b", "to": "studs/c", "value": "16 in" }, "r4": { "from": "right-corner", "to": "studs/b", "value": "-86 in" },
          "r5": { "from": "right-corner", "to": "studs/c", "value": "{{second}}" }, "r6": { "from": "left-corner", "to": "right-corner", "value": "156 in" }
        }
        """));

    private static (string, JsonNode?) Found(string key, string json) => ("/walls/w1/evidence/" + key, Sheets.Json(json));

    private static (string, JsonNode?)[] Against(string left, string right) =>
    [
        Found("e", """{ "kind": "probe-hit", "at": "62 1/8 in", "bite": "1 in" }"""), Found("f", """{ "kind": "probe-miss", "at": "62 1/2 in" }"""),
        Found("g", $$"""{ "kind": "scanner-edges", "at": "{{left}}", "to": "{{right}}" }"""), Found("h", $$"""{ "kind": "scanner-edges", "at": "{{left}}", "to": "{{right}}", "beside": "20 in" }"""),
    ];

    private static (string, JsonNode?)[] Gap(string second) =>
    [
        Found("e", """{ "kind": "probe-hit", "at": "61 in" }"""), Found("f", """{ "kind": "probe-miss", "at": "61 3/4 in" }"""),
        Found("g", $$"""{ "kind": "probe-hit", "at": "{{second}}" }"""),
    ];

    private static (string, JsonNode?)[] Narrow(string second) =>
    [
        Found("e", """{ "kind": "probe-miss", "at": "61 in" }"""), Found("f", """{ "kind": "probe-hit", "at": "61 3/4 in" }"""),
        Found("g", $$"""{ "kind": "probe-miss", "at": "{{second}}" }"""),
    ];

    private static JsonNode Rows(string lower) => Sheets.Json($$"""
        [{ "id": "top", "aboveHook": "-1/2 in", "slots": [{ "from": "-9 in", "to": "-7 in" }, { "from": "7 in", "to": "9 in" }] },
         { "id": "bottom", "aboveHook": "{{lower}}", "slots": [{ "from": "-9 in", "to": "-7 in" }, { "from": "7 in", "to": "9 in" }] }]
        """);

    private static JsonNode Test(string thickness) =>
        Sheets.Json($$"""{ "x": "20 in", "y": "40 in", "layers": [{ "name": "Gypsum board", "thickness": "{{thickness}}" }] }""");

    private static JsonNode Old(string centre)
    {
        var bolt = Sheets.Plan().Bolted.Bolts[0];
        return new JsonObject
        {
            ["kind"] = "old-hole",
            ["name"] = "old hole",
            ["width"] = "1/2 in",
            ["height"] = "1/2 in",
            ["left"] = LengthText.Exact(Sheets.In(centre) - Length.Tape(0, 1, 4), UnitSystem.Inches),
            ["bottom"] = LengthText.Exact(bolt.Y - Length.Tape(0, 1, 4), UnitSystem.Inches),
        };
    }

    private static (string, JsonNode?)[] Twice(string second) =>
    [
        ("/walls/w1/readings/r1", Sheets.Json("""{ "from": "left-corner", "to": "studs/b", "value": "70 in", "deviation": "1/8 in", "by": "Ines" }""")),
        ("/walls/w1/readings/r2", Sheets.Json($$"""{ "from": "left-corner", "to": "studs/b", "value": "{{second}}", "deviation": "1/8 in", "by": "Tom" }""")),
    ];

    private static (string, JsonNode?)[] FixedHoles(string half) =>
    [
        ("/items/m1/product/slide", "0 in"),
        ("/items/m1/product/rows", Sheets.Json($$"""[{ "id": "top", "aboveHook": "-1/2 in", "slots": [{ "from": "-{{half}}", "to": "-{{half}}" }, { "from": "{{half}}", "to": "{{half}}" }] }]""")),
    ];
}

/// <summary>Cases of a stage's findings: changes to the plain wall that have one, and changes that just have not.</summary>
internal interface IFindingCases
{
    IEnumerable<(string Code, (string Path, JsonNode? Value)[] Has, (string Path, JsonNode? Value)[] Just)> Cases { get; }
}
