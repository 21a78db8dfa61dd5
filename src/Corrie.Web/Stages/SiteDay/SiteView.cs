using Corrie.Core.Findings;
using Corrie.Core.Planning;
using Corrie.Core.SiteDay;

namespace Corrie.Web.Stages.SiteDay;

/// <summary>What has been made on site, and the way to the field sheet.</summary>
public sealed class SiteView : StageView
{
    /// <inheritdoc/>
    public override StageId Stage => SiteFindings.Stage;

    /// <inheritdoc/>
    public override IReadOnlyList<Part> Parts => [SettingOut.Part, LiftWay.Part, Handling.Part, Receipt.Part, EarlierInstall.Part, Visit.Part, ChangeOrder.Part, Incident.Part, ToolOut.Part, ClientSupplied.Part, Drying.Part, DayPlan.Part, Aftercare.Part];

    /// <inheritdoc/>
    public override string Fold(Part part) => part == Receipt.Part ? "Out of the box" : part == EarlierInstall.Part ? "Put up by somebody else" : part == Visit.Part ? "Visits" : part == ChangeOrder.Part ? "Change orders"
        : part == Incident.Part ? "Incidents" : part == ToolOut.Part ? "Tools, out and back" : part == ClientSupplied.Part ? "What the client supplies" : part == Drying.Part ? "What has to dry" : part == DayPlan.Part ? "Which comes first" : part == Aftercare.Part ? "To be looked at again" : part == LiftWay.Part ? "Where it is lifted" : part == Handling.Part ? "How it is gripped" : string.Empty;

    /// <inheritdoc/>
    public override string Prompt => "~/Stages/SiteDay/_Site.cshtml";
}
