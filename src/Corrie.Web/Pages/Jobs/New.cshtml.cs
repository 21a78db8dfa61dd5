using System.Text.Json.Nodes;
using Corrie.Core.Fixing;
using Corrie.Core.Format;
using Corrie.Core.Hanging;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Core.SiteDay;
using Corrie.Data;
using Corrie.Web.Access;
using Corrie.Web.Jobs;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Corrie.Web.Pages.Jobs;

/// <summary>Starts a job: from a wall's size, from a like job, or from a file.</summary>
[Authorize(nameof(Permission.StartJobs))]
public sealed class NewModel(CurrentUser user) : PageModel
{
    private const int LongestSite = 200;

    /// <summary>What the crew calls the wall.</summary>
    [BindProperty]
    public string? Title { get; set; }

    /// <summary>Corner to corner, as typed.</summary>
    [BindProperty]
    public string? Width { get; set; }

    /// <summary>Floor to ceiling, as typed.</summary>
    [BindProperty]
    public string? Height { get; set; }

    /// <summary>Units of the job.</summary>
    [BindProperty]
    public string JobUnits { get; set; } = "in";

    /// <summary>The company's number.</summary>
    [BindProperty]
    public string? Number { get; set; }

    /// <summary>The site; 0 for another one.</summary>
    [BindProperty]
    public long? SiteId { get; set; }

    /// <summary>The other site's name.</summary>
    [BindProperty]
    public string? SiteName { get; set; }

    /// <summary>Sites to choose from.</summary>
    public IReadOnlyList<Site> Sites { get; private set; } = [];

    /// <summary>Jobs to copy.</summary>
    public IReadOnlyList<JobRow> Earlier { get; private set; } = [];

    /// <summary>What is wrong with what was typed.</summary>
    public IReadOnlyList<string> Problems { get; private set; } = [];

    /// <summary>Shows the form.</summary>
    public void OnGet() => Load();

    /// <summary>Starts from a wall's size.</summary>
    public async Task<IActionResult> OnPostAsync()
    {
        Load();
        var units = JobUnits == "mm" ? "mm" : "in";
        var document = JobFile.New(Number?.Trim() ?? string.Empty, Title?.Trim() ?? string.Empty, string.Empty, units);
        var problems = new List<string>();
        foreach (var (path, typed, label) in new[] { ("/walls/w1/width", Width, "Corner to corner"), ("/walls/w1/height", Height, "Floor to ceiling") })
        {
            if (string.IsNullOrWhiteSpace(typed))
            {
                continue;
            }

            var value = JobForm.At(path)!.Take(typed, units == "mm" ? UnitSystem.Millimetres : UnitSystem.Inches, out var problem);
            if (problem is not null)
            {
                problems.Add($"{label}: {problem}");
            }
            else
            {
                Pointer.Set(document, path, value);
            }
        }

        if (SiteName is { Length: > LongestSite })
        {
            problems.Add($"Site: the name has {SiteName.Length} characters. Expected: at most {LongestSite}.");
        }

        if (SiteId is 0 or null && string.IsNullOrWhiteSpace(SiteName))
        {
            problems.Add("Site: choose one, or name another. Expected: a name such as Tarn Hall.");
        }

        problems.AddRange(JobForm.Read(document).Problems.Select(p => p.ToString()));
        if (problems.Count > 0)
        {
            return Refuse(problems);
        }

        var siteId = SiteId is > 0 && Sites.Any(s => s.Id == SiteId) ? SiteId.Value : user.Company.Jobs.AddSite(SiteName?.Trim() is { Length: > 0 } name ? name : "Site", string.Empty, string.Empty);
        return await StartAsync(siteId, document);
    }

    /// <summary>Copies an earlier job, without what belongs to that job alone.</summary>
    public async Task<IActionResult> OnPostLikeAsync(long like)
    {
        Load();
        if (user.Open(like) is not { } job)
        {
            return Refuse(["The job to copy is not there any more."]);
        }

        var document = (JsonObject)job.Ledger.Document.DeepClone();
        foreach (var item in job.Plan.Sheet.Items)
        {
            // Consent, holes and figures of others are of that wall.
            Pointer.Set(document, item.Here.Pointer + "/place/approval", null);
            Pointer.Set(document, $"{item.Here.Pointer}/{Built.Part.Name}", null);
            Pointer.Set(document, $"{item.Here.Pointer}/{FixingEvidence.Part.Name}", null);
        }

        foreach (var wall in job.Plan.Sheet.Walls)
        {
            Pointer.Set(document, wall.Here.Pointer + "/scan", null);
        }

        // A new job takes the company's figures of today.
        Pointer.Set(document, "/policy", null);
        Pointer.Set(document, Override.Place, null);
        Pointer.Set(document, "/" + OpenChoice.Part.Name, null);
        Pointer.Set(document, "/job/archived", null);
        Pointer.Set(document, "/job/number", JsonValue.Create(string.Empty));
        Pointer.Set(document, "/job/title", JsonValue.Create($"Like {job.Plan.Sheet.Head.Title}"));
        if (JobForm.Read(document).Problems is { Count: > 0 } wrong)
        {
            return Refuse([.. wrong.Take(8).Select(p => p.ToString())]);
        }

        return await StartAsync(job.Row.Site.Id, document);
    }

    /// <summary>Imports a job file.</summary>
    public async Task<IActionResult> OnPostImportAsync(IFormFile? file)
    {
        Load();
        if (file is null || file.Length > JobFile.Longest)
        {
            return Refuse([file is null ? "No file was chosen." : $"The file has {file.Length} bytes. Expected: at most {JobFile.Longest}."]);
        }

        using var text = new StreamReader(file.OpenReadStream());
        var (document, problem) = JobFile.Parse(await text.ReadToEndAsync());
        if (document is null)
        {
            return Refuse([problem!.ToString()]);
        }

        var (_, problems) = JobForm.Read(document);
        if (problems.Count > 0)
        {
            return Refuse([.. problems.Take(8).Select(p => p.ToString())]);
        }

        Overriding.KeepOwn(user, document);
        return await StartAsync(JobDesk.SiteOf(user.Company, document), document);
    }

    private void Load()
    {
        Sites = user.Company.Jobs.Sites();
        Earlier = user.Company.Jobs.List(new(PerPage: 100)).Jobs;
        SiteId ??= Sites.Count > 0 ? Sites[0].Id : 0;
    }

    private PageResult Refuse(IReadOnlyList<string> problems)
    {
        Problems = problems;
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }

    private async Task<IActionResult> StartAsync(long siteId, JsonObject document)
    {
        var id = await JobStart.StartAsync(user.Company, siteId, document, user.SignIn, "page");
        // A job opens at what it needs first; a wall that nobody has looked at is looked at from behind.
        var next = user.Open(id)!.Plan.Next?.Stage.Step ?? WorkStep.Place;
        return Redirect($"/jobs/{id}/{next.Word}?view={(next == WorkStep.Survey ? "behind" : "front")}");
    }
}
