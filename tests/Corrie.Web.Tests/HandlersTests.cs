using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using Corrie.Core.Format;
using Corrie.Core.Jobs;

namespace Corrie.Web.Tests;

/// <summary>Submits on the wall page as a hand-made form could send them: each is answered, and none breaks the job.</summary>
public sealed class HandlersTests(Site site) : IClassFixture<Site>
{
    private static readonly string[] Handlers =
    [
        "Submit", "Change", "Drag", "AddItem", "AddWall", "Approve", "Measure", "Evidence", "Tap", "Probed", "BuildUp", "TestHole", "Scan", "Photo",
        "Undo", "Redo", "Settle", "Nothing",
    ];

    private static readonly string[] Fields =
    [
        "/walls/w1/width", "/items/d1/place/height", "/items/m1/product", "/seats/_/name", "add", "remove", "changes", "what", "on", "in", "answer", "item", "across", "bottom", "axis", "line", "face", "tool", "up", "preset",
        "x", "y", "layers", "with", "crossings", "of", "says", "by", "entry", "seen", "name", "left", "width", "height", "hereInner", "centre",
    ];

    private static readonly string[] Values =
    [
        "", " ", "40 in", "5//8", "-1", "99999999999999999999", "9223372036854775807", "-9223372036854775808", "true", "NaN", "/items/d1/place/height", "/walls/w1/studs", "/walls/w1/studs/s1",
        "/walls/w1/features/f1/casing", "/", "//", "/~", "/walls/w1/studs/a {\"centre\":\"5 in\"}", "/walls/w1", "/items/d1/on \"d1\"", "/seats", "hit across 1 2", "miss up 99999999999", "box", "display:d-65", "w2", "m1", "in8", "/walls/w1/studs/../..", "display", "mount", "fastener", "d-65", "up", "across", "floor", "hit 40", "level miss 47 @ 40",
        "left corner -> new stud 14 1/2", "edges 39 to 41", "gypsum board 1/2, void 3/4", "lath-plaster", "place.gap-too-small", "0", "f1", "wall", "\u0000", "𝟛½ ☃", "<b>&", "'; drop table people; --",
        new string('9', 5000), "probe-hit", "other", "2", "level-scan", "knock",
    ];

    [Theory]
    [InlineData(Site.Terrace)]
    [InlineData(Site.Corridor)]
    [InlineData(Site.MapRoom)]
    public async Task Whatever_is_sent_is_answered_and_the_wall_can_be_seen_afterwards(long job)
    {
        var client = await site.As("ines");
        var page = $"/jobs/{job}/survey?view=behind";
        var token = await client.Token(page);
        var random = new Random((int)job);
        for (var n = 0; n < 400; n++)
        {
            var handler = Handlers[n % Handlers.Length];
            var fields = Fields.OrderBy(_ => random.Next()).Take(random.Next(1, 9)).Select(f => KeyValuePair.Create(f, Values[random.Next(Values.Length)])).ToList();
            using var form = new FormUrlEncodedContent(fields.Append(new("__RequestVerificationToken", token)));
            using var request = new HttpRequestMessage(HttpMethod.Post, $"{page}&handler={handler}") { Content = form };
            if (n % 2 == 0)
            {
                request.Headers.Add("HX-Request", "true");
            }

            using var answer = await client.SendAsync(request);
            Assert.True((int)answer.StatusCode < 500, $"{handler} {string.Join('&', fields)} is answered {answer.StatusCode}");
        }

        foreach (var step in new[] { "survey", "place", "hang", "fix" })
        {
            Assert.Equal(HttpStatusCode.OK, (await client.GetAsync($"/jobs/{job}/{step}?view=behind")).StatusCode);
        }

        // Nothing got in that a file could not hold.
        var file = await client.GetStringAsync($"/api/v1/jobs/{job}/file");
        Assert.Empty(JobFile.Read(file).Problems);
    }

    [Fact]
    public async Task A_display_is_dragged_a_tape_hooked_an_item_chosen_and_the_client_consents()
    {
        var client = await site.As("tom");
        const string Page = "/jobs/4/place?view=front";
        async Task<JsonNode> Do(string handler, params (string, string)[] fields)
        {
            Assert.Equal(HttpStatusCode.Redirect, (await client.Post(Page, $"{Page}&handler={handler}", fields)).StatusCode);
            return JsonNode.Parse(await client.GetStringAsync("/api/v1/jobs/4/file"))!;
        }

        // 60 in and 34 in, in 1/640 mm: 25.4 * 640 = 16,256 to the inch.
        var dragged = await Do("Drag", ("item", "d1"), ("across", (60 * 16_256).ToString()), ("bottom", (34 * 16_256).ToString()));
        Assert.Equal("60 in", dragged["items"]!["d1"]!["place"]!["across"]!.ToString());
        Assert.Null(dragged["items"]!["d1"]!["place"]!["over"]);
        var plan = JsonNode.Parse(await client.GetStringAsync("/api/v1/jobs/4/plan"))!;
        Assert.Contains("34 in above the floor", plan["marks"]!.AsArray().Single(m => m!["id"]!.ToString() == "d1/bottom")!["reads"]!.ToString());
        Assert.Equal("f1/top", (await Do("Submit", ("/walls/w1/setOut/up", "f1/top")))["walls"]!["w1"]!["setOut"]!["up"]!.ToString());
        Assert.Equal("m-tilt24", (await Do("Submit", ("/items/m1/product", "m-tilt24")))["items"]!["m1"]!["product"]!["catalogue"]!.ToString());
        var consent = (await Do("Approve", ("item", "d1"), ("by", "the warden")))["items"]!["d1"]!["place"]!["approval"]!;
        Assert.Equal(("the warden", "60 in"), (consent["by"]!.ToString(), consent["across"]!.ToString()));
        Assert.Null((await Do("Submit", ("/items/m1/product", "")))["items"]!["m1"]!["product"]);
        var refused = await client.Post(Page, "/jobs/4/hang?view=front&handler=Submit", ("/items/m1/product", "d-65"));
        Assert.Contains("not in the catalogue any more", await refused.Content.ReadAsStringAsync());
    }

    [Fact]
    public async Task Seats_layers_and_places_are_added_and_what_lacks_something_says_what()
    {
        var client = await site.As("tom");
        const string Page = "/jobs/2/survey?view=front";
        Task<HttpResponseMessage> Add(string map, params (string, string)[] fields) => client.Post(Page, Page + "&handler=Submit", [("add", map), .. fields.Select(f => ($"{map}/_/{f.Item1}", f.Item2))]);
        Assert.Equal(HttpStatusCode.Redirect, (await Add("/seats", ("name", "table"), ("eye", "48 in"), ("distance", "12 ft"))).StatusCode);
        Assert.Equal(HttpStatusCode.Redirect, (await Add("/walls/w1/layers", ("name", "plywood"), ("thickness", "1/2 in"))).StatusCode);
        Assert.Equal(HttpStatusCode.Redirect, (await Add("/walls/w1/freePlaces", ("name", "box"), ("left", "20 in"), ("bottom", "40 in"), ("width", "4 in"), ("height", "4 in"))).StatusCode);
        var file = JsonNode.Parse(await client.GetStringAsync("/api/v1/jobs/2/file"))!;
        Assert.Contains(file["walls"]!["w1"]!["layers"]!.AsObject(), l => l.Value!["name"]!.ToString() == "plywood" && l.Value["order"]!.GetValue<int>() >= 1);
        Assert.Contains(file["seats"]!.AsObject(), v => v.Value!["distance"]!.ToString() == "12 ft" || v.Value["distance"]!.ToString() == "144 in");
        var lacking = await Add("/walls/w1/features", ("kind", "window"), ("name", "skylight"), ("left", "20 in"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, lacking.StatusCode);
        var words = (await lacking.Content.ReadAsStringAsync()).Plain();
        Assert.Contains("This is missing. Expected: width, a length with its unit", words);
        Assert.Contains("value=\"skylight\"", await lacking.Content.ReadAsStringAsync());
    }

    [Fact]
    public async Task Crews_that_work_at_once_lose_nothing()
    {
        var crew = await Task.WhenAll(new[] { "ines", "tom", "olive", "ines", "tom", "olive" }.Select(site.As));
        await Task.WhenAll(crew.Select((client, who) => Task.Run(async () =>
        {
            for (var n = 0; n < 15; n++)
            {
                var entry = new { id = $"crew-{who}-{n:00}", path = $"/walls/w1/features/c{who}x{n}", value = new { kind = "other", name = $"thing {who} {n}", left = $"{n} in", width = "1 in", height = "1 in" } };
                var answer = await client.PostAsJsonAsync("/api/v1/jobs/3/entries", new[] { entry });
                Assert.True(answer.StatusCode == HttpStatusCode.OK, await answer.Content.ReadAsStringAsync());
            }
        })));
        var features = JsonNode.Parse(await crew[0].GetStringAsync("/api/v1/jobs/3/file"))!["walls"]!["w1"]!["features"]!.AsObject();
        Assert.Equal(90, features.Count(f => f.Key.StartsWith('c') && f.Key.Contains('x')));
        var history = await crew[0].GetStringAsync("/jobs/3/history");
        Assert.Contains("91 entries", history);
        Assert.Equal(90, Regex.Count(history, "thing [0-5] [0-9]+</b>"));
    }
}
