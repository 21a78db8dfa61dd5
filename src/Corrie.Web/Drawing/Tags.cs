using Corrie.Core.Findings;
using Corrie.Core.Survey;

namespace Corrie.Web.Drawing;

/// <summary>Ties the tags of stops and cautions to their places on the wall.</summary>
public static class Tags
{
    private const double Height = 22;
    private const double Beside = 34;
    private const int Step = 6;
    private const int Farthest = 240;

    /// <summary>Name of a finding's element in the list, to which its tag leads.</summary>
    /// <param name="finding">The finding.</param>
    public static string IdOf(Finding finding) => $"x-{finding.Code.Replace('.', '-')}-{finding.Where.Part.Replace('/', '-')}";

    /// <summary>Draws a tag for each place, with the gravest finding there and how many more there are.</summary>
    public static void Draw(Canvas canvas)
    {
        var (svg, frame, wall) = (canvas.Svg, canvas.Frame, canvas.Wall);
        var groups = canvas.Plan.Findings
            .Where(f => !canvas.Look.Settled && f.Where.Wall == canvas.Look.Wall && f.Severity <= Severity.Caution && (!canvas.Look.Surveying || f.Kind.Stage == SurveyFindings.Stage) && f.Where is { X: not null, Y: not null })
            .GroupBy(f => (f.Where.X!.Value, f.Where.Y!.Value, f.Code))
            .Select(g => (Finding: g.First(), X: frame.X(g.Key.Item1), Y: frame.Y(g.Key.Item2)))
            .OrderBy(t => t.Y)
            .ToList();
        foreach (var (finding, x, y) in groups)
        {
            if (!Says(canvas, finding))
            {
                // What is not looked at would hide it: a dot says that something is the matter there.
                svg.Group($"tag {(finding.Stops ? "stop" : "caution")}", ("data-code", finding.Code), ("data-finding", IdOf(finding)));
                svg.Open("title", string.Empty, [], close: false).Raw(System.Net.WebUtility.HtmlEncode(finding.Kind.Title)).End("title");
                svg.Circle("tie", x, y, 4);
                svg.End();
                continue;
            }

            var words = finding.Kind.Title;
            var width = 20 + (words.Length * 6.9);
            var (left, at, toLeft) = Place(canvas, x, y, width);
            canvas.Keep(left + (width / 2), at + (Height / 2), width, Height + 3);
            var near = toLeft ? left + width : left;
            svg.Group($"tag {(finding.Stops ? "stop" : "caution")}", ("data-code", finding.Code), ("data-finding", IdOf(finding)));
            svg.Circle("tie", x, y, 3);
            svg.Line("string", x, y, near, at + (Height / 2));
            var tip = toLeft ? near + 7 : near - 7;
            svg.Path("tag-body", $"M{tip} {at + (Height / 2)} L{near} {at} H{(toLeft ? left : left + width)} V{at + Height} H{near} Z");
            svg.Words("tag-words", left + (width / 2), at + 15.5, words);
            svg.End();
        }
    }

    // Beside its place, right of it where the wall has room and else left, as near to its height as other words and tags allow.
    private static (double Left, double Top, bool ToLeft) Place(Canvas canvas, double x, double y, double width)
    {
        var edge = canvas.Frame.X(canvas.Wall.Width);
        for (var away = 0; away <= Farthest; away += Step)
        {
            foreach (var up in away == 0 ? [0] : new[] { away, -away })
            {
                foreach (var toLeft in x + Beside + width > edge ? [true] : new[] { false, true })
                {
                    var (left, top) = (toLeft ? x - Beside - width : x + Beside, y - (Height / 2) + up);
                    if (left >= 0 && canvas.IsFree(left, top, width, Height))
                    {
                        return (left, top, toLeft);
                    }
                }
            }
        }

        return (x + Beside, y - (Height / 2), false);
    }

    // With several things on a wall only what is looked at has its findings in words; on paper they are listed.
    private static bool Says(Canvas canvas, Finding finding)
    {
        var owner = canvas.Plan.Sheet.Item(finding.Where.Part.Split('/')[0]);
        return owner is null || (canvas.Look.Apart ? canvas.Things.Count(t => t.Kind.IsPlaced) <= 1 : canvas.IsShown(owner.Id));
    }
}
