using System.Net.ServerSentEvents;
using Corrie.Data;
using Corrie.Web.Access;
using Corrie.Web.Api;
using Corrie.Web.Demo;
using Corrie.Web.Jobs;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.ResponseCompression;
using Microsoft.Extensions.Caching.Memory;

var builder = WebApplication.CreateBuilder(args);
var data = Path.GetFullPath(builder.Configuration["Data"] ?? "data");
Directory.CreateDirectory(data);

builder.WebHost.ConfigureKestrel(kestrel => kestrel.AddServerHeader = false);
builder.Services.AddSingleton(TimeProvider.System);
builder.Services.AddSingleton(services => new Companies(data, services.GetRequiredService<TimeProvider>()));
builder.Services.AddSingleton<Passwords>();
builder.Services.AddSingleton<LiveJobs>();
builder.Services.AddHttpContextAccessor();
builder.Services.AddMemoryCache();
builder.Services.AddScoped(services => services.GetRequiredService<IHttpContextAccessor>().HttpContext is { } context &&
    CurrentUser.Of(context, services.GetRequiredService<Companies>()) is { } user
        ? user
        : throw new InvalidOperationException("Nobody is signed in; a page or endpoint lacks its policy."));
builder.Services.AddDataProtection().SetApplicationName("corrie").PersistKeysToFileSystem(new(Path.Combine(data, "keys")));
builder.Services.AddAuthentication(CookieAuthenticationDefaults.AuthenticationScheme).AddCookie(cookie =>
{
    cookie.LoginPath = "/sign-in";
    cookie.AccessDeniedPath = "/not-allowed";
    cookie.Cookie.Name = "corrie";
    cookie.Cookie.SameSite = SameSiteMode.Lax;
    cookie.ExpireTimeSpan = TimeSpan.FromDays(14);
    cookie.Events.OnValidatePrincipal = context =>
    {
        if (CurrentUser.Of(context.HttpContext, context.Principal!, context.HttpContext.RequestServices.GetRequiredService<Companies>()) is null)
        {
            context.RejectPrincipal();
        }

        return Task.CompletedTask;
    };
    cookie.Events.OnRedirectToLogin = context => ApiOrPage(context, StatusCodes.Status401Unauthorized);
    cookie.Events.OnRedirectToAccessDenied = context => ApiOrPage(context, StatusCodes.Status403Forbidden);
});
builder.Services.AddOptions<CookieAuthenticationOptions>(CookieAuthenticationDefaults.AuthenticationScheme)
    .PostConfigure<IMemoryCache>((cookie, memory) => cookie.TicketDataFormat = new RememberedTickets(cookie.TicketDataFormat, memory));
builder.Services.AddAuthorization(authorization =>
{
    foreach (var permission in Enum.GetValues<Permission>())
    {
        authorization.AddPolicy(permission.ToString(), policy => policy.RequireAuthenticatedUser().RequireAssertion(context =>
            context.Resource is HttpContext http && CurrentUser.Of(http, context.User, http.RequestServices.GetRequiredService<Companies>())?.May(permission) == true));
    }

    authorization.FallbackPolicy = new AuthorizationPolicyBuilder().RequireAuthenticatedUser().Build();
});
builder.Services.AddAntiforgery(antiforgery =>
{
    antiforgery.HeaderName = "RequestVerificationToken";
    antiforgery.Cookie.Name = "corrie-form";
});
// Cookies are same-site, so that no other site can have a user's pages compressed together with its own words.
builder.Services.AddResponseCompression(compression => compression.EnableForHttps = true);
builder.Services.Configure<BrotliCompressionProviderOptions>(brotli => brotli.Level = System.IO.Compression.CompressionLevel.Fastest);
builder.Services.AddOutputCache(cache =>
{
    cache.SizeLimit = 16 * 1024 * 1024;
    cache.AddPolicy(WallCache.Policy, new WallCache());
});
builder.Services.Configure<RouteOptions>(routes =>
{
    routes.SetParameterPolicy<StepConstraint>("step");
    routes.SetParameterPolicy<KindConstraint>("kind");
});
builder.Services.AddScoped<FormToken>();
builder.Services.AddRazorPages();
builder.Services.AddOpenApi(JobsApi.Describe);
builder.Services.Configure<RouteHandlerOptions>(routes => routes.ThrowOnBadRequest = false);

var app = builder.Build();
if (app.Configuration.GetValue<bool>("Demo"))
{
    TarnHall.Load(app.Services.GetRequiredService<Companies>(), app.Services.GetRequiredService<Passwords>());
}

app.UseExceptionHandler("/error");
app.UseStatusCodePagesWithReExecute("/error", "?status={0}");
app.UseWhen(context => context.Request.Path.StartsWithSegments("/api"), api => api.UseStatusCodePages(JobsApi.SayStatus));
app.Use((context, next) =>
{
    var headers = context.Response.Headers;
    headers.ContentSecurityPolicy = "default-src 'self'; object-src 'none'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'";
    headers.XContentTypeOptions = "nosniff";
    headers["Referrer-Policy"] = "same-origin";
    return next(context);
});
app.Use(async (context, next) =>
{
    try
    {
        await next(context);
    }
    catch (DamagedJobException e) when (!context.Response.HasStarted)
    {
        // One damaged job costs that job alone: programs are told, people see its history.
        await (context.Request.Path.StartsWithSegments("/api") ? JobsApi.Damaged(e.Message) : Results.Redirect($"/jobs/{e.Job}/history")).ExecuteAsync(context);
    }
});
app.UseAuthentication();
app.UseAuthorization();
app.UseAntiforgery();
app.UseOutputCache();
app.UseResponseCompression();
app.MapStaticAssets().AllowAnonymous();
app.MapRazorPages().WithStaticAssets();
app.MapOpenApi().RequireAuthorization();
JobsApi.Map(app);
app.MapGet("/jobs/{id:long}/events", (long id, CurrentUser user, LiveJobs live, IHostApplicationLifetime life, HttpContext context) =>
    user.Find(id) is null
        ? Results.NotFound()
        : TypedResults.ServerSentEvents(Until(live, user.Company, id, life, context)))
    .RequireAuthorization(nameof(Permission.ReadJobs)).ExcludeFromDescription();
app.Run();

// Both the user leaving and the server stopping end a stream; without the second, stopping would wait for it.
static async IAsyncEnumerable<SseItem<string>> Until(LiveJobs live, Company company, long id, IHostApplicationLifetime life, HttpContext context)
{
    using var stop = CancellationTokenSource.CreateLinkedTokenSource(context.RequestAborted, life.ApplicationStopping);
    var stream = live.Follow(company, id, stop.Token).GetAsyncEnumerator(stop.Token);
    while (true)
    {
        try
        {
            if (!await stream.MoveNextAsync())
            {
                break;
            }
        }
        catch (OperationCanceledException)
        {
            break;
        }

        yield return stream.Current;
    }

    await stream.DisposeAsync();
}

static Task ApiOrPage(Microsoft.AspNetCore.Authentication.RedirectContext<CookieAuthenticationOptions> context, int status)
{
    if (context.Request.Path.StartsWithSegments("/api") || context.Request.Headers.ContainsKey("HX-Request"))
    {
        context.Response.StatusCode = status;
        if (context.Request.Headers.ContainsKey("HX-Request"))
        {
            context.Response.Headers["HX-Redirect"] = context.RedirectUri;
        }
    }
    else
    {
        context.Response.Redirect(context.RedirectUri);
    }

    return Task.CompletedTask;
}

/// <summary>The web application; named so that tests can start it.</summary>
public partial class Program;
