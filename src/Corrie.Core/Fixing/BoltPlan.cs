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

    // Masonry is drilled deeper than the anchor sits, for the dust (common practice).
    private static readonly Length ForDust = Length.FromMillimetres(10);

    /// <summary>Works out the bolts.</summary>
    /// <param name="input">All that they follow from.</param>
    /// <returns>The bolts.</returns>
    public static FixingResult Of(Bolting input)
    {
        var (mount, fastener, layout) = (input.Mount, input.Fastener, input.Layout);
        var (ground, passed) = (input.Ground, input.Passed);
        var bolts = layout.Position.Used(fastener.Diameter, mount.Studs).Select(b => (Bolt: b, Y: layout.HookLine + b.Row.AboveHook)).ToList();
        var bears = ground.What == Ground.Board && layout.Backing is { } backing ? Bears(layout.Plate, backing.Outline) : layout.Plate;
        var group = new BoltGroup([.. bolts.Select(b => (b.Bolt.X, b.Y))], bears);
        // Where every bolt has its own packing each is of its own length, and holds what that reaches.
        var each = bolts.Select((_, i) => input.ForBolt(i)).ToList();
        var engineer = FixingEvidence.EngineerFor(input);
        (Length Penetration, Length Thread)[] reach = [.. each.Select(b => InBase(b, b.Fastener))];
        BoltHold Hold(int i) => engineer is { } figure ? new(figure.Tension, figure.Shear) : OwnHold(each[i], reach[i].Penetration, reach[i].Thread);
        var holds = new BoltHold[each.Count];
        for (var i = 0; i < holds.Length; i++)
        {
            // Bolts of one kind that reach as deep hold the same.
            holds[i] = i > 0 && ReferenceEquals(each[i], each[i - 1]) && reach[i] == reach[i - 1] ? holds[i - 1] : Hold(i);
        }

        var model = new LoadModel(input);
        IReadOnlyList<(BoltLoad Load, LoadPose Pose)> loads = holds.Length == 0 ? [] : model.Worst(group, (i, load) => Use(holds[i], load));
        for (var i = 0; i < bolts.Count && input.Gaps.Items.Count > 0; i++)
        {
            // Deep enough may still be too little thread for what it takes.
            if (Needed(each[i], [loads[i]]).Sold is { } longer && longer != each[i].Fastener.Length && each[i].About != input.About)
            {
                each[i] = each[i] with { Fastener = each[i].Fastener with { Length = longer } };
                reach[i] = InBase(each[i], each[i].Fastener);
                holds[i] = Hold(i);
            }
        }

        double Use(BoltHold hold, BoltLoad load) => hold.Use(load, input.FromGrain(load)) ?? load.Pull.Newtons + load.Across.Newtons;
        Length Deep(int i) => ground.Layers + reach[i].Penetration + each[i].Fastener.TipLength + (ground.What == Ground.Units ? ForDust : Length.Zero);

        var lag = fastener.Sort == FastenerKind.LagScrew;
        var (least, most) = lag ? PilotHole.Range(fastener.Diameter, input.Gravity) : default;
        return new(
            [.. bolts.Select((b, i) => new Bolt(
                b.Bolt.Number, b.Bolt.Row.Id, b.Bolt.X, b.Y, b.Bolt.Stud, b.Bolt.OffCentre, b.Bolt.Stud.Tolerance(fastener.Diameter), b.Bolt.Stud.Play(fastener.Diameter), reach[i].Penetration, reach[i].Thread,
                loads[i].Load, loads[i].Pose, holds[i], input.FromGrain(loads[i].Load))
                {
                    Index = i,
                    Length = each[i].Fastener.Length,
                    Packing = each[i].Choice.Packing,
                    DrillDepth = Deep(i),
                    Needs = Needed(each[i], input.Gaps.Items.Count == 0 ? loads : [loads[i]]),
                })],
            input.Gravity,
            least,
            most,
            lag ? input.Choice.Pilot ?? PilotHole.Choose(fastener.Diameter, input.Gravity, input.Bits.Items)
                : fastener.Hole > Length.Zero ? fastener.Hole
                : fastener.Sort.IsMasonry() ? fastener.Diameter
                : null,
            bolts.Count == 0 ? Depth(input) : bolts.Select((_, i) => Deep(i)).Max(),
            passed,
            model.Weight,
            ground.What,
            Needed(input, loads))
        { Backing = SupportCheck.HoldOf(input), Input = input };
    }

    /// <summary>The length that suits a bolt with its own packing: the shortest sold that is deep enough.</summary>
    /// <param name="input">All that it follows from.</param>
    /// <returns>The length; null where nobody has entered what is sold, or none of that suits.</returns>
    public static Length? Suiting(Bolting input) => Needed(input, []).Sold;

    private static Length Depth(Bolting input) => input.Ground.Layers + InBase(input, input.Fastener).Penetration + input.Fastener.TipLength + (input.Ground.What == Ground.Units ? ForDust : Length.Zero);

    /// <summary>What a bolt holds.</summary>
    /// <param name="input">All that it follows from.</param>
    /// <param name="penetration">How deep it is in what holds, without its tip.</param>
    /// <param name="thread">How much of that is thread.</param>
    /// <returns>What it holds; where an engineer's figure counts, that.</returns>
    public static BoltHold HoldOf(Bolting input, Length penetration, Length thread)
    {
        if (FixingEvidence.EngineerFor(input) is { } figure)
        {
            return new(figure.Tension, figure.Shear);
        }

        return OwnHold(input, penetration, thread);
    }

    /// <summary>What a bolt holds by Corrie's own rules.</summary>
    /// <param name="input">All that it follows from.</param>
    /// <param name="penetration">How deep it is in what holds, without its tip.</param>
    /// <param name="thread">How much of that is thread.</param>
    /// <returns>What it holds.</returns>
    public static BoltHold OwnHold(Bolting input, Length penetration, Length thread)
    {
        var (fastener, ground) = (input.Fastener, input.Ground);
        var wood = ground.What is Ground.Stud or Ground.Blocking or Ground.Board;
        if (wood && fastener.Sort is FastenerKind.LagScrew or FastenerKind.WoodScrew)
        {
            var factor = WoodValues.Factor(input.Choice.Conditions.Wet, input.Choice.Conditions.Heat);
            var perInch = fastener.Sort == FastenerKind.LagScrew ? Withdrawal.LagPoundsPerInch(input.Gravity, fastener.Diameter) : Withdrawal.WoodScrewPoundsPerInch(input.Gravity, fastener.Diameter);
            var pull = Force.FromPoundsForce(perInch * thread.Inches * factor);
            // Across more than double board these rules do not say what it holds: stone and packing are no plate.
            return input.Gap > FixingCheck.MostGap ? new(pull, (Force?)null) : new(pull, angle => DowelOf(input, penetration, angle), factor);
        }

        if ((wood && fastener.Sort is FastenerKind.StructuralScrew or FastenerKind.ThroughBolt) || (ground.What == Ground.Units && fastener.Sort.IsMasonry()) || (ground.What is Ground.Flange or Ground.Lining && fastener.Sort == FastenerKind.Toggle))
        {
            var by = input.RatedBy;
            // A load that names no gauge is for none that is known.
            var flange = ground.What == Ground.Flange && input.Wall.Gauge is null;
            var pull = input.Rated?.Tension ?? (flange ? fastener.RatedTension : null);
            // A load across is published for a fixture that bears on what holds: across stone, render or packing the bolt is a cantilever, and nobody has tried that.
            var bears = ground.What != Ground.Units || input.Gap <= FixingCheck.MostGap;
            // Where no load across is published only the board that bears on a toggle's bolt is certain.
            var sideways = !bears ? null : input.Rated is { } rated ? rated.Shear : flange ? fastener.RatedShear : null;
            return new(
                pull is { } t ? new Force(t.Newtons / by) : null,
                sideways is { } s ? new Force(s.Newtons / by) : ground.What is Ground.Flange or Ground.Lining ? BoardBearing(fastener.Diameter, input.Wall.LayersThickness) : null);
        }

        return new(null, (Force?)null);
    }

    /// <summary>What goes into the yield equations for a screw.</summary>
    /// <param name="input">All that it follows from.</param>
    /// <param name="penetration">How deep it is in the wood.</param>
    /// <param name="fromGrain">Angle between load and grain.</param>
    /// <returns>The figures.</returns>
    public static Dowel DowelOf(Bolting input, Length penetration, Angle fromGrain) => new(
        WoodValues.Root(input.Fastener.Diameter), WoodValues.BendingYield(input.Fastener.Diameter), penetration, WoodValues.Bearing(input.Gravity, input.Fastener.Diameter, fromGrain),
        input.Mount.PlateThickness, WoodValues.SteelBearing, input.Gap, fromGrain, input.Fastener.Diameter);

    /// <summary>What a toggle holds across itself where only the board bears on its bolt: 350 psi for gypsum (from memory), divided by 4.</summary>
    /// <param name="diameter">Diameter of its bolt.</param>
    /// <param name="layers">Thickness of the layers.</param>
    /// <returns>The load.</returns>
    public static Force BoardBearing(Length diameter, Length layers) => Force.FromPoundsForce(350 * diameter.Inches * layers.Inches / 4);

    /// <summary>How deep a fastener is in what holds it, without its tip, and how much of that is thread: only part of a long screw is.</summary>
    /// <param name="input">All that it follows from.</param>
    /// <param name="fastener">The fastener.</param>
    /// <returns>Both; nothing for what opens behind.</returns>
    public static (Length Penetration, Length Thread) InBase(Bolting input, Fastener fastener)
    {
        if (fastener.Sort is FastenerKind.Toggle or FastenerKind.ThroughBolt or FastenerKind.SheetMetalScrew)
        {
            return default;
        }

        var passed = input.Passed;
        var end = Length.Min(fastener.Length - fastener.TipLength, passed + input.Ground.Depth);
        return (Length.Max(Length.Zero, end - passed), Length.Max(Length.Zero, end - Length.Max(passed, fastener.Length - fastener.Thread)));
    }

    /// <summary>How deep a fastener has to be in what holds it: four diameters for lag screws and six for wood screws (NDS-2018 12.1, from memory) or what was asked for; a rated anchor's embedment.</summary>
    /// <param name="input">All that it follows from.</param>
    /// <returns>The depth, without the tip.</returns>
    public static Length Deep(Bolting input) => input.Fastener.Sort switch
    {
        FastenerKind.LagScrew => Length.Max(input.Fastener.Diameter * 4, input.Choice.Conditions.Penetration ?? Length.Zero),
        FastenerKind.WoodScrew => Length.Max(input.Fastener.Diameter * 6, input.Choice.Conditions.Penetration ?? Length.Zero),
        _ => Length.Max(input.Rated?.Embedment ?? Length.Zero, input.Choice.Conditions.Penetration ?? Length.Zero),
    };

    private static LengthNeeded Needed(Bolting input, IReadOnlyList<(BoltLoad Load, LoadPose Pose)> loads)
    {
        var fastener = input.Fastener;
        if (fastener.Sort == FastenerKind.Toggle)
        {
            // Its bar is threaded on behind what it passes: two diameters of bolt have to stick out there.
            var reach = input.Passed + (fastener.Diameter * 2);
            return new(reach, null, fastener.SoldFrom(reach));
        }

        if (fastener.Sort is FastenerKind.ThroughBolt)
        {
            // Washer and nut behind take about a diameter and a half (common practice).
            var through = input.Passed + input.Ground.Depth + (fastener.Diameter * 3).Half;
            return new(through, null, fastener.SoldFrom(through));
        }

        var least = input.Passed + Deep(input) + fastener.TipLength;
        Length? most = input.Ground.What is Ground.Flange or Ground.Lining ? null : input.Passed + input.Ground.Depth;
        var sold = fastener.Sold.Where(l => l >= least && (most is null || l <= most)).Select(l => (Length?)l).FirstOrDefault(l => Holds(fastener with { Length = l!.Value }));
        return new(least, most, sold);

        // Its own thread may be of another length than the one that was entered for this size.
        bool Holds(Fastener other)
        {
            var (deep, thread) = InBase(input, other.Length == fastener.Length ? other : other with { SaidThread = null });
            var hold = HoldOf(input, deep, thread);
            return loads.All(l => (hold.Use(l.Load, input.FromGrain(l.Load)) ?? 0) <= 1);
        }
    }

    // Where both are.
    private static Rect Bears(Rect plate, Rect board) => Rect.Between(Length.Max(plate.Left, board.Left), Length.Min(plate.Right, board.Right), Length.Max(plate.Bottom, board.Bottom), Length.Min(plate.Top, board.Top)) is { Width.Units: > 0, Height.Units: > 0 } both ? both : plate;

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
            Phrase how = $"{(input.Ground.What is Ground.Stud or Ground.Flange ? $"stud {StateWord(bolt.Stud.State)}" : $"in the {input.Ground.Name}")}, {(input.Layout.Backing is not null ? Phrase.Of("clear of its ends") : input.Ground.What is Ground.Units or Ground.Board or Ground.Lining ? Phrase.Of("level with the others of its row") : bolt.OffCentre == Length.Zero ? Phrase.Of("dead centre") : Phrase.Of($"{bolt.OffCentre:fine} off its centre"))}";
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

    private static string StateWord(StudState state) => state switch
    {
        StudState.Confirmed => "confirmed",
        StudState.Found => "found",
        _ => "suspected",
    };
}
