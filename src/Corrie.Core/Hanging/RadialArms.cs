using Corrie.Core.Catalogue;
using Corrie.Core.Measure;

namespace Corrie.Core.Hanging;

/// <summary>Arms that pivot at the hub's middle, one to each hole of the pattern.</summary>
/// <param name="Turn">How far each is turned from level: <c>atan(h/w)</c>.</param>
/// <param name="Reach">From the middle to the hole: <c>sqrt(w2 + h2)/2</c>.</param>
public readonly record struct RadialArms(Angle Turn, Length Reach)
{
    /// <summary>The arms for a pattern.</summary>
    /// <param name="width">Width of the pattern.</param>
    /// <param name="height">Its height.</param>
    /// <returns>How they are set.</returns>
    public static RadialArms For(Length width, Length height) => new(Angle.OfSlope(height, width), Length.FromInches(Math.Sqrt(Math.Pow(width.Inches, 2) + Math.Pow(height.Inches, 2)) / 2));

    /// <summary>The arms of a mount for a display.</summary>
    /// <param name="mount">The mount.</param>
    /// <param name="display">The display.</param>
    /// <returns>How they are set; null where the mount's arms are no such ones.</returns>
    public static RadialArms? Of(Mount mount, Display display) => mount.Radial ? For(display.VesaWidth, display.VesaHeight) : null;
}
