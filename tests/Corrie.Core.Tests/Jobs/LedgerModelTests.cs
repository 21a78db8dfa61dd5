using System.Text.Json.Nodes;
using Corrie.Core.Format;
using Corrie.Core.Jobs;
using CsCheck;

namespace Corrie.Core.Tests.Jobs;

/// <summary>
/// Whatever several people enter, take back and do again, the ledger folds it as a plain reading of the rules does: a model that keeps one list
/// of values a path and starts anew for every question.
/// </summary>
public class LedgerModelTests
{
    private static readonly string[] Paths = ["/a", "/a/x", "/a/y", "/a/x/deep", "/b", "/a0", "/b/z"];

    internal static readonly Gen<(int Kind, int Path, int Value, bool Sees, int Back, int Author)[]> Steps = Gen.Select(Gen.Int[0, 9], Gen.Int[0, 6], Gen.Int[0, 4], Gen.Bool, Gen.Int[1, 6], Gen.Int[0, 2]).Array[0, 24];

    private static readonly Gen<(int Kind, int Path, int Value, bool Sees, int Back, int Author)> Step =
        Gen.Select(Gen.Int[0, 9], Gen.Int[0, 6], Gen.Int[0, 4], Gen.Bool, Gen.Int[1, 6], Gen.Int[0, 2]);

    [Fact]
    public void The_fold_is_that_of_the_plain_rules() => Step.Array[0, 24].Sample(steps =>
    {
        var entries = History(steps);
        var ledger = Ledger.Fold(entries);
        var (document, rivals) = Model(entries);
        Assert.True(JsonNode.DeepEquals(document, ledger.Document), $"{document.ToJsonString()} is folded to {ledger.Document.ToJsonString()}");
        Assert.Equal(rivals, ledger.Rivals.Select(r => r.Path));
    }, iter: 3000);

    [Fact]
    public void Taking_back_and_doing_again_leaves_everything_as_it_was() => Step.Array[1, 16].Sample(steps =>
    {
        var entries = History(steps);
        var before = Ledger.Fold(entries);
        if (before.Walk("p0", long.MaxValue).Undo is not { } last)
        {
            return;
        }

        var undone = Ledger.Fold([.. entries, Undo("undo", entries.Count + 1, last.Batch)]);
        Assert.False(undone.InForce(last));
        Assert.Equal("undo", undone.Walk("p0", 0).Redo!.Id);
        var redone = Ledger.Fold([.. undone.Entries, Undo("redo", entries.Count + 2, "undo")]);
        Assert.True(JsonNode.DeepEquals(before.Document, redone.Document));
        Assert.True(redone.InForce(last));
    }, iter: 1000);

    [Fact]
    public void What_stood_before_an_entry_is_what_the_fold_without_it_and_its_followers_says() => Step.Array[1, 20].Sample(steps =>
    {
        var entries = History(steps);
        var ledger = Ledger.Fold(entries);
        foreach (var entry in entries.Where(e => e.Undoes is null))
        {
            var earlier = Ledger.Fold([.. entries.Where(e => e.Seq < entry.Seq)]).Document;
            Assert.True(JsonNode.DeepEquals(Pointer.Get(earlier, entry.Path), ledger.Before(entry)));
        }
    }, iter: 1000);

    private static Entry Undo(string id, long seq, string batch) => new(id, seq, string.Empty, null, [], batch, id, "p0", default, default, "test");

    internal static List<Entry> History((int Kind, int Path, int Value, bool Sees, int Back, int Author)[] steps)
    {
        var entries = new List<Entry>();
        foreach (var (kind, path, value, sees, back, author) in steps)
        {
            var id = "e" + entries.Count;
            var seq = entries.Count + 1;
            if (kind < 3 && entries.Count >= back)
            {
                entries.Add(new(id, seq, string.Empty, null, [], entries[^back].Batch, id, "p" + author, default, default, "test"));
                continue;
            }

            // Half of them know what is there, the others enter as if nothing were.
            IReadOnlyList<string> replaces = sees ? Ledger.Fold(entries).HoldersOf(Paths[path]) : [];
            JsonNode? set = value switch
            {
                0 => null,
                1 when Paths[path] == "/a" => new JsonObject { ["x"] = new JsonObject { ["deep"] = "whole " + seq }, ["w"] = "whole" },
                _ when Paths[path] is "/a" or "/b" or "/a/x" => new JsonObject { ["v"] = "v" + seq },
                _ => JsonValue.Create("v" + seq),
            };
            entries.Add(new(id, seq, Paths[path], set, replaces, null, id, "p" + author, default, default, "test"));
        }

        return entries;
    }

    // Rule by rule, without any index: what is struck, what replaces what, wholes before parts, the earliest in force.
    private static (JsonObject Document, IReadOnlyList<string> Rivals) Model(List<Entry> entries)
    {
        var struck = new HashSet<string>();
        foreach (var entry in Enumerable.Reverse(entries))
        {
            if (entry.Undoes is { } batch && !struck.Contains(entry.Batch))
            {
                struck.Add(batch);
            }
        }

        bool Counts(Entry e) => !struck.Contains(e.Batch);
        bool Replaces(Entry later, string id) => later.Replaces.Contains(id) ||
            later.Replaces.Select(r => entries.Find(e => e.Id == r)).Any(gone => gone is not null && !Counts(gone) && Replaces(gone, id));
        var values = entries.Where(e => e.Undoes is null && Counts(e)).ToList();
        var standing = values.Where(e => !values.Any(later => later.Seq > e.Seq &&
            (later.Path == e.Path ? Replaces(later, e.Id) : e.Path.StartsWith(later.Path + "/", StringComparison.Ordinal)))).ToList();
        var document = new JsonObject();
        foreach (var entry in standing.Where(e => standing.First(s => s.Path == e.Path) == e))
        {
            Pointer.Set(document, entry.Path, entry.Value);
        }

        return (document, [.. standing.GroupBy(e => e.Path).Where(g => g.Count() > 1).Select(g => g.Key).Order(StringComparer.Ordinal)]);
    }
}
