using Corrie.Core.Format;
using Corrie.Core.Measure;

namespace Corrie.Core.Planning;

/// <summary>
/// The company's own figures: factors, limits and what holds where nobody says otherwise. A job starts with a copy of them, so that a later
/// change moves no hole that is drilled already.
/// </summary>
/// <param name="Version">Which version of the company's figures this is a copy of; 0 for those that Corrie comes with.</param>
/// <param name="AnchorFactor">What an anchor's load at failure is divided by, 1 to 20.</param>
/// <param name="AccidentalPull">Pull at the edge of a moving display that somebody leans on, as a mass.</param>
/// <param name="RatingMargin">How many times what hangs a mount should be rated for, 1 to 5.</param>
/// <param name="FullUse">Share of what a bolt holds from which a caution is said, over 0 and up to 1.</param>
/// <param name="KeepOut">What is kept free each side of an electrical device whose cable's route is not known.</param>
/// <param name="KeepFromBuried">What is kept free round a cable, a pipe or gas whose route is known.</param>
/// <param name="CableDepth">Depth in a member from which cables may cross it.</param>
/// <param name="GapBelow">Least gap to what stands below a display, where nobody says otherwise.</param>
/// <param name="UpToCentre">Steepest look up to the picture's centre from a seat.</param>
/// <param name="UpToTop">Steepest look up to the picture's top.</param>
/// <param name="LeastField">Least field that a picture should fill.</param>
/// <param name="MostField">Most field that it should fill.</param>
/// <param name="CentresApart">How far centres may differ without a word.</param>
/// <param name="ConsentGive">How far a display may move after the client's consent.</param>
/// <param name="LeastTravel">Least slide that should be left to each side after hanging.</param>
/// <param name="UnknownGravity">Specific gravity of studs whose species is not known, 0.2 to 1.</param>
/// <param name="UsualBolt">Diameter of the bolt that members are shown for where none is chosen yet.</param>
/// <param name="TwoOver">Diagonal over which a display is always lifted by two.</param>
/// <param name="TwoOverMass">Weight over which it is.</param>
public sealed record Policy(
    int Version,
    double AnchorFactor,
    Mass AccidentalPull,
    double RatingMargin,
    double FullUse,
    Length KeepOut,
    Length KeepFromBuried,
    Length CableDepth,
    Length GapBelow,
    Angle UpToCentre,
    Angle UpToTop,
    Angle LeastField,
    Angle MostField,
    Length CentresApart,
    Length ConsentGive,
    Length LeastTravel,
    double UnknownGravity,
    Length UsualBolt,
    Length TwoOver,
    Mass TwoOverMass)
{
    /// <summary>What a weight in a vehicle is multiplied with, for what shakes it.</summary>
    public double VehicleFactor { get; init; } = 3;

    /// <summary>The most that hangs still on anchors in board alone; nothing where the company never does that. At most 70 lb.</summary>
    public Mass BoardOnlyUpTo { get; init; } = new(30);

    /// <summary>The member that says why a job departs from the company's figures.</summary>
    public const string DepartureName = "departure";

    /// <summary>Why this job departs from the company's figures, and who says so; empty where it does not.</summary>
    public string Departure { get; init; } = string.Empty;

    /// <summary>What a second trip costs, in the company's money.</summary>
    public double TripCost { get; init; } = 150;

    /// <summary>How many anchors that takes at least.</summary>
    public int BoardAnchors { get; init; } = 5;

    /// <summary>What it costs to bring a cable through a wall.</summary>
    public FeedFigures Feeds { get; init; } = FeedFigures.Usual;

    /// <summary>Who set the figures that this is a copy of, as they sign in; empty where nobody recorded it.</summary>
    public string SetBy { get; init; } = string.Empty;

    /// <summary>On which day; empty likewise.</summary>
    public string SetOn { get; init; } = string.Empty;

    /// <summary>What is outside its usual range, or on the unsafe side of its floor, which counts then.</summary>
    public Same<UnusualFigure> Unusual { get; init; } = new([]);

    /// <summary>The members that are no figures, but say of which version and by whom they are.</summary>
    public static IReadOnlyList<string> Besides { get; } = ["version", "setBy", "setOn"];

    /// <summary>The description; what holds where nothing is entered is common practice.</summary>
    public static GroupShape<Policy> Form { get; } = new("the company's figures", m => PolicyLimits.Kept(new Policy(
        m.Or("version", new WholeShape("which version of the company's figures this is", 0, 1_000_000), 0),
        m.Or("anchorFactor", new NumberShape("what an anchor's load at failure is divided by", 1, 20), 4),
        m.Or("accidentalPull", new MassShape("pull at the edge of a moving display that somebody leans on"), Mass.FromPounds(30)),
        m.Or("ratingMargin", new NumberShape("how many times what hangs a mount should be rated for", 1, 5), 1.2),
        m.Or("fullUse", new NumberShape("share of what a bolt holds from which a caution is said", 0.1, 1), 0.8),
        m.Length("keepOut", "kept free each side of a device whose cable's route is not known", LengthRange.Distance, Length.Tape(6)),
        m.Length("keepFromBuried", "kept free round a known cable, a pipe or gas", LengthRange.Distance, Length.Tape(2)),
        m.Length("cableDepth", "depth in a member from which cables may cross it", LengthRange.Distance, Length.Tape(1, 1, 4)),
        m.Length("gapBelow", "least gap to what stands below a display", LengthRange.Distance, Length.Tape(2)),
        m.Or("upToCentre", new AngleShape("steepest look up to the picture's centre"), new Angle(15)),
        m.Or("upToTop", new AngleShape("steepest look up to the picture's top"), new Angle(35)),
        m.Or("leastField", new AngleShape("least field that a picture should fill"), new Angle(30)),
        m.Or("mostField", new AngleShape("most field that a picture should fill"), new Angle(50)),
        m.Length("centresApart", "how far centres may differ without a word", LengthRange.Distance, Length.Tape(1)),
        m.Length("consentGive", "how far a display may move after the client's consent", LengthRange.Distance, Length.Tape(0, 1, 8)),
        m.Length("leastTravel", "least slide that should be left to each side after hanging", LengthRange.Distance, Length.Tape(0, 1, 2)),
        m.Or("unknownGravity", new NumberShape("specific gravity of studs whose species is not known", 0.2, 1), 0.36),
        m.Length("usualBolt", "bolt that members are shown for where none is chosen yet", LengthRange.UpTo(Length.Tape(2)), Length.Tape(0, 5, 16)),
        m.Length("twoOver", "diagonal over which two lift a display, whatever it weighs", LengthRange.Size, Length.Tape(55)),
        m.Or("twoOverWeight", new MassShape("weight over which two lift it, whatever its size"), new Mass(25)))
    {
        VehicleFactor = m.Or("vehicleFactor", new NumberShape("what a weight in a vehicle is multiplied with", 1, 10), 3),
        BoardOnlyUpTo = m.Or("boardOnlyUpTo", new MassShape("the most that hangs still on anchors in board alone, up to 70 lb; 0 for never"), new Mass(30)) is var most && most.Pounds > 70 ? Mass.FromPounds(70) : most,
        Departure = m.Text(DepartureName, "why a job departs from the company's figures, and who says so", 200),
        TripCost = m.Or("tripCost", new NumberShape("what a second trip costs, in the company's money", 0, 100_000), 150),
        BoardAnchors = m.Or("boardAnchors", new WholeShape("how many anchors in board that takes at least", 5, 40), 5),
        Feeds = FeedFigures.Read(m),
        SetBy = m.Text("setBy", "who set them", 80),
        SetOn = m.Text("setOn", "on which day", 20),
    }));

    /// <summary>The figures that Corrie comes with (common practice).</summary>
    public static Policy Usual { get; } = Form.Read([]);
}
