using System.Net;
using System.Net.Http.Json;
using System.Runtime.InteropServices;
using System.Text;
using Corrie.Web.Access;
using Corrie.Web.Demo;
using Dapper;
using Microsoft.Data.Sqlite;
using Microsoft.Extensions.DependencyInjection;

namespace Corrie.Web.Tests;

/// <summary>Tests that change what the whole process may do run while no others do.</summary>
[CollectionDefinition(Name, DisableParallelization = true)]
public sealed class Alone
{
    public const string Name = "alone";
}

/// <summary>What becomes of Corrie when its disk is full, held, empty or damaged: words, reading goes on, and it recovers by itself.</summary>
[Collection(Alone.Name)]
public sealed partial class StorageTests : IDisposable
{
    private readonly Site site = new();

    public void Dispose() => site.Dispose();

    private string CompanyPath => Path.Combine(site.Folder, TarnHall.CompanyKey + ".corrie");

    private static Task<HttpResponseMessage> Enter(HttpClient who, string id, string value) => who.PostAsJsonAsync(
        "/api/v1/jobs/4/entries", new[] { new { id, path = "/items/d1/place/reason", value } });

    [Fact]
    public async Task On_a_full_disk_reading_goes_on_and_writing_does_again_once_there_is_space()
    {
        var tom = await site.As("tom");
        Assert.Equal(HttpStatusCode.OK, (await Enter(tom, "entry-before", "before")).StatusCode);
        var token = await tom.Token("/jobs/4/place?view=front");
        using (FullDisk())
        {
            var answer = await Enter(tom, "entry-in-trouble", new string('x', 150));
            Assert.Equal(HttpStatusCode.ServiceUnavailable, answer.StatusCode);
            Assert.Equal("application/problem+json", answer.Content.Headers.ContentType!.MediaType);
            Assert.Contains("Nothing of what you sent was kept", await answer.Content.ReadAsStringAsync());
            var page = await tom.PostAsync("/jobs/4/place?view=front&handler=Submit", new FormUrlEncodedContent([new("__RequestVerificationToken", token), new("/items/d1/place/reason", "typed")]));
            Assert.Equal(HttpStatusCode.ServiceUnavailable, page.StatusCode);
            Assert.Contains("could not be kept", await page.Content.ReadAsStringAsync());
            foreach (var read in new[] { "/jobs", "/jobs/4/place?view=front", "/jobs/4/sheet", "/jobs/5/survey", "/api/v1/jobs/4/plan", "/api/v1/jobs", "/catalogue" })
            {
                Assert.Equal(HttpStatusCode.OK, (await tom.GetAsync(read)).StatusCode);
            }
        }

        Assert.Equal(HttpStatusCode.OK, (await Enter(tom, "entry-after", "after")).StatusCode);
        var entries = await tom.GetStringAsync("/api/v1/jobs/4/entries");
        Assert.Contains("entry-after", entries);
        Assert.DoesNotContain("entry-in-trouble", entries);
    }

    [Fact]
    public async Task While_another_program_holds_the_file_reading_goes_on()
    {
        var tom = await site.As("tom");
        using (var other = new SqliteConnection($"Data Source={CompanyPath};Pooling=false"))
        {
            other.Open();
            using var hold = other.BeginTransaction(deferred: false);
            var answer = await Enter(tom, "entry-held", "held");
            Assert.Equal(HttpStatusCode.ServiceUnavailable, answer.StatusCode);
            Assert.Contains("Another program holds", await answer.Content.ReadAsStringAsync());
            Assert.Equal(HttpStatusCode.OK, (await tom.GetAsync("/jobs")).StatusCode);
        }

        Assert.Equal(HttpStatusCode.OK, (await Enter(tom, "entry-held", "held")).StatusCode);
    }

    [Theory]
    [InlineData("", "is empty")]
    [InlineData("This was a company's file once, and is a letter now. It is long enough to have a head of its own, which says nothing at all to anybody.", "cannot be opened")]
    public async Task A_file_that_is_empty_or_damaged_is_said_and_taken_again_once_it_is_put_back(string content, string words)
    {
        await site.As("ines");
        using var again = site.Again();
        SqliteConnection.ClearAllPools();
        var whole = await File.ReadAllBytesAsync(Path.Combine(again.Folder, TarnHall.CompanyKey + ".corrie"));
        File.Delete(CompanyPath + "-wal");
        File.Delete(CompanyPath + "-shm");
        await File.WriteAllTextAsync(CompanyPath, content, Encoding.ASCII);
        var door = again.Nobody();
        var answer = await door.Post("/sign-in", "/sign-in", ("name", "ines"), ("password", "chalk-line-1"));
        Assert.Equal(HttpStatusCode.Conflict, answer.StatusCode);
        Assert.Contains(words, (await answer.Content.ReadAsStringAsync()).Plain());
        await File.WriteAllBytesAsync(CompanyPath, whole);
        Assert.Equal(HttpStatusCode.OK, (await (await again.As("ines")).GetAsync("/jobs")).StatusCode);
    }

    // As good as full: no file of this process may grow beyond what the company's has.
    private LimitedFiles FullDisk()
    {
        using (var connection = new SqliteConnection($"Data Source={CompanyPath}"))
        {
            connection.Open();
            connection.Execute("pragma wal_checkpoint(truncate)");
        }

        _ = site.Services.GetRequiredService<Companies>();
        return new(64);
    }

    /// <summary>Limits how large files of this process may become (setrlimit, POSIX), until it is disposed.</summary>
    private sealed partial class LimitedFiles : IDisposable
    {
        private const int FileSize = 1;
        private const int TooLargeSignal = 25;
        private readonly Limit before;

        public LimitedFiles(ulong bytes)
        {
            // Without this the system ends the process instead of refusing to write.
            _ = Signal(TooLargeSignal, 1);
            Assert.Equal(0, Get(FileSize, out before));
            var limit = before with { Now = bytes };
            Assert.Equal(0, Set(FileSize, ref limit));
        }

        public void Dispose()
        {
            var limit = before;
            Assert.Equal(0, Set(FileSize, ref limit));
        }

        [LibraryImport("libc", EntryPoint = "getrlimit")]
        private static partial int Get(int what, out Limit limit);

        [LibraryImport("libc", EntryPoint = "setrlimit")]
        private static partial int Set(int what, ref Limit limit);

        [LibraryImport("libc", EntryPoint = "signal")]
        private static partial nint Signal(int signal, nint handler);

        private record struct Limit(ulong Now, ulong Most);
    }
}
