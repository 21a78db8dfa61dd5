using Corrie.Data;
using Corrie.Web.Access;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Corrie.Web.Pages;

/// <summary>The company's people, and who may do what.</summary>
[Authorize(nameof(Permission.ManagePeople))]
public sealed class PeopleModel(Reader reader, Passwords passwords, TimeProvider time) : PageModel
{
    /// <summary>The new person's name.</summary>
    [BindProperty]
    public string? PersonName { get; set; }

    /// <summary>The name to sign in with.</summary>
    [BindProperty]
    public string? SignInName { get; set; }

    /// <summary>The role.</summary>
    [BindProperty]
    public string Role { get; set; } = nameof(Data.Role.Installer);

    /// <summary>A client's site.</summary>
    [BindProperty]
    public long? SiteId { get; set; }

    /// <summary>What was wrong.</summary>
    public string? Problem { get; private set; }

    /// <summary>What was done.</summary>
    public string? Done { get; private set; }

    /// <summary>Everybody.</summary>
    public IReadOnlyList<Person> Everybody => reader.Company.People.All();

    /// <summary>Sites for clients.</summary>
    public IReadOnlyList<Site> Sites => reader.Company.Jobs.Sites();

    /// <summary>The time.</summary>
    public DateTimeOffset Now => time.GetUtcNow();

    /// <summary>What a role may do, in words.</summary>
    public string May(Role role) => string.Join(", ", Enum.GetValues<Permission>().Where(p => role.May(p)).Select(p => p switch
    {
        Permission.ReadJobs => role == Data.Role.Client ? "read own site" : "read",
        Permission.EditJobs => "plan",
        Permission.UndoOthers => "take back others' changes",
        Permission.StartJobs => "start jobs",
        Permission.EditCatalogue => "change the catalogue",
        Permission.ManagePeople => "add people",
        _ => null,
    }).Where(words => words is not null));

    /// <summary>Shows the list.</summary>
    public void OnGet()
    {
    }

    /// <summary>Adds a person.</summary>
    public IActionResult OnPost(string? password)
    {
        var known = Enum.TryParse<Role>(Role, out var role);
        Problem = string.IsNullOrWhiteSpace(PersonName) ? "No name was typed. Expected: the person's name."
            : !known ? $"'{Role}' is no role. Expected: one of the list."
            : role == Data.Role.Client && Sites.All(s => s.Id != SiteId) ? "A client without a site would see nothing. Expected: one of the sites."
            : reader.Company.People.Find(SignInName ?? string.Empty) is not null ? $"Somebody signs in as '{SignInName}' already. Expected: another name."
            : Passwords.Fault(SignInName, password);
        if (Problem is null)
        {
            reader.Company.People.Add(SignInName!, PersonName!.Trim(), role, passwords.Hash(SignInName!, password!), role == Data.Role.Client ? SiteId : null);
            return Redirect("/people");
        }

        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }

    /// <summary>Gives somebody a new password.</summary>
    public IActionResult OnPostPassword(long id, string? password)
    {
        var person = Everybody.FirstOrDefault(p => p.Id == id);
        Problem = person is null ? "That person is not here any more." : Passwords.Fault(person.SignIn, password);
        if (Problem is not null)
        {
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
            return Page();
        }

        reader.Company.People.SetPassword(id, passwords.Hash(person!.SignIn, password!));
        Done = $"{person.Name} has a new password.";
        return Page();
    }
}
