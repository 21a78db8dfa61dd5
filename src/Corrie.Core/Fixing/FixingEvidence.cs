using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Core.Planning;

namespace Corrie.Core.Fixing;

/// <summary>What a maker rates a mount for, on exactly this wall.</summary>
/// <param name="Load">The mass that may hang on it.</param>
/// <param name="Reach">How far out of the wall; null where it covers the mount's whole reach.</param>
/// <param name="Bolts">How many bolts it states, at least 1.</param>
/// <param name="Bolt">Their diameter.</param>
/// <param name="Paper">Where that stands.</param>
/// <param name="By">Who read it there.</param>
/// <param name="Assumed">The wall that it is for, as it was planned then; empty until somebody has confirmed it.</param>
public sealed record MakerRating(Mass Load, Length? Reach, int Bolts, Length Bolt, string Paper, string By, string Assumed);

/// <summary>What an engineer says that a bolt holds.</summary>
/// <param name="Name">The engineer.</param>
/// <param name="On">Date.</param>
/// <param name="Tension">Out of the wall, for each bolt.</param>
/// <param name="Shear">Across, for each bolt.</param>
/// <param name="Assumed">The wall and the bolt that it is for, as they were planned then; empty until somebody has confirmed it.</param>
public sealed record EngineersFigure(string Name, string On, Force Tension, Force Shear, string Assumed);

/// <summary>What others than Corrie say of what holds a plate. It counts for the wall that it was made for, and is void as soon as that changes.</summary>
/// <param name="Maker">A maker's rating; null for none.</param>
/// <param name="Engineer">An engineer's figure; null for none.</param>
/// <param name="Here">Where it stands in the document.</param>
public sealed record FixingEvidence(MakerRating? Maker, EngineersFigure? Engineer, Place Here)
{
    private const int Longest = 400;

    private static readonly GroupShape<MakerRating> MakerForm = new("a maker's rating for exactly this wall", m => new MakerRating(
        m.Need("load", new MassShape("weight that may hang on it", overZero: true)),
        m.MaybeLength("reach", "how far out of the wall that holds; the whole reach where it is not said", LengthRange.Distance),
        m.Or("bolts", new WholeShape("how many bolts it states", 1, 40), 2),
        m.Length("bolt", "their diameter", LengthRange.UpTo(Length.Tape(2))),
        m.Need("paper", new TextShape("where that stands: the manual and its page", 120)),
        m.Text("by", "who read it there", 80),
        m.Text("assumed", "the wall that it is for", Longest)));

    private static readonly GroupShape<EngineersFigure> EngineerForm = new("an engineer's figure for each bolt", m => new EngineersFigure(
        m.Need("name", new TextShape("the engineer's name", 80)),
        m.Need("on", new TextShape("date of the figure", 40)),
        m.Need("tension", new MassShape("what a bolt holds out of the wall", overZero: true)).Weight,
        m.Need("shear", new MassShape("what it holds across", overZero: true)).Weight,
        m.Text("assumed", "the wall and the bolt that it is for", Longest)));

    /// <summary>What others say of a plate's fixing.</summary>
    public static Part<FixingEvidence> Part { get; } = new(Holder.Item, "evidence", new GroupShape<FixingEvidence>("what the maker or an engineer says", m => new FixingEvidence(
        m.Part("maker", MakerForm), m.Part("engineer", EngineerForm), m.Here)), kind => kind == Mount.Kind);

    /// <summary>The wall as a maker's rating assumes it.</summary>
    /// <param name="input">All that the bolts follow from.</param>
    /// <returns>What it is, in inches and words: the same text for the same wall.</returns>
    internal static string WallOf(Bolting input) =>
        $"{input.Mount.Name}; {input.Wall.Kind.Words()}{(input.Wall.Gauge is { } gauge ? ", " + gauge.Words() : string.Empty)}; {Layers(input)}; {input.Layout.Position.Bolts.Select(b => b.Stud.Id).Distinct().Count()} members";

    /// <summary>The wall and the bolt as an engineer's figure assumes them.</summary>
    /// <param name="input">All that the bolts follow from.</param>
    /// <returns>What they are, in inches and words: the same text for the same wall and bolt.</returns>
    internal static string BoltOf(Bolting input) =>
        $"{input.Fastener.Sort.Words()} {Inches(input.Fastener.Diameter)} by {Inches(input.Fastener.Length)}; {input.Wall.Kind.Words()}{(input.Wall.Unit is { } unit ? ", " + unit.Words() : string.Empty)}, {input.Ground.Name}; {Layers(input)}; packing {Inches(input.Choice.Packing)}; plate {Inches(input.Mount.PlateThickness)}{(input.Choice.Conditions.Spreader > Length.Zero ? $"; board {Inches(input.Choice.Conditions.Spreader)}" : string.Empty)}";

    /// <summary>The engineer's figure as far as it counts.</summary>
    /// <param name="input">All that the bolts follow from.</param>
    /// <returns>The figure; null where there is none, or it is for another wall or bolt.</returns>
    internal static EngineersFigure? EngineerFor(Bolting input) => input.Evidence?.Engineer is { } figure && figure.Assumed == BoltOf(input) ? figure : null;

    /// <summary>The maker's rating as far as it counts and covers what hangs.</summary>
    /// <param name="input">All that the bolts follow from.</param>
    /// <returns>The rating; null where there is none, or it is for another wall, less weight, less reach, more or thicker bolts.</returns>
    internal static MakerRating? MakerFor(Bolting input) =>
        input.Evidence?.Maker is { } rating && rating.Assumed == WallOf(input) && Covers(rating, input) ? rating : null;

    private static bool Covers(MakerRating rating, Bolting input) =>
        input.Layout.Load.Kilograms <= rating.Load.Kilograms && (rating.Reach is null || rating.Reach >= input.Mount.DepthExtended) &&
        input.Layout.Position.Used(input.Fastener.Diameter, input.Mount.Studs).Count >= rating.Bolts && input.Fastener.Diameter >= rating.Bolt;

    /// <summary>What is wrong with it: not confirmed for this wall, void, or it does not cover what hangs.</summary>
    /// <param name="input">All that the bolts follow from.</param>
    /// <returns>The findings, parts named from the mount on.</returns>
    internal static IEnumerable<Finding> Check(Bolting input)
    {
        if (input.Evidence is not { } evidence)
        {
            yield break;
        }

        if (evidence.Engineer is { } engineer && engineer.Assumed != BoltOf(input))
        {
            yield return Void("engineer", Phrase.Of($"the figure of {engineer.Name}, {engineer.Tension} out and {engineer.Shear} across"), engineer.Assumed, BoltOf(input));
        }

        if (evidence.Maker is { } maker)
        {
            if (maker.Assumed != WallOf(input))
            {
                yield return Void("maker", Phrase.Of($"the maker's rating of {maker.Load}"), maker.Assumed, WallOf(input));
            }
            else if (!Covers(maker, input))
            {
                yield return FixingFindings.EvidenceVoid.At(
                    new("evidence/maker"), $"The maker's rating in {maker.Paper} does not cover this: it is for {maker.Load} on {maker.Bolts} bolts of {maker.Bolt}{(maker.Reach is { } far ? Phrase.Of($" up to {far} out") : string.Empty)}, and planned are {input.Layout.Load} on {input.Layout.Position.Used(input.Fastener.Diameter, input.Mount.Studs).Count} of {input.Fastener.Diameter}, {input.Mount.DepthExtended} out.");
            }
        }

        Finding Void(string what, Phrase figure, string then, string now) => FixingFindings.EvidenceVoid.At(
            new("evidence/" + what),
            then.Length == 0 ? Phrase.Of($"Say for what {figure} is: it counts once somebody has confirmed that it is for this: {now}.")
                : Phrase.Of($"Have {figure} confirmed anew: it was for {then}, and planned is {now}."),
            new Remedy("It is for what is planned now", now, [evidence.Here.To(what).Set("assumed", (System.Text.Json.Nodes.JsonNode)now)]));
    }

    private static string Layers(Bolting input) => input.Wall.Layers.Count == 0 ? "no layers" : string.Join(" and ", input.Wall.Layers.Select(l => $"{l.Name} {Inches(l.Thickness)}"));

    private static string Inches(Length length) => LengthText.Exact(length, UnitSystem.Inches);
}
