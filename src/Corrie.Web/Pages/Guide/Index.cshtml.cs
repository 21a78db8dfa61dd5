using Corrie.Core.Planning;
using Corrie.Web.Access;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Corrie.Web.Pages.Guide;

/// <summary>How a step of the work is done here, and what its words mean: one page a step.</summary>
[Authorize(nameof(Permission.ReadJobs))]
public sealed class IndexModel : PageModel
{
    /// <summary>The step's word in the address.</summary>
    [FromRoute(Name = "step")]
    public string Word { get; set; } = string.Empty;

    /// <summary>The step.</summary>
    public WorkStep Step => Core.Jobs.Stages.Steps.First(s => s.Word == Word);

    /// <summary>What is said of it.</summary>
    public GuideText Text => GuideText.Of(Step);
}
