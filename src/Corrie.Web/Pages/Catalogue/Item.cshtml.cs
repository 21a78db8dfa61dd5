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

    /// <summary>What is wrong with the whole, and with no field of it.</summary>
    public List<string> Problems { get; } = [];

    /// <summary>What is wrong with what was typed, by field.</summary>
    public Dictionary<string, string> Wrong { get; } = [];

    /// <summary>The part whose figures the form starts from; null for a blank one.</summary>
    [BindProperty(SupportsGet = true, Name = "from")]
    public string? From { get; set; }

    /// <summary>Parts to start a new one from.</summary>
    public IReadOnlyList<TypicalPart> Typical => Item == "new" ? TypicalParts.Of(Sort) : [];

    /// <summary>The rows of a plate's holes.</summary>
    public IReadOnlyList<TypedRow> Rows { get; private set; } = [];

    /// <summary>The units in which figures are shown, and which a number without a unit is in.</summary>
    public LengthStyle Style => user.Style(UnitSystem.Inches);

    /// <summary>Jobs that use it.</summary>
    public IReadOnlyList<JobRow> UsedBy { get; private set; } = [];

    /// <summary>Its members.</summary>
    public IEnumerable<Member> Members => ((IGroup)Sort.Form).Members.Where(m => !Product.Besides.Contains(m.Name));

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

    /// <summary>Its drawing as far as its figures go; what is not there yet is drawn as is typical. Null where too little is known.</summary>
    public IHtmlContent? Drawing
    {
        get
        {
            var drawn = (JsonObject)document.DeepClone();
            foreach (var problem in Sound(drawn))
            {
                drawn.Remove(problem.Path.TrimStart('/').Split('/')[0]);
            }

            if (Sound(drawn).Count > 0 && TypicalParts.Of(Sort) is [var first, ..])
            {
                // The typical part of its kind, nearest in size.
                var typical = Sort == Display.Kind && drawn["diagonal"] is { } size && LengthReader.Read(size.ToString(), UnitSystem.Inches, directed: false) is { Ok: true } read
                    ? TypicalParts.Of(Sort).MinBy(p => (((Display)Sort.Read(p.Document)).Diagonal - read.Value).Abs)! : first;
                foreach (var (name, value) in typical.Document.Where(m => drawn[m.Key] is null).ToList())
                {
                    drawn[name] = value?.DeepClone();
                }
            }

            return Sound(drawn).Count == 0 ? ItemDrawing.Draw(Sort, drawn, Style) : null;
        }
    }

    private ProductKind Sort => ProductKinds.Of(Kind)!;

    /// <summary>The words of a choice; null for anything else.</summary>
    public IReadOnlyList<(string Key, string Words)>? Words(Shape shape) => shape is IChoice choice ? [.. choice.Words.Select(w => (w, Choices.Spoken(w)))] : shape is YesNoShape ? [("true", "yes"), ("false", "no")] : null;

    /// <summary>Whether a member is a list.</summary>
    public bool IsList(Shape shape) => shape is IListed;

    /// <summary>How a list is typed.</summary>
    public string ListHint(Shape shape) => (shape as IListed)?.Hint ?? string.Empty;

    /// <summary>The unit that stands beside a field; empty for none.</summary>
    public string Unit(Shape shape) => shape switch
    {
        LengthShape length => (length.Bare ?? Style.System) == UnitSystem.Inches ? "in" : "mm",
        MassShape => Style.System == UnitSystem.Inches ? "lb" : "kg",
        AngleShape => "°",
        _ => string.Empty,
    };

    /// <summary>How places on a plate are described.</summary>
    public Shape Along => PlateRows.Along;

    /// <summary>What is wrong in a row of holes; null for nothing.</summary>
    public string? WrongInRow(int row) => Wrong.FirstOrDefault(w => w.Key.StartsWith($"row-{row}-", StringComparison.Ordinal)).Value;

    /// <summary>How many lines a list takes.</summary>
    public int Lines(Member member) => Math.Clamp(Text(member.Name).Count(c => c == '\n') + 2, 2, 8) - (Text(member.Name).Contains('\n') ? 0 : 1);

    /// <summary>What stands in a member, as it is typed.</summary>
    public string Text(string name) => typed.TryGetValue(name, out var text) ? text
        : document[name] is { } value && Members.FirstOrDefault(m => m.Name == name) is { } member ? member.Shape.Text(value, Style)
        : string.Empty;

    /// <summary>Shows the item.</summary>
    public IActionResult OnGet()
    {
        if (!Load())
        {
            return NotFound();
        }

        if (TypicalParts.Find(From ?? string.Empty) is { } start && start.Kind == Sort && Item == "new")
        {
            document = (JsonObject)start.Document.DeepClone();
        }

        Rows = PlateRows.Of(document[PlateRows.Member], Style);
        return Page();
    }

    /// <summary>Draws what has been typed so far, and says at each field what is wrong with it.</summary>
    public IActionResult OnPostDraw()
    {
        if (Refused() is { } refused)
        {
            return refused;
        }

        Take(string.Empty);
        return Partial("_Drawn", this);
    }

    /// <summary>Keeps the item.</summary>
    /// <param name="what">What a button adds to the rows or takes from them; nothing for keeping it.</param>
    public IActionResult OnPost(string? what)
    {
        var version = Version;
        if (Refused() is { } refused)
        {
            return refused;
        }

        Version = version;
        Take(what ?? string.Empty);
        if (!string.IsNullOrEmpty(what))
        {
            Wrong.Clear();
            return Page();
        }

        Problems.AddRange(Sound(document).Where(p => !Wrong.Keys.Any(w => w == p.Path.TrimStart('/').Split('/')[0] || (w.StartsWith("row-", StringComparison.Ordinal) && p.Path.StartsWith("/rows", StringComparison.Ordinal)))).Select(p => p.ToString()));
        if (Problems.Count + Wrong.Count > 0)
        {
            if (Wrong.Count > 0)
            {
                Problems.Insert(0, $"{(Wrong.Count == 1 ? "One field" : $"{Wrong.Count} fields")} could not be taken; what is wrong stands beside it. Nothing was kept.");
            }

            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
            return Page();
        }

        var key = Item == "new" ? Kind[..1] + Guid.NewGuid().ToString("N")[..8] : Item;
        if (!user.Company.Catalogue.Save(key, Kind, document, Item == "new" ? 0 : Version, user.SignIn))
        {
            Problems.Add("Somebody else has changed this item meanwhile; what you typed is kept here. Open the item in another window, compare, and keep it again.");
            Response.StatusCode = StatusCodes.Status409Conflict;
            Version = user.Company.Catalogue.Find(key)?.Version ?? 0;
            return Page();
        }

        return Redirect($"/catalogue/{Kind}/{key}");
    }

    /// <summary>The name of its manual; null for none.</summary>
    public string? Manual => Item == "new" ? null : user.Company.Catalogue.Find(Item)?.Document[Product.ManualKey]?.ToString();

    /// <summary>The manual of an item: the catalogue's, or one that a job was planned with.</summary>
    /// <param name="name">Its name.</param>
    public IActionResult OnGetManual(string? name)
    {
        if (user.Company.Photos.FindManual(name ?? string.Empty) is not { } path)
        {
            return NotFound();
        }

        // What a file may do in a browser is for the page that it is on to say: nothing.
        Response.Headers.ContentSecurityPolicy = "sandbox; default-src 'none'; style-src 'unsafe-inline'";
        return PhysicalFile(path, "application/pdf");
    }

    /// <summary>Keeps a manual with the item, or takes it away.</summary>
    /// <param name="manual">The file.</param>
    /// <param name="what"><c>gone</c> takes the manual away.</param>
    public async Task<IActionResult> OnPostManualAsync(IFormFile? manual, string? what)
    {
        var version = Version;
        if (Refused() is { } refused)
        {
            return refused;
        }

        if (Item == "new")
        {
            return BadRequest();
        }

        Rows = PlateRows.Of(document[PlateRows.Member], Style);
        var after = (JsonObject)document.DeepClone();
        after.Remove(Product.ManualKey);
        if (what != "gone")
        {
            using var bytes = new MemoryStream();
            await (manual?.CopyToAsync(bytes) ?? Task.CompletedTask);
            var (name, problem) = manual is null ? (null, "No file was chosen") : user.Company.Photos.AddManual(bytes.ToArray());
            if (name is null)
            {
                Problems.Add(problem + $". Expected: a manual as a PDF of at most {PhotoStore.MostBytes / 1_000_000} MB.");
                Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
                return Page();
            }

            after[Product.ManualKey] = name;
        }

        if (!user.Company.Catalogue.Save(Item, Kind, after, version, user.SignIn))
        {
            Problems.Add("Somebody else has changed this item meanwhile. Look at it, and add the manual again.");
            Response.StatusCode = StatusCodes.Status409Conflict;
            return Page();
        }

        return Redirect($"/catalogue/{Kind}/{Item}");
    }

    private IActionResult? Refused() => !Edits ? Forbid() : Load() ? null : NotFound();

    // The document as it is typed; what cannot be taken is left out of it and said at its field.
    private void Take(string what)
    {
        typed = Members.Where(m => m.Name != PlateRows.Member).ToDictionary(m => m.Name, m => Request.Form["m." + m.Name].ToString().Trim());
        var manual = document[Product.ManualKey]?.DeepClone();
        document = [];
        if (manual is not null)
        {
            document[Product.ManualKey] = manual;
        }

        foreach (var member in Members.Where(m => typed.GetValueOrDefault(m.Name) is { Length: > 0 }))
        {
            var value = member.Shape.Take(typed[member.Name], Style.System, out var problem);
            if (problem is null)
            {
                document[member.Name] = value;
            }
            else
            {
                Wrong[member.Name] = problem.ToString();
            }
        }

        Rows = PlateRows.Of(Request.Form).With(what);
        if (Members.Any(m => m.Name == PlateRows.Member) && Rows.Count > 0)
        {
            document[PlateRows.Member] = Rows.Take(Style.System, (field, words) => Wrong[field] = words);
        }
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
