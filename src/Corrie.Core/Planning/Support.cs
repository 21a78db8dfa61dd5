using Corrie.Core.Catalogue;
using Corrie.Core.Format;
using Corrie.Core.Measure;

namespace Corrie.Core.Planning;

/// <summary>What a plate is bolted to where the studs do not stand where its holes are.</summary>
public enum BackingKind
{
    /// <summary>A board on the wall, screwed to two or three studs.</summary>
    Board,

    /// <summary>Wood set between the studs, behind the wall's board.</summary>
    Blocking,
}

/// <summary>What is made so that a plate holds where its holes and the studs do not meet.</summary>
/// <param name="Drilled">Holes drilled into the plate's rows, from its centre; negative is left seen from the front.</param>
/// <param name="Toggles">Whether rated toggles take the holes of the side that meets no stud.</param>
/// <param name="Backing">A board or blocking that the plate is bolted to; null for none.</param>
/// <param name="Thickness">How thick that is.</param>
/// <param name="From">Its left end from the left corner; null leaves it to the planner.</param>
/// <param name="To">Its right end; null leaves it to the planner.</param>
/// <param name="Here">Where that stands in the document.</param>
public sealed record Support(IReadOnlyList<Length> Drilled, bool Toggles, BackingKind? Backing, Length Thickness, Length? From, Length? To, Place Here)
{
    /// <summary>Whether toggles in the wall's board alone carry the plate.</summary>
    public bool BoardOnly { get; init; }

    /// <summary>Two layers of plywood, or a plank (common practice): what a bolt's thread needs.</summary>
    public static readonly Length UsualThickness = Length.Tape(1, 1, 2);

    /// <summary>How it is described.</summary>
    public static Part<Support> Part { get; } = new(Holder.Item, "support", new GroupShape<Support>("what is made so that the plate holds", m => new Support(
        m.Part("drilled", new ListShape<Length>("holes drilled into the plate", new LengthShape("a hole, from the plate's centre", LengthRange.Offset), 6, ListText.Commas("From the plate's centre, negative to the left, with commas: -3 in, 5 in"))) ?? [],
        m.Yes("toggles", "whether rated toggles take the side that meets no stud"),
        m.Maybe("backing", new ChoiceShape<BackingKind>("what the plate is bolted to instead of the studs")),
        m.Length("thickness", "its thickness", LengthRange.Size, UsualThickness),
        m.MaybeLength("from", "its left end from the left corner", LengthRange.Along),
        m.MaybeLength("to", "its right end", LengthRange.Along),
        m.Here)
    { BoardOnly = m.Yes("boardOnly", "whether toggles in the wall's board alone carry it") }), kind => kind == Mount.Kind);

    /// <summary>Whether a board under the plate brings all that hangs on it farther out.</summary>
    public bool StandsProud => Backing == BackingKind.Board;

    /// <inheritdoc/>
    public bool Equals(Support? other) => other is not null && (Toggles, BoardOnly, Backing, Thickness, From, To) == (other.Toggles, other.BoardOnly, other.Backing, other.Thickness, other.From, other.To) && Drilled.SequenceEqual(other.Drilled);

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(Toggles, Backing, Thickness, From, To, Drilled.Count);
}

/// <summary>The mount of a job, with what is made so that it holds.</summary>
public static class SupportOfMounts
{
    /// <summary>The mount as it stands on this wall: with a board under it, all of it is farther out.</summary>
    /// <param name="item">The mount.</param>
    /// <returns>The mount; null where none is chosen.</returns>
    public static Mount? Hardware(this Item item) => item.Product is not Mount mount ? null
        : item.Get(Support.Part) is { StandsProud: true, Thickness: var thick } ? mount with { DepthParked = mount.DepthParked + thick, DepthExtended = mount.DepthExtended + thick }
        : mount;
}
