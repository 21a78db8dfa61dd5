namespace Corrie.Core.Tests;

/// <summary>How much of a long study a test run takes: a seeded sample, or all of it by <c>bench/run studies</c>.</summary>
internal static class Study
{
    private static readonly bool Full = Environment.GetEnvironmentVariable("CORRIE_FULL") is not null;

    /// <summary>The number of cases.</summary>
    /// <param name="all">How many the whole study has.</param>
    /// <param name="sample">How many a test run takes.</param>
    /// <returns>One of the two.</returns>
    public static int Size(int all, int sample) => Full ? all : sample;
}
