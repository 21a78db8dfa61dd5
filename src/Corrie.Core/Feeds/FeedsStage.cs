using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Hanging;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Core.Feeds;

/// <summary>Power, boxes and concealed cables, from port to port.</summary>
public sealed class FeedsStage : ILateStage
{
    /// <summary>Where a box may go.</summary>
    internal static readonly Result<BoxPlaces> Boxes = new("box");

    /// <summary>What goes into an enclosure.</summary>
    internal static readonly Result<EnclosurePlan> Enclosures = new("enclosure");

    /// <summary>The ways of a wall.</summary>
    internal static readonly Result<WallRoutes> Routes = new("routes");

    /// <summary>The cables that end at a wall.</summary>
    internal static readonly Result<WallCables> Cables = new("cables");

    private static readonly Result<Said> OfDevices = new("devices behind displays");
    internal static readonly Result<HiddenBox> OfHidden = new("hidden");
    private static readonly Result<Said> OfPorts = new("ports");
    private static readonly Result<Said> OfPower = new("power");

    /// <inheritdoc/>
    public StageId Id => FeedFindings.Stage;

    /// <inheritdoc/>
    public WorkStep Step => WorkStep.Feed;

    /// <inheritdoc/>
    public IReadOnlyList<Part> Parts { get; } = [WallFeeds.Part, CableRoute.Part, BoxWires.Part, Connection.Part, Electrics.Part];

    /// <inheritdoc/>
    public IReadOnlyList<FindingKind> Kinds => FeedFindings.All;

    /// <inheritdoc/>
    public void Plan(HungPlan plan)
    {
        var sheet = plan.Sheet;
        var job = new JobFeeds(plan);
        foreach (var wall in sheet.Walls)
        {
            if (plan.Survey(wall.Id) is not { } surveyed)
            {
                continue;
            }

            Devices(plan, wall, surveyed);
            foreach (var (item, box) in JobFeeds.HiddenOn(plan, wall))
            {
                plan.Work(OfHidden, item.Id, wall.Id, box, static (work, input) =>
                {
                    work.Add(input.Check());
                    return input;
                });
            }

            if (!job.Begun(wall))
            {
                continue;
            }

            var bays = Bays.Of(surveyed, sheet.Policy.UsualBolt);
            foreach (var item in sheet.ThingsOn(wall).Where(i => i.Product is WallBox))
            {
                var task = job.BoxTask(item, wall, surveyed, bays);
                plan.Work(Boxes, item.Id, wall.Id, task, static (work, task) =>
                {
                    var places = task.Places();
                    work.Add(BoxCheck.Of(task, places));
                    return places;
                });
                if (job.Enclosure(item, wall, bays) is { } enclosure)
                {
                    plan.Work(Enclosures, item.Id, wall.Id, enclosure, static (work, enclosure) =>
                    {
                        var packed = PackOut.Of(enclosure.Box, enclosure.Devices.Items, enclosure.Mains?.Cover);
                        work.Add(enclosure.Check(packed));
                        return new EnclosurePlan(enclosure, packed);
                    });
                }
            }

            var routes = plan.Work(Routes, wall.Id, wall.Id, (Task: job.RouteTask(wall, surveyed, bays), Code: sheet.Get(Electrics.Part)!), static (work, input) =>
            {
                var routes = RoutePlanner.Of(input.Task);
                work.Add(RouteCheck.Of(input.Task, routes, input.Code));
                foreach (var route in routes.All)
                {
                    Hidden(work, input.Task, route);
                }

                return routes;
            })!;
            job.Planned(wall, routes);
        }

        foreach (var wall in sheet.Walls.Where(w => plan.Survey(w.Id) is not null && job.Begun(w)))
        {
            var first = ReferenceEquals(wall, sheet.Walls[0]);
            plan.Work(Cables, wall.Id, wall.Id, (Asked: new Same<CableAsked>(job.CablesOf(wall)), sheet.Policy, sheet.Head.Units), static (work, input) =>
            {
                List<CablePlan> plans = [.. input.Asked.Items.Select(c => CablePlanner.Of(c, input.Policy, input.Units))];
                work.Add(input.Asked.Items.SelectMany((c, i) => CablePlanner.Check(c, plans[i])));
                return new WallCables(plans);
            });
            plan.Work(OfPorts, wall.Id, wall.Id, (Holders: new Same<PortHolder>(job.Holders), Connections: new Same<Connection>(job.Connections), Wall: wall.Id, First: first), static (work, input) =>
            {
                work.Add(PortCheck.Of(input.Holders.Items, input.Connections.Items, input.Wall, input.First));
                return new Said();
            });
            plan.Work(OfPower, wall.Id, wall.Id, job.PowerTask(wall, first), static (work, input) =>
            {
                work.Add(PowerCheck.Of(input));
                return new Said();
            });
        }
    }

    private static void Devices(HungPlan plan, WallSheet wall, Surveyed surveyed)
    {
        var sheet = plan.Sheet;
        foreach (var item in sheet.ThingsOn(wall).Where(i => i.Product is Display))
        {
            if (plan.Placement(item.Id) is not { } placed || JobFeeds.Behind(plan, item, placed.Outer) is not { } behind)
            {
                continue;
            }

            plan.Work(OfDevices, item.Id, wall.Id, (surveyed.Wall, Feeds: wall.Get(WallFeeds.Part)!, Behind: behind), static (work, input) =>
            {
                foreach (var device in input.Wall.Features.Where(f => f.Kind is FeatureKind.Receptacle or FeatureKind.SignalPlate && f.Outline.Overlaps(input.Behind.Outer) && input.Feeds.Devices.Items.All(d => d.Of != f.Id)))
                {
                    var stands = device.Depth + BoxCheck.Plug;
                    var under = input.Behind.Before.Items.FirstOrDefault(b => b.Area.Overlaps(device.Outline));
                    if (under.Name is not null || stands > input.Behind.Gap)
                    {
                        work.Add(FeedFindings.DeviceBehind.At(
                            new("devices/" + device.Id, device.Centre, device.Outline.CentreY), under.Name is { } name
                                ? Phrase.Of($"Say what becomes of the {device.Name} at {device.Centre} across, {device.Outline.CentreY} up: move it, set it back, or have it taken out of use under a blank cover. The {name} of the {input.Behind.Name} lies on it, {under.Area.Left} to {under.Area.Right} across.")
                                : Phrase.Of($"Say what becomes of the {device.Name} at {device.Centre} across, {device.Outline.CentreY} up: move it, set it back, or have it taken out of use under a blank cover. With a plug it stands {stands} out, and behind the parked {input.Behind.Name} are {input.Behind.Gap}.")));
                    }
                }

                return new Said();
            });
        }
    }

    // Where cables will run: nobody drills there. In a bay they hang anywhere across it.
    private static void Hidden(Worksheet work, RouteTask task, RoutePlan route)
    {
        if (route.Chosen is not { OnSurface: false } way)
        {
            return;
        }

        var (n, keep, name) = (0, task.Policy.KeepFromBuried, $"{route.Route.Called} cable");
        foreach (var move in way.Moves)
        {
            var (low, high) = (Length.Min(move.From.Y, move.To.Y), Length.Max(move.From.Y, move.To.Y));
            if (move.Kind == WayMoveKind.AlongBay && task.Bays.All.Items[move.Index] is var bay && move.Run > Length.Zero)
            {
                work.Add(new WallRun($"routes/{route.Route.Id}/run{n++}", name, Rect.Between(bay.Left, bay.Right, low, high)));
            }
            else if (move.Kind == WayMoveKind.Stud && task.Bays.Members.Items[move.Index] is var stud)
            {
                var half = route.Hole.Half + keep;
                work.Add(new WallRun($"routes/{route.Route.Id}/run{n++}", name, Rect.Between(stud.Left, stud.Right, low - half, low + half)));
            }
        }

        var number = 1;
        foreach (var hole in way.Holes.Where(h => h.Kind is WayMoveKind.Stud or WayMoveKind.Noggin))
        {
            var x = hole.Kind == WayMoveKind.Stud ? task.Bays.Members.Items[hole.Index].Centre : hole.From.X;
            work.Add(new Mark($"routes/{route.Route.Id}/h{number}", $"{(hole.Kind == WayMoveKind.Stud ? "Stud" : "Noggin")} hole {number}, {route.Route.Called}", x, hole.From.Y, Phrase.Of($"{route.Hole:fine} through the middle of its depth"), MarkPhase.Holes, MarkViews.None, MarkLook.Hole));
            number++;
        }
    }

    /// <inheritdoc/>
    public StageReport Report(IHungResults plan, WallSheet? wall)
    {
        if (wall is null || plan.Survey(wall.Id) is null)
        {
            return StageReport.NotNeeded;
        }

        var job = new JobFeeds(plan);
        var things = plan.Sheet.ThingsOn(wall).ToList();
        if (!job.Begun(wall))
        {
            return things.Any(t => t.Kind == Display.Kind) ? StageReport.NotBegun("where power and signal come from") : StageReport.NotNeeded;
        }

        var routes = plan.Get(Routes, wall.Id)?.All ?? [];
        var cables = plan.Get(Cables, wall.Id)?.All ?? [];
        var electrics = plan.Sheet.Get(Electrics.Part)!;
        Phrase? needs = things.FirstOrDefault(t => t.Kind == WallBox.Kind && t.Product is null) is { } box ? Phrase.Of($"what the {box.Name} is")
            : things.FirstOrDefault(t => t.Kind == WallBox.Kind && plan.Placement(t.Id) is null) is { } loose ? Phrase.Of($"a place for the {loose.Name}")
            : routes.FirstOrDefault(r => r.From is null || r.To is null) is { } open ? Phrase.Of($"both ends of the way for {open.Route.Called}")
            : routes.FirstOrDefault(r => r.Bundle.Cables.Count == 0 && (r.Route.Power || r.Conduit is null)) is { } bare ? bare.Route.Power ? Phrase.Of($"the mains cable of {bare.Route.Called}") : Phrase.Of($"a cable for {bare.Route.Called}")
            : things.FirstOrDefault(t => t.Product is WallBox { HasSignal: true, HasPower: false, Sort: not BoxSort.Enclosure } && routes.All(r => r.Route.From != t.Id && r.Route.To != t.Id)) is { } empty ? Phrase.Of($"what leads to the {empty.Name}")
            : cables.FirstOrDefault(c => c.Connection.Cable is null) is { } unknown ? Phrase.Of($"which cable {unknown.Connection.Says} is")
            : cables.FirstOrDefault(c => c.Way is null) is { } nowhere ? nowhere.AcrossWalls ? Phrase.Of($"how far {nowhere.Connection.Says} runs from wall to wall") : Phrase.Of($"where {nowhere.Connection.Says} runs")
            : JobFeeds.HiddenOn(plan, wall).FirstOrDefault(h => h.Box.Stands.Carries is null) is { Item: not null } hung ? Phrase.Of($"what the brackets of the {hung.Item.Name} carry")
            : wall.Get(WallFeeds.Part)?.Devices.Items.FirstOrDefault(d => d.Fate is DeviceFate.Blanked or DeviceFate.PushedBack && d.Meets.Trim().Length == 0 && plan.Survey(wall.Id)!.Wall.Features.Any(f => f.Id == d.Of && f.Kind == FeatureKind.SignalPlate)) is { } unmet ? Phrase.Of($"how what the {plan.Survey(wall.Id)!.Wall.Features.First(f => f.Id == unmet.Of).Name} gave is met now")
            : job.HasMains(wall) && electrics.Code is null ? "which electrical code holds here"
            : job.HasMains(wall) && electrics.Circuits.Items.FirstOrDefault(c => c.Other is null) is { } circuit ? Phrase.Of($"what else runs on {circuit.Called}")
            : job.HasMains(wall) && things.FirstOrDefault(t => t.Product is IWired { Watts: null } && (t.Kind == Display.Kind || job.IsFed(t))) is { } thirsty ? Phrase.Of($"how many watts the {thirsty.Name} takes")
            : plan.Sheet.Wall(wall.Id)!.Get(WallFeeds.Part) is { Bearing: null } && routes.Any(r => r.Chosen?.Holes.Any(h => h.Kind == WayMoveKind.Stud) == true) ? "whether the wall bears"
            : null;
        return needs is not null ? StageReport.Open(needs)
            : StageReport.Clear(Phrase.Of($"{routes.Count} {(routes.Count == 1 ? "way" : "ways")}, {cables.Count} {(cables.Count == 1 ? "cable" : "cables")}"));
    }

    /// <inheritdoc/>
    public void Write(IHungResults plan, PlanWriter file)
    {
        foreach (var item in plan.Sheet.Items)
        {
            if (plan.Box(item.Id) is { } places)
            {
                file.Item(item.Id)["windows"] = PlanWriter.All(places.All, p => new System.Text.Json.Nodes.JsonObject { ["across"] = file.Exact(p.X), ["up"] = file.Exact(p.Y) });
            }
        }

        foreach (var wall in plan.Sheet.Walls)
        {
            if (plan.Routes(wall.Id) is { All.Count: > 0 } routes)
            {
                file.Wall(wall.Id)["routes"] = FeedsFile.Routes(routes, file);
            }

            if (plan.Cables(wall.Id) is { All.Count: > 0 } cables)
            {
                file.Wall(wall.Id)["cables"] = FeedsFile.Cables(cables, file);
            }
        }
    }

    private sealed record Said;
}

/// <summary>The cables that end at a wall.</summary>
/// <param name="All">Each of them.</param>
public sealed record WallCables(IReadOnlyList<CablePlan> All);

/// <summary>What feeds have made of a job.</summary>
public static class FeedsResults
{
    /// <summary>Where a box may go.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="box">Key of the box.</param>
    /// <returns>The places; null where it is none.</returns>
    public static BoxPlaces? Box(this IHungResults plan, string box) => plan.Get(FeedsStage.Boxes, box);

    /// <summary>What goes into an enclosure, and how.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="box">Key of the enclosure.</param>
    /// <returns>All of it; null where it is none, or has no place yet.</returns>
    public static EnclosurePlan? Enclosed(this IHungResults plan, string box) => plan.Get(FeedsStage.Enclosures, box);

    /// <summary>Where a device on brackets behind a display is.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="item">Key of the device.</param>
    /// <returns>Its outline on the wall, and where its two brackets sit across; null where it is none.</returns>
    public static (Rect Outline, Length Left, Length Right)? Hidden(this IHungResults plan, string item) =>
        plan.Get(FeedsStage.OfHidden, item)?.Outline is { } outline ? (outline, outline.Left + HiddenBox.BracketInside, outline.Right - HiddenBox.BracketInside) : null;

    /// <summary>The ways of a wall.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="wall">Key of the wall.</param>
    /// <returns>The ways; null where nobody has begun with any.</returns>
    public static WallRoutes? Routes(this IHungResults plan, string wall) => plan.Get(FeedsStage.Routes, wall);

    /// <summary>All that has ports in a job: things, boxes with mains, outlets and plates that are there.</summary>
    /// <param name="plan">The plan.</param>
    /// <returns>Each with its ports.</returns>
    public static IReadOnlyList<PortHolder> PortHolders(this IHungResults plan) => new JobFeeds(plan).Holders;

    /// <summary>The cables that end at a wall.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="wall">Key of the wall.</param>
    /// <returns>The cables; null where nobody has begun with any.</returns>
    public static WallCables? Cables(this IHungResults plan, string wall) => plan.Get(FeedsStage.Cables, wall);
}
