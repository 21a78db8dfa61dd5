using Corrie.Web.Access;
using Corrie.Web.Jobs;
using Corrie.Web.Sheets;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;

namespace Corrie.Web.Pages.Wall;

/// <summary>What is handed over, as one PDF.</summary>
[Authorize(nameof(Permission.ReadJobs))]
public sealed class HandOverModel(CurrentUser user) : WallPageModel(user)
{
    /// <summary>Sends it.</summary>
    public IActionResult OnGet() => Open() ? File(HandOverPaper.Write(Job.Plan, Style, Job.AsOf), "application/pdf", $"hand-over-{Id}.pdf") : NotFound();
}
