using System.Text.Json.Nodes;
using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Data;

namespace Corrie.Web.Jobs;

/// <summary>A part of a job whose figures are not those that the catalogue has now.</summary>
/// <param name="Name">What it is.</param>
/// <param name="Differences">The figures that differ, in words.</param>
/// <param name="TakeOver">The change that takes the catalogue's.</param>
/// <param name="Brings">What the plan would be with them; null where they could not be planned with.</param>
public sealed record OlderPart(string Name, IReadOnlyList<OlderFigure> Differences, Change TakeOver, RemedyOutcome? Brings);

/// <summary>Compares a job's copies of parts with the catalogue.</summary>
public static class CatalogueAge
{
    /// <summary>The parts on a wall that the catalogue has other figures of.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="document">Its document.</param>
    /// <param name="things">The things whose parts are compared.</param>
    /// <param name="company">The company.</param>
    /// <param name="style">The reader's units.</param>
    public static IReadOnlyList<OlderPart> Of(JobPlan plan, JsonObject document, IEnumerable<Item> things, Company company, LengthStyle style) =>
    [
        .. things.SelectMany(i => new[] { Pointer.Join(i.Here.Pointer, "product"), Pointer.Join(i.Here.Pointer, "bolt") })
            .Select(path => Compare(plan, document, path, company, style)).OfType<OlderPart>(),
    ];

    private static OlderPart? Compare(JobPlan plan, JsonObject document, string path, Company company, LengthStyle style)
    {
        if (Pointer.Get(document, path) is not JsonObject copy || copy[Product.CatalogueKey]?.ToString() is not { } key || company.Catalogue.Kept(key) is not { } kept || ProductKinds.Of(kept.Kind) is not { } kind)
        {
            return null;
        }

        var own = (JsonObject)copy.DeepClone();
        own.Remove(Product.CatalogueKey);
        if (own.ToJsonString() == kept.Json)
        {
            return null;
        }

        var now = (JsonObject)JsonNode.Parse(kept.Json)!;
        List<OlderFigure> differences =
        [
            .. from member in ((IGroup)kind.Form).MembersOf(now, Place.Nowhere)
               where !Product.Besides.Contains(member.Name)
               let here = Text(own, member, style)
               let there = Text(now, member, style)
               where here != there
               select new OlderFigure(member.Shape.Says, here, there),
        ];
        now[Product.CatalogueKey] = key;
        var change = new Change(path, now);
        return differences.Count == 0 ? null : new(own["name"]?.ToString() ?? kind.Title, differences, change, RemedyProof.Brings(document, plan, change));
    }

    private static string Text(JsonObject group, Member member, LengthStyle style) =>
        PolicyAge.Text(group, member, style) is { Length: > 0 } text ? text : "not entered";
}
