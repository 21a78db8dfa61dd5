using System.Net;
using System.Net.Http.Json;

namespace Corrie.Web.Tests;

/// <summary>What an open page hears of what others do.</summary>
public sealed class StreamTests(Site site) : IClassFixture<Site>
{
    private static Task<HttpResponseMessage> Enter(HttpClient client, long job, string height) => client.PostAsJsonAsync(
        $"/api/v1/jobs/{job}/entries", new[] { new { id = Guid.NewGuid().ToString("N"), path = "/items/d1/place/height", value = height } });

    [Fact]
    public async Task A_page_hears_where_the_job_is_at_once_and_then_of_every_entry_in_it_alone()
    {
        var (ines, tom) = (await site.As("ines"), await site.As("tom"));
        await Enter(ines, Site.Office, "47 in");
        using var stop = new CancellationTokenSource(TimeSpan.FromSeconds(30));
        using var line = new StreamReader(await tom.GetStreamAsync($"/jobs/{Site.Office}/events", stop.Token));
        var now = await Next(line, stop.Token);
        Assert.True(now >= 2, "an entry that came before the page began to listen is told all the same");
        await Enter(ines, Site.Stove, "48 in");
        await Enter(ines, Site.Office, "48 in");
        Assert.Equal(now + 1, await Next(line, stop.Token));
        await Enter(tom, Site.Office, "49 in");
        Assert.Equal(now + 2, await Next(line, stop.Token));
    }

    [Fact]
    public async Task Nobody_hears_of_a_job_that_they_may_not_see()
    {
        Assert.Equal(HttpStatusCode.NotFound, (await (await site.As("tom")).GetAsync("/jobs/999/events")).StatusCode);
        Assert.Equal("/sign-in", (await site.Nobody().GetAsync("/jobs/6/events")).Headers.Location!.AbsolutePath);
        var ines = await site.As("ines");
        var elsewhere = await ines.Post(
            "/jobs/new", "/jobs/new", ("Title", "Other hall"), ("Width", "120 in"), ("Height", "96 in"), ("JobUnits", "in"), ("SiteId", "0"), ("SiteName", "Other site"));
        var job = elsewhere.Headers.Location!.OriginalString;
        Assert.Equal(HttpStatusCode.OK, (await ines.GetAsync(job)).StatusCode);
        var warden = await site.As("warden");
        Assert.Equal(HttpStatusCode.NotFound, (await warden.GetAsync(job)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await warden.GetAsync(job.Split('/')[2] is var id ? $"/jobs/{id}/events" : string.Empty)).StatusCode);
        Assert.DoesNotContain("Other hall", await warden.GetStringAsync("/jobs"));
    }

    private static async Task<long> Next(StreamReader line, CancellationToken stop)
    {
        while (await line.ReadLineAsync(stop) is { } text)
        {
            if (text.StartsWith("data: ", StringComparison.Ordinal))
            {
                return long.Parse(text[6..]);
            }
        }

        throw new EndOfStreamException("the stream ended");
    }
}
