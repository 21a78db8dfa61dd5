using System.Text.Json.Nodes;
using Corrie.Core.Fixing;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.SiteDay;

namespace Corrie.Core.Tests.SiteDay;

/// <summary>What comes at the end of a job and after it: holes on a photo, the order of the day, what is looked at again.</summary>
public class AfterwardsTests
{
    // A camera that stands to the left and low: by hand, from the wall in inches to shares of the picture.
    private static (double X, double Y) Seen(double across, double up)
    {
        var w = 1 + (across * 0.002) + (up * 0.0005);
        return (((across * 0.006) + 0.05) / w, (0.9 - (up * 0.008)) / w);
    }

    /// <summary>Projective geometry, by hand: a hole that is 3/8 in to the left and 1/4 in low on the wall is called off by that, and those in their places are not.</summary>
    [Fact]
    public void A_photo_of_drilled_holes_names_the_one_that_is_off()
    {
        (string, JsonNode?)[] photo =
        [
            ("/walls/w1/photos/p1", Sheets.Json($$"""{ "picture": "{{new string('a', 64)}}", "of": "wall" }""")),
            ("/walls/w1/squared", new JsonObject { ["photo"] = "p1", ["points"] = new JsonObject(new[] { (20, 20), (20, 80), (130, 80), (130, 20) }.Select((p, i) => KeyValuePair.Create($"{i + 1}", (JsonNode?)Point(p.Item1, p.Item2)))) }),
        ];
        var bolts = Sheets.Plan(photo).Fixing("m1")!.Bolts;
        var holes = new JsonObject(bolts.Select(b => KeyValuePair.Create(SeenHole.KeyOf("m1", b.Number), (JsonNode?)Share(b.X.Inches - (b.Number == 2 ? 0.375 : 0.05), b.Y.Inches - (b.Number == 2 ? 0.25 : 0)))));
        var plan = Sheets.Plan([.. photo, ("/walls/w1/squared/holes", holes)]);
        var seen = SeenHole.Of(plan, plan.Sheet.Walls[0]);
        Assert.Equal(bolts.Count, seen.Count);
        Assert.Equal(2, Assert.Single(seen, h => h.IsOff).Number);
        Assert.Equal(2, seen[0].Number);
        Assert.Equal(Math.Sqrt((0.375 * 0.375) + (0.25 * 0.25)), seen[0].Off.Inches, 1e-3);
        Assert.Contains("to the left", seen[0].Says().ToString());
        Assert.Contains("low", seen[0].Says().ToString());
        // Without its four points a photo says nothing.
        Assert.Empty(SeenHole.Of(Sheets.Plan(), Sheets.Plan().Sheet.Walls[0]));

        static JsonObject Share(double across, double up) => Seen(across, up) is var (x, y) ? new() { ["x"] = x, ["y"] = y } : [];

        static JsonObject Point(int across, int up)
        {
            var point = Share(across, up);
            (point["across"], point["up"]) = ($"{across} in", $"{up} in");
            return point;
        }
    }

    /// <summary>Common practice: the display first, and its hook measured before the first hole; or the wall first, by the catalogue's figures.</summary>
    [Fact]
    public void The_hook_is_measured_before_the_first_hole_unless_the_wall_comes_first()
    {
        string? Waits(params (string, JsonNode?)[] changes)
        {
            var steps = DaySteps.Of(Sheets.Plan([("/walls/w1/scan", Sheets.Json("""{ "by": "Tom", "with": "scanner", "crossings": true }""")), .. changes]));
            return DaySteps.WaitsFor(steps, steps.First(s => s.Phase == DayPhase.Plate))?.Id;
        }

        var height = Sheets.Plan().Placement("d1")!.Outer.Height.Inches;
        Assert.Equal("chain-m1", Waits());
        Assert.Equal("chain-m1", Waits(("/items/m1/hang/measuredBottomToHook", "20 in")));
        Assert.Null(Waits(("/items/m1/hang/measuredBottomToHook", "20 in"), ("/items/m1/hang/measuredTopToHook", $"{height - 20} in")));
        Assert.Null(Waits(("/dayPlan/order", "wall-first")));
        var steps = DaySteps.Of(Sheets.Plan(("/dayPlan/order", "wall-first"))).Select(s => s.Id).ToList();
        Assert.True(steps.IndexOf("arms-m1") > steps.IndexOf("m1-level"));
        Assert.DoesNotContain("chain-m1", steps);
    }

    /// <summary>What is looked at again is due so long after the hand-over (own rule), on the day that was said, or at no time that is known.</summary>
    [Theory]
    [InlineData("straps", "", "2026-12-01", null, "2026-12-29")]
    [InlineData("temporary", "", "2026-12-01", null, "2027-03-01")]
    [InlineData("straps", "", "2026-12-01", "2026-12-03 10:00 UTC", "2026-12-31")]
    [InlineData("other", "2027-05-01", "2026-12-01", null, "2027-05-01")]
    [InlineData("straps", "", "soon", null, null)]
    [InlineData("straps", "next spring", "2026-12-01", null, null)]
    public void What_is_looked_at_again_has_its_day(string kind, string said, string visit, string? signed, string? due)
    {
        var sheet = Sheets.Plan(
            ("/visits/v1", new JsonObject { ["on"] = visit, ["for"] = "install" }), ("/handedOver", signed is null ? null : new JsonObject { ["by"] = "A. Warden", ["on"] = signed }),
            ("/aftercare/a1", new JsonObject { ["kind"] = kind, ["due"] = said })).Sheet;
        Assert.Equal(due, sheet.Get(Aftercare.Part)!.Single().Due(sheet)?.ToString("yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture));
    }
}
