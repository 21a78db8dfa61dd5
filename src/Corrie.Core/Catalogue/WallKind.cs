namespace Corrie.Core.Catalogue;

/// <summary>What a wall is, as far as a mount or a fastener cares.</summary>
public enum WallKind
{
    /// <summary>Board on wood studs.</summary>
    WoodStuds,

    /// <summary>Board on light-gauge steel studs.</summary>
    SteelStuds,

    /// <summary>Brick, block, stone or concrete.</summary>
    Masonry,

    /// <summary>Planks or plywood that hold wherever one screws.</summary>
    Planks,
}

/// <summary>What follows from the kind of a wall.</summary>
public static class WallKinds
{
    /// <summary>Whether it holds at its members alone.</summary>
    /// <param name="kind">The kind.</param>
    /// <returns>Whether it does; elsewhere a bolt holds wherever it is.</returns>
    public static bool Framed(this WallKind kind) => kind is WallKind.WoodStuds or WallKind.SteelStuds;
}
