using Corrie.Core.Planning;
using Corrie.Web.Stages.Feeds;
using Corrie.Web.Stages.Fixing;
using Corrie.Web.Stages.Hanging;
using Corrie.Web.Stages.Masonry;
using Corrie.Web.Stages.Placement;
using Corrie.Web.Stages.SiteDay;
using Corrie.Web.Stages.Survey;
using Corrie.Web.Stages.WholePlan;

namespace Corrie.Web.Stages;

/// <summary>The views of the stages, in the stages' order. A stage that shows no more than its form and its marks has none of its own.</summary>
public static class StageViews
{
    private static readonly IReadOnlyList<StageView> Own = [new SurveyView(), new PlacementView(), new HangingView(), new MasonryView(), new FixingView(), new FeedView(), new SiteView(), new WholePlanView()];

    /// <summary>A view for every stage.</summary>
    public static IReadOnlyList<StageView> All { get; } = [.. Core.Jobs.Stages.All.Select(s => Own.FirstOrDefault(v => v.Stage == s.Id) ?? StageView.Of(s))];

    /// <summary>The views of the stages of a step.</summary>
    public static IReadOnlyList<StageView> Of(WorkStep step) => [.. All.Where(v => Core.Jobs.Stages.Of(v.Stage).Step == step)];
}
