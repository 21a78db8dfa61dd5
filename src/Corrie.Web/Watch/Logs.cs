using Serilog;
using Serilog.Core;
using Serilog.Events;
using Serilog.Formatting.Compact;

namespace Corrie.Web.Watch;

/// <summary>
/// What Corrie notes while it runs: a JSON object a line on standard output, each with the id of its request. People are noted by their keys, and
/// nothing that anybody has typed is.
/// </summary>
public static class Logs
{
    private const double SlowMilliseconds = 1000;
    private const string StreamEnd = "/events";

    /// <summary>Adds the logs; a sink among the services gets them too.</summary>
    public static void AddLogs(this WebApplicationBuilder builder) => builder.Services.AddSerilog((services, logs) => logs
        .MinimumLevel.Information()
        .MinimumLevel.Override("Microsoft", LogEventLevel.Warning)
        .MinimumLevel.Override("System", LogEventLevel.Warning)
        // That keys lie unencrypted is said at the start, in one line.
        .MinimumLevel.Override("Microsoft.AspNetCore.DataProtection", LogEventLevel.Error)
        // Every page with a form is not to be stored; that it says so as well is no news.
        .MinimumLevel.Override("Microsoft.AspNetCore.Antiforgery", LogEventLevel.Error)
        .ReadFrom.Services(services)
        .Enrich.FromLogContext()
        .Enrich.With<NoPaths>()
        .WriteTo.Console(new CompactJsonFormatter()), preserveStaticLogger: true);

    /// <summary>Notes requests that failed, were refused, or took long.</summary>
    public static void UseRequestLogs(this WebApplication app) => app.UseSerilogRequestLogging(requests =>
    {
        requests.Logger = app.Services.GetRequiredService<Serilog.ILogger>();
        requests.MessageTemplate = "{RequestMethod} {Route} answered {StatusCode} in {Elapsed:0} ms";
        requests.IncludeQueryInRequestPath = false;
        requests.GetLevel = (http, elapsed, failure) =>
            failure is not null || http.Response.StatusCode >= StatusCodes.Status500InternalServerError ? LogEventLevel.Error
            : http.Response.StatusCode is StatusCodes.Status403Forbidden or StatusCodes.Status429TooManyRequests ? LogEventLevel.Warning
            : elapsed > SlowMilliseconds && http.Request.Path.Value?.EndsWith(StreamEnd, StringComparison.Ordinal) != true ? LogEventLevel.Information
            : LogEventLevel.Debug;
        // Only the route and never the path: that may hold what somebody has typed.
        requests.EnrichDiagnosticContext = (diagnostic, http) => diagnostic.Set("Route", (http.GetEndpoint() as RouteEndpoint)?.RoutePattern.RawText ?? "no route");
        requests.GetMessageTemplateProperties = (http, _, elapsed, status) =>
        [
            new("RequestMethod", new ScalarValue(http.Request.Method.Length <= 10 ? http.Request.Method : "other")),
            new("StatusCode", new ScalarValue(status)),
            new("Elapsed", new ScalarValue(elapsed)),
        ];
    });

    // The framework adds the path of the request, in which somebody may have typed anything.
    private sealed class NoPaths : ILogEventEnricher
    {
        public void Enrich(LogEvent logEvent, ILogEventPropertyFactory propertyFactory) => logEvent.RemovePropertyIfPresent("RequestPath");
    }
}
