using Corrie.Core.Measure;

namespace Corrie.Core.Survey;

/// <summary>A reading as it was typed in one line.</summary>
/// <param name="From">The point that the tape is hooked on.</param>
/// <param name="To">The point that is read; <see cref="NewStud"/> for a member that is not on the sheet yet.</param>
/// <param name="Value">What the tape shows; negative to the left, or down.</param>
public readonly record struct TypedReading(string From, string To, Length Value)
{
    /// <summary>Stands for a member that the reading puts on the sheet.</summary>
    public const string NewStud = "studs/new";
}

/// <summary>
/// Reads one line such as <c>left casing -&gt; stud 14 1/2</c>: a point, an arrow, a point, a length. Points are called by any words of their
/// name that fit only one of them.
/// </summary>
public static class QuickReading
{
    private const string Expected = "a point, an arrow, a point and a length, such as left corner -> new stud 14 1/2";
    private static readonly string[] Arrows = ["->", "→", "=>", " to "];
    private static readonly char[] Spaces = [' ', '\t', ','];

    /// <summary>Reads a line.</summary>
    /// <param name="typed">What was typed.</param>
    /// <param name="wall">The wall, whose points can be named.</param>
    /// <param name="bare">The unit of a number without one.</param>
    /// <returns>The reading, or what was understood and what is expected.</returns>
    public static ReadResult<TypedReading> Read(string? typed, Wall wall, UnitSystem bare)
    {
        typed ??= string.Empty;
        var arrow = Arrows.FirstOrDefault(a => typed.Contains(a, StringComparison.OrdinalIgnoreCase));
        if (arrow is null)
        {
            return new ReadProblem(typed, typed.Trim().Length == 0 ? "Nothing was typed" : "There is no arrow in it", Expected);
        }

        var cut = typed.IndexOf(arrow, StringComparison.OrdinalIgnoreCase);
        var (from, rest) = (typed[..cut].Trim(), typed[(cut + arrow.Length)..].Trim());
        var points = Points(wall);
        if (Find(from, points, typed, out var start) is { } noStart)
        {
            return noStart;
        }

        // The length is the longest tail that reads as one, and what stands before it still has to be a name.
        ReadProblem? problem = null;
        for (var at = 0; at < rest.Length; at++)
        {
            if (at > 0 && rest[at - 1] is not (' ' or '=' or ':'))
            {
                continue;
            }

            var length = LengthReader.Read(rest[at..], bare, directed: true);
            if (!length.Ok)
            {
                problem = char.IsAsciiDigit(rest[at]) || rest[at] is '-' or '+' ? problem ?? length.Problem : problem;
                continue;
            }

            if (Find(rest[..at].Trim(' ', '=', ':'), points, typed, out var end) is { } noEnd)
            {
                problem ??= noEnd;
                continue;
            }

            return new TypedReading(start, end, length.Value);
        }

        return new ReadProblem(typed, problem?.Understood ?? "There is no length at its end", problem?.Expected ?? Expected);
    }

    /// <summary>Finds the point that words name.</summary>
    /// <param name="words">The words, such as <c>left edge of the window</c>.</param>
    /// <param name="wall">The wall.</param>
    /// <param name="typed">The whole line, for the message.</param>
    /// <param name="point">The point; empty where the words name none.</param>
    /// <returns>What is wrong with the words, or null.</returns>
    public static ReadProblem? Point(string words, Wall wall, string typed, out string point) => Find(words, Points(wall), typed, out point);

    private static List<(string Point, string Name)> Points(Wall wall) =>
    [
        .. Datum.Of(wall).Select(d => (d.Id, d.Name)),
        // A stud has a place and no name; its key serves those who read the file.
        .. wall.Studs.Select(s => ("studs/" + s.Id, $"stud at {LengthText.Exact(s.Centre, UnitSystem.Inches)} or {LengthText.Exact(s.Centre, UnitSystem.Millimetres)}")),
        .. wall.Studs.Select(s => ("studs/" + s.Id, "stud " + s.Id)),
        .. wall.Unplaced.Select(s => ("studs/" + s.Id, "stud " + s.Id)),
        (TypedReading.NewStud, "new stud"),
        // A thing without its edge is understood, so that the sheet can ask for it.
        .. wall.Features.Select(f => (f.Id, f.Name)),
    ];

    private static ReadProblem? Find(string words, List<(string Point, string Name)> points, string typed, out string point)
    {
        var wanted = words.ToLowerInvariant().Replace("casing", "window", StringComparison.Ordinal).Split(Spaces, StringSplitOptions.RemoveEmptyEntries);
        var named = points.Where(p => string.Equals(p.Name, words, StringComparison.OrdinalIgnoreCase) || p.Point == words).ToList();
        var fitting = named.Count > 0 ? named
            : wanted.Length == 0 ? []
            : points.Where(p => wanted.All(w => p.Name.ToLowerInvariant().Split(Spaces).Contains(w))).ToList();
        fitting = [.. fitting.DistinctBy(p => p.Point)];
        if (fitting.Count > 1 && wanted is ["stud"])
        {
            fitting = [.. fitting.Where(p => p.Point == TypedReading.NewStud)];
        }

        point = fitting.Count == 1 ? fitting[0].Point : string.Empty;
        return fitting.Count switch
        {
            1 => null,
            0 => new(typed, words.Length == 0 ? "A point has no name" : $"Nothing on the wall is called '{words}'", $"one of {string.Join(", ", points.Take(6).Select(p => p.Name))}, and so on"),
            _ => new(typed, $"'{words}' fits {fitting.Count} points", $"more words: {string.Join(", ", fitting.Take(5).Select(p => p.Name))}"),
        };
    }
}
