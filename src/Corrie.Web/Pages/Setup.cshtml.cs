using Corrie.Data;
using Corrie.Web.Access;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Corrie.Web.Pages;

/// <summary>Makes the first company and its first person; gone as soon as there is one.</summary>
[AllowAnonymous]
public sealed class SetupModel(Companies companies, Passwords passwords, SignIns signIns) : PageModel
{
    /// <summary>The company's name.</summary>
    [BindProperty]
    public string? Company { get; set; }

    /// <summary>The person's name.</summary>
    [BindProperty]
    public string? PersonName { get; set; }

    /// <summary>The name to sign in with.</summary>
    [BindProperty]
    public string? SignInName { get; set; }

    /// <summary>What was wrong.</summary>
    public string? Problem { get; private set; }

    /// <summary>Shows the form.</summary>
    public IActionResult OnGet() => companies.Keys.Count > 0 ? Redirect("/sign-in") : Page();

    /// <summary>Makes both.</summary>
    public async Task<IActionResult> OnPostAsync(string? password)
    {
        if (companies.Keys.Count > 0)
        {
            return Redirect("/sign-in");
        }

        Problem = string.IsNullOrWhiteSpace(Company) || string.IsNullOrWhiteSpace(PersonName)
            ? "A name is missing. Expected: the company's and yours."
            : Passwords.Fault(SignInName, password, PersonName, Company);
        if (Problem is not null)
        {
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
            return Page();
        }

        var letters = new string([.. Company!.ToLowerInvariant().Where(char.IsAsciiLetterOrDigit).Take(24)]);
        var company = companies.Create(letters.Length > 0 ? letters : "company");
        company.SetName(Company.Trim());
        company.People.Add(SignInName!, PersonName!.Trim(), Role.Lead, passwords.Hash(SignInName!, password!));
        await signIns.BeginAsync(HttpContext, company, company.People.Find(SignInName!)!);
        return Redirect("/jobs");
    }
}
