using System.Text.Json.Nodes;
using Corrie.Core.Format;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using CsCheck;

namespace Corrie.Core.Tests.Jobs;

public class PlanTests
{
    [Fact]
    public void Moving_the_display_up_moves_its_heights_and_nothing_sideways() =>
        Gen.Int[-1000, 1000].Sample(sixtyFourths =>
        {
            var by = Length.Tape(0, sixtyFourths, 64);
            var before = Sheets.Plan(("/items/d1/place/height", "40 in"));
            var after = Sheets.Plan(("/items/d1/place/height", LengthText.Exact(Length.Tape(40) + by, UnitSystem.Inches)));
            foreach (var (b, a) in before.Marks.Zip(after.Marks))
            {
                Assert.Equal((b.Id, b.X), (a.Id, a.X));
                Assert.Equal(b.Y + by, a.Y);
            }

            Assert.Equal(before.Hung.Position.Plate, after.Hung.Position.Plate);
        }, iter: 60);

    [Fact]
    public void The_plan_does_not_hang_on_the_order_in_which_things_were_entered()
    {
        var document = Sheets.Document(
            ("/walls/w1/features/x", Sheets.Json("""{ "kind": "window", "name": "window", "left": "8 in", "width": "30 in", "height": "40 in", "bottom": "36 in" }""")),
            ("/walls/w1/features/y", Sheets.Json("""{ "kind": "furniture", "name": "chest", "left": "60 in", "width": "36 in", "height": "29 in" }""")));
        var expected = PlanFile.Write(Sheets.Plan(document), LengthStyle.Inches, document).ToJsonString();
        Gen.Shuffle(Enumerable.Range(0, 64).ToArray()).Sample(order =>
            PlanFile.Write(Sheets.Plan(Shuffled(document, order)), LengthStyle.Inches, Shuffled(document, order)).ToJsonString() == expected, iter: 40);
    }

    [Theory]
    [InlineData("bottom", "30 in")]
    [InlineData("centre", "44 in")]
    [InlineData("top", "58 in")]
    public void Bottom_centre_and_top_can_each_be_the_given_one(string given, string height)
    {
        var plan = Sheets.Plan(("/items/d1/place/given", given), ("/items/d1/place/height", height), ("/items/m1/hang/reference", given));
        Assert.Equal(Length.Tape(30), plan.Placed.Outer.Bottom);
        Assert.Equal(Sheets.Plan().Hung.HookLine, plan.Hung.HookLine);
        Assert.Empty(plan.Findings);
    }

    [Fact]
    public void Heights_and_angles_of_a_recliner_and_its_tilt()
    {
        var plan = Sheets.Plan(("/items/d1/place/height", "60 in"), ("/items/m1/product/tiltDown", "12 deg"), ("/seats/v/recline", "8 deg"));
        var view = plan.Placed.Views[0];
        // Centre at 74 in, eye at 44, 80 away: atan(30/80) = 20.56 degrees, by a table of tangents.
        Assert.Equal(20.56, view.ToCentre.Degrees, 0.01);
        Assert.Equal(12, view.Tilt.Degrees);
        Assert.Equal(8.56, view.Residual.Degrees, 0.01);
        Assert.DoesNotContain("place.too-high", plan.Codes());
    }

    [Fact]
    public void A_half_known_job_is_planned_as_far_as_it_goes()
    {
        var document = Sheets.Document();
        foreach (var part in new[] { "/items/m1/bolt", "/items/m1/product", "/items/d1/product", "/items/d1/place", "/items", "/walls/w1" })
        {
            Pointer.Set(document, part, part == "/walls/w1" ? new JsonObject() : null);
            var plan = Sheets.Plan(document);
            Assert.NotNull(plan.Next);
            Assert.NotEmpty(plan.Next.Says.Say(LengthStyle.Inches));
        }

        Assert.All(Sheets.Plan(document).Statuses, s => Assert.True(s.State is StageState.Untouched or StageState.NotNeeded, s.Stage.Id.Word));
        Assert.True(Sheets.Plan(document).Statuses.Count(s => s.State == StageState.Untouched) >= 4);
    }

    [Fact]
    public void Readings_follow_the_hook_of_the_tape()
    {
        var plan = Sheets.Plan(
            ("/walls/w1/features/w", Sheets.Json("""{ "kind": "window", "name": "window", "left": "110 in", "width": "30 in", "height": "40 in", "bottom": "50 in" }""")),
            ("/walls/w1/setOut", Sheets.Json("""{ "across": "w/left", "up": "w/bottom" }""")));
        var centre = plan.Across.Read(plan.Placed.Outer.CentreX);
        Assert.Equal((Length.Tape(32), true), (centre.Distance, centre.Back));
        Assert.Equal((Length.Tape(20), true), (plan.Up.Read(plan.Placed.Outer.Bottom).Distance, true));
        Assert.Equal(plan.Placed.Outer.CentreX, plan.Across.Position(centre.Distance, centre.Back));
    }

    [Fact]
    public void The_display_s_own_pattern_offset_shifts_the_slide_and_not_the_centre()
    {
        var plan = Sheets.Plan(("/items/d1/product/vesaCentreRight", "1 in"));
        Assert.Equal(Length.Tape(78), plan.Placed.Outer.CentreX);
        // The arms' middle is at 79 and the plate can sit there dead centre on 70 and 86 (slots 7 to 9): no slide of the arms.
        Assert.Equal(Length.Tape(79), plan.Hung.Position.Plate + plan.Hung.Position.Slide);
    }

    private static JsonObject Shuffled(JsonObject group, int[] order) => new(group
        .Select((member, i) => (member, order[i % order.Length]))
        .OrderBy(m => m.Item2)
        .Select(m => KeyValuePair.Create(m.member.Key, m.member.Value is JsonObject inner ? Shuffled(inner, order) : m.member.Value?.DeepClone())));
}
