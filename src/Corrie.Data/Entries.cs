using System.Collections.Concurrent;
using System.Text.Json;
using System.Text.Json.Nodes;
using System.Threading.Channels;
using Corrie.Core.Jobs.Entries;
using Dapper;
using Microsoft.Data.Sqlite;

namespace Corrie.Data;

/// <summary>An entry as it comes in, before it has a place.</summary>
/// <param name="Id">Unique name, made by the client.</param>
/// <param name="Path">JSON Pointer into the sheet.</param>
/// <param name="Value">The new value; null takes the part away.</param>
/// <param name="Replaces">The entries it replaces.</param>
/// <param name="Undoes">The batch it takes back.</param>
/// <param name="TakenAt">When it was entered; null for now.</param>
public sealed record NewEntry(
    string Id, string Path, JsonNode? Value, IReadOnlyList<string> Replaces, string? Undoes = null, DateTimeOffset? TakenAt = null);

/// <summary>
/// The append-only entries of all jobs. Appends of many callers that arrive together are committed together, so that one wait for the
/// disk serves them all; each caller is answered when its own entries are on the disk.
/// </summary>
public sealed class EntryStore : IAsyncDisposable
{
    private const int MostTogether = 256;

    private readonly CompanyFile file;
    private readonly TimeProvider time;
    private readonly ConcurrentDictionary<long, Journal> journals = new();
    private readonly Channel<Pending> queue = Channel.CreateUnbounded<Pending>(new() { SingleReader = true });
    private readonly Task writing;

    /// <summary>Opens the entries of a company's file.</summary>
    public EntryStore(CompanyFile file, TimeProvider time)
    {
        this.file = file;
        this.time = time;
        writing = Task.Factory.StartNew(Write, CancellationToken.None, TaskCreationOptions.LongRunning, TaskScheduler.Default);
    }

    /// <summary>Raised after entries are on the disk: the job and its last entry's place.</summary>
    public event Action<long, long>? Moved;

    /// <summary>The job's entries, folded; null where there is no such job.</summary>
    public Ledger? Read(long job) => JournalOf(job)?.Ledger;

    /// <summary>Appends the entries of one press, together or not at all. Entries that are there already are left as they are.</summary>
    /// <returns>The entries as they stand, with their places; null where there is no such job.</returns>
    public async Task<IReadOnlyList<Entry>?> Append(long job, string author, string device, IReadOnlyList<NewEntry> entries)
    {
        if (JournalOf(job) is not { } journal)
        {
            return null;
        }

        var append = new Pending(job, journal, author, device, entries, new(TaskCreationOptions.RunContinuationsAsynchronously));
        await queue.Writer.WriteAsync(append);
        return await append.Done.Task;
    }

    /// <summary>Waits until all that was handed in is written, and stops.</summary>
    public async ValueTask DisposeAsync()
    {
        queue.Writer.TryComplete();
        await writing;
    }

    private Journal? JournalOf(long job)
    {
        if (journals.TryGetValue(job, out var journal))
        {
            return journal;
        }

        using var connection = file.Connect();
        if (connection.ExecuteScalar<long?>("select id from jobs where id = @job", new { job }) is null)
        {
            return null;
        }

        return journals.GetOrAdd(job, _ => new(Load(connection, job)));
    }

    private static List<Entry> Load(SqliteConnection connection, long job) =>
    [
        .. connection.Query<Row>(
            """
            select entry_id Id, seq Seq, path Path, value Value, replaces Replaces, undoes Undoes, batch Batch, author Author,
              taken_at TakenAt, received_at ReceivedAt, device Device
            from entries where job = @job order by seq
            """,
            new { job }).Select(r => new Entry(
                r.Id,
                r.Seq,
                r.Path,
                r.Value is null ? null : JsonNode.Parse(r.Value),
                JsonSerializer.Deserialize<List<string>>(r.Replaces)!,
                r.Undoes,
                r.Batch,
                r.Author,
                Text.Time(r.TakenAt),
                Text.Time(r.ReceivedAt),
                r.Device)),
    ];

    private void Write()
    {
        using var connection = file.Connect();
        var together = new List<Pending>();
        while (queue.Reader.WaitToReadAsync().AsTask().GetAwaiter().GetResult())
        {
            together.Clear();
            while (together.Count < MostTogether && queue.Reader.TryRead(out var append))
            {
                together.Add(append);
            }

            if (!Commit(connection, together))
            {
                // One of them is bad: each by itself, so that only that one fails.
                foreach (var append in together)
                {
                    Commit(connection, [append]);
                }
            }
        }
    }

    private bool Commit(SqliteConnection connection, List<Pending> together)
    {
        var written = new List<(Pending Append, List<Entry> All, List<Entry> Fresh)>(together.Count);
        var seqs = new Dictionary<long, long>();
        var fresh = new Dictionary<(long Job, string Id), Entry>();
        try
        {
            using var transaction = connection.BeginTransaction();
            var now = time.GetUtcNow();
            foreach (var append in together)
            {
                var all = new List<Entry>();
                var mine = new List<Entry>();
                foreach (var entry in append.Entries)
                {
                    if ((fresh.GetValueOrDefault((append.Job, entry.Id)) ?? append.Journal.Find(entry.Id)) is { } twin)
                    {
                        all.Add(twin);
                        continue;
                    }

                    var seq = seqs.GetValueOrDefault(append.Job, append.Journal.Seq) + 1;
                    seqs[append.Job] = seq;
                    var made = new Entry(
                        entry.Id, seq, entry.Path, entry.Value?.DeepClone(), entry.Replaces, entry.Undoes, append.Entries[0].Id, append.Author, entry.TakenAt ?? now, now, append.Device);
                    Insert(connection, transaction, append.Job, made);
                    fresh[(append.Job, entry.Id)] = made;
                    all.Add(made);
                    mine.Add(made);
                }

                written.Add((append, all, mine));
            }

            foreach (var (job, seq) in seqs)
            {
                connection.Execute("update jobs set seq = @seq, moved_at = @now where id = @job", new { seq, job, now = Text.Of(now) }, transaction);
            }

            transaction.Commit();
        }
        catch (Exception e)
        {
            // Whatever it was, it belongs to the caller whose entries it was about.
            if (together.Count == 1)
            {
                together[0].Done.SetException(e);
                return true;
            }

            return false;
        }

        foreach (var (append, _, mine) in written)
        {
            append.Journal.Add(mine);
        }

        foreach (var (job, seq) in seqs)
        {
            Moved?.Invoke(job, seq);
        }

        foreach (var (append, all, _) in written)
        {
            append.Done.SetResult(all);
        }

        return true;
    }

    private static void Insert(SqliteConnection connection, SqliteTransaction transaction, long job, Entry e) => connection.Execute(
        """
        insert into entries (job, seq, entry_id, path, value, replaces, undoes, batch, author, taken_at, received_at, device)
        values (@job, @Seq, @Id, @Path, @value, @replaces, @Undoes, @Batch, @Author, @taken, @received, @Device)
        """,
        new
        {
            job,
            e.Seq,
            e.Id,
            e.Path,
            value = e.Value?.ToJsonString(),
            replaces = JsonSerializer.Serialize(e.Replaces),
            e.Undoes,
            e.Batch,
            e.Author,
            taken = Text.Of(e.TakenAt),
            received = Text.Of(e.ReceivedAt),
            e.Device,
        },
        transaction);

    private sealed record Pending(
        long Job, Journal Journal, string Author, string Device, IReadOnlyList<NewEntry> Entries, TaskCompletionSource<IReadOnlyList<Entry>> Done);

    // A job's entries in memory; folded when somebody reads them, and only once.
    private sealed class Journal
    {
        private readonly Lock door = new();
        private readonly List<Entry> entries;
        private readonly Dictionary<string, Entry> byId;
        private Ledger? ledger;

        public Journal(List<Entry> entries)
        {
            this.entries = entries;
            byId = entries.ToDictionary(e => e.Id);
        }

        public long Seq => entries.Count == 0 ? 0 : entries[^1].Seq;

        public Ledger Ledger
        {
            get
            {
                lock (door)
                {
                    return ledger ??= Ledger.Fold([.. entries]);
                }
            }
        }

        public Entry? Find(string id)
        {
            lock (door)
            {
                return byId.GetValueOrDefault(id);
            }
        }

        public void Add(List<Entry> added)
        {
            lock (door)
            {
                foreach (var entry in added)
                {
                    entries.Add(entry);
                    byId.Add(entry.Id, entry);
                }

                ledger = null;
            }
        }
    }

    private sealed class Row
    {
        public string Id { get; init; } = string.Empty;

        public long Seq { get; init; }

        public string Path { get; init; } = string.Empty;

        public string? Value { get; init; }

        public string Replaces { get; init; } = string.Empty;

        public string? Undoes { get; init; }

        public string Batch { get; init; } = string.Empty;

        public string Author { get; init; } = string.Empty;

        public string TakenAt { get; init; } = string.Empty;

        public string ReceivedAt { get; init; } = string.Empty;

        public string Device { get; init; } = string.Empty;
    }
}
