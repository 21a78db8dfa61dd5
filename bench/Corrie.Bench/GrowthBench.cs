using System.Diagnostics;
using System.Text.Json.Nodes;
using Corrie.Core.Jobs;
using Corrie.Data;
using Corrie.Web.Jobs;

namespace Corrie.Bench;

/// <summary>What grows with what a company has: an entry on a job with a long history beside one with a short one, and memory after many jobs beside few.</summary>
internal static class GrowthBench
{
    private const int Turns = 15;
    private const int EntriesPerTurn = 60;

    public static async Task RunAsync()
    {
        var folder = Directory.CreateTempSubdirectory("corrie-bench-").FullName;
        await Entries(folder);
        await Memory(folder);
        Directory.Delete(folder, recursive: true);
    }

    private static async Task Entries(string folder)
    {
        await using var company = new Company("entries", Path.Combine(folder, "entries.corrie"), TimeProvider.System);
        var (few, many) = (await JobOf(company, 50), await JobOf(company, 5000));
        for (var n = 0; n < 3; n++)
        {
            await Turn(company, few);
            await Turn(company, many);
        }

        var turns = new List<(double Few, double Many)>();
        for (var n = 0; n < Turns; n++)
        {
            turns.Add((await Turn(company, few), await Turn(company, many)));
        }

        var ratios = turns.Select(t => t.Many / t.Few).Order().ToList();
        Console.WriteLine(
            $"An entry and the plan after it, middle of {Turns} turns: job of 50 entries {turns.Select(t => t.Few).Order().ElementAt(Turns / 2):0.00} ms, of 5,000 {turns.Select(t => t.Many).Order().ElementAt(Turns / 2):0.00} ms, ratio {ratios[Turns / 2]:0.00} ({ratios[0]:0.00} to {ratios[^1]:0.00}); goal 1.5.");
    }

    private static async Task<double> Turn(Company company, long job)
    {
        var watch = Stopwatch.StartNew();
        for (var n = 0; n < EntriesPerTurn; n++)
        {
            await company.Entries.Append(job, "ines", "bench", [Height(n, company.Entries.Read(job)!)]);
            _ = JobDesk.Open(company, company.Jobs.Find(job)!);
        }

        return watch.Elapsed.TotalMilliseconds / EntriesPerTurn;
    }

    private static async Task Memory(string folder)
    {
        await using var company = new Company("memory", Path.Combine(folder, "memory.corrie"), TimeProvider.System);
        var jobs = new List<long>();
        for (var n = 0; n < 2000; n++)
        {
            jobs.Add(await JobOf(company, 3));
        }

        double After(int count)
        {
            foreach (var job in jobs.Take(count))
            {
                _ = JobDesk.Open(company, company.Jobs.Find(job)!);
            }

            GC.Collect(2, GCCollectionMode.Forced, blocking: true, compacting: true);
            GC.WaitForPendingFinalizers();
            GC.Collect(2, GCCollectionMode.Forced, blocking: true, compacting: true);
            return GC.GetTotalMemory(forceFullCollection: true) / 1048576d;
        }

        var (few, many) = (After(200), After(2000));
        Console.WriteLine($"Memory after opening 200 jobs one after another {few:0.0} MB, after 2,000 {many:0.0} MB, ratio {many / few:0.00}; goal 1.3.");
    }

    private static async Task<long> JobOf(Company company, int entries)
    {
        using var stream = typeof(GrowthBench).Assembly.GetManifestResourceStream("map-room.json")!;
        var document = (JsonObject)JsonNode.Parse(stream)!;
        var site = company.Jobs.Sites() is [var first, ..] ? first.Id : company.Jobs.AddSite("Tarn Hall", string.Empty, string.Empty);
        var job = await JobStart.StartAsync(company, site, document, "ines", "bench");
        for (var n = 1; n < entries; n += 100)
        {
            var ledger = company.Entries.Read(job)!;
            await company.Entries.Append(job, "ines", "bench", [.. Enumerable.Range(n, Math.Min(100, entries - n)).Select(i => Height(i, ledger))]);
        }

        return job;
    }

    private static NewEntry Height(int n, Ledger ledger) => new(Guid.NewGuid().ToString("N"), "/items/d1/place/height", $"{36 + (n % 8)} in", ledger.HoldersOf("/items/d1/place/height"));
}
