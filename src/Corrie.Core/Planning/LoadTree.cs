using Corrie.Core.Catalogue;
using Corrie.Core.Format;
using Corrie.Core.Measure;

namespace Corrie.Core.Planning;

/// <summary>What hangs on what, down to the wall.</summary>
public static class LoadTree
{
    /// <summary>Whether a thing's chain of holders ends at a wall.</summary>
    /// <param name="item">The thing.</param>
    /// <param name="items">All things by key.</param>
    /// <returns>False where a holder is not there or the chain comes back to itself.</returns>
    public static bool Sound(Item item, IReadOnlyDictionary<string, Item> items) => Loop(item, items) is null && (item.SaidOn.Length == 0 || items.ContainsKey(item.SaidOn));

    /// <summary>The loop that a thing's chain of holders runs into.</summary>
    /// <param name="item">The thing.</param>
    /// <param name="items">All things by key.</param>
    /// <returns>The keys of the loop, from the smallest on; null where there is none.</returns>
    public static IReadOnlyList<string>? Loop(Item item, IReadOnlyDictionary<string, Item> items)
    {
        var seen = new List<string>();
        for (var at = item; ; at = items[at.SaidOn])
        {
            var again = seen.IndexOf(at.Id);
            if (again >= 0)
            {
                var loop = seen[again..];
                var first = loop.IndexOf(loop.Min(StringComparer.Ordinal)!);
                return [.. loop[first..], .. loop[..first]];
            }

            seen.Add(at.Id);
            if (at.SaidOn.Length == 0 || !items.ContainsKey(at.SaidOn))
            {
                return null;
            }
        }
    }

    /// <summary>What is wrong with who hangs on whom and where.</summary>
    /// <param name="walls">The walls.</param>
    /// <param name="items">The things.</param>
    /// <returns>A problem for each reference that leads nowhere, in a loop, or to another wall.</returns>
    public static IEnumerable<SheetProblem> Problems(IReadOnlyList<WallSheet> walls, IReadOnlyList<Item> items)
    {
        var byId = items.ToDictionary(i => i.Id);
        foreach (var item in items)
        {
            var here = item.Here.Pointer;
            if (item.SaidWall.Length > 0 && walls.All(w => w.Id != item.SaidWall))
            {
                yield return new(here + "/wall", item.SaidWall, $"The {item.Name} is on a wall '{item.SaidWall}' that is not there", $"one of {Listed(walls.Select(w => w.Id))}");
            }

            if (item.For.Length > 0 && !byId.ContainsKey(item.For))
            {
                yield return new(here + "/for", item.For, $"The {item.Name} is for a thing '{item.For}' that is not there", $"one of {Listed(items.Select(i => i.Id))}");
            }

            if (item.SaidOn.Length == 0)
            {
                continue;
            }

            if (!byId.TryGetValue(item.SaidOn, out var holder))
            {
                yield return new(here + "/on", item.SaidOn, $"The {item.Name} hangs on a thing '{item.SaidOn}' that is not there", $"one of {Listed(items.Select(i => i.Id).Where(i => i != item.Id))}, or nothing for the wall itself");
            }
            else if (Loop(item, byId) is { } loop)
            {
                yield return new(here + "/on", item.SaidOn, $"{string.Join(" hangs on ", loop.Append(loop[0]).Select(id => byId[id].Name == byId[id].Kind.Title ? id : $"{id} ({byId[id].Name})"))}: that goes round in a loop", "a chain that ends at a wall");
            }
            else if (item.SaidWall.Length > 0 && WallOf(holder, byId) is { Length: > 0 } wall && wall != item.SaidWall)
            {
                yield return new(here + "/wall", item.SaidWall, $"The {item.Name} is on wall '{item.SaidWall}' and hangs on the {holder.Name}, which is on wall '{wall}'", $"'{wall}', or nothing");
            }
        }
    }

    /// <summary>What a thing carries, its own weight not counted.</summary>
    /// <param name="sheet">The sheet.</param>
    /// <param name="item">The thing.</param>
    /// <returns>The sum of all that hangs on it, directly or not.</returns>
    public static Mass Load(JobSheet sheet, Item item) => sheet.AllCarried(item).Aggregate(default(Mass), (sum, c) => sum + (c.Product?.Mass ?? default));

    private static string WallOf(Item item, Dictionary<string, Item> items) => item.SaidOn.Length > 0 && items.TryGetValue(item.SaidOn, out var holder) ? WallOf(holder, items) : item.SaidWall;

    private static string Listed(IEnumerable<string> ids)
    {
        var some = ids.Take(6).ToList();
        return some.Count == 0 ? "none, as there are none" : string.Join(", ", some);
    }
}
