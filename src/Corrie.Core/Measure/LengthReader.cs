using System.Globalization;

namespace Corrie.Core.Measure;

/// <summary>
/// Reads a length as people write it: <c>61 3/8</c>, <c>61-3/8"</c>, <c>61.375 in</c>, <c>5' 1 3/8"</c>, <c>5 ft 1 3/8 in</c>,
/// <c>1559</c>, <c>155.9 cm</c>, <c>1.559 m</c>, with primes and single-glyph fractions as well as plain ones.
/// </summary>
public static class LengthReader
{
    private const int Longest = 40;
    private static readonly Length Farthest = Length.FromMillimetres(1_000_000);

    private enum Kind
    {
        Number,
        Fraction,
        Foot,
        Inch,
        Metric,
        Dash,
    }

    /// <summary>Reads a length.</summary>
    /// <param name="typed">What was typed.</param>
    /// <param name="bare">The unit of a number without one: inches or millimetres.</param>
    /// <param name="directed">Whether a direction makes sense, so that a leading plus or minus is taken.</param>
    /// <returns>The exact length (decimals rounded once to 1/640 mm), or what was understood and what is expected.</returns>
    public static ReadResult<Length> Read(string? typed, UnitSystem bare, bool directed = false)
    {
        typed ??= string.Empty;
        var expected = Example(bare);
        ReadProblem No(string understood, string? instead = null) => new(typed, understood, instead ?? expected);

        var text = Normalise(typed);
        if (text.Length == 0)
        {
            return No("Nothing was typed");
        }

        if (text.Length > Longest)
        {
            return No($"{text.Length} characters are too many for one length");
        }

        var negative = false;
        if (text[0] is '-' or '+')
        {
            if (!directed)
            {
                return No($"The sign '{text[0]}' says a direction, and there is none here", "the length without a sign, " + expected);
            }

            negative = text[0] == '-';
            text = text[1..].TrimStart();
        }

        var parts = new List<Part>();
        if (Split(text, parts) is { } broken)
        {
            return No(broken);
        }

        var read = Compose(parts, bare, No);
        if (!read.Ok)
        {
            return read;
        }

        return read.Value > Farthest ? No("That is over a kilometre") : negative ? -read.Value : read;
    }

    private static string Example(UnitSystem bare) => bare == UnitSystem.Inches
        ? "a length such as 61 3/8, 5' 1 3/8\" or 1559 mm"
        : "a length such as 1559, 155.9 cm, 1.559 m or 61 3/8 in";

    private static string Normalise(string typed)
    {
        var text = new System.Text.StringBuilder(typed.Length + 8);
        foreach (var c in typed)
        {
            _ = c switch
            {
                '′' or '’' or '‘' or '´' or '`' => text.Append('\''),
                '″' or '”' or '“' or '〃' => text.Append('"'),
                '⁄' or '∕' => text.Append('/'),
                '−' or '–' or '—' or '‐' or '‑' => text.Append('-'),
                _ when char.IsWhiteSpace(c) => text.Append(' '),
                _ when Glyph(c) is { } fraction => text.Append(' ').Append(fraction),
                _ => text.Append(char.ToLowerInvariant(c)),
            };
        }

        return text.Replace("''", "\"").ToString().Trim();
    }

    private static string? Glyph(char c) => c switch
    {
        '½' => "1/2",
        '¼' => "1/4",
        '¾' => "3/4",
        '⅛' => "1/8",
        '⅜' => "3/8",
        '⅝' => "5/8",
        '⅞' => "7/8",
        _ => null,
    };

    // Cuts the text into numbers, fractions and unit words; returns what is wrong with it, if anything is.
    private static string? Split(string text, List<Part> parts)
    {
        var i = 0;
        while (i < text.Length)
        {
            var c = text[i];
            if (c == ' ')
            {
                i++;
            }
            else if (c is >= '0' and <= '9' or '.')
            {
                var start = i;
                while (i < text.Length && text[i] is >= '0' and <= '9' or '.')
                {
                    i++;
                }

                var number = text[start..i];
                if (i < text.Length && text[i] == '/')
                {
                    var slash = ++i;
                    while (i < text.Length && text[i] is >= '0' and <= '9')
                    {
                        i++;
                    }

                    if (i == slash)
                    {
                        return $"After '{number}/' there is no number below the slash";
                    }

                    if (Fraction(number, text[slash..i], parts) is { } wrong)
                    {
                        return wrong;
                    }
                }
                else if (decimal.TryParse(number, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var value))
                {
                    if (value > 1_000_000_000m)
                    {
                        return "That is over a kilometre";
                    }

                    parts.Add(new(Kind.Number, value, number));
                }
                else
                {
                    return $"'{number}' is not a number";
                }
            }
            else if (c is '\'' or '"' or '-')
            {
                parts.Add(new(c == '\'' ? Kind.Foot : c == '"' ? Kind.Inch : Kind.Dash, 0, c.ToString()));
                i++;
            }
            else if (c is >= 'a' and <= 'z')
            {
                var start = i;
                while (i < text.Length && text[i] is >= 'a' and <= 'z')
                {
                    i++;
                }

                var word = text[start..i];
                switch (word)
                {
                    case "ft" or "feet" or "foot":
                        parts.Add(new(Kind.Foot, 0, word));
                        break;
                    case "in" or "inch" or "inches":
                        parts.Add(new(Kind.Inch, 0, word));
                        break;
                    case "mm":
                        parts.Add(new(Kind.Metric, Length.PerMillimetre, word));
                        break;
                    case "cm":
                        parts.Add(new(Kind.Metric, 10 * Length.PerMillimetre, word));
                        break;
                    case "m":
                        parts.Add(new(Kind.Metric, 1000 * Length.PerMillimetre, word));
                        break;
                    default:
                        return $"'{word}' is no unit of length here";
                }
            }
            else
            {
                return c == ','
                    ? "A comma can mean thousands or a decimal point"
                    : $"'{c}' has no place in a length";
            }
        }

        return null;
    }

    private static string? Fraction(string above, string below, List<Part> parts)
    {
        if (!int.TryParse(above, NumberStyles.None, CultureInfo.InvariantCulture, out var n) ||
            !int.TryParse(below, NumberStyles.None, CultureInfo.InvariantCulture, out var d))
        {
            return $"'{above}/{below}' is not a fraction of whole numbers";
        }

        if (d == 0)
        {
            return $"'{above}/{below}' divides by nothing";
        }

        if (64 % d != 0)
        {
            return $"'{above}/{below}' is not on a tape, which has halves, quarters, eighths, 16ths, 32nds and 64ths";
        }

        if (n >= d)
        {
            return $"'{above}/{below}' is {(n == d ? "a whole inch" : "more than an inch")}; is {n / d}{(n % d == 0 ? string.Empty : $" {n % d}/{d}")} in meant?";
        }

        parts.Add(new(Kind.Fraction, n * (Length.PerInch / (decimal)d), above + "/" + below));
        return null;
    }

    private static ReadResult<Length> Compose(List<Part> parts, UnitSystem bare, Func<string, string?, ReadProblem> no)
    {
        var at = 0;
        Part? Take(Kind kind) => at < parts.Count && parts[at].Kind == kind ? parts[at++] : null;

        var first = Take(Kind.Number);
        if (first is { } metric && Take(Kind.Metric) is { } unit)
        {
            return at == parts.Count ? Sum(metric.Value * unit.Value, no) : no($"Something follows '{metric.Text} {unit.Text}'", null);
        }

        decimal? feet = null, inches = null, fraction = null;
        if (first is not null && Take(Kind.Foot) is not null)
        {
            feet = first.Value.Value;
            Take(Kind.Dash);
            first = Take(Kind.Number);
        }

        if (first is { } whole)
        {
            inches = whole.Value;
        }

        var dash = first is not null && Take(Kind.Dash) is not null;
        if (Take(Kind.Fraction) is { } part)
        {
            fraction = part.Value;
        }
        else if (dash)
        {
            return no("After the dash there is no fraction", null);
        }

        var saidInches = Take(Kind.Inch) is not null;
        if (at < parts.Count)
        {
            var rest = parts[at];
            return no(rest.Kind switch
            {
                Kind.Metric when feet is not null || fraction is not null => $"Inches and '{rest.Text}' are mixed",
                Kind.Foot => $"'{rest.Text}' comes where inches should",
                _ => $"'{rest.Text}' comes where nothing should follow",
            }, null);
        }

        if (feet is null && inches is null && fraction is null)
        {
            return no("There is no number in it", null);
        }

        if (saidInches && inches is null && fraction is null)
        {
            return no("The inches have no number", null);
        }

        if (fraction is not null && inches is { } i && i != decimal.Truncate(i))
        {
            return no($"'{i}' has decimals and a fraction follows", null);
        }

        if (feet is { } f)
        {
            if (f != decimal.Truncate(f) && (inches is not null || fraction is not null))
            {
                return no($"'{f}' feet has decimals and inches follow", null);
            }

            if (inches >= 12)
            {
                // 4' 14" may be 5' 2", or 4' 1 4/..., or a slip of the key: only the person knows.
                var carried = f + decimal.Truncate(inches.Value / 12);
                return no(
                    $"{f} ft and {inches} in are {carried} ft {inches % 12} in",
                    $"fewer than 12 in after the feet: is {carried}' {inches % 12}\" meant?");
            }
        }
        else if (!saidInches && bare == UnitSystem.Millimetres)
        {
            return fraction is null
                ? Sum(inches!.Value * Length.PerMillimetre, no)
                : no("A fraction without a unit, on a job in millimetres", "the same with its unit, such as 61 3/8 in, or millimetres");
        }

        return Sum(((((feet ?? 0) * 12) + (inches ?? 0)) * Length.PerInch) + (fraction ?? 0), no);
    }

    private static ReadResult<Length> Sum(decimal units, Func<string, string?, ReadProblem> no) =>
        units > 1_000_000_000m
            ? no("That is over a kilometre", null)
            : Length.FromUnits((long)Math.Round(units, MidpointRounding.AwayFromZero));

    private readonly record struct Part(Kind Kind, decimal Value, string Text);
}
