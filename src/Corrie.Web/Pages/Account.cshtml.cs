using Corrie.Web.Access;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Corrie.Web.Pages;

/// <summary>What people do about their own sign-in.</summary>
[Authorize(nameof(Permission.ReadJobs))]
public sealed class AccountModel(CurrentUser user, Passwords passwords, SignIns signIns) : PageModel
{
    /// <summary>Who reads.</summary>
    public CurrentUser Reader => user;

    /// <summary>What was wrong.</summary>
    public string? Problem { get; private set; }

    /// <summary>What was done.</summary>
    public string? Done { get; private set; }

    /// <summary>Shows the page.</summary>
    public void OnGet()
    {
    }

    /// <summary>Gives the reader another password; everywhere else they are signed out.</summary>
    public async Task<IActionResult> OnPostAsync(string? now, string? password, string? again)
    {
        if (user.Person is not { } person)
        {
            return Forbid();
        }

        var checkedNow = await signIns.TryAsync(HttpContext, user.Company, person.SignIn, now ?? string.Empty);
        Problem = checkedNow.Outcome == SignInOutcome.Wait ? checkedNow.Words
            : checkedNow.Outcome != SignInOutcome.Welcome ? "That is not the password that you have now."
            : password != again ? "The new password and its repetition differ. Expected: the same twice."
            : Passwords.Fault(person.SignIn, password, person.Name);
        if (Problem is not null)
        {
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
            return Page();
        }

        user.Company.People.SetPassword(person.Id, passwords.Hash(person.SignIn, password!), user.SignIn);
        await signIns.BeginAsync(HttpContext, user.Company, person);
        Done = "You have a new password. Everywhere else you are signed out.";
        return Page();
    }

    /// <summary>Ends all of the reader's sessions, this one too.</summary>
    public IActionResult OnPostSignOutAll()
    {
        if (user.Person is { } person)
        {
            user.Company.Sessions.EndAllOf(person.Id);
        }

        return Redirect("/sign-in");
    }
}
