using System.Text.Json.Nodes;
using Corrie.Core.Jobs.Format;
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
public sealed class ItemModel(Reader reader) : PageModel
{
    private static readonly Dictionary<string, (string Heading, string[] Names)[]> Headings = new()
    {
        ["display"] =
        [
            ("What it is", ["name", "diagonal", "aspect", "mass", "portsUsed"]),
            ("Its outside", ["width", "height", "depth", "pictureUp"]),
            ("Its holes", ["vesaWidth", "vesaHeight", "vesaCentreUp", "vesaCentreRight"]),
        ],
        ["mount"] =
        [
            ("What it is", ["name", "kind", "walls", "studs", "mass"]),
            ("What it carries", ["rated", "sizeFrom", "sizeTo", "vesaNarrowest", "vesaWidest", "vesaHighest"]),
            ("Its plate", ["plateWidth", "plateHeight", "hookUp", "plateThickness", "rows", "templateHeight"]),
            ("Its arms", ["hookAboveFirstHole", "armPitch", "armHoles", "armTopAboveHook", "armLength"]),
            ("How it moves", ["slide", "raiseBy", "lowerBy", "tiltDown", "depthParked", "depthExtended", "clearAbove"]),
        ],
        ["fastener"] =
        [
            ("What it is", ["name", "kind"]),
            ("Its size", ["diameter", "length", "tip", "washer", "hole", "grip"]),
            ("What it holds", ["ratedTension", "basis"]),
        ],
    };

    private JsonObject document = [];
    private Dictionary<string, string> typed = [];

    /// <summary>Which kind.</summary>
    [BindProperty(SupportsGet = true)]
    public string Kind { get; set; } = "display";

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
    public bool Edits => reader.May(Permission.EditCatalogue);

    /// <summary>What is wrong with what was typed.</summary>
    public List<string> Problems { get; } = [];

    /// <summary>Members whose text was not taken.</summary>
    public HashSet<string> Bad { get; } = [];

    /// <summary>Jobs that use it.</summary>
    public IReadOnlyList<JobRow> UsedBy { get; private set; } = [];

    /// <summary>Its members.</summary>
    public IEnumerable<Member> Members => Form.Members.Where(m => m.Name != "item");

    /// <summary>Its members by what they are about, in the order in which somebody reads a data sheet.</summary>
    public IEnumerable<(string Heading, IReadOnlyList<Member> Members)> Groups
    {
        get
        {
            var rest = Members.ToList();
            foreach (var (heading, names) in Headings.GetValueOrDefault(Kind, []))
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
    public IHtmlContent? Drawing => Sound(document).Count == 0 ? ItemDrawing.Draw(Kind, document, reader.Style(UnitSystem.Inches)) : null;

    private GroupShape Form => Kind switch
    {
        "mount" => SheetShape.Mount,
        "fastener" => SheetShape.Fastener,
        _ => SheetShape.Display,
    };

    /// <summary>The words of a choice; null for anything else.</summary>
    public IReadOnlyList<string>? Words(Shape shape) => shape is ChoiceShape choice ? choice.Words : shape is YesNoShape ? ["true", "false"] : null;

    /// <summary>Whether a member is a list.</summary>
    public bool IsList(Shape shape) => shape is ListShape;

    /// <summary>How a list is typed.</summary>
    public string ListHint(string name) => name == "rows"
        ? "A row a line: name, height over the hook line, then its holes and slots: top -1/2 in: -9 in..-7 in, 7 in..9 in"
        : "One or more of wood-studs, steel-studs, masonry, with commas";

    /// <summary>What stands in a member, as it is typed.</summary>
    public string Text(string name) => typed.TryGetValue(name, out var text) ? text : document[name] switch
    {
        null => string.Empty,
        JsonArray rows when name == "rows" => string.Join('\n', rows.Select(r =>
            $"{r!["id"]} {r["aboveHook"]}: {string.Join(", ", ((JsonArray)r["slots"]!).Select(s => $"{s!["from"]}..{s["to"]}"))}")),
        JsonArray list => string.Join(", ", list.Select(w => w!.ToString())),
        var value => value.ToString(),
    };

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
        if (!reader.Company.Catalogue.Save(key, Kind, made, Item == "new" ? 0 : Version, reader.SignIn))
        {
            Problems.Add("Somebody else has changed this item meanwhile; what you typed is kept here. Open the item in another window, compare, and keep it again.");
            Response.StatusCode = StatusCodes.Status409Conflict;
            Version = reader.Company.Catalogue.Find(key)?.Version ?? 0;
            return Page();
        }

        return Redirect($"/catalogue/{Kind}/{key}");
    }

    private JsonNode? Take(Member member, string text)
    {
        if (member.Shape is ListShape)
        {
            return member.Name == "rows"
                ? new JsonArray([.. text.Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).Select(Row)])
                : new JsonArray([.. text.Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).Select(w => JsonValue.Create(w))]);
        }

        var value = member.Shape.Take(text, UnitSystem.Inches, out var problem);
        if (problem is not null)
        {
            Bad.Add(member.Name);
            Problems.Add($"{member.Shape.Says}: {problem}");
        }

        return value;
    }

    // What cannot be taken apart stays text, and the check of the whole says what was expected.
    private static JsonNode Row(string line)
    {
        var (head, rest) = line.Split(':', 2) is [var h, var r] ? (h.Trim(), r) : (line, string.Empty);
        var space = head.IndexOf(' ');
        return new JsonObject
        {
            ["id"] = space < 0 ? head : head[..space],
            ["aboveHook"] = space < 0 ? string.Empty : head[(space + 1)..].Trim(),
            ["slots"] = new JsonArray([.. rest.Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).Select(s =>
                (JsonNode)new JsonObject { ["from"] = s.Split("..")[0].Trim(), ["to"] = s.Split("..")[^1].Trim() })]),
        };
    }

    private List<SheetProblem> Sound(JsonObject item)
    {
        var problems = new List<SheetProblem>();
        Form.Check(item, string.Empty, problems);
        return problems;
    }

    private bool Load()
    {
        if (Item == "new")
        {
            Name = Kind switch
            {
                "mount" => "A new mount",
                "fastener" => "A new bolt, screw or toggle",
                _ => "A new display",
            };
            return Edits;
        }

        if (reader.Company.Catalogue.Find(Item) is not { } found || found.Kind != Kind)
        {
            return false;
        }

        JobDesk.Refresh(reader.Company);
        (document, Name, Version, ChangedBy) = (found.Document, found.Name, found.Version, found.ChangedBy);
        UsedBy = reader.Company.Jobs.List(new(Item: Item, PerPage: 50)).Jobs;
        return true;
    }
}
