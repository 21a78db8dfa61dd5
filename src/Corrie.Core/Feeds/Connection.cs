using Corrie.Core.Catalogue;
using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Core.Planning;

namespace Corrie.Core.Feeds;

/// <summary>What plugs into what: one cable from port to port.</summary>
/// <param name="Id">Its key.</param>
/// <param name="From">What it comes from: a thing's key, or an outlet with its wall's key before it.</param>
/// <param name="FromPort">The port there.</param>
/// <param name="To">What it goes to.</param>
/// <param name="ToPort">The port there.</param>
/// <param name="Cable">The cable; null until one is chosen.</param>
/// <param name="Via">The way through a wall that it takes, with the wall's key before it; empty for none.</param>
/// <param name="Between">From wall to wall, where its ends or its way are on several: how far it runs there, measured; null where nobody has.</param>
/// <param name="Bought">How long the cable is that is there; null where it is yet to be bought.</param>
/// <param name="Label">What its labels say; empty for its key.</param>
/// <param name="Order">For network: the pair order at both ends.</param>
/// <param name="Tests">What the cable tester has shown.</param>
/// <param name="Here">Where it stands in the document.</param>
public sealed record Connection(
    string Id, string From, string FromPort, string To, string ToPort, Cable? Cable, string Via, Length? Between, Length? Bought, string Label, PairOrder Order, Same<WireTest> Tests, Place Here)
{
    private static readonly GroupShape<Connection> Form = new("a cable from port to port", m => new Connection(
        m.Key,
        m.Part("from", new TextShape("comes from", 50, Names.PortHolder)) ?? string.Empty,
        m.Text("fromPort", "the port there", 40),
        m.Part("to", new TextShape("goes to", 50, Names.PortHolder)) ?? string.Empty,
        m.Text("toPort", "the port there", 40),
        m.Part("cable", (Shape<Cable>)Cable.Kind.Form),
        m.Part("via", new TextShape("way through a wall, unless in the open", 50, Names.Route)) ?? string.Empty,
        m.MaybeLength("between", "from its port on another wall to its way or to its other end, measured along where it will run", LengthRange.From(Length.FromUnits(1))),
        m.MaybeLength("bought", "how long the cable is, where it is there already", LengthRange.From(Length.FromUnits(1))),
        m.Text("label", "what its labels say", 24),
        m.Choice("order", "for network: pair order at both ends", PairOrder.B),
        new(m.Map("tests", "what the cable tester has shown", WireTest.Form, 20)),
        m.Here));

    /// <summary>What its labels say.</summary>
    public string Says => Label.Length > 0 ? Label : Id.ToUpperInvariant();

    /// <summary>The cables of a job.</summary>
    public static Part<IReadOnlyList<Connection>> Part { get; } = new(Holder.Job, "connections", new MapShape<Connection>("what plugs into what", Form, 200));
}
