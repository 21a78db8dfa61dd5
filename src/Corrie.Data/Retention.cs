using Dapper;

namespace Corrie.Data;

/// <summary>Photos that are kept longer than the company wants to keep any.</summary>
/// <param name="Job">Key of the job.</param>
/// <param name="Title">What the job is called.</param>
/// <param name="MovedAt">When it last moved on.</param>
/// <param name="Photos">Names of its photos that no newer job has.</param>
public sealed record OldPhotos(long Job, string Title, DateTimeOffset MovedAt, IReadOnlyList<string> Photos);

/// <summary>How long a company keeps the photos of jobs on which nothing happens any more; what is on record beside them stays.</summary>
/// <param name="file">The company's file.</param>
/// <param name="time">The clock.</param>
public sealed class Retention(CompanyFile file, TimeProvider time)
{
    /// <summary>The longest time that can be chosen, in years.</summary>
    public const int Most = 50;

    /// <summary>For how many years photos are kept after a job last moved on; null for ever.</summary>
    public int? Years
    {
        get
        {
            using var connection = file.Connect();
            return connection.ExecuteScalar<int?>("select keep_years from company");
        }

        set
        {
            ArgumentOutOfRangeException.ThrowIfNegativeOrZero(value ?? 1, nameof(value));
            ArgumentOutOfRangeException.ThrowIfGreaterThan(value ?? 1, Most, nameof(value));
            using var connection = file.Connect();
            connection.Execute("update company set keep_years = @value", new { value });
        }
    }

    /// <summary>Photos that are older, by job, the oldest first.</summary>
    /// <returns>The jobs; none where photos are kept for ever.</returns>
    public IReadOnlyList<OldPhotos> Old()
    {
        if (Years is not { } years)
        {
            return [];
        }

        using var connection = file.Connect();
        return
        [
            .. connection.Query<(long Job, string? Title, string Moved, string Name)>(
                """
                select jobs.id, jobs.title, jobs.moved_at, job_photos.name
                from jobs join job_photos on job_photos.job = jobs.id
                where jobs.moved_at < @before
                  and not exists (select 1 from job_photos p join jobs j on j.id = p.job where p.name = job_photos.name and j.moved_at >= @before)
                order by jobs.moved_at, jobs.id, job_photos.name
                """,
                new { before = SqliteTime.Of(time.GetUtcNow().AddYears(-years)) })
                .GroupBy(p => (p.Job, p.Title, p.Moved)).Select(g => new OldPhotos(g.Key.Job, g.Key.Title ?? string.Empty, SqliteTime.Time(g.Key.Moved), [.. g.Select(p => p.Name)])),
        ];
    }
}
