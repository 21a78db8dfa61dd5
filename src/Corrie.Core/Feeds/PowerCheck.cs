using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Core.Feeds;

/// <summary>Something that takes power, or passes it on.</summary>
/// <param name="Key">Its key, as connections name it.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Wall">Key of its wall.</param>
/// <param name="Watts">What it takes; null where nobody has entered it.</param>
/// <param name="Needs">Whether it needs an outlet: displays, boxes with mains, and whatever has a mains inlet and is plugged in elsewhere.</param>
/// <param name="Spot">Where it is; null for nowhere.</param>
internal sealed record PowerTaker(string Key, string Name, string Wall, double? Watts, bool Needs, WayEnd? Spot);

/// <summary>A box with mains, and what is in it.</summary>
/// <param name="Key">Its key.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Volume">Room inside, in cubic inches.</param>
/// <param name="Wires">What is in it; null where nobody has said.</param>
/// <param name="Mixed">Whether signal cables are in it too, without a divider.</param>
/// <param name="Spot">Where it is.</param>
internal sealed record PowerBox(string Key, string Name, double? Volume, BoxWires? Wires, bool Mixed, WayEnd? Spot);

/// <summary>All that the mains of a wall follow from.</summary>
/// <param name="Wall">The wall.</param>
/// <param name="Key">Its key.</param>
/// <param name="Electrics">What is known of the site's mains.</param>
/// <param name="Takers">All that takes power in the job.</param>
/// <param name="Links">What power passes along: keys two by two.</param>
/// <param name="Boxes">Boxes with mains on this wall.</param>
/// <param name="Routes">Ways on this wall that bring mains.</param>
/// <param name="Feeds">What feeds have to know of the wall.</param>
/// <param name="Used">Topics of the code that the plan of this wall rests on.</param>
/// <param name="First">Whether it is the job's first wall, which also says what is about no wall.</param>
internal sealed record PowerTask(
    Wall Wall, string Key, Electrics Electrics, Same<PowerTaker> Takers, Same<(string A, string B)> Links, Same<PowerBox> Boxes, Same<CableRoute> Routes, WallFeeds Feeds, Same<RuleTopic> Used, bool First)
{
    /// <summary>The circuit that something takes its power from.</summary>
    /// <param name="key">Its key.</param>
    /// <returns>The circuit; null where no chain of cables ends at an outlet of one.</returns>
    public Circuit? CircuitOf(string key)
    {
        foreach (var at in Chain(key))
        {
            if (Electrics.Circuits.Items.FirstOrDefault(c => c.Outlets.Items.Contains(at)) is { } circuit)
            {
                return circuit;
            }
        }

        return null;
    }

    /// <summary>The circuit that a way brings on.</summary>
    /// <param name="route">The way.</param>
    /// <returns>The circuit; null where none of its ends is on one.</returns>
    public Circuit? CircuitOf(CableRoute route) => CircuitOf(route.From) ?? CircuitOf(route.To) ?? CircuitOf($"{Key}/{route.From}") ?? CircuitOf($"{Key}/{route.To}");

    /// <summary>Whether power passes from one thing to another.</summary>
    /// <param name="a">A key.</param>
    /// <param name="b">Another.</param>
    /// <returns>Whether a chain of cables leads from one to the other.</returns>
    public bool Linked(string a, string b) => Chain(a).Contains(b);

    // What hangs together by cables, the nearest first.
    private IEnumerable<string> Chain(string key)
    {
        var seen = new HashSet<string> { key };
        var next = new Queue<string>([key]);
        while (next.TryDequeue(out var at))
        {
            yield return at;
            foreach (var (a, b) in Links.Items)
            {
                var other = a == at ? b : b == at ? a : null;
                if (other is not null && seen.Add(other))
                {
                    next.Enqueue(other);
                }
            }
        }
    }

    /// <summary>What a circuit carries, in watts.</summary>
    /// <param name="circuit">The circuit.</param>
    /// <returns>The sum; what nobody has entered counts as nothing.</returns>
    public double Load(Circuit circuit) => (circuit.Other ?? 0) + Takers.Items.Where(t => CircuitOf(t.Key) == circuit).Sum(t => t.Watts ?? 0);
}

/// <summary>What is wrong with the mains of a wall.</summary>
internal static class PowerCheck
{
    /// <summary>Everything that is wrong.</summary>
    /// <param name="task">All that it follows from.</param>
    /// <returns>The findings, parts named from the wall on.</returns>
    public static IEnumerable<Finding> Of(PowerTask task) => [.. Sources(task), .. Circuits(task), .. Boxes(task), .. Work(task), .. Local(task)];

    private static Spot At(string part, WayEnd? at) => new(part, at?.X, at?.Y);

    private static IEnumerable<Finding> Sources(PowerTask task)
    {
        // One chain is one cause: it is said of what hangs at its end.
        var lacking = task.Takers.Items.Where(t => t.Needs && t.Wall == task.Key && task.CircuitOf(t.Key) is null).OrderByDescending(t => t.Watts is not null).ToList();
        var said = new List<string>();
        foreach (var taker in lacking)
        {
            if (said.Any(s => task.Linked(s, taker.Key)))
            {
                continue;
            }

            said.Add(taker.Key);
            yield return FeedFindings.NoSourceOutlet.At(
                At($"power/{taker.Key}", taker.Spot), $"Say from which outlet the {taker.Name} takes its power and on which circuit that is: no cable leads from it to one of the {task.Electrics.Circuits.Items.Sum(c => c.Outlets.Items.Count)} outlets of {task.Electrics.Circuits.Items.Count} circuits.");
        }
    }

    private static IEnumerable<Finding> Circuits(PowerTask task)
    {
        // Which breaker makes it dead has to be certain.
        foreach (var twice in task.Electrics.Circuits.Items.SelectMany(c => c.Outlets.Items.Select(o => (Outlet: o, Circuit: c))).GroupBy(o => o.Outlet).Where(g => g.Count() > 1 && (g.Key.Split('/') is [var wall, _] ? wall == task.Key : task.First)))
        {
            var at = twice.Key.Split('/') is [_, var id] ? task.Wall.Features.FirstOrDefault(f => f.Id == id) : null;
            yield return FeedFindings.NoSourceOutlet.At(
                new($"circuits/{twice.Key.Replace('/', '-')}", at?.Centre, at?.Outline.CentreY), $"Find out which breaker the {at?.Name ?? twice.Key} is on: it is entered on {twice.Count()} circuits, {string.Join(" and ", twice.Select(c => c.Circuit.Called))}, and with the wrong one off it is live.");
        }

        if (task.Electrics.Code == ElectricalCode.Other)
        {
            yield break;
        }

        // What is laid anew is protected by the breaker that is there.
        foreach (var route in task.Routes.Items)
        {
            if (route.Mains is { Gauge: { } gauge } && task.CircuitOf(route) is { } on && Circuit.MostOn(gauge) is { } protects && on.Amperes > protects)
            {
                yield return FeedFindings.CircuitLoad.At(
                    new($"routes/{route.Id}/wire"), $"Take thicker cable for {route.Called}: wire of {gauge} gauge is protected by a breaker of {protects:0} A at most, and {on.Called} has {on.Amperes:0.#} A.");
            }
        }

        // A circuit is said once: at the first wall that it feeds something on.
        foreach (var circuit in task.Electrics.Circuits.Items)
        {
            var fed = task.Takers.Items.Where(t => task.CircuitOf(t.Key) == circuit).ToList();
            if (fed.Count == 0 ? !task.First : fed[0].Wall != task.Key)
            {
                continue;
            }

            if (Circuit.MostOn(circuit.Gauge) is { } wire && circuit.Amperes > wire)
            {
                yield return FeedFindings.CircuitLoad.At(
                    At($"circuits/{circuit.Id}/wire", fed.FirstOrDefault()?.Spot), $"Have a licensed person change the breaker of {circuit.Called} or its wire before anything is added: it has {circuit.Amperes:0.#} A, and wire of {circuit.Gauge} gauge is protected by {wire:0} A at most.");
            }

            var watts = task.Load(circuit);
            var most = circuit.Amperes * circuit.Volts * Circuit.MostLoad;
            if (watts > most)
            {
                yield return FeedFindings.CircuitLoad.At(
                    At($"circuits/{circuit.Id}", fed.FirstOrDefault()?.Spot), $"Take another circuit for some of it: {watts:0} W run on {circuit.Called}, {watts / circuit.Volts:0.#} A, and {circuit.Amperes:0.#} A at {Circuit.MostLoad * 100:0} % for what runs for hours are {most:0} W.");
            }

            if (circuit.Run is { } run && Circuit.Drop(run, watts / circuit.Volts, circuit.Gauge) is { } drop && drop > circuit.Volts * Circuit.MostDrop)
            {
                yield return FeedFindings.VoltageDrop.At(
                    At($"circuits/{circuit.Id}/drop", fed.FirstOrDefault()?.Spot), $"Take thicker wire or a nearer board: on {circuit.Called} {drop:0.00} V drop over {run} of {circuit.Gauge} gauge wire at {watts / circuit.Volts:0.#} A, {drop / circuit.Volts * 100:0.#} % of {circuit.Volts:0} V, and {Circuit.MostDrop * 100:0} % is the usual limit.");
            }
        }
    }

    private static IEnumerable<Finding> Boxes(PowerTask task)
    {
        foreach (var box in task.Boxes.Items)
        {
            if (box.Mixed)
            {
                yield return FeedFindings.Separation.At(At($"boxes/{box.Key}", box.Spot), $"Take a box with a divider, or 2 boxes: mains and signal are in the {box.Name} together.");
            }

            if (box is { Volume: { } volume, Wires: { Room: { } room } wires } && room > volume && task.Electrics.Code != ElectricalCode.Other)
            {
                yield return FeedFindings.BoxFill.At(
                    At($"boxes/{box.Key}/fill", box.Spot), $"Take a larger box: {wires.Conductors} conductors of {wires.Gauge} gauge, {wires.Devices} {(wires.Devices == 1 ? "device" : "devices")}, {(wires.Clamps ? "clamps" : "no clamps")} and {wires.Grounds} {(wires.Grounds == 1 ? "ground" : "grounds")} take {room:0.##} cubic inches, and the {box.Name} has {volume:0.##}.");
            }
        }
    }

    private static IEnumerable<Finding> Work(PowerTask task)
    {
        foreach (var route in task.Routes.Items.Where(r => r.Wired is not null))
        {
            var wired = route.Wired!;
            var part = $"routes/{route.Id}";
            if (!Licences.Given(wired.Licence))
            {
                yield return FeedFindings.NotLicensed.At(new(part + "/licence"), $"Record who holds the licence: {wired.By} is said to have wired {route.Called}, and 0 licences are on record for that.");
            }

            var circuit = task.CircuitOf(route);
            var records = task.Electrics.Isolations.Items.Where(i => circuit is not null && i.Circuit == circuit.Id).ToList();
            if (!records.Any(r => r.Complete))
            {
                yield return FeedFindings.NotIsolated.At(
                    new(part + "/isolation"), $"Stop, and prove it dead: {wired.By} is said to have wired {route.Called}, and {(circuit is null ? "nobody has said on which circuit it is" : $"of {records.Count} records none says that {circuit.Called} was off, locked and proved dead with a tester by a licensed person")}: 0 of 1 isolations.");
            }
        }

        foreach (var record in task.Electrics.Isolations.Items.Where(i => task.First && i.By.Trim().Length > 0 && !Licences.Given(i.Licence)))
        {
            yield return FeedFindings.NotLicensed.At(new($"isolations/{record.Id}"), $"Have a licensed electrician isolate it: {record.By} is on record, and 0 licences.");
        }

        foreach (var device in task.Feeds.Devices.Items)
        {
            var feature = task.Wall.Features.FirstOrDefault(f => f.Id == device.Of);
            var spot = new Spot($"devices/{device.Of}", feature?.Centre, feature?.Outline.CentreY);
            var name = feature?.Name ?? device.Of;
            if (device.Fate == DeviceFate.PushedBack)
            {
                yield return FeedFindings.BuriedJunction.At(spot, $"Bring the wires of the {name} into a box with a blank cover that can be reached{(feature is null ? string.Empty : Phrase.Of($", at {feature.Centre} across, {feature.Outline.CentreY} up"))}: capped and pushed back into the wall nobody gets at them, in 1 place.");
            }
            else if (feature is { Electrical: true } && device.By.Trim().Length > 0 && !Licences.Given(device.Licence))
            {
                yield return FeedFindings.NotLicensed.At(spot, $"Have a licensed electrician do it: the {name} at {feature.Centre} across is to be {Says(device.Fate)} by {device.By}, and no licence is on record.");
            }
        }
    }

    private static string Says(DeviceFate fate) => fate switch { DeviceFate.Recessed => "set back", DeviceFate.Moved => "moved", _ => "taken out of use" };

    private static IEnumerable<Finding> Local(PowerTask task)
    {
        var missing = task.Used.Items.Where(t => t == RuleTopic.OneCable ? task.Electrics.Rule(t) is null : !task.Electrics.Knows(t)).ToList();
        if (missing.Count > 0)
        {
            var other = task.Electrics.Code == ElectricalCode.Other;
            yield return FeedFindings.LocalRule.At(
                new("local-rules"), other ? Phrase.Of($"Have a licensed person record {missing.Count} local {(missing.Count == 1 ? "rule" : "rules")}: {(task.Electrics.CodeName.Length > 0 ? task.Electrics.CodeName : "another code")} holds here, and the planner has the figures of NFPA 70 alone.")
                    : Phrase.Of($"Have a licensed person record that the local authority takes it: {missing.Count} thing is not for NFPA 70 alone to say.")) with
            { Parts = [.. missing.Select(t => Phrase.Of($"{Says(t)}"))] };
        }
    }

    /// <summary>What a rule is about, and where NFPA 70 has it.</summary>
    /// <param name="topic">The topic.</param>
    /// <returns>In words.</returns>
    internal static string Says(RuleTopic topic) => topic switch
    {
        RuleTopic.BoxFill => "how full a box may be (NFPA 70 314.16)",
        RuleTopic.Separation => "how far power and signal keep apart (NFPA 70 800.133)",
        RuleTopic.BoredHoles => "holes through framing, and plates over them (NFPA 70 300.4, IRC R602.6)",
        RuleTopic.Conduits => "how full a tube may be, and how often it bends (NFPA 70 chapter 9)",
        RuleTopic.Circuits => "load of a circuit and its voltage drop (NFPA 70 210)",
        RuleTopic.Cables => "which cable may run inside a wall (NFPA 70 334, 800)",
        RuleTopic.Protection => "protection against faults to earth and arcs, and shutters for small hands (NFPA 70 210.8, 210.12, 406.12)",
        _ => "a thin cable with power inside a tube in the wall",
    };
}
