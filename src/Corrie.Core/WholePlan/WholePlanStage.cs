using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Hanging;
using Corrie.Core.Masonry;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Core.WholePlan;

/// <summary>What only shows once all stages have planned: bodies that meet, holes into what is in the wall, values that nobody entered.</summary>
public sealed class WholePlanStage : ILateStage
{
    private const int StepsOfAPair = 20;

    private static readonly Result<Cleared> Clear = new("clearances");
    private static readonly Result<Gone> Missing = new("parts that could not be read");
    private static readonly Result<Odd> Unusual = new("unusual figures of the company");
    private static readonly Result<Register> Assumed = new("assumptions");

    /// <inheritdoc/>
    public StageId Id => WholePlanFindings.Stage;

    /// <inheritdoc/>
    public WorkStep Step => WorkStep.Fix;

    /// <inheritdoc/>
    public IReadOnlyList<Part> Parts { get; } = [Override.Part];

    /// <inheritdoc/>
    public IReadOnlyList<FindingKind> Kinds => WholePlanFindings.All;

    /// <inheritdoc/>
    public void Plan(HungPlan plan)
    {
        var sheet = plan.Sheet;
        foreach (var lost in sheet.LeftOut.GroupBy(l => Pointer.Split(l.Path) is ["walls", var wall, ..] && sheet.Wall(wall) is not null ? wall : string.Empty))
        {
            plan.Work(Missing, lost.Key, lost.Key, new Same<LeftOut>([.. lost]), static (work, input) =>
            {
                foreach (var part in input.Items)
                {
                    var grave = part.Path.StartsWith("/walls", StringComparison.Ordinal) || part.Path.StartsWith("/items", StringComparison.Ordinal) || part.Path.StartsWith("/policy", StringComparison.Ordinal);
                    Phrase message = $"Enter it anew: {part.Name} is not in the plan, since this could not be read: {part.Field}. {part.Problem.Understood}. Expected: {part.Problem.Expected}.";
                    var where = new Spot(part.Path.TrimStart('/'));
                    work.AddAsNamed(grave ? WholePlanFindings.LeftOut.At(where, message) : WholePlanFindings.LeftOut.MildAt(where, message));
                }

                return new Gone(input.Items.Count);
            });
        }

        if (sheet.Policy.Unusual.Items.Count > 0)
        {
            plan.Work(Unusual, "policy", string.Empty, sheet.Policy, static (work, policy) =>
            {
                foreach (var figure in policy.Unusual.Items)
                {
                    work.Add(WholePlanFindings.FigureUnusual.At(
                        new(figure.Member),
                        $"{(figure.Floored ? "Set it right" : "Look at it again, or say why in the job's departure")}: by the company's figures {figure.Says}. {(policy.SetBy.Length > 0 ? $"Set by {policy.SetBy}{(policy.SetOn.Length > 0 ? " on " + policy.SetOn : string.Empty)}." : "Nobody has recorded who set it, and when.")}"));
                }

                return new Odd();
            });
        }

        foreach (var wall in sheet.Walls)
        {
            if (plan.Survey(wall.Id) is not { } surveyed)
            {
                continue;
            }

            var placed = sheet.ThingsOn(wall).Where(i => plan.Placement(i.Id) is not null && i.Get(PlacementChoice.Part) is not null)
                .Select(i => new PlacedItem(i.Id, i.Get(PlacementChoice.Part)!, plan.Placement(i.Id)!)).ToList();
            var input = new Clearing(surveyed, new(plan.BodiesAt(wall.Id)), new(plan.HolesIn(wall.Id)), new(placed), new([.. sheet.ThingsOn(wall).Select(i => plan.Layout(i.Id)?.Motion).OfType<Motion>()]), sheet.Policy, new(FluePlace.Of(surveyed.Wall, wall.Get(Fire.Part))), new(plan.RunsIn(wall.Id)))
            {
                Travels = new([.. sheet.ThingsOn(wall).Where(i => i.Product is Mount && plan.Layout(i.Id) is not null).Select(i => (Item: i, Mount: (Mount)i.Product!)).Select(i => new Travel(i.Item.Id, sheet.RootOf(i.Item).Id, i.Mount.RaiseBy, i.Mount.LowerBy, Length.Max(Length.Zero, i.Mount.DepthExtended - i.Mount.DepthParked), i.Mount.ClearAbove))]),
            };
            plan.Work(Clear, wall.Id, wall.Id, input, static (work, input) =>
            {
                long things = input.Holes.Items.Count + input.Bodies.Items.Count;
                work.Budget.Spend(things * (things + input.Survey.Wall.Features.Count) * StepsOfAPair);
                foreach (var finding in Clearances.Check(input))
                {
                    work.AddAsNamed(finding);
                }

                return new Cleared(input.Holes.Items.Count, input.Bodies.Items.Count(b => b.Item.Length > 0));
            });

            // A handful of comparisons: cheaper made anew than compared.
            var register = Assumptions.Of(plan, wall);
            List<Finding> said = [.. Assumptions.Findings(register, wall.Id, plan.HolesIn(wall.Id).Count), .. Assumptions.Lost(plan, wall)];
            plan.Work(Assumed, wall.Id, wall.Id, said, (work, found) =>
            {
                found.ForEach(work.AddAsNamed);
                return new Register(register);
            });
        }
    }

    /// <inheritdoc/>
    public StageReport Report(IHungResults plan, WallSheet? wall) => (plan.Get(Missing, string.Empty)?.Parts ?? 0) + (wall is null ? 0 : plan.Get(Missing, wall.Id)?.Parts ?? 0) is > 0 and var gone
        ? StageReport.Clear(Phrase.Of($"{gone} {(gone == 1 ? "part" : "parts")} not in the plan"))
        : wall is not null && plan.Get(Clear, wall.Id) is { } cleared && cleared.Holes + cleared.Bodies > 0
        ? StageReport.Clear(Phrase.Of($"{cleared.Holes} {(cleared.Holes == 1 ? "hole" : "holes")} and {cleared.Bodies} {(cleared.Bodies == 1 ? "body" : "bodies")} clear of each other"))
        : StageReport.NotNeeded;

    /// <inheritdoc/>
    public void Write(IHungResults plan, PlanWriter file)
    {
        foreach (var wall in plan.Sheet.Walls.Where(w => RegisterOf(plan, w.Id).Count > 0))
        {
            file.Wall(wall.Id)["assumed"] = PlanWriter.All(RegisterOf(plan, wall.Id), a => new System.Text.Json.Nodes.JsonObject
            {
                ["part"] = a.Part,
                ["says"] = a.Says.Say(file.Style),
                ["rests"] = a.Rests,
                ["source"] = a.Source.ToString(),
                ["safety"] = a.Safety,
            });
        }
    }

    /// <summary>What a wall's plan assumes.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="wall">Key of the wall.</param>
    /// <returns>The register; empty as long as no hole is planned.</returns>
    internal static IReadOnlyList<Assumption> RegisterOf(IHungResults plan, string wall) => plan.Get(Assumed, wall)?.All ?? [];

    private sealed record Odd;

    private sealed record Gone(int Parts);

    private sealed record Cleared(int Holes, int Bodies);

    private sealed record Register(IReadOnlyList<Assumption> All);
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
/// <param name="Motions">What moves on its mounts.</param>
/// <param name="Policy">The company's figures.</param>
/// <param name="Flues">Flues that may be in use.</param>
/// <param name="Runs">Where cables will run.</param>
internal sealed record Clearing(Surveyed Survey, Same<Body> Bodies, Same<WallHole> Holes, Same<PlacedItem> Placed, Same<Motion> Motions, Policy Policy, Same<FluePlace> Flues, Same<WallRun> Runs)
{
    /// <summary>How far mounts raise and lower what hangs on them.</summary>
    public Same<Travel> Travels { get; init; } = new([]);
}

/// <summary>How far a mount raises and lowers what hangs on it.</summary>
/// <param name="Mount">Its key.</param>
/// <param name="Assembly">Key of the lowest thing that carries it.</param>
/// <param name="RaiseBy">How far up.</param>
/// <param name="LowerBy">How far down.</param>
/// <param name="Out">How far it comes out of the wall meanwhile.</param>
/// <param name="ClearAbove">Clear height over what hangs that lifting it on needs.</param>
internal sealed record Travel(string Mount, string Assembly, Length RaiseBy, Length LowerBy, Length Out, Length ClearAbove);
