using System.Diagnostics;
using System.Net;
using System.Net.Http.Headers;
using System.Net.Http.Json;
using System.Text.RegularExpressions;
using Corrie.Web.Access;

namespace Corrie.Web.Tests;

/// <summary>Who comes in and for how long. Each test has an application of its own.</summary>
public sealed class SignInTests : IDisposable
{
    private readonly Site site = new();

    public void Dispose() => site.Dispose();

    private static Task<HttpResponseMessage> Try(HttpClient client, string name, string password) => client.Post("/sign-in", "/sign-in", ("name", name), ("password", password));

    [Fact]
    public async Task Strangers_guesses_are_slowed_down_and_never_lock_the_true_user_out()
    {
        var olive = await site.As("olive");
        var stranger = site.Nobody();
        for (var i = 0; i < SignIns.TriesByName; i++)
        {
            Assert.Equal(HttpStatusCode.Unauthorized, (await Try(stranger, "olive", "guess")).StatusCode);
        }

        var slowed = await Try(stranger, "OLIVE ", "tape-hook-3");
        Assert.Equal(HttpStatusCode.TooManyRequests, slowed.StatusCode);
        Assert.Matches("Wait [0-9]+ seconds", (await slowed.Content.ReadAsStringAsync()).Plain());
        // From a device on which she has signed in before it goes on as if nothing were, and she is signed in all the while.
        Assert.Equal(HttpStatusCode.OK, (await olive.GetAsync("/jobs")).StatusCode);
        Assert.Equal("/jobs", (await Try(olive, "olive", "tape-hook-3")).Headers.Location!.OriginalString);
        Assert.Equal(HttpStatusCode.Redirect, (await Try(site.Nobody(), "tom", "plumb-bob-2")).StatusCode);
        Assert.Equal(HttpStatusCode.TooManyRequests, (await stranger.PostAsJsonAsync("/api/v1/sign-in", new { name = "olive", password = "tape-hook-3" })).StatusCode);
    }

    [Fact]
    public async Task A_crew_that_comes_at_once_from_its_own_phones_is_let_in_however_long_it_takes()
    {
        var tom = await site.As("tom");
        var token = await tom.Token("/sign-in");
        var answers = await Task.WhenAll(Enumerable.Range(0, 40).Select(_ => tom.PostAsync(
            "/sign-in", new FormUrlEncodedContent([new("__RequestVerificationToken", token), new("name", "tom"), new("password", "plumb-bob-2")]))));
        Assert.All(answers, a => Assert.Equal(HttpStatusCode.Redirect, a.StatusCode));
    }

    [Fact]
    public async Task A_name_that_nobody_has_answers_like_any_other()
    {
        var answers = new List<(HttpStatusCode, string)>();
        foreach (var name in new[] { "olive", "nobody-here" })
        {
            var stranger = site.Nobody();
            for (var i = 0; i <= SignIns.TriesByName; i++)
            {
                var answer = await Try(stranger, name, "guess");
                var said = Regex.Replace((await answer.Content.ReadAsStringAsync()).Plain(), "Wait [0-9]+", "Wait n");
                answers.Add((answer.StatusCode, said.Replace(name, "name", StringComparison.Ordinal)));
            }
        }

        Assert.Equal(answers.Take(SignIns.TriesByName + 1), answers.Skip(SignIns.TriesByName + 1));
    }

    [Fact]
    public async Task From_one_address_only_so_many_names_are_tried()
    {
        var stranger = site.Nobody();
        var seen = new List<HttpStatusCode>();
        for (var i = 0; i < 40; i++)
        {
            seen.Add((await Try(stranger, $"name{i}", "guess")).StatusCode);
        }

        Assert.Equal(HttpStatusCode.Unauthorized, seen[0]);
        Assert.Equal(HttpStatusCode.TooManyRequests, seen[^1]);
    }

    [Theory]
    [InlineData("short", "5 characters")]
    [InlineData("aaaaaaaaaaaa", "different characters")]
    [InlineData("Password123!", "tried first")]
    [InlineData("1234567890", "tried first")]
    [InlineData("qwertyuiop", "tried first")]
    [InlineData("una-fell-1", null)]
    [InlineData("Marsden2026", "like the name")]
    [InlineData("una.marsden99", "like the name")]
    [InlineData("stile gate wall", null)]
    public void A_password_is_refused_that_is_tried_first_or_like_the_name(string password, string? words)
    {
        var fault = Passwords.Fault("una.marsden", password, "Una Marsden");
        if (words is null)
        {
            Assert.Null(fault);
        }
        else
        {
            Assert.Contains(words, fault);
        }

        Assert.Null(Passwords.Fault("una", string.Concat(Enumerable.Range(0, 50).Select(n => $"w{n:000}"))));
        Assert.NotNull(Passwords.Fault("una", string.Concat(Enumerable.Range(0, 51).Select(n => $"w{n:000}"))));
    }

    [Fact]
    public async Task People_change_their_own_password_and_are_out_everywhere_else()
    {
        var (tom, elsewhere) = (await site.As("tom"), await site.As("tom"));
        async Task<string> Change(params (string, string)[] fields) => (await (await tom.Post("/account", "/account", fields)).Content.ReadAsStringAsync()).Plain();
        Assert.Contains("not the password that you have now", await Change(("now", "guess"), ("password", "stile gate wall"), ("again", "stile gate wall")));
        Assert.Contains("differ", await Change(("now", "plumb-bob-2"), ("password", "stile gate wall"), ("again", "stile gate well")));
        Assert.Contains("like the name", await Change(("now", "plumb-bob-2"), ("password", "Birkett1234"), ("again", "Birkett1234")));
        Assert.Equal(HttpStatusCode.OK, (await elsewhere.GetAsync("/jobs")).StatusCode);
        Assert.Contains("You have a new password", await Change(("now", "plumb-bob-2"), ("password", "stile gate wall"), ("again", "stile gate wall")));
        Assert.Equal(HttpStatusCode.OK, (await tom.GetAsync("/jobs")).StatusCode);
        Assert.Equal(HttpStatusCode.Redirect, (await elsewhere.GetAsync("/jobs")).StatusCode);
        Assert.Equal("/jobs", (await Try(site.Nobody(), "tom", "stile gate wall")).Headers.Location!.OriginalString);
    }

    [Fact]
    public async Task What_is_changed_about_people_is_shown_to_everybody_who_may_do_the_same()
    {
        var (ines, olive, tom) = (await site.As("ines"), await site.As("olive"), await site.As("tom"));
        var id = Regex.Match(await olive.GetStringAsync("/people"), "for=\"role-(\\d+)\">Role of Ines").Groups[1].Value;
        await olive.Post("/people", "/people?handler=Password", ("id", id), ("password", "stile gate wall"));
        Assert.Equal(HttpStatusCode.Redirect, (await ines.GetAsync("/jobs")).StatusCode);
        var back = site.Nobody();
        await Try(back, "ines", "stile gate wall");
        Assert.Contains("class=\"news\"", await back.GetStringAsync("/jobs"));
        Assert.Contains("Ines Arkle has a new password, by Olive Marr", (await back.GetStringAsync("/people")).Plain());
        Assert.DoesNotContain("class=\"news\"", await olive.GetStringAsync("/jobs"));
        Assert.DoesNotContain("class=\"news\"", await tom.GetStringAsync("/jobs"));
        var change = Regex.Match(await back.GetStringAsync("/people"), "name=\"change\" value=\"(\\d+)\"").Groups[1].Value;
        await back.Post("/people", "/people?handler=Seen", ("change", change));
        Assert.DoesNotContain("class=\"news\"", await back.GetStringAsync("/jobs"));
    }

    [Fact]
    public async Task Signing_out_ends_the_session_on_the_server_and_what_listens_with_it()
    {
        var tom = await site.As("tom");
        var cookie = await Copied(tom);
        using var listening = await cookie.GetAsync($"/jobs/{Site.Office}/events", HttpCompletionOption.ResponseHeadersRead);
        using var stream = new StreamReader(await listening.Content.ReadAsStreamAsync());
        Assert.StartsWith("event: moved", await stream.ReadLineAsync());
        Assert.Equal(HttpStatusCode.OK, (await cookie.GetAsync("/jobs")).StatusCode);
        await tom.Post("/jobs", "/sign-out");
        Assert.Equal(HttpStatusCode.Redirect, (await cookie.GetAsync("/jobs")).StatusCode);
        using var soon = new CancellationTokenSource(TimeSpan.FromSeconds(10));
        while (await stream.ReadLineAsync(soon.Token) is not null)
        {
        }

        var (ines, olive) = (await site.As("ines"), await site.As("olive"));
        await ines.Post("/people", "/people?handler=SignOutAll");
        Assert.Equal(HttpStatusCode.Redirect, (await olive.GetAsync("/jobs")).StatusCode);
    }

    [Fact]
    public async Task A_program_comes_in_by_a_token_that_is_shown_once_scoped_and_revoked()
    {
        var olive = await site.As("olive");
        var made = await (await olive.Post("/people", "/people?handler=Token", ("tokenName", "stock"), ("Role", "Client"), ("SiteId", "1"))).Content.ReadAsStringAsync();
        var token = Regex.Match(made, "corrie\\.[a-z]+\\.[0-9a-f]{40}").Value;
        var page = await olive.GetStringAsync("/people");
        Assert.Contains("stock", page);
        Assert.DoesNotContain(token, page);
        var program = site.Nobody();
        program.DefaultRequestHeaders.Authorization = new("Bearer", token);
        Assert.Equal(HttpStatusCode.OK, (await program.GetAsync("/api/v1/jobs/6/plan")).StatusCode);
        Assert.Equal(HttpStatusCode.Forbidden, (await program.PostAsJsonAsync("/api/v1/jobs/6/entries", Array.Empty<object>())).StatusCode);
        // A token opens no page, and half of one opens nothing.
        Assert.Equal("/sign-in", (await program.GetAsync("/jobs")).Headers.Location!.AbsolutePath);
        foreach (var bad in new[] { token[..^1], "x", string.Empty, "corrie.fellside.", "corrie..", token.ToUpperInvariant() })
        {
            using var request = new HttpRequestMessage(HttpMethod.Get, "/api/v1/jobs");
            request.Headers.TryAddWithoutValidation("Authorization", "Bearer " + bad);
            Assert.Equal(HttpStatusCode.Unauthorized, (await site.Nobody().SendAsync(request)).StatusCode);
        }

        Assert.Equal(HttpStatusCode.Redirect, (await (await site.As("ines")).Post("/people", "/people?handler=Token", ("tokenName", "mine"), ("Role", "Lead"))).StatusCode);
        var id = Regex.Match(page, "handler=Revoke\">.*?name=\"id\" value=\"(\\d+)\"", RegexOptions.Singleline).Groups[1].Value;
        await olive.Post("/people", "/people?handler=Revoke", ("id", id));
        Assert.Equal(HttpStatusCode.Unauthorized, (await program.GetAsync("/api/v1/jobs/6/plan")).StatusCode);
    }

    [Fact]
    public async Task One_person_has_only_so_many_pages_listening()
    {
        var (tom, ines) = (await site.As("tom"), await site.As("ines"));
        var open = new List<HttpResponseMessage>();
        for (var n = 0; n < Limits.StreamsOfOne; n++)
        {
            open.Add(await tom.GetAsync("/jobs/6/events", HttpCompletionOption.ResponseHeadersRead));
        }

        Assert.All(open, o => Assert.Equal(HttpStatusCode.OK, o.StatusCode));
        Assert.Equal(HttpStatusCode.TooManyRequests, (await tom.GetAsync("/jobs/6/events", HttpCompletionOption.ResponseHeadersRead)).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await tom.GetAsync("/jobs")).StatusCode);
        using (var other = await ines.GetAsync("/jobs/6/events", HttpCompletionOption.ResponseHeadersRead))
        {
            Assert.Equal(HttpStatusCode.OK, other.StatusCode);
        }

        open.ForEach(o => o.Dispose());
    }

    // The cookies of a client in another one, as a thief would have them.
    private async Task<HttpClient> Copied(HttpClient client)
    {
        using var echo = new HttpRequestMessage(HttpMethod.Get, "/jobs");
        var sent = (await client.SendAsync(echo)).RequestMessage!.Headers.GetValues("Cookie");
        var copy = site.CreateClient(new() { AllowAutoRedirect = false, HandleCookies = false });
        copy.DefaultRequestHeaders.Add("Cookie", sent);
        return copy;
    }
}
