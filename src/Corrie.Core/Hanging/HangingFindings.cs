using Corrie.Core.Findings;

namespace Corrie.Core.Hanging;

/// <summary>What can be wrong with display, mount and plate.</summary>
public static class HangingFindings
{
    /// <summary>The stage whose matter these are.</summary>
    public static readonly StageId Stage = new("hang", "Hang");

    /// <summary>Over the rating.</summary>
    public static readonly FindingKind Overloaded = new(
        Stage, "hang.overloaded", Severity.FinalStop, "Mount overloaded",
        "what hangs weighs more than the mount's rating; a caution where the rating is under 1.2 times the weight",
        "The rating is the most that the maker has tested for.",
        Source.Published("UL 2442 test practice for the rating; the 20 % margin is common practice"), Severity.Caution);

    /// <summary>Pattern outside the mount's range.</summary>
    public static readonly FindingKind PatternMisfit = new(
        Stage, "hang.pattern-misfit", Severity.Stop, "Hole pattern does not fit the mount",
        "the display's pattern is wider, higher or narrower than the mount takes",
        "The arms cannot be bolted on.", Source.Maker);

    /// <summary>Size outside the mount's range.</summary>
    public static readonly FindingKind SizeMisfit = new(
        Stage, "hang.size-misfit", Severity.Stop, "Display size outside the mount's range",
        "the display's diagonal lies outside the mount's range",
        "The maker has not tested it with a display of that size.", Source.Maker);

    /// <summary>Mount not for this wall.</summary>
    public static readonly FindingKind WrongWall = new(
        Stage, "hang.wrong-wall", Severity.Stop, "Mount not for this wall",
        "the mount is not made for this kind of wall, or its plate cannot span the nominal spacing",
        "Its holes do not meet what is behind.", Source.Maker);

    /// <summary>Chains disagree.</summary>
    public static readonly FindingKind ChainDisagrees = new(
        Stage, "hang.chain-disagrees", Severity.Stop, "Heights do not add up",
        "top-down, bottom-up and centre chains differ by over 1/8 in or three standard deviations, whichever is more; or hook-to-top and hook-to-bottom do not make the height",
        "One of the readings is wrong, and the holes would follow it.", Source.CommonPractice);

    /// <summary>Wanted centre not reached.</summary>
    public static readonly FindingKind CentreOutOfSlide = new(
        Stage, "hang.centre-out-of-slide", Severity.Stop, "Wanted centre not reached",
        "no plate position that holds lets the display slide to the wanted centre",
        "The display would hang off the line that was agreed.", Source.Arithmetic);

    /// <summary>One stud only.</summary>
    public static readonly FindingKind OneStudOnly = new(
        Stage, "hang.one-stud-only", Severity.Stop, "Plate catches too few studs",
        "a plate made for two studs has bolts with their edge distance in one or none; a caution for a flat mount whose bolts in the one stud hold all of it",
        "The plate turns about a single stud, and all the weight hangs on one line of wood.", Source.CommonPractice, Severity.Caution);

    /// <summary>A row of holes that is not on the plate.</summary>
    public static readonly FindingKind RowOffPlate = new(
        Stage, "hang.row-off-plate", Severity.Stop, "Holes beside the plate",
        "by the catalogue a row of holes lies above or below the plate that it is in",
        "A hole that is not there holds nothing, and the pull on the others is then wrong.", Source.Arithmetic);

    /// <summary>Cannot be hooked on.</summary>
    public static readonly FindingKind CannotHook = new(
        Stage, "hang.cannot-hook", Severity.Stop, "The display cannot be hooked on",
        "an arm stands beyond the plate's end after the slide, the pattern's lower holes are beyond the arm, or an arm hole is chosen that is not there",
        "It is found out on the ladder, with the display in hand.", Source.Maker);

    /// <summary>Beyond the wall.</summary>
    public static readonly FindingKind Outside = new(
        Stage, "hang.outside", Severity.Stop, "Beyond the wall",
        "a plate, an arm or a hole lies beyond the wall's end, its ceiling or its floor; a caution where a plate shows beside its display",
        "There is nothing to hold it.", Source.Arithmetic, Severity.Caution);

    /// <summary>Two bodies in one place.</summary>
    public static readonly FindingKind BodiesMeet = new(
        Stage, "hang.bodies-meet", Severity.Stop, "Two things in one place",
        "a plate or an arm is where something else is, or will be, or a hole goes into a box that is planned in the wall",
        "Two solid things cannot share a place.", Source.Arithmetic);

    /// <summary>Arms show.</summary>
    public static readonly FindingKind ArmsShow = new(
        Stage, "hang.arms-show", Severity.Caution, "Arms show",
        "the arms stand out above or below the display",
        "The client sees steel.", Source.Arithmetic);

    /// <summary>Different arm holes.</summary>
    public static readonly FindingKind ArmHolesDiffer = new(
        Stage, "hang.arm-holes-differ", Severity.Caution, "Arm holes differ",
        "the left and the right arm are bolted on at different holes",
        "The display hangs crooked by the difference.", Source.CommonPractice);

    /// <summary>Little adjustment left.</summary>
    public static readonly FindingKind NoAdjustmentLeft = new(
        Stage, "hang.no-adjustment-left", Severity.Note, "Little adjustment left",
        "under 1/2 in of slide is left to one side",
        "A centre that is off by a little can no longer be cured after hanging.", Source.CommonPractice);

    /// <summary>No room to lift on.</summary>
    public static readonly FindingKind NoRoomAbove = new(
        Stage, "hang.no-room-above", Severity.Stop, "No room to lift it on",
        "the clear height over the display is less than lifting it over the hooks needs",
        "It cannot be hung, or not taken down again.", Source.Maker);

    /// <summary>Height fixed.</summary>
    public static readonly FindingKind HeightFixed = new(
        Stage, "hang.height-fixed", Severity.Note, "Height fixed once drilled",
        "the mount cannot change height after hanging",
        "The hook line has to be right the first time.", Source.Maker);

    /// <summary>Hard to reach behind.</summary>
    public static readonly FindingKind HardToReach = new(
        Stage, "hang.hard-to-reach", Severity.Note, "Hard to reach behind",
        "a flat mount with sockets behind the display that will be used",
        "Everything has to be plugged in before it hangs.", Source.CommonPractice);

    /// <summary>A screw that is too long.</summary>
    public static readonly FindingKind ScrewBottoms = new(
        Stage, "hang.screw-bottoms", Severity.Stop, "Screw bottoms in the display",
        "a screw reaches farther into a display's hole than its usable depth less 1 mm",
        "It feels tight while the arm is loose, or it breaks what lies behind the thread.", Source.CommonPractice);

    /// <summary>A screw that is too short.</summary>
    public static readonly FindingKind ScrewTooShort = new(
        Stage, "hang.screw-too-short", Severity.Stop, "Screw too short for the display",
        "less of a screw is in a display's thread than its own diameter",
        "A few turns of thread strip under the display's weight.", Source.CommonPractice);

    /// <summary>Nothing in the kit fits.</summary>
    public static readonly FindingKind NoScrewInKit = new(
        Stage, "hang.no-screw-in-kit", Severity.Stop, "No screw in the kit fits",
        "no screw, washer and spacer of the mount's kit, two of each for a pair of holes, fit the display's holes",
        "The crew stands before the wall with a display that it cannot hang.", Source.CommonPractice);

    /// <summary>No washer on a slot.</summary>
    public static readonly FindingKind WasherMissing = new(
        Stage, "hang.washer-missing", Severity.Caution, "Washer missing on a slot",
        "a screw without a washer in an arm whose holes are slots",
        "Its head pulls through the slot, or slides in it.", Source.CommonPractice);

    /// <summary>A spacer for nothing.</summary>
    public static readonly FindingKind NeedlessSpacer = new(
        Stage, "hang.needless-spacer", Severity.Note, "Spacer not needed",
        "a spacer where the display's back is flat and the screw fits without it",
        "It holds the display off the wall and bends the screw.", Source.CommonPractice);

    /// <summary>No spacer beside a bump.</summary>
    public static readonly FindingKind SpacerMissing = new(
        Stage, "hang.spacer-missing", Severity.Stop, "Arm stands on the display's back",
        "the display's back stands out beside its holes, and no spacer of that length holds the arm off it",
        "Tightened, the arm bends over the bump and cracks the back.", Source.CommonPractice);

    /// <summary>Does not turn as far as it is to.</summary>
    public static readonly FindingKind TurnLimited = new(
        Stage, "hang.turn-limited", Severity.Note, "Does not turn so far",
        "the display on its arm cannot turn as far as it is to: its edge touches the wall first, or the mount ends",
        "Whoever sits there sees the picture from the side.", Source.Arithmetic);

    /// <summary>Something is in its way.</summary>
    public static readonly FindingKind SwingHits = new(
        Stage, "hang.swing-hits", Severity.Stop, "Touches something on its way",
        "what hangs on a moving mount touches a wall, a mantel, furniture, a door or a neighbour as it is swung, drawn out or pulled down; a caution where nobody has said how far it is to turn",
        "What clears at both ends may hit on the way, with the client's hand on it.", Source.Arithmetic, Severity.Caution);

    /// <summary>Parked and swung out.</summary>
    public static readonly FindingKind ParkedOffCentre = new(
        Stage, "hang.parked-off-centre", Severity.Caution, "Parked and swung out not both centred",
        "the arm's pivot, swung out, stands over 1/8 in beside its parked place",
        "Holes drilled for one of the two leave the other off its line for good.", Source.CommonPractice);

    /// <summary>A socket behind steel.</summary>
    public static readonly FindingKind PortCovered = new(
        Stage, "hang.port-covered", Severity.Stop, "Arm or plate over a socket",
        "an arm lies over a socket or the power inlet of the display, the plate does and leaves under 1 1/2 in for its plug, or the catalogue has a socket beside the display",
        "What cannot be plugged in is found out with the display in four hands.", Source.CommonPractice);

    /// <summary>Arms the wrong way.</summary>
    public static readonly FindingKind ArmsTurned = new(
        Stage, "hang.arms-turned", Severity.Caution, "Arms upside down or exchanged",
        "somebody has seen an arm upside down, or the left one on the right",
        "Hooks belong up, locks at the foot, tilt knobs outwards.", Source.CommonPractice);

    /// <summary>Too deep behind the display.</summary>
    public static readonly FindingKind BoxTooDeep = new(
        Stage, "hang.box-too-deep", Severity.Stop, "Too deep behind the display",
        "a thing that hangs behind the display is deeper than the gap that the parked mount leaves",
        "The display does not go back to the wall, or presses on it.", Source.Arithmetic);

    /// <summary>Two brackets.</summary>
    public static readonly FindingKind BracketSpread = new(
        Stage, "hang.bracket-spread", Severity.Stop, "Brackets not where the display's are",
        "the spread measured on the display's back is off the spread of its two brackets by more than 1/4 in",
        "Lifted up, the display meets one bracket and misses the other.", Source.CommonPractice);

    /// <summary>Height travel that touches something.</summary>
    public static readonly FindingKind TravelHits = new(
        Stage, "hang.travel-hits", Severity.Stop, "Raised or lowered it touches something",
        "a mount that raises or lowers what hangs on it by over 2 in, and on the way it touches what stands or hangs there, the ceiling or the floor, with all that hangs on it",
        "It breaks what it meets, or is broken by it.", Source.Arithmetic);

    /// <summary>Nothing holds it.</summary>
    public static readonly FindingKind NotHeld = new(
        Stage, "hang.not-held", Severity.FinalStop, "Nothing is said to hold it",
        "a thing over 1 lb that says neither what it stands, hangs or lies on, nor what fixing of its own it has, nor who fixes it; from 10 lb on nobody passes it",
        "What nobody planned to hold falls on whoever is under it.", Source.CommonPractice, Severity.Stop);

    /// <summary>All of them, in the order of the catalogue.</summary>
    public static IReadOnlyList<FindingKind> All { get; } =
    [
        Overloaded, PatternMisfit, SizeMisfit, WrongWall, ChainDisagrees, CentreOutOfSlide, OneStudOnly, RowOffPlate, CannotHook, Outside, BodiesMeet, ArmsShow, ArmHolesDiffer,
        NoAdjustmentLeft, NoRoomAbove, HeightFixed, HardToReach, ScrewBottoms, ScrewTooShort, NoScrewInKit, WasherMissing, NeedlessSpacer, SpacerMissing, TurnLimited, BracketSpread, SwingHits, ParkedOffCentre, PortCovered, ArmsTurned, BoxTooDeep, TravelHits, NotHeld,
    ];
}
