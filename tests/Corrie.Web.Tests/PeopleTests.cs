using System.Net;
using System.Text.RegularExpressions;

namespace Corrie.Web.Tests;

/// <summary>Who may sign in, and what they may do from their next request on. Each test has an application of its own.</summary>
public sealed class PeopleTests : IDisposable
{
    private readonly Site site = new();

    public void Dispose() => site.Dispose();

    private static async Task<string> IdOf(HttpClient client, string name) =>
        Regex.Match(await client.GetStringAsync("/people"), $"for=\"role-(\\d+)\">Role of {name}").Groups[1].Value;

    private static async Task<string> Press(HttpClient client, string handler, params (string, string)[] fields)
    {
        var answer = await client.Post("/people", "/people?handler=" + handler, fields);
        return $"{(int)answer.StatusCode} {(await answer.Content.ReadAsStringAsync()).Plain()}";
    }

    [Fact]
    public async Task Whoever_has_left_is_out_at_once_and_comes_back_with_the_old_password()
    {
        var (ines, tom) = (await site.As("ines"), await site.As("tom"));
        var id = await IdOf(ines, "Tom");
        Assert.Equal(HttpStatusCode.OK, (await tom.GetAsync("/jobs")).StatusCode);
        Assert.Contains("has left, and cannot sign in", await Press(ines, "Left", ("id", id), ("left", "true")));
        Assert.Equal("/sign-in", (await tom.GetAsync("/jobs")).Headers.Location!.AbsolutePath);
        Assert.Equal(HttpStatusCode.Unauthorized, (await tom.GetAsync("/api/v1/jobs")).StatusCode);
        Assert.Contains("wrong", await (await site.Nobody().Post("/sign-in", "/sign-in", ("name", "tom"), ("password", "plumb-bob-2"))).Content.ReadAsStringAsync());
        await Press(ines, "Left", ("id", id), ("left", "false"));
        Assert.Equal(HttpStatusCode.Redirect, (await tom.GetAsync("/jobs")).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await (await site.As("tom")).GetAsync("/jobs")).StatusCode);
    }

    [Fact]
    public async Task A_new_role_or_password_ends_the_sign_ins_there_were()
    {
        var (ines, tom, olive) = (await site.As("ines"), await site.As("tom"), await site.As("olive"));
        Assert.Contains("another role", await Press(ines, "Role", ("id", await IdOf(ines, "Tom")), ("Role", "Lead")));
        Assert.Equal(HttpStatusCode.Redirect, (await tom.GetAsync("/jobs/new")).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await (await site.As("tom")).GetAsync("/jobs/new")).StatusCode);
        Assert.Contains("new password", await Press(ines, "Password", ("id", await IdOf(ines, "Olive")), ("password", "another-one-9")));
        Assert.Equal("/sign-in", (await olive.GetAsync("/jobs")).Headers.Location!.AbsolutePath);
        Assert.Equal(HttpStatusCode.OK, (await ines.GetAsync("/jobs")).StatusCode);
    }

    [Fact]
    public async Task The_last_who_may_add_people_stays_one()
    {
        var ines = await site.As("ines");
        Assert.StartsWith("200", await Press(ines, "Left", ("id", await IdOf(ines, "Olive")), ("left", "true")));
        var self = await IdOf(ines, "Ines");
        Assert.Contains("is the last who may add people", await Press(ines, "Left", ("id", self), ("left", "true")));
        Assert.Contains("is the last who may add people", await Press(ines, "Role", ("id", self), ("Role", "Installer")));
        Assert.Contains("client without a site", await Press(ines, "Role", ("id", await IdOf(ines, "Tom")), ("Role", "Client")));
        Assert.Contains("'17' is no role", await Press(ines, "Role", ("id", self), ("Role", "17")));
        Assert.Contains("not on the list", await Press(ines, "Left", ("id", "99"), ("left", "true")));
        Assert.Equal(HttpStatusCode.OK, (await ines.GetAsync("/people")).StatusCode);
    }

    [Fact]
    public async Task Somebody_is_added_with_a_role_and_signs_in()
    {
        var ines = await site.As("ines");
        Task<HttpResponseMessage> Add(string signIn, string role, string password) => ines.Post(
            "/people", "/people", ("PersonName", "Una Fell"), ("SignInName", signIn), ("Role", role), ("password", password));
        Assert.Contains("signs in as 'TOM' already", (await (await Add("TOM", "Installer", "long-enough-1")).Content.ReadAsStringAsync()).Plain());
        var refused = await (await Add("una", "Electrician", "short")).Content.ReadAsStringAsync();
        Assert.Contains("5 characters", refused);
        Assert.Contains("value=\"Una Fell\"", refused);
        Assert.Equal(HttpStatusCode.Redirect, (await Add("una", "Electrician", "long-enough-1")).StatusCode);
        var una = site.Nobody();
        Assert.Equal("/jobs", (await una.Post("/sign-in", "/sign-in", ("name", "Una"), ("password", "long-enough-1"))).Headers.Location!.OriginalString);
        Assert.Equal(HttpStatusCode.OK, (await una.GetAsync("/jobs/6")).StatusCode);
        Assert.Equal(HttpStatusCode.Redirect, (await una.GetAsync("/people")).StatusCode);
    }
}
