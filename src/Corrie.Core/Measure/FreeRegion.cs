namespace Corrie.Core.Measure;

/// <summary>A connected part of what is free: upright rectangles that touch each other.</summary>
/// <param name="Pieces">The rectangles, edges included; one of no width or height is a line or point along which there is just room.</param>
public sealed record FreeWindow(IReadOnlyList<Rect> Pieces)
{
    /// <summary>The least rectangle round it.</summary>
    public Rect Bounds { get; } = Rect.Between(Pieces.Min(p => p.Left), Pieces.Max(p => p.Right), Pieces.Min(p => p.Bottom), Pieces.Max(p => p.Top));

    /// <summary>Whether a point lies in it; its edges are part of it.</summary>
    /// <param name="x">From the left corner.</param>
    /// <param name="y">Over the floor.</param>
    /// <returns>Whether it does.</returns>
    public bool Holds(Length x, Length y) => Pieces.Any(p => x >= p.Left && x <= p.Right && y >= p.Bottom && y <= p.Top);
}

/// <summary>What is left of a rectangle when others are taken out of it: where the centre of something may be. Touching is allowed.</summary>
/// <param name="Windows">Its connected parts, from the left.</param>
public sealed record FreeRegion(IReadOnlyList<FreeWindow> Windows)
{
    /// <summary>Takes rectangles out of a rectangle.</summary>
    /// <param name="bounds">The whole; nothing is free where its size is negative.</param>
    /// <param name="blocked">What is taken out: the inside of each, its edges stay free.</param>
    /// <returns>What is left.</returns>
    public static FreeRegion Of(Rect bounds, IReadOnlyList<Rect> blocked)
    {
        if (bounds.Width < Length.Zero || bounds.Height < Length.Zero)
        {
            return new([]);
        }

        var solid = Solid(bounds, blocked);
        var edges = solid.SelectMany(b => new[] { b.Left, b.Right }).Where(x => x > bounds.Left && x < bounds.Right).Append(bounds.Left).Append(bounds.Right).Distinct().Order().ToList();
        var (slabs, parents) = (new List<List<Piece>>(), new List<int>());
        for (var i = 0; i < edges.Count; i++)
        {
            var x = edges[i];
            slabs.Add(Slab(bounds, solid, x, x, parents));
            if (i + 1 < edges.Count)
            {
                slabs.Add(Slab(bounds, solid, x, edges[i + 1], parents));
            }
        }

        int Root(int i) => parents[i] == i ? i : parents[i] = Root(parents[i]);
        for (var s = 0; s + 1 < slabs.Count; s++)
        {
            foreach (var a in slabs[s])
            {
                foreach (var b in slabs[s + 1].Where(b => a.Rect.Bottom <= b.Rect.Top && b.Rect.Bottom <= a.Rect.Top))
                {
                    parents[Root(b.Id)] = Root(a.Id);
                }
            }
        }

        // A line that lies along a piece beside it says nothing of its own.
        bool Covered(int s, Piece p) => s % 2 == 0 && new[] { s - 1, s + 1 }.Where(n => n >= 0 && n < slabs.Count).SelectMany(n => slabs[n]).Any(q => q.Rect.Bottom <= p.Rect.Bottom && q.Rect.Top >= p.Rect.Top);
        return new(
        [
            .. slabs.SelectMany((slab, s) => slab.Where(p => !Covered(s, p))).GroupBy(p => Root(p.Id)).Select(g => new FreeWindow([.. g.Select(p => p.Rect)]))
                .OrderBy(w => w.Bounds.Left).ThenBy(w => w.Bounds.Bottom),
        ]);
    }

    /// <summary>The part that a point lies in.</summary>
    /// <param name="x">From the left corner.</param>
    /// <param name="y">Over the floor.</param>
    /// <returns>The part; null where it is not free.</returns>
    public FreeWindow? At(Length x, Length y) => Windows.FirstOrDefault(w => w.Holds(x, y));

    // What takes something away from the bounds, from the lowest. What lies in another takes away nothing of its own.
    private static List<Rect> Solid(Rect bounds, IReadOnlyList<Rect> blocked)
    {
        var solid = new List<Rect>(blocked.Count);
        foreach (var b in blocked)
        {
            if (b.Width > Length.Zero && b.Height > Length.Zero && b.Left < bounds.Right && b.Right > bounds.Left && b.Bottom < bounds.Top && b.Top > bounds.Bottom
                && !solid.Exists(o => Inside(b, o)))
            {
                solid.RemoveAll(o => Inside(o, b));
                solid.Add(b);
            }
        }

        solid.Sort((a, b) => a.Bottom.CompareTo(b.Bottom));
        return solid;
    }

    private static bool Inside(Rect inner, Rect outer) => outer.Left <= inner.Left && outer.Right >= inner.Right && outer.Bottom <= inner.Bottom && outer.Top >= inner.Top;

    private static List<Piece> Slab(Rect bounds, List<Rect> solid, Length left, Length right, List<int> parents)
    {
        var pieces = new List<Piece>();
        void Free(Length from, Length to)
        {
            pieces.Add(new(Rect.Between(left, right, from, to), parents.Count));
            parents.Add(parents.Count);
        }

        var free = bounds.Bottom;
        foreach (var block in solid)
        {
            // Along a line what has it as an edge blocks nothing of it.
            if (left == right ? block.Left >= left || block.Right <= left : block.Left > left || block.Right < right)
            {
                continue;
            }

            if (block.Bottom >= free && block.Bottom <= bounds.Top)
            {
                Free(free, block.Bottom);
            }

            free = Length.Max(free, block.Top);
        }

        if (free <= bounds.Top)
        {
            Free(free, bounds.Top);
        }

        return pieces;
    }

    private readonly record struct Piece(Rect Rect, int Id);
}
