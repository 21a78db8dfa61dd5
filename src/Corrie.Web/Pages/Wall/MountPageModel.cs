using Corrie.Core.Fixing;
using Corrie.Core.Planning;
using Corrie.Web.Access;
using Microsoft.AspNetCore.Mvc;

namespace Corrie.Web.Pages.Wall;

/// <summary>A page of its own about what holds one mount of a job.</summary>
public abstract class MountPageModel(CurrentUser user) : WallPageModel(user)
{
    /// <summary>Key of the mount; the first one that has bolts where nothing is said.</summary>
    [BindProperty(SupportsGet = true, Name = "item")]
    public string? ItemId { get; set; }

    /// <summary>The mounts of the job that have bolts.</summary>
    public IReadOnlyList<Item> Mounts => [.. Job.Plan.Sheet.Items.Where(i => i.Kind == Core.Catalogue.Mount.Kind && Job.Plan.Fixing(i.Id) is { Bolts.Count: > 0 })];

    /// <summary>The mount; null where none has bolts.</summary>
    public Item? Mount => Mounts.FirstOrDefault(m => m.Id == ItemId) ?? (Mounts.Count > 0 ? Mounts[0] : null);

    /// <summary>What holds its plate.</summary>
    public FixingResult? Fixing => Mount is null ? null : Job.Plan.Fixing(Mount.Id);
}
