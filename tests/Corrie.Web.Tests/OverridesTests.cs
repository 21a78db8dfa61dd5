using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json.Nodes;
using Corrie.Core.Format;
using Corrie.Web.Demo;

namespace Corrie.Web.Tests;

/// <summary>Who may pass a stop, by every way in; final stops nobody.</summary>
public sealed class OverridesTests(Site site) : IClassFixture<Site>
{
    // The map room's stop and a final one beside it, once nobody has looked for cables.
    private const string Stop = "survey.framing-unconfirmed";
    private const string Final = "survey.services-not-looked-for";

    private static string Role(string who) => TarnHall.People.Single(p => p.SignIn == who).Role.ToString().ToLowerInvariant();

    private static string Name(string who) => TarnHall.People.Single(p => p.SignIn == who).Name;

    [Theory]
    [InlineData("olive", true)]
    [InlineData("ines", true)]
    [InlineData("tom", false)]
    [InlineData("warden", false)]
    public async Task Through_the_page_a_lead_or_the_office_overrides_with_a_reason(string who, bool may)
    {
        var job = await Copy();
        var client = await site.As(who);
        var before = await Finding(job, Stop);
        (string, string)[] fields = [("code", Stop), ("about", before["part"]!.ToString()), ("says", before["message"]!.ToString().Replace("\u2009", " "))];
        // Without a reason it is refused in words; who may not is shown the door.
        Assert.Equal(may ? HttpStatusCode.UnprocessableEntity : HttpStatusCode.Redirect, (await Send(client, job, "Override", [.. fields, ("reason", "  ")])).StatusCode);
        await Send(client, job, "Override", [.. fields, ("reason", "seen through the old box, both sides")]);
        var after = await Finding(job, Stop);
        Assert.Equal(may ? Name(who) : null, after["override"]?["by"]?.ToString());
        Assert.Equal(may ? Role(who) : null, after["override"]?["role"]?.ToString());
        if (may)
        {
            var sheet = (await (await site.As("tom")).GetStringAsync($"/jobs/{job}/sheet")).Plain();
            Assert.Contains("Overridden: 1 stop", sheet);
            Assert.Contains($"{Name(who)}, {Role(who)}: seen through the old box", sheet);
            Assert.Contains("Overridden by " + Name(who), (await client.GetStringAsync($"/jobs/{job}/survey?view=behind")).Plain());
        }
    }

    [Theory]
    [InlineData("olive", "page")]
    [InlineData("ines", "page")]
    [InlineData("olive", "api")]
    [InlineData("ines", "api")]
    [InlineData("tom", "api")]
    [InlineData("olive", "import")]
    [InlineData("ines", "import")]
    public async Task A_final_stop_is_overridden_by_nobody_by_no_way(string who, string way)
    {
        var job = await Copy(d => Pointer.Set(d, "/walls/w1/scan", null));
        var client = await site.As(who);
        var finding = await Finding(job, Final);
        var forged = Forged(who, finding);
        if (way == "page")
        {
            Assert.Equal(HttpStatusCode.UnprocessableEntity, (await Send(client, job, "Override", [("code", Final), ("about", finding["part"]!.ToString()), ("says", finding["message"]!.ToString()), ("reason", "in a hurry")])).StatusCode);
            Assert.Equal(HttpStatusCode.UnprocessableEntity, (await Send(client, job, "Change", [("changes", $"/overrides/o1 {forged.ToJsonString()}")])).StatusCode);
        }
        else if (way == "api")
        {
            Assert.Contains(await Entry(client, job, "/overrides/o1", forged.DeepClone()), new[] { HttpStatusCode.UnprocessableEntity, HttpStatusCode.Forbidden });
        }
        else
        {
            job = await Copy(d => { Pointer.Set(d, "/walls/w1/scan", null); Pointer.Set(d, "/overrides/o1", forged.DeepClone()); });
        }

        var after = await Finding(job, Final);
        Assert.Equal("S!", after["severity"]!.ToString());
        Assert.Null(after["override"]);
        Assert.Contains("Not to be drilled", (await client.GetStringAsync($"/jobs/{job}/sheet")).Plain());
    }

    [Fact]
    public async Task An_installer_enters_no_override_by_any_way_and_nobody_in_another_s_name()
    {
        var job = await Copy();
        var (tom, ines) = (await site.As("tom"), await site.As("ines"));
        var finding = await Finding(job, Stop);
        foreach (var by in new[] { "tom", "ines" })
        {
            Assert.Equal(HttpStatusCode.Forbidden, await Entry(tom, job, "/overrides/o1", Forged(by, finding)));
            Assert.Equal(HttpStatusCode.Forbidden, await Entry(tom, job, "/overrides", new JsonObject { ["o1"] = Forged(by, finding) }));
            await Send(tom, job, "Change", [("changes", $"/overrides/o1 {Forged(by, finding).ToJsonString()}")]);
            Assert.Null((await Finding(job, Stop))["override"]);
        }

        Assert.Equal(HttpStatusCode.UnprocessableEntity, await Entry(ines, job, "/overrides/o1", Forged("olive", finding)));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, await Entry(ines, job, "/overrides", new JsonObject { ["o1"] = Forged("ines", finding) }));
        var blank = Forged("ines", finding);
        blank["reason"] = " ";
        Assert.Equal(HttpStatusCode.UnprocessableEntity, await Entry(ines, job, "/overrides/o1", blank));

        // What a lead has overridden an installer does not take back, and what she has taken back he does not bring again.
        Assert.Equal(HttpStatusCode.OK, await Entry(ines, job, "/overrides/o1", Forged("ines", finding)));
        Assert.NotNull((await Finding(job, Stop))["override"]);
        Assert.Equal(HttpStatusCode.Forbidden, await Entry(tom, job, "/overrides/o1", null));
        var batch = JsonNode.Parse(await ines.GetStringAsync($"/api/v1/jobs/{job}/entries"))!.AsArray()[^1]!["batch"]!.ToString();
        Assert.Equal(HttpStatusCode.Forbidden, (await tom.PostAsJsonAsync($"/api/v1/jobs/{job}/entries", new[] { new { id = Guid.NewGuid().ToString("N"), undoes = batch } })).StatusCode);
        Assert.NotNull((await Finding(job, Stop))["override"]);
        // A copy of the job is another job, with no hole in its wall and nobody's figure for it.
        Assert.Equal(HttpStatusCode.OK, await Entry(ines, job, "/items/m1/built/holes/h1", Json("""{ "row": "top", "across": "70 in", "up": "59 in" }""")));
        Assert.Equal(HttpStatusCode.OK, await Entry(ines, job, "/items/m1/evidence/engineer", Json("""{ "name": "R. Fell", "on": "May", "tension": "90 lb", "shear": "90 lb" }""")));
        var like = await ines.Post("/jobs/new", "/jobs/new?handler=Like", ("like", $"{job}"));
        var copied = long.Parse(like.Headers.Location!.OriginalString.Split('/', '?')[2], System.Globalization.CultureInfo.InvariantCulture);
        var file = await ines.GetStringAsync($"/api/v1/jobs/{copied}/file");
        Assert.All(new[] { "overrides", "\"holes\"", "R. Fell" }, left => Assert.DoesNotContain(left, file));
    }

    /// <summary>A lowered limit clears stops too: it takes who may set the company's figures, and their reason.</summary>
    [Fact]
    public async Task Figures_of_a_job_depart_from_the_company_s_with_a_name_and_a_reason()
    {
        var job = await Copy();
        var (tom, ines) = (await site.As("tom"), await site.As("ines"));
        Assert.Equal(HttpStatusCode.Forbidden, await Entry(tom, job, "/policy/accidentalPull", "0 lb"));
        Assert.Equal(HttpStatusCode.Forbidden, await Entry(tom, job, "/policy", new JsonObject { ["anchorFactor"] = 1, ["departure"] = "mine" }));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, await Entry(ines, job, "/policy/accidentalPull", "20 lb"));
        Assert.Equal(HttpStatusCode.OK, await Entry(ines, job, "/policy/departure", "Ines Arkle: no child reaches it, 3 May"));
        Assert.Equal(HttpStatusCode.OK, await Entry(ines, job, "/policy/accidentalPull", "20 lb"));
        Assert.Contains("departs from the company's figures Ines Arkle: no child reaches it", (await tom.GetStringAsync($"/jobs/{job}/sheet")).Plain());
    }

    [Fact]
    public async Task An_override_is_for_the_figures_that_were_looked_at_and_an_import_brings_nobody_else_s()
    {
        var job = await Copy();
        var ines = await site.As("ines");
        var finding = await Finding(job, Stop);
        (string, string)[] stale = [("code", Stop), ("about", finding["part"]!.ToString()), ("says", "The stud at 3 in is found."), ("reason", "seen")];
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await Send(ines, job, "Override", stale)).StatusCode);
        Assert.Null((await Finding(job, Stop))["override"]);
        var theirs = await Copy(d => Pointer.Set(d, "/overrides/o1", Forged("olive", finding)));
        Assert.Null((await Finding(theirs, Stop))["override"]);
        var own = await Copy(d => Pointer.Set(d, "/overrides/o1", Forged("ines", finding)));
        Assert.NotNull((await Finding(own, Stop))["override"]);
    }

    private static JsonObject Forged(string who, JsonNode finding) => new()
    {
        ["code"] = finding["code"]!.ToString(),
        ["about"] = finding["part"]!.ToString(),
        ["says"] = finding["message"]!.ToString(),
        ["by"] = Name(who),
        ["role"] = Role(who),
        ["reason"] = "a reason",
    };

    private static JsonNode Json(string text) => JsonNode.Parse(text)!;

    private async Task<long> Copy(Action<JsonObject>? change = null)
    {
        var ines = await site.As("ines");
        var document = (JsonObject)JsonNode.Parse(await ines.GetStringAsync($"/api/v1/jobs/{Site.MapRoom}/file"))!;
        change?.Invoke(document);
        var answer = await ines.PostAsync("/api/v1/jobs", new StringContent(document.ToJsonString(), Encoding.UTF8, "application/json"));
        return JsonNode.Parse(await answer.Content.ReadAsStringAsync())!["id"]!.GetValue<long>();
    }

    private async Task<JsonNode> Finding(long job, string code) =>
        JsonNode.Parse(await (await site.As("ines")).GetStringAsync($"/api/v1/jobs/{job}/plan?units=in"))!["findings"]!.AsArray().First(f => f!["code"]!.ToString() == code)!;

    private static Task<HttpResponseMessage> Send(HttpClient client, long job, string handler, (string, string)[] fields) => client.Post("/account", $"/jobs/{job}/fix?handler={handler}", fields);

    private static async Task<HttpStatusCode> Entry(HttpClient client, long job, string path, JsonNode? value) =>
        (await client.PostAsync($"/api/v1/jobs/{job}/entries", new StringContent(new JsonArray(new JsonObject { ["id"] = Guid.NewGuid().ToString("N"), ["path"] = path, ["value"] = value?.DeepClone() }).ToJsonString(), Encoding.UTF8, "application/json"))).StatusCode;
}
