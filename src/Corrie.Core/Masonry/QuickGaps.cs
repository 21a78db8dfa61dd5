using Corrie.Core.Measure;

namespace Corrie.Core.Masonry;

/// <summary>Reads gaps in one line, in the order of the holes, such as <c>3/8, 1/2, 0, 7/16</c>; a dash leaves one out.</summary>
public static class QuickGaps
{
    /// <summary>Reads a line.</summary>
    /// <param name="typed">What was typed.</param>
    /// <param name="holes">How many holes there are.</param>
    /// <param name="bare">The unit of a number without one.</param>
    /// <returns>A gap for each hole from the first on, null where it was left out; or what was not understood.</returns>
    public static (IReadOnlyList<Length?> Gaps, ReadProblem? Problem) Read(string? typed, int holes, UnitSystem bare)
    {
        typed ??= string.Empty;
        var expected = $"a gap for each of {holes} holes in their order, with commas between, such as 3/8, 1/2, 0, 7/16; a dash leaves one out";
        var parts = typed.Split([',', ';', '\n'], StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries);
        if (parts.Length == 1 && typed.Split(' ', StringSplitOptions.RemoveEmptyEntries) is { Length: > 1 } words && words.Length <= holes && words.All(w => w == "-" || LengthReader.Read(w, bare).Ok)
            // One and a half, or one and then a half: only commas tell.
            && !words.Zip(words.Skip(1)).Any(p => p.First.All(char.IsAsciiDigit) && p.First != "0" && p.Second.Contains('/')))
        {
            parts = words;
        }

        if (parts.Length == 0 || parts.Length > holes)
        {
            return ([], new(typed, parts.Length == 0 ? "No gap was typed" : $"There are {parts.Length} gaps, and {holes} holes", expected));
        }

        var gaps = new List<Length?>();
        foreach (var part in parts)
        {
            var read = LengthReader.Read(part, bare);
            if (part != "-" && (!read.Ok || read.Value < Length.Zero || read.Value > Length.Tape(12)))
            {
                return ([], new(typed, $"'{part}' is no gap behind a plate", expected));
            }

            gaps.Add(part == "-" ? null : read.Value);
        }

        return (gaps, null);
    }
}
