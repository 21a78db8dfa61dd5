using System.Text.Json.Nodes;
using Corrie.Core.Findings;
using Corrie.Core.Jobs.Format;
using Corrie.Core.Measure;
using Corrie.Core.Survey;
using Microsoft.AspNetCore.Mvc;

namespace Corrie.Web.Pages.Wall;

/// <content>What is measured and found on the wall, as it was typed or tapped.</content>
public sealed partial class IndexModel
{
    /// <summary>What was typed as a reading, kept when it was not understood.</summary>
    public const string ReadingLine = "/wall/readings/new/line";

    /// <summary>Takes a reading typed in one line; a reading to a new stud puts the stud on the sheet with it.</summary>
    public async Task<IActionResult> OnPostMeasureAsync(string? line, string? face)
    {
        if (Sheet.Wall is not { } wall)
        {
            return Refuse(ReadingLine, line ?? string.Empty, "The wall has no size yet. Expected: its width and height first.");
        }

        var read = QuickReading.Read(line, wall, Style.System);
        if (!read.Ok)
        {
            return Refuse(ReadingLine, line ?? string.Empty, read.Problem!.ToString());
        }

        var key = Key();
        var (from, to, value) = read.Value;
        var changes = new List<Change>();
        if (to == TypedReading.NewStud)
        {
            to = "studs/s" + key;
            changes.Add(new("/wall/studs/s" + key, new JsonObject { ["state"] = "found" }));
        }

        changes.Add(new("/wall/readings/r" + key, OnFace(face, new JsonObject
        {
            ["from"] = from,
            ["to"] = to,
            ["value"] = Exact(value),
            ["by"] = reader.Name,
        })));
        return await Append(changes);
    }

    /// <summary>What was typed as evidence, kept when it was not understood.</summary>
    public const string EvidenceLine = "/wall/evidence/new/line";

    /// <summary>Takes evidence of framing typed in one line.</summary>
    public async Task<IActionResult> OnPostEvidenceAsync(string? line, string? face)
    {
        if (Sheet.Wall is not { } wall)
        {
            return Refuse(EvidenceLine, line ?? string.Empty, "The wall has no size yet. Expected: its width and height first.");
        }

        var read = QuickEvidence.Read(line, wall, Style.System);
        return read.Ok ? await Found(read.Value, face) : Refuse(EvidenceLine, line ?? string.Empty, read.Problem!.ToString());
    }

    /// <summary>Takes evidence where somebody has tapped on the wall; both in 1/640 mm, from the left corner and over the floor.</summary>
    public Task<IActionResult> OnPostTapAsync(string? tool, long across, long up)
    {
        if (Sheet.Wall is not { } wall || tool is null || !QuickEvidence.Words.TryGetValue(tool.Replace("level-", string.Empty, StringComparison.Ordinal), out var kind))
        {
            return Task.FromResult<IActionResult>(BadRequest());
        }

        var (x, y) = (Length.FromUnits(Math.Clamp(across, 0, wall.Width.Units)), Length.FromUnits(Math.Clamp(up, 0, wall.Height.Units)));
        var level = tool.StartsWith("level-", StringComparison.Ordinal);
        return Found(new(kind.Kind, level ? Axis.Up : Axis.Across, null, level ? y : x, null, level ? x : y, kind.Told), null);
    }

    /// <summary>Takes the answer to a probe that the planner proposed.</summary>
    public Task<IActionResult> OnPostProbedAsync(string? axis, long at, long? beside, bool hit)
    {
        var up = axis == "up";
        var most = (Sheet.Wall is { } wall ? up ? wall.Height : wall.Width : Length.Zero).Units;
        return at < 0 || at > most
            ? Task.FromResult<IActionResult>(BadRequest())
            : Found(new(hit ? EvidenceKind.ProbeHit : EvidenceKind.ProbeMiss, up ? Axis.Up : Axis.Across, null, Length.FromUnits(at), null, beside is { } b and >= 0 ? Length.FromUnits(Math.Min(b, 40_000_000)) : null, ToldMaterial.Nothing), null);
    }

    /// <summary>Starts the build-up from a usual one; nothing of it is confirmed yet.</summary>
    public Task<IActionResult> OnPostBuildUpAsync(string? preset)
    {
        if (BuildUps.All.FirstOrDefault(b => b.Id == preset) is not { } buildUp)
        {
            return Again();
        }

        return Append(
        [
            new("/wall/kind", buildUp.Kind.Word()),
            new("/wall/layers", new JsonObject(buildUp.Layers.Select((l, i) => KeyValuePair.Create<string, JsonNode?>(
                "l" + (i + 1), new JsonObject { ["order"] = i + 1, ["name"] = l.Name, ["thickness"] = Exact(l.Thickness) })))),
        ]);
    }

    /// <summary>Sets how a casing's edges stand off the opening on both faces: all four, or none of them.</summary>
    public async Task<IActionResult> OnPostCasingAsync(string feature)
    {
        var path = $"/wall/features/{feature}/casing";
        if (Sheet.Wall?.Features.Any(f => f.Id == feature) != true)
        {
            return BadRequest();
        }

        var group = new JsonObject();
        foreach (var name in new[] { "hereInner", "hereOuter", "thereInner", "thereOuter" })
        {
            group[name] = SheetShape.Root.At($"{path}/{name}")!.Take(Typed(name), Style.System, out var problem);
            if (problem is not null)
            {
                return Refuse(path, Typed(name), problem.ToString());
            }
        }

        return await Append([new(path, group)]);
    }

    /// <summary>What was typed as a test hole, kept when it was not understood.</summary>
    public const string TestHoleLine = "/wall/testHoles/new/layers";

    /// <summary>Takes a test hole: where, and what it went through, such as <c>gypsum board 1/2, void 3/4</c>.</summary>
    public async Task<IActionResult> OnPostTestHoleAsync(string? x, string? y, string? layers)
    {
        var (across, up) = (LengthReader.Read(x, Style.System), LengthReader.Read(y, Style.System));
        if (!across.Ok || !up.Ok)
        {
            return Refuse(TestHoleLine, layers ?? string.Empty, (across.Problem ?? up.Problem)!.ToString());
        }

        var (read, problem) = QuickLayers.Read(layers, Style.System);
        if (problem is not null)
        {
            return Refuse(TestHoleLine, problem.Typed, problem.ToString());
        }

        var list = new JsonArray([.. read.Select(l => new JsonObject { ["name"] = l.Name, ["thickness"] = Exact(l.Thickness) })]);
        var hole = new JsonObject { ["x"] = Exact(across.Value), ["y"] = Exact(up.Value), ["layers"] = list, ["by"] = reader.Name };
        var wrong = new List<SheetProblem>();
        SheetShape.Root.At("/wall/testHoles/new")!.Check(hole, "/wall/testHoles/new", wrong);
        return wrong.Count > 0
            ? Refuse(TestHoleLine, layers ?? string.Empty, wrong[0].ToString())
            : await Append([new("/wall/testHoles/h" + Key(), hole)]);
    }

    /// <summary>Records that services were looked for.</summary>
    public Task<IActionResult> OnPostScanAsync(string? with, bool crossings) => string.IsNullOrWhiteSpace(with)
        ? Task.FromResult(Refuse("/wall/scan/with", string.Empty, "No tool was typed. Expected: with what it was looked for, such as a scanner for metal and live wires."))
        : Append([new("/wall/scan", new JsonObject { ["by"] = reader.Name, ["with"] = with.Trim()[..Math.Min(120, with.Trim().Length)], ["crossings"] = crossings })]);

    private Task<IActionResult> Found(TypedEvidence found, string? face)
    {
        var item = new JsonObject { ["kind"] = found.Kind.Word(), ["at"] = Exact(found.At) };
        if (found.Axis == Axis.Up)
        {
            item["axis"] = "up";
        }

        if (found.From is not null)
        {
            item["from"] = found.From;
        }

        if (found.To is { } to)
        {
            item["to"] = Exact(to);
        }

        if (found.Beside is { } beside)
        {
            item["beside"] = Exact(beside);
        }

        if (found.Told != ToldMaterial.Nothing)
        {
            item["told"] = found.Told.Word();
        }

        item["by"] = reader.Name;
        return Append([new("/wall/evidence/e" + Key(), OnFace(face, item))]);
    }

    private static JsonObject OnFace(string? face, JsonObject item)
    {
        if (face == "other")
        {
            item["face"] = "other";
        }

        return item;
    }
}
