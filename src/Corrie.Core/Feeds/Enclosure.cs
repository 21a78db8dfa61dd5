using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Measure;

namespace Corrie.Core.Feeds;

/// <summary>A device in an enclosure.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="Width">Its width.</param>
/// <param name="Height">Its height.</param>
/// <param name="Depth">Its depth.</param>
/// <param name="Watts">What it takes, and gives off as heat; null where nobody has entered it.</param>
public sealed record EnclosedDevice(string Name, Length Width, Length Height, Length Depth, double? Watts);

/// <summary>How devices go into an enclosure: the back layer on its floor, the front one on stand-offs before it.</summary>
/// <param name="Back">Devices of the back layer.</param>
/// <param name="Front">Devices of the front layer.</param>
/// <param name="Deep">How deep both are together.</param>
public sealed record PackOut(IReadOnlyList<EnclosedDevice> Back, IReadOnlyList<EnclosedDevice> Front, Length Deep)
{
    /// <summary>Stand-offs between two layers (common practice).</summary>
    public static readonly Length StandOff = Length.Tape(0, 1, 2);

    private const int Most = 10;

    // Heat that a closed box gives off by itself, and by each square inch of vents (own rule).
    private const double Closed = 10;
    private const double EachVent = 2;

    /// <summary>Watts that an enclosure lets out.</summary>
    /// <param name="box">The enclosure.</param>
    /// <returns>The watts.</returns>
    public static double LetsOut(WallBox box) => Closed + (EachVent * (box.Vents ?? 0));

    /// <summary>The shallowest way to put devices into an enclosure: every split into two layers is tried, each layer laid in rows.</summary>
    /// <param name="box">The enclosure.</param>
    /// <param name="devices">The devices.</param>
    /// <returns>The way; null where no two layers hold them.</returns>
    public static PackOut? Of(WallBox box, IReadOnlyList<EnclosedDevice> devices)
    {
        PackOut? best = null;
        for (var split = 0; devices.Count <= Most && split < 1 << devices.Count; split++)
        {
            List<EnclosedDevice> back = [.. devices.Where((_, i) => (split >> i & 1) == 0)];
            List<EnclosedDevice> front = [.. devices.Where((_, i) => (split >> i & 1) == 1)];
            if (Fits(box, back) && Fits(box, front))
            {
                var deep = back.Select(d => d.Depth).Append(Length.Zero).Max() + (front.Count == 0 ? Length.Zero : StandOff + front.Max(d => d.Depth));
                best = best is null || deep < best.Deep ? new(back, front, deep) : best;
            }
        }

        return best;
    }

    /// <summary>What is wrong with what an enclosure holds.</summary>
    /// <param name="name">What it is called.</param>
    /// <param name="box">The enclosure.</param>
    /// <param name="devices">What stands in it.</param>
    /// <param name="at">Where it is.</param>
    /// <returns>The findings, parts named from the box on.</returns>
    internal static IEnumerable<Finding> Check(string name, WallBox box, IReadOnlyList<EnclosedDevice> devices, WayEnd at)
    {
        if (devices.Count == 0)
        {
            yield break;
        }

        var packed = Of(box, devices);
        if (packed is null)
        {
            yield return FeedFindings.BoxTooDeep.At(
                new("packed", at.X, at.Y), $"Take a larger enclosure or fewer devices: {devices.Count} {(devices.Count == 1 ? "device does" : "devices do")} not go into the {name}, {box.OpeningWidth} by {box.OpeningHeight}, in 2 layers.");
        }
        else if (packed.Deep > box.Depth)
        {
            yield return FeedFindings.BoxTooDeep.At(
                new("packed", at.X, at.Y), $"Take a deeper enclosure or put something elsewhere: {string.Join(", ", packed.Back.Select(d => d.Name))}{(packed.Front.Count > 0 ? $", and on stand-offs before that {string.Join(", ", packed.Front.Select(d => d.Name))}," : string.Empty)} are {packed.Deep:fine} deep, and the {name} is {box.Depth:fine}.");
        }

        var watts = devices.Sum(d => d.Watts ?? 0);
        if (watts > LetsOut(box))
        {
            yield return FeedFindings.TooWarm.At(
                new("warm", at.X, at.Y), $"Leave the cover of the {name} off, or take one with larger vents: {devices.Count} {(devices.Count == 1 ? "device gives" : "devices give")} {watts:0.#} W, and {(box.Vents ?? 0):0.#} square inches of vents let out {LetsOut(box):0.#} W.");
        }
    }

    // Rows from the bottom, each as high as its highest: the tallest first.
    private static bool Fits(WallBox box, List<EnclosedDevice> layer)
    {
        var (left, bottom, row) = (Length.Zero, Length.Zero, Length.Zero);
        foreach (var device in layer.OrderByDescending(d => d.Height).ThenByDescending(d => d.Width))
        {
            if (left + device.Width > box.OpeningWidth)
            {
                (left, bottom, row) = (Length.Zero, bottom + row, Length.Zero);
            }

            row = Length.Max(row, device.Height);
            left += device.Width;
            if (left > box.OpeningWidth || bottom + row > box.OpeningHeight)
            {
                return false;
            }
        }

        return true;
    }
}
