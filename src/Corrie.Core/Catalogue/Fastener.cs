using Corrie.Core.Measure;

namespace Corrie.Core.Catalogue;

/// <summary>What kind of fastener holds the plate.</summary>
public enum FastenerKind
{
    /// <summary>Lag screw, into wood.</summary>
    LagScrew,

    /// <summary>Wood screw.</summary>
    WoodScrew,

    /// <summary>Toggle bolt that opens behind what it passes.</summary>
    Toggle,
}

/// <summary>What the rated load of a fastener means.</summary>
public enum RatingBasis
{
    /// <summary>A published allowable load: no factor is added.</summary>
    Allowable,

    /// <summary>The load at which it fails in test: divided by the company's factor, 4 by default.</summary>
    Ultimate,
}

/// <summary>A bolt, screw or anchor of the company's catalogue.</summary>
/// <param name="Name">Plain description.</param>
/// <param name="Kind">What it is.</param>
/// <param name="Diameter">Diameter of its shank.</param>
/// <param name="Length">Length under the head.</param>
/// <param name="Tip">Length of its tapered tip, which holds nothing.</param>
/// <param name="Washer">Thickness of the washer under its head.</param>
/// <param name="Hole">The hole it needs; zero where that follows from the wood (a pilot hole).</param>
/// <param name="Grip">The most that a toggle can clamp; zero where that means nothing.</param>
/// <param name="RatedTension">The maker's load in tension through board and a steel flange; null where none is published.</param>
/// <param name="Basis">What that load means.</param>
public sealed record Fastener(
    string Name,
    FastenerKind Kind,
    Length Diameter,
    Length Length,
    Length Tip,
    Length Washer,
    Length Hole,
    Length Grip,
    Force? RatedTension,
    RatingBasis Basis);
