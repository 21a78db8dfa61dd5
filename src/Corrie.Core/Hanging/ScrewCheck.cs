using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Core.Planning;

namespace Corrie.Core.Hanging;

/// <summary>What goes into a display's back, and how it sits.</summary>
/// <param name="Seat">What the screws pass; null as long as the arm's thickness is not entered.</param>
/// <param name="Pairs">The upper and the lower pair, as far as they are known.</param>
/// <param name="Lacks">What is not entered and would be needed; empty for nothing.</param>
public sealed record ScrewResult(ScrewSeat? Seat, IReadOnlyList<PairResult> Pairs, IReadOnlyList<string> Lacks)
{
    /// <summary>How far spacers at the upper pair that are longer than those at the lower one lean the display forward: <c>atan(difference / distance of the rows)</c>.</summary>
    public Angle Lean => Seat is { } seat && Pairs.FirstOrDefault(p => p.Holes.Name == "upper") is { Screw: not null } upper && Pairs.FirstOrDefault(p => p.Holes.Name == "lower") is { Screw: not null } lower && upper.Spacer != lower.Spacer
        ? Angle.OfSlope(upper.Spacer - lower.Spacer, Rows) : default;

    /// <summary>From the upper row of holes to the lower one.</summary>
    public Length Rows { get; init; }

    /// <summary>The pairs, those that take the same together.</summary>
    public IEnumerable<ScrewHoles> Holes => Pairs.GroupBy(p => (p.Holes.Thread, p.Holes.Depth, p.Screw, p.Washer, p.Spacer, p.Kit))
        .Select(alike => new ScrewHoles(string.Join(" and ", alike.Select(p => p.Holes.Name)), 2 * alike.Count(), alike.First()));
}

/// <summary>Holes that take the same.</summary>
/// <param name="Names">Which: <c>upper</c>, <c>lower</c>, or <c>upper and lower</c>.</param>
/// <param name="Count">How many holes.</param>
/// <param name="Each">What goes into each.</param>
public sealed record ScrewHoles(string Names, int Count, PairResult Each)
{
    /// <summary>What goes into them, such as <c>4 screws M8 x 20 (bag C), washers (bag L)</c>.</summary>
    public string What => Each.Screw is not { } screw ? "nothing in the kit fits"
        : $"{Count} screws {KitPiece.Size(Each.Holes.Thread, screw)}{From(Each.Kit?.Screw)}{(Each.Washer > Length.Zero ? ", washers" + From(Each.Kit?.Washer) : string.Empty)}{(Each.Spacer > Length.Zero ? ", spacers" + From(Each.Kit?.Spacer) : string.Empty)}{(Each.Kit is null ? ", taken by hand" : string.Empty)}";

    /// <summary>All of it in a sentence.</summary>
    public Phrase Says => Each.Screw is null ? Phrase.Of($"{Names} holes: {What}") : Phrase.Of($"{Names} holes: {What}; {Each.Engagement:fine} of each in a thread {Each.Holes.Depth:fine} deep");

    private static string From(KitPiece? piece) => piece is { Bag: { Length: > 0 } bag } ? $" (bag {bag})" : string.Empty;
}

/// <summary>What goes into a pair of holes.</summary>
/// <param name="Holes">The holes.</param>
/// <param name="Screw">Length of the screw; null where nothing fits.</param>
/// <param name="Washer">Thickness of the washer; zero for none.</param>
/// <param name="Spacer">Length of the spacer; zero for none.</param>
/// <param name="Engagement">How much of the screw is in the thread.</param>
/// <param name="Kit">The pieces of the kit; null where they were taken by hand, or nothing fits.</param>
public sealed record PairResult(HolePair Holes, Length? Screw, Length Washer, Length Spacer, Length Engagement, ScrewSet? Kit);

/// <summary>The screws into a display's back: which the planner takes from the kit, and whether those are right that somebody has taken.</summary>
internal static class ScrewCheck
{
    private static readonly Spot Part = new("screws");

    /// <summary>Chooses and checks.</summary>
    /// <param name="work">Where findings go.</param>
    /// <param name="input">Display, mount and what was taken.</param>
    /// <returns>What goes into the holes.</returns>
    public static ScrewResult Check(Worksheet work, Screwing input)
    {
        var (display, mount, taken) = (input.Display, input.Mount, input.Taken);
        var lacks = new List<string>();
        if (input.Others > 0)
        {
            lacks.Add($"screws for {(input.Others == 1 ? "the other display" : $"the other {input.Others} displays")} on this mount, which are only named for the first");
        }

        foreach (var hand in new[] { taken?.Upper, taken?.Lower }.OfType<PairTaken>().Where(h => h.Screw is null && (h.Washer > Length.Zero || h.Spacer > Length.Zero)))
        {
            lacks.Add($"length of the screw in the {hand.Prefix} holes, of which the washer or the spacer was taken by hand");
        }

        var upper = PairOf("upper", display.Thread, display.ThreadDepth, lacks);
        var lower = PairOf("lower", display.LowerThread ?? display.Thread, display.LowerThreadDepth ?? display.ThreadDepth, lacks);
        if (mount.ArmThickness is not { } arm)
        {
            lacks.Add("thickness of the mount's arms");
            return new(null, [], lacks);
        }

        var seat = new ScrewSeat(arm, mount.ArmSlots, display.Bump);
        if (upper is null || lower is null)
        {
            return new(seat, [], [.. lacks.Distinct()]);
        }

        // No screw is right in a hole that cannot be so.
        var odd = new[] { upper, lower }.Where(h => h.Depth > display.Depth || h.Most < h.Least).DistinctBy(h => (h.Thread, h.Depth)).ToList();
        if (odd.Count > 0)
        {
            foreach (var holes in odd)
            {
                work.Add(holes.Depth > display.Depth
                    ? HangingFindings.ScrewBottoms.At(Part, $"Measure the {holes.Name} holes again: a thread {holes.Depth:fine} deep is not in a display of {display.Depth:fine}.")
                    : HangingFindings.ScrewTooShort.At(Part, $"Measure the {holes.Name} holes again: a thread {holes.Depth:fine} deep holds no {holes.Thread}, of which {holes.Least:fine} have to be in it and {HolePair.Free:fine} stays free. If it is so, the display's maker has to say how it hangs."));
            }

            return new(seat, [], ["a depth of thread that can be so"]);
        }

        var planned = DisplayScrews.Choose(mount.Kit, seat, upper, lower);
        if (mount.Kit.Count == 0)
        {
            lacks.Add("the screws that come with the mount");
        }
        else if (planned is null && (taken?.Upper.Screw is null || taken.Lower.Screw is null))
        {
            Missing(work, mount.Kit, seat, upper, lower);
        }

        return new(seat, [Pair(upper, taken?.Upper, planned?.Upper), Pair(lower, taken?.Lower, planned?.Lower)], lacks) { Rows = display.VesaHeight };

        PairResult Pair(HolePair holes, PairTaken? hand, ScrewSet? set)
        {
            if (hand?.Screw is { } screw)
            {
                work.Add(Faults(seat, holes, screw, hand, set, taken!.Here));
                return new(holes, screw, hand.Washer, hand.Spacer, DisplayScrews.Engagement(seat, screw, hand.Washer, hand.Spacer), null);
            }

            return set is null ? new(holes, null, Length.Zero, Length.Zero, Length.Zero, null)
                : new(holes, set.Screw.Long, set.Washer?.Long ?? Length.Zero, set.Spacer?.Long ?? Length.Zero, set.Engagement, set);
        }
    }

    private static HolePair? PairOf(string name, string? thread, Length? depth, List<string> lacks)
    {
        if (thread is null)
        {
            lacks.Add("thread of the display's holes");
        }

        if (depth is null)
        {
            lacks.Add("how deep that thread can be used: turn a long screw in by hand and mark it");
        }

        return thread is not null && depth is { } deep ? new(name, thread, deep) : null;
    }

    private static IEnumerable<Finding> Faults(ScrewSeat seat, HolePair holes, Length screw, PairTaken hand, ScrewSet? set, Place here)
    {
        var engagement = DisplayScrews.Engagement(seat, screw, hand.Washer, hand.Spacer);
        Remedy[] better = set is null ? []
            : [new Remedy($"Take the kit's {KitPiece.Size(holes.Thread, set.Screw.Long)}", $"{set.Engagement:fine} of it in the thread", [here.Clear(hand.Prefix + "Screw"), here.Clear(hand.Prefix + "Washer"), here.Clear(hand.Prefix + "Spacer")])];
        var size = KitPiece.Size(holes.Thread, screw);
        if (engagement > holes.Most)
        {
            yield return HangingFindings.ScrewBottoms.At(
                Part, $"The screw {size} would reach {engagement:fine} into the {holes.Name} holes, whose thread is {holes.Depth:fine} deep; {holes.Most:fine} is the most.", better);
        }
        else if (engagement < holes.Least)
        {
            Phrase says = engagement > Length.Zero ? Phrase.Of($"Only {engagement:fine} of the screw {size} would be in the {holes.Name} holes' thread")
                : Phrase.Of($"The screw {size} ends {-engagement:fine} before the {holes.Name} holes' thread");
            says.AppendFormatted($"; {holes.Least:fine} is the least.");
            yield return HangingFindings.ScrewTooShort.At(Part, says, better);
        }

        if (seat.Slotted && hand.Washer == Length.Zero)
        {
            yield return HangingFindings.WasherMissing.At(Part, $"The arm's holes are slots, and the 2 screws {size} in the {holes.Name} holes have no washer.", better);
        }

        if (seat.Bump > hand.Spacer)
        {
            yield return HangingFindings.SpacerMissing.At(
                Part, $"The display's back stands out {seat.Bump:fine} beside its {holes.Name} holes, and the spacer holds the arm off {hand.Spacer:fine}.", set is { Spacer: not null } ? better : []);
        }
        else if (hand.Spacer > Length.Zero && seat.Bump == Length.Zero && DisplayScrews.Engagement(seat, screw, hand.Washer, Length.Zero) <= holes.Most)
        {
            yield return HangingFindings.NeedlessSpacer.At(
                Part,
                $"Without the spacer of {hand.Spacer:fine} the screw {size} is {DisplayScrews.Engagement(seat, screw, hand.Washer, Length.Zero):fine} in the {holes.Name} holes' thread, and {holes.Most:fine} is the most.",
                new Remedy("Leave the spacer out", "the display hangs that much nearer to the wall", [here.Clear(hand.Prefix + "Spacer")]));
        }
    }

    // What to bring, before the van leaves.
    private static void Missing(Worksheet work, IReadOnlyList<KitPiece> kit, ScrewSeat seat, HolePair upper, HolePair lower)
    {
        var (first, second) = (DisplayScrews.SetsFor(kit, seat, upper), DisplayScrews.SetsFor(kit, seat, lower));
        if (first.Count > 0 && second.Count > 0)
        {
            work.Add(HangingFindings.NoScrewInKit.At(
                Part, $"The kit has {KitPiece.Size(upper.Thread, first[0].Screw.Long)} with all that belongs to it for one pair of holes only; the display has 2 pairs. Bring another set."));
            return;
        }

        foreach (var alike in new[] { (Sets: first, Pair: upper), (Sets: second, Pair: lower) }.Where(h => h.Sets.Count == 0).Select(h => h.Pair).GroupBy(h => (h.Thread, h.Depth)))
        {
            // Pairs that are alike lack the same.
            var (holes, names, count) = (alike.First(), string.Join(" and ", alike.Select(h => h.Name)), 2 * alike.Count());
            var washer = seat.Slotted ? kit.FirstOrDefault(k => k.Sort == KitPieceKind.Washer && k.Fits(holes.Thread))?.Long ?? Length.Zero : Length.Zero;
            var passed = seat.Arm + washer + seat.Bump;
            var screws = kit.Where(k => k.Sort == KitPieceKind.Screw && k.Thread == holes.Thread).Select(k => $"{KitPiece.Size(holes.Thread, k.Long)}{(k.Count < 2 ? ", a single one" : string.Empty)}").Distinct().ToList();
            Phrase says = Phrase.Of($"The {names} holes, {holes.Thread} and {holes.Depth:fine} deep, take {passed + holes.Least:fine} to {passed + holes.Most:fine} of screw behind its head; the kit has {(screws.Count > 0 ? string.Join(" and ", screws) : $"no {holes.Thread}")}.");
            if (seat.Slotted && !kit.Any(k => k.Sort == KitPieceKind.Washer && k.Count >= 2 && k.Fits(holes.Thread)))
            {
                says.AppendFormatted($" Bring {count} washers {holes.Thread}: the arm's holes are slots.");
            }

            if (seat.Bump > Length.Zero && !kit.Any(k => k.Sort == KitPieceKind.Spacer && k.Count >= 2 && k.Fits(holes.Thread) && k.Long >= seat.Bump))
            {
                says.AppendFormatted($" Bring {count} spacers of {seat.Bump:fine} or more.");
            }

            if (DisplayScrews.Wanted(seat, holes, washer) is { } wanted && !kit.Any(k => k.Sort == KitPieceKind.Screw && k.Thread == holes.Thread && k.Count >= 2 && k.Long == wanted))
            {
                says.AppendFormatted($" Bring {count} screws {KitPiece.Size(holes.Thread, wanted)}.");
            }

            work.Add(HangingFindings.NoScrewInKit.At(Part, says));
        }
    }
}

/// <summary>All that the choice of screws follows from.</summary>
/// <param name="Display">The display.</param>
/// <param name="Mount">The mount, with its kit.</param>
/// <param name="Taken">What somebody has taken by hand; null for nothing.</param>
/// <param name="Others">How many more displays hang on the mount.</param>
internal sealed record Screwing(Display Display, Mount Mount, ScrewsTaken? Taken, int Others = 0);
