using System.Text.Json.Nodes;
using Corrie.Core.Findings;
using Corrie.Core.Format;

namespace Corrie.Core.Survey;

/// <summary>An answer that one press gives.</summary>
/// <param name="Says">What it says, short enough for a button.</param>
/// <param name="Sets">What it enters.</param>
public sealed record Answer(Phrase Says, IReadOnlyList<Change> Sets);

/// <summary>A question that the survey still has about a wall, besides where its members stand.</summary>
/// <param name="Of">Where an answer is entered; names the question.</param>
/// <param name="Words">The question.</param>
/// <param name="Answers">The usual answers; none where something has to be typed.</param>
/// <param name="Typed">Where another answer is typed; null where the usual ones are all there are.</param>
public sealed record Asked(string Of, Phrase Words, IReadOnlyList<Answer> Answers, string? Typed = null)
{
    private const string UsualScan = "a scanner for metal and live wires";

    /// <summary>The questions that are open, in the order in which somebody before the wall answers them.</summary>
    /// <param name="wall">The wall as surveyed.</param>
    /// <param name="house">What is known of the house.</param>
    /// <param name="who">Who answers.</param>
    /// <returns>The questions; none where all is answered that this wall needs.</returns>
    public static IReadOnlyList<Asked> Open(Wall wall, SiteFacts house, string who)
    {
        var here = wall.Here;
        var asked = new List<Asked>();
        if (wall.Layers.Count == 0)
        {
            asked.Add(new($"{here.Pointer}/layers", "What is the wall made of?", [.. BuildUps.All.Select(b => new Answer(b.Name, b.Changes(here)))]));
        }

        foreach (var layer in wall.Layers.Where(l => !l.Confirmed))
        {
            var at = here.To("layers").To(layer.Id);
            asked.Add(new($"{at.Pointer}/confirmed", Phrase.Of($"Is the {layer.Name} {layer.Thickness} thick?"),
                [new("Yes, it was seen", [at.Set("confirmed", (JsonNode)true), at.Set("by", (JsonNode)$"seen by {who}")])], $"{at.Pointer}/thickness"));
        }

        if (wall.Scan is null)
        {
            Answer Looked(Phrase says, bool crossings) =>
                new(says, [here.Set("scan", new JsonObject { ["by"] = who, ["with"] = UsualScan, ["crossings"] = crossings })]);
            asked.Add(new($"{here.Pointer}/scan", "Were cables, pipes and gas looked for?", [Looked("Yes, with a scanner", false), Looked("Yes, crossings in the studs too", true)]));
        }

        foreach (var (answer, words) in FramingCheck.OpenQuestions(wall, house))
        {
            var path = answer[0] == '/' ? answer : $"{here.Pointer}/{answer}";
            Answer Says(Phrase says, JsonNode value) => new(says, [new(path, value)]);
            asked.Add(new(path, $"{words[..1].ToUpperInvariant()}{words[1..]}?", answer switch
            {
                FramingCheck.Flue => [Says("None", "none"), Says("Dead", "dead"), Says("Live", "live")],
                FramingCheck.Built => [],
                _ => [Says("No", false), Says("Yes", true)],
            }, answer == FramingCheck.Built ? path : null));
        }

        return asked;
    }
}
