using System.Text.Json.Nodes;
using Corrie.Core.Catalogue;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Survey;

namespace Corrie.Core.Jobs.Format;

/// <summary>The form of the job file: what stands where, in which range.</summary>
public static class SheetShape
{
    /// <summary>The value of the member <c>format</c>.</summary>
    public const string Format = "corrie-job/1";

    private static readonly Length Step = Length.FromUnits(1);
    private static readonly Length Room = Length.FromMillimetres(60_000);
    private static readonly Length Part = Length.FromMillimetres(10_000);

    /// <summary>A display of the catalogue.</summary>
    public static GroupShape Display { get; } = new(
        "the display",
        new("item", new TextShape("the catalogue's key, where it was copied from there", 40)),
        new("name", new TextShape("what it is, without a make", 120), true),
        new("diagonal", Size("diagonal of the picture"), true),
        new("aspect", new ChoiceShape("shape of the picture", "16:9", "16:10", "21:9", "32:9", "4:3", "9:16")),
        new("width", Size("outer width"), true),
        new("height", Size("outer height"), true),
        new("depth", Size("outer depth"), true),
        new("mass", new MassShape("weight without feet"), true),
        new("vesaWidth", Size("width of the hole pattern"), true),
        new("vesaHeight", Size("height of the hole pattern"), true),
        new("vesaCentreUp", Size("centre of the hole pattern over the bottom edge"), true),
        new("vesaCentreRight", Offset("centre of the hole pattern right of the display's centre, seen from the front")),
        new("pictureUp", Distance("bottom of the picture over the bottom edge")),
        new("portsUsed", new YesNoShape("whether sockets on its back are used after hanging")));

    /// <summary>A mount of the catalogue.</summary>
    public static GroupShape Mount { get; } = new(
        "the mount",
        new("item", new TextShape("the catalogue's key, where it was copied from there", 40)),
        new("name", new TextShape("what it is, without a make", 120), true),
        new("kind", ChoiceShape.Of<MountKind>("how it carries and moves"), true),
        new("walls", new ListShape("kinds of wall it is made for", WallKind(), 3), true),
        new("rated", new MassShape("rated weight"), true),
        new("mass", new MassShape("its own weight"), true),
        new("vesaWidest", Size("widest hole pattern"), true),
        new("vesaHighest", Size("highest hole pattern"), true),
        new("vesaNarrowest", Size("narrowest hole pattern")),
        new("sizeFrom", Size("smallest display, by diagonal"), true),
        new("sizeTo", Size("largest display, by diagonal"), true),
        new("plateWidth", Size("width of the wall plate"), true),
        new("plateHeight", Size("height of the wall plate"), true),
        new("plateThickness", Size("thickness of the plate's steel"), true),
        new("hookUp", Distance("hook line over the plate's bottom edge"), true),
        new("rows", new ListShape("rows of holes, top row first", new GroupShape(
            "a row of holes",
            new("id", new TextShape("its name", 24), true),
            new("aboveHook", Offset("height over the hook line, negative below it"), true),
            new("slots", new ListShape("its holes and slots", new GroupShape(
                "a hole (from = to) or slot",
                new("from", Offset("left end from the plate's centre, negative to the left"), true),
                new("to", Offset("right end"), true)), 60), true)), 12), true),
        new("hookAboveFirstHole", Offset("hook over the arm's first hole"), true),
        new("armPitch", Distance("from one arm hole to the next one down"), true),
        new("armHoles", new NumberShape("how many arm holes", 1, 60, whole: true), true),
        new("armTopAboveHook", Distance("the arm's end over its hook"), true),
        new("armLength", Size("length of an arm"), true),
        new("studs", new NumberShape("how many studs the plate is made to catch", 1, 2, whole: true)),
        new("slide", Distance("sideways slide to each side"), true),
        new("raiseBy", Distance("how far it raises the display after hanging")),
        new("lowerBy", Distance("how far it lowers it")),
        new("depthParked", Distance("wall to the display's back, parked"), true),
        new("depthExtended", Distance("wall to the display's back at full reach")),
        new("tiltDown", new AngleShape("how far it tilts down")),
        new("clearAbove", Distance("clear height over the display for lifting it on")),
        new("templateHeight", Distance("height of the paper template, its middle on the hook line")));

    /// <summary>A bolt, screw or toggle of the catalogue.</summary>
    public static GroupShape Fastener { get; } = new(
        "the bolt, screw or toggle",
        new("item", new TextShape("the catalogue's key, where it was copied from there", 40)),
        new("name", new TextShape("what it is, without a make", 120), true),
        new("kind", ChoiceShape.Of<FastenerKind>("what kind"), true),
        new("diameter", Size("shank diameter"), true),
        new("length", Size("length under the head"), true),
        new("tip", Distance("length of the tapered tip")),
        new("washer", Distance("thickness of the washer")),
        new("hole", Distance("the hole it needs, for toggles")),
        new("grip", Distance("the most a toggle clamps")),
        new("ratedTension", new MassShape("the maker's load in tension through board and steel flange")),
        new("basis", ChoiceShape.Of<RatingBasis>("what that load means")));

    /// <summary>The whole job file.</summary>
    public static GroupShape Root { get; } = new(
        "a job",
        new("format", new ChoiceShape("the form of this file", Format), true),
        new("job", new GroupShape(
            "what the job is called",
            new("number", new TextShape("the company's number", 24)),
            new("title", new TextShape("the wall, as the crew calls it", 120)),
            new("site", new TextShape("where it is", 200)),
            new("units", new ChoiceShape("the job's units", "in", "mm"), true)), true),
        new("wall", new GroupShape(
            "the wall",
            new("width", new LengthShape("corner to corner", Length.Tape(1), Room)),
            new("height", new LengthShape("floor to ceiling", Length.Tape(1), Room)),
            new("kind", WallKind()),
            new("spacing", new LengthShape("nominal spacing of its members", Length.Tape(1), Length.Tape(60))),
            new("studDepth", new LengthShape("depth of a member", Step, Length.Tape(24))),
            new("circulation", new YesNoShape("whether people walk along it")),
            new("layers", new MapShape("layers from the room inwards", new GroupShape(
                "a layer",
                new("order", new NumberShape("its place from the room inwards", 1, 99, whole: true), true),
                new("name", new TextShape("what it is", 80), true),
                new("thickness", new LengthShape("its thickness", Step, Length.Tape(40)), true),
                new("confirmed", new YesNoShape("whether somebody has seen or drilled it")),
                new("by", new TextShape("by what it was confirmed", 80))), 20)),
            new("studs", new MapShape("members behind the layers", new GroupShape(
                "a member",
                new("centre", At("its centre from the left corner; left out where readings give it")),
                new("width", new LengthShape("its face", Step, Length.Tape(24))),
                new("state", ChoiceShape.Of<StudState>("how sure it is")),
                new("uncertainty", new LengthShape("how far its centre may be off", Length.Zero, Length.Tape(12)))))),
            new("features", new MapShape("what is on the wall or before it", new GroupShape(
                "a feature",
                new("kind", ChoiceShape.Of<FeatureKind>("what it is"), true),
                new("name", new TextShape("what the crew calls it", 80)),
                new("left", At("left edge from the left corner"), true),
                new("bottom", At("bottom over the floor")),
                new("width", Size("width"), true),
                new("height", Size("height"), true),
                new("depth", Distance("how far it stands out of the wall")),
                new("routeKnown", new YesNoShape("whether the route of its cable is known")),
                new("casing", new GroupShape(
                    "how far the casing's edges stand from the opening, on both faces",
                    new("hereInner", Distance("inner edge on this face"), true),
                    new("hereOuter", Distance("outer edge on this face"), true),
                    new("thereInner", Distance("inner edge on the other face"), true),
                    new("thereOuter", Distance("outer edge on the other face"), true)))))),
            new("readings", new MapShape("what was measured", new GroupShape(
                "a reading",
                new("from", new TextShape("the point that the tape is hooked on, such as left-corner, f1/right or studs/s1", 40), true),
                new("to", new TextShape("the point that is read", 40), true),
                new("value", new LengthShape("what the tape shows, to the right or up", -Room, Room), true),
                new("deviation", new LengthShape("its standard deviation", Step, Length.Tape(4))),
                new("face", new ChoiceShape("on which face it was taken; sides and direction are as seen from there", "this", "other")),
                new("by", new TextShape("who measured", 80))))),
            new("evidence", new MapShape("what was found of the framing", new GroupShape(
                "a piece of evidence",
                new("kind", ChoiceShape.Of<EvidenceKind>("how it was found"), true),
                new("axis", ChoiceShape.Of<Axis>("across for upright members, up for level ones")),
                new("from", new TextShape("the datum that it was measured from, such as left-corner, floor or f1/right", 40)),
                new("at", new LengthShape("where, from that datum", -Room, Room), true),
                new("to", new LengthShape("the far edge, where both edges were found", -Room, Room)),
                new("beside", At("where on the other axis, from the floor or the left corner")),
                new("good", new LengthShape("how far it may be off", Length.Zero, Length.Tape(4))),
                new("bite", Distance("how deep the bit went into what it met")),
                new("told", ChoiceShape.Of<ToldMaterial>("what the scanner said of the material", ToldMaterial.Nothing)),
                new("face", new ChoiceShape("on which face it was found; sides and direction are as seen from there", "this", "other")),
                new("struck", new YesNoShape("whether it was taken back as wrong")),
                new("gap", new YesNoShape("for a miss: whether it is the gap between two members")),
                new("by", new TextShape("who found it", 80))))),
            new("face", new ChoiceShape("whether this face is inside or outside the house", "inside", "outside")),
            new("questions", new GroupShape(
                "answers that change the job",
                new("built", new NumberShape("year in which the house was built", 1000, 2200, whole: true)),
                new("flue", ChoiceShape.Of<FlueState>("the flue")),
                new("gas", new YesNoShape("whether gas runs near")),
                new("fireRated", new YesNoShape("whether the wall is fire-rated or a party wall")),
                new("insulated", new YesNoShape("whether it is an outside wall with insulation")),
                new("mayCut", new YesNoShape("whether it may be cut")),
                new("renovation", new TextShape("when renovation or demolition is foreseen", 80)),
                new("smallHands", new YesNoShape("whether small children or pets reach what hangs loose")))),
            new("crosses", new MapShape("the client's crosses", new GroupShape(
                "a cross",
                new("x", At("from the left corner"), true),
                new("y", At("over the floor"), true),
                new("standsFor", new ChoiceShape("the point that it stands for", "centre", "bottom-edge", "top-edge", "left-corner", "right-corner"))), 20)),
            new("testHoles", new MapShape("holes made to see the layers", new GroupShape(
                "a test hole",
                new("x", At("from the left corner"), true),
                new("y", At("over the floor"), true),
                new("layers", new ListShape("what it went through, from the room inwards", new GroupShape(
                    "a layer",
                    new("name", new TextShape("what it is", 80), true),
                    new("thickness", new LengthShape("its thickness", Step, Length.Tape(40)), true)), 20), true),
                new("by", new TextShape("who made it", 80))), 40)),
            new("photos", new MapShape("photos, each pinned to what it shows", new GroupShape(
                "a photo",
                new("of", new TextShape("what it shows: wall, a feature's key, or evidence/ and a key", 40), true),
                new("picture", new TextShape("the name of the picture: SHA-256 of the file, in hexadecimal figures", 64), true),
                new("says", new TextShape("what is to be seen", 200)),
                new("by", new TextShape("who took it", 80))), 200)),
            new("freePlaces", new MapShape("places that have to be free of members", new GroupShape(
                "a place",
                new("name", new TextShape("what is to go there", 80), true),
                new("left", At("its left edge from the left corner"), true),
                new("bottom", At("its bottom over the floor"), true),
                new("width", Size("width"), true),
                new("height", Size("height"), true)), 40)),
            new("scan", new GroupShape(
                "the search for cables, pipes and gas",
                new("by", new TextShape("who looked", 80), true),
                new("with", new TextShape("with what", 120), true),
                new("crossings", new YesNoShape("whether cables that cross the members were looked for")))))),
        new("placement", new GroupShape(
            "where the picture goes",
            new("school", ChoiceShape.Of<School>("how the height is chosen")),
            new("reason", new TextShape("why that one", 300)),
            new("given", ChoiceShape.Of<Edge>("the line that the height is for")),
            new("height", At("that line over the floor")),
            new("over", new TextShape("the centre line it hangs on: wall, or a feature's key", 24)),
            new("across", new LengthShape("centre from the left corner, or right of the centre line it hangs on", -Room, Room)),
            new("gapBelow", Distance("least gap to what stands below")),
            new("gapAbove", Distance("least gap to what is above")),
            new("viewers", new MapShape("who watches", new GroupShape(
                "a viewer",
                new("name", new TextShape("which seat or place", 80)),
                new("eye", new LengthShape("eye height over the floor", Step, Part), true),
                new("distance", new LengthShape("eye to screen", Step, Room), true),
                new("recline", new AngleShape("how far a recliner leans back")),
                new("seated", new YesNoShape("whether they sit"))), 30)),
            new("approval", new GroupShape(
                "the client's consent",
                new("by", new TextShape("who consented", 80), true),
                new("centre", At("height of the centre consented to"), true),
                new("across", At("its centre from the left corner"), true))))),
        new("display", Display),
        new("mount", Mount),
        new("hanging", new GroupShape(
            "how it hangs",
            new("reference", ChoiceShape.Of<Edge>("the edge that heights are carried from")),
            new("armHoleLeft", new NumberShape("arm hole on the left, from the top", 1, 60, whole: true)),
            new("armHoleRight", new NumberShape("arm hole on the right, from the top", 1, 60, whole: true)),
            new("measuredBottomToHook", Offset("bottom edge to hook, measured")),
            new("measuredTopToHook", Offset("top edge to hook, measured")),
            new("plateCentre", At("the plate's centre, where it is fixed")))),
        new("fixing", new GroupShape(
            "what holds the plate",
            new("fastener", Fastener),
            new("gravity", new NumberShape("specific gravity of the studs", 0.2, 1)),
            new("pilot", new LengthShape("the pilot bit chosen", Step, Length.Tape(2))),
            new("bits", new ListShape("the bits that the crew has", new LengthShape("a bit", Step, Length.Tape(2)), 60)),
            new("packing", Distance("packing behind the plate")))),
        new("setOut", new GroupShape(
            "from where the set-out is read",
            new("across", new TextShape("datum of sideways readings", 32)),
            new("up", new TextShape("datum of heights", 32)))));

    /// <summary>The JSON Schema of the job file (draft 2020-12).</summary>
    public static JsonObject JsonSchema()
    {
        var schema = Root.Schema();
        var head = new JsonObject
        {
            ["$schema"] = "https://json-schema.org/draft/2020-12/schema",
            ["title"] = "Corrie job file",
            ["$defs"] = new JsonObject
            {
                ["length"] = new JsonObject
                {
                    ["type"] = "string",
                    ["maxLength"] = 40,
                    ["pattern"] = "[a-zA-Z'\"′″’”]",
                    ["description"] = "a length with its unit, such as \"54 1/4 in\", \"5' 1 3/8\\\"\" or \"1378 mm\"",
                },
            },
        };
        foreach (var (key, value) in schema.ToList())
        {
            schema.Remove(key);
            head[key] = value;
        }

        return head;
    }

    private static LengthShape Size(string says) => new(says, Step, Part);

    private static LengthShape Distance(string says) => new(says, Length.Zero, Part);

    private static LengthShape At(string says) => new(says, Length.Zero, Room);

    private static LengthShape Offset(string says) => new(says, -Part, Part);

    private static ChoiceShape WallKind() => ChoiceShape.Of<WallKind>("what the wall is");
}
