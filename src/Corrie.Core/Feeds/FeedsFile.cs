using System.Text.Json.Nodes;
using Corrie.Core.Format;
using Corrie.Core.Planning;

namespace Corrie.Core.Feeds;

/// <summary>Ways and cables as the plan file has them.</summary>
internal static class FeedsFile
{
    /// <summary>The ways of a wall.</summary>
    /// <param name="routes">The ways.</param>
    /// <param name="file">The file.</param>
    /// <returns>Each by its key.</returns>
    public static JsonObject Routes(WallRoutes routes, PlanWriter file) => new(routes.All.Select(r => KeyValuePair.Create<string, JsonNode?>(r.Route.Id, new JsonObject
    {
        ["carries"] = r.Route.Power ? "power" : "signal",
        ["hole"] = file.Exact(r.Hole),
        ["taken"] = Way(r.Chosen, file),
        ["next"] = Way(r.Next, file),
        ["nailPlates"] = r.NailPlates,
        ["seals"] = r.Seals,
        ["patches"] = r.Patches,
        ["refused"] = PlanWriter.All(r.Rivals.Value.Refused, f => new JsonObject { ["why"] = f.Why.Say(file.Style), ["saves"] = PlanWriter.Number(f.Saves, 2) }),
        ["unknown"] = PlanWriter.All(r.Questions, q => new JsonObject { ["bay"] = file.Exact(q.Bay.Centre), ["from"] = file.Exact(q.From), ["to"] = file.Exact(q.To), ["more"] = PlanWriter.Number(q.More, 2) }),
    })));

    /// <summary>The cables that end at a wall.</summary>
    /// <param name="cables">The cables.</param>
    /// <param name="file">The file.</param>
    /// <returns>Each by its key.</returns>
    public static JsonObject Cables(WallCables cables, PlanWriter file) => new(cables.All.Select(c => KeyValuePair.Create<string, JsonNode?>(c.Connection.Id, new JsonObject
    {
        ["parts"] = PlanWriter.All(c.Parts, p => new JsonObject { ["says"] = p.Says, ["length"] = file.Exact(p.Length) }),
        ["way"] = file.Exact(c.Way),
        ["asked"] = file.Exact(c.Asked),
        ["buys"] = file.Exact(c.Buys),
    })));

    private static JsonObject? Way(Way? way, PlanWriter file) => way is null ? null : new JsonObject
    {
        ["cost"] = PlanWriter.Number(way.Cost, 2),
        ["minutes"] = PlanWriter.Number(way.Minutes, 1),
        ["run"] = file.Exact(way.Run),
        ["moves"] = PlanWriter.All(way.Moves, m => new JsonObject
        {
            ["kind"] = m.Kind.Word(),
            ["from"] = new JsonArray(file.Exact(m.From.X), file.Exact(m.From.Y)),
            ["to"] = new JsonArray(file.Exact(m.To.X), file.Exact(m.To.Y)),
        }),
    };
}
