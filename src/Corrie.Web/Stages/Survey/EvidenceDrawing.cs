using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Core.Survey;
using Corrie.Web.Drawing;

namespace Corrie.Web.Stages.Survey;

/// <summary>Draws what was found of the framing where it was found, what a probe has disproved struck out, and where to probe next.</summary>
public static class EvidenceDrawing
{
    private const double Lane = 15;

    /// <summary>Draws all evidence, the module's hints and the next probes.</summary>
    public static void Draw(Canvas canvas)
    {
        var (svg, frame, wall, style, framing) = (canvas.Svg, canvas.Frame, canvas.Wall, canvas.Style, canvas.Framing);
        var top = frame.Y(wall.Height);
        foreach (var expected in framing.Expected)
        {
            svg.Group("expected");
            svg.Open("title", string.Empty, [], close: false).Raw("the spacing would have a member here; nobody has looked").End("title");
            svg.Line("expected-line", frame.X(expected), top, frame.X(expected), frame.Floor);
            svg.Words("expected-mark", frame.X(expected), top + 16, "?");
            svg.End();
        }

        var untrue = framing.False.Select(f => f.Evidence.Id).ToHashSet();
        foreach (var sounding in canvas.Survey.Soundings)
        {
            One(svg, frame, wall, sounding, untrue.Contains(sounding.Evidence.Id), style);
        }

        foreach (var place in wall.FreePlaces)
        {
            svg.Group("free-place");
            frame.Rect(svg, "free-outline", place.Area);
            svg.Words("free-name", frame.X(place.Area.CentreX), frame.Y(place.Area.Top) - 4, place.Name);
            svg.End();
        }

        foreach (var cross in wall.Crosses)
        {
            var (x, y) = (frame.X(cross.X), frame.Y(cross.Y));
            svg.Group(cross.StandsFor is null ? "client-cross open" : "client-cross");
            svg.Path("cross-mark", $"M{x - 8} {y - 8} L{x + 8} {y + 8} M{x + 8} {y - 8} L{x - 8} {y + 8}");
            svg.Words("cross-name", x + 12, y + 4, cross.StandsFor is { } point ? "client: " + point.Replace('-', ' ') : "client's cross: for what?");
            svg.End();
        }

        foreach (var (pinned, n) in wall.Photos.GroupBy(p => p.Of).Select(g => (g.Key, g.Count())))
        {
            var feature = wall.Features.FirstOrDefault(f => f.Id == pinned);
            var found = canvas.Survey.Soundings.FirstOrDefault(s => "evidence/" + s.Evidence.Id == pinned);
            var (x, y) = feature is not null ? (frame.X(feature.Right) - 9, frame.Y(feature.Top) + 9)
                : found is not null ? (frame.X(found.Evidence.Axis == Axis.Across ? found.Middle : found.Evidence.Beside ?? wall.Width.Half) + 12, frame.Y(found.Evidence.Axis == Axis.Up ? found.Middle : found.Evidence.Beside ?? wall.Height.Half) - 12)
                : (frame.X(wall.Width) - 14, top + 14);
            svg.Group("photo-pin");
            svg.Open("title", string.Empty, [], close: false).Raw(n == 1 ? "1 photo" : $"{n} photos").End("title");
            svg.Rect("pin-card", x - 8, y - 7, 16, 14);
            svg.Words("pin-count", x, y + 4, n.ToString());
            svg.End();
        }

        foreach (var hole in wall.TestHoles)
        {
            svg.Circle("test-hole", frame.X(hole.X), frame.Y(hole.Y), 6);
        }
    }

    /// <summary>Where to push the bit in next.</summary>
    public static void Probes(Canvas canvas)
    {
        var (svg, frame, wall, style) = (canvas.Svg, canvas.Frame, canvas.Wall, canvas.Style);
        foreach (var (probe, i) in SurveyView.ProbesOf(canvas).Take(4).Select((p, i) => (p, i)))
        {
            var (x, y) = probe.Axis == Axis.Across
                ? (frame.X(probe.At), frame.Y(probe.Beside ?? wall.Height * 0.66))
                : (frame.X(probe.Beside ?? wall.Width.Half), frame.Y(probe.At));
            svg.Group("next-probe");
            svg.Open("title", string.Empty, [], close: false).Raw(System.Net.WebUtility.HtmlEncode("push the bit in here, " + probe.Purpose.Say(style))).End("title");
            svg.Circle("probe-ring", x, y, 9);
            svg.Line("probe-cross", x - 14, y, x + 14, y);
            svg.Line("probe-cross", x, y - 14, x, y + 14);
            // Where a box goes many probes lie close together: the tapes have their figures.
            if (wall.FreePlaces.All(p => p.Id != probe.For))
            {
                svg.Figures("probe-figure", x, y - 18 - (i % 2 * 20), probe.At.Show(style with { Denominator = 16 }));
            }

            svg.End();
        }
    }

    private static void One(Svg svg, Frame frame, Wall wall, Sounding sounding, bool untrue, LengthStyle style)
    {
        var e = sounding.Evidence;
        var level = e.Axis == Axis.Up;
        // Who said nothing of the height gets a lane under the ceiling, by method.
        var lane = frame.Y(wall.Height) + 30 + ((int)e.Method * Lane);
        double Along(Length at) => level ? frame.Y(at) : frame.X(at);
        var side = e.Beside is { } beside ? (level ? frame.X(beside) : frame.Y(beside)) : level ? frame.X(wall.Width.Half) : lane;
        var (x, y) = level ? (side, Along(sounding.Middle)) : (Along(sounding.Middle), side);

        svg.Group($"evidence {e.Kind.Word()}{(e.Struck || untrue ? " struck" : string.Empty)}{(e.OtherFace ? " through" : string.Empty)}");
        svg.Open("title", string.Empty, [], close: false).Raw(System.Net.WebUtility.HtmlEncode(
            $"{Words(e.Kind)} at {sounding.Middle.Show(style with { Denominator = 32 })} by {e.By}{(untrue ? ", disproved by a probe" : e.Struck ? ", struck out" : string.Empty)}")).End("title");
        switch (e.Kind)
        {
            case EvidenceKind.ProbeHit:
                svg.Circle("mark", x, y, 5);
                break;
            case EvidenceKind.ProbeMiss:
                svg.Circle("mark", x, y, 5);
                svg.Path("mark", $"M{x - 3.5} {y - 3.5} L{x + 3.5} {y + 3.5} M{x + 3.5} {y - 3.5} L{x - 3.5} {y + 3.5}");
                break;
            case EvidenceKind.ScannerEdges or EvidenceKind.Seen when sounding.High > sounding.Low:
                var (a, b) = (Along(sounding.Low), Along(sounding.High));
                if (level)
                {
                    svg.Path("mark", $"M{x - 7} {a} H{x + 7} M{x} {a} V{b} M{x - 7} {b} H{x + 7}");
                }
                else
                {
                    svg.Path("mark", $"M{a} {y - 7} V{y + 7} M{a} {y} H{b} M{b} {y - 7} V{y + 7}");
                }

                break;
            case EvidenceKind.Magnet:
                svg.Path("mark", $"M{x - 4.5} {y - 6} V{y + 1} A4.5 4.5 0 0 0 {x + 4.5} {y + 1} V{y - 6}");
                break;
            case EvidenceKind.Knock:
                svg.Path("mark", $"M{x - 6} {y - 5} Q{x - 2} {y} {x - 6} {y + 5} M{x} {y - 7} Q{x + 5} {y} {x} {y + 7}");
                break;
            case EvidenceKind.Live:
                svg.Path("mark", $"M{x + 3} {y - 10} L{x - 4} {y + 1} H{x + 3} L{x - 3} {y + 11}");
                break;
            default:
                svg.Path("mark", $"M{x - 5} {y - 8} L{x} {y} L{x + 5} {y - 8} M{x} {y} V{y + 8}");
                break;
        }

        if (e.Struck || untrue)
        {
            svg.Line("strike", x - 13, y + 9, x + 13, y - 9);
        }

        svg.End();
    }

    /// <summary>What a crew says.</summary>
    public static string Words(EvidenceKind kind) => kind switch
    {
        EvidenceKind.Knock => "knock",
        EvidenceKind.ScannerEdges => "scanner, both edges",
        EvidenceKind.ScannerCentre => "scanner, centre",
        EvidenceKind.Magnet => "magnet on a screw",
        EvidenceKind.ProbeHit => "bit bites",
        EvidenceKind.ProbeMiss => "bit falls through",
        EvidenceKind.Seen => "seen",
        _ => "live sign",
    };
}
