using System.Globalization;
using System.Security.Claims;
using Corrie.Core.Measure;
using Corrie.Data;

namespace Corrie.Web.Access;

/// <summary>Who reads a page, in which company, and in which units.</summary>
public sealed class Reader
{
    /// <summary>The cookie that keeps the reader's own units.</summary>
    public const string UnitsCookie = "corrie-units";

    private const string CompanyClaim = "company";
    private const string SiteClaim = "site";

    private Reader(Company company, string signIn, string name, Role role, long? siteId, string units)
    {
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

    /// <summary>Whether the reader may do something.</summary>
    public bool May(Permission permission) => Role.May(permission);

    /// <summary>How lengths are shown to this reader on a job.</summary>
    public LengthStyle Style(UnitSystem job) => Units switch
    {
        "in8" => new(UnitSystem.Inches, 8),
        "in16" => new(UnitSystem.Inches, 16),
        "in32" => new(UnitSystem.Inches, 32),
        "ft" => new(UnitSystem.Inches, 16, FeetInches: true),
        "mm" => LengthStyle.Millimetres,
        _ => new(job),
    };

    /// <summary>What the sign-in cookie holds of a person.</summary>
    public static ClaimsPrincipal Principal(Company company, Person person, string scheme)
    {
        var identity = new ClaimsIdentity(
            [
                new(ClaimTypes.NameIdentifier, person.SignIn),
                new(ClaimTypes.Name, person.Name),
                new(ClaimTypes.Role, person.Role.ToString()),
                new(CompanyClaim, company.Key),
            ],
            scheme);
        if (person.SiteId is { } site)
        {
            identity.AddClaim(new(SiteClaim, site.ToString(CultureInfo.InvariantCulture)));
        }

        return new(identity);
    }

    /// <summary>The reader of a request; null where nobody is signed in.</summary>
    public static Reader? Of(HttpContext context, Companies companies)
    {
        var user = context.User;
        if (user.FindFirstValue(CompanyClaim) is not { } key || companies.Find(key) is not { } company ||
            !Enum.TryParse<Role>(user.FindFirstValue(ClaimTypes.Role), out var role))
        {
            return null;
        }

        var units = context.Request.Cookies[UnitsCookie];
        return new(
            company,
            user.FindFirstValue(ClaimTypes.NameIdentifier)!,
            user.FindFirstValue(ClaimTypes.Name)!,
            role,
            long.TryParse(user.FindFirstValue(SiteClaim), out var site) ? site : null,
            UnitChoices.Any(c => c.Key == units) ? units! : "job");
    }
}
