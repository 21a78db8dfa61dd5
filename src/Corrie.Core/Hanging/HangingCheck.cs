using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Survey;

namespace Corrie.Core.Hanging;

/// <summary>What is wrong with display, mount and plate.</summary>
internal static class HangingCheck
{
    // Common practice: half the spread each side of the centre, then the whole spread against the back of the display, before anybody lifts.
    private static readonly Length MostSpread = Length.Tape(0, 1, 4);

    // Common practice: centre marks within 1/8 in.
    private static readonly Length MostOffCentre = Length.Tape(0, 1, 8);

    /// <summary>Everything that is wrong with the hanging.</summary>
    /// <param name="input">All that the layout follows from.</param>
    /// <param name="layout">The layout.</param>
    /// <returns>The findings, parts named from the mount on.</returns>
    public static IEnumerable<Finding> Check(Hanging input, PlateLayout layout) =>
        [.. Fit(input), .. Rows(input, layout), .. Hooks(input, layout), .. Heights(input, layout), .. Sideways(input, layout), .. Spread(input, layout), .. Behind(input, layout), .. AfterHanging(input, layout), .. Turning.Limits(input)];

    private static string Listed(IReadOnlyList<string> names) => $"{string.Join(", the ", names.SkipLast(1))} and the {names[^1]}";

    private static IEnumerable<Finding> Fit(Hanging input)
    {
        var (part, wall, display, mount) = (new Spot("mount"), input.Wall, input.Display, input.Mount);
        var weight = input.Weight;
        var what = input.Load.Items.Count == 1 ? Phrase.Of("The display weighs") : Phrase.Of($"The {Listed([.. input.Load.Items.Select(l => l.Name)])} weigh together");
        if (weight.Kilograms > mount.Rated.Kilograms)
        {
            // A little too much reads like nothing too much once both are rounded.
            var over = new Mass(weight.Kilograms - mount.Rated.Kilograms);
            yield return HangingFindings.Overloaded.At(part, over.Pounds < 2
                ? Phrase.Of($"{what} {weight}, {over} more than the {mount.Rated} that the mount is rated for.")
                : Phrase.Of($"{what} {weight}; the mount is rated for {mount.Rated}."));
        }
        else if (weight.Kilograms * input.Policy.RatingMargin > mount.Rated.Kilograms)
        {
            var wanted = new Mass(weight.Kilograms * input.Policy.RatingMargin);
            yield return HangingFindings.Overloaded.MildAt(
                part, $"{what} {weight}; with the {100 * (input.Policy.RatingMargin - 1):0} % margin the mount should be rated for {wanted}, and is for {mount.Rated}.");
        }

        if (display.VesaWidth > mount.VesaWidest || display.VesaHeight > mount.VesaHighest || display.VesaWidth < mount.VesaNarrowest)
        {
            yield return HangingFindings.PatternMisfit.At(
                part,
                $"The display's holes are {display.VesaWidth} wide and {display.VesaHeight} high; the mount takes {mount.VesaNarrowest} to {mount.VesaWidest} wide and up to {mount.VesaHighest} high.");
        }

        if (display.Diagonal < mount.SizeFrom || display.Diagonal > mount.SizeTo)
        {
            yield return HangingFindings.SizeMisfit.At(
                part, $"The display's diagonal is {display.Diagonal}; the mount takes {mount.SizeFrom} to {mount.SizeTo}.");
        }

        if (!mount.Walls.Contains(wall.Kind))
        {
            yield return HangingFindings.WrongWall.At(part, $"The mount, rated for {mount.Rated}, is not made for {wall.Kind.Words()}; it is for {string.Join(" and ", mount.Walls.Select(w => w.Words()))}.");
        }
        else if (mount.Studs > 1 && wall.Kind.Framed() && wall.Spacing > Length.Zero)
        {
            var (_, most) = PlateSearch.Reach(input.Question);
            if (input.Question.Rows.Count == 0)
            {
                yield return HangingFindings.WrongWall.At(part, $"No hole of its plate is for {wall.Kind.Words()}: it has {mount.Rows.Count} {(mount.Rows.Count == 1 ? "row" : "rows")} for something else.");
            }
            else if (most < wall.Spacing)
            {
                yield return HangingFindings.WrongWall.At(
                    part, $"Its outermost holes are {most} apart, and the members stand at {wall.Spacing}.");
            }
        }
    }

    private static IEnumerable<Finding> Rows(Hanging input, PlateLayout layout) => [.. RowsOff(input, layout), .. HolesOff(input, layout)];

    // To the side, as the rows are up and down: a hole where there is no steel.
    private static IEnumerable<Finding> HolesOff(Hanging input, PlateLayout layout)
    {
        var mount = input.Mount;
        foreach (var (name, slots) in mount.Rows.Select(r => (r.Id, r.Slots)).Append(("drilled", [.. (input.Support?.Drilled ?? []).Select(d => new Slot(d, d))])))
        {
            if (slots.Where(s => PlateQuestion.OffPlate(mount, s)).Select(s => (Slot?)s).FirstOrDefault() is { } off)
            {
                yield return HangingFindings.RowOffPlate.At(
                    new($"rows/{name}/aside", layout.Position.Plate, layout.HookLine),
                    $"Measure the mount again: a hole of the {name} row reaches from {off.From} to {off.To} of the plate's middle, and the plate ends at {mount.PlateWidth.Half}. It is left out.");
            }
        }
    }

    private static IEnumerable<Finding> RowsOff(Hanging input, PlateLayout layout) => input.Mount.Rows.Where(r => !input.Mount.OnPlate(r)).Select(row =>
    {
        var under = row.AboveHook < Length.Zero;
        var off = under ? -row.AboveHook - input.Mount.HookUp : row.AboveHook - (input.Mount.PlateHeight - input.Mount.HookUp);
        return HangingFindings.RowOffPlate.At(
            new($"rows/{row.Id}", layout.Position.Plate, layout.HookLine + row.AboveHook),
            $"Measure the mount again: by the catalogue the {row.Id} row lies {off} {(under ? "under" : "over")} the plate, which is {input.Mount.PlateHeight} high with its hook line {input.Mount.HookUp} up. Its holes are left out.");
    });

    private static IEnumerable<Finding> Hooks(Hanging input, PlateLayout layout)
    {
        var (display, mount, choice) = (input.Display, input.Mount, input.Choice);
        // On an arm the display hooks on a head of its own, which goes where the display goes.
        if (!mount.Moves)
        {
            foreach (var arm in layout.Arms)
            {
                var over = Length.Max(layout.Plate.Left - arm.CentreX, arm.CentreX - layout.Plate.Right);
                if (over > PlateQuestion.AtTheEnd)
                {
                    yield return HangingFindings.CannotHook.At(
                        new("arms/hook", arm.CentreX, layout.HookLine),
                        $"Move the plate or the display: the arm at {arm.CentreX} hooks on {over} beyond the plate, which reaches from {layout.Plate.Left} to {layout.Plate.Right}.");
                }
            }
        }

        var (lowest, foot) = (display.UpperRowUp - display.VesaHeight, layout.BottomToHook + mount.Arms.TopAboveHook - mount.Arms.Length);
        if (lowest < foot)
        {
            yield return HangingFindings.CannotHook.At(
                new("arms/holes", layout.Arms[0].CentreX, layout.Arms[0].Bottom),
                $"Take longer arms or another arm hole: the display's lower holes are {foot - lowest} below the end of the {mount.Arms.Length} arms, with arm hole {layout.ArmHole}.");
        }

        if (new[] { choice.ArmHoleLeft, choice.ArmHoleRight }.Max() is { } hole && hole > mount.Arms.Holes)
        {
            yield return HangingFindings.CannotHook.At(
                new("arms/hole", layout.Arms[0].CentreX, layout.HookLine), $"Choose another arm hole: {hole} is chosen, and the arms have {mount.Arms.Holes}.", new Remedy("Leave the arm hole to the planner", "the best one is worked out", [choice.Here.Clear("armHoleLeft"), choice.Here.Clear("armHoleRight")]));
        }
    }

    private static IEnumerable<Finding> Heights(Hanging input, PlateLayout layout)
    {
        var (display, mount, choice, outer) = (input.Display, input.Mount, input.Choice, input.Outer);
        var hook = new Spot("hook-line", outer.CentreX, layout.HookLine);
        if (choice is { MeasuredBottomToHook: { } b, MeasuredTopToHook: { } t } && !HeightChain.Agrees(b, t, display.Height))
        {
            yield return HangingFindings.ChainDisagrees.At(
                hook,
                $"Hook to top {t} and hook to bottom {b} make {b + t}; the display is {display.Height} high: {(b + t - display.Height).Abs} {(b + t > display.Height ? "too much" : "short")}.");
        }

        var byCatalogue = PlateLayer.ByCatalogue(display, mount, layout.ArmHole);
        var off = layout.BottomToHook - byCatalogue;
        if ((choice.MeasuredBottomToHook ?? choice.MeasuredTopToHook) is not null && off.Abs > HeightChain.MostDifference(2))
        {
            yield return HangingFindings.ChainDisagrees.At(
                hook with { Part = "hook-line/catalogue" },
                $"{(choice.MeasuredBottomToHook is not null ? Phrase.Of($"Bottom to hook is measured as {layout.BottomToHook}") : Phrase.Of($"Top to hook is measured as {layout.TopToHook}, which leaves {layout.BottomToHook} from the bottom"))}; by the catalogue, with arm hole {layout.ArmHole}, it is {byCatalogue}: {off.Abs} {(off > Length.Zero ? "less" : "more")}. Another arm hole, or a wrong reading?");
        }

        if (choice is { ArmHoleLeft: { } left, ArmHoleRight: { } right } && left != right)
        {
            var crooked = mount.Arms.HookAbove(left) - mount.Arms.HookAbove(right);
            yield return HangingFindings.ArmHolesDiffer.At(
                new("arms", layout.Arms[0].CentreX, layout.HookLine),
                $"The left arm is at hole {left}, the right at hole {right}: the display hangs crooked by {crooked.Abs} over {display.VesaWidth}.",
                new Remedy($"Use hole {left} on both", $"both hooks {layout.BottomToHook} over the bottom edge", [choice.Here.Set("armHoleRight", left)]));
        }

        var above = layout.Arms[0].Top - outer.Top;
        var under = outer.Bottom - layout.Arms[0].Bottom;
        if (above > Length.Zero || under > Length.Zero)
        {
            yield return HangingFindings.ArmsShow.At(
                new("arms", layout.Arms[0].CentreX, above > Length.Zero ? outer.Top : outer.Bottom),
                $"With arm hole {layout.ArmHole} the arms show {Length.Max(above, under)} {(above > Length.Zero ? "above" : "below")} the display.");
        }
    }

    private static IEnumerable<Finding> Sideways(Hanging input, PlateLayout layout)
    {
        var (wall, mount, choice, outer, diameter) = (input.Wall, input.Mount, input.Choice, input.Outer, input.Bolt);
        if (!wall.Kind.Framed() || input.Support is { BoardOnly: true } || !mount.Walls.Contains(wall.Kind))
        {
            yield break;
        }

        var position = layout.Position;
        var spot = new Spot("plate", position.Plate, layout.Plate.Top);
        if (position.Slide.Abs > mount.Slide)
        {
            yield return HangingFindings.CentreOutOfSlide.At(
                spot,
                $"The plate is fixed at {position.Plate} and the display wanted at {outer.CentreX}: that is a slide of {position.Slide.Abs}, and the mount has {mount.Slide} each way.",
                new Remedy("Leave the plate to the planner", "the best position for the studs is worked out again", [choice.Here.Clear("plateCentre")]));
        }

        // Studs that would hold if they were confirmed are a matter of the survey, and said there: one cause, one stop.
        if (input.Support?.Backing is not null)
        {
            if (Carried(input, layout) is { } why)
            {
                yield return HangingFindings.OneStudOnly.At(spot, why);
            }

            yield break;
        }

        var held = position.StudsHeld(diameter);
        if (held >= mount.Studs || position.StudsMet(diameter) >= mount.Studs)
        {
            yield break;
        }

        // With toggles on the other side the plate no longer hangs on one stud: what they hold is said with the fixing.
        if (held > 0 && layout.Toggles.Count > 0)
        {
            yield break;
        }

        var nearest = PlateSearch.NearestThatHolds(input.Question);
        if (nearest is not null)
        {
            var centre = nearest.Plate + nearest.Slide - input.Display.VesaCentreRight;
            var by = centre - outer.CentreX;
            var free = choice.Here.Clear("plateCentre");
            Remedy remedy = by == Length.Zero
                ? new($"Put the plate at {nearest.Plate}", $"{nearest.Holding} bolts hold", [free])
                : new(
                    $"Move the display {by.Abs} to the {by.Side()}",
                    $"centre at {centre}, plate at {nearest.Plate}, {nearest.Holding} bolts hold",
                    choice.PlateCentre is null ? input.Placement.CentreAt(centre) : [.. input.Placement.CentreAt(centre), free]);
            if (choice.PlateCentre is null)
            {
                yield return HangingFindings.CentreOutOfSlide.At(
                    spot,
                    $"No plate position that catches {mount.Studs} studs lets the display reach {outer.CentreX}: the nearest has the plate at {nearest.Plate} and the display {by.Abs} to the {by.Side()}, at {centre}.",
                    remedy);
            }

            yield return HangingFindings.OneStudOnly.At(
                spot,
                $"With the plate at {position.Plate} bolts with their edge distance go into {held} {(held == 1 ? "stud" : "studs")}; it is made for {mount.Studs}.",
                remedy);
            yield break;
        }

        yield return HangingFindings.OneStudOnly.At(spot, WhyNot(input, layout, held));
    }

    // What a board or blocking lacks to carry the plate; null where it lacks nothing.
    private static Phrase? Carried(Hanging input, PlateLayout layout)
    {
        var what = input.Support!.Backing!.Value.Words();
        if (input.Support is { From: { } left, To: { } right } && left >= right)
        {
            return Phrase.Of($"Measure the {what} again: its left end at {left} is not left of its right end at {right}.");
        }

        if (layout.Backing is not { } backing)
        {
            return Phrase.Of($"Nothing carries the {what}: {input.Studs.Count} studs are recorded, and it reaches none.");
        }

        if (backing.Studs < 2)
        {
            return Phrase.Of($"The {what} from {backing.Outline.Left} to {backing.Outline.Right} reaches {backing.Studs} {(backing.Studs == 1 ? "stud" : "studs")}, and needs two.");
        }

        if (layout.Position.Bolts.GroupBy(b => b.Row.Id).FirstOrDefault(r => r.Count() < 2) is { } row)
        {
            return Phrase.Of($"In the {row.Key} row one hole comes over the {what}, clear of its ends by {SupportPlanner.FromEnd}; two are needed.");
        }

        var span = layout.Position.Bolts.Count == 0 ? Length.Zero : layout.Position.Bolts.Max(b => b.X) - layout.Position.Bolts.Min(b => b.X);
        return span >= layout.Position.LeastApart && span > Length.Zero ? null
            : Phrase.Of($"The plate's holes over the {what} are {span} apart, and have to be {layout.Position.LeastApart:least}.");
    }

    // A plug bends within an inch and a half (common practice).
    private static readonly Length Plug = Length.Tape(1, 1, 2);

    private static IEnumerable<Finding> Behind(Hanging input, PlateLayout layout)
    {
        var outer = input.Outer;
        foreach (var port in input.Display.Ports)
        {
            var area = new Rect(outer.Left + port.Left, outer.Bottom + port.Up, port.Width, port.Height);
            if (area.Left < outer.Left || area.Right > outer.Right || area.Bottom < outer.Bottom || area.Top > outer.Top)
            {
                yield return HangingFindings.PortCovered.At(
                    new($"ports/{port.Name}", outer.CentreX, outer.CentreY), $"Measure the {port.Name} on the display again: by the catalogue it reaches from {port.Left} to {port.Left + port.Width} across and {port.Up} to {port.Up + port.Height} up, and the display is {outer.Width} by {outer.Height}.");
                continue;
            }

            var spot = new Spot($"ports/{port.Name}", area.CentreX, area.CentreY);
            if (layout.Arms.FirstOrDefault(a => a.Overlaps(area)) is { Width.Units: > 0 } arm)
            {
                yield return HangingFindings.PortCovered.At(
                    spot, $"Take another arm hole, or move the arm: the arm at {arm.CentreX}, {arm.Bottom} to {arm.Top} up, lies over the {port.Name}, {area.Left} to {area.Right} across, {area.Bottom} to {area.Top} up.");
            }
            else if (layout.Plate.Overlaps(area) && input.Mount.DepthParked - input.Mount.PlateThickness < Plug)
            {
                yield return HangingFindings.PortCovered.At(
                    spot, $"Use a plug at a right angle, or another mount: between the plate and the {port.Name} are {input.Mount.DepthParked - input.Mount.PlateThickness}, and a plug takes {Plug}.");
            }
        }

        if (input.Choice.Arms is ArmsSeen.UpsideDown or ArmsSeen.Exchanged)
        {
            yield return HangingFindings.ArmsTurned.At(
                new("arms/turned", layout.Arms[0].CentreX, layout.Arms[0].Top),
                input.Choice.Arms == ArmsSeen.UpsideDown ? Phrase.Of($"Turn the arms over: their hooks belong up, {layout.TopToHook} under the display's top edge, and their locks at the foot.")
                    : Phrase.Of($"Exchange the arms: their knobs belong outwards, {input.Display.VesaWidth} apart."));
        }
    }

    private static IEnumerable<Finding> Spread(Hanging input, PlateLayout layout)
    {
        if (input.Mount.Spread is { } spread && input.Choice.MeasuredSpread is { } measured && (measured - spread).Abs > MostSpread)
        {
            yield return HangingFindings.BracketSpread.At(
                new("brackets", layout.Position.Plate, layout.HookLine),
                $"Set the brackets {measured} apart, or measure again: the display's back has {measured}, the plan {spread}, {(measured - spread).Abs} {(measured > spread ? "less" : "more")}. Half of it goes to each side of the centre.",
                new Remedy($"Set them {measured} apart", $"{measured.Half} to each side of the centre", [input.Choice.Here.Up.To("product").Set("spread", measured)]));
        }
    }

    // Names the two studs nearest to the plate, how far apart the plate can bolt, and the least shift of a stud that would do.
    private static Phrase WhyNot(Hanging input, PlateLayout layout, int held)
    {
        var (mount, diameter, plate) = (input.Mount, input.Bolt, layout.Position.Plate);
        Phrase why = $"Bolts with their edge distance go into {held} {(held == 1 ? "stud" : "studs")}; the plate is made for {mount.Studs}.";
        // Two members under one end of the plate are one: the second is the nearest that stands far enough from the first.
        var byNearness = input.Studs.OrderBy(s => (s.Centre - plate).Abs).ToList();
        var asTwo = input.Question.LeastApart;
        var near = byNearness.Take(1).Concat(byNearness.Skip(1).Where(s => (s.Centre - byNearness[0].Centre).Abs >= asTwo).Take(1)).OrderBy(s => s.Centre).ToList();
        if (near.Count < 2)
        {
            why.AppendFormatted($" No second stud is recorded that stands {asTwo} or more from {(near.Count == 0 ? Phrase.Of("another") : Phrase.Of($"the one at {near[0].Centre}"))}: {input.Studs.Count} {(input.Studs.Count == 1 ? "is" : "are")} recorded in all.");
            return why;
        }

        var (least, most) = PlateSearch.Reach(input.Question);
        var apart = near[1].Centre - near[0].Centre;
        var slack = Length.Max(Length.Zero, near[0].Tolerance(diameter)) + Length.Max(Length.Zero, near[1].Tolerance(diameter));
        var tooFar = apart - most - slack;
        var tooNear = least - slack - apart;
        why.AppendFormatted($" The studs at {near[0].Centre} and {near[1].Centre} stand {apart} apart; the plate bolts {least} to {most} apart, with {slack:fine} more for edge distance.");
        if (tooFar > Length.Zero)
        {
            why.AppendFormatted($" Nearest that works: a left stud at {near[0].Centre + tooFar} or a right one at {near[1].Centre - tooFar}, {tooFar} nearer, or a plate that bolts {apart} apart.");
        }
        else if (tooNear > Length.Zero)
        {
            why.AppendFormatted($" Nearest that works: studs {tooNear} farther apart, or a plate that bolts {apart} apart.");
        }

        return why;
    }

    private static IEnumerable<Finding> AfterHanging(Hanging input, PlateLayout layout)
    {
        var (wall, display, mount, outer) = (input.Wall, input.Display, input.Mount, input.Outer);
        if (mount.Slide > Length.Zero && layout.SlideLeft >= Length.Zero && layout.SlideRight >= Length.Zero &&
            Length.Min(layout.SlideLeft, layout.SlideRight) < input.Policy.LeastTravel)
        {
            yield return HangingFindings.NoAdjustmentLeft.At(
                new("plate", layout.Position.Plate, layout.Plate.Bottom),
                $"The display can still go {layout.SlideLeft} to the left and {layout.SlideRight} to the right.");
        }

        var ceiling = wall.Features.Where(f => f.Kind == FeatureKind.Beam && f.Overlaps(outer.Left, outer.Right))
            .Select(f => f.Bottom).Append(wall.Height).Min();
        if (ceiling - outer.Top is var clear && clear < mount.ClearAbove && clear >= Length.Zero)
        {
            yield return HangingFindings.NoRoomAbove.At(
                new("display", outer.CentreX, outer.Top),
                $"There is {clear} over the display; lifting it on needs {mount.ClearAbove:least}.");
        }

        if (mount.Moves && mount.SwungBeside.Abs > MostOffCentre)
        {
            yield return HangingFindings.ParkedOffCentre.At(
                new("motion/parked", outer.CentreX, outer.CentreY),
                $"Choose which of the two is to be centred, and show the client both: parked its centre is at {outer.CentreX}, swung out at {outer.CentreX + mount.SwungBeside}, {mount.SwungBeside.Abs} to the {mount.SwungBeside.Side()}.");
        }

        if (mount.RaiseBy == Length.Zero && mount.LowerBy == Length.Zero)
        {
            yield return HangingFindings.HeightFixed.At(
                new("hook-line", outer.CentreX, layout.HookLine),
                $"The hook line at {layout.HookLine} decides the height; the mount has {mount.RaiseBy} of adjustment.");
        }

        if (mount.Sort == MountKind.Flat && display.PortsUsed)
        {
            yield return HangingFindings.HardToReach.At(
                new("display", outer.CentreX, outer.CentreY),
                $"Only {mount.DepthParked} is behind the display, and its sockets will be used: plug in before it hangs.");
        }
    }
}
