using System.Text.Json.Nodes;
using Corrie.Core.Catalogue;
using Corrie.Core.Format;
using Corrie.Core.Planning;
using Corrie.Data;

namespace Corrie.Web.Jobs;

/// <summary>Manuals of what a job is planned with, to be read where they are needed.</summary>
public static class Manuals
{
    /// <summary>The manuals of things: those of the catalogue now, whichever copy was planned with.</summary>
    /// <param name="company">The company.</param>
    /// <param name="document">The job's document.</param>
    /// <param name="items">The things.</param>
    public static IEnumerable<(string Name, string Address)> Of(Company company, JsonObject document, params IEnumerable<Item?> items)
    {
        foreach (var path in items.OfType<Item>().Distinct().SelectMany(i => Pages.Wall.IndexModel.Copies.Select(c => $"{i.Here.Pointer}/{c}")))
        {
            if (Pointer.Get(document, path) is JsonObject copy && copy[Product.CatalogueKey]?.ToString() is { } key && company.Catalogue.Kept(key) is { } kept &&
                kept.Json.Contains($"\"{Product.ManualKey}\":", StringComparison.Ordinal) && JsonNode.Parse(kept.Json)?[Product.ManualKey] is { } manual)
            {
                yield return (copy["name"]?.ToString() ?? key, $"/catalogue/{kept.Kind}/{key}?handler=Manual&name={manual}");
            }
        }
    }
}
