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
    public override IReadOnlyList<Part> Parts => [SettingOut.Part];

    /// <inheritdoc/>
    public override string Prompt => "~/Stages/SiteDay/_Site.cshtml";
}
