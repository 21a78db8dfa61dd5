using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using Corrie.Core.Format;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using Corrie.Core.Survey;
using Corrie.Web.Demo;
using Corrie.Web.Forms;

namespace Corrie.Web.Tests;

/// <summary>Forms made from descriptions, and what is taken of them.</summary>
public class FormsTests
{
    private static readonly LengthStyle[] Styles = [LengthStyle.Inches, new(UnitSystem.Inches, 8), new(UnitSystem.Inches, 32), new(UnitSystem.Inches, 16, FeetInches: true), LengthStyle.Millimetres];

    public static TheoryData<string> Jobs => ["map-room", "bunkhouse-corridor", "wardens-office", "stove-lounge", "training-room", "lakeside-terrace", "boathouse"];

    private static JsonObject Document(string job) => (JsonObject)JsonNode.Parse(TarnHall.Read(job))!;

    private static SubmittedForm Send(JsonObject document, LengthStyle style, IReadOnlyList<(string, string)> fields, IReadOnlyList<string>? adds = null, IReadOnlyList<string>? removes = null, JsonObject? shown = null)
    {
        var form = new SubmittedForm(document, shown ?? document, style, id => id == "d-1" ? CatalogueCopy.Of(id, "display", (JsonObject)Pointer.Get(Document("map-room"), "/items/d1/product")!) : null, () => "k");
        form.Take(fields, adds ?? [], removes ?? []);
        return form;
    }

    /// <summary>A field never shows a rounded figure: sent back as it stands it changes nothing, in whichever units it was read.</summary>
    [Theory]
    [MemberData(nameof(Jobs))]
    public void What_a_form_shows_can_be_sent_back_without_a_change(string job)
    {
        var document = Document(job);
        foreach (var style in Styles)
        {
            var fields = new List<(string, string)>();
            void Walk(JsonNode? value, string path)
            {
                if (JobForm.At(path, document) is not { } shape)
                {
                    return;
                }

                if (FieldText.Product(shape) is not null || value is not JsonObject)
                {
                    fields.Add((path, FieldText.Of(shape, value, style)));
                }

                foreach (var (key, child) in value as JsonObject ?? [])
                {
                    Walk(child, Pointer.Join(path, key));
                }
            }

            foreach (var part in new[] { "walls", "items", "seats", "site", "crew" })
            {
                Walk(document[part], "/" + part);
            }

            Assert.True(fields.Count >= 8, $"{fields.Count} fields only");
            var form = Send(document, style, fields);
            Assert.Empty(form.Problems);
            Assert.Empty(form.Changes);
        }
    }

    /// <summary>Every field that is written is one that is taken: its name leads to a part of the sheet.</summary>
    [Theory]
    [MemberData(nameof(Jobs))]
    public void Every_field_is_named_by_a_path_that_leads_to_its_part(string job)
    {
        var document = Document(job);
        var names = 0;
        foreach (var open in new[] { string.Empty, "/walls/w1/features/f1", "/walls/w1/layers/_", "/seats/_" })
        {
            var writer = new FormWriter(new(document, LengthStyle.Inches, "in16", 1, true, "/x", string.Empty, new Dictionary<string, FieldProblem>(), _ => [], open, p => "/?open=" + p, (_, _) => [("a", "b")]));
            foreach (var part in Core.Jobs.Stages.Parts.Where(p => p.Holder != Core.Planning.Holder.Item))
            {
                var pointer = (part.Holder == Core.Planning.Holder.Wall ? "/walls/w1" : string.Empty) + (part.Name.Length == 0 ? string.Empty : "/" + part.Name);
                var html = part.Shape is IGroup ? writer.Form("f", string.Empty, (pointer, writer.MembersOf(pointer, part.Shape), string.Empty)) : writer.Form("f", string.Empty, (string.Empty, [new(part.Name, part.Shape)], string.Empty));
                foreach (Match match in Regex.Matches(html.ToString()!, " name=\"(/[^\"]+)\""))
                {
                    names++;
                    Assert.NotNull(JobForm.At(match.Groups[1].Value.Replace("/_/", "/key/", StringComparison.Ordinal), document));
                }
            }
        }

        Assert.True(names > 60, $"{names} fields only");
    }

    [Fact]
    public void What_was_changed_by_somebody_else_meanwhile_is_not_written_over_by_a_field_that_nobody_touched()
    {
        var shown = Document("wardens-office");
        var now = (JsonObject)shown.DeepClone();
        Pointer.Set(now, "/items/d1/place/height", "50 in");
        var form = Send(now, LengthStyle.Inches, [("/items/d1/place/height", "46"), ("/items/d1/place/reason", "new")], shown: shown);
        Assert.Equal(["/items/d1/place/reason"], form.Changes.Select(c => c.Path));
        // A part that somebody has taken away is missed only by who typed into it.
        Pointer.Set(now, "/items/m1", null);
        Assert.Empty(Send(now, LengthStyle.Inches, [("/items/m1/hang/reference", "centre")], shown: shown).Problems);
        Assert.Contains("not on the sheet any more", Send(now, LengthStyle.Inches, [("/items/m1/hang/armHoleLeft", "3")], shown: shown).Problems["/items/m1/hang/armHoleLeft"].Words);
    }

    [Fact]
    public void A_row_is_added_with_its_place_in_the_order_and_one_that_lacks_something_waits()
    {
        var document = Document("stove-lounge");
        var last = ((JsonObject)Pointer.Get(document, "/walls/w1/layers")!).Max(l => l.Value!["order"]!.GetValue<int>());
        var added = Send(document, LengthStyle.Inches, [("/walls/w1/layers/_/name", "render"), ("/walls/w1/layers/_/thickness", "3/8")], ["/walls/w1/layers"]);
        var change = Assert.Single(added.Changes);
        Assert.Equal(("/walls/w1/layers/lk", "render", "3/8 in", last + 1), (change.Path, change.Value!["name"]!.ToString(), change.Value["thickness"]!.ToString(), change.Value["order"]!.GetValue<int>()));
        var lacking = Send(document, LengthStyle.Inches, [("/walls/w1/layers/_/name", "render"), ("/walls/w1/layers/_/thickness", "5//8")], ["/walls/w1/layers"]);
        Assert.Empty(lacking.Changes);
        Assert.Equal("render", lacking.Problems["/walls/w1/layers/_/name"].Typed);
        Assert.Contains("below the slash", lacking.Problems["/walls/w1/layers/_/thickness"].Words);
        // Without its button a half-filled row is nobody's concern.
        Assert.Empty(Send(document, LengthStyle.Inches, [("/walls/w1/layers/_/name", "render")]).Changes);
    }

    [Fact]
    public void A_group_that_is_emptied_goes_and_one_that_lacks_something_stays_as_it_was()
    {
        var document = Document("lakeside-terrace");
        Pointer.Set(document, "/walls/w1/scan", new JsonObject { ["by"] = "Tom", ["with"] = "a scanner" });
        Assert.Equal([("/walls/w1/scan", null)], Send(document, LengthStyle.Inches, [("/walls/w1/scan/by", string.Empty), ("/walls/w1/scan/with", string.Empty)]).Changes.Select(c => (c.Path, c.Value?.ToString())));
        var half = Send(document, LengthStyle.Inches, [("/walls/w1/scan/by", string.Empty)]);
        Assert.Empty(half.Changes);
        Assert.Contains("This is missing", half.Problems["/walls/w1/scan/by"].Words);
    }

    [Fact]
    public void A_copy_of_the_catalogue_is_taken_by_its_key_and_only_of_its_kind()
    {
        var document = Document("wardens-office");
        var form = Send(document, LengthStyle.Inches, [("/items/d1/product", "d-1"), ("/items/m1/product", "d-1"), ("/items/m1/bolt", "gone")]);
        Assert.Equal("d-1", Assert.Single(form.Changes).Value!["catalogue"]!.ToString());
        Assert.Equal(["/items/m1/bolt", "/items/m1/product"], form.Problems.Keys.Order());
        Assert.Equal([("/walls/w1/features/f1", true)], Send(document, LengthStyle.Inches, [("/walls/w1/features/f1/left", "99")], removes: ["/walls/w1/features/f1"]).Changes.Select(c => (c.Path, c.Value is null)));
    }

    [Theory] // a label is the description's own words, with what holds while nothing is entered
    [InlineData("width", "Corner to corner", "")]
    [InlineData("spacing", "Nominal spacing of its members", "16")]
    [InlineData("studDepth", "Depth of a member", "3 1/2")]
    public void A_field_says_what_its_description_says(string member, string label, string usual)
    {
        var writer = new FormWriter(new([], LengthStyle.Inches, "in16", 1, true, "/x", string.Empty, new Dictionary<string, FieldProblem>(), _ => [], string.Empty, p => p, (_, _) => []));
        var field = Regex.Match(
            writer.Form("f", string.Empty, ("/walls/w1", [.. writer.MembersOf("/walls/w1", WallForm.Wall.Shape).Where(m => m.Name == member)], string.Empty)).ToString()!, "<label class=\"q.*?</label>").Value;
        Assert.Contains($"<span>{label}</span>", field);
        Assert.Equal(usual, Regex.Match(field, "placeholder=\"([^\"]*)\"").Groups[1].Value);
    }
}
