using System.Collections.Concurrent;
using System.Net.ServerSentEvents;
using System.Runtime.CompilerServices;
using System.Threading.Channels;
using Corrie.Web.Access;

namespace Corrie.Web.Jobs;

/// <summary>Tells open pages that a job moved on.</summary>
public sealed class LiveJobs
{
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

    /// <summary>The places of a job's last entries as they come, until cancelled.</summary>
    public async IAsyncEnumerable<SseItem<string>> Follow(string company, long job, [EnumeratorCancellation] CancellationToken stop)
    {
        // Only the newest counts: a page that is behind fetches the whole state once.
        var channel = Channel.CreateBounded<long>(new BoundedChannelOptions(1) { FullMode = BoundedChannelFullMode.DropOldest });
        var channels = listeners.GetOrAdd((company, job), _ => new());
        channels[channel] = true;
        try
        {
            yield return new("open", "open");
            await foreach (var seq in channel.Reader.ReadAllAsync(stop))
            {
                yield return new(seq.ToString(), "moved");
            }
        }
        finally
        {
            channels.TryRemove(channel, out _);
        }
    }
}
