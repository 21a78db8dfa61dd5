using System.Diagnostics.CodeAnalysis;
using System.Globalization;
using System.Runtime.CompilerServices;
using System.Text;
using Corrie.Core.Measure;

namespace Corrie.Core.Findings;

/// <summary>A small length in a sentence, such as a tolerance, shown finer than a tape reading.</summary>
/// <param name="Length">The length.</param>
public readonly record struct FineLength(Length Length);

/// <summary>A quantity that is asked for at the least: it is shown rounded up, so that whoever enters what the sentence says has enough.</summary>
/// <typeparam name="T">The quantity: a length, a weight, an angle.</typeparam>
/// <param name="Quantity">The least.</param>
public readonly record struct AtLeast<T>(T Quantity)
    where T : struct;

/// <summary>A quantity that is allowed at the most: it is shown rounded down.</summary>
/// <typeparam name="T">The quantity: a length, a weight, an angle.</typeparam>
/// <param name="Quantity">The most.</param>
public readonly record struct AtMost<T>(T Quantity)
    where T : struct;

/// <summary>
/// A sentence with its quantities still in it, so that each reader sees it in their own units. Written as an interpolated string:
/// <c>Phrase p = $"The bolt is {off} off the stud's centre";</c>
/// </summary>
[InterpolatedStringHandler]
public sealed class Phrase
{
    private readonly List<object> parts;

    /// <summary>Called by the compiler for an interpolated string.</summary>
    /// <param name="literalLength">How many characters of plain words there are; not used.</param>
    /// <param name="formattedCount">How many quantities stand among them; room for that many parts is made.</param>
    public Phrase(int literalLength, int formattedCount)
    {
        _ = literalLength;
        parts = new((2 * formattedCount) + 1);
    }

    /// <summary>The parts in order: text, <see cref="Length"/>, <see cref="FineLength"/>, <see cref="Mass"/>, <see cref="Force"/>, <see cref="Temperature"/> or <see cref="Angle"/>; or one of them at the least or at the most.</summary>
    public IReadOnlyList<object> Parts => parts;

    /// <summary>A sentence without quantities.</summary>
    /// <param name="text">The words; null for no sentence.</param>
    [return: NotNullIfNotNull(nameof(text))]
    public static implicit operator Phrase?(string? text)
    {
        if (text is null)
        {
            return null;
        }

        var phrase = new Phrase(text.Length, 0);
        phrase.AppendLiteral(text);
        return phrase;
    }

    /// <summary>
    /// Makes sure that an interpolated string becomes a sentence: inside a conditional the compiler would make plain text of it,
    /// and its quantities would be lost.
    /// </summary>
    /// <param name="phrase">The sentence.</param>
    /// <returns>The same sentence.</returns>
    public static Phrase Of(Phrase phrase) => phrase;

    /// <summary>The sentence as plain text in a reader's units.</summary>
    /// <param name="style">The reader's units.</param>
    /// <returns>The text.</returns>
    public string Say(LengthStyle style)
    {
        var text = new StringBuilder();
        foreach (var part in parts)
        {
            text.Append(part is Length length ? length.Show(style).ToString()
                : part is FineLength fine ? LengthText.Fine(fine.Length, style)
                : part is AtLeast<Length> least ? LengthText.AtLeast(least.Quantity, style)
                : part is AtMost<Length> most ? LengthText.AtMost(most.Quantity, style)
                : PlainPart(part, style.System));
        }

        return text.ToString();
    }

    /// <summary>Text of a part that is not a length: words as they are, weights, forces and angles with their unit.</summary>
    /// <param name="part">A part of a sentence.</param>
    /// <param name="system">Whether weights and forces are told in pounds or in kilograms and newtons.</param>
    /// <returns>Its text.</returns>
    public static string PlainPart(object part, UnitSystem system) => part switch
    {
        Mass m when system == UnitSystem.Inches => $"{Figure(m.Pounds)} lb",
        Mass m => $"{Figure(m.Kilograms)} kg",
        Force f when system == UnitSystem.Inches => $"{Figure(f.PoundsForce)} lbf",
        Force f => $"{Figure(f.Newtons)} N",
        AtLeast<Mass> m when system == UnitSystem.Inches => $"{Up(m.Quantity.Pounds)} lb",
        AtLeast<Mass> m => $"{Up(m.Quantity.Kilograms)} kg",
        AtMost<Mass> m when system == UnitSystem.Inches => $"{Down(m.Quantity.Pounds)} lb",
        AtMost<Mass> m => $"{Down(m.Quantity.Kilograms)} kg",
        AtLeast<Angle> a => $"{Up(a.Quantity.Degrees)}°",
        AtMost<Angle> a => $"{Down(a.Quantity.Degrees)}°",
        Angle a => Figure(a.Degrees) + "°",
        Temperature w when system == UnitSystem.Inches => $"{Figure(w.Fahrenheit)} °F",
        Temperature w => $"{Figure(w.Celsius)} °C",
        _ => part.ToString() ?? string.Empty,
    };

    /// <summary>In inches, for the debugger.</summary>
    /// <returns>The text.</returns>
    public override string ToString() => Say(LengthStyle.Inches);

#pragma warning disable CS1591 // the compiler's side of an interpolated string
    public void AppendLiteral(string text) => parts.Add(text);

    public void AppendFormatted(string text) => parts.Add(text);

    public void AppendFormatted(Length length) => parts.Add(length);

    public void AppendFormatted(Length length, string format) => parts.Add(format switch
    {
        "fine" => new FineLength(length),
        "least" => new AtLeast<Length>(length),
        "most" => new AtMost<Length>(length),
        _ => throw new FormatException($"'{format}' is no way to show a length; 'fine', 'least' and 'most' are."),
    });

    public void AppendFormatted(Mass mass, string format) => parts.Add(format switch
    {
        "least" => new AtLeast<Mass>(mass),
        "most" => new AtMost<Mass>(mass),
        _ => throw new FormatException($"'{format}' is no way to show a weight; 'least' and 'most' are."),
    });

    public void AppendFormatted(Angle angle, string format) => parts.Add(format switch
    {
        "least" => new AtLeast<Angle>(angle),
        "most" => new AtMost<Angle>(angle),
        _ => throw new FormatException($"'{format}' is no way to show an angle; 'least' and 'most' are."),
    });

    public void AppendFormatted(Mass mass) => parts.Add(mass);

    public void AppendFormatted(Force force) => parts.Add(force);

    public void AppendFormatted(Angle angle) => parts.Add(angle);

    public void AppendFormatted(Temperature warm) => parts.Add(warm);

    public void AppendFormatted(int number) => parts.Add(number.ToString(CultureInfo.InvariantCulture));

    public void AppendFormatted(double number, string format) => parts.Add(double.IsFinite(number) ? number.ToString(format, CultureInfo.InvariantCulture) : "∞");

    public void AppendFormatted(Phrase phrase) => parts.AddRange(phrase.parts);
#pragma warning restore CS1591

    // To a tenth, up or down; what is a tenth but for the rounding of doubles stays.
    private static string Up(double value) => double.IsFinite(value) ? (Math.Ceiling((value * 10) - 1e-6) / 10).ToString("0.#", CultureInfo.InvariantCulture) : "∞";

    private static string Down(double value) => double.IsFinite(value) ? (Math.Floor((value * 10) + 1e-6) / 10).ToString("0.#", CultureInfo.InvariantCulture) : "∞";

    // What has no end is no word of anybody's: a bolt that holds nothing, a plate that nothing keeps in balance.
    private static string Figure(double value) => !double.IsFinite(value) ? "∞"
        : Math.Abs(value) >= 100
        ? value.ToString("0", CultureInfo.InvariantCulture)
        : value.ToString("0.#", CultureInfo.InvariantCulture);
}
