using System.Text.Json.Nodes;
using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Data;
using Corrie.Web.Access;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Corrie.Web.Pages;

/// <summary>The company's own figures, for the office: factors, limits and defaults of every plan. The form is made from their description.</summary>
[Authorize(nameof(Permission.EditPolicy))]
public sealed class FiguresModel(CurrentUser user) : PageModel
{
    private Dictionary<string, string> typed = [];

    /// <summary>The version that the form was made from.</summary>
    [BindProperty]
    public long Version { get; set; }

    /// <summary>The figures as they are.</summary>
    public CompanyPolicy Current { get; private set; } = null!;

    /// <summary>Who set them.</summary>
    public string ChangedBy => user.Company.People.Find(Current.ChangedBy)?.Name ?? Current.ChangedBy;

    /// <summary>What is wrong with what was typed.</summary>
    public List<string> Problems { get; } = [];

    /// <summary>Members whose text was not taken.</summary>
    public HashSet<string> Bad { get; } = [];

    /// <summary>Each figure, what stands there, and what holds where nothing does.</summary>
    public IEnumerable<(Member Member, string Text, string Usual)> Fields => Members.Select(m => (
        m, typed.TryGetValue(m.Name, out var text) ? text : Current.Document[m.Name] is { } value ? m.Shape.Text(value, Style) : string.Empty, m.Usual?.Invoke(Style) ?? string.Empty));

    private static IEnumerable<Member> Members => Policy.Form.MembersOf([], Place.Nowhere).Where(m => !Policy.Besides.Contains(m.Name));

    private LengthStyle Style => user.Style(UnitSystem.Inches);

    /// <summary>Shows the figures.</summary>
    public void OnGet()
    {
        Current = user.Company.Policies.Read();
        Version = Current.Version;
    }

    /// <summary>Keeps what differs from common practice.</summary>
    public IActionResult OnPost()
    {
        Current = user.Company.Policies.Read();
        typed = Members.ToDictionary(m => m.Name, m => Request.Form["m." + m.Name].ToString().Trim());
        var made = new JsonObject();
        foreach (var member in Members.Where(m => typed[m.Name].Length > 0))
        {
            made[member.Name] = member.Shape.Take(typed[member.Name], Style.System, out var problem);
            if (problem is not null)
            {
                Bad.Add(member.Name);
                Problems.Add($"{member.Shape.Says}: {problem}");
            }
        }

        var wrong = new List<SheetProblem>();
        if (Problems.Count == 0)
        {
            Policy.Form.Check(made, string.Empty, wrong);
            Problems.AddRange(wrong.Select(p => p.ToString()));
        }

        if (Problems.Count > 0)
        {
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
            return Page();
        }

        // By name: whoever is removed for good is blanked in copies too.
        made["setBy"] = user.Name;
        if (!user.Company.Policies.Save(made, Version, user.SignIn))
        {
            Problems.Add("Somebody else has changed the figures meanwhile; what you typed is kept here. Open them in another window, compare, and keep them again.");
            Response.StatusCode = StatusCodes.Status409Conflict;
            Current = user.Company.Policies.Read();
            Version = Current.Version;
            return Page();
        }

        return Redirect("/figures");
    }
}
