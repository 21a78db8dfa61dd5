using Corrie.Core.Measure;

namespace Corrie.Core.Survey;

/// <summary>One measured value: from a named point to another, along the wall or up it.</summary>
/// <param name="Id">Short key in the sheet.</param>
/// <param name="From">The point that the tape is hooked on: a datum's name in the sheet, or <c>studs/s1</c>.</param>
/// <param name="To">The point that is read.</param>
/// <param name="Value">What the tape shows, to the right or up; negative for the other way.</param>
/// <param name="Deviation">Its standard deviation: 1/32 in for a direct reading, 1/8 in for one carried through a wall (common practice).</param>
/// <param name="By">Who measured.</param>
public sealed record MeasuredReading(string Id, string From, string To, Length Value, Length Deviation, string By)
{
    /// <summary>Whether it was taken on the wall's other face: its sides and its direction are then as seen from there.</summary>
    public bool OtherFace { get; init; }
}

/// <summary>A member that is on the sheet without a position of its own: its place follows from readings.</summary>
/// <param name="Id">Short key in the sheet.</param>
/// <param name="Width">Its face.</param>
/// <param name="State">How sure the crew is.</param>
/// <param name="Uncertainty">How far its centre may be off besides the readings.</param>
public sealed record UnplacedStud(string Id, Length Width, StudState State, Length Uncertainty);

/// <summary>A point of a solved network.</summary>
/// <param name="Position">From the left corner, or over the floor, rounded once.</param>
/// <param name="Deviation">Its standard deviation.</param>
public readonly record struct AdjustedPoint(Length Position, Length Deviation);

/// <summary>A reading as it fits a solved network.</summary>
/// <param name="Reading">The reading.</param>
/// <param name="Residual">Adjusted less measured.</param>
/// <param name="Share">Its share of redundancy, 0 (nothing checks it) to 1.</param>
/// <param name="Normalised">Residual over its own standard deviation; 0 where nothing checks it.</param>
/// <param name="Suspects">For a reading over the limit that no other exceeds: the readings that the geometry cannot tell from it, itself included.</param>
public sealed record AdjustedReading(
    MeasuredReading Reading, Length Residual, double Share, double Normalised, IReadOnlyList<MeasuredReading> Suspects);

/// <summary>One axis of the survey, solved.</summary>
/// <param name="Points">Positions of the points that the readings fix.</param>
/// <param name="Loose">Points that hang on nothing yet.</param>
/// <param name="Readings">How each reading fits.</param>
public sealed record AdjustedNetwork(
    IReadOnlyDictionary<string, AdjustedPoint> Points, IReadOnlyList<string> Loose, IReadOnlyList<AdjustedReading> Readings)
{
    /// <summary>Whether a reading is under suspicion.</summary>
    /// <param name="reading">A reading of the network.</param>
    /// <returns>Whether it is among the suspects.</returns>
    public bool Suspect(MeasuredReading reading) => Readings.Any(r => r.Suspects.Contains(reading));

    /// <summary>The same network with its readings as they were told, instead of as the network takes them.</summary>
    /// <param name="told">The readings as they were told, by their keys.</param>
    /// <returns>The network.</returns>
    public AdjustedNetwork As(IReadOnlyDictionary<string, MeasuredReading> told) => this with
    {
        Readings = [.. Readings.Select(r => r with { Reading = told[r.Reading.Id], Suspects = [.. r.Suspects.Where(s => told.ContainsKey(s.Id)).Select(s => told[s.Id])] })],
    };

    /// <summary>Points that the readings put where there is no wall; they are not among the others, and nothing is placed by them.</summary>
    public IReadOnlyDictionary<string, AdjustedPoint> Beyond { get; init; } = new Dictionary<string, AdjustedPoint>();

    /// <summary>The same network on a wall: what it puts elsewhere is set apart.</summary>
    /// <param name="size">The wall's width, or height.</param>
    /// <returns>The network.</returns>
    internal AdjustedNetwork On(Length size) => Points.Values.All(p => Directions.OnWall(p.Position, size)) ? this : this with
    {
        Points = Points.Where(p => Directions.OnWall(p.Value.Position, size)).ToDictionary(),
        Beyond = Points.Where(p => !Directions.OnWall(p.Value.Position, size)).ToDictionary(),
    };

    /// <summary>A network without readings.</summary>
    public static AdjustedNetwork Empty { get; } = new(new Dictionary<string, AdjustedPoint>(), [], []);
}
