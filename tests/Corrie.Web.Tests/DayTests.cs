using System.Net;
using System.Text.Json.Nodes;

namespace Corrie.Web.Tests;

/// <summary>What a phone sends from its queue is there once and in order, whatever the network does with it.</summary>
public sealed class DayTests : IClassFixture<Site>
{
    private readonly Site site;

    /// <summary>Takes the site that all tests of this class share.</summary>
    public DayTests(Site site) => this.site = site;

    [Fact]
    public async Task Whatever_the_network_drops_doubles_or_delays_each_entry_is_there_once_and_in_order()
    {
        string[] steps = ["room", "dust", "clean", "tools", "show", "sign"];
        var phones = await Task.WhenAll(new[] { "tom", "ines" }.Select(site.As));
        var sent = await Task.WhenAll(phones.Select((client, phone) => Task.Run(async () =>
        {
            var mine = new Random(1601 + phone);
            var token = await client.Token("/jobs/6/day?step=room");
            var (kept, late) = (new List<string>(), new List<HttpRequestMessage>());
            for (var n = 0; n < 75; n++)
            {
                var key = string.Concat(Enumerable.Range(0, 32).Select(_ => "0123456789abcdef"[mine.Next(16)]));
                HttpRequestMessage Ask() => new(HttpMethod.Post, "/jobs/6/day?handler=Done")
                {
                    Headers = { { "X-Queue", "1" } },
                    Content = new FormUrlEncodedContent(new Dictionary<string, string>
                    {
                        ["__RequestVerificationToken"] = token,
                        ["step"] = steps[n % steps.Length],
                        ["note"] = $"{phone} {n}",
                        ["how"] = n % 5 == 0 ? "otherwise" : string.Empty,
                        ["once"] = key,
                        ["at"] = $"2026-11-27T0{phone}:{n % 60:00}:00Z",
                    }),
                };
                for (var heard = false; !heard;)
                {
                    switch (mine.Next(5))
                    {
                        case 0:
                            // It never arrives.
                            break;
                        case 1:
                            // It arrives, and nobody hears the answer.
                            (await client.SendAsync(Ask())).Dispose();
                            break;
                        case 2:
                            // It arrives twice at the same moment.
                            var both = await Task.WhenAll(client.SendAsync(Ask()), client.SendAsync(Ask()));
                            Assert.All(both, b => Assert.Equal(HttpStatusCode.OK, b.StatusCode));
                            heard = true;
                            break;
                        case 3:
                            // It is held up somewhere, and arrives long after it was sent again.
                            late.Add(Ask());
                            break;
                        default:
                            using (var answer = await client.SendAsync(Ask()))
                            {
                                Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
                                Assert.StartsWith("/jobs/6/", JsonNode.Parse(await answer.Content.ReadAsStringAsync())!["next"]!.GetValue<string>());
                                heard = true;
                            }

                            break;
                    }
                }

                kept.Add(key);
                // What was held up comes at any time after it has been heard of.
                foreach (var old in late.Where(_ => mine.Next(3) == 0).ToList())
                {
                    late.Remove(old);
                    using var answer = await client.SendAsync(old);
                    Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
                }
            }

            return kept;
        })));

        var entries = JsonNode.Parse(await phones[0].GetStringAsync("/api/v1/jobs/6/entries?after=0"))!;
        var ids = (entries as JsonArray ?? entries["entries"]!.AsArray()).Select(e => e!["id"]!.GetValue<string>()).Where(i => i.EndsWith("-0", StringComparison.Ordinal) && i.Length == 34).ToList();
        Assert.Equal(150, ids.Count);
        Assert.Equal(150, ids.Distinct().Count());
        foreach (var phone in sent)
        {
            Assert.Equal(phone, ids.Select(i => i[..32]).Where(phone.Contains));
        }
    }

    [Fact]
    public async Task What_is_asked_back_is_not_taken_and_a_hold_point_holds_a_queue_too()
    {
        var tom = await site.As("tom");
        var token = await tom.Token("/jobs/5/day?step=room");
        Task<HttpResponseMessage> Send(string step, string note, string how = "") => tom.PostAsync("/jobs/5/day?handler=Done", new FormUrlEncodedContent(new Dictionary<string, string> { ["__RequestVerificationToken"] = token, ["step"] = step, ["note"] = note, ["how"] = how }));
        var day = await tom.GetStringAsync("/jobs/5/day");
        Assert.Contains("step-isolate", day);
        using var held = await Send(System.Text.RegularExpressions.Regex.Match(day, "step-(wire-[a-z0-9]+)").Groups[1].Value, string.Empty);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, held.StatusCode);
        Assert.Contains("waits for a hold point", await held.Content.ReadAsStringAsync());
        using var isolated = await Send(System.Text.RegularExpressions.Regex.Match(day, "step-(isolate-[a-z0-9]+)").Groups[1].Value, "off, I swear");
        Assert.Equal(HttpStatusCode.BadRequest, isolated.StatusCode);
        using var otherwise = await Send("room", " ", "otherwise");
        Assert.Equal(HttpStatusCode.UnprocessableEntity, otherwise.StatusCode);
        using var wordy = await Send("room", new string('x', 301));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, wordy.StatusCode);
        Assert.Contains(new string('x', 301), await wordy.Content.ReadAsStringAsync());
        Assert.Contains("0 of ", await tom.GetStringAsync("/jobs/5/day"));
    }
}
