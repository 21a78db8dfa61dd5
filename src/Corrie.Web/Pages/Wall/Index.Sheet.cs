using System.Text.Json.Nodes;
using Corrie.Core.Findings;
using Corrie.Core.Jobs.Format;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Survey;
using Microsoft.AspNetCore.Mvc;

namespace Corrie.Web.Pages.Wall;

/// <content>What is set, chosen, dragged, mended and taken back, whatever the step.</content>
public sealed partial class IndexModel
{
    private static readonly string[] Choosable = ["display", "mount", "fastener"];

    /// <summary>Sets a part to what was typed or chosen.</summary>
    public async Task<IActionResult> OnPostSetAsync(string path, string? value)
    {
        if (SheetShape.Root.At(path) is not { } shape)
        {
            return BadRequest();
        }

        if (string.IsNullOrWhiteSpace(value))
        {
            return await Append([new(path, null)]);
        }

        var taken = shape.Take(value, Style.System, out var problem);
        if (problem is not null)
        {
            return Refuse(path, value, problem.ToString());
        }

        return await Append([new(path, taken)]);
    }

    /// <summary>Adds a stud, layer, feature or seat.</summary>
    public async Task<IActionResult> OnPostAddAsync(string map)
    {
        var fields = map switch
        {
            "/wall/studs" => new[] { "centre", "state" },
            "/wall/layers" => ["name", "thickness", "order"],
            "/wall/features" => ["kind", "name", "left", "bottom", "width", "height", "depth"],
            "/placement/viewers" => ["name", "eye", "distance"],
            "/wall/freePlaces" => ["name", "left", "bottom", "width", "height"],
            "/wall/crosses" => ["x", "y", "standsFor"],
            _ => [],
        };
        if (fields.Length == 0)
        {
            return BadRequest();
        }

        var group = new JsonObject();
        foreach (var name in fields)
        {
            var typed = Request.Form[name].ToString();
            if (typed.Length > 0)
            {
                var shape = SheetShape.Root.At($"{map}/new/{name}")!;
                group[name] = shape.Take(typed, Style.System, out var problem);
                if (problem is not null)
                {
                    return Refuse($"{map}/new/{name}", typed, problem.ToString());
                }
            }
        }

        if (map == "/wall/layers")
        {
            group["order"] ??= Sheet.Wall is { Layers: { Count: > 0 } layers } ? layers.Max(l => l.Order) + 1 : 1;
        }

        var key = map[(map.LastIndexOf('/') + 1)..][0] + Key();
        var lacking = new List<SheetProblem>();
        SheetShape.Root.At($"{map}/{key}")!.Check(group, $"{map}/new", lacking);
        if (lacking.Count > 0)
        {
            var lacks = lacking[0].Understood.Split('\'') is [_, var name, ..] ? name : fields[0];
            return Refuse($"{map}/new/{lacks}", Request.Form[lacks].ToString(), $"{lacking[0].Understood}. Expected: {lacking[0].Expected}.");
        }

        return await Append([new($"{map}/{key}", group)]);
    }

    /// <summary>Takes a part away.</summary>
    public Task<IActionResult> OnPostRemoveAsync(string path) =>
        SheetShape.Root.At(path) is null ? Task.FromResult<IActionResult>(BadRequest()) : Append([new(path, null)]);

    /// <summary>Copies an item of the catalogue onto the sheet.</summary>
    public async Task<IActionResult> OnPostChooseAsync(string kind, string? item)
    {
        if (!Choosable.Contains(kind))
        {
            return BadRequest();
        }

        var path = kind == "fastener" ? "/fixing/fastener" : "/" + kind;
        if (string.IsNullOrEmpty(item))
        {
            return await Append([new(path, null)]);
        }

        if (reader.Company.Catalogue.Find(item) is not { } found || found.Kind != kind)
        {
            return Refuse(path, item, "That item is not in the catalogue any more. Expected: one of the list.");
        }

        var copy = (JsonObject)found.Document.DeepClone();
        copy["item"] = found.Id;
        return await Append([new(path, copy)]);
    }

    /// <summary>Moves the display to where it was dropped; both in 1/640 mm, from the left corner and over the floor.</summary>
    public async Task<IActionResult> OnPostDragAsync(long across, long bottom)
    {
        if (Sheet is not { Placement: { } placement, Display: { } display } || Plan.Placed is not { } placed)
        {
            return BadRequest();
        }

        var changes = new List<Change>();
        var (x, y) = (Length.FromUnits(Math.Clamp(across, 0, Sheet.Wall!.Width.Units)), Length.FromUnits(Math.Clamp(bottom, 0, Sheet.Wall.Height.Units)));
        if (y != placed.Outer.Bottom)
        {
            changes.Add(new("/placement/height", Exact(Placer.GivenOf(placement.Given, y, display.Height))));
        }

        if (x != placed.Outer.CentreX)
        {
            changes.Add(new("/placement/over", null));
            changes.Add(new("/placement/across", Exact(x)));
        }

        return await Append(changes);
    }

    /// <summary>Hooks a tape on another datum.</summary>
    public Task<IActionResult> OnPostHookAsync(string axis, string datum) =>
        Plan.Datums.Any(d => d.Id == datum && d.Axis == (axis == "up" ? Axis.Up : Axis.Across))
            ? Append([new(axis == "up" ? "/setOut/up" : "/setOut/across", datum)])
            : Task.FromResult<IActionResult>(BadRequest());

    /// <summary>Applies a fix that the planner worked out.</summary>
    public Task<IActionResult> OnPostFixAsync(string code, string part, int number)
    {
        var fixes = Plan.Findings.FirstOrDefault(f => f.Code == code && f.Where.Part == part)?.Fixes ?? [];
        return number >= 0 && number < fixes.Count ? Append(fixes[number].Changes) : Again();
    }

    /// <summary>Records the client's consent to the place as it is.</summary>
    public Task<IActionResult> OnPostApproveAsync(string? by)
    {
        if (Plan.Placed is not { } placed)
        {
            return Task.FromResult<IActionResult>(BadRequest());
        }

        return string.IsNullOrWhiteSpace(by)
            ? Task.FromResult(Refuse("/placement/approval/by", string.Empty, "No name was typed. Expected: who consented."))
            : Append([new("/placement/approval", new JsonObject
            {
                ["by"] = by.Trim()[..Math.Min(80, by.Trim().Length)],
                ["centre"] = LengthText.Exact(placed.Outer.CentreY, Sheet.Head.Units),
                ["across"] = LengthText.Exact(placed.Outer.CentreX, Sheet.Head.Units),
            })]);
    }

    /// <summary>Takes back the last press.</summary>
    public Task<IActionResult> OnPostUndoAsync() => Undoable is { } last ? TakeBack(last) : Again();

    /// <summary>Does again what was taken back last.</summary>
    public Task<IActionResult> OnPostRedoAsync() => Redoable is { } last ? TakeBack(last) : Again();

    /// <summary>Chooses one of two values for one thing.</summary>
    public async Task<IActionResult> OnPostSettleAsync(string path, string entry)
    {
        if (Job.Ledger.Rivals.FirstOrDefault(r => r.Path == path) is not { } rivals ||
            rivals.Others.Prepend(rivals.InForce).FirstOrDefault(e => e.Id == entry) is not { } chosen)
        {
            return await Again();
        }

        // A choice replaces all of them, also those that the page had not seen when it was made.
        Seen = long.MaxValue;
        return await Append([new(path, chosen.Value?.DeepClone())]);
    }
}
