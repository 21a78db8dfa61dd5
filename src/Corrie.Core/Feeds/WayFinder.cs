using Corrie.Core.Measure;
using Corrie.Core.Planning;

namespace Corrie.Core.Feeds;

/// <summary>A way that is asked for.</summary>
/// <param name="Wall">What the wall lets through, for its hole.</param>
/// <param name="From">Where it begins.</param>
/// <param name="To">Where it ends.</param>
/// <param name="Hole">Diameter of its holes.</param>
/// <param name="Bores">Whether studs may be drilled with that hole.</param>
/// <param name="MostBends">How often it may turn; null for as often as it likes.</param>
internal sealed record WayAsked(WayWall Wall, WayEnd From, WayEnd To, Length Hole, bool Bores, int? MostBends)
{
    /// <summary>Whether it may not take steps of a kind, which the graph lays out for everybody.</summary>
    /// <param name="kind">The kind.</param>
    /// <returns>Whether they are closed to it.</returns>
    public bool MayNot(WayMoveKind kind) => kind switch
    {
        WayMoveKind.Stud => !Bores,
        WayMoveKind.TopPlate or WayMoveKind.Attic => !Wall.Attic,
        WayMoveKind.BottomPlate or WayMoveKind.Basement => !Wall.Basement,
        _ => false,
    };

    /// <summary>What no way costs less than, however open the wall is: level and upright stretches, and what has to be drilled by studs, attic or basement.</summary>
    /// <param name="figures">What moves cost.</param>
    /// <returns>The cost, in the company's money.</returns>
    public double AtLeast(FeedFigures figures)
    {
        var (across, along, open) = ((From.X - To.X).Abs.Inches, figures.Cost(figures.AlongBay) / 12, figures.Cost(figures.AlongOpen) / 12);
        if (Wall.Bays.At(From.X) is not { } first || Wall.Bays.At(To.X) is not { } last || first == last)
        {
            return along * ((From.Y - To.Y).Abs.Inches + across);
        }

        var plies = Wall.Bays.Members.Items.Skip(Math.Min(first.Index, last.Index)).Take(Math.Abs(first.Index - last.Index)).Sum(m => m.Plies);
        var studs = Bores ? (along * ((From.Y - To.Y).Abs.Inches + across)) + (plies * figures.Cost(figures.Stud)) : double.PositiveInfinity;
        var attic = Wall.Attic ? (along * ((Wall.Height * 2) - From.Y - To.Y).Inches) + (open * across) + (figures.Cost(figures.TopPlate) * 2) + figures.Cost(figures.Attic) : double.PositiveInfinity;
        var basement = Wall.Basement ? (along * (From.Y + To.Y).Inches) + (open * across) + (figures.Cost(figures.BottomPlate) * 2) + figures.Cost(figures.Basement) : double.PositiveInfinity;
        return Math.Min(studs, Math.Min(attic, basement));
    }
}

/// <summary>What was found.</summary>
/// <param name="Best">The cheapest way of each; null where there is none that is allowed together with the others'.</param>
/// <param name="Others">For each: the cheapest other way while the others stay; null where there is none. Looked for when somebody asks.</param>
/// <param name="Proven">Whether it is certain that no pair is cheaper.</param>
/// <param name="Searches">For each: the search in which it can be asked what would be if something were otherwise.</param>
internal sealed record WaysFound(IReadOnlyList<Way?> Best, IReadOnlyList<Func<Way?>> Others, bool Proven, IReadOnlyList<WaySearch> Searches)
{
    /// <summary>For each: the cheapest other way while the others stay; null where there is none.</summary>
    public IReadOnlyList<Way?> Next => [.. Others.Select(o => o())];
}

/// <summary>One way that is looked for, with its graph: what would be if something were otherwise is a search in the same graph.</summary>
internal sealed class WaySearch
{
    private readonly WayGraph graph;
    private readonly bool[] closed;

    /// <summary>Lays the graph out.</summary>
    /// <param name="asked">The way.</param>
    /// <param name="figures">What moves cost.</param>
    public WaySearch(WayAsked asked, FeedFigures figures)
    {
        graph = new(asked.Wall, figures, asked.From, asked.To, WayGraph.RowsOf([asked.Wall], [asked.From, asked.To], null), asked.MostBends);
        closed = graph.Mark(asked.MayNot);
    }

    /// <summary>Takes a graph that is laid out already.</summary>
    /// <param name="graph">The graph.</param>
    /// <param name="closed">Steps that are not to be taken.</param>
    public WaySearch(WayGraph graph, bool[] closed) => (this.graph, this.closed) = (graph, closed);

    /// <summary>The cheapest way, and the cheapest that differs.</summary>
    /// <returns>The one, null where there is none, and how to look for the other.</returns>
    public (Way? Best, Func<Way?> Next) Found()
    {
        graph.Aim(closed);
        return graph.Shortest(closed) is { } best ? (graph.Told(best), () => WayFinder.Other(graph, best, closed)) : (null, WayFinder.Nothing);
    }

    /// <summary>What the cheapest way would cost if some kinds of steps were open as well.</summary>
    /// <param name="opened">The kinds.</param>
    /// <returns>The cost; null where there is no way even so.</returns>
    public double? CostWith(params ReadOnlySpan<WayMoveKind> opened)
    {
        var without = (bool[])closed.Clone();
        for (var i = 0; i < without.Length; i++)
        {
            without[i] &= !opened.Contains(graph.Steps[i].Kind);
        }

        return graph.Shortest(without, aimed: false) is { } way ? graph.WholeCost(way) : null;
    }

    /// <summary>The cheapest way if a noggin crossed a bay.</summary>
    /// <param name="bay">The bay.</param>
    /// <param name="middle">The noggin's middle.</param>
    /// <param name="noggin">What going through it costs.</param>
    /// <returns>Its cost, and whether it goes through that noggin; null where there is no way.</returns>
    public (double Cost, bool Through)? WithNoggin(int bay, Length middle, double noggin)
    {
        var dear = new bool[graph.Steps.Count];
        var (start, end) = graph.Of(bay);
        for (var i = start; i < end; i++)
        {
            var step = graph.Steps[i];
            dear[i] = step.Kind == WayMoveKind.AlongBay && graph.Rows[step.Row] < middle && graph.Rows[step.Row + 1] >= middle;
        }

        if (graph.Shortest(closed, dear, noggin) is not { } way)
        {
            return null;
        }

        var through = way.Any(s => dear[s]);
        return (graph.WholeCost(way) + (through ? noggin : 0), through);
    }
}

/// <summary>
/// Finds the cheapest ways through a framed wall: one, or power and signal together. Two ways are looked for each by itself; where they meet and may
/// not, one of them has to do without, and both are tried, the cheaper pair first. The first pair that does not meet is the cheapest.
/// </summary>
internal static class WayFinder
{
    // So much is searched for the proof that no pair is cheaper; beyond that a pair is taken that costs a hand's breadth of cable more at the most.
    private const int MostPlaces = 60_000;
    private const int LeastTries = 16;

    // Chooses between ways of one price, and never between prices.
    private const double Nudge = 1e-7;

    /// <summary>There is no other way.</summary>
    internal static readonly Func<Way?> Nothing = () => null;

    /// <summary>Finds one way.</summary>
    /// <param name="asked">The way.</param>
    /// <param name="figures">What moves cost.</param>
    /// <returns>The cheapest way, and the cheapest that differs.</returns>
    public static WaysFound One(WayAsked asked, FeedFigures figures)
    {
        var search = new WaySearch(asked, figures);
        var (best, next) = search.Found();
        return new([best], [next], true, [search]);
    }

    /// <summary>Finds two ways that keep apart.</summary>
    /// <param name="power">The one with mains.</param>
    /// <param name="signal">The one with signal.</param>
    /// <param name="figures">What moves cost, and how far they keep apart.</param>
    /// <returns>The cheapest pair, and for each the cheapest way that differs while the other stays.</returns>
    public static WaysFound Two(WayAsked power, WayAsked signal, FeedFigures figures)
    {
        var apart = Apart(power, signal, figures);
        var rows = WayGraph.RowsOf([power.Wall, signal.Wall], [power.From, power.To, signal.From, signal.To], apart);
        WayGraph[] graphs = [new(power.Wall, figures, power.From, power.To, rows, power.MostBends), new(signal.Wall, figures, signal.From, signal.To, rows, signal.MostBends)];
        bool[][] closed = [graphs[0].Mark(power.MayNot), graphs[1].Mark(signal.MayNot)];
        graphs[0].Aim(closed[0]);
        graphs[1].Aim(closed[1]);
        var meets = new Meeting(power.Wall.Bays, rows, apart, graphs);
        var tries = new PriorityQueue<Try, (double Cost, int Conflicts)>();
        void Offer(Try? next)
        {
            if (next is not null)
            {
                tries.Enqueue(next, (next.Cost, meets.Count(next.Ways[0], next.Ways[1])));
            }
        }

        if (graphs[0].Shortest(closed[0]) is not { } mine || graphs[1].Shortest(closed[1], meets.With(0, mine), Nudge) is not { } its)
        {
            return None(true);
        }

        Offer(new([mine, its], closed, graphs[0].Cost(mine) + graphs[1].Cost(its)));
        for (var left = Math.Max(LeastTries, MostPlaces / graphs[0].Places); tries.TryDequeue(out var at, out _); left--)
        {
            if (meets.First(at.Ways[0], at.Ways[1]) is not { } conflict)
            {
                return Found(graphs, at.Ways, closed, meets, true);
            }

            if (left == 0)
            {
                return Fallback(graphs, closed, meets) ?? None(false);
            }

            Offer(Without(at, 0, meets.Round(0, conflict)));
            Offer(Without(at, 1, meets.Round(1, conflict)));
        }

        return None(true);

        WaysFound None(bool proven) => new([null, null], [Nothing, Nothing], proven, [new(graphs[0], closed[0]), new(graphs[1], closed[1])]);

        Try? Without(Try at, int which, IEnumerable<int> left)
        {
            var without = new[] { at.Without[0], at.Without[1] };
            without[which] = (bool[])without[which].Clone();
            foreach (var step in left)
            {
                without[which][step] = true;
            }

            return graphs[which].Shortest(without[which], meets.With(1 - which, at.Ways[1 - which]), Nudge) is { } way
                ? new(which == 0 ? [way, at.Ways[1]] : [at.Ways[0], way], without, at.Cost - graphs[which].Cost(at.Ways[which]) + graphs[which].Cost(way))
                : null;
        }
    }

    /// <summary>How far the middles of two holes are kept apart.</summary>
    /// <param name="power">The one with mains.</param>
    /// <param name="signal">The one with signal.</param>
    /// <param name="figures">The company's figures.</param>
    /// <returns>The distance, half of each hole added.</returns>
    internal static Length Apart(WayAsked power, WayAsked signal, FeedFigures figures) => figures.Apart + power.Hole.Half + signal.Hole.Half;

    /// <summary>The cheapest other way: one that does without one of the pieces that the best one drills. Each is tried.</summary>
    /// <param name="graph">The graph.</param>
    /// <param name="best">The best way.</param>
    /// <param name="closed">Steps that are not to be taken.</param>
    /// <returns>The other way; null where there is none.</returns>
    internal static Way? Other(WayGraph graph, IReadOnlyList<int> best, bool[] closed)
    {
        (double Cost, IReadOnlyList<int> Way)? found = null;
        foreach (var piece in graph.Told(best).Holes.Select(h => h.Piece).Distinct())
        {
            var without = (bool[])closed.Clone();
            var (start, end) = graph.Of(piece.Index);
            for (var i = start; i < end; i++)
            {
                var step = graph.Steps[i];
                without[i] |= step.Kind == piece.Kind
                    || (piece.Kind == WayMoveKind.Noggin && step.Kind == WayMoveKind.AlongBay && graph.Rows[step.Row].Units < piece.Y && graph.Rows[step.Row + 1].Units >= piece.Y);
            }

            if (graph.Shortest(without, under: found?.Cost ?? double.PositiveInfinity) is { } way && graph.Cost(way) is var cost && (found is null || cost < found.Value.Cost))
            {
                found = (cost, way);
            }
        }

        return found is { } other ? graph.Told(other.Way) : null;
    }

    // So many places at which they meet that trying all is no use: one after the other, in both orders.
    private static WaysFound? Fallback(WayGraph[] graphs, bool[][] closed, Meeting meets)
    {
        (double Cost, IReadOnlyList<int>[] Ways)? best = null;
        foreach (var leads in new[] { 0, 1 })
        {
            var lead = graphs[leads].Shortest(closed[leads])!;
            if (graphs[1 - leads].Shortest(Both(closed[1 - leads], meets.With(leads, lead))) is { } follows && graphs[leads].Cost(lead) + graphs[1 - leads].Cost(follows) is var cost && (best is null || cost < best.Value.Cost))
            {
                best = (cost, leads == 0 ? [lead, follows] : [follows, lead]);
            }
        }

        return best is null ? null : Found(graphs, best.Value.Ways, closed, meets, false);
    }

    private static WaysFound Found(WayGraph[] graphs, IReadOnlyList<int>[] ways, bool[][] closed, Meeting meets, bool proven) => new(
        [graphs[0].Told(ways[0]), graphs[1].Told(ways[1])],
        [() => Other(graphs[0], ways[0], Both(closed[0], meets.With(1, ways[1]))), () => Other(graphs[1], ways[1], Both(closed[1], meets.With(0, ways[0])))],
        proven, [new(graphs[0], closed[0]), new(graphs[1], closed[1])]);

    private static bool[] Both(bool[] a, bool[] b)
    {
        var both = (bool[])a.Clone();
        for (var i = 0; i < both.Length; i++)
        {
            both[i] |= b[i];
        }

        return both;
    }

    private sealed record Try(IReadOnlyList<int>[] Ways, bool[][] Without, double Cost);

    /// <summary>Where two ways may not both be: at one member closer than they keep apart; along a bay, or through its plate, that is too narrow for both.</summary>
    private sealed class Meeting(Bays bays, IReadOnlyList<Length> rows, Length apart, WayGraph[] graphs)
    {
        private readonly bool[] narrow = [.. bays.All.Items.Select(b => b.Clear < apart + WayWall.Beside)];

        /// <summary>The steps of the other graph that meet a way.</summary>
        public bool[] With(int which, IReadOnlyList<int> way)
        {
            var other = graphs[1 - which];
            var met = new bool[other.Steps.Count];
            foreach (var number in way)
            {
                var mine = graphs[which].Steps[number];
                if (mine.Kind != WayMoveKind.Stud && !narrow[mine.Index])
                {
                    continue;
                }

                var (start, end) = other.Of(mine.Index);
                for (var i = start; i < end; i++)
                {
                    met[i] |= Conflict(mine, other.Steps[i]);
                }
            }

            return met;
        }

        public int Count(IReadOnlyList<int> a, IReadOnlyList<int> b)
        {
            var met = With(0, a);
            return b.Count(s => met[s]);
        }

        public (int Mine, int Its)? First(IReadOnlyList<int> a, IReadOnlyList<int> b)
        {
            var met = With(0, a);
            foreach (var its in b)
            {
                if (met[its])
                {
                    return (a.First(mine => Conflict(graphs[0].Steps[mine], graphs[1].Steps[its])), its);
                }
            }

            return null;
        }

        /// <summary>
        /// The steps that one of two ways does without where they meet. In one member all holes of a stretch shorter than the distance meet each other, so
        /// that one of the ways has none in it: the whole stretch round both holes is left out, not one hole after the other.
        /// </summary>
        public IEnumerable<int> Round(int which, (int Mine, int Its) conflict)
        {
            var (graph, mine, its) = (graphs[which], graphs[0].Steps[conflict.Mine], graphs[1].Steps[conflict.Its]);
            if (mine.Kind != WayMoveKind.Stud)
            {
                yield return which == 0 ? conflict.Mine : conflict.Its;
                yield break;
            }

            var (low, high) = (Length.Min(rows[mine.Row], rows[its.Row]), Length.Max(rows[mine.Row], rows[its.Row]));
            var spare = apart - (high - low);
            var (from, to) = (low - spare.Half, low - spare.Half + apart);
            var (start, end) = graph.Of(mine.Index);
            for (var i = start; i < end; i++)
            {
                var step = graph.Steps[i];
                if (step.Kind == WayMoveKind.Stud && rows[step.Row] >= from && rows[step.Row] < to)
                {
                    yield return i;
                }
            }
        }

        private bool Conflict(WayStep a, WayStep b) => a.Kind == b.Kind && a.Index == b.Index && a.Kind switch
        {
            WayMoveKind.Stud => (rows[a.Row] - rows[b.Row]).Abs < apart,
            WayMoveKind.AlongBay => a.Row == b.Row && narrow[a.Index],
            WayMoveKind.TopPlate or WayMoveKind.BottomPlate => narrow[a.Index],
            _ => false,
        };
    }
}
