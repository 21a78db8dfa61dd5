using Corrie.Core.Measure;

namespace Corrie.Core.Survey;

/// <summary>Which tape a datum belongs to.</summary>
public enum Axis
{
    /// <summary>Along the wall, from left to right seen from the front.</summary>
    Across,

    /// <summary>Up from the floor.</summary>
    Up,
}

/// <summary>Where a mark lies from a datum.</summary>
/// <param name="Distance">What the tape shows; never negative.</param>
/// <param name="Back">Whether it is read to the left, or down.</param>
public readonly record struct TapeReading(Length Distance, bool Back);

/// <summary>A named line from which somebody measures.</summary>
/// <param name="Id">Its name in the sheet: <c>floor</c>, <c>left-corner</c>, or a feature's key and edge such as <c>f1/top</c>.</param>
/// <param name="Name">What the crew calls it, face or edge included.</param>
/// <param name="Axis">Which tape hooks on it.</param>
/// <param name="At">Its position from the left corner, or over the floor.</param>
public sealed record Datum(string Id, string Name, Axis Axis, Length At)
{
    /// <summary>The datum of heights where nothing else is chosen.</summary>
    public const string Floor = "floor";

    /// <summary>The sideways datum where nothing else is chosen.</summary>
    public const string LeftCorner = "left-corner";

    /// <summary>What the tape shows at a position when its hook is on this datum.</summary>
    /// <param name="position">From the left corner, or over the floor.</param>
    /// <returns>The distance, and whether it is read backwards.</returns>
    public TapeReading Read(Length position) => new((position - At).Abs, position < At);

    /// <summary>The position of something that the tape shows.</summary>
    /// <param name="distance">What the tape shows; not negative.</param>
    /// <param name="back">Whether it is read to the left, or down.</param>
    /// <returns>From the left corner, or over the floor.</returns>
    public Length Position(Length distance, bool back) => back ? At - distance : At + distance;

    /// <summary>Every line of a wall that a tape can be hooked on.</summary>
    /// <param name="wall">The wall, its readings worked in.</param>
    /// <returns>The corners, floor and ceiling, then what is on the wall from left to right.</returns>
    public static IReadOnlyList<Datum> Of(Wall wall)
    {
        var datums = new List<Datum>
        {
            new(LeftCorner, "left corner", Axis.Across, Length.Zero),
            new("right-corner", "right corner", Axis.Across, wall.Width),
            new("wall-centre", "centre of the wall", Axis.Across, wall.Centre),
            new(Floor, "floor", Axis.Up, Length.Zero),
            new("ceiling", "ceiling", Axis.Up, wall.Height),
        };
        foreach (var f in wall.Features)
        {
            datums.Add(new(f.Id + "/left", $"left edge of the {f.Name}", Axis.Across, f.Left));
            datums.Add(new(f.Id + "/right", $"right edge of the {f.Name}", Axis.Across, f.Right));
            if (f.Casing is { } casing)
            {
                var reveal = casing.HereOuter - casing.HereInner;
                datums.Add(new(f.Id + "/left-inner", $"inner left casing edge of the {f.Name}", Axis.Across, f.Left + reveal));
                datums.Add(new(f.Id + "/right-inner", $"inner right casing edge of the {f.Name}", Axis.Across, f.Right - reveal));
            }

            datums.Add(new(f.Id + "/centre", $"centre of the {f.Name}", Axis.Across, f.Centre));
            datums.Add(new(f.Id + "/top", $"top of the {f.Name}", Axis.Up, f.Top));
            if (f.Bottom > Length.Zero)
            {
                datums.Add(new(f.Id + "/bottom", $"bottom edge of the {f.Name}", Axis.Up, f.Bottom));
            }
        }

        return datums;
    }
}

/// <summary>From where the set-out of a wall is read.</summary>
/// <param name="Across">Datum of the sideways readings.</param>
/// <param name="Up">Datum of the heights.</param>
public sealed record SetOutChoice(string Across, string Up);

/// <summary>The two tapes of a wall and where they can be hooked.</summary>
/// <param name="Datums">Every line that a tape can be hooked on.</param>
/// <param name="Across">Where the foot tape is hooked.</param>
/// <param name="Up">Where the upright tape is hooked.</param>
public sealed record WallTapes(IReadOnlyList<Datum> Datums, Datum Across, Datum Up)
{
    /// <summary>Hooks the tapes of a wall.</summary>
    /// <param name="wall">The wall, its readings worked in.</param>
    /// <param name="choice">Where they are to be hooked; what is not there any more gives way to corner and floor.</param>
    /// <returns>The tapes.</returns>
    public static WallTapes Of(Wall wall, SetOutChoice choice)
    {
        var datums = Datum.Of(wall);
        Datum Find(string id, Axis axis, string otherwise) => datums.FirstOrDefault(d => d.Id == id && d.Axis == axis) ?? datums.First(d => d.Id == otherwise);
        return new(datums, Find(choice.Across, Axis.Across, Datum.LeftCorner), Find(choice.Up, Axis.Up, Datum.Floor));
    }
}
