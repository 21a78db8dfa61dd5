using Corrie.Core.Catalogue;
using Corrie.Core.Feeds;
using Corrie.Core.Findings;
using Corrie.Core.Planning;
using Corrie.Web.Access;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;

namespace Corrie.Web.Pages.Wall;

/// <summary>What goes into an enclosure, in which order, and what leaves it.</summary>
[Authorize(nameof(Permission.ReadJobs))]
public sealed class EnclosureModel(CurrentUser user) : WallPageModel(user)
{
    /// <summary>Key of the enclosure; the first one where nothing is said.</summary>
    [BindProperty(SupportsGet = true, Name = "item")]
    public string? ItemId { get; set; }

    /// <summary>All enclosures that have a place, and other boxes in which something stands.</summary>
    public IReadOnlyList<Item> All => [.. Job.Plan.Sheet.Items.Where(i => i.Product is WallBox && Job.Plan.Enclosed(i.Id) is not null)];

    /// <summary>The one that is shown; null where there is none.</summary>
    public Item? Item => All.FirstOrDefault(i => i.Id == ItemId) ?? (All.Count > 0 ? All[0] : null);

    /// <summary>What is wrong with it.</summary>
    public IReadOnlyList<Finding> Wrong => Item is not { } item ? [] : [.. Job.Plan.Findings.Where(f => f.Where.Part.StartsWith(item.Id + "/", StringComparison.Ordinal))];

    /// <summary>Shows it.</summary>
    public IActionResult OnGet() => Open() ? Page() : NotFound();
}
