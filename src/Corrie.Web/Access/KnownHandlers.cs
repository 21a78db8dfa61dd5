using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.Filters;

namespace Corrie.Web.Access;

/// <summary>Refuses what no page answers: without it a page that has no handler for a method would be written with nothing to show.</summary>
public sealed class KnownHandlers : IPageFilter
{
    /// <inheritdoc/>
    public void OnPageHandlerSelected(PageHandlerSelectedContext context)
    {
    }

    /// <inheritdoc/>
    public void OnPageHandlerExecuting(PageHandlerExecutingContext context)
    {
        if (context.HandlerMethod is null && (context.ActionDescriptor.HandlerMethods.Count > 0 || !(HttpMethods.IsGet(context.HttpContext.Request.Method) || HttpMethods.IsHead(context.HttpContext.Request.Method))))
        {
            context.Result = new StatusCodeResult(StatusCodes.Status405MethodNotAllowed);
        }
    }

    /// <inheritdoc/>
    public void OnPageHandlerExecuted(PageHandlerExecutedContext context)
    {
    }
}
