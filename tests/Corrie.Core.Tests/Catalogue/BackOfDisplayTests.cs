using Corrie.Core.Catalogue;
using Corrie.Core.Measure;

namespace Corrie.Core.Tests.Catalogue;

/// <summary>What is on a display's back is typed a line each, and shown as it was typed.</summary>
public class BackOfDisplayTests
{
    [Theory]
    [InlineData("areas", "thin glass: 0 in, 20 in, 48 in, 8 in\ninfrared eye: 23 in, 0 in, 1 in, 1/2 in")]
    [InlineData("ports", "HDMI: 6 in, 10 in, 2 in, 5 in\nInlet: left: 40 in, 8 in, 2 in, 2 in")]
    public void Lines_are_taken_and_shown_again(string member, string typed)
    {
        var shape = Display.Kind.Form.Child(member, null)!;
        var taken = shape.Take(typed, UnitSystem.Inches, out var problem);
        Assert.Null(problem);
        Assert.Equal(typed, shape.Text(taken!, LengthStyle.Inches));
        var display = (Display)Sheets.Plan(("/items/d1/product/" + member, taken)).Sheet.Item("d1")!.Product!;
        Assert.Equal(2, display.Areas.Count + display.Ports.Count);
    }

    [Theory]
    [InlineData("areas", "soft spot: 0 in, 20 in, 48 in, 8 in")]
    [InlineData("areas", "thin glass: 0 in, 20 in, 48 in")]
    [InlineData("ports", "HDMI")]
    [InlineData("ports", "HDMI: 6 in, 10 in, 0 in, 5 in")]
    public void A_line_that_is_none_is_refused(string member, string typed)
    {
        Assert.Null(Display.Kind.Form.Child(member, null)!.Take(typed, UnitSystem.Inches, out var problem));
        Assert.NotNull(problem);
    }
}
