using System.Numerics.Tensors;
using Corrie.Core.Measure;
using Corrie.Core.Planning;

namespace Corrie.Core.Feeds;

/// <summary>A step of the graph that a way is looked for in: both ways alike.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Index">The bay or member.</param>
/// <param name="Row">The height that it is at, or goes up from, by its number; 0 where that says nothing.</param>
/// <param name="A">One end.</param>
/// <param name="B">The other end.</param>
/// <param name="Cost">What it costs, in the company's money.</param>
internal readonly record struct WayStep(WayMoveKind Kind, int Index, int Row, int A, int B, double Cost);

/// <summary>
/// The cheapest way through a framed wall: a graph of bays at the heights where something changes, searched by Dijkstra's method. Where bends are
/// limited, a state also knows which way it came and how often it has turned. Attic, basement and holes through studs are always laid out; who may
/// not use them leaves them out of a search.
/// </summary>
internal sealed class WayGraph
{
    private const int Upright = 1;
    private const int Level = 2;

    private readonly WayWall wall;
    private readonly FeedFigures figures;
    private readonly WayEnd from;
    private readonly WayEnd to;
    private readonly int? mostBends;
    private readonly int first;
    private readonly int last;
    private readonly int attic;
    private readonly int basement;
    private readonly double[] line;
    private readonly double[] y;
    private readonly List<WayStep> steps = [];
    private readonly int[] firstOf;
    private readonly int[] begins;
    private readonly int[] leaving;
    private readonly double[] best;
    private readonly (int Before, int Step)[] came;

    // One for all searches: they come one after the other, and it grows once.
    private readonly PriorityQueue<int, double> queue = new();
    private double[]? ahead;

    /// <summary>Lays the graph out.</summary>
    /// <param name="wall">What the wall lets through.</param>
    /// <param name="figures">What moves cost.</param>
    /// <param name="from">Where the way begins; in a bay.</param>
    /// <param name="to">Where it ends; in a bay.</param>
    /// <param name="rows">The heights at which it may turn, from the lowest.</param>
    /// <param name="mostBends">How often it may turn; null for as often as it likes.</param>
    public WayGraph(WayWall wall, FeedFigures figures, WayEnd from, WayEnd to, IReadOnlyList<Length> rows, int? mostBends)
    {
        (this.wall, this.figures, this.from, this.to, this.mostBends, Rows) = (wall, figures, from, to, mostBends, rows);
        var bays = wall.Bays.All.Items;
        (first, last) = (wall.Bays.At(from.X)?.Index ?? -1, wall.Bays.At(to.X)?.Index ?? -1);
        line = [.. bays.Select(b => (b.Index == first ? from.X : b.Index == last ? to.X : b.Centre).Inches)];
        y = [.. rows.Select(r => r.Inches)];
        attic = bays.Count * rows.Count;
        basement = attic + bays.Count;
        firstOf = new int[bays.Count + 1];
        Lay(bays.Count);
        var places = basement + bays.Count;
        begins = new int[places + 1];
        foreach (var step in steps)
        {
            begins[step.A + 1]++;
            begins[step.B + 1]++;
        }

        for (var i = 0; i < places; i++)
        {
            begins[i + 1] += begins[i];
        }

        leaving = new int[steps.Count * 2];
        var next = (int[])begins.Clone();
        for (var i = 0; i < steps.Count; i++)
        {
            leaving[next[steps[i].A]++] = i;
            leaving[next[steps[i].B]++] = i;
        }

        var states = places * (mostBends is { } most ? 3 * (most + 1) : 1);
        (best, came) = (new double[states], new (int, int)[states]);
    }

    /// <summary>The heights at which it may turn.</summary>
    public IReadOnlyList<Length> Rows { get; }

    /// <summary>All steps.</summary>
    public IReadOnlyList<WayStep> Steps => steps;

    /// <summary>How many places there are.</summary>
    public int Places => begins.Length - 1;

    /// <summary>The heights at which ways may turn: where something changes, and what keeps clear of another cable there.</summary>
    /// <param name="walls">What the wall lets through, for the hole of each way.</param>
    /// <param name="ends">The ends of all ways.</param>
    /// <param name="apart">How far ways keep apart; null for one way alone.</param>
    /// <returns>The heights, from the lowest.</returns>
    public static IReadOnlyList<Length> RowsOf(IReadOnlyList<WayWall> walls, IReadOnlyList<WayEnd> ends, Length? apart)
    {
        var rows = new List<Length>();
        foreach (var end in ends)
        {
            rows.Add(end.Y);
            Beside(end.Y);
        }

        foreach (var height in walls.SelectMany(w => w.Heights()).Distinct())
        {
            if (Add(height))
            {
                Beside(height);
            }
        }

        rows.Sort();
        var kept = 0;
        for (var i = 1; i < rows.Count; i++)
        {
            if (rows[i] != rows[kept])
            {
                rows[++kept] = rows[i];
            }
        }

        return rows[..(kept + 1)];

        void Beside(Length height)
        {
            if (apart is { } distance)
            {
                Add(height + distance);
                Add(height - distance);
            }
        }

        bool Add(Length height)
        {
            var inside = height >= WayWall.Lowest && height <= walls[0].Highest;
            if (inside)
            {
                rows.Add(height);
            }

            return inside;
        }
    }

    /// <summary>The steps along a bay, through its plates and through the member at its right.</summary>
    /// <param name="index">The bay's number.</param>
    /// <returns>The first of them, and the one after the last, by their numbers.</returns>
    public (int From, int To) Of(int index) => (firstOf[index], firstOf[index + 1]);

    /// <summary>Which steps are left out of a search.</summary>
    /// <param name="which">Says so of a kind.</param>
    /// <returns>Yes or no for each step.</returns>
    public bool[] Mark(Func<WayMoveKind, bool> which)
    {
        var (marked, kinds) = (new bool[steps.Count], Array.ConvertAll(Enum.GetValues<WayMoveKind>(), k => which(k)));
        for (var i = 0; i < marked.Length; i++)
        {
            marked[i] = kinds[(int)steps[i].Kind];
        }

        return marked;
    }

    /// <summary>
    /// Looks from the end how far places are from it, so that later searches that leave out as much or more go straight there. It stops
    /// where no way goes that is dearer by less than a noggin: what is farther is known to be at least as far as that.
    /// </summary>
    /// <param name="without">Steps that no later search takes.</param>
    public void Aim(bool[] without)
    {
        if (last < 0)
        {
            return;
        }

        var found = new double[Places];
        Array.Fill(found, double.PositiveInfinity);
        queue.Clear();
        var goal = Place(last, to.Y);
        found[goal] = 0;
        queue.Enqueue(goal, 0);
        var (start, far) = (first < 0 ? -1 : Place(first, from.Y), double.PositiveInfinity);
        while (queue.TryDequeue(out var place, out var cost))
        {
            if (cost > far)
            {
                TensorPrimitives.Min(found, cost, found);
                break;
            }

            far = place == start ? cost + figures.Cost(figures.Noggin) : far;

            for (var i = begins[place]; cost <= found[place] && i < begins[place + 1]; i++)
            {
                var step = steps[leaving[i]];
                var next = step.A == place ? step.B : step.A;
                if (!without[leaving[i]] && cost + step.Cost < found[next])
                {
                    found[next] = cost + step.Cost;
                    queue.Enqueue(next, found[next]);
                }
            }
        }

        ahead = found;
    }

    /// <summary>The cheapest way.</summary>
    /// <param name="without">Steps that are not to be taken; null for none.</param>
    /// <param name="dear">Steps that count as dearer; null for none.</param>
    /// <param name="by">By how much.</param>
    /// <param name="aimed">Whether it leaves out as much as the aim did.</param>
    /// <param name="under">What it has to cost less than; what is dearer is not looked for.</param>
    /// <returns>The way as steps, by their numbers; null where there is none.</returns>
    public IReadOnlyList<int>? Shortest(bool[]? without = null, bool[]? dear = null, double by = 0, bool aimed = true, double under = double.PositiveInfinity)
    {
        var rest = aimed ? ahead : null;
        if (first < 0 || last < 0)
        {
            return null;
        }

        Array.Fill(best, double.PositiveInfinity);
        var (start, goal) = (Place(first, from.Y), Place(last, to.Y));
        queue.Clear();
        var turns = mostBends is { } most ? most + 1 : 0;
        var begin = turns == 0 ? start : start * turns * 3;
        best[begin] = 0;
        came[begin] = (-1, -1);
        queue.Enqueue(begin, 0);
        while (queue.TryDequeue(out var state, out var likely))
        {
            var place = turns == 0 ? state : state / 3 / turns;
            var cost = best[state];
            if (likely > cost + (rest?[place] ?? 0))
            {
                continue;
            }

            if (likely >= under)
            {
                return null;
            }

            if (place == goal)
            {
                return Trace(state);
            }

            var (way, bends) = turns == 0 ? (0, 0) : (state % 3, state / 3 % turns);
            for (var i = begins[place]; i < begins[place + 1]; i++)
            {
                var number = leaving[i];
                if (without is not null && without[number])
                {
                    continue;
                }

                var step = steps[number];
                var next = step.A == place ? step.B : step.A;
                var left = rest?[next] ?? 0;
                if (turns > 0)
                {
                    var nextWay = step.Kind is WayMoveKind.Stud or WayMoveKind.Attic or WayMoveKind.Basement ? Level : Upright;
                    var nextBends = bends + (way != 0 && way != nextWay ? 1 : 0);
                    if (nextBends >= turns)
                    {
                        continue;
                    }

                    next = (((next * turns) + nextBends) * 3) + nextWay;
                }

                var total = cost + step.Cost + (dear is not null && dear[number] ? by : 0);
                if (total < best[next])
                {
                    best[next] = total;
                    came[next] = (state, number);
                    if (!double.IsPositiveInfinity(left))
                    {
                        queue.Enqueue(next, total + left);
                    }
                }
            }
        }

        return null;

        List<int> Trace(int at)
        {
            var found = new List<int>();
            while (came[at].Before >= 0)
            {
                found.Add(came[at].Step);
                at = came[at].Before;
            }

            found.Reverse();
            return found;
        }
    }

    /// <summary>What steps cost together, the stretch across the last bay not counted.</summary>
    /// <param name="way">The steps, by their numbers.</param>
    /// <returns>The cost, in the company's money.</returns>
    public double Cost(IReadOnlyList<int> way)
    {
        var sum = 0d;
        foreach (var step in way)
        {
            sum += steps[step].Cost;
        }

        return sum;
    }

    /// <summary>What a way costs altogether.</summary>
    /// <param name="way">The steps, by their numbers.</param>
    /// <returns>The cost, in the company's money.</returns>
    public double WholeCost(IReadOnlyList<int> way) => Cost(way) + (first == last ? Lean.Cost : 0);

    // Where both ends are in one bay a cable leans across it.
    private (double Cost, double Minutes) Lean => ((to.X - from.X).Abs.Inches / 12 * figures.Cost(figures.AlongBay), (to.X - from.X).Abs.Inches / 12 * figures.AlongBay.Minutes);

    /// <summary>A way told in moves, straight stretches together.</summary>
    /// <param name="way">The steps, by their numbers.</param>
    /// <returns>The way.</returns>
    public Way Told(IReadOnlyList<int> way)
    {
        var moves = new List<WayMove>();
        var at = new WayEnd(Length.FromInches(line[first]), from.Y);
        var place = Place(first, from.Y);
        foreach (var step in way.Select(n => steps[n]))
        {
            var next = step.A == place ? step.B : step.A;
            var end = At(next);
            foreach (var move in MovesOf(step, at, end))
            {
                if (moves.Count > 0 && moves[^1] is var before && before.Kind == move.Kind && (before.Index == move.Index || move.Kind is WayMoveKind.Attic or WayMoveKind.Basement) && !move.Drills)
                {
                    moves[^1] = before with { To = move.To, Cost = before.Cost + move.Cost, Minutes = before.Minutes + move.Minutes };
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
            moves.Add(new(WayMoveKind.AlongBay, last, at, to, Lean.Cost, Lean.Minutes));
        }

        return new(moves);
    }

    private IEnumerable<WayMove> MovesOf(WayStep step, WayEnd a, WayEnd b)
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
            yield return new(step.Kind, step.Index, a, b, step.Cost, step.Kind switch
            {
                WayMoveKind.Stud => (figures.Stud.Minutes * wall.Bays.Members.Items[step.Index].Plies) + (feet * figures.AlongBay.Minutes),
                WayMoveKind.TopPlate => figures.TopPlate.Minutes + (figures.Attic.Minutes / 2) + (feet * figures.AlongBay.Minutes),
                WayMoveKind.BottomPlate => figures.BottomPlate.Minutes + (figures.Basement.Minutes / 2) + (feet * figures.AlongBay.Minutes),
                _ => feet * figures.AlongOpen.Minutes,
            });
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

    private void Lay(int bays)
    {
        var (along, open) = (figures.Cost(figures.AlongBay) / 12, figures.Cost(figures.AlongOpen) / 12);
        var (noggin, stud) = (figures.Cost(figures.Noggin), figures.Cost(figures.Stud));
        var (top, bottom) = (figures.Cost(figures.TopPlate) + (figures.Cost(figures.Attic) / 2), figures.Cost(figures.BottomPlate) + (figures.Cost(figures.Basement) / 2));
        var (count, height) = (Rows.Count, wall.Height);
        Length[] rows = [.. Rows];
        steps.EnsureCapacity(2 * bays * (count + 2));
        bool[] clear = [], next = wall.Of(0).ClearAt(rows);
        for (var bay = 0; bay < bays; bay++)
        {
            firstOf[bay] = steps.Count;
            var here = wall.Of(bay);
            clear = next;
            for (var row = 0; row + 1 < count; row++)
            {
                if (here.Passes(rows[row], rows[row + 1]))
                {
                    steps.Add(new(WayMoveKind.AlongBay, bay, row, (bay * count) + row, (bay * count) + row + 1, (along * (y[row + 1] - y[row])) + (here.Noggins(rows[row], rows[row + 1]) * noggin)));
                }
            }

            if (here.Passes(rows[^1], height))
            {
                steps.Add(new(WayMoveKind.TopPlate, bay, 0, (bay * count) + count - 1, attic + bay, top + (along * (height.Inches - y[^1])) + (here.Noggins(rows[^1], height) * noggin)));
            }

            if (here.Passes(Length.Zero, rows[0]))
            {
                steps.Add(new(WayMoveKind.BottomPlate, bay, 0, bay * count, basement + bay, bottom + (along * y[0]) + (here.Noggins(Length.Zero, rows[0]) * noggin)));
            }

            if (bay + 1 == bays)
            {
                continue;
            }

            var across = Math.Abs(line[bay + 1] - line[bay]);
            next = wall.Of(bay + 1).ClearAt(rows);
            var (cost, member) = ((stud * wall.Bays.Members.Items[bay].Plies) + (along * across), wall.AtMember[bay]);
            for (var row = 0; row < count; row++)
            {
                if (clear[row] && next[row] && wall.InFrame(rows[row]) && !BayOpen.Closes(member, rows[row], WayWall.Margin))
                {
                    steps.Add(new(WayMoveKind.Stud, bay, row, (bay * count) + row, ((bay + 1) * count) + row, cost));
                }
            }

            steps.Add(new(WayMoveKind.Attic, bay, 0, attic + bay, attic + bay + 1, open * across));
            steps.Add(new(WayMoveKind.Basement, bay, 0, basement + bay, basement + bay + 1, open * across));
        }

        firstOf[bays] = steps.Count;
    }
}
