using Corrie.Core.Catalogue;
using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Core.Planning;

namespace Corrie.Core.Hanging;

/// <summary>What became of a hole.</summary>
public enum HoleState
{
    /// <summary>A bolt is in it and bites.</summary>
    Holds,

    /// <summary>It met nothing that holds.</summary>
    Missed,

    /// <summary>The bolt turns freely in it.</summary>
    Spins,

    /// <summary>The bolt snapped in it, or its head came off.</summary>
    Snapped,
}

/// <summary>A hole that is in the wall.</summary>
/// <param name="Id">Its key.</param>
/// <param name="Row">The plate's row that it was made for.</param>
/// <param name="Across">Where it really is, from the left corner.</param>
/// <param name="Up">Over the floor.</param>
/// <param name="State">What became of it.</param>
/// <param name="By">Who made it.</param>
public sealed record MadeHole(string Id, string Row, Length Across, Length Up, HoleState State, string By)
{
    /// <summary>The number that it had on the sheet when it was made; null where nobody has recorded it.</summary>
    public int? Number { get; init; }

    /// <summary>Whether a bolt in it carries.</summary>
    public bool Holds => State == HoleState.Holds;
}

/// <summary>A pull at the plate, to see whether it sits.</summary>
/// <param name="Pull">How much, as a scale shows it.</param>
/// <param name="Seconds">How long.</param>
/// <param name="Held">Whether nothing moved.</param>
/// <param name="By">Who pulled.</param>
/// <param name="On">When.</param>
public sealed record ProofPull(Mass Pull, int Seconds, bool Held, string By, string On);

/// <summary>How a display hangs, measured on it.</summary>
/// <param name="CentreUp">Its centre over the floor; null where nobody measured.</param>
/// <param name="CentreAcross">Its centre from the left corner.</param>
/// <param name="RightHigher">How much its right end is higher than its left.</param>
/// <param name="By">Who measured.</param>
public sealed record HungReading(Length? CentreUp, Length? CentreAcross, Length? RightHigher, string By);

/// <summary>A check dimension as it was measured.</summary>
/// <param name="Id">Its name.</param>
/// <param name="Reads">What the tape or level showed.</param>
public sealed record MeasuredCheck(string Id, Length Reads);

/// <summary>A step that somebody has done.</summary>
/// <param name="Id">The step's key.</param>
/// <param name="By">Who.</param>
public sealed record DoneStep(string Id, string By);

/// <summary>What has really been made and measured of a plate and of what hangs on it.</summary>
/// <param name="Holes">Holes that are in the wall.</param>
/// <param name="RightHigher">How much the plate's right end was higher than its left after the first bolt; null where nobody held a level to it.</param>
/// <param name="Proof">The pull at the plate; null where there was none.</param>
/// <param name="Hung">How the display hangs; null as long as it does not.</param>
/// <param name="Checks">Check dimensions that were measured.</param>
/// <param name="Done">Steps that are done.</param>
/// <param name="Here">Where it stands in the document.</param>
public sealed record Built(
    IReadOnlyList<MadeHole> Holes, Length? RightHigher, ProofPull? Proof, HungReading? Hung, IReadOnlyList<MeasuredCheck> Checks, IReadOnlyList<DoneStep> Done, Place Here)
{
    private static readonly GroupShape<MadeHole> HoleForm = new("a hole in the wall", m => new MadeHole(
        m.Key,
        m.Need("row", new TextShape("the plate's row that it was made for", 24)),
        m.Length("across", "where it is, from the left corner", LengthRange.Along),
        m.Length("up", "over the floor", LengthRange.Along),
        m.Choice("state", "what became of it", HoleState.Holds),
        m.Text("by", "who made it", 80))
    {
        Number = m.Maybe("number", new WholeShape("its number on the sheet when it was made", 1, 999)),
    });

    private static readonly GroupShape<ProofPull> ProofForm = new("a pull at the plate", m => new ProofPull(
        m.Need("pull", new MassShape("how much, as the scale shows it", overZero: true)),
        m.Or("seconds", new WholeShape("how many seconds", 1, 3600), 60),
        m.Yes("held", "whether nothing moved"),
        m.Need("by", new TextShape("who pulled", 80)),
        m.Text("on", "when", 40)));

    private static readonly GroupShape<HungReading> HungForm = new("how the display hangs", m => new HungReading(
        m.MaybeLength("centreUp", "its centre over the floor", LengthRange.Along),
        m.MaybeLength("centreAcross", "its centre from the left corner", LengthRange.Along),
        m.MaybeLength("rightHigher", "how much its right end is higher", LengthRange.Offset),
        m.Text("by", "who measured", 80)));

    /// <summary>What has been made of a plate.</summary>
    public static Part<Built> Part { get; } = new(Holder.Item, "built", new GroupShape<Built>("what has been made and measured", m => new Built(
        m.Map("holes", "holes that are in the wall", HoleForm, 60),
        m.MaybeLength("rightHigher", "after the first bolt: how much the plate's right end is higher", LengthRange.Offset),
        m.Part("proof", ProofForm),
        m.Part("hung", HungForm),
        m.Map("checks", "check dimensions as measured", new GroupShape<MeasuredCheck>("a check", c => new MeasuredCheck(c.Key, c.Length("reads", "what the tape or level shows", LengthRange.EitherWay))), 40),
        m.Map("done", "steps that are done", new GroupShape<DoneStep>("a step", d => new DoneStep(d.Key, d.Text("by", "who", 80))), 100),
        m.Here)), kind => kind == Mount.Kind);
}
