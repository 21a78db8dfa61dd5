using System.Text.Json.Nodes;
using Corrie.Core.Findings;
using Corrie.Core.Hanging;
using Corrie.Core.Measure;
using Corrie.Core.Tests.Jobs;

namespace Corrie.Core.Tests.Hanging;

/// <summary>A display that turns on its arm: plane geometry, worked by hand from sines.</summary>
public class TurningTests : IFindingCases
{
    private static (string, JsonNode?)[] Arm(string reach, string wanted, string? swing = null) =>
    [
        ("/items/m1/product/kind", "articulating"), ("/items/m1/product/depthExtended", reach), ("/items/m1/hang/turn", wanted), ("/items/m1/product/swing", swing),
    ];

    // The display is 48 1/2 in wide; half of it times the sine of 30 degrees is 12 1/8 in.
    public IEnumerable<(string Code, (string Path, JsonNode? Value)[] Has, (string Path, JsonNode? Value)[] Just)> Cases => [("hang.turn-limited", Arm("12 in", "30 deg"), Arm("12 1/8 in", "30 deg"))];

    [Theory]
    [InlineData("29 in", "47.9 in", 90)] // 23.95 is less than 29
    [InlineData("22 in", "57.4 in", 50.05)] // asin(22 / 28.7)
    [InlineData("559 mm", "1458 mm", 50.07)] // asin(559 / 729)
    [InlineData("12 in", "48 in", 30)]
    public void A_reach_turns_a_display_so_far(string reach, string width, double degrees) =>
        Assert.Equal(degrees, Turning.FarthestOf(Sheets.In(reach), Sheets.In(width).Half).Degrees, 0.01);

    [Fact]
    public void In_a_corner_the_back_is_half_the_width_along_the_bisector() =>
        Assert.Equal(Sheets.In("21 in"), Turning.CornerReach(Sheets.In("42 in")));

    [Theory]
    [InlineData("15 in", "45 deg", "10 deg", "It is to turn 45°, and turns 10°: the mount goes no farther.")]
    [InlineData("12 1/8 in", "45 deg", "90 deg", "A reach of 17 5/32 in turns it that far.")] // 24 1/4 * 0.7071 = 17.147
    [InlineData("12 1/8 in", "120 deg", null, "A reach of 24 1/4 in turns it square to the wall, and no arm farther.")]
    public void How_far_it_goes_is_said_and_what_would_help(string reach, string wanted, string? swing, string says) =>
        Assert.Contains(says, Sheets.Plan(Arm(reach, wanted, swing)).Finding("hang.turn-limited").Message.Say(LengthStyle.Inches));

    [Fact]
    public void A_mount_without_an_arm_does_not_turn() =>
        Assert.Contains("does not turn: take one with an arm", Sheets.Plan(("/items/m1/hang/turn", "5 deg")).Finding("hang.turn-limited").Message.Say(LengthStyle.Inches));

    [Fact]
    public void A_pivot_beside_the_middle_leaves_a_longer_edge() => // 24 1/4 and 3 in
        Assert.Equal(Sheets.In("27 1/4 in"), Sheets.Plan([.. Arm("12 in", "20 deg"), ("/items/d1/product/vesaCentreRight", "-3 in")]).Layout("m1")!.Turning!.Edge);
}
