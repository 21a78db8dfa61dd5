using System.Globalization;
using Corrie.Core.Measure;
using Corrie.Core.Survey;

namespace Corrie.Core.Fixing;

/// <summary>A bolt as planned.</summary>
/// <param name="Number">Its number among the plate's holes, for good: one that is in the wall keeps it.</param>
/// <param name="Row">The plate's row.</param>
/// <param name="X">From the left corner.</param>
/// <param name="Y">Over the floor.</param>
/// <param name="Stud">The stud it goes into.</param>
/// <param name="OffCentre">How far off that stud's centre.</param>
/// <param name="Tolerance">How far it may be, what is not known of the centre taken off.</param>
/// <param name="Play">How far it might be if the centre were known exactly.</param>
/// <param name="Penetration">How deep it is in the wood, without the tip; zero for a toggle.</param>
/// <param name="Thread">How much of that is thread.</param>
/// <param name="Load">What it takes in the pose that is worst for it.</param>
/// <param name="Pose">That pose.</param>
/// <param name="Hold">What it holds.</param>
/// <param name="FromGrain">Angle between the load across it and the grain of what holds it.</param>
public sealed record Bolt(
    int Number, string Row, Length X, Length Y, Stud Stud, Length OffCentre, Length Tolerance, Length Play, Length Penetration, Length Thread, BoltLoad Load, LoadPose Pose, BoltHold Hold, Angle FromGrain)
{
    /// <summary>Its name among the parts of its plate.</summary>
    public string Part => $"bolts/{Number}";

    /// <summary>Its place among the plate's bolts, from 0.</summary>
    public int Index { get; init; }

    /// <summary>Its length under the head.</summary>
    public Length Length { get; init; }

    /// <summary>Packing between plate and face at it.</summary>
    public Length Packing { get; init; }

    /// <summary>How deep its hole is drilled, from the wall's face.</summary>
    public Length DrillDepth { get; init; }

    /// <summary>How long it has to be.</summary>
    public LengthNeeded Needs { get; init; } = new(Measure.Length.Zero, null, null);

    /// <summary>Whether its edge distance is kept, what is not known of the centre taken off.</summary>
    public bool KeepsEdge => OffCentre <= Tolerance;

    /// <summary>Whether it would keep its edge distance if the stud were confirmed where it is marked.</summary>
    public bool WouldKeepEdge => OffCentre <= (Stud.State == StudState.Confirmed ? Tolerance : Play);

    /// <summary>The pull on it.</summary>
    public Force Pull => Load.Pull;

    /// <summary>The load across it.</summary>
    public Force Across => Load.Across;

    /// <summary>What it holds against a pull; null where that is not known.</summary>
    public Force? Holds => Hold.Pull;

    /// <summary>What it holds across, at the angle of its load; null where that is not known.</summary>
    public Force? HoldsAcross => Hold.Across(FromGrain);

    /// <summary>The pull over what it holds; null where that is not known.</summary>
    public double? InTension => Holds is { Newtons: > 0 } holds ? Pull.Newtons / holds.Newtons : null;

    /// <summary>The load across over what it holds; null where that is not known.</summary>
    public double? InShear => HoldsAcross is { Newtons: > 0 } holds ? Across.Newtons / holds.Newtons : null;

    /// <summary>Both together over what it holds; the pull alone where nobody can say what it holds across. Infinite where it holds nothing of it.</summary>
    public double? Utilisation => Hold.Use(Load, FromGrain) ?? InTension;

    /// <summary>A share of what bolts hold, in words.</summary>
    /// <param name="used">The share; infinite where they hold nothing, null where nobody knows.</param>
    /// <param name="decimals">How many decimals its percents have.</param>
    /// <returns>The words, such as <c>39 %</c>.</returns>
    public static string Share(double? used, int decimals = 0) => used is not { } share ? "not known" : double.IsFinite(share) ? (100 * share).ToString($"F{decimals}", CultureInfo.InvariantCulture) + " %" : "beyond all it holds";
}

/// <summary>What holds a plate.</summary>
/// <param name="Bolts">Every bolt, in the order of setting out: top row left to right, then the rows below.</param>
/// <param name="Gravity">Specific gravity that is planned with.</param>
/// <param name="PilotLeast">Least pilot diameter; zero where there is no pilot.</param>
/// <param name="PilotMost">Largest pilot diameter; zero where there is no pilot.</param>
/// <param name="Pilot">The bit to use; null where none of the crew's fits, or no pilot is drilled.</param>
/// <param name="DrillDepth">How deep to drill, from the wall's face.</param>
/// <param name="Passed">Washer, plate, packing and layers: what the fastener passes before it holds.</param>
/// <param name="Weight">All that hangs, the mount with it, in a vehicle with its factor.</param>
/// <param name="Ground">What the bolts hold in.</param>
/// <param name="Length">How long a bolt has to be, and which of those sold is taken.</param>
public sealed record FixingResult(
    IReadOnlyList<Bolt> Bolts, double Gravity, Length PilotLeast, Length PilotMost, Length? Pilot, Length DrillDepth, Length Passed, Force Weight, Ground Ground, LengthNeeded Length)
{
    /// <summary>All that it follows from, for whoever unfolds the calculation.</summary>
    internal Bolting Input { get; init; } = null!;

    /// <summary>How a board or blocking under the plate is held; null where there is none, or its studs are not of wood.</summary>
    public BackingHold? Backing { get; init; }
}

/// <summary>How long a fastener has to be under its head.</summary>
/// <param name="Least">The least, exactly: what it passes, how deep it has to be, and its tip; zero where that means nothing.</param>
/// <param name="Most">The most before it comes out behind what holds it; null where that means nothing.</param>
/// <param name="Sold">The shortest that is sold between them; null where none is, or nobody has entered what is sold.</param>
public sealed record LengthNeeded(Length Least, Length? Most, Length? Sold);
