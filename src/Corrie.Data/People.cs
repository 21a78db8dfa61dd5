using Dapper;
using Microsoft.Data.Sqlite;

namespace Corrie.Data;

/// <summary>What a person does in the company.</summary>
public enum Role
{
    /// <summary>Plans, quotes, schedules.</summary>
    Office,

    /// <summary>Lead installer.</summary>
    Lead,

    /// <summary>Installer.</summary>
    Installer,

    /// <summary>Licensed electrician.</summary>
    Electrician,

    /// <summary>The client, who only reads, and only their own site.</summary>
    Client,
}

/// <summary>Somebody who signs in.</summary>
/// <param name="Id">Its key, unique in the company.</param>
/// <param name="SignIn">Name to sign in with.</param>
/// <param name="Name">Name to be shown.</param>
/// <param name="Role">What they may do in the company.</param>
/// <param name="PasswordHash">Hash of the password; never the password.</param>
/// <param name="SiteId">A client's site; null for everybody else.</param>
/// <param name="LeftAt">When they left the company; null for who is here.</param>
/// <param name="SeenChange">The last change of people that they have looked at; 0 for none.</param>
public sealed record Person(long Id, string SignIn, string Name, Role Role, string PasswordHash, long? SiteId, DateTimeOffset? LeftAt, long SeenChange)
{
    /// <summary>What they are besides their role: a lead who is a licensed electrician too. A client is nothing else.</summary>
    public IReadOnlyList<Role> Also { get; init; } = [];

    /// <summary>Everything that they are, their role first.</summary>
    public IReadOnlyList<Role> Roles => [Role, .. Also];
}

/// <summary>Something that was changed about people.</summary>
/// <param name="Id">Its place among all changes.</param>
/// <param name="At">When.</param>
/// <param name="By">Name that whoever did it signs in with.</param>
/// <param name="Person">Name that the person signs in with.</param>
/// <param name="What">What was done, to follow the person's name.</param>
public sealed record PersonChange(long Id, DateTimeOffset At, string By, string Person, string What);

/// <summary>The company's people. Whatever is changed about one ends the sessions that they have, and is on record.</summary>
/// <param name="file">The company's file.</param>
/// <param name="time">The clock.</param>
/// <param name="sessions">Their sessions.</param>
public sealed class PeopleStore(CompanyFile file, TimeProvider time, SessionStore sessions)
{
    // Read for every request, and changed hardly ever: kept until something is written. A company has one process.
    private readonly Lock gate = new();
    private IReadOnlyList<Person>? everybody;
    private IReadOnlyList<(string By, long Id)>? lastChanges;

    /// <summary>Everybody, also who has left, by name.</summary>
    /// <returns>The people.</returns>
    public IReadOnlyList<Person> All()
    {
        lock (gate)
        {
            return everybody ??= Read();
        }
    }

    /// <summary>Who signs in with a name.</summary>
    /// <param name="signIn">The name, in large or small letters.</param>
    /// <returns>The person, also one who has left; null for nobody.</returns>
    public Person? Find(string signIn) => All().FirstOrDefault(p => string.Equals(p.SignIn, signIn, StringComparison.OrdinalIgnoreCase));

    /// <summary>Adds a person.</summary>
    /// <param name="signIn">Name to sign in with; one of its kind.</param>
    /// <param name="name">Name to be shown.</param>
    /// <param name="role">What they may do in the company.</param>
    /// <param name="passwordHash">Hash of the password.</param>
    /// <param name="siteId">A client's site; null for everybody else.</param>
    /// <param name="by">Name that whoever does it signs in with; empty for nobody who is on record.</param>
    /// <param name="also">What they are besides; null for nothing.</param>
    /// <returns>The person's key; null where somebody signs in with that name already.</returns>
    /// <exception cref="SqliteException">A client has no site.</exception>
    public long? Add(string signIn, string name, Role role, string passwordHash, long? siteId = null, string by = "", IReadOnlyList<Role>? also = null) => Write((connection, transaction) =>
    {
        var id = connection.ExecuteScalar<long?>(
            """
            insert into people (sign_in, name, role, also, password_hash, site_id)
            values (@signIn, @name, @role, @also, @passwordHash, @siteId)
            on conflict (sign_in) do nothing
            returning id
            """,
            new { signIn, name, role = Of(role), also = Of(also ?? []), passwordHash, siteId },
            transaction);
        if (id is { } added)
        {
            Note(connection, transaction, added, by, $"was added as {Words(role, also ?? [])}");
        }

        return id;
    });

    /// <summary>Gives a person a new password.</summary>
    /// <param name="id">Its key, unique in the company.</param>
    /// <param name="passwordHash">Hash of the password.</param>
    /// <param name="by">Name that whoever does it signs in with.</param>
    public void SetPassword(long id, string passwordHash, string by = "") => Update("password_hash = @passwordHash", id, new { id, passwordHash }, by, "has a new password");

    /// <summary>Gives a person another role.</summary>
    /// <param name="id">Its key, unique in the company.</param>
    /// <param name="role">The role.</param>
    /// <param name="siteId">A client's site; null for everybody else.</param>
    /// <param name="by">Name that whoever does it signs in with.</param>
    /// <param name="also">What they are besides; null for nothing.</param>
    /// <exception cref="SqliteException">A client has no site.</exception>
    public void SetRole(long id, Role role, long? siteId, string by = "", IReadOnlyList<Role>? also = null) => Update(
        "role = @role, also = @also, site_id = @siteId", id, new { id, role = Of(role), also = Of(also ?? []), siteId }, by, $"has another role: {Words(role, also ?? [])}");

    /// <summary>Notes that a person has left, or is back.</summary>
    /// <param name="id">Its key, unique in the company.</param>
    /// <param name="left">Whether they have left.</param>
    /// <param name="by">Name that whoever does it signs in with.</param>
    public void SetLeft(long id, bool left, string by = "") => Update(
        "left_at = @at", id, new { id, at = left ? SqliteTime.Of(time.GetUtcNow()) : null }, by, left ? "has left" : "is back");

    /// <summary>What was changed about people, the latest first.</summary>
    /// <param name="after">Only what came after this change; 0 for all.</param>
    /// <param name="most">How many at the most.</param>
    /// <returns>The changes.</returns>
    public IReadOnlyList<PersonChange> Changes(long after, int most)
    {
        using var connection = file.Connect();
        return
        [
            .. connection.Query<(long Id, string At, string By, string Person, string What)>(
                "select id, at, by, person, what from people_changes where id > @after order by id desc limit @most", new { after, most })
                .Select(c => new PersonChange(c.Id, SqliteTime.Time(c.At), c.By, c.Person, c.What)),
        ];
    }

    /// <summary>Place of the last change of people that somebody else has made, and who is on record; 0 for none. Known in memory, since every page asks.</summary>
    /// <param name="signIn">Name that the reader signs in with.</param>
    /// <returns>The change's place.</returns>
    public long LastChangeBut(string signIn)
    {
        lock (gate)
        {
            lastChanges ??= ReadLastChanges();
            return lastChanges.Where(c => c.By.Length > 0 && !string.Equals(c.By, signIn, StringComparison.OrdinalIgnoreCase)).Select(c => c.Id).DefaultIfEmpty(0).Max();
        }
    }

    /// <summary>Notes that somebody has looked at the changes of people.</summary>
    /// <param name="id">Key of who has.</param>
    /// <param name="change">The last change that they have looked at.</param>
    public void SetSeen(long id, long change) => Write((connection, transaction) =>
        connection.Execute("update people set seen_change = max(seen_change, @change) where id = @id", new { id, change }, transaction));

    private static string Of(Role role) => role.ToString().ToLowerInvariant();

    private static string Words(Role role, IReadOnlyList<Role> also) => string.Join(" and ", also.Prepend(role).Select(Of));

    /// <summary>Roles as they are kept.</summary>
    /// <param name="roles">The roles.</param>
    /// <returns>Their words with commas between.</returns>
    internal static string Of(IReadOnlyList<Role> roles) => string.Join(',', roles.Select(Of));

    /// <summary>Roles that were kept.</summary>
    /// <param name="kept">Their words with commas between.</param>
    /// <returns>The roles.</returns>
    internal static IReadOnlyList<Role> Roles(string kept) => [.. kept.Split(',', StringSplitOptions.RemoveEmptyEntries).Select(r => Enum.Parse<Role>(r, ignoreCase: true))];

    private void Update(string sets, long id, object arguments, string by, string what)
    {
        Write((connection, transaction) =>
        {
            var rows = connection.Execute($"update people set {sets} where id = @id", arguments, transaction);
            if (rows > 0)
            {
                Note(connection, transaction, id, by, what);
            }

            return rows;
        });
        sessions.EndAllOf(id);
    }

    private void Note(SqliteConnection connection, SqliteTransaction transaction, long id, string by, string what) => connection.Execute(
        "insert into people_changes (at, by, person, what) select @at, @by, sign_in, @what from people where id = @id",
        new { at = SqliteTime.Of(time.GetUtcNow()), by, what, id },
        transaction);

    private T Write<T>(Func<SqliteConnection, SqliteTransaction, T> change)
    {
        lock (gate)
        {
            using var connection = file.Connect();
            using var transaction = connection.BeginTransaction();
            var result = change(connection, transaction);
            transaction.Commit();
            (everybody, lastChanges) = (null, null);
            return result;
        }
    }

    private IReadOnlyList<(string By, long Id)> ReadLastChanges()
    {
        using var connection = file.Connect();
        return [.. connection.Query<(string, long)>("select by, max(id) from people_changes group by by")];
    }

    private List<Person> Read()
    {
        using var connection = file.Connect();
        return
        [
            .. connection.Query<(long Id, string SignIn, string Name, string Role, string Also, string Hash, long? Site, string? Left, long Seen)>(
                "select id, sign_in, name, role, also, password_hash, site_id, left_at, seen_change from people order by name")
                .Select(p => new Person(
                    p.Id, p.SignIn, p.Name, Enum.Parse<Role>(p.Role, ignoreCase: true), p.Hash, p.Site, p.Left is null ? null : SqliteTime.Time(p.Left), p.Seen) { Also = Roles(p.Also) }),
        ];
    }
}
