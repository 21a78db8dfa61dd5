using System.Net.Http.Headers;
using System.Text;
using Corrie.Simulators;

namespace Corrie.Bench;

/// <summary>Sends broken job files to a running Corrie and counts how it answers: it may refuse them, and must never break.</summary>
internal static class ApiBench
{
    private const int Clients = 8;

    /// <summary>Sends the files.</summary>
    /// <param name="corrie">Folder of a published Corrie.</param>
    /// <param name="count">How many bodies.</param>
    /// <returns>How many answers were a server's error.</returns>
    public static async Task<int> RunAsync(string corrie, int count)
    {
        var data = Directory.CreateTempSubdirectory("corrie-bench-").FullName;
        using var app = await Server.StartAsync(Path.Combine(Path.GetFullPath(corrie), "Corrie.Web.dll"), "/sign-in", "--Data", data, "--Demo", "true");
        using var client = await app.SignInAsync();
        client.DefaultRequestHeaders.AcceptEncoding.Clear();
        var sound = await Task.WhenAll(Enumerable.Range(1, 6).Select(n => client.GetStringAsync($"{app.Base}/api/v1/jobs/{n}/file")));

        var answers = await Task.WhenAll(Enumerable.Range(0, Clients).Select(n => Task.Run(() => Send(client, app.Base, new BrokenFiles(sound, n), count / Clients))));
        foreach (var group in answers.SelectMany(a => a).GroupBy(a => a.Key).OrderBy(g => g.Key))
        {
            Console.WriteLine($"  {group.Key,-38} {group.Sum(a => a.Value),8}");
        }

        // Whatever was sent, the server is still there and knows its jobs.
        using var after = await client.GetAsync(app.Base + "/api/v1/jobs/6/plan");
        after.EnsureSuccessStatusCode();
        var broken = answers.SelectMany(a => a).Where(a => a.Key.Contains(" 5", StringComparison.Ordinal)).Sum(a => a.Value);
        Console.WriteLine($"{answers.SelectMany(a => a).Sum(a => a.Value)} bodies, {broken} answered with a server's error.");
        foreach (var line in app.Said.Where(l => l.Contains("Exception", StringComparison.Ordinal)).Take(20))
        {
            Console.WriteLine("  " + line[..Math.Min(line.Length, 2_000)]);
        }

        return broken;
    }

    private static async Task<Dictionary<string, int>> Send(HttpClient client, string url, BrokenFiles files, int count)
    {
        var answers = new Dictionary<string, int>();
        for (var n = 0; n < count; n++)
        {
            // Most go to the planner; some are entries in a job, and a few are whole jobs, which are kept where they are sound.
            var (to, body) = (n % 20) switch
            {
                0 => ("/jobs", Text(files.Document().ToJsonString())),
                1 or 2 => ("/jobs/2/entries", Text($$"""[{"id":"{{Guid.NewGuid():N}}","path":"/walls/w1","value":{{(files.Document()["walls"] as System.Text.Json.Nodes.JsonObject)?["w1"]?.ToJsonString() ?? "null"}}}]""")),
                3 => ("/jobs/2/entries", files.Bytes()),
                var k when k % 4 == 0 => ("/plan", files.Bytes()),
                _ => ("/plan", Text(files.Document().ToJsonString())),
            };
            using var content = new ByteArrayContent(body) { Headers = { ContentType = new MediaTypeHeaderValue("application/json") } };
            using var answer = await client.PostAsync(url + "/api/v1" + to, content);
            var key = $"{to} {(int)answer.StatusCode}";
            answers[key] = answers.GetValueOrDefault(key) + 1;
        }

        return answers;
    }

    private static byte[] Text(string text) => Encoding.UTF8.GetBytes(text);
}
