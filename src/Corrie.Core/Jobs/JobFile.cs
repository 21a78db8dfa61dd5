using System.Text.Json;
using System.Text.Json.Nodes;
using Corrie.Core.Format;
using Corrie.Core.Planning;

namespace Corrie.Core.Jobs;

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

    /// <summary>A new job with one wall that is not measured yet.</summary>
    /// <param name="number">The company's number; may be empty.</param>
    /// <param name="title">What the crew calls it.</param>
    /// <param name="site">Where it is; may be empty.</param>
    /// <param name="units">The job's units: <c>in</c> or <c>mm</c>.</param>
    /// <returns>The document.</returns>
    public static JsonObject New(string number, string title, string site, string units) => new()
    {
        ["format"] = JobForm.Format,
        ["job"] = new JsonObject { ["number"] = number, ["title"] = title, ["site"] = site, ["units"] = units },
        ["walls"] = new JsonObject { ["w1"] = new JsonObject() },
    };

    /// <summary>Reads text as a document, without looking into it.</summary>
    /// <param name="text">The text.</param>
    /// <returns>The document, or what is wrong with the text; a file of an earlier form is sent to be upgraded.</returns>
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
            return !WholeText.Is(node) ? (null, new(string.Empty, string.Empty, "A text in it holds half of a character, or a member is there twice", expected))
                : node is not JsonObject document ? (null, new(string.Empty, string.Empty, "The file is JSON, but not an object", expected))
                : document["format"] is JsonValue format && format.ToString().StartsWith(PlanFile.Family, StringComparison.Ordinal) ? (null, new("/format", format.ToString(), "This is a plan, which is worked out of a job", "the job's own file, which its page and corrie save as JSON"))
                : Upgrade.Needs(document) is { } old ? (null, old)
                : (document, null);
        }
        catch (JsonException e)
        {
            return (null, new(string.Empty, string.Empty, Seems(text) is { } other ? $"This seems to be {other}" : $"This is not valid JSON: line {e.LineNumber + 1}, character {e.BytePositionInLine + 1}", expected));
        }
    }

    // By how files of a kind begin (their published forms, from memory); what is no text has been read as text, byte by byte as far as it went.
    private static string? Seems(string text)
    {
        var start = text.AsSpan(0, Math.Min(text.Length, 400)).TrimStart();
        return start.Length == 0 ? "an empty file"
            : start.StartsWith("%PDF") ? "a PDF, such as a printed sheet"
            : start.StartsWith("SQLite format") ? "a company's whole file, which the server keeps and nobody imports"
            : start.StartsWith("PK") ? "an archive: a backup, or a document or table of an office program"
            : start.Contains("JFIF", StringComparison.Ordinal) || start.Contains("Exif", StringComparison.Ordinal) || start.Contains("PNG\r", StringComparison.Ordinal) || start.Contains("WEBP", StringComparison.Ordinal) ? "a picture; photos are pinned to a wall, in its survey"
            : start.Contains("ftyp", StringComparison.Ordinal) ? "a picture or film of a phone"
            : start[0] == '<' ? "a page or drawing (XML or HTML)"
            : start[0] is not ('{' or '[') && start.IndexOfAny(',', ';', '\t') >= 0 && start.Contains('\n') ? "a table"
            : null;
    }

    /// <summary>Reads a job file.</summary>
    /// <param name="text">The text.</param>
    /// <returns>The sheet, or null where the text is no document or anything in it is wrong; and what is.</returns>
    public static (JobSheet? Sheet, IReadOnlyList<SheetProblem> Problems) Read(string text)
    {
        var (document, problem) = Parse(text);
        if (document is null)
        {
            return (null, [problem!]);
        }

        var (sheet, problems) = JobForm.Read(document);
        return (problems.Count == 0 ? sheet : null, problems);
    }

    /// <summary>The document as text for people to read.</summary>
    /// <param name="document">A document.</param>
    /// <returns>The text, with a line break at its end.</returns>
    public static string Write(JsonObject document) => document.ToJsonString(Indented) + "\n";
}
