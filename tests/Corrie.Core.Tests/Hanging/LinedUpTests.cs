using System.Text.Json.Nodes;
using Corrie.Core.Format;
using Corrie.Core.Hanging;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;

namespace Corrie.Core.Tests.Hanging;

/// <summary>Displays side by side: what the crew snaps on the wall brings them into line, whatever their mounts and patterns are.</summary>
public class LinedUpTests
{
    // The three differ in height, in where their pattern is and in their arms' pitch; none of that is a round number.
    private static JsonObject Three()
    {
        var document = Sheets.Document(("/walls/w1/width", "260 in"), ("/walls/w1/studs", new JsonObject(Enumerable.Range(0, 16).Select(n => KeyValuePair.Create($"s{n}", (JsonNode?)new JsonObject { ["centre"] = $"{6 + (16 * n)} in", ["state"] = "confirmed", ["uncertainty"] = "0 in" })))));
        foreach (var (n, height, up, pitch, across) in new[] { (2, "25 3/16 in", "11 13/32 in", "13/16 in", "148 3/16 in"), (3, "30 5/8 in", "16 1/32 in", "1 1/16 in", "214 7/16 in") })
        {
            var (display, mount) = ((JsonObject)document["items"]!["d1"]!.DeepClone(), (JsonObject)document["items"]!["m1"]!.DeepClone());
            (display["on"], display["product"]!["height"], display["product"]!["vesaCentreUp"], display["place"]!["across"], mount["product"]!["armPitch"]) = ($"m{n}", height, up, across, pitch);
            (document["items"]![$"d{n}"], document["items"]![$"m{n}"]) = (display, mount);
        }

        return document;
    }

    [Theory]
    [InlineData("middle", 0.5)]
    [InlineData("top", 1)]
    [InlineData("bottom", 0)]
    public void Three_displays_lined_up_are_within_a_sixteenth_by_what_is_snapped_on_the_wall(string line, double share)
    {
        var document = Three();
        foreach (var id in new[] { "d2", "d3" })
        {
            var plan = Sheets.Plan(document);
            // By the first display, or by one that is in line with it already.
            var (first, high) = (plan.Placement("d1")!.Outer, plan.Placement(id)!.Outer.Height);
            var proposal = HeightProposal.Of(plan, plan.Sheet.Item(id)!).First(p => p.School == School.LineUp && p.Says.Say(LengthStyle.Inches).StartsWith($"its {line} with that of", StringComparison.Ordinal) &&
                Math.Abs((p.Bottom + (high * share) - first.Bottom - (first.Height * share)).Inches) < 1e-6);
            foreach (var change in proposal.Sets)
            {
                Pointer.Set(document, change.Path, change.Value?.DeepClone());
            }
        }

        var planned = Sheets.Plan(document);
        var (hung, centres) = (new List<double>(), new List<double>());
        foreach (var n in new[] { 1, 2, 3 })
        {
            var (display, layout) = ((Corrie.Core.Catalogue.Display)planned.Sheet.Item($"d{n}")!.Product!, planned.Layout($"m{n}")!);
            // The crew sees sixteenths. What hangs from a hook line that is snapped there hangs by the display's own measure.
            var snapped = planned.Marks.Single(m => m.Id == $"m{n}/hook-line").Y!.Value.RoundedTo(Length.Tape(0, 1, 16));
            var bottom = snapped - layout.BottomToHook;
            hung.Add((bottom + (display.Height * share)).Inches);
            // Sideways by the plate's own mark and the slide that the sheet says.
            centres.Add((planned.Marks.Single(m => m.Id == $"m{n}/plate").X!.Value.RoundedTo(Length.Tape(0, 1, 16)) + layout.Shift.RoundedTo(Length.Tape(0, 1, 16)) - planned.Placement($"d{n}")!.Outer.CentreX).Abs.Inches);
        }

        Assert.InRange(hung.Max() - hung.Min(), 0, 1 / 16d);
        Assert.All(centres, off => Assert.InRange(off, 0, 1 / 16d));
    }

    [Fact]
    public void A_top_is_lined_up_with_the_head_of_a_door()
    {
        var plan = Sheets.Plan(("/walls/w1/features/r", Sheets.Json("""{ "kind": "door", "name": "door", "left": "4 in", "width": "30 in", "bottom": "0 in", "height": "82 in" }""")));
        Assert.Contains(HeightProposal.Of(plan, plan.Sheet.Item("d1")!), p => p.School == School.LineUp && p.Bottom == Sheets.In("54 in") && p.Says.Say(LengthStyle.Inches) == "its top with that of the door, 82 in");
    }
}
