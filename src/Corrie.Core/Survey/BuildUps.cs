using System.Text.Json.Nodes;
using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Measure;

namespace Corrie.Core.Survey;

/// <summary>A usual build-up to start from.</summary>
/// <param name="Id">Short key.</param>
/// <param name="Name">What the trade calls it.</param>
/// <param name="Kind">What it stands on.</param>
/// <param name="Layers">Its layers from the room inwards, usual thicknesses; each has still to be confirmed.</param>
public sealed record BuildUp(string Id, string Name, WallKind Kind, IReadOnlyList<(string Name, Length Thickness)> Layers)
{
    /// <summary>What lays it out on a wall; nothing of it is confirmed yet.</summary>
    /// <param name="wall">Where the wall stands in the document.</param>
    /// <returns>The changes.</returns>
    public IReadOnlyList<Change> Changes(Place wall) =>
    [
        wall.Set("kind", (JsonNode)Kind.Word()),
        wall.Set("layers", new JsonObject(Layers.Select((l, i) => KeyValuePair.Create<string, JsonNode?>(
            "l" + (i + 1), new JsonObject { ["order"] = i + 1, ["name"] = l.Name, ["thickness"] = LengthText.Exact(l.Thickness, wall.Units) })))),
    ];
}

/// <summary>Usual build-ups (common practice; thicknesses from memory, to be confirmed by a look or a test hole).</summary>
public static class BuildUps
{
    /// <summary>All of them.</summary>
    public static IReadOnlyList<BuildUp> All { get; } =
    [
        new("board-wood", "board on wood studs", WallKind.WoodStuds, [("gypsum board", Length.Tape(0, 1, 2))]),
        new("board-steel", "board on steel studs", WallKind.SteelStuds, [("gypsum board", Length.Tape(0, 5, 8))]),
        new("lath-plaster", "lath and plaster on wood studs", WallKind.WoodStuds, [("plaster", Length.Tape(0, 5, 8)), ("wood lath", Length.Tape(0, 3, 8))]),
        new("filled-arch", "board over a filled-in arch", WallKind.WoodStuds, [("gypsum board", Length.Tape(0, 1, 2)), ("furring", Length.Tape(0, 3, 4))]),
        new("siding", "vinyl siding on sheathing", WallKind.WoodStuds, [("vinyl siding", Length.Tape(0, 1, 2)), ("sheathing", Length.Tape(0, 7, 16))]),
        new("stone-veneer", "stone veneer on sheathing", WallKind.WoodStuds, [("stone veneer", Length.Tape(1, 3, 4)), ("mortar bed", Length.Tape(0, 1, 2)), ("sheathing", Length.Tape(0, 7, 16))]),
        new("brick", "solid brick", WallKind.Masonry, [("brick", Length.Tape(3, 5, 8))]),
        new("block", "concrete block", WallKind.Masonry, [("concrete block", Length.Tape(7, 5, 8))]),
        new("stone", "stone", WallKind.Masonry, [("stone", Length.Tape(16))]),
    ];
}
