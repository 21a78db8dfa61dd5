using Corrie.Data;
using Corrie.Web.Access;
using Microsoft.Extensions.Diagnostics.HealthChecks;

namespace Corrie.Web.Watch;

/// <summary>Whether Corrie can do its work: every company's file opens, and there is room on the disk.</summary>
public sealed class Health(Companies companies, DataFolder folder) : IHealthCheck
{
    /// <summary>Where it is asked whether the program runs.</summary>
    public const string LiveAddress = "/health/live";

    /// <summary>Where it is asked whether it can do its work.</summary>
    public const string ReadyAddress = "/health/ready";

    private const long LeastRoom = 50_000_000;
    private const string Ready = "ready";

    /// <summary>Adds the check.</summary>
    public static void Add(IServiceCollection services) => services.AddHealthChecks().AddCheck<Health>("data", tags: [Ready]);

    /// <summary>Maps the addresses; what they answer is one word.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        app.MapHealthChecks(LiveAddress, new() { Predicate = _ => false }).AllowAnonymous();
        app.MapHealthChecks(ReadyAddress, new() { Predicate = check => check.Tags.Contains(Ready) }).AllowAnonymous();
    }

    /// <inheritdoc/>
    public Task<HealthCheckResult> CheckHealthAsync(HealthCheckContext context, CancellationToken cancellationToken = default)
    {
        if (companies.Keys.Select(companies.Refusal).OfType<string>().FirstOrDefault() is { } refused)
        {
            return Task.FromResult(HealthCheckResult.Unhealthy(refused));
        }

        var room = new DriveInfo(folder.Path).AvailableFreeSpace;
        return Task.FromResult(room < LeastRoom ? HealthCheckResult.Unhealthy($"The disk has {room / 1_000_000} MB left.") : HealthCheckResult.Healthy());
    }
}
