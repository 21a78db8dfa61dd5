using Corrie.Data;
using Corrie.Web.Access;
using Corrie.Web.Pages.Wall;
using Microsoft.AspNetCore.OutputCaching;

namespace Corrie.Web.Jobs;

/// <summary>
/// Keeps a wall page as it was written for one reader, for as long as the job has not moved on. Turning the wall round, going back and
/// forth between steps and opening the page again then cost nothing; every entry makes new pages. Most pages are asked for once and never again:
/// one is kept from the second time on, for keeping it costs a quarter of writing it.
/// </summary>
public sealed class WallCache : IOutputCachePolicy
{
    /// <summary>Name of the policy.</summary>
    public const string Policy = "wall";

    // 'Two minutes ago' is written on the page, so it may not get old.
    private static readonly TimeSpan Oldest = TimeSpan.FromSeconds(20);
    private const int MostAsked = 2000;
    private readonly RecentlyUsed<string, string> asked = new(MostAsked);

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

        var who = $"{user.Company.Key}/{user.SignIn}/{user.RoleWords}/{user.SiteId}/{user.Units}/{Light.Of(http)}";
        var view = IndexModel.ViewBefore(http.Request) ?? string.Empty;
        var form = http.Request.Cookies[AccessSetup.FormCookie] ?? string.Empty;
        var what = $"{seq}/{user.Company.Catalogue.Changes}/{user.Company.Policies.Read().Version}";
        var page = string.Join('\n', http.Request.Path, http.Request.QueryString, http.Request.Headers["HX-Request"], http.Request.Headers.AcceptEncoding, who, view, form, what);
        context.EnableOutputCaching = asked.Find(page) is not null;
        asked.Set(page, page);
        context.AllowCacheLookup = context.AllowCacheStorage = context.AllowLocking = true;
        context.ResponseExpirationTimeSpan = Oldest;
        var vary = context.CacheVaryByRules;
        vary.QueryKeys = "*";
        vary.HeaderNames = new(["HX-Request", "Accept-Encoding"]);
        foreach (var (name, value) in new[] { ("who", who), ("view", view), ("form", form), ("what", what) })
        {
            vary.VaryByValues[name] = value;
        }

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
