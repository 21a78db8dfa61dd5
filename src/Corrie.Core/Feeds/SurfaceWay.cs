using Corrie.Core.Measure;
using Corrie.Core.Planning;

namespace Corrie.Core.Feeds;

/// <summary>
/// The cheapest way of a raceway over a wall: straight stretches along the floor, the ceiling, the corners and the edges of what is there, where it
/// is hardly seen; over the open wall it counts as dearer, and every corner costs. Never over what hangs or opens.
/// </summary>
internal static class SurfaceWay
{
    private const int Upright = 1;
    private const int Level = 2;

    /// <summary>Finds it.</summary>
    /// <param name="wall">The wall's outline.</param>
    /// <param name="around">What it goes round.</param>
    /// <param name="hidden">Before which it is not seen: behind a display.</param>
    /// <param name="from">Where it begins.</param>
    /// <param name="to">Where it ends.</param>
    /// <param name="figures">What moves cost.</param>
    /// <returns>The way; null where everything is in between.</returns>
    public static Way? Of(Rect wall, IReadOnlyList<Rect> around, IReadOnlyList<Rect> hidden, WayEnd from, WayEnd to, FeedFigures figures)
    {
        // What an end lies in is where it comes out.
        var blocks = around.Where(a => !a.Holds(from.X, from.Y) && !a.Holds(to.X, to.Y)).ToList();
        List<Length> xs = [.. blocks.Concat(hidden).SelectMany(b => new[] { b.Left, b.Right }).Concat([from.X, to.X, wall.Left, wall.Right]).Where(x => x >= wall.Left && x <= wall.Right).Distinct().Order()];
        List<Length> ys = [.. blocks.Concat(hidden).SelectMany(b => new[] { b.Bottom, b.Top }).Concat([from.Y, to.Y, wall.Bottom, wall.Top]).Where(y => y >= wall.Bottom && y <= wall.Top).Distinct().Order()];
        var places = xs.Count * ys.Count;
        var (best, came) = (new double[places * 3], new int[places * 3]);
        Array.Fill(best, double.PositiveInfinity);
        var start = (xs.IndexOf(from.X) * ys.Count) + ys.IndexOf(from.Y);
        var goal = (xs.IndexOf(to.X) * ys.Count) + ys.IndexOf(to.Y);
        if (xs.IndexOf(from.X) < 0 || ys.IndexOf(from.Y) < 0 || xs.IndexOf(to.X) < 0 || ys.IndexOf(to.Y) < 0)
        {
            return null;
        }

        var queue = new PriorityQueue<int, double>();
        best[start * 3] = 0;
        came[start * 3] = -1;
        queue.Enqueue(start * 3, 0);
        while (queue.TryDequeue(out var state, out var cost))
        {
            if (cost > best[state])
            {
                continue;
            }

            var (place, way) = (state / 3, state % 3);
            if (place == goal)
            {
                return Told(state);
            }

            var (i, j) = (place / ys.Count, place % ys.Count);
            for (var side = 0; side < 4; side++)
            {
                var nextWay = side < 2 ? Level : Upright;
                var (ni, nj) = side < 2 ? (i - 1 + (2 * side), j) : (i, j - 5 + (2 * side));
                if (ni < 0 || nj < 0 || ni >= xs.Count || nj >= ys.Count || Price(xs[i], ys[j], xs[ni], ys[nj]) is not { } price)
                {
                    continue;
                }

                var next = (((ni * ys.Count) + nj) * 3) + nextWay;
                var total = cost + price + (way != 0 && way != nextWay ? figures.Cost(figures.Corner) : 0);
                if (total < best[next])
                {
                    (best[next], came[next]) = (total, state);
                    queue.Enqueue(next, total);
                }
            }
        }

        return null;

        double? Price(Length x1, Length y1, Length x2, Length y2)
        {
            var (left, right, low, high) = (Length.Min(x1, x2), Length.Max(x1, x2), Length.Min(y1, y2), Length.Max(y1, y2));
            bool Through(Rect b) => left < b.Right && right > b.Left && low < b.Top && high > b.Bottom
                || (left == right && left > b.Left && left < b.Right && low < b.Top && high > b.Bottom)
                || (low == high && low > b.Bottom && low < b.Top && left < b.Right && right > b.Left);
            if (blocks.Any(Through))
            {
                return null;
            }

            bool Along(Rect b) => (left == right && (left == b.Left || left == b.Right) && low >= b.Bottom && high <= b.Top) || (low == high && (low == b.Bottom || low == b.Top) && left >= b.Left && right <= b.Right);
            bool Behind(Rect b) => left >= b.Left && right <= b.Right && low >= b.Bottom && high <= b.Top;
            var feet = ((right - left) + (high - low)).Inches / 12;
            return feet * figures.Cost(figures.Surface) * (Along(wall) || blocks.Any(Along) || hidden.Any(Behind) ? 1 : figures.Seen);
        }

        Way Told(int at)
        {
            var corners = new List<WayEnd>();
            for (; at >= 0; at = came[at])
            {
                corners.Add(new(xs[at / 3 / ys.Count], ys[at / 3 % ys.Count]));
            }

            corners.Reverse();
            var moves = new List<WayMove>();
            for (var k = 0; k + 1 < corners.Count; k++)
            {
                var (a, b) = (corners[k], corners[k + 1]);
                var turned = k > 0 && (corners[k - 1].X == a.X) != (a.X == b.X);
                var minutes = (((b.X - a.X).Abs + (b.Y - a.Y).Abs).Inches / 12 * figures.Surface.Minutes) + (turned ? figures.Corner.Minutes : 0);
                var cost = Price(a.X, a.Y, b.X, b.Y)!.Value + (turned ? figures.Cost(figures.Corner) : 0);
                if (moves.Count > 0 && !turned)
                {
                    moves[^1] = moves[^1] with { To = b, Cost = moves[^1].Cost + cost, Minutes = moves[^1].Minutes + minutes };
                }
                else
                {
                    moves.Add(new(WayMoveKind.Surface, 0, a, b, cost, minutes));
                }
            }

            return new(moves);
        }
    }
}
