using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Corrie.Web.Pages;

/// <summary>Says in plain words that something did not work.</summary>
[AllowAnonymous]
[IgnoreAntiforgeryToken]
public sealed class ErrorModel : PageModel
{
    /// <summary>What happened.</summary>
    public string Title { get; private set; } = "Something went wrong here";

    /// <summary>What it means and what to do.</summary>
    public string Words { get; private set; } = "It has been noted on the server. What you had saved before is safe; go back and try again.";

    /// <summary>Shows it.</summary>
    public void OnGet(int? status) => Say(status);

    /// <summary>Shows it after a form.</summary>
    public void OnPost(int? status) => Say(status);

    private void Say(int? status)
    {
        (Title, Words) = status switch
        {
            404 => ("There is no such page", "The job or page that you asked for is not here, or not yours to see."),
            403 => ("Not yours to do", "Your role does not allow this. Ask the office or a lead."),
            400 => ("That form could not be taken", "The page may have been open for too long. Go back, load it again and try once more; nothing was changed."),
            _ => (Title, Words),
        };
    }
}
