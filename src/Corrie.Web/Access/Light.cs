namespace Corrie.Web.Access;

/// <summary>The light in which somebody reads: kept with the browser, since a phone goes outside and a desk does not.</summary>
public static class Light
{
    /// <summary>The cookie that keeps it.</summary>
    public const string Cookie = "corrie-light";

    /// <summary>The choices, as key and words; the first one where nothing was chosen.</summary>
    public static IReadOnlyList<(string Key, string Words)> Choices { get; } = [("day", "daylight"), ("sun", "bright sun"), ("night", "night")];

    /// <summary>The one that was chosen.</summary>
    public static string Of(HttpContext context) => context.Request.Cookies[Cookie] is { } chosen && Choices.Any(c => c.Key == chosen) ? chosen : Choices[0].Key;
}
