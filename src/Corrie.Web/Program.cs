using Corrie.Data;
using Corrie.Web;
using Corrie.Web.Access;
using Corrie.Web.Api;
using Corrie.Web.Demo;
using Corrie.Web.Jobs;
using Corrie.Web.Pages;
using Corrie.Web.Watch;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.Http.Features;
using Microsoft.AspNetCore.Mvc.Formatters;
using Microsoft.AspNetCore.Mvc.ModelBinding;
using Microsoft.AspNetCore.ResponseCompression;

// Photos of 20 MB, and what a form has beside them.
const int mostBytes = 24 * 1024 * 1024;
const int mostConnections = 2000;

var builder = WebApplication.CreateBuilder(args);
var data = Path.GetFullPath(builder.Configuration["Data"] ?? "data");
if (DataFolder.Lock(data) is not { } folder)
{
    Console.Error.WriteLine($"Another Corrie uses the data folder '{data}'. Two would not know of each other's entries: stop that one first, or give this one another folder (--Data FOLDER).");
    return 1;
}

builder.WebHost.ConfigureKestrel(kestrel =>
{
    kestrel.AddServerHeader = false;
    kestrel.Limits.MaxRequestBodySize = mostBytes;
    kestrel.Limits.MaxConcurrentConnections = mostConnections;
});
// Let go after all that writes there has ended.
builder.Services.AddSingleton(_ => folder);
builder.Services.AddSingleton(TimeProvider.System);
builder.Services.AddSingleton(services => new Companies(services.GetRequiredService<DataFolder>().Path, services.GetRequiredService<TimeProvider>()));
builder.AddLogs();
Health.Add(builder.Services);
builder.Services.AddSingleton<Metrics>();
builder.Services.AddHostedService<IdleMemory>();
builder.Services.AddSingleton<LiveJobs>();
builder.Services.AddSingleton<BoardPieces>();
builder.Services.AddHttpContextAccessor();
builder.Services.AddMemoryCache();
builder.Services.AddAccess(data);
// Cookies are same-site, so that no other site can have a user's pages compressed together with its own words.
builder.Services.AddResponseCompression(compression =>
{
    compression.EnableForHttps = true;
    compression.Providers.Add<WholeBrotli>();
    compression.Providers.Add<GzipCompressionProvider>();
});
builder.Services.AddOutputCache(cache =>
{
    cache.SizeLimit = 16 * 1024 * 1024;
    cache.AddPolicy(WallCache.Policy, new WallCache());
});
builder.Services.Configure<FormOptions>(forms => forms.MultipartBodyLengthLimit = mostBytes);
builder.Services.Configure<RouteOptions>(routes =>
{
    routes.SetParameterPolicy<StepConstraint>("step");
    routes.SetParameterPolicy<KindConstraint>("kind");
});
builder.Services.AddRazorPages().AddMvcOptions(mvc =>
{
    mvc.Filters.Add<KnownHandlers>();
    // Brackets in names mean nothing here, and half of a pair would be an exception.
    mvc.ValueProviderFactories.RemoveType<JQueryFormValueProviderFactory>();
    mvc.ValueProviderFactories.RemoveType<JQueryQueryStringValueProviderFactory>();
});
builder.Services.AddOpenApi(JobsApi.Describe);
builder.Services.Configure<RouteHandlerOptions>(routes => routes.ThrowOnBadRequest = false);

var app = builder.Build();
if (app.Configuration.GetValue<bool>("Demo"))
{
    TarnHall.Load(app.Services.GetRequiredService<Companies>(), app.Services.GetRequiredService<Passwords>());
}

app.UseRequestLogs();
app.UseProxy();
app.UseHsts();
app.UseExceptionHandler("/error");
app.UseStatusCodePagesWithReExecute("/error", "?status={0}");
app.UseWhen(context => context.Request.Path.StartsWithSegments(JobsApi.AnyVersion), api =>
{
    api.UseExceptionHandler(failed => failed.Run(JobsApi.SayFailure));
    api.UseStatusCodePages(JobsApi.SayStatus);
});
app.Use((context, next) =>
{
    // The page that says what went wrong is shown as if it had been asked for: what was sent may be what went wrong.
    if (context.Features.Get<IStatusCodeReExecuteFeature>() is not null || context.Features.Get<IExceptionHandlerFeature>() is not null)
    {
        (context.Request.Method, context.Request.ContentType, context.Request.ContentLength) = (HttpMethods.Get, null, null);
    }

    var headers = context.Response.Headers;
    headers.ContentSecurityPolicy = "default-src 'self'; object-src 'none'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'";
    headers.XContentTypeOptions = "nosniff";
    headers["Referrer-Policy"] = "same-origin";
    // What is not said to be kept is for the one who asked, now.
    headers.CacheControl = "no-store";
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
        await (context.Request.Path.StartsWithSegments(JobsApi.AnyVersion) ? JobsApi.Damaged(e.Message) : Results.Redirect($"/jobs/{e.Job}/history")).ExecuteAsync(context);
    }
    catch (Exception e) when (e is BadHttpRequestException or InvalidDataException && !context.Response.HasStarted)
    {
        // A body that is not what it says, or breaks off, is the sender's matter.
        context.Response.StatusCode = (e as BadHttpRequestException)?.StatusCode ?? StatusCodes.Status400BadRequest;
    }
    catch (Exception e) when (StorageTrouble.Words(e) is { } words && !context.Response.HasStarted)
    {
        await ErrorModel.SayTroubleAsync(context, words, e);
    }
});
app.UseAuthentication();
app.UseRateLimiter();
app.UseAuthorization();
app.UseAntiforgery();
app.UseOutputCache();
app.UseResponseCompression();
app.MapStaticAssets().AllowAnonymous();
app.MapRazorPages().WithStaticAssets();
app.MapOpenApi().RequireAuthorization();
JobsApi.Map(app);
JobEvents.Map(app);
Health.Map(app);
_ = app.Services.GetRequiredService<Metrics>();
app.Lifetime.ApplicationStarted.Register(() => app.Logger.LogInformation(
    "Corrie listens on {Addresses}; data lies in {Data}, and so do the keys that seal cookies, unencrypted: whoever reads that folder can sign in as anybody.", app.Urls, data));
app.Run();
return 0;

/// <summary>The web application; named so that tests can start it.</summary>
public partial class Program;
