using Corrie.Core.Measure;
using Corrie.Core.Placement;

namespace Corrie.Core.Hanging;

/// <summary>What the crew has chosen and measured about the hanging.</summary>
/// <param name="Reference">The edge from which the sheet carries the heights; the other two are its check.</param>
/// <param name="ArmHoleLeft">Arm hole used on the left, counted from 1 at the top; null leaves it to the planner.</param>
/// <param name="ArmHoleRight">The same on the right.</param>
/// <param name="MeasuredBottomToHook">Bottom edge to hook, measured on the display with its arms on.</param>
/// <param name="MeasuredTopToHook">Top edge to hook, measured likewise.</param>
/// <param name="PlateCentre">The plate's centre from the left corner, where somebody has fixed it; null leaves it to the planner.</param>
public sealed record HangingChoice(
    Edge Reference,
    int? ArmHoleLeft,
    int? ArmHoleRight,
    Length? MeasuredBottomToHook,
    Length? MeasuredTopToHook,
    Length? PlateCentre);
