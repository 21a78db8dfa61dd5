using System.Diagnostics;
using System.Net.Http.Json;
using Dapper;
using Microsoft.Data.Sqlite;

namespace Corrie.Bench;

/// <summary>A published Corrie beside an empty application, in one run on one machine: the ratios count, not the figures.</summary>
internal static class WebBench
{
    private const int Turns = 9;
    private static readonly TimeSpan Turn = TimeSpan.FromSeconds(1.5);
    private static readonly TimeSpan Warm = TimeSpan.FromSeconds(4);

    public static async Task RunAsync(string corrie, string empty, bool anewOnly = false)
    {
        var data = Directory.CreateTempSubdirectory("corrie-bench-").FullName;
        var corriePath = Path.Combine(Path.GetFullPath(corrie), "Corrie.Web.dll");
        var emptyPath = Path.Combine(Path.GetFullPath(empty), "Corrie.Bench.Empty.dll");
        string[] demo = ["--Data", data, "--Demo", "true"];

        using (await Server.StartAsync(corriePath, "/sign-in", demo))
        {
            // The first start makes the demo data; it is not measured.
        }

        if (anewOnly)
        {
            using var only = await Server.StartAsync(corriePath, "/sign-in", demo);
            using var beside = await Server.StartAsync(emptyPath, "/");
            using var one = await only.SignInAsync();
            await Anew(one, only.Base, () => Load(one, beside.Base + "/", 8, Turn));
            return;
        }

        // The machine is slow one minute and quick the next: both are measured in turns, and the middle of the turns' ratios counts.
        Console.WriteLine($"Middle of {Turns} turns, each of both; least and most ratio behind it. Start-up, process to first answer:");
        await Report("start-up", "ms", () => StartUp(corriePath, "/sign-in", demo), () => StartUp(emptyPath, "/"));

        using var app = await Server.StartAsync(corriePath, "/sign-in", demo);
        using var baseline = await Server.StartAsync(emptyPath, "/");
        using var client = await app.SignInAsync();
        Task<double> Empty() => Load(client, baseline.Base + "/", 8, Turn);

        Console.WriteLine("Pages, 8 clients, requests per second:");
        foreach (var page in new[] { "/jobs/6/place?view=front", "/jobs/6/hang?view=behind", "/jobs/6/survey?view=behind", "/jobs" })
        {
            await Load(client, app.Base + page, 8, Warm);
            await Load(client, baseline.Base + "/", 8, Warm);
            await Report(page, "/s", () => Load(client, app.Base + page, 8, Turn), Empty);
        }

        await Anew(client, app.Base, Empty);
        Console.WriteLine("Durable entries per second, 32 clients over HTTP, beside raw commits of the same row on the same disk:");
        using var raw = new RawRows(Path.Combine(data, "raw.db"));
        await Entries(client, app.Base, 32, Warm);
        await Report("entries", "/s", () => Entries(client, app.Base, 32, Turn), () => Task.FromResult(raw.CommitFor(Turn)));
        Directory.Delete(data, recursive: true);
    }

    private static async Task Anew(HttpClient client, string url, Func<Task<double>> empty)
    {
        Console.WriteLine("The sign-in page, for somebody who is signed in: what the way in and out costs by itself:");
        await Load(client, url + "/sign-in?anew=", 8, Warm, differ: true);
        await Report("/sign-in", "/s", () => Load(client, url + "/sign-in?anew=", 8, Turn, differ: true), empty);
        Console.WriteLine("The same written anew for every request:");
        foreach (var page in new[] { "/jobs/6/place?view=front", "/jobs/6/survey?view=behind" })
        {
            await Load(client, url + page + "&anew=", 8, Warm, differ: true);
            await Report(page + ", not kept", "/s", () => Load(client, url + page + "&anew=", 8, Turn, differ: true), empty);
        }

        Console.WriteLine($"  the survey page has {await Size(client, url + "/jobs/6/survey?view=behind")} bytes before compression");
    }

    private static async Task Report(string what, string unit, Func<Task<double>> measured, Func<Task<double>> baseline)
    {
        var turns = new List<(double Value, double Baseline)>();
        for (var i = 0; i < Turns; i++)
        {
            turns.Add((await measured(), await baseline()));
        }

        var ratios = turns.Select(t => t.Value / t.Baseline).Order().ToList();
        Console.WriteLine(
            $"  {what,-28} {Middle(turns.Select(t => t.Value)),9:0} {unit,-3} baseline {Middle(turns.Select(t => t.Baseline)),9:0} {unit,-3} ratio {Middle(ratios):0.00} ({ratios[0]:0.00} to {ratios[^1]:0.00})");
    }

    private static double Middle(IEnumerable<double> values) => values.Order().ElementAt(Turns / 2);

    private static async Task<double> StartUp(string app, string page, params string[] more)
    {
        using var server = await Server.StartAsync(app, page, more);
        return server.StartedIn.TotalMilliseconds;
    }

    private static async Task<int> Size(HttpClient client, string url)
    {
        using var request = new HttpRequestMessage(HttpMethod.Get, url);
        request.Headers.AcceptEncoding.Clear();
        request.Headers.AcceptEncoding.Add(new("identity"));
        using var answer = await client.SendAsync(request);
        return (await answer.Content.ReadAsByteArrayAsync()).Length;
    }

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
                var entry = new[] { new { id = Guid.NewGuid().ToString("N"), path = $"/walls/w1/studs/b{n}/centre", value = "54 1/4 in", replaces = Array.Empty<string>() } };
                using var answer = await client.PostAsJsonAsync($"{url}/api/v1/jobs/2/entries", entry);
                answer.EnsureSuccessStatusCode();
                Interlocked.Increment(ref count);
            }
        })));
        return count / watch.Elapsed.TotalSeconds;
    }

    /// <summary>One connection that commits one row after the other, every one of them on the disk before the next.</summary>
    private sealed class RawRows : IDisposable
    {
        private readonly SqliteConnection connection;
        private int rows;

        public RawRows(string path)
        {
            connection = new($"Data Source={path}");
            connection.Open();
            connection.Execute("pragma journal_mode = wal; pragma synchronous = full");
            connection.Execute("create table entries (job integer, seq integer, entry_id text unique, path text, value text, author text, primary key (job, seq)) strict, without rowid");
        }

        public double CommitFor(TimeSpan time)
        {
            var (watch, before) = (Stopwatch.StartNew(), rows);
            while (watch.Elapsed < time)
            {
                connection.Execute(
                    "insert into entries values (1, @n, @id, '/walls/w1/studs/b1/centre', '\"54 1/4 in\"', 'tom')", new { n = rows++, id = Guid.NewGuid().ToString("N") });
            }

            return (rows - before) / watch.Elapsed.TotalSeconds;
        }

        public void Dispose() => connection.Dispose();
    }
}
