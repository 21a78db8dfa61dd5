using System.Text.Json.Nodes;
using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Core.Planning;

namespace Corrie.Core.Masonry;

/// <summary>A stiff piece to pack with: a washer, a shim of metal or hard plastic.</summary>
/// <param name="Name">What it is.</param>
/// <param name="Thickness">How thick.</param>
/// <param name="Count">How many are at hand.</param>
public sealed record PackPiece(string Name, Length Thickness, int Count);

/// <summary>A compression washer: soft, next to the stone.</summary>
/// <param name="Name">What it is.</param>
/// <param name="Free">How thick it is before it is pressed.</param>
/// <param name="Least">The thinnest that it may be pressed to.</param>
/// <param name="Most">The thickest at which it bears: what it has to be pressed to at the least.</param>
public sealed record CompressionWasher(string Name, Length Free, Length Least, Length Most);

/// <summary>What a crew has to pack with.</summary>
/// <param name="Pieces">Stiff pieces.</param>
/// <param name="Soft">Their compression washer; null where they have none.</param>
public sealed record PackingKit(Same<PackPiece> Pieces, CompressionWasher? Soft)
{
    private static readonly GroupShape<PackPiece> PieceForm = new("a piece to pack with", m => new PackPiece(
        m.Need("name", new TextShape("what it is", 60)),
        m.Length("thickness", "how thick", new(Length.Tape(0, 1, 128), Length.Tape(6))),
        m.Or("count", new WholeShape("how many are at hand", 0, 999), 4)));

    private static readonly ListText Lines = new(
        "A piece a line: what it is, how thick, how many: steel washer, 1/8 in, 20",
        typed => new JsonArray([.. typed.Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).Select(line =>
        {
            var words = line.Split([',', ';'], StringSplitOptions.TrimEntries);
            var piece = new JsonObject { ["name"] = words[0] };
            if (words.Length > 1)
            {
                piece["thickness"] = words[1];
            }

            if (words.Length > 2)
            {
                piece["count"] = int.TryParse(words[2], out var count) ? count : words[2];
            }

            return (JsonNode)piece;
        })]),
        all => string.Join('\n', all.Select(p => $"{p!["name"]}, {p["thickness"]}, {p["count"]}".TrimEnd(' ', ','))));

    /// <summary>What a crew has to pack with.</summary>
    public static Part<PackingKit> Part { get; } = new(Holder.Job, "packing", new GroupShape<PackingKit>("what is at hand to pack with", m => new PackingKit(
        new(m.Part("pieces", new ListShape<PackPiece>("washers and shims", PieceForm, 16, Lines)) ?? []),
        m.Part("soft", new GroupShape<CompressionWasher>("the compression washer, next to the stone", s =>
        {
            var name = s.Or("name", new TextShape("what it is", 60), "compression washer");
            var free = s.Length("free", "how thick it is before it is pressed", LengthRange.Size);
            // Rubber of that hardness takes a tenth to three tenths of its thickness (common practice; the maker's figure counts).
            return new CompressionWasher(name, free, s.Length("least", "the thinnest that it may be pressed to", LengthRange.Size, free * 0.7), Length.Min(free, s.Length("most", "the thickest at which it bears", LengthRange.Size, free * 0.9)));
        })))));
}

/// <summary>What fills the gap at one hole.</summary>
/// <param name="Gap">The gap.</param>
/// <param name="Pieces">How many of each piece of the kit, in its order.</param>
/// <param name="Soft">What the compression washer is pressed to; null where there is none.</param>
/// <param name="Block">A solid block instead of stiff pieces; null where there is none.</param>
/// <param name="Off">By how much the nearest stack misses: too thick above zero, too thin below. Zero where it fits.</param>
public sealed record PackStack(Length Gap, IReadOnlyList<int> Pieces, Length? Soft, Length? Block, Length Off)
{
    /// <summary>How many pieces it takes, the compression washer and a block among them.</summary>
    public int Count => Pieces.Sum() + (Soft is null ? 0 : 1) + (Block is null ? 0 : 1);

    /// <summary>Whether it fills the gap within its limits.</summary>
    public bool Fits => Off == Length.Zero;

    /// <summary>Whether there is nothing to fill: the plate touches.</summary>
    public bool Touches => Count == 0 && Fits;
}

/// <summary>The stacks of a plate's holes: the fewest pieces in all, from what is at hand.</summary>
public static class Packing
{
    /// <summary>A gap up to this is none: the plate touches there.</summary>
    public static readonly Length Touching = Resting.Bears;

    /// <summary>Stiff pieces over this wobble on each other: a solid block instead (common practice).</summary>
    public static readonly Length MostStiff = Length.Tape(0, 3, 4);

    private const int MostNodes = 40_000;
    private const int MostStacks = 400;

    // Nobody builds a higher one (own rule).
    private const int MostPieces = 12;

    /// <summary>Chooses the stacks.</summary>
    /// <param name="gaps">The gap at each hole, zero and over.</param>
    /// <param name="kit">What is at hand.</param>
    /// <returns>A stack for each hole, in their order: where none fits with what is at hand, the nearest.</returns>
    public static IReadOnlyList<PackStack> Stacks(IReadOnlyList<Length> gaps, PackingKit kit)
    {
        var pieces = kit.Pieces.Items;
        var none = new int[pieces.Count];
        var stacks = new PackStack?[gaps.Count];
        var open = new List<(int Hole, List<PackStack> Ways)>();
        for (var i = 0; i < gaps.Count; i++)
        {
            var gap = gaps[i];
            if (gap <= Touching)
            {
                stacks[i] = new(gap, none, null, null, Length.Zero);
            }
            else if (kit.Soft is { } soft && gap - soft.Most > MostStiff)
            {
                // The block is cut so that the washer is in the middle of its range, in whole 16ths where that leaves it within.
                var middle = gap - (soft.Least + soft.Most).Half;
                var block = middle.RoundedTo(Length.Tape(0, 1, 16)) is var whole && gap - whole >= soft.Least && gap - whole <= soft.Most ? whole : middle;
                stacks[i] = new(gap, none, gap - block, block, Length.Zero);
            }
            else if (Ways(gap, kit) is { Count: > 0 } ways)
            {
                open.Add((i, ways));
            }
            else
            {
                stacks[i] = Nearest(gap, kit, [.. pieces.Select(p => p.Count)]);
            }
        }

        var left = pieces.Select(p => p.Count).ToArray();
        var best = Fewest([.. open.OrderBy(o => o.Ways.Count)], left);
        for (var k = 0; k < best.Length; k++)
        {
            stacks[best[k].Hole] = best[k].Stack;
        }

        // What had a stack by itself, and not with all the others: what is left decides.
        foreach (var (hole, _) in open.Where(o => stacks[o.Hole] is null).OrderBy(o => o.Hole))
        {
            for (var p = 0; p < left.Length; p++)
            {
                left[p] = pieces[p].Count - stacks.Sum(s => s?.Pieces[p] ?? 0);
            }

            stacks[hole] = Ways(gaps[hole], kit).Where(w => w.Pieces.Zip(left).All(x => x.First <= x.Second)).MinBy(w => w.Count) ?? Nearest(gaps[hole], kit, left);
        }

        return [.. stacks.Select(s => s!)];
    }

    /// <summary>How much farther out a plate has to be held for every hole to have its stack; null where a half inch more is not enough.</summary>
    /// <param name="gaps">The gaps.</param>
    /// <param name="kit">What is at hand.</param>
    /// <returns>The distance, in steps of 1/32 in.</returns>
    public static Length? Farther(IReadOnlyList<Length> gaps, PackingKit kit)
    {
        for (var n = 1; n <= 16; n++)
        {
            var more = Length.Tape(0, n, 32);
            if (Stacks([.. gaps.Select(g => g + more)], kit).All(s => s.Fits))
            {
                return more;
            }
        }

        return null;
    }

    // All stacks that fit a gap by themselves, those of the fewest pieces first.
    private static List<PackStack> Ways(Length gap, PackingKit kit)
    {
        var found = new List<PackStack>();
        if (kit.Soft is { } soft && gap > Length.Zero)
        {
            var pieces = kit.Pieces.Items;
            Each(pieces, [.. pieces.Select(p => p.Count)], gap - soft.Least, (counts, stiff) =>
            {
                if (gap - stiff <= soft.Most && stiff <= MostStiff)
                {
                    found.Add(new(gap, [.. counts], gap - stiff, null, Length.Zero));
                }

                return found.Count < MostStacks;
            });
        }

        return found;
    }

    // All heaps of stiff pieces up to a thickness, those of the fewest pieces first, until somebody has had enough.
    private static void Each(IReadOnlyList<PackPiece> pieces, int[] left, Length most, Func<int[], Length, bool> take)
    {
        var counts = new int[pieces.Count];
        var order = Enumerable.Range(0, pieces.Count).OrderByDescending(i => pieces[i].Thickness).ToArray();
        var nodes = 0;
        for (var count = 0; count <= MostPieces; count++)
        {
            if (!Add(0, count, Length.Zero))
            {
                return;
            }
        }

        bool Add(int at, int more, Length stiff)
        {
            if (stiff > most || ++nodes > MostNodes)
            {
                return nodes <= MostNodes;
            }

            if (more == 0)
            {
                return take(counts, stiff);
            }

            if (at == order.Length)
            {
                return true;
            }

            for (var n = Math.Min(more, left[order[at]]); n >= 0; n--)
            {
                counts[order[at]] = n;
                if (!Add(at + 1, more - n, stiff + (pieces[order[at]].Thickness * n)))
                {
                    return false;
                }
            }

            counts[order[at]] = 0;
            return true;
        }
    }

    private static (int Hole, PackStack Stack)[] Fewest(List<(int Hole, List<PackStack> Ways)> holes, int[] left)
    {
        var nodes = 0;
        var chosen = new PackStack?[holes.Count];
        var (best, most, fewest) = (new PackStack?[holes.Count], -1, int.MaxValue);
        // What the holes from one on take at the least.
        var least = new int[holes.Count + 1];
        for (var i = holes.Count - 1; i >= 0; i--)
        {
            least[i] = least[i + 1] + holes[i].Ways[0].Count;
        }

        Look(0, 0, 0);
        return [.. holes.Select((h, i) => (h.Hole, Stack: best[i])).Where(h => h.Stack is not null).Select(h => (h.Hole, h.Stack!))];

        // As many holes as can be, and of those the fewest pieces.
        void Look(int at, int filled, int used)
        {
            if (++nodes > MostNodes || filled + holes.Count - at < most || (filled + holes.Count - at == most && used + least[at] >= fewest))
            {
                return;
            }

            if (at == holes.Count)
            {
                (most, fewest) = (filled, used);
                chosen.CopyTo(best, 0);
                return;
            }

            foreach (var way in holes[at].Ways)
            {
                if (!Takes(way, 1))
                {
                    continue;
                }

                chosen[at] = way;
                Look(at + 1, filled + 1, used + way.Count);
                Takes(way, -1);
            }

            chosen[at] = null;
            Look(at + 1, filled, used);
        }

        bool Takes(PackStack way, int times)
        {
            if (times > 0 && way.Pieces.Where((n, p) => n > left[p]).Any())
            {
                return false;
            }

            for (var p = 0; p < left.Length; p++)
            {
                left[p] -= way.Pieces[p] * times;
            }

            return true;
        }
    }

    // What comes nearest to its limits with what is left.
    private static PackStack Nearest(Length gap, PackingKit kit, int[] left)
    {
        PackStack? best = null;
        Each(kit.Pieces.Items, left, Length.Min(gap, MostStiff), (counts, stiff) =>
        {
            var pressed = gap - stiff;
            // Without a soft piece nothing is within limits, however well it fills.
            var off = kit.Soft is not { } soft ? (pressed == Length.Zero ? Length.Tape(0, 1, 128) : -pressed)
                : pressed < soft.Least ? soft.Least - pressed
                : pressed > soft.Most ? soft.Most - pressed
                : Length.Zero;
            var stack = new PackStack(gap, [.. counts], kit.Soft is null ? null : pressed, null, off);
            best = best is null || off.Abs < best.Off.Abs ? stack : best;
            return true;
        });
        return best!;
    }
}
