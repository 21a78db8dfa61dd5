using Corrie.Core.Findings;
using Corrie.Core.Measure;

namespace Corrie.Core.Hanging;

/// <summary>Where the plate goes and how the display hangs on it.</summary>
/// <param name="ArmHole">Arm hole to use on both sides, counted from 1 at the top.</param>
/// <param name="BottomToHook">Display's bottom edge up to the hook.</param>
/// <param name="TopToHook">Display's top edge down to the hook.</param>
/// <param name="Chains">The heights carried from bottom, centre and top, in that order.</param>
/// <param name="HookLine">The hook line over the floor, from the reference edge.</param>
/// <param name="Position">Where the plate goes and which bolts it takes.</param>
/// <param name="Plate">The plate's outline.</param>
/// <param name="Arms">Outlines of the left and right arm behind the display.</param>
/// <param name="Template">The paper template's outline, where the mount has one.</param>
/// <param name="SlideLeft">How far the display can still go to the left once it hangs.</param>
/// <param name="SlideRight">How far to the right.</param>
/// <param name="Shift">How far the display's centre stands right of the plate's.</param>
/// <param name="Load">What the mount carries: the display and all else that hangs on it.</param>
public sealed record PlateLayout(
    int ArmHole,
    Length BottomToHook,
    Length TopToHook,
    IReadOnlyList<HeightChain> Chains,
    Length HookLine,
    PlatePosition Position,
    Rect Plate,
    IReadOnlyList<Rect> Arms,
    Rect? Template,
    Length SlideLeft,
    Length SlideRight,
    Length Shift,
    Mass Load)
{
    /// <summary>How far the display turns; null where its mount has no arm, or nobody knows its reach.</summary>
    public Turning? Turning { get; init; }

    /// <summary>How it moves; null where it does not, or nobody knows how far.</summary>
    public Motion? Motion { get; init; }

    /// <summary>The board or blocking that the plate is bolted to; null where it is bolted to the wall's studs.</summary>
    public BackingPlan? Backing { get; init; }

    /// <summary>What is wrong with a flat plate that catches one stud of two: whether that stops is said with what its bolts hold. Null where nothing is.</summary>
    public Finding? OneStud { get; init; }

    /// <summary>How much higher everything hangs than was planned, since holes are in the wall there.</summary>
    public Length Rise { get; init; }

    /// <summary>Holes that are in the wall and hold nothing, each with its number: they are crossed out.</summary>
    public IReadOnlyList<SpentHole> Spent { get; init; } = [];

    /// <summary>Toggles through the plate, on the side that meets no stud.</summary>
    public IReadOnlyList<SupportHole> Toggles { get; init; } = [];

    /// <summary>Holes drilled into the plate, from its centre.</summary>
    public IReadOnlyList<Length> Drilled { get; init; } = [];

    /// <summary>The display's pivot, from the left corner: the middle between the arms.</summary>
    public Length Pivot { get; init; }
}
