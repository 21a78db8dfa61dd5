using System.Diagnostics;
using System.Net;
using System.Text.RegularExpressions;
using Corrie.Data;
using Corrie.Simulators;
using Corrie.Web.Demo;
using Microsoft.AspNetCore.TestHost;
using Microsoft.Extensions.DependencyInjection;
using Serilog.Core;
using Serilog.Events;

namespace Corrie.Web.Tests;

/// <summary>A sample of <c>bench/run fuzz</c>: whatever anybody sends, the server answers, notes no failure, and the company can be read afterwards.</summary>
public sealed class FuzzTests : IDisposable
{
    private readonly Site site = new();

    public void Dispose() => site.Dispose();

    [Fact]
    public async Task No_request_by_anybody_makes_the_server_fail()
    {
        var failures = new Failures();
        await using var watched = site.WithWebHostBuilder(b => b.ConfigureTestServices(s => s.AddSingleton<ILogEventSink>(failures)));
        // By a real connection: the server itself looks at addresses and headers first.
        watched.UseKestrel(0);
        watched.StartServer();
        var fuzz = new RequestFuzz(1, TarnHall.Read("map-room"));
        var clients = new Dictionary<string, (HttpClient Client, string Token)>();
        var watch = Stopwatch.StartNew();
        string[] who = ["nobody", .. TarnHall.People.Select(p => p.SignIn)];
        for (var n = 0; n < 6000 && watch.Elapsed < TimeSpan.FromSeconds(25); n++)
        {
            var name = who[n % who.Length];
            if (!clients.TryGetValue(name, out var sender))
            {
                var client = new HttpClient(new SocketsHttpHandler { AllowAutoRedirect = false }) { BaseAddress = watched.ClientOptions.BaseAddress };
                if (name != "nobody")
                {
                    await client.Post("/sign-in", "/sign-in", ("name", name), ("password", TarnHall.People.Single(p => p.SignIn == name).Password));
                }

                clients[name] = sender = (client, await client.Token(name == "nobody" ? "/sign-in" : "/account"));
            }

            var made = fuzz.Next(sender.Token);
            using var request = made.To(watched.ClientOptions.BaseAddress.AbsoluteUri);
            if (request is null)
            {
                continue;
            }

            using var answer = await sender.Client.SendAsync(request, HttpCompletionOption.ResponseHeadersRead);
            Assert.True((int)answer.StatusCode < 500, $"{(int)answer.StatusCode} to {name}: {made} {string.Join(' ', made.Headers)} {(made.Body is null ? string.Empty : System.Text.Encoding.ASCII.GetString(made.Body))} {string.Join(' ', failures.Said)}");
            if (made.Address.StartsWith("/api/", StringComparison.Ordinal) && (int)answer.StatusCode >= 400 && made.Method != "HEAD" && answer.Headers.ConnectionClose != true)
            {
                // What the web server itself hangs up on never comes to Corrie.
                Assert.True(answer.Content.Headers.ContentType?.MediaType == "application/problem+json", $"{answer} to {name}: {made}");
            }
        }

        Assert.Empty(failures.Said);
        await watched.DisposeAsync();
        Assert.Empty((await SelfCheck.Run(site.Folder, TimeProvider.System)).Problems);
    }

    private sealed class Failures : ILogEventSink
    {
        public List<string> Said { get; } = [];

        public void Emit(LogEvent logEvent)
        {
            if (logEvent.Level >= LogEventLevel.Error || logEvent.Exception is not null)
            {
                lock (Said)
                {
                    Said.Add($"{logEvent.RenderMessage(null)} {logEvent.Exception}");
                }
            }
        }
    }
}
