using System.IO.Compression;
using Corrie.Core.Jobs;
using Dapper;
using Microsoft.Data.Sqlite;
using SkiaSharp;

namespace Corrie.Data.Tests;

/// <summary>What is kept and put back is all there, and what is not as it was is found.</summary>
public sealed class BackupTests : IAsyncLifetime
{
    private readonly string folder = Directory.CreateTempSubdirectory("corrie-backup-").FullName;
    private Company company = null!;
    private long job;

    private string Data => Path.Combine(folder, "data");

    private string Kept => Path.Combine(folder, "kept.zip");

    public async Task InitializeAsync()
    {
        company = new("fitters", Path.Combine(Data, "fitters.corrie"), TimeProvider.System);
        Disk.OwnFolder(Path.Combine(Data, "keys"));
        await File.WriteAllTextAsync(Path.Combine(Data, "keys", "key-1.xml"), "<key/>");
        job = company.Jobs.Add(company.Jobs.AddSite("Tarn Hall", "client", "lane"));
        await company.Entries.Append(job, "ines", "page", [new("entry-0001", "/job/title", "Map room", []), new("entry-0002", "/walls/w1/photos/p1", new System.Text.Json.Nodes.JsonObject { ["of"] = "wall", ["picture"] = Photo(1), ["by"] = "Ines" }, [])]);
        Disk.OwnFile(Path.Combine(Data, "fitters.corrie"));
    }

    public async Task DisposeAsync()
    {
        await company.DisposeAsync();
        SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }

    private string Photo(int shade)
    {
        using var picture = new SKBitmap(40, 30);
        picture.Erase(new SKColor((byte)shade, 90, 90));
        using var image = SKImage.FromBitmap(picture);
        return company.Photos.Add(image.Encode(SKEncodedImageFormat.Png, 90).ToArray()).Name!;
    }

    [Fact]
    public async Task A_backup_made_while_entries_are_written_is_put_back_whole_and_all_is_well_in_it()
    {
        using var stop = new CancellationTokenSource();
        var written = 0;
        var writing = Task.Run(async () =>
        {
            for (; !stop.IsCancellationRequested; written++)
            {
                await company.Entries.Append(job, "tom", "page", [new($"more-{written:00000}", $"/walls/w1/photos/q{written % 40}", new System.Text.Json.Nodes.JsonObject { ["of"] = "wall", ["picture"] = Photo(written % 200), ["by"] = "Tom" }, [])]);
            }
        });
        // A server at rest closes its connections, and holds the whole file while the last one goes.
        using var rest = new CancellationTokenSource();
        var closing = Task.Run(() =>
        {
            while (!rest.IsCancellationRequested)
            {
                SqliteConnection.ClearAllPools();
            }
        });
        await Task.Delay(200);
        for (var i = 0; i < 10; i++)
        {
            Backup.Save(Data, Kept, TimeProvider.System);
        }

        // One that is busy has its last entries beside the file.
        await rest.CancelAsync();
        await closing;
        await Task.Delay(100);
        var before = written;
        var content = Backup.Save(Data, Kept, TimeProvider.System);
        await stop.CancelAsync();
        await writing;
        Assert.InRange(content.Entries, before + 2, written + 2);
        var back = Path.Combine(folder, "back");
        Assert.Equal(content, Backup.Restore(Kept, back));
        var report = await SelfCheck.Run(back, TimeProvider.System);
        Assert.Empty(report.Problems);
        Assert.Equal((content.Entries, 1), (report.Entries, report.Jobs));
        Assert.Equal("<key/>", await File.ReadAllTextAsync(Path.Combine(back, "keys", "key-1.xml")));
        await using var again = new Company("fitters", Path.Combine(back, "fitters.corrie"), TimeProvider.System);
        Assert.Equal(content.Entries, again.Entries.Read(job)!.Seq);
        Assert.Equal(2, Directory.GetFileSystemEntries(folder, "*", SearchOption.TopDirectoryOnly).Count(f => !f.EndsWith("data", StringComparison.Ordinal)));
    }

    [Fact]
    public void What_cannot_be_put_back_is_said_and_nothing_is_touched()
    {
        Backup.Save(Data, Kept, TimeProvider.System);
        Assert.Contains("is not empty", Assert.Throws<BackupException>(() => Backup.Restore(Kept, Data)).Message);
        Assert.Contains("no company's file", Assert.Throws<BackupException>(() => Backup.Save(Path.Combine(folder, "nowhere"), Kept, TimeProvider.System)).Message);
        var whole = File.ReadAllBytes(Kept);
        var to = Path.Combine(folder, "to");
        void Refuses(byte[] bytes)
        {
            File.WriteAllBytes(Kept, bytes);
            Assert.Contains("could not be put back", Assert.Throws<BackupException>(() => Backup.Restore(Kept, to)).Message);
            Assert.False(Directory.Exists(to));
        }

        Refuses([]);
        Refuses(whole[..(whole.Length / 2)]);
        Refuses([.. whole[..300], (byte)(whole[300] ^ 1), .. whole[301..]]);
        File.WriteAllBytes(Kept, whole);
        using (var zip = ZipFile.Open(Kept, ZipArchiveMode.Update))
        {
            using var writer = new StreamWriter(zip.CreateEntry("../elsewhere.corrie").Open());
            writer.Write("no");
        }

        Refuses(File.ReadAllBytes(Kept));
        Assert.False(File.Exists(Path.Combine(folder, "elsewhere.corrie")));
    }

    [Theory]
    [InlineData("update jobs set seq = 7", "says 7 entries, and has 2")]
    [InlineData("update jobs set summary_seq = 2, state = 'clear', next_step = 'Print'", "its summary says 'clear, Print'")]
    [InlineData("drop trigger entries_stay; update entries set value = '{broken' where seq = 1", "it is damaged: Entry 1")]
    [InlineData("pragma foreign_keys = off; insert into job_photos (job, name) values (99, 'x')", "refer to rows that are not there")]
    [InlineData("pragma user_version = 99", "version 99")]
    [InlineData(null, "its original is not there")]
    [InlineData("", "is not as it was taken in")]
    public async Task A_self_check_finds_what_does_not_fit(string? sql, string words)
    {
        Assert.Empty((await SelfCheck.Run(Data, TimeProvider.System)).Problems);
        var original = Directory.GetFiles(Path.Combine(Data, "fitters-photos"), "*.original").Single();
        switch (sql)
        {
            case null:
                File.Delete(original);
                break;
            case "":
                await File.AppendAllTextAsync(original, "x");
                break;
            default:
                using (var connection = new SqliteConnection($"Data Source={Path.Combine(Data, "fitters.corrie")}"))
                {
                    connection.Open();
                    connection.Execute(sql);
                }

                break;
        }

        Assert.Contains(words, string.Join(' ', (await SelfCheck.Run(Data, TimeProvider.System)).Problems));
    }

    [Fact]
    public async Task What_is_removed_on_request_is_in_no_file_any_more_and_all_is_well_without_it()
    {
        company.People.Add("ines", "Ines \"Nell\" Arkle", Role.Lead, "hash");
        await company.Entries.Append(job, "ines", "page",
        [
            new("entry-0003", "/walls/w1/scan", new System.Text.Json.Nodes.JsonObject { ["by"] = "Ines \"Nell\" Arkle", ["with"] = "scanner" }, []),
            new("entry-0004", "/walls/w1/photos/p2", new System.Text.Json.Nodes.JsonObject { ["of"] = "wall", ["picture"] = Photo(2), ["by"] = "Ines \"Nell\" Arkle" }, []),
            new("entry-0005", "/pictures/p9", new System.Text.Json.Nodes.JsonObject { ["step"] = "room", ["picture"] = Photo(2) }, []),
            new("entry-0006", "/pictures/p9/notes/n1", new System.Text.Json.Nodes.JsonObject { ["x"] = 0.1, ["y"] = 0.1, ["toX"] = 0.5, ["toY"] = 0.5, ["says"] = "a scratch" }, []),
        ]);
        var photo = Path.GetFileName(Directory.GetFiles(Path.Combine(Data, "fitters-photos"), "*.original").OrderBy(File.GetLastWriteTimeUtc).Last()).Split('.')[0];
        await company.DisposeAsync();
        SqliteConnection.ClearAllPools();
        var erasure = new Erasure(Path.Combine(Data, "fitters.corrie"), TimeProvider.System);
        Assert.Null(erasure.Person("nobody"));
        Assert.NotNull(erasure.Person("ines"));
        Assert.NotNull(erasure.Photo(new(Company.PhotosOf(Path.Combine(Data, "fitters.corrie"))), photo));
        Assert.Null(erasure.Photo(new(Company.PhotosOf(Path.Combine(Data, "fitters.corrie"))), photo));
        SqliteConnection.ClearAllPools();
        foreach (var file in Directory.GetFiles(Data, "*", SearchOption.AllDirectories))
        {
            var bytes = System.Text.Encoding.Latin1.GetString(await File.ReadAllBytesAsync(file));
            Assert.DoesNotContain("Arkle", bytes);
            Assert.DoesNotContain("Nell", bytes);
            Assert.DoesNotContain(photo, bytes + file);
        }

        company = new("fitters", Path.Combine(Data, "fitters.corrie"), TimeProvider.System);
        Assert.Empty((await SelfCheck.Run(Data, TimeProvider.System)).Problems);
        var ledger = company.Entries.Read(job)!;
        Assert.Equal("a person who was removed", Corrie.Core.Format.Pointer.Get(ledger.Document, "/walls/w1/scan/by")!.ToString());
        Assert.NotNull(Corrie.Core.Format.Pointer.Get(ledger.Document, "/walls/w1/photos/p1"));
        Assert.Null(Corrie.Core.Format.Pointer.Get(ledger.Document, "/walls/w1/photos/p2"));
        Assert.Null(Corrie.Core.Format.Pointer.Get(ledger.Document, "/pictures/p9"));
        Assert.Equal(Erasure.By, ledger.Entries[^1].Author);
        Assert.Contains(company.People.Changes(0, 9), c => c.What.Contains("removed for good", StringComparison.Ordinal));
        using var connection = new SqliteConnection($"Data Source={Path.Combine(Data, "fitters.corrie")}");
        connection.Open();
        Assert.Contains("append-only", Assert.Throws<SqliteException>(() => connection.Execute("delete from entries")).Message);
    }

    [Fact]
    public void A_second_program_does_not_get_the_folder()
    {
        using (DataFolder.Lock(Data))
        {
            Assert.Null(DataFolder.Lock(Data));
        }

        using var free = DataFolder.Lock(Data);
        Assert.NotNull(free);
    }
}
