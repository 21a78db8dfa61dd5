using System.Globalization;
using Corrie.Core.SiteDay;

namespace Corrie.Web.Jobs;

/// <summary>Small words of the pages.</summary>
public static class Words
{
    /// <summary>A number of things: <c>1 stop</c>, <c>2 stops</c>.</summary>
    public static string Count(int number, string thing) => number == 1 ? $"1 {thing}" : $"{number} {thing}s";

    /// <summary>A time: <c>25 min</c>, <c>3.5 h</c>.</summary>
    /// <param name="minutes">How many minutes.</param>
    public static string Hours(double minutes) => minutes < 60 ? $"{minutes:0} min" : string.Create(CultureInfo.InvariantCulture, $"{minutes / 60:0.#} h");

    /// <summary>How long ago something was.</summary>
    /// <param name="at">When it was.</param>
    /// <param name="now">What time it is.</param>
    public static string Ago(DateTimeOffset at, DateTimeOffset now) => (now - at) switch
    {
        { TotalMinutes: < 1 } => "just now",
        { TotalHours: < 1 } span => $"{span.TotalMinutes:0} min ago",
        { TotalDays: < 1 } span => $"{span.TotalHours:0} h ago",
        { } span => $"{span.TotalDays:0} d ago",
    };

    /// <summary>What a visit is for.</summary>
    /// <param name="visit">What it is for.</param>
    public static string Of(VisitFor visit) => visit switch
    {
        VisitFor.Survey => "survey",
        VisitFor.Electrician => "electrician",
        VisitFor.HandOver => "hand-over",
        _ => "install",
    };

    /// <summary>A stretch of the day.</summary>
    /// <param name="phase">The stretch.</param>
    public static string Of(DayPhase phase) => phase switch
    {
        DayPhase.Receipt => "Out of the boxes",
        DayPhase.Prepare => "Before anything is touched",
        DayPhase.Isolate => "Mains off",
        DayPhase.Arms => "Arms on the display",
        DayPhase.Plate => "Marks, bolts, plate",
        DayPhase.Boxes => "Openings and boxes",
        DayPhase.Cables => "Ways and cables",
        DayPhase.Close => "The wall is closed",
        DayPhase.Hang => "Pull, and hang",
        DayPhase.Adjust => "Level, picture, sound",
        DayPhase.Clear => "Clean up",
        _ => "Hand over",
    };

    /// <summary>Who does a step, and how long it takes.</summary>
    /// <param name="step">The step.</param>
    public static string Sentence(DayStep step)
    {
        var who = step.Who switch { DayRole.Electrician => "licensed electrician", DayRole.Lead => "lead", _ => step.People == 1 ? "one person" : $"{step.People} people" };
        return $"{char.ToUpperInvariant(who[0])}{who[1..]}, about {Hours(step.Minutes)}.";
    }
}
