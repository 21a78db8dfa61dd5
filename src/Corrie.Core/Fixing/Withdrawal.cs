using Corrie.Core.Measure;

namespace Corrie.Core.Fixing;

/// <summary>What a screw in wood holds against being pulled straight out.</summary>
public static class Withdrawal
{
    /// <summary>Load duration factor of a permanent load (ANSI/AWC NDS-2018 table 2.3.2, from memory).</summary>
    public const double Permanent = 0.9;

    /// <summary>Reference design value of a lag screw per inch of thread: <c>1800 G^1.5 D^0.75</c> lb/in (NDS-2018 12.2.1, from memory).</summary>
    /// <param name="gravity">Specific gravity of the wood, over 0 and up to 1.</param>
    /// <param name="diameter">Shank diameter.</param>
    /// <returns>Pounds-force for each inch of full thread.</returns>
    /// <exception cref="ArgumentOutOfRangeException">The specific gravity is outside its range.</exception>
    public static double LagPoundsPerInch(double gravity, Length diameter) =>
        1800 * Math.Pow(Wood.CheckGravity(gravity), 1.5) * Math.Pow(diameter.Inches, 0.75);

    /// <summary>Reference design value of a wood screw per inch of thread: <c>2850 G² D</c> lb/in (NDS-2018 12.2.2, from memory).</summary>
    /// <param name="gravity">Specific gravity of the wood, over 0 and up to 1.</param>
    /// <param name="diameter">Shank diameter.</param>
    /// <returns>Pounds-force for each inch of full thread.</returns>
    /// <exception cref="ArgumentOutOfRangeException">The specific gravity is outside its range.</exception>
    public static double WoodScrewPoundsPerInch(double gravity, Length diameter) =>
        2850 * Wood.CheckGravity(gravity) * gravity * diameter.Inches;
}

/// <summary>What formulas for wood ask of it.</summary>
internal static class Wood
{
    /// <summary>Refuses a specific gravity that no wood has.</summary>
    /// <param name="gravity">Specific gravity, over 0 and up to 1.</param>
    /// <returns>The same number.</returns>
    /// <exception cref="ArgumentOutOfRangeException">It is outside its range.</exception>
    public static double CheckGravity(double gravity) => gravity is > 0 and <= 1
        ? gravity
        : throw new ArgumentOutOfRangeException(nameof(gravity), gravity, "The specific gravity of wood is over 0 and up to 1.");
}
