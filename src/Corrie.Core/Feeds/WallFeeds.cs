using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Core.Planning;

namespace Corrie.Core.Feeds;

/// <summary>A bay that somebody has looked into, and found free of noggins.</summary>
/// <param name="Id">Its key.</param>
/// <param name="Across">Somewhere in the bay, from the left corner.</param>
/// <param name="From">Lower end of what was seen, over the floor.</param>
/// <param name="To">Upper end.</param>
/// <param name="By">Who looked.</param>
/// <param name="With">With what.</param>
public sealed record BayLook(string Id, Length Across, Length From, Length To, string By, string With);

/// <summary>What becomes of a receptacle or plate that would be behind a display.</summary>
public enum DeviceFate
{
    /// <summary>It is set back into the wall, so that a plug stays behind the face.</summary>
    Recessed,

    /// <summary>It is moved to where nothing is before it.</summary>
    Moved,

    /// <summary>It is out of use: its wires are capped in their box, under a blank cover that stays within reach.</summary>
    Blanked,

    /// <summary>Its wires are capped and pushed back into the wall.</summary>
    PushedBack,
}

/// <summary>What becomes of a receptacle or plate that is there.</summary>
/// <param name="Of">Its key among what is on the wall.</param>
/// <param name="Fate">What becomes of it.</param>
/// <param name="By">Who does it.</param>
/// <param name="Licence">Their licence; empty where none is recorded.</param>
/// <param name="Meets">For a signal outlet: how what it gave is met now.</param>
public sealed record OldDevice(string Of, DeviceFate Fate, string By, string Licence, string Meets);

/// <summary>What feeds have to know of a wall.</summary>
/// <param name="Bearing">Whether it bears, or is an outside wall; null where nobody has said, and it counts as bearing.</param>
/// <param name="Attic">Whether somebody gets at its top plate from above; null where nobody has looked.</param>
/// <param name="Basement">Whether somebody gets at its bottom plate from below; null likewise.</param>
/// <param name="Seal">The listed seal for holes in a fire-rated wall, and who puts it there; empty for none.</param>
/// <param name="Looks">Bays that somebody has looked into.</param>
/// <param name="Devices">What becomes of receptacles and plates that are there.</param>
/// <param name="Here">Where it stands in the document.</param>
public sealed record WallFeeds(bool? Bearing, bool? Attic, bool? Basement, string Seal, Same<BayLook> Looks, Same<OldDevice> Devices, Place Here)
{
    private static readonly GroupShape<BayLook> LookForm = new("a bay that was looked into", m => new BayLook(
        m.Key,
        m.Length("across", "somewhere in the bay, from the left corner", LengthRange.Along),
        m.Length("from", "lower end of what was seen free of noggins, over the floor", LengthRange.Along, Length.Zero),
        m.Length("to", "upper end", LengthRange.Along),
        m.Text("by", "who looked", 80),
        m.Text("with", "with what", 80)));

    private static readonly GroupShape<OldDevice> DeviceForm = new("what becomes of a receptacle or plate", m => new OldDevice(
        m.Key,
        m.Need("fate", new ChoiceShape<DeviceFate>("what becomes of it")),
        m.Text("by", "who does it", 80),
        m.Text("licence", "their licence", 40),
        m.Text("meets", "for a signal outlet: how what it gave is met now", 120)));

    /// <summary>What feeds have to know of a wall.</summary>
    public static Part<WallFeeds> Part { get; } = new(Holder.Wall, "feeds", new GroupShape<WallFeeds>("what cables have to know of the wall", m => new WallFeeds(
        m.Maybe("bearing", new YesNoShape("whether it bears, or is an outside wall")),
        m.Maybe("attic", new YesNoShape("whether its top plate can be reached from above")),
        m.Maybe("basement", new YesNoShape("whether its bottom plate can be reached from below")),
        m.Text("seal", "fire-rated: the listed seal for its holes, and who puts it there", 120),
        new(m.Map("looks", "bays that somebody has looked into", LookForm, 60)),
        new(m.Map("devices", "what becomes of receptacles and plates that are there, by their key", DeviceForm, 60)),
        m.Here)), always: true);
}
