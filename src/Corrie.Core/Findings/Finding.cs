using System.Text.Json.Nodes;
using Corrie.Core.Measure;

namespace Corrie.Core.Findings;

/// <summary>How grave a finding is, gravest first.</summary>
public enum Severity
{
    /// <summary>A stop that nobody overrides: it clears by evidence alone.</summary>
    FinalStop,

    /// <summary>A stop: the step can't be started without a named person's override and reason.</summary>
    Stop,

    /// <summary>Something to weigh before going on.</summary>
    Caution,

    /// <summary>Something to know.</summary>
    Note,
}

/// <summary>Where a rule or a value comes from.</summary>
/// <param name="Name">The publication and clause, or 'common practice'.</param>
/// <param name="FromMemory">Whether the value was written down from memory and must be checked against the local edition.</param>
public sealed record Source(string Name, bool FromMemory)
{
    /// <summary>A trade fact without a published source.</summary>
    public static Source CommonPractice { get; } = new("common practice", false);

    /// <summary>The maker's own figure, as entered in the catalogue.</summary>
    public static Source Maker { get; } = new("the maker's figure in the catalogue", false);

    /// <summary>Plain arithmetic on the readings.</summary>
    public static Source Arithmetic { get; } = new("arithmetic on the readings", false);

    /// <summary>A clause of the wood design specification ANSI/AWC NDS-2018.</summary>
    /// <param name="clause">Its number, such as <c>12.2.1</c>.</param>
    /// <returns>The source, its values from memory.</returns>
    public static Source Nds(string clause) => new("ANSI/AWC NDS-2018 " + clause, true);

    /// <summary>A published source, its values from memory.</summary>
    /// <param name="name">What it is called.</param>
    /// <returns>The source.</returns>
    public static Source Published(string name) => new(name, true);

    /// <inheritdoc/>
    public override string ToString() => FromMemory ? Name + " (from memory; the local edition prevails)" : Name;
}

/// <summary>A stage of the work, by its word; the stages themselves are listed in <c>Jobs/Stages.cs</c> alone.</summary>
/// <param name="Word">Its word in addresses, files and finding codes.</param>
/// <param name="Title">What people call it.</param>
public sealed record StageId(string Word, string Title);

/// <summary>A kind of finding: one line of the catalogue.</summary>
/// <param name="Stage">The stage whose matter it is.</param>
/// <param name="Code">Stable code such as <c>fix.edge-distance</c>; tests, exports and overrides refer to it.</param>
/// <param name="Severity">Its usual severity.</param>
/// <param name="Title">What is wrong, in a few words.</param>
/// <param name="When">When the planner has it.</param>
/// <param name="Why">Why it matters.</param>
/// <param name="Source">Where the rule comes from.</param>
/// <param name="Milder">The milder severity that it takes in the case that <paramref name="When"/> names; null where it has one only.</param>
public sealed record FindingKind(
    StageId Stage, string Code, Severity Severity, string Title, string When, string Why, Source Source, Severity? Milder = null)
{
    /// <summary>Makes a finding of this kind.</summary>
    /// <param name="where">What it is about; a part is named from its owner on.</param>
    /// <param name="message">What is wrong, with its numbers.</param>
    /// <param name="remedies">Ways out, best first.</param>
    /// <returns>The finding.</returns>
    public Finding At(Spot where, Phrase message, params IReadOnlyList<Remedy> remedies) => new(this, Severity, where, message, remedies);

    /// <summary>Makes a finding of this kind in its milder form.</summary>
    /// <param name="where">What it is about; a part is named from its owner on.</param>
    /// <param name="message">What is wrong, with its numbers.</param>
    /// <param name="remedies">Ways out, best first.</param>
    /// <returns>The finding.</returns>
    public Finding MildAt(Spot where, Phrase message, params IReadOnlyList<Remedy> remedies) => new(this, Milder ?? Severity, where, message, remedies);
}

/// <summary>The part of the job that a finding is about, and the point on the wall where its tag is tied.</summary>
/// <param name="Part">A path-like name such as <c>m1/bolts/2</c> or <c>w1/studs/s3</c>: the owner's key and the part.</param>
/// <param name="X">Distance from the left corner; null where the part has no one place.</param>
/// <param name="Y">Height over the floor; null likewise.</param>
public sealed record Spot(string Part, Length? X = null, Length? Y = null)
{
    /// <summary>Key of the wall that it is on; empty where it is about the whole job.</summary>
    public string Wall { get; init; } = string.Empty;
}

/// <summary>One entry that a remedy would append to the job sheet.</summary>
/// <param name="Path">JSON Pointer into the sheet.</param>
/// <param name="Value">The new value; null takes the part away.</param>
public sealed record Change(string Path, JsonNode? Value);

/// <summary>A way out that the planner worked out.</summary>
/// <param name="Label">What to do, short enough for a button.</param>
/// <param name="Effect">What it brings, in numbers.</param>
/// <param name="Changes">The entries that applying it appends.</param>
public sealed record Remedy(Phrase Label, Phrase Effect, IReadOnlyList<Change> Changes)
{
    /// <summary>All that is different with it, once it has been planned; null before.</summary>
    public RemedyOutcome? Brings { get; init; }
}

/// <summary>All that a remedy makes different.</summary>
/// <param name="Goes">Findings that are gone then.</param>
/// <param name="Comes">Findings that come.</param>
/// <param name="Moves">Things that move, each with how far.</param>
/// <param name="Holes">How many holes are elsewhere then.</param>
public sealed record RemedyOutcome(IReadOnlyList<FindingKind> Goes, IReadOnlyList<FindingKind> Comes, IReadOnlyList<Phrase> Moves, int Holes);

/// <summary>Who has overridden a stop, and why.</summary>
/// <param name="By">Who.</param>
/// <param name="Role">In which role.</param>
/// <param name="Reason">Why.</param>
/// <param name="Key">Its key among the job's overrides.</param>
public sealed record OverriddenBy(string By, string Role, string Reason, string Key);

/// <summary>What the planner has to say about a plan.</summary>
/// <param name="Kind">The catalogue's line.</param>
/// <param name="Severity">How grave it is here.</param>
/// <param name="Where">What it is about, and where on the wall.</param>
/// <param name="Message">What is wrong, with its numbers.</param>
/// <param name="Remedies">Ways out, best first; may be empty.</param>
public sealed record Finding(FindingKind Kind, Severity Severity, Spot Where, Phrase Message, IReadOnlyList<Remedy> Remedies)
{
    /// <summary>What it is made up of, a line each, the likeliest first; empty where the message says it all.</summary>
    public IReadOnlyList<Phrase> Parts { get; init; } = [];

    /// <summary>The stable code.</summary>
    public string Code => Kind.Code;

    /// <summary>Who has overridden it; null where nobody has. Final stops nobody overrides.</summary>
    public OverriddenBy? Overridden { get; init; }

    /// <summary>An override of it that has lapsed, since its figures are others now; null where there is none.</summary>
    public OverriddenBy? Lapsed { get; init; }

    /// <summary>Whether it stops work.</summary>
    public bool Stops => Severity == Severity.FinalStop || (Severity == Severity.Stop && Overridden is null);
}
