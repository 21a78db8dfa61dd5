using Corrie.Core.Catalogue;
using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Data;
using Corrie.Web.Access;
using Corrie.Web.Jobs;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Corrie.Web.Pages.Catalogue;

/// <summary>Brings a table into the catalogue: what it would change is shown before anything is kept.</summary>
[Authorize(nameof(Permission.EditCatalogue))]
[RequestFormLimits(ValueLengthLimit = CatalogueCsv.MostBytes * 2, MultipartBodyLengthLimit = CatalogueCsv.MostBytes * 3)]
public sealed class ImportModel(CurrentUser user) : PageModel
{
    /// <summary>How many lines of a kind are listed at the most; all are counted.</summary>
    public const int Listed = 200;

    /// <summary>Which kind.</summary>
    [BindProperty(SupportsGet = true)]
    public string Kind { get; set; } = Display.Kind.Word;

    /// <summary>The table as text.</summary>
    [BindProperty]
    public string? Text { get; set; }

    /// <summary>The units of lengths without any: <c>in</c> or <c>mm</c>.</summary>
    [BindProperty(SupportsGet = true)]
    public string Units { get; set; } = "in";

    /// <summary>What the file would do; null before there is one.</summary>
    public CsvPreview? Preview { get; private set; }

    /// <summary>What was kept; null before.</summary>
    public (int Kept, IReadOnlyList<string> Refused)? Done { get; private set; }

    /// <summary>What is wrong with what was sent.</summary>
    public string? Problem { get; private set; }

    /// <summary>The kind of product.</summary>
    public ProductKind Sort => ProductKinds.Of(Kind)!;

    /// <summary>Headings that a file may have.</summary>
    public string Headings => "id, " + string.Join(", ", ((IGroup)Sort.Form).Members.Where(m => !Product.Besides.Contains(m.Name) && m.Name != "typical").Select(m => m.Name));

    /// <summary>The lines that would do something of a kind.</summary>
    public IReadOnlyList<CsvLine> Of(LineEffect effect) => [.. Preview!.Lines.Where(l => l.Effect == effect)];

    /// <summary>Shows the page.</summary>
    public void OnGet()
    {
    }

    /// <summary>Reads a file, and shows what it would do.</summary>
    public async Task<IActionResult> OnPostAsync(IFormFile? file)
    {
        var says = new List<string>();
        if (file is { Length: > 0 })
        {
            if (file.Length > CatalogueCsv.MostBytes)
            {
                Problem = $"The file has {file.Length / 1_000_000d:0.0} MB. Expected: at most {CatalogueCsv.MostBytes / 1_000_000} MB.";
                return Refused();
            }

            using var bytes = new MemoryStream();
            await file.CopyToAsync(bytes);
            Text = CatalogueCsv.Text(bytes.ToArray(), says);
        }

        if (string.IsNullOrWhiteSpace(Text))
        {
            Problem = "No file was chosen, and nothing was put in. Expected: a table with a heading over each column.";
            return Refused();
        }

        Preview = CatalogueCsv.Read(Text, Sort, user.Company.Catalogue.List(Kind), Units == "mm" ? UnitSystem.Millimetres : UnitSystem.Inches, says);
        return Preview.Problem is null ? Page() : Refused();
    }

    /// <summary>Keeps the lines that can be taken.</summary>
    public IActionResult OnPostKeep()
    {
        if (string.IsNullOrWhiteSpace(Text))
        {
            return BadRequest();
        }

        Preview = CatalogueCsv.Read(Text, Sort, user.Company.Catalogue.List(Kind), Units == "mm" ? UnitSystem.Millimetres : UnitSystem.Inches);
        var lines = Preview.Lines.Where(l => l.Effect is LineEffect.New or LineEffect.Changed).ToList();
        var keys = lines.Select(l => l.Item?.Id ?? $"{Kind[0]}-{Guid.NewGuid():N}"[..14]).ToList();
        var refused = user.Company.Catalogue.Save(Kind, [.. lines.Select((l, i) => (keys[i], l.Document!, l.Item?.Version ?? 0L))], user.SignIn);
        Done = (lines.Count - refused.Count, [.. lines.Where((_, i) => refused.Contains(keys[i])).Select(l => l.Name)]);
        return Page();
    }

    private PageResult Refused()
    {
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }
}
