namespace Corrie.Web.Drawing;

/// <summary>The drawings that a layer belongs to.</summary>
[Flags]
public enum Drawings
{
    /// <summary>From the front.</summary>
    Front = 1,

    /// <summary>As if the board were glass, with what hangs.</summary>
    Behind = 2,

    /// <summary>As if the board were glass, with what was found and measured.</summary>
    Found = 4,

    /// <summary>From the side, with the seats.</summary>
    Side = 8,

    /// <summary>The wall cut through, much larger.</summary>
    Section = 16,

    /// <summary>From the ceiling.</summary>
    Above = 32,

    /// <summary>The elevations.</summary>
    Elevations = Front | Behind | Found,
}

/// <summary>What lies over what, from the wall outwards.</summary>
public enum Depth
{
    /// <summary>The wall itself.</summary>
    Ground,

    /// <summary>What is behind the board.</summary>
    Framing,

    /// <summary>What is on the wall.</summary>
    Things,

    /// <summary>What is not to be met.</summary>
    KeepOuts,

    /// <summary>What was measured and found.</summary>
    Found,

    /// <summary>What hangs.</summary>
    Hung,

    /// <summary>What it hangs on.</summary>
    Plates,

    /// <summary>What holds that.</summary>
    Bolts,

    /// <summary>Lines over it all.</summary>
    Lines,

    /// <summary>What stands before it all.</summary>
    Before,

    /// <summary>The tapes.</summary>
    Tapes,

    /// <summary>What is to be done next.</summary>
    Next,

    /// <summary>Tags of stops and cautions.</summary>
    Tags,
}

/// <summary>One layer of a wall's drawing. A stage brings its own.</summary>
/// <param name="Drawings">The drawings that it belongs to.</param>
/// <param name="Depth">Where it lies.</param>
/// <param name="Draw">Draws it.</param>
public sealed record DrawingLayer(Drawings Drawings, Depth Depth, Action<Canvas> Draw);
