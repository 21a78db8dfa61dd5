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
internal sealed record WayAsked(WayWall Wall, WayEnd From, WayEnd To, Length Hole, bool Bores, int? MostBends);

/// <summary>What was found.</summary>
/// <param name="Best">The cheapest way of each; null where there is none that is allowed together with the others'.</param>
/// <param name="Next">For each: the cheapest other way while the others stay; null where there is none.</param>
/// <param name="Proven">Whether it is certain that no pair is cheaper.</param>
internal sealed record WaysFound(IReadOnlyList<Way?> Best, IReadOnlyList<Way?> Next, bool Proven);

/// <summary>
/// Finds the cheapest ways through a framed wall: one, or power and signal together. Two ways are looked for each by itself; where they meet and may
/// not, one of them has to do without, and both are tried, the cheaper pair first. The first pair that does not meet is the cheapest.
/// </summary>
internal static class WayFinder
{
    private const int MostTries = 600;

    // Chooses between ways of one price, and never between prices.
    private const double Nudge = 1e-7;

    /// <summary>Finds one way.</summary>
    /// <param name="asked">The way.</param>
    /// <param name="figures">What moves cost.</param>
    /// <returns>The cheapest way, and the cheapest that differs.</returns>
    public static WaysFound One(WayAsked asked, FeedFigures figures)
    {
        var graph = Graph(asked, figures, WayGraph.RowsOf(asked.Wall, [asked.From, asked.To], null));
        return graph.Shortest(_ => false) is { } best ? new([graph.Told(best)], [Other(graph, best, _ => false)], true) : new([null], [null], true);
    }

    /// <summary>Finds two ways that keep apart.</summary>
    /// <param name="power">The one with mains.</param>
    /// <param name="signal">The one with signal.</param>
    /// <param name="figures">What moves cost, and how far they keep apart.</param>
    /// <returns>The cheapest pair, and for each the cheapest way that differs while the other stays.</returns>
    public static WaysFound Two(WayAsked power, WayAsked signal, FeedFigures figures)
    {
        var apart = Apart(power, signal, figures);
        var ends = new[] { power.From, power.To, signal.From, signal.To };
        IReadOnlyList<Length> rows = [.. WayGraph.RowsOf(power.Wall, ends, apart).Concat(WayGraph.RowsOf(signal.Wall, ends, apart)).Distinct().Order()];
        WayGraph[] graphs = [Graph(power, figures, rows), Graph(signal, figures, rows)];
        var meets = new Meeting(power.Wall.Bays, rows, apart);
        var tries = new PriorityQueue<Try, (double Cost, int Conflicts)>();
        void Offer(Try next)
        {
            if (next.Ways is [{ }, { }])
            {
                tries.Enqueue(next, (next.Cost, meets.Count(next.Ways[0]!, next.Ways[1]!)));
            }
        }

        Offer(Begin(graphs, meets));
        for (var left = MostTries; tries.TryDequeue(out var at, out _); left--)
        {
            if (meets.First(at.Ways[0]!, at.Ways[1]!) is not { } conflict)
            {
                return Found(graphs, at, meets, true);
            }

            if (left == 0)
            {
                return Fallback(graphs, meets);
            }

            Offer(at.Without(0, conflict.Mine, graphs[0], meets));
            Offer(at.Without(1, conflict.Its, graphs[1], meets));
        }

        return new([null, null], [null, null], true);
    }

    /// <summary>How far the middles of two holes are kept apart.</summary>
    /// <param name="power">The one with mains.</param>
    /// <param name="signal">The one with signal.</param>
    /// <param name="figures">The company's figures.</param>
    /// <returns>The distance, half of each hole added.</returns>
    internal static Length Apart(WayAsked power, WayAsked signal, FeedFigures figures) => figures.Apart + power.Hole.Half + signal.Hole.Half;

    private static WayGraph Graph(WayAsked asked, FeedFigures figures, IReadOnlyList<Length> rows) => new(asked.Wall, figures, asked.From, asked.To, rows, asked.Bores, asked.MostBends);

    private static Try Begin(WayGraph[] graphs, Meeting meets)
    {
        var power = graphs[0].Shortest(_ => false);
        var signal = power is null ? null : graphs[1].Shortest(_ => false, s => meets.With(power, s) ? Nudge : 0);
        return Try.Of([power, signal], [[], []], graphs);
    }

    // So many places at which they meet that trying all is no use: one after the other, in both orders.
    private static WaysFound Fallback(WayGraph[] graphs, Meeting meets)
    {
        Try? best = null;
        foreach (var leads in new[] { 0, 1 })
        {
            var ways = new IReadOnlyList<WayStep>?[2];
            ways[leads] = graphs[leads].Shortest(_ => false);
            ways[1 - leads] = ways[leads] is { } lead ? graphs[1 - leads].Shortest(s => meets.With(lead, s)) : null;
            var found = Try.Of(ways, [[], []], graphs);
            best = found.Ways is [{ }, { }] && (best is null || found.Cost < best.Cost) ? found : best;
        }

        return best is null ? new([null, null], [null, null], false) : Found(graphs, best, meets, false);
    }

    private static WaysFound Found(WayGraph[] graphs, Try at, Meeting meets, bool proven)
    {
        var (power, signal) = (at.Ways[0]!, at.Ways[1]!);
        return new([graphs[0].Told(power), graphs[1].Told(signal)], [Other(graphs[0], power, s => meets.With(signal, s)), Other(graphs[1], signal, s => meets.With(power, s))], proven);
    }

    // Another way does without one of the pieces that the best one drills: each is tried.
    private static Way? Other(WayGraph graph, IReadOnlyList<WayStep> best, Func<WayStep, bool> forbidden)
    {
        var told = graph.Told(best);
        (double Cost, Way Way)? found = null;
        foreach (var piece in told.Holes.Select(h => h.Piece).Distinct())
        {
            bool Drilled(WayStep step) => step.Kind == piece.Kind ? step.Index == piece.Index
                : piece.Kind == WayMoveKind.Noggin && step.Kind == WayMoveKind.AlongBay && step.Index == piece.Index && graph.Rows[step.Row].Units < piece.Y && graph.Rows[step.Row + 1].Units >= piece.Y;
            if (graph.Shortest(s => forbidden(s) || Drilled(s)) is { } way && graph.Cost(way) is var cost && (found is null || cost < found.Value.Cost))
            {
                found = (cost, graph.Told(way));
            }
        }

        return found?.Way;
    }

    private sealed record Try(IReadOnlyList<WayStep>?[] Ways, HashSet<WayStep>[] Without_, double Cost)
    {
        public static Try Of(IReadOnlyList<WayStep>?[] ways, HashSet<WayStep>[] without, WayGraph[] graphs) =>
            new(ways, without, ways is [{ } a, { } b] ? graphs[0].Cost(a) + graphs[1].Cost(b) : double.PositiveInfinity);

        public Try Without(int which, WayStep step, WayGraph graph, Meeting meets)
        {
            var without = new HashSet<WayStep>[] { Without_[0], Without_[1] };
            without[which] = [.. without[which], step];
            var ways = new IReadOnlyList<WayStep>?[] { Ways[0], Ways[1] };
            var other = ways[1 - which]!;
            ways[which] = graph.Shortest(without[which].Contains, s => meets.With(other, s) ? Nudge : 0);
            return new(ways, without, ways[which] is { } way ? Cost - graph.Cost(Ways[which]!) + graph.Cost(way) : double.PositiveInfinity);
        }
    }

    /// <summary>Where two ways may not both be: at one member closer than they keep apart; along a bay, or through its plate, that is too narrow for both.</summary>
    private sealed class Meeting(Bays bays, IReadOnlyList<Length> rows, Length apart)
    {
        private readonly bool[] narrow = [.. bays.All.Items.Select(b => b.Clear < apart + WayWall.Beside)];

        public bool Conflict(WayStep a, WayStep b) => a.Kind == b.Kind && a.Index == b.Index && a.Kind switch
        {
            WayMoveKind.Stud => (rows[a.Row] - rows[b.Row]).Abs < apart,
            WayMoveKind.AlongBay => a.Row == b.Row && narrow[a.Index],
            WayMoveKind.TopPlate or WayMoveKind.BottomPlate => narrow[a.Index],
            _ => false,
        };

        public bool With(IReadOnlyList<WayStep> way, WayStep step)
        {
            for (var i = 0; i < way.Count; i++)
            {
                if (Conflict(way[i], step))
                {
                    return true;
                }
            }

            return false;
        }

        public int Count(IReadOnlyList<WayStep> a, IReadOnlyList<WayStep> b) => a.Count(s => With(b, s));

        public (WayStep Mine, WayStep Its)? First(IReadOnlyList<WayStep> a, IReadOnlyList<WayStep> b)
        {
            foreach (var mine in a)
            {
                foreach (var its in b)
                {
                    if (Conflict(mine, its))
                    {
                        return (mine, its);
                    }
                }
            }

            return null;
        }
    }
}
