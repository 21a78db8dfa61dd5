using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Hanging;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Core.Masonry;

/// <summary>Holes, joints, gaps and packing of a plate on a face.</summary>
internal static class FaceCheck
{
    // How far a plate is moved for the sake of joints at the most, up or down (own rule: half a course of block is less).
    private static readonly Length MostUp = Length.Tape(6);

    // What is read off a tape: a shift is told, and made, in steps of that, away from the joint.
    private static readonly Length Told = Length.Tape(0, 1, 32);

    private const long StepsOfAHole = 2_000;

    /// <summary>Works out what the face makes of a plate, and what is wrong with that.</summary>
    /// <param name="input">All that it follows from.</param>
    /// <param name="budget">What the work may cost.</param>
    /// <returns>The result, and findings with parts named from the mount on.</returns>
    public static (FaceResult Result, IReadOnlyList<Finding> Findings) Of(Facing input, WorkBudget budget)
    {
        var (wall, layout) = (input.Wall, input.Layout);
        var used = layout.Position.Used(input.Bolt, input.Mount.Studs);
        var bolts = used.Select(b => (b.X, Y: layout.HookLine + b.Row.AboveHook)).ToList();
        IReadOnlyList<int> numbers = [.. used.Select(b => b.Number)];
        var findings = new List<Finding>();
        var stone = wall.Depth() > Length.Zero && layout.Backing is not { Kind: BackingKind.Board };
        var edge = input.Face.Edge(input.Hole);
        var sound = stone ? SoundFace.Of(input.Face, edge) : null;
        budget.Spend(StepsOfAHole * bolts.Count * Math.Max(1, input.Face.Units.Items.Count));
        var joints = bolts.Select(b => sound is not null && !sound.Sound(b.X, b.Y)).ToList();
        JointShift? shift = null;
        if (joints.Contains(true))
        {
            findings.Add(NearJoint(input, sound!, edge, bolts, numbers, joints, out shift));
        }
        else if (stone && bolts.Count > 0 && sound is null && wall.Layers[0].IsMineral())
        {
            findings.Add(MasonryFindings.JointsUnknown.At(
                Plate(input, "joints"), $"Measure the courses, or trace the stones: {bolts.Count} holes are planned in the {wall.Layers.First(l => l.IsMineral()).Name}, and a joint may be where they go."));
        }

        var (resting, holes) = stone ? Lie(input, bolts, numbers, joints, findings) : (null, [.. bolts.Select((b, i) => new FaceHole(numbers[i], b.X, b.Y, null, null, false, false))]);
        if (stone && bolts.Count > 0 && !input.DustDone)
        {
            findings.Add(MasonryFindings.Silica.At(
                Plate(input, "dust"), $"Vacuum at the hole or wet drilling, and breathing protection: {bolts.Count} holes are drilled in {string.Join(" and ", wall.Layers.Where(l => l.IsMineral()).Select(l => l.Name))}. It is a step of its own, before the first hole."));
        }

        var blocking = layout.Backing is { Kind: BackingKind.Blocking } backing ? BlockingPiece.Cut(backing.Outline, backing.Thickness, input.Survey.For(input.Bolt).Studs) : [];
        findings.AddRange(Closed(input, bolts, blocking));
        return (new(holes, resting, edge, shift, blocking), findings);
    }

    /// <summary>Masonry that has been found to be no good.</summary>
    /// <param name="wall">The wall.</param>
    /// <param name="face">What is known of its units.</param>
    /// <returns>The findings, parts named from the wall on.</returns>
    public static IEnumerable<Finding> Sounds(Wall wall, MasonryFace face)
    {
        var cells = wall.Unit is BaseMaterial.HollowBlock or BaseMaterial.HollowBrick;
        var places = wall.TestHoles.Where(h => !h.Struck).Select(h => (Part: $"testHoles/{h.Id}", h.X, h.Y, h.Sound, h.By, What: "test hole"))
            .Concat(face.Knocks.Items.Select(k => (Part: $"knocks/{k.Id}", k.X, k.Y, k.Sound, k.By, What: "knock")));
        foreach (var (part, x, y, sound, by, what) in places)
        {
            if (sound is LayerSound.Crumbling or LayerSound.Sooty || (sound == LayerSound.Hollow && !cells))
            {
                var name = wall.Layers.FirstOrDefault(l => l.IsMineral())?.Name ?? "wall";
                yield return MasonryFindings.Crumbles.At(
                    new(part, x, y),
                    sound switch
                    {
                        LayerSound.Crumbling => Phrase.Of($"Hang nothing here before a mason has seen it: the {name} crumbled at {x} across, {y} up{By(by)}, by a {what}."),
                        LayerSound.Sooty => Phrase.Of($"Have the flue looked at: the {name} was sooty at {x} across, {y} up{By(by)}, by a {what}; smoke gets through there."),
                        _ => Phrase.Of($"Find out why it is hollow: a {what} at {x} across, {y} up{By(by)} sounded so, and the wall's units are not said to have cells."),
                    });
            }
        }
    }

    private static string By(string who) => who.Length > 0 ? $" ({who})" : string.Empty;

    private static Spot Plate(Facing input, string part) => new(part, input.Layout.Plate.Right, input.Layout.Plate.CentreY);

    private static Finding NearJoint(Facing input, SoundFace sound, Length edge, List<(Length X, Length Y)> bolts, IReadOnlyList<int> called, List<bool> joints, out JointShift? shift)
    {
        var (layout, made) = (input.Layout, input.Layout.Position.Bolts.Any(b => b.Made));
        var slide = Length.Max(Length.Zero, input.Mount.Slide);
        // The display stays where it is when its plate goes to the side: as far as it slides on it, and no farther than it would go up.
        var sideways = (Left: Length.Min(Length.Zero, layout.Position.Slide - slide), Right: Length.Max(Length.Zero, layout.Position.Slide + slide));
        // On studs the bolts stay where these are, wherever the plate goes.
        sideways = input.Wall.Kind.Framed() ? default : (Length.Max(sideways.Left, -MostUp), Length.Min(sideways.Right, MostUp));
        shift = made ? null : JointShift.Least(sound, bolts, sideways, MostUp);
        var numbers = called.Where((_, i) => joints[i]).ToList();
        var first = bolts[joints.IndexOf(true)];
        var spot = new Spot($"joints/{string.Join('+', numbers)}", first.X, first.Y);
        Phrase what = $"{(numbers.Count == 1 ? "Hole" : "Holes")} {string.Join(", ", numbers)} of {bolts.Count}, the first at {first.X} across, {first.Y} up, {(numbers.Count == 1 ? "is" : "are")} less than {edge:fine} from a joint";
        var remedies = new List<Remedy>();
        if (made)
        {
            return MasonryFindings.NearJoint.At(spot, $"Have somebody look at it: {what}, and a hole is in the wall already.");
        }

        // Other holes of the arms: the plate goes up or down, and the display stays.
        foreach (var hole in Enumerable.Range(1, input.Outer is null ? 0 : input.Mount.Arms.Holes).Where(h => h != layout.ArmHole).OrderBy(h => Math.Abs(h - layout.ArmHole)))
        {
            var up = input.Mount.Arms.HookAbove(hole) - input.Mount.Arms.HookAbove(layout.ArmHole);
            if (input.Hanging is { MeasuredBottomToHook: null, MeasuredTopToHook: null } && bolts.All(b => sound.Sound(b.X, b.Y + up)))
            {
                remedies.Add(new(
                    Phrase.Of($"Hang it by arm hole {hole}"), Phrase.Of($"the plate {up.Abs} {(up > Length.Zero ? "higher" : "lower")}, the display stays"),
                    [input.Hanging.Here.Set("armHoleLeft", hole), input.Hanging.Here.Set("armHoleRight", hole)]));
                break;
            }
        }

        if (shift is not { } least)
        {
            return MasonryFindings.NearJoint.At(
                spot,
                $"Take a board between plate and wall, or a plate with other holes: {what}, and no shift of {MostUp} up or down{(sideways.Right - sideways.Left > Length.Zero ? Phrase.Of($" or of {-sideways.Left} left and {sideways.Right} right") : string.Empty)} clears all of them. Joints hold clips and trim, and nothing that hangs.",
                remedies);
        }

        least = Tellable(sound, bolts, least);
        var moves = Says(least);
        if (input is { Outer: { } outer, Placing: { } placing })
        {
            var changes = new List<Change>();
            if (least.Up != Length.Zero)
            {
                changes.Add(placing.BottomAt(outer.Bottom + least.Up, outer.Height));
            }

            if (least.Right != Length.Zero)
            {
                changes.Add(input.Hanging.Here.Set("plateCentre", layout.Position.Plate + least.Right));
            }

            remedies.Insert(0, new(Phrase.Of($"Move {(least.Up == Length.Zero ? "the plate" : "it")} {moves}"), Phrase.Of($"all {bolts.Count} holes in sound units, {edge:fine} and more from every joint"), changes));
        }

        return MasonryFindings.NearJoint.At(spot, $"Move the plate {moves}: {what}. That is the least that clears all of them.", remedies);
    }

    // In whole 32nds, a little farther where the joint leaves room for it: less would be in the joint's reach again.
    private static JointShift Tellable(SoundFace sound, List<(Length X, Length Y)> bolts, JointShift least)
    {
        static Length Away(Length l) => Length.FromUnits((l < Length.Zero ? -1 : 1) * ((l.Abs.Units + Told.Units - 1) / Told.Units * Told.Units));
        var told = new JointShift(Away(least.Right), Away(least.Up));
        return bolts.All(b => sound.Sound(b.X + told.Right, b.Y + told.Up)) ? told : least;
    }

    private static Phrase Says(JointShift shift) => (shift.Up.Units, shift.Right.Units) switch
    {
        (not 0, 0) => Phrase.Of($"{shift.Up.Abs:fine} {(shift.Up > Length.Zero ? "up" : "down")}"),
        (0, not 0) => Phrase.Of($"{shift.Right.Abs:fine} to the {shift.Right.Side()}"),
        _ => Phrase.Of($"{shift.Right.Abs:fine} to the {shift.Right.Side()} and {shift.Up.Abs:fine} {(shift.Up > Length.Zero ? "up" : "down")}"),
    };

    private static (Resting? Resting, IReadOnlyList<FaceHole> Holes) Lie(Facing input, List<(Length X, Length Y)> bolts, IReadOnlyList<int> numbers, List<bool> joints, List<Finding> findings)
    {
        var (wall, layout, gaps) = (input.Wall, input.Layout, input.Gaps);
        var rough = input.Face.SaidUneven ?? (input.Face.Units.Items.Count > 0 || wall.Layers[0].IsRough());
        if (gaps is null || gaps.Points.Items.Count == 0)
        {
            if (rough && bolts.Count > 0)
            {
                findings.Add(MasonryFindings.GapNotPacked.At(
                    Plate(input, "gaps"), $"Hold the plate, or a board of its size, level against the {wall.Layers[0].Name} and measure the gap at each of its {bolts.Count} holes: nobody has, and the face is uneven."));
            }

            return (null, [.. bolts.Select((b, i) => new FaceHole(numbers[i], b.X, b.Y, null, null, false, joints[i]))]);
        }

        // What is beside the plate it cannot rest on; a tape is as good as that.
        var under = gaps.Points.Items.Where(p => layout.Plate.Grown(Gaps.Near).Holds(p.X, p.Y)).ToList();
        var resting = bolts.Count == 0 || under.Count < 3 ? null : Resting.Of(under, (Length.FromInches(bolts.Average(b => b.X.Inches)), Length.FromInches(bolts.Average(b => b.Y.Inches))));
        var at = bolts.Select(b => gaps.At(b.X, b.Y)).ToList();
        var known = at.Select((g, i) => (Gap: g, Index: i)).Where(g => g.Gap is not null).ToList();
        var stacks = new PackStack?[bolts.Count];
        var kit = input.Kit;
        var hasKit = kit.Soft is not null || kit.Pieces.Items.Count > 0;
        var found = Packing.Stacks([.. known.Select(k => k.Gap!.Value)], kit);
        for (var k = 0; k < known.Count; k++)
        {
            stacks[known[k].Index] = hasKit || found[k].Touches ? found[k] : null;
        }

        IReadOnlyList<FaceHole> holes = [.. bolts.Select((b, i) => new FaceHole(numbers[i], b.X, b.Y, at[i], stacks[i], resting?.Rocks(b.X, b.Y) == true, joints[i]))];
        foreach (var hole in holes)
        {
            if (gaps.Disputed(hole.X, hole.Y) is { } two)
            {
                findings.Add(MasonryFindings.GapNotPacked.At(new($"gaps/{hole.Number}/twice", hole.X, hole.Y), $"Measure the gap at hole {hole.Number} again and take the wrong one away: {two.Narrow:fine} and {two.Wide:fine} are on record there."));
            }
        }

        var unmeasured = holes.Where(h => h.Gap is null && gaps.Disputed(h.X, h.Y) is null).ToList();
        if (unmeasured.Count > 0)
        {
            findings.Add(MasonryFindings.GapNotPacked.At(
                new($"gaps/{string.Join('+', unmeasured.Select(h => h.Number))}", unmeasured[0].X, unmeasured[0].Y),
                $"Measure the gap at {(unmeasured.Count == 1 ? "hole" : "holes")} {string.Join(", ", unmeasured.Select(h => h.Number))}: the nearest that is on record is over {Gaps.Near} away from where {(unmeasured.Count == 1 ? "it" : "they")} will be."));
        }

        var open = holes.Where(h => h.Gap is { } gap && gap > Packing.Touching && h.Stack is null).ToList();
        if (open.Count > 0)
        {
            findings.Add(MasonryFindings.GapNotPacked.At(
                new($"packing/{string.Join('+', open.Select(h => h.Number))}", open[0].X, open[0].Y),
                $"Say what is at hand to pack with: there are gaps of up to {open.Max(h => h.Gap!.Value):fine} at {(open.Count == 1 ? "hole" : "holes")} {string.Join(", ", open.Select(h => h.Number))}."));
        }

        var shorts = holes.Where(h => h.Stack is { Fits: false }).ToList();
        if (shorts.Count > 0)
        {
            findings.Add(Short(input, kit, shorts, [.. known.Select(k => k.Gap!.Value)]));
        }

        var rocking = holes.Where(h => h.Rocks).ToList();
        if (rocking.Count > 0 && !holes.All(h => h.Stack is { Fits: true }))
        {
            findings.Add(MasonryFindings.Rocks.At(
                new($"rocks/{string.Join('+', rocking.Select(h => h.Number))}", rocking[0].X, rocking[0].Y),
                $"Pack the holes before any bolt is tightened: the plate rests on {resting!.Contacts.Count} points, and {(rocking.Count == 1 ? "bolt" : "bolts")} {string.Join(", ", rocking.Select(h => h.Number))} of {holes.Count} {(rocking.Count == 1 ? "is" : "are")} outside them."));
        }

        return (resting, holes);
    }

    private static Finding Short(Facing input, PackingKit kit, List<FaceHole> shorts, IReadOnlyList<Length> gaps)
    {
        var spot = new Spot($"stacks/{string.Join('+', shorts.Select(h => h.Number))}", shorts[0].X, shorts[0].Y);
        if (kit.Soft is not { } soft)
        {
            return MasonryFindings.PackingShort.At(spot, $"Bring a compression washer: stiff pieces alone never fill the {shorts[0].Gap!.Value:fine} at hole {shorts[0].Number} without play.");
        }

        if (soft.Least > soft.Most)
        {
            return MasonryFindings.PackingShort.At(spot, $"Correct the {soft.Name}: it bears from {soft.Most:fine} on and may be pressed to no less than {soft.Least:fine}, which is thicker; the gap at hole {shorts[0].Number} is {shorts[0].Gap!.Value:fine}.");
        }

        Phrase message = $"Bring other pieces: with the {soft.Name} pressed to {soft.Least:fine} to {soft.Most:fine}, ";
        for (var i = 0; i < shorts.Count; i++)
        {
            var (gap, off) = (shorts[i].Gap!.Value, shorts[i].Stack!.Off);
            message.AppendFormatted($"{(i == 0 ? string.Empty : "; ")}hole {shorts[i].Number} with {gap:fine} is {off.Abs:fine} {(off > Length.Zero ? "too narrow" : "too wide")} for the nearest stack");
            if (gap - soft.Most is var least && least > Length.Zero)
            {
                message.AppendFormatted($" and wants {least:fine} to {gap - soft.Least:fine} of stiff pieces");
            }
        }

        message.AppendLiteral(".");
        var remedies = input.Gaps is { } measured && Packing.Farther(gaps, kit) is { } more
            ? new[] { new Remedy(Phrase.Of($"Hold the plate {more:fine} farther out"), "every hole has its stack then", [measured.Here.Set("farther", measured.Farther + more)]) } : [];
        return MasonryFindings.PackingShort.At(spot, message, remedies);
    }

    private static IEnumerable<Finding> Closed(Facing input, List<(Length X, Length Y)> bolts, IReadOnlyList<BlockingPiece> blocking)
    {
        foreach (var opening in input.Wall.Features.Where(f => f.Kind == FeatureKind.ClosedOpening))
        {
            var over = bolts.Where(b => opening.Outline.Holds(b.X, b.Y)).ToList();
            if (over.Count > 0 && input.Closed is not { By.Length: > 0 })
            {
                yield return MasonryFindings.ClosedUnseen.At(
                    new($"closed/{opening.Id}", over[0].X, over[0].Y),
                    $"Open a hatch where it will not show, look in with a camera and put what is there on the wall: {over.Count} of {bolts.Count} holes go into the {opening.Name}, {opening.Left} to {opening.Right} across, and nobody knows how it is framed.");
            }

            if (input.Closed is { Hatch: { } hatch } closed && blocking.Count > 0)
            {
                if (!hatch.Overlaps(opening.Outline))
                {
                    yield return MasonryFindings.BlockingStuck.At(
                        new($"hatch/{opening.Id}", hatch.CentreX, hatch.CentreY),
                        $"Put the hatch where the {opening.Name} is, {opening.Left} to {opening.Right} across: at {hatch.Left} to {hatch.Right} across it opens on something else, and no blocking goes in there.");
                    continue;
                }

                var board = input.Wall.LayersThickness;
                var (wide, high) = (Length.Max(hatch.Width, hatch.Height), Length.Min(hatch.Width, hatch.Height));
                foreach (var piece in blocking.Where(p => p.Left >= opening.Left - Length.Tape(2) && p.Left < opening.Right).DistinctBy(p => (p.Length, p.Height, p.Thickness)))
                {
                    var along = closed.Void is { } deep ? piece.HatchFor(board, deep) : piece.Thickness;
                    // On its edge the one way, or flat the other: its height one way, its thickness and its way round the corner the other.
                    var passes = (hatch.Width >= piece.Height && hatch.Height >= along) || (hatch.Height >= piece.Height && hatch.Width >= along);
                    if (!passes)
                    {
                        yield return MasonryFindings.BlockingStuck.At(
                            new($"blocking/{opening.Id}/{piece.Left.Units}", hatch.CentreX, hatch.CentreY),
                            $"Cut the hatch {piece.Height} by {along} or larger, or block with narrower pieces: it is {wide} by {high}, and a piece of {piece.Length} by {piece.Height}, {piece.Thickness} thick, {(closed.Void is { } d ? Phrase.Of($"has to be turned in behind {board} of board in {d} of void") : Phrase.Of($"does not go through"))}.");
                    }
                }
            }
        }
    }
}
