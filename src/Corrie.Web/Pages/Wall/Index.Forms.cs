using System.Text.Json.Nodes;
using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Jobs;
using Corrie.Core.Placement;
using Corrie.Core.Planning;
using Corrie.Core.Survey;
using Corrie.Web.Access;
using Corrie.Web.Forms;
using Corrie.Web.Jobs;
using Corrie.Web.Stages;
using Microsoft.AspNetCore.Html;
using Microsoft.AspNetCore.Mvc;

namespace Corrie.Web.Pages.Wall;

/// <content>The forms of the sheet's parts, made from their descriptions, and what is sent with them.</content>
public sealed partial class IndexModel
{
    private static readonly string[] OwnMembers = ["product", "name", "on", "for", "wall"];
    private static readonly string[] NotFields = ["seen", "in", "add", "remove", "__RequestVerificationToken"];

    /// <summary>The forms that a stage asks for on this page: of the job, of the wall, of the thing that is looked at.</summary>
    public IEnumerable<IHtmlContent> Forms(StageView view)
    {
        var writer = Writer();
        if (view.Surveys && Wall is { } wall)
        {
            yield return writer.Form($"{view.Stage.Word}-wall", string.Empty, Asked(writer, view, Holder.Wall, wall.Here.Pointer, [new("name", JobForm.At(wall.Here.Pointer + "/name")!)]));
        }

        if (Selected is { } item && view.Parts.Any(p => p.Holder == Holder.Item && p.Of(item.Kind) && view.Asks(p, Survey?.Wall)))
        {
            var pointer = item.Here.Pointer;
            IReadOnlyList<Member> own = IsIntroducedBy(view, item)
                ? [.. OwnMembers.Select(n => new Member(n, JobForm.At($"{pointer}/{n}", Document)!))]
                : [];
            yield return writer.Form($"{view.Stage.Word}-item", string.Empty, Asked(writer, view, Holder.Item, pointer, own, item));
        }

        // What a later step asks of the wall is asked after what hangs there.
        if (!view.Surveys && Wall is { } on && view.Parts.Any(p => p.Holder == Holder.Wall && view.Asks(p, Survey?.Wall)))
        {
            yield return writer.Form($"{view.Stage.Word}-wall", string.Empty, Asked(writer, view, Holder.Wall, on.Here.Pointer, []));
        }

        if (view.Parts.Any(p => p.Holder == Holder.Job && view.Asks(p, Survey?.Wall)))
        {
            yield return writer.Form($"{view.Stage.Word}-job", string.Empty, Asked(writer, view, Holder.Job, string.Empty, []));
        }
    }

    /// <summary>Whether the forms of the survey are what comes next: the wall has no size, nobody has said what it is, one of their rows is open, or a field was refused.</summary>
    public bool AsksOpen => Survey is null || Pointer.Get(Document, Of("kind")) is null || (OpenPath ?? string.Empty).StartsWith('/') || problems.Keys.Any(k => k.StartsWith('/'))
        || Plan.Findings.Any(f => f.Stops && StageViews.Of(Step).Any(v => v.Stage == f.Kind.Stage && v.Question(f.Kind) == FormOfTheJob));

    // The form of what is known of the house.
    private const string FormOfTheJob = "form-survey-job";

    /// <summary>The form of what the job is called.</summary>
    public IHtmlContent HeadForm()
    {
        var writer = Writer();
        return writer.Form("head", string.Empty, [("/job", writer.MembersOf("/job", JobForm.At("/job")!), string.Empty)]);
    }

    /// <summary>The form of the hooks from which a wall's tapes are read.</summary>
    public IHtmlContent HookForm()
    {
        var writer = Writer();
        var path = $"{Wall!.Here.Pointer}/{WallForm.SetOut.Name}";
        return writer.Form("hooks", string.Empty, [(path, writer.MembersOf(path, WallForm.SetOut.Shape), string.Empty)]);
    }

    /// <summary>Takes a form: what differs from what the page had shown is set, what cannot be taken stays beside its field.</summary>
    public Task<IActionResult> OnPostSubmitAsync()
    {
        var shown = Seen >= Job.Ledger.Seq ? Document : Job.Ledger.At(Seen).Document;
        var form = new SubmittedForm(
            Document, shown, CurrentUser.StyleOf(Request.Form["in"].ToString() is { Length: > 0 } key ? key : user.Units, Sheet.Head.Units),
            id => Parts.Copy(user.Company, id), Key);
        List<(string Path, string Typed)> fields = [.. Request.Form.Where(f => !NotFields.Contains(f.Key)).Select(f => (f.Key, f.Value.ToString()))];
        List<string> adds = [.. Request.Form["add"].OfType<string>()];
        List<string> removes = [.. Request.Form["remove"].OfType<string>()];
        if (adds.Count == 0 && removes.Count == 0 && !Request.Headers.ContainsKey("HX-Request"))
        {
            // Without script one button sends it all, also a row that was filled in.
            adds = [.. fields.Where(f => f.Typed.Length > 0 && f.Path.Contains($"/{FormWriter.NewKey}/", StringComparison.Ordinal)).Select(f => f.Path[..f.Path.IndexOf($"/{FormWriter.NewKey}/", StringComparison.Ordinal)]).Distinct()];
        }

        form.Take(fields, adds, removes);
        foreach (var (path, problem) in form.Problems)
        {
            problems[path] = problem;
        }

        return Append([.. form.Changes, .. Sheet.Items.SelectMany(i => Keeping(i, form.Changes))]);
    }

    // What a number means was chosen anew: the thing stays where it is.
    private IReadOnlyList<Change> Keeping(Item item, IReadOnlyList<Change> changes) =>
        item.Get(PlacementChoice.Part) is { } choice && Plan.Placement(item.Id) is { } placed && Sheet.WallOf(item) is { } on && Plan.Survey(on.Id) is { } survey
            ? choice.Keeping(changes, placed.Outer, survey.Wall)
            : [];

    // A thing's own members are asked for where it first comes up.
    private static bool IsIntroducedBy(StageView view, Item item) =>
        StageViews.All.FirstOrDefault(v => v.Parts.Any(p => p.Holder == Holder.Item && p.Of(item.Kind)))?.Stage == view.Stage;

    private List<(string Pointer, IReadOnlyList<Member> Members, string Fold)> Asked(
        FormWriter writer, StageView view, Holder holder, string pointer, IReadOnlyList<Member> own, Item? item = null)
    {
        var groups = new List<(string, IReadOnlyList<Member>, string)>();
        var folded = new List<(string, IReadOnlyList<Member>, string)>();
        var whole = new List<Member>();
        foreach (var part in view.Parts.Where(p => p.Holder == holder && (item is null || p.Of(item.Kind)) && view.Asks(p, Survey?.Wall)))
        {
            if (part.Shape is IGroup && FieldText.Product(part.Shape) is null)
            {
                var at = part.Name.Length == 0 ? pointer : Pointer.Join(pointer, part.Name);
                groups.Add((at, [.. writer.MembersOf(at, part.Shape).Where(m => !view.LeavesOut(part, m, item))], view.Fold(part)));
            }
            else if (view.Fold(part) is { Length: > 0 } fold)
            {
                folded.Add((pointer, [new(part.Name, part.Shape)], fold));
            }
            else
            {
                whole.Add(new(part.Name, part.Shape));
            }
        }

        // The product first, then what is asked of it, then what is seldom changed.
        groups.Insert(0, (pointer, [.. own.Concat(whole).Where(m => FieldText.Product(m.Shape) is not null)], string.Empty));
        groups.Add((pointer, [.. whole.Where(m => FieldText.Product(m.Shape) is null)], string.Empty));
        groups.AddRange(folded);
        groups.Add((pointer, [.. own.Where(m => FieldText.Product(m.Shape) is null)], holder == Holder.Item ? "Name, wall, and what it hangs on" : "Name"));
        return groups;
    }

    private FormWriter Writer() => new(new(
        Document, Style, user.StyleKey(Sheet.Head.Units), Job.Ledger.Seq, Edits, To("Submit"), token.Html, problems,
        // A client sees what is on their job, and not what else the company has.
        kind => user.May(Permission.ReadCatalogue) ? Parts.Names(user.Company, kind) : [], OpenPath ?? string.Empty, path => At(Step, Wall?.Id, Sheet.Item(ItemId)?.Id, open: path), Named));

    // What a text of the sheet can name, in the words of the crew.
    private List<(string Key, string Words)> Named(Names names, string path) => names switch
    {
        Core.Format.Names.Wall => [.. Sheet.Walls.Select(w => (w.Id, WallName(w)))],
        Core.Format.Names.Item => [.. Sheet.Items.Where(i => !path.StartsWith(i.Here.Pointer + "/", StringComparison.Ordinal)).Select(i => (i.Id, Sheet.NameOf(i)))],
        Core.Format.Names.CentreLine => [("wall", "the wall"), .. (Survey?.Wall.Features ?? []).Where(f => f.Solid).Select(f => (f.Id, "the " + f.Name))],
        Core.Format.Names.DatumAcross => [.. (Tapes?.Datums ?? []).Where(d => d.Axis == Axis.Across).Select(d => (d.Id, d.Name))],
        Core.Format.Names.FeedEnd => [.. Sheet.Items.Where(i => i.Kind == Core.Catalogue.WallBox.Kind && Sheet.WallOf(i) == Wall).Select(i => (i.Id, Sheet.NameOf(i))), .. path.EndsWith("/stands/in", StringComparison.Ordinal) ? Sheet.Items.Where(i => i.Kind == Core.Catalogue.Display.Kind && Sheet.WallOf(i) == Wall).Select(i => (i.Id, $"behind the {FieldText.Uncapital(Sheet.NameOf(i))}")) : [], .. (Survey?.Wall.Features ?? []).Where(f => f.Kind is FeatureKind.Receptacle or FeatureKind.SignalPlate or FeatureKind.Furniture or FeatureKind.Shelf).Select(f => (f.Id, f.Name))],
        Core.Format.Names.Route => [.. Sheet.Walls.SelectMany(w => (w.Get(Core.Feeds.CableRoute.Part) ?? []).Select(r => ($"{w.Id}/{r.Id}", $"{WallName(w)}: {r.Called}")))],
        Core.Format.Names.PortHolder => [.. Core.Feeds.FeedsResults.PortHolders(Plan).Select(h => (h.Key, h.Name))],
        Core.Format.Names.Circuit => [.. (Sheet.Get(Core.Feeds.Electrics.Part)?.Circuits.Items ?? []).Select(c => (c.Id, c.Called))],
        _ => [.. (Tapes?.Datums ?? []).Where(d => d.Axis == Axis.Up).Select(d => (d.Id, d.Name))],
    };

    /// <summary>What a wall is called.</summary>
    public static string WallName(WallSheet wall) => wall.Name.Length > 0 ? wall.Name : $"Wall {wall.Id.TrimStart('w')}";
}
