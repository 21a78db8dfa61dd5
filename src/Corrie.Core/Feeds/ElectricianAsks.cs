using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Core.Feeds;

/// <summary>Something that a licensed electrician is asked for.</summary>
/// <param name="Says">What.</param>
/// <param name="Source">Where it stands; empty for good practice.</param>
/// <param name="Met">Whether it is on record that it is so; null where nobody has said.</param>
/// <param name="On">What was recorded of it; empty for nothing.</param>
public sealed record ElectricianAsk(Phrase Says, string Source, bool? Met, string On = "");

/// <summary>A box with mains that is asked for.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="Wall">Its wall.</param>
/// <param name="Box">The box.</param>
/// <param name="Place">Its middle.</param>
/// <param name="Fed">How mains come to it, and on which circuit.</param>
public sealed record ElectricianBox(string Name, WallSheet Wall, WallBox Box, WayEnd Place, Phrase Fed);

/// <summary>What an electrician is asked for, and what of it is on record: made from the plan, by the code that holds at the site.</summary>
/// <param name="Asks">What is asked for.</param>
/// <param name="Boxes">Boxes with mains.</param>
public sealed record ElectricianAsks(IReadOnlyList<ElectricianAsk> Asks, IReadOnlyList<ElectricianBox> Boxes)
{
    /// <summary>The asks of a job. Sources are NFPA 70 from memory; the local edition, and the licensed person who reads it, prevail.</summary>
    /// <param name="plan">The plan.</param>
    /// <returns>What is asked for; nothing where no mains are touched.</returns>
    public static ElectricianAsks Of(JobPlan plan)
    {
        var code = plan.Sheet.Get(Electrics.Part)!;
        var boxes = plan.Sheet.Walls.SelectMany(w => plan.Sheet.ThingsOn(w).Where(i => i.Product is WallBox { HasPower: true } && plan.Placement(i.Id) is not null).Select(i => Asked(plan, code, w, i))).ToList();
        var touched = plan.Sheet.Walls.SelectMany(w => (w.Get(WallFeeds.Part)?.Devices.Items ?? []).Select(d => (Wall: w, Device: d, Feature: plan.Survey(w.Id)?.Wall.Features.FirstOrDefault(f => f.Id == d.Of)))).Where(d => d.Feature is { Electrical: true }).ToList();
        if (boxes.Count + touched.Count == 0)
        {
            return new([], []);
        }

        var asks = new List<ElectricianAsk>
        {
            Recorded("Ask the authority whether this work needs a permit.", string.Empty, code.Permit),
            Recorded("Ask whether a wall has to be inspected before it is closed, and leave it open until then.", string.Empty, code.Inspection),
        };
        foreach (var circuit in code.Circuits.Items)
        {
            var record = code.Isolations.Items.FirstOrDefault(i => i.Circuit == circuit.Id && i.Complete);
            asks.Add(new($"Circuit {circuit.Called}, {circuit.Amperes:0.#} A, {circuit.Volts:0} V, {circuit.Gauge} gauge: off, locked, and proved dead with a tester before a box is opened.", "hold point", record is null ? null : true, record is null ? string.Empty : $"{record.By}, licence {record.Licence}, {record.Tester}, {record.On}"));
        }

        if (code.Circuits.Items.Count == 0)
        {
            asks.Add(new("Say which breaker each outlet is on; off, locked, and proved dead with a tester before a box is opened.", "hold point", null));
        }

        foreach (var (wall, device, feature) in touched)
        {
            var fate = device.Fate switch { DeviceFate.Recessed => "set back into the wall", DeviceFate.Moved => "moved", DeviceFate.PushedBack => "brought into a box with a blank cover that can be reached: now its wires are pushed back", _ => "taken out of use: capped wires in a box with a blank cover that can be reached" };
            asks.Add(new($"The {feature!.Name} on {(wall.Name.Length > 0 ? wall.Name : wall.Id)}, {feature.Centre} across and {feature.Outline.CentreY} up: {fate}.", "NFPA 70 314.29", device.By.Trim().Length > 0 && Licences.Given(device.Licence) && device.Fate != DeviceFate.PushedBack ? true : null, device.By));
        }

        asks.AddRange(code.Code == ElectricalCode.Other ? ByRecord(code) : ByNfpa(plan, code, boxes));
        return new(asks, boxes);
    }

    private static IEnumerable<ElectricianAsk> ByNfpa(JobPlan plan, Electrics code, List<ElectricianBox> boxes)
    {
        if (boxes.Count > 0)
        {
            var arcs = code.Circuits.Items.Count > 0 && code.Circuits.Items.All(c => c.ArcProtected);
            if (code.Dwelling != false)
            {
                yield return new(code.Dwelling == true ? Phrase.Of($"An arc switches the circuit off: people live there, and {boxes.Count} {(boxes.Count == 1 ? "outlet is" : "outlets are")} new or moved.") : "An arc switches the circuit off, if people live there.", "NFPA 70 210.12", arcs ? true : null);
                yield return new("Receptacles have shutters for small hands.", "NFPA 70 406.12", null);
            }

            if (boxes.Any(b => plan.Survey(b.Wall.Id)!.Wall.Outside))
            {
                yield return new("A fault to earth switches the circuit off: receptacles outdoors.", "NFPA 70 210.8", code.Circuits.Items.Count > 0 && code.Circuits.Items.All(c => c.FaultProtected) ? true : null);
                yield return new("A cover that closes over the plug in use, and a drip loop below it.", "NFPA 70 406.9(B)", null);
            }

            yield return new("Box fill counted with all conductors, devices, clamps and grounds.", "NFPA 70 314.16", null);
            yield return new(Phrase.Of($"Sheathed cable fastened, and a steel plate wherever a hole's edge comes nearer to the face than {RouteTask.PlateBelow}."), "NFPA 70 300.4(A), 334.30", null);
        }
    }

    private static IEnumerable<ElectricianAsk> ByRecord(Electrics code) => Enum.GetValues<RuleTopic>().Where(t => t != RuleTopic.OneCable).Select(topic =>
    {
        var rule = code.Rule(topic);
        return new ElectricianAsk(rule is null ? Phrase.Of($"Record what holds here of {PowerCheck.Says(topic)}.") : Phrase.Of($"{rule.Says}"), code.CodeName, rule is null ? null : true, rule is null ? string.Empty : $"{rule.By}, licence {rule.Licence}");
    });

    private static ElectricianAsk Recorded(string says, string source, string on) => new(says, source, on.Trim().Length > 0 ? true : null, on.Trim());

    private static ElectricianBox Asked(JobPlan plan, Electrics code, WallSheet wall, Item item)
    {
        var outer = plan.Placement(item.Id)!.Outer;
        var route = plan.Routes(wall.Id)?.All.FirstOrDefault(r => r.Route.Power && (r.Route.From == item.Id || r.Route.To == item.Id));
        var fed = route is null ? Phrase.Of($"nobody has said from where")
            : Phrase.Of($"{(route.Route.From == item.Id ? "on to" : "from")} the {Called(route.Route.From == item.Id ? route.Route.To : route.Route.From)}, {(route.Bundle.Cables.Count == 0 ? "cable not chosen" : route.Bundle.Cables[0].Name)}, {(route.Chosen is { } way ? Phrase.Of($"about {way.Run} in the wall") : "way not known yet")}");
        return new(item.Name, wall, (WallBox)item.Product!, new(outer.CentreX, outer.CentreY), fed);

        string Called(string key) => plan.Sheet.Item(key)?.Name ?? plan.Survey(wall.Id)?.Wall.Features.FirstOrDefault(f => f.Id == key)?.Name ?? key;
    }
}
