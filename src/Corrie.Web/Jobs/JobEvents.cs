using System.Net.ServerSentEvents;
using Corrie.Web.Access;

namespace Corrie.Web.Jobs;

/// <summary>The address at which an open page listens for what others enter.</summary>
public static class JobEvents
{
    private const int MostAt = 60;

    /// <summary>Maps it.</summary>
    public static void Map(IEndpointRouteBuilder app) =>
        app.MapGet("/jobs/{id:long}/events", (long id, string? at, CurrentUser user, LiveJobs live, IHostApplicationLifetime life, Companies companies, HttpContext context) =>
            user.Find(id) is null
                ? Results.NotFound()
                : TypedResults.ServerSentEvents(Until(live, user, Here(user, at), id, life, companies, context)))
            .RequireAuthorization(nameof(Permission.ReadJobs)).ExcludeFromDescription();

    // A client is not shown who of the crew is where.
    private static PersonHere? Here(CurrentUser user, string? at) =>
        user is { Person: not null } && user.May(Permission.EditJobs) ? new(user.SignIn, user.Name, at is { Length: <= MostAt } && at.All(c => char.IsAsciiLetterOrDigit(c) || c is '-' or '_') ? at : string.Empty) : null;

    // The user leaving, the session ending and the server stopping end a stream; without the last, stopping would wait for it.
    private static async IAsyncEnumerable<SseItem<string>> Until(LiveJobs live, CurrentUser user, PersonHere? here, long id, IHostApplicationLifetime life, Companies companies, HttpContext context)
    {
        using var stop = CancellationTokenSource.CreateLinkedTokenSource(context.RequestAborted, life.ApplicationStopping, user.Ended);
        await using var stream = live.Follow(user.Company, id, here, stop.Token).GetAsyncEnumerator(stop.Token);
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
