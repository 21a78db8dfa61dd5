using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Measure;
using Corrie.Core.Planning;

namespace Corrie.Core.Feeds;

/// <summary>Where a port is: on the wall, and how far before it.</summary>
/// <param name="Name">What has the port.</param>
/// <param name="Wall">Key of the wall.</param>
/// <param name="X">From the left corner.</param>
/// <param name="Y">Over the floor.</param>
/// <param name="Out">How far before the wall's face.</param>
public sealed record PortPlace(string Name, string Wall, Length X, Length Y, Length Out);

/// <summary>The arm that a port hangs on.</summary>
/// <param name="Wall">Where it is fixed to the wall.</param>
/// <param name="Pivot">The display's pivot, parked.</param>
/// <param name="Long">How far its foot and the pivot are apart at its farthest.</param>
public sealed record ArmPath(WayEnd Wall, WayEnd Pivot, Length Long)
{
    /// <summary>Whether it folds at an elbow half way.</summary>
    public bool Elbow { get; init; }

    /// <summary>An arm by where it takes its display.</summary>
    /// <param name="wall">Where it is fixed to the wall.</param>
    /// <param name="pivot">The display's pivot, parked.</param>
    /// <param name="poses">How far out of the wall the pivot comes, and how far down, on the whole way.</param>
    /// <returns>The arm, as long as its foot and the pivot are ever apart.</returns>
    public static ArmPath Of(WayEnd wall, WayEnd pivot, IReadOnlyList<(Length Out, Length Down)> poses) => new(wall, pivot, poses
        .Select(p => Length.FromInches(Math.Sqrt(Math.Pow(p.Out.Inches, 2) + Math.Pow((pivot.X - wall.X).Inches, 2) + Math.Pow((pivot.Y - p.Down - wall.Y).Inches, 2)))).Max());

    /// <summary>
    /// Cable from a place on the wall to a port on the moving display: to the arm's foot, along the arm at its farthest, and on to the port. However
    /// the display is held, the straight way is no longer, since the port keeps its distance from the pivot and the pivot from the foot.
    /// </summary>
    /// <param name="from">Where the cable comes out of the wall.</param>
    /// <param name="port">Where the port is, parked.</param>
    /// <returns>The length.</returns>
    public Length To(WayEnd from, WayEnd port) => Straight(from, Wall) + Long + Straight(Pivot, port);

    /// <summary>Where a cable is tied to the arm, so that nothing pulls at its plug and nothing hangs into the fold: at each joint (common practice).</summary>
    /// <param name="from">Where the cable comes out of the wall.</param>
    /// <returns>The ties, in order, by how far along the cable they are from there.</returns>
    public IReadOnlyList<CableTie> Ties(WayEnd from)
    {
        var foot = Straight(from, Wall);
        return [new("foot", foot), .. Elbow ? [new("elbow", foot + Long.Half)] : Array.Empty<CableTie>(), new("head", foot + Long)];
    }

    private static Length Straight(WayEnd a, WayEnd b) => Length.FromInches(Math.Sqrt(Math.Pow((a.X - b.X).Inches, 2) + Math.Pow((a.Y - b.Y).Inches, 2)));
}

/// <summary>A tie that holds a cable at a joint of an arm.</summary>
/// <param name="Joint">The joint.</param>
/// <param name="Along">How far along the cable, from where it comes out of the wall.</param>
public readonly record struct CableTie(string Joint, Length Along);

/// <summary>What a cable's length is made of.</summary>
/// <param name="Says">A part of it.</param>
/// <param name="Length">How long that is.</param>
public readonly record struct LengthPart(string Says, Length Length);

/// <summary>What has been made of a cable from port to port.</summary>
/// <param name="Connection">The cable.</param>
/// <param name="From">Where it begins; null as long as that has no place.</param>
/// <param name="To">Where it ends.</param>
/// <param name="Parts">What its length is made of; empty where an end or its way is not known.</param>
/// <param name="Way">Port to port, arm and loops together; null where that is not known.</param>
/// <param name="Slack">How much of that is for an arm.</param>
/// <param name="Asked">With what is spare; null where it is not known.</param>
/// <param name="Buys">Rounded up to what is sold; null where nothing is sold that long.</param>
/// <param name="Limit">How far its signal goes; null for any length.</param>
public sealed record CablePlan(Connection Connection, PortPlace? From, PortPlace? To, IReadOnlyList<LengthPart> Parts, Length? Way, Length Slack, Length? Asked, Length? Buys, Length? Limit)
{
    /// <summary>Where it is tied to the arm that its display hangs on; none where nothing moves.</summary>
    public IReadOnlyList<CableTie> Ties { get; init; } = [];

    /// <summary>Whether its ends, or its way, are on several walls: how far it runs between them has to be measured.</summary>
    public bool AcrossWalls => From is { } from && To is { } to && (from.Wall != to.Wall || (Connection.Via.Split('/') is [{ Length: > 0 } on, ..] && on != from.Wall));

    /// <summary>What is done with it at the arm.</summary>
    /// <returns>The sentences; null where nothing moves.</returns>
    public Phrase? Tied()
    {
        if (Ties.Count == 0)
        {
            return null;
        }

        Phrase says = Phrase.Of($"Tie it to the arm at its joints, counted along the cable from where it leaves the wall: ");
        foreach (var (tie, i) in Ties.Select((t, i) => (t, i)))
        {
            says.AppendFormatted($"{(i == 0 ? string.Empty : i == Ties.Count - 1 ? " and " : ", ")}{tie.Along.RoundedTo(Length.Tape(0, 1, 2))} at the {tie.Joint}");
        }

        if (Connection.Cable is { } cable)
        {
            says.AppendFormatted($". At each joint a loop no tighter than {cable.Bend:fine}, outside of the fold");
        }

        says.AppendLiteral(". Once it hangs, take the display slowly to every end and look at each plug.");
        return says;
    }

    /// <summary>How far a signal goes by an ordinary cable, where its maker says nothing (common practice; network: TIA-568, from memory).</summary>
    /// <param name="cable">The cable.</param>
    /// <param name="fast">Whether high frame rates are asked for.</param>
    /// <returns>The length; null for any.</returns>
    public static Length? LimitOf(Cable cable, bool fast) => cable.SaidLimit ?? (cable.Active ? null : cable.Carries switch
    {
        Signal.Picture => Length.Tape(12 * (fast ? 10 : 25)),
        Signal.Network => Length.FromMillimetres(100_000),
        Signal.Usb => Length.FromMillimetres(5_000),
        Signal.Optical => Length.FromMillimetres(10_000),
        _ => (Length?)null,
    });

    /// <summary>What is sold of a cable that is at least so long.</summary>
    /// <param name="cable">The cable.</param>
    /// <param name="asked">How long it has to be.</param>
    /// <param name="units">Whether it is cut by the foot or by half a metre, where it is cut.</param>
    /// <returns>The length; null where nothing is sold that long.</returns>
    public static Length? Sold(Cable cable, Length asked, UnitSystem units)
    {
        if (cable.Sold.Count > 0)
        {
            return cable.Sold.Where(s => s >= asked).Select(s => (Length?)s).FirstOrDefault();
        }

        var step = units == UnitSystem.Inches ? Length.Tape(12) : Length.FromMillimetres(500);
        return Length.FromUnits((asked.Units + step.Units - 1) / step.Units * step.Units);
    }
}
