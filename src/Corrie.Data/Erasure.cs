using System.Text.Json;
using System.Text.Json.Nodes;
using Dapper;
using Microsoft.Data.Sqlite;

namespace Corrie.Data;

/// <summary>What was removed for good.</summary>
/// <param name="Entries">In how many entries.</param>
/// <param name="Note">What the record says of it from now on.</param>
public sealed record Erased(int Entries, string Note);

/// <summary>
/// Removes what somebody has a right to have removed: the one exception from the rule that entries stay. Everything happens in one transaction, the
/// rule holds again at its end, and the record says that it was done. Copies of before, and backups, hold it still.
/// </summary>
/// <param name="path">The company's file; no other program may have its folder.</param>
/// <param name="time">The clock.</param>
public sealed class Erasure(string path, TimeProvider time)
{
    /// <summary>Who is on record as having done it.</summary>
    public const string By = "erasure";

    private const string Blank = "a person who was removed";

    /// <summary>Removes a person's names wherever they stand, their sessions and password. What they did stays, by nobody.</summary>
    /// <param name="signIn">Name to sign in with.</param>
    /// <returns>What was done; null where nobody has that name.</returns>
    public Erased? Person(string signIn) => Lifted<Erased>((connection, transaction) =>
    {
        if (connection.QuerySingleOrDefault<(long Id, string SignIn, string Name)?>("select id, sign_in, name from people where sign_in = @signIn", new { signIn }, transaction) is not var (id, known, name))
        {
            return null;
        }

        var removed = $"removed-{id}";
        var touched = connection.Execute("update entries set author = @removed where author = @known", new { removed, known }, transaction);
        foreach (var (job, seq, value) in connection.Query<(long, long, string)>("select job, seq, value from entries where value like '%' || @text || '%'", new { text = Inner(name) }, transaction).ToList())
        {
            var node = JsonNode.Parse(value);
            touched += connection.Execute("update entries set value = @value where job = @job and seq = @seq", new { job, seq, value = Blanked(node, name)?.ToJsonString() }, transaction);
        }

        foreach (var document in connection.Query<string>("select document from policy where document like '%' || @text || '%'", new { text = Inner(name) }, transaction).ToList())
        {
            connection.Execute("update policy set document = @blanked where document = @document", new { document, blanked = Blanked(JsonNode.Parse(document), name)?.ToJsonString() }, transaction);
        }

        connection.Execute("update people set name = @Blank, sign_in = @removed, password_hash = '', left_at = coalesce(left_at, @at) where id = @id", new { Blank, removed, id, at = SqliteTime.Of(time.GetUtcNow()) }, transaction);
        connection.Execute("delete from sessions where person = @id", new { id }, transaction);
        connection.Execute("update invitations set name = @Blank where name = @name", new { Blank, name }, transaction);
        connection.Execute("update client_links set says = @Blank where says = @name", new { Blank, name }, transaction);
        foreach (var (table, column) in new[] { ("people_changes", "person"), ("people_changes", "by"), ("tokens", "made_by"), ("invitations", "made_by"), ("client_links", "made_by"), ("catalogue", "changed_by"), ("policy", "changed_by") })
        {
            connection.Execute($"update {table} set {column} = @removed where {column} = @known", new { removed, known }, transaction);
        }

        const string note = "was removed for good on request: every name was blanked";
        connection.Execute("insert into people_changes (at, by, person, what) values (@at, @By, @removed, @note)", new { at = SqliteTime.Of(time.GetUtcNow()), By, removed, note }, transaction);
        return new(touched, note);
    });

    /// <summary>Removes a photo in all its sizes, and takes it off every job that it is on.</summary>
    /// <param name="photos">The company's photos.</param>
    /// <param name="name">The photo's name.</param>
    /// <returns>What was done; null where no job has, or had, that photo.</returns>
    public Erased? Photo(PhotoStore photos, string name)
    {
        var done = Lifted<Erased>((connection, transaction) =>
        {
            var jobs = connection.Query<long>("select job from job_photos where name = @name", new { name }, transaction).ToList();
            if (jobs.Count == 0)
            {
                return null;
            }

            var touched = 0;
            foreach (var job in jobs)
            {
                foreach (var (seq, path, value) in connection.Query<(long, string, string)>("select seq, path, value from entries where job = @job and value like '%' || @name || '%'", new { job, name }, transaction).ToList())
                {
                    var without = Without(JsonNode.Parse(value), name);
                    if (without is null && path.Length > 0)
                    {
                        // What was drawn on it goes with it: by itself it would be half a photo.
                        touched += connection.Execute("update entries set value = null where job = @job and substr(path, 1, length(@within)) = @within", new { job, within = path + "/" }, transaction);
                    }

                    touched += connection.Execute("update entries set value = @value where job = @job and seq = @seq", new { job, seq, value = without?.ToJsonString() }, transaction);
                }

                var last = connection.ExecuteScalar<long>("select max(seq) from entries where job = @job", new { job }, transaction) + 1;
                var (id, at) = (Guid.NewGuid().ToString("N"), SqliteTime.Of(time.GetUtcNow()));
                // Says that it was done, and changes nothing else: what is not on the sheet is taken off it.
                connection.Execute(
                    "insert into entries (job, seq, entry_id, path, replaces, batch, author, taken_at, received_at, device) values (@job, @last, @id, @gone, '[]', @id, @By, @at, @at, 'corrie')",
                    new { job, last, id, gone = "/walls/w1/photos/removed-for-good", By, at },
                    transaction);
                connection.Execute("update jobs set seq = @last, moved_at = @at where id = @job", new { job, last, at }, transaction);
            }

            connection.Execute("delete from job_photos where name = @name", new { name }, transaction);
            return new Erased(touched, "a photo was removed for good on request");
        });
        if (done is not null)
        {
            photos.Remove(name);
        }

        return done;
    }

    private T? Lifted<T>(Func<SqliteConnection, SqliteTransaction, T?> change)
        where T : class
    {
        var file = CompanyFile.Open(path);
        using var connection = file.Connect();
        // What is written over is not left lying in the file.
        connection.Execute("pragma secure_delete = on");
        T? result;
        using (var transaction = connection.BeginTransaction())
        {
            var rules = connection.Query<(string Name, string Sql)>("select name, sql from sqlite_master where type = 'trigger' and tbl_name = 'entries'", transaction: transaction).ToList();
            rules.ForEach(r => connection.Execute($"drop trigger {r.Name}", transaction: transaction));
            result = change(connection, transaction);
            rules.ForEach(r => connection.Execute(r.Sql, transaction: transaction));
            transaction.Commit();
        }

        connection.Execute("pragma wal_checkpoint(truncate)");
        connection.Execute("vacuum");
        connection.Execute("pragma wal_checkpoint(truncate)");
        return result;
    }

    // A text as it stands inside of JSON, without its quotes.
    private static string Inner(string text) => JsonValue.Create(text)!.ToJsonString()[1..^1];

    private static JsonNode? Blanked(JsonNode? node, string name)
    {
        switch (node)
        {
            case JsonObject group:
                foreach (var (key, value) in group.ToList())
                {
                    group[key] = Blanked(value?.DeepClone(), name);
                }

                return group;
            case JsonArray list:
                return new JsonArray([.. list.Select(n => Blanked(n?.DeepClone(), name))]);
            case JsonValue value when value.GetValueKind() == JsonValueKind.String:
                return JsonValue.Create(value.GetValue<string>().Replace(name, Blank, StringComparison.OrdinalIgnoreCase));
            default:
                return node?.DeepClone();
        }
    }

    // Whatever holds the photo goes: the photo's own entry, or its row in a whole.
    private static JsonNode? Without(JsonNode? node, string name)
    {
        if (node is not JsonObject group)
        {
            return node is JsonValue value && value.GetValueKind() == JsonValueKind.String && value.GetValue<string>() == name ? null : node?.DeepClone();
        }

        // A photo goes with all that was said of it; a consent stays, without the picture that was looked at.
        if ((group["of"] ?? group["step"]) is not null && group["picture"] is JsonValue picture && picture.GetValueKind() == JsonValueKind.String && picture.GetValue<string>() == name)
        {
            return null;
        }

        var rest = new JsonObject();
        foreach (var (key, part) in group)
        {
            var kept = Without(part, name);
            if (kept is not null || part is null)
            {
                rest[key] = kept;
            }
        }

        return rest;
    }
}
