using System.Text.Json.Nodes;
using Corrie.Core.Findings;
using Corrie.Core.Masonry;
using Corrie.Core.Measure;
using Corrie.Core.Planning;

namespace Corrie.Web.Jobs;

/// <summary>Gaps behind a plate, entered in one line in the order of its holes.</summary>
internal static class GapsEntry
{
    /// <summary>What a line enters: each gap at the place where its hole is now, so that a plate that is moved has them no more.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="mount">The mount.</param>
    /// <param name="typed">The line.</param>
    /// <param name="bare">The unit of a number without one.</param>
    /// <param name="who">Who measured.</param>
    /// <returns>The changes, or what was not understood.</returns>
    public static (IReadOnlyList<Change> Changes, ReadProblem? Problem) Changes(JobPlan plan, Item mount, string? typed, UnitSystem bare, string who)
    {
        var holes = plan.Face(mount.Id)?.Holes ?? [];
        var (gaps, problem) = QuickGaps.Read(typed, holes.Count, bare);
        if (problem is not null)
        {
            return ([], problem);
        }

        string Exact(Length length) => LengthText.Exact(length, plan.Sheet.Head.Units);
        var here = mount.Here.To(Gaps.Part.Name);
        var changes = new List<Change>();
        // What was measured where a hole is now is measured anew.
        foreach (var old in mount.Get(Gaps.Part)?.Points.Items ?? [])
        {
            if (holes.Where((h, i) => i < gaps.Count && gaps[i] is not null).Any(h => new Gaps(new([old]), Length.Zero, string.Empty, here).At(h.X, h.Y) is not null))
            {
                changes.Add(here.To("points").Clear(old.Id));
            }
        }

        var key = Guid.NewGuid().ToString("N")[..6];
        for (var i = 0; i < gaps.Count; i++)
        {
            if (gaps[i] is { } gap)
            {
                changes.Add(here.To("points").Set($"g{key}{i + 1}", new JsonObject { ["x"] = Exact(holes[i].X), ["y"] = Exact(holes[i].Y), ["gap"] = Exact(gap) }));
            }
        }

        return ([.. changes, here.Set("by", (JsonNode)who)], null);
    }
}
