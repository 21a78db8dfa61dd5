using System.Text.Json.Nodes;
using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Jobs;
using Corrie.Core.Masonry;
using Corrie.Core.Measure;
using Corrie.Core.Survey;
using Corrie.Web.Jobs;
using Microsoft.AspNetCore.Mvc;

namespace Corrie.Web.Pages.Wall;

/// <content>What is traced, knocked, measured behind a plate and before a fire.</content>
public sealed partial class IndexModel
{
    /// <summary>Tools whose tap says how the face sounds begin with it.</summary>
    private const string Face = "face-";

    /// <summary>A temperature as it was typed, kept when it was not understood.</summary>
    public const string HeatLine = "heat";

    /// <summary>Gaps as they were typed, kept when they were not understood.</summary>
    public const string GapLine = "gaps";

    /// <summary>What was traced, where it was refused.</summary>
    public const string StoneLine = "stone";

    /// <summary>Takes a temperature with the fire on.</summary>
    /// <param name="line">What was typed, such as <c>air 57, 86 F, 75 min</c>.</param>
    public async Task<IActionResult> OnPostHeatAsync(string? line)
    {
        if (Survey is null)
        {
            return Refuse(HeatLine, line ?? string.Empty, "The wall has no size yet. Expected: its width and height first.");
        }

        var (heat, problem) = QuickHeat.Read(line, Style.System);
        if (heat is not { } read)
        {
            return Refuse(HeatLine, line ?? string.Empty, problem!.ToString());
        }

        var reading = new JsonObject
        {
            ["of"] = read.Of.Word(),
            ["up"] = Exact(read.Up),
            ["warm"] = QuantityReader.Exact(read.Warm, Sheet.Head.Units),
            ["minutes"] = read.Minutes,
            ["by"] = user.Name,
        };
        if (read.Across is { } across)
        {
            reading["across"] = Exact(across);
        }

        return await Append([new(Of($"{Fire.Part.Name}/readings/r{Key()}"), reading)]);
    }

    /// <summary>Takes the gaps behind the plate that is looked at, in the order of its holes.</summary>
    /// <param name="line">What was typed, such as <c>3/8, 1/2, 0, 7/16</c>.</param>
    public async Task<IActionResult> OnPostGapsAsync(string? line)
    {
        if (Selected is null || Plan.Face(Selected.Id) is null)
        {
            return Refuse(GapLine, line ?? string.Empty, "No plate is laid out on this wall yet. Expected: a display, its mount and what it is bolted with first.");
        }

        var (changes, problem) = GapsEntry.Changes(Plan, Selected, line, Style.System, user.Name);
        return problem is not null ? Refuse(GapLine, line ?? string.Empty, problem.ToString()) : await Append(changes);
    }

    /// <summary>Takes a stone whose outline was tapped corner by corner.</summary>
    /// <param name="corners">Its corners in turn, each across and up in 1/640 mm: <c>1138176,942848;...</c>.</param>
    public async Task<IActionResult> OnPostStoneAsync(string? corners)
    {
        if (Survey?.Wall is not { } wall)
        {
            return BadRequest();
        }

        var outline = new JsonArray();
        foreach (var corner in (corners ?? string.Empty).Split(';', StringSplitOptions.RemoveEmptyEntries))
        {
            if (corner.Split(',') is not [var x, var y] || !long.TryParse(x, out var across) || !long.TryParse(y, out var up) || across is < 0 or > MostUnits || up is < 0 or > MostUnits)
            {
                return BadRequest();
            }

            outline.Add(new JsonObject { ["x"] = Exact(Length.Min(wall.Width, Length.FromUnits(across))), ["y"] = Exact(Length.Min(wall.Height, Length.FromUnits(up))) });
        }

        return outline.Count < 3 ? Refuse(StoneLine, string.Empty, $"A stone has at least 3 corners, and {outline.Count} were tapped. Expected: its outline, corner by corner, and the first again to close it.")
            : await Append([new(Of($"{MasonryFace.Part.Name}/units/u{Key()}"), new JsonObject { ["outline"] = outline })]);
    }

    private Task<IActionResult> Knocked(string sound, Length x, Length y) => Choices.Of<LayerSound>(sound) is null ? Task.FromResult<IActionResult>(BadRequest())
        : Append([new(Of($"{MasonryFace.Part.Name}/knocks/k{Key()}"), new JsonObject { ["x"] = Exact(x), ["y"] = Exact(y), ["sound"] = sound, ["by"] = user.Name })]);
}
