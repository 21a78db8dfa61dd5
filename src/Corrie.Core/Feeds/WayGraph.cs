using Corrie.Core.Measure;
using Corrie.Core.Planning;

namespace Corrie.Core.Feeds;

/// <summary>A step of the graph that a way is looked for in.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Index">The bay or member.</param>
/// <param name="Row">The height that it is at, or goes up from, by its number; 0 where that says nothing.</param>
internal readonly record struct WayStep(WayMoveKind Kind, int Index, int Row);

/// <summary>
/// The cheapest way through a framed wall: a graph of bays at the heights where something changes, searched by Dijkstra's method. Where bends are
/// limited, a state also knows which way it came and how often it has turned.
/// </summary>
internal sealed class WayGraph
{
    private const int Upright = 1;
    private const int Level = 2;

    private readonly WayWall wall;
    private readonly FeedFigures figures;
    private readonly WayEnd from;
    private readonly WayEnd to;
    private readonly bool bores;
    private readonly int? mostBends;
    private readonly int first;
    private readonly int last;
    private readonly int attic;
    private readonly int basement;
    private readonly double[] line;
    private readonly double[] y;
    private readonly (double Cost, WayStep Step, int To)[][] steps;
    private readonly int places;
    private readonly double[] best;
    private readonly (int Before, int Step)[] came;

    /// <summary>Lays the graph out.</summary>
    /// <param name="wall">What the wall lets through.</param>
    /// <param name="figures">What moves cost.</param>
    /// <param name="from">Where the way begins; in a bay.</param>
    /// <param name="to">Where it ends; in a bay.</param>
    /// <param name="rows">The heights at which it may turn, from the lowest.</param>
    /// <param name="bores">Whether studs may be drilled for it.</param>
    /// <param name="mostBends">How often it may turn; null for as often as it likes.</param>
    public WayGraph(WayWall wall, FeedFigures figures, WayEnd from, WayEnd to, IReadOnlyList<Length> rows, bool bores, int? mostBends)
    {
        (this.wall, this.figures, this.from, this.to, this.bores, this.mostBends) = (wall, figures, from, to, bores, mostBends);
        Rows = rows;
        var bays = wall.Bays.All.Items;
        (first, last) = (wall.Bays.At(from.X)?.Index ?? -1, wall.Bays.At(to.X)?.Index ?? -1);
        line = [.. bays.Select(b => (b.Index == first ? from.X : b.Index == last ? to.X : b.Centre).Inches)];
        y = [.. rows.Select(r => r.Inches)];
        attic = bays.Count * rows.Count;
        basement = attic + bays.Count;
        places = basement + bays.Count;
        steps = Lay(bays.Count);
        var states = places * (mostBends is { } most ? 3 * (most + 1) : 1);
        (best, came) = (new double[states], new (int, int)[states]);
    }

    /// <summary>The heights at which it may turn.</summary>
    public IReadOnlyList<Length> Rows { get; }

    /// <summary>The heights at which ways may turn: where something changes, and what keeps clear of another cable there.</summary>
    /// <param name="wall">What the wall lets through.</param>
    /// <param name="ends">The ends of all ways.</param>
    /// <param name="apart">How far ways keep apart; null for one way alone.</param>
    /// <returns>The heights, from the lowest.</returns>
    public static IReadOnlyList<Length> RowsOf(WayWall wall, IEnumerable<WayEnd> ends, Length? apart)
    {
        var fixedOnes = ends.Select(e => e.Y).ToHashSet();
        var all = wall.Heights().Where(h => h >= WayWall.Lowest && h <= wall.Highest).Concat(fixedOnes);
        if (apart is { } distance)
        {
            all = all.ToList().SelectMany(h => new[] { h, h + distance, h - distance }).Where(h => fixedOnes.Contains(h) || (h >= WayWall.Lowest && h <= wall.Highest));
        }

        return [.. all.Distinct().Order()];
    }

    /// <summary>The cheapest way.</summary>
    /// <param name="forbidden">Steps that are not to be taken.</param>
    /// <param name="extra">What is added to a step's cost, to choose between ways that cost the same; null for nothing.</param>
    /// <returns>The way as steps; null where there is none.</returns>
    public IReadOnlyList<WayStep>? Shortest(Func<WayStep, bool> forbidden, Func<WayStep, double>? extra = null)
    {
        if (first < 0 || last < 0)
        {
            return null;
        }

        Array.Fill(best, double.PositiveInfinity);
        var (start, goal) = (Place(first, from.Y), Place(last, to.Y));
        var queue = new PriorityQueue<int, double>();
        var turns = mostBends is { } most ? most + 1 : 0;
        int State(int place, int way, int bends) => turns == 0 ? place : (((place * turns) + bends) * 3) + way;
        var begin = State(start, 0, 0);
        best[begin] = 0;
        came[begin] = (-1, -1);
        queue.Enqueue(begin, 0);
        while (queue.TryDequeue(out var state, out var cost))
        {
            if (cost > best[state])
            {
                continue;
            }

            var place = turns == 0 ? state : state / 3 / turns;
            if (place == goal)
            {
                return Trace(state);
            }

            var (way, bends) = turns == 0 ? (0, 0) : (state % 3, state / 3 % turns);
            for (var i = 0; i < steps[place].Length; i++)
            {
                var (price, step, next) = steps[place][i];
                if (forbidden(step))
                {
                    continue;
                }

                var (nextWay, nextBends) = (0, 0);
                if (turns > 0)
                {
                    nextWay = step.Kind is WayMoveKind.Stud or WayMoveKind.Attic or WayMoveKind.Basement ? Level : Upright;
                    nextBends = bends + (way != 0 && way != nextWay ? 1 : 0);
                    if (nextBends >= turns)
                    {
                        continue;
                    }
                }

                var to = State(next, nextWay, nextBends);
                var total = cost + price + (extra?.Invoke(step) ?? 0);
                if (total < best[to])
                {
                    best[to] = total;
                    came[to] = (state, i);
                    queue.Enqueue(to, total);
                }
            }
        }

        return null;

        List<WayStep> Trace(int at)
        {
            var found = new List<WayStep>();
            while (came[at].Before >= 0)
            {
                var (before, step) = came[at];
                found.Add(steps[turns == 0 ? before : before / 3 / turns][step].Step);
                at = before;
            }

            found.Reverse();
            return found;
        }
    }

    /// <summary>What steps cost together.</summary>
    /// <param name="way">The steps.</param>
    /// <returns>The cost, in the company's money, the stretch across the last bay not counted.</returns>
    public double Cost(IReadOnlyList<WayStep> way)
    {
        var (place, sum) = (Place(first, from.Y), 0d);
        foreach (var step in way)
        {
            var (cost, _, next) = steps[place].First(s => s.Step == step);
            (place, sum) = (next, sum + cost);
        }

        return sum;
    }

    /// <summary>A way told in moves, straight stretches together.</summary>
    /// <param name="way">The steps.</param>
    /// <returns>The way.</returns>
    public Way Told(IReadOnlyList<WayStep> way)
    {
        var moves = new List<WayMove>();
        var at = new WayEnd(Length.FromInches(line[first]), from.Y);
        var place = Place(first, from.Y);
        foreach (var step in way)
        {
            var (cost, _, next) = steps[place].First(s => s.Step == step);
            var end = At(next);
            foreach (var move in MovesOf(step, at, end, cost, place, next))
            {
                if (moves.Count > 0 && moves[^1] is var last && last.Kind == move.Kind && (last.Index == move.Index || move.Kind is WayMoveKind.Attic or WayMoveKind.Basement) && !move.Drills)
                {
                    moves[^1] = last with { To = move.To, Cost = last.Cost + move.Cost, Minutes = last.Minutes + move.Minutes };
                }
                else if (move.Cost > 0 || move.Run > Length.Zero)
                {
                    moves.Add(move);
                }
            }

            (at, place) = (end, next);
        }

        if (at.X != to.X)
        {
            var across = (to.X - at.X).Abs.Inches / 12;
            moves.Add(new(WayMoveKind.AlongBay, last, at, to, across * figures.Cost(figures.AlongBay), across * figures.AlongBay.Minutes));
        }

        return new(moves);
    }

    private IEnumerable<WayMove> MovesOf(WayStep step, WayEnd a, WayEnd b, double cost, int place, int next)
    {
        if (step.Kind is WayMoveKind.AlongBay)
        {
            var (low, high) = (Length.Min(a.Y, b.Y), Length.Max(a.Y, b.Y));
            var noggins = wall.Bays.Crossings.Items.Where(c => c.Crosses(wall.Bays.All.Items[step.Index]) && WayWall.Middle(c) > low && WayWall.Middle(c) <= high).Select(WayWall.Middle);
            var at = a;
            foreach (var middle in a.Y < b.Y ? noggins.Order() : noggins.OrderDescending())
            {
                var here = new WayEnd(a.X, middle);
                yield return Run(step.Index, at, here);
                yield return new(WayMoveKind.Noggin, step.Index, here, here, figures.Cost(figures.Noggin), figures.Noggin.Minutes);
                at = here;
            }

            yield return Run(step.Index, at, b);
        }
        else
        {
            var feet = ((b.X - a.X).Abs + (b.Y - a.Y).Abs).Inches / 12;
            var minutes = step.Kind switch
            {
                WayMoveKind.Stud => (figures.Stud.Minutes * wall.Bays.Members.Items[step.Index].Plies) + (feet * figures.AlongBay.Minutes),
                WayMoveKind.TopPlate => figures.TopPlate.Minutes + (figures.Attic.Minutes / 2) + (feet * figures.AlongBay.Minutes),
                WayMoveKind.BottomPlate => figures.BottomPlate.Minutes + (figures.Basement.Minutes / 2) + (feet * figures.AlongBay.Minutes),
                _ => feet * figures.AlongOpen.Minutes,
            };
            _ = (place, next);
            yield return new(step.Kind, step.Index, a, b, cost, minutes);
        }
    }

    private WayMove Run(int bay, WayEnd a, WayEnd b)
    {
        var feet = (b.Y - a.Y).Abs.Inches / 12;
        return new(WayMoveKind.AlongBay, bay, a, b, feet * figures.Cost(figures.AlongBay), feet * figures.AlongBay.Minutes);
    }

    private int Place(int bay, Length height)
    {
        for (var i = 0; i < Rows.Count; i++)
        {
            if (Rows[i] == height)
            {
                return (bay * Rows.Count) + i;
            }
        }

        throw new InvalidOperationException("An end of a way is not among the heights.");
    }

    private WayEnd At(int place)
    {
        var bay = place < attic ? place / Rows.Count : place < basement ? place - attic : place - basement;
        return new(Length.FromInches(line[bay]), place < attic ? Rows[place % Rows.Count] : place < basement ? wall.Height : Length.Zero);
    }

    private (double, WayStep, int)[][] Lay(int bays)
    {
        var laid = new List<(double, WayStep, int)>[places];
        for (var i = 0; i < places; i++)
        {
            laid[i] = [];
        }

        void Both(int a, int b, double cost, WayStep step)
        {
            laid[a].Add((cost, step, b));
            laid[b].Add((cost, step, a));
        }

        var along = figures.Cost(figures.AlongBay) / 12;
        var open = figures.Cost(figures.AlongOpen) / 12;
        for (var bay = 0; bay < bays; bay++)
        {
            for (var row = 0; row + 1 < Rows.Count; row++)
            {
                if (wall.Passes(bay, Rows[row], Rows[row + 1]))
                {
                    Both((bay * Rows.Count) + row, (bay * Rows.Count) + row + 1, (along * (y[row + 1] - y[row])) + (wall.Noggins(bay, Rows[row], Rows[row + 1]) * figures.Cost(figures.Noggin)), new(WayMoveKind.AlongBay, bay, row));
                }
            }

            var (lowest, highest) = (bay * Rows.Count, (bay * Rows.Count) + Rows.Count - 1);
            if (wall.Attic && wall.Passes(bay, Rows[^1], wall.Height))
            {
                Both(highest, attic + bay, figures.Cost(figures.TopPlate) + (figures.Cost(figures.Attic) / 2) + (along * (wall.Height.Inches - y[^1])) + (wall.Noggins(bay, Rows[^1], wall.Height) * figures.Cost(figures.Noggin)), new(WayMoveKind.TopPlate, bay, 0));
            }

            if (wall.Basement && wall.Passes(bay, Length.Zero, Rows[0]))
            {
                Both(lowest, basement + bay, figures.Cost(figures.BottomPlate) + (figures.Cost(figures.Basement) / 2) + (along * y[0]) + (wall.Noggins(bay, Length.Zero, Rows[0]) * figures.Cost(figures.Noggin)), new(WayMoveKind.BottomPlate, bay, 0));
            }

            if (bay + 1 == bays)
            {
                continue;
            }

            var across = Math.Abs(line[bay + 1] - line[bay]);
            if (bores)
            {
                for (var row = 0; row < Rows.Count; row++)
                {
                    if (wall.Drills(bay, Rows[row]))
                    {
                        Both((bay * Rows.Count) + row, ((bay + 1) * Rows.Count) + row, (figures.Cost(figures.Stud) * wall.Bays.Members.Items[bay].Plies) + (along * across), new(WayMoveKind.Stud, bay, row));
                    }
                }
            }

            if (wall.Attic)
            {
                Both(attic + bay, attic + bay + 1, open * across, new(WayMoveKind.Attic, bay, 0));
            }

            if (wall.Basement)
            {
                Both(basement + bay, basement + bay + 1, open * across, new(WayMoveKind.Basement, bay, 0));
            }
        }

        return [.. laid.Select(l => l.ToArray())];
    }
}
