using System.Text.Json.Nodes;
using Corrie.Core.Feeds;

namespace Corrie.Simulators;

/// <summary>
/// Stands in for a cable tester: it holds a network cable with eight wires and, if it is to, a fault, and shows what a tester would: where each wire
/// arrives, what touches, what is twisted together, and how long the cable is.
/// </summary>
public static class CableTester
{
    private static readonly (int A, int B)[] Pairs = [(1, 2), (3, 6), (4, 5), (7, 8)];

    /// <summary>What it shows of a cable.</summary>
    /// <param name="fault">The fault that the cable has; null for a good one.</param>
    /// <param name="random">Chance: which wires the fault is about.</param>
    /// <param name="length">How long the cable is, as it is written in job files.</param>
    /// <returns>A test as a job file has it.</returns>
    public static JsonObject Test(WireFault? fault, Random random, string? length)
    {
        var far = Enumerable.Range(1, 8).ToArray();
        var shorts = new JsonArray();
        var twisted = Pairs.ToList();
        var order = Pairs.OrderBy(_ => random.Next()).ToList();
        var (one, other) = (order[0], order[1]);
        void Exchange(int a, int b) => (far[a - 1], far[b - 1]) = (far[b - 1], far[a - 1]);
        switch (fault)
        {
            case WireFault.Open:
                far[one.A - 1] = 0;
                break;
            case WireFault.Short:
                shorts.Add(Two(one.A, other.B));
                break;
            case WireFault.Reversed:
                Exchange(one.A, one.B);
                break;
            case WireFault.Transposed:
                Exchange(one.A, other.A);
                Exchange(one.B, other.B);
                break;
            case WireFault.Split:
                twisted = [.. Pairs.Where(p => p != one && p != other), (one.A, other.A), (one.B, other.B)];
                break;
            case WireFault.Miswired:
                Exchange(one.A, other.B);
                break;
            default:
                break;
        }

        var test = new JsonObject
        {
            ["far"] = new JsonArray([.. far.Select(f => JsonValue.Create(f))]),
            ["shorts"] = shorts,
            ["twisted"] = new JsonArray([.. twisted.Select(t => Two(t.A, t.B))]),
        };
        if (length is not null)
        {
            test["length"] = length;
        }

        return test;
    }

    private static JsonObject Two(int a, int b) => new() { ["a"] = a, ["b"] = b };
}
