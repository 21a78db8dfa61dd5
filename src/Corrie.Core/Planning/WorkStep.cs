namespace Corrie.Core.Planning;

/// <summary>A step of the work as the page shows it: it groups stages. The order here is that of the page.</summary>
/// <param name="Word">Its word in addresses.</param>
/// <param name="Title">Its title.</param>
public sealed record WorkStep(string Word, string Title)
{
    /// <summary>The wall.</summary>
    public static WorkStep Survey { get; } = new("survey", "Survey");

    /// <summary>Where things go.</summary>
    public static WorkStep Place { get; } = new("place", "Place");

    /// <summary>Display, mount and plate.</summary>
    public static WorkStep Hang { get; } = new("hang", "Hang");

    /// <summary>What holds it.</summary>
    public static WorkStep Fix { get; } = new("fix", "Fix");

    /// <summary>Power, boxes and cables.</summary>
    public static WorkStep Feed { get; } = new("feed", "Feed");

    /// <summary>The day on site.</summary>
    public static WorkStep Site { get; } = new("site", "Site day");

    /// <summary>All steps, from left to right.</summary>
    public static IReadOnlyList<WorkStep> All { get; } = [Survey, Place, Hang, Fix, Feed, Site];
}
