using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using Corrie.Core.Format;

namespace Corrie.Web.Tests;

public sealed class PagesTests(Site site) : IClassFixture<Site>
{
    private static string Wall(long job, string step = "place", string view = "front", string? handler = null) =>
        $"/jobs/{job}/{step}?view={view}{(handler is null ? string.Empty : "&handler=" + handler)}";

    public static TheoryData<string> Pages =>
    [
        "/jobs", "/jobs?state=clear", "/jobs?search=nothing-of-the-kind", "/jobs/new", "/catalogue", "/catalogue/mount", "/catalogue/fastener", "/catalogue/soundbar", "/catalogue/box/new", "/figures",
        "/catalogue/display/d-65", "/catalogue/mount/m-tilt24", "/catalogue/mount/new", "/jobs/6/sheet", "/jobs/6/history", "/jobs/2/sheet",
        .. from job in Enumerable.Range(1, 6) from step in new[] { "survey", "place", "hang", "fix" } select $"/jobs/{job}/{step}?view=behind",
        .. from view in new[] { "front", "side", "above" } from job in Enumerable.Range(1, 6) select $"/jobs/{job}?view={view}",
    ];

    [Theory]
    [MemberData(nameof(Pages))]
    public async Task Pages_answer_under_a_strict_policy_without_inline_script_or_style(string page)
    {
        var client = await site.As("ines");
        var answer = await client.GetAsync(page);
        var html = await answer.Content.ReadAsStringAsync();
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        Assert.Contains("default-src 'self'", answer.Headers.GetValues("Content-Security-Policy").Single());
        Assert.DoesNotMatch("<script(?![^>]* src=)|<style| style=\"| on[a-z]+=\"", html);
        Assert.DoesNotContain("@", html.Plain().Replace("@media", string.Empty));
    }

    [Fact]
    public async Task What_is_beside_the_drawing_is_the_same_from_every_side_and_without_script_one_stays_on_the_side_where_one_is()
    {
        var client = await site.As("ines");
        async Task<string> Beside(string view) => (await client.GetStringAsync(Wall(Site.MapRoom, "hang", view))).Split("<aside")[1];
        Assert.Equal(await Beside("front"), await Beside("behind"));
        client.DefaultRequestHeaders.Referrer = new(client.BaseAddress!, Wall(Site.MapRoom, "hang", "side"));
        Assert.Contains("data-view=\"side\"", await client.GetStringAsync($"/jobs/{Site.MapRoom}/place"));
        Assert.Contains("view=side", (await client.Post(Wall(Site.MapRoom), $"/jobs/{Site.MapRoom}/place?handler=Undo")).Headers.Location!.OriginalString);
        // What another job showed is nothing to this one.
        Assert.Contains("data-view=\"front\"", await client.GetStringAsync($"/jobs/{Site.Office}/place"));
    }

    [Theory]
    [InlineData(Site.MapRoom)]
    [InlineData(Site.Corridor)]
    [InlineData(Site.Office)]
    public async Task Exported_jobs_give_the_command_line_the_numbers_that_the_pages_show(long job)
    {
        var client = await site.As("tom");
        var file = Path.GetTempFileName();
        await File.WriteAllTextAsync(file, await client.GetStringAsync($"/api/v1/jobs/{job}/file"));
        var plan = JsonNode.Parse(await Run("plan", file))!;
        var page = (await client.GetStringAsync($"/jobs/{job}/sheet")).Plain();
        var marks = plan["marks"]!.AsArray();
        Assert.True(marks.Count >= 10);
        foreach (var mark in marks)
        {
            foreach (var reading in mark!["reads"]!.ToString().Split(", "))
            {
                var (figures, way) = (reading.Split([" in ", " mm "], StringSplitOptions.None)[0], reading.Contains(" left of the ") ? "◂" : reading.Contains(" below the ") ? "▾" : string.Empty);
                Assert.Matches($"{Regex.Escape(mark["name"]!.ToString())} {Regex.Escape(way + figures)} ", page);
            }
        }

        foreach (var finding in plan["findings"]!.AsArray())
        {
            Assert.Contains(finding!["message"]!.ToString(), page);
        }

        Assert.Equal(plan.ToJsonString(), JsonNode.Parse(await client.GetStringAsync($"/api/v1/jobs/{job}/plan"))!.ToJsonString());
    }

    [Theory]
    [InlineData("5//8", "no number below the slash")]
    [InlineData("4' 14\"", "is 5' 2\" meant?")]
    [InlineData("1/0", "divides by nothing")]
    [InlineData("99 m", "out of range")]
    [InlineData("-3", "says a direction")]
    public async Task What_is_not_understood_is_said_and_kept(string typed, string words)
    {
        var client = await site.As("ines");
        var answer = await client.Post(Wall(Site.Office), Wall(Site.Office, handler: "Submit"), ("/items/d1/place/height", typed));
        var html = await answer.Content.ReadAsStringAsync();
        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        Assert.Contains(words, WebUtility.HtmlDecode(html));
        Assert.Contains("Expected:", html);
        Assert.Contains($"value=\"{WebUtility.HtmlEncode(typed).Replace("&#39;", "&#x27;")}\"", html);
        Assert.Contains("\"46 in\"", await client.GetStringAsync($"/api/v1/jobs/{Site.Office}/file"));
    }

    [Fact]
    public async Task Without_script_a_height_is_typed_a_remedy_applied_and_both_taken_back()
    {
        var client = await site.As("ines");
        async Task<string> Height() => Pointer.Get(JsonNode.Parse(await client.GetStringAsync($"/api/v1/jobs/{Site.Corridor}/file")), "/items/d1/place/height")!.ToString();
        Assert.Equal(HttpStatusCode.Redirect, (await client.Post(Wall(5), Wall(5, handler: "Submit"), ("/items/d1/place/height", "1.235 m"))).StatusCode);
        Assert.Equal("1235 mm", await Height());
        await client.Post(Wall(5), Wall(5, handler: "Change"), ("changes", "/items/d1/place/height \"1260 mm\""));
        Assert.Equal("1260 mm", await Height());
        await client.Post(Wall(5), Wall(5, handler: "Undo"));
        Assert.Equal("1235 mm", await Height());
        await client.Post(Wall(5), Wall(5, handler: "Undo"));
        Assert.Equal("1240 mm", await Height());
        await client.Post(Wall(5), Wall(5, handler: "Redo"));
        Assert.Equal("1235 mm", await Height());
        await client.Post(Wall(5), Wall(5, handler: "Undo"));
        Assert.Contains("taken back", await client.GetStringAsync("/jobs/5/history"));
    }

    [Fact]
    public async Task A_reading_is_taken_in_one_line_with_the_stud_that_it_finds()
    {
        var client = await site.As("tom");
        var refused = await client.Post(Wall(2, "survey"), Wall(2, "survey", handler: "Measure"), ("line", "left corner -> new stud 5//8"));
        Assert.Contains("no number below the slash", await refused.Content.ReadAsStringAsync());
        Assert.Contains("new stud 5//8", WebUtility.HtmlDecode(await refused.Content.ReadAsStringAsync()));
        await client.Post(Wall(2, "survey"), Wall(2, "survey", handler: "Measure"), ("line", "right double door -> new stud 14 1/2 in"));
        var page = (await client.GetStringAsync(Wall(2, "survey", "behind"))).Plain();
        // The door's right edge is at 8 + 68 = 76.
        Assert.Contains("right edge of the double door → stud", page);
        Assert.Contains("90 1/2", page);
    }

    [Fact]
    public async Task Two_values_for_one_thing_are_both_shown_until_somebody_chooses()
    {
        var (ines, tom) = (await site.As("ines"), await site.As("tom"));
        await ines.Post(Wall(1), Wall(1, handler: "Submit"), ("/walls/w1/studs/s1/centre", "70 1/2"), ("seen", "1"));
        await tom.Post(Wall(1), Wall(1, handler: "Submit"), ("/walls/w1/studs/s1/centre", "71"), ("seen", "1"));
        var page = await ines.GetStringAsync(Wall(1));
        Assert.Contains("Two values for member, ", page.Plain());
        var entries = JsonNode.Parse(await ines.GetStringAsync("/api/v1/jobs/1/entries?after=1"))!.AsArray();
        await ines.Post(Wall(1), Wall(1, handler: "Settle"), ("path", "/walls/w1/studs/s1/centre"), ("entry", entries[1]!["id"]!.ToString()));
        Assert.DoesNotContain("Two values", await ines.GetStringAsync(Wall(1)));
        Assert.Contains("\"71 in\"", await ines.GetStringAsync("/api/v1/jobs/1/file"));
    }

    [Theory]
    [InlineData("warden", "/catalogue", HttpStatusCode.Redirect)]
    [InlineData("warden", "/jobs/6", HttpStatusCode.OK)]
    [InlineData("warden", "/jobs/new", HttpStatusCode.Redirect)]
    [InlineData("tom", "/jobs/new", HttpStatusCode.Redirect)]
    [InlineData("tom", "/catalogue/display/new", HttpStatusCode.NotFound)]
    [InlineData("ines", "/jobs/999", HttpStatusCode.NotFound)]
    [InlineData("ines", "/jobs/6/nowhere", HttpStatusCode.NotFound)]
    public async Task Roles_are_kept(string who, string page, HttpStatusCode status) =>
        Assert.Equal(status, (await (await site.As(who)).GetAsync(page)).StatusCode);

    [Fact]
    public async Task A_client_reads_and_changes_nothing()
    {
        var client = await site.As("warden");
        Assert.DoesNotContain("name=\"by\"", await client.GetStringAsync(Wall(6)));
        Assert.Equal(HttpStatusCode.Redirect, (await client.Post(Wall(6), Wall(6, handler: "Submit"), ("/items/d1/place/height", "40"))).StatusCode);
        Assert.Contains("\"36 in\"", await client.GetStringAsync("/api/v1/jobs/6/file"));
        Assert.Equal(HttpStatusCode.Forbidden, (await client.PostAsJsonAsync("/api/v1/jobs/6/entries", new[] { new { id = "12345678", path = "/items/d1/place/height", value = "40 in" } })).StatusCode);
    }

    [Fact]
    public async Task A_form_without_its_token_is_refused()
    {
        var client = site.Nobody();
        var bare = await (await site.As("ines")).PostAsync(Wall(6, handler: "Undo"), new FormUrlEncodedContent([]));
        Assert.Equal(HttpStatusCode.BadRequest, bare.StatusCode);
        Assert.Equal(HttpStatusCode.Unauthorized, (await client.GetAsync("/api/v1/jobs")).StatusCode);
        Assert.Equal("/sign-in", (await client.GetAsync("/jobs")).Headers.Location!.AbsolutePath);
    }

    [Fact]
    public async Task A_job_is_started_from_a_size_from_a_like_job_and_from_a_file()
    {
        var client = await site.As("ines");
        var started = await client.Post("/jobs/new", "/jobs/new", ("Title", "Boathouse"), ("Width", "12' 6\""), ("Height", "8 ft"), ("JobUnits", "in"), ("SiteId", "0"), ("SiteName", "Boathouse site"));
        Assert.Contains("Boathouse", await client.GetStringAsync(started.Headers.Location));
        var refused = await client.Post("/jobs/new", "/jobs/new", ("Title", "Kept title"), ("Width", "5//8"), ("Height", ""), ("SiteId", "1"));
        Assert.Contains("no number below the slash", WebUtility.HtmlDecode(await refused.Content.ReadAsStringAsync()));
        Assert.Contains("Kept title", await refused.Content.ReadAsStringAsync());
        var like = await client.Post("/jobs/new", "/jobs/new?handler=Like", ("like", "4"));
        var copy = await client.GetStringAsync(like.Headers.Location);
        Assert.Contains("Position not approved", copy);
        var imported = await client.PostAsync("/api/v1/jobs", new StringContent(await client.GetStringAsync("/api/v1/jobs/4/file"), null, "application/json"));
        Assert.Equal(HttpStatusCode.Created, imported.StatusCode);
        Assert.Equal(await client.GetStringAsync("/api/v1/jobs/4/file"), await client.GetStringAsync(imported.Headers.Location));
    }

    [Fact]
    public async Task An_item_of_the_catalogue_is_changed_and_shows_what_was_wrong()
    {
        var client = await site.As("ines");
        var page = "/catalogue/mount/m-arm1";
        var document = (JsonObject)JsonNode.Parse(Demo.TarnHall.Read("catalogue"))!.AsArray().Single(i => i!["id"]!.ToString() == "m-arm1")!["document"]!;
        (string, string)[] Form(string slide, string to) =>
        [
            ("Version", "1"), .. document.Where(m => m.Value is JsonValue).Select(m => ("m." + m.Key, m.Key == "slide" ? slide : m.Value!.ToString())),
            ("m.walls", "wood-studs"), ("row-0-id", "top"), ("row-0-aboveHook", "5 1/2"), ("row-0-0-from", "-8"), ("row-0-0-to", to), ("row-0-1-from", ""), ("row-0-1-to", "8"),
        ];
        var refused = await client.Post(page, page, Form("2//1", "-7"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, refused.StatusCode);
        Assert.Contains("2//1", await refused.Content.ReadAsStringAsync());
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await client.Post(page, page, Form("2 in", "nonsense"))).StatusCode);
        Assert.Equal(HttpStatusCode.Redirect, (await client.Post(page, page, Form("2 1/4", "-7 in"))).StatusCode);
        Assert.Contains("slides 2 1/4 in", WebUtility.HtmlDecode(await client.GetStringAsync("/catalogue/mount")).Replace('\u00a0', ' '));
        Assert.Equal(HttpStatusCode.Conflict, (await client.Post(page, page, Form("3 in", "-7"))).StatusCode);
    }

    [Fact]
    public async Task A_lead_adds_people_and_gives_new_passwords()
    {
        var client = await site.As("ines");
        (string, string)[] Somebody(string signIn, string password, string role = "Installer") => [("PersonName", "Rhona"), ("SignInName", signIn), ("Role", role), ("password", password)];
        Assert.Contains("10 to 200", await (await client.Post("/people", "/people", Somebody("rhona", "short"))).Content.ReadAsStringAsync());
        Assert.Contains("already", await (await client.Post("/people", "/people", Somebody("tom", "long-enough-1"))).Content.ReadAsStringAsync());
        Assert.Contains("without a site", await (await client.Post("/people", "/people", Somebody("rhona", "long-enough-1", "Client"))).Content.ReadAsStringAsync());
        Assert.Equal(HttpStatusCode.Redirect, (await client.Post("/people", "/people", Somebody("rhona", "long-enough-1"))).StatusCode);
        var id = System.Text.RegularExpressions.Regex.Match(await client.GetStringAsync("/people"), "id=\"p-(\\d+)\" name=\"password\"[^>]*>(?=[\\s\\S]*?Somebody)").Groups[1].Value;
        Assert.NotEmpty(id);
        Assert.Equal(HttpStatusCode.NoContent, (await site.Nobody().PostAsJsonAsync("/api/v1/sign-in", new { name = "rhona", password = "long-enough-1" })).StatusCode);
        Assert.Equal(HttpStatusCode.Redirect, (await (await site.As("tom")).GetAsync("/people")).StatusCode);
        Assert.Equal("/sign-in", (await site.Nobody().GetAsync("/setup")).Headers.Location!.OriginalString);
    }

    [Fact]
    public async Task The_reader_s_units_are_kept_and_typed_figures_are_in_them()
    {
        var client = await site.As("ines");
        await client.Post("/jobs", "/units", ("units", "mm"), ("back", "/jobs/4"));
        Assert.Contains("hook line 1354 mm", (await client.GetStringAsync(Wall(4))).Plain());
        await client.Post(Wall(2, "survey"), Wall(2, "survey", handler: "Submit"), ("/walls/w1/height", "2750"));
        Assert.Contains("\"2750 mm\"", await client.GetStringAsync("/api/v1/jobs/2/file"));
    }

    private static async Task<string> Run(params string[] arguments)
    {
        var start = new System.Diagnostics.ProcessStartInfo("dotnet", [Path.Combine(AppContext.BaseDirectory, "corrie.dll"), .. arguments]) { RedirectStandardOutput = true, RedirectStandardError = true };
        using var process = System.Diagnostics.Process.Start(start)!;
        var text = await process.StandardOutput.ReadToEndAsync();
        await process.WaitForExitAsync();
        Assert.Equal(0, process.ExitCode);
        return text;
    }
}
