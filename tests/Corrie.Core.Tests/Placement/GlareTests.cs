using System.Text.Json.Nodes;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Tests.Jobs;

namespace Corrie.Core.Tests.Placement;

public class GlareTests : IFindingCases
{
    // The picture is 47.94 in wide round 78 in. The seat is 80 in out, before its middle; a window in the opposite wall, 160 in out.
    private static (string, JsonNode?)[] Window(string from, string to) =>
        [("/walls/w1/lights/l", Sheets.Json($$"""{ "name": "south window", "fromAcross": "{{from}}", "fromOut": "160 in", "toAcross": "{{to}}", "toOut": "160 in", "side": "south" }"""))];

    // Hidden behind the display: 1 1/2 in are parked behind it.
    private static (string, JsonNode?)[] Player(string depth) =>
    [
        ("/items/x1", Sheets.Json($$"""{ "kind": "device", "wall": "w1", "product": { "name": "a player", "width": "8 in", "height": "3 in", "depth": "{{depth}}", "mass": "1 lb" }, "place": { "given": "bottom", "height": "33 in", "across": "58 in" } }""")),
    ];

    // The arms are 300 mm apart, 1 in wide: the right one at 83.9, from its hook at 47 3/16 down.
    private static (string, JsonNode?)[] Socket(string left) =>
        [("/items/d1/product/ports", Sheets.Json($$"""[{ "name": "HDMI", "left": "{{left}}", "up": "10 in", "width": "1 in", "height": "2 in" }]""")), ("/items/m1/product/depthParked", "2 in")];

    public IEnumerable<(string Code, (string Path, JsonNode? Value)[] Has, (string Path, JsonNode? Value)[] Just)> Cases =>
    [
        // The mirrored seat is as far behind the screen: a window edge at a distance of x from the middle is seen at a third of it. 24 in of half a picture: 72 in.
        ("place.glare", Window("149 in", "190 in"), Window("150 1/2 in", "190 in")),
        ("hang.port-covered", Socket("29 1/2 in"), Socket("31 in")),
        ("hang.arms-turned", [("/items/m1/hang/arms", "upside-down")], [("/items/m1/hang/arms", "as-they-should")]),
        ("hang.box-too-deep", Player("1 9/16 in"), Player("1 1/2 in")),
    ];

    /// <summary>Angle in is angle out, taken at its word: the two triangles are alike, worked here with slopes and not with a mirrored seat.</summary>
    [Theory]
    [InlineData(78, 80, 150, 160)]
    [InlineData(40, 100, 200, 30)]
    [InlineData(120, 60, -20, 144)]
    public void The_angle_in_is_the_angle_out(double seat, double away, double light, double beyond)
    {
        var (from, to) = Glare.Mirrored(Length.FromInches(seat), Length.FromInches(away), new("l", "a lamp", Length.FromInches(light), Length.FromInches(beyond), Length.FromInches(light), Length.FromInches(beyond), CompassSide.Unknown))!.Value;
        Assert.Equal(from, to);
        var (inward, outward) = (Math.Atan2(light - from.Inches, beyond), Math.Atan2(from.Inches - seat, away));
        Assert.Equal(outward, inward, 3);
    }

    [Theory]
    // ANSI/AVIXA V202.01, basic decision making, from memory: 3 % of the height is read from six times the height.
    [InlineData(3, 6)]
    [InlineData(2, 4)]
    [InlineData(5, 10)]
    public void A_detail_is_read_from_so_many_picture_heights(double share, double heights) => Assert.Equal(Length.Tape(40) * heights, Placing.FarthestFor(Length.Tape(40), share));

    [Fact]
    public void Who_sits_too_far_for_the_smallest_letter_is_told_what_size_would_do()
    {
        // The picture is 26.96 in high: 1.4 % of it is read from 75.5 in, and the sofa stands at 80.
        var message = Sheets.Plan(("/items/d1/read/detail", 1.4)).Finding("place.too-small").Message.Say(LengthStyle.Inches);
        Assert.Contains("read up to 75 1/2 in", message);
        Assert.Contains("28 19/32 in high", message);
        Assert.DoesNotContain("place.too-small", Sheets.Plan(("/items/d1/read/detail", 1.5)).Codes());
    }
}
