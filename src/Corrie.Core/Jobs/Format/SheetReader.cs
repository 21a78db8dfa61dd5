using System.Text.Json.Nodes;
using Corrie.Core.Catalogue;
using Corrie.Core.Fixing;
using Corrie.Core.Hanging;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Survey;

namespace Corrie.Core.Jobs.Format;

/// <summary>Reads a job document into a typed sheet.</summary>
public static class SheetReader
{
    /// <summary>Reads a document. Parts that are wrong are left out of the sheet and listed, so that nothing else is lost with them.</summary>
    /// <param name="document">A job document; not changed.</param>
    public static (JobSheet Sheet, IReadOnlyList<SheetProblem> Problems) Read(JsonObject document)
    {
        var problems = new List<SheetProblem>();
        SheetShape.Root.Check(document, string.Empty, problems);
        var sound = problems.Count == 0 ? document : Without(document, problems);
        return (Sheet(new Part(sound)), problems);
    }

    /// <summary>Reads a display that has the form of <see cref="SheetShape.Display"/>.</summary>
    public static Display Display(JsonObject document) => Display(new Part(document));

    /// <summary>Reads a mount that has the form of <see cref="SheetShape.Mount"/>.</summary>
    public static Mount Mount(JsonObject document) => Mount(new Part(document));

    // A part that is wrong goes; then its group may lack something it needs and goes too, and so on upwards.
    private static JsonObject Without(JsonObject document, List<SheetProblem> first)
    {
        var rest = (JsonObject)document.DeepClone();
        var problems = first;
        while (problems.Count > 0)
        {
            foreach (var problem in problems)
            {
                TakeOut(rest, problem.Path);
            }

            var again = new List<SheetProblem>();
            SheetShape.Root.Check(rest, string.Empty, again);
            problems = [.. again.Where(p => p.Path.Length > 0)];
        }

        return rest;
    }

    // Items of a list have no place of their own to go from: their list goes.
    private static void TakeOut(JsonObject document, string path)
    {
        var keys = Pointer.Split(path);
        var node = (JsonNode)document;
        for (var i = 0; i < keys.Count; i++)
        {
            if (node is not JsonObject group)
            {
                return;
            }

            if (i == keys.Count - 1 || group[keys[i]] is not JsonObject next)
            {
                group.Remove(keys[i]);
                return;
            }

            node = next;
        }
    }

    private static JobSheet Sheet(Part root)
    {
        var job = root.Group("job");
        var setOut = root.Group("setOut");
        var hanging = root.Group("hanging");
        return new(
            new(job.Text("number") ?? string.Empty, job.Text("title") ?? string.Empty, job.Text("site") ?? string.Empty, job.Text("units") == "mm" ? UnitSystem.Millimetres : UnitSystem.Inches),
            Wall(root.Group("wall")),
            Placement(root.Group("placement")),
            root.Has("display") ? Display(root.Group("display")) : null,
            root.Has("mount") ? Mount(root.Group("mount")) : null,
            new(
                hanging.Choice<Edge>("reference") ?? Edge.Bottom,
                hanging.Whole("armHoleLeft"),
                hanging.Whole("armHoleRight"),
                hanging.Length("measuredBottomToHook"),
                hanging.Length("measuredTopToHook"),
                hanging.Length("plateCentre")),
            Fixing(root.Group("fixing")),
            new(setOut.Text("across") ?? Datum.LeftCorner, setOut.Text("up") ?? Datum.Floor));
    }

    private static Wall? Wall(Part wall)
    {
        if (wall.Length("width") is not { } width || wall.Length("height") is not { } height)
        {
            return null;
        }

        var kind = wall.Choice<WallKind>("kind") ?? WallKind.WoodStuds;
        var scan = wall.Group("scan");
        return new(
            width,
            height,
            kind,
            wall.Length("spacing") ?? Length.Tape(16),
            wall.Length("studDepth") ?? Length.Tape(3, 1, 2),
            wall.Yes("circulation"),
            [.. wall.Items("layers").Select(l => new Layer(l.Id, l.Part.Whole("order") ?? 99, l.Part.Text("name") ?? "layer", l.Part.Length("thickness")!.Value, l.Part.Yes("confirmed"), l.Part.Text("by") ?? string.Empty))
                .OrderBy(l => l.Order).ThenBy(l => l.Id, StringComparer.Ordinal)],
            [.. wall.Items("studs").Where(s => s.Part.Has("centre")).Select(s => StudOf(s.Id, s.Part, kind)).OrderBy(s => s.Centre).ThenBy(s => s.Id, StringComparer.Ordinal)],
            [.. wall.Items("features").Select(f => FeatureOf(f.Id, f.Part)).OrderBy(f => f.Left).ThenBy(f => f.Id, StringComparer.Ordinal)],
            wall.Has("scan") ? new(scan.Text("by") ?? string.Empty, scan.Text("with") ?? string.Empty, scan.Yes("crossings")) : null)
        {
            Unplaced = [.. wall.Items("studs").Where(s => !s.Part.Has("centre")).Select(s => StudOf(s.Id, s.Part, kind)).Select(s => new UnplacedStud(s.Id, s.Width, s.State, s.Uncertainty))],
            Readings =
            [
                .. wall.Items("readings").OrderBy(r => r.Id, StringComparer.Ordinal).Select(r => new MeasuredReading(
                    r.Id, r.Part.Text("from")!, r.Part.Text("to")!, r.Part.Length("value")!.Value,
                    r.Part.Length("deviation") ?? Faces.Usual(r.Part.Text("from")!, r.Part.Text("to")!, OtherFace(r.Part)), Somebody(r.Part))
                { OtherFace = OtherFace(r.Part) }),
            ],
            Evidence = [.. wall.Items("evidence").OrderBy(e => e.Id, StringComparer.Ordinal).Select(e => EvidenceOf(e.Id, e.Part))],
            Outside = wall.Text("face") == "outside",
            Questions = Questions(wall.Group("questions")),
            Crosses = [.. wall.Items("crosses").OrderBy(c => c.Id, StringComparer.Ordinal).Select(c => new ClientCross(c.Id, c.Part.Length("x")!.Value, c.Part.Length("y")!.Value, c.Part.Text("standsFor")))],
            TestHoles =
            [
                .. wall.Items("testHoles").OrderBy(h => h.Id, StringComparer.Ordinal).Select(h => new TestHole(
                    h.Id, h.Part.Length("x")!.Value, h.Part.Length("y")!.Value,
                    [.. h.Part.List("layers").Select(l => new Part((JsonObject)l!)).Select(l => (l.Text("name")!, l.Length("thickness")!.Value))], Somebody(h.Part))),
            ],
            Photos =
            [
                .. wall.Items("photos").OrderBy(p => p.Id, StringComparer.Ordinal).Select(p => new Photo(
                    p.Id, p.Part.Text("of")!, p.Part.Text("picture")!, p.Part.Text("says") ?? string.Empty, Somebody(p.Part))),
            ],
            FreePlaces =
            [
                .. wall.Items("freePlaces").OrderBy(f => f.Id, StringComparer.Ordinal).Select(f => new FreePlace(
                    f.Id, f.Part.Text("name")!, f.Part.Length("left")!.Value, f.Part.Length("bottom")!.Value, f.Part.Length("width")!.Value, f.Part.Length("height")!.Value)),
            ],
        };
    }

    private static bool OtherFace(Part part) => part.Text("face") == "other";

    private static string Somebody(Part part) => part.Text("by") is { Length: > 0 } by ? by : "somebody";

    private static Evidence EvidenceOf(string id, Part e)
    {
        var axis = e.Choice<Axis>("axis") ?? Axis.Across;
        return new(
            id,
            e.Choice<EvidenceKind>("kind")!.Value,
            axis,
            e.Text("from") ?? (axis == Axis.Up ? Datum.Floor : Datum.LeftCorner),
            e.Length("at")!.Value,
            e.Length("to"),
            e.Length("beside"),
            e.Length("good") ?? Probing.Accuracy,
            e.Length("bite"),
            e.Choice<ToldMaterial>("told") ?? ToldMaterial.Nothing,
            e.Yes("struck"),
            e.Yes("gap"),
            OtherFace(e),
            Somebody(e));
    }

    private static HouseQuestions Questions(Part q) => new(
        q.Whole("built"),
        q.Choice<FlueState>("flue"),
        q.Answer("gas"),
        q.Answer("fireRated"),
        q.Answer("insulated"),
        q.Answer("mayCut"),
        q.Text("renovation"),
        q.Answer("smallHands"));

    private static Stud StudOf(string id, Part stud, WallKind kind)
    {
        var state = stud.Choice<StudState>("state") ?? StudState.Suspected;
        // A tape is good to 1/32 in, a scanner to about 1/4, spacing to 1/2 (common practice).
        var uncertainty = stud.Length("uncertainty") ?? state switch
        {
            StudState.Confirmed => Length.Tape(0, 1, 32),
            StudState.Found => Length.Tape(0, 1, 4),
            _ => Length.Tape(0, 1, 2),
        };
        return new(id, stud.Length("centre") ?? Length.Zero, stud.Length("width") ?? (kind == WallKind.SteelStuds ? Length.Tape(1, 1, 4) : Length.Tape(1, 1, 2)), state, uncertainty);
    }

    private static Feature FeatureOf(string id, Part feature)
    {
        var kind = feature.Choice<FeatureKind>("kind") ?? FeatureKind.Other;
        return new(
            id,
            kind,
            feature.Text("name") is { Length: > 0 } name ? name : feature.Text("kind") ?? "thing",
            feature.Length("left")!.Value,
            feature.Length("bottom") ?? Length.Zero,
            feature.Length("width")!.Value,
            feature.Length("height")!.Value,
            feature.Length("depth") ?? Length.Zero,
            feature.Yes("routeKnown"))
        { Casing = feature.Has("casing") ? CasingOf(feature.Group("casing")) : null };
    }

    private static Casing CasingOf(Part c) =>
        new(c.Length("hereInner")!.Value, c.Length("hereOuter")!.Value, c.Length("thereInner")!.Value, c.Length("thereOuter")!.Value);

    private static PlacementChoice? Placement(Part placement)
    {
        if (placement.Length("height") is not { } height)
        {
            return null;
        }

        var approval = placement.Group("approval");
        // Nothing said sideways means the middle of the wall.
        var over = placement.Text("over") ?? (placement.Has("across") ? null : "wall");
        return new(
            placement.Choice<School>("school") ?? School.EyeLine,
            placement.Text("reason") ?? string.Empty,
            placement.Choice<Edge>("given") ?? Edge.Bottom,
            height,
            over,
            placement.Length("across") ?? Length.Zero,
            placement.Length("gapBelow") ?? Length.Tape(2),
            placement.Length("gapAbove") ?? Length.Zero,
            [.. placement.Items("viewers").Select(v => new Viewer(
                v.Id, v.Part.Text("name") is { Length: > 0 } name ? name : "seat", v.Part.Length("eye")!.Value, v.Part.Length("distance")!.Value, v.Part.Angle("recline"), v.Part.Yes("seated", true)))
                .OrderBy(v => v.Id, StringComparer.Ordinal)],
            placement.Has("approval") ? new(approval.Text("by")!, approval.Length("centre")!.Value, approval.Length("across")!.Value) : null);
    }

    private static Display Display(Part d)
    {
        var diagonal = d.Length("diagonal")!.Value;
        var ratio = (d.Text("aspect") ?? "16:9").Split(':');
        var aspect = new AspectRatio(double.Parse(ratio[0]), double.Parse(ratio[1]));
        var height = d.Length("height")!.Value;
        return new(
            d.Text("name")!,
            diagonal,
            aspect,
            d.Length("width")!.Value,
            height,
            d.Length("depth")!.Value,
            d.Mass("mass"),
            d.Length("vesaWidth")!.Value,
            d.Length("vesaHeight")!.Value,
            d.Length("vesaCentreUp")!.Value,
            d.Length("vesaCentreRight") ?? Length.Zero,
            d.Length("pictureUp") ?? (height - PictureSize.OfDiagonal(diagonal, aspect).Height).Half,
            d.Yes("portsUsed"));
    }

    private static Mount Mount(Part m)
    {
        var parked = m.Length("depthParked")!.Value;
        return new(
            m.Text("name")!,
            m.Choice<MountKind>("kind")!.Value,
            [.. m.List("walls").Select(w => Choices.Of<WallKind>(w!.GetValue<string>())!.Value).Distinct().Order()],
            m.Mass("rated"),
            m.Mass("mass"),
            m.Length("vesaWidest")!.Value,
            m.Length("vesaHighest")!.Value,
            m.Length("vesaNarrowest") ?? Length.Zero,
            m.Length("sizeFrom")!.Value,
            m.Length("sizeTo")!.Value,
            m.Length("plateWidth")!.Value,
            m.Length("plateHeight")!.Value,
            m.Length("plateThickness")!.Value,
            m.Length("hookUp")!.Value,
            [.. m.List("rows").Select(r => new Part((JsonObject)r!)).Select(r => new PlateRow(
                r.Text("id")!,
                r.Length("aboveHook")!.Value,
                [.. r.List("slots").Select(s => new Part((JsonObject)s!)).Select(s =>
                    new Slot(Length.Min(s.Length("from")!.Value, s.Length("to")!.Value), Length.Max(s.Length("from")!.Value, s.Length("to")!.Value)))]))],
            new(
                m.Length("hookAboveFirstHole")!.Value,
                m.Length("armPitch")!.Value,
                m.Whole("armHoles")!.Value,
                m.Length("armTopAboveHook")!.Value,
                m.Length("armLength")!.Value),
            m.Whole("studs") ?? 2,
            m.Length("slide")!.Value,
            m.Length("raiseBy") ?? Length.Zero,
            m.Length("lowerBy") ?? Length.Zero,
            parked,
            m.Length("depthExtended") ?? parked,
            m.Angle("tiltDown"),
            m.Length("clearAbove") ?? Length.Zero,
            m.Length("templateHeight") ?? Length.Zero);
    }

    private static FixingChoice? Fixing(Part fixing)
    {
        if (!fixing.Has("fastener"))
        {
            return null;
        }

        var f = fixing.Group("fastener");
        var bits = fixing.List("bits").Select(b => LengthReader.Read(b!.GetValue<string>(), UnitSystem.Inches).Value).ToList();
        return new(
            new(
                f.Text("name")!,
                f.Choice<FastenerKind>("kind")!.Value,
                f.Length("diameter")!.Value,
                f.Length("length")!.Value,
                f.Length("tip") ?? Length.Zero,
                f.Length("washer") ?? Length.Zero,
                f.Length("hole") ?? Length.Zero,
                f.Length("grip") ?? Length.Zero,
                f.Has("ratedTension") ? f.Mass("ratedTension").Weight : null,
                f.Choice<RatingBasis>("basis") ?? RatingBasis.Ultimate),
            fixing.Number("gravity"),
            fixing.Length("pilot"),
            bits.Count == 0 ? PilotHole.UsualBits : bits,
            fixing.Length("packing") ?? Length.Zero);
    }

    // A group of values whose form has been checked.
    private readonly struct Part(JsonObject? group)
    {
        public bool Has(string name) => group?[name] is not null;

        public Part Group(string name) => new(group?[name] as JsonObject);

        public string? Text(string name) => group?[name]?.GetValue<string>();

        public T? Choice<T>(string name)
            where T : struct, Enum => Choices.Of<T>(Text(name));

        public bool Yes(string name, bool otherwise = false) => group?[name] is JsonValue v ? v.GetValue<bool>() : otherwise;

        public bool? Answer(string name) => group?[name] is JsonValue v ? v.GetValue<bool>() : null;

        public double? Number(string name) => group?[name] is JsonValue v ? NumberShape.NumberOf(v) : null;

        public int? Whole(string name) => (int?)Number(name);

        public Length? Length(string name) => Text(name) is { } text ? LengthReader.Read(text, UnitSystem.Millimetres, true).Value : null;

        public Mass Mass(string name) => QuantityReader.ReadMass(Text(name), UnitSystem.Inches).Value;

        public Angle Angle(string name) => Text(name) is { } text ? QuantityReader.ReadAngle(text).Value : default;

        public IEnumerable<JsonNode?> List(string name) => group?[name] as JsonArray ?? [];

        public IEnumerable<(string Id, Part Part)> Items(string name) =>
            (group?[name] as JsonObject ?? []).Select(p => (p.Key, new Part(p.Value as JsonObject)));
    }
}
