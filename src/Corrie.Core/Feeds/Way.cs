using Corrie.Core.Measure;

namespace Corrie.Core.Feeds;

/// <summary>A move of a cable.</summary>
public enum WayMoveKind
{
    /// <summary>Up or down a bay.</summary>
    AlongBay,

    /// <summary>Through a noggin.</summary>
    Noggin,

    /// <summary>Through a stud, or several that stand together.</summary>
    Stud,

    /// <summary>Through the top plate.</summary>
    TopPlate,

    /// <summary>Through the bottom plate.</summary>
    BottomPlate,

    /// <summary>Along the attic.</summary>
    Attic,

    /// <summary>Along the basement.</summary>
    Basement,

    /// <summary>Over the surface, in a raceway.</summary>
    Surface,
}

/// <summary>A move of a cable from one place to another.</summary>
/// <param name="Kind">How.</param>
/// <param name="Index">The bay or member, counted from the left; a noggin's bay.</param>
/// <param name="From">Where it begins.</param>
/// <param name="To">Where it ends.</param>
/// <param name="Cost">What it costs, in the company's money.</param>
/// <param name="Minutes">How long it takes.</param>
public readonly record struct WayMove(WayMoveKind Kind, int Index, WayEnd From, WayEnd To, double Cost, double Minutes)
{
    /// <summary>Whether something is drilled for it.</summary>
    public bool Drills => Kind is WayMoveKind.Noggin or WayMoveKind.Stud or WayMoveKind.TopPlate or WayMoveKind.BottomPlate;

    /// <summary>How long the cable is on it.</summary>
    public Length Run => (To.X - From.X).Abs + (To.Y - From.Y).Abs;

    /// <summary>What is drilled: the same for two ways that go through the same piece of wood, at whatever height.</summary>
    public (WayMoveKind Kind, int Index, long Y) Piece => (Kind, Index, Kind == WayMoveKind.Noggin ? From.Y.Units : 0);
}

/// <summary>A way of a cable through or along the wall.</summary>
/// <param name="Moves">Its moves, from end to end.</param>
public sealed record Way(IReadOnlyList<WayMove> Moves)
{
    /// <summary>What it costs.</summary>
    public double Cost { get; } = Moves.Sum(m => m.Cost);

    /// <summary>How long it takes.</summary>
    public double Minutes { get; } = Moves.Sum(m => m.Minutes);

    /// <summary>How long it is.</summary>
    public Length Run { get; } = Moves.Aggregate(Length.Zero, (sum, m) => sum + m.Run);

    /// <summary>Whether it runs over the surface.</summary>
    public bool OnSurface => Moves.Any(m => m.Kind == WayMoveKind.Surface);

    /// <summary>What is drilled.</summary>
    public IEnumerable<WayMove> Holes => Moves.Where(m => m.Drills);

    /// <summary>How often it turns by 90 degrees; sideways within a bay it only leans.</summary>
    public int Bends
    {
        get
        {
            var (bends, before) = (0, (bool?)null);
            foreach (var move in Moves.Where(m => m.Run > Length.Zero && (m.Kind != WayMoveKind.AlongBay || m.From.X == m.To.X)))
            {
                var upright = move.From.X == move.To.X;
                bends += before is { } was && was != upright ? 1 : 0;
                before = upright;
            }

            return bends;
        }
    }

    /// <summary>Whether another way does without a piece of wood that this one drills: only then is it another way.</summary>
    /// <param name="other">The other way.</param>
    /// <returns>Whether it does; a way over the surface always does.</returns>
    public bool DiffersFrom(Way other)
    {
        if (OnSurface != other.OnSurface)
        {
            return true;
        }

        var mine = Holes.Select(h => h.Piece).ToHashSet();
        return other.Holes.Any(h => !mine.Contains(h.Piece));
    }
}
