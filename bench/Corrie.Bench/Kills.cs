using System.Diagnostics;
using System.Security.Cryptography;
using System.Text.Json.Nodes;
using Corrie.Data;
using Dapper;
using Microsoft.Data.Sqlite;
using SkiaSharp;

namespace Corrie.Bench;

/// <summary>
/// Kills a program again and again while it writes entries and photos, and while it brings a file to a made-up next version, and looks at what
/// is left each time: nothing that was acknowledged is lost, nothing is there twice, and every file is whole.
/// </summary>
internal static class Kills
{
    private const int Writers = 8;

    // A file after so many kills takes some tenths of a second to bring up, which is long enough to be killed in.
    private const int EnoughToBringUp = 20;

    // A square of one colour; what comes after the end of a JPEG makes it another file.
    private static readonly byte[] Square = Drawn();

    /// <summary>The child: writes until it is killed, and says what was acknowledged.</summary>
    public static async Task<int> Write(string file, string run)
    {
        await using var company = new Company("killed", file, TimeProvider.System);
        var job = company.Jobs.List(new()).Jobs.Select(j => (long?)j.Id).FirstOrDefault() ?? company.Jobs.Add(company.Jobs.AddSite("site", "client", "lane"));
        await Task.WhenAll(Enumerable.Range(0, Writers).Select(w => Task.Run(async () =>
        {
            for (var n = 0; ; n++)
            {
                var id = $"{run}-{w}-{n:00000}";
                var photo = n % 10 == 0 ? company.Photos.Add([.. Square, .. System.Text.Encoding.ASCII.GetBytes(id)]).Name : null;
                JsonNode value = photo is null ? JsonValue.Create($"{n % 90} in") : new JsonObject { ["of"] = "wall", ["picture"] = photo, ["by"] = "x" };
                await company.Entries.Append(job, "w" + w, "bench", [new(id, photo is null ? "/items/d1/place/height" : $"/walls/w1/photos/p{w}", value, [])]);
                lock (company)
                {
                    Console.WriteLine(photo is null ? id : $"{id} {photo}");
                }
            }
        })));
        return 0;
    }

    /// <summary>The other child: brings a file to a made-up next version.</summary>
    public static int BringUp(string file)
    {
        Console.WriteLine("begun");
        var rows = string.Join('\n', Enumerable.Range(0, 40).Select(n => $"create table made_up_{n} as select * from entries; create index made_up_{n}_by_path on made_up_{n} (path);"));
        CompanyFile.Open(file, [.. Migration.All, new(CompanyFile.Version + 1, "made-up.sql", rows), new(CompanyFile.Version + 2, "made-up-too.sql", rows.Replace("made_up_", "made_up_too_", StringComparison.Ordinal))]);
        Console.WriteLine("done");
        return 0;
    }

    /// <summary>Kills both, many times.</summary>
    /// <returns>How much was lost, doubled or damaged.</returns>
    public static int Run(int kills)
    {
        var folder = Directory.CreateTempSubdirectory("corrie-kills-").FullName;
        var random = new Random(1);
        var file = Path.Combine(folder, "killed.corrie");
        var (acknowledged, photos, faults) = (new HashSet<string>(), new HashSet<string>(), new List<string>());
        var (before, after) = (0, 0);
        for (var n = 0; n < kills; n++)
        {
            foreach (var line in Killed(random, ["kills-write", file, $"run{n:0000}"], TimeSpan.FromMilliseconds(random.Next(5, 250))))
            {
                var parts = line.Split(' ');
                acknowledged.Add(parts[0]);
                if (parts.Length > 1)
                {
                    photos.Add(parts[1]);
                }
            }

            if (File.Exists(file))
            {
                faults.AddRange(Look(file, acknowledged).Select(f => $"kill {n}: {f}"));
            }

            if (n == Math.Min(kills, EnoughToBringUp) - 1)
            {
                (before, after) = BroughtUp(file, Math.Max(2, kills / 20), random, faults);
            }
        }

        foreach (var name in photos)
        {
            var original = Path.Combine(folder, "killed-photos", name + ".original");
            if (!File.Exists(original) || Convert.ToHexStringLower(SHA256.HashData(File.ReadAllBytes(original))) != name)
            {
                faults.Add($"photo {name} is lost or damaged");
            }
        }

        Console.WriteLine($"{kills} kills while writing: {acknowledged.Count} entries and {photos.Count} photos acknowledged.");
        Console.WriteLine($"{before + after} kills while bringing a file to the next version: {before} left it as it was, {after} were too late.");
        Console.WriteLine(faults.Count == 0 ? "Nothing lost, nothing twice, every file whole." : $"{faults.Count} FAULTS:\n{string.Join('\n', faults.Take(20))}");
        SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
        return faults.Count;
    }

    private static (int Before, int After) BroughtUp(string file, int kills, Random random, List<string> faults)
    {
        var (before, after) = (0, 0);
        for (var n = 0; n < kills; n++)
        {
            // Closed for good, so that the file is all there is.
            SqliteConnection.ClearAllPools();
            var copy = $"{file}.{n}.corrie";
            using (var source = new SqliteConnection($"Data Source={file};Pooling=false"))
            {
                source.Open();
                source.Execute("vacuum into @copy", new { copy });
            }

            _ = Killed(random, ["kills-bring-up", copy], TimeSpan.FromMilliseconds(random.Next(0, 400)));
            using var left = new SqliteConnection($"Data Source={copy};Pooling=false");
            left.Open();
            var version = left.ExecuteScalar<int>("pragma user_version");
            var tables = left.ExecuteScalar<int>("select count(*) from sqlite_master where name like 'made_up%' and type = 'table'");
            (before, after) = version == CompanyFile.Version ? (before + 1, after) : (before, after + 1);
            if (left.ExecuteScalar<string>("pragma integrity_check") != "ok" || tables != (version == CompanyFile.Version ? 0 : 80))
            {
                faults.Add($"a file is of version {version} with {tables} new tables");
            }
        }

        return (before, after);
    }

    private static byte[] Drawn()
    {
        using var square = new SKBitmap(8, 8);
        using var pixels = square.PeekPixels();
        using var data = pixels.Encode(new SKJpegEncoderOptions(80));
        return data!.ToArray();
    }

    private static IEnumerable<string> Look(string file, HashSet<string> acknowledged)
    {
        using var connection = new SqliteConnection($"Data Source={file}");
        connection.Open();
        if (connection.ExecuteScalar<int>("select count(*) from sqlite_master where name = 'entries'") == 0)
        {
            yield break;
        }

        var there = connection.Query<string>("select entry_id from entries").ToList();
        if (there.Distinct().Count() != there.Count)
        {
            yield return "entries are there twice";
        }

        var lost = acknowledged.Except(there).ToList();
        if (lost.Count > 0)
        {
            yield return $"{lost.Count} entries are lost, such as {lost[0]}";
        }

        if (connection.ExecuteScalar<string>("pragma quick_check") is { } said and not "ok")
        {
            yield return $"the file is damaged: {said}";
        }
    }

    private static List<string> Killed(Random random, string[] arguments, TimeSpan after)
    {
        using var child = Process.Start(new ProcessStartInfo("dotnet", [Environment.GetCommandLineArgs()[0], .. arguments]) { RedirectStandardOutput = true })!;
        var lines = new List<string>();
        var reading = Task.Run(() =>
        {
            while (child.StandardOutput.ReadLine() is { } line)
            {
                lock (lines)
                {
                    lines.Add(line);
                }
            }
        });
        // From its first word on, now and then before.
        var early = random.Next(10) == 0;
        for (var watch = Stopwatch.StartNew(); !early && watch.Elapsed < TimeSpan.FromSeconds(20);)
        {
            lock (lines)
            {
                if (lines.Count > 0)
                {
                    break;
                }
            }

            Thread.Sleep(1);
        }

        Thread.Sleep(after);
        child.Kill();
        child.WaitForExit();
        reading.Wait();
        return lines;
    }
}
