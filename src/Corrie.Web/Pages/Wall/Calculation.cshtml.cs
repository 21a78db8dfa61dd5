using Corrie.Core.Catalogue;
using Corrie.Core.Fixing;
using Corrie.Core.Planning;
using Corrie.Web.Access;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;

namespace Corrie.Web.Pages.Wall;

/// <summary>The whole calculation of a plate's bolts, as somebody checks it by hand.</summary>
[Authorize(nameof(Permission.ReadCatalogue))]
public sealed class CalculationModel(CurrentUser user) : MountPageModel(user)
{
    /// <summary>Shows it.</summary>
    public IActionResult OnGet() => Open() ? Page() : NotFound();
}
