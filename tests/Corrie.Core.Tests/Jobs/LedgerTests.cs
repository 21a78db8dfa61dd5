using System.Text.Json.Nodes;
using Corrie.Core.Format;
using Corrie.Core.Jobs;
using CsCheck;

namespace Corrie.Core.Tests.Jobs;

public class LedgerTests
{
    private long seq;

    private Entry Set(string id, string path, JsonNode? value, string[] replaces, string author = "ines", string? batch = null) =>
        new(id, ++seq, path, value, replaces, null, batch ?? id, author, default, default, "test");

    private Entry Undo(string id, string batch, string author = "ines") =>
        new(id, ++seq, string.Empty, null, [], batch, id, author, default, default, "test");

    private static string? At(Ledger ledger, string path) => Pointer.Get(ledger.Document, path)?.ToString();

    [Fact]
    public void An_entry_takes_the_place_of_the_one_that_it_names()
    {
        var ledger = Ledger.Fold([Set("a", "/items/d1/place/height", "36 in", []), Set("b", "/items/d1/place/height", "38 in", ["a"])]);
        Assert.Equal("38 in", At(ledger, "/items/d1/place/height"));
        Assert.Empty(ledger.Rivals);
        Assert.Equal(["b"], ledger.HoldersOf("/items/d1/place/height"));
    }

    [Fact]
    public void Two_who_did_not_know_of_each_other_are_rivals_until_somebody_chooses()
    {
        List<Entry> entries =
        [
            Set("a", "/items/d1/place/height", "36 in", []),
            Set("b", "/items/d1/place/height", "37 in", ["a"], "ines"),
            Set("c", "/items/d1/place/height", "38 in", ["a"], "tom"),
        ];
        var ledger = Ledger.Fold(entries);
        Assert.Equal("37 in", At(ledger, "/items/d1/place/height"));
        var rivals = Assert.Single(ledger.Rivals);
        Assert.Equal(("b", "c"), (rivals.InForce.Id, rivals.Others.Single().Id));

        entries.Add(Set("d", "/items/d1/place/height", "38 in", ["b", "c"]));
        Assert.Equal("38 in", At(Ledger.Fold(entries), "/items/d1/place/height"));
        Assert.Empty(Ledger.Fold(entries).Rivals);
    }

    [Fact]
    public void Undo_gives_back_what_stood_before_and_redo_what_was_undone()
    {
        List<Entry> entries =
        [
            Set("a", "/items/d1/place/height", "36 in", []),
            Set("b", "/items/d1/place/height", "38 in", ["a"], batch: "together"),
            Set("c", "/items/d1/place/across", "94 in", [], batch: "together"),
            Undo("u", "together"),
        ];
        var undone = Ledger.Fold(entries);
        Assert.Equal("36 in", At(undone, "/items/d1/place/height"));
        Assert.Null(At(undone, "/items/d1/place/across"));
        Assert.Equal("a", undone.Walk("ines", 0).Undo!.Id);
        Assert.Equal("u", undone.Walk("ines", 0).Redo!.Id);

        entries.Add(Undo("r", "u"));
        Assert.Equal("38 in", At(Ledger.Fold(entries), "/items/d1/place/height"));
        Assert.Equal("94 in", At(Ledger.Fold(entries), "/items/d1/place/across"));
    }

    [Fact]
    public void Undo_and_redo_walk_back_and_forward_and_a_new_entry_ends_the_way_forward()
    {
        List<Entry> entries = [.. Enumerable.Range(1, 5).Select(n => Set($"e{n}", "/x", $"{n}", n == 1 ? [] : [$"e{n - 1}"]))];
        string? Press(bool undo)
        {
            var (back, forward) = Ledger.Fold(entries).Walk("ines", 0);
            if ((undo ? back : forward) is { } entry)
            {
                entries.Add(Undo($"p{entries.Count}", entry.Batch));
            }

            return At(Ledger.Fold(entries), "/x");
        }

        // U three times, R twice, U, R three times (the last one has nothing left), U six times (the last one neither), R.
        Assert.Equal((string?[])["4", "3", "2", "3", "4", "3", "4", "5", "5", "4", "3", "2", "1", null, null, "1"],
            "UUURRURRRUUUUUUR".Select(key => Press(key == 'U')));
        entries.Add(Set("new", "/x", "9", ["e1"]));
        Assert.Equal("9", Press(undo: false));
        Assert.Equal(("1", "9"), (Press(undo: true), Press(undo: false)));
        Assert.Null(Ledger.Fold(entries).Walk("tom", 0).Undo);
    }

    [Fact]
    public void What_replaced_an_undone_entry_replaces_what_that_one_had_replaced()
    {
        var ledger = Ledger.Fold([Set("a", "/x", "1", []), Set("b", "/x", "2", ["a"]), Set("c", "/x", "3", ["b"]), Undo("u", "b")]);
        Assert.Equal("3", At(ledger, "/x"));
        Assert.Empty(ledger.Rivals);
    }

    [Fact]
    public void Others_changes_are_taken_back_by_leads_only()
    {
        var ledger = Ledger.Fold([Set("a", "/x", "1", [], "ines"), Set("b", "/y", "2", [], "tom")]);
        Assert.Equal("a", ledger.Walk("ines", 0).Undo!.Id);
        Assert.Equal("b", ledger.Walk("ines", long.MaxValue).Undo!.Id);
    }

    [Fact]
    public void A_whole_takes_the_place_of_its_parts()
    {
        var ledger = Ledger.Fold(
        [
            Set("a", "/items/d1/product", new JsonObject { ["name"] = "old", ["width"] = "1 in" }, []),
            Set("b", "/items/d1/product/name", "mended", []),
            Set("c", "/items/d1/product", new JsonObject { ["name"] = "new" }, ["a"]),
        ]);
        Assert.Equal("{\"name\":\"new\"}", Pointer.Get(ledger.Document, "/items/d1/product")!.ToJsonString());
    }

    /// <summary>Additions to maps under different keys give one document, whatever the order in which they are received.</summary>
    [Fact]
    public void Additions_of_several_people_never_collide() =>
        Gen.Shuffle(Enumerable.Range(0, 12).ToArray()).Sample(order =>
        {
            var ledger = Ledger.Fold([.. order.Select((i, n) => new Entry(
                $"e{i}", n + 1, $"/walls/w1/studs/s{i}", new JsonObject { ["centre"] = $"{i} in" }, [], null, $"e{i}", $"p{i % 3}", default, default, "test"))]);
            return ledger.Rivals.Count == 0 && ((JsonObject)Pointer.Get(ledger.Document, "/walls/w1/studs")!).Count == 12;
        }, iter: 100);
}
