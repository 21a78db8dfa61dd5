namespace Corrie.Core.Planning;

/// <summary>Why a piece of work was given up: it would have cost more than it may.</summary>
/// <param name="steps">How many steps it may take.</param>
public sealed class OverBudgetException(long steps)
    : Exception($"This is more than Corrie works out at once: it would take over {steps:N0} steps. Split the job, or take away readings and things that are not needed.")
{
}

/// <summary>
/// What a piece of work may cost, in steps: the core has no clock. A step is about a number multiplied and added, so that a hundred million are
/// a second or less on today's machines. Nobody waits for work that nobody wants any more.
/// </summary>
/// <param name="steps">How many steps it may take.</param>
/// <param name="stop">Says that nobody waits for the result any more.</param>
public sealed class WorkBudget(long steps, CancellationToken stop = default)
{
    /// <summary>What one plan may cost: the largest that somebody works with takes less than a tenth of it.</summary>
    public const long OfAPlan = 2_000_000_000;

    private long spent;

    /// <summary>How many steps have been taken.</summary>
    public long Spent => Interlocked.Read(ref spent);

    /// <summary>Takes some steps.</summary>
    /// <param name="cost">How many.</param>
    /// <exception cref="OverBudgetException">There are not so many left.</exception>
    /// <exception cref="OperationCanceledException">Nobody waits for the result any more.</exception>
    public void Spend(long cost)
    {
        stop.ThrowIfCancellationRequested();
        if (Interlocked.Add(ref spent, cost) > steps)
        {
            throw new OverBudgetException(steps);
        }
    }
}
