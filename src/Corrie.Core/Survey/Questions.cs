using Corrie.Core.Measure;

namespace Corrie.Core.Survey;

/// <summary>What is known of a flue behind the wall.</summary>
public enum FlueState
{
    /// <summary>There is none.</summary>
    None,

    /// <summary>There is one, and nothing is lit in it any more.</summary>
    Dead,

    /// <summary>There is one in use.</summary>
    Live,
}

/// <summary>Questions about a wall that change the job; null as long as nobody has answered.</summary>
/// <param name="Flue">The flue.</param>
/// <param name="Gas">Whether gas runs near.</param>
/// <param name="FireRated">Whether the wall is fire-rated or a party wall.</param>
/// <param name="Insulated">Whether it is an outside wall with insulation.</param>
/// <param name="MayCut">Whether it may be cut: owned, or the owner agrees.</param>
public sealed record WallQuestions(FlueState? Flue, bool? Gas, bool? FireRated, bool? Insulated, bool? MayCut)
{
    /// <summary>Nothing answered.</summary>
    public static WallQuestions Open { get; } = new(null, null, null, null, null);

    /// <summary>What shows that nothing is lit in the flue any more; null where nobody has shown it.</summary>
    public DeadFlue? DeadFlue { get; init; }

    /// <summary>Whether a flue counts as in use: one that is called dead is, until that has been shown. What nobody has asked is another matter.</summary>
    public bool FlueMayBeLive => Flue is FlueState.Live || (Flue is FlueState.Dead && DeadFlue is not { Shown: true });
}

/// <summary>What shows that nothing is lit in a flue any more.</summary>
/// <param name="ApplianceGone">Whether the appliance is gone.</param>
/// <param name="ClosedOff">Whether the flue is closed off.</param>
/// <param name="Photo">Key of a photo of that.</param>
/// <param name="By">Who has seen it.</param>
public sealed record DeadFlue(bool ApplianceGone, bool ClosedOff, string Photo, string By)
{
    /// <summary>Whether all of it is there: gone, closed off, a photo and a name.</summary>
    public bool Shown => ApplianceGone && ClosedOff && Photo.Length > 0 && By.Length > 0;
}

/// <summary>What a bit met behind the layers.</summary>
public enum BehindLayers
{
    /// <summary>Wood: a member, blocking, sheathing on it.</summary>
    Wood,

    /// <summary>Nothing: it dropped.</summary>
    Void,

    /// <summary>Metal.</summary>
    Metal,

    /// <summary>More of the last layer: the hole ends in it.</summary>
    Same,
}

/// <summary>How layers sounded and drilled.</summary>
public enum LayerSound
{
    /// <summary>Sound.</summary>
    Sound,

    /// <summary>Hollow under the knuckles.</summary>
    Hollow,

    /// <summary>It crumbles.</summary>
    Crumbling,

    /// <summary>Sooty.</summary>
    Sooty,
}

/// <summary>What is known of the house; null as long as nobody has answered.</summary>
/// <param name="Built">Year in which it was built.</param>
/// <param name="Renovation">When renovation or demolition is foreseen; null where it is not.</param>
/// <param name="SmallHands">Whether small children or pets reach what hangs loose.</param>
public sealed record SiteFacts(int? Built, string? Renovation, bool? SmallHands)
{
    /// <summary>Nothing answered.</summary>
    public static SiteFacts Open { get; } = new(null, null, null);
}

/// <summary>A cross that the client has put on the wall.</summary>
/// <param name="Id">Short key in the sheet.</param>
/// <param name="X">From the left corner.</param>
/// <param name="Y">Over the floor.</param>
/// <param name="StandsFor">The point that it stands for, such as centre or bottom edge; null as long as nobody has asked.</param>
public sealed record ClientCross(string Id, Length X, Length Y, string? StandsFor);

/// <summary>A hole through the layers, made to see what they are.</summary>
/// <param name="Id">Short key in the sheet.</param>
/// <param name="X">From the left corner.</param>
/// <param name="Y">Over the floor.</param>
/// <param name="Layers">What it went through, from the room inwards.</param>
/// <param name="By">Who made it.</param>
public sealed record TestHole(string Id, Length X, Length Y, IReadOnlyList<(string Name, Length Thickness)> Layers, string By)
{
    /// <summary>How far a thickness may be off one that was entered.</summary>
    public static readonly Length Give = Length.Tape(0, 1, 8);

    /// <summary>What the bit met behind the layers; null where nobody has said.</summary>
    public BehindLayers? Behind { get; init; }

    /// <summary>How deep it went on biting in that; null where nobody has said.</summary>
    public Length? Bite { get; init; }

    /// <summary>Colour of the dust; empty where nobody has said.</summary>
    public string Dust { get; init; } = string.Empty;

    /// <summary>Whether it was taken back as wrong.</summary>
    public bool Struck { get; init; }

    /// <summary>Where it dropped: whether that is the gap between two members.</summary>
    public bool Gap { get; init; }

    /// <summary>How the layers sounded and drilled.</summary>
    public LayerSound Sound { get; init; }

    /// <summary>Where it stands in the document.</summary>
    public Format.Place Here { get; init; } = Format.Place.Nowhere;

    /// <summary>Whether it shows a layer of the build-up at its place, counted from the room inwards.</summary>
    /// <param name="layer">The layer.</param>
    /// <param name="place">Its place, from 0.</param>
    /// <returns>Whether name and thickness are the same, but for an eighth of an inch.</returns>
    public bool Shows(Layer layer, int place) =>
        place < Layers.Count && Same(Layers[place].Name, layer.Name) && (Layers[place].Thickness - layer.Thickness).Abs <= Give;

    /// <summary>Whether two names mean the same layer.</summary>
    /// <param name="a">A name.</param>
    /// <param name="b">Another.</param>
    /// <returns>Whether they are the same but for capitals and spaces around.</returns>
    public static bool Same(string a, string b) => string.Equals(a.Trim(), b.Trim(), StringComparison.OrdinalIgnoreCase);
}

/// <summary>A place that has to be free of members, such as where a box is to go.</summary>
/// <param name="Id">Short key in the sheet.</param>
/// <param name="Name">What is to go there.</param>
/// <param name="Area">The rectangle on the wall.</param>
public sealed record FreePlace(string Id, string Name, Rect Area);

/// <summary>How far a casing's edges stand from the opening in the wall, on both faces.</summary>
/// <param name="HereInner">Inner edge on this face.</param>
/// <param name="HereOuter">Outer edge on this face: the feature's own left and right.</param>
/// <param name="ThereInner">Inner edge on the other face.</param>
/// <param name="ThereOuter">Outer edge on the other face.</param>
public sealed record Casing(Length HereInner, Length HereOuter, Length ThereInner, Length ThereOuter);

/// <summary>A photo, pinned to what it shows.</summary>
/// <param name="Id">Short key in the sheet.</param>
/// <param name="Of">What it shows: <c>wall</c>, a feature's key, or <c>evidence/</c> and a key.</param>
/// <param name="Picture">Name of the picture.</param>
/// <param name="Says">What is to be seen.</param>
/// <param name="By">Who took it.</param>
public sealed record Photo(string Id, string Of, string Picture, string Says, string By);
