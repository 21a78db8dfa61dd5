using Corrie.Core.Findings;
using Corrie.Core.Measure;

namespace Corrie.Core.Planning;

/// <summary>A figure of the company's that is outside what is usual.</summary>
/// <param name="Member">Its member of the file.</param>
/// <param name="Says">What it is, what stands there, what is usual, and what is planned with.</param>
/// <param name="Floored">Whether it is on the unsafe side of its floor, which counts instead.</param>
public sealed record UnusualFigure(string Member, Phrase Says, bool Floored);

/// <summary>
/// Floors of the company's figures of safety, and what is usual for them. A figure that would take stops away from every job counts as its floor, whatever stands in
/// the file; outside its usual range every job that is planned with it says so. Own rules, but for what is said beside them.
/// </summary>
public static class PolicyLimits
{
    private static readonly IReadOnlyList<Limit> All =
    [
        Of("keepOut", "each side of a device whose cable nobody knows is kept free", Length.Tape(2), Length.Tape(4), Length.Tape(12), true, p => p.KeepOut, (p, v) => p with { KeepOut = v }),
        // NFPA 70, 300.4(A), from memory: cables lie 1 1/4 in and more behind a stud's face.
        Of("keepFromBuried", "round a known cable, a pipe or gas is kept free", Length.Tape(1, 1, 4), Length.Tape(1, 1, 4), Length.Tape(6), true, p => p.KeepFromBuried, (p, v) => p with { KeepFromBuried = v }),
        Of("cableDepth", "cables are expected in a member from", Length.Tape(1, 1, 4), Length.Tape(0, 3, 4), Length.Tape(1, 1, 4), false, p => p.CableDepth, (p, v) => p with { CableDepth = v }),
        Of("twoOver", "two lift a display from a diagonal of", Length.Tape(65), Length.Tape(32), Length.Tape(60), false, p => p.TwoOver, (p, v) => p with { TwoOver = v }),
        Of("anchorFactor", "an anchor's load at failure is divided by", 3, 4, 10, true, p => p.AnchorFactor, (p, v) => p with { AnchorFactor = v }),
        Of("vehicleFactor", "a weight in a vehicle is multiplied with", 2, 2.5, 6, true, p => p.VehicleFactor, (p, v) => p with { VehicleFactor = v }),
        Of("ratingMargin", "a mount is rated for so many times what hangs", 1, 1.1, 3, true, p => p.RatingMargin, (p, v) => p with { RatingMargin = v }),
        Of("fullUse", "a caution is said from this share of what holds", 1, 0.5, 0.9, false, p => p.FullUse, (p, v) => p with { FullUse = v }),
        Of("unknownGravity", "the specific gravity of studs of unknown species is", 0.42, 0.3, 0.4, false, p => p.UnknownGravity, (p, v) => p with { UnknownGravity = v }),
        Of("accidentalPull", "somebody leans on a display that moves with", Mass.FromPounds(15), Mass.FromPounds(20), Mass.FromPounds(100), true, p => p.AccidentalPull, (p, v) => p with { AccidentalPull = v }),
        Of("twoOverWeight", "two lift a display from a weight of", new Mass(30), new Mass(10), new Mass(25), false, p => p.TwoOverMass, (p, v) => p with { TwoOverMass = v }),
    ];

    /// <summary>The figures that are planned with: none on the unsafe side of its floor.</summary>
    /// <param name="stored">The figures as they were entered.</param>
    /// <returns>The figures, with a list of what is unusual in them.</returns>
    public static Policy Kept(Policy stored)
    {
        var (kept, unusual) = (stored, new List<UnusualFigure>());
        foreach (var limit in All)
        {
            if (limit.Look(stored) is { } found)
            {
                unusual.Add(found);
                kept = found.Floored ? limit.Floor(kept) : kept;
            }
        }

        return unusual.Count == 0 ? kept : kept with { Unusual = new(unusual) };
    }

    private static Limit Of(string member, string says, Length floor, Length from, Length to, bool least, Func<Policy, Length> get, Func<Policy, Length, Policy> set) =>
        Of(member, says, floor, from, to, least, get, set, v => Phrase.Of($"{v}"));

    private static Limit Of(string member, string says, Mass floor, Mass from, Mass to, bool least, Func<Policy, Mass> get, Func<Policy, Mass, Policy> set) =>
        Of(member, says, floor.Kilograms, from.Kilograms, to.Kilograms, least, p => get(p).Kilograms, (p, v) => set(p, new(v)), v => Phrase.Of($"{new Mass(v)}"));

    private static Limit Of(string member, string says, double floor, double from, double to, bool least, Func<Policy, double> get, Func<Policy, double, Policy> set) =>
        Of(member, says, floor, from, to, least, get, set, v => Phrase.Of($"{v:0.###}"));

    // A floor is the least that counts, or the most, where less is the safe side.
    private static Limit Of<T>(string member, string says, T floor, T from, T to, bool least, Func<Policy, T> get, Func<Policy, T, Policy> set, Func<T, Phrase> show)
        where T : struct, IComparable<T> => new(
            policy =>
            {
                var value = get(policy);
                var beyond = least ? value.CompareTo(floor) < 0 : value.CompareTo(floor) > 0;
                return !beyond && value.CompareTo(from) >= 0 && value.CompareTo(to) <= 0 ? null
                    : new(member, beyond ? Phrase.Of($"{says} {show(value)}; usual is {show(from)} to {show(to)}, and nothing {(least ? "under" : "over")} {show(floor)} counts: it is planned with {show(floor)}") : Phrase.Of($"{says} {show(value)}; usual is {show(from)} to {show(to)}"), beyond);
            },
            policy => set(policy, floor));

    private sealed record Limit(Func<Policy, UnusualFigure?> Look, Func<Policy, Policy> Floor);
}
