using System.Diagnostics;
using System.Net;
using System.Text.RegularExpressions;
using Corrie.Data;
using Corrie.Simulators;

namespace Corrie.Bench;

/// <summary>Sends a published Corrie what nobody in their senses would, as everybody, and looks at how it answers, how long that takes, and what it notes.</summary>
internal static class FuzzBench
{
    private const int Senders = 4;

    private static readonly (string Name, string Password)[] Who = [("nobody", string.Empty), ("ines", "chalk-line-1"), ("olive", "tape-hook-3"), ("tom", "plumb-bob-2"), ("warden", "stove-room-4")];

    /// <summary>Sends the requests.</summary>
    /// <param name="corrie">Folder of a published Corrie.</param>
    /// <param name="count">How many.</param>
    /// <returns>How much went wrong.</returns>
    public static async Task<int> RunAsync(string corrie, int count)
    {
        var data = Directory.CreateTempSubdirectory("corrie-fuzz-").FullName;
        var faults = new List<string>();
        var (answers, slowest) = (new SortedDictionary<int, int>(), TimeSpan.Zero);
        using (var app = await Server.StartAsync(Path.Combine(Path.GetFullPath(corrie), "Corrie.Web.dll"), "/sign-in", "--Data", data, "--Demo", "true"))
        {
            var baseline = await Baseline(app);
            var file = await (await app.SignInAsync()).GetStringAsync($"{app.Base}/api/v1/jobs/6/file");
            var told = await Task.WhenAll(Enumerable.Range(0, Senders).Select(n => Task.Run(() => Send(app, new RequestFuzz(n, file), count / Senders, faults))));
            foreach (var (status, times) in told.SelectMany(t => t.Answers))
            {
                answers[status] = answers.GetValueOrDefault(status) + times;
            }

            slowest = told.Max(t => t.Slowest);
            faults.AddRange(app.Said.Where(line => line.Contains("\"@x\"", StringComparison.Ordinal) || line.Contains("\"@l\":\"Error\"", StringComparison.Ordinal) || line.Contains("Unhandled", StringComparison.Ordinal)));
            Console.WriteLine($"{answers.Values.Sum()} requests, by status: {string.Join(", ", answers.Select(a => $"{a.Key}: {a.Value}"))}.");
            Console.WriteLine($"Slowest {slowest.TotalMilliseconds:0} ms; the slowest of {BaselineRequests} requests for one page, as many at once, in the same run {baseline.TotalMilliseconds:0} ms.");
        }

        var report = await SelfCheck.Run(data, TimeProvider.System);
        faults.AddRange(report.Problems);
        Console.WriteLine(faults.Count == 0 ? $"No failure in the log; all is well in the company: {report.Jobs} jobs, {report.Entries} entries." : $"{faults.Count} FAULTS:\n{string.Join('\n', faults.Take(10).Select(f => f.Length > 600 ? f[..600] : f))}");
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        Directory.Delete(data, recursive: true);
        return faults.Count;
    }

    private const int BaselineRequests = 4000;

    private static async Task<TimeSpan> Baseline(Server app)
    {
        var slowest = await Task.WhenAll(Enumerable.Range(0, Senders).Select(_ => Task.Run(async () =>
        {
            using var client = await app.SignInAsync();
            var worst = TimeSpan.Zero;
            for (var n = 0; n < BaselineRequests / Senders; n++)
            {
                var watch = Stopwatch.StartNew();
                (await client.GetAsync($"{app.Base}/jobs/6/place?view=front&n={n}")).Dispose();
                worst = n < 50 || watch.Elapsed < worst ? worst : watch.Elapsed;
            }

            return worst;
        })));
        return slowest.Max();
    }

    private static async Task<(Dictionary<int, int> Answers, TimeSpan Slowest)> Send(Server app, RequestFuzz fuzz, int count, List<string> faults)
    {
        var (answers, slowest) = (new Dictionary<int, int>(), TimeSpan.Zero);
        var clients = new Dictionary<string, (HttpClient Client, string Token)>();
        for (var n = 0; n < count; n++)
        {
            var (name, password) = Who[n % Who.Length];
            if (!clients.TryGetValue(name, out var sender))
            {
                var client = name == "nobody" ? new HttpClient(new SocketsHttpHandler { AllowAutoRedirect = false }) : await app.SignInAsync(name, password);
                var page = await client.GetStringAsync(app.Base + (name == "nobody" ? "/sign-in" : "/account"));
                clients[name] = sender = (client, Regex.Match(page, "__RequestVerificationToken\" type=\"hidden\" value=\"([^\"]+)\"").Groups[1].Value);
            }

            var made = fuzz.Next(sender.Token);
            using var request = made.To(app.Base);
            if (request is null)
            {
                continue;
            }

            var watch = Stopwatch.StartNew();
            using var answer = await sender.Client.SendAsync(request, HttpCompletionOption.ResponseHeadersRead);
            slowest = watch.Elapsed > slowest ? watch.Elapsed : slowest;
            answers[(int)answer.StatusCode] = answers.GetValueOrDefault((int)answer.StatusCode) + 1;
            if (answer.StatusCode >= HttpStatusCode.InternalServerError || watch.Elapsed > TimeSpan.FromSeconds(1))
            {
                lock (faults)
                {
                    faults.Add($"{(int)answer.StatusCode} after {watch.Elapsed.TotalMilliseconds:0} ms to {name}: {made.Method} {made.Address} {made.ContentType} {string.Join(' ', made.Headers)}");
                }
            }

            // Somebody has signed everybody out, or has a new password.
            if (name != "nobody" && (answer.StatusCode == HttpStatusCode.Unauthorized || answer.RequestMessage?.RequestUri?.AbsolutePath == "/sign-in"))
            {
                clients.Remove(name);
            }
        }

        return (answers, slowest);
    }
}
