using Corrie.Core.Findings;
using Corrie.Core.Measure;

namespace Corrie.Core.Survey;

/// <summary>Whether members are what they are said to be: one each, and where somebody has put them.</summary>
internal static class MemberCheck
{
    // Two of one doubled member touch; a tape is good to that.
    private static readonly Length Give = Length.Tape(0, 1, 16);


    /// <summary>Members entered twice, and members whose place is disputed.</summary>
    /// <param name="surveyed">The wall as surveyed.</param>
    /// <param name="bolt">The bolt that members are shown for.</param>
    /// <returns>The findings, parts named from the wall on.</returns>
    public static IEnumerable<Finding> Check(Surveyed surveyed, Length bolt) => [.. Twice(surveyed, bolt), .. Moved(surveyed, bolt), .. Read(surveyed, bolt), .. Biased(surveyed, bolt)];

    private static IEnumerable<Finding> Twice(Surveyed surveyed, Length bolt)
    {
        var entered = surveyed.Wall.Studs.Select(s => s.Id).ToHashSet();
        var studs = surveyed.For(bolt).Studs;
        for (var i = 1; i < studs.Count; i++)
        {
            var (left, right) = (studs[i - 1], studs[i]);
            var apart = right.Centre - left.Centre;
            if ((entered.Contains(left.Id) || entered.Contains(right.Id)) && left.Right - Give > right.Left)
            {
                yield return SurveyFindings.MemberTwice.At(
                    new($"studs/{left.Id}+{right.Id}", left.Centre, surveyed.Wall.Height.Half),
                    $"Look again: the studs at {left.Centre} and {right.Centre} are {apart} apart and {left.Width} wide. One stud entered twice, or is one of the readings wrong?");
            }
        }
    }

    // Evidence says that a member stands elsewhere than where somebody has put it as confirmed.
    private static IEnumerable<Finding> Moved(Surveyed surveyed, Length bolt)
    {
        foreach (var stated in surveyed.Wall.Studs.Where(s => s is { State: StudState.Confirmed, Carried: false }))
        {
            if (surveyed.For(bolt).Map.Members.FirstOrDefault(m => m.Id == stated.Id || m.Id.StartsWith(stated.Id + "-", StringComparison.Ordinal)) is not { } member)
            {
                continue;
            }

            var off = surveyed.For(bolt).Map.Members.Where(m => m.Id == stated.Id || m.Id.StartsWith(stated.Id + "-", StringComparison.Ordinal)).Min(m => (m.Centre - stated.Centre).Abs);
            if (off > stated.Play(bolt))
            {
                yield return SurveyFindings.MemberDisputed.At(
                    new($"studs/{stated.Id}", stated.Centre, surveyed.Wall.Height.Half),
                    $"Probe again: somebody put this stud at {stated.Centre} as confirmed, and what was found there puts it at {member.Centre}, {off} away; a bolt of {bolt} may be {stated.Play(bolt):fine} off.");
            }
        }
    }

    // A reading that places it does not fit the others.
    private static IEnumerable<Finding> Read(Surveyed surveyed, Length bolt)
    {
        foreach (var worst in surveyed.Across.Readings.Where(r => r.Suspects.Count > 0))
        {
            var by = Length.FromInches(Math.Abs(worst.Residual.Inches) / worst.Share);
            var points = worst.Suspects.SelectMany(s => new[] { s.From, s.To }).ToHashSet();
            foreach (var stud in surveyed.Wall.Studs.Where(s => s is { State: StudState.Confirmed, Carried: false } && points.Contains("studs/" + s.Id) && by > s.Play(bolt)))
            {
                yield return SurveyFindings.MemberDisputed.At(
                    new($"studs/{stud.Id}/readings", stud.Centre, surveyed.Wall.Height.Half),
                    $"Measure again: the readings that put the stud at {stud.Centre} disagree by {by}, and a bolt of {bolt} may be {stud.Play(bolt):fine} off.");
            }
        }
    }

    // Probes keep finding members on one side of what the scanner says.
    private static IEnumerable<Finding> Biased(Surveyed surveyed, Length bolt)
    {
        if (surveyed.For(bolt).Map.Bias is { } bias)
        {
            var (right, by) = (bias.By > Length.Zero, bias.By.Abs);
            yield return SurveyFindings.ToolBiased.At(
                new("evidence/scanner", bias.Members[0], surveyed.Wall.Height.Half),
                $"Calibrate the scanner over a bay: at {bias.Members.Count} studs it read {by:fine} to the {(right ? "right" : "left")} of where the bit found them. {by:fine} to the {(right ? "left" : "right")} is taken off from all that it says on this wall.");
        }
    }
}
