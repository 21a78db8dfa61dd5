using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Core.Feeds;

/// <summary>What is wrong with the ways of a wall and with what runs in them.</summary>
internal static class RouteCheck
{
    private const int MostBends = 4;

    /// <summary>Everything that is wrong.</summary>
    /// <param name="task">What is asked.</param>
    /// <param name="routes">The ways.</param>
    /// <param name="code">What is known of the site's code.</param>
    /// <returns>The findings, parts named from the wall on.</returns>
    public static IEnumerable<Finding> Of(RouteTask task, WallRoutes routes, Electrics code) =>
        [.. routes.All.SelectMany((r, i) => Way(task, task.Asked.Items[i], r, code).Concat(Cables(task, task.Asked.Items[i], r)).Concat(Tube(task.Asked.Items[i], r, code))), .. Separation(task, routes, code)];

    private static Spot At(string part, RoutePlan plan)
    {
        var at = plan.Chosen?.Holes.Select(h => (WayEnd?)h.From).FirstOrDefault() ?? plan.From;
        return new($"routes/{plan.Route.Id}/{part}", at?.X, at?.Y);
    }

    private static IEnumerable<Finding> Way(RouteTask task, RouteAsked asked, RoutePlan plan, Electrics code)
    {
        var (route, name) = (plan.Route, plan.Route.Called);
        if (asked is not { From: { } from, To: { } to })
        {
            yield break;
        }

        if (plan.Chosen is not { } way)
        {
            var off = new[] { from, to }.FirstOrDefault(e => task.Bays.All.Items.Count > 0 && task.Bays.At(e.Place.X) is null);
            yield return FeedFindings.NoWay.At(At("way", plan), off is not null
                ? Phrase.Of($"Move the {off.Name} first: its middle at {off.Place.X} across is on a stud, and no way for {name} begins there.")
                : Phrase.Of($"Take another place for one of the ends, or the surface: from the {from.Name} at {from.Place.X} across to the {to.Name} at {to.Place.X} no way for {name} is allowed."), Surface(route));
            yield break;
        }

        if (way.OnSurface)
        {
            yield break;
        }

        if (task.Wall.Questions.MayCut == false)
        {
            yield return FeedFindings.Tenant.At(At("tenant", plan), $"Take the surface: the way for {name} runs {way.Run} through a wall that may not be cut.", Surface(route));
        }

        if (task.Wall.Questions.FireRated == true && task.Feeds.Seal.Length == 0)
        {
            yield return FeedFindings.FireRated.At(At("fire", plan), $"Record the listed seal and who puts it there, or take the surface: the way for {name} runs {way.Run} through a fire-rated wall with {way.Holes.Count()} holes.", Surface(route));
        }

        foreach (var hole in way.Holes)
        {
            var x = hole.Kind == WayMoveKind.Stud ? task.Bays.Members.Items[hole.Index].Centre : hole.From.X;
            var y = hole.Kind is WayMoveKind.TopPlate ? task.Wall.Height - WayWall.TopPlate.Half : hole.Kind is WayMoveKind.BottomPlate ? WayWall.BottomPlate.Half : hole.From.Y;
            if (task.Survey.KeepOuts(task.Policy).FirstOrDefault(k => k.Area.Holds(x, y)) is { } keep)
            {
                yield return SurveyFindings.LiveNearHole.At(
                    new($"routes/{route.Id}/{keep.Id}", x, y), $"Find out where it runs, or take another way for {name}: its hole at {x} across, {y} up is in what is kept free round the {keep.Name}, {keep.Area.Left} to {keep.Area.Right} across and {keep.Area.Bottom} to {keep.Area.Top} up: {keep.Why}.");
                break;
            }
        }

        var studs = way.Holes.Count(h => h.Kind == WayMoveKind.Stud);
        if (studs > 0 && plan.Hole > task.MostHole)
        {
            if (code.Code != ElectricalCode.Other)
            {
                yield return FeedFindings.StudBored.At(
                    At("bored", plan), task.Wall.Kind == WallKind.SteelStuds ? Phrase.Of($"Pull fewer cables or smaller plugs, or take another way: a hole of {plan.Hole:fine} for {name} is more than the {task.MostHole:fine} that steel studs are punched for.")
                        : Phrase.Of($"Pull fewer cables or smaller plugs, or take another way: a hole of {plan.Hole:fine} for {name} takes {plan.Hole.Inches / task.Wall.StudDepth.Inches * 100:0} % of {task.Wall.StudDepth} of stud, and {task.Share * 100:0} % are allowed, {task.MostHole:fine} with {RouteTask.EdgeLeft} left at each edge."), Surface(route));
            }
        }
        else if (plan.NailPlates > 0 && task.Wall.Kind == WallKind.WoodStuds && code.Code != ElectricalCode.Other)
        {
            yield return FeedFindings.StudBored.MildAt(
                At("plates", plan), $"Put {plan.NailPlates} nail plates on, one on each face: the holes of {plan.Hole:fine} for {name} leave {(task.Wall.StudDepth - plan.Hole).Half:fine} to the stud's face, and below {RouteTask.PlateBelow} a screw finds the cable.");
        }

        if (plan.Seals > 0)
        {
            yield return FeedFindings.FireBlock.At(
                At("seals", plan), $"Close {plan.Seals} {(plan.Seals == 1 ? "hole" : "holes")} with a listed sealant once {name} is through: {Listed(way)}. What crosses a bay may be a fire block.");
        }

        if (plan.Questions.Count > 0)
        {
            var dearest = plan.Questions.MaxBy(q => q.More)!;
            yield return FeedFindings.BayUnknown.At(
                new($"routes/{route.Id}/bays", dearest.Bay.Centre, dearest.From + (dearest.To - dearest.From).Half),
                $"Look into {plan.Questions.Count} {(plan.Questions.Count == 1 ? "bay" : "bays")} before {name} is counted on: nobody knows whether a noggin crosses there. It would cost up to {dearest.More:0} more{(dearest.Elsewhere ? ", and another way would be taken" : string.Empty)}.") with
            {
                Parts = [.. plan.Questions.Select(q => Phrase.Of($"{q.Bay.Left} to {q.Bay.Right} across, {q.From} to {q.To} up: {q.Probe}; {q.Minutes:0} minutes"))],
            };
        }
    }

    private static Phrase Listed(Way way)
    {
        Phrase says = $"{string.Empty}";
        var first = true;
        foreach (var hole in way.Holes.Where(h => h.Kind != WayMoveKind.Stud))
        {
            says.AppendFormatted($"{(first ? string.Empty : ", ")}{(hole.Kind == WayMoveKind.Noggin ? "noggin" : hole.Kind == WayMoveKind.TopPlate ? "top plate" : "bottom plate")} at {hole.From.X} across{(hole.Kind == WayMoveKind.Noggin ? Phrase.Of($" and {hole.From.Y} up") : string.Empty)}");
            first = false;
        }

        return says;
    }

    private static Remedy Surface(CableRoute route) => new("Take the surface", "a raceway that comes off again", [route.Here.Set("taken", WayTaken.Surface.Word())]);

    private static IEnumerable<Finding> Cables(RouteTask task, RouteAsked asked, RoutePlan plan)
    {
        var inside = plan.Chosen is { OnSurface: false };
        var tube = plan.Route.Conduit is ConduitKind.Emt or ConduitKind.Ent;
        foreach (var (name, cable) in asked.Cables.Items)
        {
            var live = cable.Carries is Signal.Mains or Signal.OneCable;
            if (inside && (cable.Cord || (live && !cable.MayRun(CableRating.InWall) && !(cable.Carries == Signal.OneCable && tube))))
            {
                yield return FeedFindings.CordInWall.At(
                    At("cord/" + name, plan), cable.Cord ? Phrase.Of($"Take a cable that is made for walls, a kit with an inlet, or the surface: the {cable.Name} is a flexible cord, and {plan.Chosen!.Run} of it would be inside the wall.")
                        : Phrase.Of($"Take a cable that is made for walls, or the surface: the {cable.Name} carries power, is not marked for use inside a wall, and {plan.Chosen!.Run} of it would be there."));
                continue;
            }

            List<CableRating> needs = [.. plan.Route.Places.Items];
            if (inside && !tube && !live)
            {
                needs.Add(CableRating.InWall);
            }

            if (task.Wall.Outside && plan.Chosen is { OnSurface: true })
            {
                needs.Add(CableRating.Outdoor);
            }

            if (needs.Distinct().Where(n => !cable.MayRun(n)).ToList() is { Count: > 0 } lacks)
            {
                yield return FeedFindings.Rating.At(
                    At("rating/" + name, plan), $"Take a cable that is made for it: the {cable.Name} runs {string.Join(", ", lacks.Select(Where))} for {plan.Chosen?.Run ?? Length.Zero}, and is made {(cable.Ratings.Count == 0 ? "for none of that, as far as anybody has entered" : "for " + string.Join(", ", cable.Ratings.Select(r => r.Words())))}.");
            }
        }
    }

    private static string Where(CableRating rating) => rating switch
    {
        CableRating.InWall => "inside a wall",
        CableRating.Riser => "between floors",
        CableRating.Plenum => "in a space that moves air",
        CableRating.Outdoor => "outdoors",
        CableRating.Sun => "in the sun",
        _ => "under ground",
    };

    // Of what a raceway has inside (common practice): its cover closes without force.
    private const double RacewayShare = 0.4;

    private static IEnumerable<Finding> Tube(RouteAsked asked, RoutePlan plan, Electrics code)
    {
        if (plan.Bundle.Cables.Count == 0)
        {
            yield break;
        }

        var (bundle, name) = (plan.Bundle, plan.Route.Called);
        if (plan is { Chosen.OnSurface: true, Route.Raceway: { } raceway })
        {
            var (taken, room, thick) = (bundle.Area, raceway.Wide.Inches * raceway.High.Inches, bundle.Cables.Max(c => c.Diameter));
            if (taken > room * RacewayShare || thick > Length.Min(raceway.Wide, raceway.High))
            {
                yield return FeedFindings.Fill.At(
                    At("fill", plan), $"Take a larger raceway: {bundle.Cables.Count} {(bundle.Cables.Count == 1 ? "cable takes" : "cables take")} {taken / room * 100:0} % of {raceway.Wide:fine} by {raceway.High:fine} for {name}, the thickest is {thick:fine}, and {RacewayShare * 100:0} % are usual; its maker's table prevails.");
            }
        }

        // A cover's hole is a bore like any other.
        foreach (var (end, part) in new[] { (asked.From, "from"), (asked.To, "to") }.Where(e => plan.Chosen is not null && e.Item1?.PlateHole < bundle.Bore).Select(e => (e.Item1!, e.Item2)))
        {
            yield return FeedFindings.PlugDoesNotPass.At(
                At("plate/" + part, plan), bundle.Last is { } stuck
                    ? Phrase.Of($"Take a cover with a larger hole, or finish the cable after it is through: the plug of {stuck.Name}, {stuck.Plug:fine} corner to corner{(bundle.Cables.Count > 1 ? " beside the other cables" : string.Empty)}, asks for {bundle.Bore:fine}, and the cover of the {end.Name} has {end.PlateHole!.Value:fine}.")
                    : Phrase.Of($"Take a cover with a larger hole: the cables for {name} ask for {bundle.Bore:fine}, and the cover of the {end.Name} has {end.PlateHole!.Value:fine}."));
        }

        if (plan.Conduit is { } tube)
        {
            var what = $"{tube.Trade} in {(tube.Kind == ConduitKind.Emt ? "steel tube" : "plastic tube")}";
            var better = bundle.Smallest(tube.Kind);
            Remedy[] remedies = better is null || better.Trade == tube.Trade ? [] : [new($"Take {better.Trade} in", "the smallest that everything passes and that is not too full", [plan.Route.Here.Set("trade", better.Trade)])];
            if (!tube.Holds(bundle) && code.Code != ElectricalCode.Other)
            {
                yield return FeedFindings.Fill.At(
                    At("fill", plan), $"Take a larger tube: {bundle.Cables.Count} {(bundle.Cables.Count == 1 ? "cable takes" : "cables take")} {tube.Fill(bundle) * 100:0} % of the {what} for {name}, and {Conduit.Share(bundle.Cables.Count) * 100:0} % are allowed.", remedies);
            }

            if (tube.Bore < bundle.Bore)
            {
                yield return FeedFindings.PlugDoesNotPass.At(
                    At("plug", plan), bundle.Last is { } last
                        ? Phrase.Of($"Take a larger tube, or pull the cable before its plug is on: the plug of {last.Name}, {last.Plug:fine} corner to corner{(bundle.Cables.Count > 1 ? " beside the other cables" : string.Empty)}, asks for a bore of {bundle.Bore:fine}, and the {what} has {tube.Bore:fine}.")
                        : Phrase.Of($"Take a larger tube: the cables for {name} ask for a bore of {bundle.Bore:fine}, and the {what} has {tube.Bore:fine}."), remedies);
            }

            foreach (var (its, cable) in asked.Cables.Items.Where(c => plan.Chosen is { Bends: > 0 } && c.Cable.Bend > tube.Bend))
            {
                yield return FeedFindings.BendRadius.At(At("bend/" + its, plan), $"Take larger bends or another cable: the {what} for {name} bends to {tube.Bend:fine}, and the {cable.Name} takes {cable.Bend:fine}.");
            }

            if (plan.Chosen is { Bends: > MostBends } way && code.Code != ElectricalCode.Other)
            {
                yield return FeedFindings.Bends.At(At("bends", plan), $"Put a box in between: the tube for {name} turns {way.Bends} times by 90°, {way.Bends * 90}° together, and 360° are the most between two places where it can be pulled.");
            }
        }
        else if (plan.Route.SaidHole is { } hole && hole < bundle.Bore)
        {
            yield return FeedFindings.PlugDoesNotPass.At(
                At("plug", plan), $"Drill a larger hole: the cables for {name}, the largest plug last beside what is already through, ask for {bundle.Bore:fine}, and {hole:fine} are planned.",
                new Remedy($"Drill for a bore of {bundle.Bore:fine}", "the smallest that everything passes", [plan.Route.Here.Clear("hole")]));
        }
    }

    private static IEnumerable<Finding> Separation(RouteTask task, WallRoutes routes, Electrics code)
    {
        foreach (var (asked, route) in task.Asked.Items.Zip(routes.All))
        {
            foreach (var end in new[] { asked.From, asked.To }.OfType<RouteEnd>().Where(e => e.SignalOnly && asked.Route.Power))
            {
                yield return FeedFindings.Separation.At(
                    new($"routes/{asked.Route.Id}/box", end.Place.X, end.Place.Y), $"Take a box that is made for mains, or another end: the mains way for {asked.Route.Called} ends in the {end.Name} at {end.Place.X} across, {end.Place.Y} up, which is for signal.");
            }

            var (live, other) = (asked.Cables.Items.Where(c => c.Cable.Carries == Signal.Mains).ToList(), asked.Cables.Items.Where(c => c.Cable.Carries != Signal.Mains).ToList());
            if (live.Count > 0 && other.Count > 0 && !route.Route.Divided)
            {
                yield return FeedFindings.Separation.At(
                    At("mixed", route), $"Give mains and signal a way of their own each: {live[0].Name} with mains and {other[0].Name} run together for {route.Chosen?.Run ?? Length.Zero} on the way for {route.Route.Called}, through the same holes.");
            }
        }

        foreach (var power in routes.All.Where(r => r.Route.Power))
        {
            foreach (var signal in routes.All.Where(r => !r.Route.Power))
            {
                var shares = power.Route.Shares == signal.Route.Id || signal.Route.Shares == power.Route.Id;
                if (shares && !power.Route.Divided && !signal.Route.Divided)
                {
                    yield return FeedFindings.Separation.At(
                        At("shares/" + signal.Route.Id, power), $"Take a raceway of their own for each, or one with a divider: {power.Route.Called} and {signal.Route.Called} share one, {Length.Min(power.Chosen?.Run ?? Length.Zero, signal.Chosen?.Run ?? Length.Zero)} long, without a divider.");
                    continue;
                }

                if (shares || code.Code == ElectricalCode.Other || power.Chosen is not { } a || signal.Chosen is not { } b)
                {
                    continue;
                }

                var apart = task.Policy.Feeds.Apart;
                if (Closest(task, a, b, power.Hole, signal.Hole, apart) is { } near)
                {
                    yield return FeedFindings.Separation.MildAt(
                        At("apart/" + signal.Route.Id, power), $"Bring them {apart} apart, or one of them into a raceway of its own: {power.Route.Called} and {signal.Route.Called} run {near.Gap:fine} apart at {near.At.X} across, {near.At.Y} up.");
                }
            }
        }
    }

    // Where two ways come nearer to each other than they may.
    private static (Length Gap, WayEnd At)? Closest(RouteTask task, Way a, Way b, Length holeA, Length holeB, Length apart)
    {
        foreach (var x in a.Moves)
        {
            foreach (var y in b.Moves.Where(m => m.Kind == x.Kind && m.Index == x.Index))
            {
                var (low, high) = (Length.Max(Length.Min(x.From.Y, x.To.Y), Length.Min(y.From.Y, y.To.Y)), Length.Min(Length.Max(x.From.Y, x.To.Y), Length.Max(y.From.Y, y.To.Y)));
                switch (x.Kind)
                {
                    case WayMoveKind.Stud when (x.From.Y - y.From.Y).Abs - holeA.Half - holeB.Half is var gap && gap < apart:
                        return (Length.Max(gap, Length.Zero), x.From);
                    case WayMoveKind.AlongBay when x.From.X == x.To.X && y.From.X == y.To.X && high > low && task.Bays.All.Items[x.Index].Clear is var clear && clear < apart + holeA.Half + holeB.Half + WayWall.Beside:
                        return (Length.Max(clear - holeA - holeB, Length.Zero), new(x.From.X, low));
                    case WayMoveKind.TopPlate or WayMoveKind.BottomPlate when task.Bays.All.Items[x.Index].Clear < apart + holeA.Half + holeB.Half + WayWall.Beside:
                        return (Length.Max(task.Bays.All.Items[x.Index].Clear - holeA - holeB, Length.Zero), x.From);
                    default:
                        break;
                }
            }
        }

        return null;
    }
}
