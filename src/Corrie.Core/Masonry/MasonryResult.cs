using Corrie.Core.Measure;
using Corrie.Core.Planning;

namespace Corrie.Core.Masonry;

/// <summary>A hole of a plate, as the face sees it.</summary>
/// <param name="Number">Its number among the plate's holes, from 1.</param>
/// <param name="X">From the left corner.</param>
/// <param name="Y">Over the floor.</param>
/// <param name="Gap">The gap behind the plate there, as the plate is to be held; null where nobody has measured.</param>
/// <param name="Stack">What fills it; null where nobody has measured, or there is nothing to pack with.</param>
/// <param name="Rocks">Whether a bolt there tips the plate as long as nothing is packed.</param>
/// <param name="InJoint">Whether it is too near a joint.</param>
public sealed record FaceHole(int Number, Length X, Length Y, Length? Gap, PackStack? Stack, bool Rocks, bool InJoint);

/// <summary>What a face makes of a plate.</summary>
/// <param name="Holes">Its holes, in the order of setting out.</param>
/// <param name="Resting">How it rests on the face; null where nobody has measured enough gaps.</param>
/// <param name="Edge">The least distance from a hole's middle to a joint.</param>
/// <param name="Shift">The least shift that clears all joints; null where none does, or none is needed.</param>
/// <param name="Blocking">Pieces of blocking behind it.</param>
public sealed record FaceResult(IReadOnlyList<FaceHole> Holes, Resting? Resting, Length Edge, JointShift? Shift, IReadOnlyList<BlockingPiece> Blocking)
{
    /// <summary>Whether every hole has what fills its gap.</summary>
    public bool Packed => Holes.Count > 0 && Holes.All(h => h.Stack is { Fits: true });

    /// <summary>The gap at each hole, for the bolts' lengths; empty where nobody has measured any.</summary>
    public Same<Length?> Gaps => new(Holes.Any(h => h.Gap is not null) ? [.. Holes.Select(h => h.Gap)] : []);
}

/// <summary>What masonry has made of a job.</summary>
public static class MasonryResults
{
    /// <summary>What the face makes of a plate.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="mount">Key of the mount.</param>
    /// <returns>The result; null as long as it has no place, or the wall has nothing of stone and no closed opening.</returns>
    public static FaceResult? Face(this IHungResults plan, string mount) => plan.Get(MasonryStage.Result, mount);

    /// <summary>What is known of a wall's units.</summary>
    /// <param name="wall">The wall.</param>
    /// <returns>The answers; nothing known where nobody has entered any.</returns>
    public static MasonryFace Facework(this WallSheet wall) => wall.Get(MasonryFace.Part) ?? new(null, new([]), null, null, new([]), wall.Here.To("facework"));

    /// <summary>Whether anything of a wall is masonry's matter: stone, brick, a fire, a closed opening.</summary>
    /// <param name="wall">The wall as surveyed.</param>
    /// <returns>Whether it is.</returns>
    public static bool IsFaced(this Survey.Wall wall) =>
        wall.Kind == Catalogue.WallKind.Masonry || wall.Layers.Any(l => l.IsMineral()) || wall.Features.Any(f => f.Kind is Survey.FeatureKind.Fireplace or Survey.FeatureKind.ClosedOpening or Survey.FeatureKind.Flue);
}
