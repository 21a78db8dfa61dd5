using Corrie.Core.Catalogue;
using Corrie.Core.Measure;
using Corrie.Core.Survey;

namespace Corrie.Core.Hanging;

/// <summary>A bolt through the plate into a stud.</summary>
/// <param name="Row">The plate's row.</param>
/// <param name="Slot">The hole or slot it goes through.</param>
/// <param name="Stud">The stud it goes into.</param>
/// <param name="X">Where, from the left corner.</param>
public readonly record struct PlateBolt(PlateRow Row, Slot Slot, Stud Stud, Length X)
{
    /// <summary>Whether its hole is in the wall already.</summary>
    public bool Made { get; init; }

    /// <summary>Whether its hole is in the wall and misses the wood: it comes out beside the member, and holds nothing.</summary>
    public bool Astray { get; init; }

    /// <summary>Its number among the plate's holes, for good; 0 for one that stays empty.</summary>
    public int Number { get; init; }

    /// <summary>How far off the stud's centre.</summary>
    public Length OffCentre => (X - Stud.Centre).Abs;

    /// <summary>Whether it keeps its edge distance, or would if its stud were confirmed where it is marked.</summary>
    /// <param name="boltDiameter">Shank diameter.</param>
    /// <returns>Whether it does.</returns>
    public bool WouldHold(Length boltDiameter) => OffCentre <= Stud.Once(boltDiameter);
}

/// <summary>A plate position and the bolts that it allows.</summary>
/// <param name="Plate">The plate's centre from the left corner.</param>
/// <param name="Slide">How far the display's arms stand right of the plate's centre.</param>
/// <param name="Bolts">Bolts that land in a stud's face, top row first, left to right.</param>
/// <param name="Holding">How many of them keep their edge distance.</param>
/// <param name="LeastApart">How far apart the centres of two studs have to be to carry the plate as two.</param>
public sealed record PlatePosition(Length Plate, Length Slide, IReadOnlyList<PlateBolt> Bolts, int Holding, Length LeastApart)
{
    /// <summary>How many different studs the bolts that keep their edge distance go into; two members under one end of the plate are as good as one.</summary>
    /// <param name="boltDiameter">Shank diameter of the bolts.</param>
    /// <returns>The number of studs, what is not known of their centres taken off.</returns>
    public int StudsHeld(Length boltDiameter) => Studs([.. Bolts.Where(b => b.OffCentre <= b.Stud.Tolerance(boltDiameter))]);

    /// <summary>How many different studs the bolts would hold in if all centres were confirmed where they are marked.</summary>
    /// <param name="boltDiameter">Shank diameter of the bolts.</param>
    /// <returns>The number of studs.</returns>
    public int StudsMet(Length boltDiameter) => Studs([.. Bolts.Where(b => b.WouldHold(boltDiameter))]);

    private int Studs(IReadOnlyList<PlateBolt> bolts)
    {
        var studs = bolts.Select(b => b.Stud.Id).Distinct().Count();
        return studs > 1 && bolts.Max(b => b.Stud.Centre) - bolts.Min(b => b.Stud.Centre) < LeastApart ? 1 : studs;
    }

    /// <summary>The bolts that are put in, without those that went beside their member: where enough of them hold, those that would miss their edge distance are left out.</summary>
    /// <param name="boltDiameter">Shank diameter of the bolts.</param>
    /// <param name="wanted">How many studs the plate is made to catch.</param>
    /// <returns>The bolts.</returns>
    public IReadOnlyList<PlateBolt> Used(Length boltDiameter, int wanted)
    {
        var all = Bolts.Any(b => b.Astray) ? [.. Bolts.Where(b => !b.Astray)] : Bolts;
        var sound = all.Where(b => b.Made || b.WouldHold(boltDiameter)).ToList();
        var whole = sound.GroupBy(b => b.Row.Id).All(r => r.Select(b => b.Stud.Id).Distinct().Count() >= wanted);
        return StudsMet(boltDiameter) >= wanted && whole && all.Select(b => b.Row.Id).Distinct().Count() == sound.Select(b => b.Row.Id).Distinct().Count() ? sound : all;
    }
}
