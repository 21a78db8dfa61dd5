using Corrie.Core.Format;
using Corrie.Core.Measure;

namespace Corrie.Core.Catalogue;

/// <summary>What a cable or a port carries.</summary>
public enum Signal
{
    /// <summary>Picture and sound.</summary>
    Picture,

    /// <summary>Network.</summary>
    Network,

    /// <summary>Sound by light.</summary>
    Optical,

    /// <summary>From an aerial or a cable network.</summary>
    Aerial,

    /// <summary>To a loudspeaker.</summary>
    Speaker,

    /// <summary>Infrared, serial or a trigger.</summary>
    Control,

    /// <summary>Data and a little power.</summary>
    Usb,

    /// <summary>Power and picture from a separate connection box, by one thin cable.</summary>
    OneCable,

    /// <summary>Mains.</summary>
    Mains,

    /// <summary>Anything else.</summary>
    Other,
}

/// <summary>Where a cable is made to run.</summary>
public enum CableRating
{
    /// <summary>Inside a wall.</summary>
    InWall,

    /// <summary>Between floors.</summary>
    Riser,

    /// <summary>In a duct or another space that moves air.</summary>
    Plenum,

    /// <summary>Outdoors.</summary>
    Outdoor,

    /// <summary>In direct sun.</summary>
    Sun,

    /// <summary>Buried.</summary>
    Buried,
}

/// <summary>A cable, as the catalogue describes it.</summary>
/// <param name="Name">Plain description, without a make.</param>
/// <param name="Carries">What it carries.</param>
/// <param name="Diameter">Its outer diameter.</param>
public sealed record Cable(string Name, Signal Carries, Length Diameter) : Product(Name, default)
{
    /// <summary>Width of its plug; zero for a cable without plugs, or one that is terminated on site.</summary>
    public Length PlugWidth { get; init; }

    /// <summary>Height of its plug.</summary>
    public Length PlugHeight { get; init; }

    /// <summary>Width of the plug at its other end.</summary>
    public Length OtherWidth { get; init; }

    /// <summary>Height of the plug at its other end.</summary>
    public Length OtherHeight { get; init; }

    /// <summary>The tightest bend that it takes, by its maker; null where nobody has entered it.</summary>
    public Length? SaidBend { get; init; }

    /// <summary>Where it is made to run.</summary>
    public IReadOnlyList<CableRating> Ratings { get; init; } = [];

    /// <summary>Whether it is a flexible cord: never in a wall, whatever it carries.</summary>
    public bool Cord { get; init; }

    /// <summary>For mains: its wire gauge, 14, 12 or 10; null where nobody has entered it.</summary>
    public int? Gauge { get; init; }

    /// <summary>Lengths in which it is sold; empty where it is cut to length.</summary>
    public IReadOnlyList<Length> Sold { get; init; } = [];

    /// <summary>How far it carries, by its maker; null where nobody has entered it.</summary>
    public Length? SaidLimit { get; init; }

    /// <summary>Whether it is active or optical inside, so that it carries one way and farther.</summary>
    public bool Active { get; init; }

    /// <summary>The tightest bend that it takes: by its maker, or four diameters for network cables (TIA-568, from memory) and eight for others (common practice).</summary>
    public Length Bend => SaidBend ?? Diameter * (Carries == Signal.Network ? 4 : 8);

    /// <summary>The diagonal of its smaller plug: that end is pulled.</summary>
    public Length SmallPlug => Length.Min(Diagonal(PlugWidth, PlugHeight), Diagonal(OtherWidth, OtherHeight)) is { Units: > 0 } plug ? Length.Max(plug, Diameter) : Diameter;

    /// <summary>The diagonal of its larger plug.</summary>
    public Length LargePlug => Length.Max(Diameter, Length.Max(Diagonal(PlugWidth, PlugHeight), Diagonal(OtherWidth, OtherHeight)));

    /// <summary>Whether it may run in a place that asks for a rating: what is made for between floors is made for walls, and what is made for ducts for both (common practice).</summary>
    /// <param name="rating">The rating.</param>
    /// <returns>Whether it may.</returns>
    public bool MayRun(CableRating rating) => !Cord && (Ratings.Contains(rating) || (rating is CableRating.InWall or CableRating.Riser && Ratings.Contains(CableRating.Plenum)) || (rating == CableRating.InWall && Ratings.Contains(CableRating.Riser)));

    private static Length Diagonal(Length width, Length height) => Length.FromInches(Math.Sqrt((width.Inches * width.Inches) + (height.Inches * height.Inches)));

    private static readonly LengthRange Thick = LengthRange.UpTo(Length.Tape(4));

    private static readonly GroupShape<Cable> Form = new("a cable", m =>
    {
        var name = NameOf(m);
        var carries = m.Need("carries", new ChoiceShape<Signal>("what it carries"));
        var diameter = m.Length("diameter", "its outer diameter", Thick);
        var (width, height) = (m.Length("plugWidth", "width of its plug; 0 for none", new(Length.Zero, Length.Tape(6)), Length.Zero), m.Length("plugHeight", "height of its plug", new(Length.Zero, Length.Tape(6)), Length.Zero));
        return new Cable(name, carries, diameter)
        {
            PlugWidth = width,
            PlugHeight = height,
            OtherWidth = m.Length("otherWidth", "width of the plug at its other end", new(Length.Zero, Length.Tape(6)), width),
            OtherHeight = m.Length("otherHeight", "height of the plug at its other end", new(Length.Zero, Length.Tape(6)), height),
            SaidBend = m.MaybeLength("bend", "the tightest bend that it takes, by its maker", LengthRange.Size),
            Ratings = [.. (m.Part("ratings", new ListShape<CableRating>("where it is made to run", new ChoiceShape<CableRating>("where it may run"), 6, ListText.Commas("in-wall, riser, plenum, outdoor, sun, buried"))) ?? []).Distinct().Order()],
            Cord = m.Yes("cord", "whether it is a flexible cord"),
            Gauge = m.Maybe("gauge", new WholeShape("for mains: its wire gauge, 14, 12 or 10", 10, 14)),
            Sold = [.. (m.Part("sold", new ListShape<Length>("lengths in which it is sold, unless it is cut to length", new LengthShape("a length", LengthRange.From(Length.FromUnits(1))), 20, ListText.Commas("6 ft, 10 ft, 15 ft"))) ?? []).Order()],
            SaidLimit = m.MaybeLength("limit", "how far it carries, by its maker", LengthRange.From(Length.FromUnits(1))),
            Active = m.Yes("active", "whether it is active or optical inside, one way"),
            Typical = TypicalParts.Marked(m),
        };
    });

    /// <summary>Cables, in the catalogue and on the sheet.</summary>
    public static ProductKind Kind { get; } = ProductKind.Of("cable", "Cable", "Cables", Form) with
    {
        IsItem = false,
        IsPlaced = false,
        Headings =
        [
            ("What it is", ["name", "carries", "diameter", "ratings", "cord", "gauge", "active", "typical"]),
            ("Its plugs", ["plugWidth", "plugHeight", "otherWidth", "otherHeight"]),
            ("How far and how tight", ["bend", "limit", "sold"]),
        ],
    };
}
