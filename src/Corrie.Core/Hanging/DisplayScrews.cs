using Corrie.Core.Catalogue;
using Corrie.Core.Measure;

namespace Corrie.Core.Hanging;

/// <summary>A pair of threaded holes in a display's back.</summary>
/// <param name="Name">Which pair: <c>upper</c> or <c>lower</c>.</param>
/// <param name="Thread">Their thread, such as <c>M8</c>.</param>
/// <param name="Depth">How deep it can be used.</param>
public sealed record HolePair(string Name, string Thread, Length Depth)
{
    /// <summary>So much stays free in front of a screw's end (common practice).</summary>
    public static readonly Length Free = Length.FromMillimetres(1);

    /// <summary>The least of a screw that has to be in the thread: its own diameter (common practice).</summary>
    public Length Least => Length.FromMillimetres(int.Parse(Thread.AsSpan(1)));

    /// <summary>The most that may be: the usable depth, less 1 mm.</summary>
    public Length Most => Depth - Free;
}

/// <summary>What a screw passes before it reaches the display.</summary>
/// <param name="Arm">Thickness of the arm's steel.</param>
/// <param name="Slotted">Whether the arm's holes are slots, on which a head needs a washer.</param>
/// <param name="Bump">How far the display's back stands out beside its holes: the arm has to be held off that far.</param>
public sealed record ScrewSeat(Length Arm, bool Slotted, Length Bump);

/// <summary>What goes into both holes of a pair.</summary>
/// <param name="Screw">The screw.</param>
/// <param name="Washer">The washer under its head; null for none.</param>
/// <param name="Spacer">The spacer behind the arm; null for none.</param>
/// <param name="Engagement">How much of the screw is in the thread.</param>
public sealed record ScrewSet(KitPiece Screw, KitPiece? Washer, KitPiece? Spacer, Length Engagement);

/// <summary>Which screws, washers and spacers of a kit go into a display's back.</summary>
public static class DisplayScrews
{
    // Nominal lengths of screws, in millimetres (ISO 888, from memory).
    private static readonly int[] Nominal = [6, 8, 10, 12, 16, 20, 25, 30, 35, 40, 45, 50, 55, 60, 65, 70, 80, 90, 100];

    /// <summary>
    /// How much of a screw is in the thread: its length less arm, washer and what stands between arm and display, which is the spacer or the bump of
    /// the back, whichever is more.
    /// </summary>
    /// <param name="seat">What it passes.</param>
    /// <param name="screw">Its length under the head.</param>
    /// <param name="washer">Thickness of the washer; zero for none.</param>
    /// <param name="spacer">Length of the spacer; zero for none.</param>
    /// <returns>The length in the thread; negative where the screw does not reach it.</returns>
    public static Length Engagement(ScrewSeat seat, Length screw, Length washer, Length spacer) => screw - seat.Arm - washer - Length.Max(spacer, seat.Bump);

    /// <summary>
    /// The best for both pairs: a screw is in its thread by its diameter at least and by 1 mm less than the usable depth at most; a slot has its washer,
    /// a back that is not flat its spacer; both holes of a pair have the same. Of all such sets: the least of spacers, then no washer that is not
    /// needed, then the most thread.
    /// </summary>
    /// <param name="kit">What there is.</param>
    /// <param name="seat">What the screws pass.</param>
    /// <param name="upper">The upper pair.</param>
    /// <param name="lower">The lower pair.</param>
    /// <returns>What goes into each; null where the kit has nothing for both, though it may have something for one.</returns>
    public static (ScrewSet Upper, ScrewSet Lower)? Choose(IReadOnlyList<KitPiece> kit, ScrewSeat seat, HolePair upper, HolePair lower)
    {
        var (first, second) = (SetsFor(kit, seat, upper), SetsFor(kit, seat, lower));
        (ScrewSet, ScrewSet)? best = null;
        var least = (Spacer: long.MaxValue, Washers: int.MaxValue, Thread: long.MaxValue);
        foreach (var one in first)
        {
            // Both lists begin with their best, so that what comes after one that is worse already is worse still.
            if (second.Count == 0 || Cost(one, second[0], seat).CompareTo(least) >= 0)
            {
                break;
            }

            foreach (var other in second)
            {
                var cost = Cost(one, other, seat);
                if (cost.CompareTo(least) >= 0)
                {
                    break;
                }

                if (Enough(one, other))
                {
                    (best, least) = ((one, other), cost);
                    break;
                }
            }
        }

        return best;
    }

    /// <summary>All that a kit has for one pair, the best first.</summary>
    /// <param name="kit">What there is.</param>
    /// <param name="seat">What the screws pass.</param>
    /// <param name="pair">The pair.</param>
    /// <returns>The sets of which there are two; empty for none.</returns>
    public static IReadOnlyList<ScrewSet> SetsFor(IReadOnlyList<KitPiece> kit, ScrewSeat seat, HolePair pair)
    {
        var two = kit.Where(k => k.Count >= 2 && k.Fits(pair.Thread)).ToList();
        var washers = two.Where(k => k.Sort == KitPieceKind.Washer).Cast<KitPiece?>();
        var spacers = two.Where(k => k.Sort == KitPieceKind.Spacer && k.Long >= seat.Bump).Cast<KitPiece?>();
        var sets =
            from screw in two.Where(k => k.Sort == KitPieceKind.Screw && k.Thread is not null)
            from washer in seat.Slotted ? washers : washers.Prepend(null)
            from spacer in seat.Bump > Length.Zero ? spacers : spacers.Prepend(null)
            let engagement = Engagement(seat, screw.Long, washer?.Long ?? Length.Zero, spacer?.Long ?? Length.Zero)
            where engagement >= pair.Least && engagement <= pair.Most
            select new ScrewSet(screw, washer, spacer, engagement);
        return [.. sets.OrderBy(s => Cost(s, seat))];
    }

    /// <summary>The nominal length that fits a pair best: the longest that is not too long.</summary>
    /// <param name="seat">What the screw passes.</param>
    /// <param name="pair">The pair.</param>
    /// <param name="washer">Thickness of the washer.</param>
    /// <returns>The length; null where there is none between the least and the most.</returns>
    public static Length? Wanted(ScrewSeat seat, HolePair pair, Length washer)
    {
        var passed = seat.Arm + washer + seat.Bump;
        var fits = Nominal.Select(n => Length.FromMillimetres(n)).Where(n => n - passed >= pair.Least && n - passed <= pair.Most).ToList();
        return fits.Count > 0 ? fits[^1] : null;
    }

    private static (long Spacer, int Washers, long Thread) Cost(ScrewSet set, ScrewSeat seat) =>
        (set.Spacer?.Long.Units ?? 0, set.Washer is not null && !seat.Slotted ? 1 : 0, -set.Engagement.Units);

    private static (long Spacer, int Washers, long Thread) Cost(ScrewSet one, ScrewSet other, ScrewSeat seat)
    {
        var (a, b) = (Cost(one, seat), Cost(other, seat));
        return (a.Spacer + b.Spacer, a.Washers + b.Washers, a.Thread + b.Thread);
    }

    // Two of each piece for a pair, four where both pairs take the same.
    private static bool Enough(ScrewSet one, ScrewSet other)
    {
        return Has(one.Screw, other.Screw) && Has(one.Washer, other.Washer) && Has(one.Spacer, other.Spacer);

        static bool Has(KitPiece? a, KitPiece? b) => a is null || !ReferenceEquals(a, b) || a.Count >= 4;
    }
}
