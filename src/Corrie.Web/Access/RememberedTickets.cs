using Microsoft.AspNetCore.Authentication;
using Microsoft.Extensions.Caching.Memory;

namespace Corrie.Web.Access;

/// <summary>
/// Remembers what sealed sign-in cookies say, so that a cookie is deciphered once in a while and not for every request. Whether a sign-in still
/// counts, and what the person may do, is looked up each time all the same (<see cref="CurrentUser"/>).
/// </summary>
/// <param name="sealing">What seals and opens them.</param>
/// <param name="opened">Those that were opened lately.</param>
internal sealed class RememberedTickets(ISecureDataFormat<AuthenticationTicket> sealing, IMemoryCache opened) : ISecureDataFormat<AuthenticationTicket>
{
    private static readonly TimeSpan Remembered = TimeSpan.FromMinutes(10);

    public string Protect(AuthenticationTicket data) => sealing.Protect(data);

    public string Protect(AuthenticationTicket data, string? purpose) => sealing.Protect(data, purpose);

    public AuthenticationTicket? Unprotect(string? protectedText) => Unprotect(protectedText, null);

    public AuthenticationTicket? Unprotect(string? protectedText, string? purpose)
    {
        var key = (nameof(RememberedTickets), protectedText, purpose);
        if (opened.TryGetValue(key, out AuthenticationTicket? known))
        {
            return known;
        }

        var ticket = sealing.Unprotect(protectedText, purpose);
        if (ticket is not null)
        {
            opened.Set(key, ticket, Remembered);
        }

        return ticket;
    }
}
