using Corrie.Core.Hanging;
using Corrie.Core.Measure;
using Corrie.Core.Placement;

namespace Corrie.Core.Tests.Reference;

/// <summary>Worked chains of heights: common practice.</summary>
public class ChainsTests
{
    [Theory]
    [InlineData("40 in", "12 in", "52 in")]
    [InlineData("1016 mm", "304.8 mm", "1320.8 mm")]
    [InlineData("29 in", "17 in", "46 in")]
    [InlineData("736.6 mm", "431.8 mm", "1168.4 mm")]
    public void Bottom_and_bottom_to_hook_make_the_hook_line(string bottom, string bottomToHook, string hookLine)
    {
        var plan = Sheets.Plan(
            ("/items/d1/place/height", bottom), ("/items/m1/hang/measuredBottomToHook", bottomToHook), ("/items/d1/place/approval", null));
        Assert.Equal(Sheets.In(hookLine), plan.Hung.HookLine);
        Assert.All(plan.Hung.Chains, chain => Assert.Equal(Sheets.In(hookLine), chain.Result));
    }

    [Theory]
    [InlineData("27 in", "2 in", "29 in")]
    [InlineData("685.8 mm", "50.8 mm", "736.6 mm")]
    public void The_bar_and_its_gap_put_the_bottom_of_the_screen(string bar, string gap, string bottom)
    {
        var plan = Sheets.Plan(
            ("/walls/w1/features/bar", Sheets.Json($$"""{ "kind": "soundbar", "name": "bar", "left": "60 in", "width": "36 in", "height": "3 in", "bottom": "{{LengthText.Exact(Sheets.In(bar) - Length.Tape(3), UnitSystem.Inches)}}" }""")),
            ("/items/d1/place/gapBelow", gap), ("/items/d1/place/height", "20 in"));
        Assert.Equal(Sheets.In(bottom), plan.Placed.LeastBottom);
    }

    [Theory]
    [InlineData("30 in", "2 in", "28 in", "46 in")]
    public void The_least_centre_clears_the_furniture(string furniture, string gap, string outer, string centre)
    {
        var plan = Sheets.Plan(
            ("/walls/w1/features/x", Sheets.Json($$"""{ "kind": "furniture", "name": "chest", "left": "60 in", "width": "36 in", "height": "{{furniture}}" }""")),
            ("/items/d1/place/gapBelow", gap), ("/items/d1/product/height", outer), ("/items/d1/place/height", "20 in"));
        Assert.Equal(Sheets.In(centre), plan.Placed.LeastBottom + Sheets.In(outer).Half);
    }

    [Theory]
    [InlineData("10 1/2 in", "60 in", "65 1/4 in")]
    [InlineData("266.7 mm", "1524 mm", "1657.35 mm")]
    public void A_template_centred_on_the_hook_line_has_its_top_edge_half_its_height_higher(string template, string hookLine, string top)
    {
        var plan = Sheets.Plan(("/items/m1/product/templateHeight", template), ("/items/d1/place/height", hookLine), ("/items/m1/hang/measuredBottomToHook", "0 in"));
        Assert.Equal(Sheets.In(hookLine), plan.Hung.HookLine);
        Assert.Equal(Sheets.In(top), plan.Marks.Single(m => m.Id == "m1/template-top").Y);
    }

    [Theory]
    [InlineData("12 in", "16 in", "28 in", true)]
    [InlineData("12 in", "16 in", "27 1/2 in", false)]
    [InlineData("304.8 mm", "406.4 mm", "711.2 mm", true)]
    [InlineData("304.8 mm", "406.4 mm", "698.5 mm", false)]
    [InlineData("12 1/8 in", "16 in", "28 in", true)]
    public void Hook_to_top_and_hook_to_bottom_make_the_height(string toTop, string toBottom, string height, bool agrees)
    {
        Assert.Equal(agrees, HeightChain.Agrees(Sheets.In(toBottom), Sheets.In(toTop), Sheets.In(height)));
        var plan = Sheets.Plan(
            ("/items/d1/product/height", height), ("/items/m1/hang/measuredTopToHook", toTop), ("/items/m1/hang/measuredBottomToHook", toBottom), ("/items/m1/hang/armHoleLeft", 4));
        Assert.Equal(agrees, !plan.Findings.Any(f => f is { Code: "hang.chain-disagrees", Where.Part: "m1/hook-line" }));
    }

    [Fact]
    public void Half_of_an_odd_eighth_is_exact() => Assert.Equal(Length.Tape(45, 13, 16), Length.Tape(91, 5, 8).Half);

    [Fact]
    public void A_fourteen_foot_wall_has_its_centre_at_seven_feet() => Assert.Equal(Sheets.In("7 ft"), Sheets.In("14 ft").Half);
}
