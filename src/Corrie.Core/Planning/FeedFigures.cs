using Corrie.Core.Format;
using Corrie.Core.Measure;

namespace Corrie.Core.Planning;

/// <summary>What one way of getting past something takes.</summary>
/// <param name="Minutes">Minutes of work, the closing up included.</param>
/// <param name="Material">What is used up, in the company's money.</param>
public readonly record struct Effort(double Minutes, double Material);

/// <summary>
/// What it costs to bring a cable through or along a wall: minutes and money for each move, in the company's own figures. Those that Corrie comes
/// with are its own guesses at common practice; they decide between ways and are no quote.
/// </summary>
/// <param name="Hour">What an hour costs, in the company's money.</param>
/// <param name="AlongBay">Pulling a foot along a bay.</param>
/// <param name="Stud">A hole through a stud, the board opened and patched.</param>
/// <param name="Noggin">A hole through a noggin, opened, patched and sealed.</param>
/// <param name="TopPlate">A hole through the top plate, from the attic.</param>
/// <param name="BottomPlate">A hole through the bottom plate, from the basement.</param>
/// <param name="Attic">Getting into the attic and out again.</param>
/// <param name="Basement">Getting to the place in the basement.</param>
/// <param name="AlongOpen">Running a foot in attic or basement.</param>
/// <param name="Surface">Running a foot of raceway along an edge.</param>
/// <param name="Corner">A corner of a raceway.</param>
/// <param name="Seen">How many times as dear a raceway counts where it runs over the open wall, and not along an edge: people look at it.</param>
/// <param name="Apart">How far power and signal keep apart.</param>
/// <param name="InsideDisplay">How far inside a display's outline a box behind it stays.</param>
/// <param name="Loop">Service loop at each end of a cable.</param>
/// <param name="Spare">Share of a cable's length that is added, such as 0.1.</param>
public sealed record FeedFigures(
    double Hour, Effort AlongBay, Effort Stud, Effort Noggin, Effort TopPlate, Effort BottomPlate, Effort Attic, Effort Basement, Effort AlongOpen, Effort Surface, Effort Corner, double Seen,
    Length Apart, Length InsideDisplay, Length Loop, double Spare)
{
    /// <summary>The figures that Corrie comes with.</summary>
    public static FeedFigures Usual { get; } = new(
        80, new(0.5, 0), new(45, 6), new(60, 9), new(25, 4), new(20, 4), new(20, 0), new(10, 0), new(0.5, 0), new(3, 2.5), new(5, 3), 3, Length.Tape(2), Length.Tape(2), Length.Tape(12), 0.1);

    /// <summary>What a move costs, time and material together.</summary>
    /// <param name="effort">What it takes.</param>
    /// <returns>The cost, in the company's money.</returns>
    public double Cost(Effort effort) => (effort.Minutes / 60 * Hour) + effort.Material;

    /// <summary>Asks for the figures among the company's own.</summary>
    /// <param name="m">The company's figures.</param>
    /// <returns>The figures.</returns>
    internal static FeedFigures Read(Members m)
    {
        Effort Minutes(string name, string says, Effort usual) => usual with { Minutes = m.Or(name, new NumberShape($"minutes for {says}", 0, 1000), usual.Minutes) };
        return Usual with
        {
            Hour = m.Or("hour", new NumberShape("what an hour costs, in the company's money", 0, 10_000), Usual.Hour),
            AlongBay = Minutes("feedBay", "pulling a cable a foot along a bay", Usual.AlongBay),
            Stud = Minutes("feedStud", "a hole through a stud, board opened and patched", Usual.Stud),
            Noggin = Minutes("feedNoggin", "a hole through a noggin, board opened and patched, sealed", Usual.Noggin),
            TopPlate = Minutes("feedTopPlate", "a hole through the top plate, from the attic", Usual.TopPlate),
            BottomPlate = Minutes("feedBottomPlate", "a hole through the bottom plate, from the basement", Usual.BottomPlate),
            Attic = Minutes("feedAttic", "getting into an attic and out again", Usual.Attic),
            Basement = Minutes("feedBasement", "getting to the place in a basement", Usual.Basement),
            AlongOpen = Minutes("feedOpen", "running a cable a foot in attic or basement", Usual.AlongOpen),
            Surface = Minutes("feedSurface", "a foot of raceway", Usual.Surface),
            Corner = Minutes("feedCorner", "a corner of a raceway", Usual.Corner),
            Seen = m.Or("feedSeen", new NumberShape("how many times as dear a raceway over the open wall counts", 1, 100), Usual.Seen),
            Apart = m.Length("feedApart", "how far power and signal keep apart", new(Length.Tape(2), Length.Tape(24)), Usual.Apart),
            InsideDisplay = m.Length("feedInside", "how far inside a display's outline a box behind it stays", LengthRange.Distance, Usual.InsideDisplay),
            Loop = m.Length("feedLoop", "service loop at each end of a cable", LengthRange.Distance, Usual.Loop),
            Spare = m.Or("feedSpare", new NumberShape("share of a cable's length that is added", 0, 1), Usual.Spare),
        };
    }
}
