using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Core.Survey;
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
}
