using System.Collections.Concurrent;
using System.Diagnostics;
using System.Net;
using System.Net.Http.Json;

namespace Corrie.Bench;

/// <summary>Two hundred clients that read and enter while two hundred pages listen, beside the same number of readers on an empty application.</summary>
internal static class LoadBench
{
    private const int Clients = 200;
    private const int People = 40;
    private const int Pause = 250;

    /// <summary>Puts the load on.</summary>
    /// <param name="corrie">Folder of a published Corrie.</param>
    /// <param name="empty">Folder of a published empty application.</param>
    /// <param name="length">For how long.</param>
    /// <returns>How much went wrong.</returns>
    public static async Task<int> RunAsync(string corrie, string empty, TimeSpan length)
    {
        TimeSpan[] plain;
        using (var app = await Server.StartAsync(Path.Combine(Path.GetFullPath(empty), "Corrie.Bench.Empty.dll"), "/"))
        {
            using var client = new HttpClient(new SocketsHttpHandler { MaxConnectionsPerServer = Clients });
            plain = [.. (await Task.WhenAll(Enumerable.Range(0, Clients).Select(_ => Read(client, app.Base + "/", length / 4)))).SelectMany(t => t).Order()];
        }

        var data = Directory.CreateTempSubdirectory("corrie-load-").FullName;
        var faults = new ConcurrentDictionary<string, int>();
        void Fault(string what) => faults.AddOrUpdate(what, 1, (_, n) => n + 1);
        using (var app = await Server.StartAsync(Path.Combine(Path.GetFullPath(corrie), "Corrie.Web.dll"), "/sign-in", "--Data", data, "--Demo", "true"))
        {
            var people = await Signed(app);
            await Task.WhenAll(people.Select(p => Read(p, $"{app.Base}/jobs/6/place?view=front", TimeSpan.FromSeconds(3))));
            var before = app.Memory;
            using var stop = new CancellationTokenSource();
            var (heard, entered) = (0L, 0);
            var listening = Enumerable.Range(0, Clients).Select(n => Task.Run(async () =>
            {
                try
                {
                    using var stream = new StreamReader(await people[n % People].GetStreamAsync($"{app.Base}/jobs/{1 + (n % 7)}/events", stop.Token));
                    while (await stream.ReadLineAsync(stop.Token) is { } line)
                    {
                        Interlocked.Add(ref heard, line.StartsWith("data: ", StringComparison.Ordinal) ? 1 : 0);
                    }
                }
                catch (OperationCanceledException)
                {
                    return;
                }

                Fault("a stream that ended");
            })).ToList();
            var writing = Task.Run(async () =>
            {
                for (var watch = Stopwatch.StartNew(); watch.Elapsed < length; entered++)
                {
                    using var answer = await people[entered % People].PostAsJsonAsync($"{app.Base}/api/v1/jobs/{1 + (entered % 7)}/entries", new[] { new { id = Guid.NewGuid().ToString("N"), path = "/walls/w1/name", value = $"load {entered}" } });
                    if (!answer.IsSuccessStatusCode)
                    {
                        Fault($"an entry answered {(int)answer.StatusCode}");
                    }

                    await Task.Delay(100);
                }
            });
            var read = (await Task.WhenAll(Enumerable.Range(0, Clients).Select(n => Read(people[n % People], $"{app.Base}/jobs/{1 + (n % 7)}/{(n % 2 == 0 ? "place" : "survey")}?view=front", length, Fault)))).SelectMany(t => t).Order().ToArray();
            await writing;
            await stop.CancelAsync();
            await Task.WhenAll(listening);
            await Task.Delay(TimeSpan.FromSeconds(20));
            var after = app.Memory;
            Console.WriteLine($"{read.Length} reads by {Clients} clients with {Clients} pages listening ({heard} messages heard of {entered} entries) in {length.TotalSeconds:0} s: {faults.Values.Sum()} errors{string.Concat(faults.Select(f => $"; {f.Value} times {f.Key}"))}.");
            Console.WriteLine($"99 of 100 reads in {At(read, 0.99):0} ms (half in {At(read, 0.5):0} ms); of an empty page under the same load {At(plain, 0.99):0} ms (half in {At(plain, 0.5):0} ms): {At(read, 0.99) / At(plain, 0.99):0.0} times.");
            Console.WriteLine($"Memory {before / 1e6:0} MB before, {after / 1e6:0} MB after: {(double)after / before:0.00} times.");
        }

        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        Directory.Delete(data, recursive: true);
        return faults.Values.Sum();
    }

    // As many people as it takes that nobody comes to a limit of their own.
    private static async Task<List<HttpClient>> Signed(Server app)
    {
        using (var lead = await app.SignInAsync())
        {
            // To be read here, and not only received.
            lead.DefaultRequestHeaders.AcceptEncoding.Clear();
            var page = await lead.GetStringAsync(app.Base + "/people");
            var token = page.Split("__RequestVerificationToken\" type=\"hidden\" value=\"")[1].Split('"')[0];
            for (var n = 0; n < People; n++)
            {
                using var form = new FormUrlEncodedContent([new("__RequestVerificationToken", token), new("PersonName", $"Person {n}"), new("SignInName", $"load{n}"), new("Role", "Installer"), new("password", "stile gate wall")]);
                (await lead.PostAsync(app.Base + "/people", form)).EnsureSuccessStatusCode();
            }
        }

        var people = new List<HttpClient>();
        for (var n = 0; n < People; n++)
        {
            people.Add(await app.SignInAsync($"load{n}", "stile gate wall", Clients));
        }

        return people;
    }

    private static async Task<List<TimeSpan>> Read(HttpClient client, string url, TimeSpan length, Action<string>? fault = null)
    {
        var times = new List<TimeSpan>();
        await Task.Delay(Random.Shared.Next(Pause));
        for (var all = Stopwatch.StartNew(); all.Elapsed < length;)
        {
            var watch = Stopwatch.StartNew();
            using var answer = await client.GetAsync(url);
            _ = await answer.Content.ReadAsByteArrayAsync();
            times.Add(watch.Elapsed);
            if (answer.StatusCode != HttpStatusCode.OK)
            {
                fault?.Invoke($"a page answered {(int)answer.StatusCode}");
            }

            await Task.Delay(Pause);
        }

        return times;
    }

    private static double At(TimeSpan[] sorted, double share) => sorted[(int)((sorted.Length - 1) * share)].TotalMilliseconds;
}
