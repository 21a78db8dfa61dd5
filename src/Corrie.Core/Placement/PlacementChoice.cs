using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Core.Placement;

/// <summary>Which line of a thing a height is given for.</summary>
public enum Edge
{
    /// <summary>Its bottom edge.</summary>
    Bottom,

    /// <summary>Its middle.</summary>
    Centre,

    /// <summary>Its top edge.</summary>
    Top,
}

/// <summary>The school by which a height is chosen.</summary>
public enum School
{
    /// <summary>Centre at seated eye height.</summary>
    EyeLine,

    /// <summary>Just above what stands below.</summary>
    AsLowAsItGoes,

    /// <summary>For people who stand.</summary>
    Standing,

    /// <summary>Over a mantel.</summary>
    OverAMantel,

    /// <summary>Centre near the eye of somebody walking by.</summary>
    HungAsArt,

    /// <summary>Lined up with the room or another display.</summary>
    LineUp,

    /// <summary>Clear of furniture that will change.</summary>
    AboveFurnitureToBeChanged,
}

/// <summary>Somebody who watches.</summary>
/// <param name="Id">Short key in the sheet.</param>
/// <param name="Name">Which seat or place.</param>
/// <param name="Eye">Eye height over the floor.</param>
/// <param name="Distance">Eye to screen, level.</param>
/// <param name="Recline">How far a recliner leans back; the comfortable centre line rises by as much.</param>
/// <param name="Seated">Whether they sit.</param>
/// <param name="Wall">The wall that they face; empty for the first one.</param>
/// <param name="For">The display that they watch; empty for all of the wall's.</param>
public sealed record Viewer(string Id, string Name, Length Eye, Length Distance, Angle Recline, bool Seated, string Wall, string For)
{
    /// <summary>Where they are along the wall, from its left corner; null for before the middle of what they watch.</summary>
    public Length? Across { get; init; }
}

/// <summary>What has to be read in a picture.</summary>
/// <param name="Detail">The smallest letter or line, in per cent of the picture's height; null where nobody has said.</param>
public sealed record ToBeRead(double? Detail);

/// <summary>The client's consent to a position.</summary>
/// <param name="By">Who consented.</param>
/// <param name="Centre">Height of the centre that they consented to.</param>
/// <param name="Across">Its centre from the left corner.</param>
public sealed record Approval(string By, Length Centre, Length Across)
{
    /// <summary>The picture of the wall with the plan on it that they looked at: SHA-256 of the file; null for none.</summary>
    public string? Picture { get; init; }
}

/// <summary>Where a thing is wanted.</summary>
/// <param name="School">How the height is chosen.</param>
/// <param name="Reason">Why that one.</param>
/// <param name="Given">Which of its lines the height is for.</param>
/// <param name="Height">That line over the floor.</param>
/// <param name="Over">The centre line it hangs on: <c>wall</c>, a feature's key, or null for a reading.</param>
/// <param name="Across">Where <paramref name="Over"/> is null: the centre from the left corner; else how far right of that centre line.</param>
/// <param name="GapBelow">Least gap to what stands below; null for the company's.</param>
/// <param name="GapAbove">Least gap to what is above.</param>
/// <param name="Approval">The client's consent, if given.</param>
/// <param name="Here">Where the choice stands in the document.</param>
public sealed record PlacementChoice(
    School School, string Reason, Edge Given, Length Height, string? Over, Length Across, Length? GapBelow, Length GapAbove, Approval? Approval, Place Here)
{
    private static readonly GroupShape<Approval> Consent = new("the client's consent", m => new Approval(
        m.Need("by", new TextShape("who consented", 80)),
        m.Length("centre", "height of the centre consented to", LengthRange.Along),
        m.Length("across", "its centre from the left corner", LengthRange.Along))
    {
        Picture = m.Part("picture", new TextShape("the picture of the wall with the plan on it that they looked at: SHA-256 of the file, in hexadecimal figures", 64)),
    });

    private static readonly GroupShape<Viewer> Seat = new("a seat", m => new Viewer(
        m.Key,
        m.Text("name", "which seat or place", 80) is { Length: > 0 } name ? name : "seat",
        m.Length("eye", "eye height over the floor", LengthRange.Size),
        m.Length("distance", "eye to screen", LengthRange.From(Length.FromUnits(1))),
        m.Or("recline", new AngleShape("how far a recliner leans back"), default),
        m.Yes("seated", "whether they sit", true),
        m.Part("wall", new TextShape("the wall that they face; the first one where nothing is said", 24, Names.Wall)) ?? string.Empty,
        m.Part("for", new TextShape("the display that they watch; all of the wall's where nothing is said", 24, Names.Item)) ?? string.Empty)
    {
        Across = m.MaybeLength("across", "where they are along the wall, from the left corner", LengthRange.EitherWay),
    });

    /// <summary>Where a thing goes: nothing as long as no height is given.</summary>
    public static Part<PlacementChoice?> Part { get; } = new(
        Holder.Item, "place", new GroupShape<PlacementChoice?>("where it goes", Taken), kind => kind.IsPlaced);

    /// <summary>What has to be read in the picture, from the farthest seat.</summary>
    public static Part<ToBeRead> Read { get; } = new(Holder.Item, "read", new GroupShape<ToBeRead>("what has to be read in the picture", m => new ToBeRead(
        m.Maybe("detail", new NumberShape("smallest letter or line, in per cent of the picture's height", 0.1, 50)))), kind => kind == Catalogue.Display.Kind);

    /// <summary>Who watches.</summary>
    public static Part<IReadOnlyList<Viewer>> Seats { get; } = new(Holder.Job, "seats", new MapShape<Viewer>("who watches", Seat, 60));

    /// <summary>The change that puts the bottom edge at a height, whichever line is given.</summary>
    /// <param name="bottom">The bottom edge over the floor.</param>
    /// <param name="outerHeight">The thing's outer height.</param>
    /// <returns>The change.</returns>
    public Change BottomAt(Length bottom, Length outerHeight) => Here.Set("height", GivenOf(Given, bottom, outerHeight));

    /// <summary>The changes that put the centre at a reading from the left corner.</summary>
    /// <param name="centre">The centre line from the left corner.</param>
    /// <returns>The changes.</returns>
    public IReadOnlyList<Change> CentreAt(Length centre) => [Here.Clear("over"), Here.Set("across", centre)];

    /// <summary>
    /// What has to be changed along with a choice of what a number means, so that the thing stays where it is: whoever says 'given for its top'
    /// or 'centred on the mantel' means the same place, in other figures.
    /// </summary>
    /// <param name="changes">The changes that are to be made.</param>
    /// <param name="outer">Where the thing is.</param>
    /// <param name="wall">The wall as surveyed.</param>
    /// <returns>Further changes; none where the numbers themselves are changed, or none has been given.</returns>
    public IReadOnlyList<Change> Keeping(IReadOnlyList<Change> changes, Rect outer, Wall wall)
    {
        bool Has(string member, out Change change) => (change = changes.FirstOrDefault(c => c.Path == $"{Here.Pointer}/{member}")!) is not null;
        var more = new List<Change>();
        if (Has("given", out var given) && !Has("height", out _))
        {
            more.Add(Here.Set("height", GivenOf(Choices.Of<Edge>((string?)given.Value) ?? Edge.Bottom, outer.Bottom, outer.Height)));
        }

        // Where no number stands there the middle is meant, and it is the middle of the next thing then.
        if (Has("over", out var over) && !Has("across", out _) && (Over is null || Across != Length.Zero))
        {
            more.Add(Here.Set("across", outer.CentreX - (CentreLine(wall, (string?)over.Value) ?? Length.Zero)));
        }

        return more;
    }

    /// <summary>The centre line that a thing can hang on.</summary>
    /// <param name="wall">The wall as surveyed.</param>
    /// <param name="over">What it is centred on: <c>wall</c>, or a feature's key, or null for a reading from the left corner.</param>
    /// <returns>From the left corner; null for a reading.</returns>
    internal static Length? CentreLine(Wall wall, string? over) => over switch
    {
        null => null,
        "wall" => wall.Centre,
        var id => wall.Features.FirstOrDefault(f => f.Id == id)?.Centre ?? wall.Centre,
    };

    /// <summary>The bottom edge from the height that is given.</summary>
    /// <param name="given">Which line the height is for.</param>
    /// <param name="height">That line over the floor.</param>
    /// <param name="outerHeight">The thing's outer height.</param>
    /// <returns>The bottom edge over the floor.</returns>
    public static Length BottomOf(Edge given, Length height, Length outerHeight) => given switch
    {
        Edge.Bottom => height,
        Edge.Centre => height - outerHeight.Half,
        _ => height - outerHeight,
    };

    /// <summary>The line that is given, from the bottom edge: the other way round.</summary>
    /// <param name="given">Which line the height is for.</param>
    /// <param name="bottom">The bottom edge over the floor.</param>
    /// <param name="outerHeight">The thing's outer height.</param>
    /// <returns>That line over the floor.</returns>
    public static Length GivenOf(Edge given, Length bottom, Length outerHeight) => given switch
    {
        Edge.Bottom => bottom,
        Edge.Centre => bottom + outerHeight.Half,
        _ => bottom + outerHeight,
    };

    private static PlacementChoice? Taken(Members m)
    {
        var height = m.MaybeLength("height", "height over the floor", LengthRange.Along);
        var given = m.Choice("given", "given for its", Edge.Bottom);
        var across = m.MaybeLength("across", "centre from the left corner, or right of what it is centred on", LengthRange.EitherWay);
        var over = m.Part("over", new TextShape("centred on", 24, Names.CentreLine));
        var school = m.Choice("school", "height chosen as", School.EyeLine);
        var below = m.MaybeLength("gapBelow", "least gap to what stands below", LengthRange.Distance);
        var above = m.Length("gapAbove", "least gap to what is above", LengthRange.Distance, Length.Zero);
        var reason = m.Text("reason", "because", 300);
        var approval = m.Part("approval", Consent);
        // Nothing said sideways means the middle of the wall.
        return height is null ? null : new(
            school, reason, given, height.Value, over ?? (across is null ? "wall" : null), across ?? Length.Zero, below, above, approval, m.Here);
    }
}
