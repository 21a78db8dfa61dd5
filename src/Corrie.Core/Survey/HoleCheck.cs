using Corrie.Core.Findings;
using Corrie.Core.Measure;

namespace Corrie.Core.Survey;

/// <summary>A hole to be drilled.</summary>
/// <param name="Part">The part of the plan it belongs to, such as <c>bolts/2</c>.</param>
/// <param name="X">From the left corner.</param>
/// <param name="Y">Over the floor.</param>
/// <param name="Stud">The member it goes into.</param>
public sealed record Hole(string Part, Length X, Length Y, Stud Stud);

/// <summary>What the survey has to say about holes that are planned.</summary>
public static class HoleCheck
{
    /// <summary>Half the width of the keep-out around an electrical device (common practice; survey's default).</summary>
    public static readonly Length KeepOut = Length.Tape(6);

    /// <summary>Checks holes against what is known of the wall.</summary>
    public static IEnumerable<Finding> Check(Wall wall, IReadOnlyList<Hole> holes)
    {
        if (holes.Count == 0)
        {
            yield break;
        }

        foreach (var group in holes.Where(h => h.Stud.State != StudState.Confirmed).GroupBy(h => h.Stud))
        {
            var stud = group.Key;
            yield return SurveyFindings.FramingUnconfirmed.At(
                new($"studs/{stud.Id}", stud.Centre, group.Max(h => h.Y)),
                $"The stud at {stud.Centre} is {(stud.State == StudState.Found ? "found" : "suspected")}, not confirmed, to within {stud.Uncertainty:fine}; {group.Count()} of the plate's holes go into it. Probe left and right of its centre until the bit falls through.");
        }

        if (wall.Scan is null)
        {
            yield return SurveyFindings.ServicesNotLookedFor.At(
                new("wall/scan", holes[0].X, holes[0].Y),
                $"{holes.Count} holes are planned, and no search for cables, pipes and gas is recorded.");
        }

        foreach (var device in wall.Features.Where(f => f.Electrical && !f.RouteKnown))
        {
            foreach (var hole in holes)
            {
                var across = Length.Outside(hole.X, device.Left, device.Right);
                var up = Length.Outside(hole.Y, device.Bottom, device.Top);
                if (across < KeepOut || (up < KeepOut && across < InNeighbouringBays(wall)))
                {
                    yield return SurveyFindings.LiveNearHole.At(
                        new($"{hole.Part}/{device.Id}", hole.X, hole.Y),
                        $"The hole at {hole.X} across, {hole.Y} up is {across} beside and {up} above or below the {device.Name}; its cable's route is not known, so {KeepOut} is kept free each side of it.");
                }
            }
        }

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
