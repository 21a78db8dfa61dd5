using System.Collections.Concurrent;
using Corrie.Core.Findings;
using Corrie.Core.Measure;

namespace Corrie.Core.Planning;

/// <summary>A job plan: all that follows from a sheet. Immutable.</summary>
public sealed class JobPlan : IHungResults
{
    private readonly IReadOnlyDictionary<(object Result, string Owner), PlanBuilder.Piece> pieces;
    private readonly IReadOnlyDictionary<string, Length> rises;
    private readonly ConcurrentDictionary<(object Result, string Owner), Lazy<object>> later = new();

    /// <summary>Finishes a plan.</summary>
    /// <param name="builder">What the stages have made.</param>
    /// <param name="stages">The stages, in their order.</param>
    internal JobPlan(HungPlan builder, IReadOnlyList<IStage> stages)
    {
        Sheet = builder.Sheet;
        Reused = builder.Reused;
        pieces = builder.Pieces;
        var place = stages.Select((s, i) => (s.Id, i)).ToDictionary(p => p.Id, p => p.i);
        var overrides = Sheet.Get(Override.Part) ?? [];
        Findings =
        [
            .. builder.InOrder.SelectMany(p => p.Findings).Select(f => Override.Apply(f, overrides))
                .OrderBy(f => f.Severity).ThenBy(f => place.GetValueOrDefault(f.Kind.Stage)).ThenBy(f => f.Code, StringComparer.Ordinal).ThenBy(f => f.Where.Part, StringComparer.Ordinal),
        ];
        rises = builder.Rises;
        Marks = [.. builder.InOrder.SelectMany(p => p.Marks).OrderBy(m => m.Wall, StringComparer.Ordinal).ThenBy(m => m.Phase)];
        var walls = Sheet.Walls.Count == 0 ? [null] : Sheet.Walls.Cast<WallSheet?>().ToList();
        var counts = new Dictionary<(StageId Stage, string Wall), (int Stops, int Cautions)>();
        foreach (var finding in Findings)
        {
            var (stops, cautions) = counts.GetValueOrDefault((finding.Kind.Stage, finding.Where.Wall));
            counts[(finding.Kind.Stage, finding.Where.Wall)] = (stops + (finding.Stops ? 1 : 0), cautions + (finding.Severity == Severity.Caution ? 1 : 0));
        }

        Statuses = [.. walls.SelectMany(w => stages.Select(s => StatusOf(s, w, counts)))];
    }

    /// <inheritdoc/>
    public JobSheet Sheet { get; }

    /// <summary>How many pieces of work were taken over from the plan before.</summary>
    public int Reused { get; }

    /// <summary>The set-out: marks wall by wall, in working order.</summary>
    public IReadOnlyList<Mark> Marks { get; }

    /// <summary>What is wrong, gravest first.</summary>
    public IReadOnlyList<Finding> Findings { get; }

    /// <summary>How each stage stands on each wall; on no wall where the job has none.</summary>
    public IReadOnlyList<StageStatus> Statuses { get; }

    /// <summary>The worst severity there is; null where nothing is wrong.</summary>
    public Severity? Worst => Findings.Count == 0 ? null : Findings.Min(f => f.Severity);

    /// <summary>What should be done next: the first stage that is neither clear nor not needed, wall by wall; null where all are.</summary>
    public StageStatus? Next => Statuses.FirstOrDefault(s => s.State is not (StageState.Clear or StageState.NotNeeded));

    /// <summary>How a wall's stages stand.</summary>
    /// <param name="wall">Key of the wall; empty where the job has none.</param>
    /// <returns>Their statuses, in their order.</returns>
    public IReadOnlyList<StageStatus> On(string wall) => [.. Statuses.Where(s => s.Wall == wall)];

    /// <inheritdoc/>
    public T? Get<T>(Result<T> result, string owner)
        where T : class => pieces.TryGetValue((result, owner), out var piece) ? (T?)piece.Value : null;

    /// <inheritdoc/>
    public T Later<T>(Result<T> result, string owner, Func<T> make)
        where T : class => (T)later.GetOrAdd((result, owner), _ => new(make)).Value;

    /// <inheritdoc/>
    public Length Rise(string item) => rises.GetValueOrDefault(item);

    internal PlanBuilder.Piece? Piece(object result, string owner) => pieces.GetValueOrDefault((result, owner));

    private StageStatus StatusOf(IStage stage, WallSheet? wall, Dictionary<(StageId Stage, string Wall), (int Stops, int Cautions)> counts)
    {
        var report = stage.Report(this, wall);
        // What is no wall's counts on each.
        var (all, here) = (counts.GetValueOrDefault((stage.Id, string.Empty)), wall is null ? default : counts.GetValueOrDefault((stage.Id, wall.Id)));
        var stops = all.Stops + here.Stops;
        return new(stage, wall?.Id ?? string.Empty, (report.State == StageState.Clear && stops > 0) || (report is { State: StageState.NotNeeded, Later: false } && here.Stops > 0) ? StageState.Stopped : report.State, report.Says, stops, all.Cautions + here.Cautions)
        { Later = report.Later };
    }
}
