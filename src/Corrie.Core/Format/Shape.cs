using System.Text.Json;
using System.Text.Json.Nodes;
using Corrie.Core.Measure;

namespace Corrie.Core.Format;

/// <summary>What is wrong with a part of a file or with something typed into it.</summary>
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
/// The form of one part of a document. From one description come the check of a file, its JSON Schema, the typed value, the reading of what
/// people type, and the field on the page.
/// </summary>
/// <param name="says">What the part is, in a few words.</param>
public abstract class Shape(string says)
{
    /// <summary>What the part is.</summary>
    public string Says { get; } = says;

    /// <summary>What would be taken, for messages.</summary>
    public abstract string Expected { get; }

    /// <summary>Lists what is wrong with a value.</summary>
    /// <param name="node">The value.</param>
    /// <param name="path">JSON Pointer of the value, for the problems.</param>
    /// <param name="problems">What is found is added to it.</param>
    public abstract void Check(JsonNode? node, string path, List<SheetProblem> problems);

    /// <summary>The form as JSON Schema (draft 2020-12).</summary>
    /// <returns>A schema; a new object each time.</returns>
    public abstract JsonObject Schema();

    /// <summary>The form of a member or item.</summary>
    /// <param name="key">Its name.</param>
    /// <param name="holder">The value whose member it is, where that is known: what a member may be can depend on its neighbours.</param>
    /// <returns>The form; null where there is no such member.</returns>
    public virtual Shape? Child(string key, JsonNode? holder) => null;

    /// <summary>Turns what a person typed into a value.</summary>
    /// <param name="typed">What was typed.</param>
    /// <param name="units">The units of bare numbers.</param>
    /// <param name="problem">What is wrong with it; null for nothing.</param>
    /// <returns>The value; null where there is a problem.</returns>
    public virtual JsonNode? Take(string typed, UnitSystem units, out ReadProblem? problem)
    {
        problem = new(typed, "This is not typed in one piece", Expected);
        return null;
    }

    /// <summary>A value as a person would type it: taking it again gives the same value.</summary>
    /// <param name="value">A value of this form.</param>
    /// <param name="style">The reader's units.</param>
    /// <returns>The text of a field.</returns>
    public virtual string Text(JsonNode value, LengthStyle style) => TextOf(value) ?? value.ToJsonString();

    /// <summary>The form at the end of a JSON Pointer.</summary>
    /// <param name="pointer">A pointer from this part on.</param>
    /// <param name="value">This part's value, where it is known.</param>
    /// <returns>The form; null where the pointer leads nowhere.</returns>
    public Shape? At(string pointer, JsonNode? value = null)
    {
        if (pointer.Length > 0 && pointer[0] != '/')
        {
            return null;
        }

        var shape = this;
        foreach (var key in Pointer.Split(pointer))
        {
            shape = shape.Child(key, value);
            if (shape is null)
            {
                return null;
            }

            value = value is JsonObject group && group.TryGetPropertyValue(key, out var member) ? member : null;
        }

        return shape;
    }

    /// <summary>A problem with a value of the wrong form.</summary>
    /// <param name="node">The value.</param>
    /// <param name="path">JSON Pointer of the value.</param>
    /// <param name="understood">What was made of it.</param>
    /// <returns>The problem, with the value shortened.</returns>
    protected SheetProblem Wrong(JsonNode? node, string path, string understood) => new(path, Shorten(node), understood, Expected);

    /// <summary>Text of a value.</summary>
    /// <param name="node">The value.</param>
    /// <returns>The text; null where the value is not text.</returns>
    protected static string? TextOf(JsonNode? node) =>
        node is JsonValue value && value.GetValueKind() == JsonValueKind.String ? value.GetValue<string>() : null;

    /// <summary>What a value is, in plain words.</summary>
    /// <param name="node">The value.</param>
    /// <returns>Such as <c>a number</c>.</returns>
    internal static string KindOf(JsonNode? node) => node switch
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

/// <summary>The form of a part that is read into a value of a type.</summary>
/// <typeparam name="T">The type of the value.</typeparam>
/// <param name="says">What the part is, in a few words.</param>
public abstract class Shape<T>(string says) : Shape(says)
{
    /// <summary>Any value of the type: it stands for the real one while a part is described.</summary>
    internal abstract T Sample { get; }

    /// <summary>Reads a value whose form has been checked.</summary>
    /// <param name="node">The value; of this form.</param>
    /// <param name="here">Where it stands.</param>
    /// <returns>The typed value.</returns>
    public abstract T Read(JsonNode node, Place here);

    /// <summary>A typed value as a person would type it, for what holds while nothing is entered.</summary>
    /// <param name="value">The value.</param>
    /// <param name="style">The reader's units.</param>
    /// <returns>The text.</returns>
    public virtual string Say(T value, LengthStyle style) => value?.ToString() ?? string.Empty;
}
