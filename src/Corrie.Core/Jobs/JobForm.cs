using System.Text.Json.Nodes;
using Corrie.Core.Catalogue;
using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Core.Planning;

namespace Corrie.Core.Jobs;

/// <summary>The form of the job file, put together from the parts of all stages, and the reading of a document.</summary>
public static class JobForm
{
    /// <summary>The value of the member <c>format</c>.</summary>
    public const string Format = "corrie-job/2";

    private const int MostWalls = 40;
    private const int MostItems = 400;

    private static readonly GroupShape<JobHead> Head = new("what the job is called", m => new JobHead(
        m.Text("number", "the company's number", 24),
        m.Text("title", "what the crew calls it", 120),
        m.Text("site", "where it is", 200),
        m.Need("units", new WordShape("the job's units", "in", "mm")) == "mm" ? UnitSystem.Millimetres : UnitSystem.Inches,
        m.Yes("archived", "whether the job is put away, out of the list")));

    private static readonly HolderShape Wall = new(
        "a wall", [new("name", new TextShape("what people call it", 80))], Of(Holder.Wall));

    private static readonly ItemShape Item = new(Of(Holder.Item));

    private static readonly MapShape<object?> Walls = new("the walls, and a ceiling where something hangs on it", Wall, MostWalls);

    private static readonly MapShape<object?> Items = new("the things: displays, mounts and so on", Item, MostItems);

    /// <summary>The form of the whole file.</summary>
    public static Shape Root { get; } = new HolderShape(
        "a job",
        [
            new("format", new WordShape("the form of this file", Format), Needed: true),
            new("job", Head, Needed: true),
            new("policy", Policy.Form),
            new("walls", Walls),
            new("items", Items),
        ],
        Of(Holder.Job));

    /// <summary>
    /// Reads a document. Parts that are wrong are left out of the sheet and listed, so that nothing else is lost with them; so are references to
    /// things that are not there, and loops in what hangs on what.
    /// </summary>
    /// <param name="document">A job document; not changed.</param>
    /// <returns>The sheet, and what is wrong.</returns>
    public static (JobSheet Sheet, IReadOnlyList<SheetProblem> Problems) Read(JsonObject document)
    {
        var problems = new List<SheetProblem>();
        Root.Check(document, string.Empty, problems);
        var sound = problems.Count == 0 ? document : Without(document, problems);
        var head = sound["job"] is JsonObject job ? Head.Read(job) : new(string.Empty, string.Empty, string.Empty, UnitSystem.Inches);
        var here = new Place(null, string.Empty, head.Units);
        List<WallSheet> walls = [.. Keys(sound["walls"]).Select(k => WallOf(here, k, (JsonObject)sound["walls"]![k]!))];
        List<Item> items = [.. Keys(sound["items"]).Select(k => ItemOf(here, k, (JsonObject)sound["items"]![k]!))];
        List<LeftOut> leftOut = [.. problems.Select(p => Lost(document, sound, p)).DistinctBy(l => l.Path)];
        return Together(head, sound, here, walls, items, problems, leftOut);
    }

    // What goes with a part that is wrong: the outermost of what holds it that is not among the sound.
    private static LeftOut Lost(JsonObject document, JsonObject sound, SheetProblem problem)
    {
        var path = string.Empty;
        Shape? holder = Root;
        foreach (var key in Pointer.Split(problem.Path))
        {
            holder = path.Length == 0 ? Root : At(path, document);
            path = Pointer.Join(path, key);
            if (Pointer.Get(sound, path) is null)
            {
                break;
            }
        }

        var said = At(path, document)?.Says ?? "something that no job has";
        var name = (Pointer.Get(document, path) as JsonObject)?["name"] is JsonValue value && value.TryGetValue<string>(out var called) && called.Length > 0 ? called
            : holder is IMap ? $"{holder.Says}, '{Pointer.Split(path)[^1]}'" : said;
        return new(path, name, At(problem.Path, document)?.Says ?? said, problem);
    }

    /// <summary>
    /// Reads a document of which most is known: parts that no change touched are taken over as they are, so that the planner sees that they are
    /// the same.
    /// </summary>
    /// <param name="document">A job document; not changed.</param>
    /// <param name="previous">The sheet before the changes, read without a problem; null reads everything.</param>
    /// <param name="changed">JSON Pointers of all that changed since; null reads everything.</param>
    /// <returns>The sheet, and what is wrong: the same as <see cref="Read(JsonObject)"/> gives.</returns>
    public static (JobSheet Sheet, IReadOnlyList<SheetProblem> Problems) Read(JsonObject document, JobSheet? previous, IReadOnlyCollection<string>? changed)
    {
        bool Touched(string part) => changed!.Any(c => Pointer.Covers(c, part) || Pointer.Covers(part, c));
        if (previous is null || changed is null || Touched("/job") || Touched("/format") || document["walls"] is not (null or JsonObject) || document["items"] is not (null or JsonObject))
        {
            return Read(document);
        }

        // Whatever does not fit is a matter for the whole reading, which finds out what else goes with it.
        var problems = new List<SheetProblem>();
        var group = (IGroup)Root;
        foreach (var (name, value) in document)
        {
            if (name is "walls" or "items")
            {
                foreach (var (key, part) in (JsonObject)value!)
                {
                    var pointer = $"/{name}/{key}";
                    if (Touched(pointer))
                    {
                        (name == "walls" ? Wall : (Shape)Item).Check(part, pointer, problems);
                        if (!MapChecks.IsKey(key))
                        {
                            return Read(document);
                        }
                    }
                }
            }
            else if (Touched("/" + name))
            {
                if (GroupChecks.Find(group.Members, name) is not { } member)
                {
                    return Read(document);
                }

                member.Shape.Check(value, "/" + name, problems);
            }
        }

        if (problems.Count > 0 || Keys(document["walls"]).Count() > MostWalls || Keys(document["items"]).Count() > MostItems)
        {
            return Read(document);
        }

        var here = previous.Here;
        List<WallSheet> walls =
        [
            .. Keys(document["walls"]).Select(k => !Touched("/walls/" + k) && previous.Wall(k) is { } same ? same : WallOf(here, k, (JsonObject)document["walls"]![k]!)),
        ];
        List<Item> items =
        [
            .. Keys(document["items"]).Select(k => !Touched("/items/" + k) && previous.Item(k) is { } same ? same : ItemOf(here, k, (JsonObject)document["items"]![k]!)),
        ];
        return Together(previous.Head, document, here, walls, items, problems, [], (previous, Touched));
    }

    /// <summary>The form at the end of a JSON Pointer into a job.</summary>
    /// <param name="pointer">The pointer.</param>
    /// <param name="document">The job, where it is known: what a thing's product looks like depends on its kind.</param>
    /// <returns>The form; null where the pointer leads nowhere.</returns>
    public static Shape? At(string pointer, JsonObject? document = null) => Root.At(pointer, document);

    /// <summary>The JSON Schema of the job file (draft 2020-12).</summary>
    /// <returns>The schema.</returns>
    public static JsonObject JsonSchema()
    {
        var head = new JsonObject
        {
            ["$schema"] = "https://json-schema.org/draft/2020-12/schema",
            ["title"] = "Corrie job file",
            ["$defs"] = new JsonObject
            {
                ["length"] = new JsonObject
                {
                    ["type"] = "string",
                    ["maxLength"] = 40,
                    ["pattern"] = "[a-zA-Z'\"′″’”]",
                    ["description"] = "a length with its unit, such as \"54 1/4 in\", \"5' 1 3/8\\\"\" or \"1378 mm\"",
                },
            },
        };
        foreach (var (key, value) in Root.Schema().ToList())
        {
            head[key] = value?.DeepClone();
        }

        return head;
    }

    private static IReadOnlyList<Part> Of(Holder holder) => [.. Stages.Parts.Where(p => p.Holder == holder)];

    private static IEnumerable<string> Keys(JsonNode? map) => map is JsonObject group ? group.Select(p => p.Key).Order(StringComparer.Ordinal) : [];

    private static (JobSheet Sheet, IReadOnlyList<SheetProblem> Problems) Together(
        JobHead head, JsonObject document, Place here, List<WallSheet> walls, List<Item> items, List<SheetProblem> problems, List<LeftOut> leftOut, (JobSheet Sheet, Func<string, bool> Touched)? known = null)
    {
        var parts = new Dictionary<Part, object?>();
        foreach (var part in Of(Holder.Job))
        {
            parts[part] = known is var (sheet, touched) && !touched("/" + part.Name) ? sheet.AllParts.GetValueOrDefault(part) : part.Read(document, here);
        }

        var policy = known is var (before, changed) && !changed("/policy") ? before.Policy : document["policy"] is JsonObject figures ? Policy.Form.Read(figures) : Policy.Usual;
        problems.AddRange(LoadTree.Problems(walls, items));
        return (new(head, policy, walls, items, parts, here, leftOut), problems);
    }

    private static WallSheet WallOf(Place root, string key, JsonObject wall)
    {
        var here = root.To("walls").To(key);
        return new(key, TextOf(wall, "name"), here, Wall.PartsOf(wall, here));
    }

    private static Item ItemOf(Place root, string key, JsonObject item)
    {
        var here = root.To("items").To(key);
        var kind = ProductKinds.Of(TextOf(item, "kind"))!;
        return new(
            key, kind, TextOf(item, "name"), item["product"] is JsonObject product ? kind.Read(product) : null, TextOf(item, "wall"), TextOf(item, "on"), TextOf(item, "for"), here,
            Item.PartsOf(item, here, kind));
    }

    private static string TextOf(JsonObject group, string name) => group[name]?.GetValue<string>() ?? string.Empty;

    // A part that is wrong goes; then its group may lack something it needs and goes too, and so on upwards.
    private static JsonObject Without(JsonObject document, List<SheetProblem> first)
    {
        var rest = (JsonObject)document.DeepClone();
        var problems = first;
        while (problems.Count > 0)
        {
            foreach (var problem in problems)
            {
                TakeOut(rest, problem.Path);
            }

            var again = new List<SheetProblem>();
            Root.Check(rest, string.Empty, again);
            problems = [.. again.Where(p => p.Path.Length > 0)];
        }

        return rest;
    }

    // Items of a list have no place of their own to go from: their list goes.
    private static void TakeOut(JsonObject document, string path)
    {
        var keys = Pointer.Split(path);
        var node = (JsonNode)document;
        for (var i = 0; i < keys.Count; i++)
        {
            if (node is not JsonObject group)
            {
                return;
            }

            if (i == keys.Count - 1 || group[keys[i]] is not JsonObject next)
            {
                group.Remove(keys[i]);
                return;
            }

            node = next;
        }
    }
}
