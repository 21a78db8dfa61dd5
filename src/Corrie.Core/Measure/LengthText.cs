using System.Globalization;

namespace Corrie.Core.Measure;

/// <summary>How a reader wants lengths shown.</summary>
/// <param name="System">Inches or millimetres.</param>
/// <param name="Denominator">Finest fraction of an inch shown: 8, 16 or 32. Not used in millimetres.</param>
/// <param name="FeetInches">Whether 61 3/8 in is shown as 5' 1 3/8".</param>
public readonly record struct LengthStyle(UnitSystem System, int Denominator = 16, bool FeetInches = false)
{
    /// <summary>Inches to the sixteenth.</summary>
    public static LengthStyle Inches => new(UnitSystem.Inches);

    /// <summary>Whole millimetres.</summary>
    public static LengthStyle Millimetres => new(UnitSystem.Millimetres);

    /// <summary>The step to which lengths are rounded when shown.</summary>
    public Length Step => System == UnitSystem.Millimetres ? Length.FromUnits(Length.PerMillimetre) : Length.Tape(0, 1, Denominator);
}

/// <summary>A length as it is shown: rounded once, split into the figures that a page or a sheet sets.</summary>
/// <param name="Negative">Whether a minus stands before it.</param>
/// <param name="Feet">Whole feet, or null where none are shown.</param>
/// <param name="Whole">Whole inches or millimetres.</param>
/// <param name="Numerator">Numerator of the fraction in its lowest terms; 0 for none.</param>
/// <param name="Denominator">Its denominator.</param>
/// <param name="System">The units it is shown in.</param>
public readonly record struct ShownLength(bool Negative, long? Feet, long Whole, long Numerator, long Denominator, UnitSystem System)
{
    /// <summary>What stands before the fraction: sign, feet and whole inches; empty where the fraction stands alone.</summary>
    public string Lead =>
        (Negative ? "-" : string.Empty) +
        (Feet is { } f ? $"{f}' {Whole}" : Whole == 0 && Numerator != 0 ? string.Empty : Whole.ToString(CultureInfo.InvariantCulture));

    /// <summary>The unit that closes it: a double prime after feet, else a word.</summary>
    public string Unit => Feet is null ? (System == UnitSystem.Inches ? " in" : " mm") : "\"";

    /// <summary>The figures without the unit, as on a tape: <c>61 3/8</c>, <c>5' 1 3/8"</c>, <c>1559</c>.</summary>
    public string Figures => Bare + (Feet is null ? string.Empty : Unit);

    private string Bare => Numerator == 0 ? Lead : Lead + (Lead is "" or "-" ? string.Empty : " ") + $"{Numerator}/{Denominator}";

    /// <summary>The figures with the unit: <c>61 3/8 in</c>, <c>5' 1 3/8"</c>, <c>1559 mm</c>.</summary>
    /// <returns>The text.</returns>
    public override string ToString() => Bare + Unit;
}

/// <summary>The one place where a length becomes text.</summary>
public static class LengthText
{
    /// <summary>Rounds a length to the reader's step, halves away from zero, and splits it into figures.</summary>
    /// <param name="length">Any length.</param>
    /// <param name="style">The reader's units and step.</param>
    /// <returns>The figures, with what was rounded away gone.</returns>
    public static ShownLength Show(this Length length, LengthStyle style)
    {
        var rounded = length.RoundedTo(style.Step);
        var units = Math.Abs(rounded.Units);
        var negative = rounded.Units < 0;
        if (style.System == UnitSystem.Millimetres)
        {
            return new(negative, null, units / Length.PerMillimetre, 0, 1, style.System);
        }

        var whole = units / Length.PerInch;
        var n = units % Length.PerInch / (Length.PerInch / 128);
        var d = 128L;
        while (n != 0 && n % 2 == 0)
        {
            n /= 2;
            d /= 2;
        }

        return style.FeetInches && whole >= 12
            ? new(negative, whole / 12, whole % 12, n, d, style.System)
            : new(negative, null, whole, n, n == 0 ? 1 : d, style.System);
    }

    /// <summary>A small length with its unit, finer than a tape reading: to 1/32 in, or 0.1 mm.</summary>
    /// <param name="length">Any length.</param>
    /// <param name="style">The reader's units.</param>
    /// <returns>The text.</returns>
    public static string Fine(Length length, LengthStyle style) => style.System == UnitSystem.Millimetres
        ? (length.RoundedTo(Length.FromUnits(Length.PerMillimetre / 10)).Units / (decimal)Length.PerMillimetre).ToString("0.#", CultureInfo.InvariantCulture) + " mm"
        : length.Show(style with { Denominator = 32, FeetInches = false }).ToString();

    /// <summary>A length that is asked for at the least, as it is shown: exact where a tape has it, else rounded up to 1/32 in or 0.1 mm.</summary>
    /// <param name="length">Any length.</param>
    /// <param name="style">The reader's units.</param>
    /// <returns>The text.</returns>
    public static string AtLeast(Length length, LengthStyle style) => Bounded(RoundedUp(length, style), style);

    /// <summary>A length that is allowed at the most, as it is shown: exact where a tape has it, else rounded down to 1/32 in or 0.1 mm.</summary>
    /// <param name="length">Any length.</param>
    /// <param name="style">The reader's units.</param>
    /// <returns>The text.</returns>
    public static string AtMost(Length length, LengthStyle style) => Bounded(RoundedDown(length, style), style);

    /// <summary>A length rounded up to what can be shown of it.</summary>
    /// <param name="length">Any length.</param>
    /// <param name="style">The reader's units.</param>
    /// <returns>No less than the length.</returns>
    public static Length RoundedUp(Length length, LengthStyle style) => -RoundedDown(-length, style);

    /// <summary>A length rounded down to what can be shown of it.</summary>
    /// <param name="length">Any length.</param>
    /// <param name="style">The reader's units.</param>
    /// <returns>No more than the length.</returns>
    public static Length RoundedDown(Length length, LengthStyle style)
    {
        var step = style.System == UnitSystem.Millimetres ? Length.PerMillimetre / 10 : Length.PerInch / 32;
        var steps = Math.DivRem(length.Units, step, out var rest);
        return length.RoundedTo(style.Step) == length ? length : Length.FromUnits((steps - (rest < 0 ? 1 : 0)) * step);
    }

    private static string Bounded(Length bounded, LengthStyle style) => bounded.RoundedTo(style.Step) == bounded ? bounded.Show(style).ToString() : Fine(bounded, style);

    /// <summary>How far something reaches at most, rounded down: to a foot, or to 0.1 m.</summary>
    /// <param name="length">Any length from nothing up.</param>
    /// <param name="style">The reader's units.</param>
    /// <returns>The text.</returns>
    public static string Far(Length length, LengthStyle style) => style.System == UnitSystem.Millimetres
        ? (Math.Floor(length.Units / (decimal)Length.PerMillimetre / 100) / 10).ToString("0.#", CultureInfo.InvariantCulture) + " m"
        : (length.Units / (12 * Length.PerInch)).ToString(CultureInfo.InvariantCulture) + " ft";

    /// <summary>
    /// The length in full, with its unit, so that reading it back gives the same length: a fraction where a tape has it, else decimals.
    /// </summary>
    /// <param name="length">Any length.</param>
    /// <param name="preferred">The units to write it in where both would be exact.</param>
    /// <returns>The text.</returns>
    public static string Exact(Length length, UnitSystem preferred)
    {
        if (preferred == UnitSystem.Inches && length.Units % (Length.PerInch / 64) == 0)
        {
            var units = Math.Abs(length.Units);
            var n = units % Length.PerInch / (Length.PerInch / 64);
            var d = 64L;
            while (n != 0 && n % 2 == 0)
            {
                n /= 2;
                d /= 2;
            }

            return new ShownLength(length.Units < 0, null, units / Length.PerInch, n, d, UnitSystem.Inches).ToString();
        }

        // 1/640 mm is 0.0015625 mm: seven decimals are always enough.
        return (length.Units / (decimal)Length.PerMillimetre).ToString("0.#######", CultureInfo.InvariantCulture) + " mm";
    }
}
