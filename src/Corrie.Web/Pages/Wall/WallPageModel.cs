using Corrie.Core.Findings;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Core.Survey;
using Corrie.Data;
using Corrie.Web.Access;
using Corrie.Web.Jobs;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Corrie.Web.Pages.Wall;

/// <summary>A page of its own about one wall of a job.</summary>
public abstract class WallPageModel(CurrentUser user) : PageModel
{
    /// <summary>The job's key.</summary>
    [FromRoute]
    public long Id { get; set; }

    /// <summary>The wall; the first one where nothing is said.</summary>
    [BindProperty(SupportsGet = true, Name = "wall")]
    public string? WallId { get; set; }

    /// <summary>The job.</summary>
    public OpenJob Job { get; private set; } = null!;

    /// <summary>The wall; null where the job has none.</summary>
    public WallSheet? Wall => Job.Plan.Sheet.Wall(WallId) ?? (Job.Plan.Sheet.Walls.Count > 0 ? Job.Plan.Sheet.Walls[0] : null);

    /// <summary>The wall as surveyed; null as long as it has no size.</summary>
    public Surveyed? Survey => Wall is null ? null : Job.Plan.Survey(Wall.Id);

    /// <summary>What is wrong with what was sent.</summary>
    public string? Problem { get; protected set; }

    /// <summary>The reader's units.</summary>
    public LengthStyle Style => user.Style(Job.Plan.Sheet.Head.Units);

    /// <summary>Who reads.</summary>
    protected CurrentUser Reader => user;

    /// <summary>Opens the job.</summary>
    /// <returns>Whether there is one that the reader may see.</returns>
    protected bool Open()
    {
        if (user.Open(Id) is not { } job)
        {
            return false;
        }

        Job = job;
        return true;
    }

    /// <summary>Says no: the page comes again with what was typed, and with what is wrong with it.</summary>
    /// <param name="words">What is wrong: what was understood, and what is expected; null for what was said already.</param>
    /// <returns>The page.</returns>
    protected PageResult Refuse(string? words = null)
    {
        Problem = words ?? Problem;
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }

    /// <summary>What would be wrong with the job after some changes that is not wrong with it now.</summary>
    /// <param name="changes">The changes.</param>
    /// <returns>What was understood, and what is expected; null where nothing is wrong.</returns>
    protected string? WrongWith(IReadOnlyList<Change> changes) =>
        SheetChanges.WouldBeWrong(Job.Ledger.Document, changes) is { Count: > 0 } wrong ? $"{wrong[0].Understood}. Expected: {wrong[0].Expected}." : null;

    /// <summary>Appends changes that were made on this page, or says what is wrong with them.</summary>
    /// <param name="next">Where to go on.</param>
    /// <param name="changes">The changes; they replace what the page has read.</param>
    /// <returns>Where to go on, or the page with what is wrong.</returns>
    protected async Task<IActionResult> Append(string next, params Change[] changes)
    {
        if (WrongWith(changes) is { } wrong)
        {
            return Refuse(wrong);
        }

        await Reader.Company.Entries.Append(Id, Reader.SignIn, "page", [.. changes.Select(c => new NewEntry(Guid.NewGuid().ToString("N"), c.Path, c.Value?.DeepClone(), [.. Job.Ledger.HoldersOf(c.Path)]))]);
        return Redirect(next);
    }
}
