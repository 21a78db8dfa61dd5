using Corrie.Core.Feeds;
using Corrie.Web.Access;
using Corrie.Web.Jobs;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;

namespace Corrie.Web.Pages.Wall;

/// <summary>What a licensed electrician is asked for, by the code that holds at the site, with the places of all boxes; to print and to take along.</summary>
[Authorize(nameof(Permission.ReadJobs))]
public sealed class ElectricianModel(CurrentUser user) : WallPageModel(user)
{
    /// <summary>What is asked for.</summary>
    public ElectricianAsks Asked => ElectricianAsks.Of(Job.Plan);

    /// <summary>What is known of the site's mains.</summary>
    public Electrics Code => Job.Plan.Sheet.Get(Electrics.Part)!;

    /// <summary>Shows it.</summary>
    public IActionResult OnGet() => Open() ? Page() : NotFound();
}
