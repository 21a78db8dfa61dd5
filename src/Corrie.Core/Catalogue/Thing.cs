using Corrie.Core.Format;
using Corrie.Core.Measure;

namespace Corrie.Core.Catalogue;

/// <summary>A thing that is planned by its size and weight alone: it counts as a load and as an obstacle.</summary>
/// <param name="Name">Plain description, without a make.</param>
/// <param name="Width">Outer width.</param>
/// <param name="Height">Outer height.</param>
/// <param name="Depth">Outer depth.</param>
/// <param name="Mass">What it weighs.</param>
public sealed record Thing(string Name, Length Width, Length Height, Length Depth, Mass Mass) : Product(Name, Mass), ISized
{
    /// <summary>The kinds of such things.</summary>
    public static IReadOnlyList<ProductKind> Kinds { get; } =
    [
        Of("soundbar", "Soundbar", "Soundbars"),
        Of("speaker", "Speaker", "Speakers"),
        Of("projector", "Projector", "Projectors"),
        Of("screen", "Projection screen", "Projection screens"),
        Of("board", "Interactive board", "Interactive boards"),
        Of("box", "Wall box", "Wall boxes") with { Layer = WallLayer.Inside },
        Of("device", "Device", "Devices") with { Layer = WallLayer.Between },
    ];

    private static ProductKind Of(string word, string title, string plural) => ProductKind.Of(word, title, plural, new GroupShape<Thing>(
        "a " + title.ToLowerInvariant(),
        m => new Thing(
            Product.NameOf(m),
            m.Length("width", "outer width", LengthRange.Size),
            m.Length("height", "outer height", LengthRange.Size),
            m.Length("depth", "outer depth", LengthRange.Size),
            m.Need("mass", new MassShape("weight", overZero: true)))));
}
