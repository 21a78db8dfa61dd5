using System.Collections.Concurrent;
using System.Globalization;
using System.Net.ServerSentEvents;
using System.Runtime.CompilerServices;
using System.Text.Json;
using System.Text.Json.Nodes;
using System.Threading.Channels;
using Corrie.Data;
using Corrie.Web.Access;

namespace Corrie.Web.Jobs;

/// <summary>Who has a page of a job open.</summary>
/// <param name="SignIn">Name that they sign in with.</param>
/// <param name="Name">Name to be shown.</param>
/// <param name="At">Key of the step that they look at; empty for none.</param>
public sealed record PersonHere(string SignIn, string Name, string At);

/// <summary>Tells open pages that a job moved on, and who else is there.</summary>
public sealed class LiveJobs
{
    // Less than the minute after which web servers in front give up a connection on which nothing comes.
    private static readonly TimeSpan Beat = TimeSpan.FromSeconds(20);

    private readonly ConcurrentDictionary<(string Company, long Job), ConcurrentDictionary<Page, bool>> pages = new();

    /// <summary>Listens to all companies.</summary>
    public LiveJobs(Companies companies) => companies.Moved += (company, job, seq) =>
    {
        foreach (var page in PagesOf(company, job))
        {
            page.Moved(seq);
        }
    };

    /// <summary>The place of a job's last entry now, and of later ones as they come, until cancelled; who else is there, whenever that changes; and a beat now and then in between.</summary>
    /// <remarks>The first is said at once: an entry may have come between the writing of a page and its beginning to listen.</remarks>
    /// <param name="company">The company.</param>
    /// <param name="job">Key of the job.</param>
    /// <param name="who">Who listens; null for somebody who is not shown to others, nor they to them.</param>
    /// <param name="stop">Ends it.</param>
    public async IAsyncEnumerable<SseItem<string>> Follow(Company company, long job, PersonHere? who, [EnumeratorCancellation] CancellationToken stop)
    {
        var all = pages.GetOrAdd((company.Key, job), _ => new());
        var page = new Page(who);
        all[page] = true;
        Wake(all, page);
        try
        {
            page.Moved(company.Jobs.Find(job)?.Seq ?? 0);
            var (seq, here) = (-1L, "[]");
            while (true)
            {
                var next = page.Woken(stop);
                while (await Task.WhenAny(next, Task.Delay(Beat, stop)) != next)
                {
                    stop.ThrowIfCancellationRequested();
                    yield return new(string.Empty, "beat");
                }

                await next;
                if (page.Newest is var newest && newest != seq)
                {
                    seq = newest;
                    yield return new(seq.ToString(CultureInfo.InvariantCulture), "moved");
                }

                if (who is not null && Others(all, who) is var others && others != here)
                {
                    here = others;
                    yield return new(here, "here");
                }
            }
        }
        finally
        {
            all.TryRemove(page, out _);
            Wake(all, page);
        }
    }

    private IEnumerable<Page> PagesOf(string company, long job) => pages.TryGetValue((company, job), out var all) ? all.Keys : [];

    private static void Wake(ConcurrentDictionary<Page, bool> all, Page but)
    {
        foreach (var page in all.Keys.Where(p => p != but))
        {
            page.Wake();
        }
    }

    // Each person once, at the step that they look at.
    private static string Others(ConcurrentDictionary<Page, bool> all, PersonHere who) => new JsonArray(
    [
        .. all.Keys.Select(p => p.Who).OfType<PersonHere>().Where(p => p.SignIn != who.SignIn).GroupBy(p => p.SignIn).OrderBy(g => g.Key, StringComparer.Ordinal)
            .Select(g => g.OrderByDescending(p => p.At.Length > 0).ThenBy(p => p.At, StringComparer.Ordinal).First()).Select(p => new JsonObject { ["name"] = p.Name, ["at"] = p.At }),
    ]).ToJsonString(JsonSerializerOptions.Web);

    // Only the newest counts: a page that is behind fetches the whole state once.
    private sealed class Page(PersonHere? who)
    {
        private readonly Channel<bool> wakes = Channel.CreateBounded<bool>(new BoundedChannelOptions(1) { FullMode = BoundedChannelFullMode.DropOldest });
        private long newest;

        public PersonHere? Who => who;

        public long Newest => Interlocked.Read(ref newest);

        public void Moved(long seq)
        {
            Interlocked.Exchange(ref newest, Math.Max(seq, Newest));
            Wake();
        }

        public void Wake() => wakes.Writer.TryWrite(true);

        public Task<bool> Woken(CancellationToken stop) => wakes.Reader.ReadAsync(stop).AsTask();
    }
}
