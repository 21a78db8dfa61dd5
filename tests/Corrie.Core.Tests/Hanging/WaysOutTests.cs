using System.Text.Json.Nodes;
using Corrie.Core.Format;
using Corrie.Core.Hanging;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;
using Corrie.Core.Tests.Jobs;

namespace Corrie.Core.Tests.Hanging;

/// <summary>Six awkward walls of which every fitter has a story, and what can be done about each. Distances worked by hand, on the tape.</summary>
public class WaysOutTests : IFindingCases
{
    private static readonly (string, JsonNode?)[] Brackets =
    [
        ("/items/m1/product/plateWidth", "2 in"), ("/items/m1/product/spread", "16 in"),
        ("/items/m1/product/rows", Sheets.Json("""[{ "id": "top", "aboveHook": "-1/2 in", "slots": [{ "from": "0 in", "to": "0 in" }] }]""")),
    ];

    public IEnumerable<(string Code, (string Path, JsonNode? Value)[] Has, (string Path, JsonNode? Value)[] Just)> Cases =>
    [
        ("fix.drilled-plate", [("/items/m1/support/drilled", Sheets.Json("""["0 in"]"""))], [("/items/m1/support/drilled", Sheets.Json("""["0 in"]""")), ("/items/m1/product/mayBeDrilled", true)]),
        ("hang.bracket-spread", [.. Brackets, ("/items/m1/hang/measuredSpread", "16 5/16 in")], [.. Brackets, ("/items/m1/hang/measuredSpread", "16 1/4 in")]),
    ];

    [Fact]
    public void A_stud_in_the_middle()
    {
        // The slots are 7 to 9 in from the plate's middle, the studs 24 in apart with one right behind the display: only the middle one comes under the plate, and no slot over it.
        var ways = Ways("78 in", "54 in", "78 in", "102 in");
        Assert.False(ways[0].Holds);
        // No second stud under the plate, so nothing to drill; no stud in a slot, so no mixed fixing.
        Assert.Equal([WayKind.Board, WayKind.Blocking], Out(ways));
        var board = Way(ways, WayKind.Board).Plan.Layout("m1")!;
        Assert.Equal([Sheets.In("54 in"), Sheets.In("78 in"), Sheets.In("102 in")], board.Backing!.Screws.Select(s => s.X).Distinct());
        Assert.Equal(Sheets.In("78 in"), board.Position.Plate);
        // From stud to stud in both bays, the bolts in the slots either side: 69 to 71 and 85 to 87.
        var blocking = Way(ways, WayKind.Blocking).Plan.Layout("m1")!;
        Assert.Equal((Sheets.In("54 3/4 in"), Sheets.In("101 1/4 in")), (blocking.Backing!.Outline.Left, blocking.Backing.Outline.Right));
        Assert.Equal([Sheets.In("69 in"), Sheets.In("87 in")], blocking.Position.Bolts.Select(b => b.X).Distinct());
    }

    [Fact]
    public void Studs_twenty_four_inches_apart_under_a_sixteen_inch_plate()
    {
        (string, JsonNode?)[] small =
        [
            ("/items/m1/product/plateWidth", "16 in"),
            ("/items/m1/product/rows", Sheets.Json("""[{ "id": "top", "aboveHook": "-1/2 in", "slots": [{ "from": "-7 in", "to": "-1 in" }, { "from": "1 in", "to": "7 in" }] }]""")),
        ];
        var ways = Ways("78 in", ["54 in", "78 in", "102 in", "126 in"], small);
        Assert.Equal([WayKind.Mixed, WayKind.Board, WayKind.Blocking], Out(ways));
        // 2 in of slide and a slot that begins 1 in from the middle: the plate stands 1 to 2 in beside the stud, its bolt dead in it, the toggle at the far slot's end.
        var mixed = Way(ways, WayKind.Mixed).Plan.Layout("m1")!;
        Assert.Equal(Sheets.In("78 in"), Assert.Single(mixed.Position.Bolts).X);
        Assert.Equal(Sheets.In("8 in"), (Assert.Single(mixed.Toggles).X - Sheets.In("78 in")).Abs);
        // The display hangs over the stud, and its bolt takes all of it.
        Assert.Empty(Way(ways, WayKind.Mixed).Open);
    }

    [Fact]
    public void One_stud_only()
    {
        var ways = Ways("78 in", "70 in");
        Assert.Equal([WayKind.Mixed], Out(ways));
        Assert.Contains("reaches 1 stud, and needs two", Sheets.Plan(Wall(["70 in"], ("/items/m1/support/backing", "board"))).Finding("hang.one-stud-only").Message.Say(LengthStyle.Inches));
        Assert.All(Way(ways, WayKind.Mixed).Plan.Layout("m1")!.Toggles, t => Assert.True(t.X - Sheets.In("70 in") > Sheets.In("14 in")));
    }

    [Fact]
    public void A_corner_with_doubled_studs()
    {
        // Two studs at the corner under the left slot are one; the next stands 16 in on.
        var ways = Ways("12 in", ["3/4 in", "2 1/4 in", "34 1/4 in"], [("/items/d1/product/width", "22 in"), ("/items/d1/product/vesaWidth", "200 mm")]);
        Assert.False(ways[0].Holds);
        Assert.Equal("hang.one-stud-only", Assert.Single(ways[0].Plan.Findings, f => f.Code == "hang.one-stud-only").Code);
        // The two at the corner are one: what is named is how far the next is, and no plate for studs 1 1/2 in apart.
        Assert.Contains("stand 32 in apart", ways[0].Plan.Finding("hang.one-stud-only").Message.Say(LengthStyle.Inches));
        Assert.Equal([WayKind.Mixed, WayKind.Board, WayKind.Blocking], Out(ways));
        // From the inner of the two, 1 1/2 in from the corner, over the plate to the next stud.
        Assert.Equal((Sheets.In("1 1/2 in"), Sheets.In("35 in")), (Way(ways, WayKind.Board).Plan.Layout("m1")!.Backing!.Outline.Left, Way(ways, WayKind.Board).Plan.Layout("m1")!.Backing!.Outline.Right));
    }

    [Fact]
    public void A_centre_that_is_out_of_reach_by_an_inch()
    {
        // The slots bolt 14 to 18 in apart; studs at 70 and 84 are caught by one plate alone, at 77: with 2 in of slide the display comes to 79, and with the edge distance of 9/32 in on it to 79 9/32.
        var ways = Ways("80 9/32 in", "70 in", "84 in");
        var place = Way(ways, WayKind.OtherPlace);
        Assert.Equal(Sheets.In("79 9/32 in"), place.Plan.Placement("d1")!.Outer.CentreX);
        Assert.Contains("Move the display 1 in to the left", place.Label.Say(LengthStyle.Inches));
        var drill = Way(ways, WayKind.Drill);
        Assert.Equal(2, drill.Plan.Layout("m1")!.Position.StudsHeld(Sheets.In("5/16 in")));
        Assert.Equal(Sheets.In("80 9/32 in"), drill.Plan.Placement("d1")!.Outer.CentreX);
    }

    [Fact]
    public void Two_brackets_that_the_display_does_not_meet_by_five_sixteenths()
    {
        var ways = Ways("78 in", ["70 in", "86 in"], [.. Brackets, ("/items/m1/hang/measuredSpread", "16 5/16 in")]);
        Assert.False(ways[0].Holds);
        var set = Way(ways, WayKind.Shift);
        Assert.True(set.Holds);
        // Half of it on each side of the centre, 5/32 in off each stud's own.
        Assert.Equal(["69 27/32 in", "86 5/32 in"], set.Plan.Layout("m1")!.Position.Bolts.Select(b => b.X.Show(LengthStyle.Inches with { Denominator = 32 }).ToString()));
    }

    [Fact]
    public void A_way_that_is_taken_is_what_it_was_shown_as()
    {
        foreach (var way in Ways("78 in", "54 in", "78 in", "102 in").Skip(1))
        {
            var document = Sheets.Document(Wall(["54 in", "78 in", "102 in"], ("/items/d1/place/across", "78 in")));
            foreach (var change in way.Changes)
            {
                Pointer.Set(document, change.Path, change.Value?.DeepClone());
            }

            Assert.Equal(way.Plan.Layout("m1")!.Position.Bolts.Select(b => b.X), Sheets.Plan(document).Layout("m1")!.Position.Bolts.Select(b => b.X));
            Assert.Equal(way.Plan.Codes(), Sheets.Plan(document).Codes());
        }
    }

    [Fact]
    public void A_board_brings_all_of_it_farther_out()
    {
        // 1 1/2 in of mount, 1 1/2 of board and 2 of display: 5 in, and 4 are allowed beside a path.
        Assert.Equal(Sheets.In("1 1/2 in") + Sheets.In("1 1/2 in"), Sheets.Plan(("/items/m1/support/backing", "board")).Sheet.Item("m1")!.Hardware()!.DepthParked);
        Assert.Contains("3 in for the mount", Sheets.Plan(("/items/m1/support/backing", "board"), ("/walls/w1/circulation", true)).Finding("place.protrudes").Message.Say(LengthStyle.Inches));
    }

    [Fact]
    public void What_is_made_so_that_it_holds_is_looked_at_like_all_else()
    {
        // A board from stud to stud lies on a switch that the display alone clears: from 53 1/4 to 102 3/4, the display from 53 3/4.
        (string, JsonNode?)[] light = [("/walls/w1/features/s", Sheets.Json("""{ "kind": "switch", "name": "switch", "left": "100 in", "width": "3 in", "bottom": "43 in", "height": "4 in" }""")), ("/items/d1/place/across", "75 in"), ("/items/d1/place/approval/across", "75 in")];
        Assert.DoesNotContain("place.covers", Sheets.Plan(light).Codes());
        Assert.Contains("place.covers", Sheets.Plan([.. light, ("/items/m1/support/backing", "board"), ("/items/m1/support/from", "54 in"), ("/items/m1/support/to", "102 in")]).Codes());
        // Toggles in board carry no arm.
        (string, JsonNode?)[] arm = [.. Wall(["70 in"], ("/items/m1/support/toggles", true)), ("/items/m1/product/kind", "articulating"), ("/items/m1/product/depthExtended", "12 in")];
        Assert.Equal(Corrie.Core.Findings.Severity.FinalStop, Sheets.Plan(arm).Finding("fix.wrong-for-wall").Severity);
        Assert.DoesNotContain("fix.wrong-for-wall", Sheets.Plan(Wall(["70 in"], ("/items/m1/support/toggles", true))).Codes());
        // A board whose ends are exchanged, sockets beside the display, and a plate without a hole for this wall say what they are.
        Assert.Contains("is not left of its right end at 60 in", Sheets.Plan(("/items/m1/support", Sheets.Json("""{ "backing": "board", "from": "90 in", "to": "60 in" }"""))).Finding("hang.one-stud-only").Message.Say(LengthStyle.Inches));
        Assert.Contains("Measure the HDMI on the display again", Sheets.Plan(("/items/d1/product/ports", Sheets.Json("""[{ "name": "HDMI", "left": "48 in", "up": "10 in", "width": "1 in", "height": "2 in" }]"""))).Finding("hang.port-covered").Message.Say(LengthStyle.Inches));
        Assert.Contains("No hole of its plate is for wood studs: it has 1 row for something else", Sheets.Plan(("/items/m1/product/rows", Sheets.Json("""[{ "id": "top", "aboveHook": "-1/2 in", "walls": ["masonry"], "slots": [{ "from": "-9 in", "to": "9 in" }] }]"""))).Finding("hang.wrong-wall").Message.Say(LengthStyle.Inches));
        // A board on steel studs is wood: screws hold in it, and toggles cannot open.
        (string, JsonNode?)[] steel = [("/walls/w1/kind", "steel-studs"), ("/items/m1/product/walls", Sheets.Json("""["steel-studs"]""")), ("/items/m1/support/backing", "board")];
        Assert.DoesNotContain("fix.wrong-for-wall", Sheets.Plan(steel).Codes());
        Assert.Contains("cannot open in 1 1/2 in of wood", Sheets.Plan([.. steel, ("/items/m1/bolt", Sheets.Json("""{ "name": "toggle", "kind": "toggle", "diameter": "1/4 in", "length": "4 in", "hole": "1/2 in", "grip": "2 in", "ratedTension": "200 lb" }"""))]).Finding("fix.wrong-for-wall").Message.Say(LengthStyle.Inches));
        // A hole where there is no steel holds nothing, whoever drilled it.
        var off = Sheets.Plan(("/items/m1/support/drilled", Sheets.Json("""["10 1/16 in"]""")), ("/items/m1/product/mayBeDrilled", true));
        Assert.Contains("the plate ends at 10 in", off.Finding("hang.row-off-plate").Message.Say(LengthStyle.Inches));
        Assert.DoesNotContain("hang.row-off-plate", Sheets.Plan(("/items/m1/support/drilled", Sheets.Json("""["9 1/2 in"]""")), ("/items/m1/product/mayBeDrilled", true)).Codes());
    }

    private static WayOut Way(IReadOnlyList<WayOut> ways, WayKind kind) => Assert.Single(ways, w => w.Kind == kind);

    private static IEnumerable<WayKind> Out(IReadOnlyList<WayOut> ways) => ways.Skip(1).Select(w => w.Kind);

    private static IReadOnlyList<WayOut> Ways(string across, params string[] studs) => Ways(across, studs, []);

    private static IReadOnlyList<WayOut> Ways(string across, string[] studs, (string, JsonNode?)[] more)
    {
        var document = Sheets.Document(Wall(studs, [("/items/d1/place/across", across), .. more]));
        return WaysOut.Of(document, Sheets.Plan(document), "m1", []);
    }

    private static (string, JsonNode?)[] Wall(string[] studs, params (string, JsonNode?)[] more) =>
    [
        ("/walls/w1/studs", new JsonObject(studs.Select((s, i) => KeyValuePair.Create($"s{i}", (JsonNode?)new JsonObject { ["centre"] = s, ["state"] = "confirmed", ["uncertainty"] = "0 in" })))), .. more,
    ];
}
