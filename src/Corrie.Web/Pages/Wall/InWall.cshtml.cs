using Corrie.Core.Feeds;
using Corrie.Core.Measure;
using Corrie.Core.Survey;
using Corrie.Web.Access;
using Corrie.Web.Drawing;
using Corrie.Web.Jobs;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Html;
using Microsoft.AspNetCore.Mvc;

namespace Corrie.Web.Pages.Wall;

/// <summary>What is in a wall: everything hidden, each with its readings from two datums, so that nobody drills into it next year.</summary>
[Authorize(nameof(Permission.ReadJobs))]
public sealed class InWallModel(CurrentUser user) : WallPageModel(user)
{
    /// <summary>Everything hidden.</summary>
    public IReadOnlyList<HiddenThing> Things => Wall is null ? [] : InWall.Of(Job.Plan, Wall);

    /// <summary>The wall as if its board were glass.</summary>
    public IHtmlContent? Drawing => WallDrawing.Draw(Job.Plan, new(Wall!.Id, WallView.Behind, Style, Apart: true));

    /// <summary>The address of the picture of the wall with the plan on it; null where there is no squared photo.</summary>
    public string? Photo => Wall is not null && PlanOnPhoto.Version(Job.Plan, Wall.Id) is { Length: > 0 } version ? $"/jobs/{Id}/photo?wall={Wall.Id}&handler=Composed&inside=yes&v={version}-{Job.Ledger.Seq}" : null;

    /// <summary>The line beside the left corner from which a place across is read.</summary>
    public (Datum Line, bool Back, Length Reads) Beside(Length x) => InWall.Beside(Survey!.Wall, Axis.Across, x);

    /// <summary>The line beside the floor from which a height is read.</summary>
    public (Datum Line, bool Back, Length Reads) Under(Length y) => InWall.Beside(Survey!.Wall, Axis.Up, y);

    /// <summary>Shows it.</summary>
    public IActionResult OnGet() => Open() ? Page() : NotFound();
}
