using Corrie.Core.Measure;

namespace Corrie.Core.Fixing;

/// <summary>The lead hole of a lag screw's thread.</summary>
public static class PilotHole
{
    /// <summary>What a crew carries where nothing else is recorded: 1/8 to 5/16 in by 32nds.</summary>
    public static IReadOnlyList<Length> UsualBits { get; } = [.. Enumerable.Range(4, 7).Select(n => Length.Tape(0, n, 32))];

    /// <summary>
    /// Least and most diameter for a wood of specific gravity G: 40 to 70 % of the shank up to 0.5, 60 to 75 % up to 0.6, 65 to 85 % above
    /// (ANSI/AWC NDS-2018 12.1.4, from memory).
    /// </summary>
    /// <param name="shank">Shank diameter.</param>
    /// <param name="gravity">Specific gravity, over 0 and up to 1.</param>
    /// <returns>Least and most diameter.</returns>
    /// <exception cref="ArgumentOutOfRangeException">The specific gravity is outside its range.</exception>
    public static (Length Least, Length Most) Range(Length shank, double gravity)
    {
        Wood.CheckGravity(gravity);
        var (least, most) = gravity switch
        {
            <= 0.5 => (0.40, 0.70),
            <= 0.6 => (0.60, 0.75),
            _ => (0.65, 0.85),
        };
        return (shank * least, shank * most);
    }

    /// <summary>The bit nearest to the middle of the range of those that lie inside it, the smaller one of two.</summary>
    /// <param name="shank">Shank diameter.</param>
    /// <param name="gravity">Specific gravity, over 0 and up to 1.</param>
    /// <param name="bits">The bits to choose from.</param>
    /// <returns>The bit; null where none lies inside the range.</returns>
    /// <exception cref="ArgumentOutOfRangeException">The specific gravity is outside its range.</exception>
    public static Length? Choose(Length shank, double gravity, IEnumerable<Length> bits)
    {
        var (least, most) = Range(shank, gravity);
        var middle = (least + most).Half;
        return bits.Where(b => b >= least && b <= most).OrderBy(b => (b - middle).Abs).ThenBy(b => b).Select(b => (Length?)b).FirstOrDefault();
    }
}
