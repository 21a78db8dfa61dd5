using Dapper;

namespace Corrie.Data;

/// <summary>A link by which a client reads the hand-over of one job.</summary>
/// <param name="Id">Its key.</param>
/// <param name="Job">Key of the job.</param>
/// <param name="Says">For whom it is.</param>
/// <param name="MadeBy">Name that whoever made it signs in with.</param>
/// <param name="MadeAt">When.</param>
/// <param name="RevokedAt">When it was revoked; null where it works.</param>
/// <param name="ReadAt">When it was last opened; null for never.</param>
public sealed record ClientLink(long Id, long Job, string Says, string MadeBy, DateTimeOffset MadeAt, DateTimeOffset? RevokedAt, DateTimeOffset? ReadAt);

/// <summary>The links that clients of a company have. Of each only its hash is kept.</summary>
/// <param name="file">The company's file.</param>
/// <param name="time">The clock.</param>
public sealed class ClientLinkStore(CompanyFile file, TimeProvider time)
{
    private string Now => SqliteTime.Of(time.GetUtcNow());

    /// <summary>The links of a job, also revoked ones, the newest first.</summary>
    /// <param name="job">Key of the job.</param>
    /// <returns>The links.</returns>
    public IReadOnlyList<ClientLink> Of(long job) => Read("job = @job", new { job });

    /// <summary>Makes a link.</summary>
    /// <param name="job">Key of the job.</param>
    /// <param name="says">For whom it is.</param>
    /// <param name="by">Name that whoever makes it signs in with.</param>
    /// <returns>What the link shows; it is kept nowhere.</returns>
    public string Make(long job, string says, string by)
    {
        var secret = Secret.Make();
        using var connection = file.Connect();
        connection.Execute("insert into client_links (job, hash, says, made_by, made_at) values (@job, @hash, @says, @by, @now)", new { job, hash = Secret.HashOf(secret), says, by, now = Now });
        return secret;
    }

    /// <summary>The link that somebody opens; that it was opened is on record.</summary>
    /// <param name="secret">What the link shows.</param>
    /// <returns>The link; null where there is none, or it was revoked.</returns>
    public ClientLink? Open(string secret)
    {
        var found = Read("hash = @hash and revoked_at is null", new { hash = Secret.HashOf(secret) }).SingleOrDefault();
        if (found is not null)
        {
            using var connection = file.Connect();
            connection.Execute("update client_links set read_at = @now where id = @Id", new { found.Id, now = Now });
        }

        return found;
    }

    /// <summary>Revokes a link of a job, at once and for good.</summary>
    /// <param name="job">Key of the job.</param>
    /// <param name="id">Key of the link.</param>
    /// <returns>Whether it worked until now.</returns>
    public bool Revoke(long job, long id)
    {
        using var connection = file.Connect();
        return connection.Execute("update client_links set revoked_at = @now where id = @id and job = @job and revoked_at is null", new { id, job, now = Now }) == 1;
    }

    private List<ClientLink> Read(string where, object arguments)
    {
        using var connection = file.Connect();
        return [.. connection.Query<(long Id, long Job, string Says, string By, string Made, string? Revoked, string? Read)>($"select id, job, says, made_by, made_at, revoked_at, read_at from client_links where {where} order by id desc", arguments)
            .Select(l => new ClientLink(l.Id, l.Job, l.Says, l.By, SqliteTime.Time(l.Made), l.Revoked is null ? null : SqliteTime.Time(l.Revoked), l.Read is null ? null : SqliteTime.Time(l.Read)))];
    }
}
