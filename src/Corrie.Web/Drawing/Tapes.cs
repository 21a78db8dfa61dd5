using Corrie.Core.Measure;
using Corrie.Core.Survey;

namespace Corrie.Web.Drawing;

/// <summary>A reading that stands beside a tape.</summary>
/// <param name="Axis">Which tape.</param>
/// <param name="At">The mark's position on the wall.</param>
/// <param name="Words">What it is.</param>
/// <param name="Classes">How it looks: <c>blue</c> for centre and hook lines, <c>hole-flag</c>, or nothing.</param>
/// <param name="Follows">What it moves with while that is dragged; empty for nothing.</param>
public sealed record Reading(Axis Axis, Length At, string Words, string Classes = "", string Follows = "");

/// <summary>The two tapes with their readings and hooks.</summary>
public static class Tapes
{
    private const double Thick = 27;
    private const double FlagHeight = 25;

    /// <summary>The tape along the left edge.</summary>
    public static void Up(Svg svg, Frame frame, Length height, Datum datum, IReadOnlyList<Datum> datums, IEnumerable<Reading> readings, LengthStyle style, double reach)
    {
        var x = frame.Left - Thick - 9;
        svg.Group("tape up");
        svg.Rect("tape-body", x, frame.Y(height), Thick, frame.D(height), 2);
        var ticks = Ticks(datum, Length.Zero, height, style, frame.Scale).ToList();
        svg.Lines("tick", ticks.Select(t => (x + Thick, frame.Y(t.At), x + Thick - Math.Round(Thick * t.Size), frame.Y(t.At))));

        // Long figures stand on the ticks beside them.
        foreach (var (at, _, label) in ticks)
        {
            var y = frame.Y(at);
            if (label is { } words && y > frame.Y(height) + 9 && y < frame.Floor - 1)
            {
                svg.Words(words.Length > 3 ? "tape-figure long" : "tape-figure", x + 2, y - 2.5, words);
            }
        }

        var flags = Merge(readings);
        var places = Spread([.. flags.Select(f => frame.Y(f.At))], FlagHeight + 2, frame.Y(height) + 4, frame.Floor - 4);
        for (var i = 0; i < flags.Count; i++)
        {
            var (flag, y, at) = (flags[i], places[i], frame.Y(flags[i].At));
            Flag(svg, flag, "up", "up");
            svg.Line("throw", x + Thick, at, reach, at);
            svg.Path("leader", $"M{x - 8} {y} L{x} {at}");
            svg.Path("flag-body", $"M{x - 76} {y - (FlagHeight / 2)} H{x - 15} L{x - 8} {y} L{x - 15} {y + (FlagHeight / 2)} H{x - 76} Z");
            svg.Open("title", string.Empty, [], close: false).Raw(System.Net.WebUtility.HtmlEncode(flag.Words)).End("title");
            Figures(svg, datum, flag.At, style, x - 45, y + 6);
            svg.End();
        }

        Hook(svg, "up", datum, datums, frame.Y(datum.At), x - 3, frame);
        svg.End();
    }

    /// <summary>The tape along the foot.</summary>
    public static void Across(Svg svg, Frame frame, (Length From, Length To) stretch, Datum datum, IReadOnlyList<Datum> datums, IEnumerable<Reading> readings, LengthStyle style, double reach)
    {
        var (left, right) = (frame.X(stretch.From), frame.X(stretch.To));
        var y = frame.Floor + 9;
        svg.Group("tape across");
        svg.Rect("tape-body", left, y, right - left, Thick, 2);
        var ticks = Ticks(datum, stretch.From, stretch.To, style, frame.Scale).ToList();
        svg.Lines("tick", ticks.Select(t => (frame.X(t.At), y, frame.X(t.At), y + Math.Round(Thick * t.Size))));
        foreach (var (at, _, label) in ticks)
        {
            var x = frame.X(at);
            if (label is { } words && x < right - 24)
            {
                svg.Words("tape-figure", x + 2.5, y + Thick - 3, words);
            }
        }

        var flags = Merge(readings.Where(r => r.At >= stretch.From && r.At <= stretch.To));
        var wide = style.FeetInches ? 84 : style.System == UnitSystem.Millimetres ? 60 : 72;
        var places = Spread([.. flags.Select(f => frame.X(f.At))], wide + 2, left + 10, right - 10);
        for (var i = 0; i < flags.Count; i++)
        {
            var (flag, x, at) = (flags[i], places[i], frame.X(flags[i].At));
            Flag(svg, flag, "across", i % 2 == 1 ? "across low" : "across");
            svg.Line("throw", at, y, at, reach);
            svg.Path("leader", $"M{x} {y + Thick + 8} L{at} {y + Thick}");
            svg.Path("flag-body", $"M{x - (wide / 2)} {y + Thick + 15} L{x - 7} {y + Thick + 15} L{x} {y + Thick + 8} L{x + 7} {y + Thick + 15} H{x + (wide / 2)} V{y + Thick + 15 + FlagHeight} H{x - (wide / 2)} Z");
            svg.Open("title", string.Empty, [], close: false).Raw(System.Net.WebUtility.HtmlEncode(flag.Words)).End("title");
            Figures(svg, datum, flag.At, style, x, y + Thick + 33);
            svg.End();
        }

        // A hook off the stretch stands at its end.
        Hook(svg, "across", datum, datums, Math.Clamp(frame.X(datum.At), left, right), y + Thick + 3, frame);
        svg.End();
    }

    private static void Flag(Svg svg, Reading flag, string axis, string classes)
    {
        if (flag.Follows.Length == 0)
        {
            svg.Group($"flag {classes} {flag.Classes}");
        }
        else
        {
            svg.Group($"flag {classes} {flag.Classes}", ("data-follow", flag.Follows), ("data-axis", axis));
        }
    }

    private static void Figures(Svg svg, Datum datum, Length at, LengthStyle style, double x, double y)
    {
        var reading = datum.Read(at);
        var before = reading.Back ? (datum.Axis == Axis.Across ? "◂" : "▾") : string.Empty;
        svg.Figures("reading", x, y, reading.Distance.Show(style), before);
    }

    // Where the hook can be dropped; the page draws these places while it is dragged, by the names that the choice over the wall has for them.
    private static void Hook(Svg svg, string axis, Datum datum, IReadOnlyList<Datum> datums, double at, double beside, Frame frame)
    {
        var stops = string.Join(' ', datums.Where(d => d.Axis == datum.Axis).Select(d => $"{d.Id}={Svg.Trim(axis == "up" ? frame.Y(d.At) : frame.X(d.At))}"));
        svg.Group(
            "hook", ("id", "hook-of-" + axis), ("data-hook", axis), ("data-datum", datum.Id), ("data-stops", stops), ("tabindex", "0"), ("role", "slider"),
            ("aria-label", $"{(axis == "up" ? "Heights" : "Sideways readings")} are read from the {datum.Name}; arrow keys move the hook"),
            ("aria-valuetext", datum.Name), ("aria-valuenow", Math.Round(datum.At.Millimetres).ToString("0")));
        if (axis == "up")
        {
            svg.Rect("hook-grip", beside - 9, at - 22, Thick + 21, 44);
            svg.Path("hook-body", $"M{beside - 2} {at - 6} H{beside + Thick + 9} V{at + 5} H{beside + Thick + 4} V{at} H{beside - 2} Z");
        }
        else
        {
            svg.Rect("hook-grip", at - 22, beside - Thick - 12, 44, Thick + 21);
            svg.Path("hook-body", $"M{at + 6} {beside + 2} V{beside - Thick - 9} H{at - 5} V{beside - Thick - 4} H{at} V{beside + 2} Z");
        }

        svg.End();
    }

    private static List<Reading> Merge(IEnumerable<Reading> readings) =>
    [
        .. readings.GroupBy(r => r.At).OrderBy(g => g.Key).Select(g => g.First() with
        {
            Words = string.Join(", ", g.Select(r => r.Words).Distinct()),
            Follows = g.All(r => r.Follows == g.First().Follows) ? g.First().Follows : string.Empty,
        }),
    ];

    // Moves places apart until each has its room, as little as possible, and keeps them between two ends.
    private static double[] Spread(double[] wanted, double room, double from, double to)
    {
        var order = Enumerable.Range(0, wanted.Length).OrderBy(i => wanted[i]).ToArray();
        var places = order.Select(i => Math.Clamp(wanted[i], from, Math.Max(from, to))).ToArray();
        for (var pass = 0; pass < 60; pass++)
        {
            for (var i = 1; i < places.Length; i++)
            {
                var lack = room - (places[i] - places[i - 1]);
                if (lack > 0)
                {
                    var first = Math.Min(lack / 2, places[i - 1] - from);
                    var second = Math.Min(lack - first, Math.Max(0, to - places[i]));
                    places[i - 1] -= first;
                    places[i] += second;
                }
            }
        }

        var result = new double[wanted.Length];
        for (var i = 0; i < order.Length; i++)
        {
            result[order[i]] = places[i];
        }

        return result;
    }

    // Ticks count from the hook, both ways; the finest ones are left out where they would run together.
    private static IEnumerable<(Length At, double Size, string? Label)> Ticks(Datum datum, Length from, Length to, LengthStyle style, double scale)
    {
        var metric = style.System == UnitSystem.Millimetres;
        var unit = metric ? Length.FromMillimetres(10) : Length.Tape(1);
        var (half, whole) = metric ? (5, 10) : (6, 12);
        var pitch = unit.Inches * scale;
        var every = pitch >= 3.2 ? 1 : pitch * (half / 2d) >= 3.2 && !metric ? 3 : half;
        var room = metric && datum.Axis == Axis.Across ? 40 : 28;
        var labelEvery = whole * (pitch * whole >= room ? 1 : pitch * whole * 2 >= room ? 2 : 5);
        var first = (long)Math.Ceiling((from - datum.At) / unit);
        var last = (long)Math.Floor((to - datum.At) / unit);
        for (var n = first; n <= last; n++)
        {
            if (n % every != 0 && n % whole != 0)
            {
                continue;
            }

            var label = n % labelEvery != 0 ? null
                : metric ? (Math.Abs(n) * 10).ToString()
                : style.FeetInches ? $"{Math.Abs(n) / 12}'" : Math.Abs(n).ToString();
            yield return (datum.At + (unit * n), n % whole == 0 ? 0.62 : n % half == 0 ? 0.45 : 0.27, label);
        }
    }
}
