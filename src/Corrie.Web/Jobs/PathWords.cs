using System.Text.Json.Nodes;
using Corrie.Core.Jobs.Format;
using Corrie.Core.Measure;
using Corrie.Core.Survey;

namespace Corrie.Web.Jobs;

/// <summary>Parts of the sheet and their values in plain words, for the history and for rivals.</summary>
public static class PathWords
{
    /// <summary>What a part is called.</summary>
    public static string Name(string path, JsonObject document)
    {
        var keys = path.Split('/', StringSplitOptions.RemoveEmptyEntries);
        return keys switch
        {
            [] => "the whole sheet",
            ["placement", "height"] => "the display's height",
            ["placement", "across" or "over"] => "the display's sideways place",
            ["placement", "approval"] => "the client's consent",
            ["setOut", "across"] => "the hook of the foot tape",
            ["setOut", "up"] => "the hook of the upright tape",
            ["display"] => "the display",
            ["mount"] => "the mount",
            ["fixing", "fastener"] => "the bolt",
            ["wall", "scan"] => "the search for services",
            ["wall", "features", var id, ..] => $"{Pointer.Get(document, $"/wall/features/{id}/name")?.ToString() ?? "a feature"}{(keys.Length > 3 ? ", " + Says(path) : string.Empty)}",
            ["wall", "studs", var id, ..] => $"stud {id}{(keys.Length > 3 ? ", " + Says(path) : string.Empty)}",
            ["wall", "evidence", var id] => "evidence of framing",
            ["wall", "evidence", ..] => "evidence of framing, " + Says(path),
            ["wall", "readings", var id] => "a reading",
            ["wall", "photos", ..] => "a photo",
            ["wall", "testHoles", ..] => "a test hole",
            ["wall", "crosses", ..] => "the client's cross",
            ["wall", "layers"] => "the build-up",
            ["wall", "layers", var id, ..] => $"layer {Pointer.Get(document, $"/wall/layers/{id}/name")?.ToString() ?? id}{(keys.Length > 3 ? ", " + Says(path) : string.Empty)}",
            ["placement", "viewers", var id, ..] => $"{Pointer.Get(document, $"/placement/viewers/{id}/name")?.ToString() ?? "a seat"}{(keys.Length > 3 ? ", " + Says(path) : string.Empty)}",
            _ => Says(path),
        };
    }

    /// <summary>A value in a few words.</summary>
    /// <param name="value">The value.</param>
    /// <param name="style">The reader's units.</param>
    /// <param name="wall">The wall whose points a reading names; null leaves their keys.</param>
    public static string Value(JsonNode? value, LengthStyle style, Wall? wall = null) => value switch
    {
        null => "nothing",
        JsonValue v when v.TryGetValue<string>(out var text) =>
            LengthReader.Read(text, UnitSystem.Millimetres, directed: true) is { Ok: true } read && text.Any(char.IsLetter) ? read.Value.Show(style).ToString() : text,
        JsonObject group when group["picture"] is not null => "a photo of " + group["of"],
        JsonObject group when group["at"] is { } at && group["kind"] is { } kind => $"{kind} at {Value(at, style)}",
        JsonObject group when group["value"] is { } length && group["from"] is { } from => $"{Point(from, wall)} to {Point(group["to"], wall)} {Value(length, style)}",
        JsonObject group when group["name"] is { } name => name.ToString(),
        JsonObject group when group["by"] is { } by => "by " + by,
        JsonObject group when group["centre"] is { } centre => "at " + Value(centre, style),
        JsonObject group when group["state"] is { } state => $"{state}, where readings put it",
        JsonObject group when group["job"] is not null => "a whole sheet",
        JsonObject group => $"{group.Count} values",
        _ => value.ToJsonString(),
    };

    private static string Point(JsonNode? key, Wall? wall) => key is null ? "somewhere" : wall is null ? key.ToString() : Surveyor.Name(wall, key.ToString());

    private static string Says(string path) => SheetShape.Root.At(path)?.Says ?? path;
}
