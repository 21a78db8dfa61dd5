using Corrie.Core.Findings;
using Corrie.Core.Fixing;
using Corrie.Core.Hanging;
using Corrie.Core.Placement;
using Corrie.Core.Survey;

namespace Corrie.Core.Jobs;

/// <summary>Every kind of finding that the planner can have.</summary>
public static class FindingCatalogue
{
    /// <summary>All kinds, step by step.</summary>
    public static IReadOnlyList<FindingKind> All { get; } =
        [.. SurveyFindings.All, .. PlacementFindings.All, .. HangingFindings.All, .. FixingFindings.All];

    /// <summary>The catalogue as Markdown, for docs/findings.md.</summary>
    public static string ToMarkdown()
    {
        var text = new System.Text.StringBuilder(
            "# Findings\n\nGenerated from the code by `corrie findings`; a test keeps it equal.\n\n" +
            "Severities: **S!** stop that nobody overrides, **S** stop, **C** caution, **N** note.\n\n" +
            "| code | severity | when | why | source |\n|---|---|---|---|---|\n");
        foreach (var kind in All)
        {
            text.Append($"| `{kind.Code}` | {Letter(kind.Severity)}{(kind.Milder is { } m ? ", " + Letter(m) : string.Empty)} | {kind.When} | {kind.Why} | {kind.Source} |\n");
        }

        return text.ToString();
    }

    /// <summary>Short mark of a severity.</summary>
    public static string Letter(Severity severity) => severity switch
    {
        Severity.FinalStop => "S!",
        Severity.Stop => "S",
        Severity.Caution => "C",
        _ => "N",
    };
}
