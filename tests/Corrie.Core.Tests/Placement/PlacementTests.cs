using System.Text.Json.Nodes;
using Corrie.Core.Format;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using CsCheck;

namespace Corrie.Core.Tests.Placement;

public class PlacementTests
{
    private static (string, JsonNode?) Thing(string key, string kind, string left, string width, string bottom, string height) => ($"/walls/w1/features/{key}", new JsonObject
    {
        ["kind"] = kind,
        ["name"] = key,
        ["left"] = left,
        ["width"] = width,
        ["bottom"] = bottom,
        ["height"] = height,
    });

    /// <summary>The budget is a strip of tape from floor to ceiling: nothing left out, nothing twice.</summary>
    [Fact]
    public void The_vertical_budget_adds_up_to_the_height_of_the_wall() =>
        Gen.Select(Gen.Int[10, 40], Gen.Int[2, 6], Gen.Int[30, 66]).Sample((chest, bar, bottom) =>
        {
            var plan = Sheets.Plan(
                Thing("chest", "furniture", "60 in", "36 in", "0 in", $"{chest} in"), Thing("bar", "soundbar", "60 in", "36 in", $"{chest} in", $"{bar} in"), ("/items/d1/place/height", $"{bottom} in"));
            var budget = plan.Placed.Budget;
            Assert.Equal(Length.Zero, budget[0].From);
            Assert.Equal(Length.Tape(96), budget[^1].To);
            Assert.Equal(Length.Tape(96), budget.Aggregate(Length.Zero, (sum, line) => sum + line.Size));
            Assert.All(budget.Zip(budget.Skip(1)), pair => Assert.Equal(pair.First.To, pair.Second.From));
        }, iter: 80);

    [Theory] // common practice, worked: what stands below, the gap asked for, and the bottom that follows
    [InlineData("27 in", "2 in", "29 in")]
    [InlineData("30 in", "4 in", "34 in")]
    [InlineData("762 mm", "50 mm", "812 mm")]
    public void The_least_bottom_is_what_stands_below_and_the_gap(string top, string gap, string least) =>
        Assert.Equal(Sheets.In(least), Sheets.Plan(Thing("chest", "furniture", "60 in", "36 in", "0 in", top), ("/items/d1/place/gapBelow", gap)).Placed.LeastBottom);

    [Theory] // common practice, worked: furniture 30 in, display 28 in, gap 2 in: 46 in, and 1168 mm of 762, 51 and 711
    [InlineData("46 in", "46 in at the least: 30 in up to its top, 2 in of gap, 14 in to the middle. It is planned there.", null)]
    [InlineData("42 in", "It is planned at 42 in, 4 in too low.", "hang.bodies-meet")]
    [InlineData("60 in", "It is planned at 60 in, 14 in higher than it has to be.", null)]
    public void The_least_centre_over_furniture_is_computed_and_said(string centre, string says, string? code)
    {
        var plan = Sheets.Plan(Thing("chest", "furniture", "60 in", "36 in", "0 in", "30 in"), ("/items/d1/place/given", "centre"), ("/items/d1/place/height", centre));
        Assert.Equal(Sheets.In("46 in"), plan.Placed.LeastCentre);
        Assert.Contains(says, plan.Placed.LeastSays()!.Say(LengthStyle.Inches));
        Assert.Equal(code is not null, plan.Codes().Any(c => c is "place.behind-furniture" or "hang.bodies-meet"));
        Assert.Equal("1168 mm", plan.Placed.LeastCentre.Show(LengthStyle.Millimetres).ToString());
    }

    [Theory]
    [InlineData("0 in", "53 3/4 in", false)] // ends where the display begins: 78 - 24 1/4
    [InlineData("0 in", "53 13/16 in", true)]
    [InlineData("102 1/4 in", "20 in", false)] // begins where it ends: 78 + 24 1/4
    [InlineData("102 3/16 in", "20 in", true)]
    public void Only_what_stands_under_the_display_counts(string left, string width, bool counts) =>
        Assert.Equal(counts ? Sheets.In("40") + Sheets.Plan().Sheet.Policy.GapBelow : Length.Zero, Sheets.Plan(Thing("chest", "furniture", left, width, "0 in", "40 in")).Placed.LeastBottom);

    [Theory] // by a table of tangents; eye 44 in, display 28 in high over the bottom that is given
    [InlineData("30 in", "80 in", 0, 9.57)] // centre level with the eye, the picture's top 26.96 / 2 in higher
    [InlineData("60 in", "80 in", 20.56, 28.52)]
    [InlineData("30 in", "160 in", 0, 4.82)]
    [InlineData("10 in", "80 in", -14.04, -4.66)]
    public void Angles_up_and_down_to_the_picture(string bottom, string distance, double toCentre, double toTop)
    {
        var view = Sheets.Plan(("/items/d1/place/height", bottom), ("/seats/v/distance", distance)).Placed.Views.Single();
        Assert.Equal(toCentre, view.ToCentre.Degrees, 0.01);
        Assert.Equal(toTop, view.ToTop.Degrees, 0.01);
    }

    [Theory]
    [InlineData("wall", "0 in", 78)]
    [InlineData("wall", "-6 in", 72)]
    [InlineData("chest", "0 in", 60)]
    [InlineData("chest", "1 1/2 in", 61.5)]
    public void The_centre_is_over_what_was_chosen(string over, string across, double centre) => Assert.Equal(
        centre,
        Sheets.Plan(Thing("chest", "furniture", "40 in", "40 in", "0 in", "20 in"), ("/items/d1/place/over", over), ("/items/d1/place/across", across)).Placed.Outer.CentreX.Inches);

    [Fact]
    public void Any_of_bottom_centre_and_top_gives_the_other_two() =>
        Gen.Select(Gen.Enum<Edge>(), Gen.Int[0, 6000], Gen.Int[64, 4000]).Sample((edge, at, high) =>
        {
            var (bottom, height) = (Length.Tape(0, at, 64), Length.Tape(0, 2 * high, 64));
            return PlacementChoice.BottomOf(edge, PlacementChoice.GivenOf(edge, bottom, height), height) == bottom;
        });

    /// <summary>Every remedy for a height puts the display where nothing of its kind is wrong, and says by how much before it is applied.</summary>
    [Fact]
    public void A_height_that_is_mended_is_the_height_that_was_promised()
    {
        (string, JsonNode?)[] low = [Thing("chest", "furniture", "60 in", "36 in", "0 in", "31 in")];
        foreach (var finding in Sheets.Plan(low).Findings.Where(f => f.Code.StartsWith("place.", StringComparison.Ordinal)))
        {
            foreach (var remedy in finding.Remedies)
            {
                var document = Sheets.Document(low);
                foreach (var change in remedy.Changes)
                {
                    Pointer.Set(document, change.Path, change.Value);
                }

                var mended = Sheets.Plan(document);
                Assert.DoesNotContain(mended.Findings, f => f.Code == finding.Code && f.Severity == finding.Severity);
                Assert.Contains(mended.Placed.Outer.Bottom.Show(LengthStyle.Inches).ToString(), remedy.Effect.Say(LengthStyle.Inches));
            }
        }
    }

    [Fact]
    public void Moving_the_display_sideways_changes_no_height() => Gen.Int[-20 * 64, 20 * 64].Sample(by =>
    {
        var (before, after) = (Sheets.Plan(), Sheets.Plan(("/items/d1/place/across", LengthText.Exact(Length.Tape(78) + Length.Tape(0, by, 64), UnitSystem.Inches))));
        Assert.Equal(before.Placed.Outer.Bottom, after.Placed.Outer.Bottom);
        Assert.Equal(before.Hung.HookLine, after.Hung.HookLine);
        Assert.Equal(before.Placed.Views.Select(v => v.ToCentre.Degrees), after.Placed.Views.Select(v => v.ToCentre.Degrees));
        Assert.Equal(Length.Tape(0, by, 64), after.Placed.Outer.CentreX - before.Placed.Outer.CentreX);
    }, iter: 60);
}
