using Corrie.Core.Measure;

namespace Corrie.Core.Fixing;

/// <summary>How a dowel gives way under a load across it, from the plate to the wood.</summary>
public enum YieldMode
{
    /// <summary>The wood crushes under the stiff dowel.</summary>
    Im,

    /// <summary>The plate crushes under it.</summary>
    Is,

    /// <summary>The stiff dowel turns in both.</summary>
    II,

    /// <summary>It bends in the plate and turns in the wood.</summary>
    IIIm,

    /// <summary>It bends in the wood and turns in the plate.</summary>
    IIIs,

    /// <summary>It bends in both.</summary>
    IV,
}

/// <summary>What goes into the yield equations.</summary>
/// <param name="Diameter">Root diameter of the thread, in inches.</param>
/// <param name="Yield">Its bending yield, in psi.</param>
/// <param name="InWood">How deep it is in the wood, without its tip.</param>
/// <param name="Bearing">How the wood bears on it at this angle, in psi.</param>
/// <param name="Plate">Thickness of the plate's steel.</param>
/// <param name="PlateBearing">How that bears on it, in psi.</param>
/// <param name="Gap">What lies between and does not bear: board, stone, packing.</param>
/// <param name="FromGrain">Angle between load and grain, 0 to 90 degrees.</param>
public readonly record struct Dowel(double Diameter, double Yield, Length InWood, double Bearing, Length Plate, double PlateBearing, Length Gap, Angle FromGrain);

/// <summary>
/// What a screw holds across itself: the yield limit equations of ANSI/AWC NDS-2018 12.3.1, in the general form of AWC Technical Report 12 that takes a gap between
/// plate and wood and is the same without one. Of all six modes the least counts. From memory.
/// </summary>
public static class YieldEquations
{
    /// <summary>What a mode gives, the reduction of table 12.3.1B taken off.</summary>
    /// <param name="mode">The mode.</param>
    /// <param name="dowel">What goes in.</param>
    /// <returns>The load, not adjusted for duration, moisture and heat.</returns>
    public static Force Of(YieldMode mode, Dowel dowel) => Force.FromPoundsForce(Yields(mode, dowel) / Reduction(mode, dowel));

    /// <summary>The mode that gives least.</summary>
    /// <param name="dowel">What goes in.</param>
    /// <returns>The mode and its load, not adjusted.</returns>
    public static (YieldMode Mode, Force Load) Least(Dowel dowel)
    {
        var least = (Mode: YieldMode.Im, Load: Of(YieldMode.Im, dowel));
        for (var mode = YieldMode.Is; mode <= YieldMode.IV; mode++)
        {
            var load = Of(mode, dowel);
            least = load.Newtons < least.Load.Newtons ? (mode, load) : least;
        }

        return least;
    }

    /// <summary>
    /// The reduction term: up to 0.17 in 2.2, from there to 1/4 in <c>10 D + 0.5</c>; from 1/4 in on 4, 3.6 and 3.2 by mode, times <c>1 + angle / 360</c> (table 12.3.1B).
    /// </summary>
    /// <param name="mode">The mode.</param>
    /// <param name="dowel">What goes in.</param>
    /// <returns>What the yield load is divided by.</returns>
    public static double Reduction(YieldMode mode, Dowel dowel) => dowel.Diameter switch
    {
        <= 0.17 => 2.2,
        < 0.25 => (10 * dowel.Diameter) + 0.5,
        _ => (1 + (dowel.FromGrain.Degrees / 360)) * mode switch { YieldMode.Im or YieldMode.Is => 4, YieldMode.II => 3.6, _ => 3.2 },
    };

    /// <summary>The load at which it yields in a mode, in lbf.</summary>
    /// <param name="mode">The mode.</param>
    /// <param name="dowel">What goes in.</param>
    /// <returns>The load, without reduction.</returns>
    public static double Yields(YieldMode mode, Dowel dowel)
    {
        var (wood, plate, gap) = (dowel.InWood.Inches, dowel.Plate.Inches, dowel.Gap.Inches);
        var (main, side) = (dowel.Bearing * dowel.Diameter, dowel.PlateBearing * dowel.Diameter);
        var bend = dowel.Yield * dowel.Diameter * dowel.Diameter * dowel.Diameter / 6;
        var (turnsWood, turnsPlate) = (main * wood * wood / 4, side * plate * plate / 4);
        return mode switch
        {
            _ when wood <= 0 || plate <= 0 => 0,
            YieldMode.Im => main * wood,
            YieldMode.Is => side * plate,
            YieldMode.II => Root((1 / (4 * side)) + (1 / (4 * main)), (plate / 2) + gap + (wood / 2), turnsPlate + turnsWood),
            YieldMode.IIIm => Root((1 / (2 * side)) + (1 / (4 * main)), gap + (wood / 2), bend + turnsWood),
            YieldMode.IIIs => Root((1 / (4 * side)) + (1 / (2 * main)), (plate / 2) + gap, turnsPlate + bend),
            _ => Root((1 / (2 * side)) + (1 / (2 * main)), gap, bend + bend),
        };
    }

    // The positive root of a P² + b P - c = 0.
    private static double Root(double a, double b, double c) => (Math.Sqrt((b * b) + (4 * a * c)) - b) / (2 * a);
}
