using Corrie.Core.Catalogue;
using Corrie.Core.Format;
using Corrie.Core.Planning;

namespace Corrie.Core.Feeds;

/// <summary>What is in a box with mains.</summary>
/// <param name="Conductors">Conductors that come from outside and are joined or end in it.</param>
/// <param name="Gauge">Their wire gauge: 14, 12 or 10.</param>
/// <param name="Devices">Devices on a yoke: receptacles, switches.</param>
/// <param name="Clamps">Whether it has clamps inside.</param>
/// <param name="Grounds">Equipment grounds.</param>
public sealed record BoxWires(int Conductors, int Gauge, int Devices, bool Clamps, int Grounds)
{
    /// <summary>What is in a box with mains.</summary>
    public static Part<BoxWires> Part { get; } = new(Holder.Item, "wires", new GroupShape<BoxWires>("wires in the box", m => new BoxWires(
        m.Or("conductors", new WholeShape("conductors that are joined or end in it, grounds not counted", 0, 100), 2),
        m.Or("gauge", new WholeShape("their wire gauge, 14, 12 or 10", 10, 14), 14),
        m.Or("devices", new WholeShape("devices on a yoke in it", 0, 10), 1),
        m.Yes("clamps", "whether it has clamps inside", true),
        m.Or("grounds", new WholeShape("equipment grounds", 0, 40), 1))), kind => kind == WallBox.Kind);

    /// <summary>Room for one conductor in cubic inches: NFPA 70 314.16(B), from memory.</summary>
    /// <param name="gauge">Its wire gauge.</param>
    /// <returns>The room; null for a gauge that is not in the table.</returns>
    public static double? Each(int gauge) => gauge switch { 14 => 2.00, 12 => 2.25, 10 => 2.50, _ => null };

    /// <summary>
    /// Room that all of it takes, in cubic inches: each conductor once, each yoke twice, all clamps once, up to four grounds once and each more a
    /// quarter. NFPA 70 314.16(B), from memory.
    /// </summary>
    public double? Room => Each(Gauge) is { } each ? each * (Conductors + (2 * Devices) + (Clamps ? 1 : 0) + (Grounds == 0 ? 0 : 1 + (Math.Max(0, Grounds - 4) / 4d))) : null;
}
