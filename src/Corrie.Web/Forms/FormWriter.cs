using System.Globalization;
using System.Text;
using System.Text.Encodings.Web;
using System.Text.Json.Nodes;
using Corrie.Core.Catalogue;
using Corrie.Core.Format;
using Corrie.Core.Measure;
using Microsoft.AspNetCore.Html;

namespace Corrie.Web.Forms;

/// <summary>Writes the form of a part of the sheet from its description: a field's name is the part's path.</summary>
/// <param name="page">The page.</param>
public sealed class FormWriter(FormPage page)
{
    /// <summary>Stands for the key of a row that is not there yet.</summary>
    public const string NewKey = "_";

    private const int LongText = 100;
    private readonly StringBuilder html = new(8192);

    /// <summary>One form for some groups of members.</summary>
    /// <param name="name">Name of the form, unique on the page.</param>
    /// <param name="title">Its heading; empty for none.</param>
    /// <param name="groups">Each a pointer, the members that are asked for there, and the words under which they are folded away; empty for open ones.</param>
    public IHtmlContent Form(string name, string title, params IReadOnlyList<(string Pointer, IReadOnlyList<Member> Members, string Fold)> groups)
    {
        html.Clear();
        if (groups.All(g => g.Members.Count == 0))
        {
            return HtmlString.Empty;
        }

        html.Append($"<form class=\"asks\" id=\"form-{name}\" method=\"post\" autocomplete=\"off\" action=\"").Append(Encode(page.Action)).Append("\" hx-post=\"").Append(Encode(page.Action)).Append("\">").Append(page.Token);
        html.Append(CultureInfo.InvariantCulture, $"<input type=\"hidden\" name=\"seen\" value=\"{page.Seq}\"><input type=\"hidden\" name=\"in\" value=\"{page.StyleKey}\">");
        if (page.Edits)
        {
            // The first button is what Enter means.
            html.Append("<button class=\"first\" tabindex=\"-1\">Set</button>");
        }

        if (title.Length > 0)
        {
            html.Append("<h3>").Append(Encode(title)).Append("</h3>");
        }

        foreach (var (pointer, members, fold) in groups.Where(g => g.Members.Count > 0))
        {
            if (fold.Length > 0)
            {
                html.Append("<details class=\"part\" id=\"d").Append(IdOf(pointer)).Append(members.Any(m => page.Problems.ContainsKey(Pointer.Join(pointer, m.Name))) ? "\" open" : "\"").Append("><summary>").Append(Encode(fold)).Append("</summary>");
            }

            Members(pointer, members);
            html.Append(fold.Length > 0 ? "</details>" : string.Empty);
        }

        if (page.Edits)
        {
            html.Append("<button class=\"quiet noscript\">Set</button>");
        }

        return new HtmlString(html.Append("</form>").ToString());
    }

    /// <summary>The members of a group as they are asked for by what stands there.</summary>
    public IReadOnlyList<Member> MembersOf(string pointer, Shape shape) => MembersOf((IGroup)shape, Value(pointer) as JsonObject);

    private static IReadOnlyList<Member> MembersOf(IGroup group, JsonObject? value) => group.MembersOf(value ?? [], Place.Nowhere);

    // Plain questions first, two to a row; then the groups and the lists of things.
    private void Members(string pointer, IReadOnlyList<Member> members)
    {
        bool Plain(Member m) => m.Shape is not (IMap or IGroup) || FieldText.Product(m.Shape) is not null;
        var plain = members.Where(Plain).ToList();
        if (plain.Count > 0)
        {
            html.Append("<div class=\"fields\">");
            foreach (var member in plain)
            {
                Field(Pointer.Join(pointer, member.Name), member);
            }

            html.Append("</div>");
        }

        foreach (var member in members.Where(m => !Plain(m)))
        {
            var path = Pointer.Join(pointer, member.Name);
            if (member.Shape is IMap map)
            {
                Rows(path, member.Shape.Says, map.Item);
            }
            else
            {
                Group(path, (IGroup)member.Shape, member.Shape.Says);
            }
        }
    }

    private void Group(string path, IGroup group, string says)
    {
        var value = Value(path) as JsonObject;
        html.Append("<details class=\"part\" id=\"p").Append(IdOf(path)).Append(value is not null || Refused(path) ? "\" open" : "\"").Append("><summary>").Append(Encode(FieldText.Capital(says))).Append("</summary>");
        Members(path, MembersOf(group, value));
        html.Append("</details>");
    }

    private void Rows(string path, string says, Shape item)
    {
        var map = Value(path) as JsonObject;
        html.Append("<section class=\"list\" hx-boost=\"true\" hx-select=\"#board\"><h4>").Append(Encode(FieldText.Capital(says))).Append(CultureInfo.InvariantCulture, $" <small>{map?.Count ?? 0}</small></h4>");
        foreach (var (key, row) in (map ?? []).OrderBy(r => Rank(r.Value)).ThenBy(r => r.Key, StringComparer.Ordinal))
        {
            var here = Pointer.Join(path, key);
            var (name, figures) = FieldText.Row(item, row as JsonObject, page.Style);
            if (!Pointer.Covers(here, page.Open) && !Refused(here))
            {
                // A wall has many things: the questions of one are written when somebody asks for them.
                html.Append("<a class=\"row\" id=\"t").Append(IdOf(here)).Append("\" href=\"").Append(Encode(page.ToOpen(here))).Append("\">").Append(Encode(name)).Append(" <small>").Append(Encode(figures)).Append("</small></a>");
                continue;
            }

            html.Append("<div class=\"thing open\" id=\"t").Append(IdOf(here)).Append("\"><a class=\"row\" href=\"").Append(Encode(page.ToOpen(string.Empty))).Append("\">").Append(Encode(name)).Append(" <small>").Append(Encode(figures)).Append("</small></a>");
            Members(here, MembersOf((IGroup)item, row as JsonObject));
            if (page.Edits)
            {
                html.Append("<button class=\"quiet\" name=\"remove\" value=\"").Append(Encode(here)).Append("\">Take it away</button>");
            }

            html.Append("</div>");
        }

        if (page.Edits)
        {
            New(Pointer.Join(path, NewKey), path, item);
        }

        html.Append("</section>");
    }

    private void New(string here, string map, Shape item)
    {
        var open = page.Open == here || Refused(here);
        var add = $"Add {(item.Says.StartsWith("a ", StringComparison.Ordinal) ? item.Says : "a " + item.Says)}";
        if (!open)
        {
            html.Append("<a class=\"row new\" id=\"t").Append(IdOf(here)).Append("\" href=\"").Append(Encode(page.ToOpen(here))).Append("\">").Append(Encode(add)).Append("</a>");
            return;
        }

        html.Append("<div class=\"thing open new\" id=\"t").Append(IdOf(here)).Append("\"><a class=\"row\" href=\"").Append(Encode(page.ToOpen(string.Empty))).Append("\">").Append(Encode(add)).Append("</a><div class=\"fields\">");
        foreach (var member in MembersOf((IGroup)item, []).Where(m => m.Shape is not (IMap or IGroup)))
        {
            Field(Pointer.Join(here, member.Name), member);
        }

        html.Append("</div><button class=\"quiet\" name=\"add\" value=\"").Append(Encode(map)).Append("\">Add it</button></div>");
    }

    private void Field(string path, Member member)
    {
        var problem = page.Problems.GetValueOrDefault(path);
        var product = FieldText.Product(member.Shape);
        var value = Value(path);
        var text = problem?.Typed ?? FieldText.Of(member.Shape, value, page.Style);
        var usual = member.Usual?.Invoke(page.Style) ?? string.Empty;
        // What is planned by its size alone needs no catalogue: its figures can be typed. So can those of a typical part, once it is there to be measured.
        var typed = (product is { IsPlaced: true } && product != Display.Kind) || (product is not null && (value as JsonObject)?["typical"]?.GetValueKind() == System.Text.Json.JsonValueKind.True);
        if (typed && page.Catalogue(product!).Count == 0)
        {
            Typed(path, (IGroup)member.Shape, product!, value, open: true);
            return;
        }

        var id = "f" + IdOf(path);
        var wide = product is not null || member.Shape is IListed || member.Shape is TextShape { Names: Names.Nothing, Longest: >= LongText };
        html.Append("<label class=\"q").Append(wide ? " wide" : string.Empty).Append(problem is { Words.Length: > 0 } ? " bad\">" : "\">");
        html.Append("<span>").Append(Encode(FieldText.Capital(Label(member)))).Append("</span>");
        if (problem is null && Other(member.Shape, value) is { } other)
        {
            html.Append("<i>").Append(Encode(other)).Append("</i>");
        }

        if (Options(member, product, path, value) is { } options)
        {
            html.Append("<select").Append(Attributes(id, path, problem)).Append(page.Edits ? ">" : " disabled>");
            Option(string.Empty, product is null ? options.FirstOrDefault(o => o.Key == usual).Words ?? usual : (value as JsonObject)?["name"] is { } own ? own + " (of this job only)" : "choose from the catalogue", text.Length == 0);
            foreach (var (key, words) in options)
            {
                Option(key, words, key == text);
            }

            if (text.Length > 0 && options.All(o => o.Key != text))
            {
                // What is gone from the catalogue or the wall still stands on the sheet.
                Option(text, product is not null && (value as JsonObject)?["name"] is { } name ? name + " (of this job only)" : text, true);
            }

            html.Append("</select>");
        }
        else if (member.Shape is IListed { Hint: not null })
        {
            html.Append("<textarea rows=\"1\"").Append(Attributes(id, path, problem)).Append(page.Edits ? ">" : " readonly>").Append(Encode(text)).Append("</textarea>");
        }
        else
        {
            html.Append("<input").Append(Attributes(id, path, problem)).Append(" value=\"").Append(Encode(text)).Append('"');
            if (usual.Length > 0)
            {
                html.Append(" placeholder=\"").Append(Encode(usual)).Append('"');
            }

            html.Append(page.Edits ? ">" : " readonly>");
        }

        html.Append("<b class=\"says\">").Append(Encode(problem?.Words ?? string.Empty)).Append("</b></label>");
        if (typed)
        {
            // What is of this job alone was typed here, and goes on being typed here.
            Typed(path, (IGroup)member.Shape, product!, value, (value as JsonObject)?[Product.CatalogueKey] is null || Refused(path));
        }
    }

    private void Typed(string path, IGroup form, ProductKind product, JsonNode? value, bool open)
    {
        html.Append("</div><details class=\"part\" id=\"p").Append(IdOf(path)).Append(open ? "\" open" : "\"").Append("><summary>").Append(Encode(product.Title)).Append(" of this job</summary>");
        Members(path, [.. MembersOf(form, value as JsonObject).Where(m => !Product.Besides.Contains(m.Name))]);
        html.Append("</details><div class=\"fields\">");
    }

    private static string Label(Member member) => member.Shape is IListed { Hint: { } hint } ? $"{member.Shape.Says} ({hint})" : member.Shape.Says;

    private List<(string Key, string Words)>? Options(Member member, ProductKind? product, string path, JsonNode? value) => member.Shape switch
    {
        _ when product is not null => [.. page.Catalogue(product)],
        IChoice choice => [.. choice.Words.Select(w => (w, Choices.Spoken(w)))],
        YesNoShape => [("true", "yes"), ("false", "no")],
        TextShape { Names: not Names.Nothing } text => [.. page.Names(text.Names, path)],
        _ => null,
    };

    private void Option(string key, string words, bool chosen) =>
        html.Append("<option value=\"").Append(Encode(key)).Append(chosen ? "\" selected>" : "\">").Append(Encode(words)).Append("</option>");

    private static string Attributes(string id, string path, FieldProblem? problem) =>
        $" id=\"{id}\" name=\"{Encode(path)}\"{(problem is { Words.Length: > 0 } ? " aria-invalid=\"true\"" : string.Empty)}";

    // How a length was understood, in the other units.
    private string? Other(Shape shape, JsonNode? value) => shape is LengthShape length && value is not null
        ? length.Read(value, Place.Nowhere).Show(page.Style.System == UnitSystem.Inches ? LengthStyle.Millimetres : LengthStyle.Inches).ToString()
        : null;

    private bool Refused(string path) => page.Problems.Keys.Any(k => Pointer.Covers(path, k));

    private JsonNode? Value(string path) => Pointer.Get(page.Document, path);

    private static double Rank(JsonNode? row) => (row as JsonObject)?["order"] is JsonValue order && order.TryGetValue<double>(out var rank) ? rank : 0;

    private static string IdOf(string path) => path.Replace('/', '-').Replace(NewKey, "new", StringComparison.Ordinal);

    private static string Encode(string text) => HtmlEncoder.Default.Encode(text);
}
