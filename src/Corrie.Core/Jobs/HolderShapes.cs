using System.Text.Json.Nodes;
using Corrie.Core.Catalogue;
using Corrie.Core.Format;
using Corrie.Core.Planning;

namespace Corrie.Core.Jobs;

/// <summary>The form of something that stages add parts to: its own members, and theirs.</summary>
/// <param name="says">What it is.</param>
/// <param name="own">Its own members.</param>
/// <param name="parts">The parts that stages add.</param>
internal sealed class HolderShape(string says, IReadOnlyList<Member> own, IReadOnlyList<Part> parts) : Shape<object?>(says), IGroup
{
    private readonly Lazy<IReadOnlyList<Member>> members = new(() => [.. own, .. parts.SelectMany(MembersOf)]);

    /// <inheritdoc/>
    public IReadOnlyList<Member> Members => members.Value;

    /// <inheritdoc/>
    public override string Expected => GroupChecks.Expected(Says, Members);

    /// <inheritdoc/>
    internal override object? Sample => null;

    /// <inheritdoc/>
    public override Shape? Child(string key, JsonNode? holder) => GroupChecks.Find(Members, key)?.Shape;

    /// <inheritdoc/>
    public override void Check(JsonNode? node, string path, List<SheetProblem> problems) => GroupChecks.Check(node, path, Members, Expected, Wrong, problems);

    /// <inheritdoc/>
    public override object? Read(JsonNode node, Place here) => null;

    /// <inheritdoc/>
    public IReadOnlyList<Member> MembersOf(JsonObject group, Place here) =>
        [.. own, .. parts.SelectMany(p => p.Name.Length == 0 ? ((IGroup)p.Shape).MembersOf(group, here) : MembersOf(p))];

    /// <inheritdoc/>
    public override JsonObject Schema() => GroupChecks.Schema(Says, Members);

    /// <summary>The typed parts of a value.</summary>
    /// <param name="group">A value whose form has been checked.</param>
    /// <param name="here">Where it stands.</param>
    /// <returns>The parts that hold something.</returns>
    public IReadOnlyDictionary<Part, object?> PartsOf(JsonObject group, Place here) => parts.ToDictionary(p => p, p => p.Read(group, here));

    // A part without a name lays its members among the holder's own.
    private static IEnumerable<Member> MembersOf(Part part) => part.Name.Length == 0 ? ((IGroup)part.Shape).Members : [new(part.Name, part.Shape)];
}

/// <summary>The form of a thing of the job: which product and which parts it has depends on its kind.</summary>
/// <param name="parts">The parts that stages add to things.</param>
internal sealed class ItemShape(IReadOnlyList<Part> parts) : Shape<object?>("a thing")
{
    private static readonly WordShape Kind = new("what kind of thing it is", [.. ProductKinds.Items.Select(k => k.Word)]);

    private static readonly Member[] Own =
    [
        new("kind", Kind, Needed: true),
        new("name", new TextShape("what people call it", 80)),
        new("wall", new TextShape("wall that it is on, unless it hangs on something", 24, Names.Wall)),
        new("on", new TextShape("hangs on, if not on the wall itself", 24, Names.Item)),
        new("for", new TextShape("belongs to", 24, Names.Item)),
    ];

    private readonly Dictionary<string, Member[]> members = ProductKinds.Items.ToDictionary(
        k => k.Word, k => (Member[])[.. Own, new("product", k.Form), .. parts.Where(p => p.Of(k)).Select(p => new Member(p.Name, p.Shape))]);

    /// <inheritdoc/>
    public override string Expected => $"{Says} with its kind, one of {string.Join(", ", members.Keys)}";

    /// <inheritdoc/>
    internal override object? Sample => null;

    /// <inheritdoc/>
    /// <remarks>Without a known kind a member is looked for among those of all kinds.</remarks>
    public override Shape? Child(string key, JsonNode? holder) =>
        (MembersOf(holder) is { } known ? GroupChecks.Find(known, key) : members.Values.Select(m => GroupChecks.Find(m, key)).FirstOrDefault(m => m is not null))?.Shape;

    /// <inheritdoc/>
    public override void Check(JsonNode? node, string path, List<SheetProblem> problems)
    {
        if (node is not JsonObject)
        {
            problems.Add(Wrong(node, path, $"This is {KindOf(node)}"));
        }
        else if (MembersOf(node) is { } known)
        {
            GroupChecks.Check(node, path, known, GroupChecks.Expected(Says, known), Wrong, problems);
        }
        else if (node["kind"] is null)
        {
            problems.Add(new(path, string.Empty, "'kind' is missing", Kind.Expected));
        }
        else
        {
            Kind.Check(node["kind"], path + "/kind", problems);
        }
    }

    /// <inheritdoc/>
    public override object? Read(JsonNode node, Place here) => null;

    /// <inheritdoc/>
    public override JsonObject Schema() => new()
    {
        ["description"] = Says,
        ["oneOf"] = new JsonArray([.. members.Select(m =>
        {
            var schema = GroupChecks.Schema(ProductKinds.Of(m.Key)!.Title, m.Value);
            schema["properties"]!["kind"] = new JsonObject { ["const"] = m.Key };
            return schema;
        })]),
    };

    /// <summary>The typed parts of a thing.</summary>
    /// <param name="item">A thing whose form has been checked.</param>
    /// <param name="here">Where it stands.</param>
    /// <param name="kind">Its kind.</param>
    /// <returns>The parts of its kind.</returns>
    public IReadOnlyDictionary<Part, object?> PartsOf(JsonObject item, Place here, ProductKind kind) => parts.Where(p => p.Of(kind)).ToDictionary(p => p, p => p.Read(item, here));

    private Member[]? MembersOf(JsonNode? holder) =>
        holder is JsonObject item && item.TryGetPropertyValue("kind", out var kind) && TextOf(kind) is { } word ? members.GetValueOrDefault(word) : null;
}
