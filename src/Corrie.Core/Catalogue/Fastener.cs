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

    /// <summary>Structural screw, which holds what its evaluation report says.</summary>
    StructuralScrew,

    /// <summary>Sleeve anchor, in masonry.</summary>
    SleeveAnchor,

    /// <summary>Screw anchor, which cuts its thread into masonry.</summary>
    ScrewAnchor,

    /// <summary>Threaded rod bonded into masonry.</summary>
    BondedAnchor,

    /// <summary>Wedge anchor, in concrete alone.</summary>
    WedgeAnchor,

    /// <summary>Bolt through planks or plywood, with a plate behind.</summary>
    ThroughBolt,

    /// <summary>Sheet metal screw: extra holding of a plate that toggles carry.</summary>
    SheetMetalScrew,
}

/// <summary>What follows from the kind of a fastener.</summary>
public static class FastenerKinds
{
    /// <summary>Whether it holds by its thread in wood.</summary>
    /// <param name="kind">The kind.</param>
    /// <returns>Whether it does.</returns>
    public static bool IsWood(this FastenerKind kind) => kind is FastenerKind.LagScrew or FastenerKind.WoodScrew or FastenerKind.StructuralScrew;

    /// <summary>Whether it is made to hold in a wall of a kind.</summary>
    /// <param name="kind">The kind of fastener.</param>
    /// <param name="wall">The kind of wall.</param>
    /// <returns>Whether it is.</returns>
    public static bool Suits(this FastenerKind kind, WallKind wall) => wall switch
    {
        WallKind.WoodStuds => kind.IsWood(),
        WallKind.SteelStuds => kind == FastenerKind.Toggle,
        WallKind.Masonry => kind.IsMasonry(),
        _ => kind.IsWood() || kind == FastenerKind.ThroughBolt,
    };

    /// <summary>Whether it is set in masonry.</summary>
    /// <param name="kind">The kind.</param>
    /// <returns>Whether it is.</returns>
    public static bool IsMasonry(this FastenerKind kind) => kind is FastenerKind.SleeveAnchor or FastenerKind.ScrewAnchor or FastenerKind.BondedAnchor or FastenerKind.WedgeAnchor;
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
    private static readonly Length HalfInch = Measure.Length.Tape(0, 1, 2);
    private static readonly Length LongestThread = Measure.Length.Tape(6);

    /// <summary>Length of its thread, tip included, where somebody has entered it.</summary>
    public Length? SaidThread { get; init; }

    /// <summary>What its maker rates it for, material by material; empty where nothing is entered.</summary>
    public IReadOnlyList<Rating> Ratings { get; init; } = [];

    /// <summary>The load across it through board and a steel flange; null where none is published.</summary>
    public Force? RatedShear { get; init; }

    /// <summary>What one costs, in the company's money.</summary>
    public double Price { get; init; } = 1;

    /// <summary>The lengths in which it is sold, shortest first; its own length alone where nobody has entered them.</summary>
    public IReadOnlyList<Length> Sold { get; init; } = [];

    /// <summary>The maker's rated load in a material.</summary>
    /// <param name="into">The material.</param>
    /// <returns>The rating; null where there is none.</returns>
    public Rating? RatedIn(BaseMaterial into) => Ratings.FirstOrDefault(r => r.Into == into);

    /// <summary>The shortest length sold that is at least as long as asked.</summary>
    /// <param name="least">The least length.</param>
    /// <param name="most">The most; null for any.</param>
    /// <returns>The length; null where none is sold, or nobody has entered what is.</returns>
    public Length? SoldFrom(Length least, Length? most = null) => Sold.Where(l => l >= least && (most is null || l <= most)).Select(l => (Length?)l).FirstOrDefault();

    /// <summary>Length of its thread, tip included: as entered, or half its length and 1/2 in, at most 6 in and all of it, for a lag screw (NDS-2018 appendix L, typical dimensions, from memory); two thirds for a wood screw.</summary>
    public Length Thread => SaidThread is { } said ? Measure.Length.Min(Length, said) : Sort switch
    {
        FastenerKind.LagScrew => Measure.Length.Min(Length, Measure.Length.Min(Length.Half + HalfInch, LongestThread)),
        FastenerKind.WoodScrew => Length * (2.0 / 3),
        _ => Length,
    };

    /// <summary>Length of its tip: as measured, or as usual for a lag screw of its diameter (3/16 in up to 5/16, 7/32 at 3/8, from memory).</summary>
    public Length TipLength => Tip > default(Length) || Sort != FastenerKind.LagScrew ? Tip
        : Diameter <= Measure.Length.Tape(0, 5, 16) ? Measure.Length.Tape(0, 3, 16)
        : Diameter <= Measure.Length.Tape(0, 3, 8) ? Measure.Length.Tape(0, 7, 32)
        : Diameter * 0.6;

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
        m.Choice("basis", "what that load means", RatingBasis.Ultimate))
    {
        RatedShear = m.Maybe("ratedShear", new MassShape("the maker's load across it, through board and steel flange"))?.Weight,
        Ratings = [.. (m.Part("ratings", Rating.Table) ?? []).DistinctBy(r => r.Into)],
        Sold = [.. (m.Part("sold", new ListShape<Length>("lengths in which it is sold", new LengthShape("a length", LengthRange.Size), 40, ListText.Commas("Lengths with commas: 2 in, 2 1/2 in, 3 in"))) ?? []).Distinct().Order()],
        Price = m.Or("price", new NumberShape("what one costs, in the company's money", 0, 10_000), 1),
        SaidThread = m.MaybeLength("thread", "length of its thread, tip included", LengthRange.Size),
        Typical = TypicalParts.Marked(m),
    });

    /// <summary>Bolts, screws and toggles, in the catalogue.</summary>
    public static ProductKind Kind { get; } = ProductKind.Of("fastener", "Bolt, screw or toggle", "Bolts, screws, toggles", Form) with
    {
        IsItem = false,
        IsPlaced = false,
        Headings =
        [
            ("What it is", ["name", "kind", "price", "typical"]),
            ("Its size", ["diameter", "length", "sold", "thread", "tip", "washer", "hole", "grip"]),
            ("What it holds", ["ratedTension", "ratedShear", "ratings", "basis"]),
        ],
    };
}
