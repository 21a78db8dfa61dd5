using Microsoft.AspNetCore.Antiforgery;
using Microsoft.AspNetCore.Html;

namespace Corrie.Web.Access;

/// <summary>The antiforgery token of a request, made once for all forms of its page.</summary>
public sealed class FormToken(IAntiforgery antiforgery, IHttpContextAccessor accessor)
{
    private readonly Lazy<string> token = new(() => antiforgery.GetAndStoreTokens(accessor.HttpContext!).RequestToken!);

    /// <summary>The token, for a header.</summary>
    public string Value => token.Value;

    /// <summary>The token as a hidden field, for a form.</summary>
    public IHtmlContent Field => new HtmlString(Html);

    /// <summary>The same as text.</summary>
    public string Html => $"<input name=\"__RequestVerificationToken\" type=\"hidden\" value=\"{token.Value}\">";
}
