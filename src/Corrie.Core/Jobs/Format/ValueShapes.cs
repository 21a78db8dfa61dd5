using System.Globalization;
using System.Text.Json;
using System.Text.Json.Nodes;
using Corrie.Core.Measure;

namespace Corrie.Core.Jobs.Format;

/// <summary>A length as text with its unit, such as <c>"54 1/4 in"</c> or <c>"1378 mm"</c>.</summary>
/// <param name="says">What it is.</param>
/// <param name="least">The least that makes sense.</param>
/// <param name="most">The most.</param>
public sealed class LengthShape(string says, Length least, Length most) : Shape(says)
{
    private bool Signed => least < Length.Zero;

    /// <inheritdoc/>
    public override string Expected =>
        $"{Says}, a length with its unit from {LengthText.Exact(least, UnitSystem.Inches)} to {LengthText.Exact(most, UnitSystem.Inches)}, such as 54 1/4 in or 1378 mm";

    /// <inheritdoc/>
    public override void Check(JsonNode? node, string path, List<SheetProblem> problems)
    {
        if (TextOf(node) is not { } text)
        {
            problems.Add(Wrong(node, path, $"This is {KindOf(node)}"));
            return;
        }

        var read = LengthReader.Read(text, UnitSystem.Millimetres, Signed);
        if (!read.Ok)
        {
            problems.Add(new(path, text, read.Problem!.Understood, Expected));
        }
        else if (!HasUnit(text))
        {
            problems.Add(new(path, text, $"{text} has no unit", Expected));
        }
        else if (read.Value < least || read.Value > most)
        {
            problems.Add(new(path, text, $"{text} is out of range", Expected));
        }
    }

    /// <inheritdoc/>
    public override JsonNode? Take(string typed, UnitSystem units, out ReadProblem? problem)
    {
        var read = LengthReader.Read(typed, units, Signed);
        problem = read.Problem;
        if (problem is null && (read.Value < least || read.Value > most))
        {
            problem = new(
                typed,
                $"Understood as {LengthText.Exact(read.Value, units)}, which is out of range",
                $"{Says} from {LengthText.Exact(least, units)} to {LengthText.Exact(most, units)}");
        }

        return problem is null ? JsonValue.Create(LengthText.Exact(read.Value, units)) : null;
    }

    /// <inheritdoc/>
    public override JsonObject Schema() => new() { ["$ref"] = "#/$defs/length", ["description"] = Says };

    private static bool HasUnit(string text) => text.Any(c => char.IsLetter(c) || c is '\'' or '"' or '′' or '″' or '’' or '”');
}

/// <summary>A weight as text with its unit, such as <c>"49 lb"</c>.</summary>
/// <param name="says">What it is.</param>
public sealed class MassShape(string says) : Shape(says)
{
    /// <inheritdoc/>
    public override string Expected => $"{Says}, a weight with its unit, such as 49 lb or 22.2 kg";

    /// <inheritdoc/>
    public override void Check(JsonNode? node, string path, List<SheetProblem> problems)
    {
        var text = TextOf(node);
        if (text is null || !QuantityReader.ReadMass(text, UnitSystem.Inches).Ok || !char.IsLetter(text.TrimEnd()[^1]))
        {
            problems.Add(Wrong(node, path, text is null ? $"This is {KindOf(node)}" : $"'{text}' is no weight with a unit"));
        }
    }

    /// <inheritdoc/>
    public override JsonNode? Take(string typed, UnitSystem units, out ReadProblem? problem)
    {
        var read = QuantityReader.ReadMass(typed, units);
        problem = read.Problem;
        return read.Ok ? JsonValue.Create(QuantityReader.Exact(read.Value, typed.Contains('k', StringComparison.OrdinalIgnoreCase) ? UnitSystem.Millimetres : typed.Contains('l', StringComparison.OrdinalIgnoreCase) ? UnitSystem.Inches : units)) : null;
    }

    /// <inheritdoc/>
    public override JsonObject Schema() => new() { ["type"] = "string", ["pattern"] = "^[0-9.]+ ?(lb|kg)$", ["description"] = Says };
}

/// <summary>An angle as text, such as <c>"15 deg"</c>.</summary>
/// <param name="says">What it is.</param>
public sealed class AngleShape(string says) : Shape(says)
{
    /// <inheritdoc/>
    public override string Expected => $"{Says}, an angle such as 15 deg";

    /// <inheritdoc/>
    public override void Check(JsonNode? node, string path, List<SheetProblem> problems)
    {
        if (TextOf(node) is not { } text || !QuantityReader.ReadAngle(text).Ok)
        {
            problems.Add(Wrong(node, path, $"This is no angle, but {KindOf(node)}"));
        }
    }

    /// <inheritdoc/>
    public override JsonNode? Take(string typed, UnitSystem units, out ReadProblem? problem)
    {
        var read = QuantityReader.ReadAngle(typed);
        problem = read.Problem;
        return read.Ok ? JsonValue.Create(QuantityReader.Exact(read.Value)) : null;
    }

    /// <inheritdoc/>
    public override JsonObject Schema() => new() { ["type"] = "string", ["pattern"] = "^[0-9.]+ ?(°|deg|degrees)?$", ["description"] = Says };
}

/// <summary>A number without a unit.</summary>
/// <param name="says">What it is.</param>
/// <param name="least">Least.</param>
/// <param name="most">Most.</param>
/// <param name="whole">Whether it is a whole number.</param>
public sealed class NumberShape(string says, double least, double most, bool whole = false) : Shape(says)
{
    /// <inheritdoc/>
    public override string Expected => $"{Says}, a {(whole ? "whole " : string.Empty)}number from {least} to {most}";

    /// <inheritdoc/>
    public override void Check(JsonNode? node, string path, List<SheetProblem> problems)
    {
        if (node is not JsonValue value || value.GetValueKind() != JsonValueKind.Number)
        {
            problems.Add(Wrong(node, path, $"This is {KindOf(node)}"));
        }
        else if (NumberOf(value) is not { } number || number < least || number > most || (whole && number != Math.Truncate(number)))
        {
            problems.Add(Wrong(node, path, $"{node.ToJsonString()} is out of range"));
        }
    }

    /// <inheritdoc/>
    public override JsonNode? Take(string typed, UnitSystem units, out ReadProblem? problem)
    {
        var ok = double.TryParse(typed.Trim(), NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var number) &&
            number >= least && number <= most && (!whole || number == Math.Truncate(number));
        problem = ok ? null : new(typed, $"'{typed}' is not that", Expected);
        return ok ? JsonValue.Create(number) : null;
    }

    /// <inheritdoc/>
    public override JsonObject Schema() => new()
    {
        ["type"] = whole ? "integer" : "number",
        ["minimum"] = least,
        ["maximum"] = most,
        ["description"] = Says,
    };

    /// <summary>The value as a double, however it is held; null where it does not fit.</summary>
    internal static double? NumberOf(JsonValue value) =>
        double.TryParse(value.ToJsonString(), NumberStyles.Float, CultureInfo.InvariantCulture, out var d) && double.IsFinite(d) ? d : null;
}

/// <summary>Words.</summary>
/// <param name="says">What they are.</param>
/// <param name="longest">Most characters.</param>
public sealed class TextShape(string says, int longest = 200) : Shape(says)
{
    /// <inheritdoc/>
    public override string Expected => $"{Says}, text of at most {longest} characters";

    /// <inheritdoc/>
    public override void Check(JsonNode? node, string path, List<SheetProblem> problems)
    {
        if (TextOf(node) is not { } text)
        {
            problems.Add(Wrong(node, path, $"This is {KindOf(node)}"));
        }
        else if (Fault(text) is { } fault)
        {
            problems.Add(Wrong(node, path, fault));
        }
    }

    /// <inheritdoc/>
    public override JsonNode? Take(string typed, UnitSystem units, out ReadProblem? problem)
    {
        problem = Fault(typed) is { } fault ? new(typed, fault, Expected) : null;
        return problem is null ? JsonValue.Create(typed.Trim()) : null;
    }

    /// <inheritdoc/>
    public override JsonObject Schema() => new() { ["type"] = "string", ["maxLength"] = longest, ["description"] = Says };

    private string? Fault(string text) =>
        text.Length > longest ? $"These are {text.Length} characters"
        : text.Any(c => char.IsControl(c) && c is not ('\n' or '\r' or '\t')) ? "There are characters in it that do not print"
        : null;
}

/// <summary>One of a few words.</summary>
/// <param name="says">What it chooses.</param>
/// <param name="words">The words.</param>
public sealed class ChoiceShape(string says, params IReadOnlyList<string> words) : Shape(says)
{
    /// <summary>One of the members of an enumeration.</summary>
    /// <param name="says">What it chooses.</param>
    /// <param name="without">Members that a file never names.</param>
    public static ChoiceShape Of<T>(string says, params IEnumerable<T> without)
        where T : struct, Enum => new(says, Choices.Words(without));

    /// <summary>The words.</summary>
    public IReadOnlyList<string> Words { get; } = words;

    /// <inheritdoc/>
    public override string Expected => $"{Says}, one of {string.Join(", ", Words)}";

    /// <inheritdoc/>
    public override void Check(JsonNode? node, string path, List<SheetProblem> problems)
    {
        if (TextOf(node) is not { } text || !Words.Contains(text))
        {
            problems.Add(Wrong(node, path, $"This is {(TextOf(node) is { } word ? $"'{(word.Length > 40 ? word[..40] : word)}'" : KindOf(node))}"));
        }
    }

    /// <inheritdoc/>
    public override JsonNode? Take(string typed, UnitSystem units, out ReadProblem? problem)
    {
        problem = Words.Contains(typed) ? null : new(typed, $"'{typed}' is none of them", Expected);
        return problem is null ? JsonValue.Create(typed) : null;
    }

    /// <inheritdoc/>
    public override JsonObject Schema() => new() { ["enum"] = new JsonArray([.. Words.Select(w => JsonValue.Create(w))]), ["description"] = Says };
}

/// <summary>Yes or no.</summary>
/// <param name="says">What is asked.</param>
public sealed class YesNoShape(string says) : Shape(says)
{
    /// <inheritdoc/>
    public override string Expected => $"{Says}: true or false";

    /// <inheritdoc/>
    public override void Check(JsonNode? node, string path, List<SheetProblem> problems)
    {
        if (node is not JsonValue value || value.GetValueKind() is not (JsonValueKind.True or JsonValueKind.False))
        {
            problems.Add(Wrong(node, path, $"This is {KindOf(node)}"));
        }
    }

    /// <inheritdoc/>
    public override JsonNode? Take(string typed, UnitSystem units, out ReadProblem? problem)
    {
        problem = typed is "true" or "false" ? null : new(typed, $"'{typed}' is neither", Expected);
        return problem is null ? JsonValue.Create(typed == "true") : null;
    }

    /// <inheritdoc/>
    public override JsonObject Schema() => new() { ["type"] = "boolean", ["description"] = Says };
}
