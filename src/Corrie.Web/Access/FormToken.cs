using Corrie.Data;
using Microsoft.AspNetCore.Antiforgery;
using Microsoft.AspNetCore.Html;

namespace Corrie.Web.Access;

/// <summary>The antiforgery token of a request, made once for all forms of its page.</summary>
public sealed class FormToken(IAntiforgery antiforgery, IHttpContextAccessor accessor, FormTokens kept)
{
    private readonly Lazy<string> token = new(() => kept.Of(accessor.HttpContext!, antiforgery));

    /// <summary>The token, for a header.</summary>
    public string Value => token.Value;

    /// <summary>The token as a hidden field, for a form.</summary>
    public IHtmlContent Field => new HtmlString(Html);

    /// <summary>The same as text.</summary>
    public string Html => $"<input name=\"__RequestVerificationToken\" type=\"hidden\" value=\"{token.Value}\">";
}

/// <summary>
/// Tokens by the browser and the person they are for. One is as good as the next, and a browser that gets the same again
/// sees at once that a form is as it was.
/// </summary>
public sealed class FormTokens
{
    private const int Most = 2000;
    private readonly RecentlyUsed<string, string> tokens = new(Most);

    /// <summary>The token of whoever asks.</summary>
    /// <param name="context">The request.</param>
    /// <param name="antiforgery">What makes tokens.</param>
    public string Of(HttpContext context, IAntiforgery antiforgery)
    {
        var key = string.Join('\n', [context.Request.Cookies[AccessSetup.FormCookie] ?? string.Empty, .. context.User.Claims.Select(c => c.Value)]);
        if (tokens.Find(key) is { } known)
        {
            return known;
        }

        var made = antiforgery.GetAndStoreTokens(context);
        // A browser with another cookie than it sent will come with that one.
        if (made.CookieToken is null)
        {
            tokens.Set(key, made.RequestToken!);
        }

        return made.RequestToken!;
    }
}
