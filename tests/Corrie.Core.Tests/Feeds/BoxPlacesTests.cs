using Corrie.Core.Feeds;
using Corrie.Core.Measure;
using NetTopologySuite.Geometries;
using NetTopologySuite.Operation.Union;

namespace Corrie.Core.Tests.Feeds;

/// <summary>Where boxes may go, beside the difference of polygons by NetTopologySuite; the best place, beside every place on a grid of 1/8 in.</summary>
public class BoxPlacesTests
{
    private const int Grid = 8;
    private static readonly GeometryFactory Geometry = new();

    [Fact]
    public void Windows_are_what_is_left_and_the_best_place_is_the_best()
    {
        var random = new Random(1503);
        var (none, several, level) = (0, 0, 0);
        for (var n = 0; n < 1000; n++)
        {
            // In eighths of an inch: 12 to 40 in of wall, as many blocks as a display has behind it.
            int Of(int from, int to) => random.Next(from, to + 1);
            var bounds = (Left: Of(0, 40), Bottom: Of(0, 40), Wide: Of(0, 5) == 0 ? 0 : Of(40, 180), High: Of(40, 110));
            (int Left, int Bottom, int Wide, int High)[] blocks = [.. Enumerable.Range(0, Of(0, 12)).Select(i => i % 3 == 0 ? (Of(0, 360), 0, Of(20, 60), 400) : (Of(0, 360), Of(0, 280), Of(8, 120), Of(8, 120)))];
            var aim = new BoxAim(In(Of(0, 360)), In(Of(0, 280)), Of(0, 1) == 0 ? In(Of(40, 160)) : null, Of(0, 1) == 0, Of(0, 2) == 0 && Of(0, 360) is var from ? (In(from), In(from + Of(40, 120))) : null);
            if (aim.LevelFirst)
            {
                aim = aim with { Low = null };
                level++;
            }

            var places = new BoxPlaces(Rect(bounds), [.. blocks.Select(b => new Blocked(BlockedBy.Kept, "block", Rect(b), Rect(b)))], aim);
            bool Free(int x, int y) => blocks.All(b => b.Wide == 0 || b.High == 0 || x <= b.Left || x >= b.Left + b.Wide || y <= b.Bottom || y >= b.Bottom + b.High);
            (long, long, long, long)? best = null;
            for (var x = bounds.Left; x <= bounds.Left + bounds.Wide; x++)
            {
                for (var y = bounds.Bottom; y <= bounds.Bottom + bounds.High; y++)
                {
                    var free = Free(x, y);
                    if ((x + y) % 7 == 0)
                    {
                        Assert.Equal(free, places.Centres.At(In(x), In(y)) is not null);
                    }

                    if (free && Order(x, y, aim) is var score && (best is null || score.CompareTo(best.Value) < 0))
                    {
                        best = score;
                    }
                }
            }

            // All figures are eighths, so that the best place is on the grid.
            Assert.Equal(best is null, places.All.Count == 0);
            none += best is null ? 1 : 0;
            if (best is { } least)
            {
                var first = places.All[0];
                Assert.Equal(least, Order((int)(first.X / In(1)), (int)(first.Y / In(1)), aim));
                Assert.Equal(places.Centres.Windows.Count, places.All.Count);
                several += places.All.Count > 1 ? 1 : 0;
            }

            if (bounds.Wide > 0)
            {
                var whole = Polygon(bounds);
                var left = blocks.Length == 0 ? whole : whole.Difference(CascadedPolygonUnion.Union([.. blocks.Select(Polygon)]));
                var area = places.Centres.Windows.SelectMany(w => w.Pieces).Sum(p => p.Width.Inches * Grid * p.Height.Inches * Grid);
                Assert.Equal(left.Area, area, 1e-6);
                var parts = Enumerable.Range(0, left.NumGeometries).Count(i => left.GetGeometryN(i).Area > 0);
                Assert.True(places.Centres.Windows.Count(w => w.Pieces.Any(p => p.Width > Length.Zero && p.Height > Length.Zero)) <= parts);
            }
        }

        Assert.True(none > 10 && several > 200 && level > 300, $"{none}, {several}, {level}");
    }

    // The stated order, written once more. Behind a display: not low, nearest to the ports, high, left; at the other end: level, not in the bay, near, high.
    private static (long, long, long, long) Order(int x, int y, BoxAim aim)
    {
        var (ax, ay) = ((int)(aim.X / In(1)), (int)(aim.Y / In(1)));
        var inBay = aim.NotBetween is { } bay && In(x) > bay.Left && In(x) < bay.Right ? 1 : 0;
        return aim.LevelFirst ? (Math.Abs(y - ay), inBay, Math.Abs(x - ax), -y) : ((aim.Low is { } low && In(y) < low ? 1 : 0) + (2 * inBay), Math.Abs(x - ax) + Math.Abs(y - ay), -y, x);
    }

    private static Length In(int eighths) => Length.FromUnits(eighths * (Length.PerInch / Grid));

    private static Rect Rect((int Left, int Bottom, int Wide, int High) r) => new(In(r.Left), In(r.Bottom), In(r.Wide), In(r.High));

    private static Geometry Polygon((int Left, int Bottom, int Wide, int High) r) => Geometry.ToGeometry(new Envelope(r.Left, r.Left + r.Wide, r.Bottom, r.Bottom + r.High));
}
