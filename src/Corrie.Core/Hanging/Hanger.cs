using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Survey;

namespace Corrie.Core.Hanging;

/// <summary>Where the plate goes and how the display hangs on it.</summary>
/// <param name="ArmHole">Arm hole to use on both sides, counted from 1 at the top.</param>
/// <param name="BottomToHook">Display's bottom edge up to the hook.</param>
/// <param name="TopToHook">Display's top edge down to the hook.</param>
/// <param name="Chains">The heights carried from bottom, centre and top, in that order.</param>
/// <param name="HookLine">The hook line over the floor, from the reference edge.</param>
/// <param name="Position">Where the plate goes and which bolts it takes.</param>
/// <param name="Plate">The plate's outline.</param>
/// <param name="Arms">Outlines of the left and right arm behind the display.</param>
/// <param name="Template">The paper template's outline, where the mount has one.</param>
/// <param name="SlideLeft">How far the display can still go to the left once it hangs.</param>
/// <param name="SlideRight">How far to the right.</param>
public sealed record Hung(
    int ArmHole,
    Length BottomToHook,
    Length TopToHook,
    IReadOnlyList<HeightChain> Chains,
    Length HookLine,
    PlatePosition Position,
    Box Plate,
    IReadOnlyList<Box> Arms,
    Box? Template,
    Length SlideLeft,
    Length SlideRight);

/// <summary>Works out the chain of heights, the plate's place and what is wrong with them.</summary>
public static class Hanger
{
    private static readonly Length ArmWidth = Length.Tape(1);
    private static readonly Length LeastTravel = Length.Tape(0, 1, 2);

    /// <summary>Hangs a placed display.</summary>
    /// <param name="wall">The wall.</param>
    /// <param name="placed">Where the display is.</param>
    /// <param name="display">The display.</param>
    /// <param name="mount">The mount.</param>
    /// <param name="choice">What was chosen and measured.</param>
    /// <param name="boltDiameter">Shank diameter of the bolts.</param>
    public static Hung Hang(Wall wall, Placed placed, Display display, Mount mount, HangingChoice choice, Length boltDiameter)
    {
        var hole = choice.ArmHoleLeft ?? choice.ArmHoleRight ?? BestArmHole(display, mount.Arms);
        var byCatalogue = display.UpperRowUp + mount.Arms.HookAbove(hole);
        // A reading off the real display, arms on, counts more than the catalogue's sum.
        var bottomToHook = choice.MeasuredBottomToHook ?? (choice.MeasuredTopToHook is { } t ? display.Height - t : byCatalogue);
        var topToHook = choice.MeasuredTopToHook ?? (display.Height - bottomToHook);
        var chains = new[] { Edge.Bottom, Edge.Centre, Edge.Top }
            .Select(e => HeightChain.Carry(e, placed.Outer, bottomToHook, topToHook)).ToList();
        var hookLine = chains.Single(c => c.From == choice.Reference).Result;

        var arms = ArmsAt(placed, display);
        var position = choice.PlateCentre is { } fixedAt
            ? PlateSearch.At(fixedAt, mount, wall.Studs, arms, boltDiameter, wall.Kind)
            : PlateSearch.Best(mount, wall.Studs, arms, boltDiameter, wall.Kind);
        var plate = new Box(position.Plate - mount.PlateWidth.Half, hookLine - mount.HookUp, mount.PlateWidth, mount.PlateHeight);
        var armBottom = hookLine + mount.Arms.TopAboveHook - mount.Arms.Length;
        return new(
            hole,
            bottomToHook,
            topToHook,
            chains,
            hookLine,
            position,
            plate,
            [.. new[] { -display.VesaWidth.Half, display.VesaWidth.Half }
                .Select(x => new Box(arms + x - ArmWidth.Half, armBottom, ArmWidth, mount.Arms.Length))],
            mount.TemplateHeight > Length.Zero
                ? new Box(plate.Left, hookLine - mount.TemplateHeight.Half, mount.PlateWidth, mount.TemplateHeight)
                : null,
            mount.Slide + position.Slide,
            mount.Slide - position.Slide);
    }

    /// <summary>Everything that is wrong with the hanging.</summary>
    public static IEnumerable<Finding> Check(
        Wall wall, PlacementChoice placement, Placed placed, Display display, Mount mount, HangingChoice choice, Hung hung, Length boltDiameter) =>
    [
        .. Fit(wall, display, mount),
        .. Heights(placed, display, mount, choice, hung),
        .. Sideways(wall, placement, placed, display, mount, choice, hung, boltDiameter),
        .. AfterHanging(wall, placed, display, mount, hung),
    ];

    private static Length ArmsAt(Placed placed, Display display) => placed.Outer.CentreX + display.VesaCentreRight;

    // The hole that keeps the arm inside the outline with the most to spare at its nearer end; the display's lower row must still meet the arm.
    private static int BestArmHole(Display display, Arms arms) =>
        Enumerable.Range(1, arms.Holes).MaxBy(hole =>
        {
            var hook = display.UpperRowUp + arms.HookAbove(hole);
            var top = hook + arms.TopAboveHook;
            var bottom = top - arms.Length;
            var meetsLowerRow = display.UpperRowUp - display.VesaHeight >= bottom;
            return (meetsLowerRow, Length.Min(display.Height - top, bottom).Units);
        });

    private static IEnumerable<Finding> Fit(Wall wall, Display display, Mount mount)
    {
        var part = new Spot("mount");
        var weight = display.Mass;
        if (weight.Kilograms > mount.Rated.Kilograms)
        {
            yield return HangingFindings.Overloaded.At(part, $"The display weighs {weight}; the mount is rated for {mount.Rated}.");
        }
        else if (weight.Kilograms * 1.2 > mount.Rated.Kilograms)
        {
            yield return HangingFindings.Overloaded.MildAt(
                part, $"The display weighs {weight}; with the 20 % margin the mount should be rated for {new Mass(weight.Kilograms * 1.2)}, and is for {mount.Rated}.");
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
            yield return HangingFindings.WrongWall.At(part, $"The mount, rated for {mount.Rated}, is not made for {NameOf(wall.Kind)}; it is for {string.Join(" and ", mount.Walls.Select(NameOf))}.");
        }
        else if (mount.Studs > 1 && wall.Kind != WallKind.Masonry && wall.Spacing > Length.Zero)
        {
            var (_, most) = PlateSearch.Reach(mount, wall.Kind);
            if (most < wall.Spacing)
            {
                yield return HangingFindings.WrongWall.At(
                    part, $"Its outermost holes are {most} apart, and the members stand at {wall.Spacing}.");
            }
        }
    }

    private static IEnumerable<Finding> Heights(Placed placed, Display display, Mount mount, HangingChoice choice, Hung hung)
    {
        var hook = new Spot("hook-line", placed.Outer.CentreX, hung.HookLine);
        if (choice is { MeasuredBottomToHook: { } b, MeasuredTopToHook: { } t } && !HeightChain.Agrees(b, t, display.Height))
        {
            yield return HangingFindings.ChainDisagrees.At(
                hook,
                $"Hook to top {t} and hook to bottom {b} make {b + t}; the display is {display.Height} high: {(b + t - display.Height).Abs} {(b + t > display.Height ? "too much" : "short")}.");
        }

        var byCatalogue = display.UpperRowUp + mount.Arms.HookAbove(hung.ArmHole);
        var off = hung.BottomToHook - byCatalogue;
        if (choice.MeasuredBottomToHook is not null && off.Abs > HeightChain.MostDifference(2))
        {
            yield return HangingFindings.ChainDisagrees.At(
                hook with { Part = "hook-line/catalogue" },
                $"Bottom to hook is measured as {hung.BottomToHook}; by the catalogue, with arm hole {hung.ArmHole}, it is {byCatalogue}: {off.Abs} {(off > Length.Zero ? "less" : "more")}. Another arm hole, or a wrong reading?");
        }

        if (choice is { ArmHoleLeft: { } left, ArmHoleRight: { } right } && left != right)
        {
            var crooked = mount.Arms.HookAbove(left) - mount.Arms.HookAbove(right);
            yield return HangingFindings.ArmHolesDiffer.At(
                new("arms", hung.Arms[0].CentreX, hung.HookLine),
                $"The left arm is at hole {left}, the right at hole {right}: the display hangs crooked by {crooked.Abs} over {display.VesaWidth}.",
                new Fix($"Use hole {left} on both", $"both hooks {hung.BottomToHook} over the bottom edge", [new("/hanging/armHoleRight", left)]));
        }

        var above = hung.Arms[0].Top - placed.Outer.Top;
        var under = placed.Outer.Bottom - hung.Arms[0].Bottom;
        if (above > Length.Zero || under > Length.Zero)
        {
            yield return HangingFindings.ArmsShow.At(
                new("arms", hung.Arms[0].CentreX, above > Length.Zero ? placed.Outer.Top : placed.Outer.Bottom),
                $"With arm hole {hung.ArmHole} the arms show {Length.Max(above, under)} {(above > Length.Zero ? "above" : "below")} the display.");
        }
    }

    private static IEnumerable<Finding> Sideways(
        Wall wall, PlacementChoice placement, Placed placed, Display display, Mount mount, HangingChoice choice, Hung hung, Length diameter)
    {
        if (wall.Kind == WallKind.Masonry || !mount.Walls.Contains(wall.Kind))
        {
            yield break;
        }

        var position = hung.Position;
        var spot = new Spot("plate", position.Plate, hung.Plate.Top);
        var offset = display.VesaCentreRight;
        if (position.Slide.Abs > mount.Slide)
        {
            yield return HangingFindings.CentreOutOfSlide.At(
                spot,
                $"The plate is fixed at {position.Plate} and the display wanted at {placed.Outer.CentreX}: that is a slide of {position.Slide.Abs}, and the mount has {mount.Slide} each way.",
                new Fix("Leave the plate to the planner", "the best position for the studs is worked out again", [new("/hanging/plateCentre", null)]));
        }

        var held = position.StudsHeld(diameter);
        if (held >= mount.Studs)
        {
            yield break;
        }

        var nearest = PlateSearch.NearestThatHolds(mount, wall.Studs, ArmsAt(placed, display), diameter, wall.Kind, wall.Width);
        if (nearest is not null)
        {
            var centre = nearest.Plate + nearest.Slide - offset;
            var by = centre - placed.Outer.CentreX;
            Fix fix = by == Length.Zero
                ? new($"Put the plate at {nearest.Plate}", $"{nearest.Holding} bolts hold", [new("/hanging/plateCentre", null)])
                : new(
                    $"Move the display {by.Abs} to the {Side(by)}",
                    $"centre at {centre}, plate at {nearest.Plate}, {nearest.Holding} bolts hold",
                    choice.PlateCentre is null ? Placer.AcrossChanges(centre) : [.. Placer.AcrossChanges(centre), new("/hanging/plateCentre", null)]);
            if (choice.PlateCentre is null)
            {
                yield return HangingFindings.CentreOutOfSlide.At(
                    spot,
                    $"No plate position that catches {mount.Studs} studs lets the display reach {placed.Outer.CentreX}: the nearest has the plate at {nearest.Plate} and the display {by.Abs} to the {Side(by)}, at {centre}.",
                    fix);
            }

            yield return HangingFindings.OneStudOnly.At(
                spot,
                $"With the plate at {position.Plate} bolts with their edge distance go into {held} {(held == 1 ? "stud" : "studs")}; it is made for {mount.Studs}.",
                fix);
            yield break;
        }

        yield return HangingFindings.OneStudOnly.At(spot, WhyNot(wall, mount, hung, diameter, held));
    }

    // Names the two studs nearest to the plate, how far apart the plate can bolt, and the least shift of a stud that would do.
    private static Phrase WhyNot(Wall wall, Mount mount, Hung hung, Length diameter, int held)
    {
        var plate = hung.Position.Plate;
        Phrase why = $"Bolts with their edge distance go into {held} {(held == 1 ? "stud" : "studs")}; the plate is made for {mount.Studs}.";
        var near = wall.Studs.OrderBy(s => (s.Centre - plate).Abs).Take(2).OrderBy(s => s.Centre).ToList();
        if (near.Count < 2)
        {
            why.AppendFormatted($" {near.Count} of the wall's studs are recorded.");
            return why;
        }

        var (least, most) = PlateSearch.Reach(mount, wall.Kind);
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

    private static IEnumerable<Finding> AfterHanging(Wall wall, Placed placed, Display display, Mount mount, Hung hung)
    {
        if (mount.Slide > Length.Zero && hung.SlideLeft >= Length.Zero && hung.SlideRight >= Length.Zero &&
            Length.Min(hung.SlideLeft, hung.SlideRight) < LeastTravel)
        {
            yield return HangingFindings.NoAdjustmentLeft.At(
                new("plate", hung.Position.Plate, hung.Plate.Bottom),
                $"The display can still go {hung.SlideLeft} to the left and {hung.SlideRight} to the right.");
        }

        var ceiling = wall.Features.Where(f => f.Kind == FeatureKind.Beam && f.Overlaps(placed.Outer.Left, placed.Outer.Right))
            .Select(f => f.Bottom).Append(wall.Height).Min();
        if (ceiling - placed.Outer.Top is var clear && clear < mount.ClearAbove && clear >= Length.Zero)
        {
            yield return HangingFindings.NoRoomAbove.At(
                new("display", placed.Outer.CentreX, placed.Outer.Top),
                $"There is {clear} over the display; lifting it on needs {mount.ClearAbove}.");
        }

        if (mount.RaiseBy == Length.Zero && mount.LowerBy == Length.Zero)
        {
            yield return HangingFindings.HeightFixed.At(
                new("hook-line", placed.Outer.CentreX, hung.HookLine),
                $"The hook line at {hung.HookLine} decides the height; the mount has {mount.RaiseBy} of adjustment.");
        }

        if (mount.Kind == MountKind.Flat && display.PortsUsed)
        {
            yield return HangingFindings.HardToReach.At(
                new("display", placed.Outer.CentreX, placed.Outer.CentreY),
                $"Only {mount.DepthParked} is behind the display, and its sockets will be used: plug in before it hangs.");
        }
    }

    /// <summary>Left or right, for a distance counted to the right.</summary>
    public static string Side(Length toTheRight) => toTheRight < Length.Zero ? "left" : "right";

    private static string NameOf(WallKind kind) => kind switch
    {
        WallKind.WoodStuds => "wood studs",
        WallKind.SteelStuds => "steel studs",
        _ => "masonry",
    };
}
