using System.Text.Json.Nodes;
using Corrie.Core.Catalogue;
using Corrie.Core.Feeds;
using Corrie.Core.Measure;

namespace Corrie.Core.Tests.Feeds;

/// <summary>An enclosure between two studs under the display, with a mains box in its lower left corner, a player and an amplifier: worked by hand.</summary>
public class EnclosureTests
{
    // Its opening of 14 1/4 by 14 1/4 in is from 70 7/8 to 85 1/8 across, and from 8 7/8 to 23 1/8 up; the bay is clear from 70 3/4 to 85 1/4.
    private static readonly (string, JsonNode?)[] Enclosed =
    [
        .. FeedsTests.Fed,
        ("/items/e1", Sheets.Json("""{ "kind": "box", "wall": "w1", "product": { "name": "enclosure", "sort": "enclosure", "use": "both", "width": "15 1/2 in", "height": "15 1/2 in", "depth": "3 1/2 in", "openingWidth": "14 1/4 in", "openingHeight": "14 1/4 in", "mass": "4 lb", "volume": 700, "vents": 20, "exitWidth": "5 in", "exitHeight": "1 in", "mainsWidth": "4 in", "mainsHeight": "4 in" }, "place": { "given": "centre", "height": "16 in", "across": "78 in" } }""")),
        ("/items/x1", FeedsTests.Box("power", string.Empty, "73 1/2 in", "11 1/2 in")),
        ("/items/p1/stands", Sheets.Json("""{ "in": "e1" }""")),
        ("/items/p1/product", Sheets.Json("""{ "name": "player", "width": "8 in", "height": "5 in", "depth": "1 in", "mass": "3 lb", "watts": 30, "ports": [{ "name": "picture", "way": "out" }, { "name": "inlet" }] }""")),
        ("/items/p2", Sheets.Json("""{ "kind": "device", "wall": "w1", "product": { "name": "amplifier", "width": "14 in", "height": "9 in", "depth": "1 1/2 in", "mass": "3 lb", "watts": 20 }, "stands": { "in": "e1" } }""")),
        ("/connections/k3/via", null),
    ];

    /// <summary>What does not go in or out is said, and what just does is not.</summary>
    [Theory]
    // The cut-out is as large as the opening of the mains box.
    [InlineData("feed.bay-too-narrow", "e1/mains", "/items/e1/product/mainsWidth", "3 15/16 in", "4 in")]
    // Amplifier over the mains box (5 1/8 and 9 in of 14 1/4), player beside it (5 1/8 and 8 in): all in one layer, as deep as the amplifier.
    [InlineData("feed.box-too-deep", "e1/packed", "/items/p2/product/depth", "3 9/16 in", "3 1/2 in")]
    [InlineData("feed.box-too-deep", "e1/packed", "/items/p1/product/width", "14 5/16 in", "14 1/4 in")]
    // 10 W and 2 W for each of 20 square inches (own rule).
    [InlineData("feed.too-warm", "e1/warm", "/items/p2/product/watts", 21, 20)]
    // The picture cable's plug is 7/8 by 3/8 in.
    [InlineData("feed.plug-does-not-pass", "e1/gap", "/items/e1/product/exitHeight", "5/16 in", "3/8 in")]
    // A cable takes the square round it of two gaps of 5 square inches.
    [InlineData("feed.fill", "e1/gaps", "/connections/k3/cable/diameter", "3.2 in", "3.1 in")]
    public void What_goes_in_and_out_is_checked(string code, string part, string path, object has, object just)
    {
        bool Said(object value) => Sheets.Plan([.. Enclosed, (path, JsonValue.Create(value))]).Findings.Any(f => f.Code == code && f.Where.Part == part);
        Assert.True(Said(has));
        Assert.False(Said(just));
    }

    /// <summary>A mains box in an enclosure meets nothing; outside of its opening it does.</summary>
    [Fact]
    public void A_mains_box_may_lie_in_an_enclosure()
    {
        Assert.DoesNotContain(Sheets.Plan(Enclosed).Findings, f => f.Where.Part.Contains("meets", StringComparison.Ordinal));
        Assert.Contains(Sheets.Plan([.. Enclosed, ("/items/x1/place/height", "11 5/16 in")]).Findings, f => f.Where.Part is "x1/meets/e1");
    }

    /// <summary>Blocking is asked for at the side where no stud stands: the bay is clear from 70 3/4 to 85 1/4, and the opening is from 70 7/8 to 77 7/8.</summary>
    [Fact]
    public void A_narrow_enclosure_asks_for_blocking_at_one_side()
    {
        var plan = Sheets.Plan([.. Enclosed, ("/items/x1", null), ("/items/p2", null), ("/items/p1/product/width", "6 in"), ("/items/e1/product/openingWidth", "7 in"), ("/items/e1/product/width", "8 in"), ("/items/e1/place/across", "74 3/8 in")]);
        Assert.Equal((Length.Zero, Length.Tape(7, 3, 8)), plan.Enclosed("e1")!.Of.SideBlocks);
        Assert.Equal((Length.Zero, Length.Zero), Sheets.Plan(Enclosed).Enclosed("e1")!.Of.SideBlocks);
    }

    /// <summary>Common practice, worked by hand: two devices of 2 in and one of 1 in go into 14 by 14 in and 3 1/2 in of depth, the flat ones before the thick one; devices of one layer never overlap.</summary>
    [Fact]
    public void Devices_are_packed_in_two_layers()
    {
        var box = new WallBox("enclosure", Length.Tape(15), Length.Tape(15), Length.Tape(3, 1, 2), default) { OpeningWidth = Length.Tape(14), OpeningHeight = Length.Tape(14), Vents = 10 };
        EnclosedDevice Thing(string name, long wide, long high, long deep) => new(name, Length.Tape(wide), Length.Tape(high), Length.Tape(deep), 10);
        Assert.Equal(Length.Tape(3, 1, 2), PackOut.Of(box, [Thing("a", 12, 10, 2), Thing("b", 10, 10, 1), Thing("c", 4, 4, 1)])!.Deep);
        Assert.Null(PackOut.Of(box, [Thing("a", 15, 4, 1)]));
        Assert.Equal(30, PackOut.LetsOut(box));
        var random = new Random(8);
        for (var i = 0; i < 200; i++)
        {
            List<EnclosedDevice> devices = [.. Enumerable.Range(0, random.Next(1, 14)).Select(n => Thing($"{n}", random.Next(1, 7), random.Next(1, 7), random.Next(1, 3)))];
            Rect? mains = random.Next(2) == 0 ? null : new(Length.Tape(random.Next(0, 9)), Length.Tape(random.Next(0, 9)), Length.Tape(5), Length.Tape(5));
            if (PackOut.Of(box, devices, mains) is { } packed)
            {
                Assert.Equal(devices.Select(d => d.Name).Order(), packed.All.Select(d => d.Device.Name).Order());
                Assert.All(packed.All, d => Assert.True(new Rect(Length.Zero, Length.Zero, box.OpeningWidth, box.OpeningHeight).Covers(d.At) && (d.Front || mains?.Overlaps(d.At) != true)));
                Assert.All(packed.All, d => Assert.DoesNotContain(packed.All, o => o != d && o.Front == d.Front && o.At.Overlaps(d.At)));
            }
        }
    }

    /// <summary>A cover's hole is a bore too (common practice): a plug of 1 1/4 by 0.45 in is 1.3285 in corner to corner, and 1/8 in of play more is 1.4535 in.</summary>
    [Fact]
    public void The_largest_plug_passes_the_hole_of_a_cover()
    {
        bool Said(string hole) => Sheets.Plan([.. FeedsTests.Fed, ("/connections/k3/cable/plugWidth", "1 1/4 in"), ("/connections/k3/cable/plugHeight", "0.45 in"), ("/items/b1/product/plateHole", hole)]).Findings.Any(f => f.Code == "feed.plug-does-not-pass" && f.Where.Part == "w1/routes/s/plate/to");
        Assert.True(Said("1.453 in"));
        Assert.False(Said("1.454 in"));
    }
}
