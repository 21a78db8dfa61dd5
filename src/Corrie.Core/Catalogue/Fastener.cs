using Corrie.Core.Format;
using Corrie.Core.Measure;

namespace Corrie.Core.Catalogue;

/// <summary>What kind of fastener holds the plate.</summary>
public enum FastenerKind
{
    /// <summary>Lag screw, into wood.</summary>
    LagScrew,

    /// <summary>Wood screw.</summary>
    WoodScrew,

    /// <summary>Toggle bolt that opens behind what it passes.</summary>
    Toggle,
}

/// <summary>What the rated load of a fastener means.</summary>
public enum RatingBasis
{
    /// <summary>A published allowable load: no factor is added.</summary>
    Allowable,

    /// <summary>The load at which it fails in test: divided by the company's factor, 4 by default.</summary>
    Ultimate,
}

/// <summary>A bolt, screw or anchor of the company's catalogue.</summary>
/// <param name="Name">Plain description.</param>
/// <param name="Sort">What it is.</param>
/// <param name="Diameter">Diameter of its shank.</param>
/// <param name="Length">Length under the head.</param>
/// <param name="Tip">Length of its tapered tip, which holds nothing.</param>
/// <param name="Washer">Thickness of the washer under its head.</param>
/// <param name="Hole">The hole it needs; zero where that follows from the wood (a pilot hole).</param>
/// <param name="Grip">The most that a toggle can clamp; zero where that means nothing.</param>
/// <param name="RatedTension">The maker's load in tension through board and a steel flange; null where none is published.</param>
/// <param name="Basis">What that load means.</param>
public sealed record Fastener(
    string Name,
    FastenerKind Sort,
    Length Diameter,
    Length Length,
    Length Tip,
    Length Washer,
    Length Hole,
    Length Grip,
    Force? RatedTension,
    RatingBasis Basis) : Product(Name, default(Mass))
{
    /// <summary>Its description.</summary>
    public static GroupShape<Fastener> Form { get; } = new("the bolt, screw or toggle", m => new Fastener(
        Product.NameOf(m),
        m.Need("kind", new ChoiceShape<FastenerKind>("what kind")),
        m.Length("diameter", "shank diameter", LengthRange.Size),
        m.Length("length", "length under the head", LengthRange.Size),
        m.Length("tip", "length of the tapered tip", LengthRange.Distance, Measure.Length.Zero),
        m.Length("washer", "thickness of the washer", LengthRange.Distance, Measure.Length.Zero),
        m.Length("hole", "the hole it needs, for toggles", LengthRange.Distance, Measure.Length.Zero),
        m.Length("grip", "the most a toggle clamps", LengthRange.Distance, Measure.Length.Zero),
        m.Maybe("ratedTension", new MassShape("the maker's load in tension through board and steel flange"))?.Weight,
        m.Choice("basis", "what that load means", RatingBasis.Ultimate)));

    /// <summary>Bolts, screws and toggles, in the catalogue.</summary>
    public static ProductKind Kind { get; } = ProductKind.Of("fastener", "Bolt, screw or toggle", "Bolts, screws, toggles", Form) with
    {
        IsItem = false,
        IsPlaced = false,
        Headings =
        [
            ("What it is", ["name", "kind"]),
            ("Its size", ["diameter", "length", "tip", "washer", "hole", "grip"]),
            ("What it holds", ["ratedTension", "basis"]),
        ],
    };
}
