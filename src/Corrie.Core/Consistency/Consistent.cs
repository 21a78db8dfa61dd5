using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Hanging;
using Corrie.Core.Planning;
using Corrie.Core.SiteDay;
using Corrie.Core.Survey;

namespace Corrie.Core.Consistency;

/// <summary>Holds what was entered against itself before any stage plans with it. It knows all parts of the sheet and no result.</summary>
internal static class Consistent
{
    private static readonly Result<Held> Answers = new("answers held against each other");
    private static readonly Result<Held> Figures = new("slips");
    private static readonly Result<Held> Days = new("dates");

    /// <summary>Adds what does not go together.</summary>
    /// <param name="plan">The plan, nothing planned yet.</param>
    public static void Check(PlanBuilder plan)
    {
        var sheet = plan.Sheet;
        foreach (var wall in sheet.Walls)
        {
            var answered = new Answered(sheet, wall, wall.Get(WallForm.Wall));
            // A handful of comparisons: cheaper made anew than compared.
            List<Finding> found =
            [
                .. Contradictions.OfWalls.Select(c => (Pair: c, Says: c.Says(answered))).Where(c => c.Says is not null)
                    .Select(c => c.Pair.ClearsFinal ? SurveyFindings.AnswersContradict.At(Between(c.Pair), c.Says!) : SurveyFindings.AnswersContradict.MildAt(Between(c.Pair), c.Says!)),
                .. answered.Entered is { } entered ? Slips.Of(entered).Select(s => SurveyFindings.Slip.At(new(s.Part), s.Says)) : [],
            ];
            Add(Answers, wall.Id, wall.Id, found);
        }

        foreach (var item in sheet.Items)
        {
            List<Finding> found =
            [
                .. new[] { (Product: item.Product, Part: "product"), (item.Bolt(), "bolt") }.Where(p => p.Product is not null).SelectMany(p => Slips.Of(p.Product!).Select(s => SurveyFindings.Slip.At(new($"{p.Part}/{s.Part}"), s.Says))),
                .. item.Kind == Mount.Kind ? Contradictions.OfMount(sheet, item).Select(c => SurveyFindings.AnswersContradict.MildAt(new($"on/{c.Other}"), c.Says)) : [],
            ];
            Add(Figures, item.Id, sheet.WallOf(item)?.Id ?? string.Empty, found);
        }

        Add(Days, "dates", string.Empty, [.. Dates.Of(sheet)]);

        void Add(Result<Held> result, string owner, string wall, List<Finding> found)
        {
            if (found.Count > 0)
            {
                plan.Work(result, owner, wall, new Same<Finding>(found), static (work, input) =>
                {
                    work.Add(input.Items);
                    return new Held();
                });
            }
        }

        static Spot Between(Contradiction pair) => new($"{pair.First}+{pair.Second}");
    }

    private sealed record Held;
}
