using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Core.Planning;

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
/// <param name="Why">Why it is kept free.</param>
/// <param name="Area">The rectangle on the wall.</param>
public sealed record KeepOut(string Id, string Name, string Why, Rect Area);

/// <summary>What the survey has to say about holes that are planned.</summary>
public static class HoleCheck
{
    /// <summary>Diameter of a probe's hole (common practice: a bit of 1/16 to 1/8 in).</summary>
    public static readonly Length ProbeHole = Length.Tape(0, 1, 8);

    /// <summary>How many diameters a new hole keeps clear of an old one (common practice).</summary>
    public const int ClearOfOld = 3;

    /// <summary>Checks the holes of one thing, each against the member that it goes into and holes that are there.</summary>
    /// <param name="surveyed">The wall as surveyed.</param>
    /// <param name="holes">The holes.</param>
    /// <param name="diameter">Their diameter.</param>
    /// <param name="spent">Holes of the plate's own that are spent.</param>
    /// <returns>The findings, parts named from the thing on.</returns>
    public static IEnumerable<Finding> Each(Surveyed surveyed, IReadOnlyList<Hole> holes, Length diameter, IReadOnlyList<(Length X, Length Y)> spent) =>
    [
        .. Members(surveyed, holes, diameter),
        .. OldHoles(surveyed, holes, diameter, spent),
    ];

    /// <summary>Checks all holes of a wall together: what has to be known before any of them is drilled.</summary>
    /// <param name="wall">The wall, its readings worked in.</param>
    /// <param name="site">What is known of the house.</param>
    /// <param name="holes">All holes of the wall.</param>
    /// <returns>The findings, parts named from the wall on.</returns>
    public static IEnumerable<Finding> Together(Wall wall, SiteFacts site, IReadOnlyList<Hole> holes)
    {
        if (holes.Count == 0)
        {
            yield break;
        }

        if (wall.Scan is null)
        {
            yield return SurveyFindings.ServicesNotLookedFor.At(
                new("scan", holes[0].X, holes[0].Y),
                $"{holes.Count} holes are planned, and no search for cables, pipes and gas is recorded.");
        }

        foreach (var finding in Layers(wall, holes))
        {
            yield return finding;
        }

        // A cock or a line of an inch shows that there is gas, and not where it runs.
        if (wall.Questions.Gas == true && wall.Features.All(f => f.Kind != FeatureKind.Gas || f.IsEndOfRun))
        {
            yield return SurveyFindings.GasNear.At(
                new("questions/gas", holes[0].X, holes[0].Y), $"Find the gas pipe and put it on the wall first: gas runs near, and {holes.Count} holes are planned without anybody knowing where.");
        }

        if (wall.Questions.FireRated == true)
        {
            yield return SurveyFindings.FireRated.At(
                new("questions/fireRated", holes[0].X, holes[0].Y), $"Seal each of the {holes.Count} holes as the wall's listing says: it is fire-rated or a party wall.");
        }

        var open = FramingCheck.OpenQuestions(wall, site);
        if (open.Count > 0)
        {
            yield return SurveyFindings.HazardQuestionsOpen.At(
                new("questions", holes[0].X, holes[0].Y), $"{holes.Count} holes are planned, and {open.Count} {(open.Count == 1 ? "question is" : "questions are")} open: {string.Join("; ", open.Select(o => o.Words))}.");
        }
    }

    /// <summary>Where no hole may go, seen from the front; the planner's and the drawing's.</summary>
    /// <param name="surveyed">The wall as surveyed.</param>
    /// <param name="keep">How far a hole keeps from what may run anywhere beside a device.</param>
    /// <param name="fromBuried">How far from what is known to lie in the wall.</param>
    /// <returns>The areas; a thing may have several.</returns>
    internal static IReadOnlyList<KeepOut> KeepOuts(Surveyed surveyed, Length keep, Length fromBuried)
    {
        var wall = surveyed.Wall;
        var bays = InNeighbouringBays(wall);
        var keeps = new List<KeepOut>();
        // A cock, an elbow, a cable's end: it goes on in the wall, up, down or along, and that is as unknown as a device's cable.
        foreach (var device in wall.Features.Where(f => (f.Electrical || f.IsEndOfRun) && !(f.RouteKnown && wall.DrawsRouteOf(f))))
        {
            var why = device.RouteKnown ? device.Electrical ? "somebody knows its cable's route, and it is not drawn: put the cable on the wall as it runs" : "somebody knows where it runs on, and it is not drawn: put it on the wall as it runs"
                : device.Electrical ? "its cable's route is not known" : "where it runs from there is not known";
            keeps.Add(new(device.Id, device.Name, why, Rect.Between(device.Left - keep, device.Right + keep, Length.Zero, wall.Height)));
            keeps.Add(new(device.Id, device.Name, why, Rect.Between(device.Left - bays, device.Right + bays, device.Bottom - keep, device.Top + keep)));
        }

        foreach (var live in surveyed.Soundings.Where(s => s.Evidence is { Kind: EvidenceKind.Live, Struck: false }))
        {
            // A sign at a place runs up and down from there; one at a height runs along, through the bays beside where it was seen.
            var beside = live.Evidence.Beside;
            keeps.Add(new(live.Evidence.Id, "live sign", "the scanner showed live wiring there", live.Evidence.Axis == Axis.Across
                ? Rect.Between(live.Low - keep, live.High + keep, Length.Zero, wall.Height)
                : Rect.Between(beside is { } from ? from - bays : Length.Zero, beside is { } to ? to + bays : wall.Width, live.Low - keep, live.High + keep)));
        }

        // A nail plate guards what crosses a stud behind it, and what else stops a bit dead may be a pipe.
        foreach (var plate in surveyed.Soundings.Where(s => s.Evidence is { Kind: EvidenceKind.ProbeHit, Axis: Axis.Across, Struck: false } && s.Evidence.Bite == Length.Zero && s.Evidence.Told == ToldMaterial.Nothing))
        {
            keeps.Add(new(plate.Evidence.Id, "metal behind the layers", "the bit stopped dead there, and a nail plate guards a cable or a pipe", Rect.Between(
                plate.Low - fromBuried,
                plate.High + fromBuried,
                plate.Evidence.Beside is { } low ? low - keep : Length.Zero,
                plate.Evidence.Beside is { } high ? high + keep : wall.Height)));
        }

        foreach (var feature in wall.Features.Where(f => f.Traits.Hole is not null))
        {
            keeps.Add(new(feature.Id, feature.Name, feature.Traits.Hole!, feature.Outline.Grown(fromBuried)));
        }

        return keeps;
    }

    // One cause, one stop: the studs that are not confirmed are named together, each with how far it may be off.
    private static IEnumerable<Finding> Members(Surveyed surveyed, IReadOnlyList<Hole> holes, Length diameter)
    {
        var unsure = holes.Where(h => h.Stud.State != StudState.Confirmed).GroupBy(h => h.Stud).OrderBy(g => g.Key.Centre).ToList();
        if (unsure.Count > 0)
        {
            var (first, top) = (unsure[0].Key, unsure[0].Max(h => h.Y));
            var spot = new Spot($"studs/{string.Join('+', unsure.Select(g => g.Key.Id))}", first.Centre, top);
            // What the bit has met there, as far as nobody has said what it is.
            var map = surveyed.For(diameter).Map;
            var unknown = unsure.Where(g => map.Member(g.Key.Id) is { Unproven: true })
                .SelectMany(g => map.Member(g.Key.Id)!.Soundings.Where(s => s.Evidence is { Kind: EvidenceKind.ProbeHit, Bite: null, Told: ToldMaterial.Nothing })).Distinct().ToList();
            var steel = surveyed.Wall.Kind == WallKind.SteelStuds;
            if (unsure.Count == 1)
            {
                var count = unsure[0].Count();
                yield return unknown.Count > 0
                    ? SurveyFindings.FramingUnconfirmed.At(
                        spot,
                        $"Say what the bit met at {unknown[0].Middle:fine}, where {count} of the plate's holes go: a pipe, a metal strip or a nail plate stops it too. {(steel ? Phrase.Of($"A steel stud brings metal chips, and then the bit drops through.") : Phrase.Of($"In a stud it goes on biting for {Evidence.ShallowBite} and more."))}",
                        Answers(unknown, steel))
                    : SurveyFindings.FramingUnconfirmed.At(
                        spot,
                        first.Carried
                            ? Phrase.Of($"The stud at {first.Centre} was found on the other face and carried through the wall, good to {first.Uncertainty:fine}; {count} of the plate's holes go into it. Drill a pilot from this side first, and left and right of it until the bit falls through.")
                            : Phrase.Of($"The stud at {first.Centre} is {(first.State == StudState.Found ? "found" : "suspected")}, not confirmed, to within {first.Uncertainty:fine}; {count} of the plate's holes go into it. Probe left and right of its centre until the bit falls through, and note what it brings."));
            }
            else
            {
                Phrase message = $"Probe left and right of these studs until the bit falls through, and note what it brings, before {unsure.Sum(g => g.Count())} holes for {diameter} bolts go into them: ";
                for (var i = 0; i < unsure.Count; i++)
                {
                    var stud = unsure[i].Key;
                    var state = map.Member(stud.Id) is { Unproven: true } ? "not known to be a stud" : stud.Carried ? "carried through from the other face" : stud.State == StudState.Found ? "found" : "suspected";
                    message.AppendFormatted($"{(i == 0 ? string.Empty : "; ")}{stud.Centre} {state}, good to {stud.Uncertainty:fine}");
                }

                message.AppendLiteral(".");
                yield return SurveyFindings.FramingUnconfirmed.At(spot, message, Answers(unknown, steel));
            }
        }

        foreach (var group in holes.GroupBy(h => h.Stud))
        {
            if (group.Key.Methods is [var only] && only != Method.Eye)
            {
                yield return SurveyFindings.SingleMethod.At(
                    new($"studs/{group.Key.Id}", group.Key.Centre, group.Max(h => h.Y)),
                    $"The stud at {group.Key.Centre} was found by {Words(only)} alone; {group.Count()} of the plate's holes go into it. A second method would tell.");
            }
        }
    }

    // One answer for all of them, since who probed has done it in one go.
    private static Remedy[] Answers(List<Sounding> hits, bool steel)
    {
        if (hits.Count == 0)
        {
            return [];
        }

        var where = Phrase.Of($"at {hits[0].Middle:fine}");
        for (var i = 1; i < hits.Count; i++)
        {
            where.AppendFormatted($"{(i == hits.Count - 1 ? " and " : ", ")}{hits[i].Middle:fine}");
        }

        return
        [
            steel
                ? new("It brought metal chips", Phrase.Of($"what stops the bit {where} is a steel stud"), [.. hits.Select(h => h.Evidence.Here.Set("told", ToldMaterial.Metal.Word()))])
                : new("It went on biting", Phrase.Of($"for {Evidence.ShallowBite} and more {where}: it is a stud"), [.. hits.Select(h => h.Evidence.Here.Set("bite", LengthText.Exact(Evidence.ShallowBite, UnitSystem.Inches)))]),
        ];
    }

    private static string Words(Method method) => method switch
    {
        Method.Sound => "knocking",
        Method.Scanner => "a scanner",
        Method.Magnet => "a magnet",
        _ => "probing",
    };

    private static IEnumerable<Finding> OldHoles(Surveyed surveyed, IReadOnlyList<Hole> holes, Length diameter, IReadOnlyList<(Length X, Length Y)> spent)
    {
        var old = surveyed.Wall.Features.Where(f => f.Kind == FeatureKind.OldHole).Select(f => (X: f.Centre, Y: f.Bottom + f.Height.Half, Room: Length.Max(f.Width, diameter) * ClearOfOld, What: "an old hole"))
            .Concat(surveyed.Soundings
                .Where(s => s.Evidence is { Kind: EvidenceKind.ProbeMiss, Axis: Axis.Across, Beside: not null })
                .Select(s => (X: s.Middle, Y: s.Evidence.Beside!.Value, Room: ProbeHole * ClearOfOld, What: "a probe's hole that missed")))
            .Concat(spent.Select(s => (s.X, s.Y, Room: diameter * ClearOfOld, What: "a hole that is spent")));
        foreach (var (x, y, room, what) in old)
        {
            foreach (var hole in holes)
            {
                var apart = Length.FromInches(Math.Sqrt(Math.Pow((hole.X - x).Inches, 2) + Math.Pow((hole.Y - y).Inches, 2)));
                if (apart < room)
                {
                    yield return SurveyFindings.OldHoleTooNear.At(
                        new($"{hole.Part}/{x.Units}-{y.Units}", hole.X, hole.Y),
                        $"The hole at {hole.X} across, {hole.Y} up is {apart:fine} from {what}; {ClearOfOld} diameters are {room:fine}.");
                }
            }
        }
    }

    private static IEnumerable<Finding> Layers(Wall wall, IReadOnlyList<Hole> holes)
    {
        var unconfirmed = wall.Layers.Where(l => !l.Confirmed).ToList();
        if (wall.Layers.Count == 0)
        {
            yield return SurveyFindings.LayersUnknown.At(new("layers"), $"No layer of the wall is recorded; {holes.Count} holes are planned through it.");
        }
        else if (unconfirmed.Count > 0)
        {
            yield return SurveyFindings.LayersUnknown.At(
                new("layers"),
                $"{holes.Count} holes are planned through the {string.Join(" and the ", unconfirmed.Select(l => l.Name))} ({unconfirmed.Aggregate(Length.Zero, (sum, l) => sum + l.Thickness)} thick), which nobody has confirmed.");
        }
    }

    // A cable that runs along the wall is notched through its own bay's studs into the next bay.
    private static Length InNeighbouringBays(Wall wall) => wall.Spacing > Length.Zero ? (wall.Spacing * 3).Half : Length.Tape(24);
}
