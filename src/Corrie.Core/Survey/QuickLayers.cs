using System.Buffers;
using Corrie.Core.Measure;

namespace Corrie.Core.Survey;

/// <summary>A layer that a test hole went through.</summary>
/// <param name="Name">What it is.</param>
/// <param name="Thickness">How thick.</param>
public readonly record struct TypedLayer(string Name, Length Thickness);

/// <summary>Reads the layers of a test hole in one line, from the room inwards, such as <c>gypsum board 1/2, void 3/4</c>.</summary>
public static class QuickLayers
{
    private const string Expected = "name and thickness, with commas between, such as gypsum board 1/2, void 3/4";
    private static readonly SearchValues<char> Figures = SearchValues.Create("0123456789½¼¾⅛⅜⅝⅞");

    /// <summary>Reads a line.</summary>
    /// <param name="typed">What was typed.</param>
    /// <param name="bare">The unit of a number without one.</param>
    /// <returns>The layers, at least one; or what was not understood.</returns>
    public static (IReadOnlyList<TypedLayer> Layers, ReadProblem? Problem) Read(string? typed, UnitSystem bare)
    {
        typed ??= string.Empty;
        var layers = new List<TypedLayer>();
        foreach (var part in typed.Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries))
        {
            var cut = part.AsSpan().IndexOfAny(Figures);
            var thickness = LengthReader.Read(cut < 0 ? string.Empty : part[cut..], bare);
            if (cut <= 0 || !thickness.Ok)
            {
                return ([], new(typed, $"'{part}' is no layer with its thickness", Expected));
            }

            layers.Add(new(part[..cut].Trim(), thickness.Value));
        }

        return layers.Count > 0 ? (layers, null) : ([], new(typed, "No layer was typed", Expected));
    }
}
