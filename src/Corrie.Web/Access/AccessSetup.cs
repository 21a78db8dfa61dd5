using System.Net;
using Corrie.Data;
using Corrie.Web.Api;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.HttpOverrides;
using Microsoft.Extensions.Caching.Memory;
using Microsoft.Extensions.Options;

namespace Corrie.Web.Access;

/// <summary>Who comes in, how, and from where.</summary>
public static class AccessSetup
{
    /// <summary>The browser's half of the antiforgery token.</summary>
    public const string FormCookie = "corrie-form";

    private const string Both = "cookie or token";
    private static readonly TimeSpan Idle = TimeSpan.FromDays(14);

    /// <summary>Adds the services that know who somebody is and what they may do.</summary>
    public static void AddAccess(this IServiceCollection services, string data)
    {
        services.AddSingleton<Passwords>();
        services.AddSingleton<SignIns>();
        services.AddScoped(provider => provider.GetRequiredService<IHttpContextAccessor>().HttpContext is { } context &&
            CurrentUser.Of(context, provider.GetRequiredService<Companies>()) is { } user
                ? user
                : throw new InvalidOperationException("Nobody is signed in; a page or endpoint lacks its policy."));
        services.AddDataProtection().SetApplicationName("corrie").PersistKeysToFileSystem(new(Path.Combine(data, "keys")));
        services.AddAuthentication(Both)
            .AddPolicyScheme(Both, null, both => both.ForwardDefaultSelector = context => TokenSign.IsShown(context) ? TokenSign.SchemeName : CookieAuthenticationDefaults.AuthenticationScheme)
            .AddScheme<AuthenticationSchemeOptions, TokenSign>(TokenSign.SchemeName, null)
            .AddCookie(SetCookie);
        services.AddOptions<CookieAuthenticationOptions>(CookieAuthenticationDefaults.AuthenticationScheme)
            .PostConfigure<IMemoryCache>((cookie, memory) => cookie.TicketDataFormat = new RememberedTickets(cookie.TicketDataFormat, memory));
        services.AddAuthorization(SetPolicies);
        services.AddAntiforgery(antiforgery =>
        {
            antiforgery.HeaderName = "RequestVerificationToken";
            antiforgery.Cookie.Name = FormCookie;
            antiforgery.Cookie.SecurePolicy = CookieSecurePolicy.SameAsRequest;
        });
        services.AddSingleton<FormTokens>();
        services.AddScoped<FormToken>();
        services.AddRateLimiter(Limits.Set);
        services.AddHsts(hsts =>
        {
            hsts.MaxAge = TimeSpan.FromDays(365);
            // Whoever comes by TLS comes by TLS again, by whatever name.
            hsts.ExcludedHosts.Clear();
        });
    }

    /// <summary>Believes what a web server in front says of the caller, where its address is named in the setting <c>Proxy</c>; nobody else is believed.</summary>
    /// <exception cref="FormatException">The setting names no addresses.</exception>
    public static void UseProxy(this WebApplication app)
    {
        if (app.Configuration["Proxy"] is not { Length: > 0 } named)
        {
            return;
        }

        var options = new ForwardedHeadersOptions
        {
            ForwardedHeaders = ForwardedHeaders.XForwardedFor | ForwardedHeaders.XForwardedProto | ForwardedHeaders.XForwardedHost,
            AllowedHosts = [.. (app.Configuration["AllowedHosts"] ?? "*").Split(';', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)],
        };
        options.KnownProxies.Clear();
        options.KnownIPNetworks.Clear();
        foreach (var address in named.Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries))
        {
            if (System.Net.IPNetwork.TryParse(address, out var network))
            {
                options.KnownIPNetworks.Add(network);
            }
            else
            {
                options.KnownProxies.Add(IPAddress.TryParse(address, out var one) ? one
                    : throw new FormatException($"The setting Proxy names '{address}'. Expected: addresses of web servers in front, such as 127.0.0.1 or 10.0.0.0/24, with commas between."));
            }
        }

        app.UseForwardedHeaders(options);
    }

    private static void SetCookie(CookieAuthenticationOptions cookie)
    {
        cookie.LoginPath = "/sign-in";
        cookie.AccessDeniedPath = "/not-allowed";
        cookie.Cookie.Name = "corrie";
        cookie.Cookie.SameSite = SameSiteMode.Lax;
        cookie.Cookie.SecurePolicy = CookieSecurePolicy.SameAsRequest;
        cookie.ExpireTimeSpan = Idle;
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
    }

    private static void SetPolicies(AuthorizationOptions authorization)
    {
        foreach (var permission in Enum.GetValues<Permission>())
        {
            authorization.AddPolicy(permission.ToString(), policy => policy.RequireAuthenticatedUser().RequireAssertion(context =>
                context.Resource is HttpContext http && CurrentUser.Of(http, context.User, http.RequestServices.GetRequiredService<Companies>())?.May(permission) == true));
        }

        authorization.FallbackPolicy = new AuthorizationPolicyBuilder().RequireAuthenticatedUser().Build();
    }

    private static Task ApiOrPage(RedirectContext<CookieAuthenticationOptions> context, int status)
    {
        var scripted = context.Request.Headers.ContainsKey("HX-Request");
        if (scripted || context.Request.Path.StartsWithSegments(JobsApi.AnyVersion))
        {
            context.Response.StatusCode = status;
            if (scripted)
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
}
