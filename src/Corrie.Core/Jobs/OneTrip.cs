using System.Text.Json.Nodes;
using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Fixing;
using Corrie.Core.Format;
using Corrie.Core.Hanging;
using Corrie.Core.Measure;
using Corrie.Core.Planning;

namespace Corrie.Core.Jobs;

/// <summary>Something that nobody knows before the visit, and that decides what has to be on the van.</summary>
/// <param name="Says">What people call it.</param>
/// <param name="Path">JSON Pointer of what is not known.</param>
/// <param name="Answers">What it may be; at least two.</param>
public sealed record OpenQuestion(string Says, string Path, IReadOnlyList<JsonNode?> Answers);

/// <summary>A fixing that may be on the van: what it is, and what one costs.</summary>
/// <param name="Name">What people call it, with its length.</param>
/// <param name="Document">Its figures.</param>
/// <param name="Price">What one costs, in the company's money.</param>
public sealed record VanPiece(string Name, JsonObject Document, double Price);

/// <summary>Pieces of one kind that are taken along.</summary>
/// <param name="Piece">Index among those that may be taken.</param>
/// <param name="Count">How many.</param>
public readonly record struct Taken(int Piece, int Count);

/// <summary>What a question's answer would save.</summary>
/// <param name="Question">Index of the question.</param>
/// <param name="Saves">How much less the kit costs then, on average over its answers.</param>
public readonly record struct Saving(int Question, double Saves);

/// <summary>The kit that is enough whatever is found.</summary>
/// <param name="Outcomes">How many ways it may turn out.</param>
/// <param name="Uncovered">In how many of them nothing that is sold holds.</param>
/// <param name="Pieces">What is taken, per mount.</param>
/// <param name="Cost">What it costs.</param>
/// <param name="Least">What the cheapest single outcome costs: the rest is for what may be found.</param>
/// <param name="Savings">What each question would save if it were answered before, most first.</param>
/// <param name="Bring">What mounts' kits lack for a display in some outcome, and has to be brought.</param>
public sealed record TripKit(int Outcomes, int Uncovered, IReadOnlyList<(string Mount, IReadOnlyList<Taken> Taken)> Pieces, double Cost, double Least, IReadOnlyList<Saving> Savings, IReadOnlyList<Phrase> Bring);

/// <summary>
/// One trip: each question that is open before the visit is answered in every way, the job is planned with every fixing that may be taken, and the cheapest kit
/// is looked for that has a fixing which holds in each of them.
/// </summary>
public static class OneTrip
{
    /// <summary>In how many ways a job may turn out at most.</summary>
    public const int MostOutcomes = 64;

    private const long Steps = WorkBudget.OfAPlan;

    /// <summary>The kit.</summary>
    /// <param name="document">The job's document.</param>
    /// <param name="questions">What is not known.</param>
    /// <param name="pieces">What may be taken.</param>
    /// <param name="stop">Says that nobody waits for it any more.</param>
    /// <returns>The kit; null where there are more outcomes than are looked at.</returns>
    /// <exception cref="OverBudgetException">It would take too long.</exception>
    public static TripKit? Of(JsonObject document, IReadOnlyList<OpenQuestion> questions, IReadOnlyList<VanPiece> pieces, CancellationToken stop = default)
    {
        var outcomes = Outcomes(questions);
        if (outcomes.Count > MostOutcomes)
        {
            return null;
        }

        var budget = new WorkBudget(Steps, stop);
        var mounts = JobForm.Read(document).Sheet.Items.Where(i => i.Kind == Mount.Kind && i.Product is not null).ToList();
        var needs = mounts.Select(m => outcomes.Select(o => Need(document, questions, o, m, pieces, budget)).ToList()).ToList();
        var prices = pieces.Select(p => p.Price).ToList();
        double Cost(Func<int, bool> which) => needs.Sum(n => Cheapest([.. n.Where((_, i) => which(i)).Where(x => x.Count > 0)], prices).Cost);
        var kits = mounts.Zip(needs, (m, n) => (m.Id, Cheapest([.. n.Where(x => x.Count > 0)], prices))).ToList();
        var cost = kits.Sum(k => k.Item2.Cost);
        return new(
            outcomes.Count,
            Enumerable.Range(0, outcomes.Count).Count(o => !Covered(o)),
            [.. kits.Select(k => (k.Id, k.Item2.Taken))],
            cost,
            Enumerable.Range(0, outcomes.Count).Where(Covered).Select(o => Cost(i => i == o)).DefaultIfEmpty().Min(),
            [.. questions.Select((q, k) => new Saving(k, cost - Enumerable.Range(0, q.Answers.Count).Where(a => Enumerable.Range(0, outcomes.Count).Any(i => outcomes[i][k] == a && Covered(i)))
                .Select(a => Cost(i => outcomes[i][k] == a)).DefaultIfEmpty(cost).Average())).OrderByDescending(s => s.Saves)],
            Lacks(document, questions, outcomes, budget));

        // Where nothing holds nothing is taken, and that is no saving.
        bool Covered(int outcome) => needs.All(n => n[outcome].Count > 0);
    }

    /// <summary>The cheapest pieces of which each outcome finds enough of one kind. By enumeration, whatever is dearer than the best so far left out.</summary>
    /// <param name="outcomes">For each outcome the kinds that would do, and how many of each.</param>
    /// <param name="prices">What one of each kind costs.</param>
    /// <returns>The pieces, and what they cost.</returns>
    public static (IReadOnlyList<Taken> Taken, double Cost) Cheapest(IReadOnlyList<IReadOnlyList<Taken>> outcomes, IReadOnlyList<double> prices)
    {
        var (counts, best, cost) = (new int[prices.Count], new int[prices.Count], double.PositiveInfinity);
        // Those with the fewest choices first: most of the rest is decided by them.
        Look([.. outcomes.OrderBy(o => o.Count)], 0, 0);
        return ([.. best.Select((n, i) => new Taken(i, n)).Where(t => t.Count > 0)], double.IsInfinity(cost) ? 0 : cost);

        void Look(IReadOnlyList<IReadOnlyList<Taken>> left, int at, double spent)
        {
            while (at < left.Count && left[at].Any(t => counts[t.Piece] >= t.Count))
            {
                at++;
            }

            if (spent >= cost)
            {
                return;
            }

            if (at == left.Count)
            {
                (cost, best) = (spent, (int[])counts.Clone());
                return;
            }

            foreach (var take in left[at].OrderBy(t => (t.Count - counts[t.Piece]) * prices[t.Piece]))
            {
                var before = counts[take.Piece];
                counts[take.Piece] = take.Count;
                Look(left, at + 1, spent + ((take.Count - before) * prices[take.Piece]));
                counts[take.Piece] = before;
            }
        }
    }

    // M6 or M8: what a kit has not, whichever it is.
    private static List<Phrase> Lacks(JsonObject document, IReadOnlyList<OpenQuestion> questions, List<int[]> outcomes, WorkBudget budget) =>
    [
        .. outcomes.SelectMany(o => Planner.Plan(JobForm.Read(Turned(document, questions, o)).Sheet, null, budget).Findings)
            .Where(f => f.Kind == HangingFindings.NoScrewInKit).Select(f => f.Message).DistinctBy(m => m.Say(LengthStyle.Inches)),
    ];

    private static JsonObject Turned(JsonObject document, IReadOnlyList<OpenQuestion> questions, int[] outcome)
    {
        var then = (JsonObject)document.DeepClone();
        for (var k = 0; k < outcome.Length; k++)
        {
            Pointer.Set(then, questions[k].Path, questions[k].Answers[outcome[k]]?.DeepClone());
        }

        return then;
    }

    private static List<int[]> Outcomes(IReadOnlyList<OpenQuestion> questions)
    {
        List<int[]> all = [[]];
        foreach (var question in questions)
        {
            all = [.. all.SelectMany(o => Enumerable.Range(0, question.Answers.Count).Select(a => (int[])[.. o, a])).Take(MostOutcomes + 1)];
        }

        return all;
    }

    // Which pieces hold a mount in an outcome, and how many of them it takes.
    private static List<Taken> Need(JsonObject document, IReadOnlyList<OpenQuestion> questions, int[] outcome, Item mount, IReadOnlyList<VanPiece> pieces, WorkBudget budget)
    {
        var then = Turned(document, questions, outcome);
        var needed = new List<Taken>();
        JobPlan? previous = null;
        for (var i = 0; i < pieces.Count; i++)
        {
            Pointer.Set(then, $"{mount.Here.Pointer}/bolt", pieces[i].Document.DeepClone());
            var plan = previous = Planner.Plan(JobForm.Read(then).Sheet, previous, budget);
            // What others have to find out or agree to is no matter of what is on the van.
            var stops = plan.Findings.Any(f => f.Stops && f.Kind.Stage == FixingFindings.Stage && f.Kind != FixingFindings.BoredCrossing && f.Where.Part.StartsWith(mount.Id + "/", StringComparison.Ordinal));
            if (!stops && plan.Fixing(mount.Id) is { Bolts.Count: > 0 } fixing)
            {
                needed.Add(new(i, fixing.Bolts.Count));
            }
        }

        return needed;
    }
}
