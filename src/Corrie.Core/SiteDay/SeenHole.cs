using Corrie.Core.Findings;
using Corrie.Core.Fixing;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Core.SiteDay;

/// <summary>A drilled hole as a squared photo shows it, held against the plan.</summary>
/// <param name="Mount">The mount that it is for.</param>
/// <param name="Number">Number of the bolt.</param>
/// <param name="PlannedX">Where it is planned, from the left corner.</param>
/// <param name="PlannedY">Where it is planned, over the floor.</param>
/// <param name="X">Where the photo shows it.</param>
/// <param name="Y">Where the photo shows it, over the floor.</param>
public sealed record SeenHole(Item Mount, int Number, Length PlannedX, Length PlannedY, Length X, Length Y)
{
    /// <summary>So far a hole may be off (common practice).</summary>
    public static readonly Length Allowed = Length.Tape(0, 1, 8);

    /// <summary>How far it is off.</summary>
    public Length Off => Length.FromInches(Math.Sqrt(Math.Pow((X - PlannedX).Inches, 2) + Math.Pow((Y - PlannedY).Inches, 2)));

    /// <summary>Whether it is farther off than it may be.</summary>
    public bool IsOff => Off > Allowed;

    /// <summary>What is said of it.</summary>
    /// <returns>Which hole it is, and how far off to which sides.</returns>
    public Phrase Says() => !IsOff ? Phrase.Of($"Hole {Number} of the {Mount.Name} is where it belongs, {Off:fine} off.")
        : Phrase.Of($"Hole {Number} of the {Mount.Name} is off: {(X - PlannedX).Abs:fine} to the {(X < PlannedX ? "left" : "right")} and {(Y - PlannedY).Abs:fine} {(Y < PlannedY ? "low" : "high")}. Measure it on the wall before anything is drilled anew.");

    /// <summary>How a bolt's hole is called on a photo.</summary>
    /// <param name="mount">Key of the mount.</param>
    /// <param name="number">Number of the bolt.</param>
    /// <returns>The key.</returns>
    public static string KeyOf(string mount, int number) => $"{mount}-{number}";

    /// <summary>The holes that a wall's squared photo shows.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="wall">The wall.</param>
    /// <returns>The holes, those that are off first; none where the photo is not squared.</returns>
    public static IReadOnlyList<SeenHole> Of(JobPlan plan, WallSheet wall)
    {
        if (SquaredPhoto.Of(plan, wall.Id)?.ToWall is not { } toWall || wall.Get(SquaredChoice.Part) is not { } choice)
        {
            return [];
        }

        SeenHole At(Item mount, Bolt bolt, PhotoHole seen)
        {
            var (across, up) = toWall.Map(seen.X, seen.Y);
            return new(mount, bolt.Number, bolt.X, bolt.Y, Length.FromInches(across), Length.FromInches(up));
        }

        return
        [
            .. plan.Sheet.ThingsOn(wall).Select(m => (Mount: m, Bolts: plan.Fixing(m.Id)?.Bolts ?? []))
                .SelectMany(m => m.Bolts.Select(b => (m.Mount, Bolt: b, Seen: choice.Holes.FirstOrDefault(h => h.Id == KeyOf(m.Mount.Id, b.Number)))))
                .Where(h => h.Seen is not null).Select(h => At(h.Mount, h.Bolt, h.Seen!)).OrderByDescending(h => h.Off),
        ];
    }
}
