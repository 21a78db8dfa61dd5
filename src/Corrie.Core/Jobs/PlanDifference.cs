using System.Text.Json;
using System.Text.Json.Nodes;
using Corrie.Core.Format;

namespace Corrie.Core.Jobs;

/// <summary>Says in words what differs between two plans, both in the form of the plan file.</summary>
public static class PlanDifference
{
    /// <summary>What differs.</summary>
    /// <param name="before">A plan file.</param>
    /// <param name="after">Another.</param>
    /// <returns>A sentence for each difference, marks first, then results, then findings; none where the plans are the same.</returns>
    public static IReadOnlyList<string> Say(JsonObject before, JsonObject after)
    {
        var words = new List<string>();
        Keyed(words, "mark", List(before, "marks"), List(after, "marks"), m => Text(m, "id"), (key, old, now) =>
        {
            if (Text(old, "reads") != Text(now, "reads"))
            {
                words.Add($"Mark {key}, {Text(now, "name")}: {Text(old, "reads")} is now {Text(now, "reads")}.");
            }
            else if (!JsonNode.DeepEquals(old["across"], now["across"]) || !JsonNode.DeepEquals(old["up"], now["up"]))
            {
                words.Add($"Mark {key}, {Text(now, "name")}: reads the same, but not from every datum.");
            }
        });
        foreach (var part in new[] { "walls", "items" })
        {
            Values(words, part, before[part], after[part]);
        }

        Keyed(words, "finding", List(before, "findings"), List(after, "findings"), f => $"{Text(f, "code")} at {Text(f, "part")}", (key, old, now) =>
        {
            if (Text(old, "severity") != Text(now, "severity"))
            {
                words.Add($"Finding {key}: {Text(old, "severity")} is now {Text(now, "severity")}.");
            }
            else if (Text(old, "message") != Text(now, "message"))
            {
                words.Add($"Finding {key} says '{Text(now, "message")}' instead of '{Text(old, "message")}'.");
            }
        });
        return words;
    }

    private static List<JsonObject> List(JsonObject plan, string name) => [.. (plan[name] as JsonArray ?? []).OfType<JsonObject>()];

    private static string Text(JsonObject from, string name) => from[name]?.ToString() ?? string.Empty;

    private static void Keyed(List<string> words, string what, List<JsonObject> before, List<JsonObject> after, Func<JsonObject, string> key, Action<string, JsonObject, JsonObject> compare)
    {
        var (old, now) = (before.GroupBy(key).ToDictionary(g => g.Key, g => g.First()), after.GroupBy(key).ToDictionary(g => g.Key, g => g.First()));
        var title = char.ToUpperInvariant(what[0]) + what[1..];
        words.AddRange(old.Where(o => !now.ContainsKey(o.Key)).Select(o => $"{title} {o.Key} is gone: {Text(o.Value, o.Value.ContainsKey("message") ? "message" : "reads")}"));
        foreach (var (id, value) in now)
        {
            if (old.TryGetValue(id, out var was))
            {
                compare(id, was, value);
            }
            else
            {
                words.Add($"{title} {id} is new: {Text(value, value.ContainsKey("message") ? "message" : "reads")}");
            }
        }
    }

    private static void Values(List<string> words, string path, JsonNode? before, JsonNode? after)
    {
        if (JsonNode.DeepEquals(before, after))
        {
            return;
        }

        if (before is JsonObject old && after is JsonObject now)
        {
            foreach (var key in old.Select(p => p.Key).Union(now.Select(p => p.Key)))
            {
                Values(words, $"{path}/{key}", old[key], now[key]);
            }
        }
        else if (before is JsonArray first && after is JsonArray second && first.Count == second.Count)
        {
            for (var i = 0; i < first.Count; i++)
            {
                Values(words, $"{path}/{i + 1}", first[i], second[i]);
            }
        }
        else
        {
            words.Add($"{Choices.Spoken(path)}: {Short(before)} is now {Short(after)}.");
        }
    }

    private static string Short(JsonNode? node) => node switch
    {
        null => "nothing",
        JsonArray list => $"{list.Count} values",
        JsonValue value when value.GetValueKind() == JsonValueKind.String => value.GetValue<string>(),
        _ => node.ToJsonString() is { Length: > 60 } text ? text[..57] + "..." : node.ToJsonString(),
    };
}
