using System.Text;
using System.Text.Json.Nodes;
using Corrie.Core.Jobs;
using Corrie.Core.Jobs.Format;
using Corrie.Core.Measure;
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
        Assert.Equal(JobFile.Write(SheetShape.JsonSchema()), File.ReadAllText(Repository.File("docs/formats/corrie-job.schema.json")));

    [Theory]
    [InlineData("", "no JSON")]
    [InlineData("[]", "no object")]
    [InlineData("{\"format\":\"corrie-job/1\"}", "'job' is missing")]
    [InlineData("{\"format\":\"corrie-job/9\",\"job\":{\"units\":\"in\"}}", "'corrie-job/9'")]
    [InlineData("{\"format\":\"corrie-job/1\",\"job\":{\"units\":\"in\"},\"wal\":{}}", "not known here")]
    [InlineData("{\"format\":\"corrie-job/1\",\"job\":{\"units\":\"in\"},\"wall\":{\"width\":\"5//8 in\"}}", "no number below the stroke")]
    [InlineData("{\"format\":\"corrie-job/1\",\"job\":{\"units\":\"in\"},\"wall\":{\"width\":\"96\"}}", "no unit")]
    [InlineData("{\"format\":\"corrie-job/1\",\"job\":{\"units\":\"in\"},\"wall\":{\"width\":96}}", "a number")]
    [InlineData("{\"format\":\"corrie-job/1\",\"job\":{\"units\":\"in\"},\"wall\":{\"width\":\"9999 ft\"}}", "over a kilometre")]
    [InlineData("{\"format\":\"corrie-job/1\",\"job\":{\"units\":\"in\",\"units\":\"mm\"}}", "no JSON")]
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
        var document = Sheets.Document(("/wall/studs/b/centre", "5//8 in"), ("/wall/layers/l1/thickness", null), ("/display/height", "tall"), ("/mount/rows/0", null));
        var (sheet, problems) = SheetReader.Read(document);
        Assert.Equal(3, problems.Count);
        Assert.Equal(["a", "c", "d"], sheet.Wall!.Studs.Select(s => s.Id));
        Assert.Empty(sheet.Wall.Layers);
        Assert.Null(sheet.Display);
        Assert.NotNull(sheet.Mount);
    }

    /// <summary>100,000 files, mutated in structure and in bytes, go through reader and planner without an exception.</summary>
    [Fact]
    public void Mutated_files_never_crash_reader_or_planner()
    {
        var random = new Random(20261125);
        var seeds = DemoFiles.Select(d => File.ReadAllText(Repository.File("src/Corrie.Web/Demo/" + d))).Append(JobFile.Write(Sheets.Document())).ToArray();
        var documents = seeds.Select(s => JobFile.Parse(s).Document!).ToArray();
        var (planned, refused) = (0, 0);
        for (var n = 0; n < 100_000; n++)
        {
            JobSheet? sheet;
            if (n % 4 == 0)
            {
                var bytes = Encoding.UTF8.GetBytes(seeds[random.Next(seeds.Length)]);
                for (var k = random.Next(1, 6); k > 0; k--)
                {
                    bytes[random.Next(bytes.Length)] = (byte)random.Next(256);
                }

                sheet = JobFile.Read(Encoding.UTF8.GetString(bytes)).Sheet;
            }
            else
            {
                var document = (JsonObject)documents[random.Next(documents.Length)].DeepClone();
                for (var k = random.Next(1, 4); k > 0; k--)
                {
                    Mutate(document, random);
                }

                // The lenient reading, as the pages do it: whatever is wrong is left out, and the rest is planned.
                sheet = SheetReader.Read(document).Sheet;
            }

            if (sheet is null)
            {
                refused++;
                continue;
            }

            var plan = Planner.Plan(sheet);
            planned++;
            if (n % 50 == 1)
            {
                Assert.NotEmpty(PlanFile.Write(plan, LengthStyle.Inches).ToJsonString());
            }
        }

        Assert.True(planned > 60_000 && refused > 1_000, $"{planned} planned, {refused} refused");
    }

    private static void Mutate(JsonObject document, Random random)
    {
        JsonNode node = document;
        while (true)
        {
            var keys = node switch
            {
                JsonObject o => [.. o.Select(p => p.Key)],
                JsonArray a => Enumerable.Range(0, a.Count).Select(i => i.ToString()).ToList(),
                _ => [],
            };
            if (keys.Count == 0)
            {
                return;
            }

            var key = keys[random.Next(keys.Count)];
            var child = node is JsonObject group ? group[key] : node[int.Parse(key)];
            if (child is JsonObject or JsonArray && random.Next(4) > 0)
            {
                node = child;
                continue;
            }

            var value = Strange(random);
            if (node is JsonObject parent)
            {
                if (random.Next(5) == 0)
                {
                    parent.Remove(key);
                }
                else
                {
                    parent[key] = value;
                }
            }
            else
            {
                ((JsonArray)node)[int.Parse(key)] = value;
            }

            return;
        }
    }

    private static JsonNode? Strange(Random random) => random.Next(16) switch
    {
        0 => null,
        1 => JsonValue.Create(random.NextDouble() * 1e6),
        2 => JsonValue.Create(-1),
        3 => JsonValue.Create(1e300),
        4 => JsonValue.Create(string.Empty),
        5 => JsonValue.Create("0 in"),
        6 => JsonValue.Create("60 m"),
        7 => JsonValue.Create("1/64 in"),
        8 => JsonValue.Create(true),
        9 => new JsonObject(),
        10 => new JsonArray(),
        11 => JsonValue.Create("-10 m"),
        12 => JsonValue.Create("4' 14\""),
        13 => JsonValue.Create(random.Next(0, 9999) + " mm"),
        14 => JsonValue.Create("\ud83d\udd28 5//8"),
        _ => JsonValue.Create($"{random.Next(0, 160)} {random.Next(1, 16)}/16 in"),
    };
}
