using Corrie.Core.Catalogue;

namespace Corrie.Web.Stages;

/// <summary>Asks which item of the catalogue is meant, each a press away; the whole list is in the form below.</summary>
/// <param name="Page">The page.</param>
/// <param name="Question">The question.</param>
/// <param name="Kind">Kind of the items.</param>
/// <param name="Handler">The handler that takes the answer.</param>
/// <param name="Field">The field that the answer is sent in.</param>
/// <param name="Before">What stands before an item's key in the field's value.</param>
public sealed record Choosing(Pages.Wall.IndexModel Page, string Question, string Kind, string Handler, string Field, string Before = "")
{
    private const int Most = 8;

    /// <summary>The items to press.</summary>
    public IReadOnlyList<(string Id, string Name)> Items => [.. Page.CurrentUser.Company.Catalogue.Names(Kind).Take(Most)];

    /// <summary>Typical parts, for what is not known yet.</summary>
    public IReadOnlyList<TypicalPart> Typical => TypicalParts.Of(ProductKinds.Of(Kind)!);
}
