using Corrie.Core.Findings;

namespace Corrie.Core.Survey;

/// <summary>What can be wrong with a survey.</summary>
public static class SurveyFindings
{
    /// <summary>The stage whose matter these are.</summary>
    public static readonly StageId Stage = new("survey", "Survey");

    /// <summary>A hole into a member that nobody has confirmed.</summary>
    public static readonly FindingKind FramingUnconfirmed = new(
        Stage, "survey.framing-unconfirmed", Severity.Stop, "Stud not confirmed",
        "a planned structural hole goes into a member that is not confirmed",
        "A scanner can be half an inch out; a bolt that misses its stud leaves the display on board alone.",
        Source.CommonPractice);

    /// <summary>Readings that do not fit.</summary>
    public static readonly FindingKind ReadingsDisagree = new(
        Stage, "survey.readings-disagree", Severity.Caution, "Readings do not fit",
        "a reading does not fit the adjusted network (normalised residual over 3), two readings of one thing differ by over 1/8 in, or the wall's size as read is over 1 in off what was entered",
        "One of them is wrong, and a hole may follow it.",
        Source.Published("W. Baarda, A testing procedure for use in geodetic networks, 1968; 1/8 in is common practice"));

    /// <summary>A point that is not clear.</summary>
    public static readonly FindingKind DatumUnclear = new(
        Stage, "survey.datum-unclear", Severity.Stop, "Which point is meant?",
        "a reading or evidence is taken from or to a thing whose face or edge is not named, or a client's cross whose meaning nobody has asked",
        "The two faces of a casing are inches apart, and a cross may stand for any point of a display.",
        Source.CommonPractice);

    /// <summary>Something that was measured to a place where there is no wall.</summary>
    public static readonly FindingKind OffTheWall = new(
        Stage, "survey.off-the-wall", Severity.Stop, "Measured off the wall",
        "by a reading, by evidence or as it was entered something lies over 1 in beyond the wall's ends, floor or ceiling, whichever way the tape went",
        "It is a slip of the tape or of the pen; what was meant is not where the plan has it.",
        Source.Arithmetic);

    /// <summary>Members that do not fit one module.</summary>
    public static readonly FindingKind SpacingBroken = new(
        Stage, "survey.spacing-broken", Severity.Caution, "Spacing does not add up",
        "the told spacing is not the likeliest for the members found (12, 16, 19.2, 24 in, 400, 450, 600 mm or none), or one step between neighbours is 15/16 in off it",
        "Framers miss by up to half an inch; more than that is a slip of the tape, or another member.",
        Source.CommonPractice);

    /// <summary>One method only.</summary>
    public static readonly FindingKind SingleMethod = new(
        Stage, "survey.single-method", Severity.Caution, "Found in one way only",
        "bolts go into a member that rests on one method only: knocking, a scanner, a magnet or a probe",
        "Two methods that agree count for more than two readings of one.",
        Source.CommonPractice);

    /// <summary>A reading that a probe disproved.</summary>
    public static readonly FindingKind FalseReading = new(
        Stage, "survey.false-reading", Severity.Note, "False reading",
        "a scanner or a magnet showed a member, and the probe fell through",
        "A scanner errs above all where two boards meet, on thick plaster and near metal.",
        Source.CommonPractice);

    /// <summary>Probes that cannot all be right.</summary>
    public static readonly FindingKind EvidenceContradicts = new(
        Stage, "survey.evidence-contradicts", Severity.Caution, "Probes contradict each other",
        "a miss lies between two hits that are closer than one member's width, unless two members stand there with a gap",
        "A bolt on the strength of the wrong one misses its stud.",
        Source.Arithmetic);

    /// <summary>Probes and a scanner that do not believe each other.</summary>
    public static readonly FindingKind ScannerDisputed = new(
        Stage, "survey.scanner-disputed", Severity.Caution, "Bit and scanner disagree",
        "probes pin a member where the scanner makes it likelier that one of them was misread (under 99 % that all are true, one in twenty being wrong), and no second probe backs each of them",
        "A probe is misread once in a while, and a scanner is off: one more hole is cheaper than a bolt beside its stud.",
        Source.CommonPractice);

    /// <summary>Hits that no member fits.</summary>
    public static readonly FindingKind NoMemberFits = new(
        Stage, "survey.no-member-fits", Severity.Caution, "No member fits these hits",
        "hits lie farther apart than members side by side are wide, or between misses that are closer than a member's width",
        "What stops a bit need not hold a bolt.",
        Source.Arithmetic);

    /// <summary>A hit that may be something else.</summary>
    public static readonly FindingKind HitTooShallow = new(
        Stage, "survey.hit-too-shallow", Severity.Caution, "The bit went in too little",
        "a probe's bit went into what it met for less than 1/2 in, or brought chips of what the studs are not",
        "A furring strip, a pipe or a nail plate stops a bit as well as a stud does.",
        Source.CommonPractice);

    /// <summary>A test hole that contradicts the build-up.</summary>
    public static readonly FindingKind BuildUpDiffers = new(
        Stage, "survey.build-up-differs", Severity.Stop, "The wall is not what it seems",
        "a test hole shows a layer that the build-up has not, or one that is over 1/8 in thicker or thinner",
        "Bolt lengths, drills and what may carry all follow from the layers.",
        Source.CommonPractice);

    /// <summary>Questions that have to be answered first.</summary>
    public static readonly FindingKind HazardQuestionsOpen = new(
        Stage, "survey.hazard-questions-open", Severity.Stop, "Questions about hazards are open",
        "holes are planned and age, flue, gas or fire-rating is not answered on a wall that needs it",
        "What is behind such a wall burns, poisons or is there to stop a fire.",
        Source.CommonPractice);

    /// <summary>A house with old finishes.</summary>
    public static readonly FindingKind OldFinish = new(
        Stage, "survey.old-finish", Severity.Caution, "Old finishes may be hazardous",
        "the house was built before 1980",
        "Dust of lead paint and asbestos harms whoever breathes it.",
        Source.Published("lead paint was banned in the United States in 1978, asbestos in boards and plasters later; local rules prevail"));

    /// <summary>A flue in use.</summary>
    public static readonly FindingKind LiveFlue = new(
        Stage, "survey.live-flue", Severity.Caution, "A flue in use",
        "there is a flue in use at this wall",
        "A hole into a flue lets smoke and carbon monoxide into the room.",
        Source.CommonPractice);

    /// <summary>Work that will not stay.</summary>
    public static readonly FindingKind Temporary = new(
        Stage, "survey.temporary", Severity.Note, "Temporary work",
        "renovation or demolition is foreseen: reduced scope, and a date to return",
        "What is built in now is torn out soon.",
        Source.CommonPractice);

    /// <summary>A wall that may not be cut.</summary>
    public static readonly FindingKind NotToBeCut = new(
        Stage, "survey.not-to-be-cut", Severity.Note, "The wall may not be cut",
        "the wall is not the client's to cut",
        "A tenant answers for every opening.",
        Source.CommonPractice);

    /// <summary>An outside wall.</summary>
    public static readonly FindingKind InsulatedWall = new(
        Stage, "survey.insulated-wall", Severity.Note, "Insulated outside wall",
        "the wall is an outside wall with insulation",
        "Insulation stops a fish tape, and an open hole is a draught and a wet spot.",
        Source.CommonPractice);

    /// <summary>Children and pets.</summary>
    public static readonly FindingKind SmallHands = new(
        Stage, "survey.small-hands", Severity.Note, "Small children or pets",
        "small children or pets reach what hangs loose",
        "A cable that can be pulled brings down what hangs on it.",
        Source.CommonPractice);

    /// <summary>A hole beside an old one.</summary>
    public static readonly FindingKind OldHoleTooNear = new(
        Stage, "survey.old-hole-too-near", Severity.Caution, "Too near an old hole",
        "a new hole lies within 3 diameters of an old one, the larger diameter counting, or of a pilot that missed",
        "Wood between two near holes splits, and a worn hole holds nothing.",
        Source.CommonPractice);

    /// <summary>One member entered twice.</summary>
    public static readonly FindingKind MemberTwice = new(
        Stage, "survey.member-twice", Severity.Stop, "One stud entered twice?",
        "two members overlap, or stand closer than a member's width without being a doubled one",
        "Two bolts in what is one stud hold on one line of wood.",
        Source.Arithmetic);

    /// <summary>A member whose place is in doubt.</summary>
    public static readonly FindingKind MemberDisputed = new(
        Stage, "survey.member-disputed", Severity.Stop, "Where is this stud?",
        "a member is said to be confirmed, and readings or evidence put it elsewhere by more than a bolt may be off",
        "Somebody is wrong, and the bolts follow one of them.",
        Source.Arithmetic);

    /// <summary>A scanner that is off.</summary>
    public static readonly FindingKind ToolBiased = new(
        Stage, "survey.tool-biased", Severity.Caution, "The scanner is off to one side",
        "at two or more members that probes have pinned down, the scanner read over 3/16 in to the same side (over 1/4 in on average, where one edge only is pinned); that is taken off from all that it says",
        "What it says of the other members is off by as much.",
        Source.CommonPractice);

    /// <summary>Gas near.</summary>
    public static readonly FindingKind GasNear = new(
        Stage, "survey.gas-near", Severity.FinalStop, "Gas near, its route not known",
        "gas runs near, holes are planned, and no gas pipe or valve is on the sheet",
        "A drill through a gas pipe fills the wall before anybody smells it.",
        Source.CommonPractice);

    /// <summary>A fire-rated wall.</summary>
    public static readonly FindingKind FireRated = new(
        Stage, "survey.fire-rated", Severity.Caution, "Holes in a fire-rated wall",
        "holes are planned in a fire-rated or party wall",
        "Every hole in it is a way for fire and smoke until it is sealed as it was tested.",
        Source.Published("NFPA 70 300.21 for firestops; the wall's listing and local code come first"));

    /// <summary>A hole near something live.</summary>
    public static readonly FindingKind LiveNearHole = new(
        Stage, "survey.live-near-hole", Severity.FinalStop, "Hole where something is in the wall",
        "a hole lies in the keep-out of an electrical device whose cable's route is not known, or of a scanner's sign of live wiring: 6 in each side over the wall's height, and 6 in above and below at its own height; or within 2 in of a known cable, pipe, gas or duct, or of the box of a device",
        "Cables run straight up, down and along from a device; a drill finds them, and pipes, first.",
        Source.CommonPractice);

    /// <summary>Holes planned, nothing looked for.</summary>
    public static readonly FindingKind ServicesNotLookedFor = new(
        Stage, "survey.services-not-looked-for", Severity.FinalStop, "Services not looked for",
        "a hole is planned and no scan for cables, pipes and gas is recorded",
        "Nobody drills on a guess: what is behind the board has to be looked for and the look recorded.",
        Source.CommonPractice);

    /// <summary>The wall's build-up is not known.</summary>
    public static readonly FindingKind LayersUnknown = new(
        Stage, "survey.layers-unknown", Severity.Stop, "Build-up not known",
        "the wall has no build-up, or holes are planned through a layer that nobody has confirmed",
        "The length of every bolt follows from what it passes before it meets wood.",
        Source.CommonPractice);

    /// <summary>Two answers that cannot both be true.</summary>
    public static readonly FindingKind AnswersContradict = new(
        Stage, "survey.answers-contradict", Severity.FinalStop, "Two answers that cannot both be true",
        "a flue that is dead or not there and a fire that burns, a gas fire or a gas pipe and no gas near; a stop that may be passed where neither of the two would clear a final stop: a fire that is never lit and was measured lit, a mount on a mount, two displays on one mount far from each other",
        "One of them is wrong, and the plan goes by both.", Source.CommonPractice, Severity.Stop);

    /// <summary>A slip of the keyboard.</summary>
    public static readonly FindingKind Slip = new(
        Stage, "survey.slip", Severity.Caution, "A figure looks mistyped",
        "a figure that its neighbours make unlikely: by its unit, by half, exchanged with another, by its sign or a digit; of a wall, a display, a mount, a bolt",
        "The plan goes by what stands there, and so does the drill.", Source.CommonPractice);

    /// <summary>All of them, in the order of the catalogue.</summary>
    public static IReadOnlyList<FindingKind> All { get; } =
    [
        ReadingsDisagree, DatumUnclear, OffTheWall, SpacingBroken, FramingUnconfirmed, SingleMethod, FalseReading, EvidenceContradicts, ScannerDisputed, NoMemberFits, HitTooShallow, LiveNearHole,
        ServicesNotLookedFor, LayersUnknown, BuildUpDiffers, HazardQuestionsOpen, OldFinish, LiveFlue, Temporary, NotToBeCut, InsulatedWall, SmallHands,
        OldHoleTooNear, MemberTwice, MemberDisputed, ToolBiased, GasNear, FireRated, AnswersContradict, Slip,
    ];
}
