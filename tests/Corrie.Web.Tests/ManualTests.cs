using System.Net;
using System.Net.Http.Headers;
using System.Text;

namespace Corrie.Web.Tests;

public sealed class ManualTests : IDisposable
{
    private static readonly byte[] Pdf = Encoding.ASCII.GetBytes("%PDF-1.4\n1 0 obj<</Type/Catalog>>endobj\ntrailer<</Root 1 0 R>>\n%%EOF\n");

    private readonly Site site = new();

    public void Dispose() => site.Dispose();

    private static async Task<HttpResponseMessage> Send(HttpClient client, byte[]? file, string version = "1", string? what = null)
    {
        var token = await client.Token("/catalogue/mount/m-tilt24");
        var form = new MultipartFormDataContent { { new StringContent(token), "__RequestVerificationToken" }, { new StringContent(version), "Version" } };
        if (file is not null)
        {
            form.Add(new ByteArrayContent(file) { Headers = { ContentType = new MediaTypeHeaderValue("application/pdf") } }, "manual", "m.pdf");
        }

        if (what is not null)
        {
            form.Add(new StringContent(what), "what");
        }

        return await client.PostAsync("/catalogue/mount/m-tilt24?handler=Manual", form);
    }

    [Fact]
    public async Task A_manual_is_kept_with_the_item_read_at_its_step_and_taken_away()
    {
        var olive = await site.As("olive");
        Assert.Equal(HttpStatusCode.Redirect, (await Send(olive, Pdf)).StatusCode);
        var page = await (await site.As("tom")).GetStringAsync($"/jobs/{Site.MapRoom}/hang");
        var address = System.Net.WebUtility.HtmlDecode(System.Text.RegularExpressions.Regex.Match(page, "href=\"(/catalogue/mount/m-tilt24[?]handler=Manual[^\"]*)\"").Groups[1].Value);
        var read = await (await site.As("tom")).GetAsync(address);
        Assert.Equal("application/pdf", read.Content.Headers.ContentType!.MediaType);
        Assert.Contains("sandbox", read.Headers.GetValues("Content-Security-Policy").Single());
        Assert.Equal(Pdf, await read.Content.ReadAsByteArrayAsync());
        // What is typed into the item's own form leaves it where it is; the survey does not show it, and a client neither.
        Assert.DoesNotContain("handler=Manual", await (await site.As("tom")).GetStringAsync($"/jobs/{Site.MapRoom}/survey"));
        Assert.DoesNotContain("handler=Manual", await (await site.As("warden")).GetStringAsync($"/jobs/{Site.MapRoom}/hang"));
        Assert.Equal(HttpStatusCode.Conflict, (await Send(olive, Pdf)).StatusCode);
        Assert.Equal(HttpStatusCode.Redirect, (await Send(olive, null, "2", "gone")).StatusCode);
        Assert.DoesNotContain("handler=Manual&", await olive.GetStringAsync($"/jobs/{Site.MapRoom}/hang"));
    }

    [Theory]
    [InlineData("%PDF-1.4 and then it ends", "no whole PDF")]
    [InlineData("<html>%%EOF", "no whole PDF")]
    [InlineData("", "The file is empty")]
    [InlineData(null, "No file was chosen")]
    public async Task What_is_no_manual_is_refused_in_words(string? file, string says)
    {
        var answer = await Send(await site.As("olive"), file is null ? null : Encoding.ASCII.GetBytes(file));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        Assert.Contains(says, await answer.Content.ReadAsStringAsync());
    }
}
