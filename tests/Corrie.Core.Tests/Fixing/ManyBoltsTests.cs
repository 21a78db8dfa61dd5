using System.Text.Json.Nodes;
using Corrie.Core.Fixing;
using Corrie.Core.SiteDay;

namespace Corrie.Core.Tests.Fixing;

/// <summary>Plates with far more bolts than anybody puts in: planned, and within what a plan may cost.</summary>
public class ManyBoltsTests
{
    [Fact]
    public void A_plate_with_a_hundred_bolts_is_planned_like_any_other()
    {
        var studs = new JsonObject(Enumerable.Range(0, 16).Select(i => KeyValuePair.Create<string, JsonNode?>($"s{i}", new JsonObject { ["centre"] = $"{10 + (i * 8)} in", ["state"] = "confirmed", ["uncertainty"] = "0 in" })));
        var rows = new JsonArray([.. Enumerable.Range(0, 8).Select(r => (JsonNode)new JsonObject { ["id"] = $"r{r}", ["aboveHook"] = $"{-2 * r} in", ["slots"] = new JsonArray(new JsonObject { ["from"] = "-60 in", ["to"] = "60 in" }) })]);
        var plan = Sheets.Plan(
            ("/walls/w1/studs", studs), ("/items/m1/product/rows", rows), ("/items/m1/product/plateWidth", "124 in"), ("/items/m1/product/plateHeight", "20 in"), ("/items/m1/product/hookUp", "18 in"),
            ("/items/m1/product/kind", "articulating"), ("/items/m1/product/depthExtended", "20 in"));
        Assert.True(plan.Bolted.Bolts.Count >= 100);
        Assert.All(plan.Bolted.Bolts, b => Assert.InRange(b.Utilisation!.Value, 0.001, 1));
        var checks = plan.Site("m1")!.Checks;
        Assert.Equal(plan.Bolted.Bolts.Count + 2, checks.Count);
        // Every mark is in one of them at least.
        Assert.Equal(plan.Bolted.Bolts.Count, checks.SelectMany(c => new[] { c.From, c.To }).Distinct().Count());
    }
}
