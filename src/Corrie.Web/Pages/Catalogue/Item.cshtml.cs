using System.Text.Json.Nodes;
using Corrie.Core.Catalogue;
using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Data;
using Corrie.Web.Access;
using Corrie.Web.Drawing;
using Corrie.Web.Jobs;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Html;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Corrie.Web.Pages.Catalogue;

/// <summary>One item of the catalogue: its figures, its drawing and the jobs that use it.</summary>
[Authorize(nameof(Permission.ReadCatalogue))]
public sealed class ItemModel(CurrentUser user) : PageModel
{
    private JsonObject document = [];
    private Dictionary<string, string> typed = [];

    /// <summary>Which kind.</summary>
    [BindProperty(SupportsGet = true)]
    public string Kind { get; set; } = Display.Kind.Word;

    /// <summary>The item's key, or <c>new</c>.</summary>
    [BindProperty(SupportsGet = true)]
    public string Item { get; set; } = "new";

    /// <summary>The version that the form was made from.</summary>
    [BindProperty]
    public long Version { get; set; }

    /// <summary>What the item is called.</summary>
    public string Name { get; private set; } = string.Empty;

    /// <summary>Who changed it last.</summary>
    public string ChangedBy { get; private set; } = string.Empty;

    /// <summary>Whether the reader may change it.</summary>
    public bool Edits => user.May(Permission.EditCatalogue);

    /// <summary>What is wrong with what was typed.</summary>
    public List<string> Problems { get; } = [];

    /// <summary>Members whose text was not taken.</summary>
    public HashSet<string> Bad { get; } = [];

    /// <summary>Jobs that use it.</summary>
    public IReadOnlyList<JobRow> UsedBy { get; private set; } = [];

    /// <summary>Its members.</summary>
    public IEnumerable<Member> Members => ((IGroup)Sort.Form).Members.Where(m => m.Name != Product.CatalogueKey);

    /// <summary>Its members by what they are about, in the order in which somebody reads a data sheet.</summary>
    public IEnumerable<(string Heading, IReadOnlyList<Member> Members)> Groups
    {
        get
        {
            var rest = Members.ToList();
            foreach (var (heading, names) in Sort.Headings)
            {
                List<Member> group = [.. names.Select(n => rest.FirstOrDefault(m => m.Name == n)).OfType<Member>()];
                rest.RemoveAll(group.Contains);
                yield return (heading, group);
            }

            if (rest.Count > 0)
            {
                yield return ("Besides", rest);
            }
        }
    }

    /// <summary>Its drawing; null where it is not sound yet.</summary>
    public IHtmlContent? Drawing => Sound(document).Count == 0 ? ItemDrawing.Draw(Sort, document, user.Style(UnitSystem.Inches)) : null;

    private ProductKind Sort => ProductKinds.Of(Kind)!;

    /// <summary>The words of a choice; null for anything else.</summary>
    public IReadOnlyList<string>? Words(Shape shape) => shape is IChoice choice ? choice.Words : shape is YesNoShape ? ["true", "false"] : null;

    /// <summary>Whether a member is a list.</summary>
    public bool IsList(Shape shape) => shape is IListed;

    /// <summary>How a list is typed.</summary>
    public string ListHint(Shape shape) => (shape as IListed)?.Hint ?? string.Empty;

    /// <summary>How many lines a list takes.</summary>
    public int Lines(Member member) => Math.Clamp(Text(member.Name).Count(c => c == '\n') + 2, 2, 8) - (Text(member.Name).Contains('\n') ? 0 : 1);

    /// <summary>What stands in a member, as it is typed.</summary>
    public string Text(string name) => typed.TryGetValue(name, out var text) ? text
        : document[name] is { } value && Members.FirstOrDefault(m => m.Name == name) is { } member ? member.Shape is LengthShape ? value.ToString() : member.Shape.Text(value, user.Style(UnitSystem.Inches))
        : string.Empty;

    /// <summary>Shows the item.</summary>
    public IActionResult OnGet() => Load() ? Page() : NotFound();

    /// <summary>Keeps the item.</summary>
    public IActionResult OnPost()
    {
        if (!Edits)
        {
            return Forbid();
        }

        var version = Version;
        if (!Load())
        {
            return NotFound();
        }

        Version = version;
        typed = Members.ToDictionary(m => m.Name, m => Request.Form["m." + m.Name].ToString().Trim());
        var made = new JsonObject();
        foreach (var member in Members.Where(m => typed[m.Name].Length > 0))
        {
            made[member.Name] = Take(member, typed[member.Name]);
        }

        Problems.AddRange(Sound(made).Where(p => !Bad.Contains(p.Path.TrimStart('/').Split('/')[0])).Select(p => p.ToString()));
        if (Problems.Count > 0)
        {
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
            return Page();
        }

        var key = Item == "new" ? Kind[..1] + Guid.NewGuid().ToString("N")[..8] : Item;
        if (!user.Company.Catalogue.Save(key, Kind, made, Item == "new" ? 0 : Version, user.SignIn))
        {
            Problems.Add("Somebody else has changed this item meanwhile; what you typed is kept here. Open the item in another window, compare, and keep it again.");
            Response.StatusCode = StatusCodes.Status409Conflict;
            Version = user.Company.Catalogue.Find(key)?.Version ?? 0;
            return Page();
        }

        return Redirect($"/catalogue/{Kind}/{key}");
    }

    private JsonNode? Take(Member member, string text)
    {
        var value = member.Shape.Take(text, UnitSystem.Inches, out var problem);
        if (problem is not null)
        {
            Bad.Add(member.Name);
            Problems.Add($"{member.Shape.Says}: {problem}");
        }

        return value;
    }

    private List<SheetProblem> Sound(JsonObject item)
    {
        var problems = new List<SheetProblem>();
        Sort.Form.Check(item, string.Empty, problems);
        return problems;
    }

    private bool Load()
    {
        if (Item == "new")
        {
            Name = "A new " + char.ToLowerInvariant(Sort.Title[0]) + Sort.Title[1..];
            return Edits;
        }

        if (user.Company.Catalogue.Find(Item) is not { } found || found.Kind != Kind)
        {
            return false;
        }

        JobDesk.Refresh(user.Company);
        (document, Name, Version, ChangedBy) = (found.Document, found.Name, found.Version, found.ChangedBy);
        UsedBy = user.Company.Jobs.List(new(Item: Item, PerPage: 50)).Jobs;
        return true;
    }
}
