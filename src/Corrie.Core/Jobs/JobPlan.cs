using Corrie.Core.Findings;
using Corrie.Core.Fixing;
using Corrie.Core.Hanging;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Survey;

namespace Corrie.Core.Jobs;

/// <summary>A step of the work.</summary>
public enum Step
{
    /// <summary>The wall.</summary>
    Survey,

    /// <summary>Where the picture goes.</summary>
    Place,

    /// <summary>Display, mount and plate.</summary>
    Hang,

    /// <summary>What holds it.</summary>
    Fix,
}

/// <summary>How a step stands.</summary>
public enum StepState
{
    /// <summary>Nothing is entered.</summary>
    Untouched,

    /// <summary>Something is missing.</summary>
    Open,

    /// <summary>Something stops it.</summary>
    Stopped,

    /// <summary>Nothing stops it.</summary>
    Clear,
}

/// <summary>How a step stands and what it still needs.</summary>
/// <param name="Step">Which one.</param>
/// <param name="State">How it stands.</param>
/// <param name="Says">Its main figure, or what it still needs.</param>
/// <param name="Stops">How many stops it has.</param>
/// <param name="Cautions">How many cautions.</param>
public sealed record StepStatus(Step Step, StepState State, Phrase Says, int Stops, int Cautions);

/// <summary>A line or point to put on the wall.</summary>
/// <param name="Id">Short name, such as <c>hook-line</c> or <c>bolts/2</c>.</param>
/// <param name="Name">What the crew calls it.</param>
/// <param name="X">From the left corner; null for a level line.</param>
/// <param name="Y">Over the floor; null for a plumb line.</param>
/// <param name="How">How it is come by.</param>
public sealed record Mark(string Id, string Name, Length? X, Length? Y, Phrase How);

/// <summary>A job plan: all that follows from a sheet. Parts are null as long as the sheet lacks what they need.</summary>
/// <param name="Sheet">The sheet it follows from.</param>
/// <param name="Datums">The lines that a tape can be hooked on.</param>
/// <param name="Across">The datum of sideways readings.</param>
/// <param name="Up">The datum of heights.</param>
/// <param name="Placed">Where the display hangs.</param>
/// <param name="Hung">Where the plate goes.</param>
/// <param name="Fixed">The bolts.</param>
/// <param name="Marks">The set-out, in working order.</param>
/// <param name="Findings">What is wrong, gravest first.</param>
/// <param name="Steps">How each step stands.</param>
public sealed record JobPlan(
    JobSheet Sheet,
    IReadOnlyList<Datum> Datums,
    Datum? Across,
    Datum? Up,
    Placed? Placed,
    Hung? Hung,
    Fixed? Fixed,
    IReadOnlyList<Mark> Marks,
    IReadOnlyList<Finding> Findings,
    IReadOnlyList<StepStatus> Steps)
{
    /// <summary>The survey, solved; null as long as the wall has no size. The plan's sheet has its positions already.</summary>
    public Surveyed? Survey { get; init; }

    /// <summary>Where to push a thin bit in next, and what it would tell.</summary>
    /// <remarks>Worked out when somebody asks: it costs more than all the rest, and most readers of a plan do not.</remarks>
    public IReadOnlyList<Probe> Probes => probes.Value;

    /// <summary>The same plan with other advice, or none: for whoever wants to find out alone.</summary>
    public JobPlan WithAdvice(params IReadOnlyList<Probe> advice) => this with { ProbesFrom = () => advice };

    /// <summary>How the probes are worked out.</summary>
    internal Func<IReadOnlyList<Probe>> ProbesFrom { init => probes = new(value); }

    private readonly Lazy<IReadOnlyList<Probe>> probes = new(() => []);

    /// <summary>The worst severity there is, or null where nothing is wrong.</summary>
    public Severity? Worst => Findings.Count == 0 ? null : Findings.Min(f => f.Severity);

    /// <summary>The first step that is not clear; null where all are.</summary>
    public StepStatus? Next => Steps.FirstOrDefault(s => s.State != StepState.Clear);
}
