using Corrie.Core.Catalogue;
using Corrie.Core.Measure;

namespace Corrie.Core.Tests.Reference;

/// <summary>Sizes of 16:9 pictures and their fields of view (SMPTE EG 18 for the 30 degrees); values from memory.</summary>
public class DisplaySizesTests
{
    [Theory]
    [InlineData(55, 47.94, 26.96)]
    [InlineData(65, 56.65, 31.87)]
    [InlineData(77, 67.11, 37.75)]
    [InlineData(85, 74.08, 41.67)]
    [InlineData(100, 87.16, 49.03)]
    public void Width_and_height_follow_from_the_diagonal(int diagonal, double width, double height)
    {
        var size = PictureSize.OfDiagonal(Length.Tape(diagonal), AspectRatio.Of("16:9"));
        Assert.Equal(width, size.Width.Inches, 2);
        Assert.Equal(height, size.Height.Inches, 2);
    }

    [Theory]
    [InlineData("55 in", "89.5 in", 30)]
    [InlineData("55 in", "73.8 in", 36)]
    [InlineData("55 in", "65.9 in", 40)]
    [InlineData("65 in", "105.7 in", 30)]
    [InlineData("65 in", "87.2 in", 36)]
    [InlineData("65 in", "77.8 in", 40)]
    public void A_picture_fills_its_field_at_its_distance(string diagonal, string distance, double degrees)
    {
        var plan = Sheets.Plan(("/items/d1/product/diagonal", diagonal), ("/seats/v/distance", distance));
        Assert.Equal(degrees, plan.Placed.Views[0].Field.Degrees, 0.05);
    }
}
