using System.Text.Json.Nodes;
using Dapper;

namespace Corrie.Data;

/// <summary>The company's own figures as they were last set.</summary>
/// <param name="Document">The figures that differ from those that Corrie comes with, in the form of the job file; with their version.</param>
/// <param name="Version">Counts the changes; 0 where nothing was ever set.</param>
/// <param name="ChangedBy">Who changed them last; empty for nobody.</param>
/// <param name="ChangedAt">When; null for never.</param>
public sealed record CompanyPolicy(JsonObject Document, long Version, string ChangedBy, DateTimeOffset? ChangedAt);

/// <summary>The company's own figures. A job holds a copy, so that a change here never moves a hole that is drilled already.</summary>
/// <param name="file">The company's file.</param>
/// <param name="time">The clock.</param>
public sealed class PolicyStore(CompanyFile file, TimeProvider time)
{
    private volatile CompanyPolicy? current;

    /// <summary>The figures as they are now.</summary>
    /// <returns>The figures.</returns>
    public CompanyPolicy Read()
    {
        if (current is { } known)
        {
            return known;
        }

        using var connection = file.Connect();
        var row = connection.QuerySingleOrDefault<(string Document, long Version, string By, string At)?>("select document, version, changed_by, changed_at from policy");
        return current = row is { } r ? new((JsonObject)JsonNode.Parse(r.Document)!, r.Version, r.By, SqliteTime.Time(r.At)) : new([], 0, string.Empty, null);
    }

    /// <summary>Sets the figures.</summary>
    /// <param name="document">The figures that differ from those that Corrie comes with.</param>
    /// <param name="version">The version that its author had before them.</param>
    /// <param name="author">Name that its author signs in with.</param>
    /// <returns>Whether they were kept; false where somebody else has changed them meanwhile.</returns>
    public bool Save(JsonObject document, long version, string author)
    {
        using var connection = file.Connect();
        var made = (JsonObject)document.DeepClone();
        made["version"] = version + 1;
        made["setOn"] = SqliteTime.Of(time.GetUtcNow())[..10];
        var kept = connection.Execute(
            """
            insert into policy (id, document, version, changed_by, changed_at) values (1, @json, @next, @author, @now)
            on conflict (id) do update set document = @json, version = @next, changed_by = @author, changed_at = @now where version = @version
            """,
            new { json = made.ToJsonString(), next = version + 1, version, author, now = SqliteTime.Of(time.GetUtcNow()) }) == 1;
        current = null;
        return kept;
    }
}
