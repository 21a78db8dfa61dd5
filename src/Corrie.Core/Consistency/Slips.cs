using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Measure;
using Corrie.Core.Survey;

namespace Corrie.Core.Consistency;

/// <summary>A figure that its neighbours make unlikely: a unit, a half, a digit, a sign, two that were exchanged.</summary>
/// <param name="Part">The member that it is about.</param>
/// <param name="Says">What stands there, beside what, and what was likely meant.</param>
public sealed record Slip(string Part, Phrase Says);

/// <summary>Looks for slips of the keyboard by what usually goes together (common practice, for the ranges). In the catalogue as in a job: what was typed wrong there is wrong in every job.</summary>
public static class Slips
{
    // Of a display's weight over its area: glass alone weighs more than the least, and nothing on a wall has the most (common practice).
    private const double LightestPerSquareInch = 0.008;
    private const double HeaviestPerSquareInch = 0.09;

    // A bezel is thin, a frame for outdoors is not: outer diagonal over the picture's.
    private const double MostFrame = 1.25;
    private static readonly Length AnyFrame = Length.Tape(2);
    private static readonly Length HighEnough = Length.Tape(60);
    private static readonly Length WideEnough = Length.Tape(12);

    // How thick layers of a name usually are (common practice); a name that has none of these words says nothing.
    private static readonly (string Word, Length From, Length To)[] Layers =
    [
        ("gypsum", Length.Tape(0, 1, 4), Length.Tape(1, 1, 2)), ("drywall", Length.Tape(0, 1, 4), Length.Tape(1, 1, 2)), ("plasterboard", Length.FromMillimetres(6), Length.Tape(1, 1, 2)),
        ("plywood", Length.Tape(0, 1, 8), Length.Tape(1, 1, 2)), ("osb", Length.Tape(0, 1, 4), Length.Tape(1, 1, 4)), ("sheathing", Length.Tape(0, 1, 4), Length.Tape(2)),
        ("render", Length.Tape(0, 1, 8), Length.Tape(2)), ("tile", Length.Tape(0, 1, 8), Length.Tape(1, 1, 2)), ("wallpaper", Length.Zero, Length.Tape(0, 1, 4)),
    ];

    /// <summary>What is unlikely in a product.</summary>
    /// <param name="product">The product, of the catalogue or a job.</param>
    /// <returns>The slips; none where all fits.</returns>
    public static IEnumerable<Slip> Of(Product product) => product switch
    {
        Display display => OfDisplay(display),
        Mount mount => OfMount(mount),
        Fastener fastener => OfFastener(fastener),
        _ => [],
    };

    /// <summary>What is unlikely in a wall.</summary>
    /// <param name="wall">The wall as it was entered.</param>
    /// <returns>The slips, parts named from the wall on.</returns>
    public static IEnumerable<Slip> Of(Wall wall)
    {
        if (wall.Height < HighEnough)
        {
            yield return new("height", Phrase.Of($"Measure the wall's height again: {wall.Height} is lower than a door. {Meant(wall.Height, Length.Tape(84), Length.Tape(240))}"));
        }

        if (wall.Width < WideEnough)
        {
            yield return new("width", Phrase.Of($"Measure the wall's width again: {wall.Width} is narrower than a door. {Meant(wall.Width, Length.Tape(36), Length.Tape(600))}"));
        }

        foreach (var layer in wall.Layers)
        {
            var words = layer.Name.ToLowerInvariant();
            if (Layers.FirstOrDefault(l => words.Contains(l.Word, StringComparison.Ordinal)) is { Word: not null } usual && (layer.Thickness < usual.From || layer.Thickness > usual.To))
            {
                yield return new($"layers/{layer.Id}/thickness", Phrase.Of($"Measure the {layer.Name} again: {layer.Thickness:fine} is {(layer.Thickness < usual.From ? "thinner" : "thicker")} than any that is sold, {usual.From:fine} to {usual.To:fine}. {Meant(layer.Thickness, usual.From, usual.To)}"));
            }
        }

        foreach (var stud in wall.Studs.Where(s => !Plausible(s.Width)))
        {
            yield return new($"studs/{stud.Id}/width", Phrase.Of($"Measure the face of the stud at {stud.Centre} again: {stud.Width:fine} is neither a stud's, 1 1/4 to 2 in or 30 to 52 mm, nor that of two or three together."));
        }
    }

    // One, two or three of 35 to 47 mm, a steel one of 32 to 41, planed or a little swollen (common practice; widths from memory).
    private static bool Plausible(Length width) => width.Millimetres is (>= 30 and <= 52) or (>= 68 and <= 100) or (>= 103 and <= 150);

    private static IEnumerable<Slip> OfDisplay(Display display)
    {
        var (outer, picture) = (Math.Sqrt((display.Width.Inches * display.Width.Inches) + (display.Height.Inches * display.Height.Inches)), display.Diagonal.Inches);
        var size = display.Picture;
        if (outer < picture - 0.1 || outer > (picture * MostFrame) + AnyFrame.Inches)
        {
            var (w, h) = (display.Width.Inches / size.Width.Inches, display.Height.Inches / size.Height.Inches);
            yield return new("diagonal", Phrase.Of($"Measure the display again: {display.Width} by {display.Height} does not go with a picture of {display.Diagonal}, which is {size.Width} by {size.Height}. {(Typed(picture / outer) is { } factor ? Phrase.Of($"One of them looks typed {factor}.") : Math.Abs(w - 1) < 0.2 ? Phrase.Of($"The height looks off.") : Math.Abs(h - 1) < 0.2 ? Phrase.Of($"The width looks off.") : Phrase.Of($"One of the three is off."))}"));
        }
        else if ((display.Width > display.Height) != (size.Width > size.Height) && size.Width != size.Height)
        {
            yield return new("width", Phrase.Of($"Exchange width and height, or the picture's sides: the display is {display.Width} by {display.Height}, and its picture {size.Width} by {size.Height}."));
        }
        else if (display.Width < size.Width - AnyFrame || display.Height < size.Height - AnyFrame)
        {
            yield return new("aspect", Phrase.Of($"Measure the display again, or say how wide its picture is to its height: {display.Width} by {display.Height} does not hold a picture of {size.Width} by {size.Height}."));
        }

        var heavy = display.Mass.Pounds / (display.Width.Inches * display.Height.Inches);
        if (heavy is < LightestPerSquareInch or > HeaviestPerSquareInch)
        {
            yield return new("mass", Phrase.Of($"Weigh the display again: {display.Mass} is {(heavy < LightestPerSquareInch ? "less" : "more")} than any of {display.Width} by {display.Height} weighs. It looks typed in another unit, or with a digit too {(heavy < LightestPerSquareInch ? "few" : "many")}."));
        }

        if (display.UpperRowUp > display.Height || display.UpperRowUp - display.VesaHeight < Length.Zero)
        {
            yield return new("vesaCentreUp", Phrase.Of($"Measure the holes again: the pattern reaches from {display.UpperRowUp - display.VesaHeight} to {display.UpperRowUp} up, and the display is {display.Height} high. {Meant(display.VesaCentreUp, display.VesaHeight.Half, display.Height - display.VesaHeight.Half)}"));
        }
    }

    private static IEnumerable<Slip> OfMount(Mount mount)
    {
        if (mount.DepthParked > mount.DepthExtended)
        {
            yield return new("depthParked", Phrase.Of($"Exchange the two: parked it stands {mount.DepthParked} out of the wall, and at full reach {mount.DepthExtended}."));
        }

        if (mount.HookUp > mount.PlateHeight * 2)
        {
            yield return new("hookUp", Phrase.Of($"Measure the hook line again: it is {mount.HookUp} over the bottom edge of a plate that is {mount.PlateHeight} high. {Meant(mount.HookUp, mount.PlateHeight * 0.4, mount.PlateHeight)}"));
        }

        foreach (var row in mount.Rows.Where(r => r.Slots.Any(s => s.Exchanged)))
        {
            var slot = row.Slots.First(s => s.Exchanged);
            yield return new($"rows/{row.Id}", Phrase.Of($"Look at the {row.Id} row again: a slot's left end was typed right of its right end, and it is planned from {slot.From} to {slot.To}. A sign may be missing."));
        }

        if (mount.SizeFrom > mount.SizeTo)
        {
            yield return new("sizeFrom", Phrase.Of($"Exchange the two: it is said to take displays from {mount.SizeFrom} to {mount.SizeTo}."));
        }
    }

    private static IEnumerable<Slip> OfFastener(Fastener fastener)
    {
        if (fastener.SaidThread is { } thread && thread > fastener.Length)
        {
            yield return new("thread", Phrase.Of($"Measure the {fastener.Name} again: {thread} of thread on {fastener.Length}. {Meant(thread, Length.Zero, fastener.Length)}"));
        }

        if (fastener.Tip > fastener.Length)
        {
            yield return new("tip", Phrase.Of($"Measure the {fastener.Name} again: {fastener.Tip} of tip on {fastener.Length}."));
        }

        if (fastener.Diameter > fastener.Length)
        {
            yield return new("diameter", Phrase.Of($"Exchange the two: the {fastener.Name} is {fastener.Diameter} thick and {fastener.Length} long."));
        }
    }

    // By which factor two figures differ, if that is one of the usual slips.
    private static string? Typed(double times) => Factors.FirstOrDefault(f => Math.Abs((times / f.Times) - 1) < 0.12).Says;

    private static readonly (double Times, string Says)[] Factors =
    [
        (25.4, "in inches for millimetres"), (1 / 25.4, "in millimetres for inches"), (2.54, "in inches for centimetres"), (1 / 2.54, "in centimetres for inches"),
        (10, "with a digit too few or too many"), (0.1, "with a digit too few or too many"), (2, "as a half of it"), (0.5, "as twice as much"),
    ];

    // What was likely meant: the first of the usual slips that brings it into what is usual.
    private static Phrase Meant(Length typed, Length from, Length to)
    {
        foreach (var (times, says) in new[] { (25.4, "in inches"), (1 / 25.4, "in millimetres"), (0.1, "with a digit less"), (10d, "with a digit more"), (0.5, "as half of it"), (2d, "as twice as much") })
        {
            if (typed * times is var meant && meant >= from && meant <= to && meant > Length.Zero)
            {
                return Phrase.Of($"Likely {meant} was meant, {says}.");
            }
        }

        return Phrase.Of($"It is far from what is usual, {from} to {to}.");
    }
}
