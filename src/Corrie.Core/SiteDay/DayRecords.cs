using System.Globalization;
using Corrie.Core.Catalogue;
using Corrie.Core.Feeds;
using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Core.Planning;

namespace Corrie.Core.SiteDay;

/// <summary>What a visit is for.</summary>
public enum VisitFor
{
    /// <summary>The wall is surveyed.</summary>
    Survey,

    /// <summary>A licensed electrician works at mains.</summary>
    Electrician,

    /// <summary>Things are put up.</summary>
    Install,

    /// <summary>The client is shown everything, and signs.</summary>
    HandOver,
}

/// <summary>A visit.</summary>
/// <param name="Id">Its key.</param>
/// <param name="On">Its day, as year, month and day.</param>
/// <param name="For">What it is for.</param>
/// <param name="People">Who comes.</param>
/// <param name="Note">What else is to know.</param>
public sealed record Visit(string Id, string On, VisitFor For, Same<string> People, string Note)
{
    /// <summary>Whether a platform comes along, on which those stand who lift.</summary>
    public bool Platform { get; init; }

    /// <summary>Whether a lifting machine or a hoist comes along.</summary>
    public bool Machine { get; init; }

    /// <summary>The visits of a job.</summary>
    public static Part<IReadOnlyList<Visit>> Part { get; } = new(Holder.Job, "visits", new MapShape<Visit>("visits", new GroupShape<Visit>("a visit", m => new Visit(
        m.Key,
        m.Need("on", new TextShape("its day, such as 2026-11-27", 20)),
        m.Choice("for", "what it is for", VisitFor.Install),
        new([.. (m.Part("people", new ListShape<string>("who comes", new TextShape("a name", 60), 12, ListText.Commas("Tom, Ines"))) ?? []).Select(p => p.Trim()).Where(p => p.Length > 0).Distinct(StringComparer.OrdinalIgnoreCase)]),
        m.Text("note", "what else is to know", 200))
    {
        Platform = m.Yes("platform", "whether a platform comes along to lift from"),
        Machine = m.Yes("machine", "whether a lifting machine or hoist comes along"),
    }), 40));
}

/// <summary>A day with a time of day, where the job is.</summary>
/// <param name="Day">The day.</param>
/// <param name="Time">The time of day.</param>
public readonly record struct DayTime(DateOnly Day, TimeOnly Time)
{
    /// <summary>How many hours it is after another.</summary>
    /// <param name="other">The other.</param>
    /// <returns>The hours; negative where it is before it.</returns>
    public double After(DayTime other) => ((Day.DayNumber - other.Day.DayNumber) * 24) + (Time.ToTimeSpan() - other.Time.ToTimeSpan()).TotalHours;

    /// <summary>It in figures.</summary>
    /// <returns>Year, month, day and time.</returns>
    public override string ToString() => Day.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture) + Time.ToString(" HH:mm", CultureInfo.InvariantCulture);

    /// <summary>Reads a day.</summary>
    /// <param name="text">Year, month and day, such as 2026-11-27.</param>
    /// <returns>The day; null where it is not understood.</returns>
    public static DateOnly? Read(string text) => DateOnly.TryParseExact(text.Trim(), "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out var day) ? day : null;
}

/// <summary>What dries.</summary>
public enum DryingKind
{
    /// <summary>Paint.</summary>
    Paint,

    /// <summary>Filler over a patch.</summary>
    Filler,

    /// <summary>Plaster or mortar.</summary>
    Plaster,

    /// <summary>Adhesive that something hangs on.</summary>
    Adhesive,
}

/// <summary>What dries on a wall.</summary>
/// <param name="Id">Its key.</param>
/// <param name="Kind">What it is.</param>
/// <param name="Since">Since when, as year, month and day, and the time of day.</param>
/// <param name="Hours">How long it takes, by its maker's sheet; null where nobody has looked.</param>
public sealed record Drying(string Id, DryingKind Kind, string Since, double? Hours)
{
    private static readonly string[] Times = ["HH:mm", "H:mm"];

    /// <summary>When it is dry; null where that cannot be told.</summary>
    public DayTime? Dry
    {
        get
        {
            if (Hours is not { } hours || Begins is not { } since)
            {
                return null;
            }

            var time = since.Time.Add(TimeSpan.FromHours(hours), out var days);
            return new(since.Day.AddDays(days), time);
        }
    }

    /// <summary>Since when, as a time; null where that is not understood. A day without a time counts to its end.</summary>
    public DayTime? Begins => Since.Split(' ', StringSplitOptions.RemoveEmptyEntries) switch
    {
        [var on] when DayTime.Read(on) is { } day => new(day.AddDays(1), TimeOnly.MinValue),
        [var on, var at] when DayTime.Read(on) is { } day && TimeOnly.TryParseExact(at, Times, CultureInfo.InvariantCulture, DateTimeStyles.None, out var time) => new(day, time),
        _ => null,
    };

    /// <summary>What dries on a wall.</summary>
    public static Part<IReadOnlyList<Drying>> Part { get; } = new(Holder.Wall, "drying", new MapShape<Drying>("what dries on the wall", new GroupShape<Drying>("something that dries", m => new Drying(
        m.Key,
        m.Choice("kind", "what dries", DryingKind.Filler),
        m.Need("since", new TextShape("since when, such as 2026-11-27 15:30", 20)),
        m.Maybe("hours", new NumberShape("how many hours it takes, by its maker's sheet", 0, 2000)))), 20));
}

/// <summary>How a thing came out of its box.</summary>
/// <param name="Opened">Whether it was opened, and its parts counted against the list.</param>
/// <param name="Missing">What is missing; empty for nothing.</param>
/// <param name="Works">Whether it was powered on once while it could still be returned; null where nobody has, false where it did not work.</param>
/// <param name="Serial">Its serial number.</param>
/// <param name="By">Who looked.</param>
/// <param name="Here">Where it stands in the document.</param>
public sealed record Receipt(bool Opened, string Missing, bool? Works, string Serial, string By, Place Here)
{
    /// <summary>How a thing came out of its box.</summary>
    public static Part<Receipt> Part { get; } = new(
        Holder.Item, "receipt", new GroupShape<Receipt>("how it came out of its box", m => new Receipt(
            m.Yes("opened", "whether its parts were counted against the list"),
            m.Text("missing", "what is missing", 200),
            m.Maybe("works", new YesNoShape("whether it worked when it was powered on once")),
            m.Text("serial", "its serial number", 60),
            m.Text("by", "who looked", 80),
            m.Here)),
        kind => kind == Display.Kind || kind == Mount.Kind || kind == Thing.Soundbar || kind == Thing.Device, always: true);
}

/// <summary>What holds a mount that somebody else put up.</summary>
public enum EarlierHold
{
    /// <summary>Bolts in studs, or in sound masonry.</summary>
    InMembers,

    /// <summary>Anchors in the board alone.</summary>
    InBoard,

    /// <summary>Nobody can see it.</summary>
    NotSeen,
}

/// <summary>A mount that somebody else put up: what is added hangs on it too.</summary>
/// <param name="Held">What holds it; null where nobody has looked.</param>
/// <param name="Moves">Whether anything moves; null where nobody has tried.</param>
/// <param name="By">Who looked behind.</param>
public sealed record EarlierInstall(EarlierHold? Held, bool? Moves, string By)
{
    /// <summary>What is known of it; nothing for a mount of one's own.</summary>
    public static Part<EarlierInstall> Part { get; } = new(
        Holder.Item, "earlier", new GroupShape<EarlierInstall>("put up by somebody else", m => new EarlierInstall(
            m.Maybe("held", new ChoiceShape<EarlierHold>("what holds it, seen from behind")),
            m.Maybe("moves", new YesNoShape("whether anything moves")),
            m.Text("by", "who looked behind", 80))),
        kind => kind == Mount.Kind);
}

/// <summary>Whether a client agreed.</summary>
public enum Agreed
{
    /// <summary>Nobody has asked.</summary>
    Open,

    /// <summary>Yes.</summary>
    Approved,

    /// <summary>No: it is not done, and what is unsafe is not put back into use.</summary>
    Refused,
}

/// <summary>Work beyond what was agreed, for what was found on site.</summary>
/// <param name="Id">Its key.</param>
/// <param name="Says">What was found, and what is to be done.</param>
/// <param name="Hours">More hours; null where nobody has said.</param>
/// <param name="Price">What it costs, in the company's money; null where nobody has said.</param>
/// <param name="State">What the client said.</param>
/// <param name="Signed">The name that was signed, drawn or typed.</param>
/// <param name="On">When.</param>
/// <param name="Begun">Whether the work has begun.</param>
/// <param name="Unsafe">Whether what was found is unsafe as it is.</param>
public sealed record ChangeOrder(string Id, string Says, double? Hours, double? Price, Agreed State, string Signed, string On, bool Begun, bool Unsafe)
{
    /// <summary>The signature as it was drawn, see <see cref="DrawnSignature"/>; empty for a typed one.</summary>
    public string Drawn { get; init; } = string.Empty;

    /// <summary>What the client was shown when they signed on the spot; empty where somebody entered their answer later.</summary>
    public string SignedFor { get; init; } = string.Empty;

    /// <summary>What is agreed to: words, hours and price.</summary>
    public string Offer => string.Create(CultureInfo.InvariantCulture, $"{Says} / {Hours?.ToString("0.##", CultureInfo.InvariantCulture) ?? "?"} h / {Price?.ToString("0.00", CultureInfo.InvariantCulture) ?? "?"}");

    /// <summary>Whether what was signed is no longer what it says.</summary>
    public bool Stale => SignedFor.Length > 0 && SignedFor != Offer;

    /// <summary>Whether somebody has agreed by name to what it says now.</summary>
    public bool Approved => State == Agreed.Approved && Licences.Given(Signed) && !Stale;

    /// <summary>The change orders of a job.</summary>
    public static Part<IReadOnlyList<ChangeOrder>> Part { get; } = new(Holder.Job, "changeOrders", new MapShape<ChangeOrder>("work beyond what was agreed", new GroupShape<ChangeOrder>("a change order", m => new ChangeOrder(
        m.Key,
        m.Need("says", new TextShape("what was found, and what is to be done", 400)),
        m.Maybe("hours", new NumberShape("more hours", 0, 1000)),
        m.Maybe("price", new NumberShape("what it costs, in the company's money", 0, 10_000_000)),
        m.Choice("state", "what the client said", Agreed.Open),
        m.Text("signed", "the name that was signed", 80),
        m.Text("on", "when", 40),
        m.Yes("begun", "whether the work has begun"),
        m.Yes("unsafe", "whether what was found is unsafe as it is"))
    {
        Drawn = m.Text("drawn", "the signature as it was drawn: strokes of M and L with whole numbers", DrawnSignature.Most),
        SignedFor = m.Text("signedFor", "what the client was shown when they signed", 500),
    }), 60));
}

/// <summary>What happened.</summary>
public enum IncidentKind
{
    /// <summary>An electric shock.</summary>
    Shock,

    /// <summary>Something fell.</summary>
    Drop,

    /// <summary>It nearly happened.</summary>
    NearMiss,

    /// <summary>Something else.</summary>
    Other,
}

/// <summary>A shock, a drop, a near miss.</summary>
/// <param name="Id">Its key.</param>
/// <param name="Kind">What happened.</param>
/// <param name="Says">In words.</param>
/// <param name="Cause">Why.</param>
/// <param name="Checked">What was checked after it.</param>
/// <param name="By">Who recorded it.</param>
/// <param name="On">When.</param>
public sealed record Incident(string Id, IncidentKind Kind, string Says, string Cause, string Checked, string By, string On)
{
    /// <summary>Whether its cause is known, and what followed from it was looked at by somebody by name.</summary>
    public bool Closed => Licences.Given(Cause) && Licences.Given(Checked) && Licences.Given(By);

    /// <summary>The incidents of a job.</summary>
    public static Part<IReadOnlyList<Incident>> Part { get; } = new(Holder.Job, "incidents", new MapShape<Incident>("shocks, drops, near misses", new GroupShape<Incident>("an incident", m => new Incident(
        m.Key,
        m.Choice("kind", "what happened", IncidentKind.NearMiss),
        m.Need("says", new TextShape("in words", 400)),
        m.Text("cause", "why", 200),
        m.Text("checked", "what was checked after it", 200),
        m.Text("by", "who recorded it", 80),
        m.Text("on", "when", 40))), 60));
}

/// <summary>A tool that was taken along.</summary>
/// <param name="Id">Its key.</param>
/// <param name="Name">What it is.</param>
/// <param name="Hired">Whether it is hired, and has to go back.</param>
/// <param name="Out">Who took it.</param>
/// <param name="Back">Who brought it back; empty as long as nobody has.</param>
public sealed record ToolOut(string Id, string Name, bool Hired, string Out, string Back)
{
    /// <summary>The tools of a job.</summary>
    public static Part<IReadOnlyList<ToolOut>> Part { get; } = new(Holder.Job, "tools", new MapShape<ToolOut>("tools taken along", new GroupShape<ToolOut>("a tool", m => new ToolOut(
        m.Key,
        m.Need("name", new TextShape("what it is", 80)),
        m.Yes("hired", "whether it is hired"),
        m.Text("out", "who took it", 80),
        m.Text("back", "who brought it back", 80))), 100));
}

/// <summary>Something that the client supplies.</summary>
/// <param name="Id">Its key.</param>
/// <param name="Name">What it is.</param>
/// <param name="Long">How long, for a cable; null for what has no length.</param>
/// <param name="There">Whether it is there.</param>
public sealed record ClientSupplied(string Id, string Name, Length? Long, bool There)
{
    /// <summary>On which day it comes, as year, month and day; empty where nobody has said.</summary>
    public string On { get; init; } = string.Empty;

    /// <summary>What the client of a job supplies.</summary>
    public static Part<IReadOnlyList<ClientSupplied>> Part { get; } = new(Holder.Job, "supplied", new MapShape<ClientSupplied>("what the client supplies", new GroupShape<ClientSupplied>("a thing of the client's", m => new ClientSupplied(
        m.Key,
        m.Need("name", new TextShape("what it is", 80)),
        m.MaybeLength("long", "how long, for a cable", LengthRange.From(Length.FromUnits(1))),
        m.Yes("there", "whether it is there"))
    { On = m.Text("on", "on which day it comes, such as 2026-11-27", 20) }), 60));
}

/// <summary>A step of the day that somebody has done.</summary>
/// <param name="Id">The step's key.</param>
/// <param name="By">Who.</param>
/// <param name="Note">What else there was to say; what was not as planned.</param>
/// <param name="AsPlanned">Whether it went as planned.</param>
public sealed record DayTick(string Id, string By, string Note, bool AsPlanned)
{
    /// <summary>What has been done of the day.</summary>
    public static Part<IReadOnlyList<DayTick>> Part { get; } = new(Holder.Job, "day", new MapShape<DayTick>("steps of the day that are done", new GroupShape<DayTick>("a step", m => new DayTick(
        m.Key,
        m.Text("by", "who", 80),
        m.Text("note", "what else there is to say", 300),
        m.Yes("asPlanned", "whether it went as planned", usual: true))), 500));
}

/// <summary>A photo of a step of the day.</summary>
/// <param name="Id">Its key.</param>
/// <param name="Step">Key of the step; it stays where a later plan has no such step.</param>
/// <param name="Picture">Name of the picture: SHA-256 of the file, in hexadecimal figures.</param>
/// <param name="Says">What is to be seen.</param>
/// <param name="By">Who took it.</param>
/// <param name="Notes">What was drawn on it; the picture itself stays as it is.</param>
public sealed record DayPhoto(string Id, string Step, string Picture, string Says, string By, Same<PhotoNote> Notes)
{
    /// <summary>The photos of a job's steps.</summary>
    public static Part<IReadOnlyList<DayPhoto>> Part { get; } = new(Holder.Job, "pictures", new MapShape<DayPhoto>("photos of steps of the day", new GroupShape<DayPhoto>("a photo of a step", m => new DayPhoto(
        m.Key,
        m.Need("step", new TextShape("key of the step", 60)),
        m.Need("picture", new TextShape("the name of the picture: SHA-256 of the file, in hexadecimal figures", 64)),
        m.Text("says", "what is to be seen", 200),
        m.Text("by", "who took it", 80),
        new(m.Map("notes", "arrows drawn on it", PhotoNote.Shape, 40)))), 400));
}

/// <summary>An arrow on a photo, from its words to what it points at. Places are shares of the picture, 0 to 1 from the left and from the top.</summary>
/// <param name="Id">Its key.</param>
/// <param name="X">Where its words stand.</param>
/// <param name="Y">Where its words stand.</param>
/// <param name="ToX">Where it points.</param>
/// <param name="ToY">Where it points.</param>
/// <param name="Says">Its words.</param>
/// <param name="By">Who drew it.</param>
public sealed record PhotoNote(string Id, double X, double Y, double ToX, double ToY, string Says, string By)
{
    /// <summary>An arrow, as it is described.</summary>
    internal static GroupShape<PhotoNote> Shape { get; } = new("an arrow", m => new PhotoNote(
        m.Key, Share(m, "x", "where its words stand, from the left"), Share(m, "y", "where its words stand, from the top"), Share(m, "toX", "where it points, from the left"), Share(m, "toY", "where it points, from the top"), m.Text("says", "its words", 120), m.Text("by", "who drew it", 80)));

    private static double Share(Members m, string name, string what) => m.Need(name, new NumberShape(what, 0, 1));
}
