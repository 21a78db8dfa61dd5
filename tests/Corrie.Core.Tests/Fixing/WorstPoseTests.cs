using System.Text.Json.Nodes;
using Corrie.Core.Fixing;
using Corrie.Core.Hanging;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using CsCheck;

namespace Corrie.Core.Tests.Fixing;

/// <summary>The worst pose of a mount that moves, against a fine grid over its whole motion with kinematics of its own.</summary>
public class WorstPoseTests
{
    private const double Depth = 2;

    [Fact]
    public void No_pose_of_an_arm_is_worse_than_the_one_that_is_planned_with() => Gen.Select(
        Gen.Int[8, 30], Gen.Int[0, 90], Gen.Int[0, 90], Gen.Int[24, 60], Gen.Int[20, 70], Gen.Int[-6, 6], Gen.Bool).Sample((reach, arm, turn, width, pounds, off, narrow) =>
    {
        (string, JsonNode?)[] changes =
        [
            ("/items/m1/product/kind", "articulating"), ("/items/m1/product/depthExtended", $"{reach} in"), ("/items/m1/product/armSwing", $"{arm} deg"), ("/items/m1/product/swing", $"{turn} deg"),
            ("/items/d1/product/width", $"{width} in"), ("/items/d1/product/mass", $"{pounds} lb"), ("/items/d1/product/vesaCentreRight", $"{off / 2.0} in"),
            .. narrow ? new (string, JsonNode?)[] { ("/items/m1/product/studs", 1), ("/items/m1/product/plateWidth", "4 in"), ("/items/d1/place/across", "70 in"), ("/items/m1/hang/plateCentre", "70 in"), ("/items/m1/product/rows", Sheets.Json("""[{ "id": "top", "aboveHook": "-1/2 in", "slots": [{ "from": "0 in", "to": "0 in" }] }, { "id": "bottom", "aboveHook": "-5 in", "slots": [{ "from": "0 in", "to": "0 in" }] }]""")) } : [],
        ];
        var plan = Sheets.Plan(changes);
        var (layout, outer, bolts) = (plan.Layout("m1")!, plan.Placed.Outer, plan.Bolted.Bolts);
        var group = new BoltGroup([.. bolts.Select(b => (b.X, b.Y))], layout.Plate);
        var worst = new double[bolts.Count];
        var pivot = outer.CentreX.Inches + (off / 2.0);
        foreach (var share in Steps(0, 1, 4))
        {
            foreach (var swing in Steps(-arm, arm, 24))
            {
                var (s, c) = Math.SinCos(swing * Math.PI / 180);
                var (x, z) = (pivot + (share * (reach - 1.5) * s), 1.5 + (share * (reach - 1.5) * c));
                var edge = (width / 2.0) + Math.Abs(off / 2.0);
                var most = Math.Min(turn, z >= edge ? 90 : Math.Asin(z / edge) * 180 / Math.PI);
                foreach (var turned in Steps(-most, most, 24))
                {
                    var (ts, tc) = Math.SinCos(turned * Math.PI / 180);
                    (double X, double Z) On(double beside, double outwards) => (x + (beside * tc) + (outwards * ts), z - (beside * ts) + (outwards * tc));
                    var middle = On(-off / 2.0, Depth / 2);
                    var weight = Load(middle.X, outer.CentreY.Inches, middle.Z, 0, -(pounds + 8), 0);
                    Try([weight]);
                    foreach (var (beside, up) in new[] { (-width / 2.0, 0d), (width / 2.0, 0), (0, -outer.Height.Inches / 2) })
                    {
                        var at = On(beside - (off / 2.0), 0);
                        foreach (var (r, u, o) in new[] { (0, 0, 30), (0, -30, 0), (30, 0, 0), (-30, 0, 0) })
                        {
                            Try([weight, Load(at.X, outer.CentreY.Inches + up, Math.Max(0, at.Z), r, u, o)]);
                        }
                    }
                }
            }
        }

        for (var i = 0; i < bolts.Count; i++)
        {
            Assert.True(worst[i] <= bolts[i].Utilisation!.Value * 1.01, $"bolt {i + 1}: {worst[i]} against {bolts[i].Utilisation}");
        }

        void Try(PointLoad[] loads)
        {
            var solved = group.Solve(loads).Bolts;
            for (var i = 0; i < solved.Count; i++)
            {
                worst[i] = Math.Max(worst[i], bolts[i].Hold.Use(solved[i], solved[i].FromUpright)!.Value);
            }
        }
    }, iter: 12);

    [Fact]
    public void A_pull_down_mount_is_worst_on_its_way_where_its_poses_say_so()
    {
        // Measured half way it stands farther out than at its end.
        (string, JsonNode?)[] down =
        [
            ("/items/m1/product/kind", "pull-down"), ("/items/m1/product/depthExtended", "10 in"), ("/items/m1/product/drop", "16 in"), ("/items/m1/bolt/length", "2 in"), ("/walls/w1/layers/l1/thickness", "1/4 in"),
        ];
        var straight = Sheets.Plan(down).Bolted.Bolts.Max(b => b.Utilisation!.Value);
        var bowed = Sheets.Plan([.. down, ("/items/m1/product/poses", Sheets.Json("""[{ "out": "16 in", "down": "6 in" }, { "out": "8 1/2 in", "down": "16 in" }]"""))]);
        Assert.True(bowed.Bolted.Bolts.Max(b => b.Utilisation!.Value) > straight * 1.2, $"{bowed.Bolted.Bolts.Max(b => b.Utilisation!.Value)} against {straight}");
        // The lower two take more of a pull to the side, whose lever grows as it comes down.
        Assert.All(bowed.Bolted.Bolts.Take(2), b => Assert.InRange(b.Pose.Share, 0.45, 0.55));
    }

    [Fact]
    public void In_a_vehicle_everything_weighs_three_times_as_much()
    {
        var (still, shaken) = (Sheets.Plan().Bolted, Sheets.Plan(("/items/m1/fix/conditions/vehicle", true)).Bolted);
        Assert.Equal(3 * still.Weight.Newtons, shaken.Weight.Newtons, 1e-6);
        Assert.Equal(3 * still.Bolts[0].Pull.Newtons, shaken.Bolts[0].Pull.Newtons, 1e-6);
    }

    private static IEnumerable<double> Steps(double from, double to, int count) => Enumerable.Range(0, count + 1).Select(i => from + ((to - from) * i / count));

    private static PointLoad Load(double x, double y, double z, double right, double up, double outwards) =>
        new(Length.FromInches(x), Length.FromInches(y), Length.FromInches(z), Force.FromPoundsForce(right), Force.FromPoundsForce(up), Force.FromPoundsForce(outwards));
}
