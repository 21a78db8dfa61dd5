using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using Corrie.Core.Format;
using Corrie.Data;
using Corrie.Web.Access;
using Corrie.Web.Demo;
using Dapper;
using Microsoft.Data.Sqlite;
using Microsoft.Extensions.DependencyInjection;

namespace Corrie.Web.Tests;

/// <summary>What becomes of files of before, of damaged jobs, of answers and consent, and of the company's figures. Each test has an application of its own.</summary>
public sealed class RecordsTests : IDisposable
{
    private const string Old = """{ "format": "corrie-job/1", "job": { "title": "Old", "units": "in" }, "wall": { "width": "156 in" }, "display": { "name": "d" } }""";
    private readonly Site site = new();

    public void Dispose() => site.Dispose();

    /// <summary>Pages are kept for all readers of a role: what is pressed on one is by whoever presses it, and nobody's name is in it but of those who did something.</summary>
    [Fact]
    public async Task An_answer_is_by_whoever_presses_it_and_counts_once()
    {
        var people = site.Services.GetRequiredService<Companies>().Find(TarnHall.CompanyKey)!.People;
        people.Add("una.second", "Una Second", Role.Lead, people.Find("ines")!.PasswordHash);
        var (ines, una) = (await site.As("ines"), site.Nobody());
        await una.Post("/sign-in", "/sign-in", ("name", "una.second"), ("password", "chalk-line-1"));
        var page = Wall(4, "survey", "behind");
        await ines.Post(page, Wall(4, "survey", handler: "Change"), ("changes", "/walls/w1/scan"));
        Assert.Contains("value=\"/walls/w1/scan 0\"", await ines.GetStringAsync(page));
        Assert.DoesNotContain("Ines Arkle", await BoardOf(una, page));
        await una.Post(page, Wall(4, "survey", handler: "Answer"), ("answer", "/walls/w1/scan 0"));
        await ines.Post(page, Wall(4, "survey", handler: "Answer"), ("answer", "/walls/w1/scan 1"));
        var scan = JsonNode.Parse(await ines.GetStringAsync("/api/v1/jobs/4/file"))!["walls"]!["w1"]!["scan"]!;
        Assert.Equal(("Una Second", false), (scan["by"]!.ToString(), scan["crossings"]!.GetValue<bool>()));
        Assert.Equal(HttpStatusCode.BadRequest, (await una.Post(page, Wall(4, "survey", handler: "Answer"), ("answer", "/walls/w1/scan"))).StatusCode);

        // Without what says who set something last, which is of others on purpose.
        static async Task<string> BoardOf(HttpClient who, string address) => (await who.GetStringAsync(address)).Split("side-pane")[1].Split("<footer")[0];
    }

    [Fact]
    public async Task Consent_is_to_the_place_that_was_looked_at()
    {
        var (ines, warden) = (await site.As("ines"), await site.As("warden"));
        var seen = JsonNode.Parse(await ines.GetStringAsync("/api/v1/jobs/6/entries"))!.AsArray().Count;
        await ines.Post(Wall(6), Wall(6, handler: "Submit"), ("/items/d1/place/reason", "typed"));
        Assert.Equal(HttpStatusCode.Redirect, (await warden.Post(Wall(6), Wall(6, handler: "Approve"), ("item", "d1"), ("seen", $"{seen}"))).StatusCode);
        await ines.Post(Wall(6), Wall(6, handler: "Submit"), ("/items/d1/place/height", "41 in"));
        foreach (var who in new[] { warden, ines })
        {
            var stale = await who.Post(Wall(6), Wall(6, handler: "Approve"), ("item", "d1"), ("by", "Ann"), ("seen", $"{seen}"));
            Assert.Equal(HttpStatusCode.UnprocessableEntity, stale.StatusCode);
            Assert.Contains("has moved since this page was shown", (await stale.Content.ReadAsStringAsync()).Plain());
        }

        Assert.Contains("\"by\": \"The warden\"", await ines.GetStringAsync("/api/v1/jobs/6/file"));
    }

    private static string Wall(long job, string step = "place", string view = "front", string? handler = null) =>
        $"/jobs/{job}/{step}?view={view}{(handler is null ? string.Empty : "&handler=" + handler)}";

    [Fact]
    public async Task A_file_of_before_is_sent_to_be_upgraded_wherever_it_comes()
    {
        var ines = await site.As("ines");
        foreach (var to in new[] { "/api/v1/plan", "/api/v1/jobs" })
        {
            var answer = await ines.PostAsync(to, new StringContent(Old, null, "application/json"));
            Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
            Assert.Contains("corrie upgrade FILE", JsonNode.Parse(await answer.Content.ReadAsStringAsync())!["detail"]!.ToString());
        }

        using var form = new MultipartFormDataContent { { new StringContent(await ines.Token("/jobs/new")), "__RequestVerificationToken" }, { new StringContent(Old), "file", "old.json" } };
        var page = await ines.PostAsync("/jobs/new?handler=Import", form);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, page.StatusCode);
        Assert.Contains("corrie upgrade FILE", await page.Content.ReadAsStringAsync());
    }

    [Fact]
    public async Task A_damaged_job_costs_itself_alone_until_the_office_sets_its_bad_entry_aside()
    {
        var ines = await site.As("ines");
        var company = site.Services.GetRequiredService<Companies>().Find(TarnHall.CompanyKey)!;
        var id = company.Jobs.Add(company.Jobs.Sites()[0].Id);
        await company.Entries.Append(id, "ines", "page", [new("entry-0001", "/job/title", "Doomed", [])]);
        using (var connection = new SqliteConnection($"Data Source={site.Services.GetRequiredService<Companies>().PathOf(TarnHall.CompanyKey)}"))
        {
            connection.Open();
            foreach (var trigger in connection.Query<string>("select name from sqlite_master where type = 'trigger'").ToList())
            {
                connection.Execute($"drop trigger {trigger}");
            }

            connection.Execute("insert into entries (job, seq, entry_id, path, value, replaces, batch, author, taken_at, received_at, device) select job, 2, 'entry-0002', path, '{broken', replaces, batch, author, taken_at, received_at, device from entries where job = @id and seq = 1", new { id });
            connection.Execute("update jobs set seq = 2 where id = @id", new { id });
        }

        // As after a restart: nothing of it is in memory.
        using var fresh = site.Again();
        var tom = await fresh.As("tom");
        var list = await tom.GetStringAsync("/jobs");
        Assert.Contains("damaged", list.Plain());
        Assert.Contains("Map room", list);
        Assert.Equal($"/jobs/{id}/history", (await tom.GetAsync($"/jobs/{id}/place?view=front")).Headers.Location!.OriginalString);
        var history = (await tom.GetStringAsync($"/jobs/{id}/history")).Plain();
        Assert.Contains("This job is damaged, and only this one", history);
        Assert.Contains("{broken", history);
        Assert.Contains("/job/title", history);
        var api = await tom.GetAsync($"/api/v1/jobs/{id}/plan");
        Assert.Equal(HttpStatusCode.Conflict, api.StatusCode);
        Assert.Contains("damaged", await api.Content.ReadAsStringAsync());
        Assert.Equal(HttpStatusCode.OK, (await tom.GetAsync("/jobs/6/place?view=front")).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await tom.GetAsync("/catalogue")).StatusCode);
        Assert.DoesNotContain("handler=SetAside", history);
        var page = $"/jobs/{id}/history";
        Assert.Equal(HttpStatusCode.Redirect, (await tom.Post("/jobs/6/place?view=front", page + "?handler=SetAside", ("seq", "2"))).StatusCode);
        Assert.Equal(HttpStatusCode.Conflict, (await tom.GetAsync($"/api/v1/jobs/{id}/plan")).StatusCode);

        var olive = await fresh.As("olive");
        Assert.Contains("does the damage", await olive.GetStringAsync(page));
        Assert.Equal(HttpStatusCode.Conflict, (await olive.Post(page, page + "?handler=SetAside", ("seq", "77"))).StatusCode);
        Assert.Equal(page, (await olive.Post(page, page + "?handler=SetAside", ("seq", "2"))).Headers.Location!.OriginalString);
        Assert.Contains("set entry 2 aside", (await olive.GetStringAsync(page)).Plain());
        // Pressed again, or on a sound job, it does nothing.
        Assert.Equal(HttpStatusCode.Conflict, (await olive.Post(page, page + "?handler=SetAside", ("seq", "1"))).StatusCode);
        Assert.Equal("Doomed", JsonNode.Parse(await olive.GetStringAsync($"/api/v1/jobs/{id}/file"))!["job"]!["title"]!.ToString());
        Assert.Equal(HttpStatusCode.OK, (await tom.PostAsJsonAsync($"/api/v1/jobs/{id}/entries", new[] { new { id = "entry-0003", path = "/job/title", value = "Saved" } })).StatusCode);
        using var later = fresh.Again();
        Assert.Equal("Saved", JsonNode.Parse(await (await later.As("tom")).GetStringAsync($"/api/v1/jobs/{id}/file"))!["job"]!["title"]!.ToString());
    }

    [Fact]
    public async Task What_is_left_out_of_a_plan_is_said_on_the_page_the_sheet_and_by_the_interface()
    {
        var company = site.Services.GetRequiredService<Companies>().Find(TarnHall.CompanyKey)!;
        var tom = await site.As("tom");
        foreach (var part in new[] { $"/jobs/{Site.Stove}/place?view=front", $"/jobs/{Site.Stove}/sheet" })
        {
            Assert.DoesNotContain("Not in the plan", await tom.GetStringAsync(part));
        }

        // The page does not take such a change; an older Corrie, or two people at once, may have written it.
        await company.Entries.Append(Site.Stove, "tom", "page", [new("entry-left", "/walls/w1/features/f1/left", null, company.Entries.Read(Site.Stove)!.HoldersOf("/walls/w1/features/f1/left"))]);
        foreach (var part in new[] { $"/jobs/{Site.Stove}/place?view=front", $"/jobs/{Site.Stove}/sheet", $"/api/v1/jobs/{Site.Stove}/plan" })
        {
            var said = (await tom.GetStringAsync(part)).Plain();
            Assert.Contains("Not in the plan", said);
            Assert.Contains("stove is not in the plan", said);
        }
    }

    [Fact]
    public async Task A_lead_takes_back_only_what_the_page_has_shown()
    {
        var (ines, tom) = (await site.As("ines"), await site.As("tom"));
        const string Page = "/jobs/4/place?view=front";
        async Task<string> Of(string path) => Pointer.Get(JsonNode.Parse(await ines.GetStringAsync("/api/v1/jobs/4/file")), path)?.ToString() ?? "nothing";
        async Task<long> Enter(HttpClient who, string path, string value) => (await (await who.PostAsJsonAsync(
            "/api/v1/jobs/4/entries", new[] { new { id = Guid.NewGuid().ToString("N"), path, value } })).Content.ReadFromJsonAsync<JsonArray>())![0]!["seq"]!.GetValue<long>();

        await Enter(tom, "/items/d1/place/height", "51 in");
        var shown = await Enter(tom, "/items/d1/place/gapBelow", "4 in");
        Assert.Contains($"name=\"seen\" value=\"{shown}\"", await ines.GetStringAsync(Page));
        // What Tom enters after that, she has not seen: it stays, and what she saw last is taken back.
        await Enter(tom, "/items/d1/place/height", "53 in");
        await ines.Post(Page, Page + "&handler=Undo", ("seen", shown.ToString()));
        Assert.NotEqual("4 in", await Of("/items/d1/place/gapBelow"));
        Assert.Equal("53 in", await Of("/items/d1/place/height"));
        await ines.Post(Page, Page + "&handler=Undo", ("seen", (shown + 1).ToString()));
        Assert.Equal("51 in", await Of("/items/d1/place/height"));
    }

    [Fact]
    public async Task An_id_used_before_is_answered_by_its_content()
    {
        var tom = await site.As("tom");
        Task<HttpResponseMessage> Send(string path, string? value) => tom.PostAsJsonAsync("/api/v1/jobs/4/entries", new[] { new { id = "the-one-id", path, value } });
        var first = await (await Send("/items/d1/place/height", "51 in")).Content.ReadAsStringAsync();
        Assert.Equal(first, await (await Send("/items/d1/place/height", "51 in")).Content.ReadAsStringAsync());
        foreach (var (path, value) in new[] { ("/items/d1/place/height", "52 in"), ("/items/d1/place/gapBelow", "51 in"), ("/items/d1/place/height", null) })
        {
            var other = await Send(path, value);
            Assert.Equal(HttpStatusCode.Conflict, other.StatusCode);
            Assert.Contains("with other content", await other.Content.ReadAsStringAsync());
        }
    }

    /// <summary>What was taken in is exported, and what is exported can be imported: limits hold where something is added.</summary>
    [Fact]
    public async Task Nothing_is_added_that_makes_a_job_that_cannot_be_imported()
    {
        var tom = await site.As("tom");
        Task<HttpResponseMessage> Add(IEnumerable<object> entries) => tom.PostAsJsonAsync("/api/v1/jobs/4/entries", entries);
        object Cross(int n) => new { id = $"cross-{n:0000}", path = $"/walls/w1/crosses/c{n}", value = new { x = $"{n} in", y = "30 in", standsFor = "centre" } };
        Assert.Equal(HttpStatusCode.OK, (await Add(Enumerable.Range(0, 20).Select(Cross))).StatusCode);
        var full = await Add([Cross(20)]);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, full.StatusCode);
        Assert.Contains("There are 21", await full.Content.ReadAsStringAsync());
        Assert.Equal(HttpStatusCode.OK, (await Add([Cross(7)])).StatusCode);

        // On the page too, by any of its ways.
        const string Page = "/jobs/4/survey?view=front";
        var line = await tom.Post(Page, Page + "&handler=Change", ("changes", "/walls/w1/crosses/c77 {\"x\":\"1 in\",\"y\":\"30 in\",\"standsFor\":\"centre\"}"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, line.StatusCode);
        foreach (var from in new[] { 0, 200, 400 })
        {
            Assert.Equal(HttpStatusCode.OK, (await Add(Enumerable.Range(from, Math.Min(200, 499 - from)).Select(n => new { id = $"reading-{n:000}", path = $"/walls/w1/readings/z{n}", value = new { from = "floor", to = "ceiling", value = "96 in", by = "x" } }))).StatusCode);
        }

        HttpStatusCode last = HttpStatusCode.Redirect;
        for (var n = 0; n < 9 && last == HttpStatusCode.Redirect; n++)
        {
            last = (await tom.Post(Page, Page + "&handler=Measure", ("line", "floor to ceiling 96"))).StatusCode;
        }

        Assert.Equal(HttpStatusCode.UnprocessableEntity, last);
        // What is needed is not taken away under what needs it.
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await Add([new { id = "left-gone", path = "/walls/w1/features/f1/left", value = (string?)null }])).StatusCode);
        var file = await tom.GetStringAsync("/api/v1/jobs/4/file");
        using var content = new StringContent(file, null, "application/json");
        Assert.Equal(HttpStatusCode.Created, (await (await site.As("ines")).PostAsync("/api/v1/jobs", content)).StatusCode);
    }

    [Fact]
    public async Task The_office_sets_the_company_s_figures_and_a_job_of_before_says_what_would_differ()
    {
        var olive = await site.As("olive");
        Assert.Contains("common practice", (await olive.GetStringAsync("/figures")).Plain());
        var wrong = await olive.Post("/figures", "/figures", ("Version", "0"), ("m.anchorFactor", "many"), ("m.gapBelow", "3 in"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, wrong.StatusCode);
        Assert.Contains("value=\"many\"", await wrong.Content.ReadAsStringAsync());
        Assert.Equal(HttpStatusCode.Redirect, (await olive.Post("/figures", "/figures", ("Version", "0"), ("m.anchorFactor", "8"), ("m.gapBelow", "3 in"))).StatusCode);
        Assert.Equal(HttpStatusCode.Conflict, (await olive.Post("/figures", "/figures", ("Version", "0"), ("m.anchorFactor", "2"))).StatusCode);
        Assert.Equal(HttpStatusCode.Redirect, (await (await site.As("tom")).GetAsync("/figures")).StatusCode);

        // Job 4 began before: it says so, is planned as before, and takes the figures of now when somebody says so.
        const string Page = "/jobs/4/place?view=front";
        var page = (await olive.GetStringAsync(Page)).Plain();
        Assert.Contains("The company's figures have changed since this job began: 2 figures", page);
        Assert.Contains("what an anchor's load at failure is divided by: 4 here, 8 now", page);
        async Task<JsonNode> File(string job) => JsonNode.Parse(await olive.GetStringAsync($"/api/v1/jobs/{job}/file"))!;
        Assert.Null((await File("4"))["policy"]);
        // The copy says who set them, and when.
        var takes = WebUtility.HtmlDecode(Regex.Match(await olive.GetStringAsync(Page), "value=\"(/policy [^\"]+)\"").Groups[1].Value);
        Assert.Contains("\"setBy\":\"Olive", takes);
        Assert.Equal(HttpStatusCode.Redirect, (await olive.Post(Page, Page + "&handler=Change", ("changes", takes))).StatusCode);
        Assert.Equal("8", (await File("4"))["policy"]!["anchorFactor"]!.ToJsonString());
        Assert.DoesNotContain("have changed since", await olive.GetStringAsync(Page));
        // A new job begins with a copy.
        var started = await olive.Post("/jobs/new", "/jobs/new", ("Title", "New"), ("Width", "12 ft"), ("Height", "8 ft"), ("JobUnits", "in"), ("SiteId", "1"));
        Assert.Equal("3 in", (await File(started.Headers.Location!.OriginalString.Split('/')[2]))["policy"]!["gapBelow"]!.ToString());
    }

    [Fact]
    public async Task One_entry_id_for_two_jobs_and_a_remedy_on_a_list_that_has_grown_older_are_both_taken()
    {
        var tom = await site.As("tom");
        foreach (var job in new[] { 4, 6 })
        {
            Assert.Equal(HttpStatusCode.OK, (await tom.PostAsJsonAsync($"/api/v1/jobs/{job}/entries", new[] { new { id = "the-same-id", path = "/items/d1/place/gapBelow", value = "2 in" } })).StatusCode);
        }

        // What the button says is done, whatever the list of findings is by then; what does not fit is refused and changes nothing.
        const string Page = "/jobs/5/place?view=front";
        Assert.Equal(HttpStatusCode.Redirect, (await tom.Post(Page, Page + "&handler=Change", ("changes", "/items/d1/place/height \"1260 mm\"\n/items/d1/place/gapBelow \"10 mm\""))).StatusCode);
        var ring = await tom.Post(Page, Page + "&handler=Change", ("changes", "/items/m1/on \"d1\""));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, ring.StatusCode);
        Assert.Contains("round in a loop", (await ring.Content.ReadAsStringAsync()).Plain());
        Assert.Equal(HttpStatusCode.BadRequest, (await tom.Post(Page, Page + "&handler=Change", ("changes", "/nowhere 1"))).StatusCode);
        var file = JsonNode.Parse(await tom.GetStringAsync("/api/v1/jobs/5/file"))!;
        Assert.Equal(("1260 mm", "10 mm"), (Pointer.Get(file, "/items/d1/place/height")!.ToString(), Pointer.Get(file, "/items/d1/place/gapBelow")!.ToString()));
        Assert.Null(Pointer.Get(file, "/items/m1/on"));
    }

    [Fact]
    public async Task Of_several_fields_the_good_ones_are_taken_and_the_others_stay_with_their_reason()
    {
        var tom = await site.As("tom");
        const string Page = "/jobs/4/place?view=front";
        var answer = await tom.Post(Page, Page + "&handler=Submit", ("/items/d1/place/height", "5//8"), ("/items/d1/place/reason", "the warden asked"), ("/items/d1/on", "d1"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        var html = await answer.Content.ReadAsStringAsync();
        Assert.Contains("value=\"5//8\"", html);
        Assert.Contains("no number below the slash", html.Plain());
        Assert.Contains("round in a loop", html.Plain());
        var file = JsonNode.Parse(await tom.GetStringAsync("/api/v1/jobs/4/file"))!;
        Assert.Equal(("46 in", "the warden asked", "m1"), (Pointer.Get(file, "/items/d1/place/height")!.ToString(), Pointer.Get(file, "/items/d1/place/reason")!.ToString(), Pointer.Get(file, "/items/d1/on")!.ToString()));
        // A field that shows what is there changes nothing, also when somebody else has changed it since.
        var seq = JsonNode.Parse(await tom.GetStringAsync("/api/v1/jobs/4/entries"))!.AsArray().Count;
        await tom.Post(Page, Page + "&handler=Submit", ("/items/d1/place/height", "46"), ("/items/d1/place/reason", "the warden asked"));
        Assert.Equal(seq, JsonNode.Parse(await tom.GetStringAsync("/api/v1/jobs/4/entries"))!.AsArray().Count);
    }
}
