namespace Corrie.Web.Watch;

/// <summary>
/// Gives memory back once a rush is over. The collector runs when something is allocated, so that a server at rest would hold what the busiest
/// minute of the day needed until somebody comes again.
/// </summary>
/// <param name="time">The clock.</param>
public sealed class IdleMemory(TimeProvider time) : BackgroundService
{
    private static readonly TimeSpan Pause = TimeSpan.FromSeconds(5);

    // Heartbeats and health checks stay far under the first; the second is worth a collection (own rule).
    private const long Quiet = 2_000_000;
    private const long Worth = 50_000_000;

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var timer = new PeriodicTimer(Pause, time);
        var (last, collected) = (GC.GetTotalAllocatedBytes(), 0L);
        while (await timer.WaitForNextTickAsync(stoppingToken))
        {
            var now = GC.GetTotalAllocatedBytes();
            if (now - last < Quiet && now - collected > Worth)
            {
                GC.Collect(GC.MaxGeneration, GCCollectionMode.Aggressive, blocking: true, compacting: true);
                collected = now;
            }

            last = now;
        }
    }
}
