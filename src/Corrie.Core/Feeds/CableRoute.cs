using Corrie.Core.Catalogue;
using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Core.Planning;

namespace Corrie.Core.Feeds;

/// <summary>Which of the ways is taken.</summary>
public enum WayTaken
{
    /// <summary>The cheapest that is allowed.</summary>
    Cheapest,

    /// <summary>The cheapest other one through the wall.</summary>
    Next,

    /// <summary>Through the wall, whatever it costs.</summary>
    Inside,

    /// <summary>Over the surface, in a raceway.</summary>
    Surface,
}

/// <summary>A cable's way through a wall, from box to box: what is wanted of it.</summary>
/// <param name="Id">Its key.</param>
/// <param name="Name">What people call it.</param>
/// <param name="From">Key of the box or of what is on the wall where it begins.</param>
/// <param name="To">Where it ends.</param>
/// <param name="Power">Whether it brings mains.</param>
/// <param name="Taken">Which of the ways is taken.</param>
/// <param name="Conduit">What the cables run in.</param>
/// <param name="Trade">Its trade size; null for the smallest that will do.</param>
/// <param name="SaidHole">Diameter of the holes that are drilled; null for the smallest that will do.</param>
/// <param name="Places">Where it runs besides, each with a rating of its own.</param>
/// <param name="Mains">The mains cable in it.</param>
/// <param name="Shares">Key of a way of the other kind whose raceway or conduit it shares; empty for none.</param>
/// <param name="Divided">Whether a divider keeps them apart there.</param>
/// <param name="Wired">Who wired it, and with which licence; null until it is done.</param>
/// <param name="Here">Where it stands in the document.</param>
public sealed record CableRoute(
    string Id, string Name, string From, string To, bool Power, WayTaken Taken, ConduitKind Conduit, string? Trade, Length? SaidHole, Same<CableRating> Places, Cable? Mains, string Shares, bool Divided, Wired? Wired, Place Here)
{
    /// <summary>Inside of the raceway that is taken, width and height; null where nobody has chosen one.</summary>
    public (Length Wide, Length High)? Raceway { get; init; }

    /// <summary>What people call it, or by what it brings.</summary>
    public string Called => Name.Length > 0 ? Name : Power ? "power" : "signal";

    private static readonly GroupShape<CableRoute> Form = new("a cable's way", m =>
    {
        var wide = m.MaybeLength("racewayWide", "on the surface: inside width of the raceway", LengthRange.UpTo(Length.Tape(12)));
        var high = m.MaybeLength("racewayHigh", "on the surface: inside height of the raceway", LengthRange.UpTo(Length.Tape(12)));
        var power = m.Or("carries", new WordShape("what it brings: signal or power", "signal", "power"), "signal") == "power";
        return new CableRoute(
            m.Key,
            m.Text("name", "what people call it", 60),
            m.Part("from", new TextShape("where it begins", 32, Names.FeedEnd)) ?? string.Empty,
            m.Part("to", new TextShape("where it ends", 32, Names.FeedEnd)) ?? string.Empty,
            power,
            m.Choice("taken", "which way is taken", WayTaken.Cheapest),
            m.Choice("conduit", "what the cables run in", ConduitKind.None),
            m.Part("trade", new WordShape("trade size, if not the smallest that will do", [.. Feeds.Conduit.Trades])),
            m.MaybeLength("hole", "diameter of the holes drilled, if not the smallest that will do", LengthRange.UpTo(Length.Tape(6))),
            new([.. (m.Part("places", new ListShape<CableRating>("where it runs besides", new ChoiceShape<CableRating>("where it runs"), 6, ListText.Commas("in-wall, riser, plenum, outdoor, sun, buried"))) ?? []).Distinct().Order()]),
            m.Part("mains", (Shape<Cable>)Cable.Kind.Form),
            m.Text("shares", "the way whose raceway or tube it shares, by its key", 24),
            m.Yes("divided", "whether a divider keeps them apart there"),
            m.Part("wired", Feeds.Wired.Form),
            m.Here)
        {
            Raceway = wide is { } across && high is { } up ? (across, up) : null,
        };
    });

    /// <summary>The ways of a wall.</summary>
    public static Part<IReadOnlyList<CableRoute>> Part { get; } = new(Holder.Wall, "routes", new MapShape<CableRoute>("ways of cables through the wall", Form, 40));
}

/// <summary>Work at mains that is done.</summary>
/// <param name="By">Who did it.</param>
/// <param name="Licence">Their licence; empty where none is recorded.</param>
/// <param name="On">When.</param>
public sealed record Wired(string By, string Licence, string On)
{
    /// <summary>How it is described.</summary>
    internal static GroupShape<Wired> Form { get; } = new("work at mains that is done", m => new Wired(
        m.Need("by", new TextShape("who did it", 80)),
        m.Text("licence", "their licence", 40),
        m.Text("on", "when", 40)));
}
