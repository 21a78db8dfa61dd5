using Corrie.Core.Catalogue;
using Corrie.Core.Hanging;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Core.Feeds;

/// <summary>Gathers from a job what its boxes, ways, cables and circuits follow from.</summary>
internal sealed class JobFeeds
{
    private readonly IHungResults plan;
    private readonly JobSheet sheet;
    private readonly Dictionary<string, WallRoutes> routes = [];

    /// <summary>Begins.</summary>
    /// <param name="plan">The plan so far.</param>
    public JobFeeds(IHungResults plan)
    {
        this.plan = plan;
        sheet = plan.Sheet;
        Connections = sheet.Get(Connection.Part) ?? [];
        Holders =
        [
            .. sheet.Items.Where(i => i.Product is IWired).Select(i => new PortHolder(i.Id, sheet.NameOf(i), SortOf(i.Kind), new(((IWired)i.Product!).Jacks), sheet.WallOf(i)?.Id ?? string.Empty)),
            .. sheet.Items.Where(i => i.Product is WallBox { HasPower: true }).Select(i => new PortHolder(i.Id, sheet.NameOf(i), SortOf(i.Kind), new([new("outlet", Signal.Mains, PortWay.Both, false, false)]), sheet.WallOf(i)?.Id ?? string.Empty)),
            .. sheet.Walls.SelectMany(w => (plan.Survey(w.Id)?.Wall.Features ?? []).Where(f => f.Kind is FeatureKind.Receptacle or FeatureKind.SignalPlate)
                .Select(f => new PortHolder($"{w.Id}/{f.Id}", f.Name, f.Kind == FeatureKind.Receptacle ? PortSort.Outlet : PortSort.Plate, new(f.Kind == FeatureKind.Receptacle ? [new("outlet", Signal.Mains, PortWay.Out, false, false)] : []), w.Id) { Sockets = f.Sockets })),
        ];
    }

    private static PortSort SortOf(ProductKind kind) => kind == Display.Kind || kind == Thing.Projector ? PortSort.Display
        : kind == Thing.Device ? PortSort.Source
        : kind == Thing.Soundbar ? PortSort.Sound
        : kind == WallBox.Kind ? PortSort.Box
        : PortSort.Other;

    /// <summary>What plugs into what.</summary>
    public IReadOnlyList<Connection> Connections { get; }

    /// <summary>All that has ports.</summary>
    public IReadOnlyList<PortHolder> Holders { get; }

    /// <summary>Whether anybody has begun with feeds on a wall.</summary>
    /// <param name="wall">The wall.</param>
    /// <returns>Whether a box, a way or a cable is on the sheet there.</returns>
    public bool Begun(WallSheet wall) => sheet.ThingsOn(wall).Any(i => i.Kind == WallBox.Kind) || (wall.Get(CableRoute.Part)?.Count ?? 0) > 0
        || wall.Get(WallFeeds.Part) is { Devices.Items.Count: > 0 }
        || Connections.Any(c => WallOf(c.To) == wall.Id || WallOf(c.From) == wall.Id || c.Via.StartsWith(wall.Id + "/", StringComparison.Ordinal) || (ReferenceEquals(wall, sheet.Walls[0]) && WallOf(c.To) is null && WallOf(c.From) is null));

    /// <summary>Whether mains is a matter of a wall.</summary>
    /// <param name="wall">The wall.</param>
    /// <returns>Whether a box with mains, a way that brings it or a cable that carries it is there.</returns>
    public bool HasMains(WallSheet wall) => sheet.ThingsOn(wall).Any(i => i.Product is WallBox { HasPower: true } or Display) || (wall.Get(CableRoute.Part) ?? []).Any(r => r.Power);

    /// <summary>Whether a thing takes mains by a cable that is on the sheet.</summary>
    /// <param name="item">The thing.</param>
    /// <returns>Whether it does.</returns>
    public bool IsFed(Item item) => Connections.Any(c => (c.From == item.Id || c.To == item.Id) && IsMains(c));

    /// <summary>Keeps what was planned for a wall.</summary>
    /// <param name="wall">The wall.</param>
    /// <param name="planned">Its ways.</param>
    public void Planned(WallSheet wall, WallRoutes planned) => routes[wall.Id] = planned;

    /// <summary>All that has to go into an enclosure, or into another box in which a device stands.</summary>
    /// <param name="item">The box.</param>
    /// <param name="wall">Its wall.</param>
    /// <param name="bays">The wall's bays.</param>
    /// <returns>All of it; null for any other box, and for one without a place.</returns>
    public Enclosure? Enclosure(Item item, WallSheet wall, Bays bays)
    {
        var box = (WallBox)item.Product!;
        var devices = sheet.Items.Where(i => i.Product is Thing && i.Get(Stands.Part)?.In == item.Id).ToList();
        if (plan.Placement(item.Id)?.Outer is not { } outer || (box.Sort != BoxSort.Enclosure && devices.Count == 0))
        {
            return null;
        }

        var (left, bottom) = (outer.CentreX - box.OpeningWidth.Half, outer.CentreY - box.OpeningHeight.Half);
        var mains = InEnclosure(item, wall).FirstOrDefault(b => b.Box.HasPower);
        Rect Inside(Length width, Length height) => new(mains.Outer.CentreX - width.Half - left, mains.Outer.CentreY - height.Half - bottom, width, height);
        var inside = devices.Select(d => d.Id).Concat(InEnclosure(item, wall).Select(b => b.Item.Id)).ToHashSet();
        var bay = bays.At(outer.CentreX);
        return new(
            item.Name, box, outer, new([.. devices.Select(d => (d.Name, Thing: (Thing)d.Product!)).Select(d => new EnclosedDevice(d.Name, d.Thing.Width, d.Thing.Height, d.Thing.Depth, d.Thing.Watts))]),
            mains.Item is null ? null : new(mains.Item.Name, Inside(mains.Box.OpeningWidth, mains.Box.OpeningHeight), Inside(mains.Box.Width, mains.Box.Height)),
            new([.. Connections.Where(c => c.Cable is not null && inside.Contains(c.From) != inside.Contains(c.To) && !EndsAt(c.Via, item.Id)).Select(c => Strand.Of(c.Cable!, c.Says))]),
            bay is null ? null : (bay.Left, bay.Right));
    }

    private IEnumerable<(Item Item, WallBox Box, Rect Outer)> InEnclosure(Item enclosure, WallSheet wall)
    {
        var opening = ((WallBox)enclosure.Product!).OpeningAt(plan.Placement(enclosure.Id)!.Outer);
        return sheet.ThingsOn(wall).Where(t => t != enclosure && t.Product is WallBox { Sort: not BoxSort.Enclosure } && plan.Placement(t.Id) is not null)
            .Select(t => (Item: t, Box: (WallBox)t.Product!, plan.Placement(t.Id)!.Outer)).Where(b => opening.Covers(b.Outer));
    }

    private bool EndsAt(string via, string box) => via.Split('/') is [var on, var id] && sheet.Wall(on)?.Get(CableRoute.Part)?.FirstOrDefault(r => r.Id == id) is { } route && (route.From == box || route.To == box);

    /// <summary>Devices on brackets behind displays of a wall.</summary>
    /// <param name="plan">The plan so far.</param>
    /// <param name="wall">The wall.</param>
    /// <returns>Each with its display; those whose display has no place yet are left out.</returns>
    public static IEnumerable<(Item Item, HiddenBox Box)> HiddenOn(IHungResults plan, WallSheet wall)
    {
        var boxes = plan.Sheet.ThingsOn(wall).Where(i => i.Product is WallBox && plan.Placement(i.Id) is not null).Select(i => (i.Name, plan.Placement(i.Id)!.Outer)).ToList();
        var others = new List<(string Name, Rect Area)>(boxes);
        foreach (var item in plan.Sheet.Items.Where(i => i.Product is Thing && i.Kind != Display.Kind))
        {
            if (item.Get(Stands.Part) is { In.Length: > 0 } stands && plan.Sheet.Item(stands.In) is { Product: Display } display && ReferenceEquals(plan.Sheet.WallOf(display), wall)
                && plan.Placement(display.Id) is { } placed && Behind(plan, display, placed.Outer) is { } behind)
            {
                // Of two in one place the second is said: it is the one to be moved.
                var box = new HiddenBox(item.Name, (Thing)item.Product!, stands, behind, new([.. others]), plan.Sheet.Policy);
                others.Add((item.Name, box.Outline));
                yield return (item, box);
            }
        }
    }

    /// <summary>What a display hides.</summary>
    /// <param name="plan">The plan so far.</param>
    /// <param name="item">The display.</param>
    /// <param name="outer">Where it goes.</param>
    /// <returns>The display with plate, arms and ports.</returns>
    public static BehindDisplay? Behind(IHungResults plan, Item item, Rect outer)
    {
        var mount = plan.Sheet.On(item);
        var before = new List<(string, Rect)>();
        var gap = Length.Zero;
        var folds = false;
        if (mount?.Hardware() is { } hardware)
        {
            gap = hardware.DepthParked;
            folds = hardware.Moves;
            if (plan.Layout(mount.Id) is { } layout)
            {
                before.Add(("wall plate", layout.Plate));
                before.AddRange(layout.Arms.Select((a, i) => (i == 0 ? "left arm" : "right arm", a)));
                if (layout.Backing is { } backing)
                {
                    before.Add(("board behind the plate", backing.Outline));
                }
            }
        }

        var ports = item.Product is Display display ? display.Ports.Select(p => (p.Name, new Rect(outer.Left + p.Left, outer.Bottom + p.Up, p.Width, p.Height))).ToList() : [];
        return new(item.Name, outer, new(before), new(ports), gap, folds);
    }

    /// <summary>What a box's place follows from.</summary>
    /// <param name="item">The box.</param>
    /// <param name="wall">Its wall.</param>
    /// <param name="surveyed">The wall as surveyed.</param>
    /// <param name="bays">Its bays.</param>
    /// <returns>All of it.</returns>
    public BoxTask BoxTask(Item item, WallSheet wall, Surveyed surveyed, Bays bays)
    {
        var outer = plan.Placement(item.Id)?.Outer;
        var things = sheet.ThingsOn(wall).ToList();
        var display = sheet.Item(item.For) is { } served && served.Kind == Display.Kind ? served
            : item.For.Length > 0 ? null
            : things.FirstOrDefault(t => t.Kind == Display.Kind && outer is { } o && plan.Placement(t.Id) is { } d && d.Outer.Holds(o.CentreX, o.CentreY));
        var behind = display is not null && plan.Placement(display.Id) is { } placed ? Behind(plan, display, placed.Outer) : null;
        var box = (WallBox)item.Product!;
        var mains = things.FirstOrDefault(t => t != item && t.Product is WallBox { HasPower: true } && sheet.Item(t.For)?.Kind != Display.Kind && plan.Placement(t.Id) is not null);
        (string, Length)? over = behind is null && sheet.Item(item.For) is { } with && PlaceOf(with.Id, string.Empty) is { } there ? (with.Name, there.X) : null;
        // At the other end of a way it is best under the box that it leads to.
        if (behind is null && over is null && (wall.Get(CableRoute.Part) ?? []).FirstOrDefault(r => r.From == item.Id || r.To == item.Id) is { } way && plan.Placement(way.From == item.Id ? way.To : way.From) is { } far)
        {
            over = (sheet.Item(way.From == item.Id ? way.To : way.From)!.Name, far.Outer.CentreX);
        }

        // What hangs before the wall is no obstacle to a box behind it, except what the box is not for.
        var others = things.Where(t => t != item && t.Kind.IsPlaced && t != display && (t.Product is WallBox || (behind is null && t.Kind != Display.Kind)))
            .Select(t => (Thing: t, Placed: plan.Placement(t.Id))).Where(t => t.Placed is not null)
            .Where(t => outer is not { } here || t.Thing.Product is not WallBox that || !(box.Takes(here, t.Placed!.Outer) || that.Takes(t.Placed!.Outer, here))).Select(t => (t.Thing.Name, t.Placed!.Outer)).ToList();
        return new(surveyed, bays, item.Name, box, outer, item.Get(PlacementChoice.Part), behind, over, mains is null ? null : plan.Placement(mains.Id)!.Outer, new(others), wall.Get(WallFeeds.Part)!, sheet.Policy);
    }

    /// <summary>What the ways of a wall follow from.</summary>
    /// <param name="wall">The wall.</param>
    /// <param name="surveyed">The wall as surveyed.</param>
    /// <param name="bays">Its bays.</param>
    /// <returns>All of it.</returns>
    public RouteTask RouteTask(WallSheet wall, Surveyed surveyed, Bays bays)
    {
        RouteEnd? End(string key) => plan.Placement(key) is { } placed && ReferenceEquals(sheet.WallOf(sheet.Item(key)!), wall) ? new(sheet.Item(key)!.Name, placed.Outer) { PlateHole = (sheet.Item(key)!.Product as WallBox)?.PlateHole, SignalOnly = sheet.Item(key)!.Product is WallBox { HasPower: false, Sort: not BoxSort.Enclosure } }
            : surveyed.Wall.Features.FirstOrDefault(f => f.Id == key) is { } feature ? new(feature.Name, feature.Outline)
            : null;
        // Where both ends are one place there is no way yet.
        var asked = (wall.Get(CableRoute.Part) ?? []).Select(r => new RouteAsked(r, End(r.From), r.To == r.From ? null : End(r.To), new(
        [
            .. r.Mains is { } mains ? [(mains.Name, mains)] : Array.Empty<(string, Cable)>(),
            .. Connections.Where(c => c.Via == $"{wall.Id}/{r.Id}" && c.Cable is not null).Select(c => (c.Says, c.Cable!)),
        ]))).ToList();
        var displays = sheet.ThingsOn(wall).Where(i => i.Kind == Display.Kind).Select(i => plan.Placement(i.Id)?.Outer).OfType<Rect>().ToList();
        return new(surveyed, bays, wall.Get(WallFeeds.Part)!, new(asked), new(displays), new(plan is HungPlan builder ? builder.HolesIn(wall.Id) : []), sheet.Policy);
    }

    /// <summary>The cables that end at a wall, or begin there and end at none.</summary>
    /// <param name="wall">The wall.</param>
    /// <returns>The cables.</returns>
    public IReadOnlyList<CableAsked> CablesOf(WallSheet wall) =>
        [.. Connections.Where(c => (WallOf(c.To) ?? WallOf(c.From) ?? sheet.Walls[0].Id) == wall.Id).Select(c =>
        {
            var (from, to) = (Holders.FirstOrDefault(h => h.Key == c.From), Holders.FirstOrDefault(h => h.Key == c.To));
            var (atFrom, atTo) = (ArmOf(c.From), ArmOf(c.To));
            var route = c.Via.Split('/') is [var on, var id] ? routes.GetValueOrDefault(on)?.Of(id) : null;
            return new CableAsked(c, PlaceOf(c.From, c.FromPort), PlaceOf(c.To, c.ToPort), from?.Jack(c.FromPort), to?.Jack(c.ToPort), atTo ?? atFrom, atTo is not null, route, BendsIn(c, route));
        })];

    /// <summary>What the mains of a wall follow from.</summary>
    /// <param name="wall">The wall.</param>
    /// <param name="first">Whether it is the job's first wall.</param>
    /// <returns>All of it.</returns>
    public PowerTask PowerTask(WallSheet wall, bool first)
    {
        var electrics = sheet.Get(Electrics.Part)!;
        // A player whose picture leads somewhere shows nothing without its plug in the wall.
        bool WantsMains(Item item) => ((IWired)item.Product!).Jacks.Any(j => j is { Carries: Signal.Mains, Way: not PortWay.Out }) && Connections.Any(c => c.From == item.Id || c.To == item.Id);
        WayEnd? Spot(Item item) => PlaceOf(item.Id, string.Empty) is { } at ? new(at.X, at.Y) : null;
        var takers = sheet.Items.Where(i => i.Product is IWired or WallBox { HasPower: true })
            .Select(i => new PowerTaker(i.Id, sheet.NameOf(i), sheet.WallOf(i)?.Id ?? string.Empty, (i.Product as IWired)?.Watts, i.Product is Display or WallBox || WantsMains(i), Spot(i))).ToList();
        List<(string, string)> links =
        [
            .. Connections.Where(c => IsMains(c)).Select(c => (c.From, c.To)),
            .. sheet.Walls.SelectMany(w => (w.Get(CableRoute.Part) ?? []).Where(r => r.Power).Select(r => (KeyOf(w, r.From), KeyOf(w, r.To)))),
        ];
        var routesHere = (wall.Get(CableRoute.Part) ?? []).ToList();
        bool Ends(CableRoute route, Item box) => route.From == box.Id || route.To == box.Id;
        var boxes = sheet.ThingsOn(wall).Where(i => i.Product is WallBox { HasPower: true }).Select(i => (Item: i, Box: (WallBox)i.Product!))
            .Select(b => new PowerBox(b.Item.Id, b.Item.Name, b.Box.Volume, b.Item.Get(BoxWires.Part), !b.Box.Divided && (b.Box.HasSignal || routesHere.Any(r => !r.Power && Ends(r, b.Item))), Spot(b.Item))).ToList();
        return new(plan.Survey(wall.Id)!.Wall, wall.Id, electrics, new(takers), new(links), new(boxes), new([.. routesHere.Where(r => r.Power)]), wall.Get(WallFeeds.Part)!, new([.. Used(wall, electrics, routesHere, boxes).Distinct().Order()]), first);
    }

    private IEnumerable<RuleTopic> Used(WallSheet wall, Electrics electrics, List<CableRoute> routesHere, List<PowerBox> boxes)
    {
        var planned = routes.GetValueOrDefault(wall.Id)?.All ?? [];
        if (boxes.Count > 0)
        {
            yield return RuleTopic.BoxFill;
            yield return RuleTopic.Protection;
        }

        if (routesHere.Any(r => r.Power) && routesHere.Any(r => !r.Power))
        {
            yield return RuleTopic.Separation;
        }

        if (planned.Any(r => r.Chosen?.Holes.Any() == true))
        {
            yield return RuleTopic.BoredHoles;
        }

        if (planned.Any(r => r.Conduit is not null))
        {
            yield return RuleTopic.Conduits;
        }

        if (electrics.Circuits.Items.Count > 0)
        {
            yield return RuleTopic.Circuits;
        }

        if (planned.Any(r => r.Chosen is { OnSurface: false }))
        {
            yield return RuleTopic.Cables;
        }

        if (planned.Any(r => r.Chosen is { OnSurface: false } && r.Conduit is not null && Connections.Any(c => c.Via == $"{wall.Id}/{r.Route.Id}" && c.Cable is { Carries: Signal.OneCable } thin && !thin.MayRun(CableRating.InWall))))
        {
            yield return RuleTopic.OneCable;
        }
    }

    private bool IsMains(Connection connection) => connection.Cable is { } cable ? cable.Carries is Signal.Mains or Signal.OneCable
        : Holders.FirstOrDefault(h => h.Key == connection.From)?.Jack(connection.FromPort)?.Carries == Signal.Mains || Holders.FirstOrDefault(h => h.Key == connection.To)?.Jack(connection.ToPort)?.Carries == Signal.Mains;

    // A way names what is on its wall without the wall's key.
    private string KeyOf(WallSheet wall, string end) => sheet.Item(end) is not null ? end : $"{wall.Id}/{end}";

    private string? WallOf(string key) => sheet.Item(key) is { } item ? sheet.WallOf(item)?.Id : key.Split('/') is [var wall, _] && sheet.Wall(wall) is not null ? wall : null;

    private PortPlace? PlaceOf(string key, string port)
    {
        if (key.Split('/') is [var on, var id] && plan.Survey(on)?.Wall.Features.FirstOrDefault(f => f.Id == id) is { } feature)
        {
            return new(feature.Name, on, feature.Centre, feature.Outline.CentreY, Length.Zero);
        }

        if (sheet.Item(key) is not { } item || sheet.WallOf(item) is not { } wall)
        {
            return null;
        }

        if (item.Get(Stands.Part) is { In.Length: > 0 } stands)
        {
            var inside = plan.Placement(stands.In)?.Outer ?? plan.Survey(wall.Id)?.Wall.Features.FirstOrDefault(f => f.Id == stands.In)?.Outline;
            return inside is { } place ? new(item.Name, wall.Id, stands.Across ?? place.CentreX, stands.Up ?? place.CentreY, Length.Zero) : null;
        }

        if (plan.Placement(item.Id) is not { } placed)
        {
            return null;
        }

        var outer = placed.Outer;
        var before = sheet.On(item)?.Hardware()?.DepthParked ?? Length.Zero;
        return item.Product is Display display && display.Ports.FirstOrDefault(p => string.Equals(p.Name, port, StringComparison.OrdinalIgnoreCase)) is { } at
            ? new(item.Name, wall.Id, outer.Left + at.Left + at.Width.Half, outer.Bottom + at.Up + at.Height.Half, before)
            : new(item.Name, wall.Id, outer.CentreX, outer.CentreY, before);
    }

    // Between a box behind a display and the display's port a cable turns by 90 degrees twice.
    private Length? BendsIn(Connection connection, RoutePlan? route)
    {
        var display = new[] { connection.To, connection.From }.Select(k => sheet.Item(k)).FirstOrDefault(i => i?.Kind == Display.Kind);
        return display is null || route is null || PlaceOf(display.Id, string.Empty) is not { } at ? null
            : new[] { route.Route.From, route.Route.To }.Select(k => sheet.Item(k)).Where(i => i?.Product is WallBox && plan.Placement(i.Id) is { } box && plan.Placement(display.Id) is { } placed && placed.Outer.Holds(box.Outer.CentreX, box.Outer.CentreY))
                .Select(i => (Length?)(at.Out + ((WallBox)i!.Product!).Depth)).FirstOrDefault();
    }

    private ArmPath? ArmOf(string key) => sheet.Item(key) is { } item && sheet.On(item) is { } mount && plan.Layout(mount.Id) is { Motion: { } motion } layout
        ? ArmPath.Of(new(layout.Plate.CentreX, layout.HookLine), new(motion.Pivot, motion.PivotUp), [.. motion.Way.Items.Select(p => (motion.Parked + p.Out, p.Down)), (motion.Reach, Length.Zero)]) with { Elbow = mount.Hardware()?.Sort == MountKind.Articulating }
        : null;
}
