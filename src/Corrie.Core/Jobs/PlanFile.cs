using System.Text.Json.Nodes;
using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Core.Jobs;

/// <summary>A plan as JSON: marks with readings from every datum, results by wall and by thing, findings. Lengths are exact text with their unit.</summary>
public static class PlanFile
{
    /// <summary>The value of the member <c>format</c>.</summary>
    public const string Format = Family + "2";

    /// <summary>What the value of <c>format</c> begins with in every version of the plan file.</summary>
    internal const string Family = "corrie-plan/";

    /// <summary>The plan as a JSON object.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="style">How lengths inside sentences are shown; other lengths are exact, in the style's units.</param>
    /// <param name="document">The job's document: remedies are planned with it before they are written.</param>
    /// <returns>The object.</returns>
    public static JsonObject Write(JobPlan plan, LengthStyle style, JsonObject document)
    {
        var file = new PlanWriter(style);
        foreach (var stage in Stages.All)
        {
            stage.Write(plan, file);
        }

        return new()
        {
            ["format"] = Format,
            ["job"] = new JsonObject { ["number"] = plan.Sheet.Head.Number, ["title"] = plan.Sheet.Head.Title },
            ["stages"] = PlanWriter.All(plan.Statuses, s => new JsonObject
            {
                ["stage"] = s.Stage.Id.Word,
                ["wall"] = s.Wall,
                ["state"] = s.State.Word(),
                ["says"] = s.Says.Say(style),
                ["stops"] = s.Stops,
                ["cautions"] = s.Cautions,
            }),
            ["marks"] = PlanWriter.All(plan.Marks, m => MarkOf(plan, m, file)),
            ["walls"] = file.Walls,
            ["items"] = file.Items,
            ["findings"] = PlanWriter.All(plan.Findings, f => new JsonObject
            {
                ["code"] = f.Code,
                ["severity"] = FindingCatalogue.Letter(f.Severity),
                ["wall"] = f.Where.Wall,
                ["part"] = f.Where.Part,
                ["x"] = file.Exact(f.Where.X),
                ["y"] = file.Exact(f.Where.Y),
                ["title"] = f.Kind.Title,
                ["message"] = f.Message.Say(style),
                ["parts"] = new JsonArray([.. f.Parts.Select(p => (JsonNode)p.Say(style))]),
                ["why"] = f.Kind.Why,
                ["source"] = f.Kind.Source.ToString(),
                ["override"] = f.Overridden is { } o ? new JsonObject { ["by"] = o.By, ["role"] = o.Role, ["reason"] = o.Reason } : null,
                ["untried"] = RemedyProof.Untried(document, plan, f),
                ["remedies"] = PlanWriter.All(RemedyProof.Proven(document, plan, f), r => new JsonObject
                {
                    ["label"] = r.Label.Say(style),
                    ["effect"] = r.Effect.Say(style),
                    ["changes"] = PlanWriter.All(r.Changes, c => new JsonObject { ["path"] = c.Path, ["value"] = c.Value?.DeepClone() }),
                }),
            }),
        };
    }

    /// <summary>What a mark reads on its wall's tapes, as a page shows it: from the datums on which they are hooked, rounded once.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="mark">A mark of it.</param>
    /// <param name="style">The reader's units.</param>
    /// <returns>The readings with commas between.</returns>
    public static string Reads(JobPlan plan, Mark mark, LengthStyle style)
    {
        var tapes = plan.Tapes(mark.Wall);
        string? Read(Datum? datum, Length? at, string back, string on) => datum is null || at is null ? null
            : $"{datum.Read(at.Value).Distance.Show(style)} {(datum.Read(at.Value).Back ? back : on)} the {datum.Name}";
        return string.Join(", ", new[] { Read(tapes?.Across, mark.X, "left of", "right of"), Read(tapes?.Up, mark.Y, "below", "above") }.Where(r => r is not null));
    }

    private static JsonObject MarkOf(JobPlan plan, Mark mark, PlanWriter file)
    {
        JsonObject Readings(Axis axis, Length at) => new((plan.Tapes(mark.Wall)?.Datums ?? []).Where(d => d.Axis == axis).Select(d =>
        {
            var reading = d.Read(at);
            var side = axis == Axis.Across ? (reading.Back ? "left" : "right") : reading.Back ? "down" : "up";
            return KeyValuePair.Create<string, JsonNode?>(d.Id, $"{file.Exact(reading.Distance)} {side}");
        }));
        return new()
        {
            ["id"] = mark.Id,
            ["wall"] = mark.Wall,
            ["item"] = mark.Item,
            ["phase"] = mark.Phase.Word(),
            ["name"] = mark.Name,
            ["how"] = mark.How.Say(file.Style),
            ["reads"] = Reads(plan, mark, file.Style),
            ["across"] = mark.X is { } x ? Readings(Axis.Across, x) : null,
            ["up"] = mark.Y is { } y ? Readings(Axis.Up, y) : null,
        };
    }
}
