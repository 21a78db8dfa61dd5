using System.Net;
using System.Text.RegularExpressions;
using Corrie.Web.Demo;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.AspNetCore.Mvc.Testing.Handlers;

namespace Corrie.Web.Tests;

/// <summary>The application with fresh demo data, and people who sign in to it.</summary>
public sealed class Site : WebApplicationFactory<Program>
{
    private readonly Dictionary<string, CookieCollection> cookies = [];
    private readonly string folder;
    private bool own;

    public Site()
        : this(Directory.CreateTempSubdirectory("corrie-web-").FullName) => own = true;

    private Site(string folder) => this.folder = folder;

    /// <summary>The same data, which is the new one's then, after the application has ended and started afresh.</summary>
    public Site Again()
    {
        own = false;
        Dispose();
        // The application lets go of its folder on a thread of its own.
        for (var n = 0; n < 200; n++, Thread.Sleep(20))
        {
            if (Corrie.Data.DataFolder.Lock(folder) is { } free)
            {
                free.Dispose();
                break;
            }
        }

        return new(folder) { own = true };
    }

    public string Folder => folder;

    /// <summary>The web server in front that is believed; null for none.</summary>
    public string? Proxy { get; init; }

    /// <summary>Keys of the demo's jobs, in the order in which the demo loads them.</summary>
    public const long Terrace = 1, Stove = 3, Office = 4, Corridor = 5, MapRoom = 6;

    protected override void ConfigureWebHost(IWebHostBuilder builder) =>
        builder.UseSetting("Data", folder).UseSetting("Demo", "true").UseSetting("AllowedHosts", "*").UseSetting("Proxy", Proxy);

    public HttpClient Nobody() => CreateClient(new() { AllowAutoRedirect = false });

    /// <summary>A client of somebody's: signed in once for the whole application, for a password takes its time.</summary>
    public async Task<HttpClient> As(string signIn)
    {
        var known = new CookieContainer();
        known.Add(cookies.GetValueOrDefault(signIn) ?? []);
        var again = CreateDefaultClient(ClientOptions.BaseAddress, new CookieContainerHandler(known));
        if (known.Count > 0 && (await again.GetAsync("/jobs")).StatusCode == HttpStatusCode.OK)
        {
            return again;
        }

        var client = await SignIn(signIn, known = new());
        cookies[signIn] = known.GetAllCookies();
        return client;
    }

    private async Task<HttpClient> SignIn(string signIn, CookieContainer kept)
    {
        var client = CreateDefaultClient(ClientOptions.BaseAddress, new CookieContainerHandler(kept));
        var password = TarnHall.People.Single(p => p.SignIn == signIn).Password;
        var answer = await client.Post("/sign-in", "/sign-in", ("name", signIn), ("password", password));
        for (var tries = 0; answer.StatusCode == HttpStatusCode.TooManyRequests && tries < 40; tries++)
        {
            // Many who come at once for the first time are told to try again.
            await Task.Delay(250);
            answer = await client.Post("/sign-in", "/sign-in", ("name", signIn), ("password", password));
        }

        Assert.Equal(HttpStatusCode.Redirect, answer.StatusCode);
        return client;
    }

    protected override void Dispose(bool disposing)
    {
        base.Dispose(disposing);
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        if (own && Directory.Exists(folder))
        {
            Directory.Delete(folder, recursive: true);
        }
    }
}

internal static class Client
{
    /// <summary>Posts a form with the token of a page, as a browser without script does.</summary>
    public static async Task<HttpResponseMessage> Post(this HttpClient client, string page, string to, params (string Name, string Value)[] fields)
    {
        var token = await client.Token(page);
        return await client.PostAsync(to, new FormUrlEncodedContent(
            fields.Select(f => KeyValuePair.Create(f.Name, f.Value)).Append(new("__RequestVerificationToken", token))));
    }

    /// <summary>The token of a page's forms.</summary>
    public static async Task<string> Token(this HttpClient client, string page) =>
        Regex.Match(await client.GetStringAsync(page), "__RequestVerificationToken\" type=\"hidden\" value=\"([^\"]+)\"").Groups[1].Value;

    /// <summary>The text of a page, without its markup.</summary>
    public static string Plain(this string html) =>
        Regex.Replace(WebUtility.HtmlDecode(Regex.Replace(Regex.Replace(html, "</?(sup|sub|span|b|i)[^>]*>", string.Empty), "<[^>]+>", " ")), "[\\s\\u2009\\u00a0]+", " ").Replace('⁄', '/');
}
