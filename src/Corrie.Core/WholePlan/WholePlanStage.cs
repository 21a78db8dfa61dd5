using Corrie.Core.Findings;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Core.WholePlan;

/// <summary>What only shows once all stages have planned: bodies that meet, holes into what is in the wall, values that nobody entered.</summary>
public sealed class WholePlanStage : IStage
{
    private static readonly Result<Cleared> Clear = new("clearances");

    /// <inheritdoc/>
    public StageId Id => WholePlanFindings.Stage;

    /// <inheritdoc/>
    public WorkStep Step => WorkStep.Fix;

    /// <inheritdoc/>
    public IReadOnlyList<Part> Parts { get; } = [];

    /// <inheritdoc/>
    public IReadOnlyList<FindingKind> Kinds => WholePlanFindings.All;

    /// <inheritdoc/>
    public void Plan(PlanBuilder plan)
    {
        var sheet = plan.Sheet;
        foreach (var wall in sheet.Walls)
        {
            if (plan.Survey(wall.Id) is not { } surveyed)
            {
                continue;
            }

            var placed = sheet.ThingsOn(wall).Where(i => plan.Placement(i.Id) is not null)
                .Select(i => new PlacedItem(i.Id, i.Get(PlacementChoice.Part)!, plan.Placement(i.Id)!)).ToList();
            var input = new Clearing(surveyed, new(plan.BodiesAt(wall.Id)), new(plan.HolesIn(wall.Id)), new(placed), sheet.Policy);
            plan.Work(Clear, wall.Id, wall.Id, input, static (work, input) =>
            {
                foreach (var finding in Clearances.Check(input))
                {
                    work.AddAsNamed(finding);
                }

                return new Cleared(input.Holes.Items.Count, input.Bodies.Items.Count(b => b.Item.Length > 0));
            });
        }
    }

    /// <inheritdoc/>
    public StageReport Report(IResults plan, WallSheet? wall) => wall is not null && plan.Get(Clear, wall.Id) is { } cleared && cleared.Holes + cleared.Bodies > 0
        ? StageReport.Clear(Phrase.Of($"{cleared.Holes} {(cleared.Holes == 1 ? "hole" : "holes")} and {cleared.Bodies} {(cleared.Bodies == 1 ? "body" : "bodies")} clear of each other"))
        : StageReport.NotNeeded;

    /// <inheritdoc/>
    /// <remarks>It has findings only.</remarks>
    public void Write(IResults plan, PlanWriter file)
    {
    }

    private sealed record Cleared(int Holes, int Bodies);
}

/// <summary>A thing with its place, for remedies that move it.</summary>
/// <param name="Id">Its key.</param>
/// <param name="Choice">Where it is wanted.</param>
/// <param name="Result">Where it goes.</param>
internal sealed record PlacedItem(string Id, PlacementChoice Choice, PlacementResult Result);

/// <summary>All that clearances follow from.</summary>
/// <param name="Survey">The wall as surveyed.</param>
/// <param name="Bodies">All bodies at it.</param>
/// <param name="Holes">All holes in it.</param>
/// <param name="Placed">The things that are placed on it.</param>
/// <param name="Policy">The company's figures.</param>
internal sealed record Clearing(Surveyed Survey, Same<Body> Bodies, Same<WallHole> Holes, Same<PlacedItem> Placed, Policy Policy);
