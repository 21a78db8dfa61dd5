using System.Net;
using Corrie.Data;
using Corrie.Web.Access;
using Corrie.Web.Demo;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.AspNetCore.Mvc.RazorPages.Infrastructure;
using Microsoft.AspNetCore.Routing;
using Microsoft.Extensions.DependencyInjection;

namespace Corrie.Web.Tests;

/// <summary>Every route of the program with everybody: whom it lets in, as the company wants it, written by hand. A route that is not in the table fails.</summary>
public sealed class RolesAndRoutesTests : IDisposable
{
    private const string Anybody = "nobody warden tom ed olive ines";
    private const string SignedIn = "warden tom ed olive ines";
    private const string Crew = "tom ed olive ines";
    private const string Planners = "olive ines";
    private const string Office = "olive";

    // A route as the code has it: where it is tried, and whom it lets in.
    private static readonly Dictionary<string, (string Address, string Whom)> Table = new()
    {
        ["GET /"] = ("/", SignedIn),
        ["GET /account"] = ("/account", SignedIn),
        ["GET /api/v1/jobs"] = ("/api/v1/jobs", SignedIn),
        ["GET /api/v1/jobs/{id:long}/entries"] = ("/api/v1/jobs/6/entries", SignedIn),
        ["GET /api/v1/jobs/{id:long}/file"] = ("/api/v1/jobs/6/file", SignedIn),
        ["GET /api/v1/jobs/{id:long}/plan"] = ("/api/v1/jobs/6/plan", SignedIn),
        ["GET /catalogue/{kind:kind=display}"] = ("/catalogue/display", Crew),
        ["GET /catalogue/{kind:kind=display}?handler=Csv"] = ("/catalogue/display?handler=Csv", Crew),
        ["GET /catalogue/{kind:kind}/import"] = ("/catalogue/display/import", Planners),
        ["POST /catalogue/{kind:kind}/import"] = ("/catalogue/display/import", Planners),
        ["POST /catalogue/{kind:kind}/import?handler=Keep"] = ("/catalogue/display/import?handler=Keep", Planners),
        ["GET /catalogue/{kind:kind}/{item}"] = ("/catalogue/mount/m-tilt24", Crew),
        ["GET /error"] = ("/error", Anybody),
        ["GET /figures"] = ("/figures", Planners),
        ["GET /guide/{step:step=survey}"] = ("/guide/fix", SignedIn),
        ["GET /health/live"] = ("/health/live", Anybody),
        ["GET /health/ready"] = ("/health/ready", Anybody),
        ["GET /jobs"] = ("/jobs", SignedIn),
        ["GET /jobs/new"] = ("/jobs/new", Planners),
        ["GET /jobs/{id:long}/events"] = ("/jobs/6/events", SignedIn),
        ["GET /jobs/{id:long}/calculation"] = ("/jobs/6/calculation", Crew),
        ["GET /jobs/{id:long}/field"] = ("/jobs/6/field", Crew),
        ["POST /jobs/{id:long}/field?handler=Done"] = ("/jobs/6/field?handler=Done", Crew),
        ["POST /jobs/{id:long}/field?handler=Hole"] = ("/jobs/6/field?handler=Hole", Crew),
        ["POST /jobs/{id:long}/field?handler=Level"] = ("/jobs/6/field?handler=Level", Crew),
        ["POST /jobs/{id:long}/field?handler=Checks"] = ("/jobs/6/field?handler=Checks", Crew),
        ["POST /jobs/{id:long}/field?handler=Proof"] = ("/jobs/6/field?handler=Proof", Crew),
        ["POST /jobs/{id:long}/field?handler=Hung"] = ("/jobs/6/field?handler=Hung", Crew),
        ["POST /jobs/{id:long}/field?handler=TestHole"] = ("/jobs/6/field?handler=TestHole", Crew),
        ["POST /jobs/{id:long}/field?handler=AsFound"] = ("/jobs/6/field?handler=AsFound", Crew),
        ["POST /jobs/{id:long}/field?handler=Gaps"] = ("/jobs/6/field?handler=Gaps", Crew),
        ["GET /jobs/{id:long}/connections"] = ("/jobs/6/connections", SignedIn),
        ["POST /jobs/{id:long}/connections?handler=Connect"] = ("/jobs/6/connections?handler=Connect", Crew),
        ["POST /jobs/{id:long}/connections?handler=Choose"] = ("/jobs/6/connections?handler=Choose", Crew),
        ["POST /jobs/{id:long}/connections?handler=Unplug"] = ("/jobs/6/connections?handler=Unplug", Crew),
        ["POST /jobs/{id:long}/connections?handler=Test"] = ("/jobs/6/connections?handler=Test", Crew),
        ["GET /jobs/{id:long}/labels"] = ("/jobs/6/labels", SignedIn),
        ["GET /jobs/{id:long}/hand-over"] = ("/jobs/6/hand-over", SignedIn),
        ["GET /jobs/{id:long}/in-wall"] = ("/jobs/6/in-wall", SignedIn),
        ["GET /jobs/{id:long}/electrician"] = ("/jobs/6/electrician", SignedIn),
        ["POST /jobs/{id:long}/day?handler=Done"] = ("/jobs/6/day?handler=Done", Crew),
        ["POST /jobs/{id:long}/day?handler=Open"] = ("/jobs/6/day?handler=Open", Crew),
        ["POST /jobs/{id:long}/day?handler=Photo"] = ("/jobs/6/day?handler=Photo", Crew),
        ["POST /jobs/{id:long}/day?handler=Piece"] = ("/jobs/6/day?handler=Piece", Crew),
        ["GET /jobs/{id:long}/day?handler=Piece"] = ("/jobs/6/day?handler=Piece", Crew),
        ["GET /mine"] = ("/mine", Crew),
        ["GET /jobs/{id:long}/changes"] = ("/jobs/6/changes", Crew),
        ["POST /jobs/{id:long}/changes?handler=Found"] = ("/jobs/6/changes?handler=Found", Crew),
        ["POST /jobs/{id:long}/changes?handler=Sign"] = ("/jobs/6/changes?handler=Sign", Crew),
        ["GET /jobs/{id:long}/picture"] = ("/jobs/6/picture?photo=p1", Crew),
        ["POST /jobs/{id:long}/picture?handler=Note"] = ("/jobs/6/picture?photo=p1&handler=Note", Crew),
        ["POST /jobs/{id:long}/picture?handler=Gone"] = ("/jobs/6/picture?photo=p1&handler=Gone", Crew),
        ["GET /jobs/{id:long}/day"] = ("/jobs/6/day", Crew),
        ["GET /jobs/{id:long}/share"] = ("/jobs/6/share", Crew),
        ["POST /jobs/{id:long}/share?handler=Care"] = ("/jobs/6/share?handler=Care", Crew),
        ["POST /jobs/{id:long}/share?handler=Done"] = ("/jobs/6/share?handler=Done", Crew),
        ["POST /jobs/{id:long}/share?handler=Link"] = ("/jobs/6/share?handler=Link", Planners),
        ["POST /jobs/{id:long}/share?handler=Revoke"] = ("/jobs/6/share?handler=Revoke", Planners),
        ["GET /invitation/{code}"] = ("/invitation/tarn.0", Anybody),
        ["POST /invitation/{code}"] = ("/invitation/tarn.0", Anybody),
        ["GET /handed-over/{code}"] = ("/handed-over/tarn.0", Anybody),
        ["GET /handed-over/{code}?handler=Paper"] = ("/handed-over/tarn.0?handler=Paper", Anybody),
        ["GET /handed-over/{code}?handler=File"] = ("/handed-over/tarn.0?handler=File", Anybody),
        ["POST /people?handler=Invite"] = ("/people?handler=Invite", Planners),
        ["POST /people?handler=Uninvite"] = ("/people?handler=Uninvite", Planners),
        ["POST /people?handler=Keep"] = ("/people?handler=Keep", Planners),
        ["POST /jobs/{id:long}/day?handler=Chain"] = ("/jobs/6/day?handler=Chain", Crew),
        ["POST /jobs/{id:long}/day?handler=Signed"] = ("/jobs/6/day?handler=Signed", Crew),
        ["POST /jobs/{id:long}/photo?handler=Holes"] = ("/jobs/6/photo?handler=Holes", Crew),
        ["GET /jobs/{id:long}/enclosure"] = ("/jobs/6/enclosure", SignedIn),
        ["GET /jobs/{id:long}/labels?handler=Paper"] = ("/jobs/6/labels?handler=Paper", SignedIn),
        ["GET /jobs/{id:long}/routes"] = ("/jobs/6/routes", Crew),
        ["GET /jobs/{id:long}/packing"] = ("/jobs/6/packing", SignedIn),
        ["GET /jobs/{id:long}/history"] = ("/jobs/6/history", SignedIn),
        ["GET /jobs/{id:long}/history?handler=Csv"] = ("/jobs/6/history?handler=Csv", Crew),
        ["GET /jobs/{id:long}/history?handler=Json"] = ("/jobs/6/history?handler=Json", Crew),
        ["GET /jobs/{id:long}/photo"] = ("/jobs/6/photo", SignedIn),
        ["GET /jobs/{id:long}/photo?handler=Composed"] = ("/jobs/6/photo?handler=Composed", SignedIn),
        ["GET /jobs/{id:long}/photo?handler=Squared"] = ("/jobs/6/photo?handler=Squared", SignedIn),
        ["GET /jobs/{id:long}/sheet"] = ("/jobs/6/sheet", SignedIn),
        ["GET /jobs/{id:long}/sheet?handler=Pdf"] = ("/jobs/6/sheet?handler=Pdf", SignedIn),
        ["GET /jobs/{id:long}/template"] = ("/jobs/6/template", SignedIn),
        ["GET /jobs/{id:long}/template?handler=Pdf"] = ("/jobs/6/template?handler=Pdf", SignedIn),
        ["GET /jobs/{id:long}/template?handler=Svg"] = ("/jobs/6/template?handler=Svg", SignedIn),
        ["GET /jobs/{id:long}/throw"] = ("/jobs/6/throw", Crew),
        ["GET /jobs/{id:long}/trip"] = ("/jobs/6/trip", Crew),
        ["POST /jobs/{id:long}/trip?handler=Add"] = ("/jobs/6/trip?handler=Add", Crew),
        ["POST /jobs/{id:long}/trip?handler=Remove"] = ("/jobs/6/trip?handler=Remove", Crew),
        ["GET /jobs/{id:long}/ways"] = ("/jobs/6/ways", Crew),
        ["GET /jobs/{id:long}/{step:step=place}"] = ("/jobs/6/place", SignedIn),
        ["GET /jobs/{id:long}/{step:step=place}?handler=Board"] = ("/jobs/6/place?handler=Board", SignedIn),
        ["GET /jobs/{id:long}/{step:step=place}?handler=Picture"] = ("/jobs/6/place?handler=Picture", SignedIn),
        ["GET /jobs/{id:long}/{step:step=place}?handler=Wall"] = ("/jobs/6/place?handler=Wall", SignedIn),
        ["GET /people"] = ("/people", Planners),
        ["GET /practice/{number:int=0}"] = ("/practice/2", SignedIn),
        ["GET /setup"] = ("/setup", Anybody),
        ["GET /sign-in"] = ("/sign-in", Anybody),
        ["GET /sign-out"] = ("/sign-out", SignedIn),
        ["GET /units"] = ("/units", SignedIn),
        ["POST /account"] = ("/account", SignedIn),
        ["POST /account?handler=SignOutAll"] = ("/account?handler=SignOutAll", SignedIn),
        ["POST /api/v1/jobs"] = ("/api/v1/jobs", Planners),
        ["POST /api/v1/jobs/{id:long}/entries"] = ("/api/v1/jobs/6/entries", Crew),
        ["POST /api/v1/plan"] = ("/api/v1/plan", SignedIn),
        ["POST /api/v1/sign-in"] = ("/api/v1/sign-in", Anybody),
        ["POST /jobs/{id:long}/photo"] = ("/jobs/6/photo", Crew),
        ["POST /catalogue/{kind:kind}/{item}"] = ("/catalogue/mount/m-tilt24", Planners),
        ["GET /catalogue/{kind:kind}/{item}?handler=Manual"] = ("/catalogue/mount/m-tilt24?handler=Manual", Crew),
        ["POST /catalogue/{kind:kind}/{item}?handler=Manual"] = ("/catalogue/mount/m-tilt24?handler=Manual", Planners),
        ["POST /catalogue/{kind:kind}/{item}?handler=Draw"] = ("/catalogue/mount/m-tilt24?handler=Draw", Planners),
        ["POST /error"] = ("/error", Anybody),
        ["POST /figures"] = ("/figures", Planners),
        ["POST /jobs?handler=Archive"] = ("/jobs?handler=Archive", Planners),
        ["POST /jobs?handler=Rename"] = ("/jobs?handler=Rename", Planners),
        ["POST /jobs/new"] = ("/jobs/new", Planners),
        ["POST /jobs/new?handler=Import"] = ("/jobs/new?handler=Import", Planners),
        ["POST /jobs/new?handler=Like"] = ("/jobs/new?handler=Like", Planners),
        ["POST /jobs/{id:long}/history?handler=SetAside"] = ("/jobs/6/history?handler=SetAside", Office),
        ["POST /jobs/{id:long}/{step:step=place}?handler=AddItem"] = ("/jobs/6/place?handler=AddItem", Crew),
        ["POST /jobs/{id:long}/{step:step=place}?handler=AddWall"] = ("/jobs/6/place?handler=AddWall", Crew),
        ["POST /jobs/{id:long}/{step:step=place}?handler=Answer"] = ("/jobs/6/place?handler=Answer", Crew),
        ["POST /jobs/{id:long}/{step:step=place}?handler=Approve"] = ("/jobs/6/place?handler=Approve", "warden " + Crew),
        ["POST /jobs/{id:long}/{step:step=place}?handler=BuildUp"] = ("/jobs/6/place?handler=BuildUp", Crew),
        ["POST /jobs/{id:long}/{step:step=place}?handler=Change"] = ("/jobs/6/place?handler=Change", Crew),
        ["POST /jobs/{id:long}/{step:step=place}?handler=Drag"] = ("/jobs/6/place?handler=Drag", Crew),
        ["POST /jobs/{id:long}/{step:step=place}?handler=Evidence"] = ("/jobs/6/place?handler=Evidence", Crew),
        ["POST /jobs/{id:long}/{step:step=place}?handler=Gaps"] = ("/jobs/6/place?handler=Gaps", Crew),
        ["POST /jobs/{id:long}/{step:step=place}?handler=Bring"] = ("/jobs/6/place?handler=Bring", Crew),
        ["POST /jobs/{id:long}/{step:step=place}?handler=Heat"] = ("/jobs/6/place?handler=Heat", Crew),
        ["POST /jobs/{id:long}/{step:step=place}?handler=Stone"] = ("/jobs/6/place?handler=Stone", Crew),
        ["POST /jobs/{id:long}/{step:step=place}?handler=Measure"] = ("/jobs/6/place?handler=Measure", Crew),
        ["POST /jobs/{id:long}/{step:step=place}?handler=Override"] = ("/jobs/6/place?handler=Override", Planners),
        ["POST /jobs/{id:long}/{step:step=place}?handler=Photo"] = ("/jobs/6/place?handler=Photo", Crew),
        ["POST /jobs/{id:long}/{step:step=place}?handler=Probed"] = ("/jobs/6/place?handler=Probed", Crew),
        ["POST /jobs/{id:long}/{step:step=place}?handler=Redo"] = ("/jobs/6/place?handler=Redo", Crew),
        ["POST /jobs/{id:long}/{step:step=place}?handler=Scan"] = ("/jobs/6/place?handler=Scan", Crew),
        ["POST /jobs/{id:long}/{step:step=place}?handler=Settle"] = ("/jobs/6/place?handler=Settle", Crew),
        ["POST /jobs/{id:long}/{step:step=place}?handler=Submit"] = ("/jobs/6/place?handler=Submit", Crew),
        ["POST /jobs/{id:long}/{step:step=place}?handler=Tap"] = ("/jobs/6/place?handler=Tap", Crew),
        ["POST /jobs/{id:long}/{step:step=place}?handler=TestHole"] = ("/jobs/6/place?handler=TestHole", Crew),
        ["POST /jobs/{id:long}/{step:step=place}?handler=Undo"] = ("/jobs/6/place?handler=Undo", Crew),
        ["POST /people"] = ("/people", Planners),
        ["POST /people?handler=Left"] = ("/people?handler=Left", Planners),
        ["POST /people?handler=Password"] = ("/people?handler=Password", Planners),
        ["POST /people?handler=Revoke"] = ("/people?handler=Revoke", Office),
        ["POST /people?handler=Role"] = ("/people?handler=Role", Planners),
        ["POST /people?handler=Seen"] = ("/people?handler=Seen", Planners),
        ["POST /people?handler=SignOutAll"] = ("/people?handler=SignOutAll", Planners),
        ["POST /people?handler=Token"] = ("/people?handler=Token", Office),
        ["POST /setup"] = ("/setup", Anybody),
        ["POST /sign-in"] = ("/sign-in", Anybody),
        ["POST /sign-out"] = ("/sign-out", SignedIn),
        ["POST /units"] = ("/units", SignedIn),
        // Where those end up who are not let in: it says so to everybody.
        ["GET /not-allowed"] = ("/not-allowed", ""),
        ["GET /openapi/{documentName}.json"] = ("/openapi/v1.json", SignedIn),
        ["GET /api/v1/job.schema.json"] = ("/api/v1/job.schema.json", Anybody),
    };

    private readonly Site site = new();
    private readonly Dictionary<string, HttpClient> clients = [];

    public void Dispose() => site.Dispose();

    [Fact]
    public async Task Every_route_has_an_expectation() => Assert.Equal(Table.Keys.Order(StringComparer.Ordinal), (await Routes()).Order(StringComparer.Ordinal));

    /// <summary>What is added is tried by the study that sends wrong requests.</summary>
    [Fact]
    public async Task Every_handler_is_tried_with_wrong_requests() =>
        Assert.Empty((await Routes()).Where(r => r.Contains("handler=", StringComparison.Ordinal)).Select(r => r[(r.IndexOf("handler=", StringComparison.Ordinal) + 8)..]).Distinct().Except(Corrie.Simulators.RequestFuzz.HandlersTried));

    [Fact]
    public async Task Every_route_lets_in_whom_it_should_and_nobody_else()
    {
        var company = site.Services.GetRequiredService<Companies>().Find(TarnHall.CompanyKey)!;
        company.People.Add("ed", "Ed Wray", Role.Electrician, company.People.Find("tom")!.PasswordHash);
        var wrong = new List<string>();
        foreach (var (route, (address, whom)) in Table)
        {
            foreach (var who in Anybody.Split(' '))
            {
                var answer = await Ask(who, route.Split(' ')[0], address);
                var refused = answer.StatusCode is HttpStatusCode.Unauthorized or HttpStatusCode.Forbidden ||
                    (answer.Headers.Location is { } to && !whom.Contains("nobody") && to.OriginalString is var text && (text.Contains("/not-allowed") || text.Contains("/sign-in?ReturnUrl")));
                // A password that is wrong is no refusal of the route.
                refused &= !route.EndsWith("sign-in", StringComparison.Ordinal);
                if (refused == whom.Split(' ').Contains(who) || (int)answer.StatusCode >= 500)
                {
                    wrong.Add($"{who}: {route} answered {(int)answer.StatusCode} {answer.Headers.Location}");
                }
            }
        }

        Assert.True(wrong.Count == 0, string.Join("; ", wrong));
    }

    private async Task<HttpResponseMessage> Ask(string who, string method, string address)
    {
        if (!clients.TryGetValue(who, out var client))
        {
            client = clients[who] = site.Nobody();
            if (who != "nobody")
            {
                await client.Post("/sign-in", "/sign-in", ("name", who), ("password", TarnHall.People.Single(p => p.SignIn == (who == "ed" ? "tom" : who)).Password));
            }
        }

        using var request = new HttpRequestMessage(new(method), address);
        if (method == "POST")
        {
            request.Content = address.StartsWith("/api", StringComparison.Ordinal)
                ? new StringContent("[]", null, "application/json")
                : new FormUrlEncodedContent([new("__RequestVerificationToken", await client.Token(who == "nobody" ? "/sign-in" : "/account")), new("id", "0")]);
        }

        var answer = await client.SendAsync(request, HttpCompletionOption.ResponseHeadersRead);
        if (address.Contains("sign-out") || address.Contains("SignOutAll"))
        {
            clients.Clear();
        }

        if (address.EndsWith("/events", StringComparison.Ordinal))
        {
            answer.Dispose();
        }

        return answer;
    }

    private async Task<IEnumerable<string>> Routes()
    {
        var routes = new HashSet<string>();
        var loader = site.Services.GetRequiredService<PageLoader>();
        foreach (var endpoint in site.Services.GetServices<EndpointDataSource>().SelectMany(s => s.Endpoints).OfType<RouteEndpoint>())
        {
            var route = "/" + endpoint.RoutePattern.RawText!.TrimStart('/');
            if (endpoint.Metadata.GetMetadata<PageActionDescriptor>() is { } page)
            {
                var handlers = (await loader.LoadAsync(page, endpoint.Metadata)).HandlerMethods.Select(h => $"{h.HttpMethod.ToUpperInvariant()} {route}{(h.Name is null ? string.Empty : "?handler=" + h.Name)}").ToList();
                routes.UnionWith(handlers.Count > 0 ? handlers : ["GET " + route]);
            }
            else if (!endpoint.Metadata.Any(m => m.GetType().Name.Contains("StaticAsset", StringComparison.Ordinal)) && !route.Contains("**", StringComparison.Ordinal))
            {
                routes.UnionWith((endpoint.Metadata.GetMetadata<HttpMethodMetadata>()?.HttpMethods ?? ["GET"]).Select(method => $"{method} {route}"));
            }
        }

        return routes;
    }
}
