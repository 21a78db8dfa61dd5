using System.Diagnostics;
using Corrie.Core.Catalogue;
using Corrie.Core.Format;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Web.Sheets;

namespace Corrie.Bench;

/// <summary>How long papers take, and a plan whose mount moves, beside the JSON round trip of the same job in the same run.</summary>
internal static class PaperBench
{
    /// <summary>Runs it and says the medians.</summary>
    public static void Run()
    {
        using var reader = new StreamReader(typeof(PaperBench).Assembly.GetManifestResourceStream("map-room.json")!);
        var text = reader.ReadToEnd();
        var document = JobFile.Parse(text).Document!;
        var plan = Planner.Plan(JobForm.Read(document).Sheet);
        var mount = plan.Sheet.Items.First(i => i.Kind == Mount.Kind);
        var wall = plan.Sheet.Walls[0];
        var moves = (System.Text.Json.Nodes.JsonObject)document.DeepClone();
        Pointer.Set(moves, "/items/m1/product/kind", "articulating");
        Pointer.Set(moves, "/items/m1/product/depthExtended", "24 in");
        var moving = JobForm.Read(moves).Sheet;
        var baseline = Median(() => JobFile.Write(JobFile.Parse(text).Document!), 2000);
        foreach (var (name, times, work) in new (string, int, Action)[]
        {
            ("set-out as PDF", 60, () => SetOutPaper.Write(plan, wall, LengthStyle.Inches, "now")),
            ("template as PDF, letter", 60, () => new Template(plan, mount, LengthStyle.Inches).Pdf(TemplatePaper.All[0])),
            ("plan with an arm, fresh", 2000, () => Planner.Plan(moving)),
            ("plan, fresh", 2000, () => Planner.Plan(plan.Sheet)),
        })
        {
            var took = Median(work, times);
            Console.WriteLine(FormattableString.Invariant($"{name}: median {took:0.000} ms; JSON round trip {baseline:0.000} ms; ratio {took / baseline:0.0}"));
        }
    }

    private static double Median(Action work, int times)
    {
        for (var i = 0; i < times; i++)
        {
            work();
        }

        return Enumerable.Range(0, times).Select(_ =>
        {
            var from = Stopwatch.GetTimestamp();
            work();
            return Stopwatch.GetElapsedTime(from).TotalMilliseconds;
        }).Order().ElementAt(times / 2);
    }
}
