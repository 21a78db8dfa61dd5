using System.Text.Json.Nodes;
using Corrie.Core.Findings;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Core.Survey;
using Corrie.Simulators;

namespace Corrie.Core.Tests.Survey;

public class FramingTests
{
    /// <summary>A wall on which nobody has put a member, with evidence written as <c>hit 40.2</c> or <c>edges 39 1/4..40 3/4</c>; probes exact.</summary>
    private static JobPlan Plan(string evidence, params (string, JsonNode?)[] more)
    {
        var all = new JsonObject();
        foreach (var (line, n) in evidence.Split(';', StringSplitOptions.TrimEntries).Select((l, n) => (l, n)))
        {
            var cut = line.IndexOf(' ');
            var (kind, at) = (line[..cut], line[(cut + 1)..].Split(".."));
            var item = new JsonObject
            {
                ["kind"] = kind switch { "hit" or "met" or "chips" or "stops" => "probe-hit", "miss" => "probe-miss", "edges" => "scanner-edges", "scan" => "scanner-centre", _ => kind },
                ["at"] = at[0] + " in",
                ["good"] = "0 in",
            };
            if (kind is "hit" or "stops")
            {
                item["bite"] = kind == "hit" ? "1 in" : "0 in";
            }

            if (kind == "chips")
            {
                item["told"] = "metal";
            }

            if (at.Length > 1)
            {
                item["to"] = at[1] + " in";
            }

            all[$"e{n}"] = item;
        }

        return Sheets.Plan([("/walls/w1/studs", null), ("/walls/w1/evidence", all), .. more]);
    }

    private static FoundMember Only(JobPlan plan) => Assert.Single(plan.Framing.Members);

    [Fact]
    public void Hits_and_misses_on_both_sides_confirm_a_member_between_them()
    {
        var member = Only(Plan("hit 40.2; hit 40.8; miss 39.3; miss 41.0"));
        // By hand, 1 1/2 in wide: the hits leave 40.05 to 40.95, the right miss 40.25 at most.
        Assert.Equal(StudState.Confirmed, member.State);
        Assert.InRange(member.Centre.Inches, 40.05, 40.25);
        Assert.Equal(40.15, member.Centre.Inches, 1e-3);
        Assert.Equal(0.1, member.Uncertainty.Inches, 1e-3);
    }

    [Theory]
    // Within 0.75 - 1.5 * 5/16 = 0.28125 in of the mark, either way: 0.5625 in of play.
    [InlineData("hit 40; miss 40.5625", StudState.Confirmed)]
    [InlineData("hit 40; miss 40.5781", StudState.Suspected)]
    // Two hits far apart would do for a stud that stands alone; beside a second one the mark is on their seam.
    [InlineData("hit 39.4; hit 40.6", StudState.Suspected)]
    [InlineData("hit 39.4; hit 40.6; miss 38.8; miss 41.2", StudState.Confirmed)]
    [InlineData("hit 40", StudState.Suspected)]
    // A pipe, a strip or a plate stops a bit too: what it met has to be known to be wood.
    [InlineData("met 40; miss 40.5625", StudState.Suspected)]
    [InlineData("met 39.4; met 40.6; miss 38.8; miss 41.2", StudState.Found)]
    [InlineData("met 39.4; hit 40.6; miss 38.8; miss 41.2", StudState.Found)]
    [InlineData("chips 40; hit 40.2; miss 40.5625", StudState.Confirmed)]
    [InlineData("knock 40", StudState.Suspected)]
    [InlineData("scan 40", StudState.Suspected)]
    [InlineData("edges 39.25..40.75; edges 39.2..40.7; magnet 40.1", StudState.Found)]
    [InlineData("seen 39.25..40.75", StudState.Confirmed)]
    public void A_member_is_as_sure_as_its_evidence(string evidence, StudState state) => Assert.Equal(state, Only(Plan(evidence)).State);

    /// <summary>What lacks is asked for, and one answer gives it.</summary>
    [Fact]
    public void What_the_bit_met_is_asked_for_where_nothing_else_lacks()
    {
        (string, JsonNode?)[] Probed(JsonNode? bite) =>
        [
            ("/walls/w1/studs/b", null),
            ("/walls/w1/evidence/e1", Sheets.Json("""{ "kind": "probe-hit", "at": "70 1/2 in" }""")), ("/walls/w1/evidence/e1/bite", bite),
            ("/walls/w1/evidence/e2", Sheets.Json("""{ "kind": "probe-miss", "at": "70 7/8 in" }""")),
        ];
        var asked = Sheets.Plan(Probed(null)).Finding("survey.framing-unconfirmed");
        Assert.StartsWith("Say what the bit met at 70 1/2 in, where 2 of the plate's holes go", asked.Message.Say(LengthStyle.Inches));
        var answer = Assert.Single(Assert.Single(asked.Remedies).Changes);
        Assert.Equal(("/walls/w1/evidence/e1/bite", "1/2 in"), (answer.Path, answer.Value?.ToString()));
        Assert.DoesNotContain("survey.framing-unconfirmed", Sheets.Plan(Probed("1/2 in")).Codes());
        // What bites for less is no stud that a bolt could go into.
        Assert.Contains("hang.one-stud-only", Sheets.Plan(Probed("7/16 in")).Codes());
    }

    /// <summary>Hits alone never exclude a gap between two plies: only the edges of one of them pin it down.</summary>
    [Theory]
    [InlineData("hit 38.6; hit 41.4", 0)]
    [InlineData("hit 38.6; hit 40.1; hit 41.4; miss 41.6", 1)]
    [InlineData("miss 38.4; hit 38.6; hit 41.4; miss 41.6", 2)]
    public void Two_plies_may_have_a_gap_between_them(string evidence, int confirmed) =>
        Assert.Equal(confirmed, Plan(evidence).Studs.Count(s => s.State == StudState.Confirmed));

    /// <summary>Two studs read 3/8 in too far right, their edges found by the bit, show what a third one's reading means.</summary>
    [Fact]
    public void What_a_scanner_that_is_off_says_elsewhere_is_moved_by_as_much()
    {
        var plan = Plan("edges 39.625..41.125; edges 55.625..57.125; edges 71.625..73.125; edges 71.6..73.1; miss 39.2; hit 39.3; hit 40.7; miss 40.8; miss 55.2; hit 55.3; hit 56.7; miss 56.8");
        Assert.Equal(72, plan.Studs[2].Centre.Inches, 0.1);
        Assert.Contains("it read 3/8 in to the right", plan.Finding("survey.tool-biased").Message.Say(LengthStyle.Inches));
        // Nothing is moved where they are off to different sides.
        var none = Plan("edges 39.625..41.125; edges 54.875..56.375; edges 71.625..73.125; edges 71.6..73.1; miss 39.2; hit 39.3; hit 40.7; miss 40.8; miss 55.2; hit 55.3; hit 56.7; miss 56.8");
        Assert.Equal(72.36, none.Studs[2].Centre.Inches, 0.1);
        Assert.DoesNotContain("survey.tool-biased", none.Codes());
    }

    [Fact]
    public void A_member_is_confirmed_for_a_bolt_and_not_for_a_thicker_one()
    {
        const string evidence = "hit 40; miss 40.5";
        Assert.Equal(StudState.Confirmed, Only(Plan(evidence)).State);
        // 0.75 - 1.5 * 3/8 = 0.1875 in: half an inch of play is too much.
        Assert.Equal(StudState.Suspected, Only(Plan(evidence, ("/items/m1/bolt/diameter", "3/8 in"))).State);
    }

    [Fact]
    public void A_miss_between_near_hits_contradicts_them_until_somebody_says_what_it_is()
    {
        const string evidence = "hit 20.0; hit 20.9; miss 20.4";
        var finding = Plan(evidence).Finding("survey.evidence-contradicts");
        Assert.Contains("Two members with a gap, or is one of the three wrong?", finding.Message.Say(LengthStyle.Inches));
        Assert.Equal(4, finding.Remedies.Count);
        Assert.Equal(StudState.Suspected, Only(Plan(evidence)).State);

        var gap = Plan(evidence, ("/walls/w1/evidence/e2/gap", true));
        Assert.DoesNotContain("survey.evidence-contradicts", gap.Codes());
        Assert.Equal(2, gap.Framing.Members.Count);
        // By hand: the left one ends between 20.0 and 20.4, the right one begins between 20.4 and 20.9.
        Assert.InRange(gap.Framing.Members[0].Centre.Inches, 19.25, 19.65);
        Assert.InRange(gap.Framing.Members[1].Centre.Inches, 21.15, 21.65);

        var struck = Plan(evidence, ("/walls/w1/evidence/e2/struck", true));
        Assert.DoesNotContain("survey.evidence-contradicts", struck.Codes());
        Assert.Single(struck.Framing.Members);
    }

    [Fact]
    public void Hits_a_member_s_width_apart_with_a_miss_between_are_two_members() =>
        Assert.Equal(2, Plan("hit 20; miss 21; hit 21.6").Framing.Members.Count);

    [Fact]
    public void A_scanner_s_reading_at_a_joint_is_struck_out_where_the_bit_falls_through()
    {
        var plan = Plan("edges 47.4..48.7; miss 48");
        Assert.Empty(plan.Framing.Members);
        Assert.Equal("e0", Assert.Single(plan.Framing.False).Evidence.Id);
        Assert.Contains("the bit fell through at 48 in", plan.Finding("survey.false-reading").Message.Say(LengthStyle.Inches));
        Assert.Equal(Severity.Note, plan.Finding("survey.false-reading").Severity);
        Assert.DoesNotContain("survey.false-reading", Plan("edges 47.4..48.7; miss 49.2").Codes());
    }

    [Fact]
    public void Doubled_members_are_two_studs_side_by_side()
    {
        var plan = Plan("hit 40.1; hit 41.5; hit 42.9; miss 39.9; miss 43.1");
        // By hand: 3 in of wood between 39.9 and 43.1, so plies round 40.75 and 42.25.
        Assert.Equal([40.75, 42.25], plan.Studs.Select(s => Math.Round(s.Centre.Inches, 2)));
        Assert.All(plan.Studs, s => Assert.Equal(StudState.Confirmed, s.State));
    }

    [Fact]
    public void Spacing_is_a_hint_and_never_proof()
    {
        var plan = Plan("edges 15.3..16.7; edges 31.25..32.75; edges 63.3..64.8; edges 79.2..80.7");
        Assert.Contains(plan.Framing.Expected, x => Math.Abs(x.Inches - 48) < 0.25);
        Assert.DoesNotContain(plan.Studs, s => Math.Abs(s.Centre.Inches - 48) < 4);
        // One reading is a suspicion; on the module of three others it is a find.
        Assert.All(plan.Studs, s => Assert.Equal(StudState.Found, s.State));
        Assert.Equal(StudState.Suspected, Only(Plan("edges 31.25..32.75")).State);
    }

    [Theory]
    [InlineData("gypsum board", "3/4 in", true)]
    [InlineData("gypsum board", "25/32 in", false)]
    [InlineData("plaster", "5/8 in", false)]
    public void A_test_hole_confirms_the_layers_that_it_shows(string name, string thickness, bool confirms)
    {
        var plan = Sheets.Plan(
            ("/walls/w1/layers/l1/confirmed", false),
            ("/walls/w1/testHoles/t", Sheets.Json($$"""{ "x": "20 in", "y": "40 in", "by": "Ines", "layers": [{ "name": "{{name}}", "thickness": "{{thickness}}" }] }""")));
        Assert.Equal(("test hole by Ines", confirms ? "gypsum board" : name, confirms), (plan.Wall.Layers[0].By, plan.Wall.Layers[0].Name, plan.Wall.Said is null));
        // What contradicts the build-up is planned with, and stops until somebody has taken it over.
        Assert.Equal(!confirms, plan.Codes().Contains("survey.build-up-differs"));
    }

    [Fact]
    public void The_material_speaks_for_a_member_or_against_it()
    {
        double Presence(string told, string kind) =>
            Only(Plan("scan 40", ("/walls/w1/evidence/e0/told", told), ("/walls/w1/kind", kind))).Presence;
        var untold = Only(Plan("scan 40")).Presence;
        Assert.True(Presence("wood", "wood-studs") > untold);
        Assert.True(Presence("metal", "wood-studs") < untold);
        Assert.True(Presence("metal", "steel-studs") > Presence("wood", "steel-studs"));
    }

    /// <summary>Random walls and random evidence: what is said never depends on its order, and never goes beyond the facts.</summary>
    [Fact]
    public void Whatever_is_found_its_order_does_not_matter_and_facts_hold()
    {
        var random = new Random(7);
        for (var n = 0; n < 300; n++)
        {
            var hidden = new HiddenWall(1000 + n);
            var prospector = new Prospector(hidden, Length.Tape(0, 5, 16));
            prospector.Sweep(Prospector.Heights[n % 2]);
            for (var k = random.Next(1, 12); k > 0; k--)
            {
                prospector.Probe(hidden.Truth[random.Next(hidden.Truth.Count)].Centre + ((random.NextDouble() - 0.5) * 3));
            }

            var sheet = prospector.Sheet();
            var survey = Surveyor.Survey(sheet).For(Length.Tape(0, 5, 16));
            var shuffled = Surveyor.Survey(sheet with { Evidence = [.. sheet.Evidence.OrderBy(e => e.Id.GetHashCode(StringComparison.Ordinal) * 31 % 17)] }).For(Length.Tape(0, 5, 16));
            Assert.Equal(survey.Studs.Select(s => (s.Id, s.Centre, s.State)), shuffled.Studs.Select(s => (s.Id, s.Centre, s.State)));
            foreach (var stud in survey.Studs.Where(s => s.State == StudState.Confirmed))
            {
                // The truth is within the doubt that the facts leave, and no bit fell through at the mark.
                Assert.True(hidden.Truth.Min(m => Math.Abs(m.Centre - stud.Centre.Inches)) <= stud.Uncertainty.Inches + 1e-3, $"wall {1000 + n}, {stud.Centre.Inches}");
                Assert.DoesNotContain(sheet.Evidence, e => e.Kind == EvidenceKind.ProbeMiss && (e.At - stud.Centre).Abs < Length.Tape(0, 1, 4));
            }

            Assert.All(survey.Map.Members, m => Assert.InRange(m.Presence, 0, 1));
        }
    }

    [Fact]
    public void Moving_all_evidence_moves_the_members_and_changes_nothing_else()
    {
        var by = Length.Tape(3, 1, 4);
        for (var n = 1; n <= 40; n++)
        {
            var prospector = new Prospector(new HiddenWall(n, 150), Length.Tape(0, 3, 8));
            prospector.Sweep();
            var sheet = prospector.Sheet();
            var here = Surveyor.Survey(sheet).For(Length.Tape(0, 3, 8)).Studs;
            var there = Surveyor.Survey(sheet with { Evidence = [.. sheet.Evidence.Select(e => e with { At = e.At + by, To = e.To + by })] }).For(Length.Tape(0, 3, 8)).Studs;
            Assert.Equal(here.Select(s => s.State), there.Select(s => s.State));
            Assert.All(here.Zip(there), p => Assert.Equal((p.First.Centre + by).Inches, p.Second.Centre.Inches, 0.02));
        }
    }

    /// <summary>A miss takes centres away and never gives any: certainty only grows with facts that agree.</summary>
    [Theory]
    [InlineData("hit 40; miss 40.9", "miss 40.5")]
    [InlineData("hit 40; hit 40.4", "miss 40.6")]
    [InlineData("edges 39.3..40.7; hit 40", "miss 41")]
    public void More_facts_leave_less_doubt(string before, string more) =>
        Assert.True(Only(Plan(before + "; " + more)).Uncertainty <= Only(Plan(before)).Uncertainty);

    [Theory]
    [InlineData("hit 40 1/4", EvidenceKind.ProbeHit, Axis.Across, "40 1/4", null, null)]
    [InlineData("edges 39 1/4 to 40 3/4 @ 62", EvidenceKind.ScannerEdges, Axis.Across, "39 1/4", "40 3/4", "62")]
    [InlineData("EDGES 39.25..40.75", EvidenceKind.ScannerEdges, Axis.Across, "39 1/4", "40 3/4", null)]
    [InlineData("right corner -> magnet -14 1/2", EvidenceKind.Magnet, Axis.Across, "-14 1/2", null, null)]
    [InlineData("level miss 47 @ 40", EvidenceKind.ProbeMiss, Axis.Up, "47", null, "40")]
    [InlineData("bites 40 for 3/4 @ 50", EvidenceKind.ProbeHit, Axis.Across, "40", null, "50")]
    [InlineData("metal 1000 mm", EvidenceKind.ScannerCentre, Axis.Across, "1000 mm", null, null)]
    [InlineData("Scanner 23 1/4", EvidenceKind.ScannerCentre, Axis.Across, "23 1/4", null, null)]
    [InlineData("goes on biting 39 3/4 @ 50", EvidenceKind.ProbeHit, Axis.Across, "39 3/4", null, "50")]
    [InlineData("level falls through 47 @ 40", EvidenceKind.ProbeMiss, Axis.Up, "47", null, "40")]
    [InlineData("39 3/4", EvidenceKind.Magnet, Axis.Across, "39 3/4", null, null, "magnet")]
    [InlineData("47 @ 40", EvidenceKind.ProbeMiss, Axis.Up, "47", null, "40", "level miss")]
    [InlineData("knock 40", EvidenceKind.Knock, Axis.Across, "40", null, null, "magnet")]
    public void A_line_of_evidence_is_read(string typed, EvidenceKind kind, Axis axis, string at, string? to, string? beside, string? inHand = null)
    {
        var read = QuickEvidence.Read(typed, Sheets.Plan().Wall, UnitSystem.Inches, inHand).Value;
        Assert.Equal((kind, axis, Sheets.In(at)), (read.Kind, read.Axis, read.At));
        Assert.Equal(to is null ? null : Sheets.In(to), read.To);
        Assert.Equal(beside is null ? null : Sheets.In(beside), read.Beside);
    }

    [Theory]
    [InlineData("", "Nothing was typed")]
    [InlineData("poke 40", "'poke' is no way of finding a member")]
    [InlineData("edges 40", "There is one edge only")]
    [InlineData("hit 5//8", "no number below the slash")]
    [InlineData("hit 40 @ up", "")]
    [InlineData("magnet 40 for 3/4", "'magnet' has no depth")]
    [InlineData("hit 40 for ever", "")]
    [InlineData("kettle -> hit 40", "Nothing on the wall is called 'kettle'")]
    public void A_line_of_evidence_that_is_not_understood_says_so(string typed, string words) =>
        Assert.Contains(words, QuickEvidence.Read(typed, Sheets.Plan().Wall, UnitSystem.Inches).Problem!.Understood);

    [Fact]
    public void A_row_of_findings_without_a_gap_is_several_members_and_no_endless_one()
    {
        var plan = Plan(string.Join("; ", Enumerable.Range(0, 120).Select(i => $"hit {10 + i}")));
        Assert.InRange(plan.Framing.Members.Count, 10, 120);
        Assert.Contains("Blocking or sheathing", plan.Findings.First(f => f.Code == "survey.no-member-fits").Message.Say(LengthStyle.Inches));
        Assert.InRange(plan.NextProbes.Count, 0, 6);
        Assert.All(plan.Studs, s => Assert.NotEqual(StudState.Confirmed, s.State));
    }

    [Fact]
    public void Level_members_are_found_in_their_own_bay()
    {
        var plan = Plan(
            "seen 31.25..32.75; seen 47.25..48.75",
            ("/walls/w1/evidence/n1", Sheets.Json("""{ "kind": "probe-hit", "axis": "up", "at": "47.6 in", "beside": "40 in", "good": "0 in" }""")),
            ("/walls/w1/evidence/n2", Sheets.Json("""{ "kind": "probe-miss", "axis": "up", "at": "47.3 in", "beside": "40 in", "good": "0 in" }""")));
        var noggin = Assert.Single(plan.Framing.Crossings);
        // By hand: its lower edge lies between 47.3 and 47.6, so its middle between 48.05 and 48.35.
        Assert.InRange(noggin.Centre.Inches, 48.05, 48.35);
        Assert.Equal((32.75, 47.25), (noggin.From.Inches, noggin.To.Inches));
    }

    [Fact]
    public void The_next_probe_confirms_a_stud_as_soon_as_one_can()
    {
        var plan = Plan("edges 69.2..70.8; edges 69.25..70.7; edges 85.3..86.8; magnet 86; hit 70.5");
        var probe = plan.NextProbes.First(p => p.For == plan.Studs[0].Id);
        // Its right edge is near 70 3/4: a miss a little beyond confirms it, for any bolt up to 5/16 within 9/16 in of the hit.
        Assert.InRange(probe.At.Inches, 70.7, 71.07);
        Assert.StartsWith("confirms it at", probe.IfMiss.Say(LengthStyle.Inches));
        Assert.Equal("to confirm the stud at 70 in for a 5/16 in bolt", probe.Purpose.Say(LengthStyle.Inches));
    }

    [Fact]
    public void A_stud_found_inside_is_marked_outside_and_waits_for_its_pilot()
    {
        (string, JsonNode?)[] terrace =
        [
            ("/walls/w1/face", "outside"),
            ("/walls/w1/features/w", Sheets.Json("""
                { "kind": "window", "name": "window", "left": "20 in", "width": "30 in", "height": "40 in", "bottom": "40 in",
                  "casing": { "hereInner": "1/4 in", "hereOuter": "3 1/2 in", "thereInner": "1/4 in", "thereOuter": "2 1/2 in" } }
                """)),
            ("/walls/w1/studs", Sheets.Json("""{ "b": { "state": "confirmed" }, "c": { "centre": "86 in", "state": "confirmed" } }""")),
            ("/walls/w1/readings", Sheets.Json("""{ "r": { "face": "other", "from": "w/left-inner", "to": "studs/b", "value": "-23 1/4 in", "by": "Tom" } }""")),
        ];
        var plan = Sheets.Plan(terrace);
        var stud = plan.Studs.Single(s => s.Id == "b");
        // By hand: seen from inside, the window's left edge is its right one out here. Outer edge 50, opening 46 1/2, the inside's inner edge
        // 46 3/4, and 23 1/4 on is 70. Two deviations of 1/8 in and of the window's place, 1/32 in, are 0.26 in.
        Assert.Equal(70, stud.Centre.Inches, 1e-6);
        Assert.Equal(2 * Math.Sqrt(Math.Pow(1 / 8d, 2) + Math.Pow(1 / 32d, 2)), stud.Uncertainty.Inches, 1e-4);
        Assert.Equal(StudState.Found, stud.State);
        var stop = plan.Findings.First(f => f.Code == "survey.framing-unconfirmed");
        Assert.Contains("found on the other face and carried through the wall", stop.Message.Say(LengthStyle.Inches));

        var drilled = Sheets.Plan([.. terrace,
            ("/walls/w1/evidence/p1", Sheets.Json("""{ "kind": "probe-hit", "at": "70 1/4 in", "bite": "1 in" }""")),
            ("/walls/w1/evidence/p2", Sheets.Json("""{ "kind": "probe-miss", "at": "70 3/4 in" }"""))]);
        Assert.DoesNotContain("survey.framing-unconfirmed", drilled.Codes());
        Assert.InRange(drilled.Studs.Single(s => s.Id == "b").Centre.Inches, 69.5, 70);
        Assert.Contains("survey.datum-unclear", Sheets.Plan([.. terrace, ("/walls/w1/features/w/casing", null)]).Codes());
    }

    [Fact]
    public void A_place_for_a_box_is_probed_until_no_member_can_hide_in_it()
    {
        var box = ("/walls/w1/freePlaces/b", Sheets.Json("""{ "name": "recessed box", "left": "38 in", "bottom": "46 in", "width": "4 in", "height": "4 in" }"""));
        var document = Sheets.Document(("/walls/w1/studs", Sheets.Json("""{ "a": { "centre": "32 in", "state": "confirmed" }, "b": { "centre": "48 in", "state": "confirmed" } }""")), box);
        var probes = 0;
        while (Sheets.Plan((JsonObject)document.DeepClone()).NextProbes.FirstOrDefault(p => p.For == "b" && p.Purpose.ToString().Contains("box")) is { } probe)
        {
            Corrie.Core.Format.Pointer.Set(document, $"/walls/w1/evidence/p{probes++}", new JsonObject
            {
                ["kind"] = "probe-miss",
                ["axis"] = probe.Axis == Axis.Up ? "up" : "across",
                ["at"] = LengthText.Exact(probe.At, UnitSystem.Inches),
                ["beside"] = LengthText.Exact(probe.Beside!.Value, UnitSystem.Inches),
            });
            Assert.True(probes < 20);
        }

        // By hand: a member may also stand half outside, so 4 in and 1 7/16 in on each side are to be covered: four misses, each way.
        Assert.Equal(8, probes);
    }
}
