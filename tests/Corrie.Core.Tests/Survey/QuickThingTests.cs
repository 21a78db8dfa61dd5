using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Core.Survey;

namespace Corrie.Core.Tests.Survey;

public class QuickThingTests
{
    [Theory] // a cover plate for one device is 2 3/4 by 4 1/2 in (common practice)
    [InlineData("mantel 44 to 104 @ 50 to 52 deep 8, oak mantel", "mantel 44 in|50 in|60 in|2 in|8 in|oak mantel")]
    [InlineData("Mantel 104 to 44 at 52 to 50", "mantel 44 in|50 in|60 in|2 in|0 in|")]
    [InlineData("chest 56 to 120 @ 30", "furniture 56 in|0 in|64 in|30 in|0 in|")]
    [InlineData("outlet 20 @ 12", "receptacle 18 5/8 in|9 3/4 in|2 3/4 in|4 1/2 in|0 in|")]
    [InlineData("signal plate 500mm @ 300 mm", "signal-plate 465.075 mm|242.85 mm|2 3/4 in|4 1/2 in|0 in|")]
    [InlineData("window 10..46 @ 36..84", "window 10 in|36 in|36 in|48 in|0 in|")]
    public void A_thing_is_read_with_its_edges(string typed, string expected)
    {
        var read = QuickThing.Read(typed, UnitSystem.Inches);
        Assert.True(read.Ok, read.Problem?.ToString());
        var (kind, area, depth, name) = read.Value;
        var parts = expected[(expected.IndexOf(' ') + 1)..].Split('|');
        Assert.Equal(expected[..expected.IndexOf(' ')], kind.Word());
        Assert.Equal([.. parts[..5].Select(Sheets.In)], [area.Left, area.Bottom, area.Width, area.Height, depth]);
        Assert.Equal(parts[5], name);
    }

    [Theory]
    [InlineData("", "Nothing was typed")]
    [InlineData("wormhole 3 @ 4", "'wormhole' is no thing on a wall")]
    [InlineData("outlet 20", "Its height is missing")]
    [InlineData("mantel 44 @ 50 to 52", "There is one edge only")]
    [InlineData("mantel 44 to 104 @ 50", "There is one height only")]
    [InlineData("window 10 to 46", "How high it is is missing")]
    [InlineData("shelf 100 mm to 200 mm @ 900 mm to 925,5 mm", "A comma can mean")]
    [InlineData("shelf 100 mm to 200 mm @ 900 mm to 925 mm deep 203,5", "A comma can mean")]
    [InlineData("mantel 44 to much @ 50 to 52", "much")]
    public void What_is_missing_is_said_and_what_was_typed_is_kept(string typed, string words)
    {
        var read = QuickThing.Read(typed, UnitSystem.Inches);
        Assert.False(read.Ok);
        Assert.Contains(words, read.Problem!.Understood);
        Assert.Equal(typed, read.Problem.Typed);
    }
}
