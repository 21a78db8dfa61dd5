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

/// <summary>What a wall is, as far as a mount or a fastener cares.</summary>
public enum WallKind
{
    /// <summary>Board on wood studs.</summary>
    WoodStuds,

    /// <summary>Board on light-gauge steel studs.</summary>
    SteelStuds,

    /// <summary>Brick, block, stone or concrete.</summary>
    Masonry,
}

/// <summary>A hole (from = to) or slot in a wall plate, along the plate.</summary>
/// <param name="From">Left end, from the plate's centre; negative is left seen from the front.</param>
/// <param name="To">Right end.</param>
public readonly record struct Slot(Length From, Length To);

/// <summary>A row of holes and slots in a wall plate.</summary>
/// <param name="Id">Short name.</param>
/// <param name="AboveHook">Height of the row above the hook line; negative below it.</param>
/// <param name="Slots">Its holes and slots.</param>
public sealed record PlateRow(string Id, Length AboveHook, IReadOnlyList<Slot> Slots);

/// <summary>The vertical rails bolted to the display's back, which hook over the plate.</summary>
/// <param name="HookAboveFirstHole">The hook's height above the arm's first hole; negative where the hole is above the hook.</param>
/// <param name="Pitch">Distance from one hole to the next one down.</param>
/// <param name="Holes">How many holes, at least 1.</param>
/// <param name="TopAboveHook">How far the arm's end stands above its hook.</param>
/// <param name="Length">The arm's whole length.</param>
public sealed record Arms(Length HookAboveFirstHole, Length Pitch, int Holes, Length TopAboveHook, Length Length)
{
    /// <summary>The hook's height above hole <paramref name="hole"/>, counted from 1 at the top.</summary>
    public Length HookAbove(int hole) => HookAboveFirstHole + (Pitch * (hole - 1));
}

/// <summary>The whole hanging hardware, as the catalogue describes it.</summary>
/// <param name="Name">Plain description, without a make.</param>
/// <param name="Kind">How it carries and moves.</param>
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
    MountKind Kind,
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
    Length TemplateHeight)
{
    /// <summary>Whether the display leaves its parked place once it hangs.</summary>
    public bool Moves => Kind is MountKind.Articulating or MountKind.PullDown;
}
