using Corrie.Core.Measure;
using Corrie.Web.Pages.Catalogue;
using Microsoft.AspNetCore.Http;

namespace Corrie.Web.Tests;

public class PlateRowsTests
{
    private static readonly IReadOnlyList<TypedRow> Two = [new("top", "-1/2", [new("-9", "-7"), new("0", "")]), new("", "-140 mm", [new("7", "9"), new("", "")])];

    [Theory]
    [InlineData(UnitSystem.Inches, """[{"id":"top","aboveHook":"-1/2 in","slots":[{"from":"-9 in","to":"-7 in"},{"from":"0 in","to":"0 in"}]},{"id":"row 2","aboveHook":"-140 mm","slots":[{"from":"7 in","to":"9 in"}]}]""")]
    public void Rows_are_kept_as_typed_a_round_hole_with_one_figure_and_what_is_empty_not_at_all(UnitSystem units, string expected)
    {
        var wrong = new List<string>();
        Assert.Equal(expected, Two.Take(units, (field, _) => wrong.Add(field)).ToJsonString());
        Assert.Empty(wrong);
    }

    [Fact]
    public void What_cannot_be_taken_is_said_at_its_field_and_the_rest_is_kept()
    {
        var wrong = new List<string>();
        IReadOnlyList<TypedRow> rows = [new("top", "abc", [new("-9", "-7")]), new("bottom", "-5", [new("-9", "x"), new("7", "9")])];
        Assert.Equal("""[{"id":"bottom","aboveHook":"-5 in","slots":[{"from":"7 in","to":"9 in"}]}]""", rows.Take(UnitSystem.Inches, (field, _) => wrong.Add(field)).ToJsonString());
        Assert.Equal(["row-0-aboveHook", "row-1-0-to"], wrong);
    }

    [Theory]
    [InlineData("row", "top:2 :2 row 3:1")]
    [InlineData("slot 1", "top:2 :3")]
    [InlineData("-slot 0 1", "top:1 :2")]
    [InlineData("-row 0", ":2")]
    [InlineData("-row 9", "top:2 :2")]
    [InlineData("-slot x y z", "top:2 :2")]
    [InlineData("nonsense", "top:2 :2")]
    public void Buttons_add_and_take_away_and_nonsense_does_nothing(string what, string expected) =>
        Assert.Equal(expected, string.Join(' ', Two.With(what).Select(r => $"{r.Id}:{r.Slots.Count}")));

    [Fact]
    public void A_form_is_read_as_it_was_shown()
    {
        var shown = PlateRows.Of(Two.Take(UnitSystem.Inches, (_, _) => { }), LengthStyle.Inches);
        var form = new FormCollection(shown.SelectMany((r, i) => new[] { ($"row-{i}-id", r.Id), ($"row-{i}-aboveHook", r.AboveHook) }.Concat(
            r.Slots.SelectMany((s, j) => new[] { ($"row-{i}-{j}-from", s.From), ($"row-{i}-{j}-to", s.To) }))).ToDictionary(f => f.Item1, f => new Microsoft.Extensions.Primitives.StringValues(f.Item2)));
        var read = PlateRows.Of(form);
        Assert.Equal(shown.Select(r => (r.Id, r.AboveHook)), read.Select(r => (r.Id, r.AboveHook)));
        Assert.Equal(shown.SelectMany(r => r.Slots), read.SelectMany(r => r.Slots));
    }
}
