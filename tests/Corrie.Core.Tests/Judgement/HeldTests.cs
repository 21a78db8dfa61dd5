using System.Text.Json.Nodes;
using Corrie.Core.Findings;
using Corrie.Core.Hanging;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;
using Corrie.Core.Tests.Jobs;

namespace Corrie.Core.Tests.Judgement;

/// <summary>What has weight and no planned fixing is not held, and nobody calls it clear (own rule for 1 and 10 lb; a margin of 20 % on what holds is common practice).</summary>
public class HeldTests : IFindingCases
{
    public IEnumerable<(string Code, (string Path, JsonNode? Value)[] Has, (string Path, JsonNode? Value)[] Just)> Cases =>
    [
        ("hang.not-held", [Hangs("speaker", "1.1 lb")], [Hangs("speaker", "1 lb")]),
    ];

    [Theory]
    [InlineData("screen", "55 lb", Severity.FinalStop)]
    [InlineData("speaker", "28 lb", Severity.FinalStop)]
    [InlineData("board", "50 lb", Severity.FinalStop)]
    [InlineData("soundbar", "10 lb", Severity.FinalStop)]
    [InlineData("soundbar", "9.9 lb", Severity.Stop)]
    public void What_hangs_on_nothing_stops(string kind, string mass, Severity severity)
    {
        var plan = Sheets.Plan(Hangs(kind, mass));
        Assert.Equal(severity, plan.Finding("hang.not-held").Severity);
        Assert.Equal(StageState.Stopped, plan.Statuses.Single(s => s.Stage.Id == HangingFindings.Stage).State);
    }

    [Theory]
    [InlineData("""{ "by": "stands", "on": "c" }""", true)]
    [InlineData("""{ "by": "stands", "on": "gone" }""", false)]
    [InlineData("""{ "by": "stands" }""", false)]
    [InlineData("""{ "by": "own", "number": 2, "rated": "34 lb", "who": "the maker's sheet" }""", true)]
    [InlineData("""{ "by": "own", "number": 2, "rated": "33 lb", "who": "the maker's sheet" }""", false)] // 28 lb and a fifth
    [InlineData("""{ "by": "own", "number": 2, "rated": "34 lb", "who": " " }""", false)]
    [InlineData("""{ "by": "own", "rated": "34 lb", "who": "the maker's sheet" }""", false)]
    [InlineData("""{ "by": "lies" }""", true)]
    [InlineData("""{ "by": "others", "who": "the builder", "how": "bolted to the beam", "day": "2026-12-08" }""", true)]
    [InlineData("""{ "by": "others", "who": "the builder", "day": "2026-12-08" }""", false)]
    [InlineData("""{ }""", false)]
    public void Who_says_how_it_is_held_has_said_all_of_it(string held, bool enough)
    {
        (string, JsonNode?) chest = ("/walls/w1/features/c", Sheets.Json("""{ "kind": "furniture", "left": "120 in", "width": "30 in", "height": "20 in", "depth": "16 in" }"""));
        Assert.Equal(!enough, Sheets.Plan(Hangs("speaker", "28 lb"), chest, ("/items/x/held", Sheets.Json(held))).Codes().Contains("hang.not-held"));
    }

    [Fact]
    public void A_bar_on_the_mount_asks_for_no_height_and_hangs_under_its_display()
    {
        (string, JsonNode?) bar = ("/items/b1", Sheets.Json("""{ "kind": "soundbar", "on": "m1", "product": { "name": "a bar", "width": "30 in", "height": "3 in", "depth": "3 in", "mass": "6 lb" } }"""));
        var plan = Sheets.Plan(bar);
        // The display's foot is at 30 in, its middle at 78.
        Assert.Equal((Sheets.In("29 1/2 in"), Sheets.In("78 in")), (plan.Placement("b1")!.Outer.Top, plan.Placement("b1")!.Outer.CentreX));
        Assert.DoesNotContain(plan.Statuses, s => s.State == StageState.Open);
        Assert.DoesNotContain("hang.not-held", plan.Codes());
        // It goes along with the display.
        Assert.Equal(Sheets.In("27 1/2 in"), Sheets.Plan(bar, ("/items/d1/place/height", "28 in")).Placement("b1")!.Outer.Top);
    }

    [Fact]
    public void Centred_on_its_display_is_no_reference_that_is_gone()
    {
        (string, JsonNode?) bar = ("/items/b1", Sheets.Json("""{ "kind": "soundbar", "wall": "w1", "product": { "name": "a bar", "width": "30 in", "height": "3 in", "depth": "3 in", "mass": "1 lb" }, "place": { "given": "top", "height": "27 in", "over": "d1" } }"""));
        var plan = Sheets.Plan(bar);
        Assert.Equal(Sheets.In("78 in"), plan.Placement("b1")!.Outer.CentreX);
        Assert.DoesNotContain("plan.item-lost", plan.Codes());
        Assert.Contains("centre of the a display", plan.Marks.Single(m => m.Id == "b1/centre").How.Say(LengthStyle.Inches));
        Assert.Contains("plan.item-lost", Sheets.Plan(bar, ("/items/b1/place/over", "d9")).Codes());
    }

    private static (string, JsonNode?) Hangs(string kind, string mass) => ("/items/x", Sheets.Json($$"""{ "kind": "{{kind}}", "wall": "w1", "product": { "name": "a thing", "width": "20 in", "height": "10 in", "depth": "4 in", "mass": "{{mass}}" }, "place": { "given": "bottom", "height": "20 in", "across": "135 in" } }"""));
}
