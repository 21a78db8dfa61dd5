using System.Text.Json.Nodes;
using Corrie.Core.Findings;
using Corrie.Core.Fixing;
using Corrie.Core.Hanging;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;
using Corrie.Core.SiteDay;
using Corrie.Core.Tests.Jobs;

namespace Corrie.Core.Tests.SiteDay;

/// <summary>What is in the wall stays, and the rest of the plan follows it.</summary>
public class BuiltTests : IFindingCases
{
    // The plain wall with its display set so that the top row of the plate is at 52 in; bolts at 70 and 86 across, the lower row 4 1/2 in under it.
    private static readonly (string, JsonNode?) At52 = ("/items/d1/place/height", LengthText.Exact(Sheets.In("30 in") + Sheets.In("52 in") - Sheets.Plan().Bolted.Bolts[0].Y, UnitSystem.Inches));

    private static readonly (string, JsonNode?)[] Agreed = [At52, ("/items/d1/place/approval/centre", LengthText.Exact(Sheets.Plan(At52).Placed.Outer.CentreY, UnitSystem.Inches))];

    private static readonly (string, JsonNode?)[] AllIn = [.. Agreed, Hole("a", "70 in", "52 in"), Hole("b", "86 in", "52 in"), Hole("c", "70 in", "47 1/2 in", "bottom"), Hole("d", "86 in", "47 1/2 in", "bottom"), ("/items/m1/built/rightHigher", "0 in")];

    // A quarter more than the 40 lb that hang.
    private static readonly (string, JsonNode?) Proof = ("/items/m1/built/proof", Sheets.Json("""{ "pull": "50 lb", "held": true, "by": "Tom", "on": "4 May" }"""));

    public IEnumerable<(string Code, (string Path, JsonNode? Value)[] Has, (string Path, JsonNode? Value)[] Just)> Cases =>
    [
        ("site.hole-beside", [.. Agreed, Hole("a", "66 15/16 in", "52 in"), Hole("b", "86 in", "52 in")], [.. Agreed, Hole("a", "70 in", "52 in")]),
        ("site.hold-point", AllIn[..^1], AllIn),
        ("site.proof-missing", [.. AllIn, Hung("44 in"), ("/items/m1/built/proof", Sheets.Json("""{ "pull": "49 lb", "held": true, "by": "Tom" }"""))], [.. AllIn, Hung("44 in"), Proof]),
        // 1/8 in over the display's 48 1/2 is 1/24 over 16: a sixteenth over 16 is more.
        ("site.level", [.. AllIn, ("/items/m1/built/holes/b/up", "52 1/16 in")], [.. AllIn, ("/items/m1/built/holes/b/up", "52 1/32 in")]),
        ("site.centre", [.. Agreed, Hole("a", "70 in", "52 3/16 in")], [.. Agreed, Hole("a", "70 in", "52 1/8 in")]),
        ("site.check-fails", [.. Agreed, .. Measured("1/4 in")], [.. Agreed, .. Measured("1/32 in")]),
        // In one stud of two the row has one place left; found empty, the hole is spent without anybody wondering what is behind.
        ("fix.spin", [.. Agreed, Hole("a", "86 in", "52 in", state: "spins")], [.. Agreed, Hole("a", "86 in", "52 in", state: "missed")]),
    ];

    [Fact]
    public void The_first_bolt_an_eighth_high_moves_the_rest_without_a_word()
    {
        var (planned, built) = (Sheets.Plan(Agreed), Sheets.Plan([.. Agreed, Hole("a", "70 in", "52 1/8 in")]));
        var eighth = Sheets.In("1/8 in");
        Assert.Equal([Sheets.In("52 in"), Sheets.In("52 in"), Sheets.In("47 1/2 in"), Sheets.In("47 1/2 in")], planned.Bolted.Bolts.Select(b => b.Y));
        Assert.All(built.Bolted.Bolts.Zip(planned.Bolted.Bolts), b => Assert.Equal(eighth, b.First.Y - b.Second.Y));
        Assert.Equal(eighth, built.Layout("m1")!.Plate.Bottom - planned.Layout("m1")!.Plate.Bottom);
        Assert.Equal(eighth, built.Placed.Outer.Bottom - planned.Placed.Outer.Bottom);
        Assert.Equal(eighth, Mark(built, "d1/bottom") - Mark(planned, "d1/bottom"));
        Assert.Empty(built.Findings);
    }

    [Fact]
    public void Three_sixteenths_are_said_as_what_they_are()
    {
        var first = Sheets.Plan([.. Agreed, Hole("a", "70 in", "52 3/16 in")]);
        Assert.Equal(["site.centre"], first.Codes());
        Assert.Contains("3/16 in higher", first.Finding("site.centre").Message.Say(LengthStyle.Inches));
        // The second one: the plate is out of level, and hangs by the first.
        var second = Sheets.Plan([.. Agreed, Hole("a", "70 in", "52 in"), Hole("b", "86 in", "52 3/16 in"), ("/items/m1/built/rightHigher", "0 in")]);
        Assert.Equal(["site.level"], second.Codes());
    }

    [Fact]
    public void A_hole_that_missed_is_kept_clear_of()
    {
        // Planned dead in a stud at 70; it met nothing there, and the stud is found at 71 1/2.
        var plan = Sheets.Plan([.. Agreed, Hole("a", "70 in", "52 in", state: "missed"), ("/walls/w1/studs/b/centre", "71 1/2 in")]);
        // 3 diameters of 5/16 in are 15/16.
        Assert.All(plan.Bolted.Bolts, b => Assert.True(Math.Sqrt(Math.Pow(b.X.Inches - 70, 2) + Math.Pow(b.Y.Inches - 52, 2)) >= 0.9375));
        Assert.Contains(plan.Bolted.Bolts, b => b.X == Sheets.In("71 1/2 in"));
        Assert.DoesNotContain("survey.old-hole-too-near", plan.Codes());
        Assert.Equal(1, plan.Site("m1")!.Spent);
        // Where the stud is where it was thought, the plate moves so far that the bolt keeps clear and its edge distance.
        var there = Sheets.Plan([.. Agreed, Hole("a", "69 5/16 in", "52 in", state: "snapped")]);
        Assert.All(there.Bolted.Bolts, b => Assert.True(b.X != Sheets.In("70 in") || b.Row != "top" || (b.X - Sheets.In("69 5/16 in")).Abs >= Sheets.In("15/16 in")));
    }

    [Fact]
    public void A_single_check_that_cannot_be_is_said_before_the_others_are_measured()
    {
        var level = Sheets.Plan(Agreed).Site("m1")!.Checks.First(c => c.Kind == CheckKind.Level);
        Assert.Contains("site.check-fails", Sheets.Plan([.. Agreed, ($"/items/m1/built/checks/{level.Id}/reads", "3 in")]).Codes());
        Assert.DoesNotContain("site.check-fails", Sheets.Plan([.. Agreed, ($"/items/m1/built/checks/{level.Id}/reads", "1/32 in")]).Codes());
    }

    [Fact]
    public void Holes_that_are_there_stay_where_they_are()
    {
        // The stud on the right is found 1/2 in farther: the plate stays on its first bolt, and the display where it is wanted.
        var plan = Sheets.Plan([.. Agreed, Hole("a", "70 1/8 in", "52 in"), ("/walls/w1/studs/c/centre", "86 1/2 in")]);
        Assert.Contains(plan.Bolted.Bolts, b => b.X == Sheets.In("70 1/8 in") && b.Row == "top");
        Assert.Contains(plan.Bolted.Bolts, b => b.X == Sheets.In("86 1/2 in"));
        Assert.Equal(Sheets.Plan(Agreed).Placed.Outer, plan.Placed.Outer);
        Assert.DoesNotContain(plan.Findings, f => f.Stops);
    }

    [Fact]
    public void The_pull_at_the_plate_is_a_quarter_more_than_hangs_and_never_over_the_rating()
    {
        Assert.Equal(50, Sheets.Plan().Site("m1")!.Proof.Pounds, 1e-9);
        Assert.Equal(100, Sheets.Plan(("/items/d1/product/mass", "90 lb")).Site("m1")!.Proof.Pounds, 1e-9);
        Assert.Equal(StageState.Clear, Sheets.Plan([.. AllIn, Proof, Hung("44 in")]).Statuses.Single(s => s.Stage.Id == SiteFindings.Stage).State);
    }

    private static Length Mark(JobPlan plan, string id) => plan.Marks.Single(m => m.Id == id).Y!.Value;

    private static (string, JsonNode?) Hung(string centre) => ("/items/m1/built/hung", new JsonObject { ["centreUp"] = LengthText.Exact(Sheets.Plan(At52).Placed.Outer.CentreY, UnitSystem.Inches), ["by"] = centre });

    private static (string, JsonNode?) Hole(string key, string across, string up, string row = "top", string state = "holds") =>
        ($"/items/m1/built/holes/{key}", new JsonObject { ["row"] = row, ["across"] = across, ["up"] = up, ["state"] = state, ["by"] = "Tom" });

    // All check dimensions as planned, but everything from the fourth bolt off by so much.
    private static IEnumerable<(string, JsonNode?)> Measured(string off) => Sheets.Plan(Agreed).Site("m1")!.Checks.Select(c =>
        ($"/items/m1/built/checks/{c.Id}/reads", (JsonNode?)LengthText.Exact(c.Expected + (c.To == 3 && c.Kind == CheckKind.Apart ? Sheets.In(off) : Length.Zero), UnitSystem.Inches)));
}
