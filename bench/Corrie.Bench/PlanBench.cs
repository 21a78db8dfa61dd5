using System.Diagnostics;
using System.Text.Json.Nodes;
using BenchmarkDotNet.Attributes;
using Corrie.Core.Format;
using Corrie.Core.Jobs;
using Corrie.Core.Planning;

namespace Corrie.Bench;

/// <summary>The planner for the demo's largest jobs, fresh and after a change, beside the JSON round trip of the same sheet.</summary>
[MemoryDiagnoser]
public class PlanBench
{
    private const string Height = "/items/d1/place/height";
    private string text = string.Empty;
    private JsonObject document = [];
    private JsonObject changed = [];
    private JobSheet sheet = null!;
    private JobSheet later = null!;
    private JobPlan plan = null!;

    /// <summary>The map room has most features, the corridor most studs.</summary>
    [Params("map-room.json", "bunkhouse-corridor.json", "stove-lounge.json")]
    public string Job { get; set; } = string.Empty;

    [GlobalSetup]
    public void Load()
    {
        using var reader = new StreamReader(typeof(PlanBench).Assembly.GetManifestResourceStream(Job)!);
        text = reader.ReadToEnd();
        document = JobFile.Parse(text).Document!;
        changed = (JsonObject)document.DeepClone();
        Pointer.Set(changed, Height, "41 in");
        sheet = JobForm.Read(document).Sheet;
        plan = Planner.Plan(sheet);
        later = JobForm.Read(changed, sheet, [Height]).Sheet;
        Settle();
    }

    // A server that has been up for a while is measured: the planner is many small methods, and it takes thousands of plans until each of them
    // is compiled for good.
    private void Settle()
    {
        for (var watch = Stopwatch.StartNew(); watch.Elapsed < TimeSpan.FromSeconds(12);)
        {
            _ = Planner.Plan(JobForm.Read(changed, sheet, [Height]).Sheet, Planner.Plan(JobForm.Read(document).Sheet));
        }
    }

    /// <summary>Text to document to text: the baseline.</summary>
    [Benchmark(Baseline = true)]
    public string JsonRoundTrip() => JobFile.Write(JobFile.Parse(text).Document!);

    /// <summary>Document to sheet, checked.</summary>
    [Benchmark]
    public JobSheet Read() => JobForm.Read(document).Sheet;

    /// <summary>Sheet to plan.</summary>
    [Benchmark]
    public JobPlan Plan() => Planner.Plan(sheet);

    /// <summary>A height was changed: sheet to plan, on from the plan before.</summary>
    [Benchmark]
    public JobPlan PlanOn() => Planner.Plan(later, plan);

    /// <summary>The same from the document.</summary>
    [Benchmark]
    public JobPlan ReadAndPlanOn() => Planner.Plan(JobForm.Read(changed, sheet, [Height]).Sheet, plan);
}
