using System.Text.Json.Nodes;
using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Data;

namespace Corrie.Web.Jobs;

/// <summary>A figure of the company's that a job holds an older copy of.</summary>
/// <param name="Says">What it is.</param>
/// <param name="Here">What the job is planned with.</param>
/// <param name="Now">What the company's figure is now.</param>
public sealed record OlderFigure(string Says, string Here, string Now);

/// <summary>Compares a job's copy of the company's figures with those of today.</summary>
public static class PolicyAge
{
    /// <summary>The figures that differ, in words.</summary>
    public static IReadOnlyList<OlderFigure> Differences(JsonObject? copy, JsonObject today, LengthStyle style) =>
    [
        .. from pair in Policy.Form.MembersOf(copy ?? [], Place.Nowhere).Zip(Policy.Form.MembersOf(today, Place.Nowhere))
           where !Policy.Besides.Contains(pair.First.Name)
           let here = Text(copy, pair.First, style)
           let now = Text(today, pair.Second, style)
           where here != now
           select new OlderFigure(pair.First.Shape.Says, here, now),
    ];

    /// <summary>The change that takes over the figures of today; null where a job's copy is as new.</summary>
    public static Change? TakeOver(JsonObject document, CompanyPolicy policy) =>
        VersionOf(document["policy"]) < policy.Version ? new("/policy", policy.Document.DeepClone()) : null;

    /// <summary>Which version of the company's figures a job was planned with; 0 for those that Corrie comes with.</summary>
    public static long VersionOf(JsonNode? copy) => copy?["version"] is JsonValue v && long.TryParse(v.ToJsonString(), out var version) ? version : 0;

    /// <summary>A member as it stands in a copy, or what holds where nothing stands there; empty for neither.</summary>
    public static string Text(JsonObject? group, Member member, LengthStyle style) =>
        group?[member.Name] is { } value ? member.Shape.Text(value, style) : member.Usual?.Invoke(style) ?? string.Empty;
}
