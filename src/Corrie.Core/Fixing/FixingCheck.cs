using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Hanging;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Core.Fixing;

/// <summary>What is wrong with what holds a plate.</summary>
internal static class FixingCheck
{
    private static readonly Length MostGap = Length.Tape(0, 3, 4);

    /// <summary>Everything that is wrong with the bolts.</summary>
    /// <param name="input">All that they follow from.</param>
    /// <param name="bolts">The bolts.</param>
    /// <returns>The findings, parts named from the mount on.</returns>
    public static IEnumerable<Finding> Check(Bolting input, FixingResult bolts)
    {
        var (wall, fastener, policy) = (input.Wall, input.Fastener, input.Policy);
        if (wall.Kind == WallKind.Masonry)
        {
            yield return FixingFindings.Engineer.At(
                new("wall"), $"The wall is masonry, {wall.LayersThickness} of layers recorded; these rules cover plates on wood and steel studs.");
            yield break;
        }

        foreach (var finding in Kind(input, bolts).Concat(Reach(input, bolts)).Concat(Shear(input, bolts)))
        {
            yield return finding;
        }

        foreach (var bolt in bolts.Bolts)
        {
            var spot = new Spot(bolt.Part, bolt.X, bolt.Y);
            // A bolt that only doubt about its stud keeps off its edge is said where the stud is: one cause, one stop.
            if (!bolt.WouldKeepEdge)
            {
                yield return FixingFindings.EdgeDistance.At(
                    spot,
                    $"Bolt {bolt.Number} at {bolt.X} is {bolt.OffCentre:fine} off the centre of the stud at {bolt.Stud.Centre}; with {fastener.Diameter} diameter in a {bolt.Stud.Width} face it may be {Length.Max(Length.Zero, bolt.Tolerance):fine}{Uncertainty(bolt)}. It leaves {Length.Max(Length.Zero, bolt.Stud.WoodBeside(fastener.Diameter, bolt.OffCentre)):fine} of wood on one side.");
            }

            if (bolt.Utilisation is { } used && used > policy.FullUse)
            {
                Phrase message = $"Bolt {bolt.Number} is pulled with {bolt.Pull} and holds {bolt.Holds!.Value}: {100 * used:0} %.";
                yield return used > 1 ? FixingFindings.DemandOverCapacity.At(spot, message) : FixingFindings.DemandOverCapacity.MildAt(spot, message);
            }
        }

        var left = input.Layout.Position.Bolts.Where(b => bolts.Bolts.All(u => u.X != b.X || u.Row != b.Row.Id)).ToList();
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

        foreach (var finding in Pilot(input, bolts))
        {
            yield return finding;
        }
    }

    private static Phrase Uncertainty(Bolt bolt) => bolt.Stud.Uncertainty == Length.Zero
        ? Phrase.Of(string.Empty)
        : Phrase.Of($", {bolt.Stud.Uncertainty:fine} less because the stud's centre is known only to that");

    private static Spot Plate(Bolting input) => new("plate", input.Layout.Plate.Right, input.Layout.Plate.CentreY);

    private static IEnumerable<Finding> Kind(Bolting input, FixingResult bolts)
    {
        var (wall, mount, fastener) = (input.Wall, input.Mount, input.Fastener);
        var toggle = fastener.Sort == FastenerKind.Toggle;
        // What the bolts go into decides, and not what is behind that: a board on steel studs is wood.
        if (input.Layout.Backing is not null && toggle)
        {
            yield return FixingFindings.WrongForWall.At(
                Plate(input), $"Bolt the plate to the {input.Ground.Name} with screws for wood: the {fastener.Name} ({fastener.Diameter} by {fastener.Length}) cannot open in {input.Ground.Depth} of wood.");
        }
        else if (input.Layout.Backing is null && toggle != (wall.Kind == WallKind.SteelStuds))
        {
            yield return FixingFindings.WrongForWall.At(
                Plate(input),
                $"The {fastener.Name} ({fastener.Diameter} by {fastener.Length}) {(toggle ? "cannot open inside a wood stud" : "holds no thread in the flange of a steel stud")}.");
        }

        if (toggle && fastener.RatedTension is null)
        {
            yield return FixingFindings.RatingUnknown.At(
                Plate(input), $"The {fastener.Name} has no rated load in the catalogue; {bolts.Bolts.Count} of them are planned.");
        }

        foreach (var finding in Support(input, bolts))
        {
            yield return finding;
        }

        if (wall.Kind == WallKind.SteelStuds && mount.Moves)
        {
            yield return FixingFindings.Engineer.At(
                Plate(input), $"A mount that reaches {mount.DepthExtended} out of a light-gauge steel partition needs backing, or an engineer.");
        }
    }

    // What these rules do not reckon yet is said, and stops: nothing is taken to hold because nobody asked.
    private static IEnumerable<Finding> Support(Bolting input, FixingResult bolts)
    {
        var (layout, plate) = (input.Layout, Plate(input));
        if (layout.Backing is { Kind: BackingKind.Board } board)
        {
            yield return FixingFindings.Engineer.At(
                plate with { Part = "backing" }, $"Have the board's own hold worked out: {board.Screws.Count} screws carry it, the plate and {layout.Load} to {board.Studs} {(board.Studs == 1 ? "stud" : "studs")}, and these rules cover plates on studs alone.");
        }

        if (layout.Backing is { Kind: BackingKind.Blocking } blocking)
        {
            yield return FixingFindings.CrossGrain.At(
                plate with { Part = "backing" }, $"Have the blocking worked out: {bolts.Bolts.Count} bolts pull across the grain of {blocking.Thickness} of wood between {blocking.Studs} studs, and {layout.Load} hang on it.");
        }

        if (layout.Toggles.Count > 0 && input.Mount.Moves)
        {
            yield return FixingFindings.WrongForWall.At(
                plate with { Part = "toggles" }, $"Take the toggles out: {layout.Toggles.Count} of them in board would carry a mount that reaches {input.Mount.DepthExtended} out of the wall.");
        }
        else if (layout.Toggles.Count > 0)
        {
            yield return FixingFindings.Engineer.At(
                plate with { Part = "toggles" }, $"Have the share of the toggles worked out: {layout.Toggles.Count} toggles and {bolts.Bolts.Count} bolts in a stud give way differently under {layout.Load}, and these rules cover bolts in two studs.");
        }

        if (layout.Drilled.Count > 0 && !input.Mount.MayBeDrilled)
        {
            yield return FixingFindings.DrilledPlate.At(
                plate with { Part = "drilled" }, $"Ask the maker before the plate is drilled: {layout.Drilled.Count} more {(layout.Drilled.Count == 1 ? "hole" : "holes")} a row, and the catalogue does not say that it may be.");
        }
    }

    private static IEnumerable<Finding> Reach(Bolting input, FixingResult bolts)
    {
        var (wall, fastener) = (input.Wall, input.Fastener);
        if (bolts.Bolts.Count == 0)
        {
            yield break;
        }

        if (fastener.Sort == FastenerKind.Toggle)
        {
            // Its bar is threaded on behind what it passes: two diameters of bolt have to stick out there.
            var needed = bolts.Passed + (fastener.Diameter * 2);
            if (bolts.Passed > fastener.Grip)
            {
                yield return FixingFindings.TooShort.At(
                    Plate(input), $"The {fastener.Name} clamps up to {fastener.Grip}; plate, washer and layers are {bolts.Passed}.");
            }
            else if (fastener.Length < needed)
            {
                yield return FixingFindings.TooShort.At(
                    Plate(input), $"Take a longer toggle, {needed} or more: the {fastener.Name} is {fastener.Length} long, and plate, washer and layers alone are {bolts.Passed}.");
            }

            yield break;
        }

        var penetration = bolts.Bolts[0].Penetration;
        var times = fastener.Sort == FastenerKind.LagScrew ? 4 : 6;
        var least = fastener.Diameter * times;
        var longEnough = bolts.Passed + least + fastener.TipLength;
        if (penetration <= Length.Zero)
        {
            yield return FixingFindings.NoHold.At(
                Plate(input),
                $"The {fastener.Length} {fastener.Name} never reaches the {input.Ground.Name}: plate, washer, packing and layers are {bolts.Passed}. At least {longEnough} is needed, and a length that is sold.");
        }
        else if (penetration < least)
        {
            yield return FixingFindings.TooShort.At(
                Plate(input),
                $"The {fastener.Length} {fastener.Name} is {penetration:fine} in the wood without its tip; at least {times} diameters, {least:fine}, are needed: {longEnough} or longer.");
        }

        var depth = bolts.DrillDepth - input.Ground.Layers;
        var beyond = fastener.Length - bolts.Passed - input.Ground.Depth;
        if (input.Layout.Backing is not null && beyond > Length.Zero)
        {
            yield return FixingFindings.TooLong.At(
                Plate(input), $"The {fastener.Length} {fastener.Name} comes out {beyond} behind the {input.Ground.Name}, which is {input.Ground.Depth} thick: take one of {bolts.Passed + input.Ground.Depth} at most.");
        }
        else if (depth >= wall.StudDepth && input.Layout.Backing is null)
        {
            yield return FixingFindings.TooLong.At(
                Plate(input), $"The {fastener.Length} {fastener.Name} reaches through the stud, which is {wall.StudDepth} deep.");
        }

        if (depth > input.Policy.CableDepth && input.Layout.Backing is null && wall.Scan is not { Crossings: true })
        {
            yield return FixingFindings.BoredCrossing.At(
                Plate(input), $"The {fastener.Name} goes {depth} into the stud; over {input.Policy.CableDepth} a scan for cables that cross it has to be recorded.");
        }
    }

    // Until the yield equations are here, only what is certain is certain.
    private static IEnumerable<Finding> Shear(Bolting input, FixingResult bolts)
    {
        // What ends before wood, or passes layers that nobody has entered, is said already.
        if (bolts.Bolts.Count == 0 || (input.Fastener.Sort == FastenerKind.Toggle ? input.Wall.LayersThickness : bolts.Bolts[0].Penetration) <= Length.Zero)
        {
            yield break;
        }

        var gap = input.Ground.Layers + input.Choice.Packing;
        var across = bolts.Bolts.Max(b => b.Across.Newtons);
        if (input.Fastener.Sort != FastenerKind.Toggle && gap > MostGap)
        {
            yield return FixingFindings.ShearUnknown.At(
                Plate(input),
                $"Have an engineer check the bolts for load across them: each crosses {gap} that does not bear before it meets wood, and {new Force(across)} hang on it; over {MostGap} these rules do not say what it holds.");
        }
        else if (across > bolts.Surely.Newtons)
        {
            yield return FixingFindings.ShearUnknown.At(
                Plate(input),
                $"Use more or thicker fasteners, or have an engineer check them: {new Force(across)} hang across a {input.Fastener.Diameter} {input.Fastener.Name}, and {bolts.Surely} is what it holds for certain through {gap} of layers.");
        }
    }

    private static IEnumerable<Finding> Pilot(Bolting input, FixingResult bolts)
    {
        var fastener = input.Fastener;
        if (fastener.Sort != FastenerKind.LagScrew || bolts.Bolts.Count == 0)
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
