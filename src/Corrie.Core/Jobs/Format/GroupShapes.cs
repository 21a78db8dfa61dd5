using System.Text.Json.Nodes;

namespace Corrie.Core.Jobs.Format;

/// <summary>A list of alike values.</summary>
/// <param name="says">What is listed.</param>
/// <param name="item">Form of one.</param>
/// <param name="most">Most items.</param>
public sealed class ListShape(string says, Shape item, int most = 100) : Shape(says)
{
    /// <inheritdoc/>
    public override string Expected => $"{Says}, a list of at most {most}";

    /// <inheritdoc/>
    public override void Check(JsonNode? node, string path, List<SheetProblem> problems)
    {
        if (node is not JsonArray list)
        {
            problems.Add(Wrong(node, path, $"This is {KindOf(node)}"));
        }
        else if (list.Count > most)
        {
            problems.Add(Wrong(node, path, $"There are {list.Count}"));
        }
        else
        {
            for (var i = 0; i < list.Count; i++)
            {
                item.Check(list[i], $"{path}/{i}", problems);
            }
        }
    }

    /// <inheritdoc/>
    public override JsonObject Schema() => new() { ["type"] = "array", ["items"] = item.Schema(), ["maxItems"] = most, ["description"] = Says };
}

/// <summary>A map of alike parts, keyed by short ids so that two people's additions never collide.</summary>
/// <param name="says">What it holds.</param>
/// <param name="item">Form of one.</param>
/// <param name="most">Most parts.</param>
public sealed class MapShape(string says, Shape item, int most = 500) : Shape(says)
{
    /// <inheritdoc/>
    public override string Expected => $"{Says}, a map of at most {most} parts with short keys of letters, digits and dashes";

    /// <inheritdoc/>
    public override Shape? Child(string key) => IsKey(key) ? item : null;

    /// <inheritdoc/>
    public override void Check(JsonNode? node, string path, List<SheetProblem> problems)
    {
        if (node is not JsonObject map)
        {
            problems.Add(Wrong(node, path, $"This is {KindOf(node)}"));
            return;
        }

        if (map.Count > most)
        {
            problems.Add(Wrong(node, path, $"There are {map.Count}"));
            return;
        }

        foreach (var (key, value) in map)
        {
            if (!IsKey(key))
            {
                problems.Add(new(Pointer.Join(path, key), key.Length > 40 ? key[..40] : key, "This is no short key", Expected));
            }
            else
            {
                item.Check(value, Pointer.Join(path, key), problems);
            }
        }
    }

    /// <inheritdoc/>
    public override JsonObject Schema() => new()
    {
        ["type"] = "object",
        ["propertyNames"] = new JsonObject { ["pattern"] = "^[A-Za-z0-9-]{1,24}$" },
        ["additionalProperties"] = item.Schema(),
        ["maxProperties"] = most,
        ["description"] = Says,
    };

    private static bool IsKey(string key) => key.Length is > 0 and <= 24 && key.All(c => char.IsAsciiLetterOrDigit(c) || c == '-');
}

/// <summary>One member of a group.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Shape">Its form.</param>
/// <param name="Needed">Whether the group is nothing without it.</param>
public sealed record Member(string Name, Shape Shape, bool Needed = false);

/// <summary>A group of named members.</summary>
/// <param name="says">What it is.</param>
/// <param name="members">Its members.</param>
public sealed class GroupShape(string says, params IReadOnlyList<Member> members) : Shape(says)
{
    private readonly Dictionary<string, Member> byName = members.ToDictionary(m => m.Name);

    /// <summary>Its members, in the order in which they are asked for.</summary>
    public IReadOnlyList<Member> Members => members;

    /// <inheritdoc/>
    public override string Expected => $"{Says}: {string.Join(", ", members.Select(m => m.Name))}";

    /// <inheritdoc/>
    public override Shape? Child(string key) => byName.GetValueOrDefault(key)?.Shape;

    /// <inheritdoc/>
    public override void Check(JsonNode? node, string path, List<SheetProblem> problems)
    {
        if (node is not JsonObject group)
        {
            problems.Add(Wrong(node, path, $"This is {KindOf(node)}"));
            return;
        }

        foreach (var (key, value) in group)
        {
            if (byName.TryGetValue(key, out var member))
            {
                member.Shape.Check(value, Pointer.Join(path, key), problems);
            }
            else
            {
                problems.Add(new(Pointer.Join(path, key), key.Length > 40 ? key[..40] : key, "This name is not known here", Expected));
            }
        }

        foreach (var member in members)
        {
            if (member.Needed && !group.ContainsKey(member.Name))
            {
                problems.Add(new(path, string.Empty, $"'{member.Name}' is missing", member.Shape.Expected));
            }
        }
    }

    /// <inheritdoc/>
    public override JsonObject Schema()
    {
        var schema = new JsonObject
        {
            ["type"] = "object",
            ["description"] = Says,
            ["properties"] = new JsonObject([.. members.Select(m => KeyValuePair.Create<string, JsonNode?>(m.Name, m.Shape.Schema()))]),
            ["additionalProperties"] = false,
        };
        if (members.Any(m => m.Needed))
        {
            schema["required"] = new JsonArray([.. members.Where(m => m.Needed).Select(m => JsonValue.Create(m.Name))]);
        }

        return schema;
    }
}
