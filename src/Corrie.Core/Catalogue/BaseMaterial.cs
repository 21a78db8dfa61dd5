using System.Text.Json.Nodes;
using Corrie.Core.Format;
using Corrie.Core.Measure;

namespace Corrie.Core.Catalogue;

/// <summary>What a maker rates an anchor for: the material that it holds in.</summary>
public enum BaseMaterial
{
    /// <summary>A wood stud, for screws that hold by their evaluation report alone.</summary>
    Wood,

    /// <summary>Flange of a steel stud of 25 gauge (18 mil, 0.45 mm), board before it.</summary>
    Steel25,

    /// <summary>Of 22 gauge (27 mil, 0.7 mm).</summary>
    Steel22,

    /// <summary>Of 20 gauge (33 mil, 0.85 mm).</summary>
    Steel20,

    /// <summary>Of 18 gauge (43 mil, 1.1 mm).</summary>
    Steel18,

    /// <summary>Of 16 gauge (54 mil, 1.4 mm).</summary>
    Steel16,

    /// <summary>Solid brick.</summary>
    SolidBrick,

    /// <summary>Brick with cells.</summary>
    HollowBrick,

    /// <summary>Solid block, or block filled with grout.</summary>
    SolidBlock,

    /// <summary>Block with cells.</summary>
    HollowBlock,

    /// <summary>Concrete.</summary>
    Concrete,

    /// <summary>Stone.</summary>
    Stone,

    /// <summary>Gypsum board alone.</summary>
    Board,

    /// <summary>Planks or plywood.</summary>
    Planks,
}

/// <summary>How people call them.</summary>
public static class BaseMaterials
{
    /// <summary>What an installer says.</summary>
    /// <param name="material">The material.</param>
    /// <returns>Such as <c>25 gauge steel</c>.</returns>
    public static string Said(this BaseMaterial material) => material is >= BaseMaterial.Steel25 and <= BaseMaterial.Steel16 ? $"{material.Word()["steel".Length..]} gauge steel" : material.Words();
}

/// <summary>A maker's rated load of an anchor in one material.</summary>
/// <param name="Into">The material.</param>
/// <param name="Tension">Load straight out.</param>
/// <param name="Shear">Load across; null where none is published.</param>
/// <param name="Embedment">How deep it has to be in the material; zero where that means nothing.</param>
/// <param name="Edge">Least distance from an edge of the material; zero where none is published.</param>
/// <param name="Spacing">Least distance from one anchor to the next; zero where none is published.</param>
public sealed record Rating(BaseMaterial Into, Force Tension, Force? Shear, Length Embedment, Length Edge, Length Spacing)
{
    /// <summary>How ratings are described: a material is a line.</summary>
    internal static ListShape<Rating> Table { get; } = new(
        "the maker's rated loads, a material a line",
        new GroupShape<Rating>("a rated load", m => new Rating(
            m.Need("into", new ChoiceShape<BaseMaterial>("what it holds in")),
            m.Need("tension", new MassShape("load straight out", overZero: true)).Weight,
            m.Maybe("shear", new MassShape("load across it", overZero: true))?.Weight,
            m.Length("embedment", "how deep it has to be in that", LengthRange.Distance, Length.Zero),
            m.Length("edge", "least distance from an edge of that", LengthRange.Distance, Length.Zero),
            m.Length("spacing", "least distance between two", LengthRange.Distance, Length.Zero))),
        20,
        new ListText(
            "A material a line: what it holds in, load out, load across, then depth, distance from edges and between two: solid-brick, 300 lb, 250 lb, 2 in, 4 in, 6 in",
            typed => new JsonArray([.. typed.Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).Select(Taken)]),
            all => string.Join('\n', all.Select(Shown))));

    private static readonly string[] Order = ["into", "tension", "shear", "embedment", "edge", "spacing"];

    private static JsonNode Taken(string line)
    {
        var words = line.Split([',', ';'], StringSplitOptions.TrimEntries);
        var rating = new JsonObject();
        for (var i = 0; i < words.Length; i++)
        {
            // What stands behind the last figure is read too, so that it is said to be wrong and not lost.
            var name = i < Order.Length ? Order[i] : $"more{i}";
            if (words[i].Length > 0)
            {
                rating[name] = i == 0 ? words[i].ToLowerInvariant().Replace(' ', '-') : words[i];
            }
        }

        return rating;
    }

    private static string Shown(JsonNode? rating) => string.Join(", ", Order.Select(o => rating![o]?.ToString() ?? string.Empty)).TrimEnd(' ', ',');
}
