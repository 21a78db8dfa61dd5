using Corrie.Core.Feeds;
using Corrie.Core.Planning;
using Corrie.Web.Access;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Html;
using Microsoft.AspNetCore.Mvc;
using QRCoder;

namespace Corrie.Web.Pages.Wall;

/// <summary>Labels for both ends of every cable, to be printed and stuck on, each with a code that leads to the cable's record.</summary>
[Authorize(nameof(Permission.ReadJobs))]
public sealed class LabelsModel(CurrentUser user) : WallPageModel(user)
{
    /// <summary>The labels: one for each end of a cable.</summary>
    public IReadOnlyList<(Connection Cable, string Here, string There)> All
    {
        get
        {
            var holders = Job.Plan.PortHolders();
            string End(string key, string port) => holders.FirstOrDefault(h => h.Key == key) is not { } holder ? "?" : (holder.Jack(port)?.Name ?? port) is { Length: > 0 } named ? $"{holder.Name}, {named}" : holder.Name;
            return [.. (Job.Plan.Sheet.Get(Connection.Part) ?? []).OrderBy(c => c.Says, StringComparer.Ordinal).SelectMany(c => new[] { (c, End(c.From, c.FromPort), End(c.To, c.ToPort)), (c, End(c.To, c.ToPort), End(c.From, c.FromPort)) })];
        }
    }

    /// <summary>Where a cable's record is.</summary>
    public string RecordOf(Connection cable) => $"{Request.Scheme}://{Request.Host}/jobs/{Id}/connections#cable-{cable.Id}";

    /// <summary>The code that leads there, as a drawing.</summary>
    public IHtmlContent Code(Connection cable)
    {
        using var data = QRCodeGenerator.GenerateQrCode(RecordOf(cable), QRCodeGenerator.ECCLevel.M);
        var size = data.ModuleMatrix.Count;
        var path = new System.Text.StringBuilder();
        for (var y = 0; y < size; y++)
        {
            for (var x = 0; x < size; x++)
            {
                if (data.ModuleMatrix[y][x])
                {
                    path.Append(System.Globalization.CultureInfo.InvariantCulture, $"M{x} {y}h1v1h-1z");
                }
            }
        }

        return new HtmlString($"<svg class=\"qr\" viewBox=\"0 0 {size} {size}\" role=\"img\" aria-label=\"Code that leads to the record of {System.Net.WebUtility.HtmlEncode(cable.Says)}\" shape-rendering=\"crispEdges\"><path d=\"{path}\"></path></svg>");
    }

    /// <summary>Shows them.</summary>
    public IActionResult OnGet() => Open() ? Page() : NotFound();
}
