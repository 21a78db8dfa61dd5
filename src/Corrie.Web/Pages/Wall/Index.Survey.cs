using System.Text.Json.Nodes;
using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using Corrie.Core.Survey;
using Corrie.Web.Forms;
using Microsoft.AspNetCore.Mvc;

namespace Corrie.Web.Pages.Wall;

/// <content>What is measured and found on the wall, as it was typed or tapped.</content>
public sealed partial class IndexModel
{
    /// <summary>What is opened to see all evidence.</summary>
    public const string AllEvidence = "evidence";

    private const string StudAt = "stud at ";
    private const string Level = "level-";

    // 60 m in 1/640 mm.
    private const long MostUnits = 38_400_000;

    /// <summary>What was typed as a reading, kept when it was not understood.</summary>
    public const string ReadingLine = "reading";

    /// <summary>Takes a reading typed in one line; a reading to a new stud puts the stud on the sheet with it.</summary>
    /// <param name="line">What was typed.</param>
    /// <param name="face">The face on which it was measured.</param>
    /// <param name="meant">The line that was meant, where one of several was chosen.</param>
    public async Task<IActionResult> OnPostMeasureAsync(string? line, string? face, string? meant)
    {
        line = meant ?? line;
        if (Survey?.Wall is not { } wall)
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
        if (new[] { from, to }.FirstOrDefault(p => wall.Features.Any(f => f.Id == p)) is { } edgeless)
        {
            // Asked at once, and answered with one press.
            var axis = Surveyor.AxisOf(wall, from == edgeless ? to : from);
            Ways = [.. Datum.Of(wall).Where(d => d.Id.StartsWith(edgeless + "/", StringComparison.Ordinal) && (axis is null || d.Axis == axis))
                .Select(d => (FieldText.Capital(d.Name), $"{(from == edgeless ? d.Id : from)} -> {(to == edgeless ? d.Id : to)} {value.Show(Style)}"))];
            return Refuse(ReadingLine, line!, $"Which edge of the {wall.Features.First(f => f.Id == edgeless).Name} was measured?");
        }

        var changes = new List<Change>();
        if (to == TypedReading.NewStud)
        {
            to = "studs/s" + key;
            changes.Add(new(Of("studs/s" + key), new JsonObject { ["state"] = "found" }));
        }

        changes.Add(new(Of("readings/r" + key), OnFace(face, new JsonObject
        {
            ["from"] = from,
            ["to"] = to,
            ["value"] = Exact(value),
            ["by"] = user.Name,
        })));
        return await Append(changes);
    }

    /// <summary>What was typed as evidence, kept when it was not understood.</summary>
    public const string EvidenceLine = "evidence";

    private const string AnyLine =
        "what was found, such as scanner 40, bites 40 1/4 or edges 39 1/4 to 40 3/4 @ 62; what stands there, such as outlet 20 @ 12 or mantel 44 to 104 @ 50 to 52; or a reading, such as left corner to mantel 44";

    /// <summary>What a reading may have meant: words for a button, and the line that it sends.</summary>
    public IReadOnlyList<(string Words, string Line)> Ways { get; private set; } = [];

    /// <summary>Takes evidence of framing typed in one line; figures alone are of the tool in hand.</summary>
    public async Task<IActionResult> OnPostEvidenceAsync(string? line, string? face, string? tool)
    {
        if (Survey?.Wall is not { } wall)
        {
            return Refuse(EvidenceLine, line ?? string.Empty, "The wall has no size yet. Expected: its width and height first.");
        }

        if (line?.TrimStart() is { } stud && stud.StartsWith(StudAt, StringComparison.OrdinalIgnoreCase))
        {
            var at = LengthReader.Read(stud[StudAt.Length..], Style.System);
            return at.Ok
                ? await Append([new(Of("studs/s" + Key()), new JsonObject { ["centre"] = Exact(at.Value), ["state"] = "found" })])
                : Refuse(EvidenceLine, line, at.Problem!.ToString());
        }

        if (QuickThing.Begins(line))
        {
            return await OnWall(line!);
        }

        // A line that begins with a point and not with what was found is a reading of the tape.
        if (line?.Split(' ')[0] is { } word && !QuickEvidence.Words.ContainsKey(word) && QuickReading.Read(line, wall, Style.System).Ok)
        {
            return await OnPostMeasureAsync(line, face, null);
        }

        var level = tool?.StartsWith(Level, StringComparison.Ordinal) == true;
        var inHand = level ? "level " + tool![Level.Length..] : tool;
        var read = QuickEvidence.Read(line, wall, Style.System, string.IsNullOrEmpty(inHand) || inHand == "tape" ? null : inHand);
        var known = line is { Length: > 0 } && (char.IsAsciiDigit(line[0]) || QuickEvidence.Words.ContainsKey(line.Split(' ')[0]));
        return read.Ok ? await Found(read.Value, face)
            : Refuse(EvidenceLine, line ?? string.Empty, known || string.IsNullOrWhiteSpace(line) ? read.Problem!.ToString() : $"{read.Problem!.Understood}. Expected: {AnyLine}.");
    }

    private async Task<IActionResult> OnWall(string line)
    {
        var read = QuickThing.Read(line, Style.System);
        if (!read.Ok)
        {
            return Refuse(EvidenceLine, line, read.Problem!.ToString());
        }

        var (kind, area, depth, name) = read.Value;
        var path = Of("features/f" + Key());
        var thing = new JsonObject { ["kind"] = kind.Word(), ["left"] = Exact(area.Left), ["bottom"] = Exact(area.Bottom), ["width"] = Exact(area.Width), ["height"] = Exact(area.Height) };
        if (depth > Length.Zero)
        {
            thing["depth"] = Exact(depth);
        }

        if (name.Length > 0)
        {
            thing["name"] = name;
        }

        var wrong = new List<SheetProblem>();
        JobForm.At(path)!.Check(thing, path, wrong);
        return wrong.Count > 0 ? Refuse(EvidenceLine, line, wrong[0].ToString()) : await Append([new(path, thing)]);
    }

    /// <summary>The tools that can be taken in hand on a wall: their words for the address, and what they are called.</summary>
    public static IReadOnlyList<(string Word, string Says)> Tools(bool steel) =>
    [
        ("scan", "scanner"), ("magnet", "magnet"), ("knock", "knock"), steel ? ("chips", "metal chips") : ("bites", "goes on biting"), ("stops", "stops short"), ("miss", "falls through"),
        ("seen", "seen"), ("live", "live sign"), ("level-bites", "level: bites"), ("level-miss", "level: through"), ("tape", "tape, two points"),
    ];

    /// <summary>Takes evidence where somebody has tapped on the wall; both in 1/640 mm, from the left corner and over the floor.</summary>
    public Task<IActionResult> OnPostTapAsync(string? tool, long across, long up)
    {
        if (Survey?.Wall is { } face && tool?.StartsWith(Face, StringComparison.Ordinal) == true)
        {
            return Knocked(tool[Face.Length..], Length.FromUnits(Math.Clamp(across, 0, face.Width.Units)), Length.FromUnits(Math.Clamp(up, 0, face.Height.Units)));
        }

        if (Survey?.Wall is not { } wall || tool is null || !QuickEvidence.Words.TryGetValue(tool.Replace(Level, string.Empty, StringComparison.Ordinal), out var kind))
        {
            return Task.FromResult<IActionResult>(BadRequest());
        }

        var (x, y) = (Length.FromUnits(Math.Clamp(across, 0, wall.Width.Units)), Length.FromUnits(Math.Clamp(up, 0, wall.Height.Units)));
        var level = tool.StartsWith(Level, StringComparison.Ordinal);
        return Found(new(kind.Kind, level ? Axis.Up : Axis.Across, null, level ? y : x, null, level ? x : y, kind.Told, kind.Bite), null);
    }

    /// <summary>Takes the answer to a probe that the planner proposed.</summary>
    /// <param name="answer">
    /// What the bit did (bites, stops, chips or miss), the axis, where, and where on the other axis if that is known, such as
    /// <c>bites across 1784096 990080</c>.
    /// </param>
    public Task<IActionResult> OnPostProbedAsync(string? answer)
    {
        if (Survey?.Wall is not { } wall || (answer ?? string.Empty).Split(' ') is not [var how, ("across" or "up") and var axis, var first, .. var rest] ||
            !QuickEvidence.Words.TryGetValue(how, out var did) || did.Kind is not (EvidenceKind.ProbeHit or EvidenceKind.ProbeMiss) ||
            Position(first) is not { } at || at > (axis == "up" ? wall.Height : wall.Width))
        {
            return Task.FromResult<IActionResult>(BadRequest());
        }

        return Found(
            new(did.Kind, axis == "up" ? Axis.Up : Axis.Across, null, at, null, rest.Length > 0 ? Position(rest[0]) : null, did.Told, did.Bite), null);

        static Length? Position(string units) => long.TryParse(units, out var n) && n is >= 0 and <= MostUnits ? Length.FromUnits(n) : null;
    }

    /// <summary>The questions about the wall that are open, with the answers that the reader can press.</summary>
    public IReadOnlyList<Asked> OpenQuestions => Survey is { Wall: var wall } ? Corrie.Core.Survey.Asked.Open(wall, Sheet.House(), user.Name) : [];

    /// <summary>Takes an answer to a question about the wall, by whoever presses it; one that somebody has answered meanwhile stays as they have.</summary>
    /// <param name="answer">The question, and which of its answers, such as <c>/walls/w1/scan 0</c>.</param>
    public Task<IActionResult> OnPostAnswerAsync(string? answer)
    {
        var words = (answer ?? string.Empty).Split(' ');
        return words.Length != 2 || !int.TryParse(words[1], out var which) || which < 0 ? Task.FromResult<IActionResult>(BadRequest())
            : OpenQuestions.FirstOrDefault(a => a.Of == words[0]) is not { } open ? Again()
            : which < open.Answers.Count ? Append(open.Answers[which].Sets)
            : Task.FromResult<IActionResult>(BadRequest());
    }

    /// <summary>Starts the build-up from a usual one; nothing of it is confirmed yet.</summary>
    public Task<IActionResult> OnPostBuildUpAsync(string? preset)
    {
        if (Wall is null || BuildUps.All.FirstOrDefault(b => b.Id == preset) is not { } buildUp)
        {
            return Again();
        }

        return Append(buildUp.Changes(Wall.Here));
    }

    /// <summary>What was typed as a test hole, kept when it was not understood.</summary>
    public const string TestHoleLine = "test hole";

    /// <summary>Takes a test hole: where, and what it went through, such as <c>gypsum board 1/2, void 3/4</c>.</summary>
    public async Task<IActionResult> OnPostTestHoleAsync(string? x, string? y, string? layers)
    {
        if (Survey is null)
        {
            return Refuse(TestHoleLine, layers ?? string.Empty, "The wall has no size yet. Expected: its width and height first.");
        }

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
        var hole = new JsonObject { ["x"] = Exact(across.Value), ["y"] = Exact(up.Value), ["layers"] = list, ["by"] = user.Name };
        var wrong = new List<SheetProblem>();
        JobForm.At(Of("testHoles/new"))!.Check(hole, Of("testHoles/new"), wrong);
        return wrong.Count > 0
            ? Refuse(TestHoleLine, layers ?? string.Empty, wrong[0].ToString())
            : await Append([new(Of("testHoles/h" + Key()), hole)]);
    }

    /// <summary>With what services were looked for, kept when it was not understood.</summary>
    public const string ScanLine = "scan";

    /// <summary>Records that services were looked for.</summary>
    public Task<IActionResult> OnPostScanAsync(string? with, bool crossings) => Wall is null ? Again()
        : string.IsNullOrWhiteSpace(with) ? Task.FromResult(Refuse(ScanLine, string.Empty, "No tool was typed. Expected: with what it was looked for, such as a scanner for metal and live wires."))
        : Append([new(Of("scan"), new JsonObject { ["by"] = user.Name, ["with"] = with.Trim()[..Math.Min(120, with.Trim().Length)], ["crossings"] = crossings })]);

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

        if (found.Bite is { } bite)
        {
            item["bite"] = Exact(bite);
        }

        item["by"] = user.Name;
        return Append([new(Of("evidence/e" + Key()), OnFace(face, item))]);
    }

    private string Of(string member) => $"{Wall!.Here.Pointer}/{member}";

    private static JsonObject OnFace(string? face, JsonObject item)
    {
        if (face == "other")
        {
            item["face"] = "other";
        }

        return item;
    }
}
