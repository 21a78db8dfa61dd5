using Corrie.Core.Catalogue;
using Corrie.Core.Measure;

namespace Corrie.Core.Feeds;

/// <summary>A device in an enclosure.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="Width">Its width.</param>
/// <param name="Height">Its height.</param>
/// <param name="Depth">Its depth.</param>
/// <param name="Watts">What it takes, and gives off as heat; null where nobody has entered it.</param>
public sealed record EnclosedDevice(string Name, Length Width, Length Height, Length Depth, double? Watts);

/// <summary>Where a device goes in an enclosure.</summary>
/// <param name="Device">The device.</param>
/// <param name="At">Where it is, from the lower left corner of the opening.</param>
/// <param name="Front">Whether it is on stand-offs before the others.</param>
public sealed record PackedDevice(EnclosedDevice Device, Rect At, bool Front);

/// <summary>How devices go into an enclosure: the back layer on its floor, the front one on stand-offs before it.</summary>
/// <param name="All">Each device with its place.</param>
/// <param name="BackDeep">How deep the back layer is.</param>
/// <param name="Deep">How deep everything together is.</param>
public sealed record PackOut(IReadOnlyList<PackedDevice> All, Length BackDeep, Length Deep)
{
    /// <summary>Stand-offs between two layers (common practice).</summary>
    public static readonly Length StandOff = Length.Tape(0, 1, 2);

    // Every split into two layers is tried for so many; of more, the deep ones go to the back.
    private const int Most = 10;

    // Heat that a closed box gives off by itself, and by each square inch of vents (own rule).
    private const double Closed = 10;
    private const double EachVent = 2;

    /// <summary>The back layer.</summary>
    public IEnumerable<EnclosedDevice> Back => All.Where(d => !d.Front).Select(d => d.Device);

    /// <summary>The front layer.</summary>
    public IEnumerable<EnclosedDevice> Front => All.Where(d => d.Front).Select(d => d.Device);

    /// <summary>Watts that an enclosure lets out.</summary>
    /// <param name="box">The enclosure.</param>
    /// <returns>The watts.</returns>
    public static double LetsOut(WallBox box) => Closed + (EachVent * (box.Vents ?? 0));

    /// <summary>The shallowest way that is found to put devices into an enclosure: each layer from the bottom left corner, the tallest first.</summary>
    /// <param name="box">The enclosure.</param>
    /// <param name="devices">The devices.</param>
    /// <param name="mains">Where the mains box takes room in the back layer, from the lower left corner of the opening; null for none.</param>
    /// <returns>The way; null where no two layers are found that hold them.</returns>
    public static PackOut? Of(WallBox box, IReadOnlyList<EnclosedDevice> devices, Rect? mains = null)
    {
        // A plug stands in the mains box.
        var plug = mains is null ? Length.Zero : BoxCheck.Plug;
        Rect[] taken = mains is { } area ? [area] : [];
        PackOut? best = null;
        foreach (var inFront in Splits(devices))
        {
            var back = Layer(box, [.. devices.Where((_, i) => !inFront(i))], taken, front: false);
            var front = Layer(box, [.. devices.Where((_, i) => inFront(i))], [], front: true);
            if (back is not null && front is not null)
            {
                var backDeep = back.Select(d => d.Device.Depth).Append(plug).Max();
                var deep = backDeep + (front.Count == 0 ? Length.Zero : StandOff + front.Max(d => d.Device.Depth));
                best = best is null || deep < best.Deep ? new([.. back, .. front], backDeep, deep) : best;
            }
        }

        return best;
    }

    private static IEnumerable<Func<int, bool>> Splits(IReadOnlyList<EnclosedDevice> devices)
    {
        if (devices.Count <= Most)
        {
            return Enumerable.Range(0, 1 << devices.Count).Select<int, Func<int, bool>>(split => i => (split >> i & 1) == 1);
        }

        int[] deepest = [.. Enumerable.Range(0, devices.Count).OrderByDescending(i => devices[i].Depth)];
        return Enumerable.Range(0, devices.Count + 1).Select<int, Func<int, bool>>(back => i => Array.IndexOf(deepest, i) >= back);
    }

    // Each as low as it goes, and then as far to the left: its corner is on an edge of what is there already.
    private static List<PackedDevice>? Layer(WallBox box, List<EnclosedDevice> devices, IReadOnlyList<Rect> taken, bool front)
    {
        var placed = new List<PackedDevice>();
        var areas = taken.ToList();
        foreach (var device in devices.OrderByDescending(d => d.Height).ThenByDescending(d => d.Width))
        {
            Rect? found = null;
            foreach (var bottom in areas.Select(a => a.Top).Append(Length.Zero).Distinct().Order())
            {
                foreach (var left in areas.Select(a => a.Right).Append(Length.Zero).Distinct().Order())
                {
                    var at = new Rect(left, bottom, device.Width, device.Height);
                    if (found is null && at.Right <= box.OpeningWidth && at.Top <= box.OpeningHeight && !areas.Any(a => a.Overlaps(at)))
                    {
                        found = at;
                    }
                }
            }

            if (found is not { } place)
            {
                return null;
            }

            areas.Add(place);
            placed.Add(new(device, place, front));
        }

        return placed;
    }
}
