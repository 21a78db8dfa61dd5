using Corrie.Core.Masonry;
using Corrie.Core.Measure;

namespace Corrie.Core.Tests.Masonry;

/// <summary>Blocking that is turned into place, turned by hand of a loop.</summary>
public class ClosedInTests
{
    [Theory]
    [InlineData("14 1/2 in", "3 1/2 in")]
    [InlineData("14 1/2 in", "7 1/4 in")]
    [InlineData("14 1/2 in", "11 1/4 in")]
    [InlineData("22 1/2 in", "5 1/2 in")]
    [InlineData("6 in", "5 1/2 in")]
    public void A_piece_turns_between_its_members_and_a_squarer_one_does_not(string bay, string height)
    {
        var room = Sheets.In(bay).Inches / 2;
        var piece = BlockingPiece.Cut(new(Sheets.In("20 in"), Sheets.In("40 in"), Sheets.In(bay), Sheets.In(height)), Sheets.In("1 1/2 in"), [Stud(20 - 0.75), Stud(20 + (2 * room) + 0.75)]).Single();
        Assert.Equal((2 * room) - 0.125, piece.Length.Inches, 1e-9);
        Assert.True(Reach(piece.Corner.Inches) <= room + 1e-6);
        Assert.True(piece.Corner == Length.Zero || Reach(piece.Corner.Inches - 0.126) > room);

        // How far it reaches to the side while it is turned from upright to level: its outline is a rectangle, grown round by the corner's radius.
        double Reach(double corner)
        {
            var (a, b) = ((piece.Length.Inches / 2) - corner, (piece.Height.Inches / 2) - corner);
            return Enumerable.Range(0, 9001).Select(i => i * Math.PI / 18000).Max(t => (a * Math.Cos(t)) + (b * Math.Sin(t)) + corner);
        }
    }

    // A piece 1 1/2 in thick is pushed in until its end meets the back of the void, and then laid over: at every moment it has to fit between the two edges of the hatch.
    [Theory]
    [InlineData(14.375, 3.5, 0.5)]
    [InlineData(22.375, 3.5, 0.625)]
    [InlineData(14.375, 5.5, 0.5)]
    public void A_hatch_of_that_length_lets_it_in(double length, double depth, double board)
    {
        var piece = new BlockingPiece(Length.Zero, Length.FromInches(length), Length.Tape(3, 1, 2), Length.Tape(1, 1, 2), Length.Zero, 4, 4);
        // The steepest that it may still be when all of it is inside: its end at the back, its own length along.
        var steep = Math.Asin(depth / length);
        var needed = Enumerable.Range(0, 2000).Select(i => steep + ((Math.PI / 2) - steep) * i / 2000).Max(t => (1.5 / Math.Sin(t)) + (board / Math.Tan(t)));
        Assert.Equal(needed, piece.HatchFor(Length.FromInches(board), Length.FromInches(depth)).Inches, 0.01);
    }

    private static Corrie.Core.Survey.Stud Stud(double centre) => new("s", Length.FromInches(centre), Length.Tape(1, 1, 2), Corrie.Core.Survey.StudState.Confirmed, Length.Zero);
}
