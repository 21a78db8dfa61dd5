using System.Collections.Concurrent;
using System.Text.Json.Nodes;
using Dapper;
using Microsoft.Data.Sqlite;

namespace Corrie.Data;

/// <summary>A product of the company's catalogue.</summary>
/// <param name="Id">Its key, unique in the company.</param>
/// <param name="Kind">Word of its kind of product.</param>
/// <param name="Name">Plain description.</param>
/// <param name="Document">The item in the form of the job file.</param>
/// <param name="Version">Counts its changes, from 1.</param>
/// <param name="ChangedBy">Who changed it last.</param>
/// <param name="ChangedAt">When it was changed last.</param>
public sealed record CatalogueItem(string Id, string Kind, string Name, JsonObject Document, long Version, string ChangedBy, DateTimeOffset ChangedAt);

/// <summary>The company's catalogue. Jobs hold copies, so that a change here never moves a hole that is drilled already.</summary>
/// <param name="file">The company's file.</param>
/// <param name="time">The clock.</param>
public sealed class CatalogueStore(CompanyFile file, TimeProvider time)
{
    private const string Columns = "select id, kind, name, document, version, changed_by, changed_at from catalogue ";

    // Every page with a chooser asks for names, and they seldom change.
    private readonly ConcurrentDictionary<string, IReadOnlyList<(string Id, string Name)>> names = new();
    private readonly ConcurrentDictionary<string, (string Kind, string Json)?> kept = new();
    private long changes;

    /// <summary>All items of a kind, by name.</summary>
    /// <param name="kind">Word of the kind.</param>
    /// <returns>The items.</returns>
    public IReadOnlyList<CatalogueItem> List(string kind) => Query(Columns + "where kind = @kind order by name", new { kind });

    /// <summary>How often the catalogue has changed since it was opened: what was made from it before that is out of date.</summary>
    public long Changes => Interlocked.Read(ref changes);

    /// <summary>Keys and names of a kind, by name.</summary>
    /// <param name="kind">Word of the kind.</param>
    /// <returns>Keys and names.</returns>
    public IReadOnlyList<(string Id, string Name)> Names(string kind)
    {
        if (names.TryGetValue(kind, out var known))
        {
            return known;
        }

        var before = Changes;
        using var connection = file.Connect();
        List<(string, string)> read = [.. connection.Query<(string, string)>("select id, name from catalogue where kind = @kind order by name", new { kind })];
        if (Changes == before)
        {
            names[kind] = read;
        }

        return read;
    }

    /// <summary>One item.</summary>
    /// <param name="id">Its key.</param>
    /// <returns>The item; null where there is none.</returns>
    public CatalogueItem? Find(string id) => Query(Columns + "where id = @id", new { id }).SingleOrDefault();

    /// <summary>One item as text, from memory: every wall compares its parts with it.</summary>
    /// <param name="id">Its key.</param>
    /// <returns>Its kind and its document; null where there is none.</returns>
    public (string Kind, string Json)? Kept(string id)
    {
        if (kept.TryGetValue(id, out var known))
        {
            return known;
        }

        var before = Changes;
        var found = Find(id) is { } item ? (item.Kind, item.Document.ToJsonString()) : ((string, string)?)null;
        if (Changes == before)
        {
            kept[id] = found;
        }

        return found;
    }

    /// <summary>Keeps an item, new or changed.</summary>
    /// <param name="id">Its key.</param>
    /// <param name="kind">Its kind.</param>
    /// <param name="document">The item.</param>
    /// <param name="version">The version that its author had before them; 0 for a new one.</param>
    /// <param name="author">Name that its author signs in with.</param>
    /// <returns>Whether it was kept; false where somebody else has changed it meanwhile.</returns>
    public bool Save(string id, string kind, JsonObject document, long version, string author) => Save(kind, [(id, document, version)], author).Count == 0;

    /// <summary>Keeps many items at once.</summary>
    /// <param name="kind">Their kind.</param>
    /// <param name="items">The items, each with its key and the version that its author had before them; 0 for a new one.</param>
    /// <param name="author">Name that their author signs in with.</param>
    /// <returns>Keys of those that were not kept, since somebody else has changed them meanwhile.</returns>
    public IReadOnlyList<string> Save(string kind, IReadOnlyList<(string Id, JsonObject Document, long Version)> items, string author)
    {
        using var connection = file.Connect();
        using var transaction = connection.BeginTransaction();
        List<string> refused = [.. items.Where(i => !Save(connection, transaction, i.Id, kind, i.Document, i.Version, author)).Select(i => i.Id)];
        transaction.Commit();
        Interlocked.Increment(ref changes);
        names.Clear();
        kept.Clear();
        return refused;
    }

    private bool Save(SqliteConnection connection, SqliteTransaction transaction, string id, string kind, JsonObject document, long version, string author) =>
        connection.Execute(
            version == 0
                ? """
                  insert into catalogue (id, kind, name, document, changed_by, changed_at)
                  values (@id, @kind, @name, @json, @author, @now) on conflict do nothing
                  """
                : """
                  update catalogue set name = @name, document = @json, version = version + 1, changed_by = @author, changed_at = @now
                  where id = @id and version = @version
                  """,
            new { id, kind, name = document["name"]!.GetValue<string>(), json = document.ToJsonString(), version, author, now = SqliteTime.Of(time.GetUtcNow()) },
            transaction) == 1;

    private List<CatalogueItem> Query(string sql, object arguments)
    {
        using var connection = file.Connect();
        return
        [
            .. connection.Query<(string Id, string Kind, string Name, string Document, long Version, string By, string At)>(sql, arguments)
                .Select(r => new CatalogueItem(r.Id, r.Kind, r.Name, (JsonObject)JsonNode.Parse(r.Document)!, r.Version, r.By, SqliteTime.Time(r.At))),
        ];
    }
}
