using System.Text.Json.Nodes;
using Corrie.Core.Findings;
using Corrie.Core.Jobs;
using Corrie.Core.Planning;
using Corrie.Core.SiteDay;
using Corrie.Core.Tests.Feeds;
using Corrie.Core.Tests.Jobs;

namespace Corrie.Core.Tests.SiteDay;

/// <summary>The day as a whole: its records, what they find, and the steps that are made from a plan.</summary>
public class DayTests : IFindingCases
{
    private static readonly (string, JsonNode?) Hangs = ("/items/m1/built/hung", Sheets.Json("""{ "by": "Tom" }"""));

    private static readonly (string, JsonNode?) Tested = ("/items/d1/receipt", Sheets.Json("""{ "opened": true, "works": true, "by": "Tom" }"""));

    /// <inheritdoc/>
    public IEnumerable<(string Code, (string Path, JsonNode? Value)[] Has, (string Path, JsonNode? Value)[] Just)> Cases =>
    [
        // By the company's figures a display of 25 kg and over always takes two.
        ("site.lift", [("/items/d1/product/mass", "60 lb"), Visit("Tom")], [("/items/d1/product/mass", "60 lb"), Visit("Tom", "Ines")]),
        ("site.earlier-install", [("/items/m1/earlier", Sheets.Json("""{ "held": "in-members", "moves": false }"""))], [("/items/m1/earlier", Sheets.Json("""{ "held": "in-members", "moves": false, "by": "Tom" }"""))]),
        ("site.not-tested-on-receipt", [Hangs], [Hangs, Tested]),
        ("site.parts-missing", [("/items/m1/receipt/missing", "the washers")], [("/items/m1/receipt/missing", " ")]),
        ("site.order", [.. FeedsTests.Fed, Done("close-w1")], [.. FeedsTests.Fed, Photographed("photo-w1"), Done("close-w1")]),
        ("site.change-not-approved", [Change("approved", " - ")], [Change("approved", "Ed Warden")]),
        // Filler of three in the afternoon that takes a day is not dry at eight; what takes 17 hours is.
        ("site.dry-time", [Dries("2026-12-01 15:00", 24), Works("2026-12-02")], [Dries("2026-12-01 15:00", 17), Works("2026-12-02")]),
        ("site.incident-open", [Incident("none")], [Incident("the display was powered up and looked over")]),
    ];

    [Fact]
    public void A_day_has_its_steps_in_order_and_each_waits_for_its_hold_point()
    {
        var plan = Sheets.Plan(FeedsTests.Fed);
        var steps = DaySteps.Of(plan);
        Assert.Equal(steps.Count, steps.Select(s => s.Id).Distinct().Count());
        // Receipt before the wall, mains dead before a box, the photo before it is closed, the pull before it hangs, the client last.
        string[] order = ["receipt-d1", "isolate-c1", "arms-m1", "cut-b3", "wire-b3", "drill", "photo-w1", "close-w1", "m1-proof", "m1-hang", "torque-m1", "clean", "sign"];
        var places = order.Where(o => steps.Any(s => s.Id == o)).Select(o => steps.ToList().FindIndex(s => s.Id == o)).ToList();
        Assert.Equal(12, places.Count);
        Assert.Equal(places.Order(), places);
        Assert.Equal(DayRole.Electrician, Step(steps, "wire-b3").Who);

        // Nothing is cut before somebody has looked, and no mains box before the circuit is dead.
        Assert.Equal("isolate-c1", DaySteps.WaitsFor(steps, Step(steps, "wire-b3"))?.Id);
        var dead = DaySteps.Of(Sheets.Plan([.. FeedsTests.Fed, ("/electrics/isolations/i", Sheets.Json("""{ "circuit": "c1", "by": "Pat", "licence": "E-7", "off": true, "locked": true, "tester": "two-pole", "on": "4 May, 9:10" }"""))]));
        Assert.Null(DaySteps.WaitsFor(dead, Step(dead, "wire-b3")));
        Assert.Equal("photo-w1", DaySteps.WaitsFor(dead, Step(dead, "close-w1"))?.Id);
        // A tick is no photo.
        var ticked = DaySteps.Of(Sheets.Plan([.. FeedsTests.Fed, Done("photo-w1")]));
        Assert.Equal("photo-w1", DaySteps.WaitsFor(ticked, Step(ticked, "close-w1"))?.Id);
        var photographed = DaySteps.Of(Sheets.Plan([.. FeedsTests.Fed, Photographed("photo-w1")]));
        Assert.Null(DaySteps.WaitsFor(photographed, Step(photographed, "close-w1")));
    }

    [Fact]
    public void What_was_signed_and_what_dries_count_for_what_they_say()
    {
        bool Has(string code, params (string, JsonNode?)[] values) => Sheets.Plan([.. FeedsTests.Fed, .. values]).Findings.Any(f => f.Code == code);
        // A signature is for the words, hours and price that stood there, and for no others.
        Assert.True(Has("site.change-not-approved", Signed("1.5", "A hidden pipe is moved / 1 h / 80.00")));
        Assert.False(Has("site.change-not-approved", Signed("1.5", "A hidden pipe is moved / 1.5 h / 80.00")));
        // A time that nobody understands is asked for; a day without one counts to its end; a visit before the filler went on has nothing to do with it.
        Assert.True(Has("site.dry-time", Dries("yesterday", 24)));
        Assert.True(Has("site.dry-time", Dries("2026-12-01 15:00", 1), Works("Tuesday")));
        Assert.True(Has("site.dry-time", Dries("2026-12-01", 9), Works("2026-12-02")));
        Assert.False(Has("site.dry-time", Dries("2026-12-01", 7), Works("2026-12-02")));
        Assert.False(Has("site.dry-time", Dries("2026-12-01 15:00", 90), Works("2026-11-30")));
    }

    [Theory]
    [InlineData("M10 10 L20 20 L30 10 L40 20 L50 10 L60 20 L70 10 L80 20", 1)]
    [InlineData("M10 10 L20 20 L30 10 L40 20 M50 10 L60 20 L70 10 L400 150", 2)]
    // A dot, a place outside, a stroke that begins nowhere, half a point, and what is no drawing at all.
    [InlineData("M10 10 L11 11", 0)]
    [InlineData("M10 10 L20 20 L30 10 L40 20 M50 10 L60 20 L70 10 L401 150", 0)]
    [InlineData("L10 10 L20 20 L30 10 L40 20 L50 10 L60 20 L70 10 L80 20", 0)]
    [InlineData("M10 10 L20 20 L30 10 L40 20 L50 10 L60 20 L70 10 L80", 0)]
    [InlineData("M10 10 L-2 20 L30 10 L40 20 L50 10 L60 20 L70 10 L80 20", 0)]
    [InlineData("A. Warden", 0)]
    [InlineData("", 0)]
    public void A_drawn_signature_is_strokes_within_its_field(string text, int strokes) => Assert.Equal(strokes, DrawnSignature.Read(text)?.Count ?? 0);

    [Fact]
    public void A_tick_is_read_back_as_done_whatever_it_ticks()
    {
        // One after the other, in the order of the day; where a tick is not enough nothing is ticked.
        var document = Sheets.Document(FeedsTests.Fed);
        var plan = Planner.Plan(JobForm.Read(document).Sheet);
        var ticked = DaySteps.Of(plan).Where(s => s.Field is null && !s.ByPhoto && s.Measures.Length == 0 && (s.Evidence is null || s.Writes.Count > 0)).ToList();
        Assert.True(ticked.Count > 12, $"{ticked.Count}");
        foreach (var step in ticked)
        {
            foreach (var change in DaySteps.Tick(step, "Tom", "as it should", true))
            {
                Corrie.Core.Format.Pointer.Set(document, change.Path, change.Value);
            }

            var (sheet, problems) = JobForm.Read(document);
            Assert.Empty(problems);
            var now = DaySteps.Of(Planner.Plan(sheet)).Single(s => s.Id == step.Id);
            Assert.True(now.Done && now.By == "Tom", step.Id);
        }

        // What went otherwise is on record, and nothing else is claimed with it.
        Assert.DoesNotContain(DaySteps.Tick(ticked.First(s => s.Id == "receipt-d1"), "Tom", "the screen is cracked", false), c => c.Path.EndsWith("works", StringComparison.Ordinal));
    }

    [Fact]
    public void Every_demo_job_has_a_day()
    {
        foreach (var file in Directory.GetFiles(Repository.File("src/Corrie.Web/Demo"), "*.json"))
        {
            if (JsonNode.Parse(File.ReadAllText(file)) is not JsonObject job || job["walls"] is null)
            {
                continue;
            }

            var plan = Planner.Plan(JobForm.Read(job).Sheet);
            var steps = DaySteps.Of(plan);
            Assert.Equal(plan.Sheet.Items.Any(i => FieldSteps.Of(plan, i.Id).Count > 0), steps.Any(s => s.Field is not null));
            Assert.All(steps, s => Assert.True(s is { Minutes: > 0, People: > 0 } && s.Does.Say(Corrie.Core.Measure.LengthStyle.Inches).EndsWith('.'), s.Does.Say(Corrie.Core.Measure.LengthStyle.Inches)));
            // A hold point that guards something has something after it to guard.
            Assert.All(steps.Select((s, i) => (s, i)).Where(s => s.s.Guards.Count > 0), s => Assert.Contains(steps.Skip(s.i + 1), o => s.s.Guards.Contains(o.Phase)));
        }
    }

    private static DayStep Step(IReadOnlyList<DayStep> steps, string id) => steps.Single(s => s.Id == id);

    private static (string, JsonNode?) Visit(params string[] people) => ("/visits/v", new JsonObject { ["on"] = "2026-11-27", ["people"] = new JsonArray([.. people.Select(p => (JsonNode?)p)]) });

    private static (string, JsonNode?) Dries(string since, double hours) => ("/walls/w1/drying/f", new JsonObject { ["kind"] = "filler", ["since"] = since, ["hours"] = hours });

    private static (string, JsonNode?) Works(string on) => ("/visits/w", new JsonObject { ["on"] = on, ["for"] = "electrician" });

    private static (string, JsonNode?) Photographed(string step) => ("/pictures/p1", new JsonObject { ["step"] = step, ["picture"] = new string('a', 64), ["by"] = "Tom" });

    private static (string, JsonNode?) Signed(string hours, string signedFor) => ("/changeOrders/c1", new JsonObject { ["says"] = "A hidden pipe is moved", ["hours"] = double.Parse(hours, System.Globalization.CultureInfo.InvariantCulture), ["price"] = 80, ["state"] = "approved", ["signed"] = "Ed Warden", ["signedFor"] = signedFor, ["begun"] = true });

    private static (string, JsonNode?) Done(string step) => ("/day/" + step, new JsonObject { ["by"] = "Tom" });

    private static (string, JsonNode?) Change(string state, string signed) => ("/changeOrders/c", new JsonObject { ["says"] = "a second outlet", ["hours"] = 1.5, ["state"] = state, ["signed"] = signed, ["begun"] = true });

    private static (string, JsonNode?) Incident(string looked) => ("/incidents/i", new JsonObject { ["kind"] = "drop", ["says"] = "the display slid off the table", ["cause"] = "no padding", ["checked"] = looked, ["by"] = "Tom" });
}
