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
        var (looked, proven) = Look(task);
        return new([.. looked.Select((l, i) => Planned(task, l, new(() => Rivals(task, i))))], proven);
    }

    // Looked for once more when somebody asks: graphs that are kept for that would weigh more than the rest of the plan.
    private static RivalWays Rivals(RouteTask task, int number)
    {
        var looked = Look(task).Looked[number];
        var chosen = looked.Chosen;
        // A raceway is the other way wherever it is not the one that is taken; where it is, what the wall would allow is beside it.
        var through = Allowed(task, looked.Asked).Inside || task.Shut is null;
        var all = new[] { through ? looked.Best : null, through ? looked.Next() : null, task.OnSurface(looked.Asked) }.OfType<Way>().OrderBy(w => w.Cost);
        return new(
            [.. all.Where(w => chosen is not null && w.DiffersFrom(chosen))],
            chosen is null ? [] : [.. Refused(task, looked, chosen)]);
    }

    private static (IReadOnlyList<Looked> Looked, bool Proven) Look(RouteTask task)
    {
        var (found, left, proven) = (new Dictionary<string, Looked>(), task.Asked.Items.ToList(), true);
        while (left.FirstOrDefault(a => a.Route.Power) is { } power)
        {
            left.Remove(power);
            var signal = left.Where(a => !a.Route.Power).MinBy(a => Between(power, a));
            if (signal is null)
            {
                Alone(power, task.Inside(power));
                continue;
            }

            left.Remove(signal);
            Together(power, signal);
        }

        left.ForEach(a => Alone(a, task.Inside(a)));
        return ([.. task.Asked.Items.Select(a => found[a.Route.Id])], proven);

        void Keep(RouteAsked asked, WayAsked? way, WaySearch? search, Way? best, Func<Way?> next) => found[asked.Route.Id] = new(asked, way, search, best, next, Choose(task, asked, best, next));

        void Alone(RouteAsked asked, WayAsked? way)
        {
            var search = way is null ? null : new WaySearch(way, task.Policy.Feeds);
            var (best, next) = search?.Found() ?? (null, WayFinder.Nothing);
            Keep(asked, way, search, best ?? Against(task, way), next);
        }

        void Together(RouteAsked power, RouteAsked signal)
        {
            var (p, s) = (task.Inside(power), task.Inside(signal));
            // One of them on the surface has nothing of the other beside it: each by itself. So it is where they cannot go together, and what is wrong with that is said.
            var both = p is null || s is null || !Allowed(task, power).Inside || !Allowed(task, signal).Inside ? null : WayFinder.Two(p, s, task.Policy.Feeds);
            proven &= both?.Proven ?? true;
            if (both?.Best is not [{ } first, { } second])
            {
                Alone(power, p);
                Alone(signal, s);
                return;
            }

            Keep(power, p, both.Searches[0], first, both.Others[0]);
            Keep(signal, s, both.Searches[1], second, both.Others[1]);
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
    private static Way? Against(RouteTask task, WayAsked? way) => way is null ? null
        : WayFinder.One(way with { MostBends = null }, task.Policy.Feeds).Best[0] ?? WayFinder.One(way with { Bores = true }, task.Policy.Feeds).Best[0] ?? WayFinder.One(way with { Bores = true, MostBends = null }, task.Policy.Feeds).Best[0];

    private static Way? Choose(RouteTask task, RouteAsked asked, Way? best, Func<Way?> next)
    {
        var inside = Allowed(task, asked).Inside;
        return asked.Route.Taken switch
        {
            WayTaken.Inside => best,
            WayTaken.Surface => task.OnSurface(asked),
            WayTaken.Next when inside && next() is { } other => other,
            _ => inside ? best : task.OnSurface(asked),
        };
    }

    private static RoutePlan Planned(RouteTask task, Looked looked, Lazy<RivalWays> rivals)
    {
        var (asked, chosen) = (looked.Asked, looked.Chosen);
        var bundle = RouteTask.BundleOf(asked);
        var hole = RouteTask.HoleOf(asked);
        var bored = chosen?.Holes.Count(h => h.Kind == WayMoveKind.Stud) ?? 0;
        var plates = (task.Wall.StudDepth - hole).Half < RouteTask.PlateBelow ? bored * 2 : 0;
        return new(
            asked.Route, asked.From?.Place, asked.To?.Place, bundle, hole, RouteTask.ConduitOf(asked.Route, bundle), chosen,
            chosen is { OnSurface: false } && looked.Search is { } search ? [.. Questions(task, asked, search, chosen)] : [], plates, rivals);
    }

    // What would be cheaper if one thing were otherwise.
    private static IEnumerable<RefusedWay> Refused(RouteTask task, Looked looked, Way chosen)
    {
        RefusedWay? If(double? cost, Phrase why) => cost is { } other && chosen.Cost - other > Worth ? new(why, chosen.Cost - other) : null;
        var found = new List<RefusedWay?>();
        if (looked is not { Way: { } way, Search: { } search })
        {
            return [];
        }

        if (chosen.OnSurface)
        {
            if (task.Shut is { } shut)
            {
                found.Add(If(search.CostWith(), Phrase.Of($"Through the wall: {shut}.")));
            }
        }
        else
        {
            if (!way.Bores)
            {
                found.Add(If(search.CostWith(WayMoveKind.Stud), Phrase.Of($"Through the studs: the hole is {way.Hole:fine}, and {task.MostHole:fine} is the most in {task.Wall.StudDepth} of stud.")));
            }

            if (!way.Wall.Attic)
            {
                found.Add(If(search.CostWith(WayMoveKind.TopPlate, WayMoveKind.Attic), task.Feeds.Attic == false ? "Over the attic: nobody gets at the top plate from there." : "Over the attic: nobody has said whether the top plate can be reached."));
            }

            if (!way.Wall.Basement)
            {
                found.Add(If(search.CostWith(WayMoveKind.BottomPlate, WayMoveKind.Basement), task.Feeds.Basement == false ? "Through the basement: nobody gets at the bottom plate from there." : "Through the basement: nobody has said whether the bottom plate can be reached."));
            }

            // If nothing at all were in the way, which is looked for only where it could bring anything; and only where it does is it asked which of it.
            var closing = task.Wall.Features.Where(f => f.Traits.OpensWall || f.Traits.InWall).ToList();
            double? Cost(WayWall wall) => new WaySearch(way with { Wall = wall }, task.Policy.Feeds).CostWith();
            if (closing.Count > 0 && If(way.AtLeast(task.Policy.Feeds), string.Empty) is not null && If(Cost(Without(way.Wall, _ => true)), string.Empty) is not null)
            {
                found.AddRange(closing.Select(f => If(Cost(Without(way.Wall, c => c.What == f.Name)), Phrase.Of($"Straight on: the {f.Name} is there, {f.Left} to {f.Right} across and {f.Bottom} to {f.Top} up."))));
            }
        }

        return found.OfType<RefusedWay>().OrderByDescending(r => r.Saves);
    }

    private static WayWall Without(WayWall wall, Func<ClosedStretch, bool> what) => wall with
    {
        InBay = [.. wall.InBay.Select(b => (IReadOnlyList<ClosedStretch>)[.. b.Where(c => !what(c))])],
        AtMember = [.. wall.AtMember.Select(b => (IReadOnlyList<ClosedStretch>)[.. b.Where(c => !what(c))])],
    };

    private static IEnumerable<BayQuestion> Questions(RouteTask task, RouteAsked asked, WaySearch search, Way chosen)
    {
        var noggin = task.Policy.Feeds.Cost(task.Policy.Feeds.Noggin);
        foreach (var run in chosen.Moves.Where(m => m.Kind == WayMoveKind.AlongBay && m.From.X == m.To.X).GroupBy(m => m.Index))
        {
            var bay = task.Bays.All.Items[run.Key];
            var (low, high) = (run.Min(m => Length.Min(m.From.Y, m.To.Y)), run.Max(m => Length.Max(m.From.Y, m.To.Y)));
            foreach (var (from, to) in Unseen(task, bay, low, high).Where(u => u.To - u.From >= LeastUnseen))
            {
                var with = search.WithNoggin(bay.Index, from + (to - from).Half, noggin);
                // An end in this bay is an opening to look through; else a scanner over the board, which spoils nothing.
                var opening = new[] { asked.From, asked.To }.FirstOrDefault(e => e is not null && e.Place.X > bay.Left && e.Place.X < bay.Right);
                var (probe, minutes) = opening is not null
                    ? (Phrase.Of($"look up and down with mirror and lamp through the opening for the {opening.Name}, as soon as it is cut; before that, a scanner up the bay at {bay.Centre} across, from {from} to {to}"), 3d)
                    : (Phrase.Of($"a scanner up the bay at {bay.Centre} across, from {from} to {to}"), 5d);
                yield return new(bay, from, to, Math.Max(0, (with?.Cost ?? (chosen.Cost + noggin)) - chosen.Cost), with is { Through: false }, probe, minutes);
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

    /// <summary>A way that was looked for.</summary>
    /// <param name="Asked">What is wanted.</param>
    /// <param name="Way">The same as it is looked for through the wall; null where an end is in no bay.</param>
    /// <param name="Search">The search.</param>
    /// <param name="Best">The cheapest way through the wall.</param>
    /// <param name="Next">Looks for the cheapest that differs.</param>
    /// <param name="Chosen">The way that is taken.</param>
    private sealed record Looked(RouteAsked Asked, WayAsked? Way, WaySearch? Search, Way? Best, Func<Way?> Next, Way? Chosen);
}
