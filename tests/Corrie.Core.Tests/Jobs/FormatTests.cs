using System.Text;
using System.Text.Json.Nodes;
using Corrie.Core.Catalogue;
using Corrie.Core.Format;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using Corrie.Core.Survey;
using Corrie.Simulators;
using Json.Schema;

namespace Corrie.Core.Tests.Jobs;

public class FormatTests
{
    private static string[] DemoFiles => [.. Directory.GetFiles(Repository.File("src/Corrie.Web/Demo"), "*.json").Select(f => Path.GetFileName(f)).Where(f => f != "catalogue.json")];

    public static TheoryData<string> Demo => [.. DemoFiles];

    [Theory]
    [MemberData(nameof(Demo))]
    public void Demo_jobs_are_sound_and_fit_the_schema(string name)
    {
        var text = File.ReadAllText(Repository.File("src/Corrie.Web/Demo/" + name));
        Assert.Empty(JobFile.Read(text).Problems);
        var schema = JsonSchema.FromText(File.ReadAllText(Repository.File("docs/formats/corrie-job.schema.json")));
        Assert.True(schema.Evaluate(JsonNode.Parse(text)).IsValid);
        // Written and read again, nothing has changed.
        var again = JobFile.Parse(JobFile.Write(JobFile.Parse(text).Document!)).Document;
        Assert.True(JsonNode.DeepEquals(JsonNode.Parse(text), again));
    }

    [Fact]
    public void The_schema_in_docs_is_the_code_s() =>
        Assert.Equal(JobFile.Write(JobForm.JsonSchema()), File.ReadAllText(Repository.File("docs/formats/corrie-job.schema.json")));

    [Theory]
    [InlineData("", "an empty file")]
    [InlineData("{\"format\":", "not valid JSON")]
    [InlineData("%PDF-1.7\n%âãÏÓ", "a PDF")]
    [InlineData("\uFFFDPNG\r\n\u001a\n", "a picture")]
    [InlineData("\uFFFD\uFFFD\uFFFD\uFFFD\u0000\u0010JFIF", "a picture")]
    [InlineData("PK\u0003\u0004\u0014", "an archive")]
    [InlineData("SQLite format 3\u0000", "a company's whole file")]
    [InlineData("<!DOCTYPE html><html>", "a page or drawing")]
    [InlineData("mark,across,up\nbolt 1,54,60", "a table")]
    [InlineData("{\"format\":\"corrie-plan/2\"}", "a plan")]
    [InlineData("[]", "not an object")]
    [InlineData("{\"format\":\"corrie-job/2\"}", "'job' is missing")]
    [InlineData("{\"format\":\"corrie-job/1\",\"job\":{\"units\":\"in\"}}", "earlier form corrie-job/1")]
    [InlineData("{\"format\":\"corrie-job/9\",\"job\":{\"units\":\"in\"}}", "'corrie-job/9'")]
    [InlineData("{\"format\":\"corrie-job/2\",\"job\":{\"units\":\"in\"},\"wal\":{}}", "not known here")]
    [InlineData("{\"format\":\"corrie-job/2\",\"job\":{\"units\":\"in\"},\"walls\":{\"w1\":{\"width\":\"5//8 in\"}}}", "no number below the slash")]
    [InlineData("{\"format\":\"corrie-job/2\",\"job\":{\"units\":\"in\"},\"walls\":{\"w1\":{\"width\":\"96\"}}}", "no unit")]
    [InlineData("{\"format\":\"corrie-job/2\",\"job\":{\"units\":\"in\"},\"walls\":{\"w1\":{\"width\":96}}}", "a number")]
    [InlineData("{\"format\":\"corrie-job/2\",\"job\":{\"units\":\"in\"},\"walls\":{\"w1\":{\"width\":\"9999 ft\"}}}", "over a kilometre")]
    [InlineData("{\"format\":\"corrie-job/2\",\"job\":{\"units\":\"in\",\"units\":\"mm\"}}", "not valid JSON")]
    public void Bad_files_are_refused_with_what_was_understood(string text, string understood)
    {
        var (sheet, problems) = JobFile.Read(text);
        Assert.Null(sheet);
        Assert.Contains(understood, string.Join('\n', problems));
        Assert.All(problems, p => Assert.NotEmpty(p.Expected));
    }

    [Fact]
    public void A_wrong_part_goes_and_the_rest_stays()
    {
        var document = Sheets.Document(("/walls/w1/studs/b/centre", "5//8 in"), ("/walls/w1/layers/l1/thickness", null), ("/items/d1/product/height", "tall"), ("/items/m1/product/rows/0", null));
        var (sheet, problems) = JobForm.Read(document);
        Assert.Equal(3, problems.Count);
        Assert.Equal(["a", "c", "d"], sheet.Walls[0].Get(WallForm.Wall)!.Studs.Select(s => s.Id));
        Assert.Empty(sheet.Walls[0].Get(WallForm.Wall)!.Layers);
        Assert.Null(sheet.Item("d1")!.Product);
        Assert.NotNull(sheet.Item("m1")!.Product);
    }

    /// <summary>Files broken in structure and in bytes go through reader and planner without an exception: 4,000, and 100,000 by <c>bench/run studies</c>.</summary>
    [Fact]
    public void Broken_files_never_crash_reader_or_planner()
    {
        string[] sound = [.. DemoFiles.Select(d => File.ReadAllText(Repository.File("src/Corrie.Web/Demo/" + d))), JobFile.Write(Sheets.Document()), JobFile.Write(Many())];
        var each = Study.Size(25_000, 400);
        var counts = Enumerable.Range(0, 4).AsParallel().Select(part =>
        {
            var broken = new BrokenFiles(sound, 20261125 + part);
            var (planned, refused, loops) = (0, 0, 0);
            for (var n = 0; n < each; n++)
            {
                // Bytes are read as a file; what is still JSON is read leniently, as the pages do it: what is wrong is left out, and the rest planned.
                var document = n % 4 == 0 ? null : broken.Document();
                var (sheet, problems) = document is null ? JobFile.Read(Encoding.UTF8.GetString(broken.Bytes())) : JobForm.Read(document);
                Assert.All(problems, p => Assert.True(p.Understood.Length > 0 && p.Expected.Length > 0, p.ToString()));
                // Whoever hangs in a ring is named in it.
                var rings = problems.Where(p => p.Understood.Contains("round in a loop", StringComparison.Ordinal)).ToList();
                Assert.All(rings, p => Assert.Matches("^([a-z0-9]+)( \\(.*\\))? hangs on (.* hangs on )?\\1( \\(.*\\))?: that goes", p.Understood));
                loops += rings.Count;
                if (sheet is null)
                {
                    refused++;
                    continue;
                }

                var plan = Planner.Plan(sheet);
                planned++;
                Assert.All(plan.Statuses.Select(s => s.Says).Concat(plan.Findings.Select(f => f.Message)), p => Assert.DoesNotMatch("Infinity|NaN|∞", p.Say(LengthStyle.Inches)));
                if (document is not null && n % 3 == 1)
                {
                    Assert.NotEmpty(PlanFile.Write(plan, LengthStyle.Inches, document).ToJsonString());
                }
            }

            return (planned, refused, loops);
        }).ToList();
        Assert.True(counts.Sum(c => c.planned) > 2.4 * each && counts.Sum(c => c.refused) > each / 25 && counts.Sum(c => c.loops) > each / 25, string.Join(", ", counts));
    }

    // Parts that no demo job has: several walls, things of every kind, things on things.
    private static JsonObject Many()
    {
        var document = Sheets.Document();
        Pointer.Set(document, "/walls/w2", Sheets.Json("""{ "name": "stair", "width": "100 in", "height": "96 in", "kind": "masonry", "layers": { "l": { "order": 1, "name": "plaster", "thickness": "1/2 in" } } }"""));
        Pointer.Set(document, "/walls/c1", Sheets.Json("""{ "name": "ceiling", "width": "20 ft", "height": "12 ft", "evidence": { "e1": { "kind": "probe-hit", "at": "40 in" }, "e2": { "kind": "probe-miss", "at": "41 in" } } }"""));
        Pointer.Set(document, "/policy", Sheets.Json("""{ "anchorFactor": 5, "keepOut": "8 in", "version": 3 }"""));
        Pointer.Set(document, "/seats/t", Sheets.Json("""{ "eye": "48 in", "distance": "90 in", "wall": "w2", "for": "d2" }"""));
        var on = "w1";
        foreach (var (kind, n) in ProductKinds.Items.Where(k => k.IsPlaced && k != Display.Kind).Select((k, n) => (k, n)))
        {
            var item = new JsonObject
            {
                ["kind"] = kind.Word,
                [n == 0 ? "wall" : "on"] = on,
                ["product"] = Sheets.Json("""{ "name": "thing", "width": "10 in", "height": "6 in", "depth": "4 in", "mass": "8 lb" }"""),
                ["place"] = new JsonObject { ["height"] = $"{10 + (8 * n)} in", ["across"] = "20 in" },
            };
            on = "x" + n;
            Pointer.Set(document, "/items/" + on, item);
        }

        Pointer.Set(document, "/items/d2", Pointer.Get(document, "/items/d1")!.DeepClone());
        Pointer.Set(document, "/items/m2", Pointer.Get(document, "/items/m1")!.DeepClone());
        Pointer.Set(document, "/items/d2/on", "m2");
        Pointer.Set(document, "/items/m2/wall", "w2");
        return document;
    }
}
