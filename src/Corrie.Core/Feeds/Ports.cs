using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Core.Feeds;

/// <summary>What something with ports is to what plugs into what, in the order in which they are drawn.</summary>
public enum PortSort
{
    /// <summary>It gives a picture.</summary>
    Source,

    /// <summary>An outlet of the wall.</summary>
    Outlet,

    /// <summary>A signal plate of the wall.</summary>
    Plate,

    /// <summary>A box in the wall.</summary>
    Box,

    /// <summary>It gives the display's sound.</summary>
    Sound,

    /// <summary>Anything else that passes something on.</summary>
    Other,

    /// <summary>It shows a picture: a display or a projector.</summary>
    Display,
}

/// <summary>Something with ports in a job: a thing, or an outlet or plate of a wall.</summary>
/// <param name="Key">Its key: a thing's, or a feature's with its wall's before it.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Sort">What it is.</param>
/// <param name="Jacks">Its ports.</param>
/// <param name="Wall">Key of its wall; empty for none.</param>
public sealed record PortHolder(string Key, string Name, PortSort Sort, Same<Jack> Jacks, string Wall)
{
    /// <summary>For an outlet: how many plugs it takes; null where nobody has counted.</summary>
    public int? Sockets { get; init; }

    /// <summary>Its port of a name.</summary>
    /// <param name="port">The name.</param>
    /// <returns>The port; where it has no ports on the sheet, or only one, that one; null where none has that name.</returns>
    public Jack? Jack(string port) => Jacks.Items.FirstOrDefault(j => string.Equals(j.Name, port, StringComparison.OrdinalIgnoreCase)) ?? (port.Length == 0 && Jacks.Items.Count == 1 ? Jacks.Items[0] : null);
}

/// <summary>What is wrong with what plugs into what.</summary>
internal static class PortCheck
{
    /// <summary>Everything that is wrong.</summary>
    /// <param name="holders">All that has ports.</param>
    /// <param name="connections">The cables.</param>
    /// <param name="wall">The wall whose findings are asked for.</param>
    /// <param name="first">Whether it is the job's first wall, which also says what is about no wall.</param>
    /// <returns>The findings, parts named from the wall on.</returns>
    public static IEnumerable<Finding> Of(IReadOnlyList<PortHolder> holders, IReadOnlyList<Connection> connections, string wall, bool first)
    {
        bool Mine(PortHolder? holder) => holder is { Wall.Length: > 0 } ? holder.Wall == wall : first;
        PortHolder? Holder(string key) => holders.FirstOrDefault(h => h.Key == key);
        var wired = connections.Select(c => (Cable: c, From: Holder(c.From), To: Holder(c.To))).ToList();
        foreach (var (cable, from, to) in wired.Where(w => Mine(w.To ?? w.From)))
        {
            var part = $"ports/{cable.Id}";
            foreach (var (holder, port, key) in new[] { (from, cable.FromPort, cable.From), (to, cable.ToPort, cable.To) })
            {
                if (key.Length > 0 && holder is null)
                {
                    yield return FeedFindings.NoInput.At(new(part), $"Say anew where {cable.Says} is plugged in: '{key}' is not among the {holders.Count} things with ports.");
                }
                else if (holder is { Jacks.Items.Count: > 0 } && holder.Jack(port) is null)
                {
                    yield return FeedFindings.NoInput.At(new(part), $"Say which port {cable.Says} is plugged in: the {holder.Name} has no '{port}', and has {holder.Jacks.Items.Count}: {string.Join(", ", holder.Jacks.Items.Select(j => j.Name))}.");
                }
            }

            if (from?.Jack(cable.FromPort) is { } a && to?.Jack(cable.ToPort) is { } b)
            {
                if (a.Carries != b.Carries || (cable.Cable is { } kind && kind.Carries != a.Carries))
                {
                    yield return FeedFindings.NoInput.At(new(part), $"Plug {cable.Says} into another port: {a.Name} of the {from.Name} is for {a.Carries.Words()}, {b.Name} of the {to.Name} for {b.Carries.Words()}{(cable.Cable is { } c && c.Carries != a.Carries ? $", and the cable carries {c.Carries.Words()}" : string.Empty)}; 1 of them does not fit.");
                }
                else if (!(a.GivesOut && b.TakesIn) && !(b.GivesOut && a.TakesIn))
                {
                    yield return FeedFindings.NoInput.At(new(part), $"Plug {cable.Says} into an input: {a.Name} of the {from.Name} and {b.Name} of the {to.Name} are 2 {(a.GivesOut ? "outputs" : "inputs")}.");
                }
            }
        }

        // Two plugs do not go into one socket; an outlet, also that of a box, has several.
        foreach (var twice in wired.SelectMany(w => new[] { (w.Cable, Holder: w.From, Port: w.Cable.FromPort), (w.Cable, Holder: w.To, Port: w.Cable.ToPort) })
            .Where(p => p.Holder?.Jack(p.Port) is { } jack && (jack.Carries != Signal.Mains || (jack.Way != PortWay.Out && p.Holder.Sort is not (PortSort.Outlet or PortSort.Box))) && p.Holder.Jacks.Items.Count > 0).GroupBy(p => (p.Holder!.Key, p.Holder.Jack(p.Port)!.Name)).Where(g => g.Count() > 1 && Mine(g.First().Holder)))
        {
            yield return FeedFindings.NoInput.At(
                new($"ports/{twice.First().Cable.Id}/twice"), $"Take another port for one of them: {string.Join(" and ", twice.Select(t => t.Cable.Says))} are {twice.Count()} cables in {twice.Key.Name} of the {twice.First().Holder!.Name}.");
        }

        // One that is counted is full; one that nobody has counted may have more.
        foreach (var outlet in holders.Where(h => h.Sort == PortSort.Outlet && Mine(h)))
        {
            var plugs = wired.Where(w => w.From == outlet || w.To == outlet).Select(w => w.Cable.Says).ToList();
            if (plugs.Count <= (outlet.Sockets ?? Feature.UsualSockets))
            {
                continue;
            }

            var spot = new Spot($"outlets/{outlet.Key.Replace('/', '-')}");
            yield return outlet.Sockets is { } sockets
                ? FeedFindings.NoSourceOutlet.At(spot, $"Take another outlet for {string.Join(" and ", plugs.Skip(sockets))}: {plugs.Count} plugs go into the {outlet.Name}, and it takes {sockets}. A strip of sockets behind furniture is no outlet.")
                : FeedFindings.NoSourceOutlet.MildAt(spot, $"Count the sockets of the {outlet.Name}, and enter how many plugs it takes: {string.Join(", ", plugs)} are {plugs.Count} plugs, and an outlet usually takes {Feature.UsualSockets}.");
        }

        foreach (var finding in Sources(holders, wired, Mine))
        {
            yield return finding;
        }
    }

    private static IEnumerable<Finding> Sources(IReadOnlyList<PortHolder> holders, List<(Connection Cable, PortHolder? From, PortHolder? To)> wired, Func<PortHolder?, bool> mine)
    {
        var displays = holders.Where(h => h.Sort == PortSort.Display).ToList();
        if (displays.Count == 0)
        {
            yield break;
        }

        foreach (var source in holders.Where(h => h.Sort == PortSort.Source && mine(h) && h.Jacks.Items.Any(j => j.Carries == Signal.Picture && j.GivesOut && !j.TakesIn)))
        {
            var jacks = source.Jacks.Items.Where(j => j.Carries == Signal.Picture && j.GivesOut && !j.TakesIn).ToList();
            var reached = jacks.Select(j => (Jack: j, End: Reaches(holders, wired, source, j))).FirstOrDefault(r => r.End is not null);
            if (reached.End is not { } end)
            {
                yield return FeedFindings.NoInput.At(new($"sources/{source.Key}"), $"Connect the {source.Name} to a display: from its {jacks.Count} picture {(jacks.Count == 1 ? "output" : "outputs")} no cable leads to an input of one.");
            }
            else if (reached.Jack.Fast && !end.Jack.Fast && end.Holder.Jacks.Items.Where(j => j is { Carries: Signal.Picture, Fast: true }).ToList() is { Count: > 0 } better)
            {
                yield return FeedFindings.NoInput.At(new($"sources/{source.Key}/fast"), $"Plug the {source.Name} into {better[0].Name} of the {end.Holder.Name}: it gives high frame rates, and {end.Jack.Name} does not take them; {better.Count} {(better.Count == 1 ? "input does" : "inputs do")}.");
            }
        }

        foreach (var bar in holders.Where(h => h.Sort == PortSort.Sound && mine(h)))
        {
            var cables = wired.Where(w => w.From == bar || w.To == bar).ToList();
            bool Gives(Jack? own, Jack? other) => own is { Carries: Signal.Optical } || (own is { Carries: Signal.Picture, Return: true } && other is { Return: true });
            if (!cables.Any(w => Gives((w.From == bar ? w.From : w.To)!.Jack(w.From == bar ? w.Cable.FromPort : w.Cable.ToPort), w.From == bar ? w.To?.Jack(w.Cable.ToPort) : w.From?.Jack(w.Cable.FromPort))))
            {
                var inputs = displays.SelectMany(d => d.Jacks.Items.Where(j => j.Return).Select(j => $"{j.Name} of the {d.Name}")).ToList();
                yield return FeedFindings.NoReturnChannel.At(
                    new($"sources/{bar.Key}"), inputs.Count > 0 ? Phrase.Of($"Connect the {bar.Name} to {inputs[0]}, which gives sound back, or by light: none of its {cables.Count} cables brings the display's own sound.")
                        : Phrase.Of($"Find out which input of the display gives sound back, or connect the {bar.Name} by light: none of its {cables.Count} cables brings the display's own sound."));
            }
        }
    }

    // The input of a display that a source's picture reaches, through whatever passes it on.
    private static (PortHolder Holder, Jack Jack)? Reaches(IReadOnlyList<PortHolder> holders, List<(Connection Cable, PortHolder? From, PortHolder? To)> wired, PortHolder source, Jack jack)
    {
        var seen = new HashSet<string> { source.Key };
        var next = new Queue<(PortHolder Holder, Jack? Only)>([(source, jack)]);
        while (next.TryDequeue(out var at))
        {
            foreach (var (cable, from, to) in wired)
            {
                var (here, there, port, far) = from == at.Holder ? (from, to, cable.FromPort, cable.ToPort) : (to, from, cable.ToPort, cable.FromPort);
                if (here == at.Holder && there is { Sort: PortSort.Display, Jacks.Items.Count: 0 } && here?.Jack(port) is { GivesOut: true } gives && (at.Only is null || gives == at.Only))
                {
                    // Nobody has entered its ports: it is taken at its word.
                    return (there, gives);
                }

                if (here != at.Holder || there is null || here?.Jack(port) is not { Carries: Signal.Picture or Signal.OneCable, GivesOut: true } own || (at.Only is not null && own != at.Only) || there.Jack(far) is not { TakesIn: true } other || other.Carries != own.Carries)
                {
                    continue;
                }

                if (there.Sort == PortSort.Display)
                {
                    return (there, other);
                }

                if (seen.Add(there.Key))
                {
                    next.Enqueue((there, null));
                }
            }
        }

        return null;
    }
}
