using Dapper;

namespace Corrie.Data;

/// <summary>Somebody who is asked to come in.</summary>
/// <param name="Id">Its key.</param>
/// <param name="Name">Who is asked.</param>
/// <param name="Role">What they will be.</param>
/// <param name="Also">What they will be besides.</param>
/// <param name="SiteId">A client's site.</param>
/// <param name="MadeBy">Name that whoever asked signs in with.</param>
/// <param name="EndsAt">Until when it works.</param>
public sealed record Invitation(long Id, string Name, Role Role, IReadOnlyList<Role> Also, long? SiteId, string MadeBy, DateTimeOffset EndsAt);

/// <summary>Invitations of a company: a link that works once, for some days.</summary>
/// <param name="file">The company's file.</param>
/// <param name="time">The clock.</param>
public sealed class InvitationStore(CompanyFile file, TimeProvider time)
{
    /// <summary>How long one works.</summary>
    public static readonly TimeSpan Works = TimeSpan.FromDays(14);

    private const string Open = "used_at is null and revoked_at is null and ends_at > @now";

    private string Now => SqliteTime.Of(time.GetUtcNow());

    /// <summary>Those that work, the newest first.</summary>
    /// <returns>The invitations.</returns>
    public IReadOnlyList<Invitation> All() => Read(Open, new { now = Now });

    /// <summary>Asks somebody to come in.</summary>
    /// <param name="name">Who is asked.</param>
    /// <param name="role">What they will be.</param>
    /// <param name="also">What they will be besides.</param>
    /// <param name="siteId">A client's site; null for everybody else.</param>
    /// <param name="by">Name that whoever asks signs in with.</param>
    /// <returns>What the link shows; it is kept nowhere.</returns>
    public string Make(string name, Role role, IReadOnlyList<Role> also, long? siteId, string by)
    {
        var secret = Secret.Make();
        using var connection = file.Connect();
        connection.Execute(
            "insert into invitations (hash, name, role, also, site_id, made_by, made_at, ends_at) values (@hash, @name, @role, @also, @siteId, @by, @now, @ends)",
            new { hash = Secret.HashOf(secret), name, role = role.ToString().ToLowerInvariant(), also = PeopleStore.Of(also), siteId, by, now = Now, ends = SqliteTime.Of(time.GetUtcNow() + Works) });
        return secret;
    }

    /// <summary>The one that a link shows.</summary>
    /// <param name="secret">What the link shows.</param>
    /// <returns>The invitation; null where there is none that works.</returns>
    public Invitation? Find(string secret) => Read($"hash = @hash and {Open}", new { hash = Secret.HashOf(secret), now = Now }).SingleOrDefault();

    /// <summary>Uses one up, once.</summary>
    /// <param name="id">Its key.</param>
    /// <returns>Whether it worked until now: of two at once only one is let in.</returns>
    public bool Use(long id) => Set("used_at", id);

    /// <summary>Takes one back.</summary>
    /// <param name="id">Its key.</param>
    /// <returns>Whether it worked until now.</returns>
    public bool Revoke(long id) => Set("revoked_at", id);

    private bool Set(string column, long id)
    {
        using var connection = file.Connect();
        return connection.Execute($"update invitations set {column} = @now where id = @id and {Open}", new { id, now = Now }) == 1;
    }

    private List<Invitation> Read(string where, object arguments)
    {
        using var connection = file.Connect();
        return [.. connection.Query<(long Id, string Name, string Role, string Also, long? Site, string By, string Ends)>($"select id, name, role, also, site_id, made_by, ends_at from invitations where {where} order by id desc", arguments)
            .Select(i => new Invitation(i.Id, i.Name, Enum.Parse<Role>(i.Role, ignoreCase: true), PeopleStore.Roles(i.Also), i.Site, i.By, SqliteTime.Time(i.Ends)))];
    }
}
