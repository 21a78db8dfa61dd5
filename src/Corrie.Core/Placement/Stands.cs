using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Core.Planning;

namespace Corrie.Core.Placement;

/// <summary>Where a device stands that is not fixed to the wall: in a cupboard, on a shelf, in an enclosure.</summary>
/// <param name="In">Key of the furniture, of what else is on the wall, or of the enclosure; empty where nobody has said.</param>
/// <param name="Up">Its ports over the floor; null for the middle of what it stands in.</param>
/// <param name="Across">Its ports from the left corner; null likewise.</param>
public sealed record Stands(string In, Length? Up, Length? Across)
{
    /// <summary>Where a device or a bar stands.</summary>
    public static Part<Stands> Part { get; } = new(
        Holder.Item, "stands", new GroupShape<Stands>("where it stands, if it is not fixed to the wall", m => new Stands(
            m.Part("in", new TextShape("in or on what it stands", 32, Names.FeedEnd)) ?? string.Empty,
            m.MaybeLength("up", "its ports over the floor, unless in the middle of that", LengthRange.Along),
            m.MaybeLength("across", "its ports from the left corner, unless in the middle of that", LengthRange.Along))),
        kind => kind.Word is "device" or "soundbar");
}
