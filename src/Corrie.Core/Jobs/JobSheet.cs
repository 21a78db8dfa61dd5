using Corrie.Core.Catalogue;
using Corrie.Core.Fixing;
using Corrie.Core.Hanging;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Survey;

namespace Corrie.Core.Jobs;

/// <summary>What a job is called.</summary>
/// <param name="Number">The company's number.</param>
/// <param name="Title">The wall, as the crew calls it.</param>
/// <param name="Site">Where it is.</param>
/// <param name="Units">The job's units.</param>
public sealed record JobHead(string Number, string Title, string Site, UnitSystem Units);

/// <summary>From where the set-out is read.</summary>
/// <param name="Across">Datum of the sideways readings.</param>
/// <param name="Up">Datum of the heights.</param>
public sealed record SetOutChoice(string Across, string Up);

/// <summary>Everything known about one job at one moment: what goes into <see cref="Planner.Plan(JobSheet)"/>.</summary>
/// <param name="Head">What it is called, and its units.</param>
/// <param name="Wall">The wall, or null until its size is known.</param>
/// <param name="Placement">Where the picture is wanted, or null until a height is.</param>
/// <param name="Display">The display, or null until one is chosen.</param>
/// <param name="Mount">The mount, or null until one is chosen.</param>
/// <param name="Hanging">What was chosen and measured about the hanging.</param>
/// <param name="Fixing">What holds the plate, or null until a fastener is chosen.</param>
/// <param name="SetOut">From where the set-out is read.</param>
public sealed record JobSheet(
    JobHead Head,
    Wall? Wall,
    PlacementChoice? Placement,
    Display? Display,
    Mount? Mount,
    HangingChoice Hanging,
    FixingChoice? Fixing,
    SetOutChoice SetOut);
