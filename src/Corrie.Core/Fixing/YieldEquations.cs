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
/// <param name="Shank">Nominal diameter: it decides which reduction counts.</param>
public readonly record struct Dowel(double Diameter, double Yield, Length InWood, double Bearing, Length Plate, double PlateBearing, Length Gap, Angle FromGrain, Length Shank);

/// <summary>
/// What a screw holds across itself: the yield limit equations of ANSI/AWC NDS-2018 12.3.1, in the general form of AWC Technical Report 12 that takes a gap between
/// plate and wood and is the same without one. Of all six modes the least counts. From memory.
/// </summary>
public static class YieldEquations
{
    private static readonly Length Quarter = Length.Tape(0, 1, 4);

    // By nominal diameter: what the rows of table 12K have across the grain, as far as they are remembered, over what the equations give there.
    private static readonly (double Inches, double Share)[] AcrossRows = [(0.25, 0.93), (0.3125, 0.94), (0.375, 0.96), (0.5, 0.99)];

    /// <summary>What a mode gives, the reduction of table 12.3.1B taken off, and what is left of it across the grain.</summary>
    /// <param name="mode">The mode.</param>
    /// <param name="dowel">What goes in.</param>
    /// <returns>The load, not adjusted for duration, moisture and heat.</returns>
    public static Force Of(YieldMode mode, Dowel dowel) => Force.FromPoundsForce(Yields(mode, dowel) / Reduction(mode, dowel) * OfTheRows(dowel));

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
    /// The reduction term of table 12.3.1B: below 1/4 in of nominal diameter <c>K_D</c>, which is 2.2 up to 0.17 in of root and <c>10 D + 0.5</c> from there; from 1/4 in on
    /// 4, 3.6 and 3.2 by mode, times <c>K_theta = 1 + angle / 360</c>; and <c>K_D K_theta</c> where the nominal diameter is 1/4 in and over and the root under it.
    /// </summary>
    /// <param name="mode">The mode.</param>
    /// <param name="dowel">What goes in.</param>
    /// <returns>What the yield load is divided by.</returns>
    public static double Reduction(YieldMode mode, Dowel dowel)
    {
        var byRoot = dowel.Diameter <= 0.17 ? 2.2 : (10 * dowel.Diameter) + 0.5;
        if (dowel.Shank < Quarter)
        {
            return byRoot;
        }

        var byAngle = 1 + (dowel.FromGrain.Degrees / 360);
        return byAngle * (dowel.Diameter < Quarter.Inches ? byRoot : mode switch { YieldMode.Im or YieldMode.Is => 4, YieldMode.II => 3.6, _ => 3.2 });
    }

    /// <summary>
    /// What is left across the grain of what the equations give: 0.93, 0.94, 0.96 and 0.99 at 1/4, 5/16, 3/8 and 1/2 in, straight between them, 1 along the grain and linear in the angle
    /// between. The rows of table 12K, as far as they are remembered, lie that much lower; it stays until somebody has looked the printed table up.
    /// </summary>
    /// <param name="dowel">What goes in.</param>
    /// <returns>The share, up to 1.</returns>
    public static double OfTheRows(Dowel dowel)
    {
        if (dowel.Shank < Quarter)
        {
            return 1;
        }

        var above = Array.FindIndex(AcrossRows, r => r.Inches >= dowel.Shank.Inches);
        var across = above switch
        {
            < 0 => AcrossRows[^1].Share,
            0 => AcrossRows[0].Share,
            _ => AcrossRows[above - 1].Share + ((AcrossRows[above].Share - AcrossRows[above - 1].Share) * (dowel.Shank.Inches - AcrossRows[above - 1].Inches) / (AcrossRows[above].Inches - AcrossRows[above - 1].Inches)),
        };
        return 1 - ((1 - across) * dowel.FromGrain.Degrees / 90);
    }

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
