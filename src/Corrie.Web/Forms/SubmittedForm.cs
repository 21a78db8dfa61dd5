using System.Text.Json.Nodes;
using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;

namespace Corrie.Web.Forms;

/// <summary>
/// What somebody sent with a form: each part that differs from what the page had shown becomes a change, and what cannot be taken stays beside
/// its field while the rest goes on.
/// </summary>
public sealed class SubmittedForm
{
    private readonly JsonObject document;
    private readonly JsonObject shown;
    private readonly LengthStyle style;
    private readonly Func<string, CatalogueCopy?> catalogue;
    private readonly Func<string> newKey;
    private readonly List<(Change Change, string Typed)> changes = [];
    private readonly Dictionary<string, FieldProblem> problems = [];

    /// <summary>Takes a form.</summary>
    /// <param name="document">The sheet as it is now.</param>
    /// <param name="shown">The sheet that the page had.</param>
    /// <param name="style">The units in which the page had shown it.</param>
    /// <param name="catalogue">A copy of an item of the catalogue; null where there is none.</param>
    /// <param name="newKey">Makes keys.</param>
    public SubmittedForm(JsonObject document, JsonObject shown, LengthStyle style, Func<string, CatalogueCopy?> catalogue, Func<string> newKey)
    {
        this.document = document;
        this.shown = shown;
        this.style = style;
        this.catalogue = catalogue;
        this.newKey = newKey;
    }

    /// <summary>What is to be changed.</summary>
    public IReadOnlyList<Change> Changes => [.. changes.Select(c => c.Change)];

    /// <summary>What was not taken, by field.</summary>
    public IReadOnlyDictionary<string, FieldProblem> Problems => problems;

    /// <summary>Takes fields, rows to be added and parts to be taken away.</summary>
    /// <param name="fields">Paths with what was typed.</param>
    /// <param name="adds">Lists to which their new row is added.</param>
    /// <param name="removes">Parts that are taken away.</param>
    public void Take(IReadOnlyList<(string Path, string Typed)> fields, IReadOnlyList<string> adds, IReadOnlyList<string> removes)
    {
        foreach (var path in removes.Where(p => JobForm.At(p, document) is not null && Pointer.Get(document, p) is not null))
        {
            changes.Add((new(path, null), string.Empty));
        }

        foreach (var (path, typed) in fields.Where(f => !IsNew(f.Path) && !removes.Any(r => Pointer.Covers(r, f.Path))))
        {
            Field(path, typed.Trim());
        }

        foreach (var map in adds)
        {
            Add(map, [.. fields.Where(f => f.Path.StartsWith($"{map}/{FormWriter.NewKey}/", StringComparison.Ordinal))]);
        }

        TakeAwayWhatIsEmpty();
        LeaveOutWhatDoesNotFit();
    }

    // Whoever empties every field of a group takes the group away; a wall, a thing and a row stay.
    private void TakeAwayWhatIsEmpty()
    {
        var after = After();
        foreach (var group in changes.Where(c => c.Change.Value is null && c.Change.Path.LastIndexOf('/') > 0).Select(c => c.Change.Path[..c.Change.Path.LastIndexOf('/')]).Distinct().ToList())
        {
            if (Pointer.Get(after, group) is JsonObject { Count: 0 } && JobForm.At(group[..group.LastIndexOf('/')], document) is not IMap)
            {
                changes.RemoveAll(c => Pointer.Covers(group, c.Change.Path));
                changes.Add((new(group, null), string.Empty));
            }
        }
    }

    private JsonObject After() => SheetChanges.After(document, changes.Select(c => c.Change));

    private static bool IsNew(string path) => path.Contains($"/{FormWriter.NewKey}/", StringComparison.Ordinal);

    // A wall, a thing or a row that somebody has taken away: a field would bring back a piece of it.
    private bool IsGone(string path)
    {
        if (path.Length == 0 || path[0] != '/')
        {
            return false;
        }

        var keys = Pointer.Split(path);
        var here = string.Empty;
        for (var i = 0; i < keys.Count - 1; i++)
        {
            var inMap = JobForm.At(here, document) is IMap;
            here = Pointer.Join(here, keys[i]);
            if (inMap && Pointer.Get(document, here) is null)
            {
                return true;
            }
        }

        return false;
    }

    private void Field(string path, string typed)
    {
        if (IsGone(path) || JobForm.At(path, document) is not { } shape)
        {
            // Somebody else has taken it away meanwhile; what was not touched is not missed.
            if (typed.Length > 0 && (JobForm.At(path, shown) is not { } was || typed != FieldText.Of(was, Pointer.Get(shown, path), style)))
            {
                problems[path] = new(path, typed, "This part is not on the sheet any more. Expected: a part that is.");
            }

            return;
        }

        var now = FieldText.Of(shape, Pointer.Get(shown, path), style);
        if (typed == now)
        {
            return;
        }

        if (typed.Length == 0)
        {
            // A copy whose item is of this job only shows as nothing chosen.
            changes.Add((new(path, null), typed));
        }
        else if (FieldText.Product(shape) is { } kind)
        {
            if (catalogue(typed) is { } copy && copy.Kind == kind.Word)
            {
                changes.Add((new(path, copy.Document), typed));
            }
            else
            {
                problems[path] = new(path, typed, "That item is not in the catalogue any more. Expected: one of the list.");
            }
        }
        else
        {
            var value = shape.Take(typed, style.System, out var problem);
            if (problem is null)
            {
                changes.Add((new(path, value), typed));
            }
            else
            {
                problems[path] = new(path, typed, problem.ToString());
            }
        }
    }

    private void Add(string map, List<(string Path, string Typed)> fields)
    {
        if (JobForm.At(map, document) is not IMap list || list.Item is not IGroup group)
        {
            return;
        }

        var row = new JsonObject();
        var refused = problems.Count;
        foreach (var (path, raw) in fields)
        {
            var name = path[(path.LastIndexOf('/') + 1)..];
            var typed = raw.Trim();
            if (typed.Length == 0 || GroupChecks.Find(group.Members, name) is not { } member)
            {
                continue;
            }

            row[name] = member.Shape.Take(typed, style.System, out var problem);
            if (problem is not null)
            {
                problems[path] = new(path, typed, problem.ToString());
            }
        }

        // What counts up goes on from the last.
        if (GroupChecks.Find(group.Members, "order") is not null && row["order"] is null)
        {
            var last = (Pointer.Get(document, map) as JsonObject)?.Select(r => r.Value?["order"]?.GetValue<double>() ?? 0).DefaultIfEmpty(0).Max() ?? 0;
            row["order"] = (int)last + 1;
        }

        foreach (var member in group.Members.Where(m => m.Needed && row[m.Name] is null))
        {
            var path = $"{map}/{FormWriter.NewKey}/{member.Name}";
            problems.TryAdd(path, new(path, string.Empty, $"This is missing. Expected: {member.Shape.Expected}."));
        }

        if (problems.Count > refused)
        {
            foreach (var (path, typed) in fields.Where(f => f.Typed.Length > 0))
            {
                problems.TryAdd(path, new(path, typed, string.Empty));
            }

            return;
        }

        changes.Add((new($"{map}/{map[(map.LastIndexOf('/') + 1)..][0]}{newKey()}", row), string.Empty));
    }

    // A change that leaves a group without something it needs, or things hanging in a ring, is not made; its neighbours are.
    private void LeaveOutWhatDoesNotFit()
    {
        while (changes.Count > 0)
        {
            var wrong = SheetChanges.WouldBeWrong(document, Changes);
            var left = changes.Count;
            foreach (var problem in wrong)
            {
                var missing = Missing(problem);
                foreach (var (change, typed) in changes.Where(c => Pointer.Covers(problem.Path, c.Change.Path) || Pointer.Covers(c.Change.Path, problem.Path)).ToList())
                {
                    problems[change.Path] = new(change.Path, typed, missing is null ? $"{problem.Understood}. Expected: {problem.Expected}." : string.Empty);
                    changes.RemoveAll(c => c.Change == change);
                }

                if (missing is not null)
                {
                    problems[missing] = new(missing, string.Empty, $"This is missing. Expected: {problem.Expected}.");
                }
            }

            if (changes.Count == left)
            {
                return;
            }
        }
    }

    private static string? Missing(SheetProblem problem) =>
        problem.Understood.EndsWith(" is missing", StringComparison.Ordinal) && problem.Understood.Split('\'') is [_, var name, ..] ? Pointer.Join(problem.Path, name) : null;
}

/// <summary>A copy of an item of the catalogue, as it goes onto a sheet.</summary>
/// <param name="Kind">Its kind.</param>
/// <param name="Document">The copy, with the key that it was copied from.</param>
public sealed record CatalogueCopy(string Kind, JsonObject Document)
{
    /// <summary>A copy.</summary>
    public static CatalogueCopy Of(string id, string kind, JsonObject item)
    {
        var copy = (JsonObject)item.DeepClone();
        copy[Product.CatalogueKey] = id;
        return new(kind, copy);
    }
}
