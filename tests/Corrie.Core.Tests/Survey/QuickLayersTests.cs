using Corrie.Core.Measure;
using Corrie.Core.Survey;

namespace Corrie.Core.Tests.Survey;

public class QuickLayersTests
{
    [Theory]
    [InlineData("gypsum board 1/2, void 3/4", "gypsum board=1/2 in;void=3/4 in")]
    [InlineData("plaster 5/8,wood lath 3/8 , void 2", "plaster=5/8 in;wood lath=3/8 in;void=2 in")]
    [InlineData("render 15 mm, block 100mm", "render=15 mm;block=100 mm")]
    [InlineData("board ½", "board=1/2 in")]
    [InlineData("board 1/2,", "board=1/2 in")]
    public void Layers_are_read_from_the_room_inwards(string typed, string layers)
    {
        var (read, problem) = QuickLayers.Read(typed, UnitSystem.Inches);
        Assert.Null(problem);
        Assert.Equal(layers.Split(';').Select(l => l.Split('=')).Select(l => new TypedLayer(l[0], Sheets.In(l[1]))), read);
    }

    [Theory]
    [InlineData("", "No layer was typed")]
    [InlineData(" , ", "No layer was typed")]
    [InlineData("plaster 5/8, lath", "'lath' is no layer with its thickness")]
    [InlineData("1/2", "'1/2' is no layer with its thickness")]
    [InlineData("board 5//8", "'board 5//8' is no layer")]
    [InlineData(null, "No layer was typed")]
    public void What_is_no_layer_is_said_and_kept(string? typed, string words)
    {
        var (read, problem) = QuickLayers.Read(typed, UnitSystem.Inches);
        Assert.Empty(read);
        Assert.Contains(words, problem!.Understood);
        Assert.Equal(typed ?? string.Empty, problem.Typed);
        Assert.Contains("gypsum board 1/2, void 3/4", problem.Expected);
    }
}
