using System.Text.Json.Nodes;
using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Jobs;
using Corrie.Core.Planning;
using Corrie.Core.SiteDay;
using Corrie.Core.Survey;
using Corrie.Data;
using Corrie.Web.Access;
using Corrie.Web.Jobs;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Corrie.Web.Pages.Wall;

/// <summary>One trip: what nobody knows before the visit, and the smallest kit that is enough whatever is found.</summary>
[Authorize(nameof(Permission.EditJobs))]
public sealed class TripModel(CurrentUser user) : WallPageModel(user)
{
    private const int MostPieces = 40;

    /// <summary>What can be open on this job: the field's path, and what it is called.</summary>
    public IReadOnlyList<(string Path, string Says)> Candidates =>
    [
        .. Job.Plan.Sheet.Walls.SelectMany(w => new[] { ("kind", "what the wall is"), ("gauge", "gauge of its steel studs"), ("unit", "what its masonry is of"), ("studDepth", "depth of its members") }
            .Select(c => ($"{w.Here.Pointer}/{c.Item1}", Job.Plan.Sheet.Walls.Count > 1 ? $"{IndexModel.WallName(w)}: {c.Item2}" : c.Item2))
            .Concat((Job.Plan.Survey(w.Id)?.Wall.Layers ?? []).Select(l => ($"{w.Here.Pointer}/layers/{l.Id}/thickness", $"thickness of the {l.Name}{(l.Confirmed ? string.Empty : ", not confirmed")}")))),
        .. Job.Plan.Sheet.Items.Where(i => i.Product is Display).SelectMany(i => new[] { ($"{i.Here.Pointer}/product/thread", $"thread in the back of the {i.Name}"), ($"{i.Here.Pointer}/product/threadDepth", $"how deep it is there, {i.Name}") }),
    ];

    /// <summary>The open questions.</summary>
    public IReadOnlyList<OpenChoice> Questions => Job.Plan.Sheet.Get(OpenChoice.Part) ?? [];

    /// <summary>What may be taken.</summary>
    public IReadOnlyList<VanPiece> Pieces { get; private set; } = [];

    /// <summary>The kit; null where there are too many outcomes, or nothing is open.</summary>
    public TripKit? Kit { get; private set; }

    /// <summary>Why there is no kit; null where there is one.</summary>
    public string? Why { get; private set; }

    /// <summary>What was typed, where it was refused.</summary>
    public string Typed(string name) => Request.HasFormContentType ? Request.Form[name].ToString() : string.Empty;

    /// <summary>Shows the kit.</summary>
    public IActionResult OnGet() => Find() ? Page() : NotFound();

    /// <summary>Adds an open question.</summary>
    /// <param name="path">What is not known.</param>
    /// <param name="answers">What it may be, with commas.</param>
    public async Task<IActionResult> OnPostAddAsync(string? path, string? answers)
    {
        if (!Find())
        {
            return NotFound();
        }

        if (Candidates.FirstOrDefault(c => c.Path == path) is not { Path.Length: > 0 } open || JobForm.At(open.Path, Job.Ledger.Document) is not { } shape)
        {
            return BadRequest();
        }

        var read = new List<string>();
        foreach (var answer in (answers ?? string.Empty).Split([",", " or "], StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries))
        {
            if (shape.Take(answer, Style.System, out var problem) is not { } value)
            {
                return Refuse(problem!.ToString());
            }

            read.Add(value.ToString());
        }

        if (read.Distinct().Count() is < 2 or > 6)
        {
            return Refuse($"There are {read.Distinct().Count()} answers. Expected: two to six, with commas, such as 3 in, 4 in.");
        }

        return await Append($"/jobs/{Id}/trip", new Change($"/open/o{Guid.NewGuid().ToString("N")[..6]}", new JsonObject { ["says"] = open.Says, ["path"] = open.Path, ["answers"] = new JsonArray([.. read.Distinct().Select(r => (JsonNode)r)]) }));
    }

    /// <summary>Takes an open question away.</summary>
    /// <param name="question">Its key.</param>
    public async Task<IActionResult> OnPostRemoveAsync(string? question) => !Find() ? NotFound() : Questions.FirstOrDefault(o => o.Id == question) is { } open ? await Append($"/jobs/{Id}/trip", new Change($"/open/{open.Id}", null)) : BadRequest();

    private bool Find()
    {
        if (!Open())
        {
            return false;
        }

        // What the catalogue has, in every length that is sold.
        Pieces = [.. Reader.Company.Catalogue.List(Fastener.Kind.Word).Select(f => Parts.Copy(Reader.Company, f.Id)?.Document).OfType<JsonObject>().SelectMany(Lengths).Take(MostPieces)];
        IReadOnlyList<OpenQuestion> questions = [.. Questions.Where(o => JobForm.At(o.Path, Job.Ledger.Document) is not null).Select(o => new OpenQuestion(o.Says, o.Path, [.. o.Answers.Select(a => (JsonNode?)a)]))];
        if (questions.Count == 0 || Pieces.Count == 0)
        {
            Why = questions.Count == 0 ? "Nothing is said to be open yet: what is on the sheet is what is taken." : "The catalogue has no bolts, screws or toggles yet.";
            return true;
        }

        try
        {
            Kit = OneTrip.Of(Job.Ledger.Document, questions, Pieces, HttpContext.RequestAborted);
            Why = Kit is null ? $"That are more than {OneTrip.MostOutcomes} ways in which it may turn out. Answer a question first." : null;
        }
        catch (OverBudgetException)
        {
            Why = "That is more than Corrie works out at once. Answer a question first, or take a question away.";
        }

        return true;
    }

    private static IEnumerable<VanPiece> Lengths(JsonObject document)
    {
        var fastener = Fastener.Form.Read(document);
        foreach (var length in fastener.Sold.Count > 0 ? fastener.Sold : [fastener.Length])
        {
            var copy = (JsonObject)document.DeepClone();
            copy["length"] = Core.Measure.LengthText.Exact(length, Core.Measure.UnitSystem.Inches);
            if (length != fastener.Length)
            {
                copy.Remove("thread");
            }

            yield return new(fastener.Sold.Count > 0 ? $"{fastener.Name}, {Core.Measure.LengthText.Exact(length, Core.Measure.UnitSystem.Inches)} long" : fastener.Name, copy, fastener.Price);
        }
    }
}
