using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Core.Feeds;

/// <summary>Plans the ways of a wall: power and signal of one place together, each way with what else it could be, what is not allowed, and what nobody knows.</summary>
internal static class RoutePlanner
{
    // Less is no reason to say anything (own rule).
    private const double Worth = 1;

    private static readonly Length LeastUnseen = Length.Tape(6);

    /// <summary>Plans them.</summary>
    /// <param name="task">All that they follow from.</param>
    /// <returns>The ways, in the order in which they were asked for.</returns>
    public static WallRoutes Of(RouteTask task)
    {
        var (plans, left, proven) = (new Dictionary<string, RoutePlan>(), task.Asked.Items.ToList(), true);
        while (left.FirstOrDefault(a => a.Route.Power) is { } power)
        {
            left.Remove(power);
            var signal = left.Where(a => !a.Route.Power).MinBy(a => Between(power, a));
            if (signal is null)
            {
                Single(power);
                continue;
            }

            left.Remove(signal);
            Together(power, signal);
        }

        left.ForEach(Single);
        return new([.. task.Asked.Items.Select(a => plans[a.Route.Id])], proven);

        void Single(RouteAsked asked)
        {
            var inside = task.Inside(asked, task.Feeds) is { } way ? WayFinder.One(way, task.Policy.Feeds) : null;
            plans[asked.Route.Id] = Finished(task, asked, Choose(task, asked, inside?.Best[0] ?? Against(task, asked), inside?.Next[0], task.OnSurface(asked)));
        }

        void Together(RouteAsked power, RouteAsked signal)
        {
            if (task.Inside(power, task.Feeds) is not { } p || task.Inside(signal, task.Feeds) is not { } s)
            {
                Single(power);
                Single(signal);
                return;
            }

            var figures = task.Policy.Feeds;
            var both = WayFinder.Two(p, s, figures);
            proven &= both.Proven;
            var (alone, its) = (WayFinder.One(p, figures), WayFinder.One(s, figures));
            var (over, overIts) = (task.OnSurface(power), task.OnSurface(signal));
            // Each through the wall or over it: the cheapest two of what is allowed together.
            var (mine, other) = (Allowed(task, power), Allowed(task, signal));
            var pairs = new List<(Way Power, Way Signal, Way? PowerNext, Way? SignalNext)>();
            void Offer(bool allowed, Way? a, Way? b, Way? nextA, Way? nextB)
            {
                if (allowed && a is not null && b is not null)
                {
                    pairs.Add((a, b, nextA, nextB));
                }
            }

            Offer(mine.Inside && other.Inside, both.Best[0], both.Best[1], both.Next[0], both.Next[1]);
            Offer(mine.Inside && other.Surface, alone.Best[0], overIts, alone.Next[0], null);
            Offer(mine.Surface && other.Inside, over, its.Best[0], null, its.Next[0]);
            Offer(mine.Surface && other.Surface, over, overIts, null, null);
            if (pairs.Count == 0)
            {
                // Not together: each by itself, and what is wrong with that is said.
                Single(power);
                Single(signal);
                return;
            }

            var best = pairs.MinBy(x => x.Power.Cost + x.Signal.Cost);
            plans[power.Route.Id] = Finished(task, power, Choose(task, power, best.Power.OnSurface ? both.Best[0] ?? alone.Best[0] : best.Power, best.Power.OnSurface ? both.Next[0] : best.PowerNext, over));
            plans[signal.Route.Id] = Finished(task, signal, Choose(task, signal, best.Signal.OnSurface ? both.Best[1] ?? its.Best[0] : best.Signal, best.Signal.OnSurface ? both.Next[1] : best.SignalNext, overIts));
        }
    }

    private static Length Between(RouteAsked a, RouteAsked b)
    {
        if (a is not { From: { } af, To: { } at } || b is not { From: { } bf, To: { } bt })
        {
            return Length.Tape(10_000);
        }

        Length Far(WayEnd p, WayEnd q) => (p.X - q.X).Abs + (p.Y - q.Y).Abs;
        return Length.Min(Far(af.Place, bf.Place) + Far(at.Place, bt.Place), Far(af.Place, bt.Place) + Far(at.Place, bf.Place));
    }

    private static (bool Inside, bool Surface) Allowed(RouteTask task, RouteAsked asked) => asked.Route.Taken switch
    {
        WayTaken.Inside => (true, false),
        WayTaken.Surface => (false, true),
        // Nothing is to be seen: the surface is for walls that may not be cut, and for who asks for it.
        _ => (task.Shut is null, task.Shut is not null),
    };

    // Where only a hole that is too large for the studs leads there, or more bends than a tube may have, that is planned and said.
    private static Way? Against(RouteTask task, RouteAsked asked) => task.Inside(asked, task.Feeds) is not { } way ? null
        : WayFinder.One(way with { MostBends = null }, task.Policy.Feeds).Best[0] ?? WayFinder.One(way with { Bores = true }, task.Policy.Feeds).Best[0] ?? WayFinder.One(way with { Bores = true, MostBends = null }, task.Policy.Feeds).Best[0];

    private static (Way? Chosen, Way? Next, List<Way> Others) Choose(RouteTask task, RouteAsked asked, Way? best, Way? next, Way? surface)
    {
        var (inside, _) = Allowed(task, asked);
        // A raceway is the other way wherever it is not the one that is taken.
        var all = new[] { inside ? best : null, inside ? next : null, surface }.OfType<Way>().OrderBy(w => w.Cost).ToList();
        var chosen = asked.Route.Taken switch
        {
            WayTaken.Inside => best,
            WayTaken.Surface => surface,
            WayTaken.Next when inside && next is not null => next,
            _ => inside ? best : surface,
        };
        var others = all.Where(w => chosen is not null && w != chosen && w.DiffersFrom(chosen)).ToList();
        return (chosen, others.FirstOrDefault(), [.. others.Skip(1)]);
    }

    private static RoutePlan Finished(RouteTask task, RouteAsked asked, (Way? Chosen, Way? Next, List<Way> Others) ways)
    {
        var bundle = RouteTask.BundleOf(asked);
        var hole = RouteTask.HoleOf(asked);
        var bored = ways.Chosen?.Holes.Count(h => h.Kind == WayMoveKind.Stud) ?? 0;
        var plates = (task.Wall.StudDepth - hole).Half < RouteTask.PlateBelow ? bored * 2 : 0;
        return new(
            asked.Route, asked.From?.Place, asked.To?.Place, bundle, hole, RouteTask.ConduitOf(asked.Route, bundle), ways.Chosen, ways.Next, ways.Others,
            ways.Chosen is { } chosen ? [.. Refused(task, asked, chosen)] : [], ways.Chosen is { OnSurface: false } way ? [.. Questions(task, asked, way)] : [], plates);
    }

    // What would be cheaper if one thing were otherwise.
    private static IEnumerable<RefusedWay> Refused(RouteTask task, RouteAsked asked, Way chosen)
    {
        var figures = task.Policy.Feeds;
        double? Cost(WallFeeds feeds, bool? bores = null, Surveyed? wall = null) => task.Inside(asked, feeds, bores, wall) is { } way ? WayFinder.One(way, figures).Best[0]?.Cost : null;
        RefusedWay? If(double? cost, Phrase why) => cost is { } other && chosen.Cost - other > Worth ? new(why, chosen.Cost - other) : null;
        var found = new List<RefusedWay?>();
        if (chosen.OnSurface && task.Shut is { } shut)
        {
            found.Add(If(Cost(task.Feeds), Phrase.Of($"Through the wall: {shut}.")));
        }
        else if (task.Wall.Kind.Framed())
        {
            var hole = RouteTask.HoleOf(asked);
            found.Add(hole <= task.MostHole ? null : If(Cost(task.Feeds, bores: true), Phrase.Of($"Through the studs: the hole is {hole:fine}, and {task.MostHole:fine} is the most in {task.Wall.StudDepth} of stud.")));
            found.Add(task.Feeds.Attic == true ? null : If(Cost(task.Feeds with { Attic = true }), task.Feeds.Attic == false ? "Over the attic: nobody gets at the top plate from there." : "Over the attic: nobody has said whether the top plate can be reached."));
            found.Add(task.Feeds.Basement == true ? null : If(Cost(task.Feeds with { Basement = true }), task.Feeds.Basement == false ? "Through the basement: nobody gets at the bottom plate from there." : "Through the basement: nobody has said whether the bottom plate can be reached."));
            foreach (var feature in task.Wall.Features.Where(f => f.Traits.OpensWall || f.Traits.InWall))
            {
                // Without it, as if nothing were there.
                var cost = task.Inside(asked, task.Feeds) is { } way ? WayFinder.One(way with { Wall = Without(way.Wall, feature.Name) }, figures).Best[0]?.Cost : null;
                found.Add(If(cost, Phrase.Of($"Straight on: the {feature.Name} is there, {feature.Left} to {feature.Right} across and {feature.Bottom} to {feature.Top} up.")));
            }
        }

        return found.OfType<RefusedWay>().OrderByDescending(r => r.Saves);
    }

    private static WayWall Without(WayWall wall, string name) => wall with
    {
        InBay = [.. wall.InBay.Select(b => (IReadOnlyList<ClosedStretch>)[.. b.Where(c => c.What != name)])],
        AtMember = [.. wall.AtMember.Select(b => (IReadOnlyList<ClosedStretch>)[.. b.Where(c => c.What != name)])],
    };

    private static IEnumerable<BayQuestion> Questions(RouteTask task, RouteAsked asked, Way chosen)
    {
        if (task.Inside(asked, task.Feeds) is not { } way)
        {
            yield break;
        }

        foreach (var run in chosen.Moves.Where(m => m.Kind == WayMoveKind.AlongBay && m.From.X == m.To.X).GroupBy(m => m.Index))
        {
            var bay = task.Bays.All.Items[run.Key];
            var (low, high) = (run.Min(m => Length.Min(m.From.Y, m.To.Y)), run.Max(m => Length.Max(m.From.Y, m.To.Y)));
            foreach (var (from, to) in Unseen(task, bay, low, high).Where(u => u.To - u.From >= LeastUnseen))
            {
                var middle = from + (to - from).Half;
                var noggin = new CrossMember(bay.Left, bay.Right, middle - Length.Tape(0, 3, 4), middle + Length.Tape(0, 3, 4), false);
                var with = WayFinder.One(way with { Wall = way.Wall with { Bays = way.Wall.Bays with { Crossings = new([.. way.Wall.Bays.Crossings.Items, noggin]) } } }, task.Policy.Feeds).Best[0];
                // An end in this bay is an opening to look through; else a scanner over the board, which spoils nothing.
                var opening = new[] { asked.From, asked.To }.FirstOrDefault(e => e is not null && e.Place.X > bay.Left && e.Place.X < bay.Right);
                var (probe, minutes) = opening is not null
                    ? (Phrase.Of($"look up and down with mirror and lamp through the opening for the {opening.Name}, as soon as it is cut; before that, a scanner up the bay at {bay.Centre} across, from {from} to {to}"), 3d)
                    : (Phrase.Of($"a scanner up the bay at {bay.Centre} across, from {from} to {to}"), 5d);
                yield return new(bay, from, to, Math.Max(0, (with?.Cost ?? (chosen.Cost + task.Policy.Feeds.Cost(task.Policy.Feeds.Noggin))) - chosen.Cost), with is null || with.DiffersFrom(chosen) && !with.Holes.Any(h => h.Kind == WayMoveKind.Noggin && h.Index == bay.Index), probe, minutes);
            }
        }
    }

    // What nobody has looked into between two heights of a bay. A noggin that is on the sheet is known, and what is beside it is not.
    private static IEnumerable<(Length From, Length To)> Unseen(RouteTask task, Bay bay, Length low, Length high)
    {
        var at = low;
        foreach (var look in task.Feeds.Looks.Items.Where(l => l.Across > bay.Left && l.Across < bay.Right && l.By.Length > 0).OrderBy(l => l.From))
        {
            if (look.From > at)
            {
                yield return (at, Length.Min(look.From, high));
            }

            at = Length.Max(at, look.To);
            if (at >= high)
            {
                yield break;
            }
        }

        if (at < high)
        {
            yield return (at, high);
        }
    }
}
