using System.Text.Json.Nodes;
using Corrie.Core.Catalogue;
using Corrie.Core.Format;
using Corrie.Core.Measure;

namespace Corrie.Web.Forms;

/// <summary>What forms need to know of the page that they stand on.</summary>
/// <param name="Document">The sheet.</param>
/// <param name="Style">The units of the page.</param>
/// <param name="StyleKey">Their key, which a form sends back: what differs is found in the units in which it was shown.</param>
/// <param name="Seq">The last entry that the page has.</param>
/// <param name="Edits">Whether the reader may change anything.</param>
/// <param name="Action">Where forms are sent.</param>
/// <param name="Token">The hidden field against forgery.</param>
/// <param name="Problems">What was not taken, by field.</param>
/// <param name="Catalogue">Items of a kind.</param>
/// <param name="Open">The row whose questions are shown; empty for none.</param>
/// <param name="ToOpen">The address that shows a row's questions.</param>
/// <param name="Names">What a text can name: keys and words.</param>
public sealed record FormPage(
    JsonObject Document,
    LengthStyle Style,
    string StyleKey,
    long Seq,
    bool Edits,
    string Action,
    string Token,
    IReadOnlyDictionary<string, FieldProblem> Problems,
    Func<ProductKind, IReadOnlyList<(string Id, string Name)>> Catalogue,
    string Open,
    Func<string, string> ToOpen,
    Func<Names, string, IReadOnlyList<(string Key, string Words)>> Names);
