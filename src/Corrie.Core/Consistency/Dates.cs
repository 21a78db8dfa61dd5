using Corrie.Core.Findings;
using Corrie.Core.Planning;
using Corrie.Core.SiteDay;

namespace Corrie.Core.Consistency;

/// <summary>Dates that cannot be, or in an order that cannot be.</summary>
internal static class Dates
{
    // Nobody plans installs of before, or so far ahead: a clock or a year was mistyped (own rule).
    private const int FirstYear = 2015;
    private const int LastYear = 2099;

    /// <summary>What is wrong with a job's dates.</summary>
    /// <param name="job">The job.</param>
    /// <returns>The findings, parts as whole names.</returns>
    public static IEnumerable<Finding> Of(JobSheet job)
    {
        var visits = (job.Get(Visit.Part) ?? []).Select(v => (Visit: v, Day: DayTime.Read(v.On))).ToList();
        foreach (var (visit, day) in visits)
        {
            if (day is not { } on)
            {
                yield return SiteFindings.Dates.At(new($"visits/{visit.Id}"), $"Write the day of the visit as year, month and day, such as 2026-12-09: '{visit.On}' is no such day, or could be read as another one.");
            }
            else if (on.Year is < FirstYear or > LastYear)
            {
                yield return SiteFindings.Dates.At(new($"visits/{visit.Id}"), $"Look at the year again: the visit is on {visit.On}.");
            }
        }

        (Visit Visit, DateOnly? Day) First(VisitFor what) => visits.Where(v => v.Visit.For == what && v.Day is not null).OrderBy(v => v.Day).FirstOrDefault();
        foreach (var (first, then, why) in Orders)
        {
            var (before, after) = (First(first), First(then));
            if (before.Day is { } begins && after.Day is { } follows && begins > follows)
            {
                yield return SiteFindings.Dates.At(new($"visits/{before.Visit.Id}/{after.Visit.Id}"), $"Exchange the visits: {why}, and the first is on {before.Visit.On}, the other on {after.Visit.On}.");
            }
        }

        var installs = visits.Where(v => v.Visit.For == VisitFor.Install && v.Day is not null).ToList();
        foreach (var thing in (job.Get(ClientSupplied.Part) ?? []).Where(s => !s.There && s.On.Length > 0))
        {
            if (DayTime.Read(thing.On) is not { } comes)
            {
                yield return SiteFindings.Dates.At(new($"supplied/{thing.Id}"), $"Write the day on which the client's {thing.Name} comes as year, month and day, such as 2026-12-09: '{thing.On}' is no such day, or could be read as another one.");
            }
            else if (installs.Count > 0 && installs.Max(v => v.Day) is { } last && comes > last)
            {
                yield return SiteFindings.Dates.At(new($"supplied/{thing.Id}"), $"Put the visit off, or have it sooner: the client's {thing.Name} comes on {thing.On}, after the last install visit on {installs.MaxBy(v => v.Day).Visit.On}.");
            }
        }
    }

    private static IReadOnlyList<(VisitFor First, VisitFor Then, string Why)> Orders { get; } =
    [
        (VisitFor.Survey, VisitFor.Install, "the survey comes before the install"),
        (VisitFor.Electrician, VisitFor.Install, "the electrician comes before the display"),
        (VisitFor.Install, VisitFor.HandOver, "the install comes before the hand-over"),
        (VisitFor.Survey, VisitFor.Electrician, "the survey comes before the electrician"),
    ];
}
