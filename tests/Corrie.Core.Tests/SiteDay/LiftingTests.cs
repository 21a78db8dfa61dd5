using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.SiteDay;
using Corrie.Core.WholePlan;

namespace Corrie.Core.Tests.SiteDay;

public class LiftingTests
{
    /// <summary>The worked example of NIOSH 94-110 (from memory; with its rounded multipliers it has 16.3 and 14.5 lb).</summary>
    [Theory]
    [InlineData(15, 0.95, 16.0)]
    [InlineData(63, 1.0, 14.3)]
    public void One_may_lift_what_the_published_equation_says(double height, double coupling, double expected) =>
        Assert.Equal(expected, Lifting.Limit(Length.Tape(23), Length.FromInches(height), Length.Tape(48), coupling: coupling).Pounds, 1);

    /// <summary>The limits of the equation itself.</summary>
    [Fact]
    public void Beyond_its_limits_the_equation_lets_nobody_lift()
    {
        static Mass At(int reach, int height, int travel, double turn = 0) => Lifting.Limit(Length.Tape(reach), Length.Tape(height), Length.Tape(travel), new Angle(turn));
        Assert.All([At(26, 30, 10), At(10, 71, 10), At(10, 30, 71), At(10, 30, 10, 136)], m => Assert.Equal(0, m.Kilograms));
        // At its best it is the load constant of 51 lb; nearer or shorter is no better.
        Assert.Equal(51, At(10, 30, 10).Pounds, 6);
        Assert.Equal(At(10, 30, 10), At(4, 30, 2));
    }

    /// <summary>
    /// Teams: two thirds of two, half of more (HSE INDG143, from memory). By hand: a display 2 in deep is held 10 in away, ready at 46 in and hung at
    /// 52: 51 × (1 - 0.0075 × 22) = 42.6 lb for one, 56.8 for two, 63.9 for three, 85.2 for four.
    /// </summary>
    [Theory]
    [InlineData(30, 43, 1, false)]
    [InlineData(49, 65, 2, true)]
    [InlineData(30, 65, 2, true)]
    [InlineData(44, 43, 2, false)]
    [InlineData(60, 65, 3, true)]
    [InlineData(80, 65, 4, true)]
    [InlineData(90, 65, null, true)]
    public void As_many_lift_as_the_team_factors_ask_for_and_two_where_the_company_says_so(double pounds, int diagonal, int? people, bool always)
    {
        var plan = Sheets.Plan(
            ("/items/d1/product/diagonal", $"{diagonal} in"), ("/items/d1/product/width", "57 in"), ("/items/d1/product/height", "32 in"), ("/items/d1/product/depth", "2 in"),
            ("/items/d1/product/mass", $"{pounds} lb"), ("/items/d1/place/given", "centre"), ("/items/d1/place/height", "52 in"));
        var lift = Lifting.For(plan, plan.Sheet.Item("d1")!)!.Value.Lift;
        Assert.Equal((people, always, false), (lift.Count, lift.Always, lift.Platform));
        Assert.Equal(42.6, lift.One.Pounds, 1);
    }

    [Fact]
    public void The_kit_names_what_the_plan_needs_and_what_nobody_has_seen()
    {
        static string[] Said(IReadOnlyList<Phrase> lines) => [.. lines.Select(l => l.Say(LengthStyle.Inches))];
        var kit = SetOutKit.Of(Sheets.Plan(("/items/d1/product/thread", "M8"), ("/walls/w1/layers/l1/confirmed", null)), "w1");
        // A 5/16 in lag screw has a head of 1/2 in (ASME B18.2.1, from memory).
        Assert.Contains(Said(kit.Tools), t => t.StartsWith("ratchet, 1/2 in socket", StringComparison.Ordinal));
        Assert.Contains(Said(kit.Tools), t => t.Contains("pilot bit with a flag at"));
        Assert.Contains(Said(kit.Screws), s => s.Contains("4 screws M8") && s.Contains("depth of the thread not entered"));
        Assert.Contains("the gypsum board, 5/8 in thick", Said(kit.Unconfirmed));
        Assert.Empty(SetOutKit.Of(Sheets.Plan(("/items/m1/bolt", null)), "w1").Tools);
    }
}
