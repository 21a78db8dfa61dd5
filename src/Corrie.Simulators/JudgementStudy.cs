using System.Globalization;
using System.Text;
using System.Text.Json.Nodes;
using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Jobs;
using Corrie.Core.Planning;

namespace Corrie.Simulators;

/// <summary>What the planner says of whole jobs: with one planted danger each, and without any.</summary>
public sealed class JudgementStudy
{
    /// <summary>Stands in the table of dangers for a part of the sheet that cannot be read.</summary>
    public const string NotRead = "plan.not-read";

    // What is asked of the whole job, and hangs on nothing that another danger moves; a keep-out that is set to its floor lets a live sign 2 in away pass, and says so.
    private static readonly IReadOnlyList<Danger> Besides = [.. TangledJobs.Dangers.Where(d => !d.Name.StartsWith("nothing is kept free", StringComparison.Ordinal) && d.Codes.Any(c => c is "site.dates" or "plan.figure-unusual" or "hang.not-held" or "site.footing"))];

    private readonly Dictionary<string, (int Planted, int Silent)> dangers = [];
    private string? off;

    /// <summary>Jobs with a danger that was not said, by danger and seed.</summary>
    public List<(string Danger, int Seed, string Said)> Silent { get; } = [];

    /// <summary>Sound jobs that have a stop or a caution, by seed.</summary>
    public List<(int Seed, string Said, bool Stop)> Alarms { get; } = [];

    /// <summary>Remedies that do not what they claim, by danger and seed.</summary>
    public List<(string Danger, int Seed, string Remedy)> Broken { get; } = [];

    /// <summary>Jobs with a danger.</summary>
    public int Planted { get; private set; }

    /// <summary>Of these, jobs with two.</summary>
    public int Pairs { get; private set; }

    /// <summary>Jobs without.</summary>
    public int Sound { get; private set; }

    /// <summary>Remedies that were offered and applied.</summary>
    public int Remedies { get; private set; }

    /// <summary>Remedies that were worked out and not offered, since planning with them does not do what they say.</summary>
    public int Withheld { get; private set; }

    /// <summary>Runs the study.</summary>
    /// <param name="planted">How many jobs with a danger.</param>
    /// <param name="sound">How many without.</param>
    /// <param name="seed">Seed of the first.</param>
    /// <param name="without">Code of a check that is switched off; null for none.</param>
    /// <param name="only">Which dangers are planted; null for all.</param>
    /// <returns>What came of it.</returns>
    public static JudgementStudy Run(int planted, int sound, int seed, string? without = null, Func<Danger, bool>? only = null)
    {
        var study = new JudgementStudy { off = without };
        List<Danger> table = [.. WholeJobs.Dangers.Where(only ?? (_ => true))];
        for (var i = 0; i < sound; i++)
        {
            study.Look(seed + i);
        }

        for (var i = 0; i < planted; i++)
        {
            study.Plant(seed + i, table);
        }

        return study;
    }

    /// <inheritdoc/>
    public override string ToString()
    {
        var text = new StringBuilder();
        text.AppendLine(CultureInfo.InvariantCulture, $"{Planted} jobs with planted dangers, {Pairs} of them with two: {Silent.Count} passed in silence.");
        text.AppendLine(CultureInfo.InvariantCulture, $"{Sound} sound jobs: {Alarms.Count(a => a.Stop)} with a stop, {100.0 * Alarms.Count(a => !a.Stop) / Math.Max(1, Sound):0.0} % with a caution.");
        text.AppendLine(CultureInfo.InvariantCulture, $"{Remedies} remedies offered, applied and planned: {Broken.Count} do not what they claim; {Withheld} more were worked out and withheld.");
        foreach (var (name, (count, silent)) in dangers.OrderByDescending(d => d.Value.Silent).ThenBy(d => d.Key, StringComparer.Ordinal))
        {
            text.AppendLine(CultureInfo.InvariantCulture, $"| {name} | {count} | {silent} |");
        }

        foreach (var (name, at, said) in Silent.DistinctBy(s => s.Danger).Take(20))
        {
            text.AppendLine(CultureInfo.InvariantCulture, $"silent: {name}, seed {at}: {said}");
        }

        foreach (var (at, said, _) in Alarms.DistinctBy(a => a.Said).Take(10))
        {
            text.AppendLine(CultureInfo.InvariantCulture, $"alarm: seed {at}: {said}");
        }

        foreach (var (name, at, remedy) in Broken.DistinctBy(b => b.Danger).Take(20))
        {
            text.AppendLine(CultureInfo.InvariantCulture, $"remedy: {name}, seed {at}: {remedy}");
        }

        return text.ToString();
    }

    private void Look(int seed)
    {
        Sound++;
        var (plan, lost) = Plan(WholeJobs.Sound(new(seed)).Document);
        var said = plan.Findings.Where(f => f.Severity <= Severity.Caution).Select(f => f.Code).Distinct().ToList();
        if (lost || said.Count > 0)
        {
            Alarms.Add((seed, lost ? "not read" : string.Join(", ", said), lost || plan.Findings.Any(f => f.Stops)));
        }
    }

    private void Plant(int seed, List<Danger> table)
    {
        Planted++;
        var random = new Random(seed);
        var job = WholeJobs.Sound(random);
        if (!table.Exists(d => d.FitsInto(job)))
        {
            job = WholeJobs.Sound(random, table[0].OfStone, table[0].Fed);
        }

        var here = table.Where(d => d.FitsInto(job)).ToList();
        var danger = here[random.Next(here.Count)];
        danger.Plant(job, random);
        // A fault seldom comes alone: every third job has a second one, which adds to the first and takes nothing of it away.
        var beside = off is null && !danger.Codes.Contains(NotRead) && table.Count == WholeJobs.Dangers.Count && random.Next(3) == 0 ? Besides.Where(d => d.FitsInto(job) && d.Name != danger.Name && !d.Codes.Intersect(danger.Codes).Any()).ToList() : [];
        var second = beside.Count == 0 ? null : beside[random.Next(beside.Count)];
        second?.Plant(job, random);
        Pairs += second is null ? 0 : 1;
        var (plan, lost) = Plan(job.Document);
        foreach (var planted in second is null ? [danger] : new[] { danger, second })
        {
            var silent = !(lost && planted.Codes.Contains(NotRead)) && !plan.Findings.Any(f => f.Code != off && planted.Codes.Contains(f.Code) && f.Severity <= planted.Least);
            var (count, before) = dangers.GetValueOrDefault(planted.Name);
            dangers[planted.Name] = (count + 1, before + (silent ? 1 : 0));
            if (silent)
            {
                Silent.Add((second is null ? planted.Name : $"{planted.Name} (with {(planted == danger ? second : danger).Name})", seed, string.Join(", ", plan.Findings.Where(f => f.Severity <= Severity.Caution).Select(f => f.Code).Distinct())));
            }
        }

        foreach (var finding in off is null ? plan.Findings : [])
        {
            var offered = RemedyProof.Proven(job.Document, plan, finding);
            Withheld += finding.Remedies.Count - offered.Count;
            foreach (var remedy in offered)
            {
                Remedies++;
                var after = (JsonObject)job.Document.DeepClone();
                foreach (var change in remedy.Changes)
                {
                    Pointer.Set(after, change.Path, change.Value?.DeepClone());
                }

                var then = Plan(after).Plan;
                var still = then.Findings.Any(f => f.Code == finding.Code && f.Where.Part == finding.Where.Part && f.Severity <= finding.Severity);
                var stops = then.Findings.Where(f => f.Stops).Select(f => f.Code).Except(plan.Findings.Where(f => f.Stops).Select(f => f.Code)).ToList();
                if (remedy.Effect.Say(Core.Measure.LengthStyle.Inches).EndsWith("the client has to consent again", StringComparison.Ordinal))
                {
                    stops.Remove("place.not-approved");
                }

                if (still || stops.Count > 0)
                {
                    Broken.Add((danger.Name, seed, $"{finding.Code}: {remedy.Label.Say(Core.Measure.LengthStyle.Inches)}{(still ? " leaves it" : " brings " + string.Join(", ", stops))}"));
                }
            }
        }
    }

    private static (JobPlan Plan, bool Lost) Plan(JsonObject document)
    {
        var (sheet, problems) = JobForm.Read(document);
        return (Planner.Plan(sheet), problems.Count > 0);
    }
}
