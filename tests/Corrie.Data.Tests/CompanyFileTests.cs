using Corrie.Core.Format;
using Dapper;
using Microsoft.Data.Sqlite;
using Microsoft.Extensions.Time.Testing;

namespace Corrie.Data.Tests;

/// <summary>A company's file is brought up to date whole or not at all, and one damaged job costs that job alone.</summary>
public sealed class CompanyFileTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("corrie-file-").FullName;
    private readonly FakeTimeProvider time = new(new DateTimeOffset(2026, 5, 4, 9, 0, 0, TimeSpan.Zero));

    private string File => Path.Combine(folder, "fitters.corrie");

    public void Dispose()
    {
        SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }

    [Fact]
    public void A_migration_that_fails_in_its_second_statement_leaves_the_file_as_it_was_and_a_copy_beside_it()
    {
        Migration[] first = [new(1, "first", "create table things (name text); insert into things values ('kept');")];
        CompanyFile.Open(File, first);
        Migration[] broken = [.. first, new(2, "second", "alter table things add column size text; insert into nowhere values (1); alter table things add column more text;")];
        var refused = Assert.Throws<CompanyFileException>(() => CompanyFile.Open(File, broken));
        Assert.Contains("could not be brought to version 2 (second)", refused.Message);
        Assert.Contains("nowhere", refused.Message);
        Assert.Contains("fitters.corrie.version-1", refused.Message);
        using (var connection = CompanyFile.Open(File, first).Connect())
        {
            Assert.Equal(1, connection.ExecuteScalar<int>("pragma user_version"));
            Assert.Equal(["name"], connection.Query<string>("select name from pragma_table_info('things')"));
        }

        Migration[] mended = [.. first, new(2, "second", "alter table things add column size text; update things set size = 'large';")];
        using (var connection = CompanyFile.Open(File, mended).Connect())
        {
            Assert.Equal(("kept", "large"), connection.QuerySingle<(string, string)>("select name, size from things"));
        }

        using var copy = new SqliteConnection($"Data Source={File}.version-1-2");
        Assert.Equal("kept", copy.ExecuteScalar<string>("select name from things"));
    }

    [Fact]
    public void A_newer_file_one_of_before_and_one_that_is_none_are_refused_in_words()
    {
        CompanyFile.Open(File);
        Sql("pragma user_version = 99");
        Assert.Contains("is of version 99, which a newer Corrie has written", Assert.Throws<CompanyFileException>(() => CompanyFile.Open(File)).Message);
        Sql("pragma user_version = 0; pragma application_id = 0");
        Assert.Contains("is not a company's file", Assert.Throws<CompanyFileException>(() => CompanyFile.Open(File)).Message);
        Sql("create table SchemaVersions (ScriptName text)");
        Assert.Contains("corrie upgrade FILE", Assert.Throws<CompanyFileException>(() => CompanyFile.Open(File)).Message);
        System.IO.File.WriteAllText(Path.Combine(folder, "text.corrie"), new string('x', 4096));
        Assert.Contains("cannot be opened", Assert.Throws<CompanyFileException>(() => CompanyFile.Open(Path.Combine(folder, "text.corrie"))).Message);
    }

    [Fact]
    public async Task A_damaged_job_is_damaged_alone_and_its_entries_can_still_be_seen()
    {
        long sound, damaged;
        await using (var company = new Company("fitters", File, time))
        {
            var site = company.Jobs.AddSite("Tarn Hall", "client", "lane");
            (sound, damaged) = (company.Jobs.Add(site), company.Jobs.Add(site));
            foreach (var job in new[] { sound, damaged })
            {
                await company.Entries.Append(job, "una", "phone", [new("entry-01", "/items/d1/place/height", "36 in", []), new("entry-02", "/items/d1/place/height", "37 in", ["entry-01"])]);
            }
        }

        Sql($"update entries set value = '{{broken' where job = {damaged} and seq = 2", dropTriggers: true);
        await using var again = new Company("fitters", File, time);
        var words = Assert.Throws<DamagedJobException>(() => again.Entries.Read(damaged));
        Assert.Equal(damaged, words.Job);
        Assert.Contains("2", words.Message);
        Assert.Equal("37 in", Pointer.Get(again.Entries.Read(sound)!.Document, "/items/d1/place/height")!.ToString());
        Assert.Equal([(2L, "{broken"), (1L, "\"36 in\"")], again.Entries.ReadRaw(damaged, 10).Select(e => (e.Seq, e.Value)));
        await Assert.ThrowsAsync<DamagedJobException>(() => again.Entries.Append(damaged, "una", "phone", [new("entry-03", "/x", "1", [])]));
        Assert.Single((await again.Entries.Append(sound, "una", "phone", [new("entry-03", "/x", "1", [])]))!);
        again.Jobs.SetDamaged(damaged, words.Message);
        Assert.Equal(JobSummary.Damaged, again.Jobs.Find(damaged)!.Summary.State);
        Assert.DoesNotContain(damaged, again.Jobs.Stale(10));
    }

    [Fact]
    public async Task The_same_entry_id_for_two_jobs_is_two_entries()
    {
        await using var company = new Company("fitters", File, time);
        var site = company.Jobs.AddSite("Tarn Hall", "client", "lane");
        foreach (var job in new[] { company.Jobs.Add(site), company.Jobs.Add(site) })
        {
            Assert.Equal(1L, Assert.Single((await company.Entries.Append(job, "una", "phone", [new("entry-01", "/x", "1", [])]))!).Seq);
        }
    }

    [Fact]
    public void The_company_s_figures_are_kept_with_their_version_and_nobody_writes_over_somebody()
    {
        var company = new Company("fitters", File, time);
        Assert.Equal(0, company.Policies.Read().Version);
        Assert.True(company.Policies.Save(new() { ["anchorFactor"] = 5 }, 0, "olive"));
        Assert.False(company.Policies.Save(new() { ["anchorFactor"] = 6 }, 0, "ines"));
        Assert.Equal((1L, "olive", "{\"anchorFactor\":5,\"version\":1,\"setOn\":\"2026-05-04\"}"), (company.Policies.Read().Version, company.Policies.Read().ChangedBy, company.Policies.Read().Document.ToJsonString()));
        Assert.True(company.Policies.Save([], 1, "ines"));
    }

    private void Sql(string sql, bool dropTriggers = false)
    {
        SqliteConnection.ClearAllPools();
        using var connection = new SqliteConnection($"Data Source={File}");
        connection.Open();
        foreach (var trigger in dropTriggers ? connection.Query<string>("select name from sqlite_master where type = 'trigger'").ToList() : [])
        {
            connection.Execute($"drop trigger {trigger}");
        }

        connection.Execute(sql);
        connection.Close();
        SqliteConnection.ClearAllPools();
    }
}
