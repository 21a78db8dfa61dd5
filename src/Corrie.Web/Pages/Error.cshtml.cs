using Corrie.Web.Api;
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

    /// <summary>Answers with what is wrong with the server's disk: nothing of the request was kept, and reading goes on.</summary>
    public static async Task SayTroubleAsync(HttpContext context, string words, Exception trouble)
    {
        context.RequestServices.GetRequiredService<ILogger<ErrorModel>>().LogError(trouble, "The disk: {Words}", words);
        var all = $"{words} Nothing of what you sent was kept; reading goes on. Try again once it is mended.";
        context.Response.StatusCode = StatusCodes.Status503ServiceUnavailable;
        if (context.Request.Path.StartsWithSegments(JobsApi.AnyVersion))
        {
            await JobsApi.SayTrouble(all).ExecuteAsync(context);
        }
        else
        {
            context.Items[nameof(SayTroubleAsync)] = all;
        }
    }

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
            429 => ("That is too much at once", "Too many requests came from you in a short time. Wait a little and try again; nothing was changed."),
            413 => ("That is too large", "More was sent than is taken at once: photos may have 20 MB, job files 2 MB."),
            503 when HttpContext.Items[nameof(SayTroubleAsync)] is string trouble => ("That could not be kept", trouble),
            400 => ("That form could not be taken", "The page may have been open for too long. Go back, load it again and try once more; nothing was changed."),
            _ => (Title, Words),
        };
    }
}
