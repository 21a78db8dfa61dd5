using Corrie.Core.Catalogue;
using Corrie.Core.Measure;

namespace Corrie.Core.Fixing;

/// <summary>A load across a fastener that it holds for certain: far under what the yield equations give, and simple enough to check by hand.</summary>
/// <remarks>
/// By the lower bound theorem of plasticity any distribution of stresses that is in balance and nowhere over the yield is safe. Taken here: the
/// load acts at the middle of the plate's steel and nothing holds the fastener until it meets the wood; the wood bears on it with its full
/// strength q over a depth a = P / q, below which the moment is P (gap + plate / 2) + P²/(2 q). That moment may be what the root yields at, and what
/// the rest of the wood, at least half of the depth, can take up as a couple: q L²/16. The result is divided by 4, the largest reduction
/// term of NDS-2018 table 12.3.1B (from memory), and multiplied by 0.9 for a load that stays.
/// </remarks>
public static class ShearBound
{
    private const double Reduction = 4;
    private const double GypsumBearing = 350;

    /// <summary>What a lag or wood screw holds across itself, along the grain.</summary>
    /// <param name="gravity">Specific gravity of the wood, over 0 and up to 1.</param>
    /// <param name="diameter">Shank diameter, over zero.</param>
    /// <param name="gap">Layers and packing between plate and wood that do not bear.</param>
    /// <param name="plate">Thickness of the plate's steel.</param>
    /// <param name="depth">How deep it is in the wood, without its tip.</param>
    /// <returns>The load.</returns>
    /// <exception cref="ArgumentOutOfRangeException">The specific gravity is outside its range.</exception>
    public static Force Screw(double gravity, Length diameter, Length gap, Length plate, Length depth)
    {
        var root = Root(diameter);
        var bearing = Bearing(Wood.CheckGravity(gravity), diameter) * root;
        var moment = Math.Min(Yield(diameter) * Math.Pow(root, 3) / 6, bearing * depth.Inches * depth.Inches / 16);
        var arm = gap.Inches + (plate.Inches / 2);
        var load = bearing * (Math.Sqrt((arm * arm) + (2 * moment / bearing)) - arm);
        return Force.FromPoundsForce(Math.Min(load, bearing * depth.Inches / 2) / Reduction * Withdrawal.Permanent);
    }

    /// <summary>What a toggle holds across itself where only the board bears on its bolt: 350 psi for gypsum (from memory), divided by 4.</summary>
    /// <param name="diameter">Diameter of its bolt.</param>
    /// <param name="layers">Thickness of the layers.</param>
    /// <returns>The load.</returns>
    public static Force Toggle(Length diameter, Length layers) => Force.FromPoundsForce(GypsumBearing * diameter.Inches * layers.Inches / Reduction);

    // Root diameters of lag screws (NDS-2018 appendix L, from memory); of others seven tenths of the shank, under what is usual.
    private static double Root(Length diameter) => diameter == Length.Tape(0, 1, 4) ? 0.173 : diameter == Length.Tape(0, 5, 16) ? 0.227 : diameter == Length.Tape(0, 3, 8) ? 0.265 : 0.65 * diameter.Inches;

    // Dowel bearing along the grain in psi (NDS-2018 12.3.3, from memory): 11200 G from 1/4 in on, 16600 G^1.84 below.
    private static double Bearing(double gravity, Length diameter) =>
        diameter >= Length.Tape(0, 1, 4) ? 11200 * gravity : Math.Min(11200 * gravity, 16600 * Math.Pow(gravity, 1.84));

    // Bending yield in psi (NDS-2018 appendix I, from memory); smaller screws are of harder steel.
    private static double Yield(Length diameter) => diameter >= Length.Tape(0, 3, 8) ? 45_000 : diameter >= Length.Tape(0, 5, 16) ? 60_000 : 70_000;
}
