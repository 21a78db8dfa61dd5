using Corrie.Core.Fixing;
using Corrie.Core.Masonry;
using Corrie.Web.Access;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;

namespace Corrie.Web.Pages.Wall;

/// <summary>What is packed behind a plate, hole by hole: to be printed, and bagged by.</summary>
[Authorize(nameof(Permission.ReadJobs))]
public sealed class PackingModel(CurrentUser user) : MountPageModel(user)
{
    /// <summary>How the plate lies on its face; null where it lies on none.</summary>
    public FaceResult? Face => Mount is null ? null : Job.Plan.Face(Mount.Id);

    /// <summary>Its holes with what fills their gaps, and their bolts.</summary>
    public IReadOnlyList<(FaceHole Hole, Bolt Bolt)> Holes => Face is null ? [] : [.. Face.Holes.Zip(Fixing!.Bolts).Where(h => h.First.Gap is not null)];

    /// <summary>How many of each piece go along.</summary>
    public IReadOnlyList<(string Name, Core.Measure.Length Thickness, int Count)> Pieces =>
        [.. Holes.Where(h => h.Hole.Stack is not null).SelectMany(h => MasonryStage.PiecesOf(Job.Plan, h.Hole.Stack!)).GroupBy(p => p.Piece).Select(g => (g.Key.Name, g.Key.Thickness, g.Sum(p => p.Count)))];

    /// <summary>Bolts by length.</summary>
    public IReadOnlyList<(Core.Measure.Length Length, int Count)> Bolts => [.. Fixing!.Bolts.GroupBy(b => b.Length).Select(g => (g.Key, g.Count())).OrderBy(b => b.Key)];

    /// <summary>Shows it.</summary>
    public IActionResult OnGet() => Open() ? Page() : NotFound();
}
