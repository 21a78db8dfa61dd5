using System.Text.Json;
using System.Text.Json.Nodes;
using Corrie.Core.Format;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Core.Survey;
using Corrie.Web.Forms;

namespace Corrie.Web.Jobs;

/// <summary>Parts of the sheet and their values in plain words, for the history and for rivals: what they are called comes from their descriptions.</summary>
public static class PathWords
{
    /// <summary>What a part is called.</summary>
    /// <param name="path">The part.</param>
    /// <param name="document">The sheet as it is: a row of a list is called by what stands in it now.</param>
    /// <param name="style">The reader's units.</param>
    public static string Name(string path, JsonObject document, LengthStyle style)
    {
        if (path.Length == 0)
        {
            return "the whole sheet";
        }

        var keys = Pointer.Split(path);
        if (keys is ["walls" or "items", var key, ..] && keys.Count >= 2)
        {
            var holder = $"/{keys[0]}/{key}";
            var name = Pointer.Get(document, holder + "/name")?.ToString();
            var only = keys[0] == "walls" && document["walls"] is JsonObject { Count: 1 };
            var called = name is { Length: > 0 } ? name : keys[0] == "walls" ? "wall " + key.TrimStart('w') : Thing(Pointer.Get(document, holder + "/kind")?.ToString(), key, document);
            return keys.Count == 2 ? called : only ? Within(path, document, 2, style) : $"{called}, {Within(path, document, 2, style)}";
        }

        return Within(path, document, 0, style);
    }

    // Keys are for those who have several of a kind.
    private static string Thing(string? kind, string key, JsonObject document) =>
        kind is not null && document["items"] is JsonObject items && items.Count(i => i.Value?["kind"]?.ToString() == kind) == 1 ? Choices.Spoken(kind) : $"{Choices.Spoken(kind ?? "thing")} {key}";

    /// <summary>A value in a few words.</summary>
    /// <param name="value">The value.</param>
    /// <param name="style">The reader's units.</param>
    /// <param name="path">The part whose value it is; empty where that does not matter.</param>
    /// <param name="plan">The plan of the sheet, for the names of the points of a wall; null leaves their keys.</param>
    public static string Value(JsonNode? value, LengthStyle style, string path = "", JobPlan? plan = null) => value switch
    {
        null => "nothing",
        JsonValue when Pointer.Split(path) is ["walls", _, "setOut", _] => Point(value, path, plan, style),
        JsonValue v when v.TryGetValue<string>(out var word) && path.Length > 0 && JobForm.At(path) is IChoice => Choices.Spoken(word),
        JsonValue v when v.TryGetValue<string>(out var text) =>
            LengthReader.Read(text, UnitSystem.Millimetres, directed: true) is { Ok: true } read && text.Any(char.IsLetter)
                ? read.Value.Show(path.Length > 0 && JobForm.At(path) is LengthShape { Bare: { } bare } ? new(bare) : style).ToString() : text,
        JsonValue v when v.TryGetValue<bool>(out var yes) => yes ? "yes" : "no",
        JsonObject tick when Pointer.Split(path) is ["day", _] => (tick["asPlanned"]?.GetValueKind() == JsonValueKind.False ? "not as planned" : "done") + (tick["note"] is { } note ? $": '{note}'" : string.Empty),
        JsonObject group when group["picture"] is not null && group["step"] is not null => $"a photo{(group["says"] is { } says ? $" of '{says}'" : string.Empty)}",
        JsonObject group when group["picture"] is not null => "a photo of " + group["of"],
        JsonObject group when group["at"] is { } at && group["kind"] is { } kind => Found(group, kind.ToString(), group["to"] is { } far ? $"{Value(at, style)} to {Value(far, style)}" : Value(at, style)),
        JsonObject group when group["value"] is { } length && group["from"] is { } from => $"{Point(from, path, plan, style)} to {Point(group["to"], path, plan, style)}: {Value(length, style)}",
        JsonObject group when group["says"] is { } words => $"'{words}'",
        JsonObject group when group["on"] is { } on && group["for"] is { } what => $"{on}, {what}",
        JsonObject group when group["name"] is { } name => name.ToString(),
        JsonObject group when group["product"]?["name"] is { } product => product.ToString(),
        JsonObject group when group["kind"] is { } kind => $"a {kind}",
        JsonObject group when group["by"] is { } by => "by " + by,
        JsonObject group when group["centre"] is { } centre => "at " + Value(centre, style),
        JsonObject group when group["state"] is { } state => $"{state}, where readings put it",
        JsonObject group when group["job"] is not null => "a whole sheet",
        JsonObject group => Words.Count(group.Count, "value"),
        _ => value.ToJsonString(),
    };

    // What was found, as the buttons say it.
    private static string Found(JsonObject evidence, string kind, string at)
    {
        var bite = evidence["bite"] is JsonValue deep && LengthReader.Read(deep.ToString(), UnitSystem.Millimetres) is { Ok: true } read ? read.Value : (Length?)null;
        return kind switch
        {
            "probe-hit" when evidence["told"]?.ToString() == "metal" => $"bit at {at} brings metal chips",
            "probe-hit" when bite >= Evidence.ShallowBite => $"bit at {at} goes on biting",
            "probe-hit" when bite is not null => $"bit at {at} stops short",
            "probe-hit" => $"bit at {at} meets something",
            "probe-miss" => $"bit at {at} falls through",
            "seen" => $"member seen at {at}",
            "live" => $"live sign at {at}",
            "scanner-centre" => $"scanner at {at}{(evidence["told"] is { } told ? $", {told}" : string.Empty)}",
            _ => $"{Choices.Spoken(kind)} at {at}",
        };
    }

    // The description of the last part that has words of its own, and the name of the row that it is in.
    private static string Within(string path, JsonObject document, int from, LengthStyle style)
    {
        var keys = Pointer.Split(path);
        var words = new List<string>();
        var here = string.Concat(keys.Take(from).Select(k => "/" + k));
        var inMap = false;
        for (var i = from; i < keys.Count; i++)
        {
            here = Pointer.Join(here, keys[i]);
            var shape = JobForm.At(here, document);
            if (inMap)
            {
                words.Add(Row(shape, Pointer.Get(document, here) as JsonObject, style, i == keys.Count - 1 ? null : keys[i + 1]));
            }
            else if (i == keys.Count - 1)
            {
                words.Add(shape is null ? FieldText.Spoken(keys[i]) : shape is IMap or IGroup ? FieldText.Spoken(keys[i]) : shape.Says);
            }

            inMap = shape is IMap;
        }

        return string.Join(", ", words);
    }

    // A key tells nobody anything: a layer is called by its name, a piece of evidence by what was done, a stud by where it stands. Where that
    // is what was set, or all of the row, the value says it.
    private static string Row(Shape? shape, JsonObject? row, LengthStyle style, string? member)
    {
        var words = shape is null ? "part" : member is null ? shape.Says : One(shape.Says);
        return row?["name"]?.ToString() is { Length: > 0 } name ? name
            : member is not null && (shape as IGroup)?.Members.FirstOrDefault(m => m.Name != "state" && m.Shape is LengthShape or IChoice && row?[m.Name] is JsonValue) is { } telling && telling.Name != member
                ? $"{words}, {(telling.Shape is IChoice ? Choices.Spoken(row![telling.Name]!.ToString()) : $"{FieldText.Spoken(telling.Name)} {FieldText.Of(telling.Shape, row![telling.Name], style)}")}"
            : words;
    }

    private static string One(string? says) => says is null ? "part" : says.StartsWith("a ", StringComparison.Ordinal) ? says[2..] : says;

    private static string Point(JsonNode? key, string path, JobPlan? plan, LengthStyle style) => key is null ? "somewhere"
        : plan is not null && Pointer.Split(path) is ["walls", var wall, ..] && plan.Survey(wall) is { } surveyed ? Surveyor.Name(surveyed.Wall, key.ToString()).Say(style)
        : key.ToString();
}
