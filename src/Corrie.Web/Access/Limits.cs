using System.Globalization;
using System.Security.Claims;
using System.Threading.RateLimiting;
using Corrie.Web.Api;
using Microsoft.AspNetCore.RateLimiting;

namespace Corrie.Web.Access;

/// <summary>How much anybody may ask for at once, so that nobody takes the server from the others.</summary>
public static class Limits
{
    /// <summary>Pages that one person has open and listening.</summary>
    public const int StreamsOfOne = 12;

    private const int RequestsOfOne = 32;
    private const int WaitingOfOne = 200;
    private const int PlansOfOne = 2;
    private const int PlansWaiting = 8;
    private const int Uploads = 4;
    private const int UploadsWaiting = 32;

    /// <summary>Sets the limits.</summary>
    public static void Set(RateLimiterOptions limits)
    {
        limits.GlobalLimiter = PartitionedRateLimiter.CreateChained(
            PartitionedRateLimiter.Create<HttpContext, string>(http => IsStream(http) ? AtOnce("stream " + Who(http), StreamsOfOne, 0) : AtOnce(Who(http), RequestsOfOne, WaitingOfOne)),
            PartitionedRateLimiter.Create<HttpContext, string>(http => http.Request.ContentType?.StartsWith("multipart/", StringComparison.OrdinalIgnoreCase) == true
                ? AtOnce("uploads", Uploads, UploadsWaiting)
                : RateLimitPartition.GetNoLimiter(string.Empty)),
            PartitionedRateLimiter.Create<HttpContext, string>(http => IsWork(http) ? AtOnce(Who(http), PlansOfOne, PlansWaiting) : RateLimitPartition.GetNoLimiter(string.Empty)));
        limits.RejectionStatusCode = StatusCodes.Status429TooManyRequests;
        limits.OnRejected = (context, _) =>
        {
            context.HttpContext.Response.Headers.RetryAfter = 5.ToString(CultureInfo.InvariantCulture);
            return ValueTask.CompletedTask;
        };
    }

    private static RateLimitPartition<string> AtOnce(string who, int most, int waiting) => RateLimitPartition.GetConcurrencyLimiter(
        who, _ => new() { PermitLimit = most, QueueLimit = waiting, QueueProcessingOrder = QueueProcessingOrder.OldestFirst });

    private static bool IsStream(HttpContext http) => http.Request.Path.Value?.EndsWith("/events", StringComparison.Ordinal) == true;

    private static bool IsWork(HttpContext http) => HttpMethods.IsPost(http.Request.Method) && (http.Request.Path == JobsApi.PlanAddress || http.Request.Path == JobsApi.JobsAddress);

    private static string Who(HttpContext http) => http.User.Identity is { IsAuthenticated: true } ? string.Join('/', http.User.Claims.Where(c => c.Type != "session").Select(c => c.Value)) : SignIns.AddressOf(http);
}
