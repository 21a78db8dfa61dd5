using Corrie.Core.Catalogue;
using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Core.Planning;

namespace Corrie.Core.Survey;

/// <summary>How sure the crew is of a member.</summary>
public enum StudState
{
    /// <summary>Guessed from spacing or a knock.</summary>
    Suspected,

    /// <summary>Found by a scanner or a magnet.</summary>
    Found,

    /// <summary>Seen, or probed on both sides.</summary>
    Confirmed,
}

/// <summary>What stands on the wall or before it.</summary>
public enum FeatureKind
{
    /// <summary>A cupboard, chest or table.</summary>
    Furniture,

    /// <summary>A soundbar on the wall or on furniture.</summary>
    Soundbar,

    /// <summary>A mantel shelf.</summary>
    Mantel,

    /// <summary>A fireplace or stove opening.</summary>
    Fireplace,

    /// <summary>A beam or ledge above.</summary>
    Beam,

    /// <summary>A window, to the outer edge of its casing.</summary>
    Window,

    /// <summary>A door, to the outer edge of its casing.</summary>
    Door,

    /// <summary>A mains receptacle.</summary>
    Receptacle,

    /// <summary>A switch.</summary>
    Switch,

    /// <summary>A plate for signal cables.</summary>
    SignalPlate,

    /// <summary>A cable in the wall, as it runs.</summary>
    Cable,

    /// <summary>A pipe in the wall.</summary>
    Pipe,

    /// <summary>A gas pipe or valve.</summary>
    Gas,

    /// <summary>A shelf.</summary>
    Shelf,

    /// <summary>A thermostat.</summary>
    Thermostat,

    /// <summary>A vent or grille.</summary>
    Vent,

    /// <summary>An air duct in the wall.</summary>
    Duct,

    /// <summary>A valve, an isolator, a hatch or another control that people use.</summary>
    Control,

    /// <summary>A hole of something that hung here before; its width is its diameter.</summary>
    OldHole,

    /// <summary>A flue in the wall; its depth is how far behind the face it begins.</summary>
    Flue,

    /// <summary>A former opening that was closed with board.</summary>
    ClosedOpening,

    /// <summary>A sprinkler's head.</summary>
    Sprinkler,

    /// <summary>A detector of smoke, heat, gas or fire.</summary>
    Detector,

    /// <summary>An exit sign.</summary>
    ExitSign,

    /// <summary>An emergency light.</summary>
    EmergencyLight,

    /// <summary>Anything else.</summary>
    Other,
}

/// <summary>One layer of the wall's build-up.</summary>
/// <param name="Id">Short key in the sheet.</param>
/// <param name="Order">Place from the room inwards.</param>
/// <param name="Name">What it is.</param>
/// <param name="Thickness">Its thickness.</param>
/// <param name="Confirmed">Whether somebody has seen or drilled it.</param>
/// <param name="By">By what it was confirmed; empty where nobody said.</param>
public sealed record Layer(string Id, int Order, string Name, Length Thickness, bool Confirmed, string By = "")
{
    /// <summary>Whether it is stuck or laid before what holds, and carries nothing: adhered stone, brick veneer, render, plaster.</summary>
    public bool Facing { get; init; }

    /// <summary>Whether a layer of that name is a facing, where nobody has said (common practice).</summary>
    /// <param name="name">What it is called.</param>
    /// <returns>Whether it is.</returns>
    public static bool IsFacing(string name) => Facings.Any(f => name.Contains(f, StringComparison.OrdinalIgnoreCase));

    private static readonly string[] Facings = ["veneer", "facing", "faced", "render", "plaster", "tile", "mortar bed"];
}

/// <summary>A vertical member behind the layers.</summary>
/// <param name="Id">Short key in the sheet.</param>
/// <param name="Centre">Its centre from the left corner.</param>
/// <param name="Width">Its face, 1 1/2 in (38 mm) for wood.</param>
/// <param name="State">How sure the crew is.</param>
/// <param name="Uncertainty">How far its centre may be off.</param>
public sealed record Stud(string Id, Length Centre, Length Width, StudState State, Length Uncertainty)
{
    /// <summary>Its left edge.</summary>
    public Length Left => Centre - Width.Half;

    /// <summary>Its right edge.</summary>
    public Length Right => Centre + Width.Half;

    /// <summary>Whether its place was carried through from the other face, and no bit has met it from this one.</summary>
    public bool Carried { get; init; }

    /// <summary>The methods that found it; empty where only somebody's word is on record.</summary>
    public IReadOnlyList<Method> Methods { get; init; } = [];

    /// <summary>
    /// How far a bolt may be off the centre: <c>width/2 - 1.5 D</c>, less what is not known of the centre.
    /// </summary>
    /// <param name="boltDiameter">Shank diameter.</param>
    /// <returns>The distance; negative where no bolt of that diameter fits.</returns>
    public Length Tolerance(Length boltDiameter) => Play(boltDiameter) - Uncertainty;

    /// <summary>The wood that is left beside a bolt, on its thinner side.</summary>
    /// <param name="boltDiameter">Shank diameter.</param>
    /// <param name="off">How far it is off the centre.</param>
    /// <returns>The wood; negative where the bolt comes out at the side.</returns>
    public Length WoodBeside(Length boltDiameter, Length off) => Width.Half - boltDiameter.Half - off;

    /// <summary>How far a bolt may be off the centre if the member were confirmed where it is marked.</summary>
    /// <param name="boltDiameter">Shank diameter.</param>
    /// <returns>The distance.</returns>
    public Length Once(Length boltDiameter) => State == StudState.Confirmed ? Tolerance(boltDiameter) : Play(boltDiameter);

    /// <summary>How far a bolt may be off a centre that is known exactly: <c>width/2 - 1.5 D</c>.</summary>
    /// <param name="boltDiameter">Shank diameter.</param>
    /// <returns>The distance; negative where no bolt of that diameter fits.</returns>
    public Length Play(Length boltDiameter) => Width.Half - (boltDiameter * 3).Half;
}

/// <summary>A thing on the wall or before it.</summary>
/// <param name="Id">Short key in the sheet.</param>
/// <param name="Kind">What it is.</param>
/// <param name="Name">What the crew calls it.</param>
/// <param name="Outline">Its outline on the wall.</param>
/// <param name="Depth">How far it stands out of the wall.</param>
/// <param name="RouteKnown">For devices, and ends of runs in the wall: whether somebody says that the route of cable or pipe is known; it counts once it is drawn.</param>
public sealed record Feature(
    string Id, FeatureKind Kind, string Name, Rect Outline, Length Depth, bool RouteKnown)
{
    /// <summary>How many plugs an outlet takes that nobody has counted (common practice).</summary>
    public const int UsualSockets = 2;

    /// <summary>For an outlet: how many plugs it takes; null where nobody has counted.</summary>
    public int? Sockets { get; init; }

    /// <summary>Its left edge from the left corner.</summary>
    public Length Left => Outline.Left;

    /// <summary>Its right edge.</summary>
    public Length Right => Outline.Right;

    /// <summary>Its bottom over the floor.</summary>
    public Length Bottom => Outline.Bottom;

    /// <summary>Its top.</summary>
    public Length Top => Outline.Top;

    /// <summary>Its width.</summary>
    public Length Width => Outline.Width;

    /// <summary>Its height.</summary>
    public Length Height => Outline.Height;

    /// <summary>Its centre line.</summary>
    public Length Centre => Outline.CentreX;

    /// <summary>How things of its kind behave.</summary>
    public FeatureTraits Traits => FeatureTraits.Of(Kind);

    /// <summary>How it behaves beside other bodies; null for what has none. A gas cock is a valve that hands have to get at, the pipe is not.</summary>
    public BodyRole? Role => Kind == FeatureKind.Gas && IsEndOfRun ? BodyRole.Control : Traits.Role;

    /// <summary>Whether mains may run to it.</summary>
    public bool Electrical => Traits.Mains;

    /// <summary>Whether it burns: mantels and shelves, unless somebody says otherwise.</summary>
    public bool Combustible { get; init; }

    /// <summary>How a casing stands round the opening on both faces; null where nobody has measured that.</summary>
    public Casing? Casing { get; init; }

    /// <summary>How near a run has to come to a device to be its own (own rule: a cable comes in at the box's edge).</summary>
    public static readonly Length Connected = Length.Tape(1);

    // What is drawn shorter than a foot both ways is where a run shows, and not the run (own rule).
    private static readonly Length ShortestRun = Length.Tape(12);

    /// <summary>Whether it lies in the wall and is so short that it is an end of a cable, pipe or duct: the rest is not on the sheet.</summary>
    public bool IsEndOfRun => Buried && Kind != FeatureKind.Flue && Width < ShortestRun && Height < ShortestRun;

    /// <summary>Whether it lies in the wall: nothing is hung on it, and no hole may meet it.</summary>
    public bool Buried => Traits.InWall;

    /// <summary>Whether a display can neither cover it nor be covered by it.</summary>
    public bool Solid => Role is BodyRole.Solid or BodyRole.Opening;

    /// <summary>Whether it lies within a band of the wall's width.</summary>
    /// <param name="left">The band's left edge.</param>
    /// <param name="right">Its right edge.</param>
    /// <returns>Whether they overlap; touching is outside.</returns>
    public bool Overlaps(Length left, Length right) => Outline.Overlaps(left, right);
}

/// <summary>How things of a kind behave: beside bodies, and where holes are made. The one place that says so for every kind.</summary>
/// <param name="Role">How it behaves beside other bodies; null for what has none.</param>
/// <param name="Mains">Whether mains may run to it.</param>
/// <param name="InWall">Whether it lies in the wall: nothing is hung on it.</param>
/// <param name="Hole">Why no hole may be made in it or close to it, as the end of a sentence; null where one may.</param>
/// <param name="OpensWall">Whether there is no wall where it is: a hole falls into light, passage or fire.</param>
public sealed record FeatureTraits(BodyRole? Role, bool Mains = false, bool InWall = false, string? Hole = null, bool OpensWall = false)
{
    /// <summary>For what saves people in a fire: how far from it, beside and below, nothing is hung; null for anything else.</summary>
    public Length? Clear { get; init; }

    private const string Box = "its box is there, and its cable's last inches";

    /// <summary>How things of a kind behave.</summary>
    /// <param name="kind">The kind.</param>
    /// <returns>Its traits.</returns>
    /// <exception cref="ArgumentOutOfRangeException">A kind of which nobody has said how it behaves.</exception>
    public static FeatureTraits Of(FeatureKind kind) => kind switch
    {
        FeatureKind.Furniture or FeatureKind.Soundbar or FeatureKind.Mantel or FeatureKind.Beam or FeatureKind.Shelf or FeatureKind.Other => new(BodyRole.Solid),
        FeatureKind.Fireplace => new(BodyRole.Solid, OpensWall: true),
        FeatureKind.Window or FeatureKind.Door => new(BodyRole.Opening, OpensWall: true),
        FeatureKind.Receptacle => new(BodyRole.Outlet, Mains: true, Hole: Box),
        FeatureKind.SignalPlate => new(BodyRole.Outlet, Hole: Box),
        FeatureKind.Switch => new(BodyRole.Control, Mains: true, Hole: Box),
        FeatureKind.Thermostat => new(BodyRole.Control, Hole: Box),
        FeatureKind.Vent => new(BodyRole.Control, Hole: "its duct is behind it"),
        FeatureKind.Control => new(BodyRole.Control, Hole: "what it works is behind it"),
        FeatureKind.Cable or FeatureKind.Pipe or FeatureKind.Gas or FeatureKind.Duct => new(null, InWall: true, Hole: "it lies in the wall"),
        // 18 in under a sprinkler, where its water spreads (NFPA 13, from memory); a foot from a detector, and half of one where people look for the way out (own rule).
        FeatureKind.Sprinkler => new(null, Hole: "its pipe is behind it") { Clear = Length.Tape(18) },
        FeatureKind.Detector => new(null, Mains: true, Hole: Box) { Clear = Length.Tape(12) },
        FeatureKind.ExitSign or FeatureKind.EmergencyLight => new(null, Mains: true, Hole: Box) { Clear = Length.Tape(6) },
        // What a hole into it does is another matter than a cable's.
        FeatureKind.Flue => new(null, InWall: true),
        FeatureKind.OldHole or FeatureKind.ClosedOpening => new(default(BodyRole?)),
        _ => throw new ArgumentOutOfRangeException(nameof(kind), kind, "Nobody has said how things of this kind behave."),
    };
}

/// <summary>The record that cables, pipes and gas were looked for.</summary>
/// <param name="By">Who looked.</param>
/// <param name="With">With what.</param>
/// <param name="Crossings">Whether cables that cross the members were looked for too.</param>
public sealed record ServicesScan(string By, string With, bool Crossings);

/// <summary>The wall as surveyed. Positions are from the left corner and the finished floor, seen from the front.</summary>
/// <param name="Width">Corner to corner.</param>
/// <param name="Height">Floor to ceiling.</param>
/// <param name="Kind">What it is made of.</param>
/// <param name="Spacing">Nominal spacing of its members.</param>
/// <param name="StudDepth">Depth of a member behind the layers.</param>
/// <param name="Circulation">Whether people walk along it.</param>
/// <param name="Layers">Its build-up, room side first.</param>
/// <param name="Studs">Its members, left to right.</param>
/// <param name="Features">What is on it or before it.</param>
/// <param name="Scan">The search for services, if one is recorded.</param>
public sealed record Wall(
    Length Width,
    Length Height,
    WallKind Kind,
    Length Spacing,
    Length StudDepth,
    bool Circulation,
    IReadOnlyList<Layer> Layers,
    IReadOnlyList<Stud> Studs,
    IReadOnlyList<Feature> Features,
    ServicesScan? Scan)
{
    /// <summary>What was measured.</summary>
    public IReadOnlyList<MeasuredReading> Readings { get; init; } = [];

    /// <summary>Members whose place follows from readings.</summary>
    public IReadOnlyList<UnplacedStud> Unplaced { get; init; } = [];

    /// <summary>What was found of the framing.</summary>
    public IReadOnlyList<Evidence> Evidence { get; init; } = [];

    /// <summary>Which of its own values nobody has entered, so that the usual ones are planned with: <c>kind</c>, <c>spacing</c>, <c>studDepth</c>.</summary>
    public IReadOnlyList<string> Assumed { get; init; } = [];

    /// <summary>What its units are, for masonry; null where nobody has said.</summary>
    public BaseMaterial? Unit { get; init; }

    /// <summary>The gauge of its steel studs; null where nobody has said.</summary>
    public BaseMaterial? Gauge { get; init; }

    /// <summary>The layers before what holds: all of a framed wall's; without the last one, which holds, where the face itself does. A facing never holds.</summary>
    public Length BeforeBase => Base is { } holds ? LayersThickness - holds.Thickness : LayersThickness;

    /// <summary>The layer that holds, where the face itself does: the last one, unless that is a facing. Null for a framed wall, and where nobody knows what is behind.</summary>
    public Layer? Base => Kind.Framed() || Layers.Count == 0 || Layers[^1].Facing ? null : Layers[^1];

    /// <summary>Whether this face is the outside of the house.</summary>
    public bool Outside { get; init; }

    /// <summary>Answers to the questions about this wall that change the job.</summary>
    public WallQuestions Questions { get; init; } = WallQuestions.Open;

    /// <summary>Where it stands in the document.</summary>
    public Place Here { get; init; } = Place.Nowhere;

    /// <summary>The client's crosses.</summary>
    public IReadOnlyList<ClientCross> Crosses { get; init; } = [];

    /// <summary>Holes made to see the layers.</summary>
    public IReadOnlyList<TestHole> TestHoles { get; init; } = [];

    /// <summary>The build-up as it was entered, where a test hole contradicts it and its own layers are planned with; null where none does.</summary>
    public IReadOnlyList<Layer>? Said { get; init; }

    /// <summary>Key of the test hole whose layers are planned with; empty where those that were entered are.</summary>
    public string Counts { get; init; } = string.Empty;

    /// <summary>Photos.</summary>
    public IReadOnlyList<Photo> Photos { get; init; } = [];

    /// <summary>Places that have to be free of members.</summary>
    public IReadOnlyList<FreePlace> FreePlaces { get; init; } = [];

    /// <summary>
    /// Whether the route of what a device or an end of a run is connected to is on the sheet: a cable, pipe or duct of its kind that touches it and is long enough to be a run. That somebody
    /// knows it is no drawing: nothing keeps clear of what is in a head alone.
    /// </summary>
    /// <param name="end">The device, or the end of a run.</param>
    /// <returns>Whether it is.</returns>
    public bool DrawsRouteOf(Feature end) => Features.Any(f => f.Id != end.Id && f.Buried && !f.IsEndOfRun && f.Kind == (end.Electrical ? FeatureKind.Cable : end.Kind) && f.Outline.Grown(Feature.Connected).Overlaps(end.Outline));

    /// <summary>What a bolt passes before it meets a member.</summary>
    public Length LayersThickness => Layers.Aggregate(Length.Zero, (sum, layer) => sum + layer.Thickness);

    /// <summary>Half of corner to corner.</summary>
    public Length Centre => Width.Half;
}
