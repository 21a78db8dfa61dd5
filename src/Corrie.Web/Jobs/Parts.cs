using Corrie.Core.Catalogue;
using Corrie.Data;
using Corrie.Web.Forms;

namespace Corrie.Web.Jobs;

/// <summary>What a job can be made of: the company's catalogue, and behind it typical parts for what is not known yet.</summary>
public static class Parts
{
    /// <summary>Keys and names of a kind, the company's own first.</summary>
    public static IReadOnlyList<(string Id, string Name)> Names(Company company, ProductKind kind) =>
        [.. company.Catalogue.Names(kind.Word), .. TypicalParts.Of(kind).Select(p => (p.Id, p.Name))];

    /// <summary>A copy of a part for a sheet; null where there is no such part.</summary>
    public static CatalogueCopy? Copy(Company company, string id) =>
        company.Catalogue.Find(id) is { } found ? CatalogueCopy.Of(found.Id, found.Kind, found.Document)
        : TypicalParts.Find(id) is { } typical ? CatalogueCopy.Of(typical.Id, typical.Kind.Word, typical.Document)
        : null;
}
