using Corrie.Data;
using Corrie.Web.Access;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Corrie.Web.Pages;

/// <summary>Where somebody who was asked to come in chooses a name and a password; the link works once.</summary>
[AllowAnonymous]
public sealed class InvitationModel(Companies companies, Passwords passwords, SignIns signIns) : PageModel
{
    /// <summary>What the link shows.</summary>
    [FromRoute]
    public string? Code { get; set; }

    /// <summary>The name to sign in with.</summary>
    [BindProperty]
    public string? SignInName { get; set; }

    /// <summary>What was wrong.</summary>
    public string? Problem { get; private set; }

    /// <summary>The invitation; null where it does not work.</summary>
    public Invitation? Asked { get; private set; }

    /// <summary>Who asks.</summary>
    public string CompanyName { get; private set; } = string.Empty;

    /// <summary>Shows the form.</summary>
    public IActionResult OnGet()
    {
        Find();
        return Shown();
    }

    /// <summary>Lets them in.</summary>
    /// <param name="password">The password that they chose.</param>
    public async Task<IActionResult> OnPostAsync(string? password)
    {
        if (Find() is not var (company, asked))
        {
            return Shown();
        }

        var taken = $"Somebody signs in as '{SignInName}' already. Expected: another name.";
        Problem = Passwords.Fault(SignInName, password, asked.Name, CompanyName) ?? (company.People.Find(SignInName!) is not null ? taken : null);
        if (Problem is null && !company.Invitations.Use(asked.Id))
        {
            Asked = null;
            return Shown();
        }

        // Of two at once with one name, who comes second is asked for another, by a new invitation.
        Problem ??= company.People.Add(SignInName!, asked.Name, asked.Role, passwords.Hash(SignInName!, password!), asked.SiteId, asked.MadeBy, asked.Also) is null ? taken : null;
        if (Problem is not null)
        {
            return Shown();
        }

        await signIns.BeginAsync(HttpContext, company, company.People.Find(SignInName!)!);
        return Redirect("/jobs");
    }

    private (Company Company, Invitation Asked)? Find()
    {
        var found = Invited.Read(companies, Code, (c, secret) => c.Invitations.Find(secret));
        (Asked, CompanyName) = (found?.Found, found?.Company.Name ?? string.Empty);
        return found;
    }

    private PageResult Shown()
    {
        Response.StatusCode = Asked is null ? StatusCodes.Status404NotFound : Problem is null ? StatusCodes.Status200OK : StatusCodes.Status422UnprocessableEntity;
        return Page();
    }
}
