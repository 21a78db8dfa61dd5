using Corrie.Core.Measure;

namespace Corrie.Core.Placement;

/// <summary>Which line of the display a height is given for.</summary>
public enum Edge
{
    /// <summary>Its bottom edge.</summary>
    Bottom,

    /// <summary>Its middle.</summary>
    Centre,

    /// <summary>Its top edge.</summary>
    Top,
}

/// <summary>The school by which the height is chosen.</summary>
public enum School
{
    /// <summary>Centre at seated eye height.</summary>
    EyeLine,

    /// <summary>Just above what stands below.</summary>
    AsLowAsItGoes,

    /// <summary>For people who stand.</summary>
    Standing,

    /// <summary>Over a mantel.</summary>
    OverAMantel,

    /// <summary>Centre near the eye of somebody walking by.</summary>
    HungAsArt,

    /// <summary>Lined up with the room or another display.</summary>
    LineUp,

    /// <summary>Clear of furniture that will change.</summary>
    AboveFurnitureToBeChanged,
}

/// <summary>Somebody who watches.</summary>
/// <param name="Id">Short key in the sheet.</param>
/// <param name="Name">Which seat or place.</param>
/// <param name="Eye">Eye height over the floor.</param>
/// <param name="Distance">Eye to screen, level.</param>
/// <param name="Recline">How far a recliner leans back; the comfortable centre line rises by as much.</param>
/// <param name="Seated">Whether they sit.</param>
public sealed record Viewer(string Id, string Name, Length Eye, Length Distance, Angle Recline, bool Seated);

/// <summary>The client's consent to a position.</summary>
/// <param name="By">Who consented.</param>
/// <param name="Centre">Height of the centre that they consented to.</param>
/// <param name="Across">Its centre from the left corner.</param>
public sealed record Approval(string By, Length Centre, Length Across);

/// <summary>Where the picture is wanted.</summary>
/// <param name="School">How the height is chosen.</param>
/// <param name="Reason">Why that one.</param>
/// <param name="Given">Which line of the display the height is for.</param>
/// <param name="Height">That line over the floor.</param>
/// <param name="Over">The centre line it hangs on: <c>wall</c>, a feature's key, or null for a reading.</param>
/// <param name="Across">Where <paramref name="Over"/> is null: the centre from the left corner; else how far right of that centre line.</param>
/// <param name="GapBelow">Least gap to what stands below.</param>
/// <param name="GapAbove">Least gap to what is above.</param>
/// <param name="Viewers">Who watches.</param>
/// <param name="Approval">The client's consent, if given.</param>
public sealed record PlacementChoice(
    School School,
    string Reason,
    Edge Given,
    Length Height,
    string? Over,
    Length Across,
    Length GapBelow,
    Length GapAbove,
    IReadOnlyList<Viewer> Viewers,
    Approval? Approval);
