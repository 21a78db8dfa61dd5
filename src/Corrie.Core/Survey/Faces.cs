using Corrie.Core.Measure;

namespace Corrie.Core.Survey;

/// <summary>
/// Joins the two faces of a wall: an opening goes through it, and its casing stands off the opening by so much on each face. What was measured
/// on the other face from a casing's named edge is carried through in this way; left and right change places, and so does the sign.
/// </summary>
public static class Faces
{
    /// <summary>Standard deviation of a reading that is carried through a wall (common practice).</summary>
    public static readonly Length Carried = Length.Tape(0, 1, 8);

    /// <summary>The standard deviation of a reading that says nothing of its own.</summary>
    /// <param name="from">The point that the tape is hooked on.</param>
    /// <param name="to">The point that is read.</param>
    /// <param name="otherFace">Whether it was taken on the other face.</param>
    /// <returns>The deviation.</returns>
    public static Length Usual(string from, string to, bool otherFace)
    {
        // From stud to stud both ends are on the same side of the wall: nothing is carried through.
        static bool IsStud(string point) => point.StartsWith("studs/", StringComparison.Ordinal);
        return otherFace && !(IsStud(from) && IsStud(to)) ? Carried : Length.Tape(0, 1, 32);
    }

    /// <summary>Where a point lies: on a point that the network knows, and how far right of it or above it.</summary>
    /// <param name="wall">The wall.</param>
    /// <param name="point">The point, as seen from the face on which it was used.</param>
    /// <param name="otherFace">Whether that was the other face.</param>
    /// <returns>Null where the point, or its edge, is not known.</returns>
    public static (string Point, Length Offset, Axis Axis)? Resolve(Wall wall, string point, bool otherFace)
    {
        var keys = point.Split('/');
        if (keys is [var id, var edge] && wall.Features.FirstOrDefault(f => f.Id == id) is { } feature)
        {
            // A height is the same on both faces; sideways only a casing's edge goes through.
            return edge switch
            {
                "top" or "bottom" => (point, Length.Zero, Axis.Up),
                "left" or "right" or "centre" when !otherFace => (point, Length.Zero, Axis.Across),
                "left" or "right" or "left-inner" or "right-inner" when feature.Casing is { } casing => Edge(id, edge, casing, otherFace),
                _ => null,
            };
        }

        return point switch
        {
            Datum.Floor or "ceiling" => (point, Length.Zero, Axis.Up),
            Datum.LeftCorner or "right-corner" or "wall-centre" when !otherFace => (point, Length.Zero, Axis.Across),
            _ when keys is ["studs", var stud] && (wall.Studs.Any(s => s.Id == stud) || wall.Unplaced.Any(s => s.Id == stud)) => (point, Length.Zero, Axis.Across),
            _ => null,
        };
    }

    private static (string, Length, Axis) Edge(string id, string edge, Casing casing, bool otherFace)
    {
        var inner = edge.EndsWith("-inner", StringComparison.Ordinal);
        var right = edge.StartsWith("right", StringComparison.Ordinal) != otherFace;
        var stands = (otherFace, inner) switch
        {
            (false, true) => casing.HereInner,
            (false, false) => casing.HereOuter,
            (true, true) => casing.ThereInner,
            (true, false) => casing.ThereOuter,
        };
        var off = stands - casing.HereOuter;
        return ($"{id}/{(right ? "right" : "left")}", right ? off : -off, Axis.Across);
    }

    /// <summary>A reading as the network takes it: between points of this face, its value seen from here.</summary>
    /// <param name="wall">The wall.</param>
    /// <param name="reading">The reading as it was told.</param>
    /// <returns>Null where one of its points is not known, or they lie on different tapes.</returns>
    public static MeasuredReading? Seen(Wall wall, MeasuredReading reading)
    {
        if (Resolve(wall, reading.From, reading.OtherFace) is not { } from || Resolve(wall, reading.To, reading.OtherFace) is not { } to ||
            from.Axis != to.Axis || reading.From == reading.To)
        {
            return null;
        }

        var value = reading.OtherFace && from.Axis == Axis.Across ? -reading.Value : reading.Value;
        return reading with { From = from.Point, To = to.Point, Value = value + from.Offset - to.Offset };
    }
}
