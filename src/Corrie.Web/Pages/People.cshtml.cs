using System.Globalization;
using Corrie.Data;
using Corrie.Web.Access;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Corrie.Web.Pages;

/// <summary>The company's people, and who may do what.</summary>
[Authorize(nameof(Permission.ManagePeople))]
public sealed class PeopleModel(CurrentUser user, Passwords passwords, ILogger<PeopleModel> log) : PageModel
{
    private const int MostChanges = 40;
    private const int LongestTokenName = 40;
    private const int LongestName = 80;

    /// <summary>The new person's name.</summary>
    [BindProperty]
    public string? PersonName { get; set; }

    /// <summary>The name to sign in with.</summary>
    [BindProperty]
    public string? SignInName { get; set; }

    /// <summary>The role.</summary>
    [BindProperty]
    public string Role { get; set; } = nameof(Data.Role.Installer);

    /// <summary>What they are besides.</summary>
    [BindProperty]
    public List<string> Also { get; set; } = [];

    /// <summary>What somebody may be besides a role: anything but a client.</summary>
    public static IReadOnlyList<Role> Besides { get; } = [.. Enum.GetValues<Role>().Where(r => r != Data.Role.Client)];

    /// <summary>A client's site.</summary>
    [BindProperty]
    public long? SiteId { get; set; }

    /// <summary>What was wrong.</summary>
    public string? Problem { get; private set; }

    /// <summary>Everybody.</summary>
    public IReadOnlyList<Person> Everybody => user.Company.People.All();

    /// <summary>Sites for clients.</summary>
    public IReadOnlyList<Site> Sites => user.Company.Jobs.Sites();

    /// <summary>What was changed about people, the latest first.</summary>
    public IReadOnlyList<PersonChange> Changes => user.Company.People.Changes(0, MostChanges);

    /// <summary>Whether a change is by somebody else, and the reader has not looked at it yet.</summary>
    public bool IsNews(PersonChange change) => change.By.Length > 0 && change.By != user.SignIn && change.Id > (user.Person?.SeenChange ?? long.MaxValue);

    /// <summary>What programs have, the newest first.</summary>
    public IReadOnlyList<ProgramToken> Tokens => user.Company.Tokens.All();

    /// <summary>Whether the reader may give programs tokens.</summary>
    public bool MayMakeTokens => user.May(Permission.ManageTokens);

    /// <summary>A token that was just made: shown once, and never again.</summary>
    public string? Made { get; private set; }

    /// <summary>The link of an invitation that was just made: shown once.</summary>
    public string? Link { get; private set; }

    /// <summary>Invitations that work.</summary>
    public IReadOnlyList<Invitation> Invitations => user.Company.Invitations.All();

    /// <summary>The name to be shown of who signs in with a name.</summary>
    public string NameOf(string signIn) => user.Company.People.Find(signIn)?.Name ?? (signIn.Length == 0 ? "whoever set Corrie up" : signIn);

    /// <summary>Shows the list.</summary>
    public void OnGet()
    {
    }

    /// <summary>What was done.</summary>
    public string? Done { get; private set; }

    /// <summary>Adds a person.</summary>
    public IActionResult OnPost(string? password)
    {
        var (role, also, fault) = AskedRoles();
        fault = string.IsNullOrWhiteSpace(PersonName) ? "No name was typed. Expected: the person's name."
            : fault is not null ? fault
            : user.Company.People.Find(SignInName ?? string.Empty) is not null ? Taken
            : Passwords.Fault(SignInName, password, PersonName);
        if (fault is not null)
        {
            return Refuse(fault);
        }

        // Somebody else may have added the same person this very moment.
        return user.Company.People.Add(SignInName!, PersonName!.Trim(), role, passwords.Hash(SignInName!, password!), role == Data.Role.Client ? SiteId : null, user.SignIn, also) is null
            ? Refuse(Taken)
            : Redirect("/people");
    }

    /// <summary>Asks somebody to come in.</summary>
    public IActionResult OnPostInvite()
    {
        var (role, also, fault) = AskedRoles();
        fault = string.IsNullOrWhiteSpace(PersonName) || PersonName.Trim().Length > LongestName ? $"No name was typed, or one of over {LongestName} letters. Expected: the person's name." : fault;
        if (fault is not null)
        {
            return Refuse(fault);
        }

        Link = $"{Request.Scheme}://{Request.Host}/invitation/{Invited.Write(user.Company, user.Company.Invitations.Make(PersonName!.Trim(), role, also, role == Data.Role.Client ? SiteId : null, user.SignIn))}";
        (PersonName, SiteId, Role) = (null, null, nameof(Data.Role.Installer));
        return Page();
    }

    /// <summary>For how many years photos are kept; null for ever.</summary>
    public int? KeepYears => user.Company.Retention.Years;

    /// <summary>Photos that are kept longer.</summary>
    public IReadOnlyList<OldPhotos> Old => user.Company.Retention.Old();

    /// <summary>Says how long photos are kept.</summary>
    /// <param name="years">For how many years; empty for ever.</param>
    public IActionResult OnPostKeep(string? years)
    {
        var forEver = string.IsNullOrWhiteSpace(years);
        if (!forEver && (!int.TryParse(years, NumberStyles.None, CultureInfo.InvariantCulture, out var asked) || asked is < 1 or > Retention.Most))
        {
            return Refuse($"'{years}' is no number of years. Expected: 1 to {Retention.Most}, or nothing for ever.");
        }

        user.Company.Retention.Years = forEver ? null : int.Parse(years!, CultureInfo.InvariantCulture);
        return Redirect("/people#keeping");
    }

    /// <summary>Takes an invitation back.</summary>
    public IActionResult OnPostUninvite(long id)
    {
        user.Company.Invitations.Revoke(id);
        return Redirect("/people");
    }

    /// <summary>Gives somebody a new password; where they are signed in, they are signed out.</summary>
    public IActionResult OnPostPassword(long id, string? password) => Change(
        id,
        person => Passwords.Fault(person.SignIn, password, person.Name),
        person => user.Company.People.SetPassword(id, passwords.Hash(person.SignIn, password!), user.SignIn),
        "has a new password");

    /// <summary>Gives somebody another role, from their next request on.</summary>
    public IActionResult OnPostRole(long id)
    {
        var (role, also, fault) = AskedRoles();
        return Change(
            id,
            person => fault ?? (also.Prepend(role).Any(r => r.May(Permission.ManagePeople)) ? null : LastFault(person)),
            _ => user.Company.People.SetRole(id, role, role == Data.Role.Client ? SiteId : null, user.SignIn, also),
            "has another role, and signs in anew");
    }

    /// <summary>Notes that somebody has left, or is back. What they did stays on the record.</summary>
    public IActionResult OnPostLeft(long id, bool left) => Change(
        id,
        person => left ? LastFault(person) : null,
        _ => user.Company.People.SetLeft(id, left, user.SignIn),
        left ? "has left, and cannot sign in any more" : "is back");

    /// <summary>Notes that the reader has looked at what was changed.</summary>
    public IActionResult OnPostSeen(long change)
    {
        if (user.Person is { } reader)
        {
            user.Company.People.SetSeen(reader.Id, change);
        }

        return Redirect("/people");
    }

    /// <summary>Signs everybody out.</summary>
    public IActionResult OnPostSignOutAll()
    {
        user.Company.Sessions.EndAll();
        return Redirect("/sign-in");
    }

    /// <summary>Makes a token for a program.</summary>
    public IActionResult OnPostToken(string? tokenName)
    {
        if (!MayMakeTokens)
        {
            return Forbid();
        }

        var (role, _, fault) = AskedRoles();
        fault ??= tokenName is not { Length: >= 2 and <= LongestTokenName } || !tokenName.All(c => char.IsAsciiLetterOrDigit(c) || c is '-' or '.')
            ? $"'{tokenName}' is no name of a program. Expected: 2 to {LongestTokenName} letters, digits, dots or dashes."
            : Tokens.Any(t => t.RevokedAt is null && string.Equals(t.Name, tokenName, StringComparison.OrdinalIgnoreCase)) ? $"A program named '{tokenName}' has a token already. Expected: another name, or that one revoked first."
            : SiteId is { } site && Sites.All(s => s.Id != site) ? "That site is not on the list. Expected: one of the sites, or all."
            : null;
        if (fault is not null)
        {
            return Refuse(fault);
        }

        Made = TokenSign.Write(user.Company, user.Company.Tokens.Make(tokenName!, role, SiteId, user.SignIn));
        // Whoever goes back to this page may not find it again.
        (SiteId, Role) = (null, nameof(Data.Role.Installer));
        return Page();
    }

    /// <summary>Revokes a program's token, at once and for good.</summary>
    public IActionResult OnPostRevoke(long id)
    {
        if (!MayMakeTokens)
        {
            return Forbid();
        }

        user.Company.Tokens.Revoke(id);
        return Redirect("/people");
    }

    private string Taken => $"Somebody signs in as '{SignInName}' already. Expected: another name.";

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
        log.LogInformation("Person {By} of {Company} changed person {Person}: {What}", user.Person?.Id, user.Company.Key, person.Id, done);
        Done = $"{person.Name} {done}.";
        (PersonName, SiteId, Role) = (null, null, nameof(Data.Role.Installer));
        return Page();
    }

    private (Role Role, IReadOnlyList<Role> Also, string? Fault) AskedRoles()
    {
        var also = Besides.Where(r => Also.Contains(r.ToString()) && r.ToString() != Role).ToList();
        return !Enum.TryParse<Role>(Role, out var role) || !Enum.IsDefined(role) ? (default, also, $"'{Role}' is no role. Expected: one of the list.")
            : role == Data.Role.Client && Sites.All(s => s.Id != SiteId) ? (role, also, "A client without a site would see nothing. Expected: one of the sites.")
            : role == Data.Role.Client && also.Count > 0 ? (role, also, $"A client is nothing else, and would be {also.Words()} too. Expected: one or the other.")
            : (role, also, null);
    }

    // A company in which nobody may add people would be locked out for good.
    private string? LastFault(Person person) => Everybody.Any(p => p.Id != person.Id && p.LeftAt is null && p.Roles.Any(r => r.May(Permission.ManagePeople)))
        ? null
        : $"{person.Name} is the last who may add people. Expected: somebody else in the office, or a lead, first.";

    private PageResult Refuse(string words)
    {
        Problem = words;
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }
}
