using System.Text.Json.Nodes;
using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Measure;
using Corrie.Core.Planning;

namespace Corrie.Core.Feeds;

/// <summary>A cable that is to be taken along.</summary>
/// <param name="Name">What it is.</param>
/// <param name="Long">How long.</param>
/// <param name="Count">How many.</param>
/// <param name="Cut">Whether it is cut from the reel.</param>
public sealed record CableToTake(string Name, Length Long, int Count, bool Cut);

/// <summary>Connects ports, and says what has to be bought for it.</summary>
public static class Connecting
{
    /// <summary>Connects two ports: what gives is where the cable comes from, and where a way for signal leads behind the display it is taken.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="from">Key of the one thing.</param>
    /// <param name="fromPort">Its port.</param>
    /// <param name="to">Key of the other.</param>
    /// <param name="toPort">Its port.</param>
    /// <returns>The change; or what was understood and what was expected.</returns>
    public static (Change? Change, string Problem) Connect(IHungResults plan, string from, string fromPort, string to, string toPort)
    {
        var holders = plan.PortHolders();
        if (holders.FirstOrDefault(h => h.Key == from) is not { } one || holders.FirstOrDefault(h => h.Key == to) is not { } other || one == other)
        {
            return (null, "A cable runs between two different things with ports. Expected: one of the list for each end.");
        }

        var (a, b) = (one.Jack(fromPort), other.Jack(toPort));
        foreach (var (holder, jack, typed) in new[] { (one, a, fromPort), (other, b, toPort) })
        {
            if (holder.Jacks.Items.Count > 0 && jack is null)
            {
                return (null, $"The {holder.Name} has no port '{typed}'. Expected: {string.Join(", ", holder.Jacks.Items.Select(j => j.Name))}.");
            }
        }

        if (a is { GivesOut: false } && b is { GivesOut: true })
        {
            (one, other, a, b, fromPort, toPort) = (other, one, b, a, toPort, fromPort);
        }

        var cable = new JsonObject { ["from"] = one.Key, ["to"] = other.Key };
        foreach (var (member, value) in new[] { ("fromPort", a?.Name ?? fromPort), ("toPort", b?.Name ?? toPort), ("via", a?.Carries == Signal.Mains ? string.Empty : Way(plan, one, other)) })
        {
            if (value.Length > 0)
            {
                cable[member] = value;
            }
        }

        var taken = (plan.Sheet.Get(Connection.Part) ?? []).Select(c => c.Id).ToHashSet();
        return (new($"/{Connection.Part.Name}/{Enumerable.Range(1, 1000).Select(n => $"k{n}").First(k => !taken.Contains(k))}", cable), string.Empty);
    }

    /// <summary>Cables that are not there yet, by what and how long.</summary>
    /// <param name="plan">The plan.</param>
    /// <returns>What is to be taken along; without what nobody has chosen, or what is not sold that long.</returns>
    public static IReadOnlyList<CableToTake> ToTake(IHungResults plan) =>
    [
        .. plan.Sheet.Walls.SelectMany(w => plan.Cables(w.Id)?.All ?? []).Where(c => c is { Buys: not null, Connection: { Bought: null, Cable: not null } })
            .GroupBy(c => (c.Connection.Cable!.Name, Long: c.Buys!.Value, Cut: c.Connection.Cable.Sold.Count == 0)).Select(g => new CableToTake(g.Key.Name, g.Key.Long, g.Count(), g.Key.Cut))
            .OrderBy(t => t.Name, StringComparer.Ordinal).ThenBy(t => t.Long),
    ];

    private static string Way(IHungResults plan, PortHolder one, PortHolder other) =>
        new[] { other, one }.FirstOrDefault(h => h.Sort == PortSort.Display) is { } display && plan.Sheet.Wall(display.Wall) is { } wall
        && (wall.Get(CableRoute.Part) ?? []).FirstOrDefault(r => !r.Power && new[] { r.From, r.To }.Any(e => e == display.Key || plan.Sheet.Item(e)?.For == display.Key)) is { } way ? $"{wall.Id}/{way.Id}" : string.Empty;
}
