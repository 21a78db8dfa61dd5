using Corrie.Core.Masonry;
using Corrie.Core.Measure;
using Corrie.Core.Planning;

namespace Corrie.Core.Tests.Masonry;

/// <summary>Stacks of packing, beside all combinations that there are.</summary>
public class PackingTests
{
    private static readonly CompressionWasher Soft = new("rubber", Length.Tape(0, 1, 4), Length.Tape(0, 11, 64), Length.Tape(0, 15, 64));

    [Fact]
    public void Stacks_are_within_limits_and_of_the_fewest_pieces()
    {
        var random = new Random(75);
        var (fitted, missed) = (0, 0);
        for (var n = 0; n < 2000; n++)
        {
            var kit = new PackingKit(new([.. Enumerable.Range(0, random.Next(1, 4)).Select(i => new PackPiece($"p{i}", Length.Tape(0, random.Next(2, 20), 64), random.Next(0, 4)))]), Soft);
            var gaps = Enumerable.Range(0, random.Next(1, 5)).Select(_ => Length.Tape(0, random.Next(0, 70), 64)).ToList();
            var stacks = Packing.Stacks(gaps, kit);
            foreach (var stack in stacks.Where(s => s.Fits && !s.Touches && s.Block is null))
            {
                var stiff = Stiff(kit, stack.Pieces);
                Assert.True(stiff < stack.Gap && stiff + Soft.Free > stack.Gap);
                Assert.Equal(stack.Gap - stiff, stack.Soft);
                Assert.True(stack.Soft >= Soft.Least && stack.Soft <= Soft.Most);
            }

            Assert.All(kit.Pieces.Items.Select((p, i) => (p.Count, Used: stacks.Where(s => s.Fits).Sum(s => s.Pieces[i]))), p => Assert.True(p.Used <= p.Count));
            // All ways of all holes together: as many holes filled as can be, and of those the fewest pieces.
            var best = Best(gaps, kit, 0, [.. kit.Pieces.Items.Select(p => p.Count)]);
            Assert.Equal(best, (stacks.Count(s => s.Fits && s.Block is null), stacks.Where(s => s.Fits && s.Block is null).Sum(s => s.Count)));
            fitted += stacks.Count(s => s.Fits);
            missed += stacks.Count(s => !s.Fits);
        }

        Assert.True(fitted > 1000 && missed > 500, $"{fitted} fit, {missed} do not");
    }

    // By hand: 19/32 with a washer of 1/4 pressed to 11/64 .. 15/64 wants 23/64 to 27/64 of stiff pieces.
    [Theory]
    [InlineData("19/32 in", "1/8 in x3", 0)]
    [InlineData("19/32 in", "1/8 in x2", -7)]
    [InlineData("19/32 in", "7/16 in x1", 1)]
    [InlineData("1/32 in", "", 0)]
    [InlineData("1/16 in", "", 7)]
    [InlineData("1 1/32 in", "", 0)]
    public void The_nearest_stack_says_by_how_much_it_misses(string gap, string pieces, int off64)
    {
        var kit = new PackingKit(new(pieces.Length == 0 ? [] : [new PackPiece("washer", Sheets.In(pieces.Split(" x")[0]), int.Parse(pieces.Split(" x")[1]))]), Soft);
        var stack = Packing.Stacks([Sheets.In(gap)], kit)[0];
        Assert.Equal(Length.Tape(0, off64, 64), stack.Off);
        // Over 3/4 in of stiff pieces a block is cut, so that the washer is in the middle of its range, 13/64: 53/64, told as 13/16.
        Assert.Equal(gap == "1 1/32 in" ? Length.Tape(0, 13, 16) : null, stack.Block);
    }

    [Fact]
    public void A_plate_that_is_too_near_is_held_farther_out()
    {
        var kit = new PackingKit(new([new("washer", Length.Tape(0, 1, 8), 20)]), Soft);
        List<Length> gaps = [Length.Zero, Length.Tape(0, 3, 32), Length.Tape(0, 1, 4)];
        Assert.Contains(Packing.Stacks(gaps, kit), s => !s.Fits);
        var more = Packing.Farther(gaps, kit)!.Value;
        Assert.All(Packing.Stacks([.. gaps.Select(g => g + more)], kit), s => Assert.True(s.Fits));
        Assert.Null(Packing.Farther(gaps, new(new([]), Soft with { Most = Soft.Least })));
    }

    private static Length Stiff(PackingKit kit, IReadOnlyList<int> counts) => counts.Select((c, i) => kit.Pieces.Items[i].Thickness * c).Aggregate(Length.Zero, (a, b) => a + b);

    private static (int Filled, int Pieces) Best(List<Length> gaps, PackingKit kit, int at, int[] left)
    {
        if (at == gaps.Count)
        {
            return (0, 0);
        }

        if (gaps[at] <= Length.Tape(0, 1, 32))
        {
            return Best(gaps, kit, at + 1, left) is var rest ? (rest.Filled + 1, rest.Pieces) : default;
        }

        var best = Best(gaps, kit, at + 1, left);
        if (gaps[at] - Soft.Most > Length.Tape(0, 3, 4))
        {
            return best;
        }

        foreach (var counts in Heaps(left, 0, new int[left.Length]))
        {
            var stiff = Stiff(kit, counts);
            if (gaps[at] - stiff >= Soft.Least && gaps[at] - stiff <= Soft.Most && stiff <= Length.Tape(0, 3, 4))
            {
                var rest = Best(gaps, kit, at + 1, [.. left.Zip(counts, (l, c) => l - c)]);
                var all = (Filled: rest.Filled + 1, Pieces: rest.Pieces + counts.Sum() + 1);
                best = (-all.Filled, all.Pieces).CompareTo((-best.Filled, best.Pieces)) < 0 ? all : best;
            }
        }

        return best;
    }

    private static IEnumerable<int[]> Heaps(int[] left, int at, int[] counts)
    {
        if (at == left.Length)
        {
            yield return [.. counts];
            yield break;
        }

        for (var n = 0; n <= left[at]; n++)
        {
            counts[at] = n;
            foreach (var heap in Heaps(left, at + 1, counts))
            {
                yield return heap;
            }
        }

        counts[at] = 0;
    }
}
