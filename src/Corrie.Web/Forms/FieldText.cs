using System.Text.Json.Nodes;
using Corrie.Core.Catalogue;
using Corrie.Core.Format;
using Corrie.Core.Measure;

namespace Corrie.Web.Forms;

/// <summary>The text of a field: the same on the page and where a form's answers are compared with what the page had.</summary>
public static class FieldText
{
    /// <summary>The catalogue's kind that a part is a copy of; null where it is none.</summary>
    public static ProductKind? Product(Shape shape) => ProductKinds.All.FirstOrDefault(k => ReferenceEquals(k.Form, shape));

    /// <summary>What stands in a field.</summary>
    /// <param name="shape">The part's form.</param>
    /// <param name="value">Its value; null for nothing.</param>
    /// <param name="style">The units of the page.</param>
    public static string Of(Shape shape, JsonNode? value, LengthStyle style) =>
        value is null ? string.Empty
        : Product(shape) is not null ? (value as JsonObject)?[Core.Catalogue.Product.CatalogueKey]?.ToString() ?? string.Empty
        : shape.Text(value, style);

    /// <summary>What a row of a list is called, by its name or by its first words, and the figures that say which one it is.</summary>
    /// <param name="item">The description of the list's rows.</param>
    /// <param name="row">The row; null where it is gone.</param>
    /// <param name="style">The units of the page.</param>
    public static (string Name, string Figures) Row(Shape item, JsonObject? row, LengthStyle style)
    {
        List<(Member Member, string Text)> filled =
        [
            .. from m in ((IGroup)item).Members
               where row?[m.Name] is JsonValue && m.Name != "order"
               let value = row![m.Name]!
               select (m, m.Shape is IChoice ? Choices.Spoken(value.ToString()) : Of(m.Shape, value, style)),
        ];
        var named = filled.FirstOrDefault(f => f.Member.Name == "name");
        var head = named.Text is { Length: > 0 } ? named : filled.FirstOrDefault();
        var figures = filled.Where(f => f.Member != head.Member && f.Text.Length > 0 && f.Member.Shape is LengthShape or IChoice).Take(2)
            .Select(f => f.Member.Shape is LengthShape ? $"{Spoken(f.Member.Name)} {f.Text}" : f.Text);
        return (head.Member is null ? item.Says : head.Member.Shape is LengthShape ? $"{Spoken(head.Member.Name)} {head.Text}" : head.Text, string.Join(", ", figures));
    }

    /// <summary>A name of the file in words: <c>bottomToHook</c> is <c>bottom to hook</c>.</summary>
    public static string Spoken(string name) =>
        string.Concat(name.Select(c => char.IsUpper(c) ? " " + char.ToLowerInvariant(c) : c.ToString()));

    /// <summary>Words with a capital at the beginning.</summary>
    public static string Capital(string words) => words.Length == 0 ? words : char.ToUpperInvariant(words[0]) + words[1..];

    /// <summary>Words as they stand within a sentence.</summary>
    public static string Uncapital(string words) => words.Length == 0 ? words : char.ToLowerInvariant(words[0]) + words[1..];
}
