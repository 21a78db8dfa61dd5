using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Measure;

namespace Corrie.Core.Planning;

/// <summary>Somebody's word that a stop may be passed. It is for what the stop said then: with other figures it has lapsed, and a final stop nobody overrides.</summary>
/// <param name="Id">Its key.</param>
/// <param name="Code">The finding's code.</param>
/// <param name="About">The part that the finding is about.</param>
/// <param name="Says">What the finding said, in inches.</param>
/// <param name="By">Who overrides it.</param>
/// <param name="Role">In which role.</param>
/// <param name="Reason">Why.</param>
public sealed record Override(string Id, string Code, string About, string Says, string By, string Role, string Reason)
{
    /// <summary>Where overrides stand in a job's document.</summary>
    public const string Place = "/overrides";

    private static readonly GroupShape<Override> Form = new("an override", m => new Override(
        m.Key,
        m.Need("code", new TextShape("the finding's code", 60)),
        m.Need("about", new TextShape("the part that it is about", 120)),
        m.Need("says", new TextShape("what the finding said", 1200)),
        m.Need("by", new TextShape("who overrides it", 80)),
        m.Need("role", new TextShape("in which role", 40)),
        m.Need("reason", new TextShape("why", 400))));

    /// <summary>The overrides of a job.</summary>
    public static Part<IReadOnlyList<Override>> Part { get; } = new(Holder.Job, Place[1..], new MapShape<Override>("stops that somebody has overridden", Form, 200));

    /// <summary>Whether a severity can be overridden at all.</summary>
    /// <param name="severity">The severity.</param>
    /// <returns>Whether it can: stops alone, and no final ones.</returns>
    public static bool Can(Severity severity) => severity == Severity.Stop;

    /// <summary>A finding with the override that is for it.</summary>
    /// <param name="finding">The finding.</param>
    /// <param name="all">All overrides of the job.</param>
    /// <returns>The finding, overridden where one is in force; with the one that has lapsed where its figures are others now.</returns>
    internal static Finding Apply(Finding finding, IReadOnlyList<Override> all)
    {
        if (!Can(finding.Severity) || all.LastOrDefault(o => o.Code == finding.Code && o.About == finding.Where.Part) is not { } own)
        {
            return finding;
        }

        var inForce = all.LastOrDefault(o => o.Code == finding.Code && o.About == finding.Where.Part && o.Says == Saying(finding) && o.By.Trim().Length > 0 && o.Reason.Trim().Length > 0);
        return inForce is null ? finding with { Lapsed = new(own.By, own.Role, own.Reason, own.Id) } : finding with { Overridden = new(inForce.By, inForce.Role, inForce.Reason, inForce.Id) };
    }

    /// <summary>What a finding says, as an override keeps it.</summary>
    /// <param name="finding">The finding.</param>
    /// <returns>The text, in inches.</returns>
    public static string Saying(Finding finding) => finding.Message.Say(LengthStyle.Inches) is { Length: > 1200 } text ? text[..1200] : finding.Message.Say(LengthStyle.Inches);
}
