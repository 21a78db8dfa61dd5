using Corrie.Core.Findings;

namespace Corrie.Simulators.Tests;

/// <summary>A sample of the study in docs/studies/judgement.md; its full size is <c>bench/run judgement</c>.</summary>
public class JudgementTests
{
    [Fact]
    public void Every_planted_danger_is_said_and_nothing_is_said_of_sound_jobs()
    {
        var study = JudgementStudy.Run(planted: 1000, sound: 250, seed: 500_000);
        Assert.Empty(study.Silent);
        Assert.Empty(study.Alarms);
        Assert.Empty(study.Broken);
        Assert.True(study.Remedies > 250);
    }

    /// <summary>Whatever check is switched off, some danger passes: the study would notice.</summary>
    [Fact]
    public void Without_any_one_check_a_danger_passes()
    {
        var alone = WholeJobs.Dangers.Where(d => d.Codes.Count == 1).Select(d => d.Codes[0]).Where(c => c != JudgementStudy.NotRead).Distinct().ToList();
        Assert.True(alone.Count > 30);
        Assert.All(alone, code => Assert.NotEmpty(JudgementStudy.Run(planted: 6, sound: 0, seed: 7, without: code, only: d => d.Codes.Contains(code)).Silent));
    }

    [Fact]
    public void The_table_of_dangers_has_stops_of_every_stage()
    {
        Assert.Superset(new HashSet<string> { "survey", "place", "hang", "masonry", "fix", "feed", "plan" }, WholeJobs.Dangers.SelectMany(d => d.Codes).Select(c => c.Split('.')[0]).ToHashSet());
        Assert.All(WholeJobs.Dangers, d => Assert.True(d.Least <= Severity.Caution));
    }
}
