using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Measure;

namespace Corrie.Core.Fixing;

/// <summary>Where somebody leans on a display that moves.</summary>
public enum LeanAt
{
    /// <summary>Nowhere.</summary>
    Nowhere,

    /// <summary>Its left edge, seen from the front while it is parked.</summary>
    LeftEdge,

    /// <summary>Its right edge.</summary>
    RightEdge,

    /// <summary>Its lower edge.</summary>
    LowerEdge,
}

/// <summary>Which way somebody leans.</summary>
public enum LeanWay
{
    /// <summary>Out of the wall.</summary>
    Out,

    /// <summary>Down.</summary>
    Down,

    /// <summary>To the left.</summary>
    Left,

    /// <summary>To the right.</summary>
    Right,
}

/// <summary>How a display stands on its mount, and how somebody leans on it.</summary>
/// <param name="Swing">How far the arm is swung, to the right above zero.</param>
/// <param name="Share">How much of its way out it has come, 0 to 1.</param>
/// <param name="Turn">How far the display is turned, its right edge back to the wall above zero.</param>
/// <param name="At">Where somebody leans on it.</param>
/// <param name="Way">Which way.</param>
public readonly record struct LoadPose(Angle Swing, double Share, Angle Turn, LeanAt At, LeanWay Way)
{
    /// <summary>In words, as the end of a sentence that says what a bolt takes.</summary>
    /// <param name="mount">The mount.</param>
    /// <returns>Such as: out 20 in, swung 60° to the right, somebody pulling its left edge down.</returns>
    public Phrase Says(Mount mount)
    {
        if (!mount.Moves)
        {
            return "as it hangs";
        }

        Phrase says = Share == 0 ? "parked" : Phrase.Of($"{mount.DepthParked + ((mount.DepthExtended - mount.DepthParked) * Share)} of arm out");
        if (Share > 0 && Math.Abs(Swing.Degrees) >= 0.5)
        {
            says.AppendFormatted($", swung {new Angle(Math.Round(Math.Abs(Swing.Degrees)))} to the {Side(Swing)}");
        }

        if (Math.Abs(Turn.Degrees) >= 0.5)
        {
            says.AppendFormatted($", turned {new Angle(Math.Round(Math.Abs(Turn.Degrees)))} to the {Side(Turn)}");
        }

        if (At != LeanAt.Nowhere)
        {
            says.AppendFormatted($", somebody pulling its {(At == LeanAt.LeftEdge ? "left" : At == LeanAt.RightEdge ? "right" : "lower")} edge {(Way == LeanWay.Out ? "out" : Way == LeanWay.Down ? "down" : Way == LeanWay.Left ? "to the left" : "to the right")}");
        }

        return says;
    }

    private static string Side(Angle angle) => angle.Degrees < 0 ? "left" : "right";
}
