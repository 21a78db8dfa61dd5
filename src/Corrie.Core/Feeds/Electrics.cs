using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Core.Planning;

namespace Corrie.Core.Feeds;

/// <summary>The electrical code of a site.</summary>
public enum ElectricalCode
{
    /// <summary>NFPA 70, whose figures the planner has.</summary>
    Nfpa70,

    /// <summary>Another one: its rules are recorded by a licensed person.</summary>
    Other,
}

/// <summary>What a rule is about.</summary>
public enum RuleTopic
{
    /// <summary>How full a box may be.</summary>
    BoxFill,

    /// <summary>How far power and signal keep apart.</summary>
    Separation,

    /// <summary>Holes through framing.</summary>
    BoredHoles,

    /// <summary>How full a conduit may be, and how often it may bend.</summary>
    Conduits,

    /// <summary>Load of a circuit, and how far the voltage may drop.</summary>
    Circuits,

    /// <summary>Which cable may run where.</summary>
    Cables,

    /// <summary>Which protection a circuit and a receptacle have: faults to earth, arcs, small hands.</summary>
    Protection,

    /// <summary>A thin cable with power in a conduit in the wall.</summary>
    OneCable,
}

/// <summary>Licences, names and answers as people write them down.</summary>
public static class Licences
{
    private static readonly string[] None = ["no", "none", "n/a", "na", "not yet", "pending", "unknown", "nil"];

    /// <summary>Whether a licence is named: some letters or figures that do not say that there is none.</summary>
    /// <param name="licence">What was entered.</param>
    /// <returns>Whether it is.</returns>
    public static bool Given(string licence) => licence.Trim() is { Length: > 0 } said && said.Any(char.IsLetterOrDigit) && !None.Contains(said, StringComparer.OrdinalIgnoreCase);
}

/// <summary>A local rule, recorded by a licensed person.</summary>
/// <param name="Topic">What it is about.</param>
/// <param name="Says">What it says, and where that stands.</param>
/// <param name="By">Who recorded it.</param>
/// <param name="Licence">Their licence.</param>
public sealed record LocalRule(RuleTopic Topic, string Says, string By, string Licence)
{
    /// <summary>Whether it counts: a rule, by a licensed person by name.</summary>
    public bool Counts => Says.Trim().Length > 0 && By.Trim().Length > 0 && Licences.Given(Licence);
}

/// <summary>The record that a circuit is off, locked and dead.</summary>
/// <param name="Id">Its key.</param>
/// <param name="Circuit">The circuit.</param>
/// <param name="By">Who.</param>
/// <param name="Licence">Their licence.</param>
/// <param name="Off">Whether it is off.</param>
/// <param name="Locked">Whether it is locked.</param>
/// <param name="Tester">With which tester it was proved dead; empty for not at all.</param>
/// <param name="On">When.</param>
public sealed record Isolation(string Id, string Circuit, string By, string Licence, bool Off, bool Locked, string Tester, string On)
{
    /// <summary>Whether it is complete.</summary>
    public bool Complete => Off && Locked && Tester.Trim().Length > 0 && On.Trim().Length > 0 && By.Trim().Length > 0 && Licences.Given(Licence);
}

/// <summary>A circuit.</summary>
/// <param name="Id">Its key.</param>
/// <param name="Breaker">What is written at its breaker.</param>
/// <param name="Amperes">What the breaker carries.</param>
/// <param name="Volts">Its voltage.</param>
/// <param name="Gauge">Its wire gauge, 14, 12 or 10.</param>
/// <param name="Run">From the board to the last outlet; null where nobody knows.</param>
/// <param name="Other">What else runs on it, in watts; null where nobody has asked.</param>
/// <param name="Outlets">Outlets on it, each with its wall's key before it.</param>
/// <param name="FaultProtected">Whether a fault to earth switches it off.</param>
/// <param name="ArcProtected">Whether an arc does.</param>
public sealed record Circuit(string Id, string Breaker, double Amperes, double Volts, int Gauge, Length? Run, double? Other, Same<string> Outlets, bool FaultProtected, bool ArcProtected)
{
    /// <summary>What it is called.</summary>
    public string Called => Breaker.Length > 0 ? Breaker : Id;

    /// <summary>Share of a breaker that what runs for hours may take: NFPA 70 210.20(A), from memory.</summary>
    public const double MostLoad = 0.8;

    /// <summary>Share of the voltage that may drop: NFPA 70 210.19(A), informational note, from memory.</summary>
    public const double MostDrop = 0.03;

    /// <summary>Resistance of copper: ohm per 1000 ft, uncoated and solid; NFPA 70 chapter 9, table 8, from memory.</summary>
    /// <param name="gauge">Wire gauge.</param>
    /// <returns>The resistance; null for a gauge that is not in the table.</returns>
    public static double? Ohms(int gauge) => gauge switch { 14 => 3.07, 12 => 1.93, 10 => 1.21, _ => null };

    /// <summary>The largest breaker that protects copper wire of a gauge: NFPA 70 240.4(D), from memory.</summary>
    /// <param name="gauge">Wire gauge.</param>
    /// <returns>The breaker in amperes; null for a gauge that is not named there.</returns>
    public static double? MostOn(int gauge) => gauge switch { 14 => 15, 12 => 20, 10 => 30, _ => null };

    /// <summary>The thinnest wire that a breaker protects, by the same clause.</summary>
    /// <param name="amperes">The breaker.</param>
    /// <returns>The gauge; 10 for every larger breaker as well.</returns>
    public static int ThinnestOn(double amperes) => amperes <= MostOn(14) ? 14 : amperes <= MostOn(12) ? 12 : 10;

    /// <summary>Voltage drop of two wires: twice the run, times current, times resistance.</summary>
    /// <param name="run">One way.</param>
    /// <param name="amperes">The current.</param>
    /// <param name="gauge">Wire gauge.</param>
    /// <returns>The drop in volts; null for a gauge that is not in the table.</returns>
    public static double? Drop(Length run, double amperes, int gauge) => Ohms(gauge) is { } ohms ? 2 * (run.Inches / 12) * amperes * ohms / 1000 : null;
}

/// <summary>What is known of a site's mains: its code, local rules, circuits, and when they were dead.</summary>
/// <param name="Country">The country.</param>
/// <param name="Code">The code; null where nobody has said.</param>
/// <param name="CodeName">What another code is called.</param>
/// <param name="Rules">Local rules.</param>
/// <param name="Circuits">Circuits.</param>
/// <param name="Isolations">When circuits were dead.</param>
/// <param name="Dwelling">Whether people live there; null where nobody has said.</param>
/// <param name="Permit">The permit's number, or who said that none is needed; empty where nobody has asked.</param>
/// <param name="Inspection">When a wall is inspected before it is closed, or who said that none is; empty where nobody has asked.</param>
/// <param name="Here">Where it stands in the document.</param>
public sealed record Electrics(string Country, ElectricalCode? Code, string CodeName, Same<LocalRule> Rules, Same<Circuit> Circuits, Same<Isolation> Isolations, bool? Dwelling, string Permit, string Inspection, Place Here)
{
    private static readonly GroupShape<LocalRule> RuleForm = new("a local rule", m => new LocalRule(
        m.Need("topic", new ChoiceShape<RuleTopic>("what it is about")),
        m.Text("says", "what it says, and where that stands", 200),
        m.Text("by", "who recorded it", 80),
        m.Text("licence", "their licence", 40)));

    private static readonly GroupShape<Circuit> CircuitForm = new("a circuit", m => new Circuit(
        m.Key,
        m.Text("breaker", "what is written at its breaker", 60),
        m.Or("amperes", new NumberShape("what the breaker carries, in amperes", 1, 200), 15),
        m.Or("volts", new NumberShape("its voltage", 50, 480), 120),
        m.Or("gauge", new WholeShape("its wire gauge, 14, 12 or 10", 10, 14), 14),
        m.MaybeLength("run", "from the board to the last outlet", LengthRange.From(Length.FromUnits(1))),
        m.Maybe("other", new NumberShape("what else runs on it, in watts", 0, 100_000)),
        new([.. (m.Part("outlets", new ListShape<string>("outlets on it, each with its wall's key before it", new TextShape("an outlet", 50), 40, ListText.Commas("w1/f3, w1/f4"))) ?? []).Distinct().Order(StringComparer.Ordinal)]),
        m.Yes("faultProtected", "whether a fault to earth switches it off"),
        m.Yes("arcProtected", "whether an arc switches it off")));

    private static readonly GroupShape<Isolation> IsolationForm = new("a circuit that was made dead", m => new Isolation(
        m.Key,
        m.Part("circuit", new TextShape("which circuit", 24, Names.Circuit)) ?? string.Empty,
        m.Text("by", "who", 80),
        m.Text("licence", "their licence", 40),
        m.Yes("off", "whether it is off"),
        m.Yes("locked", "whether it is locked"),
        m.Text("tester", "with which tester it was proved dead", 60),
        m.Text("on", "when", 40)));

    /// <summary>What is known of a site's mains.</summary>
    public static Part<Electrics> Part { get; } = new(Holder.Job, "electrics", new GroupShape<Electrics>("the site's mains", m => new Electrics(
        m.Text("country", "country", 60),
        m.Maybe("code", new ChoiceShape<ElectricalCode>("which electrical code holds")),
        m.Text("codeName", "what another code is called", 80),
        new(m.Map("rules", "local rules, recorded by a licensed person", RuleForm, 40)),
        new(m.Map("circuits", "circuits", CircuitForm, 40)),
        new(m.Map("isolations", "circuits that were made dead", IsolationForm, 100)),
        m.Maybe("dwelling", new YesNoShape("whether people live there")),
        m.Text("permit", "permit: its number, or who said that none is needed", 120),
        m.Text("inspection", "inspection before a wall is closed: when, or who said that none is needed", 120),
        m.Here)), always: true);

    /// <summary>Whether a rule of NFPA 70 counts here, or a licensed person has recorded what does.</summary>
    /// <param name="topic">What it is about.</param>
    /// <returns>Whether it does; where nobody has said which code holds, those that the planner has are gone by.</returns>
    public bool Knows(RuleTopic topic) => Code != ElectricalCode.Other || Rules.Items.Any(r => r.Topic == topic && r.Counts);

    /// <summary>What a licensed person has recorded of a topic.</summary>
    /// <param name="topic">What it is about.</param>
    /// <returns>The rule; null for none.</returns>
    public LocalRule? Rule(RuleTopic topic) => Rules.Items.FirstOrDefault(r => r.Topic == topic && r.Counts);
}
