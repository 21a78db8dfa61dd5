using Corrie.Core.Feeds;
using Corrie.Core.Findings;
using Corrie.Core.Fixing;
using Corrie.Core.Hanging;
using Corrie.Core.Masonry;
using Corrie.Core.Placement;
using Corrie.Core.Planning;
using Corrie.Core.SiteDay;
using Corrie.Core.Survey;
using Corrie.Core.WholePlan;

namespace Corrie.Core.Jobs;

/// <summary>The stages of the work, in their order: the one list of them.</summary>
public static class Stages
{
    /// <summary>All stages; each may use what earlier ones have made.</summary>
    public static IReadOnlyList<IStage> All { get; } =
    [
        new SurveyStage(),
        new PlacementStage(),
        new HangingStage(),
        new MasonryStage(),
        new FixingStage(),
        new FeedsStage(),
        new SiteStage(),
        new WholePlanStage(),
    ];

    /// <summary>The steps of the page that have a stage, from left to right.</summary>
    public static IReadOnlyList<WorkStep> Steps { get; } = [.. WorkStep.All.Where(s => All.Any(stage => stage.Step == s))];

    /// <summary>What the stages add to the sheet.</summary>
    public static IReadOnlyList<Part> Parts { get; } = [.. All.SelectMany(s => s.Parts)];

    /// <summary>The stage of a word.</summary>
    /// <param name="id">Its word and title.</param>
    /// <returns>The stage.</returns>
    /// <exception cref="InvalidOperationException">No stage of the list has it.</exception>
    public static IStage Of(StageId id) => All.First(s => s.Id == id);
}
