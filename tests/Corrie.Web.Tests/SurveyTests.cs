using System.Net;
using System.Net.Http.Headers;
using System.Text.Json.Nodes;

namespace Corrie.Web.Tests;

public sealed class SurveyTests(Site site) : IClassFixture<Site>
{
    // The smallest PNG there is: one point.
    private static readonly byte[] Point = Convert.FromBase64String("iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==");

    private static string Survey(long job, string? handler = null) => $"/jobs/{job}/survey?view=behind{(handler is null ? "" : "&handler=" + handler)}";

    private static async Task<HttpResponseMessage> Pin(HttpClient client, long job, string of, byte[] picture)
    {
        var token = await client.Token(Survey(job));
        var file = new ByteArrayContent(picture) { Headers = { ContentType = new MediaTypeHeaderValue("image/png") } };
        return await client.PostAsync(Survey(job, "Photo"), new MultipartFormDataContent
        {
            { new StringContent(token), "__RequestVerificationToken" }, { new StringContent(of), "of" }, { new StringContent("the left one"), "says" }, { file, "picture", "a.png" },
        });
    }

    [Fact]
    public async Task A_photo_is_pinned_to_what_it_shows_and_only_its_job_s_readers_see_it()
    {
        var tom = await site.As("tom");
        Assert.Equal(HttpStatusCode.Redirect, (await Pin(tom, Site.MapRoom, "f4", Point)).StatusCode);
        var page = await tom.GetStringAsync(Survey(Site.MapRoom));
        Assert.Contains("left receptacle the left one", page.Plain());
        Assert.Contains("photo-pin", page);
        // The map room has a photo of the whole wall already.
        var name = Convert.ToHexStringLower(System.Security.Cryptography.SHA256.HashData(Point));
        Assert.Contains($"name={name}", page);
        string Picture(long job, string size) => $"/jobs/{job}/survey?handler=Picture&name={name}&size={size}";
        Assert.Equal("image/jpeg", (await tom.GetAsync(Picture(Site.MapRoom, "thumb"))).Content.Headers.ContentType!.MediaType);
        Assert.Equal(HttpStatusCode.NotFound, (await tom.GetAsync(Picture(Site.Office, "thumb"))).StatusCode);
        // Place and time are the office's and the lead's to see.
        Assert.Equal(HttpStatusCode.Redirect, (await tom.GetAsync(Picture(Site.MapRoom, "original"))).StatusCode);
        var ines = await site.As("ines");
        Assert.Equal(Point, await ines.GetByteArrayAsync(Picture(Site.MapRoom, "original")));
        var file = JsonNode.Parse(await ines.GetStringAsync($"/api/v1/jobs/{Site.MapRoom}/file"))!;
        Assert.Equal(name, file["walls"]!["w1"]!["photos"]!.AsObject().Single(p => p.Value!["of"]!.ToString() == "f4").Value!["picture"]!.ToString());
    }

    [Theory]
    [InlineData("f4", new byte[] { 60, 115, 118, 103 }, "no JPEG, PNG or WebP")]
    [InlineData("nothing", new byte[] { 1 }, "not said what the photo shows")]
    public async Task What_cannot_be_pinned_says_why(string of, byte[] picture, string words)
    {
        var answer = await Pin(await site.As("ines"), Site.MapRoom, of, picture);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        Assert.Contains(words, (await answer.Content.ReadAsStringAsync()).Plain());
    }

    [Fact]
    public async Task Build_up_test_hole_casing_and_answers_are_entered_without_script()
    {
        var ines = await site.As("ines");
        async Task<string> Do(string handler, params (string, string)[] fields)
        {
            var answer = await ines.Post(Survey(Site.Office), Survey(Site.Office, handler), fields);
            return answer.StatusCode == HttpStatusCode.Redirect ? (await ines.GetStringAsync(Survey(Site.Office))).Plain() : (await answer.Content.ReadAsStringAsync()).Plain();
        }

        Assert.Contains("Build-up not known", await Do("BuildUp", ("preset", "lath-plaster")));
        // 1958 is before lead paint was banned; a plastered wall asks for its age before it is drilled.
        Assert.Contains("how old is the house", await Do("Submit", ("/walls/w1/questions/flue", "none")));
        Assert.Contains("Old finishes may be hazardous", await Do("Submit", ("/site/built", "1958")));
        Assert.Contains("The wall is not what it seems", await Do("TestHole", ("x", "20"), ("y", "40"), ("layers", "plaster 5/8, wood lath 3/8, void 2")));
        Assert.Contains("'lath' is no layer with its thickness", await Do("TestHole", ("x", "20"), ("y", "40"), ("layers", "plaster 5/8, lath")));
        Assert.Contains("ask which point it stands for", await Do("Submit", ("add", "/walls/w1/crosses"), ("/walls/w1/crosses/_/x", "60"), ("/walls/w1/crosses/_/y", "50")));
        Assert.Contains("Expected: knock, edges, scan", await Do("Evidence", ("line", "hit somewhere")));
    }
}
