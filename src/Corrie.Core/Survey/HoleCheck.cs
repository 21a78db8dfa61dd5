using Corrie.Core.Findings;
using Corrie.Core.Measure;

namespace Corrie.Core.Survey;

/// <summary>A hole to be drilled.</summary>
/// <param name="Part">The part of the plan it belongs to, such as <c>bolts/2</c>.</param>
/// <param name="X">From the left corner.</param>
/// <param name="Y">Over the floor.</param>
/// <param name="Stud">The member it goes into.</param>
public sealed record Hole(string Part, Length X, Length Y, Stud Stud);

/// <summary>A rectangle of the wall in which no hole may go.</summary>
/// <param name="Id">Key of what it is kept round.</param>
/// <param name="Name">What that is.</param>
/// <param name="Why">Why.</param>
/// <param name="Left">Its left edge.</param>
/// <param name="Right">Its right edge.</param>
/// <param name="Bottom">Its bottom.</param>
/// <param name="Top">Its top.</param>
public sealed record KeepOut(string Id, string Name, string Why, Length Left, Length Right, Length Bottom, Length Top);

/// <summary>What the survey has to say about holes that are planned.</summary>
public static class HoleCheck
{
    /// <summary>Half the width of the keep-out around an electrical device (common practice; survey's default).</summary>
    public static readonly Length KeepOutWidth = Length.Tape(6);

    /// <summary>What is kept free round a cable, a pipe or gas whose route is known (common practice).</summary>
    public static readonly Length KeepFromBuried = Length.Tape(2);

    /// <summary>Diameter of a probe's hole (common practice: a bit of 1/16 to 1/8 in).</summary>
    public static readonly Length ProbeHole = Length.Tape(0, 1, 8);

    /// <summary>Checks holes against what is known of the wall.</summary>
    /// <param name="surveyed">The wall as surveyed.</param>
    /// <param name="holes">The holes.</param>
    /// <param name="diameter">Their diameter.</param>
    public static IEnumerable<Finding> Check(Surveyed surveyed, IReadOnlyList<Hole> holes, Length diameter) => holes.Count == 0 ? [] :
    [
        .. Members(holes),
        .. Services(surveyed, holes),
        .. Layers(surveyed.Wall, holes),
        .. OldHoles(surveyed, holes, diameter),
        .. Questions(surveyed.Wall, holes),
    ];

    /// <summary>Where no hole may go, seen from the front; the planner's and the drawing's.</summary>
    public static IReadOnlyList<KeepOut> KeepOuts(Surveyed surveyed)
    {
        var wall = surveyed.Wall;
        var bays = InNeighbouringBays(wall);
        var keeps = new List<KeepOut>();
        foreach (var device in wall.Features.Where(f => f.Electrical && !f.RouteKnown))
        {
            keeps.Add(new(device.Id, device.Name, "its cable's route is not known", device.Left - KeepOutWidth, device.Right + KeepOutWidth, Length.Zero, wall.Height));
            keeps.Add(new(device.Id, device.Name, "its cable's route is not known", device.Left - bays, device.Right + bays, device.Bottom - KeepOutWidth, device.Top + KeepOutWidth));
        }

        foreach (var live in surveyed.Framing.Soundings.Where(s => s.Evidence is { Kind: EvidenceKind.Live, Struck: false, Axis: Axis.Across }))
        {
            keeps.Add(new(live.Evidence.Id, "live sign", "the scanner showed live wiring there", live.Low - KeepOutWidth, live.High + KeepOutWidth, Length.Zero, wall.Height));
        }

        foreach (var buried in wall.Features.Where(f => f.Buried))
        {
            keeps.Add(new(buried.Id, buried.Name, "it lies in the wall", buried.Left - KeepFromBuried, buried.Right + KeepFromBuried, buried.Bottom - KeepFromBuried, buried.Top + KeepFromBuried));
        }

        return keeps;
    }

    private static IEnumerable<Finding> Members(IReadOnlyList<Hole> holes)
    {
        foreach (var group in holes.GroupBy(h => h.Stud))
        {
            var stud = group.Key;
            var spot = new Spot($"studs/{stud.Id}", stud.Centre, group.Max(h => h.Y));
            if (stud.State != StudState.Confirmed)
            {
                yield return SurveyFindings.FramingUnconfirmed.At(
                    spot,
                    stud.Carried
                        ? Phrase.Of($"The stud at {stud.Centre} was found on the other face and carried through the wall, good to {stud.Uncertainty:fine}; {group.Count()} of the plate's holes go into it. Drill a pilot from this side first, and left and right of it until the bit falls through.")
                        : Phrase.Of($"The stud at {stud.Centre} is {(stud.State == StudState.Found ? "found" : "suspected")}, not confirmed, to within {stud.Uncertainty:fine}; {group.Count()} of the plate's holes go into it. Probe left and right of its centre until the bit falls through."));
            }

            if (stud.Methods is [var only] && only != Method.Eye)
            {
                yield return SurveyFindings.SingleMethod.At(
                    spot, $"The stud at {stud.Centre} was found by {Words(only)} alone; {group.Count()} of the plate's holes go into it. A second method would tell.");
            }
        }
    }

    private static string Words(Method method) => method switch
    {
        Method.Sound => "knocking",
        Method.Scanner => "a scanner",
        Method.Magnet => "a magnet",
        _ => "probing",
    };

    private static IEnumerable<Finding> Services(Surveyed surveyed, IReadOnlyList<Hole> holes)
    {
        if (surveyed.Wall.Scan is null)
        {
            yield return SurveyFindings.ServicesNotLookedFor.At(
                new("wall/scan", holes[0].X, holes[0].Y),
                $"{holes.Count} holes are planned, and no search for cables, pipes and gas is recorded.");
        }

        foreach (var keep in KeepOuts(surveyed).GroupBy(k => k.Id))
        {
            foreach (var hole in holes)
            {
                if (keep.FirstOrDefault(k => hole.X > k.Left && hole.X < k.Right && hole.Y > k.Bottom && hole.Y < k.Top) is { } inside)
                {
                    var least = new[] { hole.X - inside.Left, inside.Right - hole.X, hole.Y - inside.Bottom, inside.Top - hole.Y }.Min();
                    yield return SurveyFindings.LiveNearHole.At(
                        new($"{hole.Part}/{keep.Key}", hole.X, hole.Y),
                        $"The hole at {hole.X} across, {hole.Y} up is {least} inside what is kept free round the {inside.Name} ({inside.Left} to {inside.Right} across, {inside.Bottom} to {inside.Top} up): {inside.Why}.");
                }
            }
        }
    }

    private static IEnumerable<Finding> OldHoles(Surveyed surveyed, IReadOnlyList<Hole> holes, Length diameter)
    {
        var old = surveyed.Wall.Features.Where(f => f.Kind == FeatureKind.OldHole).Select(f => (X: f.Centre, Y: f.Bottom + f.Height.Half, Room: Length.Max(f.Width, diameter) * 3, What: "an old hole"))
            .Concat(surveyed.Framing.Soundings
                .Where(s => s.Evidence is { Kind: EvidenceKind.ProbeMiss, Axis: Axis.Across, Beside: not null })
                .Select(s => (X: s.Middle, Y: s.Evidence.Beside!.Value, Room: ProbeHole * 3, What: "a probe's hole that missed")));
        foreach (var (x, y, room, what) in old)
        {
            foreach (var hole in holes)
            {
                var apart = Length.FromInches(Math.Sqrt(Math.Pow((hole.X - x).Inches, 2) + Math.Pow((hole.Y - y).Inches, 2)));
                if (apart < room)
                {
                    yield return SurveyFindings.OldHoleTooNear.At(
                        new($"{hole.Part}/{x.Units}-{y.Units}", hole.X, hole.Y),
                        $"The hole at {hole.X} across, {hole.Y} up is {apart:fine} from {what}; 3 diameters are {room:fine}.");
                }
            }
        }
    }

    private static IEnumerable<Finding> Questions(Wall wall, IReadOnlyList<Hole> holes)
    {
        var open = FramingCheck.OpenQuestions(wall);
        if (open.Count > 0)
        {
            yield return SurveyFindings.HazardQuestionsOpen.At(
                new("questions", holes[0].X, holes[0].Y), $"{holes.Count} holes are planned, and {open.Count} {(open.Count == 1 ? "question is" : "questions are")} open: {string.Join("; ", open)}.");
        }
    }

    private static IEnumerable<Finding> Layers(Wall wall, IReadOnlyList<Hole> holes)
    {
        var unconfirmed = wall.Layers.Where(l => !l.Confirmed).ToList();
        if (wall.Layers.Count == 0)
        {
            yield return SurveyFindings.LayersUnknown.At(new("wall/layers"), $"No layer of the wall is recorded; {holes.Count} holes are planned through it.");
        }
        else if (unconfirmed.Count > 0)
        {
            yield return SurveyFindings.LayersUnknown.At(
                new("wall/layers"),
                $"{holes.Count} holes are planned through the {string.Join(" and the ", unconfirmed.Select(l => l.Name))} ({unconfirmed.Aggregate(Length.Zero, (sum, l) => sum + l.Thickness)} thick), which nobody has confirmed.");
        }
    }

    // A cable that runs along the wall is notched through its own bay's studs into the next bay.
    private static Length InNeighbouringBays(Wall wall) => wall.Spacing > Length.Zero ? (wall.Spacing * 3).Half : Length.Tape(24);
}
