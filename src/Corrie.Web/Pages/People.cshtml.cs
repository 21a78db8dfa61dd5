using Corrie.Data;
using Corrie.Web.Access;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Corrie.Web.Pages;

/// <summary>The company's people, and who may do what.</summary>
[Authorize(nameof(Permission.ManagePeople))]
public sealed class PeopleModel(CurrentUser user, Passwords passwords, TimeProvider time) : PageModel
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

    /// <summary>Everybody.</summary>
    public IReadOnlyList<Person> Everybody => user.Company.People.All();

    /// <summary>Sites for clients.</summary>
    public IReadOnlyList<Site> Sites => user.Company.Jobs.Sites();

    /// <summary>The time.</summary>
    public DateTimeOffset Now => time.GetUtcNow();

    /// <summary>Shows the list.</summary>
    public void OnGet()
    {
    }

    /// <summary>What was done.</summary>
    public string? Done { get; private set; }

    /// <summary>Adds a person.</summary>
    public IActionResult OnPost(string? password)
    {
        var (role, fault) = AskedRole();
        fault = string.IsNullOrWhiteSpace(PersonName) ? "No name was typed. Expected: the person's name."
            : fault is not null ? fault
            : user.Company.People.Find(SignInName ?? string.Empty) is not null ? $"Somebody signs in as '{SignInName}' already. Expected: another name."
            : Passwords.Fault(SignInName, password);
        if (fault is not null)
        {
            return Refuse(fault);
        }

        user.Company.People.Add(SignInName!, PersonName!.Trim(), role, passwords.Hash(SignInName!, password!), role == Data.Role.Client ? SiteId : null);
        return Redirect("/people");
    }

    /// <summary>Gives somebody a new password; where they are signed in, they are signed out.</summary>
    public IActionResult OnPostPassword(long id, string? password) => Change(
        id,
        person => Passwords.Fault(person.SignIn, password),
        person => user.Company.People.SetPassword(id, passwords.Hash(person.SignIn, password!)),
        "has a new password");

    /// <summary>Gives somebody another role, from their next request on.</summary>
    public IActionResult OnPostRole(long id)
    {
        var (role, fault) = AskedRole();
        return Change(
            id,
            person => fault ?? (role.May(Permission.ManagePeople) ? null : LastFault(person)),
            _ => user.Company.People.SetRole(id, role, role == Data.Role.Client ? SiteId : null),
            "has another role, and signs in anew");
    }

    /// <summary>Notes that somebody has left, or is back. What they did stays on the record.</summary>
    public IActionResult OnPostLeft(long id, bool left) => Change(
        id,
        person => left ? LastFault(person) : null,
        _ => user.Company.People.SetLeft(id, left),
        left ? "has left, and cannot sign in any more" : "is back");

    private IActionResult Change(long id, Func<Person, string?> fault, Action<Person> change, string done)
    {
        if (Everybody.FirstOrDefault(p => p.Id == id) is not { } person)
        {
            return Refuse("That person is not on the list any more.");
        }

        if (fault(person) is { } wrong)
        {
            return Refuse(wrong);
        }

        change(person);
        Done = $"{person.Name} {done}.";
        (PersonName, SiteId, Role) = (null, null, nameof(Data.Role.Installer));
        return Page();
    }

    private (Role Role, string? Fault) AskedRole() =>
        !Enum.TryParse<Role>(Role, out var role) || !Enum.IsDefined(role) ? (default, $"'{Role}' is no role. Expected: one of the list.")
        : role == Data.Role.Client && Sites.All(s => s.Id != SiteId) ? (role, "A client without a site would see nothing. Expected: one of the sites.")
        : (role, null);

    // A company in which nobody may add people would be locked out for good.
    private string? LastFault(Person person) => Everybody.Any(p => p.Id != person.Id && p.LeftAt is null && p.Role.May(Permission.ManagePeople))
        ? null
        : $"{person.Name} is the last who may add people. Expected: somebody else in the office, or a lead, first.";

    private PageResult Refuse(string words)
    {
        Problem = words;
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }
}
