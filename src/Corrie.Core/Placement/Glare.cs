using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Core.Planning;

namespace Corrie.Core.Placement;

/// <summary>The side of the compass that a window looks to.</summary>
public enum CompassSide
{
    /// <summary>Nobody has said.</summary>
    Unknown,

    /// <summary>North: no sun, on the northern half of the earth.</summary>
    North,

    /// <summary>East.</summary>
    East,

    /// <summary>South.</summary>
    South,

    /// <summary>West.</summary>
    West,
}

/// <summary>A window in another wall of the room, or a lamp that stands still: seen from above, from one end to the other.</summary>
/// <param name="Id">Short key in the sheet.</param>
/// <param name="Name">What people call it.</param>
/// <param name="FromAcross">One end: from the left corner of the wall with the screen; negative beyond it.</param>
/// <param name="FromOut">That end: out of the wall.</param>
/// <param name="ToAcross">The other end, from the left corner.</param>
/// <param name="ToOut">The other end, out of the wall.</param>
/// <param name="Side">The side of the compass that it looks to.</param>
public sealed record RoomLight(string Id, string Name, Length FromAcross, Length FromOut, Length ToAcross, Length ToOut, CompassSide Side)
{
    private static readonly GroupShape<RoomLight> Light = new("a window or a lamp", m => new RoomLight(
        m.Key,
        m.Text("name", "what it is called", 80) is { Length: > 0 } name ? name : "window",
        m.Length("fromAcross", "one end, from the left corner", LengthRange.EitherWay),
        m.Length("fromOut", "that end, out of the wall", LengthRange.Distance),
        m.Length("toAcross", "the other end, from the left corner", LengthRange.EitherWay),
        m.Length("toOut", "the other end, out of the wall", LengthRange.Distance),
        m.Choice("side", "the side of the compass that it looks to", CompassSide.Unknown)));

    /// <summary>Windows and lamps before a wall.</summary>
    public static Part<IReadOnlyList<RoomLight>> Part { get; } = new(Holder.Wall, "lights", new MapShape<RoomLight>("windows and lamps before the wall, which a screen may mirror", Light, 24));

    /// <summary>The hours at which the sun stands in it, the year round (common practice, on the northern half of the earth).</summary>
    public string Hours => Side switch
    {
        CompassSide.East => "sun from about 6 to 11",
        CompassSide.South => "sun from about 9 to 16",
        CompassSide.West => "sun from about 14 to 20",
        CompassSide.North => "no sun, daylight all day",
        _ => "hours not known: nobody has said to which side it looks",
    };
}

/// <summary>What a screen mirrors: on the plan from above the angle in is the angle out, so that a seat sees what lies straight from its own mirror image.</summary>
public static class Glare
{
    /// <summary>The stretch of the screen in which a seat sees a light.</summary>
    /// <param name="seatAcross">Where the seat is, from the left corner.</param>
    /// <param name="seatOut">How far it is from the screen.</param>
    /// <param name="light">The light.</param>
    /// <returns>From where to where along the wall; null for a light that is nowhere before the screen.</returns>
    public static (Length From, Length To)? Mirrored(Length seatAcross, Length seatOut, RoomLight light)
    {
        // Straight from the mirrored seat, as far behind the screen as the seat is before it, to either end of the light.
        Length? Meets(Length across, Length along) => seatOut + along is var deep && deep > Length.Zero ? seatAcross + ((across - seatAcross) * (seatOut / deep)) : null;
        return Meets(light.FromAcross, light.FromOut) is { } a && Meets(light.ToAcross, light.ToOut) is { } b ? (Length.Min(a, b), Length.Max(a, b)) : null;
    }

    /// <summary>What each seat sees mirrored in a picture.</summary>
    /// <param name="picture">The picture.</param>
    /// <param name="views">Who watches.</param>
    /// <param name="lights">The lights.</param>
    /// <returns>A note each.</returns>
    internal static IEnumerable<Finding> Check(Rect picture, IReadOnlyList<View> views, IReadOnlyList<RoomLight> lights)
    {
        foreach (var view in views)
        {
            foreach (var light in lights)
            {
                if (Mirrored(view.Viewer.Across ?? picture.CentreX, view.Viewer.Distance, light) is ({ } from, { } to) && picture.Overlaps(from, to))
                {
                    yield return PlacementFindings.Glare.At(
                        new($"glare/{view.Viewer.Id}/{light.Id}", Length.Max(picture.Left, from), picture.CentreY),
                        $"From the {view.Viewer.Name} the picture mirrors the {light.Name} between {Length.Max(picture.Left, from)} and {Length.Min(picture.Right, to)} across ({light.Hours}). A curtain there, a tilt or a turn takes it away.");
                }
            }
        }
    }
}
