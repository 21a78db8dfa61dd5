using System.Text.Json.Nodes;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using CsCheck;

namespace Corrie.Core.Tests.Jobs;

public class OneTripTests
{
    /// <summary>Against all counts that there are, tried one after the other.</summary>
    [Fact]
    public void The_cheapest_kit_is_the_cheapest_of_all() => Gen.Select(
        Gen.Select(Gen.Int[0, 4], Gen.Int[1, 4]).Array[1, 3].Array[1, 5], Gen.Int[1, 9].Array[5]).Sample((outcomes, prices) =>
    {
        IReadOnlyList<IReadOnlyList<Taken>> needs = [.. outcomes.Select(o => (IReadOnlyList<Taken>)[.. o.DistinctBy(t => t.Item1).Select(t => new Taken(t.Item1, t.Item2))])];
        var (taken, cost) = OneTrip.Cheapest(needs, [.. prices.Select(p => (double)p)]);
        var least = int.MaxValue;
        for (var n = 0; n < 3125; n++)
        {
            int[] counts = [n % 5, n / 5 % 5, n / 25 % 5, n / 125 % 5, n / 625];
            if (needs.All(o => o.Any(t => counts[t.Piece] >= t.Count)))
            {
                least = Math.Min(least, counts.Zip(prices, (c, p) => c * p).Sum());
            }
        }

        Assert.Equal(least, cost);
        Assert.Equal(cost, taken.Sum(t => t.Count * prices[t.Piece]));
        Assert.All(needs, o => Assert.Contains(o, t => taken.Any(k => k.Piece == t.Piece && k.Count >= t.Count)));
    }, iter: 300);

    [Fact]
    public void One_length_that_does_for_both_boards_beats_two()
    {
        // Board of 1/2 or 1 1/4 in: 4 diameters of 5/16 and 3/16 of tip, 1/16 of washer, 3/16 of plate: at least 2 3/16 and 2 15/16; in a stud of 3 1/2 in both take 3 in.
        var kit = OneTrip.Of(Sheets.Document(), [new("the board", "/walls/w1/layers/l1/thickness", ["1/2 in", "1 1/4 in"])], [Lag("2 1/2 in"), Lag("3 in"), Lag("3 1/2 in")])!;
        Assert.Equal((2, 0), (kit.Outcomes, kit.Uncovered));
        Assert.Equal([new Taken(1, 4)], Assert.Single(kit.Pieces).Taken);
        Assert.Equal((4d, 4d), (kit.Cost, kit.Least));
        Assert.Equal(0, Assert.Single(kit.Savings).Saves);
    }

    [Fact]
    public void Wood_or_steel_takes_both_and_a_photo_of_the_stud_saves_most()
    {
        var toggle = new VanPiece("toggle", (JsonObject)Sheets.Json("""{ "name": "toggle", "kind": "toggle", "diameter": "1/4 in", "length": "4 in", "hole": "1/2 in", "grip": "2 in", "ratings": [{ "into": "steel25", "tension": "200 lb", "shear": "180 lb" }] }"""), 3);
        var kit = OneTrip.Of(
            Sheets.Document(("/items/m1/product/walls", Sheets.Json("""["wood-studs", "steel-studs"]"""))),
            [new("the board", "/walls/w1/layers/l1/thickness", ["1/2 in", "5/8 in"]), new("the studs", "/walls/w1/kind", ["wood-studs", "steel-studs"])],
            [Lag("3 in"), toggle])!;
        Assert.Equal([new Taken(0, 4), new Taken(1, 4)], Assert.Single(kit.Pieces).Taken);
        // 4 lags at 1 and 4 toggles at 3; known to be wood 4, known to be steel 12: 8 less on average.
        Assert.Equal((16d, 4d), (kit.Cost, kit.Least));
        Assert.Equal((1, 8d), (kit.Savings[0].Question, kit.Savings[0].Saves));
    }

    [Fact]
    public void M6_or_M8_brings_what_the_kit_lacks()
    {
        var document = Sheets.Document(
            ("/items/d1/product/thread", "M8"), ("/items/d1/product/threadDepth", "20 mm"), ("/items/m1/product/armThickness", "3 mm"),
            ("/items/m1/product/kit", Sheets.Json("""[{ "kind": "screw", "thread": "M8", "length": "20 mm", "count": 4 }, { "kind": "washer", "length": "1.6 mm", "count": 4 }]""")));
        var kit = OneTrip.Of(document, [new("the thread", "/items/d1/product/thread", ["M6", "M8"])], [Lag("3 in")])!;
        Assert.Contains("Bring 4 screws M6", Assert.Single(kit.Bring).Say(LengthStyle.Millimetres));
        Assert.Empty(OneTrip.Of(document, [new("the board", "/walls/w1/layers/l1/thickness", ["1/2 in", "5/8 in"])], [Lag("3 in")])!.Bring);
    }

    [Fact]
    public void What_nothing_on_the_van_holds_is_said()
    {
        var kit = OneTrip.Of(Sheets.Document(), [new("the studs", "/walls/w1/kind", ["wood-studs", "masonry"])], [Lag("3 in")])!;
        Assert.Equal((2, 1), (kit.Outcomes, kit.Uncovered));
        Assert.Null(OneTrip.Of(Sheets.Document(), [.. Enumerable.Range(0, 7).Select(n => new OpenQuestion($"{n}", "/walls/w1/layers/l1/thickness", ["1/2 in", "5/8 in"]))], [Lag("3 in")]));
    }

    private static VanPiece Lag(string length) => new($"lag {length}", (JsonObject)Sheets.Json($$"""{ "name": "lag", "kind": "lag-screw", "diameter": "5/16 in", "length": "{{length}}", "tip": "3/16 in", "washer": "1/16 in" }"""), 1);
}
