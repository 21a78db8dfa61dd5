using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Measure;
using Corrie.Core.Planning;

namespace Corrie.Core.Feeds;

/// <summary>The mains box in an enclosure.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="Opening">What is cut out for it, from the lower left corner of the enclosure's opening.</param>
/// <param name="Cover">What its cover takes there.</param>
public sealed record EnclosedMains(string Name, Rect Opening, Rect Cover)
{
    /// <summary>How far a plug stands out of it (common practice).</summary>
    public static Length Plug => BoxCheck.Plug;
}

/// <summary>All that has to go into an enclosure between two studs.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="Box">The enclosure.</param>
/// <param name="Outer">Where its cover is on the wall.</param>
/// <param name="Devices">What stands in it.</param>
/// <param name="Mains">The mains box in it; null for none.</param>
/// <param name="Leaving">Cables from its devices that go out into the open, with the end that passes.</param>
/// <param name="Bay">Where the members beside it are; null where nobody knows.</param>
public sealed record Enclosure(string Name, WallBox Box, Rect Outer, Same<EnclosedDevice> Devices, EnclosedMains? Mains, Same<Strand> Leaving, (Length Left, Length Right)? Bay)
{
    /// <summary>Where nobody has said how large the gaps of a cover are (common practice).</summary>
    public static readonly (Length Width, Length Height) UsualGap = (Length.Tape(5), Length.Tape(1));

    // A screw through its side reaches a stud over so much air (common practice).
    private static readonly Length Reaches = Length.Tape(0, 1, 4);

    /// <summary>The gap at the top and the one at the bottom of its cover, each through which cables leave.</summary>
    public (Length Width, Length Height) Gap => (Box.ExitWidth ?? UsualGap.Width, Box.ExitHeight ?? UsualGap.Height);

    /// <summary>What its devices give off, in watts.</summary>
    public double Watts => Devices.Items.Sum(d => d.Watts ?? 0);

    /// <summary>Blocking that its left and its right side ask for, each so wide, where no stud stands beside it; zero where one does, or nobody knows.</summary>
    public (Length Left, Length Right) SideBlocks
    {
        get
        {
            var (left, right) = Bay is { } bay ? (Outer.CentreX - Box.OpeningWidth.Half - bay.Left, bay.Right - Outer.CentreX - Box.OpeningWidth.Half) : (Length.Zero, Length.Zero);
            return (left > Reaches ? left : Length.Zero, right > Reaches ? right : Length.Zero);
        }
    }

    /// <summary>Whether a cable passes a gap of the cover: its plug lying flat, the wide side along the gap.</summary>
    /// <param name="strand">The cable.</param>
    /// <returns>Whether it does.</returns>
    public bool Passes(Strand strand)
    {
        var (wide, high) = (Length.Max(strand.Diameter, Length.Max(strand.Wide, strand.High)), Length.Max(strand.Diameter, Length.Min(strand.Wide, strand.High)));
        return wide <= Length.Max(Gap.Width, Gap.Height) && high <= Length.Min(Gap.Width, Gap.Height);
    }

    /// <summary>What is wrong with what it holds.</summary>
    /// <param name="held">How its devices go in; null where no two layers hold them.</param>
    /// <returns>The findings, parts named from the box on.</returns>
    internal IEnumerable<Finding> Check(PackOut? held)
    {
        Spot At(string part) => new(part, Outer.CentreX, Outer.CentreY);
        if (Mains is { } mains)
        {
            var (wide, high) = (Box.MainsWidth ?? Length.Zero, Box.MainsHeight ?? Length.Zero);
            if (wide < mains.Opening.Width || high < mains.Opening.Height)
            {
                yield return FeedFindings.BayTooNarrow.At(
                    At("mains"), Box.MainsWidth is null || Box.MainsHeight is null
                        ? Phrase.Of($"Take an enclosure with a cut-out for mains, or put the {mains.Name} beside it: its opening is {mains.Opening.Width:fine} by {mains.Opening.Height:fine}, and the {Name} has no cut-out on the sheet.")
                        : Phrase.Of($"Take a smaller mains box or another enclosure: the opening of the {mains.Name} is {mains.Opening.Width:fine} by {mains.Opening.Height:fine}, and the cut-out of the {Name} {wide:fine} by {high:fine}."));
            }
        }

        if (Devices.Items.Count > 0 && held is null)
        {
            yield return FeedFindings.BoxTooDeep.At(
                At("packed"), $"Take a larger enclosure or fewer devices: for {Devices.Items.Count} {(Devices.Items.Count == 1 ? "device" : "devices")} no 2 layers are found in the {Name}, {Box.OpeningWidth} by {Box.OpeningHeight}{(Mains is { } m ? $", beside the {m.Name}" : string.Empty)}.");
        }
        else if (held is { } packed && packed.Deep > Box.Depth)
        {
            yield return FeedFindings.BoxTooDeep.At(
                At("packed"), $"Take a deeper enclosure or put something elsewhere: {string.Join(", ", packed.Back.Select(d => d.Name).Concat(packed.BackDeep == BoxCheck.Plug && Mains is { } plugged ? [$"the plug in the {plugged.Name}"] : Array.Empty<string>()))}{(packed.Front.Any() ? $", and on stand-offs before that {string.Join(", ", packed.Front.Select(d => d.Name))}," : string.Empty)} are {packed.Deep:fine} deep, and the {Name} is {Box.Depth:fine}.");
        }

        if (Watts > PackOut.LetsOut(Box))
        {
            yield return FeedFindings.TooWarm.At(
                At("warm"), $"Leave the cover of the {Name} off, or take one with larger vents: {Devices.Items.Count} {(Devices.Items.Count == 1 ? "device gives" : "devices give")} {Watts:0.#} W, and {Box.Vents ?? 0:0.#} square inches of vents let out {PackOut.LetsOut(Box):0.#} W.");
        }

        var said = Box.ExitWidth is null || Box.ExitHeight is null ? ", as covers usually have" : string.Empty;
        if (Leaving.Items.Where(s => !Passes(s)).MaxBy(s => s.Plug.Units) is { } stuck)
        {
            yield return FeedFindings.PlugDoesNotPass.At(
                At("gap"), $"Take a cover with larger gaps, or leave it off: {stuck.Name}, with its plug {Length.Max(stuck.Wide, stuck.Diameter):fine} by {Length.Max(stuck.High, stuck.Diameter):fine}, does not pass the gaps in the cover of the {Name}, {Gap.Width:fine} by {Gap.Height:fine}{said}.");
        }

        // Round cables lie in a gap as in a box: each takes the square round it.
        var (asked, there) = (Leaving.Items.Sum(s => s.Diameter.Inches * s.Diameter.Inches), 2 * Gap.Width.Inches * Gap.Height.Inches);
        if (asked > there)
        {
            yield return FeedFindings.Fill.At(
                At("gaps"), $"Take a cover with larger gaps, or leave it off: {Leaving.Items.Count} cables ask for {asked:0.#} square inches where they leave the {Name}, and 2 gaps of {Gap.Width:fine} by {Gap.Height:fine}{said} have {there:0.#}.");
        }
    }
}

/// <summary>An enclosure, and how its devices go in.</summary>
/// <param name="Of">The enclosure.</param>
/// <param name="Packed">How they go in; null where no two layers hold them.</param>
public sealed record EnclosurePlan(Enclosure Of, PackOut? Packed);
