using System.Collections.Concurrent;
using Corrie.Core.Findings;
using Corrie.Core.Measure;

namespace Corrie.Core.Planning;

/// <summary>The name of a kind of result that a stage makes, for a wall or a thing. Each is its own, whatever it is called.</summary>
/// <typeparam name="T">The result's type.</typeparam>
/// <param name="name">A word for the debugger.</param>
public sealed class Result<T>(string name)
    where T : class
{
    /// <inheritdoc/>
    public override string ToString() => name;
}

/// <summary>What stages have made of a sheet.</summary>
public interface IResults
{
    /// <summary>The sheet.</summary>
    JobSheet Sheet { get; }

    /// <summary>A result.</summary>
    /// <typeparam name="T">Its type.</typeparam>
    /// <param name="result">Which one.</param>
    /// <param name="owner">Key of the wall or thing.</param>
    /// <returns>The result; null where there is none.</returns>
    T? Get<T>(Result<T> result, string owner)
        where T : class;

    /// <summary>The same questions asked of a plan again and again are answered once.</summary>
    /// <typeparam name="T">The answer's type.</typeparam>
    /// <param name="result">Which question.</param>
    /// <param name="owner">Key of the wall or thing.</param>
    /// <param name="make">Works the answer out from the plan.</param>
    /// <returns>The answer.</returns>
    T Later<T>(Result<T> result, string owner, Func<T> make)
        where T : class;
}

/// <summary>
/// What stages have made of a sheet once everything hangs: where a thing really goes follows from the plate that carries it, and that from the holes that are in the
/// wall. Whoever plans before that has <see cref="IResults"/> alone, which knows only where things are wanted.
/// </summary>
public interface IHungResults : IResults
{
    /// <summary>How much higher a thing hangs than it was wanted, since holes are in the wall there.</summary>
    /// <param name="item">Key of the thing.</param>
    /// <returns>How much; zero where nothing is built yet.</returns>
    Length Rise(string item);
}

/// <summary>Where the findings and marks of one piece of work go. It puts the owner's key before their names.</summary>
/// <param name="owner">Key of the wall or thing that the work is about.</param>
/// <param name="wall">Key of the wall.</param>
/// <param name="ofItem">Whether the owner is a thing.</param>
/// <param name="budget">What the work may cost.</param>
public sealed class Worksheet(string owner, string wall, bool ofItem, WorkBudget budget)
{
    /// <summary>What the work may cost, together with all other work of the plan: whoever looks at all pairs of something says so.</summary>
    public WorkBudget Budget => budget;

    /// <summary>Key of the wall or thing that the work is about.</summary>
    public string Owner => owner;

    internal List<Finding> Findings { get; } = [];

    internal List<Mark> Marks { get; } = [];

    internal List<Body> Bodies { get; } = [];

    internal List<WallHole> Holes { get; } = [];

    internal List<WallRun> Runs { get; } = [];

    /// <summary>Adds a finding.</summary>
    /// <param name="finding">The finding; its part is named from the owner on.</param>
    public void Add(Finding finding) => Findings.Add(finding with { Where = finding.Where with { Part = $"{owner}/{finding.Where.Part}", Wall = wall } });

    /// <summary>Adds a finding about parts of several owners.</summary>
    /// <param name="finding">The finding; its part has its whole name.</param>
    public void AddAsNamed(Finding finding) => Findings.Add(finding with { Where = finding.Where with { Wall = wall } });

    /// <summary>Adds findings.</summary>
    /// <param name="findings">The findings; their parts are named from the owner on.</param>
    public void Add(IEnumerable<Finding> findings)
    {
        foreach (var finding in findings)
        {
            Add(finding);
        }
    }

    /// <summary>Adds a body that will be in the room, or is there.</summary>
    /// <param name="body">The body; its part is named from the owner on.</param>
    public void Add(Body body) => Bodies.Add(body with { Part = $"{owner}/{body.Part}", Item = ofItem ? owner : string.Empty });

    /// <summary>Adds a hole to be made in the wall.</summary>
    /// <param name="hole">The hole; its part is named from the owner on.</param>
    public void Add(WallHole hole) => Holes.Add(hole with { Part = $"{owner}/{hole.Part}" });

    /// <summary>Adds a stretch of the wall in which a cable will run.</summary>
    /// <param name="run">The stretch; its part is named from the owner on.</param>
    public void Add(WallRun run) => Runs.Add(run with { Part = $"{owner}/{run.Part}" });

    /// <summary>Adds a mark.</summary>
    /// <param name="mark">The mark; its id is the short name.</param>
    public void Add(Mark mark) => Marks.Add(mark with { Id = $"{owner}/{mark.Id}", Item = ofItem ? owner : string.Empty, Wall = wall });
}

/// <summary>A list that equals another one with equal members: as an input of a piece of work.</summary>
/// <typeparam name="T">The members' type.</typeparam>
/// <param name="Items">The members.</param>
public readonly record struct Same<T>(IReadOnlyList<T> Items)
{
    /// <inheritdoc/>
    public bool Equals(Same<T> other) => Items.SequenceEqual(other.Items);

    /// <inheritdoc/>
    public override int GetHashCode() => Items.Count;
}

/// <summary>A plan in the making, before everything hangs.</summary>
/// <param name="sheet">The sheet.</param>
/// <param name="previous">The plan of an earlier sheet, whose unaffected pieces are taken over; null for a fresh plan.</param>
/// <param name="budget">What the plan may cost.</param>
public abstract class PlanBuilder(JobSheet sheet, JobPlan? previous, WorkBudget budget) : IResults
{
    private const int StepsOfAPiece = 20_000;

    private readonly Dictionary<(object Result, string Owner), Piece> pieces = [];
    private readonly List<Piece> order = [];
    private readonly Dictionary<string, Length> rises = [];
    private readonly ConcurrentDictionary<(object Result, string Owner), object> later = new();

    /// <inheritdoc/>
    public JobSheet Sheet => sheet;

    /// <summary>How many pieces of work were taken over from the earlier plan.</summary>
    public int Reused { get; private set; }

    /// <summary>How much higher things hang than they were wanted; of use once everything hangs.</summary>
    internal IReadOnlyDictionary<string, Length> Rises => rises;

    internal IReadOnlyDictionary<(object Result, string Owner), Piece> Pieces => pieces;

    internal IEnumerable<Piece> InOrder => order;

    /// <summary>
    /// Does a piece of work, or takes it over from the earlier plan where its input is the same. All that the work reads has to be in its input: a
    /// static function cannot read anything else.
    /// </summary>
    /// <typeparam name="TInput">The input's type, compared by value.</typeparam>
    /// <typeparam name="T">The result's type.</typeparam>
    /// <param name="result">What is made.</param>
    /// <param name="owner">Key of the wall or thing that it is made for.</param>
    /// <param name="wall">The wall.</param>
    /// <param name="input">All that the work reads.</param>
    /// <param name="work">Makes the result from the input; findings and marks go on the worksheet.</param>
    /// <returns>The result.</returns>
    public T? Work<TInput, T>(Result<T> result, string owner, string wall, TInput input, Func<Worksheet, TInput, T?> work)
        where T : class
    {
        if (previous?.Piece(result, owner) is { } same && same.Wall == wall && same.Input is TInput before && EqualityComparer<TInput>.Default.Equals(before, input))
        {
            Reused++;
            pieces[(result, owner)] = same;
            order.Add(same);
            return (T?)same.Value;
        }

        budget.Spend(StepsOfAPiece);
        var worksheet = new Worksheet(owner, wall, sheet.Item(owner) is not null, budget);
        var value = work(worksheet, input);
        var piece = new Piece(input, wall, value, worksheet.Findings, worksheet.Marks, worksheet.Bodies, worksheet.Holes, worksheet.Runs);
        pieces[(result, owner)] = piece;
        order.Add(piece);
        return value;
    }

    /// <summary>Says that a thing hangs higher than it was wanted.</summary>
    /// <param name="item">Key of the thing.</param>
    /// <param name="rise">How much; negative for lower.</param>
    public void Move(string item, Length rise) => rises[item] = rise;

    /// <summary>All bodies at a wall so far.</summary>
    /// <param name="wall">Key of the wall.</param>
    /// <returns>The bodies, in the order in which stages added them.</returns>
    public IReadOnlyList<Body> BodiesAt(string wall) => [.. order.Where(p => p.Wall == wall).SelectMany(p => p.Bodies)];

    /// <summary>All holes in a wall so far.</summary>
    /// <param name="wall">Key of the wall.</param>
    /// <returns>The holes, in the order in which stages added them.</returns>
    public IReadOnlyList<WallHole> HolesIn(string wall) => [.. order.Where(p => p.Wall == wall).SelectMany(p => p.Holes)];

    /// <summary>All stretches of a wall in which cables will run, so far.</summary>
    /// <param name="wall">Key of the wall.</param>
    /// <returns>The stretches, in the order in which stages added them.</returns>
    public IReadOnlyList<WallRun> RunsIn(string wall) => [.. order.Where(p => p.Wall == wall).SelectMany(p => p.Runs)];

    /// <inheritdoc/>
    public T? Get<T>(Result<T> result, string owner)
        where T : class => pieces.TryGetValue((result, owner), out var piece) ? (T?)piece.Value : null;

    /// <inheritdoc/>
    public T Later<T>(Result<T> result, string owner, Func<T> make)
        where T : class => (T)later.GetOrAdd((result, owner), _ => make());

    internal sealed record Piece(object? Input, string Wall, object? Value, IReadOnlyList<Finding> Findings, IReadOnlyList<Mark> Marks, IReadOnlyList<Body> Bodies, IReadOnlyList<WallHole> Holes, IReadOnlyList<WallRun> Runs);
}

/// <summary>A plan in the making in which everything hangs. It is the whole builder; stages that plan earlier are handed it as what it is without that.</summary>
/// <param name="sheet">The sheet.</param>
/// <param name="previous">The plan of an earlier sheet, whose unaffected pieces are taken over; null for a fresh plan.</param>
/// <param name="budget">What the plan may cost.</param>
public sealed class HungPlan(JobSheet sheet, JobPlan? previous, WorkBudget budget) : PlanBuilder(sheet, previous, budget), IHungResults
{
    /// <inheritdoc/>
    public Length Rise(string item) => Rises.GetValueOrDefault(item);
}
