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
/// <param name="LockedUntil">When a lock after too many wrong passwords ends; null where there is none.</param>
/// <param name="LeftAt">When they left the company; null for who is here.</param>
/// <param name="Changes">How often password, role or being here has changed: an earlier sign-in does not count any more.</param>
public sealed record Person(
    long Id, string SignIn, string Name, Role Role, string PasswordHash, long? SiteId, DateTimeOffset? LockedUntil, DateTimeOffset? LeftAt, long Changes);

/// <summary>The company's people.</summary>
/// <param name="file">The company's file.</param>
/// <param name="time">The clock.</param>
public sealed class PeopleStore(CompanyFile file, TimeProvider time)
{
    /// <summary>Wrong passwords in a row that lock a person out.</summary>
    public const int FailuresToLock = 5;

    /// <summary>How long they stay locked out.</summary>
    public static readonly TimeSpan LockFor = TimeSpan.FromMinutes(15);

    // Read for every request, and changed hardly ever: kept until something is written. A company has one process.
    private readonly Lock gate = new();
    private IReadOnlyList<Person>? everybody;

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
    /// <returns>The person's key.</returns>
    /// <exception cref="SqliteException">The name is taken, or a client has no site.</exception>
    public long Add(string signIn, string name, Role role, string passwordHash, long? siteId = null)
    {
        return Write(connection => connection.ExecuteScalar<long>(
            """
            insert into people (sign_in, name, role, password_hash, site_id)
            values (@signIn, @name, @role, @passwordHash, @siteId)
            returning id
            """,
            new { signIn, name, role = Of(role), passwordHash, siteId }));
    }

    /// <summary>Gives a person a new password, and ends a lock.</summary>
    /// <param name="id">Its key, unique in the company.</param>
    /// <param name="passwordHash">Hash of the password.</param>
    public void SetPassword(long id, string passwordHash) => Update(
        "password_hash = @passwordHash, failures = 0, locked_until = null, changes = changes + 1", new { id, passwordHash });

    /// <summary>Gives a person another role.</summary>
    /// <param name="id">Its key, unique in the company.</param>
    /// <param name="role">The role.</param>
    /// <param name="siteId">A client's site; null for everybody else.</param>
    /// <exception cref="SqliteException">A client has no site.</exception>
    public void SetRole(long id, Role role, long? siteId) => Update(
        "role = @role, site_id = @siteId, changes = changes + 1", new { id, role = Of(role), siteId });

    /// <summary>Notes that a person has left, or is back.</summary>
    /// <param name="id">Its key, unique in the company.</param>
    /// <param name="left">Whether they have left.</param>
    public void SetLeft(long id, bool left) => Update(
        "left_at = @at, changes = changes + 1", new { id, at = left ? SqliteTime.Of(time.GetUtcNow()) : null });

    /// <summary>Notes a wrong password, and locks after <see cref="FailuresToLock"/> of them in a row.</summary>
    /// <param name="id">Its key, unique in the company.</param>
    public void Failed(long id) => Update(
        """
        failures = case when failures + 1 >= @most then 0 else failures + 1 end,
        locked_until = case when failures + 1 >= @most then @until else locked_until end
        """,
        new { id, most = FailuresToLock, until = SqliteTime.Of(time.GetUtcNow() + LockFor) });

    /// <summary>Notes a right password.</summary>
    /// <param name="id">Its key, unique in the company.</param>
    public void Succeeded(long id) => Update("failures = 0, locked_until = null", new { id });

    private static string Of(Role role) => role.ToString().ToLowerInvariant();

    private void Update(string sets, object arguments) => Write(connection => connection.Execute($"update people set {sets} where id = @id", arguments));

    private T Write<T>(Func<SqliteConnection, T> change)
    {
        lock (gate)
        {
            using var connection = file.Connect();
            var result = change(connection);
            everybody = null;
            return result;
        }
    }

    private List<Person> Read()
    {
        using var connection = file.Connect();
        return
        [
            .. connection.Query<(long Id, string SignIn, string Name, string Role, string Hash, long? Site, string? Locked, string? Left, long Changes)>(
                "select id, sign_in, name, role, password_hash, site_id, locked_until, left_at, changes from people order by name")
                .Select(p => new Person(
                    p.Id, p.SignIn, p.Name, Enum.Parse<Role>(p.Role, ignoreCase: true), p.Hash, p.Site,
                    p.Locked is null ? null : SqliteTime.Time(p.Locked), p.Left is null ? null : SqliteTime.Time(p.Left), p.Changes)),
        ];
    }
}
