using System.Globalization;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using Corrie.Core.Findings;
using Corrie.Core.Fixing;
using Corrie.Core.Format;
using Corrie.Core.Hanging;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Core.WholePlan;
using Corrie.Web.Demo;
using Corrie.Web.Sheets;

namespace Corrie.Web.Tests;

/// <summary>The set-out as a PDF leaves nothing out, however much there is: read back by another program.</summary>
public sealed class WholePaperTests
{
    private static readonly LengthStyle Style = LengthStyle.Inches;

    public static TheoryData<int> Things => [1, 2, 3, 4, 6, 8, 12];

    [Theory]
    [MemberData(nameof(Things))]
    public async Task Every_mark_bolt_stop_caution_and_what_is_not_confirmed_is_on_it(int things) => await Complete(Planned(Many(things)));

    [Theory]
    [InlineData("stove-lounge")]
    [InlineData("map-room")]
    [InlineData("boathouse")]
    [InlineData("bunkhouse-corridor")]
    public async Task Nothing_of_the_demo_s_jobs_is_left_out(string file) => await Complete(Planned((JsonObject)JsonNode.Parse(TarnHall.Read(file))!));

    private static JobPlan Planned(JsonObject document) => Planner.Plan(JobForm.Read(document).Sheet);

    private static async Task Complete(JobPlan plan)
    {
        foreach (var wall in plan.Sheet.Walls)
        {
            var text = Flat(Regex.Replace(await PaperText.Of(SetOutPaper.Write(plan, wall, Style, string.Empty), "-raw"), "Local codes, makers' instructions and licensed practice come first\\.|Set-out: [^\n]*, continued", " "));
            var marks = plan.Marks.Where(m => m.Wall == wall.Id).ToList();
            for (var n = 0; n < marks.Count; n++)
            {
                Has(text, $"{n + 1} {(marks[n].Name.Length > 16 ? marks[n].Name[..12] : marks[n].Name)}");
                Has(text, Said(marks[n].How));
            }

            foreach (var bolt in plan.Sheet.ThingsOn(wall).SelectMany(i => plan.Fixing(i.Id)?.Bolts ?? []))
            {
                Has(text, $"{bolt.Number}: {Plain(bolt.X.Show(Style).ToString())} across, {Plain(bolt.Y.Show(Style).ToString())} up;");
            }

            foreach (var finding in plan.Findings.Where(f => (f.Where.Wall.Length == 0 || f.Where.Wall == wall.Id) && f.Severity <= Severity.Caution))
            {
                Has(text, $"{finding.Kind.Title}. {Said(finding.Message)}".Replace(finding.Stops ? ". " + Said(finding.Message) : "\n", finding.Stops ? ": " + Said(finding.Message) : "\n"));
                Assert.All(finding.Parts, p => Has(text, Said(p)));
            }

            var kit = SetOutKit.Of(plan, wall.Id);
            Assert.All(kit.Unconfirmed.Concat(kit.Screws).Concat(kit.People).Concat(kit.Tools), line => Has(text, Said(line)));
        }
    }

    // A line may break, and a page end, anywhere: of the runs of three words at most two are torn.
    private static void Has(string text, string words)
    {
        var all = Flat(words).Split(' ', StringSplitOptions.RemoveEmptyEntries);
        var runs = all.Length <= 3 ? [string.Join(' ', all)] : Enumerable.Range(0, all.Length - 2).Select(i => $"{all[i]} {all[i + 1]} {all[i + 2]}").ToList();
        var missing = runs.Count(r => !text.Contains(r, StringComparison.Ordinal));
        Assert.True(missing <= (runs.Count > 4 ? 4 : 0), $"{missing} of {runs.Count} runs are missing of: {words}");
    }

    private static string Said(Phrase phrase) => Plain(phrase.Say(Style));

    private static string Plain(string words) => words.Replace('\u2009', ' ').Replace('\u202f', ' ').Replace('\u2044', '/');

    private static string Flat(string words) => Regex.Replace(Plain(words), "\\s+", " ");

    // The stove lounge's stone is uneven; here a plain wall grows by a display with its mount, and each brings stops and cautions.
    private static JsonObject Many(int things)
    {
        var document = (JsonObject)JsonNode.Parse(TarnHall.Read("map-room"))!;
        var (mount, display) = (document["items"]!["m1"]!.DeepClone(), document["items"]!["d1"]!.DeepClone());
        document["walls"]!["w1"]!["width"] = $"{(things * 80) + 200} in";
        var across = 120;
        for (var i = 2; i <= things; i++)
        {
            across += 80;
            var (m, d) = (mount.DeepClone(), display.DeepClone());
            d["on"] = $"m{i}";
            d["name"] = $"picture {i}";
            d["place"]!["across"] = $"{across} in";
            ((JsonObject)d["place"]!).Remove("over");
            document["items"]![$"m{i}"] = m;
            document["items"]![$"d{i}"] = d;
            foreach (var (key, at) in new[] { ("l", across - 8), ("r", across + 8) })
            {
                Pointer.Set(document, $"/walls/w1/studs/z{i}{key}", new JsonObject { ["centre"] = at.ToString(CultureInfo.InvariantCulture) + " in", ["state"] = i % 2 == 0 ? "found" : "confirmed", ["uncertainty"] = "1/8 in" });
            }
        }

        return document;
    }
}
