using System.Text.Json;
using System.Text.Json.Nodes;
using Corrie.Core.Measure;

namespace Corrie.Core.Jobs.Format;

/// <summary>What is wrong with a part of a job file or with something typed into it.</summary>
/// <param name="Path">JSON Pointer of the part.</param>
/// <param name="Typed">What stands there, shortened.</param>
/// <param name="Understood">What was made of it.</param>
/// <param name="Expected">What would be taken.</param>
public sealed record SheetProblem(string Path, string Typed, string Understood, string Expected)
{
    /// <inheritdoc/>
    public override string ToString() => $"{(Path.Length == 0 ? "/" : Path)}: {Understood}. Expected: {Expected}.";
}

/// <summary>
/// The form of one part of the job file. From the same description come the check of a file, its JSON Schema, and the reading of what
/// people type into the page.
/// </summary>
/// <param name="says">What the part is, in a few words.</param>
public abstract class Shape(string says)
{
    /// <summary>What the part is.</summary>
    public string Says { get; } = says;

    /// <summary>What would be taken, for messages.</summary>
    public abstract string Expected { get; }

    /// <summary>Lists what is wrong with a value.</summary>
    public abstract void Check(JsonNode? node, string path, List<SheetProblem> problems);

    /// <summary>The form as JSON Schema (draft 2020-12).</summary>
    public abstract JsonObject Schema();

    /// <summary>The form of a member or item; null where there is none.</summary>
    public virtual Shape? Child(string key) => null;

    /// <summary>Turns what a person typed into a value.</summary>
    /// <param name="typed">What was typed.</param>
    /// <param name="units">The units of bare numbers.</param>
    /// <param name="problem">What is wrong with it.</param>
    public virtual JsonNode? Take(string typed, UnitSystem units, out ReadProblem? problem)
    {
        problem = new(typed, "This is not typed in one piece", Expected);
        return null;
    }

    /// <summary>The form at the end of a JSON Pointer, or null where the pointer leads nowhere.</summary>
    public Shape? At(string pointer)
    {
        if (pointer.Length > 0 && pointer[0] != '/')
        {
            return null;
        }

        var shape = this;
        foreach (var key in Pointer.Split(pointer))
        {
            shape = shape.Child(key);
            if (shape is null)
            {
                return null;
            }
        }

        return shape;
    }

    /// <summary>A problem with a value of the wrong form.</summary>
    protected SheetProblem Wrong(JsonNode? node, string path, string understood) => new(path, Shorten(node), understood, Expected);

    /// <summary>Text of a value, or null where it is none.</summary>
    protected static string? TextOf(JsonNode? node) =>
        node is JsonValue value && value.GetValueKind() == JsonValueKind.String ? value.GetValue<string>() : null;

    /// <summary>What a value is, in plain words.</summary>
    protected static string KindOf(JsonNode? node) => node switch
    {
        null => "nothing",
        JsonObject => "a group of values",
        JsonArray => "a list",
        JsonValue v => v.GetValueKind() switch
        {
            JsonValueKind.String => "text",
            JsonValueKind.Number => "a number",
            _ => "yes or no",
        },
        _ => "something",
    };

    private static string Shorten(JsonNode? node)
    {
        var text = node?.ToJsonString() ?? "null";
        return text.Length <= 60 ? text : text[..57] + "...";
    }
}
