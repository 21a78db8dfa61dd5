using Corrie.Core.Catalogue;
using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;

namespace Corrie.Core.Hanging;

/// <summary>How the arms were seen on the display's back, before anybody lifts.</summary>
public enum ArmsSeen
{
    /// <summary>Nobody has looked.</summary>
    NotLooked,

    /// <summary>Hooks up, locks at the foot, knobs outwards.</summary>
    AsTheyShould,

    /// <summary>Upside down.</summary>
    UpsideDown,

    /// <summary>The left one on the right.</summary>
    Exchanged,
}

/// <summary>To which side a display on an arm is to turn, seen from the front.</summary>
public enum TurnSide
{
    /// <summary>To both.</summary>
    Either,

    /// <summary>To the left: its left edge goes back to the wall.</summary>
    Left,

    /// <summary>To the right.</summary>
    Right,
}

/// <summary>What the crew has chosen and measured about the hanging.</summary>
/// <param name="Reference">The edge from which the sheet carries the heights; the other two are its check.</param>
/// <param name="ArmHoleLeft">Arm hole used on the left, counted from 1 at the top; null leaves it to the planner.</param>
/// <param name="ArmHoleRight">The same on the right.</param>
/// <param name="MeasuredBottomToHook">Bottom edge to hook, measured on the display with its arms on.</param>
/// <param name="MeasuredTopToHook">Top edge to hook, measured likewise.</param>
/// <param name="PlateCentre">The plate's centre from the left corner, where somebody has fixed it; null leaves it to the planner.</param>
/// <param name="Turn">How far it is to turn to a side, on an arm; null where nobody has said.</param>
/// <param name="MeasuredSpread">From one of two brackets to the other, measured on the display's back.</param>
/// <param name="Side">To which side it is to turn.</param>
/// <param name="Arms">How the arms were seen on the display.</param>
/// <param name="Here">Where the choice stands in the document.</param>
public sealed record HangingChoice(
    Edge Reference, int? ArmHoleLeft, int? ArmHoleRight, Length? MeasuredBottomToHook, Length? MeasuredTopToHook, Length? PlateCentre, Angle? Turn, Length? MeasuredSpread, TurnSide Side, ArmsSeen Arms, Place Here)
{
    /// <summary>Where the arm's own stop is set: how far it is let swing to each side; null where nobody has set it.</summary>
    public Angle? ArmStop { get; init; }

    /// <summary>How a display hangs on a mount.</summary>
    public static Part<HangingChoice> Part { get; } = new(Holder.Item, "hang", new GroupShape<HangingChoice>("how it hangs", m => new HangingChoice(
        m.Choice("reference", "the edge that heights are carried from", Edge.Bottom),
        m.Maybe("armHoleLeft", new WholeShape("arm hole on the left, from the top", 1, 60)),
        m.Maybe("armHoleRight", new WholeShape("arm hole on the right, from the top", 1, 60)),
        m.MaybeLength("measuredBottomToHook", "bottom edge to hook, measured", LengthRange.Offset),
        m.MaybeLength("measuredTopToHook", "top edge to hook, measured", LengthRange.Offset),
        m.MaybeLength("plateCentre", "the plate's centre, where it is fixed", LengthRange.Along),
        m.Maybe("turn", new AngleShape("how far it is to turn to a side, on an arm")),
        m.MaybeLength("measuredSpread", "two brackets: from one to the other, measured on the display's back", LengthRange.Size),
        m.Choice("turnSide", "to which side it is to turn", TurnSide.Either),
        m.Choice("arms", "the arms, as they were seen on the display", ArmsSeen.NotLooked),
        m.Here)
    {
        ArmStop = m.Maybe("armStop", new AngleShape("where the arm's stop is set: how far it is let swing to each side")),
    }), kind => kind == Mount.Kind, always: true);

    /// <summary>Screws into the display that somebody has taken by hand.</summary>
    public static Part<ScrewsTaken> Screws { get; } = new(Holder.Item, "screws", new GroupShape<ScrewsTaken>("screws into the display, taken by hand", m => new ScrewsTaken(
        Taken(m, "upper", "upper"), Taken(m, "lower", "lower"), m.Here)), kind => kind == Mount.Kind);

    private static PairTaken Taken(Members m, string prefix, string pair) => new(
        m.Maybe(prefix + "Screw", LengthShape.Metric($"screw in the {pair} holes, its length", LengthRange.Size)),
        m.Or(prefix + "Washer", LengthShape.Metric($"thickness of its washer, {pair} holes", LengthRange.Distance), Length.Zero),
        m.Or(prefix + "Spacer", LengthShape.Metric($"length of its spacer, {pair} holes", LengthRange.Distance), Length.Zero),
        prefix);

    /// <summary>What its plate is bolted with: already the plate's place depends on it, by the edge distance.</summary>
    public static Part<Fastener> Bolt { get; } = new(Holder.Item, "bolt", Fastener.Form, kind => kind == Mount.Kind);

    /// <summary>Other fixings on the van: where a test hole shows another wall than was thought, the first that suits it is planned with.</summary>
    public static Part<IReadOnlyList<Fastener>> Spares { get; } = new(Holder.Item, "spares", new MapShape<Fastener>("other fixings on the van, for what the wall may turn out to be", Fastener.Form, 6), kind => kind == Mount.Kind);
}

/// <summary>What somebody has taken for one pair of a display's holes.</summary>
/// <param name="Screw">Length of the screw under its head; null leaves the pair to the planner.</param>
/// <param name="Washer">Thickness of its washer; zero for none.</param>
/// <param name="Spacer">Length of its spacer; zero for none.</param>
/// <param name="Prefix">How the members begin in the file.</param>
public sealed record PairTaken(Length? Screw, Length Washer, Length Spacer, string Prefix);

/// <summary>What somebody has taken for a display's holes.</summary>
/// <param name="Upper">For the upper pair.</param>
/// <param name="Lower">For the lower pair.</param>
/// <param name="Here">Where that stands in the document.</param>
public sealed record ScrewsTaken(PairTaken Upper, PairTaken Lower, Place Here);
