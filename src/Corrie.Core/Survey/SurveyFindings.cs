using Corrie.Core.Findings;

namespace Corrie.Core.Survey;

/// <summary>What can be wrong with a survey.</summary>
public static class SurveyFindings
{
    /// <summary>A hole into a member that nobody has confirmed.</summary>
    public static readonly FindingKind FramingUnconfirmed = new(
        "survey.framing-unconfirmed", Severity.Stop, "Stud not confirmed",
        "a planned structural hole goes into a member that is not confirmed",
        "A scanner can be half an inch out; a bolt that misses its stud leaves the display on board alone.",
        Source.CommonPractice);

    /// <summary>Readings that do not fit.</summary>
    public static readonly FindingKind ReadingsDisagree = new(
        "survey.readings-disagree", Severity.Caution, "Readings do not fit",
        "a reading does not fit the adjusted network (normalised residual over 3), or two readings of one thing differ by over 1/8 in",
        "One of them is wrong, and a hole may follow it.",
        Source.Published("W. Baarda, A testing procedure for use in geodetic networks, 1968; 1/8 in is common practice"));

    /// <summary>A point that is not clear.</summary>
    public static readonly FindingKind DatumUnclear = new(
        "survey.datum-unclear", Severity.Stop, "Which edge was measured?",
        "a reading is taken from or to a thing whose face or edge is not named",
        "The two faces of a casing are inches apart.",
        Source.CommonPractice);

    /// <summary>Members that do not fit one module.</summary>
    public static readonly FindingKind SpacingBroken = new(
        "survey.spacing-broken", Severity.Caution, "Spacing does not add up",
        "measured members do not fit one module at the stated spacing within 1/2 in",
        "Framers miss by up to half an inch; more than that is a slip of the tape, or another member.",
        Source.CommonPractice);

    /// <summary>A hole near something live.</summary>
    public static readonly FindingKind LiveNearHole = new(
        "survey.live-near-hole", Severity.FinalStop, "Hole where a live cable may run",
        "a hole lies in the keep-out of an electrical device whose cable's route is not known: 6 in each side over the wall's height, and 6 in above and below at its own height",
        "Cables run straight up, down and along from a device; a drill finds them first.",
        Source.CommonPractice);

    /// <summary>Holes planned, nothing looked for.</summary>
    public static readonly FindingKind ServicesNotLookedFor = new(
        "survey.services-not-looked-for", Severity.FinalStop, "Services not looked for",
        "a hole is planned and no scan for cables, pipes and gas is recorded",
        "Nobody drills on a guess: what is behind the board has to be looked for and the look recorded.",
        Source.CommonPractice);

    /// <summary>The wall's build-up is not known.</summary>
    public static readonly FindingKind LayersUnknown = new(
        "survey.layers-unknown", Severity.Stop, "Build-up not known",
        "the wall has no build-up, or holes are planned through a layer that nobody has confirmed",
        "The length of every bolt follows from what it passes before it meets wood.",
        Source.CommonPractice);

    /// <summary>All of them, in the order of the catalogue.</summary>
    public static IReadOnlyList<FindingKind> All { get; } =
        [ReadingsDisagree, DatumUnclear, SpacingBroken, FramingUnconfirmed, LiveNearHole, ServicesNotLookedFor, LayersUnknown];
}
