using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Hanging;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Core.Fixing;

/// <summary>Works out the bolts of a plate: where each goes, how far it reaches, how hard it is pulled and what it holds.</summary>
internal static class BoltPlan
{
    /// <summary>What a toggle's hole has where others have the key of a stud.</summary>
    public const string ToggleId = "toggle";

    /// <summary>Works out the bolts.</summary>
    /// <param name="input">All that they follow from.</param>
    /// <returns>The bolts.</returns>
    public static FixingResult Of(Bolting input)
    {
        var (wall, mount, fastener, layout, policy) = (input.Wall, input.Mount, input.Fastener, input.Layout, input.Policy);
        var gravity = input.Choice.Gravity ?? policy.UnknownGravity;
        var passed = mount.PlateThickness + fastener.Washer + input.Choice.Packing + input.Ground.Layers;
        var tip = fastener.TipLength;
        var (tipFrom, woodTo) = (fastener.Length - tip, passed + input.Ground.Depth);
        var toggle = fastener.Sort == FastenerKind.Toggle;
        // How deep it is in the wood, and how much of that is thread: only part of a long screw is.
        var penetration = toggle ? Length.Zero : Length.Max(Length.Zero, Length.Min(tipFrom, woodTo) - passed);
        var thread = toggle ? Length.Zero : Length.Max(Length.Zero, Length.Min(tipFrom, woodTo) - Length.Max(passed, fastener.Length - fastener.Thread));
        var holds = Holds(fastener, gravity, thread, policy);

        var weight = (layout.Load + mount.Mass).Weight;
        var reach = (mount.Moves ? mount.DepthExtended : mount.DepthParked) + input.DisplayDepth.Half;
        var bolts = layout.Position.Used(fastener.Diameter, mount.Studs);
        IReadOnlyList<Length> heights = [.. bolts.Select(b => mount.HookUp + b.Row.AboveHook)];
        var pulls = PlatePull.PerBolt(weight, reach, heights);
        if (mount.Moves)
        {
            // Somebody leans on its far edge sooner or later: turned square to the wall, that edge is half the display's width farther out.
            var edge = mount.DepthExtended + (mount.Sort == MountKind.Articulating ? input.DisplayWidth.Half : input.DisplayDepth);
            pulls = [.. pulls.Zip(PlatePull.PerBolt(policy.AccidentalPull.Weight, edge, heights), (a, b) => new Force(a.Newtons + b.Newtons))];
        }

        var across = Across(mount.Moves ? new Force(weight.Newtons + policy.AccidentalPull.Weight.Newtons) : weight, layout, [.. bolts.Select(b => (b.X, layout.HookLine + b.Row.AboveHook))]);
        var surely = toggle ? ShearBound.Toggle(fastener.Diameter, wall.LayersThickness)
            : ShearBound.Screw(gravity, fastener.Diameter, input.Ground.Layers + input.Choice.Packing, mount.PlateThickness, penetration);

        var lag = fastener.Sort == FastenerKind.LagScrew;
        var (least, most) = lag ? PilotHole.Range(fastener.Diameter, gravity) : default;
        return new(
            [.. bolts.Select((b, i) => new Bolt(
                i + 1, b.Row.Id, b.X, layout.HookLine + b.Row.AboveHook, b.Stud, b.OffCentre, b.Stud.Tolerance(fastener.Diameter), b.Stud.Play(fastener.Diameter), penetration, thread, pulls[i], holds, across))],
            gravity,
            least,
            most,
            lag ? input.Choice.Pilot ?? PilotHole.Choose(fastener.Diameter, gravity, input.Bits.Items)
                : fastener.Hole > Length.Zero ? fastener.Hole : null,
            input.Ground.Layers + penetration + tip,
            passed,
            surely);
    }

    /// <summary>The holes that bolts need, and after them those of toggles and of a board's screws.</summary>
    /// <param name="input">All that the bolts follow from.</param>
    /// <param name="result">The bolts.</param>
    /// <returns>One for each, in their order.</returns>
    public static IReadOnlyList<Hole> Holes(Bolting input, FixingResult result) =>
    [
        .. result.Bolts.Select(b => new Hole(b.Part, b.X, b.Y, b.Stud)),
        .. input.Layout.Toggles.Select((t, i) => new Hole($"toggles/{i + 1}", t.X, t.Y, new(ToggleId, t.X, input.Fastener.Diameter * 4, StudState.Confirmed, Length.Zero))),
        .. (input.Layout.Backing?.Screws ?? []).Select((s, i) => new Hole($"screws/{i + 1}", s.X, s.Y, s.Stud!)),
    ];

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
            Phrase how = $"{(input.Layout.Backing is null ? $"stud {StateWord(bolt.Stud.State)}" : $"in the {input.Ground.Name}")}, {(input.Layout.Backing is not null ? Phrase.Of("clear of its ends") : bolt.OffCentre == Length.Zero ? Phrase.Of("dead centre") : Phrase.Of($"{bolt.OffCentre:fine} off its centre"))}";
            if (before is { } last)
            {
                how.AppendFormatted($"; {line.Key - last} on");
            }

            work.Add(new Mark(
                $"bolts/{string.Join('+', numbers)}", $"{(numbers.Count == 1 ? "Bolt" : "Bolts")} {string.Join(", ", numbers)}", line.Key, null, how,
                MarkPhase.Holes, MarkViews.Behind, MarkLook.Hole));
            before = line.Key;
        }

        foreach (var line in input.Layout.Toggles.GroupBy(t => t.X).OrderBy(g => g.Key))
        {
            work.Add(new Mark($"toggles/{line.Key.Units}", line.Count() == 1 ? "Toggle" : "Toggles", line.Key, null, $"{line.Count()} through the plate, before it is bolted on; no stud there", MarkPhase.Holes, MarkViews.Behind, MarkLook.Hole));
        }

        if (input.Layout.Backing is { } backing)
        {
            var name = backing.Kind == BackingKind.Board ? "Board" : "Blocking";
            work.Add(new Mark("backing/left", $"{name}, left end", backing.Outline.Left, null, $"{backing.Outline.Width} long, {backing.Outline.Height} high, {backing.Thickness} thick", MarkPhase.Outlines, MarkViews.Behind, MarkLook.Chalk));
            work.Add(new Mark("backing/bottom", $"{name}, bottom", null, backing.Outline.Bottom, $"its top at {backing.Outline.Top}", MarkPhase.Outlines, MarkViews.Behind, MarkLook.Chalk));
            foreach (var line in backing.Screws.GroupBy(s => s.X).OrderBy(g => g.Key))
            {
                work.Add(new Mark($"screws/{line.Key.Units}", $"{name} screws", line.Key, null, $"{line.Count()} into the stud, at {line.Min(s => s.Y)} and {line.Max(s => s.Y)} up", MarkPhase.Holes, MarkViews.Behind, MarkLook.Hole));
            }
        }
    }

    // The load across the worst bolt: its share of the weight, and its share of the twist where the display hangs beside the bolts' middle.
    private static Force Across(Force load, PlateLayout layout, IReadOnlyList<(Length X, Length Y)> bolts)
    {
        if (bolts.Count == 0)
        {
            return default;
        }

        var (x, y) = (bolts.Average(b => b.X.Inches), bolts.Average(b => b.Y.Inches));
        var beside = Math.Abs((layout.Position.Plate + layout.Shift).Inches - x);
        var squares = bolts.Select(b => Math.Pow(b.X.Inches - x, 2) + Math.Pow(b.Y.Inches - y, 2)).ToList();
        var twist = squares.Sum() > 0 ? load.PoundsForce * beside * Math.Sqrt(squares.Max()) / squares.Sum() : 0;
        return Force.FromPoundsForce((load.PoundsForce / bolts.Count) + twist);
    }

    private static string StateWord(StudState state) => state switch
    {
        StudState.Confirmed => "confirmed",
        StudState.Found => "found",
        _ => "suspected",
    };

    private static Force? Holds(Fastener fastener, double gravity, Length thread, Policy policy) => fastener.Sort switch
    {
        FastenerKind.LagScrew => Force.FromPoundsForce(
            Withdrawal.LagPoundsPerInch(gravity, fastener.Diameter) * thread.Inches * Withdrawal.Permanent),
        FastenerKind.WoodScrew => Force.FromPoundsForce(
            Withdrawal.WoodScrewPoundsPerInch(gravity, fastener.Diameter) * thread.Inches * Withdrawal.Permanent),
        _ when fastener.RatedTension is { } rated =>
            new Force(fastener.Basis == RatingBasis.Ultimate ? rated.Newtons / policy.AnchorFactor : rated.Newtons),
        _ => null,
    };
}
