using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Core.Fixing;

/// <summary>Works out the bolts of a plate: where each goes, how far it reaches, how hard it is pulled and what it holds.</summary>
internal static class BoltPlan
{
    /// <summary>Works out the bolts.</summary>
    /// <param name="input">All that they follow from.</param>
    /// <returns>The bolts.</returns>
    public static FixingResult Of(Bolting input)
    {
        var (wall, mount, fastener, layout, policy) = (input.Wall, input.Mount, input.Fastener, input.Layout, input.Policy);
        var gravity = input.Choice.Gravity ?? policy.UnknownGravity;
        var passed = mount.PlateThickness + fastener.Washer + input.Choice.Packing + wall.LayersThickness;
        var inWood = Length.Max(Length.Zero, Length.Min(fastener.Length - passed, wall.StudDepth) - fastener.Tip);
        var penetration = fastener.Sort == FastenerKind.Toggle ? Length.Zero : inWood;
        var holds = Holds(fastener, gravity, penetration, policy);

        var weight = (layout.Load + mount.Mass).Weight;
        var reach = (mount.Moves ? mount.DepthExtended : mount.DepthParked) + input.DisplayDepth.Half;
        // Somebody leans on an arm sooner or later: the company's pull at the edge comes on top of the weight.
        var load = mount.Moves ? new Force(weight.Newtons + policy.AccidentalPull.Weight.Newtons) : weight;
        var bolts = layout.Position.Bolts;
        var pulls = PlatePull.PerBolt(load, reach, [.. bolts.Select(b => mount.HookUp + b.Row.AboveHook)]);

        var lag = fastener.Sort == FastenerKind.LagScrew;
        var (least, most) = lag ? PilotHole.Range(fastener.Diameter, gravity) : default;
        return new(
            [.. bolts.Select((b, i) => new Bolt(
                i + 1, b.Row.Id, b.X, layout.HookLine + b.Row.AboveHook, b.Stud, b.OffCentre, b.Stud.Tolerance(fastener.Diameter), b.Stud.Play(fastener.Diameter), penetration, pulls[i], holds))],
            gravity,
            least,
            most,
            lag ? input.Choice.Pilot ?? PilotHole.Choose(fastener.Diameter, gravity, input.Bits.Items)
                : fastener.Hole > Length.Zero ? fastener.Hole : null,
            wall.LayersThickness + penetration + fastener.Tip,
            passed);
    }

    /// <summary>The holes that bolts need.</summary>
    /// <param name="result">The bolts.</param>
    /// <returns>One for each, in their order.</returns>
    public static IReadOnlyList<Hole> Holes(FixingResult result) => [.. result.Bolts.Select(b => new Hole(b.Part, b.X, b.Y, b.Stud))];

    /// <summary>Puts the bolts on the wall: a crew snaps the rows and plumbs the studs, one figure a line, and the bolts are where they cross.</summary>
    /// <param name="work">Where the marks go.</param>
    /// <param name="input">All that the bolts follow from.</param>
    /// <param name="result">The bolts.</param>
    public static void Mark(Worksheet work, Bolting input, FixingResult result)
    {
        foreach (var row in result.Bolts.GroupBy(b => (b.Row, b.Y)))
        {
            var under = input.Layout.HookLine - row.Key.Y;
            var name = row.Key.Row.Length == 0 ? "Row" : $"{char.ToUpperInvariant(row.Key.Row[0])}{row.Key.Row[1..]} row";
            work.Add(new Mark(
                $"row/{row.Key.Row}", name, null, row.Key.Y, $"{under.Abs} {(under < Length.Zero ? "over" : "under")} the hook line, {row.Count()} bolts",
                MarkPhase.Rows, MarkViews.Behind, MarkLook.Hole));
        }

        Length? before = null;
        foreach (var line in result.Bolts.GroupBy(b => b.X).OrderBy(g => g.Key))
        {
            var (bolt, numbers) = (line.First(), line.Select(b => b.Number).ToList());
            Phrase how = $"stud {StateWord(bolt.Stud.State)}, {(bolt.OffCentre == Length.Zero ? Phrase.Of("dead centre") : Phrase.Of($"{bolt.OffCentre:fine} off its centre"))}";
            if (before is { } last)
            {
                how.AppendFormatted($"; {line.Key - last} on");
            }

            work.Add(new Mark(
                $"bolts/{string.Join('+', numbers)}", $"{(numbers.Count == 1 ? "Bolt" : "Bolts")} {string.Join(", ", numbers)}", line.Key, null, how,
                MarkPhase.Holes, MarkViews.Behind, MarkLook.Hole));
            before = line.Key;
        }
    }

    private static string StateWord(StudState state) => state switch
    {
        StudState.Confirmed => "confirmed",
        StudState.Found => "found",
        _ => "suspected",
    };

    private static Force? Holds(Fastener fastener, double gravity, Length penetration, Policy policy) => fastener.Sort switch
    {
        FastenerKind.LagScrew => Force.FromPoundsForce(
            Withdrawal.LagPoundsPerInch(gravity, fastener.Diameter) * penetration.Inches * Withdrawal.Permanent),
        FastenerKind.WoodScrew => Force.FromPoundsForce(
            Withdrawal.WoodScrewPoundsPerInch(gravity, fastener.Diameter) * penetration.Inches * Withdrawal.Permanent),
        _ when fastener.RatedTension is { } rated =>
            new Force(fastener.Basis == RatingBasis.Ultimate ? rated.Newtons / policy.AnchorFactor : rated.Newtons),
        _ => null,
    };
}
