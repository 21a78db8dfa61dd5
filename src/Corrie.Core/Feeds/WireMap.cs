using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Core.Planning;

namespace Corrie.Core.Feeds;

/// <summary>In which order the pairs of a network cable are terminated.</summary>
public enum PairOrder
{
    /// <summary>Order A.</summary>
    A,

    /// <summary>Order B.</summary>
    B,
}

/// <summary>What is wrong with a network cable.</summary>
public enum WireFault
{
    /// <summary>A wire that arrives nowhere.</summary>
    Open,

    /// <summary>Two wires that touch.</summary>
    Short,

    /// <summary>The two wires of a pair are exchanged.</summary>
    Reversed,

    /// <summary>Two pairs are exchanged.</summary>
    Transposed,

    /// <summary>Wires of different pairs are twisted together: each arrives where it should, and they talk across.</summary>
    Split,

    /// <summary>A wire arrives at a place of another pair.</summary>
    Miswired,
}

/// <summary>A fault by name.</summary>
/// <param name="Fault">Which.</param>
/// <param name="Pins">The pins that it is about.</param>
public sealed record NamedFault(WireFault Fault, IReadOnlyList<int> Pins)
{
    /// <summary>The fault, its pins and its likely cause.</summary>
    public Phrase Says => Fault switch
    {
        WireFault.Open => Phrase.Of($"open: {Listed()} {(Pins.Count == 1 ? "arrives" : "arrive")} nowhere; a wire that is not in its slot, or broken: terminate the end again that the length points to"),
        WireFault.Short => Phrase.Of($"short: {Listed()} touch; a nick in the jacket, or a strand across two slots"),
        WireFault.Reversed => Phrase.Of($"reversed: {Listed()} are exchanged; the two wires of one pair were laid the wrong way round at one end"),
        WireFault.Transposed => Phrase.Of($"transposed: the pairs {Listed()} are exchanged; one end was terminated in the other order"),
        WireFault.Split => Phrase.Of($"split: {Listed()} arrive where they should, but are not twisted with each other; wires of two pairs were laid side by side at both ends"),
        _ => Phrase.Of($"miswired: {Listed()}; wires of different pairs were exchanged at one end"),
    };

    private string Listed() => string.Join(" and ", new[] { string.Join(", ", Pins.Take(Pins.Count - 1)), Pins[^1].ToString(System.Globalization.CultureInfo.InvariantCulture) }.Where(p => p.Length > 0));
}

/// <summary>What a cable tester has shown of a network cable with eight wires.</summary>
/// <param name="Id">Its key.</param>
/// <param name="Far">For pins 1 to 8: at which pin each arrives at the far end; 0 for none.</param>
/// <param name="Shorts">Pins that touch, two by two.</param>
/// <param name="Twisted">Pins that are twisted together, two by two, by what talks across.</param>
/// <param name="Length">The length that it has shown; null for none.</param>
/// <param name="By">Who tested.</param>
/// <param name="On">When.</param>
public sealed record WireTest(string Id, Same<int> Far, Same<(int A, int B)> Shorts, Same<(int A, int B)> Twisted, Length? Length, string By, string On)
{
    /// <summary>Pins of the four pairs: the same for both orders (TIA-568, from memory).</summary>
    public static IReadOnlyList<(int A, int B)> Pairs { get; } = [(1, 2), (3, 6), (4, 5), (7, 8)];

    private static readonly ListShape<(int A, int B)> TwoByTwo = new("pins two by two", new GroupShape<(int A, int B)>("two pins", m => (m.Need("a", new WholeShape("a pin", 1, 8)), m.Need("b", new WholeShape("the other", 1, 8)))), 12);

    /// <summary>How it is described.</summary>
    internal static GroupShape<WireTest> Form { get; } = new("what the tester has shown", m => new WireTest(
        m.Key,
        new(m.Need("far", new ListShape<int>("at which pin 1 to 8 arrive; 0 for none", new WholeShape("a pin", 0, 8), 8))),
        new(m.Part("shorts", TwoByTwo) ?? []),
        new(m.Part("twisted", TwoByTwo) ?? []),
        m.MaybeLength("length", "the length that it has shown", LengthRange.Along),
        m.Text("by", "who tested", 80),
        m.Text("on", "when", 40)));

    /// <summary>The colours of pins 1 to 8: TIA-568, from memory.</summary>
    /// <param name="order">The order.</param>
    /// <returns>The colours.</returns>
    public static IReadOnlyList<string> Colours(PairOrder order) => order == PairOrder.A
        ? ["white-green", "green", "white-orange", "blue", "white-blue", "orange", "white-brown", "brown"]
        : ["white-orange", "orange", "white-green", "blue", "white-blue", "green", "white-brown", "brown"];

    /// <summary>What is wrong, by name.</summary>
    /// <returns>The faults; none where the cable is good.</returns>
    public IReadOnlyList<NamedFault> Faults()
    {
        var far = Far.Items;
        if (far.Count != 8)
        {
            return [new(WireFault.Open, [.. Enumerable.Range(far.Count + 1, 8 - far.Count)])];
        }

        int At(int pin) => far[pin - 1];
        var faults = new List<NamedFault>();
        var named = new HashSet<int>();
        if (Shorts.Items.Count > 0)
        {
            faults.AddRange(Shorts.Items.Select(s => new NamedFault(WireFault.Short, [Math.Min(s.A, s.B), Math.Max(s.A, s.B)])));
            named.UnionWith(Shorts.Items.SelectMany(s => new[] { s.A, s.B }));
        }

        if (Enumerable.Range(1, 8).Where(p => At(p) == 0 && !named.Contains(p)).ToList() is { Count: > 0 } open)
        {
            faults.Add(new(WireFault.Open, open));
            named.UnionWith(open);
        }

        foreach (var (a, b) in Pairs.Where(p => At(p.A) == p.B && At(p.B) == p.A))
        {
            faults.Add(new(WireFault.Reversed, [a, b]));
            named.UnionWith([a, b]);
        }

        foreach (var (a, b) in Pairs)
        {
            foreach (var (c, d) in Pairs.Where(p => p.A > a))
            {
                bool Lands(int x, int y, (int A, int B) on) => (At(x) == on.A && At(y) == on.B) || (At(x) == on.B && At(y) == on.A);
                if (Lands(a, b, (c, d)) && Lands(c, d, (a, b)))
                {
                    faults.Add(new(WireFault.Transposed, [a, b, c, d]));
                    named.UnionWith([a, b, c, d]);
                }
            }
        }

        if (Enumerable.Range(1, 8).Where(p => At(p) != p && !named.Contains(p)).ToList() is { Count: > 0 } astray)
        {
            faults.Add(new(WireFault.Miswired, astray));
            named.UnionWith(astray);
        }

        if (Twisted.Items.Count > 0)
        {
            var split = Pairs.Where(p => !Twisted.Items.Any(t => (t.A == p.A && t.B == p.B) || (t.A == p.B && t.B == p.A))).SelectMany(p => new[] { p.A, p.B }).Where(p => !named.Contains(p)).ToList();
            if (split.Count > 0)
            {
                faults.Add(new(WireFault.Split, split));
            }
        }

        return faults;
    }
}
