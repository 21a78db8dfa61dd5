using Corrie.Core.Hanging;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using Corrie.Core.Planning;

namespace Corrie.Core.Tests.Hanging;

public class PlateSearchTests
{
    private static JobPlan TwoStuds(string left) => Sheets.Plan(
        ("/walls/w1/studs", Sheets.Json($$"""{ "l": { "centre": "{{left}}", "state": "confirmed", "uncertainty": "0 in" }, "r": { "centre": "87 7/8 in", "state": "confirmed", "uncertainty": "0 in" } }""")),
        ("/items/m1/bolt/diameter", "3/8 in"));

    [Fact]
    public void Two_studs_within_the_slots_take_four_bolts_and_the_display_slides_to_its_centre()
    {
        var plan = TwoStuds("71 3/4 in");
        var position = plan.Hung.Position;
        // By hand: the right slot reaches 87 7/8 from 78 7/8 on, the left one 71 3/4 up to 80 3/4; 78 7/8 needs the least slide.
        Assert.Equal(Length.Tape(78, 7, 8), position.Plate);
        Assert.Equal(Length.Tape(0, -7, 8), position.Slide);
        Assert.Equal(4, position.Holding);
        Assert.Equal(["71 3/4 in", "87 7/8 in"], plan.Bolted.Bolts.Take(2).Select(b => b.X.Show(LengthStyle.Inches).ToString()));
        Assert.Contains("7/8 in to the left seen from the front, right seen from its back", HangingStage.SlideWords(position.Slide).Say(LengthStyle.Inches));
        Assert.DoesNotContain("hang.one-stud-only", plan.Codes());
    }

    [Fact]
    public void Studs_too_far_apart_for_the_slots_are_named_with_the_nearest_that_works()
    {
        var message = TwoStuds("67 3/4 in").Finding("hang.one-stud-only").Message.Say(LengthStyle.Inches);
        // By hand: slots 18 in apart at most, 3/16 in of edge distance each: 18 3/8; the studs stand 20 1/8 apart, 1 3/4 too far.
        Assert.Contains("67 3/4 in and 87 7/8 in stand 20 1/8 in apart", message);
        Assert.Contains("14 in to 18 in apart", message);
        Assert.Contains("a left stud at 69 1/2 in", message);
        Assert.DoesNotContain("hang.one-stud-only", TwoStuds("69 1/2 in").Codes());
        Assert.Contains("hang.one-stud-only", TwoStuds("69 7/16 in").Codes());
    }

    [Fact]
    public void A_wanted_centre_out_of_reach_is_offered_the_nearest_place_that_holds()
    {
        var plan = Sheets.Plan(("/items/d1/place/across", "64 in"), ("/items/m1/product/slide", "1/2 in"), ("/walls/w1/studs/a", null));
        var remedy = Assert.Single(plan.Finding("hang.centre-out-of-slide").Remedies);
        var mended = Sheets.Document(("/items/d1/place/across", "64 in"), ("/items/m1/product/slide", "1/2 in"), ("/walls/w1/studs/a", null));
        foreach (var change in remedy.Changes)
        {
            Corrie.Core.Format.Pointer.Set(mended, change.Path, change.Value);
        }

        Assert.DoesNotContain("hang.centre-out-of-slide", Sheets.Plan(mended).Codes());
        Assert.DoesNotContain("hang.one-stud-only", Sheets.Plan(mended).Codes());
    }
}
