using Corrie.Core.Measure;
using Corrie.Core.Survey;
using Corrie.Web.Drawing;

namespace Corrie.Web.Stages.Survey;

/// <summary>Draws what was measured as dimension lines; the one that is off has its residual in figures.</summary>
public static class Dimensions
{
    private const double Line = 17;
    private const int Most = 9;

    /// <summary>Draws the sideways readings, the ones that are off first.</summary>
    public static void Draw(Canvas canvas)
    {
        var (svg, frame, wall, style, survey) = (canvas.Svg, canvas.Frame, canvas.Wall, canvas.Style, canvas.Survey);
        var positions = canvas.Tapes.Datums.Where(d => d.Axis == Axis.Across).ToDictionary(d => d.Id, d => d.At);
        foreach (var stud in canvas.Studs)
        {
            positions["studs/" + stud.Id] = stud.Centre;
        }

        Length? At(MeasuredReading r, string point) =>
            Faces.Resolve(wall, point, r.OtherFace) is { } end && positions.TryGetValue(end.Point, out var at) ? at + end.Offset : null;

        var at = frame.Floor - 14;
        var corners = new List<(string Loop, string Point, double X, double Y)>();
        foreach (var r in survey.Across.Readings.OrderByDescending(r => Math.Abs(r.Normalised)).Take(Most))
        {
            if (At(r.Reading, r.Reading.From) is not { } from || At(r.Reading, r.Reading.To) is not { } to)
            {
                continue;
            }

            var (x1, x2) = (frame.X(Length.Min(from, to)), frame.X(Length.Max(from, to)));
            var off = survey.Across.Suspect(r.Reading);
            svg.Group($"dimension{(off ? " off" : string.Empty)}{(r.Reading.OtherFace ? " through" : string.Empty)}");
            svg.Line("dim-line", x1, at, x2, at);
            svg.Path("dim-end", $"M{x1} {at - 5}v10M{x2} {at - 5}v10");
            svg.Figures("dim-figure", (x1 + x2) / 2, at - 3, r.Reading.Value.Abs.Show(style), after: off ? $" off {LengthText.Fine(r.Residual.Abs, style)}" : string.Empty);
            svg.End();
            if (survey.Across.Readings.FirstOrDefault(o => o.Suspects.Count > 1 && o.Suspects.Contains(r.Reading)) is { } loop)
            {
                corners.Add((loop.Reading.Id, r.Reading.From, frame.X(from), at));
                corners.Add((loop.Reading.Id, r.Reading.To, frame.X(to), at));
            }

            at -= Line;
        }

        // The readings of a loop hang together at their ends: what does not close is seen as a ring.
        foreach (var corner in corners.GroupBy(c => (c.Loop, c.Point)).Where(g => g.Count() > 1))
        {
            svg.Line("loop-tie", corner.First().X, corner.Min(c => c.Y), corner.Last().X, corner.Max(c => c.Y));
        }
    }
}
