using System.Text.Json.Nodes;
using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Fixing;
using Corrie.Core.Format;
using Corrie.Core.Hanging;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Core.Tests.Jobs;

/// <summary>Several walls, several things on a wall, and what hangs on what.</summary>
public class ManyThingsTests
{
    private static readonly JsonNode Soundbar = Sheets.Json("""{ "name": "soundbar", "width": "36 in", "height": "3 in", "depth": "4 in", "mass": "8 lb" }""");

    private static (string, JsonNode?) Thing(string key, string kind, string on, string? mass = null, string? place = null)
    {
        var product = Soundbar.DeepClone();
        product["mass"] = mass ?? "8 lb";
        var item = new JsonObject { ["kind"] = kind, [on == "w1" ? "wall" : "on"] = on, ["product"] = product };
        if (place is not null)
        {
            item["place"] = Sheets.Json(place);
        }

        return ("/items/" + key, item);
    }

    [Fact]
    public void A_mount_carries_the_sum_of_what_hangs_on_it_and_its_rating_is_held_against_that()
    {
        // 40 lb of display and 43.3 of soundbar are 83.3: what a mount rated for 100 bears with a fifth in hand (83.33).
        Assert.DoesNotContain("hang.overloaded", Sheets.Plan(Thing("s1", "soundbar", "m1", "43.3 lb")).Codes());
        var over = Sheets.Plan(Thing("s1", "soundbar", "m1", "43.4 lb"));
        Assert.Equal(Severity.Caution, over.Finding("hang.overloaded").Severity);
        Assert.Equal(83.4, over.Hung.Load.Pounds, 0.01);
        // What hangs on what hangs counts too, and makes the stop that nobody overrides.
        var chain = Sheets.Plan(Thing("s1", "soundbar", "m1", "43.3 lb"), Thing("x1", "device", "s1", "17 lb"));
        Assert.Equal(Severity.FinalStop, chain.Finding("hang.overloaded").Severity);
        Assert.Contains("100 lb, 0.3 lb more than the 100 lb that the mount is rated for", chain.Finding("hang.overloaded").Message.Say(LengthStyle.Inches));
        // The bolts are pulled by all of it: 8 lb more at 2 1/2 in of lever, by hand 56/48 of the pull before.
        var before = Sheets.Plan().Bolted.Bolts[0].Pull.PoundsForce;
        Assert.True(Sheets.Plan(Thing("s1", "soundbar", "m1")).Bolted.Bolts[0].Pull.PoundsForce > before * 1.1);
        // What hangs on the wall itself is no load of the mount.
        Assert.Equal(40, Sheets.Plan(Thing("s1", "soundbar", "w1", "500 lb")).Hung.Load.Pounds, 0.01);
    }

    [Theory]
    [InlineData("m1", "m1", "m1 (a mount) hangs on m1")]
    [InlineData("m1", "d1", "d1 (a display) hangs on m1 (a mount)")]
    public void A_loop_of_what_hangs_on_what_is_an_error_that_names_it(string item, string on, string words)
    {
        var (sheet, problems) = JobForm.Read(Sheets.Document(($"/items/{item}/on", on)));
        Assert.Contains(problems, p => p.Understood.Contains(words, StringComparison.Ordinal) && p.Understood.Contains("round in a loop", StringComparison.Ordinal));
        Assert.NotNull(Planner.Plan(sheet));
    }

    [Theory]
    [InlineData("/items/d1/on", "m9")]
    [InlineData("/items/m1/wall", "w9")]
    [InlineData("/walls", null)]
    public void What_names_something_that_is_gone_says_so_and_the_rest_is_planned(string path, string? value)
    {
        var (sheet, problems) = JobForm.Read(Sheets.Document((path, value)));
        Assert.NotEmpty(problems);
        Assert.All(problems, p => Assert.Contains("/items/", p.Path));
        Assert.NotNull(Planner.Plan(sheet).Next);
    }

    [Fact]
    public void Two_things_in_one_place_collide_and_a_box_in_the_wall_does_not()
    {
        const string Here = """{ "height": "40 in", "across": "90 in" }""";
        var plan = Sheets.Plan(Thing("s1", "soundbar", "w1", place: Here));
        var finding = Assert.Single(plan.Findings, f => f is { Code: "place.out-of-room", Where.Part: "s1/meets/d1" });
        // The bar reaches from 72 to 108 and 40 to 43, the display from 53 3/4 to 102 1/4 and 30 to 58.
        // 72 to 102 1/4 and 40 to 43 is both.
        Assert.Contains("overlap by 30 1/4 in sideways", finding.Message.Say(LengthStyle.Inches));
        Assert.DoesNotContain(Sheets.Plan(Thing("b1", "box", "w1", place: Here)).Findings, f => f.Code == "place.out-of-room");
        Assert.DoesNotContain(Sheets.Plan(Thing("s1", "soundbar", "w1", place: """{ "height": "26 in", "across": "90 in" }""")).Findings, f => f.Code == "place.out-of-room");
    }

    [Fact]
    public void Two_bolt_sizes_on_one_wall_are_each_asked_with_their_own()
    {
        // Good to 1/4 in: a 5/16 in lag may be 9/32 off the centre and a 1/2 in one nothing at all.
        var document = Sheets.Document();
        foreach (var stud in new[] { "a", "b", "c", "d" })
        {
            Pointer.Set(document, $"/walls/w1/studs/{stud}/uncertainty", "1/4 in");
        }

        Pointer.Set(document, "/walls/w1/width", "240 in");
        Pointer.Set(document, "/walls/w1/studs/e", Sheets.Json("""{ "centre": "150 in", "state": "confirmed", "uncertainty": "1/4 in" }"""));
        Pointer.Set(document, "/walls/w1/studs/f", Sheets.Json("""{ "centre": "166 in", "state": "confirmed", "uncertainty": "1/4 in" }"""));
        foreach (var (copy, of) in new[] { ("d2", "d1"), ("m2", "m1") })
        {
            Pointer.Set(document, "/items/" + copy, Pointer.Get(document, "/items/" + of)!.DeepClone());
        }

        Pointer.Set(document, "/items/d2/on", "m2");
        Pointer.Set(document, "/items/d2/place/across", "158 in");
        Pointer.Set(document, "/items/m2/bolt/diameter", "1/2 in");
        var plan = Sheets.Plan(document);
        Assert.All(plan.Fixing("m1")!.Bolts, b => Assert.Equal(Sheets.In("1/32"), b.Tolerance));
        Assert.All(plan.Fixing("m2")!.Bolts, b => Assert.Equal(Sheets.In("-1/4"), b.Tolerance));
        Assert.Contains(plan.Findings, f => f.Code.StartsWith("hang.", StringComparison.Ordinal) && f.Where.Part.StartsWith("m2/", StringComparison.Ordinal) && f.Stops);
        Assert.DoesNotContain(plan.Findings, f => f.Code.StartsWith("hang.", StringComparison.Ordinal) && f.Where.Part.StartsWith("m1/", StringComparison.Ordinal) && f.Stops);
    }

    [Fact]
    public void A_bolt_on_studs_that_nobody_has_confirmed_makes_one_stop_with_its_cure()
    {
        var document = Sheets.Document();
        foreach (var stud in new[] { "a", "b", "c", "d" })
        {
            Pointer.Set(document, $"/walls/w1/studs/{stud}", Sheets.Json($$"""{ "centre": "{{Pointer.Get(document, $"/walls/w1/studs/{stud}/centre")}}", "state": "found" }"""));
        }

        var plan = Sheets.Plan(document);
        var stop = Assert.Single(plan.Findings, f => f.Stops);
        Assert.Equal("survey.framing-unconfirmed", stop.Code);
        Assert.Contains("70 in found", stop.Message.Say(LengthStyle.Inches));
        Assert.Contains("86 in found", stop.Message.Say(LengthStyle.Inches));
        Assert.Contains("Probe", stop.Message.Say(LengthStyle.Inches));
        // What a hole needs is said before anybody chooses a bolt.
        Pointer.Set(document, "/items/m1/bolt", null);
        Assert.Contains("none confirmed", Sheets.Plan(document).On("w1").Single(s => s.Stage.Id == SurveyFindings.Stage).Says.Say(LengthStyle.Inches));
    }

    [Fact]
    public void Each_wall_has_its_own_tapes_and_things_and_a_bare_one_holds_nothing_up()
    {
        var document = Sheets.Document();
        Pointer.Set(document, "/walls/w2", Sheets.Json("""{ "name": "stair", "width": "100 in", "height": "96 in", "kind": "masonry", "layers": { "l": { "order": 1, "name": "plaster", "thickness": "1/2 in", "confirmed": true } }, "scan": { "by": "Ines", "with": "a scanner" } }"""));
        Pointer.Set(document, "/site/built", 1998);
        Pointer.Set(document, "/walls/w2/setOut", Sheets.Json("""{ "across": "right-corner" }"""));
        Pointer.Set(document, "/items/b1", Sheets.Json("""{ "kind": "speaker", "wall": "w2", "product": { "name": "speaker", "width": "4 in", "height": "4 in", "depth": "2 in", "mass": "1 lb" }, "place": { "height": "12 in", "across": "30 in" } }"""));
        var plan = Sheets.Plan(document);
        Assert.Equal(Sheets.Plan().Marks.Select(m => (m.Id, m.X, m.Y)), plan.Marks.Where(m => m.Wall == "w1").Select(m => (m.Id, m.X, m.Y)));
        var centre = plan.Marks.Single(m => m.Id == "b1/centre");
        Assert.Equal(("w2", "70 in left of the right corner"), (centre.Wall, PlanFile.Reads(plan, centre, LengthStyle.Inches)));
        Assert.Null(plan.Next);
        // A further wall on which nothing hangs and a mount is not needed.
        Assert.Equal(StageState.NotNeeded, plan.On("w2").Single(s => s.Stage.Id == HangingFindings.Stage).State);
    }

    [Fact]
    public void Remedies_are_in_the_job_s_own_units_and_lead_to_parts_that_there_are()
    {
        var document = Sheets.Document(("/job/units", "mm"), ("/items/d1/place/height", "60 in"), ("/walls/w1/features/x", Sheets.Json("""{ "kind": "furniture", "name": "chest", "left": "60 in", "width": "36 in", "height": "61 in" }""")));
        var changes = Sheets.Plan(document).Findings.SelectMany(f => f.Remedies).SelectMany(r => r.Changes).ToList();
        Assert.NotEmpty(changes);
        Assert.All(changes, c => Assert.NotNull(JobForm.At(c.Path, document)));
        Assert.All(changes.Where(c => c.Value is JsonValue v && v.TryGetValue<string>(out var text) && LengthReader.Read(text, UnitSystem.Millimetres, directed: true).Ok), c => Assert.EndsWith("mm", c.Value!.ToString()));
    }
}
