using Corrie.Core.Format;
using Corrie.Core.Measure;

namespace Corrie.Core.Catalogue;

/// <summary>What a bit is made to drill.</summary>
public enum BitFor
{
    /// <summary>Wood, and board before it.</summary>
    Wood,

    /// <summary>Masonry.</summary>
    Masonry,

    /// <summary>Steel: flanges and plates.</summary>
    Metal,
}

/// <summary>A bit.</summary>
/// <param name="Name">Plain description.</param>
/// <param name="For">What it is made to drill.</param>
/// <param name="Diameter">Its diameter.</param>
/// <param name="Reach">How deep it drills, from its tip to the chuck.</param>
public sealed record Bit(string Name, BitFor For, Length Diameter, Length Reach) : Product(Name, default(Mass))
{
    // Drills are made to 1/64 in and to 0.5 mm; what is nearer than half a 64th is the same size (common practice).
    private static readonly Length Same = Length.Tape(0, 1, 128);

    /// <summary>How it is described.</summary>
    public static GroupShape<Bit> Form { get; } = new("a bit", m => new Bit(
        NameOf(m),
        m.Choice("for", "what it is made to drill", BitFor.Wood),
        m.Length("diameter", "its diameter", LengthRange.UpTo(Length.Tape(4))),
        m.Length("reach", "how deep it drills, from tip to chuck", LengthRange.Size)));

    /// <summary>Bits, in the catalogue.</summary>
    public static ProductKind Kind { get; } = ProductKind.Of("bit", "Bit", "Bits", Form) with { IsItem = false, IsPlaced = false };

    /// <summary>Whether it drills a hole of a size.</summary>
    /// <param name="material">What is drilled.</param>
    /// <param name="hole">The hole's diameter.</param>
    /// <returns>Whether it does.</returns>
    public bool Drills(BitFor material, Length hole) => For == material && (Diameter - hole).Abs <= Same;
}

/// <summary>A socket or a driver's bit.</summary>
/// <param name="Name">Plain description.</param>
/// <param name="Flats">Across the flats of the hexagon that it turns; null for another drive.</param>
/// <param name="Drive">What else it turns, such as a star of a size; empty for a hexagon.</param>
public sealed record Socket(string Name, Length? Flats, string Drive) : Product(Name, default(Mass))
{
    /// <summary>How it is described.</summary>
    public static GroupShape<Socket> Form { get; } = new("a socket or driver's bit", m => new Socket(
        NameOf(m), m.MaybeLength("flats", "across the flats of the hexagon that it turns", LengthRange.UpTo(Length.Tape(4))), m.Text("drive", "what else it turns: star, cross, square, with its size", 40)));

    /// <summary>Sockets and drivers' bits, in the catalogue.</summary>
    public static ProductKind Kind { get; } = ProductKind.Of("socket", "Socket or driver", "Sockets, drivers", Form) with { IsItem = false, IsPlaced = false };
}
