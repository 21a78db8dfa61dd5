using System.Text.Json.Nodes;
using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Jobs;
using Corrie.Core.Planning;

namespace Corrie.Core.Tests.Jobs;

/// <summary>What cannot be read is left out of the plan, and the plan says so in every form: it is a finding.</summary>
public class LeftOutTests
{
    [Theory]
    [InlineData("/walls/w1/features/f1/left", null, "walls/w1/features/f1", "stove", Severity.Stop)]
    [InlineData("/walls/w1/features/f1/kind", "\"wormhole\"", "walls/w1/features/f1", "stove", Severity.Stop)]
    [InlineData("/walls/w1/layers/l1/thickness", "\"thick\"", "walls/w1/layers/l1", "cobble facing", Severity.Stop)]
    [InlineData("/items/d1/kind", "7", "items/d1", "things", Severity.Stop)]
    [InlineData("/items/d1/product/mass", "\"heavy\"", "items/d1/product", "Living display", Severity.Stop)]
    [InlineData("/policy", "{ \"anchorFactor\": \"many\" }", "policy/anchorFactor", "anchor", Severity.Stop)]
    [InlineData("/job/title", "7", "job/title", "what the crew calls it", Severity.Caution)]
    public void A_part_that_cannot_be_read_is_named_with_what_goes_with_it(string path, string? value, string part, string named, Severity least)
    {
        var document = Chimney();
        Assert.DoesNotContain(Plan(document).Findings, f => f.Code == "plan.left-out");
        Pointer.Set(document, path, value is null ? null : JsonNode.Parse(value));
        var plan = Plan(document);
        var said = Assert.Single(plan.Findings, f => f.Code == "plan.left-out");
        Assert.Equal((part, least), (said.Where.Part, said.Severity));
        var words = said.Message.Say(Corrie.Core.Measure.LengthStyle.Inches);
        Assert.Contains(named, words);
        Assert.Contains("Expected:", words);
        Assert.Contains(plan.Statuses, s => s.Stage.Id.Word == "plan" && (least == Severity.Caution || s.State == StageState.Stopped));
        Assert.Contains("plan.left-out", PlanFile.Write(plan, Corrie.Core.Measure.LengthStyle.Inches, document).ToJsonString());
    }

    private static JobPlan Plan(JsonObject document) => Planner.Plan(JobForm.Read(document).Sheet);

    private static JsonObject Chimney() => JobFile.Parse(File.ReadAllText(Repository.File("src/Corrie.Web/Demo/stove-lounge.json"))).Document!;
}
