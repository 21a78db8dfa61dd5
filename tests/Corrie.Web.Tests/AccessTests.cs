using System.Net;
using System.Net.Http.Json;

namespace Corrie.Web.Tests;

/// <summary>Who may do what, as the company wants it; written by hand and not read from the table in the code.</summary>
public sealed class AccessTests(Site site) : IClassFixture<Site>
{
    private const string Everybody = "ines olive tom warden";
    private const string Crew = "ines olive tom";
    private const string Planners = "ines olive";

    [Theory]
    [InlineData("/jobs", Everybody)]
    [InlineData("/jobs/6/survey", Everybody)]
    [InlineData("/jobs/6/sheet", Everybody)]
    [InlineData("/jobs/6/history", Everybody)]
    [InlineData("/practice/2", Everybody)]
    [InlineData("/api/v1/jobs/6/plan", Everybody)]
    [InlineData("/catalogue", Crew)]
    [InlineData("/catalogue/mount/m-tilt24", Crew)]
    [InlineData("/jobs/new", Planners)]
    [InlineData("/people", Planners)]
    public async Task Pages_open_to(string page, string whom)
    {
        foreach (var who in Everybody.Split(' '))
        {
            var answer = await (await site.As(who)).GetAsync(page);
            Assert.True((answer.StatusCode == HttpStatusCode.OK) == whom.Contains(who), $"{who} and {page}: {answer.StatusCode}");
        }

        Assert.NotEqual(HttpStatusCode.OK, (await site.Nobody().GetAsync(page)).StatusCode);
    }

    [Theory]
    [InlineData("/api/v1/jobs/6/entries", "[{\"id\":\"ID\",\"path\":\"/items/d1/place/gapBelow\",\"value\":\"2 in\"}]", Crew)]
    [InlineData("/api/v1/jobs", "{\"format\":\"corrie-job/2\",\"job\":{\"title\":\"t\",\"units\":\"in\"}}", Planners)]
    [InlineData("/api/v1/plan", "{\"format\":\"corrie-job/2\",\"job\":{\"title\":\"t\",\"units\":\"in\"}}", Everybody)]
    public async Task Programs_may(string address, string body, string whom)
    {
        foreach (var who in Everybody.Split(' '))
        {
            var client = await site.As(who);
            using var content = new StringContent(body.Replace("ID", Guid.NewGuid().ToString("N")), null, "application/json");
            var answer = await client.PostAsync(address, content);
            Assert.True(answer.IsSuccessStatusCode == whom.Contains(who), $"{who} and {address}: {answer.StatusCode}");
            Assert.True(answer.IsSuccessStatusCode || answer.StatusCode == HttpStatusCode.Forbidden);
        }
    }

    [Fact]
    public async Task Others_changes_are_taken_back_by_a_lead_and_nobody_else()
    {
        var (ines, olive, tom) = (await site.As("ines"), await site.As("olive"), await site.As("tom"));
        async Task<string> Enter(HttpClient who)
        {
            var answer = await who.PostAsJsonAsync("/api/v1/jobs/4/entries", new[] { new { id = Guid.NewGuid().ToString("N"), path = "/items/d1/place/gapBelow", value = "3 in" } });
            return (await answer.Content.ReadFromJsonAsync<List<Made>>())!.Single().Batch;
        }

        async Task<HttpStatusCode> TakeBack(HttpClient who, string batch) =>
            (await who.PostAsJsonAsync("/api/v1/jobs/4/entries", new[] { new { id = Guid.NewGuid().ToString("N"), undoes = batch } })).StatusCode;

        Assert.Equal(HttpStatusCode.Forbidden, await TakeBack(tom, await Enter(olive)));
        Assert.Equal(HttpStatusCode.Forbidden, await TakeBack(olive, await Enter(tom)));
        Assert.Equal(HttpStatusCode.OK, await TakeBack(tom, await Enter(tom)));
        Assert.Equal(HttpStatusCode.OK, await TakeBack(ines, await Enter(olive)));
    }

    [Fact]
    public async Task A_long_history_is_paged_and_says_what_stood_before()
    {
        var ines = await site.As("ines");
        for (var n = 0; n < 5; n++)
        {
            var entries = Enumerable.Range(0, 50).Select(i => new { id = $"long-{n}-{i:000}", path = "/items/d1/place/height", value = $"{20 + n} {i} in".Replace(" ", ".", StringComparison.Ordinal).Replace(".in", " in") }).ToArray();
            Assert.Equal(HttpStatusCode.OK, (await ines.PostAsJsonAsync("/api/v1/jobs/3/entries", entries)).StatusCode);
        }

        var latest = (await ines.GetStringAsync("/jobs/3/history")).Plain();
        Assert.Contains("251 entries", latest);
        Assert.Contains("Shown are 152 to 251", latest);
        Assert.DoesNotContain("started", latest);
        var oldest = (await ines.GetStringAsync("/jobs/3/history?before=52")).Plain();
        Assert.Contains("Shown are 1 to 51", oldest);
        // The second of these replaced the first: 20 1/10 in shown to 1/16.
        Assert.Contains("height over the floor: 20 in → 20 1/8 in", oldest);
        Assert.Contains("There are none so old", (await ines.GetStringAsync("/jobs/3/history?before=1")).Plain());
    }

    private sealed record Made(string Id, long Seq, string Batch);
}
