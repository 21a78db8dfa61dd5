using Corrie.Core.Findings;
using Corrie.Core.Measure;

namespace Corrie.Core.Feeds;

/// <summary>How hard a pull is.</summary>
public enum PullEffort
{
    /// <summary>One hand does it.</summary>
    Easy,

    /// <summary>Two people: one pulls, one feeds.</summary>
    Fair,

    /// <summary>Two people, lubricant, and a second string in case it jams.</summary>
    Hard,
}

/// <summary>How cables are brought through a way: from where, in which order, how hard it is (common practice).</summary>
/// <param name="FromUpper">Whether they go in at the upper end, so that their weight helps.</param>
/// <param name="Enters">Where they go in.</param>
/// <param name="Leaves">Where they come out.</param>
/// <param name="Order">The cables in the order in which they are taped on: the largest plug last.</param>
/// <param name="Degrees">How much they turn on the way, holes counted as two bends of 45 degrees each.</param>
/// <param name="Effort">How hard it is.</param>
public sealed record PullPlan(bool FromUpper, WayEnd Enters, WayEnd Leaves, IReadOnlyList<Strand> Order, int Degrees, PullEffort Effort)
{
    private const int EasyUpTo = 90;
    private const int FairUpTo = 270;

    /// <summary>Most pull on a network cable: TIA-568, from memory.</summary>
    public static readonly Force MostPull = new(110);

    /// <summary>The pull of a way through the wall.</summary>
    /// <param name="route">The way.</param>
    /// <returns>The pull; null for a way over the surface, and where nothing runs in it.</returns>
    public static PullPlan? Of(RoutePlan route)
    {
        if (route is not { Chosen: { OnSurface: false } way, From: { } from, To: { } to } || route.Bundle.Cables.Count == 0)
        {
            return null;
        }

        var (upper, lower) = from.Y >= to.Y ? (from, to) : (to, from);
        // Where the way goes under the floor and up again, the last stretch is a pull from above as well: a string is dropped to meet it.
        var degrees = (way.Bends * 90) + (way.Holes.Count() * 90);
        return new(
            upper.Y != lower.Y, upper, lower, [.. route.Bundle.Cables.OrderBy(c => Length.Max(c.Plug, c.Diameter).Units).ThenBy(c => c.Name, StringComparer.Ordinal)], degrees,
            degrees <= EasyUpTo ? PullEffort.Easy : degrees <= FairUpTo ? PullEffort.Fair : PullEffort.Hard);
    }

    /// <summary>The pull in sentences, one for each thing to do.</summary>
    /// <param name="enters">What the end is called where they go in.</param>
    /// <param name="leaves">What the end is called where they come out.</param>
    /// <returns>The sentences.</returns>
    public IEnumerable<Phrase> Says(string enters, string leaves)
    {
        yield return FromUpper ? Phrase.Of($"Drop a weighted string in at the {enters}, {Enters.Y} up, and fish it out at the {leaves}.") : Phrase.Of($"Push a rod from the {enters} to the {leaves}.");
        yield return Order.Count == 1 ? Phrase.Of($"Tape {Order[0].Name} on, the smaller plug first, and cover the plug.")
            : Phrase.Of($"Tape them on in line and not side by side: {string.Join(", then ", Order.Select(o => o.Name))}; the largest plug goes last, beside what is through already.");
        yield return Effort switch
        {
            PullEffort.Easy => Phrase.Of($"It turns by {Degrees}°: one hand does it."),
            PullEffort.Fair => Phrase.Of($"It turns by {Degrees}°: one pulls and one feeds, with {MostPull} at the most on a network cable."),
            _ => Phrase.Of($"It turns by {Degrees}°: lubricant, two people, {MostPull} at the most on a network cable, and a second string in case it jams."),
        };
        yield return "Tie the end off before you let go, or it falls back; leave a string in for whoever comes next.";
    }
}
