using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;
using Corrie.Core.Survey;
using Corrie.Web.Access;
using Corrie.Web.Jobs;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Corrie.Web.Pages.Wall;

/// <summary>A point that is taped on the wall.</summary>
/// <param name="Name">What people call it.</param>
/// <param name="Across">From the left corner.</param>
/// <param name="Up">Over the floor.</param>
public sealed record TapedPoint(string Name, Length Across, Length Up);

/// <summary>Throws the plan onto the wall itself with a projector: for consent, and against gross errors; never for drilling.</summary>
[Authorize(nameof(Permission.EditJobs))]
public sealed class ThrowModel(CurrentUser user) : WallPageModel(user)
{
    private static readonly string[] Corners = ["upper left", "upper right", "lower right", "lower left"];

    /// <summary>What is taped: a thing's key, <c>wall</c>, or <c>points</c> for what is typed.</summary>
    [BindProperty(SupportsGet = true, Name = "by")]
    public string? By { get; set; }

    /// <summary>Things on the wall whose corners may be taped.</summary>
    public IReadOnlyList<Item> Things => Wall is null ? [] : [.. Job.Plan.Sheet.ThingsOn(Wall).Where(i => Job.Plan.Placement(i.Id) is not null)];

    /// <summary>The four points, and a fifth to check.</summary>
    public IReadOnlyList<TapedPoint> Points { get; private set; } = [];

    /// <summary>What is taped: a thing's key, <c>wall</c> or <c>points</c>.</summary>
    public string Taped { get; private set; } = string.Empty;

    /// <summary>What stands in a point's field.</summary>
    public string Shown(int point, bool up) => By == "points" && Request.Query.TryGetValue($"{(up ? "u" : "a")}{point}", out var typed) ? typed.ToString()
        : point < Points.Count ? LengthText.Exact(up ? Points[point].Up : Points[point].Across, Style.System) : string.Empty;

    /// <summary>Shows the page.</summary>
    public IActionResult OnGet()
    {
        if (!Open())
        {
            return NotFound();
        }

        if (Survey is not { Wall: var wall })
        {
            return Page();
        }

        var thing = Things.FirstOrDefault(i => i.Id == By) ?? (string.IsNullOrEmpty(By) ? Things.OrderBy(i => Job.Plan.Placement(i.Id)!.Picture is null).FirstOrDefault() : null);
        Taped = By == "points" ? By : thing?.Id ?? "wall";
        var rect = thing is null ? new Rect(Length.Zero, Length.Zero, wall.Width, wall.Height) : Job.Plan.Placement(thing.Id)!.Outer;
        Points =
        [
            new(Corners[0], rect.Left, rect.Top), new(Corners[1], rect.Right, rect.Top), new(Corners[2], rect.Right, rect.Bottom), new(Corners[3], rect.Left, rect.Bottom), new("check", rect.CentreX, rect.CentreY),
        ];
        if (By == "points")
        {
            Points = Typed() ?? Points;
        }

        return Page();
    }

    private List<TapedPoint>? Typed()
    {
        var points = new List<TapedPoint>();
        for (var i = 0; i < 5; i++)
        {
            var (across, up) = (LengthReader.Read(Shown(i, up: false), Style.System), LengthReader.Read(Shown(i, up: true), Style.System));
            if ((across.Problem ?? up.Problem) is { } problem)
            {
                Problem = $"The {(i < 4 ? Corners[i] + " point" : "point to check")}: {problem.Understood}. Expected: {problem.Expected}.";
                return null;
            }

            points.Add(new(i < 4 ? Corners[i] : "check", across.Value, up.Value));
        }

        // Their places on the floor of a picture are their places on the wall: what holds a photo holds a projector.
        if (Homography.Fit([.. points.Take(4).Select(p => new PointPair(p.Name, p.Across.Inches, -p.Up.Inches, p.Across.Inches, p.Up.Inches))]).Problem is { } unsound)
        {
            Problem = $"{unsound.Say(Style)}.";
            return null;
        }

        return points;
    }
}
