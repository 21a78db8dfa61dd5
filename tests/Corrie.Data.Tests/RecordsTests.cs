using System.Text.Json.Nodes;
using Corrie.Core.Format;
using Microsoft.Extensions.Time.Testing;

namespace Corrie.Data.Tests;

public sealed class RecordsTests : IAsyncLifetime
{
    private readonly string folder = Directory.CreateTempSubdirectory("corrie-").FullName;
    private readonly FakeTimeProvider time = new(new DateTimeOffset(2026, 5, 4, 9, 0, 0, TimeSpan.Zero));
    private Company company = null!;

    public Task InitializeAsync()
    {
        company = new("fitters", Path.Combine(folder, "fitters.corrie"), time);
        return Task.CompletedTask;
    }

    public async Task DisposeAsync()
    {
        await company.DisposeAsync();
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }

    private long NewJob(string site = "Tarn Hall") => company.Jobs.Add(company.Jobs.AddSite(site, "client", "lane"));

    private static NewEntry Set(string id, string path, JsonNode? value, params string[] replaces) => new(id, path, value, replaces);

    [Fact]
    public async Task What_is_appended_is_there_after_the_file_is_opened_anew()
    {
        var job = NewJob();
        await company.Entries.Append(job, "ines", "phone", [Set("entry-01", "/items/d1/place/height", "36 in")]);
        await company.DisposeAsync();
        company = new("fitters", Path.Combine(folder, "fitters.corrie"), time);
        var entry = Assert.Single(company.Entries.Read(job)!.Entries);
        Assert.Equal(("entry-01", 1L, "ines", "phone", time.GetUtcNow()), (entry.Id, entry.Seq, entry.Author, entry.Device, entry.ReceivedAt));
        Assert.Equal("36 in", Pointer.Get(company.Entries.Read(job)!.Document, "/items/d1/place/height")!.ToString());
    }

    [Fact]
    public async Task A_clock_that_goes_back_three_days_changes_no_order_and_ends_no_session()
    {
        var job = NewJob();
        var person = company.People.Add("una", "Una", Role.Lead, "hash")!.Value;
        var session = company.Sessions.Begin(person);
        await company.Entries.Append(job, "ines", "phone", [Set("entry-01", "/items/d1/place/height", "36 in")]);
        await company.DisposeAsync();
        company = new("fitters", Path.Combine(folder, "fitters.corrie"), new FakeTimeProvider(time.GetUtcNow().AddDays(-3)));
        await company.Entries.Append(job, "ines", "phone", [Set("entry-02", "/items/d1/place/height", "37 in", "entry-01")]);
        Assert.Equal(["entry-01", "entry-02"], company.Entries.Read(job)!.Entries.Select(e => e.Id));
        Assert.Equal("37 in", Pointer.Get(company.Entries.Read(job)!.Document, "/items/d1/place/height")!.ToString());
        Assert.NotNull(company.Sessions.Alive(session, person));
        Assert.Empty((await SelfCheck.Run(folder, time)).Problems);
    }

    [Fact]
    public async Task An_entry_sent_twice_counts_once()
    {
        var job = NewJob();
        await company.Entries.Append(job, "ines", "phone", [Set("entry-01", "/items/d1/place/height", "36 in")]);
        var again = await company.Entries.Append(job, "ines", "phone", [Set("entry-01", "/items/d1/place/height", "36 in"), Set("entry-02", "/items/d1/place/across", "90 in")]);
        Assert.Equal([1L, 2L], again!.Select(e => e.Seq));
        Assert.Equal(2, company.Entries.Read(job)!.Entries.Count);
    }

    [Fact]
    public async Task Many_at_once_get_places_without_gaps_and_a_bad_one_fails_alone()
    {
        var jobs = new[] { NewJob("a"), NewJob("b") };
        var tasks = Enumerable.Range(0, 200).Select(i => company.Entries.Append(jobs[i % 2], "p" + (i % 5), "api", [Set($"entry-{i:000}", $"/walls/w1/studs/s{i}", new JsonObject { ["centre"] = $"{i} in" })])).ToList();
        // The same unique id for two jobs at once: the second cannot be kept, and must not take the others with it.
        var bad = company.Entries.Append(jobs[0], "p", "api", [Set("entry-001", "/x", "1"), new NewEntry("null-path", null!, null, [])]);
        await Assert.ThrowsAnyAsync<Exception>(() => bad);
        foreach (var result in await Task.WhenAll(tasks))
        {
            Assert.Single(result!);
        }

        Assert.All(jobs, job => Assert.Equal(Enumerable.Range(1, 100).Select(i => (long)i), company.Entries.Read(job)!.Entries.Select(e => e.Seq)));
        Assert.Equal(100, company.Jobs.Find(jobs[0])!.Seq);
    }

    [Fact]
    public async Task A_job_that_is_not_there_takes_nothing() => Assert.Null(await company.Entries.Append(99, "ines", "api", [Set("entry-01", "/x", "1")]));

    [Fact]
    public async Task Entries_are_never_changed_or_taken_out()
    {
        var job = NewJob();
        await company.Entries.Append(job, "ines", "api", [Set("entry-01", "/x", "1")]);
        using var connection = new Microsoft.Data.Sqlite.SqliteConnection($"Data Source={Path.Combine(folder, "fitters.corrie")}");
        connection.Open();
        foreach (var sql in new[] { "update entries set path = '/y'", "delete from entries" })
        {
            using var command = connection.CreateCommand();
            command.CommandText = sql;
            Assert.Contains("append-only", Assert.Throws<Microsoft.Data.Sqlite.SqliteException>(() => command.ExecuteNonQuery()).Message);
        }
    }

    [Fact]
    public void Jobs_are_found_by_words_state_site_and_catalogue_item()
    {
        var (a, b) = (NewJob("Tarn Hall"), NewJob("Boat house 100%"));
        JobSummary Summary(string title, string state) => new(0, "0142", title, state, 1, 0, "next", "worst");
        company.Jobs.Summarise(a, Summary("Map room", "stopped"), ["d-65", "m-1"]);
        company.Jobs.Summarise(b, Summary("Slipway", "clear"), ["d-75"]);
        long[] Ids(JobFilter filter) => [.. company.Jobs.List(filter).Jobs.Select(j => j.Id)];
        Assert.Equal([a], Ids(new("map")));
        Assert.Equal([b], Ids(new("100%")));
        Assert.Equal([b], Ids(new(State: "clear")));
        Assert.Equal([a], Ids(new(Item: "d-65")));
        Assert.Equal([b], Ids(new(SiteId: company.Jobs.Find(b)!.Site.Id)));
        Assert.Empty(Ids(new("m_p")));
        Assert.Equal(2, company.Jobs.List(new(PerPage: 1)).Total);
        // What is put away is out of the list, and found by whoever asks for it.
        company.Jobs.Summarise(a, Summary("Map room", JobSummary.Archived) with { Seq = 1 }, ["d-65"]);
        Assert.Equal([b], Ids(new()));
        Assert.Equal([a], Ids(new(State: JobSummary.Archived)));
        Assert.Equal([a], Ids(new("map")));
        Assert.Equal([a], Ids(new(Item: "d-65")));
        Assert.Equal(2, company.Jobs.List(new(Archived: true)).Total);
    }

    [Fact]
    public void A_catalogue_item_changed_by_somebody_else_is_not_written_over()
    {
        JsonObject Item(string name) => new() { ["name"] = name };
        Assert.True(company.Catalogue.Save("d1", "display", Item("first"), 0, "ines"));
        Assert.False(company.Catalogue.Save("d1", "display", Item("twin"), 0, "tom"));
        Assert.True(company.Catalogue.Save("d1", "display", Item("second"), 1, "ines"));
        Assert.False(company.Catalogue.Save("d1", "display", Item("late"), 1, "tom"));
        Assert.Equal(("second", 2L), (company.Catalogue.Find("d1")!.Name, company.Catalogue.Find("d1")!.Version));
    }

    [Fact]
    public void A_client_without_a_site_cannot_be_added() =>
        Assert.ThrowsAny<Exception>(() => company.People.Add("c", "C", Role.Client, "hash"));
}
