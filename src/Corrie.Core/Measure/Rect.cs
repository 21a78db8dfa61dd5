namespace Corrie.Core.Measure;

/// <summary>An upright rectangle on the wall.</summary>
/// <param name="Left">From the left corner.</param>
/// <param name="Bottom">Over the floor.</param>
/// <param name="Width">Its width.</param>
/// <param name="Height">Its height.</param>
public readonly record struct Rect(Length Left, Length Bottom, Length Width, Length Height)
{
    /// <summary>Right edge.</summary>
    public Length Right => Left + Width;

    /// <summary>Top edge.</summary>
    public Length Top => Bottom + Height;

    /// <summary>Vertical centre line, from the left corner.</summary>
    public Length CentreX => Left + Width.Half;

    /// <summary>Middle, over the floor.</summary>
    public Length CentreY => Bottom + Height.Half;

    /// <summary>The rectangle between four edges.</summary>
    /// <param name="left">From the left corner.</param>
    /// <param name="right">From the left corner.</param>
    /// <param name="bottom">Over the floor.</param>
    /// <param name="top">Over the floor.</param>
    /// <returns>The rectangle; its sizes are negative where the edges are the wrong way round.</returns>
    public static Rect Between(Length left, Length right, Length bottom, Length top) => new(left, bottom, right - left, top - bottom);

    /// <summary>Whether it lies within a band of the wall's width; touching is outside.</summary>
    /// <param name="left">The band's left edge.</param>
    /// <param name="right">Its right edge.</param>
    /// <returns>Whether they overlap.</returns>
    public bool Overlaps(Length left, Length right) => Left < right && Right > left;

    /// <summary>Whether two rectangles cover a common area; touching is not covering.</summary>
    /// <param name="other">The other.</param>
    /// <returns>Whether they do.</returns>
    public bool Overlaps(Rect other) => Overlaps(other.Left, other.Right) && Bottom < other.Top && Top > other.Bottom;

    /// <summary>Whether another lies in it altogether, edges on edges too.</summary>
    /// <param name="other">The other.</param>
    /// <returns>Whether it does.</returns>
    public bool Covers(Rect other) => other.Left >= Left && other.Right <= Right && other.Bottom >= Bottom && other.Top <= Top;

    /// <summary>Whether a point lies inside; on an edge is outside.</summary>
    /// <param name="x">From the left corner.</param>
    /// <param name="y">Over the floor.</param>
    /// <returns>Whether it does.</returns>
    public bool Holds(Length x, Length y) => x > Left && x < Right && y > Bottom && y < Top;

    /// <summary>The rectangle moved up.</summary>
    /// <param name="by">How far; negative for down.</param>
    /// <returns>The moved rectangle.</returns>
    public Rect Raised(Length by) => this with { Bottom = Bottom + by };

    /// <summary>The rectangle made larger on all sides.</summary>
    /// <param name="by">By how much.</param>
    /// <returns>The larger rectangle.</returns>
    public Rect Grown(Length by) => new(Left - by, Bottom - by, Width + (by * 2), Height + (by * 2));
}
