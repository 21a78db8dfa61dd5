using Corrie.Core.Catalogue;
using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;

namespace Corrie.Core.Hanging;

/// <summary>What the crew has chosen and measured about the hanging.</summary>
/// <param name="Reference">The edge from which the sheet carries the heights; the other two are its check.</param>
/// <param name="ArmHoleLeft">Arm hole used on the left, counted from 1 at the top; null leaves it to the planner.</param>
/// <param name="ArmHoleRight">The same on the right.</param>
/// <param name="MeasuredBottomToHook">Bottom edge to hook, measured on the display with its arms on.</param>
/// <param name="MeasuredTopToHook">Top edge to hook, measured likewise.</param>
/// <param name="PlateCentre">The plate's centre from the left corner, where somebody has fixed it; null leaves it to the planner.</param>
/// <param name="Here">Where the choice stands in the document.</param>
public sealed record HangingChoice(
    Edge Reference, int? ArmHoleLeft, int? ArmHoleRight, Length? MeasuredBottomToHook, Length? MeasuredTopToHook, Length? PlateCentre, Place Here)
{
    /// <summary>How a display hangs on a mount.</summary>
    public static Part<HangingChoice> Part { get; } = new(Holder.Item, "hang", new GroupShape<HangingChoice>("how it hangs", m => new HangingChoice(
        m.Choice("reference", "the edge that heights are carried from", Edge.Bottom),
        m.Maybe("armHoleLeft", new WholeShape("arm hole on the left, from the top", 1, 60)),
        m.Maybe("armHoleRight", new WholeShape("arm hole on the right, from the top", 1, 60)),
        m.MaybeLength("measuredBottomToHook", "bottom edge to hook, measured", LengthRange.Offset),
        m.MaybeLength("measuredTopToHook", "top edge to hook, measured", LengthRange.Offset),
        m.MaybeLength("plateCentre", "the plate's centre, where it is fixed", LengthRange.Along),
        m.Here)), kind => kind == Mount.Kind, always: true);

    /// <summary>What its plate is bolted with: already the plate's place depends on it, by the edge distance.</summary>
    public static Part<Fastener> Bolt { get; } = new(Holder.Item, "bolt", Fastener.Form, kind => kind == Mount.Kind);
}
