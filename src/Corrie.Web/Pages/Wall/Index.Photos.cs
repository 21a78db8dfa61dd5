using System.Text.Json.Nodes;
using Corrie.Core.Catalogue;
using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;
using Corrie.Core.Survey;
using Corrie.Data;
using Corrie.Web.Access;
using Corrie.Web.Stages.Survey;
using Microsoft.AspNetCore.Mvc;

namespace Corrie.Web.Pages.Wall;

/// <content>Photos, pinned to what they show.</content>
public sealed partial class IndexModel
{
    /// <summary>The part of the page where photos are added.</summary>
    public const string PhotoForm = "photo";

    internal static readonly string[] Copies = ["product", "bolt"];

    /// <summary>Pins a photo to what it shows.</summary>
    public async Task<IActionResult> OnPostPhotoAsync(string? of, string? says, IFormFile? picture)
    {
        if (picture is null)
        {
            return Refuse(PhotoForm, says ?? string.Empty, "No picture was chosen. Expected: a JPEG, PNG or WebP picture.");
        }

        if (of is null || !(of == "wall" || Survey?.Wall.Features.Any(f => f.Id == of) == true || Survey?.Wall.Evidence.Any(e => "evidence/" + e.Id == of) == true))
        {
            return Refuse(PhotoForm, says ?? string.Empty, "It is not said what the photo shows. Expected: the wall, or something on it.");
        }

        using var bytes = new MemoryStream();
        await picture.CopyToAsync(bytes);
        var (name, problem) = user.Company.Photos.Add(bytes.ToArray());
        if (name is null)
        {
            return Refuse(PhotoForm, says ?? string.Empty, problem + ". Expected: a JPEG, PNG or WebP picture of at most 20 MB.");
        }

        var photo = new JsonObject { ["of"] = of, ["picture"] = name, ["by"] = user.Name };
        if (!string.IsNullOrWhiteSpace(says))
        {
            photo["says"] = says.Trim()[..Math.Min(200, says.Trim().Length)];
        }

        return await Append([new(Of("photos/p" + Key()), photo)]);
    }

    /// <summary>A photo of this job.</summary>
    public IActionResult OnGetPicture(string? name, string? size)
    {
        var wanted = size switch
        {
            "view" => PhotoSize.View,
            "original" => PhotoSize.Original,
            _ => PhotoSize.Thumbnail,
        };
        if (wanted == PhotoSize.Original && !user.May(Permission.SeeOriginals))
        {
            return Forbid();
        }

        // The crew sees what is, or was, pinned to this job; a client what is pinned now.
        var pinned = name is { Length: 64 } && (Edits ? user.Company.Entries.HasPhoto(Id, name) : Sheet.Walls.Any(w => Plan.Survey(w.Id)?.Wall.Photos.Any(p => p.Picture == name) == true) || Sheet.Items.Any(i => i.Get(PlacementChoice.Part)?.Approval?.Picture == name));
        if (!pinned || user.Company.Photos.Find(name!, wanted) is not { } path)
        {
            return NotFound();
        }

        if (Edits)
        {
            Response.Headers.CacheControl = "private, max-age=31536000, immutable";
        }

        return wanted == PhotoSize.Original ? PhysicalFile(path, "application/octet-stream", name![..12] + ".original") : PhysicalFile(path, "image/jpeg");
    }

    /// <summary>The address of a photo.</summary>
    public string Picture(string name, string size) => $"/jobs/{Id}/survey?handler=Picture&name={name}&size={size}";

    /// <summary>What a photo shows, in words.</summary>
    public string ShownBy(string of) => of == "wall" ? "the wall"
        : Survey?.Wall.Features.FirstOrDefault(f => f.Id == of)?.Name
        ?? (Survey?.Soundings.FirstOrDefault(s => "evidence/" + s.Evidence.Id == of) is { } s ? $"{EvidenceDrawing.Words(s.Evidence.Kind)} at {s.Middle.Show(Style)}" : of);
}
