using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Core.Masonry;

/// <summary>What was found in a former opening that was closed with board.</summary>
/// <param name="Hatch">The inspection hatch, where it will not show; null where none is planned.</param>
/// <param name="Void">How deep it is behind the board; null where nobody has measured.</param>
/// <param name="By">Who has looked in with a camera; empty where nobody has. The members that were seen are among the wall's studs.</param>
/// <param name="Here">Where it stands in the document.</param>
public sealed record ClosedIn(Rect? Hatch, Length? Void, string By, Place Here)
{
    private static readonly GroupShape<Rect> HatchForm = new("the inspection hatch", m => new Rect(
        m.Length("left", "its left edge from the left corner", LengthRange.Along),
        m.Length("bottom", "its bottom over the floor", LengthRange.Along),
        m.Length("width", "its width", LengthRange.Size),
        m.Length("height", "its height", LengthRange.Size)));

    /// <summary>What was found in a wall's closed opening.</summary>
    public static Part<ClosedIn> Part { get; } = new(Holder.Wall, "closedIn", new GroupShape<ClosedIn>("what is in the closed opening", m => new ClosedIn(
        m.Maybe("hatch", HatchForm), m.MaybeLength("void", "how deep it is behind the board", LengthRange.Size), m.Text("by", "who has looked in with a camera", 80), m.Here)));
}

/// <summary>A piece of blocking, as it is cut.</summary>
/// <param name="Left">The member on its left, its inner face from the left corner.</param>
/// <param name="Length">Its length: from member to member, less what lets it turn.</param>
/// <param name="Height">Its height on the wall.</param>
/// <param name="Thickness">Its thickness.</param>
/// <param name="Corner">Radius to which its corners are rounded so that it turns into place; zero where it turns square.</param>
/// <param name="FaceScrews">Screws through the board from the front.</param>
/// <param name="AngleScrews">Screws at an angle into the members.</param>
public sealed record BlockingPiece(Length Left, Length Length, Length Height, Length Thickness, Length Corner, int FaceScrews, int AngleScrews)
{
    /// <summary>Length of a screw at an angle into a member (common practice).</summary>
    public static readonly Length AngleScrew = Measure.Length.Tape(3);

    /// <summary>Length of a screw from the front: through the board and two thirds of the piece, 1 1/2 in at the most (common practice).</summary>
    /// <param name="board">Thickness of the board before it.</param>
    /// <returns>The length, down to the next quarter inch.</returns>
    public Length FaceScrew(Length board) => Measure.Length.Tape(1, 0, 1) * 0.25 * (long)((board + Measure.Length.Min(Measure.Length.Tape(1, 1, 2), Thickness * (2.0 / 3))).Inches * 4);

    /// <summary>What is left at each end so that it goes in: a saw's breadth (own rule).</summary>
    public static readonly Length Play = Measure.Length.Tape(0, 1, 16);

    // Two at each end hold it while the plate's bolts are drilled (common practice).
    private const int AtEachEnd = 2;

    /// <summary>Cuts the pieces of a backing.</summary>
    /// <param name="outline">Its outline on the wall.</param>
    /// <param name="thickness">Its thickness.</param>
    /// <param name="members">The members that it stands between.</param>
    /// <returns>The pieces, from the left.</returns>
    public static IReadOnlyList<BlockingPiece> Cut(Rect outline, Length thickness, IEnumerable<Stud> members)
    {
        var between = members.Where(s => s.Right >= outline.Left && s.Left <= outline.Right).OrderBy(s => s.Centre).ToList();
        var pieces = new List<BlockingPiece>();
        for (var i = 0; i + 1 < between.Count; i++)
        {
            var bay = between[i + 1].Left - between[i].Right;
            if (bay > Play * 4)
            {
                var length = bay - (Play * 2);
                pieces.Add(new(between[i].Right, length, outline.Height, thickness, Rounding(length, outline.Height, Play), 2 * AtEachEnd, 2 * AtEachEnd));
            }
        }

        return pieces;
    }

    /// <summary>
    /// To what radius a board's corners are rounded so that it turns from upright to level between two members: turned about its middle a corner's circle, <c>√((L/2 - r)² + (h/2 - r)²) + r</c>
    /// from there, stays within half the bay, <c>L/2 + play</c> (own geometry).
    /// </summary>
    /// <param name="length">Its length.</param>
    /// <param name="height">Its height, no more than its length.</param>
    /// <param name="play">What is left at each end.</param>
    /// <returns>The radius, up to the next 1/8 in; zero where it turns square, half its height at the most.</returns>
    public static Length Rounding(Length length, Length height, Length play)
    {
        var (a, b, c) = (length.Inches / 2, height.Inches / 2, play.Inches);
        var radius = b - c - Math.Sqrt(Math.Max(0, 2 * c * (a - b + c)));
        return radius <= 0 ? Measure.Length.Zero : Measure.Length.Min(height.Half, Measure.Length.Tape((long)Math.Ceiling((radius * 8) - 1e-9), 0, 1) * 0.125);
    }

    /// <summary>
    /// How long a hatch has to be for a piece to go in lengthwise and be laid flat behind the board: at the angle at which its far end meets the void's back, <c>t / sin + w / tan</c> (own geometry).
    /// </summary>
    /// <param name="board">Thickness of the board that the hatch is in.</param>
    /// <param name="depth">Depth of the void.</param>
    /// <returns>The length of the hatch along the piece.</returns>
    public Length HatchFor(Length board, Length depth)
    {
        if (Length <= depth)
        {
            return Thickness;
        }

        var sine = depth.Inches / Length.Inches;
        return Measure.Length.FromInches((Thickness.Inches / sine) + (board.Inches * Math.Sqrt(1 - (sine * sine)) / sine));
    }
}
