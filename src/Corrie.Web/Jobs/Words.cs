namespace Corrie.Web.Jobs;

/// <summary>Small words of the pages.</summary>
public static class Words
{
    /// <summary>A number of things: <c>1 stop</c>, <c>2 stops</c>.</summary>
    public static string Count(int number, string thing) => number == 1 ? $"1 {thing}" : $"{number} {thing}s";
}
