using System.Text.Json.Nodes;
using Corrie.Core.Findings;
using Corrie.Core.Jobs;
using Corrie.Core.Planning;
using Corrie.Web.Access;

namespace Corrie.Web.Jobs;

/// <summary>Who may pass a stop, or move a limit that stops, whichever way the entry comes. Final stops nobody may pass; the planner does not know an override of one.</summary>
public static class Overriding
{
    private const string Figures = "/policy";

    /// <summary>Whether a path leads to a job's overrides.</summary>
    /// <param name="path">JSON Pointer.</param>
    public static bool Concerns(string path) => path == Override.Place || path.StartsWith(Override.Place + "/", StringComparison.Ordinal);

    /// <summary>Why somebody may not enter a change; null where they may.</summary>
    /// <param name="user">Who.</param>
    /// <param name="change">The change.</param>
    /// <param name="document">The job's document before it.</param>
    public static string? Refusal(CurrentUser user, Change change, JsonObject document)
    {
        if (change.Path == Figures || change.Path.StartsWith(Figures + "/", StringComparison.Ordinal))
        {
            return FiguresRefusal(user, change, document);
        }

        if (!Concerns(change.Path))
        {
            return null;
        }

        if (!user.May(Permission.OverrideStops))
        {
            return $"A stop is overridden by a lead or the office. You are signed in as {user.RoleWords}. Expected: their name and reason, entered by them";
        }

        // All of them at once, or a member of one by itself, would carry somebody else's name.
        if (change.Path.Count(c => c == '/') != 2 || change.Value is not (null or JsonObject))
        {
            return "An override is entered whole. Expected: one override with finding, name, role and reason";
        }

        if (change.Value is not JsonObject said)
        {
            return null;
        }

        var kind = FindingCatalogue.All.FirstOrDefault(k => k.Code == Text(said, "code"));
        return kind is null ? $"There is no finding '{Text(said, "code")}'. Expected: the code of one"
            : kind.Severity == Severity.FinalStop && kind.Milder is null or Severity.Caution or Severity.Note ? $"Nobody overrides {kind.Code}: it clears by evidence alone. Expected: the evidence"
            : Text(said, "by") != user.Name || Text(said, "role") != RoleOf(user) ? $"An override is in the name of who enters it. Expected: {user.Name}, {RoleOf(user)}"
            : Text(said, "reason").Trim().Length == 0 ? "No reason was given. Expected: why this stop may be passed here"
            : null;
    }

    /// <summary>Why somebody may not take a batch back, or do it again; null where they may.</summary>
    /// <param name="user">Who.</param>
    /// <param name="ledger">The job's entries.</param>
    /// <param name="batch">The batch.</param>
    public static string? Refusal(CurrentUser user, Ledger ledger, string batch)
    {
        var entries = ledger.Entries.Where(e => e.Batch == batch).ToList();
        return entries.Select(e => e.Undoes is { } further ? Refusal(user, ledger, further)
            : Concerns(e.Path) && !user.May(Permission.OverrideStops) ? "A stop is overridden, and an override taken back, by a lead or the office. Expected: one of them" : null).FirstOrDefault(r => r is not null);
    }

    /// <summary>An imported job brings no overrides but those in the name of who imports it: others' word was given elsewhere.</summary>
    /// <param name="user">Who imports it.</param>
    /// <param name="document">The job's document; overrides of others are taken out of it.</param>
    public static void KeepOwn(CurrentUser user, JsonObject document)
    {
        foreach (var (key, _) in ((document[Override.Place[1..]] as JsonObject) ?? []).Where(o => o.Value is not JsonObject said || Refusal(user, new($"{Override.Place}/{o.Key}", said), document) is not null).ToList())
        {
            Core.Format.Pointer.Set(document, $"{Override.Place}/{key}", null);
        }
    }

    // A limit that is lowered for one job clears stops without a word: it is the company's figures as they are, or a departure by who may set them, with a reason.
    private static string? FiguresRefusal(CurrentUser user, Change change, JsonObject document)
    {
        if (change.Path == Figures && JsonNode.DeepEquals(change.Value, user.Company.Policies.Read().Document))
        {
            return null;
        }

        var reason = change.Path == $"{Figures}/{Policy.DepartureName}" ? change.Value : (change.Value as JsonObject)?[Policy.DepartureName] ?? (document[Figures[1..]] as JsonObject)?[Policy.DepartureName];
        return !user.May(Permission.EditPolicy) ? $"A job departs from the company's figures by a lead's or the office's word. You are signed in as {RoleOf(user)}. Expected: their departure, with a reason"
            : reason is not JsonValue said || !said.TryGetValue<string>(out var text) || string.IsNullOrWhiteSpace(text) ? $"A job departs from the company's figures, and nobody has said why. Expected: {Figures}/{Policy.DepartureName} first, the reason with a name"
            : null;
    }

    /// <summary>The role that an override is entered in, as the record has it.</summary>
    /// <param name="user">Who.</param>
    public static string RoleOf(CurrentUser user) => user.Roles.OrderByDescending(r => r.May(Permission.OverrideStops)).First().ToString().ToLowerInvariant();

    private static string Text(JsonObject said, string name) => said[name] is JsonValue value && value.TryGetValue<string>(out var text) ? text : string.Empty;
}
