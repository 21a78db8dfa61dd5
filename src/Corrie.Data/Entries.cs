using System.Text.Json;
using System.Text.Json.Nodes;
using System.Threading.Channels;
using Corrie.Core.Jobs;
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

/// <summary>Why a job cannot be read: it costs that job alone.</summary>
/// <param name="job">The job's key.</param>
/// <param name="words">Why, in words.</param>
/// <param name="cause">What went wrong underneath.</param>
/// <param name="entry">The place of the entry that does it; null where that is not known.</param>
public sealed class DamagedJobException(long job, string words, Exception? cause = null, long? entry = null) : Exception(words, cause)
{
    /// <summary>The job's key.</summary>
    public long Job { get; } = job;

    /// <summary>The place of the entry that does it; null where that is not known.</summary>
    public long? Entry { get; } = entry;
}

/// <summary>Why an entry is not taken: another one of the job has its id, with other content.</summary>
/// <param name="id">The id.</param>
public sealed class EntryIdTakenException(string id) : Exception($"There is an entry '{id}' already, with other content. Expected: a new id for a new entry; the same content for one that is sent again.");

/// <summary>An entry as it lies in the file, whether or not it can be read.</summary>
/// <param name="Seq">Its place.</param>
/// <param name="Author">Name that its author signs in with.</param>
/// <param name="ReceivedAt">When it was received, as text.</param>
/// <param name="Path">The part that it is about.</param>
/// <param name="Value">Its value as text; null where it takes the part away.</param>
/// <param name="Undoes">The batch that it takes back.</param>
/// <param name="SetsAside">The place of the entry that it sets aside.</param>
public sealed record RawEntry(long Seq, string Author, string ReceivedAt, string Path, string? Value, string? Undoes, long? SetsAside);

/// <summary>
/// The append-only entries of all jobs. Appends of many callers that arrive together are committed together, so that one wait for the
/// disk serves them all; each caller is answered when its own entries are on the disk. What nobody has used for long is let go.
/// </summary>
public sealed class EntryStore : IAsyncDisposable
{
    private const int MostTogether = 256;
    private const int MostJournals = 128;

    private readonly CompanyFile file;
    private readonly TimeProvider time;
    private readonly RecentlyUsed<long, Journal> journals = new(MostJournals);
    private readonly Channel<Pending> queue = Channel.CreateUnbounded<Pending>(new() { SingleReader = true });
    private readonly Task writing;

    /// <summary>Opens the entries of a company's file.</summary>
    /// <param name="file">The file.</param>
    /// <param name="time">The clock.</param>
    public EntryStore(CompanyFile file, TimeProvider time)
    {
        this.file = file;
        this.time = time;
        writing = Task.Factory.StartNew(Write, CancellationToken.None, TaskCreationOptions.LongRunning, TaskScheduler.Default);
    }

    /// <summary>Raised after entries are on the disk: the job and its last entry's place.</summary>
    public event Action<long, long>? Moved;

    /// <summary>The job's entries, folded.</summary>
    /// <param name="job">The job's key.</param>
    /// <returns>The ledger; null where there is no such job.</returns>
    /// <exception cref="DamagedJobException">The entries cannot be read.</exception>
    public Ledger? Read(long job) => JournalOf(job).Ledger;

    /// <summary>The job's entries as they lie in the file, latest first: also those of a job that cannot be read.</summary>
    /// <param name="job">The job's key.</param>
    /// <param name="most">How many at the most.</param>
    /// <returns>The entries.</returns>
    public IReadOnlyList<RawEntry> ReadRaw(long job, int most)
    {
        using var connection = file.Connect();
        return
        [
            .. connection.Query<(long, string, string, string, string?, string?, long?)>(
                "select seq, author, received_at, path, value, undoes, sets_aside from entries where job = @job order by seq desc limit @most", new { job, most })
                .Select(r => new RawEntry(r.Item1, r.Item2, r.Item3, r.Item4, r.Item5, r.Item6, r.Item7)),
        ];
    }

    /// <summary>Whether a photo is, or was, pinned to a job.</summary>
    /// <param name="job">The job's key.</param>
    /// <param name="name">The photo's name.</param>
    /// <returns>Whether it was; the job's entries are not read for it.</returns>
    public bool HasPhoto(long job, string name)
    {
        using var connection = file.Connect();
        return connection.ExecuteScalar<long>("select count(*) from job_photos where job = @job and name = @name", new { job, name }) > 0;
    }

    /// <summary>Jobs in whose entries a part of the sheet is spoken of, archived ones left out: what stands there now is for the sheet to say.</summary>
    /// <param name="part">Name of the part, such as <c>visits</c>.</param>
    /// <returns>Their keys, the one that moved last first; no sheet is read for it.</returns>
    public IReadOnlyList<long> JobsThatSay(string part)
    {
        using var connection = file.Connect();
        return
        [
            .. connection.Query<long>(
                """
                select j.id from jobs j where j.state <> @archived and exists
                  (select 1 from entries e where e.job = j.id and (e.path = @whole or e.path like @under or (e.path = '' and e.value like @named))) order by j.moved_at desc
                """,
                new { archived = JobSummary.Archived, whole = "/" + part, under = $"/{part}/%", named = $"%\"{part}\":%" }),
        ];
    }

    /// <summary>Appends the entries of one submit, together or not at all. Entries that are there already are left as they are.</summary>
    /// <param name="job">The job's key.</param>
    /// <param name="author">Name that its author signs in with.</param>
    /// <param name="device">On which device.</param>
    /// <param name="entries">The entries, in their order.</param>
    /// <returns>The entries as they stand, with their places; null where there is no such job.</returns>
    /// <exception cref="DamagedJobException">The job's entries cannot be read.</exception>
    /// <exception cref="EntryIdTakenException">Another entry of the job has the id of one of them.</exception>
    /// <exception cref="FormatException">An entry is of a form that no ledger could fold; nothing is written.</exception>
    public async Task<IReadOnlyList<Entry>?> Append(long job, string author, string device, IReadOnlyList<NewEntry> entries)
    {
        foreach (var entry in entries)
        {
            if (EntryForm.Problem(entry.Id, entry.Path, entry.Replaces, entry.Undoes, entry.TakenAt, entry.Value) is { } problem)
            {
                throw new FormatException(problem);
            }
        }

        return await Written(new(job, author, device, entries, null));
    }

    /// <summary>Sets an entry aside: it stays in the file, and the job is read without it. For the entry that damages a job.</summary>
    /// <param name="job">The job's key.</param>
    /// <param name="author">Name that whoever does it signs in with.</param>
    /// <param name="device">On which device.</param>
    /// <param name="seq">The entry's place.</param>
    /// <returns>Whether it is set aside now; false where there is no such entry.</returns>
    public async Task<bool> SetAside(long job, string author, string device, long seq) => await Written(new(job, author, device, [], seq)) is not null;

    /// <summary>Waits until all that was handed in is written, and stops.</summary>
    /// <returns>When it has stopped.</returns>
    public async ValueTask DisposeAsync()
    {
        queue.Writer.TryComplete();
        await writing;
    }

    private async Task<IReadOnlyList<Entry>?> Written(Pending append)
    {
        await queue.Writer.WriteAsync(append);
        return await append.Done.Task;
    }

    private Journal JournalOf(long job) => journals.GetOrAdd(job, j => new(() => Load(j)));

    // Null where there is no such job.
    private Ledger? Load(long job)
    {
        using var connection = file.Connect();
        if (connection.ExecuteScalar<long?>("select id from jobs where id = @job", new { job }) is null)
        {
            return null;
        }

        var entries = new List<Entry>();
        foreach (var row in connection.Query<Row>(
            """
            select entry_id Id, seq Seq, path Path, value Value, replaces Replaces, undoes Undoes, batch Batch, author Author,
              taken_at TakenAt, received_at ReceivedAt, device Device, sets_aside SetsAside
            from entries where job = @job and seq not in (select sets_aside from entries where job = @job and sets_aside is not null) order by seq
            """,
            new { job }))
        {
            try
            {
                entries.Add(row.ToEntry());
            }
            catch (Exception e) when (e is JsonException or FormatException or InvalidOperationException)
            {
                throw new DamagedJobException(job, $"Entry {row.Seq} cannot be read: {e.Message}", e, row.Seq);
            }
        }

        try
        {
            return Ledger.Fold(entries);
        }
        catch (Exception e)
        {
            // Whatever it was that was written: it must not cost any other job.
            throw new DamagedJobException(job, $"Its {entries.Count} entries do not make a sheet: {e.Message}", e, FirstBad(entries, before => Ledger.Fold(before)));
        }
    }

    /// <summary>The first of a job's entries with which something cannot be done any more.</summary>
    /// <param name="entries">The entries, with all of which it cannot.</param>
    /// <param name="attempt">What cannot be done; it throws.</param>
    /// <returns>Its place.</returns>
    public static long FirstBad(IReadOnlyList<Entry> entries, Action<IReadOnlyList<Entry>> attempt)
    {
        var (good, bad) = (0, entries.Count);
        while (bad - good > 1)
        {
            var middle = (good + bad) / 2;
            try
            {
                attempt([.. entries.Take(middle)]);
                good = middle;
            }
            catch (Exception e) when (e is not OutOfMemoryException)
            {
                // That it fails is the answer.
                bad = middle;
            }
        }

        return entries[bad - 1].Seq;
    }

    private void Write()
    {
        var together = new List<Pending>();
        while (queue.Reader.WaitToReadAsync().AsTask().GetAwaiter().GetResult())
        {
            together.Clear();
            SqliteConnection connection;
            try
            {
                // From the pool, and anew each time: one on which the disk has failed is no good afterwards.
                connection = file.Connect();
            }
            catch (SqliteException e)
            {
                while (queue.Reader.TryRead(out var waiting))
                {
                    waiting.Done.SetException(e);
                }

                continue;
            }

            using var open = connection;
            while (together.Count < MostTogether && queue.Reader.TryRead(out var append))
            {
                together.Add(append);
            }

            // Setting aside is of a job that cannot be read, so that it has nothing in common with what else came.
            if (together.Exists(a => a.Aside is not null) || !Commit(connection, together))
            {
                // One of them is bad: each by itself, so that only that one fails.
                foreach (var append in together)
                {
                    if (append.Aside is { } seq)
                    {
                        CommitAside(connection, append, seq);
                    }
                    else
                    {
                        Commit(connection, [append]);
                    }
                }
            }
        }
    }

    private void CommitAside(SqliteConnection connection, Pending append, long seq)
    {
        try
        {
            using var transaction = connection.BeginTransaction();
            var there = connection.ExecuteScalar<long>(
                "select count(*) from entries where job = @Job and seq = @seq and sets_aside is null and seq not in (select sets_aside from entries where job = @Job and sets_aside is not null)",
                new { append.Job, seq }, transaction);
            if (there == 0)
            {
                append.Done.SetResult(null);
                return;
            }

            var now = time.GetUtcNow();
            var id = Guid.NewGuid().ToString("N");
            var last = connection.ExecuteScalar<long>("select max(seq) from entries where job = @Job", new { append.Job }, transaction);
            var made = new Entry(id, last + 1, string.Empty, null, [], null, id, append.Author, now, now, append.Device) { SetsAside = seq };
            Insert(connection, transaction, append.Job, made);
            connection.Execute("update jobs set seq = @Seq, moved_at = @now where id = @Job", new { made.Seq, append.Job, now = SqliteTime.Of(now) }, transaction);
            transaction.Commit();
            journals.Remove(append.Job);
            Moved?.Invoke(append.Job, made.Seq);
            append.Done.SetResult([made]);
        }
        catch (Exception e)
        {
            // Whoever wanted it is told, and the others' entries go on.
            append.Done.SetException(e);
        }
    }

    private bool Commit(SqliteConnection connection, List<Pending> together)
    {
        var written = new List<(Pending Append, List<Entry>? All)>(together.Count);
        var touched = new Dictionary<long, (Journal Journal, long Seq, List<Entry> Fresh)>();
        var fresh = new Dictionary<(long Job, string Id), Entry>();
        try
        {
            using var transaction = connection.BeginTransaction();
            var now = time.GetUtcNow();
            foreach (var append in together)
            {
                if (!touched.TryGetValue(append.Job, out var at))
                {
                    var journal = JournalOf(append.Job);
                    if (journal.Ledger is not { } ledger)
                    {
                        written.Add((append, null));
                        continue;
                    }

                    at = (journal, ledger.Seq, []);
                }

                var all = new List<Entry>();
                foreach (var entry in append.Entries)
                {
                    if ((fresh.GetValueOrDefault((append.Job, entry.Id)) ?? at.Journal.Ledger!.Find(entry.Id)) is { } twin)
                    {
                        // Sent again it is answered again; what it replaces was worked out the first time.
                        all.Add(twin.Path == entry.Path && twin.Undoes == entry.Undoes && JsonNode.DeepEquals(twin.Value, entry.Value) ? twin : throw new EntryIdTakenException(entry.Id));
                        continue;
                    }

                    var made = new Entry(
                        entry.Id, ++at.Seq, entry.Path, entry.Value?.DeepClone(), entry.Replaces, entry.Undoes, append.Entries[0].Id, append.Author, entry.TakenAt ?? now, now, append.Device);
                    Insert(connection, transaction, append.Job, made);
                    fresh[(append.Job, entry.Id)] = made;
                    all.Add(made);
                    at.Fresh.Add(made);
                }

                touched[append.Job] = at;
                written.Add((append, all));
            }

            foreach (var (job, at) in touched)
            {
                connection.Execute("update jobs set seq = @seq, moved_at = @now where id = @job", new { seq = at.Seq, job, now = SqliteTime.Of(now) }, transaction);
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

        foreach (var (job, at) in touched.Where(t => t.Value.Fresh.Count > 0))
        {
            at.Journal.Add(at.Fresh);
            // Somebody may have opened the job anew while this was written, when this journal had been let go.
            journals.KeepOnly(job, at.Journal);
            Moved?.Invoke(job, at.Seq);
        }

        foreach (var (append, all) in written)
        {
            append.Done.SetResult(all);
        }

        return true;
    }

    private static void Insert(SqliteConnection connection, SqliteTransaction transaction, long job, Entry e)
    {
        var json = e.Value?.ToJsonString();
        connection.Execute(
            """
            insert into entries (job, seq, entry_id, path, value, replaces, undoes, batch, author, taken_at, received_at, device, sets_aside)
            values (@job, @Seq, @Id, @Path, @json, @replaces, @Undoes, @Batch, @Author, @taken, @received, @Device, @SetsAside)
            """,
            new
            {
                job,
                e.Seq,
                e.Id,
                e.Path,
                json,
                replaces = JsonSerializer.Serialize(e.Replaces),
                e.Undoes,
                e.Batch,
                e.Author,
                taken = SqliteTime.Of(e.TakenAt),
                received = SqliteTime.Of(e.ReceivedAt),
                e.Device,
                e.SetsAside,
            },
            transaction);
        if (json is not null && (json.Contains("\"picture\":", StringComparison.Ordinal) || e.Path.EndsWith("/picture", StringComparison.Ordinal)))
        {
            foreach (var name in Pictures(e.Value, e.Path.EndsWith("/picture", StringComparison.Ordinal)))
            {
                connection.Execute("insert into job_photos (job, name) values (@job, @name) on conflict do nothing", new { job, name }, transaction);
            }
        }
    }

    private static IEnumerable<string> Pictures(JsonNode? node, bool isPicture) => node switch
    {
        JsonObject group => group.SelectMany(m => Pictures(m.Value, m.Key == "picture")),
        JsonArray list => list.SelectMany(n => Pictures(n, isPicture: false)),
        JsonValue value when isPicture && value.TryGetValue<string>(out var name) => [name],
        _ => [],
    };

    private sealed record Pending(long Job, string Author, string Device, IReadOnlyList<NewEntry> Entries, long? Aside)
    {
        public TaskCompletionSource<IReadOnlyList<Entry>?> Done { get; } = new(TaskCreationOptions.RunContinuationsAsynchronously);
    }

    // A job's entries in memory; read when somebody first asks, and gone on from there.
    private sealed class Journal(Func<Ledger?> load)
    {
        private readonly Lock door = new();
        private Ledger? ledger;
        private bool loaded;

        public Ledger? Ledger
        {
            get
            {
                lock (door)
                {
                    // A job that was not there may have been added since; one that could not be read is tried again.
                    if (!loaded || ledger is null)
                    {
                        ledger = load();
                        loaded = true;
                    }

                    return ledger;
                }
            }
        }

        public void Add(List<Entry> added)
        {
            lock (door)
            {
                ledger = ledger?.After(added);
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

        public long? SetsAside { get; init; }

        public Entry ToEntry() => new(
            Id,
            Seq,
            Path,
            Value is null ? null : JsonNode.Parse(Value),
            JsonSerializer.Deserialize<List<string>>(Replaces) ?? throw new FormatException("what it replaces is not a list"),
            Undoes,
            Batch,
            Author,
            SqliteTime.Time(TakenAt),
            SqliteTime.Time(ReceivedAt),
            Device)
        { SetsAside = SetsAside };
    }
}
