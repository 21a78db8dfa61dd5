using Corrie.Core.Measure;

namespace Corrie.Core.Catalogue;

/// <summary>A flat panel, as the catalogue describes it. Its left and right are those seen from the front.</summary>
/// <param name="Name">Plain description, without a make.</param>
/// <param name="Diagonal">Diagonal of the picture.</param>
/// <param name="Aspect">Width over height of the picture.</param>
/// <param name="Width">Outer width.</param>
/// <param name="Height">Outer height.</param>
/// <param name="Depth">Outer depth.</param>
/// <param name="Mass">Mass without feet.</param>
/// <param name="VesaWidth">Width of the pattern of threaded holes on its back.</param>
/// <param name="VesaHeight">Height of that pattern.</param>
/// <param name="VesaCentreUp">The pattern's centre above the display's bottom edge.</param>
/// <param name="VesaCentreRight">The pattern's centre right of the display's centre line; negative for left.</param>
/// <param name="PictureUp">The picture's bottom above the display's bottom edge.</param>
/// <param name="PortsUsed">Whether sockets on its back will be used after it hangs.</param>
public sealed record Display(
    string Name,
    Length Diagonal,
    AspectRatio Aspect,
    Length Width,
    Length Height,
    Length Depth,
    Mass Mass,
    Length VesaWidth,
    Length VesaHeight,
    Length VesaCentreUp,
    Length VesaCentreRight,
    Length PictureUp,
    bool PortsUsed)
{
    /// <summary>The picture's size, from diagonal and aspect.</summary>
    public PictureSize Picture => PictureSize.OfDiagonal(Diagonal, Aspect);

    /// <summary>Height of the upper row of threaded holes above the display's bottom edge.</summary>
    public Length UpperRowUp => VesaCentreUp + VesaHeight.Half;
}

/// <summary>Width to height of a picture, such as 16 to 9.</summary>
/// <param name="Wide">Parts of width, over 0.</param>
/// <param name="High">Parts of height, over 0.</param>
public readonly record struct AspectRatio(double Wide, double High)
{
    /// <summary>16 to 9.</summary>
    public static AspectRatio Widescreen => new(16, 9);
}

/// <summary>Width and height of a picture.</summary>
/// <param name="Width">Width.</param>
/// <param name="Height">Height.</param>
public readonly record struct PictureSize(Length Width, Length Height)
{
    /// <summary>
    /// Width and height of a picture of a diagonal: <c>w = d·a/√(a²+b²)</c>, <c>h = d·b/√(a²+b²)</c>, each rounded once to 1/640 mm.
    /// </summary>
    public static PictureSize OfDiagonal(Length diagonal, AspectRatio aspect)
    {
        var root = Math.Sqrt((aspect.Wide * aspect.Wide) + (aspect.High * aspect.High));
        return new(diagonal * (aspect.Wide / root), diagonal * (aspect.High / root));
    }
}
