using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Hanging;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Survey;

namespace Corrie.Core.Fixing;

/// <summary>What the crew has chosen to hold the plate with.</summary>
/// <param name="Fastener">The bolt, screw or toggle.</param>
/// <param name="Gravity">Specific gravity of the studs; null where the species is not known.</param>
/// <param name="Pilot">The pilot bit that somebody chose; null leaves it to the planner.</param>
/// <param name="Bits">The bits that the crew has.</param>
/// <param name="Packing">Packing between plate and wall.</param>
public sealed record FixingChoice(Fastener Fastener, double? Gravity, Length? Pilot, IReadOnlyList<Length> Bits, Length Packing)
{
    /// <summary>The specific gravity that is reckoned with where the species is not known (reference value, from memory).</summary>
    public const double UnknownSpecies = 0.36;
}

/// <summary>A bolt as planned.</summary>
/// <param name="Number">Its number in the set-out, from 1.</param>
/// <param name="Row">The plate's row.</param>
/// <param name="X">From the left corner.</param>
/// <param name="Y">Over the floor.</param>
/// <param name="Stud">The stud it goes into.</param>
/// <param name="OffCentre">How far off that stud's centre.</param>
/// <param name="Tolerance">How far it may be.</param>
/// <param name="Penetration">Full thread in the wood, without the tip; zero for a toggle.</param>
/// <param name="Pull">The pull on it.</param>
/// <param name="Holds">What it holds against a pull; null where that is not known.</param>
public sealed record Bolt(
    int Number, string Row, Length X, Length Y, Stud Stud, Length OffCentre, Length Tolerance, Length Penetration, Force Pull, Force? Holds)
{
    /// <summary>Its name among the parts of the plan.</summary>
    public string Part => $"bolts/{Number}";

    /// <summary>Whether its edge distance is kept.</summary>
    public bool KeepsEdge => OffCentre <= Tolerance;

    /// <summary>Pull over what it holds; null where that is not known.</summary>
    public double? Utilisation => Holds is { Newtons: > 0 } holds ? Pull.Newtons / holds.Newtons : null;
}

/// <summary>What holds the plate.</summary>
/// <param name="Bolts">Every bolt, in the order of setting out: top row left to right, then the rows below.</param>
/// <param name="Gravity">Specific gravity reckoned with.</param>
/// <param name="PilotLeast">Least pilot diameter; zero where there is no pilot.</param>
/// <param name="PilotMost">Most.</param>
/// <param name="Pilot">The bit to use; null where none of the crew's fits, or no pilot is drilled.</param>
/// <param name="DrillDepth">How deep to drill, from the wall's face.</param>
/// <param name="Passed">Washer, plate, packing and layers: what the fastener passes before it holds.</param>
public sealed record Fixed(
    IReadOnlyList<Bolt> Bolts, double Gravity, Length PilotLeast, Length PilotMost, Length? Pilot, Length DrillDepth, Length Passed);

/// <summary>Works out the bolts and what is wrong with them.</summary>
public static class Fixer
{
    /// <summary>The company's factor on an anchor's ultimate load (default of the policy).</summary>
    public const double AnchorFactor = 4;

    private static readonly Length CableDepth = Length.Tape(1, 1, 4);
    private static readonly Force AccidentalPull = Force.FromPoundsForce(30);

    /// <summary>Works out the bolts of a hung plate.</summary>
    public static Fixed Fix(Wall wall, Display display, Mount mount, Hung hung, FixingChoice choice)
    {
        var fastener = choice.Fastener;
        var gravity = choice.Gravity ?? FixingChoice.UnknownSpecies;
        var passed = mount.PlateThickness + fastener.Washer + choice.Packing + wall.LayersThickness;
        var inWood = Length.Max(Length.Zero, Length.Min(fastener.Length - passed, wall.StudDepth) - fastener.Tip);
        var penetration = fastener.Kind == FastenerKind.Toggle ? Length.Zero : inWood;
        var holds = Holds(fastener, gravity, penetration);

        var weight = (display.Mass + mount.Mass).Weight;
        var reach = (mount.Moves ? mount.DepthExtended : mount.DepthParked) + display.Depth.Half;
        // Somebody leans on an arm sooner or later: the company's pull at the edge comes on top of the weight.
        var load = mount.Moves ? new Force(weight.Newtons + AccidentalPull.Newtons) : weight;
        var holding = hung.Position.Bolts;
        var pulls = PlatePull.PerBolt(load, reach, [.. holding.Select(b => Length.Max(Length.Zero, mount.HookUp + b.Row.AboveHook))]);

        var (least, most) = fastener.Kind == FastenerKind.LagScrew ? PilotHole.Range(fastener.Diameter, gravity) : default;
        return new(
            [.. holding.Select((b, i) => new Bolt(
                i + 1, b.Row.Id, b.X, hung.HookLine + b.Row.AboveHook, b.Stud, b.OffCentre, b.Stud.Tolerance(fastener.Diameter), penetration, pulls[i], holds))],
            gravity,
            least,
            most,
            fastener.Kind == FastenerKind.LagScrew ? choice.Pilot ?? PilotHole.Choose(fastener.Diameter, gravity, choice.Bits)
                : fastener.Hole > Length.Zero ? fastener.Hole : null,
            wall.LayersThickness + penetration + fastener.Tip,
            passed);
    }

    /// <summary>Everything that is wrong with the bolts.</summary>
    public static IEnumerable<Finding> Check(Wall wall, Mount mount, FixingChoice choice, Hung hung, Fixed bolts)
    {
        if (wall.Kind == WallKind.Masonry)
        {
            yield return FixingFindings.Engineer.At(
                new("wall"), $"The wall is masonry, {wall.LayersThickness} of layers recorded; these rules cover plates on wood and steel studs.");
            yield break;
        }

        foreach (var finding in Kind(wall, mount, choice.Fastener, hung, bolts).Concat(Reach(wall, choice.Fastener, hung, bolts)))
        {
            yield return finding;
        }

        foreach (var bolt in bolts.Bolts)
        {
            var spot = new Spot(bolt.Part, bolt.X, bolt.Y);
            if (!bolt.KeepsEdge)
            {
                yield return FixingFindings.EdgeDistance.At(
                    spot,
                    $"Bolt {bolt.Number} at {bolt.X} is {bolt.OffCentre:fine} off the centre of the stud at {bolt.Stud.Centre}; with {choice.Fastener.Diameter} diameter in a {bolt.Stud.Width} face it may be {Length.Max(Length.Zero, bolt.Tolerance):fine}{Uncertainty(bolt)}.");
            }

            if (bolt.Utilisation is > 1)
            {
                yield return FixingFindings.DemandOverCapacity.At(
                    spot, $"Bolt {bolt.Number} is pulled with {bolt.Pull} and holds {bolt.Holds!.Value}: {100 * bolt.Utilisation.Value:0} %.");
            }
            else if (bolt.Utilisation is > 0.8)
            {
                yield return FixingFindings.DemandOverCapacity.MildAt(
                    spot, $"Bolt {bolt.Number} is pulled with {bolt.Pull} and holds {bolt.Holds!.Value}: {100 * bolt.Utilisation.Value:0} %.");
            }
        }

        foreach (var finding in Pilot(choice, hung, bolts))
        {
            yield return finding;
        }
    }

    private static Phrase Uncertainty(Bolt bolt) => bolt.Stud.Uncertainty == Length.Zero
        ? Phrase.Of(string.Empty)
        : Phrase.Of($", {bolt.Stud.Uncertainty:fine} less because the stud's centre is known only to that");

    private static Force? Holds(Fastener fastener, double gravity, Length penetration) => fastener.Kind switch
    {
        FastenerKind.LagScrew => Force.FromPoundsForce(
            Withdrawal.LagPoundsPerInch(gravity, fastener.Diameter) * penetration.Inches * Withdrawal.Permanent),
        FastenerKind.WoodScrew => Force.FromPoundsForce(
            Withdrawal.WoodScrewPoundsPerInch(gravity, fastener.Diameter) * penetration.Inches * Withdrawal.Permanent),
        _ when fastener.RatedTension is { } rated =>
            new Force(fastener.Basis == RatingBasis.Ultimate ? rated.Newtons / AnchorFactor : rated.Newtons),
        _ => null,
    };

    private static Spot Plate(Hung hung) => new("plate", hung.Plate.Right, hung.Plate.CentreY);

    private static IEnumerable<Finding> Kind(Wall wall, Mount mount, Fastener fastener, Hung hung, Fixed bolts)
    {
        var toggle = fastener.Kind == FastenerKind.Toggle;
        if (toggle != (wall.Kind == WallKind.SteelStuds))
        {
            yield return FixingFindings.WrongForWall.At(
                Plate(hung),
                $"The {fastener.Name} ({fastener.Diameter} by {fastener.Length}) {(toggle ? "cannot open inside a wood stud" : "holds no thread in the flange of a steel stud")}.");
        }

        if (toggle && fastener.RatedTension is null)
        {
            yield return FixingFindings.RatingUnknown.At(
                Plate(hung), $"The {fastener.Name} has no rated load in the catalogue; {bolts.Bolts.Count} of them are planned.");
        }

        if (wall.Kind == WallKind.SteelStuds && mount.Moves)
        {
            yield return FixingFindings.Engineer.At(
                Plate(hung), $"A mount that reaches {mount.DepthExtended} out of a light-gauge steel partition needs backing, or an engineer.");
        }
    }

    private static IEnumerable<Finding> Reach(Wall wall, Fastener fastener, Hung hung, Fixed bolts)
    {
        if (bolts.Bolts.Count == 0)
        {
            yield break;
        }

        if (fastener.Kind == FastenerKind.Toggle)
        {
            if (bolts.Passed > fastener.Grip)
            {
                yield return FixingFindings.TooShort.At(
                    Plate(hung), $"The {fastener.Name} clamps up to {fastener.Grip}; plate, washer and layers are {bolts.Passed}.");
            }

            yield break;
        }

        var penetration = bolts.Bolts[0].Penetration;
        var times = fastener.Kind == FastenerKind.LagScrew ? 4 : 6;
        var least = fastener.Diameter * times;
        if (penetration < least)
        {
            yield return FixingFindings.TooShort.At(
                Plate(hung),
                $"The {fastener.Length} {fastener.Name} has {penetration:fine} of full thread in the wood; at least {times} diameters, {least:fine}, are needed: {least - penetration:fine} longer.");
        }

        var depth = bolts.DrillDepth - wall.LayersThickness;
        if (depth >= wall.StudDepth)
        {
            yield return FixingFindings.TooLong.At(
                Plate(hung), $"The {fastener.Length} {fastener.Name} reaches through the stud, which is {wall.StudDepth} deep.");
        }

        if (depth > CableDepth && wall.Scan is not { Crossings: true })
        {
            yield return FixingFindings.BoredCrossing.At(
                Plate(hung), $"The {fastener.Name} goes {depth} into the stud; over {CableDepth} a scan for cables that cross it has to be recorded.");
        }
    }

    private static IEnumerable<Finding> Pilot(FixingChoice choice, Hung hung, Fixed bolts)
    {
        if (choice.Fastener.Kind != FastenerKind.LagScrew || bolts.Bolts.Count == 0)
        {
            yield break;
        }

        Phrase range = $"for a {choice.Fastener.Diameter} lag screw in wood of {bolts.Gravity:0.00} specific gravity it is {bolts.PilotLeast:fine} to {bolts.PilotMost:fine}";
        if (bolts.Pilot is not { } bit)
        {
            yield return FixingFindings.Pilot.At(Plate(hung), $"None of the crew's {choice.Bits.Count} bits is in the range: {range}.");
        }
        else if (bit < bolts.PilotLeast || bit > bolts.PilotMost)
        {
            var better = PilotHole.Choose(choice.Fastener.Diameter, bolts.Gravity, choice.Bits);
            yield return FixingFindings.Pilot.At(
                Plate(hung),
                $"The pilot bit is {bit:fine}; {range}.",
                better is null ? [] : [new Fix($"Use the {better.Value:fine} bit", $"inside {bolts.PilotLeast:fine} to {bolts.PilotMost:fine}", [new("/fixing/pilot", null)])]);
        }
    }
}
