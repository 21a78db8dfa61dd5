using System.Collections.Concurrent;
using System.Diagnostics;
using System.Net;
using System.Net.Http.Json;
using System.Net.Sockets;
using System.Text.Json;

namespace Corrie.Bench;

/// <summary>An application that runs by itself for as long as it is measured.</summary>
internal sealed class Server : IDisposable
{
    private readonly Process process;

    private Server(Process process, string url, TimeSpan startedIn)
    {
        this.process = process;
        Base = url;
        StartedIn = startedIn;
    }

    public string Base { get; }

    public TimeSpan StartedIn { get; }

    /// <summary>What it has written on its outputs.</summary>
    public ConcurrentQueue<string> Said { get; private init; } = [];

    /// <summary>How much memory it has, in bytes.</summary>
    public long Memory
    {
        get
        {
            process.Refresh();
            return process.WorkingSet64;
        }
    }

    public static async Task<Server> StartAsync(string app, string page, params string[] more)
    {
        var url = $"http://127.0.0.1:{FreePort()}";
        var watch = Stopwatch.StartNew();
        var process = Process.Start(new ProcessStartInfo("dotnet", [app, "--contentRoot", Path.GetDirectoryName(app)!, "--Urls", url, .. more]) { RedirectStandardOutput = true, RedirectStandardError = true })!;
        var said = new ConcurrentQueue<string>();
        process.OutputDataReceived += (_, line) => said.Enqueue(line.Data ?? string.Empty);
        process.ErrorDataReceived += (_, line) => said.Enqueue(line.Data ?? string.Empty);
        process.BeginOutputReadLine();
        process.BeginErrorReadLine();
        using var client = new HttpClient();
        while (true)
        {
            try
            {
                using var answer = await client.GetAsync(url + page);
                answer.EnsureSuccessStatusCode();
                return new(process, url, watch.Elapsed) { Said = said };
            }
            catch (HttpRequestException) when (watch.Elapsed < TimeSpan.FromSeconds(30) && !process.HasExited)
            {
                await Task.Delay(5);
            }
        }
    }

    public async Task<HttpClient> SignInAsync(string name = "ines", string password = "chalk-line-1", int connections = 64)
    {
        var client = new HttpClient(new SocketsHttpHandler { CookieContainer = new CookieContainer(), MaxConnectionsPerServer = connections });
        // As a browser asks; the baseline is asked in the same way.
        client.DefaultRequestHeaders.Add("Accept-Encoding", "br, gzip");
        // Many who come at once for the first time are told to try again.
        for (var watch = Stopwatch.StartNew(); ;)
        {
            using var answer = await client.PostAsJsonAsync(Base + "/api/v1/sign-in", new { name, password }, JsonSerializerOptions.Web);
            if (answer.StatusCode != HttpStatusCode.TooManyRequests || watch.Elapsed > TimeSpan.FromSeconds(60))
            {
                answer.EnsureSuccessStatusCode();
                return client;
            }

            await Task.Delay(500);
        }
    }

    public void Dispose()
    {
        process.Kill();
        process.WaitForExit();
        process.Dispose();
    }

    private static int FreePort()
    {
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        return ((IPEndPoint)listener.LocalEndpoint).Port;
    }
}
