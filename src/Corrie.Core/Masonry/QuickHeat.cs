using Corrie.Core.Format;
using Corrie.Core.Measure;

namespace Corrie.Core.Masonry;

/// <summary>A temperature as it was typed.</summary>
/// <param name="Of">What the thermometer was held to.</param>
/// <param name="Up">Where, over the floor.</param>
/// <param name="Warm">What it showed.</param>
/// <param name="Minutes">How many minutes the fire had been at full.</param>
public readonly record struct TypedHeat(HeatOf Of, Length Up, Temperature Warm, int Minutes)
{
    /// <summary>From the left corner, where that was typed; null for over the middle of the fire.</summary>
    public Length? Across { get; init; }
}

/// <summary>Reads a temperature with the fire on in one line, such as <c>air 57, 86 F, 75 min</c>.</summary>
public static class QuickHeat
{
    private const string Expected = "air or wall and the height, the temperature, and for how long the fire was at full, such as air 57, 86 F, 75 min";

    /// <summary>Reads a line.</summary>
    /// <param name="typed">What was typed.</param>
    /// <param name="bare">The unit of a number without one.</param>
    /// <returns>The reading, or what was not understood.</returns>
    public static (TypedHeat? Heat, ReadProblem? Problem) Read(string? typed, UnitSystem bare)
    {
        typed ??= string.Empty;
        var parts = typed.Split([',', ';'], StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries);
        ReadProblem Wrong(string what) => new(typed, what, Expected);
        if (parts.Length != 3)
        {
            return (null, Wrong(parts.Length == 0 ? "Nothing was typed" : $"There are {parts.Length} figures with commas between, and not three"));
        }

        var first = parts[0].Split(' ', 2, StringSplitOptions.TrimEntries);
        if (Choices.Of<HeatOf>(first[0].ToLowerInvariant()) is not { } of || first.Length < 2)
        {
            return (null, Wrong($"'{parts[0]}' is neither air nor wall with a height"));
        }

        var place = first[1].Split(" at ", 2, StringSplitOptions.TrimEntries);
        var across = place.Length > 1 ? LengthReader.Read(place[1], bare) : default;
        if (place.Length > 1 && !across.Ok)
        {
            return (null, Wrong(across.Problem!.Understood));
        }

        var (up, warm) = (LengthReader.Read(place[0], bare), QuantityReader.ReadTemperature(parts[1], bare));
        if (!up.Ok || !warm.Ok)
        {
            return (null, Wrong(!up.Ok ? up.Problem!.Understood : warm.Problem!.Understood));
        }

        var minutes = parts[2].Split(' ')[0];
        var hours = parts[2].Contains('h', StringComparison.OrdinalIgnoreCase);
        return double.TryParse(minutes.TrimEnd('m', 'i', 'n', 'h', 'o', 'u', 'r', 's'), System.Globalization.NumberStyles.AllowDecimalPoint, System.Globalization.CultureInfo.InvariantCulture, out var time) && time * (hours ? 60 : 1) is >= 0 and <= 10_000 and var full
            ? (new(of, up.Value, warm.Value, (int)full) { Across = place.Length > 1 ? across.Value : null }, null) : (null, Wrong($"'{parts[2]}' is no time"));
    }
}
