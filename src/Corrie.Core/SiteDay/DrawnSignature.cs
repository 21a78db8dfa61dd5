using System.Globalization;

namespace Corrie.Core.SiteDay;

/// <summary>A signature drawn on a screen: strokes as text, <c>M12 40 L14 41 L20 38 M60 40 L…</c>, on a field of 400 by 150.</summary>
public static class DrawnSignature
{
    /// <summary>Width of the field.</summary>
    public const int Width = 400;

    /// <summary>Height of the field.</summary>
    public const int Height = 150;

    /// <summary>The longest text.</summary>
    public const int Most = 6000;

    // A dot or a slip of the finger is no signature (own rule).
    private const int LeastPoints = 8;

    /// <summary>Reads one.</summary>
    /// <param name="text">The text.</param>
    /// <returns>Its strokes, each of points in the field; null where it is none.</returns>
    public static IReadOnlyList<IReadOnlyList<(int X, int Y)>>? Read(string text)
    {
        var strokes = new List<List<(int, int)>>();
        var words = text.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        for (var i = 0; i < words.Length; i += 2)
        {
            if (i + 1 >= words.Length || words[i][0] is not ('M' or 'L') || (i == 0 && words[i][0] != 'M') || At(words[i][1..], Width) is not { } x || At(words[i + 1], Height) is not { } y)
            {
                return null;
            }

            if (words[i][0] == 'M')
            {
                strokes.Add([]);
            }

            strokes[^1].Add((x, y));
        }

        return text.Length <= Most && strokes.Sum(s => s.Count) >= LeastPoints ? strokes : null;
    }

    private static int? At(string word, int most) => int.TryParse(word, NumberStyles.None, CultureInfo.InvariantCulture, out var at) && at <= most ? at : null;
}
