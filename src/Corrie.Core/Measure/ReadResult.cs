namespace Corrie.Core.Measure;

/// <summary>Why something typed could not be taken, in words for the person who typed it.</summary>
/// <param name="Typed">What was typed, unchanged.</param>
/// <param name="Understood">What was made of it.</param>
/// <param name="Expected">What would be taken.</param>
public sealed record ReadProblem(string Typed, string Understood, string Expected)
{
    /// <summary>The whole message, one line.</summary>
    /// <returns>The text.</returns>
    public override string ToString() => $"{Understood}. Expected: {Expected}{(Expected.EndsWith('?') ? string.Empty : ".")}";
}

/// <summary>Something read from what a person typed, or the reason why not.</summary>
/// <typeparam name="T">The kind of quantity.</typeparam>
public readonly struct ReadResult<T>
    where T : struct
{
    private readonly T value;

    private ReadResult(T value, ReadProblem? problem)
    {
        this.value = value;
        Problem = problem;
    }

    /// <summary>The problem, or null where there is none.</summary>
    public ReadProblem? Problem { get; }

    /// <summary>Whether there is a value.</summary>
    public bool Ok => Problem is null;

    /// <summary>The value.</summary>
    /// <exception cref="FormatException">There is none; the message is the problem's.</exception>
    public T Value => Problem is null ? value : throw new FormatException(Problem.ToString());

    /// <summary>A value that was read.</summary>
    /// <param name="value">The value.</param>
    public static implicit operator ReadResult<T>(T value) => new(value, null);

    /// <summary>A problem instead of a value.</summary>
    /// <param name="problem">What was understood and what is expected.</param>
    public static implicit operator ReadResult<T>(ReadProblem problem) => new(default, problem);
}
