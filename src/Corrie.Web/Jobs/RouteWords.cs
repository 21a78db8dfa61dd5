using Corrie.Core.Catalogue;

namespace Corrie.Web.Jobs;

/// <summary>In addresses: the word of a step of the page. The stages decide which there are.</summary>
public sealed class StepConstraint : IRouteConstraint
{
    /// <inheritdoc/>
    public bool Match(HttpContext? httpContext, IRouter? route, string routeKey, RouteValueDictionary values, RouteDirection routeDirection) =>
        values[routeKey]?.ToString() is { } word && Core.Jobs.Stages.Steps.Any(s => s.Word == word);
}

/// <summary>In addresses: the word of a kind of product.</summary>
public sealed class KindConstraint : IRouteConstraint
{
    /// <inheritdoc/>
    public bool Match(HttpContext? httpContext, IRouter? route, string routeKey, RouteValueDictionary values, RouteDirection routeDirection) =>
        ProductKinds.Of(values[routeKey]?.ToString()) is not null;
}
