using System.Collections.Immutable;
using System.Text.Json.Nodes;
using Corrie.Core.Format;

namespace Corrie.Core.Jobs;

/// <summary>
/// The entries of a job and the document that they fold into. An entry that names what it replaces takes its place; one that does not
/// know of a newer value becomes its rival, and both stay until somebody chooses. Taking back a batch makes its entries count for nothing.
/// Immutable: entries that come later make a new ledger, which goes on from where this one was.
/// </summary>
public sealed class Ledger
{
    private static readonly Ledger Nothing = new([], ImmutableDictionary<string, Entry>.Empty, [], new([], ImmutableSortedSet.Create<string>(StringComparer.Ordinal)), []);

    private readonly ImmutableDictionary<string, Entry> byId;
    private readonly ImmutableHashSet<string> struck;
    private readonly Heads heads;

    private Ledger(ImmutableList<Entry> entries, ImmutableDictionary<string, Entry> byId, ImmutableHashSet<string> struck, Heads heads, JsonObject document)
    {
        Entries = entries;
        this.byId = byId;
        this.struck = struck;
        this.heads = heads;
        Document = document;
    }

    /// <summary>Every entry, in order of receipt.</summary>
    public IReadOnlyList<Entry> Entries { get; }

    /// <summary>The sheet as it stands; not to be changed.</summary>
    public JsonObject Document { get; }

    /// <summary>The last entry's place; 0 for none.</summary>
    public long Seq => Entries.Count == 0 ? 0 : Entries[^1].Seq;

    /// <summary>Parts with more than one value.</summary>
    public IReadOnlyList<Rivals> Rivals =>
        [.. heads.ByPath.Where(h => h.Value.Count > 1).Select(h => new Rivals(h.Key, h.Value[0], [.. h.Value.Skip(1)])).OrderBy(r => r.Path, StringComparer.Ordinal)];

    /// <summary>Folds entries.</summary>
    /// <param name="entries">Entries in order of receipt.</param>
    /// <returns>The ledger.</returns>
    public static Ledger Fold(IReadOnlyList<Entry> entries)
    {
        if (entries.Count == 0)
        {
            return Nothing;
        }

        var struck = StruckBy(entries);
        var byId = entries.ToImmutableDictionary(e => e.Id);
        var folding = new Folding(byId, struck);
        foreach (var entry in entries.Where(e => e.Undoes is null && e.SetsAside is null && !struck.Contains(e.Batch)))
        {
            folding.Put(entry);
        }

        var document = new JsonObject();
        foreach (var entry in folding.InForce)
        {
            Pointer.Set(document, entry.Path, entry.Value);
        }

        return new([.. entries], byId, [.. struck], folding.ToHeads(), document);
    }

    /// <summary>The ledger with entries that came later. Unless something is taken back, only what they are about is looked at.</summary>
    /// <param name="later">Entries in order of receipt, after all that are here.</param>
    /// <returns>The same ledger as folding all of them from the beginning.</returns>
    public Ledger After(IReadOnlyList<Entry> later)
    {
        // What is taken back can bring to light anything that lay under it; and a whole sheet is a new beginning.
        if (later.Any(e => e.Undoes is not null || e.Path.Length == 0))
        {
            return Fold([.. Entries, .. later]);
        }

        var ids = byId.AddRange(later.Select(e => KeyValuePair.Create(e.Id, e)));
        var document = (JsonObject)Document.DeepClone();
        var now = heads;
        foreach (var entry in later)
        {
            now = now.With(entry, Replaced(entry, ids, struck), out var covered);
            if (ReferenceEquals(now.ByPath[entry.Path][0], entry) && entry.Value is not null)
            {
                Pointer.Set(document, entry.Path, entry.Value);
            }
            else if (ReferenceEquals(now.ByPath[entry.Path][0], entry) || covered)
            {
                Rebuild(document, Pointer.Split(entry.Path)[0], now);
            }
        }

        return new(((ImmutableList<Entry>)Entries).AddRange(later), ids, struck, now, document);
    }

    /// <summary>The ledger as it was at an earlier place.</summary>
    /// <param name="seq">The last place that counts.</param>
    /// <returns>The ledger of the entries up to there.</returns>
    public Ledger At(long seq) => seq >= Seq ? this : Fold([.. Entries.TakeWhile(e => e.Seq <= seq)]);

    /// <summary>What has changed since an earlier place.</summary>
    /// <param name="seq">A place of this job's entries.</param>
    /// <returns>JSON Pointers of all that may have changed; null where anything may have.</returns>
    public IReadOnlyCollection<string>? ChangedSince(long seq)
    {
        var paths = new HashSet<string>();
        for (var i = Entries.Count - 1; i >= 0 && Entries[i].Seq > seq; i--)
        {
            if (Entries[i].Undoes is not null || Entries[i].Path.Length == 0)
            {
                return null;
            }

            paths.Add(Entries[i].Path);
        }

        return paths;
    }

    /// <summary>The entries that hold a part now: what a new entry to it replaces.</summary>
    /// <param name="path">JSON Pointer of the part.</param>
    /// <returns>Their ids; none where nobody has entered just that part.</returns>
    public IReadOnlyList<string> HoldersOf(string path) => heads.ByPath.TryGetValue(path, out var holders) ? [.. holders.Select(e => e.Id)] : [];

    /// <summary>An entry.</summary>
    /// <param name="id">Its id.</param>
    /// <returns>The entry; null where there is none.</returns>
    public Entry? Find(string id) => byId.GetValueOrDefault(id);

    /// <summary>Where somebody stands among their submits: what an undo takes back next, and what a redo does again.</summary>
    /// <remarks>Both walk: undo after undo goes back submit by submit, redo comes forward again by the same way, and a new entry of the same person ends that way.</remarks>
    /// <param name="author">Who would do it.</param>
    /// <param name="others">The last place at which others' submits count as well, for a lead that has seen them; 0 where they do not.</param>
    /// <returns>An entry of the submit to take back, and the undoing to take back; null where there is none.</returns>
    public (Entry? Undo, Entry? Redo) Walk(string author, long others)
    {
        var done = new List<Entry>();
        var undone = new List<(string Batch, Entry By)>();
        // An undoing may itself be taken back, and so on: what counts is the submit at its root.
        var roots = new Dictionary<string, (string Batch, bool TakesBack)>();
        foreach (var entry in Entries.Where(e => e.SetsAside is null && (e.Undoes is not null || e.Path.Length > 0)))
        {
            var counts = entry.Author == author || entry.Seq <= others;
            if (entry.Undoes is not { } batch)
            {
                if (counts && (done.Count == 0 || done[^1].Batch != entry.Batch))
                {
                    done.Add(entry);
                }

                if (entry.Author == author)
                {
                    undone.Clear();
                }

                continue;
            }

            var (root, takesBack) = roots[entry.Batch] = roots.TryGetValue(batch, out var of) ? (of.Batch, !of.TakesBack) : (batch, true);
            if (takesBack)
            {
                Drop(done, e => e.Batch == root);
                if (counts)
                {
                    undone.Add((root, entry));
                }
            }
            else
            {
                Drop(undone, u => u.Batch == root);
                if (Entries.FirstOrDefault(e => e.Batch == root) is { } again && (again.Author == author || again.Seq <= others))
                {
                    done.Add(again);
                }
            }
        }

        return (done.FindLast(InForce), undone.FindLast(u => InForce(u.By)).By);

        static void Drop<T>(List<T> list, Predicate<T> which)
        {
            if (list.FindLastIndex(which) is >= 0 and var at)
            {
                list.RemoveAt(at);
            }
        }
    }

    /// <summary>What stood at a part before an entry: for the history.</summary>
    /// <remarks>Only what is about that part, or about a whole or a part of it, has a say.</remarks>
    /// <param name="entry">An entry of this ledger.</param>
    /// <returns>The value; null where there was none.</returns>
    public JsonNode? Before(Entry entry) => Pointer.Get(
        Fold([.. Entries.TakeWhile(e => e.Seq < entry.Seq)
            .Where(e => e.Undoes is not null || Pointer.Covers(e.Path, entry.Path) || Pointer.Covers(entry.Path, e.Path))]).Document,
        entry.Path);

    /// <summary>Whether an entry counts.</summary>
    /// <param name="entry">An entry of this ledger.</param>
    /// <returns>False where it has been taken back.</returns>
    public bool InForce(Entry entry) => !struck.Contains(entry.Batch);

    // From the last to the first: an undoing that counts strikes out its batch, which may itself be an undoing.
    private static HashSet<string> StruckBy(IReadOnlyList<Entry> entries)
    {
        var struck = new HashSet<string>();
        for (var i = entries.Count - 1; i >= 0; i--)
        {
            if (entries[i].Undoes is { } batch && !struck.Contains(entries[i].Batch))
            {
                struck.Add(batch);
            }
        }

        return struck;
    }

    // An entry that replaced one that was since taken back replaces what that one had replaced.
    private static HashSet<string> Replaced(Entry entry, IReadOnlyDictionary<string, Entry> byId, IReadOnlySet<string> struck)
    {
        var all = new HashSet<string>();
        var open = new Stack<string>(entry.Replaces);
        while (open.TryPop(out var id))
        {
            if (all.Add(id) && byId.TryGetValue(id, out var gone) && struck.Contains(gone.Batch))
            {
                foreach (var earlier in gone.Replaces)
                {
                    open.Push(earlier);
                }
            }
        }

        return all;
    }

    // Taking a value away leaves no trace of what it had made: the whole member of the root is put together again from all that holds there.
    private static void Rebuild(JsonObject document, string member, Heads heads)
    {
        var whole = "/" + member.Replace("~", "~0").Replace("/", "~1");
        var alone = new JsonObject();
        if (heads.ByPath.TryGetValue(string.Empty, out var roots) && (roots[0].Value as JsonObject)?[member] is { } first)
        {
            alone[member] = first.DeepClone();
        }

        foreach (var path in heads.Within(whole).Append(whole).Where(heads.ByPath.ContainsKey).Select(p => heads.ByPath[p][0]).OrderBy(e => e.Seq).ToList())
        {
            Pointer.Set(alone, path.Path, path.Value);
        }

        document.Remove(member);
        if (alone[member] is { } value)
        {
            document[member] = value.DeepClone();
        }
    }

    /// <summary>The entries that hold each part, and the parts in order.</summary>
    private sealed record Heads(ImmutableDictionary<string, ImmutableList<Entry>> ByPath, ImmutableSortedSet<string> Paths)
    {
        /// <summary>The parts inside a whole, which lie together in the order of the paths.</summary>
        public IEnumerable<string> Within(string whole)
        {
            var start = whole + '/';
            var at = Paths.IndexOf(start);
            for (var i = at < 0 ? ~at : at; i < Paths.Count && Paths[i].StartsWith(start, StringComparison.Ordinal); i++)
            {
                yield return Paths[i];
            }
        }

        public Heads With(Entry entry, HashSet<string> replaced, out bool covered)
        {
            // A whole takes the place of all its parts.
            var inner = Within(entry.Path).ToList();
            covered = inner.Count > 0;
            var holders = ByPath.GetValueOrDefault(entry.Path, []).RemoveAll(h => replaced.Contains(h.Id)).Add(entry);
            return new(ByPath.RemoveRange(inner).SetItem(entry.Path, holders), Paths.Except(inner).Add(entry.Path));
        }
    }

    /// <summary>The same, while many entries are folded at once.</summary>
    private sealed class Folding(IReadOnlyDictionary<string, Entry> byId, HashSet<string> struck)
    {
        private readonly Dictionary<string, List<Entry>> heads = [];
        private readonly SortedSet<string> paths = new(StringComparer.Ordinal);

        public IEnumerable<Entry> InForce => heads.Values.Select(h => h[0]).OrderBy(e => e.Seq);

        public void Put(Entry entry)
        {
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

            var replaced = Replaced(entry, byId, struck);
            holders.RemoveAll(h => replaced.Contains(h.Id));
            holders.Add(entry);
        }

        public Heads ToHeads() => new(heads.ToImmutableDictionary(h => h.Key, h => h.Value.ToImmutableList()), paths.ToImmutableSortedSet(StringComparer.Ordinal));
    }
}
