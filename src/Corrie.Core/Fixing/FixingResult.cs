using Corrie.Core.Measure;
using Corrie.Core.Survey;

namespace Corrie.Core.Fixing;

/// <summary>A bolt as planned.</summary>
/// <param name="Number">Its number among the plate's bolts, from 1.</param>
/// <param name="Row">The plate's row.</param>
/// <param name="X">From the left corner.</param>
/// <param name="Y">Over the floor.</param>
/// <param name="Stud">The stud it goes into.</param>
/// <param name="OffCentre">How far off that stud's centre.</param>
/// <param name="Tolerance">How far it may be, what is not known of the centre taken off.</param>
/// <param name="Play">How far it might be if the centre were known exactly.</param>
/// <param name="Penetration">How deep it is in the wood, without the tip; zero for a toggle.</param>
/// <param name="Thread">How much of that is thread.</param>
/// <param name="Pull">The pull on it.</param>
/// <param name="Holds">What it holds against a pull; null where that is not known.</param>
/// <param name="Across">The load across it, of the worst bolt of its plate.</param>
public sealed record Bolt(
    int Number, string Row, Length X, Length Y, Stud Stud, Length OffCentre, Length Tolerance, Length Play, Length Penetration, Length Thread, Force Pull, Force? Holds, Force Across)
{
    /// <summary>Its name among the parts of its plate.</summary>
    public string Part => $"bolts/{Number}";

    /// <summary>Whether its edge distance is kept, what is not known of the centre taken off.</summary>
    public bool KeepsEdge => OffCentre <= Tolerance;

    /// <summary>Whether it would keep its edge distance if the stud were confirmed where it is marked.</summary>
    public bool WouldKeepEdge => OffCentre <= (Stud.State == StudState.Confirmed ? Tolerance : Play);

    /// <summary>Pull over what it holds; null where that is not known.</summary>
    public double? Utilisation => Holds is { Newtons: > 0 } holds ? Pull.Newtons / holds.Newtons : null;
}

/// <summary>What holds a plate.</summary>
/// <param name="Bolts">Every bolt, in the order of setting out: top row left to right, then the rows below.</param>
/// <param name="Gravity">Specific gravity that is planned with.</param>
/// <param name="PilotLeast">Least pilot diameter; zero where there is no pilot.</param>
/// <param name="PilotMost">Largest pilot diameter; zero where there is no pilot.</param>
/// <param name="Pilot">The bit to use; null where none of the crew's fits, or no pilot is drilled.</param>
/// <param name="DrillDepth">How deep to drill, from the wall's face.</param>
/// <param name="Passed">Washer, plate, packing and layers: what the fastener passes before it holds.</param>
/// <param name="Surely">The load across a bolt that it holds for certain.</param>
public sealed record FixingResult(
    IReadOnlyList<Bolt> Bolts, double Gravity, Length PilotLeast, Length PilotMost, Length? Pilot, Length DrillDepth, Length Passed, Force Surely);
