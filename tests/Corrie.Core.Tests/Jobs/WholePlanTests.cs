using System.Text.Json.Nodes;
using Corrie.Core.Format;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Core.Tests.Jobs;

/// <summary>Three whole walls, worked by hand from what is entered, line by line as a lead would with pencil and table.</summary>
public class WholePlanTests
{
    private static JobPlan Plan(string job, params (string Path, JsonNode? Value)[] changes)
    {
        var document = (JsonObject)JsonNode.Parse(File.ReadAllText(Repository.File($"src/Corrie.Web/Demo/{job}.json")))!;
        foreach (var (path, value) in changes)
        {
            Pointer.Set(document, path, value);
        }

        return Sheets.Plan(document);
    }

    private static string Read(JobPlan plan, string mark, LengthStyle style)
    {
        var at = plan.Marks.Single(m => m.Id == (mark is "centre" or "bottom" or "top" ? "d1/" : "m1/") + mark);
        return string.Join(", ", new[] { at.X is { } x ? plan.Across.Read(x).Distance : (Length?)null, at.Y is { } y ? plan.Up.Read(y).Distance : null }
            .Where(d => d is not null).Select(d => d!.Value.Show(style).Figures));
    }

    // Given: centre 46 in; 25 1/4 in high, so bottom 46 - 12 5/8 = 33 3/8. Pattern's upper holes 11 in + 100 mm = 14.94 in over the bottom;
    // arms 15 in long, their top 1/2 in over the hook, first hole 1 in under it, pitch 1 in. Hole 4: arm from 4.44 to 19.44, so 4.44 to spare
    // below; hole 5: 5.44 below and 4.81 above, the best. Hook 14.94 + 5 = 19.94 over the bottom: 53.31 in. Rows 1/2 and 5 1/2 under it.
    // Plate at 63: slots 54 to 56 and 70 to 72, studs at 55 1/8 and 71 1/4, both dead centre without any slide.
    [Theory]
    [InlineData("centre", "63")]
    [InlineData("hook-line", "53 5/16")]
    [InlineData("row/top", "52 13/16")]
    [InlineData("row/bottom", "47 13/16")]
    [InlineData("bolts/1+3", "55 1/8")]
    [InlineData("bolts/2+4", "71 1/4")]
    [InlineData("plate", "63")]
    [InlineData("plate-top", "54 5/16")]
    [InlineData("bottom", "33 3/8")]
    [InlineData("top", "58 5/8")]
    public void The_office_is_set_out_by_its_centre(string mark, string reads) => Assert.Equal(reads, Read(Plan("wardens-office"), mark, LengthStyle.Inches));

    [Fact]
    public void The_office_s_bolts_hold_seventy_times_what_they_have_to()
    {
        var plan = Plan("wardens-office");
        Assert.Equal(5, plan.Hung.ArmHole);
        // Washer 1/16, plate 3/16, board 1/2: 3/4 passed; 3 1/2 - 3/4 - tip 7/32 = 2 17/32 in the wood; drill 1/2 + 2 17/32 + 7/32 = 3 1/4.
        Assert.All(plan.Bolted.Bolts, b => Assert.Equal(Sheets.In("2 17/32"), b.Penetration));
        Assert.Equal(Sheets.In("3 1/4"), plan.Bolted.DrillDepth);
        // 3/8 in at G 0.42: 40 to 70 % are 0.15 to 0.2625 in; 7/32 is nearer to the middle than 3/16.
        Assert.Equal(Sheets.In("7/32"), plan.Bolted.Pilot);
        // 34 lb at 1 1/4 + 1 1/4 in, rows 6 1/2 and 1 1/2 over the plate's foot: 34 * 2.5 * 6.5 / (2 * (6.5² + 1.5²)) = 6.2 lb.
        Assert.Equal(6.208, plan.Bolted.Bolts[0].Pull.PoundsForce, 0.01);
        // Of 3 1/2 in the last 2 1/4 are thread, 7/32 of them tip: 235 lb/in (table 12.2A, from memory) * 2.03 in * 0.9 = 429 lb.
        Assert.Equal(429.6, plan.Bolted.Bolts[0].Holds!.Value.PoundsForce, 1.0);
    }

    // Given: bottom 1240 mm. Upper holes 270 + 100 = 370 mm up; hole 4 puts the hook 20 + 75 over them: 465 mm, arm from 60 to 480 of 560 mm.
    // Hook line 1705; rows 20 and 160 under it. Studs at 2200 and 2600, slots 180 to 220 either side: the plate goes from 2380 to 2420, and 2420
    // is nearest to the display's 2440. Read from the right edge of the door at 120 + 920 = 1040.
    [Theory]
    [InlineData("centre", "1400")]
    [InlineData("hook-line", "1705")]
    [InlineData("row/top", "1685")]
    [InlineData("row/bottom", "1545")]
    [InlineData("bolts/1+3", "1160")]
    [InlineData("bolts/2+4", "1560")]
    [InlineData("plate", "1380")]
    [InlineData("plate-top", "1725")]
    [InlineData("bottom", "1240")]
    [InlineData("top", "1800")]
    public void The_corridor_is_set_out_in_millimetres_from_its_door(string mark, string reads) => Assert.Equal(reads, Read(Plan("bunkhouse-corridor"), mark, LengthStyle.Millimetres));

    [Fact]
    public void The_corridor_s_toggles_are_used_to_a_tenth_and_its_display_slides_right()
    {
        var plan = Plan("bunkhouse-corridor");
        Assert.Equal(Sheets.Mm(20), plan.Hung.Position.Slide);
        Assert.Contains("20 mm to the right seen from the front, left seen from its back", plan.Marks.Single(m => m.Id == "m1/plate").How.Say(LengthStyle.Millimetres));
        // 260 lb ultimate over 4: 65 lb. 15.8 kg = 34.83 lb at 28 + 29 mm, rows 160 and 20 mm up: 34.83 * 57 * 160 / (2 * (160² + 20²)) = 6.11 lb.
        Assert.Equal(65, plan.Bolted.Bolts[0].Holds!.Value.PoundsForce, 0.01);
        Assert.Equal(6.11, plan.Bolted.Bolts[0].Pull.PoundsForce, 0.01);
        // 28 mm of mount and 58 mm of display stand 86 mm, 3 3/8 in, into the corridor: under 4 in.
        Assert.DoesNotContain("place.protrudes", plan.Codes());
        Assert.Contains("place.protrudes", Plan("bunkhouse-corridor", ("/walls/w1/circulation", true), ("/items/d1/product/depth", "74 mm")).Codes());
    }

    // Given: bottom 36 in, over the chest's centre 56 + 38 = 94. Upper holes 14 1/4 in + 150 mm, fifth hole 4 3/4 in under the hook: hook line
    // 55 in + 150 mm = 60.91. The right stud, 109 1/8, is reached by the outermost 11 in of the plate from 98 1/8 on; the left one, 93 1/4, lies
    // 4 7/8 left of that, in the left slot. So the display slides 4 1/8 to the left.
    [Theory]
    [InlineData("centre", "94")]
    [InlineData("hook-line", "60 7/8")]
    [InlineData("row/top", "59 7/8")]
    [InlineData("row/bottom", "54 3/8")]
    [InlineData("bolts/1+3", "93 1/4")]
    [InlineData("bolts/2+4", "109 1/8")]
    [InlineData("plate", "98 1/8")]
    [InlineData("template-top", "66 1/8")]
    [InlineData("top", "68 3/4")]
    public void The_map_room_is_set_out_over_its_chest(string mark, string reads) => Assert.Equal(reads, Read(Plan("map-room"), mark, LengthStyle.Inches));

    [Fact]
    public void The_map_room_is_seen_from_its_table_and_budgeted_from_the_floor_up()
    {
        var plan = Plan("map-room");
        Assert.Equal(
            [("map chest", 0, 30), ("soundbar", 30, 33.5), ("gap", 33.5, 36), ("display", 36, 68.75), ("to the ceiling", 68.75, 96)],
            plan.Placed.Budget.Select(b => (b.Name, b.From.Inches, b.To.Inches)));
        // Picture 56.65 by 31.87 in (65 in, 16:9), its centre at 52 3/8; eye at 47, 104 away: atan(5.375/104), atan(21.31/104), 2 atan(28.33/104).
        var view = Assert.Single(plan.Placed.Views);
        Assert.Equal(2.96, view.ToCentre.Degrees, 0.01);
        Assert.Equal(11.58, view.ToTop.Degrees, 0.01);
        Assert.Equal(30.47, view.Field.Degrees, 0.02);
        Assert.Equal("4 1/8", plan.Hung.Position.Slide.Abs.Show(LengthStyle.Inches).Figures);
        // 60 lb at 2 1/2 + 1 3/16 in, rows 6 5/8 and 1 1/8 up: 60 * 3.6875 * 6.625 / (2 * (6.625² + 1.125²)) = 16.2 lb, of 205 * 1.8125 * 0.9 = 334.
        Assert.Equal(16.23, plan.Bolted.Bolts[0].Pull.PoundsForce, 0.01);
        Assert.Equal(334.4, plan.Bolted.Bolts[0].Holds!.Value.PoundsForce, 0.5);
    }

    [Fact]
    public void A_probe_more_clears_the_map_room_s_stop()
    {
        var plan = Plan("map-room");
        Assert.Equal(["survey.framing-unconfirmed"], plan.Findings.Where(f => f.Stops).Select(f => f.Code));
        // The stud at 109 1/8 is confirmed by one more hole: where it bit, and half an inch right of that where the bit fell through.
        var more = new JsonObject { ["kind"] = "probe-hit", ["at"] = "109 1/8 in", ["bite"] = "1 in", ["beside"] = "62 in", ["by"] = "Tom Birkett" };
        var miss = new JsonObject { ["kind"] = "probe-miss", ["at"] = "110 in", ["beside"] = "62 in", ["by"] = "Tom Birkett" };
        var left = new JsonObject { ["kind"] = "probe-miss", ["at"] = "108 3/16 in", ["beside"] = "62 in", ["by"] = "Tom Birkett" };
        var mended = Plan("map-room", ("/walls/w1/evidence/x1", more), ("/walls/w1/evidence/x2", miss), ("/walls/w1/evidence/x3", left));
        Assert.DoesNotContain(mended.Findings, f => f.Stops);
        var stud = mended.Bolted.Bolts.Select(b => b.Stud).Distinct().Single(s => s.Centre > Length.Tape(100));
        Assert.Equal(StudState.Confirmed, stud.State);
        // Between the misses less half a face and 1/32 in each: 108 29/32 to 109 9/32, so good to 3/16 either side of 109 3/32.
        Assert.Equal(Sheets.In("109 3/32").Inches, stud.Centre.Inches, 0.02);
        Assert.InRange(stud.Uncertainty.Inches, 0.18, 0.25);
    }

    [Theory]
    [InlineData("map-room")]
    [InlineData("bunkhouse-corridor")]
    [InlineData("wardens-office")]
    public void A_wall_read_in_other_units_is_the_same_wall(string job)
    {
        var plan = Plan(job);
        var other = Plan(job, ("/job/units", plan.Sheet.Head.Units == UnitSystem.Inches ? "mm" : "in"));
        Assert.Equal(plan.Marks.Select(m => (m.Id, m.X, m.Y)), other.Marks.Select(m => (m.Id, m.X, m.Y)));
        Assert.Equal(plan.Findings.Select(f => (f.Code, f.Severity, f.Where.Part)), other.Findings.Select(f => (f.Code, f.Severity, f.Where.Part)));
        foreach (var mark in plan.Marks.Where(m => m.Y is not null))
        {
            var inches = LengthReader.Read(mark.Y!.Value.Show(LengthStyle.Inches).ToString(), UnitSystem.Inches).Value;
            var millimetres = LengthReader.Read(mark.Y.Value.Show(LengthStyle.Millimetres).ToString(), UnitSystem.Millimetres).Value;
            // Half of 1/16 in and half of a millimetre apart at the most.
            Assert.InRange((inches - millimetres).Abs.Millimetres, 0, 0.8 + 0.5);
        }
    }
}
