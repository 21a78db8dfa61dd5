using System.Text.Json.Nodes;
using BenchmarkDotNet.Attributes;
using Corrie.Core.Jobs;
using Corrie.Core.Jobs.Format;

namespace Corrie.Bench;

/// <summary>The planner for the demo's largest jobs, beside the JSON round trip of the same sheet.</summary>
[MemoryDiagnoser]
public class PlanBench
{
    private string text = string.Empty;
    private JsonObject document = [];
    private JobSheet sheet = null!;

    /// <summary>The map room has most features, the corridor most studs.</summary>
    [Params("map-room.json", "bunkhouse-corridor.json")]
    public string Job { get; set; } = string.Empty;

    [GlobalSetup]
    public void Load()
    {
        using var reader = new StreamReader(typeof(PlanBench).Assembly.GetManifestResourceStream(Job)!);
        text = reader.ReadToEnd();
        document = JobFile.Parse(text).Document!;
        sheet = SheetReader.Read(document).Sheet;
    }

    /// <summary>Text to document to text: the baseline.</summary>
    [Benchmark(Baseline = true)]
    public string JsonRoundTrip() => JobFile.Write(JobFile.Parse(text).Document!);

    /// <summary>Document to sheet, checked.</summary>
    [Benchmark]
    public JobSheet Read() => SheetReader.Read(document).Sheet;

    /// <summary>Sheet to plan.</summary>
    [Benchmark]
    public JobPlan Plan() => Planner.Plan(sheet);
}
