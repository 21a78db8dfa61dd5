using Corrie.Core.Measure;

namespace Corrie.Core.Survey;

/// <summary>
/// Tells in which direction a reading goes. A tape shows a distance and no sign: from the right corner one measures to the left, whoever wrote
/// it down. A value that somebody typed with a minus keeps its direction.
/// </summary>
internal static class Directions
{
    // Corners are out of plumb and tapes are read askew: what lies less than this off the wall is at its end (own rule).
    private static readonly Length Tolerance = Length.Tape(1);

    /// <summary>Whether a place is on the wall, or as good as.</summary>
    /// <param name="at">From the left corner, or over the floor.</param>
    /// <param name="size">The wall's width, or height.</param>
    /// <returns>Whether it is.</returns>
    public static bool OnWall(Length at, Length size) => at >= -Tolerance && at <= size + Tolerance;

    /// <summary>The readings of one axis, each in the direction in which it lies on the wall.</summary>
    /// <param name="readings">Each as it was told, and as the network takes it.</param>
    /// <param name="axis">The axis.</param>
    /// <param name="size">The wall's width, or height, as it was entered.</param>
    /// <param name="entered">Where somebody has put a point; null for nowhere.</param>
    /// <returns>The readings as the network takes them.</returns>
    public static IReadOnlyList<MeasuredReading> Of(
        IReadOnlyList<(MeasuredReading Told, MeasuredReading Seen)> readings, Axis axis, Length size, Func<string, Length?> entered)
    {
        var (start, end) = axis == Axis.Across ? (Datum.LeftCorner, "right-corner") : (Datum.Floor, "ceiling");
        var choices = readings.Select(r => new Choice(r.Told, r.Seen, (r.Told.Value > Length.Zero) != (r.Told.OtherFace && axis == Axis.Across))).ToList();
        var seen = readings.Select(r => r.Seen).ToArray();
        var whole = seen.FirstOrDefault(r => (r.From == start && r.To == end) || (r.From == end && r.To == start));
        var known = new Dictionary<string, Length> { [start] = Length.Zero, [end] = whole?.Value.Abs ?? size };
        if (axis == Axis.Across)
        {
            known["wall-centre"] = known[end].Half;
        }

        var waiting = Enumerable.Range(0, seen.Length).ToList();

        bool Take(int i, bool? turned)
        {
            if (turned is not { } back)
            {
                return false;
            }

            var reading = seen[i] = back ? choices[i].Turned : choices[i].Seen;
            if (known.TryGetValue(reading.From, out var from))
            {
                known.TryAdd(reading.To, from + reading.Value);
            }
            else if (known.TryGetValue(reading.To, out var to))
            {
                known.TryAdd(reading.From, to - reading.Value);
            }

            return true;
        }

        while (waiting.Count > 0)
        {
            // What the points say, then what fits one way only; what may go both ways goes as it was typed, and gives others a start.
            if (waiting.RemoveAll(i => Take(i, ByPoints(choices[i], start, end))) + waiting.RemoveAll(i => Take(i, ByPlace(choices[i], known, known[end]))) > 0)
            {
                continue;
            }

            var next = waiting.FindIndex(i => known.ContainsKey(seen[i].From) || known.ContainsKey(seen[i].To));
            if (next < 0 && waiting.SelectMany(i => new[] { seen[i].From, seen[i].To }).FirstOrDefault(p => entered(p) is not null) is { } point)
            {
                known[point] = entered(point)!.Value;
                continue;
            }

            var taken = waiting[Math.Max(0, next)];
            waiting.Remove(taken);
            Take(taken, turned: false);
        }

        return seen;
    }

    /// <summary>Whether something that was measured from a point goes the other way: as typed it would be off the wall, and the other way it is on it.</summary>
    /// <param name="from">The point.</param>
    /// <param name="value">What was measured.</param>
    /// <param name="size">The wall's width, or height.</param>
    /// <returns>Whether it does.</returns>
    public static bool Turns(Length from, Length value, Length size) => !OnWall(from + value, size) && OnWall(from - value, size);

    private static bool? ByPoints(Choice choice, string start, string end)
    {
        var (told, seen, forth) = choice;
        if (seen.From == end || seen.To == start)
        {
            return forth;
        }

        if (seen.From == start || seen.To == end)
        {
            return !forth;
        }

        // Between corners and the rest there is one way only, whatever was typed; anywhere else a minus is somebody's word.
        if (told.Value <= Length.Zero)
        {
            return false;
        }

        return seen.From.Split('/') is [var thing, var a] && seen.To.Split('/') is [var other, var b] && thing == other && thing != "studs" && Rank(a) != Rank(b)
            ? Rank(a) < Rank(b) != forth
            : null;
    }

    private static int Rank(string edge) => edge is "left" or "bottom" ? 0 : edge == "centre" ? 1 : 2;

    private static bool? ByPlace(Choice choice, Dictionary<string, Length> known, Length size)
    {
        var (typed, turned) = (choice.Seen.Value, choice.Turned.Value);
        var (hasFrom, hasTo) = (known.TryGetValue(choice.Seen.From, out var from), known.TryGetValue(choice.Seen.To, out var to));
        if (hasFrom && hasTo)
        {
            return (from + turned - to).Abs < (from + typed - to).Abs;
        }

        (typed, turned) = hasFrom ? (from + typed, from + turned) : (to - typed, to - turned);
        return !(hasFrom || hasTo) || OnWall(typed, size) == OnWall(turned, size) ? null : OnWall(turned, size);
    }

    // Forth: whether the value, as the network takes it, goes to the right or up.
    private sealed record Choice(MeasuredReading Told, MeasuredReading Seen, bool Forth)
    {
        // What a casing stands off its opening stays on its side.
        public MeasuredReading Turned => Seen with { Value = Seen.Value + (Told.Value.Abs * (Forth ? -2 : 2)) };
    }
}
