using System.Collections.Concurrent;
using System.Globalization;
using System.Net.ServerSentEvents;
using System.Runtime.CompilerServices;
using System.Threading.Channels;
using Corrie.Data;
using Corrie.Web.Access;

namespace Corrie.Web.Jobs;

/// <summary>Tells open pages that a job moved on.</summary>
public sealed class LiveJobs
{
    // Less than the minute after which web servers in front give up a connection on which nothing comes.
    private static readonly TimeSpan Beat = TimeSpan.FromSeconds(20);

    private readonly ConcurrentDictionary<(string Company, long Job), ConcurrentDictionary<Channel<long>, bool>> listeners = new();

    /// <summary>Listens to all companies.</summary>
    public LiveJobs(Companies companies) => companies.Moved += (company, job, seq) =>
    {
        if (listeners.TryGetValue((company, job), out var channels))
        {
            foreach (var channel in channels.Keys)
            {
                channel.Writer.TryWrite(seq);
            }
        }
    };

    /// <summary>The place of a job's last entry now, and of later ones as they come, until cancelled; and a beat now and then in between.</summary>
    /// <remarks>The first is said at once: an entry may have come between the writing of a page and its beginning to listen.</remarks>
    public async IAsyncEnumerable<SseItem<string>> Follow(Company company, long job, [EnumeratorCancellation] CancellationToken stop)
    {
        // Only the newest counts: a page that is behind fetches the whole state once.
        var channel = Channel.CreateBounded<long>(new BoundedChannelOptions(1) { FullMode = BoundedChannelFullMode.DropOldest });
        var channels = listeners.GetOrAdd((company.Key, job), _ => new());
        channels[channel] = true;
        try
        {
            yield return Moved(company.Jobs.Find(job)?.Seq ?? 0);
            while (true)
            {
                var next = channel.Reader.ReadAsync(stop).AsTask();
                while (await Task.WhenAny(next, Task.Delay(Beat, stop)) != next)
                {
                    stop.ThrowIfCancellationRequested();
                    yield return new(string.Empty, "beat");
                }

                yield return Moved(await next);
            }
        }
        finally
        {
            channels.TryRemove(channel, out _);
        }
    }

    private static SseItem<string> Moved(long seq) => new(seq.ToString(CultureInfo.InvariantCulture), "moved");
}
