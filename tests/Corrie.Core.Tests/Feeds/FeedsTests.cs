using System.Text.Json.Nodes;
using Corrie.Core.Feeds;
using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Core.Tests.Jobs;
using Corrie.Simulators;

namespace Corrie.Core.Tests.Feeds;

/// <summary>
/// Power and signal for the plain wall's display: a mains box and a signal box behind it, each with its bay, a box under each near the floor, a player
/// in a cupboard, an outlet on a circuit.
/// </summary>
public class FeedsTests : IFindingCases
{
    // The display reaches from 53 3/4 to 102 1/4 across and from 30 to 58 up; its bays are clear from 54 3/4 to 69 1/4, 70 3/4 to 85 1/4, 86 3/4 to 101 1/4.
    internal static readonly (string, JsonNode?)[] Fed =
    [
        ("/walls/w1/questions", Sheets.Json("""{ "gas": false, "fireRated": false, "mayCut": true, "flue": "none", "insulated": false }""")),
        ("/walls/w1/features/f1", Sheets.Json("""{ "kind": "receptacle", "name": "outlet", "left": "28 in", "bottom": "14 in", "width": "3 in", "height": "4 in", "routeKnown": true }""")),
        ("/walls/w1/features/f2", Sheets.Json("""{ "kind": "furniture", "name": "cupboard", "left": "110 in", "bottom": "0 in", "width": "30 in", "height": "20 in", "depth": "16 in" }""")),
        ("/walls/w1/feeds", Sheets.Json("""{ "bearing": true, "attic": false, "basement": false, "looks": { "a": { "across": "62 in", "to": "90 in", "by": "Tom" }, "b": { "across": "94 in", "to": "90 in", "by": "Tom" }, "c": { "across": "78 in", "to": "90 in", "by": "Tom" } } }""")),
        ("/items/b1", Box("signal", "d1", "94 in", "46 in")),
        ("/items/b2", Box("signal", "", "94 in", "16 in")),
        ("/items/b3", Box("power", "d1", "62 in", "46 in")),
        ("/items/b4", Box("power", "", "62 in", "16 in")),
        ("/items/p1", Sheets.Json("""{ "kind": "device", "wall": "w1", "product": { "name": "player", "width": "10 in", "height": "2 in", "depth": "8 in", "mass": "3 lb", "watts": 30, "ports": [{ "name": "picture", "way": "out" }, { "name": "inlet" }] }, "stands": { "in": "f2" } }""")),
        ("/items/d1/product/watts", 150),
        ("/items/d1/product/ports", Sheets.Json("""[{ "name": "picture 1", "left": "34 in", "up": "1 in", "width": "2 in", "height": "4 in", "return": true, "fast": true }, { "name": "picture 2", "left": "37 in", "up": "1 in", "width": "2 in", "height": "4 in" }, { "name": "inlet", "left": "6 in", "up": "10 in", "width": "3 in", "height": "2 in" }]""")),
        ("/walls/w1/routes", Sheets.Json("""{ "p": { "carries": "power", "from": "b4", "to": "b3", "mains": { "name": "sheathed cable", "carries": "mains", "diameter": "3/8 in", "ratings": ["in-wall"], "gauge": 14 } }, "s": { "from": "b2", "to": "b1" } }""")),
        ("/connections", Sheets.Json("""
        {
          "k1": { "from": "w1/f1", "to": "b4", "cable": { "name": "cord", "carries": "mains", "diameter": "3/8 in", "cord": true } },
          "k2": { "from": "b3", "to": "d1", "toPort": "inlet", "cable": { "name": "cord", "carries": "mains", "diameter": "3/8 in", "cord": true } },
          "k0": { "from": "w1/f1", "to": "p1", "toPort": "inlet", "cable": { "name": "cord", "carries": "mains", "diameter": "3/8 in", "cord": true } },
          "k3": { "from": "p1", "fromPort": "picture", "to": "d1", "toPort": "picture 1", "via": "w1/s", "cable": { "name": "picture cable", "carries": "picture", "diameter": "1/4 in", "plugWidth": "7/8 in", "plugHeight": "3/8 in", "ratings": ["in-wall"], "sold": ["6 ft", "10 ft", "15 ft", "20 ft"] } }
        }
        """)),
        ("/electrics", Sheets.Json("""{ "code": "nfpa70", "circuits": { "c1": { "breaker": "7, map room", "amperes": 15, "volts": 120, "gauge": 14, "run": "40 ft", "other": 100, "outlets": ["w1/f1"] } } }""")),
    ];

    /// <inheritdoc/>
    public IEnumerable<(string Code, (string Path, JsonNode? Value)[] Has, (string Path, JsonNode? Value)[] Just)> Cases =>
    [
        // The opening is 4 in wide: at 92 3/4 it ends at 90 3/4 and the stud's right side is at 86 3/4; at 88 3/4 they touch.
        One("feed.box-on-member", "/items/b1/place/across", "88 11/16 in", "88 3/4 in"),
        One("feed.wing-space", "/items/b1/place/across", "89 11/16 in", "89 3/4 in", ("/items/b1/product/wings", "1 in")),
        One("feed.bay-too-narrow", "/items/b1/product/openingWidth", "14 9/16 in", "14 1/2 in", ("/items/b1/place/across", "94 in"), ("/items/b1/product/width", "15 in"), ("/items/d1/product/ports", null), ("/connections/k2/toPort", null), ("/connections/k3/toPort", null)),
        One("feed.bracket-load", "/items/p1/product/mass", "3.1 lb", "3 lb", ("/items/p1/product/depth", "1 1/2 in"), ("/items/p1/stands", Sheets.Json("""{ "in": "d1", "across": "94 in", "up": "36 in", "sockets": "up", "carries": "3 lb" }"""))),
        // 2 in inside the display, whose top is at 58: half of the box is 2 1/2 in.
        One("feed.box-shows", "/items/b1/place/height", "53 9/16 in", "53 1/2 in"),
        // The plate ends at 88 across and begins at 43 15/16 up.
        One("feed.box-under-plate", "/items/b1/place/across", "90 7/16 in", "90 1/2 in"),
        // Board and stud are 4 1/8 in.
        One("feed.box-too-deep", "/items/b1/product/depth", "4 3/16 in", "4 1/8 in"),
        // The lower third ends at 39 1/3.
        One("feed.droop", "/items/b3/place/height", "39 5/16 in", "39 3/8 in"),
        One("feed.heights-differ", "/items/b2/place/height", "16 3/16 in", "16 1/8 in"),
        // 1 1/2 in of plug and nothing else: the mount is parked 1 1/2 in from the wall.
        ("feed.device-behind", [Behind("1/16 in")], [Behind("0 in")]),
        One("feed.cord-in-wall", "/walls/w1/routes/p/mains/ratings", null, Sheets.Json("""["plenum"]""")),
        ("feed.buried-junction", [Device("pushed-back")], [Device("blanked")]),
        ("feed.not-licensed", [.. Fed, Wired(licence: ""), Dead], [.. Fed, Wired(), Dead]),
        ("feed.not-isolated", [.. Fed, Wired(), Dead, ("/electrics/isolations/i/locked", false)], [.. Fed, Wired(), Dead]),
        One("feed.local-rule", "/electrics/code", "other", "nfpa70"),
        ("feed.separation", [.. Fed, ("/walls/w1/routes/p/shares", "s")], [.. Fed, ("/walls/w1/routes/p/shares", "s"), ("/walls/w1/routes/p/divided", true)]),
        // 40 % of 3 1/2 in; the ways cross a stud once the boxes below are a bay away.
        One("feed.stud-bored", "/walls/w1/routes/s/hole", "1 13/32 in", "1 in", ("/items/b2/place/across", "78 in"), ("/walls/w1/feeds/bearing", true)),
        ("feed.fire-block", [.. Fed, Noggin("30 in"), ("/walls/w1/feeds/looks", null)], [.. Fed, Noggin("60 in"), ("/walls/w1/feeds/looks", null)]),
        One("feed.fire-rated", "/walls/w1/feeds/seal", null, "putty pads, listed, by the electrician", ("/walls/w1/questions/fireRated", true)),
        One("feed.rating", "/connections/k3/cable/ratings", null, Sheets.Json("""["riser"]""")),
        // A quarter of pi times 0.6 in squared is 0.2827 of 0.533 square inches, 53.05 %; 0.59 in takes 51.3 %.
        One("feed.fill", "/connections/k3/cable/diameter", "0.6 in", "0.59 in", ("/walls/w1/routes/s/conduit", "emt"), ("/walls/w1/routes/s/trade", "3/4"), ("/connections/k3/cable/plugWidth", null), ("/connections/k3/cable/plugHeight", null)),
        // 1 1/4 by 0.45 in is 1.3285 in corner to corner, and 1/8 in of play: 1.4535 in. 1 1/4 in of steel tube has 1.380, 1 1/2 in 1.610.
        One("feed.plug-does-not-pass", "/walls/w1/routes/s/trade", "1 1/4", "1 1/2", ("/walls/w1/routes/s/conduit", "emt"), ("/connections/k3/cable/plugWidth", "1 1/4 in"), ("/connections/k3/cable/plugHeight", "0.45 in")),
        // The gap of 1 1/2 in behind the display and 3 in of box.
        One("feed.bend-radius", "/connections/k3/cable/bend", "4 9/16 in", "4 1/2 in"),
        // From the player at 125 across, 10 up to the box at 94 and 16: 37 in; up to 46: 30 in; to the port at 88 3/4 across, 33 up, 1 1/2 in off the wall: 19 3/4 in;
        // 2 loops of 12 in, and a tenth of it all: 121 33/40 in.
        One("feed.too-short", "/connections/k3/bought", "121 13/16 in", "121 7/8 in"),
        One("feed.too-far", "/connections/k3/cable/limit", "14 ft", "15 ft"),
        One("feed.no-input", "/connections/k3/to", "b3", "d1"),
        ("feed.no-return-channel", [.. Fed, Bar, BarBy("picture 2")], [.. Fed, Bar, BarBy("picture 1"), ("/connections/k3/toPort", "picture 2")]),
        ("feed.no-source-outlet", [.. Fed, ("/electrics/circuits/c1/outlets", Sheets.Json("""["w1/f9"]"""))], [.. Fed]),
        // 15 A at 120 V and 80 %: 1440 W. The display takes 150 W, the player 30 W.
        One("feed.circuit-load", "/electrics/circuits/c1/other", 1261, 1260),
        // 14 gauge: 3.07 ohm per 1000 ft. 1000 W at 120 V are 8.333 A; 3 % of 120 V drop over 70.36 ft.
        One("feed.voltage-drop", "/electrics/circuits/c1/run", "71 ft", "70 ft", ("/electrics/circuits/c1/other", 820)),
        // Eight conductors of 14 gauge, a device, clamps, a ground: 12 times 2.00.
        One("feed.box-fill", "/items/b3/product/volume", 23.9, 24, ("/items/b3/wires", Sheets.Json("""{ "conductors": 8, "gauge": 14, "devices": 1, "clamps": true, "grounds": 1 }"""))),
        One("feed.too-warm", "/items/p1/product/watts", 18.1, 18, ("/items/p1/stands/in", "b2"), ("/items/b2/product", Sheets.Json("""{ "name": "enclosure", "sort": "enclosure", "width": "14 in", "height": "14 in", "depth": "3 in", "mass": "3 lb", "vents": 4 }""")), ("/items/b2/place/height", "16 in"), ("/items/p1/product/depth", "3 in")),
        ("feed.wire-map", [.. Fed, Test("a", "[1,2,6,4,5,3,7,8]")], [.. Fed, Test("a", "[1,2,6,4,5,3,7,8]"), Test("b", "[1,2,3,4,5,6,7,8]")]),
        One("feed.tenant", "/walls/w1/questions/mayCut", false, true),
        One("feed.bay-unknown", "/walls/w1/feeds/looks/b/to", "40 in", "41 in", ("/items/b1/place/height", "46 in")),
        One("feed.no-way", "/items/b2/place/across", "86 in", "94 in"),
        ("feed.arm-slack", [.. Fed, .. Arm, ("/connections/k3/bought", "11 ft")], [.. Fed, .. Arm, ("/connections/k3/bought", "14 ft")]),
        ("feed.pinch", [.. Fed, .. Arm, ("/items/b1/place/across", "90 9/16 in")], [.. Fed, .. Arm, ("/items/b1/place/across", "92 in")]),
        // Ducts leave each stud free only below 20 or above 58: down, across, up, across, down, across, up.
        ("feed.bends", [.. Fed, .. Ducts, ("/walls/w1/routes/s/conduit", "emt")], [.. Fed, .. Ducts]),
    ];

    private static (string, JsonNode?) Dead => ("/electrics/isolations/i", Sheets.Json("""{ "circuit": "c1", "by": "E. Sparke", "licence": "E 77", "off": true, "locked": true, "tester": "two-pole tester", "on": "3 May, 9:10" }"""));

    private static (string, JsonNode?) Bar => ("/items/s1", Sheets.Json("""{ "kind": "soundbar", "wall": "w1", "product": { "name": "bar", "width": "30 in", "height": "3 in", "depth": "4 in", "mass": "6 lb", "ports": [{ "name": "to display", "carries": "picture", "return": true }] }, "stands": { "in": "f2" } }"""));

    private static (string, JsonNode?)[] Ducts =>
    [
        ("/walls/w1/features/x", Duct("68 in", "22 in", "74 in")), ("/walls/w1/features/y", Duct("84 in", "0 in", "56 in")), ("/walls/w1/features/z", Duct("100 in", "22 in", "74 in")),
        ("/items/b2/place", Sheets.Json("""{ "given": "centre", "height": "30 in", "across": "62 in" }""")), ("/items/b1/place/across", "120 in"),
    ];

    /// <summary>What a breaker protects by NFPA 70 240.4(D), from memory: 14 gauge up to 15 A, 12 up to 20, 10 up to 30; of the wire that is there, and of the cable that is laid anew.</summary>
    [Theory]
    [InlineData(14, 15, 16)]
    [InlineData(12, 20, 21)]
    [InlineData(10, 30, 31)]
    public void A_breaker_is_no_larger_than_its_thinnest_wire_allows(int gauge, int most, int more)
    {
        string[] Parts(int amperes, int wire, int cable) =>
        [
            .. Sheets.Plan([.. Fed, ("/electrics/circuits/c1/amperes", amperes), ("/electrics/circuits/c1/gauge", wire), ("/walls/w1/routes/p/mains/gauge", cable)]).Findings
                .Where(f => f.Code == "feed.circuit-load").Select(f => f.Where.Part),
        ];
        Assert.Empty(Parts(most, gauge, gauge));
        Assert.Contains("w1/circuits/c1/wire", Parts(more, gauge, gauge));
        Assert.Contains("w1/routes/p/wire", Parts(more, gauge, gauge));
        Assert.Equal(gauge == 10 ? [] : ["w1/routes/p/wire"], Parts(gauge == 10 ? most : most + 1, Math.Max(10, gauge - 2), gauge));
    }

    /// <summary>A device whose picture leads to a display wants its own plug in an outlet, and one inlet takes one plug.</summary>
    [Fact]
    public void Every_inlet_has_one_plug()
    {
        Assert.Contains(Sheets.Plan([.. Fed, ("/connections/k0", null)]).Findings, f => f.Code == "feed.no-source-outlet" && f.Where.Part == "w1/power/p1");
        Assert.Contains(Sheets.Plan([.. Fed, ("/connections/k0/to", "d1")]).Findings, f => f.Code == "feed.no-input" && f.Message.ToString().Contains("2 cables in inlet"));
        Assert.DoesNotContain(Sheets.Plan([.. Fed]).Findings, f => f.Code is "feed.no-input" or "feed.no-source-outlet");
    }

    /// <summary>An outlet has two sockets (common practice) unless somebody has counted others: a third plug is a caution, and a stop where they are counted.</summary>
    [Theory]
    [InlineData(0, null, null)]
    [InlineData(1, null, Severity.Caution)]
    [InlineData(1, 3, null)]
    [InlineData(2, 3, Severity.Stop)]
    [InlineData(0, 1, Severity.Stop)]
    public void An_outlet_takes_as_many_plugs_as_it_has_sockets(int more, int? sockets, Severity? severity)
    {
        // The fed job has two plugs in its outlet already, one of which is the player's.
        var others = Enumerable.Range(0, more).Select(n => ($"/connections/x{n}", (JsonNode?)Sheets.Json("""{ "from": "w1/f1", "to": "p1" }""")));
        var found = Sheets.Plan([.. Fed, .. others, ("/walls/w1/features/f1/sockets", sockets)]).Findings.Where(f => f.Where.Part == "w1/outlets/w1-f1").ToList();
        Assert.Equal(severity, found.Count == 0 ? null : Assert.Single(found).Severity);
    }

    private static JsonNode Duct(string left, string bottom, string height) => Sheets.Json($$"""{ "kind": "duct", "name": "duct", "left": "{{left}}", "bottom": "{{bottom}}", "width": "4 in", "height": "{{height}}", "routeKnown": true }""");

    private static (string, JsonNode?)[] Arm => [("/items/m1/product/kind", "articulating"), ("/items/m1/product/depthExtended", "20 in"), ("/items/m1/product/depthParked", "3 in")];

    private static (string, JsonNode?) BarBy(string port) => ("/connections/k4", Sheets.Json($$"""{ "from": "s1", "fromPort": "to display", "to": "d1", "toPort": "{{port}}", "cable": { "name": "picture cable", "carries": "picture", "diameter": "1/4 in" } }"""));

    private static (string, JsonNode?) Behind(string depth) => ("/walls/w1/features/f9", Sheets.Json($$"""{ "kind": "receptacle", "name": "old outlet", "left": "92 in", "bottom": "34 in", "width": "3 in", "height": "4 in", "depth": "{{depth}}", "routeKnown": true }"""));

    private static (string, JsonNode?) Device(string fate) => ("/walls/w1/feeds", Sheets.Json($$"""{ "devices": { "f9": { "fate": "{{fate}}", "by": "E. Sparke", "licence": "E 77" } } }"""));

    private static (string, JsonNode?) Wired(string licence = "E 77") => ("/walls/w1/routes/p/wired", Sheets.Json($$"""{ "by": "E. Sparke", "licence": "{{licence}}", "on": "3 May" }"""));

    private static (string, JsonNode?) Noggin(string at) => ("/walls/w1/evidence/n", Sheets.Json($$"""{ "kind": "seen", "axis": "up", "at": "{{at}}", "beside": "94 in" }"""));

    private static (string, JsonNode?) Test(string id, string far) => ($"/connections/k9/tests/{id}", Sheets.Json($$"""{ "far": {{far}}, "by": "Tom" }"""));

    internal static JsonNode Box(string use, string serves, string across, string centre) => Sheets.Json($$"""
        { "kind": "box", "wall": "w1", "for": "{{serves}}", "product": { "name": "{{use}} box", "use": "{{use}}", "width": "5 in", "height": "5 in", "depth": "3 in", "openingWidth": "4 in", "openingHeight": "4 in", "mass": "1 lb", "volume": 30 }, "place": { "given": "centre", "height": "{{centre}}", "across": "{{across}}" } }
        """);

    private static (string Code, (string, JsonNode?)[] Has, (string, JsonNode?)[] Just) One(string code, string path, JsonNode? has, JsonNode? just, params (string, JsonNode?)[] besides) =>
        (code, [.. Fed, .. besides, (path, has)], [.. Fed, .. besides, (path, just)]);

    /// <summary>
    /// A box of 10 x 2 in on brackets behind the display (53 3/4 to 102 1/4 across, 30 to 58 up, 1 1/2 in parked): each way in which it cannot be there is
    /// said, and what just has none is not.
    /// </summary>
    [Theory]
    [InlineData("feed.box-too-deep", "depth", "1 9/16 in")]
    [InlineData("feed.box-shows", "up", "32 15/16 in")]
    [InlineData("feed.box-shows", "up", "53 9/16 in")]
    [InlineData("feed.box-shows", "across", "60 11/16 in")]
    [InlineData("feed.box-under-plate", "across", "92 15/16 in")]
    [InlineData("feed.droop", "sockets", "down")]
    public void A_box_behind_a_display_is_hidden_clear_of_the_plate_and_not_pressed_on(string code, string member, string value)
    {
        (string, JsonNode?)[] Job(params (string, JsonNode?)[] more) => [.. Fed, ("/items/b1", null), ("/items/b3", null), ("/walls/w1/routes", null), ("/connections", null), ("/items/d1/product/ports", null), ("/items/p1/product/depth", "1 1/2 in"),
            ("/items/p1/stands", Sheets.Json("""{ "in": "d1", "across": "93 in", "up": "45 in", "sockets": "up", "carries": "5 lb" }""")), .. more];

        // Left of the plate, low, and high: everything just fits.
        foreach (var (across, up) in new[] { ("93 in", "45 in"), ("94 in", "33 in"), ("94 in", "53 1/2 in"), ("60 3/4 in", "35 in") })
        {
            Assert.DoesNotContain(Sheets.Plan(Job(("/items/p1/stands/across", across), ("/items/p1/stands/up", up))).Findings, f => f.Where.Part.StartsWith("p1/hidden", StringComparison.Ordinal));
        }

        var wrong = Sheets.Plan(Job((member == "depth" ? "/items/p1/product/depth" : "/items/p1/stands/" + member, value))).Findings.Where(f => f.Where.Part.StartsWith("p1/hidden", StringComparison.Ordinal)).ToList();
        Assert.Contains(wrong, f => f.Kind.Code == code);
        // A second one in the same place lies on the first.
        Assert.Contains(Sheets.Plan([.. Job(), ("/items/p2", Sheets.Json("""{ "kind": "device", "wall": "w1", "product": { "name": "second", "width": "10 in", "height": "2 in", "depth": "1 in", "mass": "1 lb" }, "stands": { "in": "d1", "across": "93 in", "up": "46 in", "sockets": "up", "carries": "5 lb" } }"""))]).Findings, f => f.Where.Part == "p2/hidden/covers");
        // What is offered puts it where nothing is in its way.
        foreach (var remedy in wrong.SelectMany(f => f.Remedies))
        {
            Assert.DoesNotContain(Sheets.Plan([.. Job((member == "depth" ? "/items/p1/product/depth" : "/items/p1/stands/" + member, value)), .. remedy.Changes.Select(c => (c.Path, c.Value))]).Findings, f => f.Kind.Code == code && f.Where.Part.StartsWith("p1/hidden", StringComparison.Ordinal));
        }
    }

    /// <summary>Two cables of 1/4 in take 0.098 square inches: 39.3 % of 1/2 x 1/2 in, and 44.9 % of 1/2 x 7/16 in; 40 % are usual (common practice). One of 0.6 in goes into nothing of 1/2 in.</summary>
    [Theory]
    [InlineData("1/2 in", "1/4 in", false)]
    [InlineData("7/16 in", "1/4 in", true)]
    [InlineData("3 in", "0.6 in", true)]
    public void A_raceway_is_not_stuffed(string wide, string thick, bool full)
    {
        var plan = Sheets.Plan([.. Fed, ("/walls/w1/routes/s/taken", "surface"), ("/walls/w1/routes/s/racewayWide", wide), ("/walls/w1/routes/s/racewayHigh", "1/2 in"), ("/connections/k3/cable/diameter", thick),
            ("/connections/k4", Sheets.Json("""{ "from": "p1", "to": "d1", "via": "w1/s", "cable": { "name": "second", "carries": "network", "diameter": "1/4 in", "ratings": ["in-wall"] } }"""))]);
        Assert.Equal(full, plan.Findings.Any(f => f.Kind == FeedFindings.Fill));
    }

    [Fact]
    public void The_plain_wall_with_power_and_signal_is_clear()
    {
        var plan = Sheets.Plan(Fed);
        Assert.True(plan.Findings.Count == 0, string.Join('\n', plan.Findings.Select(f => $"{f.Code} {f.Where.Part}: {f.Message}")));
        Assert.All(plan.Statuses, s => Assert.True(s.State is StageState.Clear or StageState.NotNeeded, $"{s.Stage.Id.Title} is {s.State}, {s.Says}"));
    }

    [Theory]
    [InlineData("a cable for", "/connections/k3")]
    [InlineData("the mains cable of", "/walls/w1/routes/p/mains")]
    [InlineData("what leads to", "/connections/k3", "/walls/w1/routes/s")]
    public void An_opening_that_nothing_leads_to_leaves_feeds_open(string needs, params string[] left)
    {
        var status = Sheets.Plan([.. Fed, .. left.Select(l => (l, (JsonNode?)null))]).On("w1").Single(s => s.Stage.Id == FeedFindings.Stage);
        Assert.Equal(StageState.Open, status.State);
        Assert.StartsWith(needs, status.Says.Say(LengthStyle.Inches), StringComparison.Ordinal);
    }

    [Fact]
    public void Mains_in_a_box_for_signal_is_a_stop()
    {
        Assert.True(Sheets.Plan([.. Fed, ("/walls/w1/routes/p/to", "b1")]).Findings.Single(f => f.Where.Part == "w1/routes/p/box").Stops);
        Assert.DoesNotContain(Sheets.Plan([.. Fed, ("/walls/w1/routes/p/to", "b1"), ("/items/b1/product/use", "both")]).Findings, f => f.Where.Part == "w1/routes/p/box");
    }

    [Fact]
    public void What_is_offered_for_a_box_and_a_way_is_proven()
    {
        foreach (var code in new[] { "feed.box-on-member", "feed.box-shows", "feed.box-under-plate", "feed.wing-space", "feed.heights-differ", "feed.plug-does-not-pass" })
        {
            var document = Sheets.Document(Cases.Single(c => c.Code == code).Has);
            var plan = Sheets.Plan((JsonObject)document.DeepClone());
            Assert.True(plan.Findings.Where(f => f.Code == code).Any(f => RemedyProof.Proven(document, plan, f).Count > 0), code);
        }
    }

    /// <summary>Common practice: a cable tied along the arm suffices wherever the display is pulled. Poses and turns from the mount's own figures, by trigonometry.</summary>
    [Fact]
    public void At_every_extreme_of_an_arm_the_planned_slack_suffices()
    {
        var random = new Random(1505);
        for (var n = 0; n < 300; n++)
        {
            double Of(double from, double to) => from + (random.NextDouble() * (to - from));
            var (foot, pivot, port, box) = ((X: Of(60, 100), Y: Of(40, 70)), (X: Of(60, 100), Y: Of(40, 70)), (X: Of(40, 120), Y: Of(30, 80)), (X: Of(50, 110), Y: Of(30, 80)));
            var (reach, drop, parked) = (Of(4, 30), Of(0, 26), Of(2, 4));
            var arm = ArmPath.Of(End(foot), End(pivot), [(Length.FromInches(parked), default), (Length.FromInches(reach), Length.FromInches(drop))]);
            var planned = arm.To(End(box), End(port)).Inches;
            for (var step = 0; step <= 20; step++)
            {
                for (var turn = -90; turn <= 90; turn += 10)
                {
                    // The pivot goes out and down on its way; the port turns about it, keeping its height.
                    var (o, d, a) = (parked + ((reach - parked) * step / 20), drop * step / 20, turn * Math.PI / 180);
                    var (x, y, z) = (pivot.X + ((port.X - pivot.X) * Math.Cos(a)), port.Y - d, o + ((port.X - pivot.X) * Math.Sin(a)));
                    Assert.True(Math.Sqrt(Math.Pow(x - box.X, 2) + Math.Pow(y - box.Y, 2) + (z * z)) <= planned + 1e-6, $"{n}: at {o:0.#} out, {turn}°");
                }
            }
        }

        // Tied at each joint: 6 in to the foot, and at the farthest 24 in along the arm, half of it to the elbow.
        Assert.Equal([("foot", 6.0), ("elbow", 18), ("head", 30)], (ArmPath.Of(End((10, 50)), End((10, 50)), [(Length.Tape(24), default)]) with { Elbow = true }).Ties(End((10, 44))).Select(t => (t.Joint, t.Along.Inches)));

        static WayEnd End((double X, double Y) at) => new(Length.FromInches(at.X), Length.FromInches(at.Y));
    }

    [Fact]
    public void A_cord_in_a_wall_is_passed_by_nobody()
    {
        (string, JsonNode?)[] cord = [.. Fed, ("/walls/w1/routes/p/mains/cord", true)];
        var finding = Sheets.Plan(cord).Findings.Single(f => f.Code == "feed.cord-in-wall");
        Assert.Equal(Severity.FinalStop, finding.Severity);
        Assert.False(Override.Can(finding.Severity));
        var said = new JsonObject { ["code"] = finding.Code, ["about"] = finding.Where.Part, ["says"] = Override.Saying(finding), ["by"] = "Ines", ["role"] = "lead", ["reason"] = "it is short" };
        Assert.True(Sheets.Plan([.. cord, ("/overrides/o", said)]).Findings.Single(f => f.Code == "feed.cord-in-wall").Stops);
        // An electrician's local rule changes nothing: a cord is none anywhere.
        Assert.Contains("feed.cord-in-wall", Sheets.Plan([.. cord, ("/electrics/code", "other")]).Codes());
    }

    /// <summary>Each fault that the tester's stand-in can have is named as that fault, and a passing test afterwards clears the stop.</summary>
    [Fact]
    public void The_tester_s_faults_are_named_and_a_retest_clears_them()
    {
        foreach (var fault in Enum.GetValues<WireFault>())
        {
            for (var seed = 0; seed < 30; seed++)
            {
                var shown = CableTester.Test(fault, new(seed), "40 ft");
                var plan = Sheets.Plan([.. Fed, ("/connections/k3/tests/t1", shown)]);
                var test = plan.Sheet.Get(Connection.Part)!.Single(c => c.Id == "k3").Tests.Items[0];
                Assert.Equal([fault], test.Faults().Select(f => f.Fault).Distinct());
                Assert.Contains(fault.ToString().ToLowerInvariant(), Assert.Single(plan.Findings, f => f.Code == "feed.wire-map").Message.ToString());
                Assert.DoesNotContain("feed.wire-map", Sheets.Plan([.. Fed, ("/connections/k3/tests/t1", shown.DeepClone()), ("/connections/k3/tests/t2", CableTester.Test(null, new(seed), "40 ft"))]).Codes());
            }
        }
    }

    /// <summary>Between two walls a cable is as long as somebody has measured, and its part on the wall of its way is added; unmeasured, it has no length and is asked for.</summary>
    [Fact]
    public void From_wall_to_wall_a_cable_is_measured()
    {
        (string, JsonNode?)[] two = [.. Fed, ("/walls/w2", Sheets.Json("""{ "width": "120 in", "height": "96 in", "kind": "wood-studs" }""")), ("/items/p1/wall", "w2"), ("/items/p1/stands", null), ("/items/p1/place", Sheets.Json("""{ "given": "bottom", "height": "20 in", "across": "40 in" }"""))];
        CablePlan Of(params (string, JsonNode?)[] more) => Sheets.Plan([.. two, .. more]).Cables("w1")!.All.Single(c => c.Connection.Id == "k3");
        Assert.Null(Of().Way);
        Assert.True(Of().AcrossWalls);
        // The way alone, on the same wall as its other end: box at 94 and 16 up, 30 in up the bay, 5 1/4 and 13 in to the port, 1 1/2 in out, two loops of 12 in; and 10 ft from wall to wall.
        Assert.Equal(Length.Tape(120) + Length.Tape(30) + Length.Tape(19, 3, 4) + Length.Tape(24), Of(("/connections/k3/between", "10 ft")).Way);
        // In the open, nothing but that and the loops counts.
        Assert.Equal(Length.Tape(144), Of(("/connections/k3/between", "10 ft"), ("/connections/k3/via", null)).Way);
    }

    /// <summary>Two raceways of one line lie beside each other, and the later one says so; one that both share does not.</summary>
    [Fact]
    public void Raceways_of_one_line_lie_beside_each_other()
    {
        (string, JsonNode?)[] both = [.. Fed, ("/walls/w1/routes/s/taken", "surface"), ("/walls/w1/routes/p/taken", "surface"), ("/walls/w1/routes/p/from", "b2"), ("/walls/w1/routes/p/to", "b1")];
        WallRoutes Routes(params (string, JsonNode?)[] more) => Sheets.Plan([.. both, .. more]).Routes("w1")!;
        var routes = Routes();
        Assert.Empty(routes.Beside(routes.All[0]));
        var (other, length) = Assert.Single(routes.Beside(routes.All[1]));
        Assert.Equal((routes.All[0], routes.All[1].Chosen!.Run), (other, length));
        routes = Routes(("/walls/w1/routes/p/shares", "s"));
        Assert.Empty(routes.Beside(routes.All[1]));
    }

    /// <summary>Common practice: what burns keeps 12 in from a fire without limit; a hole keeps off a cable that nobody has followed.</summary>
    [Fact]
    public void Ways_keep_from_fires_and_from_cables_that_nobody_has_followed()
    {
        var stove = Sheets.Json("""{ "kind": "fireplace", "name": "stove", "left": "66 in", "width": "20 in", "height": "12 in", "depth": "1 in" }""");
        var surface = Sheets.Plan([.. Fed, ("/walls/w1/features/fire", stove), ("/walls/w1/routes/s/taken", "surface"), ("/items/b2/place/across", "40 in")]).Routes("w1")!.Of("s")!.Chosen!;
        Assert.True(surface.OnSurface);
        Assert.All(surface.Moves, m => Assert.False(Rect.Between(Length.Tape(54), Length.Tape(98), Length.Zero, Length.Tape(24)).Grown(Length.FromUnits(-1)).Overlaps(
            Rect.Between(Length.Min(m.From.X, m.To.X), Length.Max(m.From.X, m.To.X) + Length.FromUnits(1), Length.Min(m.From.Y, m.To.Y), Length.Max(m.From.Y, m.To.Y) + Length.FromUnits(1)))));
        // An outlet at 87 across, 30 up, its cable not followed: 6 in to each side over the whole height. The stud at 86 is not drilled, and the way goes round or stops.
        var unknown = Sheets.Json("""{ "kind": "receptacle", "name": "old outlet", "left": "86 in", "bottom": "20 in", "width": "3 in", "height": "4 in" }""");
        var plan = Sheets.Plan([.. Fed, ("/walls/w1/features/old", unknown), ("/items/b2/place/across", "78 in"), ("/walls/w1/feeds/basement", true)]);
        Assert.DoesNotContain(plan.Routes("w1")!.Of("s")!.Chosen?.Holes ?? [], h => h.Kind == WayMoveKind.Stud && h.Index == 2);
    }

    /// <summary>Common practice: a former opening in masonry has a void, and the stone beside it has none.</summary>
    [Fact]
    public void A_void_takes_a_box_and_the_stone_beside_it_does_not()
    {
        (string, JsonNode?)[] stone = [.. Fed, ("/walls/w1/kind", "masonry"), ("/walls/w1/features/hatch", Sheets.Json("""{ "kind": "closed-opening", "name": "old hatch", "left": "88 in", "bottom": "40 in", "width": "14 in", "height": "14 in" }"""))];
        Assert.DoesNotContain(Sheets.Plan(stone).Findings, f => f.Code == "feed.box-too-deep" && f.Where.Part.StartsWith("b1/", StringComparison.Ordinal));
        Assert.Contains(Sheets.Plan([.. stone, ("/items/b1/place/across", "96 in"), ("/items/b1/place/height", "36 in")]).Findings, f => f.Code == "feed.box-too-deep" && f.Where.Part.StartsWith("b1/", StringComparison.Ordinal));
    }
}
