using Corrie.Core.Measure;

namespace Corrie.Web.Drawing;

/// <summary>Which way the wall is looked at.</summary>
public enum WallView
{
    /// <summary>What the client sees.</summary>
    Front,

    /// <summary>As if the board were glass.</summary>
    Behind,

    /// <summary>In section, with the seats.</summary>
    Side,

    /// <summary>From the ceiling.</summary>
    Above,
}

/// <summary>Where things of the wall lie on the drawing, to one scale both ways.</summary>
/// <param name="Scale">Pixels to the inch.</param>
/// <param name="Left">The left corner.</param>
/// <param name="Floor">The floor.</param>
public readonly record struct Frame(double Scale, double Left, double Floor)
{
    /// <summary>Space for the tape and its readings on the left.</summary>
    public const double LeftMargin = 116;

    /// <summary>Space above the wall.</summary>
    public const double TopMargin = 30;

    /// <summary>Space for the tape and its readings at the foot.</summary>
    public const double FootMargin = 80;

    /// <summary>Width of the whole drawing.</summary>
    public const double Width = 880;

    private const double RightMargin = 12;
    private const double MostHeight = 372;

    /// <summary>The largest scale at which a wall fits, the same in every step: nobody loses their place on it.</summary>
    /// <param name="width">The wall's width.</param>
    /// <param name="height">Its height.</param>
    public static Frame Of(Length width, Length height)
    {
        var scale = Math.Min((Width - LeftMargin - RightMargin) / width.Inches, MostHeight / height.Inches);
        return new(scale, LeftMargin, TopMargin + (height.Inches * scale));
    }

    /// <summary>A stretch of a wall as large as it fits, over the space of the whole wall: what is close to it is to be seen.</summary>
    /// <param name="from">Left end of the stretch.</param>
    /// <param name="to">Its right end.</param>
    /// <param name="whole">The frame of the whole wall.</param>
    public static Frame OfStretch(Length from, Length to, Frame whole)
    {
        var scale = (Width - LeftMargin - RightMargin) / (to - from).Inches;
        return whole with { Scale = scale, Left = LeftMargin - (from.Inches * scale) };
    }

    /// <summary>How long a stretch has to be for something to fit that stands so far out of the wall.</summary>
    /// <param name="deep">Wall and what stands out of it.</param>
    /// <param name="whole">The frame of the whole wall.</param>
    public static Length StretchFor(Length deep, Frame whole) => deep * ((Width - LeftMargin - RightMargin) / (whole.Floor - TopMargin - 24));

    /// <summary>Height of the whole drawing.</summary>
    public double Height => Floor + FootMargin;

    /// <summary>A distance.</summary>
    public double D(Length length) => length.Inches * Scale;

    /// <summary>Across, from the left corner.</summary>
    public double X(Length across) => Left + D(across);

    /// <summary>Up, from the floor.</summary>
    public double Y(Length up) => Floor - D(up);

    /// <summary>A rectangle on the wall.</summary>
    public void Rect(Svg svg, string classes, Rect rect, double round = 0) => svg.Rect(classes, X(rect.Left), Y(rect.Top), D(rect.Width), D(rect.Height), round);
}
