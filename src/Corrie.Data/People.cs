using System.Globalization;
using Dapper;

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
/// <param name="Id">Key.</param>
/// <param name="SignIn">Name to sign in with.</param>
/// <param name="Name">Name to be shown.</param>
/// <param name="Role">Role.</param>
/// <param name="PasswordHash">Hash of the password; never the password.</param>
/// <param name="SiteId">A client's site; null for everybody else.</param>
/// <param name="LockedUntil">When a lock after too many wrong passwords ends; null where there is none.</param>
public sealed record Person(long Id, string SignIn, string Name, Role Role, string PasswordHash, long? SiteId, DateTimeOffset? LockedUntil);

/// <summary>The company's people.</summary>
/// <param name="file">The company's file.</param>
/// <param name="time">The clock.</param>
public sealed class PeopleStore(CompanyFile file, TimeProvider time)
{
    /// <summary>Wrong passwords in a row that lock a person out.</summary>
    public const int FailuresToLock = 5;

    /// <summary>How long they stay locked out.</summary>
    public static readonly TimeSpan LockFor = TimeSpan.FromMinutes(15);

    /// <summary>Adds a person.</summary>
    public long Add(string signIn, string name, Role role, string passwordHash, long? siteId = null)
    {
        using var connection = file.Connect();
        return connection.ExecuteScalar<long>(
            """
            insert into people (sign_in, name, role, password_hash, site_id)
            values (@signIn, @name, @role, @passwordHash, @siteId)
            returning id
            """,
            new { signIn, name, role = role.ToString().ToLowerInvariant(), passwordHash, siteId });
    }

    /// <summary>Gives a person a new password, and ends a lock.</summary>
    public void SetPassword(long id, string passwordHash)
    {
        using var connection = file.Connect();
        connection.Execute("update people set password_hash = @passwordHash, failures = 0, locked_until = null where id = @id", new { id, passwordHash });
    }

    /// <summary>Everybody, by name.</summary>
    public IReadOnlyList<Person> All() => Query("order by name", new { });

    /// <summary>Who signs in with a name; null for nobody.</summary>
    public Person? Find(string signIn) => Query("where sign_in = @signIn", new { signIn }).SingleOrDefault();

    /// <summary>Notes a wrong password, and locks after <see cref="FailuresToLock"/> of them in a row.</summary>
    public void Failed(long id)
    {
        using var connection = file.Connect();
        connection.Execute(
            """
            update people set
              failures = case when failures + 1 >= @most then 0 else failures + 1 end,
              locked_until = case when failures + 1 >= @most then @until else locked_until end
            where id = @id
            """,
            new { id, most = FailuresToLock, until = Text.Of(time.GetUtcNow() + LockFor) });
    }

    /// <summary>Notes a right password.</summary>
    public void Succeeded(long id)
    {
        using var connection = file.Connect();
        connection.Execute("update people set failures = 0, locked_until = null where id = @id", new { id });
    }

    private List<Person> Query(string tail, object arguments)
    {
        using var connection = file.Connect();
        return
        [
            .. connection.Query<(long Id, string SignIn, string Name, string Role, string Hash, long? Site, string? Locked)>(
                "select id, sign_in, name, role, password_hash, site_id, locked_until from people " + tail, arguments)
                .Select(p => new Person(
                    p.Id, p.SignIn, p.Name, Enum.Parse<Role>(p.Role, ignoreCase: true), p.Hash, p.Site, p.Locked is null ? null : Text.Time(p.Locked))),
        ];
    }
}

/// <summary>Times as SQLite keeps them: ISO 8601 in UTC, which sorts as text.</summary>
internal static class Text
{
    public static string Of(DateTimeOffset time) => time.UtcDateTime.ToString("yyyy-MM-dd'T'HH:mm:ss.fff'Z'", CultureInfo.InvariantCulture);

    public static DateTimeOffset Time(string text) => DateTimeOffset.Parse(text, CultureInfo.InvariantCulture, DateTimeStyles.AssumeUniversal);
}
