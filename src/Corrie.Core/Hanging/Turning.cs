using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Measure;

namespace Corrie.Core.Hanging;

/// <summary>How far a display on an arm turns before it touches the wall: plane geometry from above, at the arm's full reach.</summary>
/// <param name="Reach">Wall to the display's back at its pivot.</param>
/// <param name="Edge">Pivot to the farther of its two edges.</param>
/// <param name="Farthest">How far it turns before that edge touches the wall.</param>
/// <param name="Mount">How far the mount itself turns to each side; null where nobody has entered it.</param>
/// <param name="Wanted">How far it is to turn; null where nobody has said.</param>
public sealed record Turning(Length Reach, Length Edge, Angle Farthest, Angle? Mount, Angle? Wanted)
{
    private const double Square = 90;

    /// <summary>How far it really turns: to the wall, or to the mount's end.</summary>
    public Angle Possible => new(Math.Min(Farthest.Degrees, Mount?.Degrees ?? Square));

    /// <summary>How far it is shown turned: as far as it is to, or as it goes.</summary>
    public Angle Shown => new(Math.Min(Possible.Degrees, Wanted?.Degrees ?? Square));

    /// <summary>How far its farther edge stands out of the wall then.</summary>
    public Length Swept => Reach + ReachFor(Shown, Edge);

    /// <summary>How far a display turns, <c>sin a = reach / edge</c>; square to the wall where the reach is no less than the edge.</summary>
    /// <param name="reach">Wall to the display's back at its pivot.</param>
    /// <param name="edge">Pivot to the edge that goes back to the wall, over 0.</param>
    /// <returns>The angle, 0 to 90 degrees.</returns>
    public static Angle FarthestOf(Length reach, Length edge) => new(reach >= edge ? Square : Math.Asin(reach.Inches / edge.Inches) * 180 / Math.PI);

    /// <summary>The reach that an angle takes: <c>edge * sin a</c>.</summary>
    /// <param name="turn">The angle, 0 to 90 degrees.</param>
    /// <param name="edge">Pivot to the edge that goes back to the wall.</param>
    /// <returns>The reach.</returns>
    public static Length ReachFor(Angle turn, Length edge) => edge * Math.Sin(turn.Radians);

    /// <summary>How far along the bisector of a square corner a display's back is when its edges touch both walls: half its width.</summary>
    /// <param name="width">The display's width.</param>
    /// <returns>The distance from the corner.</returns>
    public static Length CornerReach(Length width) => width.Half;

    /// <summary>What turns on a mount.</summary>
    /// <param name="input">Mount, display and choice.</param>
    /// <returns>How far it turns; null where the mount has no arm, or nobody knows its reach.</returns>
    internal static Turning? Of(Hanging input)
    {
        if (input.Mount.Sort != MountKind.Articulating || !input.Mount.ReachKnown)
        {
            return null;
        }

        // The pivot is behind the pattern, which need not be in the middle.
        var edge = input.Display.Width.Half + input.Display.VesaCentreRight.Abs;
        var reach = input.Mount.DepthExtended;
        return new(reach, edge, FarthestOf(reach, edge), Sideways(input.Mount.Swing), Sideways(input.Choice.Turn));

        // To the left is as far as to the right.
        static Angle? Sideways(Angle? angle) => angle is { } a ? new(Math.Min(Math.Abs(a.Degrees), 180)) : null;
    }

    /// <summary>All of it in a sentence.</summary>
    /// <returns>The sentence.</returns>
    public Phrase Says()
    {
        Phrase says = Farthest.Degrees >= Square ? Phrase.Of($"At its full reach of {Reach} the display turns square to the wall: its edge is {Edge} from the pivot.")
            : Phrase.Of($"At its full reach of {Reach} the display turns {Farthest} before its edge, {Edge} from the pivot, touches the wall; square to the wall needs {Edge:least}.");
        if (Mount is { } end && end.Degrees < Farthest.Degrees)
        {
            says.AppendFormatted($" The mount itself turns {end}.");
        }

        return says;
    }

    /// <summary>What is wrong where it is to turn farther than it can.</summary>
    /// <param name="input">Mount, display and choice.</param>
    /// <returns>The finding, or none.</returns>
    internal static IEnumerable<Finding> Limits(Hanging input)
    {
        if (Of(input) is { } turning)
        {
            return turning.Limits();
        }

        return input.Mount.Sort != MountKind.Articulating && input.Choice.Turn is { Degrees: not 0 } wanted
            ? [HangingFindings.TurnLimited.At(new("turn"), $"It is to turn {wanted}, and a mount that is {input.Mount.Sort.Words()} does not turn: take one with an arm.")]
            : [];
    }

    private IEnumerable<Finding> Limits()
    {
        if (Wanted is not { } wanted || wanted.Degrees <= Possible.Degrees)
        {
            yield break;
        }

        Phrase says = Phrase.Of($"It is to turn {wanted}, and turns {Possible}: ");
        if (Mount is { } end && end.Degrees <= Farthest.Degrees)
        {
            says.AppendFormatted($"the mount goes no farther.");
        }
        else
        {
            says.AppendFormatted($"with a reach of {Reach} its edge, {Edge} from the pivot, touches the wall then. A reach of {ReachFor(new(Math.Min(wanted.Degrees, Square)), Edge):least} turns it {(wanted.Degrees > Square ? "square to the wall, and no arm farther" : "that far")}.");
        }

        yield return HangingFindings.TurnLimited.At(new("turn"), says);
    }
}
