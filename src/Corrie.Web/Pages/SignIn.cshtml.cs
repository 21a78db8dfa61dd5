using Corrie.Web.Access;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Corrie.Web.Pages;

/// <summary>Signs people in.</summary>
[AllowAnonymous]
public sealed class SignInModel(Companies companies, Passwords passwords) : PageModel
{
    /// <summary>Companies with records here.</summary>
    public IReadOnlyList<string> CompanyKeys => companies.Keys;

    /// <summary>The company chosen.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Company { get; set; }

    /// <summary>What was typed as the name.</summary>
    [BindProperty]
    public string? Name { get; set; }

    /// <summary>Where to go afterwards.</summary>
    [BindProperty(SupportsGet = true)]
    public string? ReturnUrl { get; set; }

    /// <summary>Why it did not work.</summary>
    public string? Problem { get; private set; }

    /// <summary>Shows the form.</summary>
    public void OnGet()
    {
    }

    /// <summary>Tries to sign in.</summary>
    public async Task<IActionResult> OnPostAsync(string? password)
    {
        var key = Company ?? (CompanyKeys.Count == 1 ? CompanyKeys[0] : null);
        if (key is not null && companies.Refusal(key) is { } refusal)
        {
            Problem = refusal;
            Response.StatusCode = StatusCodes.Status409Conflict;
            return Page();
        }

        if (key is null || companies.Find(key) is not { } company)
        {
            Problem = "Choose the company first.";
            return Page();
        }

        var (result, person) = passwords.Check(company.People, Name ?? string.Empty, password ?? string.Empty);
        switch (result)
        {
            case SignInOutcome.Welcome:
                await HttpContext.SignInAsync(CurrentUser.Principal(company, person!, CookieAuthenticationDefaults.AuthenticationScheme));
                return LocalRedirect(Url.IsLocalUrl(ReturnUrl) ? ReturnUrl : "/jobs");
            case SignInOutcome.Locked:
                Problem = $"Too many wrong passwords. Try again after {person!.LockedUntil!.Value:HH:mm} UTC.";
                break;
            default:
                Problem = "Name or password is wrong. After five wrong passwords in a row it locks for a quarter of an hour.";
                break;
        }

        Response.StatusCode = StatusCodes.Status401Unauthorized;
        return Page();
    }
}
