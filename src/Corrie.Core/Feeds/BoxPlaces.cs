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

/// <summary>Where a box may go: every place that is allowed, the best one, and the best one of each other window. They are looked for when somebody asks.</summary>
public sealed class BoxPlaces
{
    private readonly Lazy<FreeRegion> centres;
    private readonly Lazy<IReadOnlyList<BoxPlace>> all;

    /// <summary>Places of a box.</summary>
    /// <param name="bounds">Within which its centre has to be.</param>
    /// <param name="blocked">What takes places away.</param>
    /// <param name="aim">By what places are judged.</param>
    public BoxPlaces(Rect bounds, IReadOnlyList<Blocked> blocked, BoxAim aim)
    {
        (Bounds, Blocked) = (bounds, blocked);
        centres = new(() => FreeRegion.Of(bounds, [.. blocked.Select(b => b.Centre)]));
        all = new(() => [.. Centres.Windows.Select((w, i) => Best(w, i, aim)).OrderBy(p => Score(p.X, p.Y, aim))]);
    }

    /// <summary>Within which its centre has to be.</summary>
    public Rect Bounds { get; }

    /// <summary>What takes places away.</summary>
    public IReadOnlyList<Blocked> Blocked { get; }

    /// <summary>Where its centre may be.</summary>
    public FreeRegion Centres => centres.Value;

    /// <summary>The best place of each window, the best of all first.</summary>
    public IReadOnlyList<BoxPlace> All => all.Value;

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
    private static BoxPlace Best(FreeWindow window, int number, BoxAim aim)
    {
        (BoxPlace Place, (long, long, long, long) Score)? best = null;
        foreach (var piece in window.Pieces)
        {
            foreach (var y in aim.Low is { } low ? new[] { aim.Y, low } : [aim.Y])
            {
                Try(Within(aim.X, piece.Left, piece.Right), Within(y, piece.Bottom, piece.Top));
                if (aim.NotBetween is { } bay)
                {
                    Try(Within(bay.Left, piece.Left, piece.Right), Within(y, piece.Bottom, piece.Top));
                    Try(Within(bay.Right, piece.Left, piece.Right), Within(y, piece.Bottom, piece.Top));
                }
            }
        }

        return best!.Value.Place;

        // A place is read off a tape: to the next sixteenth that is still in the window; where none is, as it is.
        void Try(Length x, Length y)
        {
            var found = false;
            for (var across = Down(x); across < x + Sixteenth; across += Sixteenth)
            {
                for (var up = Down(y); up < y + Sixteenth; up += Sixteenth)
                {
                    if (window.Holds(across, up))
                    {
                        found = true;
                        Take(across, up);
                    }
                }
            }

            if (!found)
            {
                Take(x, y);
            }
        }

        void Take(Length x, Length y)
        {
            var score = Score(x, y, aim);
            if (best is null || score.CompareTo(best.Value.Score) < 0)
            {
                best = (new(x, y, number), score);
            }
        }
    }

    private static Length Down(Length at) => Length.FromUnits(at.Units - (((at.Units % Sixteenth.Units) + Sixteenth.Units) % Sixteenth.Units));

    private static readonly Length Sixteenth = Length.Tape(0, 1, 16);

    private static Length Within(Length value, Length from, Length to) => Length.Min(Length.Max(value, from), to);
}
