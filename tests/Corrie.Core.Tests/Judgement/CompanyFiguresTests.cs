using System.Text.Json.Nodes;
using Corrie.Core.Findings;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Core.Tests.Jobs;

namespace Corrie.Core.Tests.Judgement;

/// <summary>No figure of the company's takes final stops away from all its jobs: each has a floor, and what is unusual is said with who set it (own rules).</summary>
public class CompanyFiguresTests : IFindingCases
{
    public IEnumerable<(string Code, (string Path, JsonNode? Value)[] Has, (string Path, JsonNode? Value)[] Just)> Cases =>
    [
        ("plan.figure-unusual", [("/policy/keepOut", "3 15/16 in")], [("/policy/keepOut", "4 in")]),
    ];

    [Theory] // member, on the unsafe side, what counts then, just on the safe side of the floor
    [InlineData("keepOut", "0 in", "2 in", "2 in")]
    [InlineData("keepFromBuried", "0 in", "1 1/4 in", "1 1/4 in")]
    [InlineData("cableDepth", "3 in", "1 1/4 in", "1 1/4 in")]
    [InlineData("anchorFactor", 1, 3, 3)]
    [InlineData("accidentalPull", "0 lb", "15 lb", "15 lb")]
    [InlineData("vehicleFactor", 1, 2, 2)]
    [InlineData("unknownGravity", 0.7, 0.42, 0.42)]
    [InlineData("twoOver", "100 in", "65 in", "65 in")]
    [InlineData("twoOverWeight", "80 kg", "30 kg", "30 kg")]
    public void What_is_unsafe_counts_as_the_floor_and_says_so(string member, object unsafely, object floor, object just)
    {
        static JsonNode Node(object value) => value is string text ? text : JsonNode.Parse(FormattableString.Invariant($"{value}"))!;
        var (found, asFloor) = (Sheets.Plan(($"/policy/{member}", Node(unsafely))), Sheets.Plan(($"/policy/{member}", Node(floor))));
        Assert.Equal(asFloor.Sheet.Policy with { Unusual = new([]) }, found.Sheet.Policy with { Unusual = new([]) });
        Assert.Contains("counts: it is planned with", Assert.Single(found.Findings, f => f.Code == "plan.figure-unusual").Message.Say(LengthStyle.Inches));
        Assert.DoesNotContain(Sheets.Plan(($"/policy/{member}", Node(just))).Findings, f => f.Message.Say(LengthStyle.Inches).Contains("counts: it is planned with"));
    }

    [Fact]
    public void A_cable_a_quarter_inch_from_a_bolt_stays_a_final_stop_whatever_is_kept_free()
    {
        // The bolt at 70 in has a radius of 5/32; the cable begins 1/4 in beside its middle.
        (string, JsonNode?) cable = ("/walls/w1/features/x", Sheets.Json("""{ "kind": "cable", "left": "70 1/4 in", "bottom": "0 in", "width": "1/2 in", "height": "96 in" }"""));
        var plan = Sheets.Plan(cable, ("/policy", Sheets.Json("""{ "keepOut": "0 in", "keepFromBuried": "0 in", "setBy": "olive", "setOn": "2026-11-30" }""")));
        Assert.Contains(plan.Findings, f => f.Code == "survey.live-near-hole" && f.Severity == Severity.FinalStop);
        Assert.All(plan.Findings.Where(f => f.Code == "plan.figure-unusual"), f => Assert.Contains("Set by olive on 2026-11-30", f.Message.Say(LengthStyle.Inches)));
    }

    [Fact]
    public void The_figures_that_Corrie_comes_with_are_usual() => Assert.Empty(Policy.Usual.Unusual.Items);
}
