using Microsoft.Data.Sqlite;
using Microsoft.Extensions.Time.Testing;

namespace Corrie.Data.Tests;

public sealed class PeopleStoreTests : IAsyncLifetime
{
    private readonly string folder = Directory.CreateTempSubdirectory("corrie-").FullName;
    private readonly FakeTimeProvider time = new(new DateTimeOffset(2026, 5, 4, 9, 0, 0, TimeSpan.Zero));
    private Company company = null!;

    private string File => Path.Combine(folder, "fitters.corrie");

    public Task InitializeAsync()
    {
        company = new("fitters", File, time);
        return Task.CompletedTask;
    }

    public async Task DisposeAsync()
    {
        await company.DisposeAsync();
        SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }

    [Fact]
    public void Whatever_changes_about_a_person_is_seen_at_once_ends_their_sessions_and_is_on_record()
    {
        var site = company.Jobs.AddSite("Tarn Hall", "client", "lane");
        var id = company.People.Add("una", "Una", Role.Installer, "hash", by: "ines")!.Value;
        var other = company.People.Add("otto", "Otto", Role.Lead, "hash")!.Value;
        var others = company.Sessions.Begin(other);
        Person Una() => company.People.Find("UNA")!;
        void Ends(Action change)
        {
            var session = company.Sessions.Begin(id);
            var alive = company.Sessions.Alive(session, id)!.Value;
            Assert.False(alive.IsCancellationRequested);
            change();
            Assert.True(alive.IsCancellationRequested);
            Assert.Null(company.Sessions.Alive(session, id));
            Assert.NotNull(company.Sessions.Alive(others, other));
        }

        Ends(() => company.People.SetRole(id, Role.Client, site, "ines"));
        Assert.Equal((Role.Client, (long?)site), (Una().Role, Una().SiteId));
        Ends(() => company.People.SetPassword(id, "other", "olive"));
        Assert.Equal("other", Una().PasswordHash);
        Ends(() => company.People.SetLeft(id, left: true, "ines"));
        Assert.Equal(time.GetUtcNow(), Una().LeftAt);
        Assert.Equal(["has left", "has a new password", "has another role: client", "was added as installer"], company.People.Changes(0, 99).Where(c => c.Person == "una").Select(c => c.What));
        var last = company.People.LastChangeBut("ines");
        Assert.Equal("olive", company.People.Changes(0, 99).Single(c => c.By == "olive").By);
        company.People.SetSeen(id, last);
        Assert.Equal(last, Una().SeenChange);
    }

    [Fact]
    public void A_session_ends_after_thirty_days_and_is_known_after_a_restart()
    {
        var id = company.People.Add("una", "Una", Role.Lead, "hash")!.Value;
        var (kept, ended) = (company.Sessions.Begin(id), company.Sessions.Begin(id));
        company.Sessions.End(ended);
        company = new("fitters", File, time);
        Assert.NotNull(company.Sessions.Alive(kept, id));
        Assert.Null(company.Sessions.Alive(ended, id));
        Assert.Null(company.Sessions.Alive(kept, id + 1));
        time.Advance(TimeSpan.FromDays(30) - TimeSpan.FromSeconds(1));
        Assert.NotNull(company.Sessions.Alive(kept, id));
        time.Advance(TimeSpan.FromSeconds(2));
        Assert.Null(company.Sessions.Alive(kept, id));
    }

    [Fact]
    public void A_token_is_kept_as_a_hash_and_counts_until_it_is_revoked()
    {
        var secret = company.Tokens.Make("stock", Role.Installer, null, "olive");
        var token = company.Tokens.Find(secret)!;
        Assert.Equal(("stock", Role.Installer, "olive"), (token.Name, token.Role, token.MadeBy));
        Assert.Null(company.Tokens.Find(secret.ToUpperInvariant()));
        Assert.True(company.Tokens.Revoke(token.Id));
        Assert.False(company.Tokens.Revoke(token.Id));
        Assert.Null(company.Tokens.Find(secret));
        SqliteConnection.ClearAllPools();
        Assert.DoesNotContain(secret, System.Text.Encoding.Latin1.GetString(System.IO.File.ReadAllBytes(File)));
    }

    [Fact]
    public async Task One_name_added_from_many_sides_at_once_is_one_person()
    {
        var added = await Task.WhenAll(Enumerable.Range(0, 8).Select(_ => Task.Run(() => company.People.Add("una", "Una", Role.Lead, "hash"))));
        Assert.Single(added, id => id is not null);
        Assert.ThrowsAny<SqliteException>(() => company.People.SetRole(company.People.All().Single().Id, Role.Client, null));
        Assert.Equal(Role.Lead, company.People.All().Single().Role);
    }
}
