using System.Text;
using System.Text.Json.Nodes;
using Corrie.Core.Catalogue;
using Corrie.Core.Measure;
using Corrie.Data;
using Corrie.Web.Demo;
using Corrie.Web.Jobs;

namespace Corrie.Web.Tests;

/// <summary>Tables as suppliers, spreadsheets and people make them. Each is read or refused line by line, with the line and the column; none is guessed.</summary>
public class CatalogueCsvTests
{
    private const string Head = "name,diagonal,width,height,depth,mass,vesaWidth,vesaHeight,vesaCentreUp";
    private const string Good = "a display,55 in,48 1/2 in,28 in,2 in,40 lb,300 mm,200 mm,14 in";

    private static readonly IReadOnlyList<CatalogueItem> Demo =
        [.. ((JsonArray)JsonNode.Parse(TarnHall.Read("catalogue"))!).Select(i => new CatalogueItem(i!["id"]!.ToString(), i["kind"]!.ToString(), i["document"]!["name"]!.ToString(), (JsonObject)i["document"]!.DeepClone(), 1, "olive", DateTimeOffset.UnixEpoch))];

    // What a file is called here, the file, and what has to come of its lines: new, changed, same, or refused with a line and words.
    public static TheoryData<string, string, string> Files => new()
    {
        { "as it should be", $"{Head}\n{Good}\n", "new" },
        { "Windows line ends and none at the last", $"{Head}\r\n{Good}", "new" },
        { "old line ends", $"{Head}\r{Good}\r", "new" },
        { "semicolons", $"{Head};x\n{Good};\n".Replace(',', ';'), "new" },
        { "tabs", $"{Head}\n{Good}\n".Replace(',', '\t'), "new" },
        { "upright strokes", $"{Head}\n{Good}\n".Replace(',', '|'), "new" },
        { "a line that says the separator", $"sep=;\n{Head}\n{Good}\n".Replace(',', ';'), "new" },
        { "a mark at its beginning", $"\uFEFF{Head}\n{Good}\n", "new" },
        { "blank lines between", $"\n{Head}\n\n\n{Good}\n\n", "new" },
        { "everything in quotation marks", $"\"{Head.Replace(",", "\",\"")}\"\n\"{Good.Replace(",", "\",\"")}\"\n", "new" },
        { "inches as marks, doubled", $"{Head}\n{Good.Replace("48 1/2 in", "\"48 1/2\"\"\"")}\n", "new" },
        { "spaces round everything", $" {Head.Replace(",", " , ")} \n {Good.Replace(",", " , ")} \n", "new" },
        { "headings in other words and cases", $"{Head.Replace("name", "NAME").Replace("width,", "Outer Width,").Replace("height,", "outer height,")}\n{Good}\n", "new" },
        { "units in the headings", $"{Head.Replace("width,", "width (mm),").Replace("mass", "mass [kg]")}\n{Good.Replace("48 1/2 in", "1232").Replace("40 lb", "18")}\n", "new" },
        { "decimal commas under semicolons", $"{Head}\n{Good.Replace("40 lb", "18.1 kg")}\n".Replace(',', ';').Replace("18.1", "18,1"), "new" },
        { "units mixed", $"{Head}\n{Good.Replace("28 in", "711 mm").Replace("40 lb", "18 kg")}\n", "new" },
        { "a column that nothing here is called", $"{Head},price\n{Good},499\n", "new" },
        { "a name over two lines", $"{Head}\n{Good.Replace("a display", "\"a display\nin two lines\"")}\n", "new|Expected" },
        { "fewer fields than headings", $"{Head}\na display,55 in\n", "2||Expected" },
        { "more fields than headings: a comma in a value", $"{Head}\n{Good.Replace("a display", "a display, black")}\n", "2||It has 10 fields, and the heading has 9" },
        { "thousands or a fraction", $"{Head}\n{Good}\n".Replace(',', ';').Replace("48 1/2 in", "1,232 mm"), "2|width|'1,232 mm' may be thousands or a fraction" },
        { "a formula in a cell", $"{Head}\n{Good.Replace("48 1/2 in", "=B2*0.87")}\n", "2|width|'=B2*0.87' is a formula of an office program" },
        { "a formula for a name", $"{Head}\n{Good.Replace("a display", "=cmd|' /C calc'!A0")}\n", "2|name|is a formula" },
        { "a mark that is not closed", $"{Head}\n{Good}\n{Good.Replace("a display", "\"another")}\n{Good}\n", "3||A quotation mark is not closed" },
        { "an inch mark alone", $"{Head}\n{Good.Replace("48 1/2 in", "48\"")}\n", "2||A quotation mark is not closed" },
        { "a word for a length", $"{Head}\n{Good}\n{Good.Replace("a display", "b").Replace("28 in", "tall")}\n", "3|height|Expected" },
        { "two wrong cells in one line", $"{Head}\n{Good.Replace("28 in", "tall").Replace("40 lb", "heavy")}\n", "2|height|Expected" },
        { "a negative weight", $"{Head}\n{Good.Replace("40 lb", "-40 lb")}\n", "2|mass|Expected" },
        { "a thing of a mile", $"{Head}\n{Good.Replace("48 1/2 in", "63360 in")}\n", "2|width|Expected" },
        { "no name in a line", $"{Head}\n{Good.Replace("a display", "")}\n", "2|name|is missing" },
        { "the same item twice", $"{Head}\n{Good}\n{Good}\n", "3|name|Line 2 is the same item" },
        { "a key that is not there", $"id,{Head}\nnowhere,{Good}\n", "2|id|No item of the catalogue has the key 'nowhere'" },
        { "a cell of ten thousand signs", $"{Head}\n{Good.Replace("48 1/2 in", new string('9', 10_000))}\n", "2|width|It has 10000 signs" },
        { "no column is called name", $"model,width\nx,1\n", "!No column is called name" },
        { "two columns for one figure", $"{Head},Outer width\n{Good},48 in\n", "!Two columns are for the same figure" },
        { "nothing at all", " \n", "!The file is empty" },
        { "a heading alone", $"{Head}\n", "!There is a heading, and no line under it" },
        { "a picture", "\u0089PNG\r\n\0\0\0", "!This is not a text file" },
    };

    [Theory]
    [MemberData(nameof(Files))]
    public void Is_read_or_refused_by_line_and_column(string what, string file, string becomes)
    {
        Assert.NotEmpty(what);
        var bytes = new UTF8Encoding(false).GetBytes(file);
        var preview = CatalogueCsv.Read(CatalogueCsv.Text(bytes, []), Display.Kind, [], UnitSystem.Inches);
        if (becomes.StartsWith('!'))
        {
            Assert.StartsWith(becomes[1..], preview.Problem);
            Assert.Empty(preview.Lines);
            return;
        }

        Assert.Null(preview.Problem);
        if (becomes == "new")
        {
            var line = Assert.Single(preview.Lines);
            Assert.Equal((LineEffect.New, "a display"), (line.Effect, line.Name));
            // Whatever it looked like, it is the same display to a millimetre.
            var display = (Display)Display.Kind.Read(line.Document!);
            Assert.InRange(display.Width.Millimetres, 1231, 1233);
            Assert.InRange(display.Height.Millimetres, 711, 712);
            Assert.InRange(display.Mass.Kilograms, 17.9, 18.2);
            return;
        }

        if (becomes.StartsWith("new|"))
        {
            return;
        }

        var parts = becomes.Split('|');
        var refused = Assert.Single(preview.Lines, l => l.Effect == LineEffect.Refused && l.Line == int.Parse(parts[0]));
        if (parts[1].Length > 0)
        {
            Assert.Contains(refused.Problems, p => p.Column == parts[1] && p.Words.Contains(parts[2]));
        }
        else
        {
            Assert.Contains(refused.Problems, p => p.Words.Contains(parts[2]));
        }

        // What is sound beside it is taken all the same.
        Assert.All(preview.Lines.Where(l => l.Line < refused.Line), l => Assert.Equal(LineEffect.New, l.Effect));
    }

    [Fact]
    public void All_wrong_cells_of_a_line_are_said_at_once() =>
        Assert.Equal(["height", "mass"], CatalogueCsv.Read($"{Head}\n{Good.Replace("28 in", "tall").Replace("40 lb", "heavy")}\n", Display.Kind, [], UnitSystem.Inches).Lines[0].Problems.Select(p => p.Column));

    [Theory]
    [InlineData("utf-16")]
    [InlineData("utf-16BE")]
    [InlineData("iso-8859-1")]
    public void Other_encodings_are_read_and_said(string encoding)
    {
        var says = new List<string>();
        var text = CatalogueCsv.Text([.. Encoding.GetEncoding(encoding).GetPreamble(), .. Encoding.GetEncoding(encoding).GetBytes($"{Head}\n{Good.Replace("a display", "Anzeige für die Höhe")}\n")], says);
        Assert.Equal("Anzeige für die Höhe", CatalogueCsv.Read(text, Display.Kind, [], UnitSystem.Inches).Lines[0].Name);
        Assert.Single(says);
    }

    [Theory]
    [InlineData("display")]
    [InlineData("mount")]
    [InlineData("fastener")]
    [InlineData("soundbar")]
    public void What_is_taken_out_comes_in_as_it_was(string word)
    {
        var kind = ProductKinds.Of(word)!;
        var items = Demo.Where(i => i.Kind == word).ToList();
        var file = CatalogueCsv.Write(kind, items, LengthStyle.Inches);
        Assert.Equal([0xEF, 0xBB, 0xBF], file[..3]);
        var preview = CatalogueCsv.Read(CatalogueCsv.Text(file, []), kind, items, UnitSystem.Inches);
        Assert.Equal(items.Count, preview.Lines.Count);
        Assert.All(preview.Lines, l => Assert.Equal((LineEffect.Same, 0), (l.Effect, l.Problems.Count)));
        Assert.Empty(preview.Unknown);
    }

    [Fact]
    public void A_change_names_what_is_there_and_what_would_be_and_leaves_the_rest()
    {
        var display = Demo.First(i => i.Kind == "display");
        var line = Assert.Single(CatalogueCsv.Read($"id,name,depth\n{display.Id},\"{display.Name}\",2 7/8 in\n", Display.Kind, [display], UnitSystem.Inches).Lines);
        Assert.Equal(LineEffect.Changed, line.Effect);
        Assert.Contains(line.Differences, d => d.Now == "2 7/8 in");
        Assert.Equal(display.Document["width"]!.ToString(), line.Document!["width"]!.ToString());
    }

    [Fact]
    public void A_name_that_begins_like_a_formula_is_disarmed_on_the_way_out_and_whole_on_the_way_in()
    {
        var document = (JsonObject)Demo.First(i => i.Kind == "display").Document.DeepClone();
        document["name"] = "=HYPERLINK(1)";
        var item = new CatalogueItem("x", "display", "=HYPERLINK(1)", document, 1, "olive", DateTimeOffset.UnixEpoch);
        var text = CatalogueCsv.Text(CatalogueCsv.Write(Display.Kind, [item], LengthStyle.Inches), []);
        Assert.Contains(",'=HYPERLINK(1),", text);
        Assert.Equal(LineEffect.Same, CatalogueCsv.Read(text, Display.Kind, [item], UnitSystem.Inches).Lines[0].Effect);
    }

    [Fact]
    public void Ten_thousand_lines_with_a_bad_one_lose_that_one_alone()
    {
        var file = new StringBuilder(Head).Append('\n');
        for (var n = 1; n <= 10_000; n++)
        {
            file.Append(n == 7_000 ? Good.Replace("a display", $"d{n}").Replace("28 in", "28 inn") : Good.Replace("a display", $"d{n}")).Append('\n');
        }

        var preview = CatalogueCsv.Read(file.ToString(), Display.Kind, [], UnitSystem.Inches);
        Assert.Equal(9_999, preview.Lines.Count(l => l.Effect == LineEffect.New));
        Assert.Equal(7_001, Assert.Single(preview.Lines, l => l.Effect == LineEffect.Refused).Line);
        Assert.StartsWith("The file has more than", CatalogueCsv.Read(file.ToString() + string.Concat(Enumerable.Range(0, 10_001).Select(n => Good.Replace("a display", $"e{n}") + "\n")), Display.Kind, [], UnitSystem.Inches).Problem);
    }
}
