using Corrie.Data;
using Corrie.Web.Access;
using Corrie.Web.Pages.Wall;
using Microsoft.AspNetCore.OutputCaching;

namespace Corrie.Web.Jobs;

/// <summary>
/// Keeps a wall page as it was written for one reader, for as long as the job has not moved on. Turning the wall round, going back and
/// forth between steps and opening the page again then cost nothing; every entry makes new pages.
/// </summary>
public sealed class WallCache : IOutputCachePolicy
{
    /// <summary>Name of the policy.</summary>
    public const string Policy = "wall";

    // 'Two minutes ago' is written on the page, so it may not get old.
    private static readonly TimeSpan Oldest = TimeSpan.FromSeconds(20);

    /// <inheritdoc/>
    public ValueTask CacheRequestAsync(OutputCacheContext context, CancellationToken cancellation)
    {
        var http = context.HttpContext;
        var user = HttpMethods.IsGet(http.Request.Method) ? CurrentUser.Of(http, http.RequestServices.GetRequiredService<Companies>()) : null;
        if (user is null || !long.TryParse(http.Request.RouteValues["id"]?.ToString(), out var id) || SeqOf(user, id) is not { } seq)
        {
            context.EnableOutputCaching = false;
            return ValueTask.CompletedTask;
        }

        context.EnableOutputCaching = true;
        context.AllowCacheLookup = context.AllowCacheStorage = context.AllowLocking = true;
        context.ResponseExpirationTimeSpan = Oldest;
        var vary = context.CacheVaryByRules;
        vary.QueryKeys = "*";
        vary.HeaderNames = new(["HX-Request", "Accept-Encoding"]);
        vary.VaryByValues["who"] = $"{user.Company.Key}/{user.SignIn}/{user.Role}/{user.SiteId}/{user.Units}/{Light.Of(http)}";
        vary.VaryByValues["view"] = IndexModel.ViewBefore(http.Request) ?? string.Empty;
        vary.VaryByValues["form"] = http.Request.Cookies[AccessSetup.FormCookie] ?? string.Empty;
        vary.VaryByValues["what"] = $"{seq}/{user.Company.Catalogue.Changes}/{user.Company.Policies.Read().Version}";
        return ValueTask.CompletedTask;
    }

    /// <inheritdoc/>
    public ValueTask ServeFromCacheAsync(OutputCacheContext context, CancellationToken cancellation) => ValueTask.CompletedTask;

    /// <inheritdoc/>
    public ValueTask ServeResponseAsync(OutputCacheContext context, CancellationToken cancellation)
    {
        var response = context.HttpContext.Response;
        context.AllowCacheStorage &= response.StatusCode == StatusCodes.Status200OK && response.Headers.SetCookie.Count == 0;
        return ValueTask.CompletedTask;
    }

    // From memory, and not from the disk: that is what keeping pages is for. A damaged job has no page to keep.
    private static long? SeqOf(CurrentUser user, long id)
    {
        try
        {
            return user.Company.Entries.Read(id)?.Seq;
        }
        catch (DamagedJobException)
        {
            return null;
        }
    }
}
