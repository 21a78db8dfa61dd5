using Corrie.Core.Measure;
using Corrie.Core.Survey;

namespace Corrie.Core.Masonry;

/// <summary>Where a flue is, or may be.</summary>
/// <param name="Id">Key of what it was found by.</param>
/// <param name="Name">What people call it.</param>
/// <param name="Outline">Its outline on the wall.</param>
/// <param name="Begins">How far behind the face it begins; null where nobody knows.</param>
/// <param name="Assumed">Whether nobody has put it on the wall: it is taken to go up from the fire, as wide as that.</param>
public sealed record FluePlace(string Id, string Name, Rect Outline, Length? Begins, bool Assumed)
{
    /// <summary>What is left between a hole and a flue at the least (own rule: what a bit may run on by).</summary>
    public static readonly Length Cover = Length.Tape(1);

    /// <summary>Whether a hole reaches it.</summary>
    /// <param name="x">The hole from the left corner.</param>
    /// <param name="y">Over the floor.</param>
    /// <param name="radius">Half its diameter.</param>
    /// <param name="depth">How deep it is, from the face.</param>
    /// <returns>Whether it is beside less than an inch of what is left, or nobody knows how much that is.</returns>
    public bool IsReachedBy(Length x, Length y, Length radius, Length depth) =>
        Outline.Grown(Cover + radius).Holds(x, y) && (Begins is not { } begins || depth > begins - Cover);

    /// <summary>The flues of a wall that may be in use. One that is called dead counts until that is shown, and one that nobody has asked about counts over a fire.</summary>
    /// <param name="wall">The wall.</param>
    /// <param name="fire">What is known of the fire; null where nothing is.</param>
    /// <returns>The flues.</returns>
    public static IReadOnlyList<FluePlace> Of(Wall wall, Fire? fire)
    {
        var (answer, drawn) = (wall.Questions.Flue, wall.Features.Where(f => f.Kind == FeatureKind.Flue).ToList());
        // A wood fire has a flue, and so has a vented one, whatever the answer is.
        if (answer == FlueState.None && drawn.Count == 0 && fire is not ({ Fuel: FireFuel.Wood } or { Fuel: not FireFuel.Electric, Vented: true }))
        {
            return [];
        }

        if (answer == FlueState.Dead && wall.Questions.DeadFlue is { Shown: true } shown && wall.Photos.Any(p => p.Id == shown.Photo))
        {
            return [];
        }

        // Each fire has its own: one that is drawn is the flue of the fire that it stands over, and of no other.
        var found = drawn.Select(f => new FluePlace(f.Id, f.Name, f.Outline, f.Depth > Length.Zero ? f.Depth : null, false));
        return fire is { Fuel: FireFuel.Electric } or { Vented: false } ? [.. found]
            : [.. found, .. wall.Features.Where(f => f.Kind == FeatureKind.Fireplace && !drawn.Any(d => d.Overlaps(f.Left, f.Right))).Select(f => new FluePlace(f.Id, $"flue of the {f.Name}", Rect.Between(f.Left, f.Right, f.Top, wall.Height), null, true))];
    }
}
