using System.Net;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;

namespace Corrie.Web.Tests;

/// <summary>What a stranger, another site or a careless page could do.</summary>
public sealed class SecurityTests(Site site) : IClassFixture<Site>
{
    public static TheoryData<string> Pages =>
        ["/sign-in", "/jobs", "/jobs/new", "/jobs/6/survey?view=behind", "/jobs/5/place?view=side", "/jobs/6/sheet", "/jobs/6/history", "/catalogue", "/catalogue/mount/m-tilt24", "/people", "/practice/2"];

    /// <summary>Everything that a page loads ships with the application: no address leads anywhere else, in pages, styles or scripts.</summary>
    [Theory]
    [MemberData(nameof(Pages))]
    public async Task Nothing_is_loaded_from_elsewhere(string page)
    {
        var client = await site.As("ines");
        var html = await client.GetStringAsync(page);
        Assert.Empty(Elsewhere(html));
        var files = Regex.Matches(html, "(?:src|href)=\"(/[^\"]+\\.(?:js|css|woff2)[^\"]*)\"").Select(m => WebUtility.HtmlDecode(m.Groups[1].Value)).Distinct().ToList();
        Assert.True(files.Count >= 3);
        foreach (var file in files)
        {
            var answer = await client.GetAsync(file);
            Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
            Assert.Empty(Elsewhere(await answer.Content.ReadAsStringAsync()));
        }
    }

    [Fact]
    public async Task A_client_learns_nothing_of_the_catalogue()
    {
        var warden = await site.As("warden");
        var names = JsonNode.Parse(Demo.TarnHall.Read("catalogue"))!.AsArray().Select(i => i!["document"]!["name"]!.ToString()).ToList();
        foreach (var page in new[] { "place", "hang", "fix", "survey" })
        {
            var html = WebUtility.HtmlDecode(await warden.GetStringAsync($"/jobs/6/{page}?view=front"));
            var file = await warden.GetStringAsync("/api/v1/jobs/6/file");
            Assert.DoesNotContain(names, n => html.Contains(n, StringComparison.Ordinal) && !file.Contains(n, StringComparison.Ordinal));
            Assert.Contains(names, n => html.Contains(n, StringComparison.Ordinal) || file.Contains(n, StringComparison.Ordinal));
        }
    }

    [Theory]
    [InlineData(null)]
    [InlineData("text/plain")]
    [InlineData("application/x-www-form-urlencoded")]
    public async Task A_body_that_does_not_say_that_it_is_json_is_refused(string? type)
    {
        var ines = await site.As("ines");
        foreach (var address in new[] { "/api/v1/plan", "/api/v1/jobs", "/api/v1/jobs/6/entries", "/api/v1/sign-in" })
        {
            using var content = new ByteArrayContent("{}"u8.ToArray());
            if (type is not null)
            {
                content.Headers.ContentType = new(type);
            }

            Assert.Equal(HttpStatusCode.UnsupportedMediaType, (await ines.PostAsync(address, content)).StatusCode);
        }
    }

    /// <summary>What is somebody's own is kept by nobody on the way.</summary>
    [Theory]
    [InlineData("/jobs")]
    [InlineData("/jobs/6/place?view=front")]
    [InlineData("/jobs/6/sheet")]
    [InlineData("/api/v1/jobs/6/plan")]
    [InlineData("/account")]
    public async Task Private_answers_are_not_stored(string page) =>
        Assert.True((await (await site.As("ines")).GetAsync(page)).Headers.CacheControl!.NoStore);

    [Fact]
    public async Task Cookies_are_for_the_server_alone_and_for_this_site_alone()
    {
        var answer = await site.Nobody().Post("/sign-in", "/sign-in", ("name", "ines"), ("password", "chalk-line-1"));
        var cookies = answer.Headers.GetValues("Set-Cookie").ToList();
        Assert.NotEmpty(cookies);
        Assert.All(cookies, cookie =>
        {
            Assert.Contains("httponly", cookie, StringComparison.OrdinalIgnoreCase);
            Assert.Matches("(?i)samesite=(lax|strict)", cookie);
        });
        Assert.DoesNotContain(cookies, cookie => cookie.Contains("chalk", StringComparison.Ordinal) || cookie.Contains("ines", StringComparison.Ordinal));
    }

    [Theory]
    [InlineData("https://elsewhere.example/")]
    [InlineData("//elsewhere.example/")]
    [InlineData("/\\elsewhere.example")]
    public async Task Signing_in_leads_to_a_page_of_corrie(string back)
    {
        var answer = await site.Nobody().Post("/sign-in", "/sign-in?ReturnUrl=" + Uri.EscapeDataString(back), ("name", "ines"), ("password", "chalk-line-1"));
        Assert.Equal("/jobs", answer.Headers.Location!.OriginalString);
        var units = await (await site.As("ines")).Post("/jobs", "/units", ("units", "mm"), ("back", back));
        Assert.Equal("/jobs", units.Headers.Location!.OriginalString);
    }

    [Theory]
    [InlineData("/jobs/6/place?view=front&handler=Set")]
    [InlineData("/jobs/6/survey?view=front&handler=Evidence")]
    [InlineData("/jobs/new")]
    [InlineData("/people?handler=Left")]
    [InlineData("/people")]
    [InlineData("/catalogue/display/d-65")]
    [InlineData("/units")]
    [InlineData("/sign-in")]
    [InlineData("/sign-out")]
    public async Task A_form_from_another_site_is_refused(string address)
    {
        using var form = new FormUrlEncodedContent([new("path", "/items/d1/place/height"), new("value", "1 in"), new("id", "1"), new("left", "true")]);
        Assert.Equal(HttpStatusCode.BadRequest, (await (await site.As("ines")).PostAsync(address, form)).StatusCode);
    }

    [Theory]
    [InlineData("/jobs/6/../../etc/passwd")]
    [InlineData("/jobs/6/survey?handler=Picture&name=../../fitters.corrie&size=view")]
    [InlineData("/css/../appsettings.json")]
    [InlineData("/keys")]
    [InlineData("/jobs/6/survey?handler=Picture&name=0000000000000000000000000000000000000000000000000000000000000000&size=view")]
    public async Task Files_that_are_not_pages_are_not_served(string address) =>
        Assert.Equal(HttpStatusCode.NotFound, (await (await site.As("ines")).GetAsync(address)).StatusCode);

    [Fact]
    public async Task A_page_that_is_not_there_says_so_without_a_trace()
    {
        var answer = await (await site.As("ines")).GetAsync("/nowhere");
        var html = await answer.Content.ReadAsStringAsync();
        Assert.Equal(HttpStatusCode.NotFound, answer.StatusCode);
        Assert.DoesNotContain("   at ", html);
        Assert.DoesNotContain("Exception", html);
        Assert.Contains("Jobs", html);
    }

    // Names of markup languages are no addresses that anything is loaded from.
    private static List<string> Elsewhere(string text) =>
        [.. Regex.Matches(text, "(?:src|href|action)=\"(?:https?:)?//[^\"]+|url\\((['\"]?)(?:https?:)?//[^)]+|@import[^;]+|(?:fetch|import)\\(['\"]https?://[^)]+").Select(m => m.Value)];
}
