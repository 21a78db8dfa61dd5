using System.Numerics;

namespace Corrie.Core.Measure;

/// <summary>
/// A length, or a signed position along a tape, held exactly as a whole number of 1/640 mm.
/// That unit holds 1/64 in (254 units), half of it (127) and 0.1 mm (64) without rounding, so lengths read off a tape add up exactly.
/// </summary>
/// <remarks>Range: about ±14 million kilometres; nothing in the trade comes near it, and the reader refuses anything over 1 km.</remarks>
public readonly record struct Length :
    IComparable<Length>,
    IAdditionOperators<Length, Length, Length>,
    ISubtractionOperators<Length, Length, Length>,
    IUnaryNegationOperators<Length, Length>,
    IComparisonOperators<Length, Length, bool>
{
    /// <summary>Units in one millimetre.</summary>
    public const long PerMillimetre = 640;

    /// <summary>Units in one inch of 25.4 mm.</summary>
    public const long PerInch = 16256;

    private Length(long units) => Units = units;

    /// <summary>No length at all.</summary>
    public static Length Zero => default;

    /// <summary>The whole number of 1/640 mm.</summary>
    public long Units { get; }

    /// <summary>The length in inches, for arithmetic that leaves the tape (angles, loads).</summary>
    public double Inches => Units / (double)PerInch;

    /// <summary>The length in millimetres, for arithmetic that leaves the tape.</summary>
    public double Millimetres => Units / (double)PerMillimetre;

    /// <summary>The length in metres.</summary>
    public double Metres => Millimetres / 1000;

    /// <summary>Half of it; exact for every length on a tape, and rounded down by at most 1/1280 mm otherwise.</summary>
    public Length Half => new(Units >> 1);

    /// <summary>The same length without its sign.</summary>
    public Length Abs => new(Math.Abs(Units));

    /// <summary>Makes a length from a whole number of 1/640 mm.</summary>
    /// <param name="units">Any number of 1/640 mm.</param>
    /// <returns>The length.</returns>
    public static Length FromUnits(long units) => new(units);

    /// <summary>Makes a length from inches, rounded once to 1/640 mm.</summary>
    /// <param name="inches">Any finite number of inches.</param>
    /// <returns>The length.</returns>
    /// <exception cref="ArgumentOutOfRangeException">The number is not finite or does not fit.</exception>
    public static Length FromInches(double inches) => Round(inches * PerInch);

    /// <summary>Makes a length from millimetres, rounded once to 1/640 mm.</summary>
    /// <param name="millimetres">Any finite number of millimetres.</param>
    /// <returns>The length.</returns>
    /// <exception cref="ArgumentOutOfRangeException">The number is not finite or does not fit.</exception>
    public static Length FromMillimetres(double millimetres) => Round(millimetres * PerMillimetre);

    /// <summary>Makes the exact length of whole inches and a fraction, as read off a tape.</summary>
    /// <param name="whole">Whole inches.</param>
    /// <param name="numerator">Numerator of the fraction, on the same side of zero as <paramref name="whole"/>.</param>
    /// <param name="denominator">A divisor of 128.</param>
    /// <returns>The length, exactly.</returns>
    /// <exception cref="ArgumentOutOfRangeException">The fraction is none that a tape carries.</exception>
    public static Length Tape(long whole, long numerator = 0, long denominator = 1)
    {
        if (denominator <= 0 || 128 % denominator != 0)
        {
            throw new ArgumentOutOfRangeException(nameof(denominator), denominator, "A tape has halves down to hundred-and-twenty-eighths.");
        }

        return new((whole * PerInch) + (numerator * (PerInch / 128) * (128 / denominator)));
    }

    /// <summary>The smaller of two lengths.</summary>
    /// <param name="a">A length.</param>
    /// <param name="b">Another.</param>
    /// <returns>The smaller one.</returns>
    public static Length Min(Length a, Length b) => a.Units <= b.Units ? a : b;

    /// <summary>The larger of two lengths.</summary>
    /// <param name="a">A length.</param>
    /// <param name="b">Another.</param>
    /// <returns>The larger one.</returns>
    public static Length Max(Length a, Length b) => a.Units >= b.Units ? a : b;

    /// <summary>The distance from a value to the nearest point of a closed interval; zero inside it.</summary>
    /// <param name="value">The value.</param>
    /// <param name="from">Where the interval begins.</param>
    /// <param name="to">Where it ends, not before it begins.</param>
    /// <returns>The distance, never below zero.</returns>
    public static Length Outside(Length value, Length from, Length to) =>
        value < from ? from - value : value > to ? value - to : Zero;

    /// <summary>The nearest multiple of a step, halves away from zero: the one rounding that a shown length gets.</summary>
    /// <param name="step">A positive step.</param>
    /// <returns>The multiple.</returns>
    public Length RoundedTo(Length step)
    {
        var s = step.Units;
        var twice = 2 * Math.Abs(Units);
        return new(Math.Sign(Units) * ((twice + s) / (2 * s)) * s);
    }

    /// <inheritdoc/>
    public int CompareTo(Length other) => Units.CompareTo(other.Units);

    /// <summary>For the debugger; text for people is made by <see cref="LengthText"/>.</summary>
    /// <returns>The length in millimetres.</returns>
    public override string ToString() => LengthText.Exact(this, UnitSystem.Millimetres);

    private static Length Round(double units) =>
        double.IsFinite(units) && Math.Abs(units) < long.MaxValue / 4d
            ? new((long)Math.Round(units, MidpointRounding.AwayFromZero))
            : throw new ArgumentOutOfRangeException(nameof(units), units, "A length is a finite number.");

#pragma warning disable CS1591 // the operators mean what they say
    public static Length operator +(Length left, Length right) => new(left.Units + right.Units);

    public static Length operator -(Length left, Length right) => new(left.Units - right.Units);

    public static Length operator -(Length value) => new(-value.Units);

    public static Length operator *(Length left, long right) => new(left.Units * right);

    public static Length operator *(Length left, double right) => Round(left.Units * right);

    public static double operator /(Length left, Length right) => left.Units / (double)right.Units;

    public static bool operator <(Length left, Length right) => left.Units < right.Units;

    public static bool operator >(Length left, Length right) => left.Units > right.Units;

    public static bool operator <=(Length left, Length right) => left.Units <= right.Units;

    public static bool operator >=(Length left, Length right) => left.Units >= right.Units;
#pragma warning restore CS1591
}
