using System.Security.Cryptography;
using Corrie.Core.Format;
using Corrie.Core.Jobs;
using Dapper;
using Microsoft.Data.Sqlite;

namespace Corrie.Data;

/// <summary>What a look through a data folder has found.</summary>
/// <param name="Companies">How many companies.</param>
/// <param name="Jobs">How many jobs.</param>
/// <param name="Entries">How many entries.</param>
/// <param name="Photos">How many photos.</param>
/// <param name="Problems">What is wrong, a sentence each.</param>
public sealed record CheckReport(int Companies, int Jobs, long Entries, int Photos, IReadOnlyList<string> Problems);

/// <summary>Compares what lies in a data folder with itself: the file's own structure, entries with their jobs, summaries with plans, photos with entries.</summary>
public static class SelfCheck
{
    /// <summary>Looks through a data folder and changes nothing; Corrie may be running.</summary>
    /// <param name="folder">The data folder.</param>
    /// <param name="time">The clock.</param>
    /// <returns>What was found.</returns>
    public static async Task<CheckReport> Run(string folder, TimeProvider time)
    {
        var problems = new List<string>();
        var (companies, jobs, entries, photos) = (0, 0, 0L, 0);
        foreach (var path in Disk.Files(folder, "*.corrie"))
        {
            companies++;
            var name = Path.GetFileName(path);
            try
            {
                if (Structure(path) is { } wrong)
                {
                    problems.Add($"{name}: {wrong}");
                    continue;
                }

                await using var company = new Company(Path.GetFileNameWithoutExtension(path), path, time);
                using var connection = new SqliteConnection(new SqliteConnectionStringBuilder { DataSource = path, Mode = SqliteOpenMode.ReadOnly }.ToString());
                connection.Open();
                foreach (var (id, seq, count, last) in connection.Query<(long, long, long, long)>(
                    "select jobs.id, jobs.seq, count(entries.seq), coalesce(max(entries.seq), 0) from jobs left join entries on entries.job = jobs.id group by jobs.id").ToList())
                {
                    jobs++;
                    entries += count;
                    problems.AddRange(Job(company, id, seq, count, last).Select(p => $"{name}, job {id}: {p}"));
                }

                foreach (var photo in connection.Query<string>("select distinct name from job_photos").ToList())
                {
                    photos++;
                    problems.AddRange(Photo(company.Photos, photo).Select(p => $"{name}, photo {photo}: {p}"));
                }
            }
            catch (Exception e) when (e is CompanyFileException or SqliteException or IOException or UnauthorizedAccessException)
            {
                problems.Add($"{name}: {e.Message}");
            }
        }

        if (companies == 0)
        {
            problems.Add($"'{folder}' holds no company's file. Expected: Corrie's data folder.");
        }

        return new(companies, jobs, entries, photos, problems);
    }

    private static string? Structure(string path)
    {
        using var connection = new SqliteConnection(new SqliteConnectionStringBuilder { DataSource = path, Mode = SqliteOpenMode.ReadOnly }.ToString());
        connection.Open();
        var version = connection.ExecuteScalar<int>("pragma user_version");
        return connection.ExecuteScalar<string>("pragma integrity_check") is { } said and not "ok" ? $"the file is damaged: {said}."
            : connection.Query("pragma foreign_key_check").Any() ? "rows refer to rows that are not there."
            : version != CompanyFile.Version ? $"it is of version {version}, and this Corrie's is {CompanyFile.Version}: it is brought up, or refused, when Corrie next starts."
            : null;
    }

    private static IEnumerable<string> Job(Company company, long id, long seq, long count, long last)
    {
        if (seq != last || count != last)
        {
            yield return $"it says {seq} entries, and has {count}, the last of which is number {last}.";
        }

        JobSummary? now = null;
        string? damage = null;
        try
        {
            if (company.Entries.Read(id) is { } ledger)
            {
                now = JobSummaries.Of(ledger.Seq, Planner.Plan(JobForm.Read(ledger.Document).Sheet));
            }
        }
        catch (Exception e) when (e is not OutOfMemoryException)
        {
            damage = e.Message;
        }

        if (damage is not null)
        {
            yield return $"it is damaged: {damage}";
        }
        else if (company.Jobs.Find(id) is { Summary: var kept } && now is not null && kept.Seq == now.Seq && kept != now)
        {
            yield return $"its summary says '{kept.State}, {kept.NextStep}', and its plan '{now.State}, {now.NextStep}'.";
        }
    }

    private static IEnumerable<string> Photo(PhotoStore photos, string name)
    {
        foreach (var size in Enum.GetValues<PhotoSize>())
        {
            if (photos.Find(name, size) is null)
            {
                yield return $"its {size.ToString().ToLowerInvariant()} is not there.";
            }
        }

        if (photos.Find(name, PhotoSize.Original) is { } original)
        {
            using var stream = File.OpenRead(original);
            if (Convert.ToHexStringLower(SHA256.HashData(stream)) != name)
            {
                yield return "it is not as it was taken in.";
            }
        }
    }
}
