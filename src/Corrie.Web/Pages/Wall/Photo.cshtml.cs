using System.Globalization;
using System.Text.Json.Nodes;
using Corrie.Core.Fixing;
using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Core.SiteDay;
using Corrie.Core.Survey;
using Corrie.Data;
using Corrie.Web.Access;
using Corrie.Web.Jobs;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Corrie.Web.Pages.Wall;

/// <summary>The wall's photo: squared by points whose places were measured, laid under the drawing, and with the plan laid over it.</summary>
[Authorize(nameof(Permission.ReadJobs))]
public sealed class PhotoModel(CurrentUser user) : WallPageModel(user)
{
    /// <summary>How many points the page asks for: four hold the picture, more are a check or a second rectangle.</summary>
    public const int Rows = 8;

    private const int Hold = 4;

    /// <summary>The photo; the one that is squared, or the first of the wall's, where nothing is said.</summary>
    [BindProperty(SupportsGet = true, Name = "photo")]
    public string? PhotoId { get; set; }

    /// <summary>The last entry that the page had when the points were set.</summary>
    [BindProperty]
    public long Seen { get; set; }

    /// <summary>What is set on the sheet.</summary>
    public SquaredChoice? Choice => Wall?.Get(SquaredChoice.Part);

    /// <summary>The photo that is looked at.</summary>
    public Photo? Photo => Survey?.Wall.Photos is not { Count: > 0 } photos ? null
        : photos.FirstOrDefault(p => p.Id == PhotoId) ?? photos.FirstOrDefault(p => p.Id == Choice?.Photo) ?? photos.FirstOrDefault(p => p.Of == "wall") ?? photos[0];

    /// <summary>Whether it is the photo that is squared.</summary>
    public bool IsSquared => Photo is not null && Choice?.Photo == Photo.Id && Squared?.ToWall is not null;

    /// <summary>How the squared photo lies on the wall.</summary>
    public SquaredPhoto? Squared => Wall is null ? null : SquaredPhoto.Of(Job.Plan, Wall.Id);

    /// <summary>The picture's size in pixels.</summary>
    public (int Width, int Height) Size { get; private set; }

    /// <summary>Whether the reader may change the sheet.</summary>
    public bool Edits => Reader.May(Permission.EditJobs);

    /// <summary>The address of the page, or of one of its pictures.</summary>
    public string At(string? handler = null) => $"/jobs/{Id}/photo?wall={Wall?.Id}&photo={Photo?.Id}" + (handler is null ? string.Empty : $"&handler={handler}&v={PlanOnPhoto.Version(Job.Plan, Wall!.Id)}-{Job.Ledger.Seq}");

    /// <summary>What a point's field shows: what was typed, or what is on the sheet.</summary>
    public string Shown(int row, string field)
    {
        if (Request.HasFormContentType)
        {
            return Request.Form[$"p{row}-{field}"].ToString();
        }

        var point = Choice?.Photo == Photo?.Id ? Choice?.Points.FirstOrDefault(p => p.Id == Key(row)) : null;
        // Where nothing is set the handles stand apart, each to be drawn onto its point.
        var (x, y) = point is null ? (new[] { .15, .15, .85, .85, .5, .35, .65, .5 }[row - 1], new[] { .2, .8, .8, .2, .5, .65, .35, .3 }[row - 1]) : (point.X, point.Y);
        return field switch
        {
            "x" => (100 * x).ToString("0.###", CultureInfo.InvariantCulture),
            "y" => (100 * y).ToString("0.###", CultureInfo.InvariantCulture),
            "across" => point is null ? string.Empty : LengthText.Exact(point.Across, Style.System),
            _ => point is null ? string.Empty : LengthText.Exact(point.Up, Style.System),
        };
    }

    /// <summary>Bolts whose holes can be shown on the squared photo, each with where its hole is seen, or where the plan has it: shares of the picture.</summary>
    public IReadOnlyList<(Item Mount, Bolt Bolt, string Key, double X, double Y)> Holes => !IsSquared || Wall is null ? [] :
        [.. Job.Plan.Sheet.ThingsOn(Wall).SelectMany(m => (Job.Plan.Fixing(m.Id)?.Bolts ?? []).Select(b => (Mount: m, Bolt: b, Key: SeenHole.KeyOf(m.Id, b.Number))))
            .Select(h => Choice!.Holes.FirstOrDefault(s => s.Id == h.Key) is { } seen ? (h.Mount, h.Bolt, h.Key, seen.X, seen.Y) : Squared!.ToWall!.Inverse.Map(h.Bolt.X.Inches, h.Bolt.Y.Inches) is var at ? (h.Mount, h.Bolt, h.Key, at.X, at.Y) : default)
            .Where(h => h.Item4 is >= 0 and <= 1 && h.Item5 is >= 0 and <= 1)];

    /// <summary>What the photo says of the holes that were drilled, those that are off first.</summary>
    public IReadOnlyList<SeenHole> HolesSeen => IsSquared && Wall is not null ? SeenHole.Of(Job.Plan, Wall) : [];

    /// <summary>Shows the page.</summary>
    public IActionResult OnGet() => Find() ? Page() : NotFound();

    /// <summary>The photo squared.</summary>
    public IActionResult OnGetSquared() => Find() && Wall is not null && PlanOnPhoto.Squared(Job.Plan, Wall.Id, Reader.Company.Photos) is { } picture ? Kept(picture) : NotFound();

    /// <summary>The plan on the photo.</summary>
    /// <param name="inside">Given: what is hidden in the wall, instead of what the client sees.</param>
    public IActionResult OnGetComposed(string? inside) =>
        Find() && Wall is not null && (inside is null ? PlanOnPhoto.Composed(Job.Plan, Wall.Id, Reader.Company.Photos) : PlanOnPhoto.Inside(Job.Plan, Wall.Id, Reader.Company.Photos)) is { } picture ? Kept(picture) : NotFound();

    /// <summary>Sets the points.</summary>
    public async Task<IActionResult> OnPostAsync()
    {
        if (!Find())
        {
            return NotFound();
        }

        if (!Edits)
        {
            return Forbid();
        }

        if (Wall is null || Photo is null)
        {
            return BadRequest();
        }

        var points = new List<PhotoPoint>();
        for (var row = 1; row <= Rows; row++)
        {
            var (across, up) = (Request.Form[$"p{row}-across"].ToString(), Request.Form[$"p{row}-up"].ToString());
            if (across.Length + up.Length == 0 && row > Hold)
            {
                continue;
            }

            if (Read(row, across, up) is not { } point)
            {
                return Refuse();
            }

            points.Add(point);
        }

        if (SquaredPhoto.Of(Photo.Picture, points) is { Problem: { } problem })
        {
            Problem = $"The photo cannot be squared by these points. {problem.Say(Style)}.";
            return Refuse();
        }

        string Exact(Length length) => LengthText.Exact(length, Job.Plan.Sheet.Head.Units);
        var squared = new JsonObject
        {
            ["photo"] = Photo.Id,
            ["points"] = new JsonObject(points.Select(p => KeyValuePair.Create(p.Id, (JsonNode?)new JsonObject { ["x"] = p.X, ["y"] = p.Y, ["across"] = Exact(p.Across), ["up"] = Exact(p.Up) }))),
        };
        // Holes are known by where they are on the picture: other points put them elsewhere on the wall.
        if (Choice?.Photo == Photo.Id && Choice.Holes.Count > 0)
        {
            squared["holes"] = new JsonObject(Choice.Holes.Select(h => KeyValuePair.Create(h.Id, (JsonNode?)new JsonObject { ["x"] = h.X, ["y"] = h.Y })));
        }

        var path = $"{Wall.Here.Pointer}/{SquaredChoice.Part.Name}";
        if (!JsonNode.DeepEquals(Pointer.Get(Job.Ledger.Document, path), squared) || Job.Ledger.HoldersOf(path).Count > 1)
        {
            // It takes the place of what the page has shown, and of nothing that came since.
            IReadOnlyList<string> replaced = [.. Job.Ledger.HoldersOf(path).Where(h => Job.Ledger.Find(h)?.Seq <= Seen)];
            await Reader.Company.Entries.Append(Id, Reader.SignIn, "page", [new(Guid.NewGuid().ToString("N"), path, squared, replaced)]);
        }

        return Redirect($"/jobs/{Id}/photo?wall={Wall.Id}&photo={Photo.Id}");
    }

    /// <summary>Says where the drilled holes are on the photo.</summary>
    public async Task<IActionResult> OnPostHolesAsync()
    {
        if (!Find())
        {
            return NotFound();
        }

        if (!Edits)
        {
            return Forbid();
        }

        if (Holes.Count == 0)
        {
            return BadRequest();
        }

        var holes = new JsonObject();
        foreach (var hole in Holes)
        {
            if (Share($"p{hole.Key}-x") is not { } x || Share($"p{hole.Key}-y") is not { } y)
            {
                Problem = $"Hole {hole.Bolt.Number}: its place on the picture is not understood. Expected: two numbers from 0 to 100, per cent from the left and from the top.";
                return Refuse();
            }

            holes[hole.Key] = new JsonObject { ["x"] = x, ["y"] = y };
        }

        var path = $"{Wall!.Here.Pointer}/{SquaredChoice.Part.Name}/holes";
        if (!JsonNode.DeepEquals(Pointer.Get(Job.Ledger.Document, path), holes))
        {
            await Reader.Company.Entries.Append(Id, Reader.SignIn, "page", [new(Guid.NewGuid().ToString("N"), path, holes, [.. Job.Ledger.HoldersOf(path)])]);
        }

        return Redirect($"/jobs/{Id}/photo?wall={Wall.Id}&photo={Photo!.Id}#holes");
    }

    private double? Share(string field) => double.TryParse(Request.Form[field], NumberStyles.Float, CultureInfo.InvariantCulture, out var percent) && percent is >= 0 and <= 100 ? percent / 100 : null;

    private static string Key(int row) => row.ToString(CultureInfo.InvariantCulture);

    private PhotoPoint? Read(int row, string across, string up)
    {
        var system = Style.System;
        var (x, y) = (LengthReader.Read(across, system), LengthReader.Read(up, system));
        foreach (var (read, what) in new[] { (x, "across"), (y, "up") })
        {
            if (!read.Ok)
            {
                Problem = $"Point {row}, {what}: {read.Problem!.Understood}. Expected: {read.Problem.Expected}.";
                return null;
            }
        }

        if (Share($"p{row}-x") is { } left && Share($"p{row}-y") is { } top)
        {
            return new(Key(row), left, top, x.Value, y.Value);
        }

        Problem = $"Point {row}: its place on the picture is not understood. Expected: two numbers from 0 to 100, per cent from the left and from the top.";
        return null;
    }

    private FileContentResult Kept(byte[] picture)
    {
        // Its address is another one after every entry.
        Response.Headers.CacheControl = "private, max-age=86400";
        return File(picture, "image/jpeg");
    }

    private bool Find()
    {
        if (!Open())
        {
            return false;
        }

        Size = Photo is not null && Reader.Company.Photos.Find(Photo.Picture, PhotoSize.View) is { } path ? WallPictures.SizeOf(path) : default;
        return true;
    }
}
