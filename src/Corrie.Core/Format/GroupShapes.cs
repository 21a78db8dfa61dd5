using System.Text.Json.Nodes;
using Corrie.Core.Measure;

namespace Corrie.Core.Format;

/// <summary>How a list is typed in one piece and shown again.</summary>
/// <param name="Hint">How to type it, with an example.</param>
/// <param name="Take">Text to a list; what cannot be taken apart stays text, so that the check of the whole says what was expected.</param>
/// <param name="Show">A list to text.</param>
public sealed record ListText(string Hint, Func<string, JsonArray> Take, Func<JsonArray, string> Show)
{
    /// <summary>Words or lengths with commas between.</summary>
    /// <param name="hint">How to type it.</param>
    /// <returns>The way.</returns>
    public static ListText Commas(string hint) => new(
        hint,
        typed => new JsonArray([.. typed.Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).Select(w => JsonValue.Create(w))]),
        list => string.Join(", ", list.Select(w => w!.ToString())));
}

/// <summary>A list of alike values.</summary>
/// <typeparam name="T">The type of one.</typeparam>
/// <param name="says">What is listed.</param>
/// <param name="item">Form of one.</param>
/// <param name="most">Most items.</param>
/// <param name="text">How it is typed; null where it is not typed in one piece.</param>
public sealed class ListShape<T>(string says, Shape<T> item, int most = 100, ListText? text = null) : Shape<IReadOnlyList<T>>(says), IListed
{
    /// <inheritdoc/>
    public string? Hint => text?.Hint;

    /// <inheritdoc/>
    public override string Expected => $"{Says}, a list of at most {most}";

    /// <inheritdoc/>
    internal override IReadOnlyList<T> Sample => [];

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
    public override IReadOnlyList<T> Read(JsonNode node, Place here) => [.. ((JsonArray)node).Select((n, i) => item.Read(n!, here.To(i.ToString())))];

    /// <inheritdoc/>
    public override JsonNode? Take(string typed, UnitSystem units, out ReadProblem? problem)
    {
        if (text is null)
        {
            return base.Take(typed, units, out problem);
        }

        // Bare lengths get the unit that was meant; everything else is checked as it was typed.
        var list = text.Take(typed);
        for (var i = 0; i < list.Count; i++)
        {
            if (item is LengthShape && list[i]?.ToString() is { } one && item.Take(one, units, out var wrong) is { } taken && wrong is null)
            {
                list[i] = taken;
            }
        }

        var problems = new List<SheetProblem>();
        Check(list, string.Empty, problems);
        problem = problems.Count == 0 ? null : new(typed, problems[0].Understood, problems[0].Expected);
        return problem is null ? list : null;
    }

    /// <inheritdoc/>
    public override string Text(JsonNode value, LengthStyle style) => text is not null && value is JsonArray list ? text.Show(list) : base.Text(value, style);

    /// <inheritdoc/>
    public override JsonObject Schema() => new() { ["type"] = "array", ["items"] = item.Schema(), ["maxItems"] = most, ["description"] = Says };
}

/// <summary>A part that is a list.</summary>
public interface IListed
{
    /// <summary>How it is typed in one piece; null where it is not.</summary>
    string? Hint { get; }
}

/// <summary>A part that is a map of alike parts.</summary>
public interface IMap
{
    /// <summary>Form of one.</summary>
    Shape Item { get; }
}

/// <summary>A map of alike parts, keyed by short ids so that two people's additions never collide. It is read in the order of its keys.</summary>
/// <typeparam name="T">The type of one.</typeparam>
/// <param name="says">What it holds.</param>
/// <param name="item">Form of one.</param>
/// <param name="most">Most parts.</param>
public sealed class MapShape<T>(string says, Shape<T> item, int most = 500) : Shape<IReadOnlyList<T>>(says), IMap
{
    /// <inheritdoc/>
    public Shape Item => item;

    /// <inheritdoc/>
    public override string Expected => MapChecks.Expected(Says, most);

    /// <inheritdoc/>
    internal override IReadOnlyList<T> Sample => [];

    /// <inheritdoc/>
    public override Shape? Child(string key, JsonNode? holder) => MapChecks.IsKey(key) ? item : null;

    /// <inheritdoc/>
    public override void Check(JsonNode? node, string path, List<SheetProblem> problems) => MapChecks.Check(node, path, item, most, Expected, Wrong, problems);

    /// <inheritdoc/>
    public override IReadOnlyList<T> Read(JsonNode node, Place here) =>
        [.. ((JsonObject)node).OrderBy(p => p.Key, StringComparer.Ordinal).Select(p => item.Read(p.Value!, here.To(p.Key)))];

    /// <inheritdoc/>
    public override JsonObject Schema() => MapChecks.Schema(Says, item, most);
}

/// <summary>What maps have in common.</summary>
public static class MapChecks
{
    /// <summary>What is expected of a map.</summary>
    /// <param name="says">What it holds.</param>
    /// <param name="most">Most parts.</param>
    /// <returns>The words.</returns>
    public static string Expected(string says, int most) => $"{says}, a map of at most {most} parts with short keys of letters, digits and dashes";

    /// <summary>Whether something is a short key: 1 to 24 letters, digits and dashes.</summary>
    /// <param name="key">The key.</param>
    /// <returns>Whether it is.</returns>
    public static bool IsKey(string key) => key.Length is > 0 and <= 24 && key.All(c => char.IsAsciiLetterOrDigit(c) || c == '-');

    /// <summary>Lists what is wrong with a map.</summary>
    /// <param name="node">The value.</param>
    /// <param name="path">JSON Pointer of the value.</param>
    /// <param name="item">Form of one part.</param>
    /// <param name="most">Most parts.</param>
    /// <param name="expected">What is expected of the whole.</param>
    /// <param name="wrong">Makes a problem with the whole.</param>
    /// <param name="problems">What is found is added to it.</param>
    public static void Check(JsonNode? node, string path, Shape item, int most, string expected, Func<JsonNode?, string, string, SheetProblem> wrong, List<SheetProblem> problems)
    {
        if (node is not JsonObject map)
        {
            problems.Add(wrong(node, path, $"This is {Shape.KindOf(node)}"));
            return;
        }

        if (map.Count > most)
        {
            problems.Add(wrong(node, path, $"There are {map.Count}"));
            return;
        }

        foreach (var (key, value) in map)
        {
            if (!IsKey(key))
            {
                problems.Add(new(Pointer.Join(path, key), key.Length > 40 ? key[..40] : key, "This is not a short key", expected));
            }
            else
            {
                item.Check(value, Pointer.Join(path, key), problems);
            }
        }
    }

    /// <summary>The form of a map as JSON Schema.</summary>
    /// <param name="says">What it holds.</param>
    /// <param name="item">Form of one part.</param>
    /// <param name="most">Most parts.</param>
    /// <returns>The schema.</returns>
    public static JsonObject Schema(string says, Shape item, int most) => new()
    {
        ["type"] = "object",
        ["propertyNames"] = new JsonObject { ["pattern"] = "^[A-Za-z0-9-]{1,24}$" },
        ["additionalProperties"] = item.Schema(),
        ["maxProperties"] = most,
        ["description"] = says,
    };
}

/// <summary>One member of a group.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Shape">Its form.</param>
/// <param name="Needed">Whether the group is nothing without it.</param>
/// <param name="Usual">What holds while nothing is entered, as a person would type it; null where nothing does.</param>
public sealed record Member(string Name, Shape Shape, bool Needed = false, Func<LengthStyle, string>? Usual = null);

/// <summary>A part with named members.</summary>
public interface IGroup
{
    /// <summary>Its members, in the order in which they are asked for.</summary>
    IReadOnlyList<Member> Members { get; }

    /// <summary>Its members as they are asked for by a value: what holds while nothing is entered can follow from its neighbours.</summary>
    /// <param name="group">A value of this form.</param>
    /// <param name="here">Where it stands.</param>
    /// <returns>The same members, each with what holds here.</returns>
    IReadOnlyList<Member> MembersOf(JsonObject group, Place here);
}

/// <summary>A group of named members, described and read by one expression.</summary>
/// <typeparam name="T">The type that it is read into.</typeparam>
/// <param name="says">What it is.</param>
/// <param name="read">
/// Asks for every member by name, form and default, whatever the others hold, and makes the value of the answers. The same expression describes
/// the group (the answers are then samples) and reads it.
/// </param>
public sealed class GroupShape<T>(string says, Func<Members, T> read) : Shape<T>(says), IGroup
{
    private readonly Lazy<(IReadOnlyList<Member> Members, T Sample)> described = new(() =>
    {
        var members = new Members();
        var sample = read(members);
        return (members.Asked, sample);
    });

    /// <inheritdoc/>
    public IReadOnlyList<Member> Members => described.Value.Members;

    /// <inheritdoc/>
    public override string Expected => GroupChecks.Expected(Says, Members);

    /// <inheritdoc/>
    internal override T Sample => described.Value.Sample;

    /// <inheritdoc/>
    public override Shape? Child(string key, JsonNode? holder) => GroupChecks.Find(Members, key)?.Shape;

    /// <inheritdoc/>
    public override void Check(JsonNode? node, string path, List<SheetProblem> problems) => GroupChecks.Check(node, path, Members, Expected, Wrong, problems);

    /// <inheritdoc/>
    public override T Read(JsonNode node, Place here) => read(new((JsonObject)node, here));

    /// <summary>Reads a group that stands in no document, such as an item of a catalogue.</summary>
    /// <param name="group">A value whose form has been checked.</param>
    /// <returns>The typed value.</returns>
    public T Read(JsonObject group) => Read(group, Place.Nowhere);

    /// <inheritdoc/>
    public IReadOnlyList<Member> MembersOf(JsonObject group, Place here)
    {
        var members = new Members(group, here, trace: true);
        read(members);
        return members.Asked;
    }

    /// <inheritdoc/>
    public override JsonObject Schema() => GroupChecks.Schema(Says, Members);
}

/// <summary>What groups have in common.</summary>
public static class GroupChecks
{
    /// <summary>What is expected of a group.</summary>
    /// <param name="says">What it is.</param>
    /// <param name="members">Its members.</param>
    /// <returns>The words.</returns>
    public static string Expected(string says, IReadOnlyList<Member> members) => $"{says}: {string.Join(", ", members.Select(m => m.Name))}";

    /// <summary>The member of a name.</summary>
    /// <param name="members">The members.</param>
    /// <param name="name">The name.</param>
    /// <returns>The member; null where there is none.</returns>
    public static Member? Find(IReadOnlyList<Member> members, string name)
    {
        foreach (var member in members)
        {
            if (member.Name == name)
            {
                return member;
            }
        }

        return null;
    }

    /// <summary>Lists what is wrong with a group.</summary>
    /// <param name="node">The value.</param>
    /// <param name="path">JSON Pointer of the value.</param>
    /// <param name="members">Its members.</param>
    /// <param name="expected">What is expected of the whole.</param>
    /// <param name="wrong">Makes a problem with the whole.</param>
    /// <param name="problems">What is found is added to it.</param>
    public static void Check(
        JsonNode? node, string path, IReadOnlyList<Member> members, string expected, Func<JsonNode?, string, string, SheetProblem> wrong, List<SheetProblem> problems)
    {
        if (node is not JsonObject group)
        {
            problems.Add(wrong(node, path, $"This is {Shape.KindOf(node)}"));
            return;
        }

        foreach (var (key, value) in group)
        {
            if (Find(members, key) is { } member)
            {
                member.Shape.Check(value, Pointer.Join(path, key), problems);
            }
            else
            {
                problems.Add(new(Pointer.Join(path, key), key.Length > 40 ? key[..40] : key, "This name is not known here", expected));
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

    /// <summary>The form of a group as JSON Schema.</summary>
    /// <param name="says">What it is.</param>
    /// <param name="members">Its members.</param>
    /// <returns>The schema.</returns>
    public static JsonObject Schema(string says, IReadOnlyList<Member> members)
    {
        var schema = new JsonObject
        {
            ["type"] = "object",
            ["description"] = says,
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
