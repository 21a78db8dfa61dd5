using System.Text.Json.Nodes;
using Corrie.Core.Findings;
using Corrie.Core.Hanging;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Core.Tests.Jobs;

namespace Corrie.Core.Tests.Judgement;

/// <summary>
/// What moves is looked at in every pose that it takes. A display on an arm is swept by a fine grid of the test's own, with plane geometry of its own: no pose touches that the plan calls free, and
/// what the plan says touches, does (or comes nearer than a tape shows).
/// </summary>
public class SweepTests : IFindingCases
{
    public IEnumerable<(string Code, (string Path, JsonNode? Value)[] Has, (string Path, JsonNode? Value)[] Just)> Cases =>
    [
        // 2 1/16 in over a chest, and 9 in of lowering; from 9 in up it never comes to it.
        ("hang.travel-hits", [("/items/m1/product/lowerBy", "9 in"), Chest("27 15/16 in")], [("/items/m1/product/lowerBy", "9 in"), Chest("21 in")]),
    ];

    [Theory]
    [InlineData("2 1/8 in", "27 15/16 in", "lowerBy", true)]
    [InlineData("2 in", "27 15/16 in", "lowerBy", false)] // a levelling screw, and no travel
    [InlineData("2 1/16 in", "27 15/16 in", "lowerBy", false)]
    [InlineData("38 1/16 in", "0 in", "raiseBy", true)] // the ceiling at 96, the display's top at 58
    [InlineData("38 in", "0 in", "raiseBy", false)]
    public void Height_travel_is_looked_at_to_its_ends(string by, string chest, string member, bool hits)
    {
        var plan = Sheets.Plan(($"/items/m1/product/{member}", by), chest == "0 in" ? ("/walls/w1/features/c", null) : Chest(chest));
        Assert.Equal(hits, plan.Codes().Contains("hang.travel-hits"));
    }

    [Fact]
    public void An_arm_that_swings_through_the_side_wall_is_said_and_its_stop_clears_it()
    {
        // An arm of 20 in on a display 48 1/2 in wide: swung by 60 degrees its middle is 17 1/4 in to the right; the wall ends 30 in right of the plate.
        (string, JsonNode?)[] arm = [.. Arm("20 in", "60 deg", "10 deg"), ("/walls/w1/width", "108 in")];
        var said = Sheets.Plan(arm).Findings.First(f => f.Code == "hang.swing-hits" && f.Where.Part == "m1/motion/arm/right-wall");
        Assert.Equal(Severity.Stop, said.Severity);
        var remedy = Assert.Single(said.Remedies);
        var then = Sheets.Plan([.. arm, .. remedy.Changes.Select(c => (c.Path, c.Value))]);
        Assert.DoesNotContain(then.Findings, f => f.Where.Part == "m1/motion/arm/right-wall");
        Assert.DoesNotContain(Sheets.Plan([.. arm, ("/walls/w1/width", "156 in")]).Findings, f => f.Where.Part.StartsWith("m1/motion/arm", StringComparison.Ordinal));
    }

    [Fact]
    public void Three_hundred_random_arms_touch_nowhere_that_the_plan_calls_free()
    {
        var random = new Random(3409);
        var (free, touched) = (0, 0);
        for (var n = 0; n < 300; n++)
        {
            var arm = new Swept(
                random.Next(10, 33) / 2.0, random.Next(0, 12) / 4.0 + 1.5, random.Next(20, 90), random.Next(0, 90), random.Next(0, 90), random.Next(20, 60), random.Next(1, 5), (random.Next(0, 9) - 4) / 2.0);
            var left = 20 + (random.NextDouble() * 30);
            (double Left, double Right, double Back, double Front) thing = (left, left + 1 + (random.NextDouble() * 20), 0, 1 + (random.NextDouble() * 24));
            var pose = ArmSweep.Touches(arm.Motion, [arm.Display], thing, new(arm.Swing));
            var grid = arm.GridTouches(thing);
            if (pose is null)
            {
                free++;
                Assert.False(grid > 1e-6, $"arm {n}: free, and a pose of the grid cuts in by {grid}");
            }
            else
            {
                touched++;
                Assert.True(arm.Depth(pose.Value.Swing.Radians, pose.Value.Share, pose.Value.Turn.Radians, thing) > -0.1, $"arm {n}: said to touch, and does not by {arm.Depth(pose.Value.Swing.Radians, pose.Value.Share, pose.Value.Turn.Radians, thing)}");
            }
        }

        Assert.True(free > 40 && touched > 40, $"{free} free, {touched} touched");
    }

    private static (string, JsonNode?) Chest(string high) => ("/walls/w1/features/c", new JsonObject { ["kind"] = "furniture", ["left"] = "60 in", ["bottom"] = "0 in", ["width"] = "36 in", ["height"] = high, ["depth"] = "16 in" });

    private static IEnumerable<(string, JsonNode?)> Arm(string extended, string swing, string turn) =>
    [
        ("/items/m1/product/kind", "articulating"), ("/items/m1/product/depthExtended", extended), ("/items/m1/product/armSwing", swing), ("/items/m1/product/swing", turn),
    ];

    // An arm in inches and degrees with its pivot at 0, and a display before it.
    private sealed record Swept(double Reach, double Parked, double Swing, double Left, double Right, double Width, double Thick, double Beside)
    {
        public Motion Motion => new("m1", Length.Zero, Length.Zero, Length.FromInches(Parked), Length.FromInches(Parked + Reach), new([default]), new(Left), new(Right), true) { Swing = new(Swing), Beside = Length.FromInches(Beside) };

        public Body Display => new("d", "d", BodyRole.Thing, Rect.Between(Length.FromInches(-Width / 2), Length.FromInches(Width / 2), Length.Zero, Length.Tape(20)), Length.FromInches(Parked), Length.FromInches(Parked + Thick));

        // How deep a pose cuts into the thing: by points along the display's outline; below zero for how far it stays away at those points.
        public double Depth(double swing, double share, double turn, (double Left, double Right, double Back, double Front) thing)
        {
            var (x, z) = ((Reach * share * Math.Sin(swing)) + (Beside * share), Parked + (Reach * share * Math.Cos(swing)));
            var deepest = double.NegativeInfinity;
            for (var i = 0; i <= 48; i++)
            {
                for (var j = 0; j <= 4; j++)
                {
                    var (a, b) = ((-Width / 2) + (Width * i / 48), Thick * j / 4);
                    var (px, pz) = (x + (a * Math.Cos(turn)) + (b * Math.Sin(turn)), z - (a * Math.Sin(turn)) + (b * Math.Cos(turn)));
                    if (pz < -0.08)
                    {
                        return double.NegativeInfinity;
                    }

                    deepest = Math.Max(deepest, new[] { px - thing.Left, thing.Right - px, pz - thing.Back, thing.Front - pz }.Min());
                }
            }

            // A thin thing's corners may lie inside of the display, where none of its own points are.
            foreach (var (tx, tz) in new[] { (thing.Left, thing.Front), (thing.Right, thing.Front), (thing.Left, thing.Back), (thing.Right, thing.Back), ((thing.Left + thing.Right) / 2, thing.Front) })
            {
                var (dx, dz) = (tx - x, tz - z);
                var (a, b) = ((dx * Math.Cos(turn)) - (dz * Math.Sin(turn)), (dx * Math.Sin(turn)) + (dz * Math.Cos(turn)));
                deepest = Math.Max(deepest, new[] { a + (Width / 2), (Width / 2) - a, b, Thick - b }.Min());
            }

            return deepest;
        }

        public double GridTouches((double Left, double Right, double Back, double Front) thing)
        {
            var worst = double.NegativeInfinity;
            for (var s = 0; s <= 24; s++)
            {
                for (var o = 0; o <= 6; o++)
                {
                    for (var t = 0; t <= 12; t++)
                    {
                        var turn = -Left + ((Left + Right) * t / 12.0);
                        worst = Math.Max(worst, Depth((-Swing + (2 * Swing * s / 24.0)) * Math.PI / 180, o / 6.0, turn * Math.PI / 180, thing));
                    }
                }
            }

            return worst;
        }
    }
}
