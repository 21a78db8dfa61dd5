using System.Globalization;
using System.Text.Json;
using System.Text.Json.Nodes;
using Corrie.Core.Measure;

namespace Corrie.Core.Format;

/// <summary>Which lengths a part may hold.</summary>
/// <param name="Least">The least that makes sense; where it is negative, a direction is meant.</param>
/// <param name="Most">The most.</param>
public readonly record struct LengthRange(Length Least, Length Most)
{
    private static readonly Length Step = Length.FromUnits(1);
    private static readonly Length Room = Length.FromMillimetres(60_000);
    private static readonly Length Part = Length.FromMillimetres(10_000);

    /// <summary>The size of a thing: over zero, up to 10 m.</summary>
    public static LengthRange Size => new(Step, Part);

    /// <summary>A distance that may be nothing: up to 10 m.</summary>
    public static LengthRange Distance => new(Length.Zero, Part);

    /// <summary>A place along a wall or up it: up to 60 m.</summary>
    public static LengthRange Along => new(Length.Zero, Room);

    /// <summary>An offset to either side: up to 10 m.</summary>
    public static LengthRange Offset => new(-Part, Part);

    /// <summary>A reading to either side: up to 60 m.</summary>
    public static LengthRange EitherWay => new(-Room, Room);

    /// <summary>Over zero, up to a most.</summary>
    /// <param name="most">The most.</param>
    /// <returns>The range.</returns>
    public static LengthRange UpTo(Length most) => new(Step, most);

    /// <summary>From a least up to 60 m.</summary>
    /// <param name="least">The least.</param>
    /// <returns>The range.</returns>
    public static LengthRange From(Length least) => new(least, Room);
}

/// <summary>A length as text with its unit, such as <c>"54 1/4 in"</c> or <c>"1378 mm"</c>.</summary>
/// <param name="says">What it is.</param>
/// <param name="range">Which lengths are taken.</param>
public sealed class LengthShape(string says, LengthRange range) : Shape<Length>(says)
{
    private bool Signed => range.Least < Length.Zero;

    /// <summary>The units that a number without a unit is in, whatever the reader's are: hole patterns go by millimetres everywhere. Null for the reader's.</summary>
    public UnitSystem? Bare { get; init; }

    /// <summary>A length that goes by millimetres everywhere, such as a hole pattern's or a display screw's: a bare 200 is 200 mm.</summary>
    /// <param name="says">What it is.</param>
    /// <param name="range">Which lengths it may be.</param>
    /// <returns>The description.</returns>
    public static LengthShape Metric(string says, LengthRange range) => new(says, range) { Bare = UnitSystem.Millimetres };

    /// <inheritdoc/>
    public override string Expected =>
        $"{Says}, a length with its unit from {LengthText.Exact(range.Least, UnitSystem.Inches)} to {LengthText.Exact(range.Most, UnitSystem.Inches)}, such as 54 1/4 in or 1378 mm";

    /// <inheritdoc/>
    internal override Length Sample => Length.Max(range.Least, Length.Min(range.Most, Length.Tape(1)));

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
        else if (read.Value < range.Least || read.Value > range.Most)
        {
            problems.Add(new(path, text, $"{text} is out of range", Expected));
        }
    }

    /// <inheritdoc/>
    public override Length Read(JsonNode node, Place here) => LengthReader.Read(TextOf(node), UnitSystem.Millimetres, directed: true).Value;

    /// <inheritdoc/>
    public override JsonNode? Take(string typed, UnitSystem units, out ReadProblem? problem)
    {
        units = Bare ?? units;
        var read = LengthReader.Read(typed, units, Signed);
        problem = read.Problem;
        if (problem is null && (read.Value < range.Least || read.Value > range.Most))
        {
            problem = new(
                typed,
                $"Understood as {LengthText.Exact(read.Value, units)}, which is out of range",
                $"{Says} from {LengthText.Exact(range.Least, units)} to {LengthText.Exact(range.Most, units)}");
        }

        return problem is null ? JsonValue.Create(LengthText.Exact(read.Value, units)) : null;
    }

    /// <inheritdoc/>
    public override string Text(JsonNode value, LengthStyle style) =>
        TextOf(value) is { } text && LengthReader.Read(text, UnitSystem.Millimetres, directed: true) is { Ok: true } read ? Say(read.Value, style) : base.Text(value, style);

    /// <inheritdoc/>
    /// <remarks>A field never shows a rounded figure: what it shows can be sent back without a loss.</remarks>
    public override string Say(Length value, LengthStyle style) => Bare is { } bare && bare != style.System ? Say(value, new LengthStyle(bare)) :
        value.RoundedTo(style.Step) == value ? value.Show(style).Figures
        : LengthText.Exact(value, style.System) is var exact && exact.EndsWith(style.System == UnitSystem.Inches ? " in" : " mm", StringComparison.Ordinal) ? exact[..^3]
        : exact;

    /// <inheritdoc/>
    public override JsonObject Schema() => new() { ["$ref"] = "#/$defs/length", ["description"] = Says };

    private static bool HasUnit(string text) => text.Any(c => char.IsLetter(c) || c is '\'' or '"' or '′' or '″' or '’' or '”');
}

/// <summary>A weight as text with its unit, such as <c>"49 lb"</c>.</summary>
/// <param name="says">What it is.</param>
/// <param name="overZero">Whether nothing at all is refused.</param>
public sealed class MassShape(string says, bool overZero = false) : Shape<Mass>(says)
{
    /// <inheritdoc/>
    public override string Expected => $"{Says}, a weight {(overZero ? "over 0 " : string.Empty)}with its unit, such as 49 lb or 22.2 kg";

    /// <inheritdoc/>
    internal override Mass Sample => Mass.FromPounds(1);

    /// <inheritdoc/>
    public override void Check(JsonNode? node, string path, List<SheetProblem> problems)
    {
        var text = TextOf(node);
        if (text is null || !QuantityReader.ReadMass(text, UnitSystem.Inches).Ok || !char.IsLetter(text.TrimEnd()[^1]))
        {
            problems.Add(Wrong(node, path, text is null ? $"This is {KindOf(node)}" : $"'{text}' is not a weight with a unit"));
        }
        else if (overZero && QuantityReader.ReadMass(text, UnitSystem.Inches).Value.Kilograms <= 0)
        {
            problems.Add(Wrong(node, path, $"'{text}' is no weight at all"));
        }
    }

    /// <inheritdoc/>
    public override Mass Read(JsonNode node, Place here) => QuantityReader.ReadMass(TextOf(node), UnitSystem.Inches).Value;

    /// <inheritdoc/>
    public override JsonNode? Take(string typed, UnitSystem units, out ReadProblem? problem)
    {
        var read = QuantityReader.ReadMass(typed, units);
        problem = read.Ok && overZero && read.Value.Kilograms <= 0 ? new(typed, $"'{typed}' is no weight at all", Expected) : read.Problem;
        var told = typed.Contains('k', StringComparison.OrdinalIgnoreCase) ? UnitSystem.Millimetres : typed.Contains('l', StringComparison.OrdinalIgnoreCase) ? UnitSystem.Inches : units;
        return problem is null ? JsonValue.Create(QuantityReader.Exact(read.Value, told)) : null;
    }

    /// <inheritdoc/>
    public override string Say(Mass value, LengthStyle style) => QuantityReader.Exact(style.System == UnitSystem.Inches ? Mass.FromPounds(Math.Round(value.Pounds, 1)) : new(Math.Round(value.Kilograms, 1)), style.System);

    /// <inheritdoc/>
    public override JsonObject Schema() => new() { ["type"] = "string", ["pattern"] = "^[0-9.]+ ?(lb|kg)$", ["description"] = Says };
}

/// <summary>A temperature with its unit.</summary>
/// <param name="says">What it is.</param>
public sealed class TemperatureShape(string says) : Shape<Temperature>(says)
{
    /// <inheritdoc/>
    public override string Expected => $"{Says}, a temperature with its unit, such as 104 F or 40 C";

    /// <inheritdoc/>
    internal override Temperature Sample => new(40);

    /// <inheritdoc/>
    public override void Check(JsonNode? node, string path, List<SheetProblem> problems)
    {
        var text = TextOf(node);
        if (text is null || !QuantityReader.ReadTemperature(text, UnitSystem.Inches).Ok || !char.IsLetter(text.TrimEnd()[^1]))
        {
            problems.Add(Wrong(node, path, text is null ? $"This is {KindOf(node)}" : $"'{text}' is not a temperature with a unit"));
        }
    }

    /// <inheritdoc/>
    public override Temperature Read(JsonNode node, Place here) => QuantityReader.ReadTemperature(TextOf(node), UnitSystem.Inches).Value;

    /// <inheritdoc/>
    public override JsonNode? Take(string typed, UnitSystem units, out ReadProblem? problem)
    {
        var read = QuantityReader.ReadTemperature(typed, units);
        problem = read.Problem;
        var told = typed.Contains('c', StringComparison.OrdinalIgnoreCase) ? UnitSystem.Millimetres : typed.Contains('f', StringComparison.OrdinalIgnoreCase) ? UnitSystem.Inches : units;
        return problem is null ? JsonValue.Create(QuantityReader.Exact(read.Value, told)) : null;
    }

    /// <inheritdoc/>
    public override string Say(Temperature value, LengthStyle style) => QuantityReader.Exact(value, style.System);

    /// <inheritdoc/>
    public override JsonObject Schema() => new() { ["type"] = "string", ["pattern"] = "^[0-9.]+ ?[FC]$", ["description"] = Says };
}

/// <summary>An angle as text, such as <c>"15 deg"</c>.</summary>
/// <param name="says">What it is.</param>
public sealed class AngleShape(string says) : Shape<Angle>(says)
{
    /// <inheritdoc/>
    public override string Expected => $"{Says}, an angle such as 15 deg";

    /// <inheritdoc/>
    internal override Angle Sample => new(1);

    /// <inheritdoc/>
    public override void Check(JsonNode? node, string path, List<SheetProblem> problems)
    {
        if (TextOf(node) is not { } text || !QuantityReader.ReadAngle(text).Ok)
        {
            problems.Add(Wrong(node, path, $"This is not an angle, but {KindOf(node)}"));
        }
    }

    /// <inheritdoc/>
    public override Angle Read(JsonNode node, Place here) => QuantityReader.ReadAngle(TextOf(node)).Value;

    /// <inheritdoc/>
    public override JsonNode? Take(string typed, UnitSystem units, out ReadProblem? problem)
    {
        var read = QuantityReader.ReadAngle(typed);
        problem = read.Problem;
        return read.Ok ? JsonValue.Create(QuantityReader.Exact(read.Value)) : null;
    }

    /// <inheritdoc/>
    public override string Say(Angle value, LengthStyle style) => QuantityReader.Exact(value);

    /// <inheritdoc/>
    public override JsonObject Schema() => new() { ["type"] = "string", ["pattern"] = "^[0-9.]+ ?(°|deg|degrees)?$", ["description"] = Says };
}

/// <summary>A number without a unit.</summary>
/// <param name="says">What it is.</param>
/// <param name="least">The least that is taken.</param>
/// <param name="most">The most that is taken.</param>
public sealed class NumberShape(string says, double least, double most) : Shape<double>(says)
{
    /// <inheritdoc/>
    public override string Expected => $"{Says}, a number from {least} to {most}";

    /// <inheritdoc/>
    internal override double Sample => least;

    /// <inheritdoc/>
    public override void Check(JsonNode? node, string path, List<SheetProblem> problems) => Numbers.Check(node, path, problems, Wrong, n => n >= least && n <= most);

    /// <inheritdoc/>
    public override double Read(JsonNode node, Place here) => Numbers.Of((JsonValue)node)!.Value;

    /// <inheritdoc/>
    public override JsonNode? Take(string typed, UnitSystem units, out ReadProblem? problem) => Numbers.Take(typed, Expected, n => n >= least && n <= most, out problem);

    /// <inheritdoc/>
    public override string Say(double value, LengthStyle style) => value.ToString("0.######", CultureInfo.InvariantCulture);

    /// <inheritdoc/>
    public override JsonObject Schema() => new() { ["type"] = "number", ["minimum"] = least, ["maximum"] = most, ["description"] = Says };
}

/// <summary>A whole number.</summary>
/// <param name="says">What it is.</param>
/// <param name="least">The least that is taken.</param>
/// <param name="most">The most that is taken.</param>
public sealed class WholeShape(string says, int least, int most) : Shape<int>(says)
{
    /// <inheritdoc/>
    public override string Expected => $"{Says}, a whole number from {least} to {most}";

    /// <inheritdoc/>
    internal override int Sample => least;

    /// <inheritdoc/>
    public override void Check(JsonNode? node, string path, List<SheetProblem> problems) => Numbers.Check(node, path, problems, Wrong, Fits);

    /// <inheritdoc/>
    public override int Read(JsonNode node, Place here) => (int)Numbers.Of((JsonValue)node)!.Value;

    /// <inheritdoc/>
    public override JsonNode? Take(string typed, UnitSystem units, out ReadProblem? problem) => Numbers.Take(typed, Expected, Fits, out problem);

    /// <inheritdoc/>
    public override JsonObject Schema() => new() { ["type"] = "integer", ["minimum"] = least, ["maximum"] = most, ["description"] = Says };

    private bool Fits(double number) => number >= least && number <= most && number == Math.Truncate(number);
}

/// <summary>What numbers without a unit have in common.</summary>
internal static class Numbers
{
    /// <summary>The value as a double, however it is held.</summary>
    /// <param name="value">A JSON value.</param>
    /// <returns>The number; null where it does not fit.</returns>
    public static double? Of(JsonValue value) =>
        double.TryParse(value.ToJsonString(), NumberStyles.Float, CultureInfo.InvariantCulture, out var d) && double.IsFinite(d) ? d : null;

    public static void Check(JsonNode? node, string path, List<SheetProblem> problems, Func<JsonNode?, string, string, SheetProblem> wrong, Func<double, bool> fits)
    {
        if (node is not JsonValue value || value.GetValueKind() != JsonValueKind.Number)
        {
            problems.Add(wrong(node, path, $"This is {Shape.KindOf(node)}"));
        }
        else if (Of(value) is not { } number || !fits(number))
        {
            problems.Add(wrong(node, path, $"{node.ToJsonString()} is out of range"));
        }
    }

    public static JsonValue? Take(string typed, string expected, Func<double, bool> fits, out ReadProblem? problem)
    {
        var ok = double.TryParse(typed.Trim(), NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var number) && fits(number);
        problem = ok ? null : new(typed, $"'{typed}' is not that", expected);
        return ok ? JsonValue.Create(number) : null;
    }
}

/// <summary>Words.</summary>
/// <param name="says">What they are.</param>
/// <param name="longest">Most characters.</param>
/// <param name="names">What they name, where they are the key of something on the sheet: the page offers those.</param>
public sealed class TextShape(string says, int longest = 200, Names names = Names.Nothing) : Shape<string>(says)
{
    /// <summary>What the words name.</summary>
    public Names Names => names;

    /// <summary>Most characters.</summary>
    public int Longest => longest;

    /// <inheritdoc/>
    public override string Expected => $"{Says}, text of at most {longest} characters";

    /// <inheritdoc/>
    internal override string Sample => "text";

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
    public override string Read(JsonNode node, Place here) => TextOf(node)!;

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

/// <summary>What the text of a part names.</summary>
public enum Names
{
    /// <summary>Nothing: it is plain text.</summary>
    Nothing,

    /// <summary>A wall of the sheet.</summary>
    Wall,

    /// <summary>A thing of the sheet.</summary>
    Item,

    /// <summary>A line that something can be centred on: the wall, or something that stands on it.</summary>
    CentreLine,

    /// <summary>A line that a tape can be hooked on, along the wall.</summary>
    DatumAcross,

    /// <summary>A line that a tape can be hooked on, up the wall.</summary>
    DatumUp,

    /// <summary>Where a cable comes out of a wall: a box, or an outlet or plate that is there.</summary>
    FeedEnd,

    /// <summary>A cable's way through a wall, with the wall's key before it.</summary>
    Route,

    /// <summary>An outlet that is there, with its wall's key before it, or a thing of the sheet: what has ports.</summary>
    PortHolder,

    /// <summary>A circuit.</summary>
    Circuit,
}

/// <summary>One of a few words that mean no more than they say.</summary>
/// <param name="says">What it chooses.</param>
/// <param name="words">The words.</param>
public sealed class WordShape(string says, params IReadOnlyList<string> words) : Shape<string>(says), IChoice
{
    /// <inheritdoc/>
    public IReadOnlyList<string> Words { get; } = words;

    /// <inheritdoc/>
    public override string Expected => ChoiceChecks.Expected(Says, Words);

    /// <inheritdoc/>
    internal override string Sample => Words[0];

    /// <inheritdoc/>
    public override void Check(JsonNode? node, string path, List<SheetProblem> problems) => ChoiceChecks.Check(node, path, Words, Wrong, problems);

    /// <inheritdoc/>
    public override string Read(JsonNode node, Place here) => TextOf(node)!;

    /// <inheritdoc/>
    public override JsonNode? Take(string typed, UnitSystem units, out ReadProblem? problem) => ChoiceChecks.Take(typed, Words, Expected, out problem);

    /// <inheritdoc/>
    public override JsonObject Schema() => ChoiceChecks.Schema(Says, Words);
}

/// <summary>One of the members of an enumeration, by its word.</summary>
/// <typeparam name="T">The enumeration.</typeparam>
/// <param name="says">What it chooses.</param>
/// <param name="without">Members that a file never names.</param>
public sealed class ChoiceShape<T>(string says, params IEnumerable<T> without) : Shape<T>(says), IChoice
    where T : struct, Enum
{
    /// <inheritdoc/>
    public IReadOnlyList<string> Words { get; } = Choices.All(without);

    /// <inheritdoc/>
    public override string Expected => ChoiceChecks.Expected(Says, Words);

    /// <inheritdoc/>
    internal override T Sample => Choices.Of<T>(Words[0])!.Value;

    /// <inheritdoc/>
    public override void Check(JsonNode? node, string path, List<SheetProblem> problems) => ChoiceChecks.Check(node, path, Words, Wrong, problems);

    /// <inheritdoc/>
    public override T Read(JsonNode node, Place here) => Choices.Of<T>(TextOf(node))!.Value;

    /// <inheritdoc/>
    public override JsonNode? Take(string typed, UnitSystem units, out ReadProblem? problem) => ChoiceChecks.Take(typed, Words, Expected, out problem);

    /// <inheritdoc/>
    public override string Say(T value, LengthStyle style) => value.Words();

    /// <inheritdoc/>
    public override JsonObject Schema() => ChoiceChecks.Schema(Says, Words);
}

/// <summary>A part that is one of a few words.</summary>
public interface IChoice
{
    /// <summary>The words, in the order in which they are offered.</summary>
    IReadOnlyList<string> Words { get; }
}

/// <summary>What choices have in common.</summary>
internal static class ChoiceChecks
{
    public static string Expected(string says, IReadOnlyList<string> words) => $"{says}, one of {string.Join(", ", words)}";

    public static void Check(JsonNode? node, string path, IReadOnlyList<string> words, Func<JsonNode?, string, string, SheetProblem> wrong, List<SheetProblem> problems)
    {
        var text = node is JsonValue value && value.GetValueKind() == JsonValueKind.String ? value.GetValue<string>() : null;
        if (text is null || !words.Contains(text))
        {
            problems.Add(wrong(node, path, $"This is {(text is null ? Shape.KindOf(node) : $"'{(text.Length > 40 ? text[..40] : text)}'")}"));
        }
    }

    public static JsonValue? Take(string typed, IReadOnlyList<string> words, string expected, out ReadProblem? problem)
    {
        problem = words.Contains(typed) ? null : new(typed, $"'{typed}' is none of them", expected);
        return problem is null ? JsonValue.Create(typed) : null;
    }

    public static JsonObject Schema(string says, IReadOnlyList<string> words) => new() { ["enum"] = new JsonArray([.. words.Select(w => JsonValue.Create(w))]), ["description"] = says };
}

/// <summary>Yes or no.</summary>
/// <param name="says">What is asked.</param>
public sealed class YesNoShape(string says) : Shape<bool>(says)
{
    /// <inheritdoc/>
    public override string Expected => $"{Says}: true or false";

    /// <inheritdoc/>
    internal override bool Sample => false;

    /// <inheritdoc/>
    public override void Check(JsonNode? node, string path, List<SheetProblem> problems)
    {
        if (node is not JsonValue value || value.GetValueKind() is not (JsonValueKind.True or JsonValueKind.False))
        {
            problems.Add(Wrong(node, path, $"This is {KindOf(node)}"));
        }
    }

    /// <inheritdoc/>
    public override bool Read(JsonNode node, Place here) => node.GetValue<bool>();

    /// <inheritdoc/>
    public override JsonNode? Take(string typed, UnitSystem units, out ReadProblem? problem)
    {
        problem = typed is "true" or "false" ? null : new(typed, $"'{typed}' is neither", Expected);
        return problem is null ? JsonValue.Create(typed == "true") : null;
    }

    /// <inheritdoc/>
    public override string Say(bool value, LengthStyle style) => value ? "yes" : "no";

    /// <inheritdoc/>
    public override JsonObject Schema() => new() { ["type"] = "boolean", ["description"] = Says };
}
