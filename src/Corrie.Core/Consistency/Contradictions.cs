using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Hanging;
using Corrie.Core.Masonry;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Core.Consistency;

/// <summary>A wall with all that was answered about it, as it was entered.</summary>
/// <param name="Job">The job.</param>
/// <param name="Wall">The wall.</param>
/// <param name="Entered">Its form; null until it has a size.</param>
internal sealed record Answered(JobSheet Job, WallSheet Wall, Wall? Entered)
{
    /// <summary>What was answered about it.</summary>
    public WallQuestions Questions => Entered?.Questions ?? WallQuestions.Open;

    /// <summary>What is known of its fire; null where nothing is.</summary>
    public Fire? Fire => Wall.Get(Fire.Part);

    /// <summary>Whether somebody has said, or measured, that the fire burns.</summary>
    public bool Burns => Fire is { } fire && (fire.Use is FireUse.Often or FireUse.Seldom || fire.Readings.Items.Any(r => r.Minutes > 0));
}

/// <summary>Two answers that cannot both be true.</summary>
/// <param name="First">Path of the first, from the wall or the thing on.</param>
/// <param name="Second">Path of the second.</param>
/// <param name="ClearsFinal">Whether one of them alone would clear a final stop.</param>
/// <param name="Says">What is wrong, where both are given: what to do first; null where they agree.</param>
internal sealed record Contradiction(string First, string Second, bool ClearsFinal, Func<Answered, Phrase?> Says);

/// <summary>
/// Answers held against each other, before any stage plans with one of them: pairs of places, a test, words. Which of two is wrong nobody can tell from here, so that both stop
/// until somebody has looked.
/// </summary>
internal static class Contradictions
{
    // Two displays on one mount stand side by side or over each other on its head: farther apart no adapter carries them (own rule).
    private static readonly Length MostBetween = Length.Tape(12);

    /// <summary>The pairs about a wall.</summary>
    public static IReadOnlyList<Contradiction> OfWalls { get; } =
    [
        new("questions/flue", "fire", true, a => a is { Questions.Flue: FlueState.Dead, Burns: true }
            ? Phrase.Of($"Ask which holds, and look: the flue is said to be dead, and the fire is lit, {Lit(a)}. Until then it counts as in use.") : null),
        new("questions/flue", "fire/fuel", true, a => a is { Questions.Flue: FlueState.None, Fire.Fuel: FireFuel.Wood }
            ? Phrase.Of($"Ask which holds, and look: wood burns there, and 0 flues are said to be in this wall or beside it. Smoke goes somewhere.") : null),
        new("questions/flue", "fire/vented", true, a => a is { Questions.Flue: FlueState.None, Fire: { Vented: true, Fuel: not FireFuel.Electric } }
            ? Phrase.Of($"Ask which holds, and look: the fire is said to be vented by a flue of its own, and 0 flues to be in this wall or beside it.") : null),
        new("questions/gas", "fire/fuel", true, a => a is { Questions.Gas: false, Fire.Fuel: FireFuel.Gas }
            ? Phrase.Of($"Find the gas pipe and put it on the wall: a gas fire burns there, and 0 gas is said to be near.") : null),
        new("questions/gas", "features", true, a => a.Questions.Gas == false && a.Entered?.Features.FirstOrDefault(f => f.Kind == FeatureKind.Gas) is { } gas
            ? Phrase.Of($"Ask which holds: the {gas.Name} is on the wall at {gas.Centre} across, {gas.Bottom} up, and 0 gas is said to be near.") : null),
        new("questions/flue", "features", true, a => a.Questions.Flue == FlueState.None && a.Entered?.Features.FirstOrDefault(f => f.Kind == FeatureKind.Flue) is { } flue
            ? Phrase.Of($"Ask which holds: the {flue.Name} is on the wall at {flue.Centre} across, and 0 flues are said to be in it or beside it.") : null),
        new("fire/use", "fire/readings", false, a => a.Fire is { Use: FireUse.Never } fire && fire.Readings.Items.FirstOrDefault(r => r.Minutes > 0) is { } reading
            ? Phrase.Of($"Ask which holds: the fire is said to be never lit, and at {reading.Up} up it was measured after {reading.Minutes} minutes at full.") : null),
        new("fire/fuel", "fire/vented", false, a => a.Fire is { Fuel: FireFuel.Wood, Vented: false }
            ? Phrase.Of($"Ask which holds, and look: wood burns there, and the fire is said to have 0 flues of its own.") : null),
    ];

    /// <summary>What cannot both be true of how things hang on each other.</summary>
    /// <param name="job">The job.</param>
    /// <param name="mount">A mount.</param>
    /// <returns>What is wrong, with the other thing's key.</returns>
    public static IEnumerable<(string Other, Phrase Says)> OfMount(JobSheet job, Item mount)
    {
        if (job.On(mount) is { } holder && holder.Kind == Mount.Kind)
        {
            yield return (holder.Id, Phrase.Of($"Say what carries it: the {job.NameOf(mount)} hangs on the {job.NameOf(holder)}, and of 2 mounts one is bolted to the other by nothing that is planned. A plate goes on a wall, or on what a wall carries."));
        }

        var displays = job.Carried(mount).Where(i => i.Product is Display && i.Get(PlacementChoice.Part) is not null).ToList();
        for (var i = 1; i < displays.Count; i++)
        {
            for (var j = 0; j < i; j++)
            {
                var (one, other) = (displays[j].Get(PlacementChoice.Part)!, displays[i].Get(PlacementChoice.Part)!);
                if (one.Over != other.Over)
                {
                    continue;
                }

                var apart = (one.Across - other.Across).Abs - (((Display)displays[j].Product!).Width + ((Display)displays[i].Product!).Width).Half;
                if (apart > MostBetween)
                {
                    yield return (displays[i].Id, Phrase.Of($"Give one of them a mount of its own: the {job.NameOf(displays[j])} and the {job.NameOf(displays[i])} are on one mount, and {apart} of wall is between them."));
                }
            }
        }
    }

    private static Phrase Lit(Answered a) => a.Fire!.Readings.Items.FirstOrDefault(r => r.Minutes > 0) is { } reading
        ? Phrase.Of($"measured at {reading.Up} up after {reading.Minutes} minutes at full") : Phrase.Of($"{(a.Fire.Use == FireUse.Often ? "often" : "now and then")}, by 1 answer");
}
