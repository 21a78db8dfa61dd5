using Corrie.Data;

namespace Corrie.Web.Access;

/// <summary>What somebody may do.</summary>
public enum Permission
{
    /// <summary>See jobs; a client only those of their own site.</summary>
    ReadJobs,

    /// <summary>Append entries to a job sheet, and take back one's own.</summary>
    EditJobs,

    /// <summary>Agree, for the client, to where a display goes: the one thing that a client may write.</summary>
    Consent,

    /// <summary>Take back others' entries.</summary>
    UndoOthers,

    /// <summary>Override a stop, in one's own name and with a reason; final stops nobody overrides.</summary>
    OverrideStops,

    /// <summary>Set aside the entry that damages a job.</summary>
    MendJobs,

    /// <summary>Start and import jobs.</summary>
    StartJobs,

    /// <summary>Let a client read a job's hand-over by a link.</summary>
    ShareJobs,

    /// <summary>See photos as they came from the camera, with place and time in them.</summary>
    SeeOriginals,

    /// <summary>See the catalogue.</summary>
    ReadCatalogue,

    /// <summary>Change the catalogue.</summary>
    EditCatalogue,

    /// <summary>Change the company's own figures.</summary>
    EditPolicy,

    /// <summary>Add people and give them new passwords.</summary>
    ManagePeople,

    /// <summary>Give programs tokens, and revoke them.</summary>
    ManageTokens,
}

/// <summary>The one table of who may do what; every page and endpoint names a permission as its policy.</summary>
public static class Permissions
{
    private static readonly Dictionary<Role, HashSet<Permission>> Table = new()
    {
        [Role.Office] = [Permission.ReadJobs, Permission.EditJobs, Permission.Consent, Permission.OverrideStops, Permission.MendJobs, Permission.StartJobs, Permission.ShareJobs, Permission.SeeOriginals, Permission.ReadCatalogue, Permission.EditCatalogue, Permission.EditPolicy, Permission.ManagePeople, Permission.ManageTokens],
        [Role.Lead] = [Permission.ReadJobs, Permission.EditJobs, Permission.Consent, Permission.UndoOthers, Permission.OverrideStops, Permission.StartJobs, Permission.ShareJobs, Permission.SeeOriginals, Permission.ReadCatalogue, Permission.EditCatalogue, Permission.EditPolicy, Permission.ManagePeople],
        [Role.Installer] = [Permission.ReadJobs, Permission.EditJobs, Permission.Consent, Permission.ReadCatalogue],
        [Role.Electrician] = [Permission.ReadJobs, Permission.EditJobs, Permission.Consent, Permission.ReadCatalogue],
        [Role.Client] = [Permission.ReadJobs, Permission.Consent],
    };

    /// <summary>Whether a role may do something.</summary>
    public static bool May(this Role role, Permission permission) => Table[role].Contains(permission);

    /// <summary>Roles in words.</summary>
    public static string Words(this IReadOnlyList<Role> roles) => string.Join(" and ", roles.Select(r => r.ToString().ToLowerInvariant()));

    /// <summary>All that somebody with these roles may do, in words.</summary>
    public static string MayWords(this IReadOnlyList<Role> roles) => string.Join(", ", Enum.GetValues<Permission>().Where(p => roles.Any(r => r.May(p))).Select(p => p switch
    {
        Permission.ReadJobs => roles.All(r => r == Role.Client) ? "read own site" : "read",
        Permission.EditJobs => "plan",
        Permission.Consent => roles.All(r => r == Role.Client) ? "agree to a place" : "record consent",
        Permission.UndoOthers => "take back others' changes",
        Permission.OverrideStops => "override stops",
        Permission.MendJobs => "mend damaged jobs",
        Permission.StartJobs => "start jobs",
        Permission.ShareJobs => "let clients read a hand-over",
        Permission.SeeOriginals => "see original photos",
        Permission.ReadCatalogue => "look things up in the catalogue",
        Permission.EditCatalogue => "change the catalogue",
        Permission.EditPolicy => "set the company's figures",
        Permission.ManagePeople => "add people",
        Permission.ManageTokens => "let programs in",
        _ => throw new ArgumentOutOfRangeException(nameof(roles), p, "A permission without words."),
    }));
}
