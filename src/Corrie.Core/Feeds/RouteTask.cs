using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Core.Feeds;

/// <summary>An end of a way.</summary>
/// <param name="Name">What is there.</param>
/// <param name="Outline">Its outline on the wall.</param>
internal sealed record RouteEnd(string Name, Rect Outline)
{
    /// <summary>Diameter of the hole in its cover, through which cables come out; null where it has none.</summary>
    public Length? PlateHole { get; init; }

    /// <summary>Whether it is a box in which mains must not be.</summary>
    public bool SignalOnly { get; init; }

    /// <summary>Where cables come out: its middle.</summary>
    public WayEnd Place => new(Outline.CentreX, Outline.CentreY);
}

/// <summary>A way and what runs in it.</summary>
/// <param name="Route">What is wanted.</param>
/// <param name="From">Where it begins; null as long as that has no place.</param>
/// <param name="To">Where it ends.</param>
/// <param name="Cables">The cables in it.</param>
internal sealed record RouteAsked(CableRoute Route, RouteEnd? From, RouteEnd? To, Same<(string Name, Cable Cable)> Cables);

/// <summary>All that the ways of a wall follow from.</summary>
/// <param name="Survey">The wall.</param>
/// <param name="Bays">Its bays.</param>
/// <param name="Feeds">What feeds have to know of it.</param>
/// <param name="Asked">The ways that are wanted.</param>
/// <param name="Displays">Outlines of displays, behind which a raceway is not seen.</param>
/// <param name="Bolts">Holes that are planned in its members.</param>
/// <param name="Policy">The company's figures.</param>
internal sealed record RouteTask(Surveyed Survey, Bays Bays, WallFeeds Feeds, Same<RouteAsked> Asked, Same<Rect> Displays, Same<WallHole> Bolts, Policy Policy)
{
    /// <summary>The least hole that is drilled where nobody knows yet what goes through (common practice).</summary>
    private static readonly Length LeastHole = Length.Tape(0, 3, 4);

    private static readonly Length DrillStep = Length.Tape(0, 1, 8);

    /// <summary>A hole of steel studs' own: NFPA 70 300.4(B) asks for a bushing in it; its size is common practice.</summary>
    private static readonly Length PunchedHole = Length.Tape(1, 1, 2);

    // A raceway burns, and so does what is in it: as far from an opening with a fire in it as what burns without limit (IRC R1001.11, from memory).
    private static readonly Length FromFire = Length.Tape(12);

    /// <summary>The wall.</summary>
    public Wall Wall => Survey.Wall;

    /// <summary>Why nothing may be brought through the wall; null where it may.</summary>
    public string? Shut => !Wall.Kind.Framed() ? "it has no bays"
        : Wall.Questions.MayCut == false ? "it may not be cut"
        : Wall.Questions.FireRated == true && Feeds.Seal.Length == 0 ? "it is fire-rated, and no listed seal is recorded"
        : Wall.Questions.Insulated == true ? "it is an outside wall with insulation"
        : null;

    /// <summary>Share of a stud's depth that a hole may take: IRC R602.6, from memory. What nobody has said counts as bearing.</summary>
    public double Share => ShareOf(Feeds.Bearing);

    /// <summary>The largest hole in a stud.</summary>
    public Length MostHole => Wall.Kind == WallKind.SteelStuds ? PunchedHole : MostIn(Wall.StudDepth, Feeds.Bearing);

    /// <summary>The largest hole in a wood stud: a share of its depth, and wood left beside it on both sides.</summary>
    /// <param name="depth">How deep the stud is.</param>
    /// <param name="bearing">Whether it carries; null counts as yes.</param>
    /// <returns>The hole's diameter.</returns>
    public static Length MostIn(Length depth, bool? bearing) => Length.Min(depth * ShareOf(bearing), depth - (EdgeLeft * 2));

    private static double ShareOf(bool? bearing) => bearing == false ? 0.6 : 0.4;

    /// <summary>Wood that stays between a hole and a stud's edge: IRC R602.6, from memory.</summary>
    public static readonly Length EdgeLeft = Length.Tape(0, 5, 8);

    /// <summary>From a hole's edge to the stud's face, below which a nail plate is put on: NFPA 70 300.4(A), from memory.</summary>
    public static readonly Length PlateBelow = Length.Tape(1, 1, 4);

    /// <summary>What runs in a way.</summary>
    /// <param name="asked">The way.</param>
    /// <returns>The cables with the plugs that are pulled.</returns>
    public static Bundle BundleOf(RouteAsked asked) => new([.. asked.Cables.Items.Select(c => Strand.Of(c.Cable, c.Name))]);

    /// <summary>The tube of a way.</summary>
    /// <param name="route">The way.</param>
    /// <param name="bundle">What runs in it.</param>
    /// <returns>The tube that was chosen, or the smallest that will do; null for none.</returns>
    public static Conduit? ConduitOf(CableRoute route, Bundle bundle) => route.Trade is { } trade ? Conduit.Of(route.Conduit).FirstOrDefault(c => c.Trade == trade)
        : bundle.Smallest(route.Conduit) ?? (Conduit.Of(route.Conduit) is { Count: > 0 } all ? all[^1] : null);

    /// <summary>The hole of a way.</summary>
    /// <param name="asked">The way.</param>
    /// <returns>Its diameter.</returns>
    public static Length HoleOf(RouteAsked asked)
    {
        var bundle = BundleOf(asked);
        return asked.Route.SaidHole ?? (ConduitOf(asked.Route, bundle) is { } tube ? Up(tube.Bore + Conduit.Play) : Length.Max(LeastHole, Up(bundle.Bore)));
    }

    private static Length Up(Length length) => Length.FromUnits((length.Units + DrillStep.Units - 1) / DrillStep.Units * DrillStep.Units);

    /// <summary>A way as it is looked for through the wall.</summary>
    /// <param name="asked">The way.</param>
    /// <returns>The way; null where an end is in no bay.</returns>
    public WayAsked? Inside(RouteAsked asked)
    {
        if (asked.From is not { } from || asked.To is not { } to || Bays.At(from.Place.X) is null || Bays.At(to.Place.X) is null)
        {
            return null;
        }

        var hole = HoleOf(asked);
        var way = WayWall.Of(Survey, Bays, Feeds, hole, Policy);
        // A hole for a cable keeps clear of a bolt that is planned there, and of what may be behind the board.
        var keeps = Survey.KeepOuts(Policy);
        var kept = way with
        {
            AtMember = [.. way.AtMember.Select((closed, i) => (IReadOnlyList<ClosedStretch>)[.. closed, .. Bolts.Items.Where(b => Bays.Members.Items[i] is var m && b.X > m.Left && b.X < m.Right)
                .Select(b => new ClosedStretch(b.Y - Policy.KeepFromBuried - hole.Half + WayWall.Margin, b.Y + Policy.KeepFromBuried + hole.Half - WayWall.Margin, "bolt")),
                .. keeps.Where(k => k.Area.Overlaps(Bays.Members.Items[i].Left, Bays.Members.Items[i].Right)).Select(k => new ClosedStretch(k.Area.Bottom - hole.Half + WayWall.Margin, k.Area.Top + hole.Half - WayWall.Margin, k.Name))])],
        };
        var bends = asked.Route.Conduit is ConduitKind.Emt or ConduitKind.Ent ? 4 : (int?)null;
        return new(kept, from.Place, to.Place, hole, hole <= MostHole, bends);
    }

    /// <summary>A way over the surface.</summary>
    /// <param name="asked">The way.</param>
    /// <returns>The way; null where there is none.</returns>
    public Way? OnSurface(RouteAsked asked) => asked.From is { } from && asked.To is { } to
        ? SurfaceWay.Of(
            new(Length.Zero, Length.Zero, Wall.Width, Wall.Height),
            [.. Wall.Features.Where(f => f.Traits.Role is not null && f.Outline != from.Outline && f.Outline != to.Outline).Select(f => f.Kind == FeatureKind.Fireplace ? f.Outline.Grown(FromFire) : f.Outline)], Displays.Items, from.Place, to.Place, Policy.Feeds)
        : null;
}
