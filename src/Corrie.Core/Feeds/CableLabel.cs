using Corrie.Core.Planning;

namespace Corrie.Core.Feeds;

/// <summary>A label for one end of a cable.</summary>
/// <param name="Cable">The cable.</param>
/// <param name="Here">What this end plugs into.</param>
/// <param name="There">What the other end plugs into.</param>
public sealed record CableLabel(Connection Cable, string Here, string There)
{
    /// <summary>The labels of a job: two for each cable, in the order of what the cables are called.</summary>
    /// <param name="plan">The plan.</param>
    /// <returns>The labels.</returns>
    public static IReadOnlyList<CableLabel> Of(JobPlan plan)
    {
        var holders = plan.PortHolders();
        string End(string key, string port) => holders.FirstOrDefault(h => h.Key == key) is not { } holder ? "?" : (holder.Jack(port)?.Name ?? port) is { Length: > 0 } named ? $"{holder.Name}, {named}" : holder.Name;
        return [.. (plan.Sheet.Get(Connection.Part) ?? []).OrderBy(c => c.Says, StringComparer.Ordinal)
            .SelectMany(c => new CableLabel[] { new(c, End(c.From, c.FromPort), End(c.To, c.ToPort)), new(c, End(c.To, c.ToPort), End(c.From, c.FromPort)) })];
    }
}
