using System.Globalization;

namespace Corrie.Core.Measure;

/// <summary>Reads and writes weights, angles and diagonals of displays as people write them.</summary>
public static class QuantityReader
{
    /// <summary>Reads a mass: <c>49 lb</c>, <c>22.2 kg</c>, or a bare number in the job's units.</summary>
    /// <param name="typed">What was typed; null counts as nothing.</param>
    /// <param name="bare">Inches make a bare number pounds, millimetres make it kilograms.</param>
    /// <returns>A mass of 0 to 10,000 kg, or what was understood and what is expected.</returns>
    public static ReadResult<Mass> ReadMass(string? typed, UnitSystem bare)
    {
        const string expected = "a weight such as 49 lb or 22.2 kg";
        if (Number(typed, expected, out var value, out var unit) is { } problem)
        {
            return problem;
        }

        Mass? mass = unit switch
        {
            "" => bare == UnitSystem.Inches ? Mass.FromPounds(value) : new(value),
            "lb" or "lbs" or "pound" or "pounds" => Mass.FromPounds(value),
            "kg" or "kgs" => new(value),
            _ => null,
        };
        return mass is null ? new ReadProblem(typed ?? string.Empty, $"'{unit}' is no unit of weight here", expected)
            : mass.Value.Kilograms > 10_000 ? new ReadProblem(typed ?? string.Empty, $"{typed} is over 10,000 kg", expected)
            : mass.Value;
    }

    /// <summary>Reads an angle: <c>15</c>, <c>15°</c> or <c>15 deg</c>.</summary>
    /// <param name="typed">What was typed; null counts as nothing.</param>
    /// <returns>An angle of 0 to 360 degrees, or what was understood and what is expected.</returns>
    public static ReadResult<Angle> ReadAngle(string? typed)
    {
        const string expected = "an angle such as 15 or 15 deg";
        if (Number(typed, expected, out var value, out var unit) is { } problem)
        {
            return problem;
        }

        return unit is not ("" or "°" or "deg" or "degrees") ? new ReadProblem(typed ?? string.Empty, $"'{unit}' is no unit of angle here", expected)
            : value > 360 ? new ReadProblem(typed ?? string.Empty, $"{typed} is more than a full turn", expected)
            : new Angle(value);
    }

    /// <summary>The mass in full with its unit: <c>49 lb</c>, <c>22.2 kg</c>; reading it back gives the same to a milligram.</summary>
    /// <param name="mass">Any mass.</param>
    /// <param name="preferred">Inches for pounds, millimetres for kilograms.</param>
    /// <returns>The text.</returns>
    public static string Exact(Mass mass, UnitSystem preferred) => preferred == UnitSystem.Inches
        ? Math.Round(mass.Pounds, 6).ToString("0.######", CultureInfo.InvariantCulture) + " lb"
        : Math.Round(mass.Kilograms, 6).ToString("0.######", CultureInfo.InvariantCulture) + " kg";

    /// <summary>The angle in full with its unit.</summary>
    /// <param name="angle">Any angle.</param>
    /// <returns>The text, to a millionth of a degree.</returns>
    public static string Exact(Angle angle) => Math.Round(angle.Degrees, 6).ToString("0.######", CultureInfo.InvariantCulture) + " deg";

    /// <summary>Reads a temperature: <c>104 F</c>, <c>40 C</c>, or a bare number in the job's units.</summary>
    /// <param name="typed">What was typed; null counts as nothing.</param>
    /// <param name="bare">Inches make a bare number degrees Fahrenheit, millimetres make it Celsius.</param>
    /// <returns>A temperature of 0 F to 400 C, or what was understood and what is expected.</returns>
    public static ReadResult<Temperature> ReadTemperature(string? typed, UnitSystem bare)
    {
        const string expected = "a temperature such as 104 F or 40 C";
        if (Number(typed, expected, out var value, out var unit) is { } problem)
        {
            return problem;
        }

        Temperature? warm = unit.Replace("°", string.Empty).Replace("deg", string.Empty).Trim() switch
        {
            "" => bare == UnitSystem.Inches ? Temperature.FromFahrenheit(value) : new(value),
            "f" => Temperature.FromFahrenheit(value),
            "c" => new(value),
            _ => null,
        };
        return warm is null ? new ReadProblem(typed ?? string.Empty, $"'{unit}' is no unit of temperature here", expected)
            : warm.Value.Celsius > 400 ? new ReadProblem(typed ?? string.Empty, $"{typed} is over 400 C", expected)
            : warm.Value;
    }

    /// <summary>The temperature in full with its unit: <c>104 F</c>, <c>40 C</c>.</summary>
    /// <param name="warm">Any temperature.</param>
    /// <param name="preferred">Inches for Fahrenheit, millimetres for Celsius.</param>
    /// <returns>The text, to a hundredth of a degree.</returns>
    public static string Exact(Temperature warm, UnitSystem preferred) => preferred == UnitSystem.Inches
        ? Math.Round(warm.Fahrenheit, 2).ToString("0.##", CultureInfo.InvariantCulture) + " F"
        : Math.Round(warm.Celsius, 2).ToString("0.##", CultureInfo.InvariantCulture) + " C";

    private static ReadProblem? Number(string? typed, string expected, out double value, out string unit)
    {
        var text = (typed ?? string.Empty).Trim().ToLowerInvariant();
        var end = 0;
        while (end < text.Length && text[end] is >= '0' and <= '9' or '.')
        {
            end++;
        }

        unit = text[end..].Trim();
        value = 0;
        if (end == 0)
        {
            return new(typed ?? string.Empty, text.Length == 0 ? "Nothing was typed" : $"'{typed}' does not begin with a number", expected);
        }

        return end <= 12 && double.TryParse(text[..end], NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out value)
            ? null
            : new(typed ?? string.Empty, $"'{text[..end]}' is not a number", expected);
    }
}
