using Corrie.Core.Measure;
using Corrie.Core.Survey;

namespace Corrie.Core.Masonry;

/// <summary>Which layers of a wall are stone, and drilled as such.</summary>
public static class Minerals
{
    private static readonly string[] Names = ["stone", "cobble", "brick", "block", "concrete", "tile", "slate", "granite", "marble", "flint", "rubble", "masonry", "chimney"];
    private static readonly string[] Plain = ["render", "plaster"];
    private static readonly string[] Rough = ["stone", "cobble", "flint", "rubble"];

    /// <summary>Whether a layer is of stone, brick, block or the like: of units, with joints. Plaster and render have none, and hide those of what is behind them.</summary>
    /// <param name="layer">The layer.</param>
    /// <returns>Whether its name says so.</returns>
    public static bool IsMineral(this Layer layer) => Names.Any(n => layer.Name.Contains(n, StringComparison.OrdinalIgnoreCase)) && !Plain.Any(n => layer.Name.Contains(n, StringComparison.OrdinalIgnoreCase));

    /// <summary>Whether a face of that layer is rough, so that a plate does not lie flat on it (common practice).</summary>
    /// <param name="layer">The layer that is seen.</param>
    /// <returns>Whether its name says so.</returns>
    public static bool IsRough(this Layer layer) => Rough.Any(n => layer.Name.Contains(n, StringComparison.OrdinalIgnoreCase));

    /// <summary>How deep stone has to be drilled before a bit meets what is not: all layers down to the last mineral one.</summary>
    /// <param name="wall">The wall.</param>
    /// <returns>The depth from the face; zero where no layer is of stone.</returns>
    public static Length Depth(this Wall wall)
    {
        var (depth, deepest) = (Length.Zero, Length.Zero);
        foreach (var layer in wall.Layers)
        {
            depth += layer.Thickness;
            deepest = layer.IsMineral() ? depth : deepest;
        }

        return deepest;
    }
}
