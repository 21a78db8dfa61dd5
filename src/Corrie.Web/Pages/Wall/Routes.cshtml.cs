using Corrie.Core.Feeds;
using Corrie.Web.Access;
using Corrie.Web.Jobs;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;

namespace Corrie.Web.Pages.Wall;

/// <summary>Which ways cables may take through a wall, drawn side by side with what each costs.</summary>
[Authorize(nameof(Permission.ReadCatalogue))]
public sealed class RoutesModel(CurrentUser user) : WallPageModel(user)
{
    /// <summary>What ways are wanted for, and what was found.</summary>
    public IReadOnlyList<RoutePlan> Routes => Wall is null ? [] : Job.Plan.Routes(Wall.Id)?.All ?? [];

    /// <summary>Whether the reader may take another way.</summary>
    public bool Edits => Reader.May(Permission.EditJobs);

    /// <summary>The ways of a route, the one that is taken first.</summary>
    /// <param name="route">The route.</param>
    /// <returns>Each with what it is called and what taking it says.</returns>
    public static IEnumerable<(string Label, Way Way, WayTaken? Take)> Beside(RoutePlan route)
    {
        if (route.Chosen is { } chosen)
        {
            yield return (route.Route.Taken switch { WayTaken.Cheapest => "Taken: the cheapest that is allowed", WayTaken.Next => "Taken: the next best", WayTaken.Inside => "Taken: through the wall", _ => "Taken: over the surface" }, chosen, null);
        }

        foreach (var (way, i) in route.Rivals.Value.Others.Select((w, i) => (w, i)))
        {
            // Where the next best is taken, the one beside it is the cheapest again.
            var back = route.Chosen is { } taken && way.Cost < taken.Cost && !way.OnSurface;
            yield return (back ? "The cheapest" : way.OnSurface ? "Over the surface" : i == 0 ? "The next best that differs" : "Another through the wall", way, back ? WayTaken.Cheapest : way.OnSurface ? WayTaken.Surface : WayTaken.Next);
        }
    }

    /// <summary>Shows them.</summary>
    public IActionResult OnGet() => Open() ? Page() : NotFound();
}
