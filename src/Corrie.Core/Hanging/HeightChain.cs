using Corrie.Core.Findings;
using Corrie.Core.Measure;
using Corrie.Core.Placement;

namespace Corrie.Core.Hanging;

/// <summary>One step of a chain.</summary>
/// <param name="Name">What is added or taken off.</param>
/// <param name="Amount">How much; negative is down.</param>
public readonly record struct ChainStep(string Name, Length Amount);

/// <summary>
/// Heights carried from one line of the display to the hook line: <c>hook = bottom + (bottom to hook) = top - (top to hook)</c>.
/// </summary>
/// <param name="From">The line it starts at.</param>
/// <param name="Steps">The start over the floor, then what is added.</param>
public sealed record HeightChain(Edge From, IReadOnlyList<ChainStep> Steps)
{
    /// <summary>The height that it reaches.</summary>
    public Length Result { get; } = Steps.Aggregate(Length.Zero, (sum, step) => sum + step.Amount);

    /// <summary>The chain as people write it: <c>36 in + 19 1/2 in bottom to hook</c>.</summary>
    /// <returns>The sentence.</returns>
    public Phrase Say()
    {
        Phrase says = $"{Steps[0].Amount}";
        foreach (var step in Steps.Skip(1))
        {
            says.AppendFormatted($" {(step.Amount < Length.Zero ? "-" : "+")} {step.Amount.Abs} {step.Name}");
        }

        return says;
    }

    /// <summary>The chain from one line of the display to the hook.</summary>
    /// <param name="from">Where it starts.</param>
    /// <param name="outer">The display's outer edges.</param>
    /// <param name="bottomToHook">Bottom edge up to the hook.</param>
    /// <param name="topToHook">Top edge down to the hook.</param>
    /// <returns>The chain.</returns>
    public static HeightChain Carry(Edge from, Rect outer, Length bottomToHook, Length topToHook) => new(from, from switch
    {
        Edge.Bottom => [new("bottom of display", outer.Bottom), new("bottom to hook", bottomToHook)],
        Edge.Top => [new("top of display", outer.Top), new("top to hook", -topToHook)],
        _ => [new("centre of display", outer.CentreY), new("centre to hook", bottomToHook - outer.Height.Half)],
    });

    /// <summary>
    /// The most that chains may differ: 1/8 in or three standard deviations of what they were added from, whichever is more (common practice).
    /// </summary>
    /// <param name="readings">How many direct tape readings, each good to 1/32 in, are added up; at least 1.</param>
    /// <returns>The difference.</returns>
    public static Length MostDifference(int readings) =>
        Length.Max(Length.Tape(0, 1, 8), Length.Tape(0, 1, 32) * (3 * Math.Sqrt(readings)));

    /// <summary>
    /// Whether hook-to-top and hook-to-bottom make the display's height: three readings, of which each is good to 1/32 in.
    /// </summary>
    /// <param name="bottomToHook">Bottom edge up to the hook.</param>
    /// <param name="topToHook">Top edge down to the hook.</param>
    /// <param name="outerHeight">The display's outer height.</param>
    /// <returns>Whether they do.</returns>
    public static bool Agrees(Length bottomToHook, Length topToHook, Length outerHeight) =>
        (bottomToHook + topToHook - outerHeight).Abs <= MostDifference(3);
}
