using System.Text.Json.Nodes;
using Corrie.Core.Catalogue;
using Corrie.Core.Feeds;
using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Core.Jobs;

/// <summary>Begins with a display's power or signal: the boxes, each at its best place, and the way between them.</summary>
public static class FeedStart
{
    private static readonly Length OutletHeight = Length.Tape(16);

    /// <summary>What brings power or signal behind a display.</summary>
    /// <param name="document">The job; not changed.</param>
    /// <param name="plan">Its plan.</param>
    /// <param name="display">The display, which has its place.</param>
    /// <param name="power">Whether power is brought; else signal.</param>
    /// <returns>The changes: power comes from the nearest outlet of the wall, signal from a box under the one behind the display.</returns>
    public static IReadOnlyList<Change> Changes(JsonObject document, JobPlan plan, Item display, bool power)
    {
        var wall = plan.Sheet.WallOf(display)!;
        var units = plan.Sheet.Head.Units;
        var taken = plan.Sheet.Items.Select(i => i.Id).ToHashSet();
        string Key() => Enumerable.Range(1, 500).Select(n => $"b{n}").First(taken.Add);
        var outlet = power ? plan.Survey(wall.Id)?.Wall.Features.Where(f => f.Kind == FeatureKind.Receptacle).MinBy(f => (f.Centre - plan.Placement(display.Id)!.Outer.CentreX).Abs.Units) : null;
        var route = Enumerable.Range(1, 500).Select(n => $"r{n}").First(n => Pointer.Get(document, $"{wall.Here.Pointer}/{CableRoute.Part.Name}/{n}") is null);
        var (behind, below) = (Key(), outlet is null ? Key() : outlet.Id);
        JsonObject Box(string name, string serves)
        {
            var box = new JsonObject { ["kind"] = WallBox.Kind.Word, ["name"] = name, ["wall"] = wall.Id, ["product"] = TypicalParts.Find(power ? "typical-box-power" : "typical-box-signal")!.Document.DeepClone() };
            if (serves.Length > 0)
            {
                box["for"] = serves;
            }

            return box;
        }

        var changes = new List<Change> { new($"/items/{behind}", Box(power ? "power box behind the display" : "signal box behind the display", display.Id)) };
        if (outlet is null)
        {
            changes.Add(new($"/items/{below}", Box(power ? "power box near the floor" : "signal box near the floor", string.Empty)));
        }

        var way = new JsonObject { ["carries"] = power ? "power" : "signal", ["from"] = below, ["to"] = behind };
        if (power)
        {
            // The thinnest that the outlet's breaker protects.
            var circuit = plan.Sheet.Get(Electrics.Part)!.Circuits.Items.FirstOrDefault(c => outlet is not null && c.Outlets.Items.Contains($"{wall.Id}/{outlet.Id}"));
            var gauge = Circuit.ThinnestOn(circuit?.Amperes ?? 0);
            way["mains"] = TypicalParts.Find(gauge == 14 ? "typical-cable-mains" : $"typical-cable-mains-{gauge}")!.Document.DeepClone();
        }

        changes.Add(new($"{wall.Here.Pointer}/{CableRoute.Part.Name}/{route}", way));
        if (power)
        {
            // The display's own cord, from the box behind it.
            var cord = Enumerable.Range(1, 500).Select(n => $"k{n}").First(n => Pointer.Get(document, $"/{Connection.Part.Name}/{n}") is null);
            var plugged = new JsonObject { ["from"] = behind, ["to"] = display.Id, ["cable"] = TypicalParts.Find("typical-cable-cord")!.Document.DeepClone() };
            if (((IWired)display.Product!).Jacks.FirstOrDefault(j => j.Carries == Signal.Mains) is { } inlet)
            {
                plugged["toPort"] = inlet.Name;
            }

            changes.Add(new($"/{Connection.Part.Name}/{cord}", plugged));
        }

        // The box behind the display first: the other one goes where it leads to.
        foreach (var key in outlet is null ? new[] { behind, below } : [behind])
        {
            var with = (JsonObject)document.DeepClone();
            changes.ForEach(c => Pointer.Set(with, c.Path, c.Value?.DeepClone()));
            var planned = Planner.Plan(JobForm.Read(with).Sheet);
            var outer = plan.Placement(display.Id)!.Outer;
            var place = planned.Box(key)?.All is { Count: > 0 } places ? (places[0].X, places[0].Y) : key == behind ? (outer.CentreX, outer.CentreY) : (outer.CentreX, OutletHeight);
            var item = (JsonObject)changes.First(c => c.Path == $"/items/{key}").Value!;
            item[PlacementChoice.Part.Name] = new JsonObject { ["given"] = "centre", ["height"] = LengthText.Exact(place.Item2, units), ["across"] = LengthText.Exact(place.Item1, units) };
        }

        return changes;
    }
}
