using Corrie.Core.Findings;

namespace Corrie.Core.Jobs;

/// <summary>Every kind of finding that the planner can have.</summary>
public static class FindingCatalogue
{
    /// <summary>All kinds, stage by stage.</summary>
    public static IReadOnlyList<FindingKind> All { get; } = [.. Stages.All.SelectMany(s => s.Kinds)];

    /// <summary>The catalogue as Markdown, for docs/findings.md.</summary>
    /// <returns>The text.</returns>
    public static string ToMarkdown()
    {
        var text = new System.Text.StringBuilder(
            "# Findings\n\nGenerated from the code by `corrie findings`; a test keeps it equal.\n\n" +
            "Severities: **S!** stop that nobody overrides, **S** stop, **C** caution, **N** note.\n");
        foreach (var stage in Stages.All)
        {
            text.Append($"\n## {stage.Id.Title}\n\n| code | severity | when | why | source |\n|---|---|---|---|---|\n");
            foreach (var kind in stage.Kinds)
            {
                text.Append($"| `{kind.Code}` | {Letter(kind.Severity)}{(kind.Milder is { } m ? ", " + Letter(m) : string.Empty)} | {kind.When} | {kind.Why} | {kind.Source} |\n");
            }
        }

        return text.ToString();
    }

    /// <summary>Short mark of a severity.</summary>
    /// <param name="severity">The severity.</param>
    /// <returns><c>S!</c>, <c>S</c>, <c>C</c> or <c>N</c>.</returns>
    public static string Letter(Severity severity) => severity switch
    {
        Severity.FinalStop => "S!",
        Severity.Stop => "S",
        Severity.Caution => "C",
        _ => "N",
    };
}
