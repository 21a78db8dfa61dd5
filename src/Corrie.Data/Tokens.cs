using Dapper;

namespace Corrie.Data;

/// <summary>Lets a program use the interface.</summary>
/// <param name="Id">Its key.</param>
/// <param name="Name">What it is for.</param>
/// <param name="Role">What it may do.</param>
/// <param name="SiteId">The one site that it may see; null for all.</param>
/// <param name="MadeBy">Name that whoever made it signs in with.</param>
/// <param name="MadeAt">When it was made.</param>
/// <param name="RevokedAt">When it was revoked; null where it counts.</param>
public sealed record ProgramToken(long Id, string Name, Role Role, long? SiteId, string MadeBy, DateTimeOffset MadeAt, DateTimeOffset? RevokedAt);

/// <summary>The tokens of a company's programs.</summary>
/// <param name="file">The company's file.</param>
/// <param name="time">The clock.</param>
public sealed class TokenStore(CompanyFile file, TimeProvider time)
{
    private readonly Lock gate = new();
    private IReadOnlyList<(ProgramToken Token, string Hash)>? all;

    /// <summary>Every token, also those that were revoked, the newest first.</summary>
    /// <returns>The tokens.</returns>
    public IReadOnlyList<ProgramToken> All() => [.. Read().Select(t => t.Token)];

    /// <summary>Makes a token.</summary>
    /// <param name="name">What it is for.</param>
    /// <param name="role">What it may do.</param>
    /// <param name="siteId">The one site that it may see; null for all.</param>
    /// <param name="by">Name that whoever makes it signs in with.</param>
    /// <returns>What the program has to show; it is kept nowhere.</returns>
    public string Make(string name, Role role, long? siteId, string by)
    {
        var secret = Secret.Make();
        Write(
            "insert into tokens (name, hash, role, site_id, made_by, made_at) values (@name, @hash, @role, @siteId, @by, @at)",
            new { name, hash = Secret.HashOf(secret), role = role.ToString().ToLowerInvariant(), siteId, by, at = SqliteTime.Of(time.GetUtcNow()) });
        return secret;
    }

    /// <summary>Revokes a token, at once and for good.</summary>
    /// <param name="id">Its key.</param>
    /// <returns>Whether it counted until now.</returns>
    public bool Revoke(long id) => Write("update tokens set revoked_at = @at where id = @id and revoked_at is null", new { id, at = SqliteTime.Of(time.GetUtcNow()) }) == 1;

    /// <summary>The token that a program shows.</summary>
    /// <param name="secret">What it shows.</param>
    /// <returns>The token; null where there is none, or it was revoked.</returns>
    public ProgramToken? Find(string secret)
    {
        var hash = Secret.HashOf(secret);
        return Read().FirstOrDefault(t => t.Hash == hash && t.Token.RevokedAt is null).Token;
    }

    private int Write(string sql, object arguments)
    {
        lock (gate)
        {
            using var connection = file.Connect();
            var rows = connection.Execute(sql, arguments);
            all = null;
            return rows;
        }
    }

    private IReadOnlyList<(ProgramToken Token, string Hash)> Read()
    {
        lock (gate)
        {
            if (all is null)
            {
                using var connection = file.Connect();
                all =
                [
                    .. connection.Query<(long Id, string Name, string Hash, string Role, long? Site, string By, string At, string? Revoked)>(
                        "select id, name, hash, role, site_id, made_by, made_at, revoked_at from tokens order by id desc")
                        .Select(t => (new ProgramToken(t.Id, t.Name, Enum.Parse<Role>(t.Role, ignoreCase: true), t.Site, t.By, SqliteTime.Time(t.At), t.Revoked is null ? null : SqliteTime.Time(t.Revoked)), t.Hash)),
                ];
            }

            return all;
        }
    }
}
