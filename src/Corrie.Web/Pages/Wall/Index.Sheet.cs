using System.Text.Json;
using System.Text.Json.Nodes;
using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;
using Corrie.Core.Survey;
using Corrie.Web.Access;
using Corrie.Web.Forms;
using Corrie.Web.Jobs;
using Microsoft.AspNetCore.Mvc;

namespace Corrie.Web.Pages.Wall;

/// <content>What is dragged, remedied, added and taken back, whatever the step.</content>
public sealed partial class IndexModel
{
    /// <summary>What a button sent, where it was refused.</summary>
    public const string ChangeLine = "change";

    private const int MostChanges = 400;

    /// <summary>Makes the changes that a button says: a remedy, or something to be taken away. What they are is in the button, so that no list has to be the same.</summary>
    public Task<IActionResult> OnPostChangeAsync(string? changes)
    {
        var wanted = new List<Change>();
        try
        {
            foreach (var line in (changes ?? string.Empty).Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).Take(MostChanges))
            {
                var space = line.IndexOf(' ');
                wanted.Add(new(space < 0 ? line : line[..space], space < 0 ? null : JsonNode.Parse(line[(space + 1)..])));
            }
        }
        catch (JsonException)
        {
            // Only a page made by hand sends that.
            return Task.FromResult<IActionResult>(BadRequest());
        }

        if (wanted.Count == 0)
        {
            return Task.FromResult<IActionResult>(BadRequest());
        }

        if (wanted.Any(c => c.Path.Length == 0 || JobForm.At(c.Path, Document) is null))
        {
            return Task.FromResult<IActionResult>(BadRequest());
        }

        var wrong = SheetChanges.WouldBeWrong(Document, wanted);
        if (wrong.Count > 0)
        {
            return Task.FromResult(Refuse(wrong[0]));
        }

        return Append(wanted);
    }

    /// <summary>Moves a thing to where it was dropped; both in 1/640 mm, from the left corner and over the floor.</summary>
    public async Task<IActionResult> OnPostDragAsync(string? item, long across, long bottom)
    {
        if (Sheet.Item(item) is not { Product: ISized sized } thing || thing.Get(PlacementChoice.Part) is not { } choice || Plan.Wanted(thing.Id) is not { } placed ||
            Sheet.WallOf(thing) is not { } on || Plan.Survey(on.Id)?.Wall is not { } wall)
        {
            return BadRequest();
        }

        ItemId = thing.Id;
        var changes = new List<Change>();
        var (x, y) = (Length.FromUnits(Math.Clamp(across, 0, wall.Width.Units)), Length.FromUnits(Math.Clamp(bottom, 0, wall.Height.Units)));
        if (y != placed.Outer.Bottom)
        {
            changes.Add(choice.BottomAt(y, sized.Height));
        }

        if (x != placed.Outer.CentreX)
        {
            changes.AddRange(choice.CentreAt(x));
        }

        return await Append(changes);
    }

    /// <summary>Adds a wall.</summary>
    public async Task<IActionResult> OnPostAddWallAsync(string? name)
    {
        var key = Enumerable.Range(1, 99).Select(n => $"w{n}").FirstOrDefault(k => Pointer.Get(Document, "/walls/" + k) is null) ?? "w" + Key();
        var wall = new JsonObject();
        if (!string.IsNullOrWhiteSpace(name))
        {
            if (JobForm.At("/walls/w1/name")!.Take(name, Style.System, out var problem) is not { } text)
            {
                return Refuse("/walls/_/name", name, problem!.ToString());
            }

            wall["name"] = text;
        }

        (WallId, ItemId, StepName) = (key, null, WorkStep.Survey.Word);
        ShowAt();
        return await Append([new("/walls/" + key, wall)]);
    }

    /// <summary>Adds a thing to the wall: by its kind, or as a copy from the catalogue.</summary>
    /// <param name="what">A kind, or a kind, a colon and a key of the catalogue.</param>
    /// <param name="on">What it hangs on; empty for the wall.</param>
    public async Task<IActionResult> OnPostAddItemAsync(string? what, string? on)
    {
        var words = (what ?? string.Empty).Split(':');
        if (Wall is not { } wall || ProductKinds.Items.FirstOrDefault(k => k.Word == words[0]) is not { } kind)
        {
            return Refuse("/items/_/kind", what ?? string.Empty, "Nothing was chosen. Expected: one of the list.");
        }

        var item = new JsonObject { ["kind"] = kind.Word };
        if (words.Length > 1)
        {
            if (Parts.Copy(user.Company, words[1]) is not { } copy || copy.Kind != kind.Word)
            {
                return Refuse("/items/_/kind", what!, "That item is not in the catalogue any more. Expected: one of the list.");
            }

            item["product"] = copy.Document;
        }

        if (Sheet.Item(on) is { } holder && Sheet.WallOf(holder) == wall)
        {
            item["on"] = holder.Id;
        }
        else
        {
            item["wall"] = wall.Id;
        }

        if (kind.IsPlaced && item["product"] is JsonObject product && kind.Read(product) is ISized sized && FreePlace(wall, kind, sized) is { } place)
        {
            item[PlacementChoice.Part.Name] = place;
        }

        var key = Enumerable.Range(1, 400).Select(n => $"{kind.Word[0]}{n}").FirstOrDefault(k => Pointer.Get(Document, "/items/" + k) is null) ?? kind.Word[..1] + Key();
        var changes = new List<Change> { new("/items/" + key, item) };
        if (kind == Mount.Kind && Bare(wall) is { } bare)
        {
            // Whoever brings a mount means to hang something on it.
            changes.Add(bare.Here.Set("on", (JsonNode?)key));
        }

        ItemId = key;
        ShowAt();
        return await Append(changes);
    }

    /// <summary>Takes a wall away with all that is on it.</summary>
    public IReadOnlyList<Change> WithoutWall(WallSheet wall) => [new(wall.Here.Pointer, null), .. Without([.. Sheet.ThingsOn(wall)])];

    /// <summary>Takes a thing away; what hangs on it hangs on the wall then.</summary>
    public IReadOnlyList<Change> WithoutItem(Item item) => Without([item]);

    private IReadOnlyList<Change> Without(IReadOnlyList<Item> gone) =>
    [
        .. gone.Select(i => new Change(i.Here.Pointer, null)),
        .. from left in Sheet.Items.Except(gone)
           from change in gone.SelectMany(g => new[]
           {
               left.For == g.Id ? [left.Here.Clear("for")] : Array.Empty<Change>(),
               Sheet.On(left) == g ? [left.Here.Clear("on"), left.Here.Set("wall", (JsonNode?)(Sheet.WallOf(g)?.Id ?? string.Empty))] : [],
           }).SelectMany(c => c)
           select change,
    ];

    /// <summary>Records the client's consent to the place as it is.</summary>
    public Task<IActionResult> OnPostApproveAsync(string? item, string? by)
    {
        if (Sheet.Item(item) is not { } thing || thing.Get(PlacementChoice.Part) is not { } choice || Plan.Wanted(thing.Id) is not { } placed)
        {
            return Task.FromResult<IActionResult>(BadRequest());
        }

        // Consent is to the place that was looked at: one that has moved since is shown anew, and nothing is recorded.
        if (Seen < Job.Ledger.Seq && Planner.Plan(JobForm.Read(Job.Ledger.At(Seen).Document).Sheet, Plan).Wanted(thing.Id)?.Outer != placed.Outer)
        {
            return Task.FromResult(Refuse(choice.Here.Pointer + "/approval/by", by ?? string.Empty, $"The {thing.Name} has moved since this page was shown. Expected: consent to where it is now, bottom {placed.Outer.Bottom.Show(Style)}, centre {placed.Outer.CentreX.Show(Style)} across."));
        }

        // A client speaks for themselves.
        by = Edits ? by : user.Name;
        var change = choice.Here.Set("approval", new JsonObject
        {
            ["by"] = (by ?? string.Empty).Trim()[..Math.Min(80, (by ?? string.Empty).Trim().Length)],
            ["centre"] = Exact(placed.Outer.CentreY),
            ["across"] = Exact(placed.Outer.CentreX),
        });
        // What they looked at is kept with what they said to it.
        if (!string.IsNullOrWhiteSpace(by) && Sheet.WallOf(thing) is { } on && PlanOnPhoto.Composed(Plan, on.Id, user.Company.Photos) is { } picture && user.Company.Photos.Add(picture).Name is { } name)
        {
            ((JsonObject)change.Value!)["picture"] = name;
        }

        return string.IsNullOrWhiteSpace(by)
            ? Task.FromResult(Refuse(change.Path + "/by", string.Empty, "No name was typed. Expected: who consented."))
            : Append([change]);
    }

    /// <summary>Overrides a stop, in the name of who is signed in and with their reason.</summary>
    /// <param name="code">The finding's code.</param>
    /// <param name="about">The part that it is about.</param>
    /// <param name="reason">Why.</param>
    /// <param name="says">What the finding said on the page.</param>
    public Task<IActionResult> OnPostOverrideAsync(string? code, string? about, string? reason, string? says)
    {
        if (!user.May(Permission.OverrideStops))
        {
            return Task.FromResult<IActionResult>(Forbid());
        }

        var finding = Plan.Findings.FirstOrDefault(f => f.Code == code && f.Where.Part == about);
        if (finding is null)
        {
            // It has gone since the page was shown.
            return Again();
        }

        if (!Override.Can(finding.Severity))
        {
            return Task.FromResult(Refuse(ChangeLine, string.Empty, $"Nobody overrides this: {finding.Kind.Title}. Expected: the evidence that clears it."));
        }

        if (string.IsNullOrWhiteSpace(reason))
        {
            return Task.FromResult(Refuse($"{Override.Place}/{finding.Code} {finding.Where.Part}", string.Empty, "No reason was typed. Expected: why this stop may be passed here."));
        }

        // The word is given for the figures that were looked at, and not for those that have come since.
        if (says != Override.Saying(finding))
        {
            return Task.FromResult(Refuse($"{Override.Place}/{finding.Code} {finding.Where.Part}", reason, "The figures of this stop have changed since the page was shown. Expected: a look at what it says now."));
        }

        return Append([new($"{Override.Place}/{Key()}", new JsonObject
        {
            ["code"] = finding.Code,
            ["about"] = finding.Where.Part,
            ["says"] = Override.Saying(finding),
            ["by"] = user.Name,
            ["role"] = Overriding.RoleOf(user),
            ["reason"] = reason.Trim()[..Math.Min(400, reason.Trim().Length)],
        })]);
    }

    /// <summary>Takes back the last submit.</summary>
    public Task<IActionResult> OnPostUndoAsync() => Walk.Undo is { } last ? TakeBack(last) : Again();

    /// <summary>Does again what was taken back last.</summary>
    public Task<IActionResult> OnPostRedoAsync() => Walk.Redo is { } last ? TakeBack(last) : Again();

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

    // The display that is looked at, or the first one, as long as it hangs on nothing yet.
    private Item? Bare(WallSheet wall)
    {
        var bare = Sheet.ThingsOn(wall).Where(i => i.Kind == Display.Kind && i.SaidOn.Length == 0).ToList();
        return bare.FirstOrDefault(i => i.Id == ItemId) ?? (bare.Count > 0 ? bare[0] : null);
    }

    // What was added is looked at: the address says so too.
    private void ShowAt()
    {
        if (Request.Headers.ContainsKey("HX-Request"))
        {
            Response.Headers["HX-Push-Url"] = At(Step, WallId, ItemId, view: View);
        }
    }

    // Beside the last of its kind, or under what hangs there already; a first display waits for somebody to say its height.
    private JsonObject? FreePlace(WallSheet wall, ProductKind kind, ISized sized)
    {
        if (Plan.Survey(wall.Id)?.Wall is not { } size)
        {
            return null;
        }

        var placed = Sheet.ThingsOn(wall).Where(i => Plan.Placement(i.Id) is not null).Select(i => (i.Kind, Plan.Placement(i.Id)!.Outer)).ToList();
        var alike = placed.Where(p => p.Kind == kind).OrderBy(p => p.Outer.Right).ToList();
        var gap = Length.Tape(2);
        if (alike.Count > 0)
        {
            var last = alike[^1].Outer;
            return At(Length.Min(last.Right + gap + sized.Width.Half, Length.Max(sized.Width.Half, size.Width - sized.Width.Half)), last.Bottom);
        }

        if (kind == Display.Kind)
        {
            return null;
        }

        var display = placed.FirstOrDefault(p => p.Kind == Display.Kind);
        return display == default ? At(size.Centre, size.Height.Half) : At(display.Outer.CentreX, Length.Max(Length.Zero, display.Outer.Bottom - gap - sized.Height));

        JsonObject At(Length across, Length bottom) => new() { ["height"] = Exact(bottom), ["across"] = Exact(across) };
    }
}
