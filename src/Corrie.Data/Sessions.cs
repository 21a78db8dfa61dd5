using System.Security.Cryptography;
using Dapper;

namespace Corrie.Data;

/// <summary>Sign-ins that count. They are known in memory, since every request asks; a company has one process.</summary>
/// <param name="file">The company's file.</param>
/// <param name="time">The clock.</param>
public sealed class SessionStore(CompanyFile file, TimeProvider time)
{
    /// <summary>How long a session lasts at the most, however often it is used.</summary>
    public static readonly TimeSpan Longest = TimeSpan.FromDays(30);

    private readonly Lock gate = new();
    private Dictionary<string, Live>? live;

    /// <summary>Begins a session.</summary>
    /// <param name="person">Key of the person.</param>
    /// <returns>The session's id, which nobody guesses.</returns>
    public string Begin(long person)
    {
        var (id, now) = (RandomNumberGenerator.GetHexString(32, lowercase: true), time.GetUtcNow());
        lock (gate)
        {
            var known = Known();
            using var connection = file.Connect();
            connection.Execute("insert into sessions (id, person, made_at) values (@id, @person, @at)", new { id, person, at = SqliteTime.Of(now) });
            // What has run out is of no use to anybody.
            connection.Execute("delete from sessions where made_at < @old", new { old = SqliteTime.Of(now - Longest) });
            known[id] = new(person, now, new());
        }

        return id;
    }

    /// <summary>Whether a session counts.</summary>
    /// <param name="id">Its id.</param>
    /// <param name="person">Key of the person whose it should be.</param>
    /// <returns>What is cancelled when it ends; null where it does not count.</returns>
    public CancellationToken? Alive(string id, long person)
    {
        lock (gate)
        {
            return Known().TryGetValue(id, out var session) && session.Person == person && time.GetUtcNow() - session.MadeAt < Longest ? session.End.Token : null;
        }
    }

    /// <summary>Ends a session.</summary>
    /// <param name="id">Its id.</param>
    public void End(string id) => End((key, _) => key == id, "id = @id", new { id });

    /// <summary>Ends all sessions of a person.</summary>
    /// <param name="person">Key of the person.</param>
    public void EndAllOf(long person) => End((_, session) => session.Person == person, "person = @person", new { person });

    /// <summary>Ends all sessions of everybody.</summary>
    public void EndAll() => End((_, _) => true, "true", new { });

    private void End(Func<string, Live, bool> which, string where, object arguments)
    {
        List<Live> ended;
        lock (gate)
        {
            using var connection = file.Connect();
            var parameters = new DynamicParameters(arguments);
            parameters.Add("at", SqliteTime.Of(time.GetUtcNow()));
            connection.Execute($"update sessions set ended_at = @at where ended_at is null and {where}", parameters);
            var gone = Known().Where(s => which(s.Key, s.Value)).ToList();
            ended = [.. gone.Select(s => s.Value)];
            gone.ForEach(s => live!.Remove(s.Key));
        }

        // Outside of the lock: whoever follows a session ends here.
        ended.ForEach(s => s.End.Cancel());
    }

    private Dictionary<string, Live> Known()
    {
        if (live is null)
        {
            using var connection = file.Connect();
            live = connection.Query<(string Id, long Person, string MadeAt)>("select id, person, made_at from sessions where ended_at is null")
                .ToDictionary(s => s.Id, s => new Live(s.Person, SqliteTime.Time(s.MadeAt), new()));
        }

        return live;
    }

    private sealed record Live(long Person, DateTimeOffset MadeAt, CancellationTokenSource End);
}
