using System.Collections.Concurrent;
using System.Net;
using System.Net.Http.Json;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.AspNetCore.TestHost;
using Microsoft.Extensions.DependencyInjection;
using Serilog.Core;
using Serilog.Events;

namespace Corrie.Web.Tests;

/// <summary>What whoever runs Corrie sees of it.</summary>
public sealed class OperationTests : IDisposable
{
    private readonly Site site = new();
    private readonly Kept logs = new();
    private readonly WebApplicationFactory<Program> watched;

    public OperationTests() => watched = site.WithWebHostBuilder(b => b.ConfigureTestServices(s => s.AddSingleton<ILogEventSink>(logs)));

    public void Dispose()
    {
        watched.Dispose();
        site.Dispose();
    }

    [Fact]
    public async Task Sign_ins_changes_of_people_and_refusals_are_noted_with_their_request_and_without_a_private_word()
    {
        var client = watched.CreateClient(new() { AllowAutoRedirect = false });
        await client.Post("/sign-in", "/sign-in", ("name", "my-secret-typed-as-name"), ("password", "guess-with-words"));
        await client.Post("/sign-in", "/sign-in", ("name", "warden"), ("password", "stove-room-4"));
        Assert.Equal(HttpStatusCode.Forbidden, (await client.PostAsJsonAsync("/api/v1/jobs/6/entries", new[] { new { id = "private-words", path = "/job/title", value = "A private title" } })).StatusCode);
        await client.SendAsync(new(HttpMethod.Get, "/catalogue/display/private-item") { Headers = { { "HX-Request", "true" } } });
        var lead = watched.CreateClient(new() { AllowAutoRedirect = false });
        await lead.Post("/sign-in", "/sign-in", ("name", "ines"), ("password", "chalk-line-1"));
        await lead.Post("/people", "/people?handler=Left", ("id", "2"), ("left", "true"));
        await lead.PostAsJsonAsync("/api/v1/jobs/6/entries", new[] { new { id = "private-words", path = "/job/title", value = "A private title" } });
        await lead.GetAsync("/jobs?search=private+search");
        await lead.GetAsync("/no/such/private-page");

        var said = logs.Events.Select(e => e.RenderMessage(System.Globalization.CultureInfo.InvariantCulture)).ToList();
        Assert.Contains(said, m => m.Contains("ended: Wrong"));
        Assert.Contains(said, m => m.StartsWith("Person 4 of \"fellside\" signed in", StringComparison.Ordinal));
        Assert.Contains(said, m => m.StartsWith("Person 1 of \"fellside\" changed person 2", StringComparison.Ordinal));
        Assert.Contains(said, m => m.Contains("answered 403"));
        Assert.Contains(said, m => m.StartsWith("Corrie listens on", StringComparison.Ordinal) && m.Contains(site.Folder));
        Assert.Single(said, m => m.Contains("unencrypted"));
        Assert.DoesNotContain(logs.Events, e => e.Level >= LogEventLevel.Error);
        var all = string.Join('\n', logs.Events.Select(e => $"{e.RenderMessage(System.Globalization.CultureInfo.InvariantCulture)} {e.Exception} {string.Join(' ', e.Properties.Select(p => $"{p.Key}={p.Value}"))}"));
        foreach (var word in new[] { "secret", "guess", "private", "stove-room", "chalk", "Arkle", "ines", "warden" })
        {
            Assert.DoesNotContain(word, all.Replace(site.Folder, string.Empty, StringComparison.Ordinal), StringComparison.OrdinalIgnoreCase);
        }

        Assert.All(logs.Events.Where(e => e.MessageTemplate.Text.StartsWith("Person", StringComparison.Ordinal)), e => Assert.True(e.Properties.ContainsKey("RequestId")));
    }

    [Fact]
    public async Task Health_is_one_word_for_everybody_and_ready_only_where_every_file_opens()
    {
        var client = watched.CreateClient();
        Assert.Equal("Healthy", await client.GetStringAsync("/health/live"));
        Assert.Equal("Healthy", await client.GetStringAsync("/health/ready"));
        await File.WriteAllTextAsync(Path.Combine(site.Folder, "other.corrie"), "no company's file at all, whatever its name says");
        var unready = await client.GetAsync("/health/ready");
        Assert.Equal((HttpStatusCode.ServiceUnavailable, "Unhealthy"), (unready.StatusCode, await unready.Content.ReadAsStringAsync()));
        Assert.Equal("Healthy", await client.GetStringAsync("/health/live"));
    }

    private sealed class Kept : ILogEventSink
    {
        public ConcurrentQueue<LogEvent> Events { get; } = [];

        public void Emit(LogEvent logEvent) => Events.Enqueue(logEvent);
    }
}
