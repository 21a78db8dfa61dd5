using Corrie.Core.Measure;
using Corrie.Simulators;
using Corrie.Web.Access;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Corrie.Web.Pages.Practice;

/// <summary>A hidden wall to practise on. All that was done stands in the address, so that going back takes it back.</summary>
[Authorize(nameof(Permission.ReadJobs))]
public sealed class IndexModel(CurrentUser user) : PageModel
{
    /// <summary>The wall's number.</summary>
    [BindProperty(SupportsGet = true)]
    public int Number { get; set; }

    /// <summary>What was done.</summary>
    [BindProperty(SupportsGet = true, Name = "did")]
    public string? Did { get; set; }

    /// <summary>The tool that was used just now, together with <see cref="At"/>.</summary>
    [BindProperty(SupportsGet = true, Name = "tool")]
    public string? Tool { get; set; }

    /// <summary>Where it was used, as typed.</summary>
    [BindProperty(SupportsGet = true, Name = "at")]
    public string? At { get; set; }

    /// <summary>Whether the planner was asked.</summary>
    [BindProperty(SupportsGet = true, Name = "hint")]
    public bool Hint { get; set; }

    /// <summary>Whether the truth is shown.</summary>
    [BindProperty(SupportsGet = true, Name = "done")]
    public bool Done { get; set; }

    /// <summary>The game.</summary>
    public PracticeGame Game { get; private set; } = null!;

    /// <summary>What was wrong with what was typed.</summary>
    public ReadProblem? Problem { get; private set; }

    /// <summary>The reader's units.</summary>
    public LengthStyle Style => user.Style(UnitSystem.Inches);

    /// <summary>The address after something more.</summary>
    public string To(string? move, bool hint = false, bool done = false) =>
        $"/practice/{Number}?did={string.Join(';', Game.Moves.Select(m => m.ToString()).Concat(move is null ? [] : [move]))}{(hint ? "&hint=true" : string.Empty)}{(done ? "&done=true" : string.Empty)}";

    /// <summary>Shows the wall as far as it is known.</summary>
    public IActionResult OnGet()
    {
        if (Number < 1)
        {
            return Redirect($"/practice/{PracticeGame.Solvable(1)}");
        }

        Game = new(Number, PracticeMove.Read(Did));
        if (Tool is not ("m" or "p"))
        {
            return Page();
        }

        var read = LengthReader.Read(At, Style.System);
        if (read.Ok && read.Value.Inches <= Game.Wall.Width)
        {
            return Redirect(To($"{Tool}{read.Value.Units}"));
        }

        Problem = read.Problem ?? new(At ?? string.Empty, $"{At} lies beyond the wall", $"a place from 0 to {LengthText.Exact(Length.FromInches(Game.Wall.Width), Style.System)}");
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }
}
