using Corrie.Core.Hanging;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using CsCheck;

namespace Corrie.Core.Tests.Hanging;

public class HangingTests
{
    /// <summary>The rules for arm holes, tried one by one: arms hidden behind the display, then the most to spare at the nearer end.</summary>
    [Fact]
    public void No_other_arm_hole_hides_the_arms_better() =>
        Gen.Select(Gen.Int[22, 44], Gen.Int[6, 16], Gen.Int[10, 20], Gen.Int[3, 14]).Sample((height, vesaUp, armLength, holes) =>
        {
            var plan = Sheets.Plan(
                ("/items/d1/product/height", $"{height} in"), ("/items/d1/product/vesaCentreUp", $"{vesaUp} in"), ("/items/m1/product/armLength", $"{armLength} in"), ("/items/m1/product/armHoles", holes));
            double Spare(int hole)
            {
                // Upper row over the bottom, hook over it by 1 in and a pitch of 1 in, arm's end 1/2 in over the hook.
                var top = vesaUp + (100 / 25.4) + 1 + (hole - 1) + 0.5;
                // The lower row, 200 mm under the upper one, has to meet the arm at all.
                return vesaUp - (100 / 25.4) >= top - armLength ? Math.Min(height - top, top - armLength) : double.NegativeInfinity;
            }

            var best = Enumerable.Range(1, holes).Max(Spare);
            if (double.IsFinite(best))
            {
                Assert.Equal(best, Spare(plan.Hung.ArmHole), 1e-3);
            }

            Assert.Equal(double.IsFinite(best) && best >= 0, !plan.Codes().Contains("hang.arms-show"));
        }, iter: 300);

    [Theory] // bottom to hook, top to hook, and what the three chains say of a display 28 in high at 30 in
    [InlineData("20 in", "8 in", "50 in", "50 in", "50 in")]
    [InlineData("20 in", null, "50 in", "50 in", "50 in")]
    [InlineData(null, "8 in", "50 in", "50 in", "50 in")]
    [InlineData("20 in", "8 1/4 in", "50 in", "50 in", "49 3/4 in")] // the centre goes by what was measured from the bottom
    public void Heights_are_carried_from_all_three_edges(string? toBottom, string? toTop, string fromBottom, string fromCentre, string fromTop)
    {
        var chains = Sheets.Plan(("/items/m1/hang/measuredBottomToHook", toBottom), ("/items/m1/hang/measuredTopToHook", toTop)).Hung.Chains;
        Assert.Equal([Sheets.In(fromBottom), Sheets.In(fromTop)], [chains[0].Result, chains[2].Result]);
        Assert.Equal(Sheets.In(fromCentre), chains[1].Result);
    }

    [Theory] // three readings good to 1/32 in each: three deviations of their sum are 3 * sqrt(3) / 32 = 0.162 in, more than 1/8
    [InlineData("1/8 in", false)]
    [InlineData("5/32 in", false)]
    [InlineData("11/64 in", true)]
    public void Chains_may_differ_by_three_deviations_of_what_was_measured(string by, bool disagree)
    {
        var plan = Sheets.Plan(("/items/m1/hang/measuredBottomToHook", "20 in"), ("/items/m1/hang/measuredTopToHook", LengthText.Exact(Length.Tape(8) + Sheets.In(by), UnitSystem.Inches)));
        Assert.Equal(disagree, plan.Findings.Any(f => f is { Code: "hang.chain-disagrees", Where.Part: "m1/hook-line" }));
    }

    [Fact]
    public void What_the_display_can_still_slide_is_what_the_plate_has_not_used() => Gen.Int[-128, 128].Sample(off =>
    {
        var plan = Sheets.Plan(("/items/d1/place/across", LengthText.Exact(Length.Tape(78) + Length.Tape(0, off, 64), UnitSystem.Inches)));
        var hung = plan.Hung;
        Assert.Equal(Length.Tape(4), hung.SlideLeft + hung.SlideRight);
        Assert.True(hung.Position.Slide.Abs <= Length.Tape(2));
        Assert.Equal(plan.Placed.Outer.CentreX, hung.Position.Plate + hung.Position.Slide);
        Assert.Equal(Length.Tape(2) + hung.Position.Slide, hung.SlideLeft);
    }, iter: 120);

    [Theory]
    [InlineData("3/4 in", "the display slides 3/4 in to the right seen from the front, left seen from its back")]
    [InlineData("-3/4 in", "the display slides 3/4 in to the left seen from the front, right seen from its back")]
    [InlineData("0 in", "the display's centre is on the plate's")]
    public void A_slide_is_said_both_ways(string slide, string words) => Assert.Equal(words, HangingStage.SlideWords(Sheets.In(slide)).Say(LengthStyle.Inches));

    [Fact]
    public void The_arms_stand_half_the_pattern_each_side_of_the_display_s_centre()
    {
        var plan = Sheets.Plan();
        // 300 mm wide: 150 mm each side of 78 in.
        Assert.Equal([Length.Tape(78) - Sheets.Mm(150), Length.Tape(78) + Sheets.Mm(150)], plan.Hung.Arms.Select(a => a.CentreX));
    }

    [Fact]
    public void A_plate_that_somebody_put_elsewhere_stays_there_and_says_what_it_misses()
    {
        var plan = Sheets.Plan(("/items/m1/hang/plateCentre", "77 in"));
        Assert.Equal(Length.Tape(77), plan.Hung.Position.Plate);
        // Slots 68 to 70 and 84 to 86: studs at 70 and 86 are just reached, dead centre.
        Assert.Equal(4, plan.Hung.Position.Holding);
        var off = Sheets.Plan(("/items/m1/hang/plateCentre", "76 in"));
        // Slots 67 to 69 and 83 to 85: an inch off both centres, past the faces.
        Assert.Empty(off.Hung.Position.Bolts);
        Assert.Contains("hang.one-stud-only", off.Codes());
    }
}
