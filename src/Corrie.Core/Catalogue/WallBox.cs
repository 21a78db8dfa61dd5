using Corrie.Core.Format;
using Corrie.Core.Measure;

namespace Corrie.Core.Catalogue;

/// <summary>How a box sits in the wall.</summary>
public enum BoxSort
{
    /// <summary>Put into a finished wall: wings or tabs grip the board.</summary>
    OldWork,

    /// <summary>A recess with a flange, in front of which plugs stay behind the wall's face.</summary>
    Recessed,

    /// <summary>An enclosure for equipment, between two studs.</summary>
    Enclosure,

    /// <summary>A bracket that takes a cover plate, open at the back.</summary>
    Bracket,
}

/// <summary>What a box is for.</summary>
public enum BoxUse
{
    /// <summary>Signal cables.</summary>
    Signal,

    /// <summary>Mains.</summary>
    Power,

    /// <summary>Both, with a divider between.</summary>
    Both,
}

/// <summary>A box in the wall, as the catalogue describes it.</summary>
/// <param name="Name">Plain description, without a make.</param>
/// <param name="Width">Outer width: of its flange or cover.</param>
/// <param name="Height">Outer height.</param>
/// <param name="Depth">How deep it goes into the wall, from its face.</param>
/// <param name="Mass">What it weighs.</param>
public sealed record WallBox(string Name, Length Width, Length Height, Length Depth, Mass Mass) : Product(Name, Mass), ISized
{
    /// <summary>How it sits in the wall.</summary>
    public BoxSort Sort { get; init; }

    /// <summary>What it is for.</summary>
    public BoxUse Use { get; init; }

    /// <summary>Width of the opening that is cut for it.</summary>
    public Length OpeningWidth { get; init; } = Width;

    /// <summary>Height of that opening.</summary>
    public Length OpeningHeight { get; init; } = Height;

    /// <summary>Room that it needs beside its opening, between its side and a stud.</summary>
    public Length Clearance { get; init; }

    /// <summary>How far its wings or tabs reach behind the board, to each side of the opening; zero for none.</summary>
    public Length Wings { get; init; }

    /// <summary>Room inside, in cubic inches; null where nobody has entered it.</summary>
    public double? Volume { get; init; }

    /// <summary>Whether a divider keeps mains and signal apart in it.</summary>
    public bool Divided { get; init; }

    /// <summary>Free area of its vents in square inches; null where nobody has entered it.</summary>
    public double? Vents { get; init; }

    /// <summary>Width of the gap through which cables leave under or over its cover.</summary>
    public Length? ExitWidth { get; init; }

    /// <summary>Height of that gap.</summary>
    public Length? ExitHeight { get; init; }

    /// <summary>For an enclosure: width of the cut-out for a mains box in it; null where it has none.</summary>
    public Length? MainsWidth { get; init; }

    /// <summary>Height of that cut-out.</summary>
    public Length? MainsHeight { get; init; }

    /// <summary>Diameter of the hole in its cover plate through which plugs pass; null where it has none.</summary>
    public Length? PlateHole { get; init; }

    /// <summary>Whether mains may be in it.</summary>
    public bool HasPower => Use is BoxUse.Power or BoxUse.Both;

    /// <summary>Whether signal cables may be in it.</summary>
    public bool HasSignal => Use is BoxUse.Signal or BoxUse.Both;

    /// <summary>Its opening, where its cover is somewhere.</summary>
    /// <param name="outer">Where its cover is.</param>
    /// <returns>The opening, in the middle of that.</returns>
    public Rect OpeningAt(Rect outer) => new(outer.CentreX - OpeningWidth.Half, outer.CentreY - OpeningHeight.Half, OpeningWidth, OpeningHeight);

    /// <summary>Whether another box is in it: an enclosure takes what lies in its opening.</summary>
    /// <param name="outer">Where its cover is.</param>
    /// <param name="other">Where the other box's cover is.</param>
    /// <returns>Whether it takes it.</returns>
    public bool Takes(Rect outer, Rect other) => Sort == BoxSort.Enclosure && OpeningAt(outer).Covers(other);

    private static readonly GroupShape<WallBox> Form = new("a wall box", m =>
    {
        var name = NameOf(m);
        var (width, height) = (m.Length("width", "outer width, of its flange or cover", LengthRange.Size), m.Length("height", "outer height", LengthRange.Size));
        var depth = m.Length("depth", "how deep it goes into the wall, from its face", LengthRange.Size);
        var mass = m.Need("mass", new MassShape("weight", overZero: true));
        var use = m.Choice("use", "what it is for", BoxUse.Signal);
        return new WallBox(name, width, height, depth, mass)
        {
            Sort = m.Choice("sort", "how it sits in the wall", BoxSort.OldWork),
            Use = use,
            OpeningWidth = m.Length("openingWidth", "width of the opening that is cut for it", LengthRange.Size, width),
            OpeningHeight = m.Length("openingHeight", "height of that opening", LengthRange.Size, height),
            Clearance = m.Length("clearance", "room that it needs between its side and a stud", LengthRange.Distance, Length.Zero),
            Wings = m.Length("wings", "how far its wings reach behind the board, to each side", LengthRange.Distance, Length.Zero),
            Volume = m.Maybe("volume", new NumberShape("room inside, in cubic inches", 1, 5000)),
            Divided = m.Yes("divided", "whether a divider keeps mains and signal apart in it", use == BoxUse.Both),
            Vents = m.Maybe("vents", new NumberShape("free area of its vents, in square inches", 0, 2000)),
            ExitWidth = m.MaybeLength("exitWidth", "width of the gap through which cables leave its cover", LengthRange.Size),
            ExitHeight = m.MaybeLength("exitHeight", "height of that gap", LengthRange.Size),
            MainsWidth = m.MaybeLength("mainsWidth", "for an enclosure: width of the cut-out for a mains box in it", LengthRange.Size),
            MainsHeight = m.MaybeLength("mainsHeight", "for an enclosure: height of that cut-out", LengthRange.Size),
            PlateHole = m.MaybeLength("plateHole", "diameter of the hole in its cover plate", LengthRange.Size),
            Typical = TypicalParts.Marked(m),
        };
    });

    /// <summary>Wall boxes, in the catalogue and on the sheet.</summary>
    public static ProductKind Kind { get; } = ProductKind.Of("box", "Wall box", "Wall boxes", Form) with
    {
        Layer = WallLayer.Inside,
        Headings =
        [
            ("What it is", ["name", "use", "sort", "mass", "divided", "typical"]),
            ("Its outside", ["width", "height", "depth"]),
            ("What is cut for it", ["openingWidth", "openingHeight", "clearance", "wings"]),
            ("Its inside", ["volume", "vents", "exitWidth", "exitHeight", "mainsWidth", "mainsHeight", "plateHole"]),
        ],
    };
}
