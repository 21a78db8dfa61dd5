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
    public string? Photo => Wall is not null && PlanOnPhoto.Version(Job.Plan, Wall.Id) is { Length: > 0 } version ? $"/jobs/{Id}/photo?wall={Wall.Id}&handler=Composed&v={version}-{Job.Ledger.Seq}" : null;

    /// <summary>The two lines that a place across is read from: the left corner, and the nearest edge of something that stays.</summary>
    public (Datum Near, bool Back, Length Reads) Beside(Length x) => Nearest(Axis.Across, x, Datum.LeftCorner);

    /// <summary>The second line that a height is read from, beside the floor.</summary>
    public (Datum Near, bool Back, Length Reads) Under(Length y) => Nearest(Axis.Up, y, Datum.Floor);

    // The other one is nearest by, and no member: those are hidden themselves.
    private (Datum, bool, Length) Nearest(Axis axis, Length at, string first)
    {
        // What stands there may be gone next year.
        var loose = Survey!.Wall.Features.Where(f => f.Kind is FeatureKind.Furniture or FeatureKind.Soundbar or FeatureKind.Other).Select(f => f.Id).ToHashSet();
        var datum = Datum.Of(Survey.Wall).Where(d => d.Axis == axis && d.Id != first && !d.Id.StartsWith("studs/", StringComparison.Ordinal) && !loose.Contains(d.Id.Split('/')[0])).MinBy(d => ((at - d.At).Abs.Units, d.Id));
        return datum is null ? (Datum.Of(Survey.Wall).First(d => d.Id == first), false, at) : (datum, at < datum.At, (at - datum.At).Abs);
    }

    /// <summary>Shows it.</summary>
    public IActionResult OnGet() => Open() ? Page() : NotFound();
}
