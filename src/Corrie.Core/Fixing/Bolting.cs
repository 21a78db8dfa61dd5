using Corrie.Core.Catalogue;
using Corrie.Core.Hanging;
using Corrie.Core.Masonry;
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

    /// <summary>Packing at each bolt, where the face is uneven and gaps were measured; empty where all have the same.</summary>
    public Same<Length?> Gaps { get; init; } = new([]);

    /// <summary>What a bolt follows from, with its own packing and length.</summary>
    /// <param name="bolt">The bolt.</param>
    /// <returns>The same for all where nobody has measured gaps.</returns>
    public Bolting For(Bolt bolt) => ForBolt(bolt.Index) is var own && own.About != About ? own with { Fastener = Fastener with { Length = bolt.Length } } : this;

    /// <summary>What is known of the wall's fire; null where nothing is.</summary>
    public Fire? Fire { get; init; }

    /// <summary>What findings of the plate as a whole are about: the plate, or one bolt of it where each has its own packing.</summary>
    public string About { get; init; } = "plate";

    /// <summary>What one bolt follows from: its own packing, and of the lengths that are sold the one that suits that.</summary>
    /// <param name="index">The bolt's place among the plate's, from 0.</param>
    /// <returns>The same for all where nobody has measured gaps.</returns>
    public Bolting ForBolt(int index)
    {
        if (index >= Gaps.Items.Count || Gaps.Items[index] is not { } gap)
        {
            return this;
        }

        var own = this with { Choice = Choice with { Packing = gap }, Gaps = new([]), About = $"bolts/{index + 1}" };
        return BoltPlan.Suiting(own) is { } length ? own with { Fastener = Fastener with { Length = length } } : own;
    }

    /// <summary>What the bolts hold in, what they pass before that, how deep it is, and what it is called.</summary>
    public (Ground What, Length Layers, Length Depth, string Name) Ground => (Layout.Backing, Wall.Kind) switch
    {
        ({ Kind: BackingKind.Board, Thickness: var thick }, _) => (Fixing.Ground.Board, Length.Zero, thick, "board"),
        ({ Kind: BackingKind.Blocking, Thickness: var thick }, _) => (Fixing.Ground.Blocking, Wall.LayersThickness, Length.Min(thick, Wall.StudDepth), "blocking"),
        (_, WallKind.Masonry) => (Fixing.Ground.Units, Wall.BeforeBase, Base, Wall.Base?.Name ?? "masonry"),
        (_, WallKind.Planks) => (Fixing.Ground.Board, Wall.BeforeBase, Base, Wall.Base?.Name ?? "planks"),
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

    private Length Base => Wall.Base?.Thickness ?? Length.Zero;
}
