using Corrie.Core.Catalogue;
using Corrie.Core.Measure;
using Corrie.Core.Planning;

namespace Corrie.Core.Feeds;

/// <summary>What takes a place away from a box.</summary>
public enum BlockedBy
{
    /// <summary>A stud or another upright member.</summary>
    Member,

    /// <summary>A noggin or another level member.</summary>
    Crossing,

    /// <summary>A member that its wings would meet; its opening would be clear.</summary>
    Wings,

    /// <summary>Wall plate, backing or an arm.</summary>
    Plate,

    /// <summary>A port of the display, with its plug.</summary>
    Port,

    /// <summary>What lies in the wall, or hangs on it.</summary>
    Kept,

    /// <summary>Another box.</summary>
    Box,
}

/// <summary>A place that the centre of a box cannot have.</summary>
/// <param name="By">What takes it.</param>
/// <param name="What">Its name.</param>
/// <param name="Area">Where that is.</param>
/// <param name="Centre">Where the box's centre may therefore not be; its edges are allowed.</param>
public sealed record Blocked(BlockedBy By, string What, Rect Area, Rect Centre);

/// <summary>By what a place for a box is judged, beside being allowed.</summary>
/// <param name="X">Where it should be, from the left corner: at its ports, over what stands there.</param>
/// <param name="Y">Where it should be, over the floor.</param>
/// <param name="Low">Below this its cables droop into sight; null where that does not matter.</param>
/// <param name="LevelFirst">Whether being at that height comes before everything else: a plate in line with the others.</param>
/// <param name="NotBetween">A bay that is to be kept free of it: that of the mains box.</param>
public sealed record BoxAim(Length X, Length Y, Length? Low, bool LevelFirst, (Length Left, Length Right)? NotBetween);

/// <summary>A place for a box.</summary>
/// <param name="X">Its centre from the left corner.</param>
/// <param name="Y">Its centre over the floor.</param>
/// <param name="Window">The window that it is in, counted from 0.</param>
public readonly record struct BoxPlace(Length X, Length Y, int Window);

/// <summary>Where a box may go: every place that is allowed, the best one, and the best one of each other window.</summary>
/// <param name="Centres">Where its centre may be.</param>
/// <param name="Blocked">What takes the rest away.</param>
/// <param name="Bounds">Within which its centre has to be.</param>
/// <param name="Places">The best place of each window, the best of all first.</param>
public sealed record BoxPlaces(FreeRegion Centres, Same<Blocked> Blocked, Rect Bounds, Same<BoxPlace> Places)
{
    /// <summary>Finds them.</summary>
    /// <param name="bounds">Within which the centre has to be.</param>
    /// <param name="blocked">What takes places away.</param>
    /// <param name="aim">By what places are judged.</param>
    /// <returns>The places.</returns>
    public static BoxPlaces Of(Rect bounds, IReadOnlyList<Blocked> blocked, BoxAim aim)
    {
        var region = FreeRegion.Of(bounds, [.. blocked.Select(b => b.Centre)]);
        var places = region.Windows.Select((w, i) => Candidates(w, aim).SelectMany(p => OnTape(w, p.X, p.Y)).Select(p => new BoxPlace(p.X, p.Y, i)).MinBy(p => Score(p.X, p.Y, aim))).OrderBy(p => Score(p.X, p.Y, aim));
        return new(region, new(blocked), bounds, new([.. places]));
    }

    /// <summary>
    /// How a place is judged, the smaller the better, in this order. For a box behind a display: not so low that cables droop; near to its ports,
    /// across and up together; high; to the left. For one at the other end: in line with the old plates; not in the bay of the mains box; near to
    /// what it is over; high; to the left.
    /// </summary>
    /// <param name="x">Its centre from the left corner.</param>
    /// <param name="y">Its centre over the floor.</param>
    /// <param name="aim">By what it is judged.</param>
    /// <returns>Figures that are compared one after the other.</returns>
    public static (long First, long Second, long Third, long Fourth) Score(Length x, Length y, BoxAim aim)
    {
        var (across, up) = ((x - aim.X).Abs.Units, (y - aim.Y).Abs.Units);
        var beside = aim.NotBetween is { } bay && x > bay.Left && x < bay.Right ? 1 : 0;
        return aim.LevelFirst ? (up, beside, across, -y.Units) : ((aim.Low is { } low && y < low ? 1 : 0) + (beside * 2), across + up, -y.Units, x.Units);
    }

    // In a rectangle the nearest point to the aim is the aim itself, drawn in; beside that only the height from which nothing droops matters.
    private static IEnumerable<(Length X, Length Y)> Candidates(FreeWindow window, BoxAim aim)
    {
        foreach (var piece in window.Pieces)
        {
            var x = Within(aim.X, piece.Left, piece.Right);
            foreach (var y in aim.Low is { } low ? new[] { aim.Y, low } : [aim.Y])
            {
                yield return (x, Within(y, piece.Bottom, piece.Top));
                if (aim.NotBetween is { } bay)
                {
                    yield return (Within(bay.Left, piece.Left, piece.Right), Within(y, piece.Bottom, piece.Top));
                    yield return (Within(bay.Right, piece.Left, piece.Right), Within(y, piece.Bottom, piece.Top));
                }
            }
        }
    }

    // A place is read off a tape: to the next sixteenth that is still in the window; where none is, as it is.
    private static IEnumerable<(Length X, Length Y)> OnTape(FreeWindow window, Length x, Length y)
    {
        var found = (from across in Sixteenths(x) from up in Sixteenths(y) where window.Holds(across, up) select (across, up)).ToList();
        return found.Count > 0 ? found : [(x, y)];
    }

    private static IEnumerable<Length> Sixteenths(Length at)
    {
        var low = Length.FromUnits(at.Units - (((at.Units % Sixteenth.Units) + Sixteenth.Units) % Sixteenth.Units));
        return low == at ? [at] : [low, low + Sixteenth];
    }

    private static readonly Length Sixteenth = Length.Tape(0, 1, 16);

    private static Length Within(Length value, Length from, Length to) => Length.Min(Length.Max(value, from), to);
}
