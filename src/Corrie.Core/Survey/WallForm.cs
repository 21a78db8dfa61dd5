using Corrie.Core.Catalogue;
using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Core.Planning;

namespace Corrie.Core.Survey;

/// <summary>What the survey adds to the sheet.</summary>
public static class WallForm
{
    private static readonly string[] Usual = ["kind", "spacing", "studDepth"];
    private static readonly Length Thin = Length.Tape(40);
    private static readonly Length FacesOfMembers = Length.Tape(24);

    private static readonly GroupShape<Layer> Layers = new("a layer", m =>
    {
        var order = m.Need("order", new WholeShape("its place from the room inwards", 1, 99));
        var name = m.Need("name", new TextShape("what it is", 80));
        return new Layer(
            m.Key,
            order,
            name,
            m.Length("thickness", "its thickness", LengthRange.UpTo(Thin)),
            m.Yes("confirmed", "whether somebody has seen or drilled it"),
            m.Text("by", "by what it was confirmed", 80))
        { Facing = m.Yes("facing", "whether it is a facing, which carries nothing: adhered stone, veneer, render, plaster", Layer.IsFacing(name)) };
    });

    private static readonly GroupShape<Casing> Casings = new("how far the casing's edges stand from the opening, on both faces", m => new Casing(
        m.Length("hereInner", "inner edge on this face", LengthRange.Distance),
        m.Length("hereOuter", "outer edge on this face", LengthRange.Distance),
        m.Length("thereInner", "inner edge on the other face", LengthRange.Distance),
        m.Length("thereOuter", "outer edge on the other face", LengthRange.Distance)));

    private static readonly GroupShape<Feature> Features = new("a thing on the wall", m =>
    {
        var kind = m.Need("kind", new ChoiceShape<FeatureKind>("what it is"));
        var name = m.Text("name", "what the crew calls it", 80);
        return new Feature(
            m.Key,
            kind,
            name.Length > 0 ? name : kind.Words(),
            new(
                m.Length("left", "left edge from the left corner", LengthRange.Along),
                m.Length("bottom", "bottom over the floor", LengthRange.Along, Length.Zero),
                m.Length("width", "width", LengthRange.Size),
                m.Length("height", "height", LengthRange.Size)),
            m.Length("depth", "how far it stands out of the wall", LengthRange.Distance, Length.Zero),
            m.Yes("routeKnown", "whether the route of its cable or pipe is known; it counts once it is drawn"))
        {
            Casing = m.Part("casing", Casings),
            Sockets = m.Maybe("sockets", new WholeShape("for an outlet: how many plugs it takes, where they are not two", 1, 12)),
            Combustible = m.Yes("combustible", "whether it burns", kind is FeatureKind.Mantel or FeatureKind.Shelf),
        };
    });

    private static readonly GroupShape<MeasuredReading> Readings = new("a reading", m =>
    {
        var from = m.Need("from", new TextShape("the point that the tape is hooked on, such as left-corner, f1/right or studs/s1", 40));
        var to = m.Need("to", new TextShape("the point that is read", 40));
        var value = m.Length("value", "what the tape shows, to the right or up", LengthRange.EitherWay);
        var other = OtherFace(m, "on which face it was taken; sides and direction are as seen from there");
        return new MeasuredReading(
            m.Key, from, to, value, m.Length("deviation", "its standard deviation", LengthRange.UpTo(Length.Tape(4)), Faces.Usual(from, to, other)), Somebody(m, "who measured"))
        { OtherFace = other };
    });

    private static readonly GroupShape<Evidence> Findings = new("a piece of evidence", m =>
    {
        var kind = m.Need("kind", new ChoiceShape<EvidenceKind>("how it was found"));
        var axis = m.Choice("axis", "across for upright members, up for level ones", Axis.Across);
        var from = m.Or(
            "from", new TextShape("the datum that it was measured from, such as left-corner, floor or f1/right", 40), axis == Axis.Up ? Datum.Floor : Datum.LeftCorner);
        return new Evidence(
            m.Key,
            kind,
            axis,
            from,
            m.Length("at", "where, from that datum", LengthRange.EitherWay),
            m.MaybeLength("to", "the far edge, where both edges were found", LengthRange.EitherWay),
            m.MaybeLength("beside", "where on the other axis, from the floor or the left corner", LengthRange.Along),
            m.Length("good", "how far it may be off", new(Length.Zero, Length.Tape(4)), Probing.Accuracy),
            m.MaybeLength("bite", "how deep the bit went into what it met", LengthRange.Distance),
            m.Or("told", new ChoiceShape<ToldMaterial>("what a scanner, or what the bit brought, said of the material", ToldMaterial.Nothing), ToldMaterial.Nothing),
            m.Yes("struck", "whether it was taken back as wrong"),
            m.Yes("gap", "for a miss: whether it is the gap between two members"),
            OtherFace(m, "on which face it was found; sides and direction are as seen from there"),
            Somebody(m, "who found it"))
        { Here = m.Here };
    });

    private static readonly GroupShape<ClientCross> Crosses = new("a cross", m => new ClientCross(
        m.Key,
        m.Length("x", "from the left corner", LengthRange.Along),
        m.Length("y", "over the floor", LengthRange.Along),
        m.Part("standsFor", new WordShape("the point that it stands for", "centre", "bottom-edge", "top-edge", "left-corner", "right-corner"))));

    private static readonly GroupShape<(string Name, Length Thickness)> SeenLayers = new("a layer", m => (
        m.Need("name", new TextShape("what it is", 80)), m.Length("thickness", "its thickness", LengthRange.UpTo(Thin))));

    private static readonly GroupShape<TestHole> TestHoles = new("a test hole", m => new TestHole(
        m.Key,
        m.Length("x", "from the left corner", LengthRange.Along),
        m.Length("y", "over the floor", LengthRange.Along),
        m.Need("layers", new ListShape<(string, Length)>("what it went through, from the room inwards", SeenLayers, 20)),
        Somebody(m, "who made it"))
    {
        Behind = m.Maybe("behind", new ChoiceShape<BehindLayers>("what the bit met behind these")),
        Bite = m.MaybeLength("bite", "how deep it went on biting in that", LengthRange.Distance),
        Dust = m.Text("dust", "colour of the dust", 40),
        Struck = m.Yes("struck", "whether it was taken back as wrong"),
        Gap = m.Yes("gap", "where it dropped: whether that is the gap between two members"),
        Sound = m.Choice("sound", "how the layers sounded and drilled", LayerSound.Sound),
        Here = m.Here,
    });

    private static readonly GroupShape<Photo> Photos = new("a photo", m => new Photo(
        m.Key,
        m.Need("of", new TextShape("what it shows: wall, a feature's key, or evidence/ and a key", 40)),
        m.Need("picture", new TextShape("the name of the picture: SHA-256 of the file, in hexadecimal figures", 64)),
        m.Text("says", "what is to be seen", 200),
        Somebody(m, "who took it")));

    private static readonly GroupShape<FreePlace> FreePlaces = new("a place", m => new FreePlace(
        m.Key,
        m.Need("name", new TextShape("what is to go there", 80)),
        new(
            m.Length("left", "its left edge from the left corner", LengthRange.Along),
            m.Length("bottom", "its bottom over the floor", LengthRange.Along),
            m.Length("width", "width", LengthRange.Size),
            m.Length("height", "height", LengthRange.Size))));

    private static readonly GroupShape<ServicesScan> Scans = new("the search for cables, pipes and gas", m => new ServicesScan(
        m.Need("by", new TextShape("who looked", 80)),
        m.Need("with", new TextShape("with what", 120)),
        m.Yes("crossings", "whether cables that cross the members were looked for")));

    private static readonly GroupShape<WallQuestions> Questions = new("answers about the wall that change the job", m => new WallQuestions(
        m.Maybe("flue", new ChoiceShape<FlueState>("the flue")),
        m.Maybe("gas", new YesNoShape("whether gas runs near")),
        m.Maybe("fireRated", new YesNoShape("whether the wall is fire-rated or a party wall")),
        m.Maybe("insulated", new YesNoShape("whether it is an outside wall with insulation")),
        m.Maybe("mayCut", new YesNoShape("whether it may be cut")))
    {
        DeadFlue = m.Part("deadFlue", new GroupShape<DeadFlue>("what shows that nothing is lit in the flue any more", d => new DeadFlue(
            d.Yes("applianceGone", "whether the appliance is gone"),
            d.Yes("closedOff", "whether the flue is closed off"),
            d.Text("photo", "the key of a photo of that", 40),
            d.Text("by", "who has seen it", 80)))),
    });

    private static readonly GroupShape<SiteFacts> Site = new("what is known of the house", m => new SiteFacts(
        m.Maybe("built", new WholeShape("year in which the house was built", 1000, 2200)),
        m.Part("renovation", new TextShape("when renovation or demolition is foreseen", 80)),
        m.Maybe("smallHands", new YesNoShape("whether small children or pets reach what hangs loose"))));

    /// <summary>A wall: nothing as long as its size is not known.</summary>
    public static Part<Wall?> Wall { get; } = new(Holder.Wall, string.Empty, new GroupShape<Wall?>("a wall", Read));

    /// <summary>From where the set-out of a wall is read.</summary>
    public static Part<SetOutChoice> SetOut { get; } = new(Holder.Wall, "setOut", new GroupShape<SetOutChoice>("from where the set-out is read", m => new SetOutChoice(
        m.Or("across", new TextShape("across from the", 32, Names.DatumAcross), Datum.LeftCorner),
        m.Or("up", new TextShape("up from the", 32, Names.DatumUp), Datum.Floor))), always: true);

    /// <summary>What is known of the house.</summary>
    public static Part<SiteFacts> House { get; } = new(Holder.Job, "site", Site, always: true);

    private static Wall? Read(Members m)
    {
        var width = m.MaybeLength("width", "corner to corner", LengthRange.From(Length.Tape(1)));
        var height = m.MaybeLength("height", "floor to ceiling", LengthRange.From(Length.Tape(1)));
        var kind = m.Choice("kind", "what the wall is", WallKind.WoodStuds);
        var spacing = m.Length("spacing", "nominal spacing of its members", new(Length.Tape(1), Length.Tape(60)), Length.Tape(16));
        var deep = m.Length("studDepth", "depth of a member", LengthRange.UpTo(FacesOfMembers), Length.Tape(3, 1, 2));
        var unit = m.Maybe("unit", new ChoiceShape<BaseMaterial>("masonry: what its units are", Others(BaseMaterial.SolidBrick, BaseMaterial.Stone)));
        var gauge = m.Maybe("gauge", new ChoiceShape<BaseMaterial>("steel studs: their gauge", Others(BaseMaterial.Steel25, BaseMaterial.Steel16)));
        var path = m.Yes("circulation", "whether people walk along it");
        var outside = m.Or("face", new WordShape("whether this face is inside or outside the house", "inside", "outside"), "inside") == "outside";
        var layers = m.Map("layers", "layers from the room inwards", Layers, 20);
        var studs = m.Map("studs", "members behind the layers", Studs(kind));
        var features = m.Map("features", "what is on the wall or before it", Features);
        var readings = m.Map("readings", "what was measured", Readings);
        var evidence = m.Map("evidence", "what was found of the framing", Findings, 1000);
        var crosses = m.Map("crosses", "the client's crosses", Crosses, 20);
        var testHoles = m.Map("testHoles", "holes made to see the layers", TestHoles, 40);
        var photos = m.Map("photos", "photos, each pinned to what it shows", Photos, 200);
        var freePlaces = m.Map("freePlaces", "places that have to be free of members", FreePlaces, 40);
        var scan = m.Part("scan", Scans);
        var questions = m.Part("questions", Questions);
        return width is null || height is null ? null : new(
            width.Value,
            height.Value,
            kind,
            spacing,
            deep,
            path,
            [.. layers.OrderBy(l => l.Order).ThenBy(l => l.Id, StringComparer.Ordinal)],
            [.. studs.Where(s => s.Centre is not null).Select(s => new Stud(s.Id, s.Centre!.Value, s.Width, s.State, s.Uncertainty)).OrderBy(s => s.Centre).ThenBy(s => s.Id, StringComparer.Ordinal)],
            [.. features.OrderBy(f => f.Left).ThenBy(f => f.Id, StringComparer.Ordinal)],
            scan)
        {
            Unplaced = [.. studs.Where(s => s.Centre is null).Select(s => new UnplacedStud(s.Id, s.Width, s.State, s.Uncertainty))],
            Assumed = [.. Usual.Where(name => !m.Has(name))],
            Readings = readings,
            Evidence = evidence,
            Outside = outside,
            Unit = unit,
            Gauge = gauge,
            Questions = questions ?? WallQuestions.Open,
            Crosses = crosses,
            TestHoles = testHoles,
            Photos = photos,
            FreePlaces = freePlaces,
            Here = m.Here,
        };
    }

    private static GroupShape<EnteredStud> Studs(WallKind kind) => new("a member", m =>
    {
        var centre = m.MaybeLength("centre", "its centre from the left corner, unless readings give it", LengthRange.Along);
        var width = m.Length("width", "its face", LengthRange.UpTo(FacesOfMembers), kind == WallKind.SteelStuds ? Length.Tape(1, 1, 4) : Length.Tape(1, 1, 2));
        var state = m.Choice("state", "how sure it is", StudState.Suspected);
        // A tape is good to 1/32 in, a scanner to about 1/4, spacing to 1/2 (common practice).
        return new EnteredStud(m.Key, centre, width, state, m.Length("uncertainty", "how far its centre may be off", new(Length.Zero, Length.Tape(12)), state switch
        {
            StudState.Confirmed => Length.Tape(0, 1, 32),
            StudState.Found => Length.Tape(0, 1, 4),
            _ => Length.Tape(0, 1, 2),
        }));
    });

    private static IEnumerable<BaseMaterial> Others(BaseMaterial from, BaseMaterial to) => Enum.GetValues<BaseMaterial>().Where(b => b < from || b > to);

    private static bool OtherFace(Members m, string says) => m.Or("face", new WordShape(says, "this", "other"), "this") == "other";

    private static string Somebody(Members m, string says) => m.Text("by", says, 80) is { Length: > 0 } by ? by : "somebody";

    private sealed record EnteredStud(string Id, Length? Centre, Length Width, StudState State, Length Uncertainty);
}
