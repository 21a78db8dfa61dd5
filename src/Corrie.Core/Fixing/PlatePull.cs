using Corrie.Core.Measure;

namespace Corrie.Core.Fixing;

/// <summary>How hard a plate pulls at its bolts.</summary>
public static class PlatePull
{
    /// <summary>
    /// Pull on each bolt when the plate bears on the wall at its bottom edge and the bolts are equal springs: <c>T_i = M h_i / Σ h_j²</c>.
    /// </summary>
    /// <param name="weight">What hangs.</param>
    /// <param name="reach">Centre of gravity to the wall's face.</param>
    /// <param name="heights">Each bolt's height above the plate's bottom edge, not negative.</param>
    /// <returns>The pull on each bolt, in the order of <paramref name="heights"/>; nothing on bolts at the very edge.</returns>
    /// <exception cref="ArgumentOutOfRangeException">A bolt lies under the plate's edge: there is no such hole.</exception>
    public static IReadOnlyList<Force> PerBolt(Force weight, Length reach, IReadOnlyList<Length> heights)
    {
        foreach (var height in heights)
        {
            ArgumentOutOfRangeException.ThrowIfLessThan(height, Length.Zero, nameof(heights));
        }

        var squares = heights.Sum(h => h.Inches * h.Inches);
        return [.. heights.Select(h => squares == 0
            ? default
            : Force.FromPoundsForce(weight.PoundsForce * reach.Inches * h.Inches / squares))];
    }
}
