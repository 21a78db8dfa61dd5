using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json.Nodes;

namespace Corrie.Web.Tests;

public sealed class ApiTests(Site site) : IClassFixture<Site>
{
    private static StringContent Json(string text) => new(text, Encoding.UTF8, "application/json");

    [Fact]
    public async Task A_program_signs_in_plans_and_appends()
    {
        var client = site.Nobody();
        Assert.Equal(HttpStatusCode.Unauthorized, (await client.PostAsJsonAsync("/api/v1/sign-in", new { name = "tom", password = "no" })).StatusCode);
        Assert.Equal(HttpStatusCode.NoContent, (await client.PostAsJsonAsync("/api/v1/sign-in", new { name = "tom", password = "plumb-bob-2" })).StatusCode);
        var entry = new { id = Guid.NewGuid().ToString("N"), path = "/items/d1/place/gapBelow", value = "3 in" };
        var made = JsonNode.Parse(await (await client.PostAsJsonAsync("/api/v1/jobs/6/entries", new[] { entry })).Content.ReadAsStringAsync())!;
        Assert.Equal("place.gap-too-small", JsonNode.Parse(await client.GetStringAsync("/api/v1/jobs/6/plan"))!["findings"]!.AsArray().First(f => f!["code"]!.ToString().StartsWith("place.", StringComparison.Ordinal) && f["severity"]!.ToString() == "C")!["code"]!.ToString());
        await client.PostAsJsonAsync("/api/v1/jobs/6/entries", new[] { new { id = Guid.NewGuid().ToString("N"), undoes = made[0]!["batch"]!.ToString() } });
        Assert.DoesNotContain("gap-too-small", await client.GetStringAsync("/api/v1/jobs/6/plan"));
    }

    [Theory]
    [InlineData("[{}]", "has no id")]
    [InlineData("[null]", "has no id")]
    [InlineData("[]", "0 entries")]
    [InlineData("[{\"id\":\"abcdefgh\",\"path\":\"/nowhere\",\"value\":1}]", "leads nowhere")]
    [InlineData("[{\"id\":\"abcdefgh\",\"path\":\"/items/d1/place/height\",\"value\":\"5//8\"}]", "no number below the slash")]
    [InlineData("[{\"id\":\"abcdefgh\",\"path\":\"/items/d1/place/height\",\"value\":\"54\"}]", "has no unit")]
    [InlineData("[{\"id\":\"abcdefgh\",\"undoes\":\"never\"}]", "no batch")]
    [InlineData("[{\"id\":\"abcdefgh\",\"path\":\"/items/d1/place/height\",\"value\":\"54 in\",\"replaces\":[null]}]", "no id of an entry")]
    [InlineData("[{\"id\":\"abcdefgh\",\"path\":\"/items/d1/place/height\",\"value\":\"54 in\",\"replaces\":[\"no such entry\"]}]", "no id of an entry")]
    [InlineData("[{\"id\":\"abc defgh\",\"path\":\"/items/d1/place/height\",\"value\":\"54 in\"}]", "no id of an entry")]
    [InlineData("[{\"id\":\"abcdefgh\",\"path\":\"/items/d1/place/height\",\"value\":\"54 in\",\"takenAt\":\"0001-01-01T00:00:00+00:00\"}]", "is no time")]
    public async Task Bad_entries_are_refused_in_plain_words(string body, string words)
    {
        var client = await site.As("tom");
        var answer = await client.PostAsync("/api/v1/jobs/6/entries", Json(body));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        Assert.Contains(words, JsonNode.Parse(await answer.Content.ReadAsStringAsync())!["detail"]!.ToString());
    }

    /// <summary>Valid JSON with wrong things inside, in 10,000 ways: each is answered in words, and what was taken never damages the job.</summary>
    [Fact]
    public async Task An_entry_of_the_wrong_form_is_never_written()
    {
        using var site = new Site();
        var client = await site.As("ines");
        var random = new Random(11);
        string[] odd =
        [
            "null", "1", "-1", "1e308", "true", "\"\"", "\"x\"", "\"/\"", "\"~\"", "\"/items/d1/place/height\"", "\"/walls/w1/studs/a b\"", "\"/walls/~2\"", "[]", "[null]", "[[]]", "[1]", "{}",
            "{\"a\":null}", "\"\\ud800\"", "\"\\u0000\"", "\"9999-12-31T23:59:59Z\"", "\"0001-01-01T00:00:00Z\"", $"\"{new string('/', 900)}\"", $"[\"{new string('a', 70)}\"]", "[\"entry-01\",null]",
        ];
        string[] members = ["id", "path", "value", "replaces", "undoes", "takenAt"];
        for (var n = 0; n < 100; n++)
        {
            var entries = Enumerable.Range(0, 100).Select(k =>
            {
                var parts = new Dictionary<string, string> { ["id"] = $"\"odd-{n:000}-{k:000}\"", ["path"] = "\"/items/d1/place/height\"", ["value"] = "\"54 in\"" };
                for (var m = random.Next(1, 4); m > 0; m--)
                {
                    parts[members[random.Next(members.Length)]] = odd[random.Next(odd.Length)];
                }

                return "{" + string.Join(',', parts.Select(p => $"\"{p.Key}\":{p.Value}")) + "}";
            }).ToList();
            // All but a few are refused; one that is refused takes its whole list with it, so that each is sent by itself as well, in turn.
            foreach (var body in (string[])[$"[{string.Join(',', entries)}]", .. entries.Select(e => $"[{e}]")])
            {
                var answer = await client.PostAsync("/api/v1/jobs/3/entries", Json(body));
                Assert.True((int)answer.StatusCode < 500, body);
            }
        }

        Assert.Equal(HttpStatusCode.OK, (await client.GetAsync("/api/v1/jobs/3/plan")).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await client.GetAsync("/jobs/3/place")).StatusCode);
        // And so it reads for a server that starts afresh.
        using var again = site.Again();
        Assert.Equal(HttpStatusCode.OK, (await (await again.As("ines")).GetAsync("/api/v1/jobs/3/plan")).StatusCode);
    }

    [Fact]
    public async Task Whatever_is_sent_is_answered_and_never_breaks_the_server()
    {
        var client = await site.As("ines");
        var random = new Random(7);
        var seed = Demo.TarnHall.Read("map-room");
        foreach (var to in new[] { "/api/v1/plan", "/api/v1/jobs", "/api/v1/jobs/2/entries", "/api/v1/sign-in" })
        {
            for (var n = 0; n < 150; n++)
            {
                var bytes = Encoding.UTF8.GetBytes(n % 3 == 0 ? "[{\"id\":\"abcdefgh\",\"path\":\"/items/d1/place/height\",\"value\":\"54 in\"}]" : seed);
                for (var k = random.Next(1, 8); k > 0; k--)
                {
                    bytes[random.Next(bytes.Length)] = (byte)random.Next(256);
                }

                using var content = new ByteArrayContent(bytes);
                content.Headers.ContentType = new("application/json");
                var answer = await client.PostAsync(to, content);
                Assert.True((int)answer.StatusCode < 500, $"{to} answered {answer.StatusCode}");
            }
        }
    }

    [Fact]
    public async Task The_interface_is_described()
    {
        var client = await site.As("ines");
        var api = JsonNode.Parse(await client.GetStringAsync("/openapi/v1.json"))!;
        Assert.Equal(7, api["paths"]!.AsObject().Count);
        Assert.Contains("corrie-job/2", await client.GetStringAsync("/api/v1/job.schema.json"));
    }
}
