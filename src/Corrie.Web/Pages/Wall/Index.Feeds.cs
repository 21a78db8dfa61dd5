using Corrie.Core.Catalogue;
using Corrie.Core.Jobs;
using Corrie.Core.Placement;
using Microsoft.AspNetCore.Mvc;

namespace Corrie.Web.Pages.Wall;

/// <content>What brings power and signal behind a display.</content>
public sealed partial class IndexModel
{
    /// <summary>Adds the boxes of a display's power or signal and the way between them.</summary>
    /// <param name="what">Which, and for which display, such as <c>power:d1</c>.</param>
    public async Task<IActionResult> OnPostBringAsync(string? what)
    {
        var words = (what ?? string.Empty).Split(':');
        if (words is not ["power" or "signal", _] || Sheet.Item(words[1]) is not { } display || display.Kind != Display.Kind || Sheet.WallOf(display) is null || Plan.Placement(display.Id) is null)
        {
            return Refuse(ChangeLine, what ?? string.Empty, "There is no display with a place of that name. Expected: one of the buttons.");
        }

        var changes = FeedStart.Changes(Document, Plan, display, words[0] == "power");
        ItemId = changes[0].Path.Split('/')[^1];
        ShowAt();
        return await Append(changes);
    }
}
