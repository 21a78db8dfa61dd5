using Corrie.Core.Catalogue;
using Corrie.Core.Format;
using Corrie.Core.Measure;

namespace Corrie.Core.Planning;

/// <summary>What a job is called.</summary>
/// <param name="Number">The company's number.</param>
/// <param name="Title">What the crew calls it.</param>
/// <param name="Site">Where it is.</param>
/// <param name="Units">The job's units.</param>
/// <param name="Archived">Whether it is put away: lists leave it out unless they are asked for it.</param>
public sealed record JobHead(string Number, string Title, string Site, UnitSystem Units, bool Archived = false);

/// <summary>Something of the sheet to which stages add parts.</summary>
/// <param name="here">Where it stands in the document.</param>
/// <param name="parts">Its parts as they were read.</param>
public abstract class PartHolder(Place here, IReadOnlyDictionary<Part, object?> parts)
{
    /// <summary>Where it stands in the document.</summary>
    public Place Here { get; } = here;

    /// <summary>Its parts as they were read.</summary>
    internal IReadOnlyDictionary<Part, object?> AllParts { get; } = parts;

    /// <summary>A part of it.</summary>
    /// <typeparam name="T">The part's type.</typeparam>
    /// <param name="part">The part.</param>
    /// <returns>Its value; the type's default where nothing is entered or the part is not for it.</returns>
    public T? Get<T>(Part<T> part) => AllParts.TryGetValue(part, out var value) && value is T typed ? typed : default;

    /// <summary>The same parts with one of them changed: for whoever plans without a document.</summary>
    /// <typeparam name="T">The part's type.</typeparam>
    /// <param name="part">The part.</param>
    /// <param name="value">Its value.</param>
    /// <returns>The parts.</returns>
    protected IReadOnlyDictionary<Part, object?> Parts<T>(Part<T> part, T value) => new Dictionary<Part, object?>(AllParts) { [part] = value };
}

/// <summary>A wall of the job.</summary>
/// <param name="id">Its key.</param>
/// <param name="name">What people call it; empty where nobody said.</param>
/// <param name="here">Where it stands in the document.</param>
/// <param name="parts">Its parts as they were read.</param>
public sealed class WallSheet(string id, string name, Place here, IReadOnlyDictionary<Part, object?> parts) : PartHolder(here, parts)
{
    /// <summary>Its key.</summary>
    public string Id { get; } = id;

    /// <summary>What people call it; empty where nobody said.</summary>
    public string Name { get; } = name;

    /// <summary>The same wall with a part changed.</summary>
    /// <typeparam name="T">The part's type.</typeparam>
    /// <param name="part">The part.</param>
    /// <param name="value">Its value.</param>
    /// <returns>The wall.</returns>
    public WallSheet With<T>(Part<T> part, T value) => new(Id, Name, Here, Parts(part, value));
}

/// <summary>A thing of the job: a display, a mount, a soundbar and so on.</summary>
/// <param name="id">Its key.</param>
/// <param name="kind">What kind of thing.</param>
/// <param name="ownName">What people call it; empty where nobody said.</param>
/// <param name="product">Its copy from the catalogue; null until one is chosen.</param>
/// <param name="wall">The wall that it is said to be on; empty where nobody said.</param>
/// <param name="on">What it is said to hang on; empty for the wall itself.</param>
/// <param name="serves">What it is there for; empty where nobody said.</param>
/// <param name="here">Where it stands in the document.</param>
/// <param name="parts">Its parts as they were read.</param>
public sealed class Item(
    string id, ProductKind kind, string ownName, Product? product, string wall, string on, string serves, Place here, IReadOnlyDictionary<Part, object?> parts)
    : PartHolder(here, parts)
{
    /// <summary>Its key.</summary>
    public string Id { get; } = id;

    /// <summary>What kind of thing.</summary>
    public ProductKind Kind { get; } = kind;

    /// <summary>What people call it; empty where nobody said.</summary>
    public string OwnName { get; } = ownName;

    /// <summary>What it is called: by people, by the catalogue, or by its kind.</summary>
    public string Name { get; } = ownName.Length > 0 ? ownName : product?.Name ?? kind.Title;

    /// <summary>Its copy from the catalogue; null until one is chosen.</summary>
    public Product? Product { get; } = product;

    /// <summary>The wall that it is said to be on; see <see cref="JobSheet.WallOf"/> for where it is.</summary>
    public string SaidWall { get; } = wall;

    /// <summary>What it is said to hang on; see <see cref="JobSheet.On"/> for what does carry it.</summary>
    public string SaidOn { get; } = on;

    /// <summary>What it is there for; empty where nobody said.</summary>
    public string For { get; } = serves;
}

/// <summary>A part of a document that is not in its sheet.</summary>
/// <param name="Path">JSON Pointer of all that is missing with it.</param>
/// <param name="Name">What people call that.</param>
/// <param name="Field">What could not be read.</param>
/// <param name="Problem">Why not.</param>
public sealed record LeftOut(string Path, string Name, string Field, SheetProblem Problem);

/// <summary>Everything known about one job at one moment: what goes into the planner. Immutable.</summary>
public sealed class JobSheet : PartHolder
{
    private readonly Dictionary<string, WallSheet> walls;
    private readonly Dictionary<string, Item> items;
    private readonly Dictionary<string, Item> on = [];
    private readonly Dictionary<string, List<Item>> carried = [];

    /// <summary>Puts a sheet together.</summary>
    /// <param name="head">What the job is called.</param>
    /// <param name="policy">The company's figures as they were copied for it.</param>
    /// <param name="walls">Its walls.</param>
    /// <param name="items">Its things; what hangs on a thing that is not there, or in a loop, hangs on nothing.</param>
    /// <param name="parts">The parts of the job as a whole.</param>
    /// <param name="here">The document's root.</param>
    /// <param name="leftOut">Parts of the document that could not be read.</param>
    public JobSheet(
        JobHead head, Policy policy, IReadOnlyList<WallSheet> walls, IReadOnlyList<Item> items, IReadOnlyDictionary<Part, object?>? parts = null, Place? here = null,
        IReadOnlyList<LeftOut>? leftOut = null)
        : base(here ?? new(null, string.Empty, head.Units), parts ?? new Dictionary<Part, object?>())
    {
        Head = head;
        Policy = policy;
        LeftOut = leftOut ?? [];
        Walls = walls;
        Items = items;
        this.walls = walls.ToDictionary(w => w.Id);
        this.items = items.ToDictionary(i => i.Id);
        foreach (var item in items)
        {
            if (LoadTree.Sound(item, this.items) && this.items.TryGetValue(item.SaidOn, out var holder))
            {
                on[item.Id] = holder;
                (carried.TryGetValue(holder.Id, out var list) ? list : carried[holder.Id] = []).Add(item);
            }
        }
    }

    /// <summary>What the job is called, and its units.</summary>
    public JobHead Head { get; }

    /// <summary>The company's figures as they were copied for this job.</summary>
    public Policy Policy { get; }

    /// <summary>Parts of the document that could not be read, and are not in the sheet.</summary>
    public IReadOnlyList<LeftOut> LeftOut { get; }

    /// <summary>Its walls, in the order of their keys.</summary>
    public IReadOnlyList<WallSheet> Walls { get; }

    /// <summary>Its things, in the order of their keys.</summary>
    public IReadOnlyList<Item> Items { get; }

    /// <summary>A wall.</summary>
    /// <param name="id">Its key; null for none.</param>
    /// <returns>The wall; null where there is none.</returns>
    public WallSheet? Wall(string? id) => id is not null && walls.TryGetValue(id, out var wall) ? wall : null;

    /// <summary>A thing.</summary>
    /// <param name="id">Its key; null for none.</param>
    /// <returns>The thing; null where there is none.</returns>
    public Item? Item(string? id) => id is not null && items.TryGetValue(id, out var item) ? item : null;

    /// <summary>What a thing is called beside others: its kind, and its key where the job has several of that kind.</summary>
    /// <param name="item">The thing.</param>
    /// <returns>Such as <c>Mount</c>, or <c>Mount m2</c>.</returns>
    public string Called(Item item) => Items.Count(i => i.Kind == item.Kind) > 1 ? $"{item.Kind.Title} {item.Id}" : item.Kind.Title;

    /// <summary>A thing's name, with its key where another thing of the job has the same.</summary>
    /// <param name="item">The thing.</param>
    /// <returns>Such as <c>Living display, 65 in</c>, or with <c>(d2)</c> behind it.</returns>
    public string NameOf(Item item) => Items.Count(i => i.Name == item.Name) > 1 ? $"{item.Name} ({item.Id})" : item.Name;

    /// <summary>Whose mark it is, where the job has several things of its kind.</summary>
    /// <param name="mark">The mark.</param>
    /// <returns>The thing's name; null where the mark's own name says enough.</returns>
    public string? Whose(Mark mark) => Item(mark.Item) is { } item && Called(item) != item.Kind.Title ? NameOf(item) : null;

    /// <summary>What carries a thing.</summary>
    /// <param name="item">The thing.</param>
    /// <returns>What it hangs on; null for a wall.</returns>
    public Item? On(Item item) => on.GetValueOrDefault(item.Id);

    /// <summary>The lowest thing that carries a thing: the one that is on the wall itself.</summary>
    /// <param name="item">The thing.</param>
    /// <returns>The end of its chain of holders; the thing itself where it hangs on nothing.</returns>
    public Item RootOf(Item item) => On(item) is { } holder ? RootOf(holder) : item;

    /// <summary>What hangs directly on a thing.</summary>
    /// <param name="item">The thing.</param>
    /// <returns>The things on it, in the order of their keys.</returns>
    public IReadOnlyList<Item> Carried(Item item) => carried.TryGetValue(item.Id, out var list) ? list : [];

    /// <summary>Everything that hangs on a thing, and on what hangs on it.</summary>
    /// <param name="item">The thing.</param>
    /// <returns>All of it, nearest first; without the thing itself.</returns>
    public IReadOnlyList<Item> AllCarried(Item item) => [.. Carried(item).SelectMany(c => AllCarried(c).Prepend(c))];

    /// <summary>The wall that a thing is on: its own, or that of what carries it.</summary>
    /// <param name="item">The thing.</param>
    /// <returns>The wall; null where there is none.</returns>
    public WallSheet? WallOf(Item item) => On(item) is { } holder ? WallOf(holder) : Wall(item.SaidWall);

    /// <summary>The things on a wall.</summary>
    /// <param name="wall">The wall.</param>
    /// <returns>The things, in the order of their keys.</returns>
    public IEnumerable<Item> ThingsOn(WallSheet wall) => Items.Where(i => ReferenceEquals(WallOf(i), wall));

    /// <summary>The same job with other walls: for whoever plans without a document.</summary>
    /// <param name="others">The walls.</param>
    /// <returns>The sheet.</returns>
    public JobSheet With(IReadOnlyList<WallSheet> others) => new(Head, Policy, others, Items, AllParts, Here, LeftOut);
}
