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
}
