using Corrie.Core.Findings;
using Corrie.Core.Measure;

namespace Corrie.Core.Planning;

/// <summary>When a mark is made, among all marks of a wall.</summary>
public enum MarkPhase
{
    /// <summary>Plumb lines that everything is centred on.</summary>
    CentreLines,

    /// <summary>Level lines that heights are carried through.</summary>
    LevelLines,

    /// <summary>Level lines of holes.</summary>
    Rows,

    /// <summary>Holes.</summary>
    Holes,

    /// <summary>Where plates and boxes go, as a check of the holes.</summary>
    Outlines,

    /// <summary>What is checked once it hangs.</summary>
    Checks,
}

/// <summary>On which drawings a mark throws its line to the tape.</summary>
[Flags]
public enum MarkViews
{
    /// <summary>On none: it is in the set-out alone.</summary>
    None = 0,

    /// <summary>From the front.</summary>
    Front = 1,

    /// <summary>As if the board were glass.</summary>
    Behind = 2,

    /// <summary>On both.</summary>
    Both = 3,
}

/// <summary>How a mark looks on the drawing.</summary>
public enum MarkLook
{
    /// <summary>A plain reading.</summary>
    Plain,

    /// <summary>A chalk line: centre lines, hook lines.</summary>
    Chalk,

    /// <summary>A hole.</summary>
    Hole,
}

/// <summary>A line or point to put on the wall.</summary>
/// <param name="Id">Its name: its owner's key and a short name, such as <c>m1/hook-line</c>. A stage gives the short name alone.</param>
/// <param name="Name">What the crew calls it.</param>
/// <param name="X">From the left corner; null for a level line.</param>
/// <param name="Y">Over the floor; null for a plumb line.</param>
/// <param name="How">How it is obtained.</param>
/// <param name="Phase">When it is made.</param>
/// <param name="Views">On which drawings its reading stands at the tape.</param>
/// <param name="Look">How it looks there.</param>
public sealed record Mark(string Id, string Name, Length? X, Length? Y, Phrase How, MarkPhase Phase, MarkViews Views = MarkViews.None, MarkLook Look = MarkLook.Plain)
{
    /// <summary>Key of the thing that it is for; empty where it is the wall's own.</summary>
    public string Item { get; init; } = string.Empty;

    /// <summary>Key of the wall that it is on.</summary>
    public string Wall { get; init; } = string.Empty;

    /// <summary>The thing that it moves along with while that is dragged; empty for none.</summary>
    public string Follows { get; init; } = string.Empty;
}
