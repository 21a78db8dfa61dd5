using Corrie.Core.Format;
using Corrie.Core.Measure;

namespace Corrie.Core.Catalogue;

/// <summary>A thing that is planned by its size and weight alone: it counts as a load and as an obstacle.</summary>
/// <param name="Name">Plain description, without a make.</param>
/// <param name="Width">Outer width.</param>
/// <param name="Height">Outer height.</param>
/// <param name="Depth">Outer depth.</param>
/// <param name="Mass">What it weighs.</param>
public sealed record Thing(string Name, Length Width, Length Height, Length Depth, Mass Mass) : Product(Name, Mass), ISized, IWired
{
    private const string ProjectorWord = "projector";
    private const string ScreenWord = "screen";

    /// <summary>Light of a projector in lumens; null where nobody has entered it.</summary>
    public double? Lumens { get; init; }

    /// <summary>Gain of a projection screen; null for anything else.</summary>
    public double? Gain { get; init; }

    /// <inheritdoc/>
    public IReadOnlyList<Jack> Jacks { get; init; } = [];

    /// <inheritdoc/>
    public double? Watts { get; init; }

    /// <summary>How it is controlled: by radio, or by infrared that has to see it; empty where nobody has asked.</summary>
    public string Control { get; init; } = string.Empty;

    /// <summary>Soundbars.</summary>
    public static ProductKind Soundbar { get; } = Of("soundbar", "Soundbar", "Soundbars");

    /// <summary>Projectors.</summary>
    public static ProductKind Projector { get; } = Of(ProjectorWord, "Projector", "Projectors");

    /// <summary>Players, consoles, computers: what gives a picture, and stands or lies somewhere.</summary>
    public static ProductKind Device { get; } = Of("device", "Device", "Devices") with { Layer = WallLayer.Between };

    /// <summary>The kinds of such things.</summary>
    public static IReadOnlyList<ProductKind> Kinds { get; } =
    [
        Soundbar,
        Of("speaker", "Speaker", "Speakers"),
        Projector,
        Of(ScreenWord, "Projection screen", "Projection screens"),
        Of("board", "Interactive board", "Interactive boards"),
        WallBox.Kind,
        Device,
    ];

    private static ProductKind Of(string word, string title, string plural) => ProductKind.Of(word, title, plural, new GroupShape<Thing>(
        "a " + title.ToLowerInvariant(),
        m => new Thing(
            Product.NameOf(m),
            m.Length("width", "outer width", LengthRange.Size),
            m.Length("height", "outer height", LengthRange.Size),
            m.Length("depth", "outer depth", LengthRange.Size),
            m.Need("mass", new MassShape("weight", overZero: true)))
        {
            Lumens = word == ProjectorWord ? m.Maybe("lumens", new NumberShape("its light, in lumens", 1, 1_000_000)) : null,
            Jacks = m.Part("ports", Jack.List) ?? [],
            Watts = m.Maybe("watts", new NumberShape("power that it takes at most, in watts", 0, 20_000)),
            Control = m.Text("control", "how it is controlled: radio, or infrared that has to see it", 60),
            Gain = word == ScreenWord ? m.Or("gain", new NumberShape("gain of the screen", 0.1, 10), 1) : null,
        }));
}
