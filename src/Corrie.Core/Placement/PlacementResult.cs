using Corrie.Core.Findings;
using Corrie.Core.Measure;

namespace Corrie.Core.Placement;

/// <summary>What one viewer sees.</summary>
/// <param name="Viewer">The seat, with who sits there.</param>
/// <param name="ToCentre">Up to the picture's centre.</param>
/// <param name="ToTop">Up to the picture's top edge.</param>
/// <param name="Field">Horizontal field that the picture fills.</param>
/// <param name="Tilt">The tilt that squares the screen to the eye, cut to the mount's range.</param>
/// <param name="Residual">What is left of the angle with that tilt.</param>
public sealed record View(Viewer Viewer, Angle ToCentre, Angle ToTop, Angle Field, Angle Tilt, Angle Residual);

/// <summary>One line of the vertical budget, from the floor up.</summary>
/// <param name="Name">What it is.</param>
/// <param name="From">Its lower end over the floor.</param>
/// <param name="To">Its upper end.</param>
/// <param name="IsGap">Whether it is a gap.</param>
public sealed record BudgetLine(string Name, Length From, Length To, bool IsGap)
{
    /// <summary>How much it takes; negative where things overlap.</summary>
    public Length Size => To - From;
}

/// <summary>Something that stands under a thing.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="Top">Its upper edge over the floor.</param>
public sealed record StandsUnder(string Name, Length Top);

/// <summary>A centre line that a thing might have hung on.</summary>
/// <param name="Name">Whose centre.</param>
/// <param name="At">From the left corner.</param>
public sealed record CentreLine(string Name, Length At);

/// <summary>Where a thing is wanted, before anything is known of what carries it.</summary>
/// <param name="Outer">Its outer edges.</param>
public sealed record WantedPlace(Rect Outer);

/// <summary>Where a thing goes.</summary>
/// <param name="Outer">Its outer edges, which collide.</param>
/// <param name="Picture">The picture, which the eye sees; null for a thing without one.</param>
/// <param name="Views">What each viewer sees.</param>
/// <param name="Budget">Floor to ceiling through its centre.</param>
/// <param name="Centres">The other centre lines, and how far they are.</param>
/// <param name="LeastBottom">The lowest bottom edge that keeps the gap to what stands below.</param>
/// <param name="GapBelow">The least gap that is asked for.</param>
/// <param name="Ceiling">The foot of what is above it: the ceiling, or something under it.</param>
public sealed record PlacementResult(
    Rect Outer,
    Rect? Picture,
    IReadOnlyList<View> Views,
    IReadOnlyList<BudgetLine> Budget,
    IReadOnlyList<CentreLine> Centres,
    Length LeastBottom,
    Length GapBelow,
    Length Ceiling)
{
    /// <summary>The highest of what stands under it; null where nothing does.</summary>
    public StandsUnder? Under { get; init; }

    /// <summary>The lowest centre that keeps the gap to what stands below: its top, the gap, and half the thing's height.</summary>
    public Length LeastCentre => LeastBottom + Outer.Height.Half;

    /// <summary>How the least centre comes about, and how far off it the thing is.</summary>
    /// <returns>The sentences; null where nothing stands below.</returns>
    public Phrase? LeastSays()
    {
        if (Under is not { } under)
        {
            return null;
        }

        var over = Outer.CentreY - LeastCentre;
        Phrase says = Phrase.Of($"Over the {under.Name} the centre is at {LeastCentre:least} at the least: {under.Top} up to its top, {GapBelow} of gap, {Outer.Height.Half} to the middle. ");
        if (over > Length.Zero)
        {
            says.AppendFormatted($"It is planned at {Outer.CentreY}, {over} higher than it has to be.");
        }
        else if (over < Length.Zero)
        {
            says.AppendFormatted($"It is planned at {Outer.CentreY}, {-over} too low.");
        }
        else
        {
            says.AppendLiteral("It is planned there.");
        }

        return says;
    }
}
