using System.Net;
using System.Net.Sockets;
using System.Security.Cryptography;
using System.Threading.RateLimiting;
using Corrie.Data;
using Corrie.Web.Watch;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.DataProtection;

namespace Corrie.Web.Access;

/// <summary>How a try to sign in ended.</summary>
public enum SignInOutcome
{
    /// <summary>The person is who they say.</summary>
    Welcome,

    /// <summary>Name or password is wrong; which one is not said.</summary>
    Wrong,

    /// <summary>Too many wrong tries, or too many at once.</summary>
    Wait,
}

/// <summary>How a try to sign in ended, and when the next one makes sense.</summary>
/// <param name="Outcome">How it ended.</param>
/// <param name="Wait">How long to wait; zero for not at all.</param>
public readonly record struct SignInResult(SignInOutcome Outcome, TimeSpan Wait = default)
{
    /// <summary>The same in words, for a page and for a program.</summary>
    public string Words => Outcome switch
    {
        SignInOutcome.Wait => $"Too many tries to sign in. Wait {Math.Ceiling(Wait.TotalSeconds)} seconds and try again.",
        _ => "Name or password is wrong.",
    };

    /// <summary>The status of the answer.</summary>
    public int Status => Outcome == SignInOutcome.Wait ? StatusCodes.Status429TooManyRequests : StatusCodes.Status401Unauthorized;
}

/// <summary>
/// Signs people in. Wrong tries are slowed down by name and by address and lock nobody out: from a device on which somebody has signed in
/// before, strangers' tries with the same name do not count. Only so many passwords are checked at once, and strangers wait for strangers.
/// </summary>
/// <param name="passwords">Checks passwords.</param>
/// <param name="protection">Seals the cookie of a known device.</param>
/// <param name="metrics">Counts the tries.</param>
/// <param name="log">Notes them.</param>
public sealed class SignIns(Passwords passwords, IDataProtectionProvider protection, Metrics metrics, ILogger<SignIns> log) : IDisposable
{
    /// <summary>Wrong tries in a row after which a name waits, from a device that is not known.</summary>
    public const int TriesByName = 6;

    private const string DeviceCookie = "corrie-device";
    private const int TriesByAddress = 30;
    private const int TriesByDevice = 10;

    private static readonly TimeSpan Device = TimeSpan.FromDays(400);
    private static readonly TimeSpan ByName = TimeSpan.FromSeconds(20);
    private static readonly TimeSpan ByAddress = TimeSpan.FromSeconds(4);
    private static readonly TimeSpan ByDevice = TimeSpan.FromSeconds(10);
    private static readonly TimeSpan TurnComes = TimeSpan.FromSeconds(5);
    private static readonly TimeSpan Patience = TimeSpan.FromMilliseconds(700);
    private readonly IDataProtector devices = protection.CreateProtector("corrie.device");
    private readonly PartitionedRateLimiter<string> byName = Tries(TriesByName, ByName);
    private readonly PartitionedRateLimiter<string> byAddress = Tries(TriesByAddress, ByAddress);
    private readonly PartitionedRateLimiter<string> byDevice = Tries(TriesByDevice, ByDevice);
    private readonly ConcurrencyLimiter strangers = new(new() { PermitLimit = Math.Max(1, Environment.ProcessorCount / 2), QueueLimit = 8, QueueProcessingOrder = QueueProcessingOrder.OldestFirst });
    private readonly ConcurrencyLimiter crew = new(new() { PermitLimit = Environment.ProcessorCount, QueueLimit = 64, QueueProcessingOrder = QueueProcessingOrder.OldestFirst });

    /// <summary>Tries to sign somebody in; where it works, the answer carries the cookies.</summary>
    /// <param name="context">The request.</param>
    /// <param name="company">The company.</param>
    /// <param name="name">Name to sign in with, as typed.</param>
    /// <param name="password">Password, as typed.</param>
    /// <returns>How it ended.</returns>
    public async Task<SignInResult> TryAsync(HttpContext context, Company company, string name, string password)
    {
        var result = await CheckAsync(context, company, name, password);
        metrics.SignIn(result.Outcome);
        if (result.Outcome != SignInOutcome.Welcome)
        {
            // Not the name: people type passwords into that field, too.
            log.LogWarning("A try to sign in to {Company} from {Address} ended: {Outcome}", company.Key, AddressOf(context), result.Outcome);
        }

        return result;
    }

    private async Task<SignInResult> CheckAsync(HttpContext context, Company company, string name, string password)
    {
        var who = $"{company.Key}/{(name.Length > 40 ? name[..40] : name).Trim().ToLowerInvariant()}";
        var device = DeviceOf(context, who);
        (PartitionedRateLimiter<string> Limiter, string Key, TimeSpan OneMore)[] limits = device is not null ? [(byDevice, device, ByDevice)] : [(byName, who, ByName), (byAddress, AddressOf(context), ByAddress)];
        // Only what is wrong counts: whoever knows the password waits for nobody but those who guess.
        foreach (var (limiter, key, oneMore) in limits)
        {
            if (limiter.GetStatistics(key)?.CurrentAvailablePermits < 1)
            {
                return new(SignInOutcome.Wait, oneMore);
            }
        }

        Person? person;
        using (var turn = await (device is null ? TurnAsync(strangers, Patience, context.RequestAborted) : TurnAsync(crew, Timeout.InfiniteTimeSpan, context.RequestAborted)))
        {
            if (turn is not { IsAcquired: true })
            {
                return new(SignInOutcome.Wait, TurnComes);
            }

            person = passwords.Check(company.People, name, password);
        }

        if (person is null)
        {
            foreach (var (limiter, key, _) in limits)
            {
                limiter.AttemptAcquire(key, 1).Dispose();
            }

            return new(SignInOutcome.Wrong);
        }

        await BeginAsync(context, company, person);
        return new(SignInOutcome.Welcome);
    }

    /// <summary>Begins a session for somebody who is known to be who they say.</summary>
    /// <param name="context">The request; its answer carries the cookies.</param>
    /// <param name="company">The company.</param>
    /// <param name="person">The person.</param>
    /// <returns>When it has begun.</returns>
    public async Task BeginAsync(HttpContext context, Company company, Person person)
    {
        log.LogInformation("Person {Person} of {Company} signed in from {Address}", person.Id, company.Key, AddressOf(context));
        const string scheme = CookieAuthenticationDefaults.AuthenticationScheme;
        await context.SignInAsync(scheme, CurrentUser.Principal(company, person, company.Sessions.Begin(person.Id), scheme));
        context.Response.Cookies.Append(
            DeviceCookie,
            devices.Protect($"{company.Key}/{person.SignIn.ToLowerInvariant()}"),
            new() { MaxAge = Device, HttpOnly = true, SameSite = SameSiteMode.Lax, Secure = context.Request.IsHttps });
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        byName.Dispose();
        byAddress.Dispose();
        byDevice.Dispose();
        strangers.Dispose();
        crew.Dispose();
    }

    /// <summary>From where a request comes: an address, or, of the newer addresses that one house has by the billion, the house.</summary>
    /// <param name="context">The request.</param>
    /// <returns>The address as text.</returns>
    internal static string AddressOf(HttpContext context) => context.Connection.RemoteIpAddress switch
    {
        null => "here",
        { AddressFamily: AddressFamily.InterNetworkV6, IsIPv4MappedToIPv6: false } six => Convert.ToHexString(six.GetAddressBytes().AsSpan(0, 8)),
        var four => four.MapToIPv4().ToString(),
    };

    private static PartitionedRateLimiter<string> Tries(int most, TimeSpan oneMoreEvery) => PartitionedRateLimiter.Create<string, string>(key => RateLimitPartition.GetTokenBucketLimiter(
        key, _ => new() { TokenLimit = most, TokensPerPeriod = 1, ReplenishmentPeriod = oneMoreEvery, QueueLimit = 0, AutoReplenishment = true }));

    // A turn to have a password checked; null where it did not come soon. A stranger does not sit before a page that does not answer; the crew, from
    // devices that are known, is never sent away.
    private static async Task<RateLimitLease?> TurnAsync(ConcurrencyLimiter turns, TimeSpan patience, CancellationToken aborted)
    {
        using var until = CancellationTokenSource.CreateLinkedTokenSource(aborted);
        until.CancelAfter(patience);
        try
        {
            return await turns.AcquireAsync(1, until.Token);
        }
        catch (OperationCanceledException) when (!aborted.IsCancellationRequested)
        {
            return null;
        }
    }

    private string? DeviceOf(HttpContext context, string who)
    {
        if (context.Request.Cookies[DeviceCookie] is not { } cookie)
        {
            return null;
        }

        try
        {
            return devices.Unprotect(cookie) == who ? cookie : null;
        }
        catch (CryptographicException)
        {
            // Somebody else's, or of a time before other keys: the device is not known.
            return null;
        }
    }
}
