using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Hanging;
using Corrie.Core.Masonry;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Core.Fixing;

/// <summary>What is wrong with what holds a plate.</summary>
internal static class FixingCheck
{
    /// <summary>The most that may lie between plate and wood without bearing for the yield equations to say what a bolt holds across: two layers of 5/8 in board (own rule).</summary>
    public static readonly Length MostGap = Length.Tape(1, 1, 4);

    // A plate loaded beside its bolts' middle pulls at a stud across its grain, where 4 diameters to the loaded edge are never there. A tenth of what a bolt
    // holds that way is let pass (own rule).
    private const double AcrossTheGrain = 0.1;

    /// <summary>Everything that is wrong with the bolts.</summary>
    /// <param name="input">All that they follow from.</param>
    /// <param name="bolts">The bolts.</param>
    /// <returns>The findings, parts named from the mount on.</returns>
    public static IEnumerable<Finding> Check(Bolting input, FixingResult bolts)
    {
        var policy = input.Policy;
        foreach (var finding in Kind(input, bolts).Concat(Each(input, bolts)).Concat(Room(input, bolts)).Concat(Near(input)).Concat(Shear(input, bolts)).Concat(Grain(input, bolts)).Concat(SupportCheck.Check(input, bolts)))
        {
            yield return finding;
        }

        // The pose that is worst for a bolt in all may pull it little: what pulls it most is another one.
        var maker = FixingEvidence.MakerFor(input);
        var pulls = new Lazy<IReadOnlyList<Force>>(() => [.. new LoadModel(input).Worst(new([.. bolts.Bolts.Select(b => (b.X, b.Y))], input.Layout.Plate), l => l.Pull.Newtons).Select(w => w.Load.Pull)]);
        foreach (var bolt in bolts.Bolts)
        {
            var spot = new Spot(bolt.Part, bolt.X, bolt.Y);
            // A bolt that only doubt about its stud keeps off its edge is said where the stud is: one cause, one stop.
            if (!bolt.WouldKeepEdge)
            {
                yield return FixingFindings.EdgeDistance.At(
                    spot,
                    $"Bolt {bolt.Number} at {bolt.X} is {bolt.OffCentre:fine} off the centre of the stud at {bolt.Stud.Centre}; with {input.Fastener.Diameter} diameter in a {bolt.Stud.Width} face it may be {Length.Max(Length.Zero, bolt.Tolerance):most}{Uncertainty(bolt)}. It leaves {Length.Max(Length.Zero, bolt.Stud.WoodBeside(input.Fastener.Diameter, bolt.OffCentre)):fine} of wood on one side.");
            }

            // What holds nothing at all never reached what should hold it, and that is said.
            if (bolt.Utilisation is { } used && used > policy.FullUse && bolt.Holds is not { Newtons: 0 })
            {
                Phrase message = Overloaded(input, bolt, used);
                // A maker who rates the mount for exactly this wall has tried what goes across its bolts; what pulls them out stays the wood's matter.
                if (used > 1 && maker is not null && pulls.Value[bolt.Index].Newtons <= bolt.Holds!.Value.Newtons)
                {
                    yield return FixingFindings.DemandOverCapacity.MildAt(spot, $"{message} It is what goes across it, and the maker rates the mount for this wall with {maker.Load} ({maker.Paper}).");
                    continue;
                }

                yield return used > 1 ? FixingFindings.DemandOverCapacity.At(spot, message) : FixingFindings.DemandOverCapacity.MildAt(spot, message);
            }
        }

        foreach (var finding in Astray(input, bolts))
        {
            yield return finding;
        }

        // A flat plate on one stud of two: a caution where its bolts hold all of it, also what hangs beside them.
        if (input.Layout.OneStud is { } one)
        {
            var holds = bolts.Bolts.Count > 0 && bolts.Bolts.All(b => b.Utilisation is <= 1 && b.WouldKeepEdge) && !Grain(input, bolts).Any();
            yield return holds
                ? HangingFindings.OneStudOnly.MildAt(one.Where, $"{one.Message} The {bolts.Bolts.Count} bolts in it hold all of it, at {100 * bolts.Bolts.Max(b => b.Utilisation!.Value):0} %.", one.Remedies)
                : one;
        }

        var left = input.Layout.Backing is not null ? [] : input.Layout.Position.Bolts.Where(b => !b.Astray && bolts.Bolts.All(u => u.X != b.X || u.Row != b.Row.Id)).ToList();
        if (left.Count > 0)
        {
            Phrase message = $"Leave {left.Count} {(left.Count == 1 ? "hole" : "holes")} of the plate empty: ";
            for (var i = 0; i < left.Count; i++)
            {
                message.AppendFormatted($"{(i == 0 ? string.Empty : ", ")}{left[i].Row.Id} row at {left[i].X}, {left[i].OffCentre:fine} off its stud's centre");
            }

            message.AppendFormatted($". The other {bolts.Bolts.Count} bolts hold.");
            yield return FixingFindings.LeftEmpty.At(new("empty", left[0].X, input.Layout.HookLine + left[0].Row.AboveHook), message);
        }

        foreach (var finding in Pilot(input, bolts).Concat(Drills(input, bolts)))
        {
            yield return finding;
        }
    }

    // A bolt that went beside its stud: the others carry what it should, or nothing does.
    private static IEnumerable<Finding> Astray(Bolting input, FixingResult bolts)
    {
        var carried = bolts.Bolts.Count > 0 && bolts.Bolts.All(b => b.Utilisation is <= 1);
        foreach (var bolt in input.Layout.Position.Bolts.Where(b => b.Astray))
        {
            var instead = bolts.Bolts.FirstOrDefault(b => b.Stud.Id == bolt.Stud.Id && b.Row == bolt.Row.Id);
            Phrase message = $"Take bolt {bolt.Number} out and {(instead is null ? Phrase.Of($"make a hole in the stud, whose centre is at {bolt.Stud.Centre}") : Phrase.Of($"make hole {instead.Number} at {instead.X}"))}: at {bolt.X} it is {bolt.OffCentre:fine} off the centre of the stud at {bolt.Stud.Centre}, whose face is {bolt.Stud.Width}, and holds nothing. {(carried ? Phrase.Of($"The {bolts.Bolts.Count} others would hold all of it, at {Bolt.Share(bolts.Bolts.Max(b => b.Utilisation))}.") : Phrase.Of($"The {bolts.Bolts.Count} others do not hold all of it."))}";
            var where = new Spot($"bolts/{bolt.Number}", bolt.X, input.Layout.HookLine + bolt.Row.AboveHook);
            yield return carried ? FixingFindings.NoHold.MildAt(where, message) : FixingFindings.NoHold.At(where, message);
        }
    }

    // Which bits it takes: the hole's, and one for steel where the plate itself is drilled.
    private static IEnumerable<Finding> Drills(Bolting input, FixingResult bolts)
    {
        if (input.Drills.Items.Count == 0 || bolts.Bolts.Count == 0 || Wrong(input) is not null)
        {
            yield break;
        }

        var needs = DrillStep.Of(bolts, bolts.DrillDepth).Select(s => (s.For, Hole: s.Diameter, Deep: s.To)).ToList();
        if (input.Layout.Drilled.Count > 0)
        {
            needs.Add((BitFor.Metal, input.Fastener.Diameter, input.Mount.PlateThickness));
        }

        foreach (var (material, size, deep) in needs)
        {
            var fits = input.Drills.Items.Where(d => d.Drills(material, size)).ToList();
            if (fits.Count == 0)
            {
                yield return FixingFindings.BitMissing.At(Plate(input, $"bit/{material}"), $"Bring a {size:fine} bit for {material.Words()}: none of the crew's {input.Drills.Items.Count} is one.");
            }
            else if (fits.Max(d => d.Reach) is var reach && reach < deep)
            {
                yield return FixingFindings.BitTooShort.At(Plate(input, $"bit/{material}"), $"Bring a longer {size:fine} bit for {material.Words()}: it has to drill {deep} deep, and the crew's reaches {reach}.");
            }
        }
    }

    /// <summary>Where a finding about the plate as a whole is tied.</summary>
    /// <param name="input">All that the bolts follow from.</param>
    /// <param name="part">The part's name.</param>
    /// <returns>The spot.</returns>
    public static Spot Plate(Bolting input, string? part = null) => new(part ?? input.About, input.Layout.Plate.Right, input.Layout.Plate.CentreY);

    private static Phrase Overloaded(Bolting input, Bolt bolt, double used)
    {
        if (double.IsInfinity(bolt.Pull.Newtons))
        {
            return Phrase.Of($"Add a bolt: nothing keeps the plate from tipping off the wall under {input.Layout.Load}, since bolt {bolt.Number} has no other above or beside it.");
        }

        Phrase message = $"Bolt {bolt.Number} is pulled with {bolt.Pull} and holds {bolt.Holds!.Value}";
        if (bolt.HoldsAcross is { } across)
        {
            message.AppendFormatted($"; across it go {bolt.Across} of {across}");
        }

        message.AppendFormatted($": together {100 * used:0} %");
        if (input.Mount.Moves)
        {
            message.AppendFormatted($", {bolt.Pose.Says(input.Mount)}");
        }

        if (FixingEvidence.EngineerFor(input) is { } engineer)
        {
            message.AppendFormatted($". What it holds is the figure of {engineer.Name}");
        }

        message.AppendLiteral(".");
        return message;
    }

    private static Phrase Uncertainty(Bolt bolt) => bolt.Stud.Uncertainty == Length.Zero
        ? Phrase.Of(string.Empty)
        : Phrase.Of($", {bolt.Stud.Uncertainty:fine} less because the stud's centre is known only to that");

    // Why a fastener is none for what it would be driven into; null where it is one.
    private static Phrase? Wrong(Bolting input)
    {
        var fastener = input.Fastener;
        var (sort, name) = (fastener.Sort, Phrase.Of($"the {fastener.Name} ({fastener.Diameter} by {fastener.Length})"));
        return input.Ground.What switch
        {
            // What the bolts go into decides, and not what is behind that: a board on steel studs is wood.
            Ground.Blocking or Ground.Board when sort == FastenerKind.Toggle && input.Layout.Backing is not null =>
                Phrase.Of($"Bolt the plate to the {input.Ground.Name} with screws for wood: {name} cannot open in {input.Ground.Depth} of wood."),
            Ground.Stud or Ground.Blocking when sort == FastenerKind.Toggle => Phrase.Of($"Take lag screws: {name} cannot open inside a wood stud."),
            Ground.Stud or Ground.Blocking when !sort.IsWood() => Phrase.Of($"Take lag or structural screws: {name} is made to hold in {(sort.IsMasonry() ? "masonry" : "sheet")}, and finds none in {input.Ground.Depth} of wood."),
            Ground.Board when sort.IsMasonry() || sort == FastenerKind.SheetMetalScrew => Phrase.Of($"Take wood screws, or bolts through it with a plate behind: {name} does not hold in {input.Ground.Depth} of {input.Ground.Name}."),
            Ground.Flange when sort == FastenerKind.SheetMetalScrew => Phrase.Of($"Take rated toggles: {name} is extra holding of a plate that toggles carry, and carries none by itself in {input.Wall.StudDepth} of steel stud."),
            Ground.Flange when sort != FastenerKind.Toggle => Phrase.Of($"Take rated toggles through board and flange: {name} holds no thread in the flange of a steel stud."),
            Ground.Units when sort == FastenerKind.WedgeAnchor && input.Wall.Unit is { } unit && unit != BaseMaterial.Concrete => Phrase.Of($"Take a sleeve, screw or bonded anchor: {name} is a wedge anchor, for concrete alone, and bursts {unit.Said()}."),
            Ground.Units when !sort.IsMasonry() => Phrase.Of($"Take an anchor for masonry: {name} holds nothing in {input.Ground.Name}."),
            Ground.Lining when sort != FastenerKind.Toggle => Phrase.Of($"Take toggles that open behind the board: {name} tears out of {input.Ground.Layers} of it."),
            Ground.Lining when input.Mount.Moves => Phrase.Of($"Bolt it to studs, or to a board over them: {input.Layout.Position.Bolts.Count} anchors in board alone would carry a mount that reaches {input.Mount.DepthExtended} out of the wall."),
            _ => null,
        };
    }

    private static IEnumerable<Finding> Kind(Bolting input, FixingResult bolts)
    {
        var (wall, mount, fastener) = (input.Wall, input.Mount, input.Fastener);
        var plate = Plate(input);
        if (Wrong(input) is { } wrong)
        {
            yield return FixingFindings.WrongForWall.At(plate, wrong);
        }
        else if (bolts.Bolts.Count > 0 && bolts.Bolts[0].Holds is null)
        {
            yield return FixingFindings.RatingUnknown.At(plate, bolts.Ground == Ground.Units && wall.Unit is null
                ? Phrase.Of($"Say what the wall's units are: {bolts.Bolts.Count} anchors are planned in {input.Ground.Depth} of {input.Ground.Name}, and a rated load is for one material.")
                : fastener.Ratings.Count > 0 && input.Material is { } into
                ? Phrase.Of($"Take an anchor that is rated for {into.Said()}: the {fastener.Name} is rated for {string.Join(", ", fastener.Ratings.Select(r => r.Into.Said()))}, and {bolts.Bolts.Count} of them are planned.")
                : bolts.Ground == Ground.Flange && fastener.RatedTension is { } anywhere
                ? Phrase.Of($"Find the maker's load for {wall.Gauge!.Value.Said()}: the {fastener.Name} is rated for {anywhere} without a gauge, and {bolts.Bolts.Count} of them are planned.")
                : Phrase.Of($"The {fastener.Name} has no rated load in the catalogue; {bolts.Bolts.Count} of them are planned."));
        }

        if (bolts.Ground == Ground.Lining && !mount.Moves)
        {
            var (load, most) = (input.Layout.Load + mount.Mass, input.Policy.BoardOnlyUpTo);
            var within = input.Layout.Load.Kilograms <= most.Kilograms && bolts.Bolts.Count >= input.Policy.BoardAnchors;
            yield return within
                ? FixingFindings.BoardOnly.MildAt(plate, $"{bolts.Bolts.Count} anchors in {wall.LayersThickness} of board alone carry {load}: within the company's limits of {most} and {input.Policy.BoardAnchors} anchors.")
                : FixingFindings.BoardOnly.At(plate, $"Bolt it to studs, or to a board over them: {bolts.Bolts.Count} anchors in {wall.LayersThickness} of board alone would carry {load}; the company allows {(most.Kilograms == 0 ? Phrase.Of("none of that") : Phrase.Of($"{input.Layout.Load.Kilograms switch { 0 => string.Empty, _ => "up to " }}{most} that hang, on at least {input.Policy.BoardAnchors}"))}.");
        }

        if (bolts.Ground == Ground.Flange && mount.Moves)
        {
            yield return FixingEvidence.MakerFor(input) is { } maker
                ? FixingFindings.Engineer.MildAt(plate, $"On light-gauge steel, {mount.DepthExtended} out: the maker rates the mount for this wall with {maker.Load} ({maker.Paper}); by these rules the worst bolt is used {(bolts.Bolts.Count == 0 ? 0 : 100 * bolts.Bolts.Max(b => b.Utilisation ?? 0)):0} %.")
                : FixingFindings.Engineer.At(plate, $"A mount that reaches {mount.DepthExtended} out of a light-gauge steel partition needs backing, an engineer, or its maker's rating for exactly this wall.");
        }
    }

    // Where every bolt has its own packing each is looked at by itself; those that are alike are said once.
    private static IEnumerable<Finding> Each(Bolting input, FixingResult bolts) => input.Gaps.Items.Count == 0
        ? Reach(input, bolts)
        : bolts.Bolts.DistinctBy(b => (b.Packing, b.Length)).SelectMany(b =>
            Reach(input.For(b), bolts with { Bolts = [b], DrillDepth = b.DrillDepth, Passed = input.For(b).Passed, Length = b.Needs }));

    // A board under the plate burns.
    private static IEnumerable<Finding> Near(Bolting input) => input.Choice.Conditions.Spreader is var board && board > Length.Zero
        ? HeatCheck.Near(input.Wall, input.Fire, [("board under the plate", "board", input.Layout.Plate, board + input.Choice.Packing)]) : [];

    private static IEnumerable<Finding> Room(Bolting input, FixingResult bolts) =>
        bolts.Bolts.Count > 0 && Wrong(input) is null && input.Rated is { } rated && (rated.Edge > Length.Zero || rated.Spacing > Length.Zero) ? Rated(input, bolts, rated) : [];

    private static IEnumerable<Finding> Reach(Bolting input, FixingResult bolts)
    {
        var (wall, fastener, ground) = (input.Wall, input.Fastener, input.Ground);
        if (bolts.Bolts.Count == 0 || Wrong(input) is not null)
        {
            yield break;
        }

        Remedy[] sold = bolts.Length.Sold is { } take && take != fastener.Length ? [new Remedy($"Take {take} ones", $"the shortest sold that holds; least is {bolts.Length.Least:fine}", [input.Choice.Here.Up.To("bolt").Set("length", take)])] : [];
        if (fastener.Sort is FastenerKind.Toggle or FastenerKind.ThroughBolt)
        {
            if (fastener.Sort == FastenerKind.Toggle && bolts.Passed > fastener.Grip)
            {
                yield return FixingFindings.TooShort.At(
                    Plate(input), $"The {fastener.Name} clamps up to {fastener.Grip}; plate, washer and layers are {bolts.Passed}.");
            }
            else if (fastener.Length < bolts.Length.Least)
            {
                yield return FixingFindings.TooShort.At(
                    Plate(input),
                    fastener.Sort == FastenerKind.Toggle
                        ? Phrase.Of($"Take a longer toggle, {bolts.Length.Least} or more: the {fastener.Name} is {fastener.Length} long, and plate, washer and layers alone are {bolts.Passed}.")
                        : Phrase.Of($"Take a longer bolt, {bolts.Length.Least} or more: the {fastener.Name} is {fastener.Length} long, and has to pass {bolts.Passed + ground.Depth} and take a plate and a nut behind."),
                    sold);
            }

            yield break;
        }

        var penetration = bolts.Bolts[0].Penetration;
        var least = BoltPlan.Deep(input);
        if (ground.What is Ground.Units && wall.Base is null && wall.Layers.Count > 0)
        {
            yield return MasonryFindings.VeneerCarries.At(
                Plate(input), $"Drill a test hole and enter what is behind the {wall.Layers[^1].Name}: it is a facing and carries nothing, and it is all that the {fastener.Length} {fastener.Name} has to hold in.");
        }
        else if (penetration <= Length.Zero)
        {
            yield return FixingFindings.NoHold.At(
                Plate(input),
                $"The {fastener.Length} {fastener.Name} never reaches the {ground.Name}: plate, washer, packing and layers are {bolts.Passed}. At least {bolts.Length.Least:least} is needed, and a length that is sold.",
                sold);
        }
        else if (penetration < least)
        {
            Phrase asked = ground.What == Ground.Units ? Phrase.Of($"its rated load needs {least:least}")
                : input.Choice.Conditions.Penetration is { } deep && deep == least ? Phrase.Of($"{least:fine} are asked for")
                : Phrase.Of($"at least {(fastener.Sort == FastenerKind.LagScrew ? 4 : 6)} diameters, {least:least}, are needed");
            yield return FixingFindings.TooShort.At(
                Plate(input), $"The {fastener.Length} {fastener.Name} is {penetration:fine} in the {(ground.What == Ground.Units ? ground.Name : "wood")} without its tip; {asked}: {bolts.Length.Least:least} or longer.", sold);
        }
        else if (ground.What != Ground.Units && fastener.Sort != FastenerKind.StructuralScrew && bolts.Bolts.Any(b => b.Utilisation > 1) && sold.Length > 0)
        {
            yield return FixingFindings.TooShort.At(
                Plate(input), $"The {fastener.Length} {fastener.Name} has {bolts.Bolts[0].Thread:fine} of thread in the wood, less than the load needs; {bolts.Length.Sold!.Value} ones hold it.", sold);
        }

        var depth = bolts.DrillDepth - ground.Layers;
        if (ground.What is Ground.Units && wall.Base is null)
        {
            yield break;
        }

        var beyond = fastener.Length - bolts.Passed - ground.Depth;
        if (ground.What == Ground.Units && depth >= ground.Depth)
        {
            yield return FixingFindings.TooLong.At(
                Plate(input), $"The hole for the {fastener.Length} {fastener.Name} goes {depth} into the {ground.Name}, which is {ground.Depth} thick: it comes out behind.");
        }
        else if (ground.What is Ground.Board or Ground.Blocking && beyond > Length.Zero)
        {
            yield return FixingFindings.TooLong.At(
                Plate(input), $"The {fastener.Length} {fastener.Name} comes out {beyond} behind the {ground.Name}, which is {ground.Depth} thick: take one of {bolts.Passed + ground.Depth:most} at most.", sold);
        }
        else if (ground.What == Ground.Stud && depth >= wall.StudDepth)
        {
            yield return FixingFindings.TooLong.At(
                Plate(input), $"The {fastener.Length} {fastener.Name} reaches through the stud, which is {wall.StudDepth} deep: take one of {bolts.Passed + wall.StudDepth - Length.Tape(0, 1, 16):most} at most.", sold);
        }

        if (depth > input.Policy.CableDepth && ground.What == Ground.Stud && wall.Scan is not { Crossings: true })
        {
            yield return FixingFindings.BoredCrossing.At(
                Plate(input), $"The {fastener.Name} goes {depth} into the stud; over {input.Policy.CableDepth:most} a scan for cables that cross it has to be recorded.");
        }
    }

    // A maker's load is for an anchor that has room round it.
    private static IEnumerable<Finding> Rated(Bolting input, FixingResult bolts, Rating rated)
    {
        var wall = input.Wall;
        foreach (var bolt in bolts.Bolts)
        {
            var edge = new[] { bolt.X, wall.Width - bolt.X, bolt.Y, wall.Height - bolt.Y }
                .Concat(wall.Features.Where(f => f.Traits.OpensWall).Select(f => Away(f.Outline, bolt.X, bolt.Y))).Min();
            if (edge < rated.Edge)
            {
                yield return FixingFindings.EdgeDistance.At(new(bolt.Part, bolt.X, bolt.Y), $"Move the plate: bolt {bolt.Number} is {edge} from the edge of the {input.Ground.Name}, and its rated load needs {rated.Edge:least}.");
            }

            foreach (var other in bolts.Bolts.TakeWhile(o => o != bolt))
            {
                var apart = Length.FromInches(Math.Sqrt(Math.Pow((bolt.X - other.X).Inches, 2) + Math.Pow((bolt.Y - other.Y).Inches, 2)));
                if (apart < rated.Spacing)
                {
                    yield return FixingFindings.HolesNear.At(
                        new($"{bolt.Part}/{other.Number}", bolt.X, bolt.Y), $"Leave one of them empty: bolts {other.Number} and {bolt.Number} are {apart:fine} apart, and their rated load needs {rated.Spacing:least}.");
                }
            }
        }
    }

    private static Length Away(Rect outline, Length x, Length y)
    {
        var (right, up) = (Length.Outside(x, outline.Left, outline.Right).Inches, Length.Outside(y, outline.Bottom, outline.Top).Inches);
        return Length.FromInches(Math.Sqrt((right * right) + (up * up)));
    }

    private static IEnumerable<Finding> Shear(Bolting input, FixingResult bolts)
    {
        // What ends before wood, is no fastener for it or passes layers that nobody has entered, is said already.
        if (bolts.Bolts.Count == 0 || Wrong(input) is not null || bolts.Bolts.All(b => b.HoldsAcross is not null) || bolts.Bolts[0].Holds is null || (input.Fastener.Sort.IsWood() && bolts.Bolts[0].Penetration <= Length.Zero))
        {
            yield break;
        }

        var across = new Force(bolts.Bolts.Max(b => b.Across.Newtons));
        if (input.Fastener.Sort is FastenerKind.LagScrew or FastenerKind.WoodScrew)
        {
            var (mode, load) = YieldEquations.Least(BoltPlan.DowelOf(input, bolts.Bolts[0].Penetration, default));
            yield return FixingFindings.ShearUnknown.At(
                Plate(input),
                $"Have an engineer check the bolts for load across them: each crosses {input.Gap} that does not bear before it meets the {input.Ground.Name}, and {across} hang on it; over {MostGap} these rules do not say what it holds. As a bare cantilever it would yield (mode {mode.ToString()}) at {new Force(load.Newtons * WoodValues.Factor(input.Choice.Conditions.Wet, input.Choice.Conditions.Heat))}.");
        }
        else if (input.Ground.What == Ground.Units && input.Gap > MostGap)
        {
            yield return FixingFindings.ShearUnknown.At(
                Plate(input), $"Have an engineer check the anchors for load across them: each crosses {input.Gap} that does not bear before it meets the {input.Ground.Name}, and {across} hang on it; a maker's load is for a fixture on the {input.Ground.Name} itself.");
        }
        else
        {
            yield return FixingFindings.ShearUnknown.At(
                Plate(input), $"Find the maker's load across the {input.Fastener.Name}, or have an engineer check it: {across} hang across each, and the catalogue says {bolts.Bolts[0].Holds!.Value} straight out alone.");
        }
    }

    // A weight beside the bolts' middle turns the plate. Bolts in two studs take that as a pair up and down, along the grain; those in one line across it.
    private static IEnumerable<Finding> Grain(Bolting input, FixingResult bolts)
    {
        if (bolts.Ground != Ground.Stud || bolts.Bolts.Count == 0 || input.Layout.Position.StudsMet(input.Fastener.Diameter) > 1 || bolts.Bolts[0].HoldsAcross is null || FixingEvidence.EngineerFor(input) is not null)
        {
            yield break;
        }

        var group = new BoltGroup([.. bolts.Bolts.Select(b => (b.X, b.Y))], input.Layout.Plate);
        var model = new LoadModel(input);
        var most = model.MostSwing;
        var (worst, pose) = new[] { default(LoadPose), new(default, 1, default, LeanAt.Nowhere, LeanWay.Out), new(most, 1, default, LeanAt.Nowhere, LeanWay.Out), new(new(-most.Degrees), 1, default, LeanAt.Nowhere, LeanWay.Out) }
            .Select(p => (Right: new Force(group.Solve(model.At(p)).Bolts.Max(b => Math.Abs(b.Right.Newtons))), Pose: p)).MaxBy(p => p.Right.Newtons);
        var holds = bolts.Bolts[0].Hold.Across(new(90))!.Value;
        // What nothing keeps in balance is said with the bolts.
        if (worst.Newtons <= AcrossTheGrain * holds.Newtons || double.IsInfinity(worst.Newtons))
        {
            yield break;
        }

        var stud = bolts.Bolts[0].Stud;
        Phrase message = $"{worst} go across the grain at a bolt in the stud at {stud.Centre}, and none far enough beside it{(input.Mount.Moves ? Phrase.Of($", {pose.Says(input.Mount)}") : string.Empty)}: towards a loaded edge 4 diameters, {input.Fastener.Diameter * 4}, are needed, and {stud.Width.Half} are there.";
        yield return FixingEvidence.MakerFor(input) is { } maker
            ? FixingFindings.CrossGrain.MildAt(Plate(input), $"{message} The maker rates the mount for one wood stud with {maker.Load} ({maker.Paper}); by these rules a bolt there holds {holds}.")
            : FixingFindings.CrossGrain.At(Plate(input), $"{message} Take a plate for two studs, a board over them, or enter the maker's rating for one wood stud.");
    }

    private static IEnumerable<Finding> Pilot(Bolting input, FixingResult bolts)
    {
        var fastener = input.Fastener;
        if (fastener.Sort != FastenerKind.LagScrew || bolts.Bolts.Count == 0 || Wrong(input) is not null)
        {
            yield break;
        }

        Phrase range = $"for a {fastener.Diameter} lag screw in wood of {bolts.Gravity:0.00} specific gravity it is {bolts.PilotLeast:fine} to {bolts.PilotMost:fine}";
        if (bolts.Pilot is not { } bit)
        {
            yield return FixingFindings.Pilot.At(Plate(input), $"None of the crew's {input.Bits.Items.Count} bits is in the range: {range}.");
        }
        else if (bit < bolts.PilotLeast || bit > bolts.PilotMost)
        {
            var better = PilotHole.Choose(fastener.Diameter, bolts.Gravity, input.Bits.Items);
            yield return FixingFindings.Pilot.At(
                Plate(input),
                $"The pilot bit is {bit:fine}; {range}.",
                better is null ? [] : [new Remedy($"Use the {better.Value:fine} bit", $"inside {bolts.PilotLeast:fine} to {bolts.PilotMost:fine}", [input.Choice.Here.Clear("pilot")])]);
        }
    }
}
