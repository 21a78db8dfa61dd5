using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Data;
using Corrie.Web.Access;
using Corrie.Web.Jobs;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.OpenApi;

namespace Corrie.Web.Api;

/// <summary>Who signs in.</summary>
/// <param name="Company">Short name of the company; may be left out where there is one only.</param>
/// <param name="Name">Name.</param>
/// <param name="Password">Password.</param>
public sealed record SignInBody(string? Company, string Name, string Password);

/// <summary>An entry as a program sends it.</summary>
/// <param name="Id">Unique name, made by the sender: sending it again does nothing again.</param>
/// <param name="Path">JSON Pointer into the sheet.</param>
/// <param name="Value">The new value; null takes the part away.</param>
/// <param name="Replaces">The entries that it replaces. Left out, it replaces what stands there now.</param>
/// <param name="Undoes">The batch that it takes back.</param>
/// <param name="TakenAt">When it was entered.</param>
public sealed record EntryBody(string? Id, string? Path, JsonNode? Value, IReadOnlyList<string>? Replaces, string? Undoes, DateTimeOffset? TakenAt);

/// <summary>An entry as it stands.</summary>
/// <param name="Id">Unique name.</param>
/// <param name="Seq">Its place.</param>
/// <param name="Batch">Entries taken back together.</param>
public sealed record EntryMade(string Id, long Seq, string Batch);

/// <summary>The interface for programs: the same sheet, plan and entries as the pages show.</summary>
public static class JobsApi
{
    /// <summary>Where jobs are.</summary>
    public const string JobsAddress = Root + "/jobs";

    /// <summary>Where a file is planned.</summary>
    public const string PlanAddress = Root + "/plan";

    /// <summary>Where all versions of the interface are.</summary>
    public const string AnyVersion = "/api";

    private const string Root = AnyVersion + "/v1";
    private const int MostEntries = 200;

    /// <summary>Titles the description of the interface.</summary>
    public static void Describe(OpenApiOptions options) => options.AddDocumentTransformer((document, _, _) =>
    {
        document.Info.Title = "Corrie";
        document.Info.Description = "Job files in, job plans out. Sign in at /api/v1/sign-in and keep the cookie. The form of a job file: /api/v1/job.schema.json.";
        return Task.CompletedTask;
    });

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var api = app.MapGroup(Root).WithTags("jobs");
        api.MapPost("/sign-in", SignIn).AllowAnonymous().WithSummary("Sign in; the answer sets a cookie.");
        api.MapGet("/job.schema.json", () => TypedResults.Content(JobFile.Write(JobForm.JsonSchema()), "application/schema+json"))
            .AllowAnonymous().WithSummary("JSON Schema of the job file.");
        api.MapPost("/plan", Plan).RequireAuthorization(nameof(Permission.ReadJobs)).WithSummary("Plan a job file without keeping it.").Accepts<JsonNode>("application/json");
        api.MapGet("/jobs", List).RequireAuthorization(nameof(Permission.ReadJobs)).WithSummary("Jobs, the last moved first.");
        api.MapPost("/jobs", Import).RequireAuthorization(nameof(Permission.StartJobs)).WithSummary("Start a job from a job file.").Accepts<JsonNode>("application/json");
        api.MapGet("/jobs/{id:long}/file", File).RequireAuthorization(nameof(Permission.ReadJobs)).WithSummary("The job file.");
        api.MapGet("/jobs/{id:long}/plan", PlanOf).RequireAuthorization(nameof(Permission.ReadJobs)).WithSummary("The plan.");
        api.MapGet("/jobs/{id:long}/entries", Entries).RequireAuthorization(nameof(Permission.ReadJobs)).WithSummary("Entries after a place.");
        api.MapPost("/jobs/{id:long}/entries", Append).RequireAuthorization(nameof(Permission.EditJobs)).WithSummary("Append the entries of one submit, together or not at all.");
    }

    /// <summary>Says that something went wrong here, in the form of all answers of the interface.</summary>
    public static Task SayFailure(HttpContext context) =>
        Wrong("Something went wrong here, and has been noted on the server. Nothing of the request was taken that is not in a later answer.", StatusCodes.Status500InternalServerError).ExecuteAsync(context);

    /// <summary>Gives an answer that has a status and no words its words.</summary>
    public static Task SayStatus(Microsoft.AspNetCore.Diagnostics.StatusCodeContext context)
    {
        var status = context.HttpContext.Response.StatusCode;
        return Wrong(
            status switch
            {
                StatusCodes.Status400BadRequest => "The body is not the JSON that is expected here; see /openapi/v1.json.",
                StatusCodes.Status401Unauthorized => "Nobody is signed in. Sign in at /api/v1/sign-in and keep the cookie.",
                StatusCodes.Status403Forbidden => "Your role does not allow this.",
                StatusCodes.Status404NotFound => "There is no such job or address, or it is not yours to see.",
                StatusCodes.Status405MethodNotAllowed => "This address does not take that method; see /openapi/v1.json.",
                StatusCodes.Status413PayloadTooLarge => "That is more than is taken at once.",
                StatusCodes.Status415UnsupportedMediaType => "Send application/json.",
                StatusCodes.Status429TooManyRequests => "That is too much at once. Wait a little and send it again.",
                _ => "That did not work.",
            },
            status).ExecuteAsync(context.HttpContext);
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> SignIn(SignInBody body, Companies companies, SignIns signIns, HttpContext context)
    {
        var key = body.Company ?? (companies.Keys is [var only] ? only : string.Empty);
        if (companies.Refusal(key) is { } refusal)
        {
            return Wrong(refusal, StatusCodes.Status409Conflict);
        }

        if (companies.Find(key) is not { } company)
        {
            return Wrong("There is no such company.", StatusCodes.Status401Unauthorized);
        }

        var result = await signIns.TryAsync(context, company, body.Name ?? string.Empty, body.Password ?? string.Empty);
        return result.Outcome == SignInOutcome.Welcome ? TypedResults.NoContent() : Wrong(result.Words, result.Status);
    }

    /// <summary>Says what is wrong with the server's disk.</summary>
    public static IResult SayTrouble(string words) => Wrong(words, StatusCodes.Status503ServiceUnavailable);

    /// <summary>Says that a job is damaged.</summary>
    public static IResult Damaged(string words) => Wrong($"This job is damaged, and only this one. {words}", StatusCodes.Status409Conflict);

    private static async Task<IResult> Plan(HttpRequest request, string? units)
    {
        var (document, refused) = await Body(request);
        if (document is null)
        {
            return refused!;
        }

        var (sheet, problems) = JobForm.Read(document);
        if (problems.Count > 0)
        {
            return Wrong(problems);
        }

        try
        {
            return Json(PlanFile.Write(Planner.Plan(sheet, budget: new(WorkBudget.OfAPlan, request.HttpContext.RequestAborted)), StyleOf(units, sheet.Head.Units), document));
        }
        catch (OverBudgetException e)
        {
            return Wrong(e.Message, StatusCodes.Status422UnprocessableEntity);
        }
    }

    private static IResult List(CurrentUser user, string? search, string? state, int? page)
    {
        JobDesk.Refresh(user.Company);
        var (jobs, total) = user.Company.Jobs.List(new(search ?? string.Empty, state, user.SiteId, Page: page ?? 1, Archived: true));
        return TypedResults.Ok(new
        {
            total,
            jobs = jobs.Select(j => new { j.Id, j.Summary.Number, j.Summary.Title, site = j.Site.Name, j.Summary.State, j.Summary.Stops, j.Summary.Cautions, next = j.Summary.NextStep, j.Seq }),
        });
    }

    private static async Task<IResult> Import(HttpRequest request, CurrentUser user)
    {
        var (document, refused) = await Body(request);
        if (document is null)
        {
            return refused!;
        }

        var (_, problems) = JobForm.Read(document);
        if (problems.Count > 0)
        {
            return Wrong(problems);
        }

        Overriding.KeepOwn(user, document);
        var id = await JobStart.StartAsync(user.Company, JobDesk.SiteOf(user.Company, document), document, user.SignIn, "api");
        return TypedResults.Created($"/api/v1/jobs/{id}/file", new { id });
    }

    private static IResult File(long id, CurrentUser user) => user.Open(id) is { } job
        ? TypedResults.File(Encoding.UTF8.GetBytes(JobFile.Write(job.Ledger.Document)), "application/json; charset=utf-8", NameOf(job))
        : TypedResults.NotFound();

    // What a person finds again in a folder: the job and the day it is of.
    private static string NameOf(OpenJob job)
    {
        var head = job.Plan.Sheet.Head;
        var words = string.Concat($"{head.Number} {head.Title}".Select(c => char.IsLetterOrDigit(c) ? c : ' ')).Split(' ', StringSplitOptions.RemoveEmptyEntries);
        return $"{(words.Length == 0 ? "job" : string.Join('-', words))} {job.Row.MovedAt:yyyy-MM-dd}.json";
    }

    private static IResult PlanOf(long id, string? units, CurrentUser user) => user.Open(id) is { } job
        ? Json(PlanFile.Write(job.Plan, StyleOf(units, job.Plan.Sheet.Head.Units), job.Ledger.Document))
        : TypedResults.NotFound();

    private static IResult Entries(long id, long? after, CurrentUser user) => user.Open(id) is { } job
        ? TypedResults.Ok(job.Ledger.Entries.Where(e => e.Seq > (after ?? 0)).Take(1000))
        : TypedResults.NotFound();

    private static async Task<IResult> Append(long id, [FromBody] List<EntryBody> entries, CurrentUser user)
    {
        if (entries.Count is 0 or > MostEntries)
        {
            return Wrong($"There are {entries.Count} entries. Expected: 1 to {MostEntries}.", StatusCodes.Status422UnprocessableEntity);
        }

        if (user.Open(id) is not { Ledger: var ledger })
        {
            return TypedResults.NotFound();
        }

        var taken = new List<NewEntry>(entries.Count);
        foreach (var entry in entries)
        {
            if (Refusal(ledger, entry, user) is { } refusal)
            {
                return refusal;
            }

            taken.Add(new(
                entry.Id!,
                entry.Path ?? string.Empty,
                entry.Value,
                entry.Replaces ?? (entry.Undoes is null ? ledger.HoldersOf(entry.Path!) : []),
                entry.Undoes,
                entry.TakenAt));
        }

        if (SheetChanges.WouldBeLeftOut(ledger.Document, [.. taken.Where(e => e.Undoes is null && ledger.Find(e.Id) is null).Select(e => new Change(e.Path, e.Value))]) is { Count: > 0 } wrong)
        {
            return Wrong(wrong);
        }

        IReadOnlyList<Entry>? made;
        try
        {
            made = await user.Company.Entries.Append(id, user.SignIn, "api", taken);
        }
        catch (EntryIdTakenException e)
        {
            return Wrong(e.Message, StatusCodes.Status409Conflict);
        }

        return made is null ? TypedResults.NotFound() : TypedResults.Ok(made.Select(e => new EntryMade(e.Id, e.Seq, e.Batch)));
    }

    private static ProblemHttpResult? Refusal(Ledger ledger, EntryBody entry, CurrentUser user)
    {
        if (entry?.Id is null)
        {
            return Wrong("An entry has no id. Expected: a unique id of 8 to 64 characters.", StatusCodes.Status422UnprocessableEntity);
        }

        if (EntryForm.Problem(entry.Id, entry.Path ?? string.Empty, entry.Replaces ?? [], entry.Undoes, entry.TakenAt, entry.Value) is { } malformed)
        {
            return Wrong(malformed, StatusCodes.Status422UnprocessableEntity);
        }

        if (entry.Undoes is { } batch)
        {
            var theirs = ledger.Entries.FirstOrDefault(e => e.Batch == batch);
            return theirs is null ? Wrong($"There is no batch '{batch}' to take back.", StatusCodes.Status422UnprocessableEntity)
                : theirs.Author != user.SignIn && !user.May(Permission.UndoOthers) ? Wrong("Only a lead takes back others' changes.", StatusCodes.Status403Forbidden)
                : theirs.Path.Length == 0 && theirs.Undoes is null ? Wrong("The sheet that a job began with is not taken back.", StatusCodes.Status422UnprocessableEntity)
                : Overriding.Refusal(user, ledger, batch) is { } barred ? Wrong(barred + ".", StatusCodes.Status403Forbidden)
                : null;
        }

        var document = ledger.Document;
        if (entry.Path is not { Length: > 0 } path || JobForm.At(path, document) is not { } shape)
        {
            return Wrong($"'{entry.Path}' leads nowhere in a job sheet. Expected: a JSON Pointer such as /items/d1/place/height.", StatusCodes.Status422UnprocessableEntity);
        }

        if (Overriding.Refusal(user, new(path, entry.Value), document) is { } overriding)
        {
            return Wrong(overriding + ".", user.May(Permission.OverrideStops) ? StatusCodes.Status422UnprocessableEntity : StatusCodes.Status403Forbidden);
        }

        var problems = new List<SheetProblem>();
        if (entry.Value is not null)
        {
            shape.Check(entry.Value, path, problems);
        }

        return problems.Count > 0 ? Wrong(problems) : null;
    }

    private static async Task<(JsonObject? Document, IResult? Refused)> Body(HttpRequest request)
    {
        if (!request.HasJsonContentType())
        {
            return (null, Wrong($"The body is '{request.ContentType}'. Expected: application/json.", StatusCodes.Status415UnsupportedMediaType));
        }

        if (request.ContentLength > JobFile.Longest)
        {
            return (null, Wrong($"The file has {request.ContentLength} bytes. Expected: at most {JobFile.Longest}.", StatusCodes.Status413PayloadTooLarge));
        }

        using var text = new StreamReader(request.Body);
        var (document, problem) = JobFile.Parse(await text.ReadToEndAsync());
        return (document, problem is null ? null : Wrong([problem]));
    }

    private static LengthStyle StyleOf(string? units, UnitSystem job) => new(units switch
    {
        "in" => UnitSystem.Inches,
        "mm" => UnitSystem.Millimetres,
        _ => job,
    });

    private static ContentHttpResult Json(JsonObject json) => TypedResults.Text(json.ToJsonString(JsonSerializerOptions.Web), "application/json");

    private static ProblemHttpResult Wrong(string words, int status) => TypedResults.Problem(words, statusCode: status, title: "Not taken");

    private static ProblemHttpResult Wrong(IReadOnlyList<SheetProblem> problems) => TypedResults.Problem(
        string.Join(" ", problems.Take(5).Select(p => p.ToString())),
        statusCode: StatusCodes.Status422UnprocessableEntity,
        title: "Not taken",
        extensions: new Dictionary<string, object?> { ["problems"] = problems.Take(50) });
}
