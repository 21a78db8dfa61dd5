using Corrie.Core.Catalogue;
using Corrie.Core.Hanging;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Core.Fixing;

/// <summary>All that a plate's bolts follow from.</summary>
/// <param name="Survey">The wall as surveyed.</param>
/// <param name="Mount">The mount.</param>
/// <param name="Fastener">The bolt, screw or toggle.</param>
/// <param name="Choice">What else was chosen.</param>
/// <param name="Layout">Where the plate goes.</param>
/// <param name="Outer">Where the display goes.</param>
/// <param name="DisplayDepth">Outer depth of the display.</param>
/// <param name="Bits">The bits that the crew has.</param>
/// <param name="Policy">The company's figures.</param>
/// <param name="Evidence">What the maker or an engineer says; null where nobody has entered it.</param>
/// <param name="BoardOnly">Whether toggles in the wall's board alone carry it.</param>
/// <param name="Spent">Holes of the plate that are spent.</param>
/// <param name="Drills">Bits that the crew has, with what they drill and how deep; none where nobody said.</param>
internal sealed record Bolting(
    Surveyed Survey, Mount Mount, Fastener Fastener, FixingChoice Choice, PlateLayout Layout, Rect Outer, Length DisplayDepth, Same<Length> Bits, Policy Policy, FixingEvidence? Evidence, bool BoardOnly, Same<MadeHole> Spent, Same<Bit> Drills)
{
    /// <summary>The wall, its readings worked in.</summary>
    public Wall Wall => Survey.Wall;

    /// <summary>What the bolts hold in, what they pass before that, how deep it is, and what it is called.</summary>
    public (Ground What, Length Layers, Length Depth, string Name) Ground => (Layout.Backing, Wall.Kind) switch
    {
        ({ Kind: BackingKind.Board, Thickness: var thick }, _) => (Fixing.Ground.Board, Length.Zero, thick, "board"),
        ({ Kind: BackingKind.Blocking, Thickness: var thick }, _) => (Fixing.Ground.Blocking, Wall.LayersThickness, Length.Min(thick, Wall.StudDepth), "blocking"),
        (_, WallKind.Masonry) => (Fixing.Ground.Units, Wall.BeforeBase, Base, Wall.Layers.Count == 0 ? "masonry" : Wall.Layers[^1].Name),
        (_, WallKind.Planks) => (Fixing.Ground.Board, Wall.BeforeBase, Base, Wall.Layers.Count == 0 ? "planks" : Wall.Layers[^1].Name),
        _ when BoardOnly => (Fixing.Ground.Lining, Wall.LayersThickness, Length.Zero, "board"),
        (_, WallKind.SteelStuds) => (Fixing.Ground.Flange, Wall.LayersThickness, Wall.StudDepth, "stud"),
        _ => (Fixing.Ground.Stud, Wall.LayersThickness, Wall.StudDepth, "stud"),
    };

    /// <summary>Specific gravity that is planned with.</summary>
    public double Gravity => Choice.Gravity ?? Policy.UnknownGravity;

    /// <summary>Washer, plate, packing and layers: what the fastener passes before it holds.</summary>
    public Length Passed => Mount.PlateThickness + Fastener.Washer + Choice.Proud + Ground.Layers;

    /// <summary>What does not bear between plate and what holds.</summary>
    public Length Gap => Ground.Layers + Choice.Proud;

    /// <summary>The material that a rating has to be for; null where nobody has said what the wall is.</summary>
    public BaseMaterial? Material => Ground.What switch
    {
        Fixing.Ground.Flange => Wall.Gauge,
        Fixing.Ground.Units => Wall.Unit,
        Fixing.Ground.Lining => BaseMaterial.Board,
        Fixing.Ground.Board => Fastener.Sort.IsWood() && Fastener.Sort != FastenerKind.StructuralScrew ? null : BaseMaterial.Planks,
        _ => BaseMaterial.Wood,
    };

    /// <summary>The maker's rating that counts: for a gauge that nobody has said, the least of those for steel.</summary>
    public Rating? Rated => Material is { } into ? Fastener.RatedIn(into)
        : Ground.What == Fixing.Ground.Flange ? Fastener.Ratings.Where(r => r.Into is >= BaseMaterial.Steel25 and <= BaseMaterial.Steel16).MinBy(r => r.Tension.Newtons)
        : null;

    /// <summary>What a rated load is divided by: the company's factor on a load at failure, 1 on an allowable one.</summary>
    public double RatedBy => Fastener.Basis == RatingBasis.Ultimate ? Policy.AnchorFactor : 1;

    /// <summary>Angle between a load across a bolt and the grain of what holds it.</summary>
    /// <param name="load">The load.</param>
    /// <returns>0 to 90 degrees; 90 in boards, whose plies lie both ways.</returns>
    public Angle FromGrain(BoltLoad load) => Ground.What switch
    {
        Fixing.Ground.Stud => load.FromUpright,
        Fixing.Ground.Blocking => load.Across.Newtons == 0 ? default : new(90 - load.FromUpright.Degrees),
        Fixing.Ground.Board => new(90),
        _ => default,
    };

    private Length Base => Wall.Layers.Count == 0 ? Length.Zero : Wall.Layers[^1].Thickness;
}
