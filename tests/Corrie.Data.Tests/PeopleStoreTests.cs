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
    public void Whatever_changes_about_a_person_is_seen_at_once_and_ends_earlier_sign_ins()
    {
        var site = company.Jobs.AddSite("Tarn Hall", "client", "lane");
        var id = company.People.Add("una", "Una", Role.Installer, "hash");
        Person Una() => company.People.Find("UNA")!;
        Assert.Equal((Role.Installer, 0L), (Una().Role, Una().Changes));
        company.People.SetRole(id, Role.Client, site);
        Assert.Equal((Role.Client, (long?)site, 1L), (Una().Role, Una().SiteId, Una().Changes));
        company.People.SetPassword(id, "other");
        Assert.Equal(("other", 2L), (Una().PasswordHash, Una().Changes));
        company.People.SetLeft(id, left: true);
        Assert.Equal((time.GetUtcNow(), 3L), (Una().LeftAt, Una().Changes));
        company.People.SetLeft(id, left: false);
        Assert.Null(Una().LeftAt);
        // A wrong password is nobody's doing but the one's who guesses: who is signed in stays it.
        company.People.Failed(id);
        Assert.Equal(4, Una().Changes);
    }

    [Fact]
    public void A_change_that_the_file_refuses_leaves_everybody_as_they_were()
    {
        var id = company.People.Add("una", "Una", Role.Lead, "hash");
        Assert.ThrowsAny<SqliteException>(() => company.People.SetRole(id, Role.Client, null));
        Assert.ThrowsAny<SqliteException>(() => company.People.Add("UNA", "Twin", Role.Lead, "hash"));
        Assert.Equal((Role.Lead, 0L), (company.People.All().Single().Role, company.People.All().Single().Changes));
    }

    [Fact]
    public async Task Wrong_passwords_from_many_sides_at_once_are_all_counted()
    {
        var id = company.People.Add("una", "Una", Role.Lead, "hash");
        await Task.WhenAll(Enumerable.Range(0, PeopleStore.FailuresToLock).Select(_ => Task.Run(() => company.People.Failed(id))));
        Assert.Equal(time.GetUtcNow() + PeopleStore.LockFor, company.People.Find("una")!.LockedUntil);
    }
}
