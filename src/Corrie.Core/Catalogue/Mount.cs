using System.Text.Json.Nodes;
using Corrie.Core.Format;
using Corrie.Core.Measure;

namespace Corrie.Core.Catalogue;

/// <summary>How a mount carries and moves its display.</summary>
public enum MountKind
{
    /// <summary>Fixed, close to the wall.</summary>
    Flat,

    /// <summary>Tilts about a horizontal axis.</summary>
    Tilting,

    /// <summary>On an arm that swings out.</summary>
    Articulating,

    /// <summary>Comes down in front of what is below it.</summary>
    PullDown,
}

/// <summary>A hole (from = to) or slot in a wall plate, along the plate.</summary>
/// <param name="From">Left end, from the plate's centre; negative is left seen from the front.</param>
/// <param name="To">Right end.</param>
public readonly record struct Slot(Length From, Length To)
{
    /// <summary>Whether its ends were entered the other way round.</summary>
    public bool Exchanged { get; init; }
}

/// <summary>A row of holes and slots in a wall plate.</summary>
/// <param name="Id">Short name.</param>
/// <param name="AboveHook">Height of the row above the hook line; negative below it.</param>
/// <param name="Slots">Its holes and slots.</param>
public sealed record PlateRow(string Id, Length AboveHook, IReadOnlyList<Slot> Slots)
{
    /// <summary>The kinds of wall that its holes are for; empty where they are for all that the mount is made for.</summary>
    public IReadOnlyList<WallKind> Walls { get; init; } = [];

    /// <summary>Whether its holes are for a kind of wall.</summary>
    /// <param name="wall">The kind of wall.</param>
    /// <returns>Whether they are.</returns>
    public bool IsFor(WallKind wall) => Walls.Count == 0 || Walls.Contains(wall);
}

/// <summary>Where a moving mount was measured to hold its display, against its parked place.</summary>
/// <param name="Out">How far farther out of the wall.</param>
/// <param name="Down">How far lower.</param>
/// <param name="Tilt">How far its top leans forward.</param>
public readonly record struct MeasuredPose(Length Out, Length Down, Angle Tilt);

/// <summary>The vertical rails bolted to the display's back, which hook over the plate.</summary>
/// <param name="HookAboveFirstHole">The hook's height above the arm's first hole; negative where the hole is above the hook.</param>
/// <param name="Pitch">Distance from one hole to the next one down.</param>
/// <param name="Holes">How many holes, at least 1.</param>
/// <param name="TopAboveHook">How far the arm's end stands above its hook.</param>
/// <param name="Length">The arm's whole length.</param>
public sealed record Arms(Length HookAboveFirstHole, Length Pitch, int Holes, Length TopAboveHook, Length Length)
{
    /// <summary>The hook's height above one of the arm's holes.</summary>
    /// <param name="hole">The hole, counted from 1 at the top.</param>
    /// <returns>The height; negative where the hole is above the hook.</returns>
    public Length HookAbove(int hole) => HookAboveFirstHole + (Pitch * (hole - 1));
}

/// <summary>The whole hanging hardware, as the catalogue describes it.</summary>
/// <param name="Name">Plain description, without a make.</param>
/// <param name="Sort">How it carries and moves.</param>
/// <param name="Walls">The kinds of wall it is made for.</param>
/// <param name="Rated">Rated mass.</param>
/// <param name="Mass">Its own mass.</param>
/// <param name="VesaWidest">Widest pattern.</param>
/// <param name="VesaHighest">Highest pattern.</param>
/// <param name="VesaNarrowest">Narrowest pattern.</param>
/// <param name="SizeFrom">Smallest display, by diagonal.</param>
/// <param name="SizeTo">Largest display, by diagonal.</param>
/// <param name="PlateWidth">Width of the wall plate.</param>
/// <param name="PlateHeight">Height of the wall plate.</param>
/// <param name="PlateThickness">Thickness of the steel that a bolt passes.</param>
/// <param name="HookUp">The hook line above the plate's bottom edge.</param>
/// <param name="Rows">Rows of holes, top row first.</param>
/// <param name="Arms">The arms.</param>
/// <param name="Studs">How many studs the plate is made to catch: 1 or 2.</param>
/// <param name="Slide">How far the display can slide to each side.</param>
/// <param name="RaiseBy">How far the display can be raised after hanging.</param>
/// <param name="LowerBy">How far it can be lowered.</param>
/// <param name="DepthParked">Wall to the display's back, parked.</param>
/// <param name="DepthExtended">Wall to the display's back at full reach; the parked depth where nothing moves.</param>
/// <param name="TiltDown">How far it tilts down.</param>
/// <param name="ClearAbove">Clear height over the display that lifting it on needs.</param>
/// <param name="TemplateHeight">Height of the paper template, whose middle lies on the hook line; zero for none.</param>
public sealed record Mount(
    string Name,
    MountKind Sort,
    IReadOnlyList<WallKind> Walls,
    Mass Rated,
    Mass Mass,
    Length VesaWidest,
    Length VesaHighest,
    Length VesaNarrowest,
    Length SizeFrom,
    Length SizeTo,
    Length PlateWidth,
    Length PlateHeight,
    Length PlateThickness,
    Length HookUp,
    IReadOnlyList<PlateRow> Rows,
    Arms Arms,
    int Studs,
    Length Slide,
    Length RaiseBy,
    Length LowerBy,
    Length DepthParked,
    Length DepthExtended,
    Angle TiltDown,
    Length ClearAbove,
    Length TemplateHeight) : Product(Name, Mass)
{
    private static readonly GroupShape<Slot> SlotForm = new("a hole (from = to) or slot", m =>
    {
        var (from, to) = (m.Length("from", "left end from the plate's centre, negative to the left", LengthRange.Offset), m.Length("to", "right end", LengthRange.Offset));
        return new Slot(Length.Min(from, to), Length.Max(from, to)) { Exchanged = from > to };
    });

    private static readonly GroupShape<MeasuredPose> PoseForm = new("a pose", m => new MeasuredPose(
        m.Length("out", "how far farther out than parked", LengthRange.Offset),
        m.Length("down", "how far lower", LengthRange.Offset, Length.Zero),
        m.Or("tilt", new AngleShape("how far its top leans forward"), default)));

    private static readonly GroupShape<PlateRow> RowForm = new("a row of holes", m => new PlateRow(
        m.Need("id", new TextShape("its name", 24)),
        m.Length("aboveHook", "height over the hook line, negative below it", LengthRange.Offset),
        m.Need("slots", new ListShape<Slot>("its holes and slots", SlotForm, 60)))
    {
        Walls = [.. (m.Part("walls", new ListShape<WallKind>("kinds of wall that it is for, where not for all", new ChoiceShape<WallKind>("what the wall is"), 4)) ?? []).Distinct().Order()],
    });

    private static readonly GroupShape<Mount> Form = new("the mount", m =>
    {
        var parked = Length.Zero;
        return TwoBrackets(new Mount(
            Product.NameOf(m),
            m.Need("kind", new ChoiceShape<MountKind>("how it carries and moves")),
            [.. m.Need("walls", new ListShape<WallKind>(
                "kinds of wall it is made for", new ChoiceShape<WallKind>("what the wall is"), 4,
                ListText.Commas($"One or more of {string.Join(", ", Choices.All<WallKind>())}, with commas"))).Distinct().Order()],
            m.Need("rated", new MassShape("rated weight", overZero: true)),
            m.Need("mass", new MassShape("its own weight", overZero: true)),
            m.Pattern("vesaWidest", "widest hole pattern"),
            m.Pattern("vesaHighest", "highest hole pattern"),
            m.Pattern("vesaNarrowest", "narrowest hole pattern", Length.Zero),
            m.Length("sizeFrom", "smallest display, by diagonal", LengthRange.Size),
            m.Length("sizeTo", "largest display, by diagonal", LengthRange.Size),
            m.Length("plateWidth", "width of the wall plate", LengthRange.Size),
            m.Length("plateHeight", "height of the wall plate", LengthRange.Size),
            m.Length("plateThickness", "thickness of the plate's steel", LengthRange.Size),
            m.Length("hookUp", "hook line over the plate's bottom edge", LengthRange.Distance),
            m.Need("rows", new ListShape<PlateRow>("rows of holes, top row first", RowForm, 12, RowText)),
            new(
                m.Length("hookAboveFirstHole", "hook over the arm's first hole", LengthRange.Offset),
                m.Length("armPitch", "from one arm hole to the next one down", LengthRange.Distance),
                m.Need("armHoles", new WholeShape("how many arm holes", 1, 60)),
                m.Length("armTopAboveHook", "the arm's end over its hook", LengthRange.Distance),
                m.Length("armLength", "length of an arm", LengthRange.Size)),
            m.Or("studs", new WholeShape("how many studs the plate is made to catch", 1, 2), 2),
            m.Length("slide", "sideways slide to each side", LengthRange.Distance),
            m.Length("raiseBy", "how far it raises the display after hanging", LengthRange.Distance, Length.Zero),
            m.Length("lowerBy", "how far it lowers it", LengthRange.Distance, Length.Zero),
            parked = m.Length("depthParked", "wall to the display's back, parked", LengthRange.Distance),
            m.Length("depthExtended", "wall to the display's back at full reach", LengthRange.Distance, parked),
            m.Or("tiltDown", new AngleShape("how far it tilts down"), default),
            m.Length("clearAbove", "clear height over the display for lifting it on", LengthRange.Distance, Length.Zero),
            m.Length("templateHeight", "height of the paper template, its middle on the hook line", LengthRange.Distance, Length.Zero))
        {
            ReachKnown = m.Has("depthExtended"),
            Swing = m.Maybe("swing", new AngleShape("how far it turns to each side, on an arm")),
            ArmSwing = m.Maybe("armSwing", new AngleShape("how far its arm swings to each side of straight out")),
            ArmThickness = m.MaybeLength("armThickness", "thickness of an arm's steel", LengthRange.Size),
            // Arms that take several patterns have slots; a washer too many harms nobody.
            ArmSlots = m.Yes("armSlots", "whether an arm's holes are slots", usual: true),
            Kit = m.Part("kit", KitPiece.Kit) ?? [],
            Radial = m.Yes("radial", "whether its arms pivot at the hub, one to each hole"),
            Drop = m.Length("drop", "how far it comes down at full reach", LengthRange.Distance, Length.Zero),
            Poses = m.Part("poses", new ListShape<MeasuredPose>("measured poses on its way from parked", PoseForm, 24, PoseText)) ?? [],
            SwungBeside = m.Length("swungBeside", "swung out: how far its pivot stands beside its parked place, negative to the left", LengthRange.Offset, Length.Zero),
            MayBeDrilled = m.Yes("mayBeDrilled", "whether its maker lets the plate be drilled"),
            Spread = m.MaybeLength("spread", "for two separate brackets, described as one of them: from one to the other", LengthRange.Size),
            Typical = TypicalParts.Marked(m),
        });
    });

    // Two brackets are entered as one of them is, about its own middle; on the wall they are a plate with nothing in the middle.
    private static Mount TwoBrackets(Mount mount) => mount.Spread is not { } spread ? mount : mount with
    {
        PlateWidth = mount.PlateWidth + spread,
        Rows = [.. mount.Rows.Select(r => r with
        {
            Slots = [.. new[] { -spread.Half, spread.Half }.SelectMany(by => r.Slots.Select(s => new Slot(s.From + by, s.To + by)))],
        })],
    };

    /// <summary>Mounts, in the catalogue and on the sheet.</summary>
    public static ProductKind Kind { get; } = ProductKind.Of("mount", "Mount", "Mounts", Form) with
    {
        IsPlaced = false,
        Headings =
        [
            ("What it is", ["name", "kind", "walls", "studs", "mass", "typical"]),
            ("What it carries", ["rated", "sizeFrom", "sizeTo", "vesaNarrowest", "vesaWidest", "vesaHighest"]),
            ("Its plate", ["plateWidth", "plateHeight", "hookUp", "plateThickness", "rows", "spread", "mayBeDrilled", "templateHeight"]),
            ("Its arms", ["hookAboveFirstHole", "armPitch", "armHoles", "armTopAboveHook", "armLength", "armThickness", "armSlots", "radial"]),
            ("Its screws", ["kit"]),
            ("How it moves", ["slide", "raiseBy", "lowerBy", "tiltDown", "swing", "armSwing", "depthParked", "depthExtended", "drop", "poses", "swungBeside", "clearAbove"]),
        ],
    };

    /// <summary>Whether somebody has entered how far it reaches: a mount that moves is loaded most there.</summary>
    public bool ReachKnown { get; init; }

    /// <summary>How far it turns to each side; null where nobody has entered it.</summary>
    public Angle? Swing { get; init; }

    /// <summary>How far its arm swings to each side of straight out; null where nobody has entered it, and it is taken as flat to the wall.</summary>
    public Angle? ArmSwing { get; init; }

    /// <summary>Thickness of an arm's steel, which the screws into the display pass; null where nobody has entered it.</summary>
    public Length? ArmThickness { get; init; }

    /// <summary>Whether an arm's holes are slots, on which a screw's head needs a washer.</summary>
    public bool ArmSlots { get; init; }

    /// <summary>The screws, washers and spacers that come with it; empty where nobody has entered them.</summary>
    public IReadOnlyList<KitPiece> Kit { get; init; } = [];

    /// <summary>Whether its arms pivot at the hub's middle, one to each hole.</summary>
    public bool Radial { get; init; }

    /// <summary>How far it comes down at full reach.</summary>
    public Length Drop { get; init; }

    /// <summary>Poses that were measured on its way, from parked on; empty where only its ends are known, and the way between is taken as straight.</summary>
    public IReadOnlyList<MeasuredPose> Poses { get; init; } = [];

    /// <summary>How far its pivot stands beside its parked place once it is swung out.</summary>
    public Length SwungBeside { get; init; }

    /// <summary>Whether its maker lets the plate be drilled.</summary>
    public bool MayBeDrilled { get; init; }

    /// <summary>For two separate brackets: how far one is from the other; null for a plate in one piece.</summary>
    public Length? Spread { get; init; }

    /// <summary>Whether a row of holes lies on the plate at all.</summary>
    /// <param name="row">A row of this mount.</param>
    /// <returns>Whether it is between the plate's bottom and top edge.</returns>
    public bool OnPlate(PlateRow row) => row.AboveHook >= -HookUp && row.AboveHook <= PlateHeight - HookUp;

    /// <summary>Whether the display leaves its parked place once it hangs.</summary>
    public bool Moves => Sort is MountKind.Articulating or MountKind.PullDown;

    private static ListText PoseText => new(
        "A pose a line, from parked on: how far farther out, how far lower, tilt: 6 in, 2 in, 0 deg",
        typed => new JsonArray([.. typed.Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).Select(line => (JsonNode)PoseOf(line.Split([',', ';'], StringSplitOptions.TrimEntries)))]),
        poses => string.Join('\n', poses.Select(p => $"{p!["out"]}, {p["down"] ?? "0"}, {p["tilt"] ?? "0 deg"}")));

    private static JsonObject PoseOf(string[] words)
    {
        var pose = new JsonObject { ["out"] = words[0], ["down"] = words.ElementAtOrDefault(1) ?? "0" };
        if (words.Length > 2)
        {
            pose["tilt"] = words[2];
        }

        return pose;
    }

    private static ListText RowText => new(
        "A row a line: name, height over the hook line, then its holes and slots: top -1/2 in: -9 in..-7 in, 7 in..9 in. Holes for one kind of wall: middle -2 in for masonry: -6 in, 6 in",
        typed => new JsonArray([.. typed.Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).Select(RowOf)]),
        rows => string.Join('\n', rows.Select(r => $"{r!["id"]} {r["aboveHook"]}{(r["walls"] is JsonArray { Count: > 0 } walls ? $" for {string.Join(" and ", walls)}" : string.Empty)}: {string.Join(", ", ((JsonArray)r["slots"]!).Select(s => $"{s!["from"]}..{s["to"]}"))}")));

    private static JsonNode RowOf(string line)
    {
        var (head, rest) = line.Split(':', 2) is [var h, var r] ? (h.Trim(), r) : (line, string.Empty);
        var (kept, walls) = head.Split(" for ", 2) is [var k, var w] ? (k.Trim(), w) : (head, null);
        head = kept;
        var space = head.IndexOf(' ');
        var row = new JsonObject
        {
            ["id"] = space < 0 ? head : head[..space],
            ["aboveHook"] = space < 0 ? string.Empty : head[(space + 1)..].Trim(),
            ["slots"] = new JsonArray([.. rest.Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).Select(s =>
                (JsonNode)new JsonObject { ["from"] = s.Split("..")[0].Trim(), ["to"] = s.Split("..")[^1].Trim() })]),
        };
        if (walls is not null)
        {
            row["walls"] = new JsonArray([.. walls.Split([" and ", ";"], StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).Select(w => (JsonNode)w.Replace(' ', '-'))]);
        }

        return row;
    }
}
