using System.Text.Json.Nodes;
using Corrie.Core.Catalogue;
using Corrie.Core.Format;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using CsCheck;

namespace Corrie.Core.Tests.Jobs;

/// <summary>What is taken over from before is the same as what is made anew: fold, sheet and plan.</summary>
public class ReuseTests
{
    // Parts of every stage and of every kind of holder, with sound, odd and broken values.
    private static readonly (string Path, string? Value)[] Edits =
    [
        ("/items/d1/place/height", "\"41 in\""), ("/items/d1/place/height", "\"990 mm\""), ("/items/d1/place/height", null), ("/items/d1/place/across", "\"80 in\""), ("/items/d1/place", "{}"),
        ("/items/d1/on", null), ("/items/d1/on", "\"m1\""), ("/items/d1/on", "\"d1\""), ("/items/d1/wall", "\"w2\""), ("/items/m1/wall", "\"w2\""), ("/items/m1/wall", "\"w1\""),
        ("/items/m1/bolt/diameter", "\"3/8 in\""), ("/items/m1/bolt", null), ("/items/m1/fix/gravity", "0.5"), ("/items/m1/fix/packing", "\"1/4 in\""), ("/items/m1/hang/reference", "\"top\""), ("/items/m1", null),
        ("/items/s1", """{ "kind": "soundbar", "on": "m1", "product": { "name": "bar", "width": "30 in", "height": "3 in", "depth": "4 in", "mass": "9 lb" }, "place": { "height": "20 in" } }"""), ("/items/s1", null),
        ("/items/s1/on", "\"d1\""), ("/walls/w1/width", "\"150 in\""), ("/walls/w1/studs/b/state", "\"found\""), ("/walls/w1/studs/b/centre", "\"5//8\""), ("/walls/w1/layers/l1/thickness", "\"1/2 in\""),
        ("/walls/w1/features/x", """{ "kind": "furniture", "name": "chest", "left": "60 in", "width": "36 in", "height": "29 in" }"""), ("/walls/w1/setOut", """{ "up": "x/top" }"""), ("/walls/w1/scan", null),
        ("/walls/w2", """{ "width": "90 in", "height": "96 in", "kind": "masonry" }"""), ("/walls/w2", null), ("/walls/w2/evidence/e", """{ "kind": "probe-hit", "at": "40 in" }"""), ("/walls", null),
        ("/seats/v/eye", "\"47 in\""), ("/seats/t", """{ "name": "table", "eye": "48 in", "distance": "90 in", "for": "d1" }"""), ("/seats", null), ("/site/built", "1950"), ("/crew/c1", """{ "bits": ["3/16 in"] }"""),
        ("/policy", """{ "anchorFactor": 6, "usualBolt": "3/8 in" }"""), ("/policy/gapBelow", "\"5 in\""), ("/job/units", "\"mm\""), ("/job/title", "\"renamed\""), ("/items/d1/product/mass", "\"90 lb\""), ("/items/d1/kind", "\"board\""),
        ("/nowhere", "1"), ("/items/d1/nowhere", "1"), ("/walls/w1", "7"),
    ];

    [Fact]
    public void A_plan_that_goes_on_from_another_equals_a_fresh_one_after_any_edits() =>
        Gen.Int[0, Edits.Length - 1].Array[1, 14].Sample(steps =>
        {
            var document = Sheets.Document();
            var (sheet, problems) = JobForm.Read(document);
            var plan = Planner.Plan(sheet);
            foreach (var batch in steps.Chunk(2))
            {
                foreach (var edit in batch.Select(s => Edits[s]))
                {
                    Pointer.Set(document, edit.Path, edit.Value is null ? null : Sheets.Json(edit.Value));
                }

                var before = problems.Count == 0 ? sheet : null;
                (sheet, problems) = JobForm.Read(document, before, [.. batch.Select(s => Edits[s].Path)]);
                var fresh = JobForm.Read(document);
                Assert.Equal(fresh.Problems, problems);
                plan = Planner.Plan(sheet, plan);
                var expected = Planner.Plan(fresh.Sheet);
                Assert.Equal(PlanFile.Write(expected, LengthStyle.Inches, document).ToJsonString(), PlanFile.Write(plan, LengthStyle.Inches, document).ToJsonString());
                Assert.Equal(expected.Statuses.Select(s => (s.Stage.Id, s.Wall, s.State)), plan.Statuses.Select(s => (s.Stage.Id, s.Wall, s.State)));
            }
        }, iter: 250);

    [Fact]
    public void A_change_that_leaves_the_wall_as_it_was_takes_its_survey_over()
    {
        var document = Sheets.Document();
        var (sheet, _) = JobForm.Read(document);
        var plan = Planner.Plan(sheet);
        Pointer.Set(document, "/items/d1/place/height", "41 in");
        var next = Planner.Plan(JobForm.Read(document, sheet, ["/items/d1/place/height"]).Sheet, plan);
        Assert.Same(plan.Surveyed, next.Surveyed);
        Assert.NotSame(plan.Placed, next.Placed);
        Assert.True(next.Reused > 0);
    }

    [Fact]
    public void A_ledger_that_goes_on_equals_one_that_is_folded_anew() => Gen.Select(LedgerModelTests.Steps, Gen.Int[0, 24]).Sample((steps, cut) =>
    {
        var entries = LedgerModelTests.History(steps);
        var at = Math.Min(cut, entries.Count);
        var on = Ledger.Fold(entries[..at]).After(entries[at..]);
        var fresh = Ledger.Fold(entries);
        Assert.True(JsonNode.DeepEquals(fresh.Document, on.Document));
        Assert.Equal(fresh.Rivals.Select(r => (r.Path, r.InForce.Id)), on.Rivals.Select(r => (r.Path, r.InForce.Id)));
        Assert.Equal(fresh.Entries.Select(fresh.InForce), on.Entries.Select(on.InForce));
        Assert.All(entries.Select(e => e.Path).Distinct(), p => Assert.Equal(fresh.HoldersOf(p), on.HoldersOf(p)));
    }, iter: 1500);

    [Fact]
    public void Whatever_differs_between_two_moments_of_a_ledger_is_among_what_it_says_has_changed() => Gen.Select(LedgerModelTests.Steps, Gen.Int[0, 24]).Sample((steps, cut) =>
    {
        var entries = LedgerModelTests.History(steps);
        var at = Math.Min(cut, entries.Count);
        var (before, after) = (Ledger.Fold(entries[..at]), Ledger.Fold(entries));
        if (after.ChangedSince(before.Seq) is not { } changed)
        {
            return;
        }

        void Compare(JsonNode? one, JsonNode? other, string path)
        {
            if (one is JsonObject a && other is JsonObject b)
            {
                foreach (var key in a.Select(m => m.Key).Union(b.Select(m => m.Key)))
                {
                    Compare(a[key], b[key], Pointer.Join(path, key));
                }
            }
            else if (!JsonNode.DeepEquals(one, other))
            {
                Assert.True(changed.Any(c => Pointer.Covers(c, path) || Pointer.Covers(path, c)), $"{path} differs and is not among {string.Join(", ", changed)}");
            }
        }

        Compare(before.Document, after.Document, string.Empty);
    }, iter: 2000);

    /// <summary>Describing and reading are one expression: whatever a part asks for when it reads, it says when it is described.</summary>
    [Fact]
    public void Every_group_asks_for_the_same_members_whatever_it_holds()
    {
        JsonObject[] documents = [Sheets.Document(), .. new[] { "map-room", "bunkhouse-corridor", "lakeside-terrace" }.Select(j => (JsonObject)JsonNode.Parse(File.ReadAllText(Repository.File($"src/Corrie.Web/Demo/{j}.json")))!)];
        var groups = 0;
        void Look(Shape shape, JsonNode? value)
        {
            if (shape is IGroup group)
            {
                groups++;
                var asked = group.MembersOf(value as JsonObject ?? [], Place.Nowhere);
                Assert.Equal(group.Members.Select(m => (m.Name, m.Needed)), asked.Select(m => (m.Name, m.Needed)));
            }

            foreach (var (key, child) in value as JsonObject ?? [])
            {
                if (shape.Child(key, value) is { } inner)
                {
                    Look(inner, child);
                }
            }
        }

        foreach (var document in documents)
        {
            Look(JobForm.Root, document);
        }

        Assert.All(ProductKinds.All, k => Look(k.Form, new JsonObject()));
        Assert.True(groups > 100, $"{groups} groups only");
    }
}
