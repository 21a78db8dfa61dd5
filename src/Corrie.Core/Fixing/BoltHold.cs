using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Measure;

namespace Corrie.Core.Fixing;

/// <summary>What a bolt holds in.</summary>
public enum Ground
{
    /// <summary>A wood stud, its grain upright.</summary>
    Stud,

    /// <summary>Blocking between studs, its grain along the wall.</summary>
    Blocking,

    /// <summary>A board on the wall, planks or plywood: taken as loaded across the grain.</summary>
    Board,

    /// <summary>The flange of a steel stud.</summary>
    Flange,

    /// <summary>Units of masonry.</summary>
    Units,

    /// <summary>The wall's gypsum board alone.</summary>
    Lining,
}

/// <summary>What a bolt holds, out of the wall and across itself, and both together.</summary>
public sealed class BoltHold
{
    private const int Step = 2;
    private readonly double[]? across;

    /// <summary>What a screw holds in wood: withdrawal and the yield equations, combined by NDS-2018 12.4.1.</summary>
    /// <param name="pull">Against being pulled out, adjusted.</param>
    /// <param name="dowel">What goes into the yield equations, for any angle.</param>
    /// <param name="factor">What is left of them: duration, moisture, heat.</param>
    internal BoltHold(Force pull, Func<Angle, Dowel> dowel, double factor)
    {
        (Pull, Dowel, Factor) = (pull, dowel, factor);
        // A bolt's worst pose asks for it at hundreds of angles: every second degree is worked out when it is asked for, and in between it is straight to a thousandth.
        across = new double[(90 / Step) + 1];
        Array.Fill(across, double.NaN);
    }

    /// <summary>What a maker or an engineer says that it holds; both together in proportion.</summary>
    /// <param name="pull">Out of the wall; null where nobody says.</param>
    /// <param name="sideways">Across it, in every direction; null where nobody says.</param>
    internal BoltHold(Force? pull, Force? sideways) => (Pull, Sideways, Factor) = (pull, sideways, 1);

    /// <summary>Against being pulled out; null where that is not known.</summary>
    public Force? Pull { get; }

    /// <summary>Whether the yield equations say what it holds across.</summary>
    public bool ByYield => across is not null;

    /// <summary>What is left for duration, moisture and heat.</summary>
    public double Factor { get; }

    /// <summary>What goes into the yield equations; null where a rating says it.</summary>
    internal Func<Angle, Dowel>? Dowel { get; }

    private Force? Sideways { get; }

    /// <summary>What it holds across, under a load turned from the grain.</summary>
    /// <param name="fromGrain">Angle between load and grain, 0 to 90 degrees.</param>
    /// <returns>The load; null where that is not known.</returns>
    public Force? Across(Angle fromGrain)
    {
        if (across is null)
        {
            return Sideways;
        }

        var at = Math.Clamp(fromGrain.Degrees, 0, 90) / Step;
        var low = Math.Min((int)at, across.Length - 2);
        return new(At(low) + ((At(low + 1) - At(low)) * (at - low)));
    }

    // Two threads that ask at once work out the same.
    private double At(int step) => double.IsNaN(across![step]) ? across[step] = YieldEquations.Least(Dowel!(new(step * Step))).Load.Newtons * Factor : across[step];

    /// <summary>How far a load uses it up, the largest of three shares: out, across, and both together by <c>Z_a = (W p) Z / ((W p) cos² a + Z sin² a)</c> for screws in wood (NDS-2018 12.4.1, from memory), the sum of both shares for rated anchors (common practice).</summary>
    /// <remarks>Where a load across is all that a screw holds, the formula would let a pull take some of it away again: each share counts by itself too.</remarks>
    /// <param name="load">The load.</param>
    /// <param name="fromGrain">Angle between its part across and the grain.</param>
    /// <returns>The share, 1 for all of it; null where something is not known.</returns>
    public double? Use(BoltLoad load, Angle fromGrain)
    {
        if (Pull is not { } pull || Across(fromGrain) is not { } sideways)
        {
            return null;
        }

        return Shared(load.Pull.Newtons, load.Across.Newtons, pull.Newtons, sideways.Newtons);
    }

    private double Shared(double pulled, double sideways, double pull, double hold)
    {
        if ((pulled > 0 && pull <= 0) || (sideways > 0 && hold <= 0) || double.IsInfinity(pulled) || double.IsInfinity(sideways))
        {
            return double.PositiveInfinity;
        }

        if (!ByYield)
        {
            return (pulled > 0 ? pulled / pull : 0) + (sideways > 0 ? sideways / hold : 0);
        }

        var together = Math.Sqrt((pulled * pulled) + (sideways * sideways));
        var (inTension, inShear) = (pulled > 0 ? pulled / pull : 0, sideways > 0 ? sideways / hold : 0);
        return together == 0 ? 0 : Math.Max(Math.Max(inTension, inShear), ((sideways * inShear) + (pulled * inTension)) / together);
    }
}
