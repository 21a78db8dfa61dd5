using System.Text.Json.Nodes;
using Corrie.Core.Jobs.Format;

namespace Corrie.Core.Jobs.Entries;

/// <summary>
/// The entries of a job and the document that they fold into. An entry that names what it replaces takes its place; one that does not
/// know of a newer value becomes its rival, and both stay until somebody chooses. Taking back a batch makes its entries count for nothing.
/// </summary>
public sealed class Ledger
{
    private readonly List<Entry> effective;
    private readonly HashSet<string> counts;
    private readonly Dictionary<string, List<Entry>> heads = [];
    private readonly SortedSet<string> paths = new(StringComparer.Ordinal);

    private Ledger(IReadOnlyList<Entry> entries)
    {
        Entries = entries;
        effective = Effective(entries);
        var byId = entries.ToDictionary(e => e.Id);
        counts = [.. effective.Select(e => e.Id)];
        foreach (var entry in effective.Where(e => e.Undoes is null))
        {
            Put(entry, byId);
        }

        Document = [];
        foreach (var entry in effective)
        {
            if (heads.TryGetValue(entry.Path, out var holders) && holders.Count > 0 && ReferenceEquals(holders[0], entry))
            {
                Pointer.Set(Document, entry.Path, entry.Value);
            }
        }
    }

    /// <summary>Every entry, in order of receipt.</summary>
    public IReadOnlyList<Entry> Entries { get; }

    /// <summary>The sheet as it stands; not to be changed.</summary>
    public JsonObject Document { get; }

    /// <summary>The last entry's place; 0 for none.</summary>
    public long Seq => Entries.Count == 0 ? 0 : Entries[^1].Seq;

    /// <summary>Parts with more than one value.</summary>
    public IReadOnlyList<Rivals> Rivals =>
        [.. heads.Where(h => h.Value.Count > 1).Select(h => new Rivals(h.Key, h.Value[0], [.. h.Value.Skip(1)])).OrderBy(r => r.Path, StringComparer.Ordinal)];

    /// <summary>Folds entries.</summary>
    /// <param name="entries">Entries in order of receipt.</param>
    public static Ledger Fold(IReadOnlyList<Entry> entries) => new(entries);

    /// <summary>The entries that hold a part now: what a new entry to it replaces.</summary>
    public IReadOnlyList<string> HoldersOf(string path) => heads.TryGetValue(path, out var holders) ? [.. holders.Select(e => e.Id)] : [];

    /// <summary>The last batch in force that somebody may take back: their own, or, for a lead, anybody's.</summary>
    /// <param name="author">Who would take it back.</param>
    /// <param name="anybodys">Whether others' batches count as well.</param>
    public Entry? LastToUndo(string author, bool anybodys) =>
        effective.LastOrDefault(e => e.Undoes is null && e.Path.Length > 0 && (anybodys || e.Author == author));

    /// <summary>The last undoing in force that somebody may take back, as long as nothing ordinary was entered after it by the same person.</summary>
    public Entry? LastToRedo(string author, bool anybodys)
    {
        var last = effective.LastOrDefault(e => anybodys || e.Author == author);
        return last is { Undoes: not null } ? last : null;
    }

    /// <summary>What stood at a part before an entry: for the history.</summary>
    /// <remarks>Only what is about that part, or about a whole or a part of it, has a say.</remarks>
    public JsonNode? Before(Entry entry) => Pointer.Get(
        Fold([.. Entries.TakeWhile(e => e.Seq < entry.Seq)
            .Where(e => e.Undoes is not null || Pointer.Covers(e.Path, entry.Path) || Pointer.Covers(entry.Path, e.Path))]).Document,
        entry.Path);

    /// <summary>Whether an entry counts: it has not been taken back.</summary>
    public bool InForce(Entry entry) => counts.Contains(entry.Id);

    // From the last to the first: an undoing that counts strikes out its batch, which may itself be an undoing.
    private static List<Entry> Effective(IReadOnlyList<Entry> entries)
    {
        var struck = new HashSet<string>();
        var kept = new List<Entry>(entries.Count);
        for (var i = entries.Count - 1; i >= 0; i--)
        {
            var entry = entries[i];
            if (struck.Contains(entry.Batch))
            {
                continue;
            }

            kept.Add(entry);
            if (entry.Undoes is { } batch)
            {
                struck.Add(batch);
            }
        }

        kept.Reverse();
        return kept;
    }

    private void Put(Entry entry, Dictionary<string, Entry> byId)
    {
        // A whole takes the place of all its parts, which lie together in the order of the paths.
        var within = entry.Path + '/';
        foreach (var inner in paths.GetViewBetween(within, within + char.MaxValue).ToList())
        {
            heads.Remove(inner);
            paths.Remove(inner);
        }

        if (!heads.TryGetValue(entry.Path, out var holders))
        {
            heads[entry.Path] = holders = [];
            paths.Add(entry.Path);
        }

        var replaced = Replaced(entry, byId);
        holders.RemoveAll(h => replaced.Contains(h.Id));
        holders.Add(entry);
    }

    // An entry that replaced one that was since taken back replaces what that one had replaced.
    private HashSet<string> Replaced(Entry entry, Dictionary<string, Entry> byId)
    {
        var all = new HashSet<string>();
        var open = new Stack<string>(entry.Replaces);
        while (open.TryPop(out var id))
        {
            if (all.Add(id) && !counts.Contains(id) && byId.TryGetValue(id, out var gone))
            {
                foreach (var earlier in gone.Replaces)
                {
                    open.Push(earlier);
                }
            }
        }

        return all;
    }
}
