using Corrie.Web.Access;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Corrie.Web.Pages;

/// <summary>Signs people in.</summary>
[AllowAnonymous]
public sealed class SignInModel(Companies companies, SignIns signIns) : PageModel
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

        var result = await signIns.TryAsync(HttpContext, company, Name ?? string.Empty, password ?? string.Empty);
        if (result.Outcome == SignInOutcome.Welcome)
        {
            return LocalRedirect(Url.IsLocalUrl(ReturnUrl) ? ReturnUrl : "/jobs");
        }

        Problem = result.Words;
        Response.StatusCode = result.Status;
        return Page();
    }
}
