using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Core.Planning;

namespace Corrie.Core.Survey;

/// <summary>A point of a photo whose place on the wall was measured.</summary>
/// <param name="Id">Short key in the sheet, and its number on the picture.</param>
/// <param name="X">Across the picture, as a share of its width.</param>
/// <param name="Y">Down the picture, as a share of its height.</param>
/// <param name="Across">From the left corner.</param>
/// <param name="Up">Over the floor.</param>
public sealed record PhotoPoint(string Id, double X, double Y, Length Across, Length Up);

/// <summary>A hole that is seen on a photo.</summary>
/// <param name="Id">Key of the mount and number of the bolt, such as <c>m1-2</c>.</param>
/// <param name="X">Across the picture, as a share of its width.</param>
/// <param name="Y">Down the picture, as a share of its height.</param>
public sealed record PhotoHole(string Id, double X, double Y);

/// <summary>A photo of the wall, and points on it by which it is squared.</summary>
/// <param name="Photo">Key of the photo.</param>
/// <param name="Points">The points.</param>
/// <param name="Holes">Holes that are seen on it.</param>
public sealed record SquaredChoice(string Photo, IReadOnlyList<PhotoPoint> Points, IReadOnlyList<PhotoHole> Holes)
{
    private static readonly GroupShape<PhotoHole> Hole = new("a hole", m => new PhotoHole(
        m.Key,
        m.Need("x", new NumberShape("across the picture, as a share of its width", 0, 1)),
        m.Need("y", new NumberShape("down the picture, as a share of its height", 0, 1))));

    private static readonly GroupShape<PhotoPoint> Point = new("a point", m => new PhotoPoint(
        m.Key,
        m.Need("x", new NumberShape("across the picture, as a share of its width", 0, 1)),
        m.Need("y", new NumberShape("down the picture, as a share of its height", 0, 1)),
        m.Length("across", "where it is, from the left corner", LengthRange.Along),
        m.Length("up", "where it is, over the floor", LengthRange.Along)));

    /// <summary>How it is described.</summary>
    public static Part<SquaredChoice> Part { get; } = new(Holder.Wall, "squared", new GroupShape<SquaredChoice>("the photo that is laid under the drawing", m => new SquaredChoice(
        m.Need("photo", new TextShape("key of the photo", 24)),
        m.Map("points", "points on it whose places were measured", Point, 12),
        m.Map("holes", "holes that are seen on it, by mount and bolt", Hole, 100))));
}

/// <summary>A photo as it lies on the wall.</summary>
/// <param name="Picture">The picture's name.</param>
/// <param name="ToWall">From shares of the picture to inches on the wall; null where the points do not say it.</param>
/// <param name="Problem">Why not.</param>
/// <param name="Off">How far each point is from where all of them put it: nothing with four points, a check with more.</param>
public sealed record SquaredPhoto(string Picture, Homography? ToWall, Phrase? Problem, IReadOnlyList<(string Point, Length Off)> Off)
{
    private static readonly Result<Kept> Result = new("squared photo");

    /// <summary>The photo of a wall, squared.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="wall">Key of the wall.</param>
    /// <returns>The photo; null where none is chosen, or the one that was is taken down.</returns>
    public static SquaredPhoto? Of(IResults plan, string wall) => plan.Later(Result, wall, () =>
        new Kept(plan.Sheet.Wall(wall)?.Get(SquaredChoice.Part) is { } choice && plan.Survey(wall)?.Wall.Photos.FirstOrDefault(p => p.Id == choice.Photo) is { } photo ? Of(photo.Picture, choice.Points) : null)).Photo;

    /// <summary>A picture, squared by points.</summary>
    /// <param name="picture">The picture's name.</param>
    /// <param name="points">The points.</param>
    /// <returns>How it lies on the wall.</returns>
    public static SquaredPhoto Of(string picture, IReadOnlyList<PhotoPoint> points)
    {
        List<PointPair> pairs = [.. points.Select(p => new PointPair(p.Id, p.X, p.Y, p.Across.Inches, p.Up.Inches))];
        var (found, problem) = Homography.Fit(pairs);
        return new(picture, found, problem, found is null || pairs.Count == 4 ? [] : [.. pairs.Select(p => (p.Name, Length.FromInches(found.Off(p))))]);
    }

    private sealed record Kept(SquaredPhoto? Photo);
}
