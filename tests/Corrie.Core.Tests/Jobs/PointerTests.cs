using System.Text.Json.Nodes;
using Corrie.Core.Catalogue;
using Corrie.Core.Format;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Survey;

namespace Corrie.Core.Tests.Jobs;

public class PointerTests
{
    // The document and pointers of RFC 6901, section 5 (from memory), as far as they lead into maps.
    private static readonly JsonObject Rfc = (JsonObject)JsonNode.Parse("""{ "foo": ["bar", "baz"], "": 0, "a/b": 1, "c%d": 2, "e^f": 3, "g|h": 4, "i\\j": 5, "k\"l": 6, " ": 7, "m~n": 8 }""")!;

    [Theory]
    [InlineData("/", 0)]
    [InlineData("/a~1b", 1)]
    [InlineData("/c%d", 2)]
    [InlineData("/e^f", 3)]
    [InlineData("/g|h", 4)]
    [InlineData("/i\\j", 5)]
    [InlineData("/k\"l", 6)]
    [InlineData("/ ", 7)]
    [InlineData("/m~0n", 8)]
    public void Leads_where_the_standard_says(string pointer, int value)
    {
        Assert.Equal(value, Pointer.Get(Rfc, pointer)!.GetValue<int>());
        Assert.Equal(pointer, Pointer.Join(string.Empty, Pointer.Split(pointer)[0]));
    }

    [Fact]
    public void The_empty_pointer_is_the_whole_and_others_lead_nowhere_without_harm()
    {
        Assert.Same(Rfc, Pointer.Get(Rfc, string.Empty));
        Assert.Null(Pointer.Get(Rfc, "/nowhere/at/all"));
        Assert.Null(Pointer.Get(Rfc, "/a~1b/deeper"));
        Assert.Throws<FormatException>(() => Pointer.Split("no-slash"));
    }

    [Theory]
    [InlineData("/a", "/a", true)]
    [InlineData("/a", "/a/b", true)]
    [InlineData("/a", "/ab", false)]
    [InlineData("/a/b", "/a", false)]
    [InlineData("", "/a", true)]
    public void Covers_itself_and_what_is_in_it(string outer, string inner, bool covers) => Assert.Equal(covers, Pointer.Covers(outer, inner));

    [Fact]
    public void What_is_set_is_got_and_what_is_taken_away_is_gone()
    {
        var document = new JsonObject();
        Pointer.Set(document, "/walls/w1/studs/s1/centre", "54 in");
        Assert.Equal("54 in", Pointer.Get(document, "/walls/w1/studs/s1/centre")!.ToString());
        Pointer.Set(document, "/walls/w1/studs/s1/centre", null);
        Assert.Null(Pointer.Get(document, "/walls/w1/studs/s1/centre"));
        Pointer.Set(document, "/never/was", null);
        Assert.Null(document["never"]);
    }

    [Theory] // as docs/formats/job-file.md and the schema have them
    [InlineData(MountKind.PullDown, "pull-down")]
    [InlineData(EvidenceKind.ScannerEdges, "scanner-edges")]
    [InlineData(School.AboveFurnitureToBeChanged, "above-furniture-to-be-changed")]
    [InlineData(FeatureKind.OldHole, "old-hole")]
    [InlineData(StudState.Found, "found")]
    public void Choices_have_their_words<T>(T choice, string word)
        where T : struct, Enum
    {
        Assert.Equal(word, choice.Word());
        Assert.Equal(choice, Choices.Of<T>(word));
        Assert.Null(Choices.Of<T>(word.ToUpperInvariant()));
        Assert.Null(Choices.Of<T>(null));
    }

    [Theory]
    [InlineData("/items/d1/place/height", "54 1/4", UnitSystem.Inches, "54 1/4 in")]
    [InlineData("/items/d1/place/height", "1378", UnitSystem.Millimetres, "1378 mm")]
    [InlineData("/items/d1/place/height", "4' 6 1/4\"", UnitSystem.Millimetres, "1377.95 mm")]
    [InlineData("/items/d1/product/mass", "22.2 kg", UnitSystem.Inches, "22.2 kg")]
    [InlineData("/walls/w1/kind", "masonry", UnitSystem.Inches, "masonry")]
    [InlineData("/items/m1/product/tiltDown", "12", UnitSystem.Inches, "12 deg")]
    public void What_is_typed_into_a_part_stands_in_the_file_with_its_unit(string path, string typed, UnitSystem bare, string value)
    {
        var taken = JobForm.At(path, Sheets.Document())!.Take(typed, bare, out var problem);
        Assert.Null(problem);
        Assert.Equal(value, taken!.ToString());
        var problems = new List<SheetProblem>();
        JobForm.At(path, Sheets.Document())!.Check(taken, path, problems);
        Assert.Empty(problems);
    }

    [Theory]
    [InlineData("placement/height")]
    [InlineData("/items/d1/place/hight")]
    [InlineData("/walls/w1/studs/s1/centre/deeper")]
    [InlineData("/walls/w1/studs/no such key!/centre")]
    [InlineData("/nowhere")]
    public void A_path_that_leads_nowhere_has_no_form(string path) => Assert.Null(JobForm.At(path));
}
