namespace Corrie.Core.Measure;

/// <summary>A connected part of what is free: upright rectangles that touch each other.</summary>
/// <param name="Pieces">The rectangles, edges included; one of no width or height is a line or point along which there is just room.</param>
public sealed record FreeWindow(IReadOnlyList<Rect> Pieces)
{
    /// <summary>The least rectangle round it.</summary>
    public Rect Bounds { get; } = Round(Pieces);

    private static Rect Round(IReadOnlyList<Rect> pieces)
    {
        var (left, right, bottom, top) = (pieces[0].Left, pieces[0].Right, pieces[0].Bottom, pieces[0].Top);
        foreach (var piece in pieces)
        {
            (left, right, bottom, top) = (Length.Min(left, piece.Left), Length.Max(right, piece.Right), Length.Min(bottom, piece.Bottom), Length.Max(top, piece.Top));
        }

        return Rect.Between(left, right, bottom, top);
    }

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
        var edges = Edges(bounds, solid);
        var (pieces, begins) = (new List<Piece>(), new List<int>());
        for (var i = 0; i < edges.Count; i++)
        {
            begins.Add(pieces.Count);
            Slab(bounds, solid, edges[i], edges[i], pieces);
            begins.Add(pieces.Count);
            if (i + 1 < edges.Count)
            {
                Slab(bounds, solid, edges[i], edges[i + 1], pieces);
            }
        }

        // Pieces that touch belong together; a line that lies along a piece beside it says nothing of its own.
        var (parents, covered) = (new int[pieces.Count], new bool[pieces.Count]);
        for (var i = 0; i < parents.Length; i++)
        {
            parents[i] = i;
        }

        int Root(int i) => parents[i] == i ? i : parents[i] = Root(parents[i]);
        for (var s = 0; s + 2 < begins.Count; s++)
        {
            for (var m = begins[s]; m < begins[s + 1]; m++)
            {
                for (var n = begins[s + 1]; n < begins[s + 2]; n++)
                {
                    var (a, b) = (pieces[m], pieces[n]);
                    if (a.Bottom <= b.Top && b.Bottom <= a.Top)
                    {
                        parents[Root(n)] = Root(m);
                        var (line, beside) = s % 2 == 0 ? (m, b) : (n, a);
                        covered[line] |= beside.Bottom <= pieces[line].Bottom && beside.Top >= pieces[line].Top;
                    }
                }
            }
        }

        var windows = new Dictionary<int, List<Rect>>();
        for (var i = 0; i < pieces.Count; i++)
        {
            if (!covered[i])
            {
                (windows.TryGetValue(Root(i), out var window) ? window : windows[Root(i)] = []).Add(pieces[i].Outline);
            }
        }

        return new([.. windows.Values.Select(w => new FreeWindow(w)).OrderBy(w => w.Bounds.Left).ThenBy(w => w.Bounds.Bottom)]);
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

    // Where something begins or ends, from the left.
    private static List<Length> Edges(Rect bounds, List<Rect> solid)
    {
        var edges = new SortedSet<Length> { bounds.Left, bounds.Right };
        foreach (var block in solid)
        {
            edges.Add(Length.Max(block.Left, bounds.Left));
            edges.Add(Length.Min(block.Right, bounds.Right));
        }

        return [.. edges];
    }

    private static void Slab(Rect bounds, List<Rect> solid, Length left, Length right, List<Piece> pieces)
    {
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
                pieces.Add(new(left, right, free, block.Bottom));
            }

            free = Length.Max(free, block.Top);
        }

        if (free <= bounds.Top)
        {
            pieces.Add(new(left, right, free, bounds.Top));
        }
    }

    private readonly record struct Piece(Length Left, Length Right, Length Bottom, Length Top)
    {
        public Rect Outline => Rect.Between(Left, Right, Bottom, Top);
    }
}
