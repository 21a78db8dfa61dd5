using System.Net;
using System.Text.Json.Nodes;
using Corrie.Data;
using Corrie.Web.Access;
using Microsoft.Extensions.DependencyInjection;
using SkiaSharp;

namespace Corrie.Web.Tests;

/// <summary>What is left behind on site: photos in pieces, changes that are signed, what two say of one thing, the history as a file, and whose it is.</summary>
public sealed class SiteRecordsTests : IClassFixture<Site>
{
    private const string Stroke = "M10 10 L20 20 L30 10 L40 20 L50 10 L60 20 L70 10 L80 20";

    private readonly Site site;

    /// <summary>Takes the site that all tests of this class share.</summary>
    public SiteRecordsTests(Site site) => this.site = site;

    [Fact]
    public async Task A_photo_goes_on_where_it_was_cut_off_and_is_there_once()
    {
        var tom = await site.As("tom");
        var token = await tom.Token("/jobs/6/day?step=photo-w1");
        byte[] photo;
        using (var noise = new SKBitmap(120, 120))
        {
            var random = new Random(5);
            for (var i = 0; i < 120 * 120; i++)
            {
                noise.SetPixel(i % 120, i / 120, new((uint)random.Next() | 0xff000000));
            }

            photo = SKImage.FromBitmap(noise).Encode(SKEncodedImageFormat.Png, 100).ToArray();
        }

        var once = new string('a', 32);
        Task<HttpResponseMessage> Piece(int from, int length, string step = "photo-w1", byte[]? bytes = null) => tom.PostAsync("/jobs/6/day?handler=Piece", new MultipartFormDataContent
        {
            { new StringContent(token), "__RequestVerificationToken" }, { new StringContent(once), "once" }, { new StringContent(step), "step" }, { new StringContent("the box, wired"), "says" },
            { new StringContent($"{from}"), "offset" }, { new StringContent($"{(bytes ?? photo).Length}"), "total" }, { new ByteArrayContent((bytes ?? photo)[from..(from + length)]), "piece", "piece" },
        });
        // A tick is not enough for it.
        using var ticked = await tom.PostAsync("/jobs/5/day?handler=Done", new FormUrlEncodedContent(new Dictionary<string, string> { ["__RequestVerificationToken"] = token, ["step"] = "photo-w1" }));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, ticked.StatusCode);

        Assert.Equal("""{"have":20000}""", await (await Piece(0, 20_000)).Content.ReadAsStringAsync());
        Assert.Equal("""{"have":20000}""", await (await Piece(25_000, 1_000)).Content.ReadAsStringAsync());
        Assert.Equal("""{"have":20000}""", await tom.GetStringAsync($"/jobs/6/day?handler=Piece&once={once}"));
        foreach (var _ in new[] { 1, 2 })
        {
            using var last = await Piece(15_000, photo.Length - 15_000);
            Assert.Equal(HttpStatusCode.Redirect, last.StatusCode);
        }

        var pictures = (await Entries(tom)).Where(e => e["path"]!.GetValue<string>().StartsWith("/pictures/", StringComparison.Ordinal)).ToList();
        var name = Assert.Single(pictures)["value"]!["picture"]!.GetValue<string>();
        Assert.Contains("the box, wired", await tom.GetStringAsync("/jobs/6/day?step=photo-w1"));
        using var original = await (await site.As("ines")).GetAsync($"/jobs/6/survey?handler=Picture&name={name}&size=original");
        Assert.Equal(photo, await original.Content.ReadAsByteArrayAsync());

        // What is no picture, and what is of no step, is asked back and leaves nothing behind.
        once = new string('b', 32);
        using var text = await Piece(0, 5, bytes: "hello"u8.ToArray());
        Assert.Equal(HttpStatusCode.UnprocessableEntity, text.StatusCode);
        Assert.Contains("""{"have":0}""", await tom.GetStringAsync($"/jobs/6/day?handler=Piece&once={once}"));
        using var nowhere = await Piece(0, photo.Length, "../w1");
        Assert.Contains("which step the photo is of", await nowhere.Content.ReadAsStringAsync());
        Assert.Single(await Entries(tom), e => e["path"]!.GetValue<string>().StartsWith("/pictures/", StringComparison.Ordinal));
    }

    [Fact]
    public async Task What_a_client_signs_is_what_they_were_shown()
    {
        var ines = await site.As("ines");
        Task<HttpResponseMessage> Send(string handler, params (string, string)[] fields) => ines.Post("/jobs/5/changes", $"/jobs/5/changes?handler={handler}", fields);
        async Task Refused(string why, string handler, params (string, string)[] fields)
        {
            using var answer = await Send(handler, fields);
            Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
            Assert.Contains(why, (await answer.Content.ReadAsStringAsync()).Plain());
        }

        await Refused("Nothing was said", "Found", ("says", " "), ("hours", "2"));
        await Refused("'two', are not understood", "Found", ("says", "a hidden noggin"), ("hours", "two"));
        await Refused("Expected: more hours", "Found", ("says", "a hidden noggin"), ("hours", "90000"));
        using var found = await Send("Found", ("says", "a hidden noggin"), ("unsafe", "yes"));
        var key = found.Headers.Location!.OriginalString.Split("#change-")[1];
        string Offer(string figures) => $"a hidden noggin / {figures}";
        await Refused("Neither hours nor a price", "Sign", ("order", key), ("offer", Offer("? h / ?")), ("signed", "A. Warden"), ("answer", "yes"));
        await Entry(ines, $"/changeOrders/{key}/hours", 2.5);
        await Refused("says something else now", "Sign", ("order", key), ("offer", Offer("? h / ?")), ("signed", "A. Warden"), ("answer", "yes"));
        await Refused("No name is signed", "Sign", ("order", key), ("offer", Offer("2.5 h / ?")), ("signed", " - "), ("answer", "yes"));
        await Refused("no signature", "Sign", ("order", key), ("offer", Offer("2.5 h / ?")), ("signed", "A. Warden"), ("drawn", "<svg onload=x>"), ("answer", "yes"));
        using var no = await Send("Sign", ("order", key), ("offer", Offer("2.5 h / ?")), ("signed", "A. Warden"), ("answer", "no"));
        Assert.Contains("Refused by A. Warden", (await ines.GetStringAsync("/jobs/5/changes")).Plain());
        Assert.Contains("Leave it out of use", (await ines.GetStringAsync("/jobs/5/site")).Plain());
        using var yes = await Send("Sign", ("order", key), ("offer", Offer("2.5 h / ?")), ("signed", "A. Warden"), ("drawn", Stroke), ("answer", "yes"));
        Assert.Contains(Stroke, await ines.GetStringAsync("/jobs/5/changes"));
        await Refused("approved already", "Sign", ("order", key), ("offer", Offer("2.5 h / ?")), ("signed", "Somebody"), ("answer", "no"));
        // More hours are another offer.
        await Entry(ines, $"/changeOrders/{key}/hours", 9);
        await Entry(ines, $"/changeOrders/{key}/begun", true);
        Assert.Contains("was another offer, 'a hidden noggin / 2.5 h / ?'", (await ines.GetStringAsync("/jobs/5/site")).Plain());
    }

    [Fact]
    public async Task What_somebody_else_has_said_meanwhile_stays_beside_it()
    {
        var (tom, ines) = (await site.As("tom"), await site.As("ines"));
        var shown = (await Entries(tom, 4)).Count;
        async Task Tick(HttpClient client, string note)
        {
            using var answer = await client.Post("/jobs/4/day?step=dust", "/jobs/4/day?handler=Done", ("step", "dust"), ("note", note), ("shown", $"{shown}"));
            Assert.Equal(HttpStatusCode.Redirect, answer.StatusCode);
        }

        await Tick(ines, "fan in the window");
        await Tick(tom, "no vacuum");
        // Who corrects themselves from the same page has no rival in themselves.
        await Tick(tom, "no vacuum, wet sponge");
        var page = (await ines.GetStringAsync("/jobs/4/site")).Plain();
        Assert.Contains("Two values", page);
        page = page[page.IndexOf("Two values", StringComparison.Ordinal)..][..400];
        Assert.Matches("Keep done: 'fan in the window' by Ines.*Take done: 'no vacuum, wet sponge' by Tom", page);
        Assert.DoesNotContain("Take done: 'no vacuum'", page);
    }

    [Fact]
    public async Task The_history_goes_out_whole_and_nothing_in_it_is_a_formula()
    {
        var ines = await site.As("ines");
        await Entry(ines, "/job/title", "=HYPERLINK(\"x\")");
        var count = (await Entries(ines, 7)).Count;
        var lines = (await ines.GetStringAsync("/jobs/7/history?handler=Csv")).Split("\r\n", StringSplitOptions.RemoveEmptyEntries);
        Assert.StartsWith("Seq,Who,OnDevice,OnServer,Device,Path,What,Before,After,Counts,Submit,Id", lines[0]);
        Assert.DoesNotContain(lines, l => l.Contains(",=HYPER", StringComparison.Ordinal) || l.Contains(",\"=HYPER", StringComparison.Ordinal));
        var json = JsonNode.Parse(await ines.GetStringAsync("/jobs/7/history?handler=Json"))!.AsArray();
        Assert.Equal(count, json.Count);
        Assert.Equal(count, lines.Length - 1);
        Assert.Equal("Ines Arkle", json[^1]!["who"]!.GetValue<string>());
    }

    [Fact]
    public async Task My_days_are_mine_and_say_what_others_changed()
    {
        using var own = new Site();
        var (tom, ines) = (await own.As("tom"), await own.As("ines"));
        Assert.Contains("No visit of yours", (await tom.GetStringAsync("/mine")).Plain());
        var today = TimeProvider.System.GetLocalNow();
        string On(int days) => today.AddDays(days).ToString("yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture);
        foreach (var (key, on, who) in new[] { ("a", On(0), "tom"), ("b", On(3), "Tom Birkett"), ("c", On(-2), "Tom"), ("d", On(-9), "Tom"), ("e", On(0), "Ines"), ("f", "after the paint", "Tom") })
        {
            await Entry(ines, $"/visits/{key}", new JsonObject { ["on"] = on, ["for"] = "install", ["people"] = new JsonArray(who), ["note"] = "visit " + key });
        }

        await Entry(ines, "/job/archived", false);
        var mine = (await tom.GetStringAsync("/mine")).Plain();
        Assert.Matches("Today .*visit a.*To come .*visit b.*Last week .*visit c.*Day not understood .*visit f", mine);
        Assert.DoesNotContain("visit d", mine);
        Assert.DoesNotContain("visit e", mine);
        Assert.Contains("7 changes by others", mine);
        Assert.Contains("visit e", (await tom.GetStringAsync("/mine?who=all")).Plain());
        await Entry(tom, "/job/title", "Boathouse, inside");
        Assert.DoesNotContain("changes by others", (await tom.GetStringAsync("/mine")).Plain());
    }

    [Fact]
    public async Task Companies_on_one_server_know_nothing_of_each_other()
    {
        using var own = new Site();
        var ines = await own.As("ines");
        var companies = own.Services.GetRequiredService<Companies>();
        var gill = companies.Create("gill");
        gill.SetName("Gill & Sons");
        Assert.NotNull(gill.People.Add("ines", "Ines Gill", Role.Lead, own.Services.GetRequiredService<Passwords>().Hash("ines", "another-plumb-7")));
        var other = own.CreateClient(new() { AllowAutoRedirect = false });
        using var wrong = await other.Post("/sign-in", "/sign-in", ("company", "gill"), ("name", "ines"), ("password", "chalk-line-1"));
        Assert.Equal(HttpStatusCode.Unauthorized, wrong.StatusCode);
        using var right = await other.Post("/sign-in", "/sign-in", ("company", "gill"), ("name", "ines"), ("password", "another-plumb-7"));
        Assert.Equal(HttpStatusCode.Redirect, right.StatusCode);
        foreach (var address in new[] { "/jobs/6/place", "/jobs/6/day", "/jobs/6/hand-over", "/jobs/6/changes", "/api/v1/jobs/6", "/api/v1/jobs/6/entries", "/jobs/6/history?handler=Csv" })
        {
            using var answer = await other.GetAsync(address);
            Assert.Equal(HttpStatusCode.NotFound, answer.StatusCode);
        }

        Assert.DoesNotContain("Map room", await other.GetStringAsync("/jobs"));
        Assert.Contains("Map room", await ines.GetStringAsync("/jobs"));
        Assert.DoesNotContain("Tom Birkett", await other.GetStringAsync("/people"));
    }

    private static async Task<List<JsonNode>> Entries(HttpClient client, long job = 6) => [.. JsonNode.Parse(await client.GetStringAsync($"/api/v1/jobs/{job}/entries?after=0"))!.AsArray().Select(e => e!)];

    private static async Task Entry(HttpClient client, string path, JsonNode value)
    {
        var job = path.StartsWith("/changeOrders", StringComparison.Ordinal) ? 5 : 7;
        using var answer = await client.PostAsync($"/api/v1/jobs/{job}/entries", new StringContent(new JsonArray(new JsonObject { ["id"] = Guid.NewGuid().ToString("N"), ["path"] = path, ["value"] = value }).ToJsonString(), System.Text.Encoding.UTF8, "application/json"));
        Assert.True(answer.IsSuccessStatusCode, await answer.Content.ReadAsStringAsync());
    }
}
