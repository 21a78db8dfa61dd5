using Corrie.Core.Catalogue;
using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Core.Planning;

namespace Corrie.Core.Fixing;

/// <summary>What the crew has chosen and found out about the fixing of a plate, besides the bolt itself.</summary>
/// <param name="Gravity">Specific gravity of the studs, 0.2 to 1; null where the species is not known.</param>
/// <param name="Pilot">The pilot bit that somebody chose; null leaves it to the planner.</param>
/// <param name="Packing">Packing between plate and wall.</param>
/// <param name="Here">Where the choice stands in the document.</param>
public sealed record FixingChoice(double? Gravity, Length? Pilot, Length Packing, Place Here)
{
    /// <summary>What is seldom asked.</summary>
    public FixingConditions Conditions { get; init; } = FixingConditions.Usual;

    /// <summary>How much farther out of the wall packing and board bring the plate.</summary>
    public Length Proud => Packing + Conditions.Spreader;

    private static readonly GroupShape<Crew> Kit = new("a crew", m => new Crew(
        m.Key,
        m.Text("name", "what they are called", 80),
        m.Part("bits", new ListShape<Length>(
            "the pilot bits that they have", new LengthShape("a bit", LengthRange.UpTo(Length.Tape(2))), 60, ListText.Commas("Diameters with commas: 5/32 in, 3/16 in, 7/32 in"))) ?? [])
    { Drills = m.Map("drills", "bits with their reach", Bit.Form, 60) });

    /// <summary>What is known of a plate's fixing.</summary>
    public static Part<FixingChoice> Part { get; } = new(Holder.Item, "fix", new GroupShape<FixingChoice>("what holds the plate", m => new FixingChoice(
        m.Maybe("gravity", new NumberShape("specific gravity of the studs", 0.2, 1)),
        m.MaybeLength("pilot", "the pilot bit chosen", LengthRange.UpTo(Length.Tape(2))),
        m.Length("packing", "packing behind the plate", LengthRange.Distance, Length.Zero),
        m.Here)
    {
        Conditions = m.Part("conditions", FixingConditions.Form) ?? FixingConditions.Usual,
    }), kind => kind == Mount.Kind, always: true);

    /// <summary>Who does the work, and with what.</summary>
    public static Part<IReadOnlyList<Crew>> Crews { get; } = new(Holder.Job, "crew", new MapShape<Crew>("who does the work", Kit, 20));
}

/// <summary>What is seldom asked about the fixing of a plate.</summary>
/// <param name="Spreader">Thickness of a board of the plate's outline under it, which its bolts pass; zero for none.</param>
/// <param name="Penetration">How deep a screw is to be in the wood, without its tip; null leaves it to what the wood and the load need.</param>
/// <param name="Wet">Whether the wood is wet in use.</param>
/// <param name="Heat">How warm the wood gets.</param>
/// <param name="Vehicle">Whether it is in a vehicle, which shakes what hangs.</param>
public sealed record FixingConditions(Length Spreader, Length? Penetration, bool Wet, WoodHeat Heat, bool Vehicle)
{
    /// <summary>None of it.</summary>
    public static FixingConditions Usual { get; } = new(Length.Zero, null, false, WoodHeat.Usual, false);

    /// <summary>How it is described.</summary>
    internal static GroupShape<FixingConditions> Form { get; } = new("a board under the plate, depth, wet or hot wood, a vehicle", m => new FixingConditions(
        m.Length("spreader", "board of the plate's outline under it: thickness", LengthRange.Distance, Length.Zero),
        m.MaybeLength("penetration", "how deep a screw is to be in the wood, without its tip", LengthRange.Size),
        m.Yes("wet", "whether the wood is wet in use"),
        m.Choice("heat", "how warm the wood gets", WoodHeat.Usual),
        m.Yes("vehicle", "whether it is in a vehicle")));
}

/// <summary>Who does the work.</summary>
/// <param name="Id">Short key in the sheet.</param>
/// <param name="Name">What they are called; empty where nobody said.</param>
/// <param name="Bits">The pilot bits that they have; none where nobody said.</param>
public sealed record Crew(string Id, string Name, IReadOnlyList<Length> Bits)
{
    /// <summary>Bits with what they drill and how deep; none where nobody said.</summary>
    public IReadOnlyList<Bit> Drills { get; init; } = [];
}
