using Corrie.Core.Catalogue;
using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Core.Planning;

namespace Corrie.Core.Placement;

/// <summary>Which way sockets face.</summary>
public enum SocketsFace
{
    /// <summary>Up: plugs go in from above, and their cables do not hang.</summary>
    Up,

    /// <summary>To a side.</summary>
    Side,

    /// <summary>Down.</summary>
    Down,
}

/// <summary>Where a device is that has no mount: in a cupboard, on a shelf, in an enclosure, or on small brackets behind a display.</summary>
/// <param name="In">Key of the furniture, of what else is on the wall, of the enclosure or of the display that it is behind; empty where nobody has said.</param>
/// <param name="Up">Its ports over the floor, behind a display its middle; null for the middle of what it stands in.</param>
/// <param name="Across">Its ports from the left corner, behind a display its middle; null likewise.</param>
/// <param name="Sockets">Behind a display: which way its sockets face; null where nobody has said.</param>
/// <param name="Carries">Behind a display: what its brackets carry together; null where nobody has said.</param>
/// <param name="Here">Where it stands in the document.</param>
public sealed record Stands(string In, Length? Up, Length? Across, SocketsFace? Sockets, Mass? Carries, Place Here)
{
    /// <summary>Where a device or a bar stands.</summary>
    public static Part<Stands> Part { get; } = new(
        Holder.Item, "stands", new GroupShape<Stands>("where it stands, if it is not fixed to the wall", m => new Stands(
            m.Part("in", new TextShape("in or on what it stands", 32, Names.FeedEnd)) ?? string.Empty,
            m.MaybeLength("up", "its ports over the floor, unless in the middle of that; behind a display its own middle", LengthRange.Along),
            m.MaybeLength("across", "its ports from the left corner, unless in the middle of that; behind a display its own middle", LengthRange.Along),
            m.Maybe("sockets", new ChoiceShape<SocketsFace>("behind a display: which way its sockets face")),
            m.Maybe("carries", new MassShape("behind a display: what its brackets carry together", overZero: true)),
            m.Here)),
        kind => kind == Thing.Device || kind == Thing.Soundbar);
}
