using System.Text.Json.Nodes;
using Corrie.Core.Findings;
using Corrie.Core.Fixing;
using Corrie.Core.Hanging;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;

namespace Corrie.Core.Tests.Judgement;

/// <summary>
/// What a lead says when holes come out elsewhere: everything that hangs is looked at where it really hangs, what misses wood holds nothing, and a hole keeps its number. The plain wall:
/// studs at 54, 70, 86 and 102 in, bolts 1 to 4 at 70 and 86, rows at 50 7/16 and 45 15/16 up, the display from 30 to 58.
/// </summary>
public class WhatWasMadeTests
{
    [Fact]
    public void A_first_hole_two_inches_low_leaves_a_sixteenth_over_the_cupboard_and_that_is_said()
    {
        // 2 1/16 in of gap as planned; the display hangs 2 in lower by its first bolt.
        (string, JsonNode?)[] cupboard = [("/walls/w1/features/c", Sheets.Json("""{ "kind": "furniture", "name": "cupboard", "left": "60 in", "width": "36 in", "height": "27 15/16 in", "depth": "16 in" }"""))];
        Assert.DoesNotContain("place.gap-too-small", Sheets.Plan(cupboard).Codes());
        var built = Sheets.Plan([.. cupboard, Hole("a", "70 in", "48 7/16 in")]);
        Assert.Contains("is 1/16 in;", built.Finding("place.gap-too-small").Message.Say(LengthStyle.Inches));
        Assert.Equal(28, built.Placement("d1")!.Outer.Bottom.Inches, 0.001);
        Assert.Equal(0.0625, built.Placement("d1")!.Budget.Single(b => b.IsGap && b.Name == "gap").Size.Inches, 0.001);
    }

    [Fact]
    public void A_display_that_comes_out_higher_is_looked_up_at_from_where_it_hangs()
    {
        // Eye 44, centre 44 as planned and 54 with the hole 10 in high, 80 in away: atan(10 / 80) = 7.1 degrees.
        var built = Sheets.Plan(Hole("a", "70 in", "60 7/16 in"));
        Assert.Equal(0, Sheets.Plan().Placement("d1")!.Views[0].ToCentre.Degrees, 0.01);
        Assert.Equal(7.125, built.Placement("d1")!.Views[0].ToCentre.Degrees, 0.01);
        // And as far up as there is no room for lifting it on: the ceiling is at 96, 1 in is needed over it.
        Assert.Contains("hang.no-room-above", Sheets.Plan(Hole("a", "70 in", "87 3/4 in")).Codes());
        Assert.DoesNotContain("hang.no-room-above", Sheets.Plan(Hole("a", "70 in", "87 3/8 in")).Codes());
    }

    [Fact]
    public void To_ask_where_a_thing_goes_before_everything_hangs_does_not_compile()
    {
        var asks = typeof(PlacementResults).GetMethod(nameof(PlacementResults.Placement))!.GetParameters()[0].ParameterType;
        var early = typeof(IEarlyStage).GetMethod(nameof(IEarlyStage.Plan))!.GetParameters()[0].ParameterType;
        Assert.Equal(typeof(IHungResults), asks);
        Assert.False(early.IsAssignableTo(asks));
        Assert.True(typeof(ILateStage).GetMethod(nameof(ILateStage.Plan))!.GetParameters()[0].ParameterType.IsAssignableTo(asks));
    }

    [Theory] // a face of 1 1/2 in and a bolt of 5/16: from 19/32 in off the centre on it comes out at the side
    [InlineData("71 3/8 in", true)]
    [InlineData("72 1/4 in", true)]
    [InlineData("70 5/8 in", true)]
    [InlineData("70 9/16 in", false)]
    public void A_bolt_beside_its_stud_holds_nothing(string across, bool astray)
    {
        var plan = Sheets.Plan(Hole("a", across, "50 7/16 in"), ("/items/m1/product/slide", "6 in"));
        Assert.Equal(astray, plan.Layout("m1")!.Position.Bolts.Single(b => b.Made).Astray);
        Assert.Equal(astray, plan.Codes().Contains("fix.no-hold"));
        if (!astray)
        {
            Assert.Contains("fix.edge-distance", plan.Codes());
            return;
        }

        Assert.DoesNotContain(plan.Bolted.Bolts, b => b.X == Sheets.In(across) && b.Row == "top");
        var said = plan.Finding("fix.no-hold");
        Assert.Contains("stud at 70 in", said.Message.Say(LengthStyle.Inches));
        Assert.Contains("holds nothing", said.Message.Say(LengthStyle.Inches));
        // Nothing says that it belongs where it is.
        Assert.DoesNotContain($"belongs at {across}", string.Join(' ', plan.Findings.Select(f => f.Message.Say(LengthStyle.Inches))));
    }

    [Fact]
    public void What_the_others_do_not_hold_is_a_final_stop()
    {
        // 5/8 in off both holes are beside the stud, and 4 diameters from them there is no wood: what hangs 8 in beside the bolts at 86 turns them.
        (string, JsonNode?)[] beside = [Hole("a", "70 5/8 in", "50 7/16 in"), Hole("c", "70 5/8 in", "45 15/16 in", row: "bottom"), ("/items/m1/product/slide", "6 in")];
        Assert.Equal([2, 4], Sheets.Plan(beside).Bolted.Bolts.Select(b => b.Number));
        Assert.All(Sheets.Plan([.. beside, ("/items/d1/product/mass", "95 lb")]).Findings.Where(f => f.Code == "fix.no-hold"), f => Assert.Equal(Severity.FinalStop, f.Severity));
        // 1 3/8 in off there is room for another one in the stud, and the four hold all of it.
        var another = Sheets.Plan(Hole("a", "71 3/8 in", "50 7/16 in"), ("/items/m1/product/slide", "6 in"));
        Assert.Equal(Severity.Stop, another.Finding("fix.no-hold").Severity);
        Assert.Contains("make hole 5 at 70", another.Finding("fix.no-hold").Message.Say(LengthStyle.Inches));
    }

    [Fact]
    public void A_missed_hole_keeps_its_number_and_a_new_one_gets_a_new_one()
    {
        // Bolt 2 is in; bolt 1 met nothing at 70: the stud turns up at 71 1/2.
        var plan = Sheets.Plan(Hole("b", "86 in", "50 7/16 in", number: 2), Hole("a", "70 in", "50 7/16 in", state: "missed", number: 1), ("/walls/w1/studs/b/centre", "71 1/2 in"));
        Assert.Equal([5, 2, 3, 4], plan.Bolted.Bolts.Select(b => b.Number));
        Assert.Equal([1], plan.Layout("m1")!.Spent.Select(s => s.Number));
        Assert.Equal(Sheets.In("71 1/2 in"), plan.Bolted.Bolts[0].X);
        // Entered before numbers were recorded: the nearest of its row was meant.
        var old = Sheets.Plan(Hole("b", "86 in", "50 7/16 in"), Hole("a", "70 in", "50 7/16 in", state: "missed"), ("/walls/w1/studs/b/centre", "71 1/2 in"));
        Assert.Equal(plan.Bolted.Bolts.Select(b => b.Number), old.Bolted.Bolts.Select(b => b.Number));
    }

    [Fact]
    public void Two_holes_entered_with_one_number_are_two_all_the_same()
    {
        var plan = Sheets.Plan(Hole("a", "70 in", "50 7/16 in", state: "missed", number: 1), Hole("b", "86 in", "50 7/16 in", number: 1));
        Assert.Equal([1], plan.Layout("m1")!.Spent.Select(s => s.Number));
        Assert.Equal(2, plan.Bolted.Bolts.Single(b => b.X == Sheets.In("86 in") && b.Row == "top").Number);
    }

    [Fact]
    public void Numbers_do_not_depend_on_what_became_of_the_others()
    {
        string[] states = ["holds", "missed", "spins", "snapped"];
        var random = new Random(34);
        for (var n = 0; n < 60; n++)
        {
            var made = new (string Key, int X, string Up, string Row, int Number)[] { ("a", 70, "50 7/16 in", "top", 1), ("b", 86, "50 7/16 in", "top", 2), ("c", 70, "45 15/16 in", "bottom", 3), ("d", 86, "45 15/16 in", "bottom", 4) }
                .OrderBy(_ => random.Next()).Take(random.Next(1, 5))
                .Select(h => (h.Number, State: states[random.Next(4)], Change: Hole(h.Key, $"{h.X} {random.Next(1, 8)}/16 in", h.Up, "x", h.Row, h.Number))).ToList();
            var plan = Sheets.Plan([.. made.Select(m => m.Change with { Item2 = With(m.Change.Item2!, m.State) }), ("/items/m1/product/slide", "6 in")]);
            var layout = plan.Layout("m1")!;
            foreach (var (number, state, change) in made)
            {
                var x = Sheets.In((string)change.Item2!["across"]!);
                Assert.Contains(layout.Position.Bolts.Where(b => b.Made).Select(b => (b.Number, b.X)).Concat(layout.Spent.Select(s => (s.Number, s.X))), h => h == (number, x));
            }

            var numbers = layout.Position.Bolts.Where(b => b is { Number: > 0, Astray: false }).Select(b => b.Number).Concat(layout.Spent.Select(s => s.Number)).ToList();
            Assert.Equal(numbers.Count, numbers.Distinct().Count());
            // 4 diameters of 5/16 in from a bolt that is in, 3 from a hole that is empty.
            foreach (var planned in layout.Position.Bolts.Where(b => b is { Made: false, Number: > 0 }))
            {
                var y = layout.HookLine + planned.Row.AboveHook;
                foreach (var (_, state, change) in made)
                {
                    var apart = Math.Sqrt(Math.Pow((planned.X - Sheets.In((string)change.Item2!["across"]!)).Inches, 2) + Math.Pow((y - Sheets.In((string)change.Item2!["up"]!)).Inches, 2));
                    Assert.True(apart >= (state == "holds" ? 1.25 : 0.9375) - 0.001, $"{apart} in from a hole that {state}");
                }
            }
        }
    }

    private static JsonNode With(JsonNode hole, string state)
    {
        var copy = hole.DeepClone();
        copy["state"] = state;
        return copy;
    }

    private static (string, JsonNode?) Hole(string key, string across, string up, string state = "holds", string row = "top", int? number = null)
    {
        var hole = new JsonObject { ["row"] = row, ["across"] = across, ["up"] = up, ["state"] = state, ["by"] = "Tom" };
        if (number is { } given)
        {
            hole["number"] = given;
        }

        return ($"/items/m1/built/holes/{key}", hole);
    }
}
