using System.Diagnostics;
using System.Net.Http.Json;
using Dapper;
using Microsoft.Data.Sqlite;

namespace Corrie.Bench;

/// <summary>A published Corrie beside an empty application, in one run on one machine: the ratios count, not the figures.</summary>
internal static class WebBench
{
    private static readonly TimeSpan For = TimeSpan.FromSeconds(6);

    public static async Task RunAsync(string corrie, string empty)
    {
        var data = Directory.CreateTempSubdirectory("corrie-bench-").FullName;
        var corriePath = Path.Combine(Path.GetFullPath(corrie), "Corrie.Web.dll");
        var emptyPath = Path.Combine(Path.GetFullPath(empty), "Corrie.Bench.Empty.dll");
        string[] demo = ["--Data", data, "--Demo", "true"];

        using (await Server.StartAsync(corriePath, "/sign-in", demo))
        {
            // The first start makes the demo data; it is not measured.
        }

        Console.WriteLine("Start-up, process to first answer, median of 7:");
        var starts = new List<double>();
        var emptyStarts = new List<double>();
        for (var i = 0; i < 7; i++)
        {
            using (var e = await Server.StartAsync(emptyPath, "/"))
            {
                emptyStarts.Add(e.StartedIn.TotalMilliseconds);
            }

            using var c = await Server.StartAsync(corriePath, "/sign-in", demo);
            starts.Add(c.StartedIn.TotalMilliseconds);
        }

        Report("ms", Median(starts), Median(emptyStarts), "start-up");

        using var app = await Server.StartAsync(corriePath, "/sign-in", demo);
        using var baseline = await Server.StartAsync(emptyPath, "/");
        using var client = await app.SignInAsync();

        Console.WriteLine("Pages, 8 clients, requests per second:");
        foreach (var page in new[] { "/jobs/6/place?view=front", "/jobs/6/hang?view=behind", "/jobs/6/survey?view=behind", "/jobs" })
        {
            await Load(client, app.Base + page, 8, TimeSpan.FromSeconds(4));
            await Load(client, baseline.Base + "/", 8, TimeSpan.FromSeconds(1));
            Report("/s", await Load(client, app.Base + page, 8, For), await Load(client, baseline.Base + "/", 8, For), page);
        }

        Console.WriteLine("The same written anew for every request:");
        const string anew = "/jobs/6/place?view=front&anew=";
        await Load(client, app.Base + anew, 8, TimeSpan.FromSeconds(4), differ: true);
        Report("/s", await Load(client, app.Base + anew, 8, For, differ: true), await Load(client, baseline.Base + "/", 8, For), "/jobs/6/place, not kept");

        Console.WriteLine("Durable entries per second, 32 clients over HTTP, beside raw commits of the same row on the same disk:");
        var raw = Raw(Path.Combine(data, "raw.db"));
        await Entries(client, app.Base, 32, TimeSpan.FromSeconds(2));
        Report("/s", await Entries(client, app.Base, 32, For), raw, "entries");
        Directory.Delete(data, recursive: true);
    }

    private static void Report(string unit, double value, double baseline, string what) =>
        Console.WriteLine($"  {what,-28} {value,9:0} {unit,-3} baseline {baseline,9:0} {unit,-3} ratio {value / baseline:0.00}");

    private static double Median(List<double> values) => values.Order().ElementAt(values.Count / 2);

    private static async Task<double> Load(HttpClient client, string url, int clients, TimeSpan time, bool differ = false)
    {
        var count = 0;
        var watch = Stopwatch.StartNew();
        await Task.WhenAll(Enumerable.Range(0, clients).Select(_ => Task.Run(async () =>
        {
            while (watch.Elapsed < time)
            {
                using var answer = await client.GetAsync(differ ? url + Guid.NewGuid().ToString("N") : url);
                answer.EnsureSuccessStatusCode();
                await answer.Content.ReadAsByteArrayAsync();
                Interlocked.Increment(ref count);
            }
        })));
        return count / watch.Elapsed.TotalSeconds;
    }

    private static async Task<double> Entries(HttpClient client, string url, int clients, TimeSpan time)
    {
        var count = 0;
        var watch = Stopwatch.StartNew();
        await Task.WhenAll(Enumerable.Range(0, clients).Select(n => Task.Run(async () =>
        {
            while (watch.Elapsed < time)
            {
                var entry = new[] { new { id = Guid.NewGuid().ToString("N"), path = $"/wall/studs/b{n}/centre", value = "54 1/4 in", replaces = Array.Empty<string>() } };
                using var answer = await client.PostAsJsonAsync($"{url}/api/v1/jobs/2/entries", entry);
                answer.EnsureSuccessStatusCode();
                Interlocked.Increment(ref count);
            }
        })));
        return count / watch.Elapsed.TotalSeconds;
    }

    // One connection that commits one row after the other, every one of them on the disk before the next.
    private static double Raw(string path)
    {
        using var connection = new SqliteConnection($"Data Source={path}");
        connection.Open();
        connection.Execute("pragma journal_mode = wal; pragma synchronous = full");
        connection.Execute("create table entries (job integer, seq integer, entry_id text unique, path text, value text, author text, primary key (job, seq)) strict, without rowid");
        var watch = Stopwatch.StartNew();
        var n = 0;
        while (watch.Elapsed < For)
        {
            connection.Execute(
                "insert into entries values (1, @n, @id, '/wall/studs/b1/centre', '\"54 1/4 in\"', 'tom')", new { n, id = Guid.NewGuid().ToString("N") });
            n++;
        }

        return n / watch.Elapsed.TotalSeconds;
    }
}
