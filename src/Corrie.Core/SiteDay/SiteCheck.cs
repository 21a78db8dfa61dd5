using Corrie.Core.Findings;
using Corrie.Core.Fixing;
using Corrie.Core.Format;
using Corrie.Core.Hanging;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Core.SiteDay;

/// <summary>What is wrong with what has been made on site.</summary>
internal static class SiteCheck
{
    // Common practice: centre marks within 1/8 in; a display is seen as crooked from about 1/8 in over its width.
    // Figures on a tape are rounded to a sixteenth, half of one each way is not off.
    private static readonly Length Centred = Length.Tape(0, 5, 32) - Length.FromUnits(1);
    private static readonly Length Crooked = Length.Tape(0, 1, 8);

    private const int ProofSeconds = 60;

    /// <summary>Everything that is wrong.</summary>
    /// <param name="input">All that it follows from.</param>
    /// <param name="result">What has been made.</param>
    /// <returns>The findings, parts named from the mount on.</returns>
    public static IEnumerable<Finding> Check(OnSite input, SiteResult result)
    {
        if (input.Built is not { } built)
        {
            return [];
        }

        return [.. Holes(input, built, result), .. HoldPoints(input, built, result), .. Checks(result), .. Level(input, built), .. Centre(input, built)];
    }

    private static Spot At(MadeHole hole) => new("built/" + hole.Id, hole.Across, hole.Up);

    private static IEnumerable<Finding> Holes(OnSite input, Built built, SiteResult result)
    {
        foreach (var hole in built.Holes.Where(h => h.Holds))
        {
            if (!input.Layout.Position.Bolts.Any(b => b.Made && b.Row.Id == hole.Row && b.X == hole.Across))
            {
                yield return SiteFindings.HoleUnused.At(
                    At(hole), $"Measure it again, or take the bolt out: with the plate at {input.Layout.Position.Plate} no hole of its {hole.Row} row comes over the one at {hole.Across} across, {hole.Up} up.",
                    new Remedy("It is spent: plan round it", "kept clear of by 3 diameters", [built.Here.To("holes").To(hole.Id).Set("state", HoleState.Missed.Word())]));
            }
        }

        foreach (var hole in built.Holes.Where(h => h.State is HoleState.Spins or HoleState.Snapped))
        {
            // What the rest of the plan makes good is no stop any more: the lost bolt is.
            var enough = input.Fixing.Bolts.Count > 0 && input.Fixing.Bolts.All(b => b.Utilisation is null or <= 1) && input.Fixing.Bolts.Count(b => b.Row == hole.Row) >= 2;
            if (!enough)
            {
                yield return FixingFindings.Spin.At(
                    At(hole), $"Stop and find out why: the bolt at {hole.Across} across, {hole.Up} up {(hole.State == HoleState.Spins ? "turns freely" : "snapped")}, and the {hole.Row} row has {input.Fixing.Bolts.Count(b => b.Row == hole.Row)} sound {(input.Fixing.Bolts.Count(b => b.Row == hole.Row) == 1 ? "place" : "places")} left.");
            }
        }
    }

    private static IEnumerable<Finding> HoldPoints(OnSite input, Built built, SiteResult result)
    {
        var holds = built.Holes.Where(h => h.Holds).ToList();
        foreach (var bolt in input.Layout.Position.Bolts.Where(b => b.Made && b.Stud.State != StudState.Confirmed))
        {
            yield return SiteFindings.HoldPoint.At(
                new($"built/{bolt.Row.Id}/{bolt.Stud.Id}", bolt.X, input.Layout.HookLine + bolt.Row.AboveHook),
                $"Confirm the stud at {bolt.Stud.Centre} on both sides: a bolt is in it at {bolt.X}, and it is {bolt.Stud.State.Words()} only.");
        }

        if (holds.Count > 1 && built.RightHigher is null)
        {
            yield return SiteFindings.HoldPoint.At(
                new("built/level", input.Layout.Plate.CentreX, input.Layout.Plate.Top), $"Hold the level to the plate and enter what it shows: {holds.Count} bolts are set, and nobody has since the first.");
        }

        if (holds.Count > 0 && input.Layout.Toggles.Count > 0 && built.Done.All(d => d.Id != "toggles"))
        {
            yield return FixingFindings.ToggleOrder.At(
                new("built/toggles", input.Layout.Toggles[0].X, input.Layout.Toggles[0].Y), $"Take the plate off again and set the {input.Layout.Toggles.Count} toggles first, or say that they are set: {holds.Count} {(holds.Count == 1 ? "bolt is" : "bolts are")} in already.");
        }

        if (built.Proof is { } pulled && pulled.Pull.Kilograms > input.Mount.Rated.Kilograms * 1.005)
        {
            yield return SiteFindings.ProofMissing.At(
                new("built/proof", input.Layout.Plate.CentreX, input.Layout.Plate.Bottom), $"Look the mount and its bolts over, and pull again with {result.Proof}: {pulled.Pull} were pulled at a mount that is rated for {input.Mount.Rated}.");
        }

        if (built.Hung is null)
        {
            yield break;
        }

        var spot = new Spot("built/hung", input.Outer.CentreX, input.Outer.CentreY);
        if (result.Made < result.Planned)
        {
            yield return SiteFindings.HoldPoint.At(spot, $"Take it down, and put in the other {result.Planned - result.Made} of {result.Planned} bolts: the display hangs.");
        }

        if (built.Proof is { } over && over.Pull.Kilograms > input.Mount.Rated.Kilograms * 1.005)
        {
            yield break;
        }

        if (built.Proof is not { } proof)
        {
            yield return SiteFindings.ProofMissing.At(spot with { Part = "built/proof" }, $"Take it down and pull down at the plate with {result.Proof:least} for {ProofSeconds} s, with a hand scale or a known weight, never with a body and never from the arm: nobody has, and {input.Layout.Load} hang.");
        }
        else if (!proof.Held || proof.Pull.Kilograms < result.Proof.Kilograms * 0.995 || proof.Seconds < ProofSeconds)
        {
            yield return SiteFindings.ProofMissing.At(spot with { Part = "built/proof" }, proof.Held
                ? Phrase.Of($"Pull again: {proof.Pull} for {proof.Seconds} s were recorded, and {result.Proof:least} for {ProofSeconds} s are needed, a quarter more than the {input.Layout.Load} that hang.")
                : Phrase.Of($"Take it down: under {proof.Pull} the plate moved, and {input.Layout.Load} hang."));
        }
    }

    private static IEnumerable<Finding> Checks(SiteResult result)
    {
        if (result.Verdict is not { Sound: false } verdict)
        {
            yield break;
        }

        var suspects = verdict.Suspicions[0];
        Phrase blame = suspects.Exchanged
            ? Phrase.Of($"marks {result.Marks[suspects.Marks[0]].Id} and {result.Marks[suspects.Marks[1]].Id} look exchanged")
            : Phrase.Of($"mark {result.Marks[suspects.Marks[0]].Id} is the likeliest to be off");
        var (mark, off) = (result.Marks[suspects.Marks[0]], new List<Phrase>());
        foreach (var (check, reads) in result.Taken)
        {
            if ((reads - check.Expected).Abs >= Length.Tape(0, 1, 16))
            {
                off.Add(Phrase.Of($"{result.Marks[check.From].Id} to {result.Marks[check.To].Id}{(check.Kind == CheckKind.Level ? " by the level" : check.Kind == CheckKind.Plumb ? " by the plumb line" : string.Empty)} reads {reads:fine}, by the plan {check.Expected:fine}"));
            }
        }

        yield return SiteFindings.CheckFails.At(
            new("built/checks", mark.X, mark.Y), $"Measure again before the next hole: {blame}. It belongs at {mark.X} across, {mark.Y} up.") with
        { Parts = off };
    }

    private static IEnumerable<Finding> Level(OnSite input, Built built)
    {
        foreach (var row in built.Holes.Where(h => h.Holds).GroupBy(h => h.Row))
        {
            var (left, right) = (row.MinBy(h => h.Across)!, row.MaxBy(h => h.Across)!);
            if (left != right && Slope(left.Up, right.Up, right.Across - left.Across, input.Outer.Width) is { } crooked && crooked.Abs > Crooked)
            {
                yield return SiteFindings.Level.At(
                    new($"built/{row.Key}/level", right.Across, right.Up),
                    $"Level the plate before the next bolt: its {row.Key} row is {(right.Up - left.Up).Abs:fine} higher on the {(right.Up > left.Up ? "right" : "left")} over {right.Across - left.Across}, which is {crooked.Abs:fine} over the display's {input.Outer.Width}.");
            }
        }

        if (built.RightHigher is { } plate && Slope(Length.Zero, plate, input.Layout.Plate.Width, input.Outer.Width) is { } over && over.Abs > Crooked)
        {
            yield return SiteFindings.Level.At(
                new("built/level", input.Layout.Plate.Right, input.Layout.Plate.Top),
                $"Level the plate before the next bolt: its right end is {plate.Abs:fine} {(plate > Length.Zero ? "higher" : "lower")} over {input.Layout.Plate.Width}, which is {over.Abs:fine} over the display's {input.Outer.Width}.");
        }

        if (built.Hung?.RightHigher is { } hung && hung.Abs > Crooked)
        {
            yield return SiteFindings.Level.At(new("built/hung/level", input.Outer.Right, input.Outer.Top), $"Level the display: its right end is {hung.Abs:fine} {(hung > Length.Zero ? "higher" : "lower")} than its left.");
        }
    }

    private static IEnumerable<Finding> Centre(OnSite input, Built built)
    {
        var (rise, mount) = (input.Layout.Rise, input.Mount);
        if (built.Hung is null && rise.Abs > Centred)
        {
            var back = rise > Length.Zero ? mount.LowerBy : mount.RaiseBy;
            yield return SiteFindings.Centre.At(
                new("built/centre", input.Outer.CentreX, input.Outer.CentreY),
                $"By the bolts that are set its centre comes to {input.Outer.CentreY}, {rise.Abs:fine} {(rise > Length.Zero ? "higher" : "lower")} than the {input.Wanted.CentreY} that was agreed. {(back >= rise.Abs ? Phrase.Of($"The mount brings it back by up to {back} once it hangs.") : Phrase.Of($"The mount brings it back by {back} at most: ask the client, or make the hole again."))}");
        }

        if (built.Hung is { CentreUp: { } up } && (up - input.Wanted.CentreY).Abs > Centred)
        {
            yield return SiteFindings.Centre.At(new("built/hung/up", input.Wanted.CentreX, up), $"Bring it {(up - input.Wanted.CentreY).Abs:fine} {(up > input.Wanted.CentreY ? "down" : "up")}: its centre was measured at {up}, agreed is {input.Wanted.CentreY}.");
        }

        if (built.Hung is { CentreAcross: { } across } && (across - input.Wanted.CentreX).Abs > Centred)
        {
            yield return SiteFindings.Centre.At(new("built/hung/across", across, input.Wanted.CentreY), $"Slide it {(across - input.Wanted.CentreX).Abs:fine} to the {(input.Wanted.CentreX - across).Side()}: its centre was measured at {across}, agreed is {input.Wanted.CentreX}.");
        }
    }

    private static Length? Slope(Length from, Length to, Length over, Length width) => over <= Length.Zero ? null : (to - from) * (width.Inches / over.Inches);
}
