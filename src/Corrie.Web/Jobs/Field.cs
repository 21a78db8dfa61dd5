using System.Text.Json.Nodes;
using Corrie.Core.Jobs.Format;
using Corrie.Core.Measure;

namespace Corrie.Web.Jobs;

/// <summary>What was wrong with something typed, kept beside its field.</summary>
/// <param name="Path">The part of the sheet.</param>
/// <param name="Typed">What was typed.</param>
/// <param name="Words">What was understood and what is expected.</param>
public sealed record FieldProblem(string Path, string Typed, string Words);

/// <summary>A question beside the wall: one part of the sheet that can be typed or chosen.</summary>
/// <param name="Path">The part.</param>
/// <param name="Label">The question.</param>
/// <param name="Text">What stands there.</param>
/// <param name="Hint">How it was understood, in other units.</param>
/// <param name="Choices">The choices; null for a typed field.</param>
/// <param name="Problem">What is wrong with what was typed.</param>
/// <param name="Placeholder">What holds while nothing is entered.</param>
public sealed record Field(
    string Path, string Label, string Text, string? Hint, IReadOnlyList<(string Key, string Words)>? Choices, FieldProblem? Problem, string? Placeholder)
{
    /// <summary>Name of the element.</summary>
    public string Id => "f" + Path.Replace('/', '-');

    /// <summary>A field for a part of a sheet.</summary>
    /// <param name="document">The sheet.</param>
    /// <param name="path">The part.</param>
    /// <param name="label">The question.</param>
    /// <param name="style">The reader's units.</param>
    /// <param name="problem">The page's problem, which may be another field's.</param>
    /// <param name="choices">The choices, where it is chosen.</param>
    /// <param name="placeholder">What holds while nothing is entered.</param>
    public static Field Of(
        JsonObject document, string path, string label, LengthStyle style, FieldProblem? problem, IReadOnlyList<(string Key, string Words)>? choices = null, string? placeholder = null)
    {
        var value = Pointer.Get(document, path);
        var text = value switch
        {
            null => string.Empty,
            JsonValue v when v.TryGetValue<string>(out var s) => s,
            _ => value.ToJsonString(),
        };
        string? hint = null;
        if (value is not null && SheetShape.Root.At(path) is LengthShape && LengthReader.Read(text, UnitSystem.Millimetres, directed: true) is { Ok: true } read)
        {
            text = Typed(read.Value, style);
            hint = read.Value.Show(style.System == UnitSystem.Inches ? LengthStyle.Millimetres : LengthStyle.Inches).ToString();
        }

        return new(path, label, problem?.Path == path ? problem.Typed : text, hint, choices, problem?.Path == path ? problem : null, placeholder);
    }

    // A field never shows a rounded figure: what it shows can be sent back without a loss.
    private static string Typed(Length length, LengthStyle style) =>
        length.RoundedTo(style.Step) == length ? length.Show(style).Figures
        : LengthText.Exact(length, style.System) is var exact && exact.EndsWith(style.System == UnitSystem.Inches ? " in" : " mm", StringComparison.Ordinal) ? exact[..^3]
        : exact;
}
