using System.Net.ServerSentEvents;
using Corrie.Web.Access;

namespace Corrie.Web.Jobs;

/// <summary>The address at which an open page listens for what others enter.</summary>
public static class JobEvents
{
    /// <summary>Maps it.</summary>
    public static void Map(IEndpointRouteBuilder app) =>
        app.MapGet("/jobs/{id:long}/events", (long id, CurrentUser user, LiveJobs live, IHostApplicationLifetime life, Companies companies, HttpContext context) =>
            user.Find(id) is null
                ? Results.NotFound()
                : TypedResults.ServerSentEvents(Until(live, user, id, life, companies, context)))
            .RequireAuthorization(nameof(Permission.ReadJobs)).ExcludeFromDescription();

    // The user leaving, the session ending and the server stopping end a stream; without the last, stopping would wait for it.
    private static async IAsyncEnumerable<SseItem<string>> Until(LiveJobs live, CurrentUser user, long id, IHostApplicationLifetime life, Companies companies, HttpContext context)
    {
        using var stop = CancellationTokenSource.CreateLinkedTokenSource(context.RequestAborted, life.ApplicationStopping, user.Ended);
        await using var stream = live.Follow(user.Company, id, stop.Token).GetAsyncEnumerator(stop.Token);
        while (true)
        {
            try
            {
                // A session that has become too old, and a token that was revoked, end with the next beat.
                if (!await stream.MoveNextAsync() || CurrentUser.Of(context, companies) is null)
                {
                    break;
                }
            }
            catch (OperationCanceledException)
            {
                break;
            }

            yield return stream.Current;
        }
    }
}
