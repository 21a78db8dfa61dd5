using System.Text.Json;
using System.Text.Json.Nodes;

namespace Corrie.Core.Jobs.Format;

/// <summary>The open job file: a job document as JSON text.</summary>
public static class JobFile
{
    /// <summary>The most characters that are read.</summary>
    public const int Longest = 2_000_000;

    private static readonly JsonSerializerOptions Indented = new()
    {
        WriteIndented = true,
        Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    /// <summary>An empty job.</summary>
    public static JsonObject New(string number, string title, string site, string units) => new()
    {
        ["format"] = SheetShape.Format,
        ["job"] = new JsonObject { ["number"] = number, ["title"] = title, ["site"] = site, ["units"] = units },
    };

    /// <summary>Reads text as a document, without looking into it.</summary>
    /// <returns>The document, or what is wrong with the text.</returns>
    public static (JsonObject? Document, SheetProblem? Problem) Parse(string text)
    {
        const string expected = "a Corrie job file, which is a JSON object with the member format";
        if (text.Length > Longest)
        {
            return (null, new(string.Empty, string.Empty, $"The file has {text.Length} characters", $"at most {Longest}"));
        }

        try
        {
            var node = JsonNode.Parse(text, documentOptions: new() { MaxDepth = 32, AllowDuplicateProperties = false });
            return node is JsonObject document
                ? (document, null)
                : (null, new(string.Empty, string.Empty, "The file is JSON, but no object", expected));
        }
        catch (JsonException e)
        {
            return (null, new(string.Empty, string.Empty, $"This is no JSON: line {e.LineNumber + 1}, character {e.BytePositionInLine + 1}", expected));
        }
    }

    /// <summary>Reads a job file.</summary>
    /// <returns>The sheet, or null where the text is no document or anything in it is wrong; and what is.</returns>
    public static (JobSheet? Sheet, IReadOnlyList<SheetProblem> Problems) Read(string text)
    {
        var (document, problem) = Parse(text);
        if (document is null)
        {
            return (null, [problem!]);
        }

        var (sheet, problems) = SheetReader.Read(document);
        return (problems.Count == 0 ? sheet : null, problems);
    }

    /// <summary>The document as text for people to read.</summary>
    public static string Write(JsonObject document) => document.ToJsonString(Indented) + "\n";
}
