using System.Globalization;
using Corrie.Core.Format;
using Corrie.Core.Planning;

namespace Corrie.Core.SiteDay;

/// <summary>In which order displays and walls are worked on.</summary>
public enum DayOrder
{
    /// <summary>Arms on the display first: the hook is measured on the table, and then the wall is marked.</summary>
    DisplayFirst,

    /// <summary>The wall first, by the catalogue's figures: for a model that was measured before.</summary>
    WallFirst,
}

/// <summary>How a day is worked.</summary>
/// <param name="Order">In which order.</param>
/// <param name="Here">Where it stands in the document.</param>
public sealed record DayPlan(DayOrder Order, Place Here)
{
    /// <summary>How the day of a job is worked.</summary>
    public static Part<DayPlan> Part { get; } = new(Holder.Job, "dayPlan", new GroupShape<DayPlan>("how the day is worked", m => new DayPlan(
        m.Choice("order", "which is worked on first, the display or the wall", DayOrder.DisplayFirst), m.Here)), always: true);
}

/// <summary>What the client has signed at the end.</summary>
/// <param name="By">The client's name; empty where nobody has signed.</param>
/// <param name="On">When, as year, month, day and time.</param>
/// <param name="Drawn">The signature as strokes; empty where the name alone was typed.</param>
/// <param name="Open">How many stops were open then.</param>
/// <param name="Note">What else was said.</param>
public sealed record HandedOver(string By, string On, string Drawn, int Open, string Note)
{
    /// <summary>What the client has signed.</summary>
    public static Part<HandedOver> Part { get; } = new(Holder.Job, "handedOver", new GroupShape<HandedOver>("what the client has signed at the end", m => new HandedOver(
        m.Text("by", "the client's name", 80), m.Text("on", "when", 40), m.Text("drawn", "the signature as strokes", DrawnSignature.Most), m.Or("open", new WholeShape("how many stops were open", 0, 10_000), 0), m.Text("note", "what else was said", 300))));
}

/// <summary>Why something is looked at again.</summary>
public enum CareKind
{
    /// <summary>Straps are tightened again, by their witness mark.</summary>
    Straps,

    /// <summary>Screws in a vehicle are checked.</summary>
    VehicleScrews,

    /// <summary>What was put up for a time is revisited.</summary>
    Temporary,

    /// <summary>Siding or furniture that is to come changes what was fitted.</summary>
    Change,

    /// <summary>Anything else.</summary>
    Other,
}

/// <summary>Something that is looked at again after the job.</summary>
/// <param name="Id">Its key.</param>
/// <param name="Kind">Why.</param>
/// <param name="What">What it is.</param>
/// <param name="SaidDue">When, as year, month and day; empty for so long after the hand-over as is usual.</param>
/// <param name="Done">When it was done; empty where it is still to do.</param>
/// <param name="By">Who did it.</param>
public sealed record Aftercare(string Id, CareKind Kind, string What, string SaidDue, string Done, string By)
{
    /// <summary>What is looked at again.</summary>
    public static Part<IReadOnlyList<Aftercare>> Part { get; } = new(Holder.Job, "aftercare", new MapShape<Aftercare>("what is looked at again", new GroupShape<Aftercare>("something to look at again", m => new Aftercare(
        m.Key,
        m.Choice("kind", "why it is looked at again", CareKind.Straps),
        m.Text("what", "what it is", 200),
        m.Text("due", "its day, such as 2026-12-27; empty for the usual time after the hand-over", 20),
        m.Text("done", "the day on which it was done", 20),
        m.Text("by", "who did it", 80))), 40));

    /// <summary>What it says to do.</summary>
    public string Says => (Kind switch
    {
        CareKind.Straps => "tighten the straps again, by the witness mark",
        CareKind.VehicleScrews => "check the screws in the vehicle",
        CareKind.Temporary => "revisit what was put up for a time",
        CareKind.Change => "see to what changes",
        _ => "look at it again",
    }) + (What.Trim().Length > 0 ? ": " + What.Trim() : string.Empty);

    // How long after the hand-over (own rule; straps and screws settle in the first weeks).
    private int Days => Kind switch { CareKind.Straps or CareKind.VehicleScrews => 28, CareKind.Temporary => 90, _ => 365 };

    /// <summary>When it is due.</summary>
    /// <param name="sheet">The job's sheet.</param>
    /// <returns>The day; null where what was said is not understood, or nothing was and the day of the hand-over is not known.</returns>
    public DateOnly? Due(JobSheet sheet) => SaidDue.Trim().Length > 0 ? DayTime.Read(SaidDue) : HandOverDay(sheet)?.AddDays(Days);

    /// <summary>When it is due, or was done, in words.</summary>
    /// <param name="sheet">The job's sheet.</param>
    /// <param name="today">The day that it is.</param>
    /// <returns>The words.</returns>
    public string When(JobSheet sheet, DateOnly today) => Done.Length > 0 ? $"done {Done}{(By.Length > 0 ? ", " + By : string.Empty)}"
        : Due(sheet) is { } on ? $"{(on < today ? "was due" : "due")} {on.ToString("d MMM yyyy", CultureInfo.InvariantCulture)}"
        : SaidDue.Trim().Length > 0 ? $"'{SaidDue.Trim()}' is not understood; expected: a day such as 2026-12-27"
        : "after the hand-over, whose day is not set";

    /// <summary>The day of a job's hand-over: when it was signed, or the last visit for it or for the install.</summary>
    /// <param name="sheet">The job's sheet.</param>
    /// <returns>The day; null where nobody has said.</returns>
    public static DateOnly? HandOverDay(JobSheet sheet) =>
        (sheet.Get(HandedOver.Part) is { By.Length: > 0 } signed ? DayTime.Read(signed.On.Split(' ')[0]) : null)
        ?? (sheet.Get(Visit.Part) ?? []).Where(v => v.For is VisitFor.HandOver or VisitFor.Install).OrderByDescending(v => v.For).Select(v => DayTime.Read(v.On)).Where(d => d is not null).DefaultIfEmpty(null).First();
}
