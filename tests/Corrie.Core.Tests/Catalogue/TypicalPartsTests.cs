using System.Text.Json.Nodes;
using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using Corrie.Core.Planning;

namespace Corrie.Core.Tests.Catalogue;

public class TypicalPartsTests
{
    [Fact]
    public void Each_is_sound_and_marked()
    {
        Assert.Equal([10, 8, 12], new[] { Display.Kind, Mount.Kind, Fastener.Kind }.Select(k => TypicalParts.Of(k).Count));
        Assert.Equal(TypicalParts.All.Count, TypicalParts.All.Select(p => p.Id).Distinct().Count());
        Assert.All(TypicalParts.All, p =>
        {
            var problems = new List<SheetProblem>();
            p.Kind.Form.Check(p.Document, string.Empty, problems);
            Assert.Empty(problems);
            Assert.True(p.Kind.Read(p.Document).Typical);
            Assert.StartsWith("Typical ", p.Name);
        });
    }

    /// <summary>Outer sizes: the picture (16:9: 0.8716 and 0.4903 of its diagonal) and a frame of up to 2 in (common practice). Patterns and threads: MIS-D to MIS-F (from memory).</summary>
    [Fact]
    public void Displays_are_as_large_as_their_picture_and_have_a_pattern_that_screens_of_their_size_have()
    {
        Assert.All(TypicalParts.Of(Display.Kind).Select(p => (Display)Display.Kind.Read(p.Document)), d =>
        {
            Assert.InRange(d.Width.Inches - (0.8716 * d.Diagonal.Inches), 0.2, 2);
            Assert.InRange(d.Height.Inches - (0.4903 * d.Diagonal.Inches), 0.2, 2);
            var (wide, high) = ((int)Math.Round(d.VesaWidth.Millimetres), (int)Math.Round(d.VesaHeight.Millimetres));
            Assert.True((wide, high, d.Thread) is (100, 100, "M4") || (wide % 100 == 0 && high % 100 == 0 && d.Thread is "M6" or "M8"), $"{d.Name}: {wide} by {high}, {d.Thread}");
            Assert.InRange(d.VesaCentreUp.Inches / d.Height.Inches, 0.4, 0.5);
        });
    }

    [Fact]
    public void The_same_typical_bolt_on_two_plates_is_one_stop_and_one_answer_for_both()
    {
        var bolt = TypicalParts.Find("typical-fastener-lag-5-16-3")!.Document;
        var two = Sheets.Document(("/items/m1/bolt", bolt.DeepClone()));
        foreach (var (key, of) in new[] { ("m2", "m1"), ("d2", "d1") })
        {
            Pointer.Set(two, "/items/" + key, two["items"]![of]!.DeepClone());
        }

        Pointer.Set(two, "/items/d2/on", "m2");
        Pointer.Set(two, "/items/d2/place/height", "6 in");
        var stop = Assert.Single(Planner.Plan(JobForm.Read(two).Sheet).Findings, f => f.Code == "plan.assumed" && f.Stops);
        Assert.Contains("lag screw 5/16 by 3 in, 5/16 in thick and 3 in long", stop.Message.Say(LengthStyle.Inches));
        Assert.Equal(["/items/m1/bolt/typical", "/items/m2/bolt/typical"], Assert.Single(stop.Remedies).Changes.Select(c => c.Path));
    }

    [Fact]
    public void A_typical_display_is_a_note_until_a_hole_is_planned_and_then_a_stop_until_somebody_has_measured_it()
    {
        var typical = TypicalParts.Find("typical-display-65")!.Document;
        static Finding? Said(JobPlan plan) => plan.Findings.SingleOrDefault(f => f.Code == "plan.assumed" && f.Parts.Prepend(f.Message).Any(p => p.Say(LengthStyle.Inches).Contains("typical")));
        Assert.Equal(Severity.Note, Said(Sheets.Plan(("/items/d1/product", typical.DeepClone()), ("/items/m1/bolt", null)))!.Severity);
        var drilled = Sheets.Document(("/items/d1/product", typical.DeepClone()));
        var stop = Said(Sheets.Plan(("/items/d1/product", typical.DeepClone())))!;
        Assert.Equal((Severity.Stop, "d1/product"), (stop.Severity, stop.Where.Part));
        Assert.Contains("57 1/8 in by 33 in", stop.Message.Say(LengthStyle.Inches));
        foreach (var change in stop.Remedies.Single().Changes)
        {
            Pointer.Set(drilled, change.Path, change.Value?.DeepClone());
        }

        Assert.Null(Said(Planner.Plan(JobForm.Read(drilled).Sheet)));
    }
}
