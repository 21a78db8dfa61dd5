using Corrie.Core.Findings;
using Corrie.Core.Planning;
using Corrie.Core.WholePlan;

namespace Corrie.Web.Stages.WholePlan;

/// <summary>The plan as a whole asks nothing: overrides are entered at the stop that they are for.</summary>
public sealed class WholePlanView : StageView
{
    /// <inheritdoc/>
    public override StageId Stage => WholePlanFindings.Stage;

    /// <inheritdoc/>
    public override IReadOnlyList<Part> Parts => [];
}
