using Corrie.Core.Catalogue;
using Corrie.Core.Measure;
using Corrie.Core.Planning;

namespace Corrie.Core.Survey;

/// <summary>Puts evidence on the wall and the members that follow from it.</summary>
public static class FramingMapper
{
    private const string WholeWall = "";
    private const double OnLaths = 3;
    private const int StepsOfAFinding = 30_000;

    /// <summary>Puts evidence on the wall and infers where its studs stand.</summary>
    /// <param name="wall">The wall, its readings worked in.</param>
    /// <param name="across">The sideways network.</param>
    /// <param name="up">The network of heights.</param>
    /// <param name="budget">What the work may cost; null for no limit.</param>
    /// <returns>What is known, for bolts of any size; and evidence whose datum is not known.</returns>
    internal static (FramingBasis Basis, IReadOnlyList<Evidence> Unclear) Infer(Wall wall, AdjustedNetwork across, AdjustedNetwork up, WorkBudget? budget)
    {
        budget?.Spend((long)wall.Evidence.Count * StepsOfAFinding);
        var soundings = new List<Sounding>();
        var unclear = new List<Evidence>();
        if (wall.Evidence.Count == 0)
        {
            return (new(wall, soundings, null), unclear);
        }

        var datums = Datum.Of(wall).ToDictionary(d => d.Id, d => d.At);
        foreach (var evidence in wall.Evidence)
        {
            if (Locate(wall, datums, evidence, evidence.Axis == Axis.Across ? across : up) is { } sounding)
            {
                soundings.Add(sounding);
            }
            else
            {
                unclear.Add(evidence);
            }
        }

        var upright = FramingSolver.Solve(Line(wall), [.. soundings.Where(s => s.Evidence.Axis == Axis.Across)], [.. wall.Studs.Select(Stated)], 0, wall.Width.Inches);
        return (new(wall, soundings, upright), unclear);
    }

    /// <summary>The framing as a bolt sees it.</summary>
    /// <param name="basis">What is known.</param>
    /// <param name="boltDiameter">The bolt that is to hold in it.</param>
    /// <returns>Its studs, left to right, and the map.</returns>
    internal static Framed For(FramingBasis basis, Length boltDiameter)
    {
        var wall = basis.Wall;
        if (basis.Upright is not { } upright)
        {
            return new([.. wall.Studs.Select(Capped)], FramingMap.Empty);
        }

        var bolt = boltDiameter.Inches;
        var line = Line(wall);
        var vertical = upright.Members(bolt).Select(m => Member(m, Axis.Across)).ToList();
        var kept = wall.Studs.Where(s => vertical.All(m => m.Id != s.Id && !m.Id.StartsWith(s.Id + "-", StringComparison.Ordinal))).ToList();
        var studs = kept.Concat(vertical.Select(m => AsStud(m, wall.Studs.FirstOrDefault(s => s.Id == m.Id)))).Select(Capped)
            .OrderBy(s => s.Centre).ThenBy(s => s.Id, StringComparer.Ordinal).ToList();

        var crossings = new List<FoundMember>();
        List<(Axis Axis, FramingLine Line, SolvedLine Solved)> solved = [(Axis.Across, line, upright)];
        foreach (var bay in basis.Soundings.Where(s => s.Evidence.Axis == Axis.Up).GroupBy(s => Bay(s.Evidence.Beside, studs, wall.Width)))
        {
            var nogging = line with { Makes = FramingLine.Wood, Spacing = 0, Material = ToldMaterial.Wood };
            var level = FramingSolver.Solve(nogging, [.. bay], [], 0, wall.Height.Inches);
            crossings.AddRange(level.Members(bolt).Select(m => Member(m, Axis.Up) with { From = bay.Key.From, To = bay.Key.To }));
            solved.Add((Axis.Up, nogging, level));
        }

        return new(
            studs,
            new(
                [.. vertical, .. crossings.OrderBy(c => c.Centre)],
                [.. solved.SelectMany(s => s.Solved.Untrue)],
                [.. solved.SelectMany(s => s.Solved.Contradictions.Select(c => new Contradiction(s.Axis, c.Miss, c.Left, c.Right, Length.FromInches(s.Line.Makes[0].Ply))))],
                [.. upright.Expected.Select(Length.FromInches)],
                basis.Soundings)
            {
                Bias = upright.Bias,
                Unfit = [.. solved.SelectMany(s => s.Solved.Unfit.Select(u => new UnfitHits(s.Axis, u.First, u.Last, u.Before, u.After)))],
            });
    }

    /// <summary>In which ways the studs of a wall may stand.</summary>
    /// <param name="wall">The wall.</param>
    /// <returns>The ways, the usual one first.</returns>
    internal static IReadOnlyList<Make> Makes(Wall wall) => wall.Kind == WallKind.SteelStuds ? FramingLine.Steel : FramingLine.Wood;

    /// <summary>What is known of the studs of a wall before anything was found.</summary>
    /// <param name="wall">The wall.</param>
    /// <returns>Spacing, faces and ways of its studs.</returns>
    internal static FramingLine Line(Wall wall) =>
        new(Makes(wall), wall.Spacing.Inches, wall.Kind == WallKind.SteelStuds ? ToldMaterial.Metal : ToldMaterial.Wood)
        {
            Rough = wall.Layers.Any(l => l.Name.Contains("lath", StringComparison.OrdinalIgnoreCase)) ? OnLaths : 1,
        };

    /// <summary>A stud as somebody put it on the sheet.</summary>
    /// <param name="stud">The stud.</param>
    /// <returns>The same in inches.</returns>
    internal static StatedMember Stated(Stud stud) => new(stud.Id, stud.Centre.Inches, stud.Width.Inches, stud.State, stud.Uncertainty.Inches);

    // What was carried through the wall is a good place to drill a pilot, and no more than that.
    private static Stud Capped(Stud stud) => stud is { Carried: true, State: StudState.Confirmed } ? stud with { State = StudState.Found } : stud;

    private static Sounding? Locate(Wall wall, Dictionary<string, Length> datums, Evidence evidence, AdjustedNetwork network)
    {
        if (Faces.Resolve(wall, evidence.From, evidence.OtherFace) is not { } from || from.Axis != evidence.Axis || Position(wall, datums, from.Point) is not { } datum)
        {
            return null;
        }

        var side = evidence.OtherFace && evidence.Axis == Axis.Across ? -1 : 1;
        var hook = datum + from.Offset;
        // From the right corner there is one way to go only; nobody types a minus for it.
        side = evidence.At > Length.Zero && Directions.Turns(hook, evidence.At * side, evidence.Axis == Axis.Across ? wall.Width : wall.Height) ? -side : side;
        var first = hook + (evidence.At * side);
        var last = evidence.To is { } to ? hook + (to * side) : first;
        var deviation = network.Points.TryGetValue(from.Point, out var at) ? at.Deviation : Length.Zero;
        return new(evidence, Length.Min(first, last), Length.Max(first, last), evidence.OtherFace ? Length.Max(deviation, Faces.Carried) : deviation);
    }

    private static Length? Position(Wall wall, Dictionary<string, Length> datums, string point) =>
        point.StartsWith("studs/", StringComparison.Ordinal)
            ? wall.Studs.FirstOrDefault(s => "studs/" + s.Id == point)?.Centre
            : datums.TryGetValue(point, out var at) ? at : null;

    private static (string Key, Length From, Length To) Bay(Length? beside, List<Stud> studs, Length width)
    {
        if (beside is not { } x)
        {
            return (WholeWall, Length.Zero, width);
        }

        var left = studs.LastOrDefault(s => s.Centre <= x);
        var right = studs.FirstOrDefault(s => s.Centre > x);
        return ($"{left?.Id}|{right?.Id}", left?.Right ?? Length.Zero, right?.Left ?? width);
    }

    private static FoundMember Member(SolvedMember m, Axis axis)
    {
        // What is confirmed stands on its probes alone, and so on the datums that these were measured from.
        var datum = m.Soundings
            .Where(s => m.State != StudState.Confirmed || s.Evidence.Kind is EvidenceKind.ProbeHit or EvidenceKind.ProbeMiss or EvidenceKind.Seen)
            .Select(s => s.Deviation * 2).DefaultIfEmpty().Max();
        var doubt = double.IsFinite(m.Doubt) ? Length.FromInches(Math.Min(m.Doubt, 12)) : Length.Tape(2);
        var told = m.Soundings.Select(s => s.Evidence.Told).Where(t => t != ToldMaterial.Nothing).Distinct().ToList();
        return new(
            m.Id, axis, Length.FromInches(m.Centre), Length.FromInches(m.Width), doubt + datum, m.State, m.Presence, m.Near, m.Plies,
            told is [var one] ? one : ToldMaterial.Nothing, m.Soundings)
        { Belief = m.Belief, Unproven = m.Unproven, Disputed = m.Disputed };
    }

    private static Stud AsStud(FoundMember member, Stud? stated) =>
        new(member.Id, member.Centre, member.Width, member.State, member.Uncertainty)
        {
            Carried = member.Carried || (stated is { Carried: true } && !member.Soundings.Any(s => !s.Evidence.OtherFace && s.Evidence.Kind is EvidenceKind.ProbeHit or EvidenceKind.Seen)),
            Methods = member.Methods,
        };
}

/// <summary>What is known of a wall's framing before somebody asks with a bolt.</summary>
/// <param name="Wall">The wall, its readings worked in.</param>
/// <param name="Soundings">All evidence where it lies.</param>
/// <param name="Upright">Where its studs stand; null where there is no evidence.</param>
internal sealed record FramingBasis(Wall Wall, IReadOnlyList<Sounding> Soundings, SolvedLine? Upright);

/// <summary>A wall's framing as a bolt sees it: how sure a mark is depends on the edge distance that the bolt needs.</summary>
/// <param name="Studs">Its studs, left to right.</param>
/// <param name="Map">What the evidence says.</param>
public sealed record Framed(IReadOnlyList<Stud> Studs, FramingMap Map);
