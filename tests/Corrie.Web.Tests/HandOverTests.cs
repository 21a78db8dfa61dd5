using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;

namespace Corrie.Web.Tests;

/// <summary>Who comes in by a link, what a client reads by one, what is signed at the end, and what is looked at again.</summary>
public sealed class HandOverTests : IClassFixture<Site>
{
    private const string Stroke = "M10 10 L20 20 L30 10 L40 20 L50 10 L60 20 L70 10 L80 20";

    private readonly Site site;

    /// <summary>Takes the site that all tests of this class share.</summary>
    public HandOverTests(Site site) => this.site = site;

    [Fact]
    public async Task An_invitation_lets_one_person_in_once_as_all_that_it_says()
    {
        var ines = await site.As("ines");
        async Task<string> Ask(params (string, string)[] more)
        {
            var made = await (await ines.Post("/people", "/people?handler=Invite", [("PersonName", "Pat Dale"), ("Role", "Installer"), ("Also", "Lead"), .. more])).Content.ReadAsStringAsync();
            return Regex.Match(made, "/invitation/[a-z0-9.]+").Value;
        }

        var link = await Ask();
        var stranger = site.Nobody();
        Assert.Contains("Come in, Pat Dale", await stranger.GetStringAsync(link));
        var refused = await stranger.Post(link, link, ("SignInName", "tom"), ("password", "three odd words here"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, refused.StatusCode);
        Assert.Contains("Somebody signs in as &#x27;tom&#x27; already", await refused.Content.ReadAsStringAsync());
        Assert.Equal(HttpStatusCode.Redirect, (await stranger.Post(link, link, ("SignInName", "pat"), ("password", "three odd words here"))).StatusCode);
        // An installer who is a lead too may do what either may.
        var account = await stranger.GetStringAsync("/account");
        Assert.Contains("installer and lead", account);
        Assert.Equal(HttpStatusCode.OK, (await stranger.GetAsync("/people")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await site.Nobody().GetAsync(link)).StatusCode);

        // Taken back, it lets nobody in; and a client is nothing else.
        var other = await Ask();
        var id = Regex.Match(await ines.GetStringAsync("/people"), "name=\"id\" value=\"(\\d+)\">Take it back").Groups[1].Value;
        await ines.Post("/people", "/people?handler=Uninvite", ("id", id));
        Assert.Equal(HttpStatusCode.NotFound, (await site.Nobody().GetAsync(other)).StatusCode);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await ines.Post("/people", "/people?handler=Invite", ("PersonName", "Sam"), ("Role", "Client"), ("SiteId", "1"), ("Also", "Lead"))).StatusCode);
    }

    [Fact]
    public async Task A_client_s_link_shows_the_hand_over_of_one_job_until_it_is_revoked()
    {
        var ines = await site.As("ines");
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await ines.Post("/jobs/6/share", "/jobs/6/share?handler=Link", ("says", " "))).StatusCode);
        var made = await (await ines.Post("/jobs/6/share", "/jobs/6/share?handler=Link", ("says", "the warden"))).Content.ReadAsStringAsync();
        var link = Regex.Match(made, "/handed-over/[a-z0-9.]+").Value;
        var client = site.Nobody();
        var answer = await client.GetAsync(link);
        var page = (await answer.Content.ReadAsStringAsync()).Plain();
        Assert.Contains("Living display, 65 in", page);
        Assert.Contains("look here before you drill", page);
        Assert.Contains("noindex", string.Join(' ', answer.Headers.GetValues("X-Robots-Tag")));
        Assert.DoesNotContain("<form", await answer.Content.ReadAsStringAsync());
        Assert.Equal("application/pdf", (await client.GetAsync(link + "?handler=Paper")).Content.Headers.ContentType!.MediaType);
        Assert.Equal("corrie-job/2", JsonNode.Parse(await client.GetStringAsync(link + "?handler=File"))!["format"]!.GetValue<string>());
        // Nothing else is open to it, nor to a code that is not whole.
        Assert.Equal(HttpStatusCode.Redirect, (await client.GetAsync("/jobs/6/day")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await client.GetAsync(link[..^1])).StatusCode);
        Assert.Contains("last opened", await ines.GetStringAsync("/jobs/6/share"));
        var id = Regex.Match(await ines.GetStringAsync("/jobs/6/share"), "name=\"link\" value=\"(\\d+)\"").Groups[1].Value;
        await ines.Post("/jobs/6/share", "/jobs/6/share?handler=Revoke", ("link", id));
        Assert.Equal(HttpStatusCode.NotFound, (await client.GetAsync(link)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await client.GetAsync(link + "?handler=Paper")).StatusCode);
    }

    [Fact]
    public async Task The_hand_over_is_signed_and_what_is_looked_at_again_has_its_day()
    {
        var tom = await site.As("tom");
        const string step = "/jobs/4/day?step=sign";
        const string to = "/jobs/4/day?handler=Signed";
        foreach (var (name, drawn, words) in new[] { ("-", Stroke, "No name is signed"), ("A. Warden", "M1 1 L2 2", "is no signature") })
        {
            var refused = await tom.Post(step, to, ("step", "sign"), ("signed", name), ("drawn", drawn));
            Assert.Equal(HttpStatusCode.UnprocessableEntity, refused.StatusCode);
            Assert.Contains(words, await refused.Content.ReadAsStringAsync());
        }

        Assert.Equal(HttpStatusCode.Redirect, (await tom.Post(step, to, ("step", "sign"), ("signed", "A. Warden"), ("drawn", Stroke), ("open", "2"))).StatusCode);
        var page = await tom.GetStringAsync(step);
        Assert.Contains("Signed by <b>A. Warden</b>", page);
        Assert.Contains(Stroke, page);
        // How many stops are open is the plan's matter, whatever a request claims.
        Assert.DoesNotContain("with 2 stops open", page);

        // Due four weeks after it was signed, unless it says when; done, it is not due any more.
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await tom.Post("/jobs/4/share", "/jobs/4/share?handler=Care", ("kind", "straps"), ("due", "soon"))).StatusCode);
        await tom.Post("/jobs/4/share", "/jobs/4/share?handler=Care", ("kind", "straps"), ("what", "both posts"), ("due", ""));
        await tom.Post("/jobs/4/share", "/jobs/4/share?handler=Care", ("kind", "temporary"), ("what", "the cord along the skirting"), ("due", "2020-01-01"));
        var mine = (await tom.GetStringAsync("/mine")).Plain();
        Assert.Contains("both posts", mine);
        Assert.Contains("was due 1 Jan 2020", mine);
        var late = Regex.Match(await tom.GetStringAsync("/jobs/4/share"), "late.*?name=\"care\" value=\"(\\w+)\"", RegexOptions.Singleline).Groups[1].Value;
        await tom.Post("/jobs/4/share", "/jobs/4/share?handler=Done", ("care", late));
        Assert.DoesNotContain("was due 1 Jan 2020", (await tom.GetStringAsync("/mine")).Plain());
    }

    [Fact]
    public async Task No_hole_is_entered_before_the_hook_is_measured()
    {
        var ines = await site.As("ines");
        var file = JsonNode.Parse(await ines.GetStringAsync("/api/v1/jobs/4/file"))!;
        file["job"]!["number"] = "0291";
        ((JsonObject)file["items"]!["m1"]!["hang"]!).Remove("measuredBottomToHook");
        ((JsonObject)file["items"]!["m1"]!["hang"]!).Remove("measuredTopToHook");
        var job = JsonNode.Parse(await (await ines.PostAsJsonAsync("/api/v1/jobs", file)).Content.ReadAsStringAsync())!["id"];
        var hole = $"/jobs/{job}/field?step=" + Regex.Match(await ines.GetStringAsync($"/jobs/{job}/day"), "step=([^\"&]*bolt[^\"&]*)\"").Groups[1].Value;
        Assert.Contains("an earlier step of the day", await ines.GetStringAsync(hole));
        var refused = await ines.Post(hole, hole + "&handler=Hole", ("state", "holds"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, refused.StatusCode);
        Assert.Contains("the hook is measured on this display", await refused.Content.ReadAsStringAsync());
        // The display is 25 1/4 in high: both readings make that, or are asked for again.
        var chain = $"/jobs/{job}/day?step=chain-m1";
        var wrong = await ines.Post(chain, $"/jobs/{job}/day?handler=Chain", ("step", "chain-m1"), ("bottom", "19 15/16"), ("top", "6"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, wrong.StatusCode);
        Assert.Contains("Expected: both readings to the same hook", await wrong.Content.ReadAsStringAsync());
        Assert.Equal(HttpStatusCode.Redirect, (await ines.Post(chain, $"/jobs/{job}/day?handler=Chain", ("step", "chain-m1"), ("bottom", "19 15/16"), ("top", "5 5/16"))).StatusCode);
        Assert.DoesNotContain("an earlier step of the day", await ines.GetStringAsync(hole));
    }

    [Fact]
    public async Task Photos_are_kept_for_as_long_as_is_said()
    {
        var olive = await site.As("olive");
        foreach (var wrong in new[] { "0", "51", "some" })
        {
            Assert.Equal(HttpStatusCode.UnprocessableEntity, (await olive.Post("/people", "/people?handler=Keep", ("years", wrong))).StatusCode);
        }

        await olive.Post("/people", "/people?handler=Keep", ("years", "3"));
        Assert.Contains("No photo is older", await olive.GetStringAsync("/people"));
        await olive.Post("/people", "/people?handler=Keep", ("years", ""));
        Assert.DoesNotContain("No photo is older", await olive.GetStringAsync("/people"));
    }
}
