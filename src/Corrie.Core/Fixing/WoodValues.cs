using Corrie.Core.Measure;

namespace Corrie.Core.Fixing;

/// <summary>How warm the wood gets in use, which takes from what it holds.</summary>
public enum WoodHeat
{
    /// <summary>Up to 100 F, 38 C.</summary>
    Usual,

    /// <summary>Over 100 F and up to 125 F, 52 C.</summary>
    Over100F,

    /// <summary>Over 125 F and up to 150 F, 65 C.</summary>
    Over125F,
}

/// <summary>Figures of wood and of the screws in it that several rules use. All of ANSI/AWC NDS-2018, from memory.</summary>
public static class WoodValues
{
    /// <summary>Bearing of a steel plate on a dowel, in psi: ASTM A653 grade 33 by 1.5 and over (NDS-2018 tables 12K and following; from memory).</summary>
    public const double SteelBearing = 61_850;

    private static readonly Length QuarterInch = Length.Tape(0, 1, 4);

    /// <summary>Root diameter of a lag screw's or wood screw's thread (NDS-2018 appendix L, from memory): as listed, and 65 % of the shank for sizes that are not.</summary>
    /// <param name="shank">Shank diameter.</param>
    /// <returns>The root diameter, in inches.</returns>
    public static double Root(Length shank) => Math.Round(shank.Inches, 3) switch
    {
        0.164 => 0.131,
        0.19 => 0.152,
        0.216 => 0.171,
        0.242 => 0.196,
        0.25 => 0.173,
        0.312 or 0.313 => 0.227,
        0.375 => 0.265,
        0.5 => 0.371,
        var other => 0.65 * other,
    };

    /// <summary>Bending yield of a screw, in psi (NDS-2018 appendix I and table 12L, from memory).</summary>
    /// <param name="shank">Shank diameter.</param>
    /// <returns>The stress.</returns>
    public static double BendingYield(Length shank) => shank.Inches switch
    {
        >= 0.374 => 45_000,
        >= 0.311 => 60_000,
        > 0.236 => 70_000,
        > 0.177 => 80_000,
        > 0.142 => 90_000,
        _ => 100_000,
    };

    /// <summary>
    /// How wood bears on a dowel, in psi: from 1/4 in on 11200 G along and <c>6100 G^1.45 / √D</c> of the nominal diameter across the grain, between them by Hankinson's formula; below that
    /// <c>16600 G^1.84</c> in every direction (NDS-2018 12.3.3 and 12.3.4, from memory).
    /// </summary>
    /// <param name="gravity">Specific gravity, over 0 and up to 1.</param>
    /// <param name="shank">Shank diameter.</param>
    /// <param name="fromGrain">Angle between load and grain, 0 to 90 degrees.</param>
    /// <returns>The stress.</returns>
    /// <exception cref="ArgumentOutOfRangeException">The specific gravity is outside its range.</exception>
    public static double Bearing(double gravity, Length shank, Angle fromGrain)
    {
        Wood.CheckGravity(gravity);
        if (shank < QuarterInch)
        {
            return 16_600 * Math.Pow(gravity, 1.84);
        }

        var (along, across) = (11_200 * gravity, 6_100 * Math.Pow(gravity, 1.45) / Math.Sqrt(shank.Inches));
        var (sine, cosine) = (Math.Sin(fromGrain.Radians), Math.Cos(fromGrain.Radians));
        return along * across / ((along * sine * sine) + (across * cosine * cosine));
    }

    /// <summary>What is left of what a screw holds: 0.9 for a load that stays (table 2.3.2), 0.7 where the wood is wet in use (table 11.3.3), 0.8 or 0.7 where it is hot and dry and 0.7 or 0.5 where it is both (table 11.3.4).</summary>
    /// <param name="wet">Whether it is wet in use, over 19 % of moisture.</param>
    /// <param name="heat">How warm it gets.</param>
    /// <returns>The factor.</returns>
    public static double Factor(bool wet, WoodHeat heat) => Withdrawal.Permanent * (wet ? 0.7 : 1) * (heat, wet) switch
    {
        (WoodHeat.Usual, _) => 1,
        (WoodHeat.Over100F, false) => 0.8,
        (WoodHeat.Over100F, true) => 0.7,
        (_, false) => 0.7,
        _ => 0.5,
    };
}
