using Corrie.Core.Catalogue;
using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Core.Planning;

namespace Corrie.Core.Masonry;

/// <summary>Gaps behind a plate, or a board of its size, that was held level against the wall.</summary>
/// <param name="Points">Where gaps were measured: at the plate's holes, and further ones.</param>
/// <param name="Farther">How much farther out the plate is to be held than when they were measured.</param>
/// <param name="By">Who measured.</param>
/// <param name="Here">Where they stand in the document.</param>
public sealed record Gaps(Same<GapPoint> Points, Length Farther, string By, Place Here)
{
    /// <summary>A gap counts for a hole that is no farther away than that (own rule: a finger's breadth of stone).</summary>
    public static readonly Length Near = Length.Tape(0, 1, 2);

    private static readonly GroupShape<GapPoint> PointForm = new("a gap", m => new GapPoint(
        m.Key,
        m.Length("x", "where, from the left corner", LengthRange.Along),
        m.Length("y", "over the floor", LengthRange.Along),
        m.Length("gap", "from the plate's back to the stone", new(Length.Zero, Length.Tape(12)))));

    /// <summary>What was measured behind a plate.</summary>
    public static Part<Gaps> Part { get; } = new(Holder.Item, "gaps", new GroupShape<Gaps>("gaps behind the plate, held level against the wall", m => new Gaps(
        new(m.Map("points", "where gaps were measured", PointForm, 80)),
        m.Length("farther", "how much farther out the plate is to be held", new(Length.Zero, Length.Tape(2)), Length.Zero),
        m.Text("by", "who measured", 80),
        m.Here)), kind => kind == Mount.Kind);

    /// <summary>Two gaps at one place that differ by more were not both read right: a tape behind a plate is good to that (common practice).</summary>
    public static readonly Length Agree = Length.Tape(0, 1, 8);

    /// <summary>Gaps at a place that do not agree.</summary>
    /// <param name="x">From the left corner.</param>
    /// <param name="y">Over the floor.</param>
    /// <returns>The narrowest and the widest; null where they agree.</returns>
    public (Length Narrow, Length Wide)? Disputed(Length x, Length y)
    {
        var here = Points.Items.Where(p => Math.Sqrt(Math.Pow((p.X - x).Inches, 2) + Math.Pow((p.Y - y).Inches, 2)) <= Near.Inches).Select(p => p.Gap).ToList();
        return here.Count > 1 && here.Max() - here.Min() > Agree ? (here.Min(), here.Max()) : null;
    }

    /// <summary>The gap at a place, with what the plate is held farther out.</summary>
    /// <param name="x">From the left corner.</param>
    /// <param name="y">Over the floor.</param>
    /// <returns>The gap; null where nobody measured near enough, or what was measured there does not agree.</returns>
    public Length? At(Length x, Length y)
    {
        GapPoint? nearest = null;
        var least = double.PositiveInfinity;
        foreach (var point in Points.Items)
        {
            var away = Math.Sqrt(Math.Pow((point.X - x).Inches, 2) + Math.Pow((point.Y - y).Inches, 2));
            if (away < least)
            {
                (nearest, least) = (point, away);
            }
        }

        return nearest is { } found && least <= Near.Inches && Disputed(x, y) is null ? found.Gap + Farther : null;
    }
}
