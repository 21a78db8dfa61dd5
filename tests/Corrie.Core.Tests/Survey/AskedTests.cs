using System.Text.Json.Nodes;
using Corrie.Core.Format;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using Corrie.Core.Survey;

namespace Corrie.Core.Tests.Survey;

public class AskedTests
{
    private static JsonObject Empty(string units, string kind) => Sheets.Document(
        ("/job/units", units), ("/walls/w1/layers", null), ("/walls/w1/scan", null),
        ("/walls/w1/features/f1", new JsonObject { ["kind"] = kind, ["left"] = "44 in", ["width"] = "60 in", ["bottom"] = "10 in", ["height"] = "2 in" }));

    private static IReadOnlyList<Asked> Open(JsonObject document)
    {
        var plan = Sheets.Plan(document);
        return Asked.Open(plan.Survey("w1")!.Wall, plan.Sheet.House(), "Una");
    }

    /// <summary>Whoever presses an answer to each question in turn is through, and every answer takes its own question away, whatever was pressed before.</summary>
    [Theory]
    [InlineData("in", "mantel", "layers l1/confirmed scan questions/flue questions/gas")]
    [InlineData("mm", "mantel", "layers l1/confirmed scan questions/flue questions/gas")]
    [InlineData("in", "shelf", "layers l1/confirmed scan")]
    public void Every_answer_takes_its_question_away(string units, string thing, string questions)
    {
        var document = Empty(units, thing);
        var asked = new List<string>();
        for (var open = Open(document); open.Count > 0; open = Open(document))
        {
            asked.Add(open[0].Of);
            Assert.All(open[0].Answers, a =>
            {
                var after = SheetChanges.After(document, a.Sets);
                Assert.Empty(JobForm.Read(after).Problems);
                Assert.DoesNotContain(Open(after), o => o.Of == open[0].Of);
            });
            document = SheetChanges.After(document, open[0].Answers[0].Sets);
        }

        Assert.Equal(questions.Split(' '), asked.Select(a => a["/walls/w1/".Length..].Replace("layers/l1", "l1", StringComparison.Ordinal)));
        Assert.DoesNotContain("survey.hazard-questions-open", Sheets.Plan(document).Codes());
    }

    [Fact]
    public void What_has_to_be_typed_is_asked_without_an_answer_to_press()
    {
        var plaster = SheetChanges.After(Empty("in", "shelf"), BuildUps.All.First(b => b.Id == "lath-plaster").Changes(new Place(null, string.Empty, UnitSystem.Inches).To("walls").To("w1")));
        var built = Assert.Single(Open(plaster), o => o.Of == "/site/built");
        Assert.Empty(built.Answers);
        Assert.Equal("How old is the house?", built.Words.ToString());
    }
}
