using Corrie.Core.Measure;

namespace Corrie.Core.Planning;

/// <summary>How a body behaves beside others.</summary>
public enum BodyRole
{
    /// <summary>Something that is planned and looked at or listened to: a display, a bar, a screen.</summary>
    Thing,

    /// <summary>A wall plate.</summary>
    Plate,

    /// <summary>An arm between plate and display.</summary>
    Arm,

    /// <summary>Something solid that stands or hangs there already.</summary>
    Solid,

    /// <summary>A window or a door: light, view and passage.</summary>
    Opening,

    /// <summary>An outlet or plate that may stay in use behind something, with its plug.</summary>
    Outlet,

    /// <summary>Something that hands, air or people have to get at: a switch, a thermostat, a vent, a valve, a hatch.</summary>
    Control,
}

/// <summary>A body in the room, at the wall: its outline seen from the front, and from where to where it stands out.</summary>
/// <param name="Part">Its name from its owner on; the owner's key is put before it.</param>
/// <param name="Name">What people call it.</param>
/// <param name="Role">How it behaves.</param>
/// <param name="Outline">Its outline on the wall.</param>
/// <param name="From">Its back, from the wall's face; negative inside the wall.</param>
/// <param name="To">Its front, from the wall's face.</param>
public sealed record Body(string Part, string Name, BodyRole Role, Rect Outline, Length From, Length To)
{
    /// <summary>Front of a body whose depth nobody knows: it may reach out as far as anything does.</summary>
    public static readonly Length Unknown = Length.Tape(240);

    /// <summary>Key of the thing whose body it is; empty for what is there already.</summary>
    public string Item { get; init; } = string.Empty;

    /// <summary>Key of the lowest thing that carries it, so that a plate does not collide with what hangs on it.</summary>
    public string Assembly { get; init; } = string.Empty;

    /// <summary>Where it takes another in: the opening of an enclosure; null for anything else.</summary>
    public Rect? Takes { get; init; }

    /// <summary>Whether two bodies are in one place. Touching is not.</summary>
    /// <param name="other">The other body.</param>
    /// <returns>Whether they overlap in all three directions.</returns>
    public bool Meets(Body other) => Outline.Overlaps(other.Outline) && From < other.To && other.From < To;
}

/// <summary>A hole to be made in the wall.</summary>
/// <param name="Part">Its name from its owner on; the owner's key is put before it.</param>
/// <param name="X">From the left corner.</param>
/// <param name="Y">Over the floor.</param>
/// <param name="Diameter">Its diameter.</param>
/// <param name="Depth">How deep, from the wall's face.</param>
public sealed record WallHole(string Part, Length X, Length Y, Length Diameter, Length Depth);

/// <summary>A stretch of a wall in which a cable runs hidden: nobody drills or screws there.</summary>
/// <param name="Part">Its name from its owner on; the owner's key is put before it.</param>
/// <param name="Name">What runs there.</param>
/// <param name="Area">Where, with what is kept free round it.</param>
public sealed record WallRun(string Part, string Name, Rect Area);
