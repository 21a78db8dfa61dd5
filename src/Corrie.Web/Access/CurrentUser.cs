using System.Globalization;
using System.Security.Claims;
using Corrie.Core.Measure;
using Corrie.Data;

namespace Corrie.Web.Access;

/// <summary>Who reads a page, in which company, and in which units.</summary>
public sealed class CurrentUser
{
    /// <summary>The cookie that keeps the reader's own units.</summary>
    public const string UnitsCookie = "corrie-units";

    private const string CompanyClaim = "company";
    private const string SessionClaim = "session";
    private const string TokenClaim = "token";

    private CurrentUser(Company company, string signIn, string name, Role role, long? siteId, string units, CancellationToken gone, CancellationToken ended)
    {
        Gone = gone;
        Ended = ended;
        Company = company;
        SignIn = signIn;
        Name = name;
        Role = role;
        SiteId = siteId;
        Units = units;
    }

    /// <summary>The choices of units, as key and words.</summary>
    public static IReadOnlyList<(string Key, string Words)> UnitChoices { get; } =
    [
        ("job", "the job's units"), ("in8", "inches, 1/8"), ("in16", "inches, 1/16"), ("in32", "inches, 1/32"), ("ft", "feet and inches"), ("mm", "millimetres"),
    ];

    /// <summary>The company's records.</summary>
    public Company Company { get; }

    /// <summary>Name to sign in with.</summary>
    public string SignIn { get; }

    /// <summary>Name to be shown.</summary>
    public string Name { get; }

    /// <summary>Role.</summary>
    public Role Role { get; }

    /// <summary>A client's site.</summary>
    public long? SiteId { get; }

    /// <summary>The reader's choice of units.</summary>
    public string Units { get; }

    /// <summary>Says that the reader does not wait for the answer any more.</summary>
    public CancellationToken Gone { get; }

    /// <summary>Says that the reader's session has ended.</summary>
    public CancellationToken Ended { get; }

    /// <summary>The person; null for a program.</summary>
    public Person? Person { get; private init; }

    /// <summary>Everything that the reader is, the role first.</summary>
    public IReadOnlyList<Role> Roles => Person?.Roles ?? [Role];

    /// <summary>All of that in words.</summary>
    public string RoleWords => Roles.Words();

    /// <summary>Id of the session; null for a program.</summary>
    public string? Session { get; private init; }

    /// <summary>Whether the reader may do something.</summary>
    public bool May(Permission permission) => Roles.Any(r => r.May(permission));

    /// <summary>How lengths are shown to this reader on a job.</summary>
    public LengthStyle Style(UnitSystem job) => StyleOf(Units, job);

    /// <summary>The key of the units in which a job is shown to this reader: never those of the job, which may be changed meanwhile.</summary>
    public string StyleKey(UnitSystem job) => Units != "job" ? Units : job == UnitSystem.Inches ? "in16" : "mm";

    /// <summary>How lengths are shown for a choice of units.</summary>
    public static LengthStyle StyleOf(string units, UnitSystem job) => units switch
    {
        "in8" => new(UnitSystem.Inches, 8),
        "in16" => new(UnitSystem.Inches, 16),
        "in32" => new(UnitSystem.Inches, 32),
        "ft" => new(UnitSystem.Inches, 16, FeetInches: true),
        "mm" => LengthStyle.Millimetres,
        _ => new(job),
    };

    /// <summary>What the sign-in cookie holds: who it is and in which session, and not what they may do, which can change.</summary>
    public static ClaimsPrincipal Principal(Company company, Person person, string session, string scheme) => new(new ClaimsIdentity(
        [new(ClaimTypes.NameIdentifier, person.SignIn), new(CompanyClaim, company.Key), new(SessionClaim, session)], scheme));

    /// <summary>What a token stands for: which one it is, and not what it may do.</summary>
    public static ClaimsPrincipal Principal(Company company, ProgramToken token, string scheme) => new(new ClaimsIdentity(
        [new(TokenClaim, token.Id.ToString(CultureInfo.InvariantCulture)), new(CompanyClaim, company.Key)], scheme));

    /// <summary>The reader of a request; null where nobody is signed in, or somebody whose sign-in does not count any more.</summary>
    public static CurrentUser? Of(HttpContext context, Companies companies) => Of(context, context.User, companies);

    /// <summary>The reader that a sign-in stands for; null where it does not count any more.</summary>
    public static CurrentUser? Of(HttpContext context, ClaimsPrincipal user, Companies companies)
    {
        if (user.FindFirstValue(CompanyClaim) is not { } key || companies.Find(key) is not { } company)
        {
            return null;
        }

        var units = context.Request.Cookies[UnitsCookie] is { } chosen && UnitChoices.Any(c => c.Key == chosen) ? chosen : "job";
        if (user.FindFirstValue(TokenClaim) is { } program)
        {
            return company.Tokens.All().FirstOrDefault(t => t.RevokedAt is null && t.Id.ToString(CultureInfo.InvariantCulture) == program) is { } token
                ? new(company, "program." + token.Name, token.Name, token.Role, token.SiteId, units, context.RequestAborted, default)
                : null;
        }

        return user.FindFirstValue(ClaimTypes.NameIdentifier) is { } signIn && company.People.Find(signIn) is { LeftAt: null } person &&
            user.FindFirstValue(SessionClaim) is { } session && company.Sessions.Alive(session, person.Id) is { } ended
            ? new(company, person.SignIn, person.Name, person.Role, person.SiteId, units, context.RequestAborted, ended) { Person = person, Session = session }
            : null;
    }
}
