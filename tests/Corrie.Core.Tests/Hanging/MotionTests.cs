using System.Text.Json.Nodes;
using Corrie.Core.Findings;
using Corrie.Core.Hanging;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Core.Tests.Jobs;
using NetTopologySuite.Geometries;
using NetTopologySuite.Geometries.Utilities;
using Polygon = Corrie.Core.Measure.Polygon;

namespace Corrie.Core.Tests.Hanging;

public class MotionTests : IFindingCases
{
    // A display 48 1/2 in wide and 28 high over a mantel 10 in deep with its top at 50; its bottom parked at 60.
    private static (string, JsonNode?)[] PullDown(string poses, string mantelTop = "50 in") =>
    [
        ("/items/m1/product/kind", "pull-down"), ("/items/m1/product/depthParked", "4 in"), ("/items/m1/product/depthExtended", "24 in"), ("/items/m1/product/drop", "24 in"), ("/items/m1/product/poses", Sheets.Json(poses)),
        ("/items/d1/place/height", "60 in"), ("/items/d1/place/approval", Sheets.Json("""{ "by": "the client", "centre": "74 in", "across": "78 in" }""")), ("/seats", Sheets.Json("{}")),
        ("/walls/w1/features/mantel", Sheets.Json($$"""{ "kind": "mantel", "left": "50 in", "width": "56 in", "bottom": "40 in", "height": "{{Sheets.In(mantelTop).Inches - 40}} in", "depth": "10 in" }""")),
    ];

    // Down before it is far enough out: its lower edge is at the mantel's top with its back 9 in out, and the mantel stands out 10.
    private const string TooSteep = """[{ "out": "6 in", "down": "12 in" }, { "out": "20 in", "down": "24 in" }]""";
    private const string OutFirst = """[{ "out": "7 in", "down": "2 in" }, { "out": "20 in", "down": "24 in" }]""";

    private static (string, JsonNode?)[] Arm(string reach, string turn, params (string, JsonNode?)[] more) =>
        [("/items/m1/product/kind", "articulating"), ("/items/m1/product/depthExtended", reach), ("/items/m1/hang/turn", turn), .. more];

    public IEnumerable<(string Code, (string Path, JsonNode? Value)[] Has, (string Path, JsonNode? Value)[] Just)> Cases =>
    [
        ("hang.swing-hits", PullDown(TooSteep), PullDown(OutFirst)),
        ("hang.parked-off-centre", Arm("20 in", "10 deg", ("/items/m1/product/swungBeside", "3/16 in")), Arm("20 in", "10 deg", ("/items/m1/product/swungBeside", "1/8 in"))),
    ];

    [Fact]
    public void A_pull_down_that_clears_the_mantel_at_both_ends_and_hits_it_half_way_is_found()
    {
        var plan = Sheets.Plan(PullDown(TooSteep));
        var motion = plan.Layout("m1")!.Motion!;
        var display = new Body("body", "display", BodyRole.Thing, plan.Hung.Position.Plate is var x ? new(x - Sheets.In("24 in"), Sheets.In("60 in"), Sheets.In("48 in"), Sheets.In("28 in")) : default, Sheets.In("4 in"), Sheets.In("6 in"));
        var mantel = Polygon.Box(Length.Zero, Sheets.In("10 in"), Sheets.In("40 in"), Sheets.In("50 in"));
        Assert.False(motion.FromSide(display, motion.Way.Items[0]).Overlaps(mantel));
        Assert.False(motion.FromSide(display, motion.Way.Items[^1]).Overlaps(mantel));
        // The first leg goes down 12: 10 of them are 83 %, of two legs 42.
        Assert.InRange(motion.ComesUntil([display], mantel)!.Value.Share, .38, .42);
        var finding = plan.Finding("hang.swing-hits");
        Assert.Equal(Severity.Stop, finding.Severity);
        Assert.Contains("which stands out 10 in with its top at 50 in", finding.Message.Say(LengthStyle.Inches));
        // An inch lower the mantel is passed with its back 9 1/2 in out, four inches lower at 11.
        Assert.Contains("hang.swing-hits", Sheets.Plan(PullDown(TooSteep, "49 in")).Codes());
        Assert.DoesNotContain("hang.swing-hits", Sheets.Plan(PullDown(TooSteep, "46 in")).Codes());
    }

    [Fact]
    public void A_wall_at_the_end_a_neighbour_and_an_open_door_stop_a_turn()
    {
        // Turned square at 30 in of reach the display's edges are 5 3/4 and 54 1/4 in out; to the right the front edge sweeps to 24 1/4 in beside the pivot and back.
        Assert.DoesNotContain("hang.swing-hits", Sheets.Plan(Arm("30 in", "60 deg")).Codes());
        // The wall ends 24 3/4 in right of the middle: parked it clears by half an inch; turned a few degrees the corner of its face passes 24 1/4 cos a + 2 sin a, at most 24.33.
        Assert.DoesNotContain("hang.swing-hits", Sheets.Plan(Arm("30 in", "60 deg", ("/walls/w1/width", "102 3/4 in"), ("/walls/w1/studs/d", null))).Codes());
        Assert.Contains("touches the wall on the right", Sheets.Plan(Arm("30 in", "60 deg", ("/walls/w1/width", "102 5/16 in"), ("/walls/w1/studs/d", null))).Finding("hang.swing-hits").Message.Say(LengthStyle.Inches));
        // A cupboard beside it, 30 in deep, 2 in from the edge; and the same to the left, where it does not stand.
        var cupboard = ("/walls/w1/features/c", (JsonNode?)Sheets.Json("""{ "kind": "furniture", "name": "cupboard", "left": "102 1/2 in", "width": "20 in", "bottom": "0 in", "height": "80 in", "depth": "30 in" }"""));
        Assert.DoesNotContain("hang.swing-hits", Sheets.Plan(Arm("30 in", "40 deg", cupboard)).Codes());
        var near = ("/walls/w1/features/c", (JsonNode?)Sheets.Json("""{ "kind": "furniture", "name": "cupboard", "left": "102 1/4 in", "width": "20 in", "bottom": "0 in", "height": "80 in", "depth": "31 in" }"""));
        Assert.DoesNotContain("hang.swing-hits", Sheets.Plan(Arm("30 in", "40 deg", near, ("/items/m1/hang/turnSide", "left"))).Codes());
        Assert.Contains("touches the cupboard", Sheets.Plan(Arm("30 in", "40 deg", near)).Finding("hang.swing-hits").Message.Say(LengthStyle.Inches));
        var door = ("/walls/w1/features/r", (JsonNode?)Sheets.Json("""{ "kind": "door", "name": "door", "left": "20 in", "width": "33 in", "bottom": "0 in", "height": "80 in" }"""));
        Assert.DoesNotContain("hang.swing-hits", Sheets.Plan(Arm("30 in", "40 deg", door)).Codes());
        // Nobody has said how far: what it could do is a caution.
        Assert.Equal(Severity.Caution, Sheets.Plan([.. Arm("30 in", "40 deg", near), ("/items/m1/hang/turn", null)]).Finding("hang.swing-hits").Severity);
    }

    /// <summary>Outlines and whether they meet, against NetTopologySuite 2.6, which is given the rectangles and turns and cuts them itself.</summary>
    [Fact]
    public void A_thousand_random_poses_agree_with_a_reference_library()
    {
        var random = new Random(7);
        double Next(double low, double high) => low + (random.NextDouble() * (high - low));
        var (meet, apart) = (0, 0);
        for (var n = 0; n < 1000; n++)
        {
            var (parked, reach, pivot, up) = (Next(1, 6), Next(8, 40), Next(60, 100), Next(30, 70));
            var (left, width, bottom, height, thick) = (pivot - Next(10, 40), Next(20, 80), up - Next(5, 20), Next(12, 45), Next(1, 4));
            var body = new Body("b", "display", BodyRole.Thing, new(In(left), In(bottom), In(width), In(height)), In(parked), In(parked + thick));
            var turn = new Angle(Next(-90, 90));
            var pose = new Pose(In(Next(0, 30)), In(Next(-5, 30)), new(Next(-5, 25)));
            var motion = new Motion("m1", In(pivot), In(up), In(parked), In(reach), new([default, pose]), turn, turn, true);
            var above = n % 2 == 0;
            var (x, y, w, h) = above ? (pivot + Next(-70, 50), 0d, Next(5, 40), Next(1, 40)) : (0d, Next(0, 60), Next(1, 20), Next(1, 20));
            var mine = above ? motion.FromAbove(body, turn) : motion.FromSide(body, pose);
            var box = Polygon.Box(In(x), In(x + w), In(y), In(y + h));
            var theirs = above
                ? AffineTransformation.RotationInstance(-turn.Radians, pivot, reach).Transform(Reference(left, reach, width, thick))
                : new AffineTransformation().Rotate(-pose.Tilt.Radians, parked, up).Translate(pose.Out.Inches, -pose.Down.Inches).Transform(Reference(parked, bottom, thick, height));
            var area = theirs.Intersection(Reference(x, y, w, h)).Area;
            foreach (var corner in mine.Corners)
            {
                Assert.InRange(theirs.Distance(new Point(corner.X, corner.Y)), 0, 1e-3);
            }

            // A sliver of a thousandth of a square inch may be either: lengths are held to 1/640 mm.
            if (area is 0 or > 1e-2)
            {
                Assert.Equal(area > 0, mine.Overlaps(box));
                (meet, apart) = (meet + (area > 0 ? 1 : 0), apart + (area > 0 ? 0 : 1));
            }
        }

        Assert.True(meet > 200 && apart > 200, $"{meet} meet, {apart} do not");

        static Length In(double inches) => Length.FromInches(inches);
        static Geometry Reference(double x, double y, double w, double h) => GeometryFactory.Default.ToGeometry(new Envelope(x, x + w, y, y + h));
    }

    [Fact]
    public void Poses_that_end_early_or_go_into_the_wall_are_not_believed()
    {
        // Measured for 5 in alone; the mount comes 20 in out and 24 down, and straight from there it meets the mantel.
        Assert.Contains("hang.swing-hits", Sheets.Plan(PullDown("""[{ "out": "1 in", "down": "9 in" }]""")).Codes());
        Assert.Equal(Sheets.In("24 in"), Sheets.Plan(PullDown("""[{ "out": "1 in", "down": "9 in" }]""")).Layout("m1")!.Motion!.Way.Items[^1].Down);
        Assert.Contains(Sheets.Plan(PullDown("""[{ "out": "-4 1/16 in" }, { "out": "20 in", "down": "24 in" }]""")).Findings, f => f.Message.Say(LengthStyle.Inches).Contains("1/16 in behind the wall's face"));
        Assert.DoesNotContain(Sheets.Plan(PullDown("""[{ "out": "-4 in" }, { "out": "20 in", "down": "24 in" }]""")).Findings, f => f.Message.Say(LengthStyle.Inches).Contains("behind the wall's face"));
    }

    [Fact]
    public void What_hangs_with_the_display_moves_with_it()
    {
        // A bar under the display, on the same arm: an inch over the mantel with its back 9 in out, where the display has 8 left to come down.
        const string ClearOfTheDisplay = """[{ "out": "5 in", "down": "2 in" }, { "out": "20 in", "down": "24 in" }]""";
        (string, JsonNode?)[] bar =
        [
            .. PullDown(ClearOfTheDisplay),
            ("/items/b1", Sheets.Json("""{ "kind": "soundbar", "on": "m1", "product": { "name": "a bar", "width": "40 in", "height": "3 in", "depth": "6 in", "mass": "8 lb" }, "place": { "given": "bottom", "height": "53 in", "across": "0 in", "over": "wall" } }""")),
        ];
        Assert.DoesNotContain("hang.swing-hits", Sheets.Plan(PullDown(ClearOfTheDisplay)).Codes());
        Assert.Contains("hang.swing-hits", Sheets.Plan(bar).Codes());
    }
}
