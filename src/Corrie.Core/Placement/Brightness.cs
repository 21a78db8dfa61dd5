using Corrie.Core.Catalogue;
using Corrie.Core.Measure;
using Corrie.Core.Planning;

namespace Corrie.Core.Placement;

/// <summary>What a picture on a screen is for, as far as it has to stand out against the room's light.</summary>
public enum PictureUse
{
    /// <summary>Looked at in passing.</summary>
    Passive,

    /// <summary>Read, to decide by.</summary>
    Basic,

    /// <summary>Looked into, in detail.</summary>
    Analytical,

    /// <summary>Films.</summary>
    FullMotion,
}

/// <summary>How bright a projected picture is.</summary>
/// <param name="Projector">The projector.</param>
/// <param name="FootLamberts">The picture's brightness.</param>
public sealed record Brightness(string Projector, double FootLamberts)
{
    /// <summary>What a picture has in a dark cinema (SMPTE 196, from memory).</summary>
    public const double Cinema = 16;

    /// <summary>Brightness: lumens times gain over the picture's area in square feet.</summary>
    /// <param name="lumens">The projector's light.</param>
    /// <param name="gain">The screen's gain.</param>
    /// <param name="size">The picture's size.</param>
    /// <returns>Foot-lamberts.</returns>
    public static double Of(double lumens, double gain, PictureSize size) => lumens * gain / (size.Width.Inches * size.Height.Inches / 144);

    /// <summary>How many times as bright as the room's light on the screen a picture has to be (ANSI/INFOCOMM 3M, from memory).</summary>
    /// <param name="use">What it is for.</param>
    /// <returns>The ratio to one.</returns>
    public static int Contrast(PictureUse use) => use switch
    {
        PictureUse.Passive => 7,
        PictureUse.Basic => 15,
        PictureUse.Analytical => 50,
        _ => 80,
    };

    /// <summary>How bright a screen of a job is.</summary>
    /// <param name="sheet">The job.</param>
    /// <param name="screen">The screen.</param>
    /// <returns>The brightness with each projector that is for it, is on its wall, or hangs from none, and whose light is known.</returns>
    public static IEnumerable<Brightness> On(JobSheet sheet, Item screen) => screen.Product is not Thing { Gain: { } gain } thing ? []
        : sheet.Items.Where(i => i.Product is Thing { Lumens: not null } && Shines(sheet, i, screen)).Select(i => new Brightness(i.Name, Of(((Thing)i.Product!).Lumens!.Value, gain, new(thing.Width, thing.Height))));

    // One that says which screen it is for shines on that; else on those of its own wall, and one that hangs from no wall on all.
    private static bool Shines(JobSheet sheet, Item projector, Item screen) => sheet.Item(projector.For) is { } its && its.Kind == screen.Kind ? its == screen
        : sheet.WallOf(projector) is not { } wall || sheet.WallOf(screen) is not { } there || ReferenceEquals(wall, there);
}
