using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Core.Planning;

namespace Corrie.Core.Masonry;

/// <summary>Regular courses of brick or block.</summary>
/// <param name="Course">From one bed joint's middle to the next.</param>
/// <param name="Joint">Thickness of a joint.</param>
/// <param name="FirstBed">Middle of a bed joint over the floor.</param>
/// <param name="Unit">From one upright joint's middle to the next in a course; null where upright joints are not known.</param>
/// <param name="FirstHead">Middle of an upright joint of the course over that bed joint, from the left corner.</param>
/// <param name="Offset">How far each course is shifted against the one under it.</param>
public sealed record Coursing(Length Course, Length Joint, Length FirstBed, Length? Unit, Length FirstHead, Length Offset);

/// <summary>A stone as it was traced on the wall.</summary>
/// <param name="Id">Its key.</param>
/// <param name="Outline">Its corners in turn, from the left corner and the floor; at least three.</param>
public sealed record TracedUnit(string Id, Same<(Length X, Length Y)> Outline);

/// <summary>A place where somebody knocked.</summary>
/// <param name="Id">Its key.</param>
/// <param name="X">From the left corner.</param>
/// <param name="Y">Over the floor.</param>
/// <param name="Sound">What was heard, or seen.</param>
/// <param name="By">Who knocked.</param>
public sealed record Knock(string Id, Length X, Length Y, Survey.LayerSound Sound, string By);

/// <summary>What is known of a masonry face: its units, its joints, how it sounds, how flat it is. What hangs goes into units; joints, which are repaired easily, are for clips and trim.</summary>
/// <param name="Courses">Its courses, where they are regular; null where they are not, or nobody has measured.</param>
/// <param name="Units">Its units as traced.</param>
/// <param name="SaidEdge">The least distance from a hole's middle to a joint, where somebody has said; null leaves it to the rule.</param>
/// <param name="SaidUneven">Whether the face is uneven, where somebody has said.</param>
/// <param name="Knocks">Places where somebody knocked.</param>
/// <param name="Here">Where it stands in the document.</param>
public sealed record MasonryFace(Coursing? Courses, Same<TracedUnit> Units, Length? SaidEdge, bool? SaidUneven, Same<Knock> Knocks, Place Here)
{
    /// <summary>Whether anything is known of its joints.</summary>
    public bool Known => Courses is not null || Units.Items.Count > 0;

    /// <summary>
    /// The least distance from a hole's middle to a joint's edge: what was said, the maker's edge distance where the unit has room for it, or one and a half diameters, so that the bit's rim
    /// keeps a diameter away (own rule, after the edge distance of a bolt in wood; no published table is for joints).
    /// </summary>
    /// <param name="hole">Diameter of the hole.</param>
    /// <returns>The distance.</returns>
    public Length Edge(Length hole) => SaidEdge is { } said ? Length.Max(said, hole.Half) : (hole * 3).Half;

    private static readonly GroupShape<Coursing> CourseForm = new("regular courses", m =>
    {
        var course = m.Length("course", "from one bed joint's middle to the next", new(Length.Tape(0, 1, 2), Length.Tape(40)));
        var joint = m.Length("joint", "thickness of a joint", new(Length.Zero, Length.Tape(3)), Length.Tape(0, 3, 8));
        var bed = m.Length("firstBed", "middle of any bed joint over the floor", LengthRange.Along, Length.Zero);
        var unit = m.MaybeLength("unit", "from one upright joint's middle to the next", new(Length.Tape(1), Length.Tape(80)));
        return new Coursing(
            course, joint, bed, unit,
            m.Length("firstHead", "middle of an upright joint in the course over that bed joint, from the left corner", LengthRange.Along, Length.Zero),
            m.Length("offset", "how far each course is shifted against the one under it", LengthRange.Distance, (unit ?? Length.Zero).Half));
    });

    private static readonly GroupShape<(Length, Length)> CornerForm = new("a corner", m => (
        m.Length("x", "from the left corner", LengthRange.Along), m.Length("y", "over the floor", LengthRange.Along)));

    private static readonly GroupShape<TracedUnit> UnitForm = new("a traced unit", m => new TracedUnit(
        m.Key, new(m.Need("outline", new ListShape<(Length X, Length Y)>("its corners in turn", CornerForm, 60)))));

    private static readonly GroupShape<Knock> KnockForm = new("a knock", m => new Knock(
        m.Key,
        m.Length("x", "from the left corner", LengthRange.Along),
        m.Length("y", "over the floor", LengthRange.Along),
        m.Choice("sound", "what was heard or seen", Survey.LayerSound.Sound),
        m.Text("by", "who", 80)));

    /// <summary>What is known of a wall's face.</summary>
    public static Part<MasonryFace> Part { get; } = new(Holder.Wall, "facework", new GroupShape<MasonryFace>("units and joints of the face", m => new MasonryFace(
        m.Part("courses", CourseForm),
        new(m.Map("units", "stones as they were traced", UnitForm, 400)),
        m.MaybeLength("edge", "least distance from a hole's middle to a joint", LengthRange.Distance),
        m.Maybe("uneven", new YesNoShape("whether the face is uneven, so that a plate does not lie flat")),
        new(m.Map("knocks", "places where somebody knocked", KnockForm, 100)),
        m.Here)));
}

/// <summary>Where on a face a hole is sound: in a unit, with its distance from every joint.</summary>
internal abstract class SoundFace
{
    /// <summary>The heights within a window at which a hole is sound.</summary>
    /// <param name="x">The hole from the left corner.</param>
    /// <param name="from">Lower end of the window.</param>
    /// <param name="to">Upper end.</param>
    /// <returns>Stretches of height, from the lowest on; they do not overlap.</returns>
    public abstract IReadOnlyList<(Length From, Length To)> Heights(Length x, Length from, Length to);

    /// <summary>Shifts to the side that may bring a set of holes into sound places where they were not.</summary>
    /// <param name="holes">The holes.</param>
    /// <param name="most">Farthest to either side.</param>
    /// <param name="up">How far they may go up or down.</param>
    /// <returns>The shifts, in any order.</returns>
    public abstract IEnumerable<Length> Sideways(IReadOnlyList<(Length X, Length Y)> holes, (Length Left, Length Right) most, Length up);

    /// <summary>Whether a hole is sound.</summary>
    /// <param name="x">From the left corner.</param>
    /// <param name="y">Over the floor.</param>
    /// <returns>Whether it is in a unit, with its distance from every joint.</returns>
    public bool Sound(Length x, Length y) => Heights(x, y, y).Count > 0;

    /// <summary>The face as it was measured or traced.</summary>
    /// <param name="face">What is known of it.</param>
    /// <param name="edge">Least distance from a hole's middle to a joint.</param>
    /// <returns>The face; null where nothing is known of its joints.</returns>
    public static SoundFace? Of(MasonryFace face, Length edge) => face.Units.Items.Count > 0 ? new TracedFace(face.Units.Items, edge) : face.Courses is { } courses ? new CoursedFace(courses, edge) : null;
}

/// <summary>Regular courses.</summary>
/// <param name="courses">The courses.</param>
/// <param name="edge">Least distance from a hole's middle to a joint's edge.</param>
internal sealed class CoursedFace(Coursing courses, Length edge) : SoundFace
{
    private readonly Length clear = courses.Joint.Half + edge;

    /// <inheritdoc/>
    public override IReadOnlyList<(Length From, Length To)> Heights(Length x, Length from, Length to)
    {
        var sound = new List<(Length, Length)>();
        for (var k = CourseAt(from) - 1; k <= CourseAt(to) + 1; k++)
        {
            var bed = courses.FirstBed + (courses.Course * k);
            var (low, high) = (Length.Max(from, bed + clear), Length.Min(to, bed + courses.Course - clear));
            if (low <= high && Beside(x, k))
            {
                sound.Add((low, high));
            }
        }

        return sound;
    }

    /// <inheritdoc/>
    public override IEnumerable<Length> Sideways(IReadOnlyList<(Length X, Length Y)> holes, (Length Left, Length Right) most, Length up)
    {
        if (courses.Unit is not { } unit)
        {
            yield break;
        }

        // A hole is as far as it has to be from an upright joint of one of the courses that it may come into.
        foreach (var (x, y) in holes)
        {
            for (var k = CourseAt(y - up); k <= CourseAt(y + up); k++)
            {
                foreach (var side in new[] { clear, -clear })
                {
                    var first = courses.FirstHead + (courses.Offset * k) + side - x;
                    for (var n = Floor(most.Left - first, unit); n <= Floor(most.Right - first, unit) + 1; n++)
                    {
                        if (first + (unit * n) is var shift && shift >= most.Left && shift <= most.Right)
                        {
                            yield return shift;
                        }
                    }
                }
            }
        }
    }

    private static int Floor(Length a, Length by) => (int)Math.Floor(a.Units / (double)by.Units);

    private int CourseAt(Length y) => Floor(y - courses.FirstBed, courses.Course);

    private bool Beside(Length x, int course)
    {
        if (courses.Unit is not { } unit)
        {
            return true;
        }

        var from = x - courses.FirstHead - (courses.Offset * course);
        var past = from - (unit * Floor(from, unit));
        return past >= clear && past <= unit - clear;
    }
}

/// <summary>Stones as they were traced: their outlines are the joints' edges.</summary>
/// <param name="units">The stones.</param>
/// <param name="edge">Least distance from a hole's middle to a joint's edge.</param>
internal sealed class TracedFace(IReadOnlyList<TracedUnit> units, Length edge) : SoundFace
{
    // What is traced by eye is not known finer.
    private static readonly Length Step = Length.Tape(0, 1, 32);

    private readonly (double X, double Y)[][] outlines = [.. units.Select(u => u.Outline.Items.Select(c => (c.X.Inches, c.Y.Inches)).ToArray()).Where(u => u.Length >= 3)];
    private readonly (double Left, double Right, double Bottom, double Top)[] around = [.. units.Where(u => u.Outline.Items.Count >= 3).Select(u => (
        u.Outline.Items.Min(c => c.X).Inches, u.Outline.Items.Max(c => c.X).Inches, u.Outline.Items.Min(c => c.Y).Inches, u.Outline.Items.Max(c => c.Y).Inches))];
    private readonly double keep = edge.Inches;

    /// <inheritdoc/>
    public override IReadOnlyList<(Length From, Length To)> Heights(Length x, Length from, Length to)
    {
        var sound = new List<(Length, Length)>();
        for (var i = 0; i < outlines.Length; i++)
        {
            // Most stones are elsewhere.
            if (x.Inches < around[i].Left || x.Inches > around[i].Right || to.Inches < around[i].Bottom || from.Inches > around[i].Top)
            {
                continue;
            }

            foreach (var (low, high) in Inside(outlines[i], x.Inches))
            {
                var (a, b) = (Length.Max(from, Up(low)), Length.Min(to, Down(high)));
                if (a <= b)
                {
                    sound.Add((a, b));
                }
            }
        }

        return [.. sound.Order()];
    }

    /// <inheritdoc/>
    public override IEnumerable<Length> Sideways(IReadOnlyList<(Length X, Length Y)> holes, (Length Left, Length Right) most, Length up)
    {
        for (var shift = Step; shift <= Length.Max(most.Right, -most.Left); shift += Step)
        {
            if (shift <= most.Right)
            {
                yield return shift;
            }

            if (-shift >= most.Left)
            {
                yield return -shift;
            }
        }
    }

    private static Length Up(double inches) => Length.FromUnits((long)Math.Ceiling((inches * Length.PerInch) - 1e-6));

    private static Length Down(double inches) => Length.FromUnits((long)Math.Floor((inches * Length.PerInch) + 1e-6));

    // An upright line through an outline: what of it is inside, less what is nearer to an edge than it may be. Both are exact: a stadium round an edge is met in one stretch.
    private List<(double Low, double High)> Inside((double X, double Y)[] outline, double x)
    {
        var crossings = new List<double>();
        var near = new List<(double Low, double High)>();
        for (var i = 0; i < outline.Length; i++)
        {
            var (a, b) = (outline[i], outline[(i + 1) % outline.Length]);
            if ((a.X <= x) != (b.X <= x))
            {
                crossings.Add(a.Y + ((x - a.X) / (b.X - a.X) * (b.Y - a.Y)));
            }

            if (Stadium(a, b, x) is { } too)
            {
                near.Add(too);
            }
        }

        crossings.Sort();
        near.Sort();
        var inside = new List<(double Low, double High)>();
        for (var i = 0; i + 1 < crossings.Count; i += 2)
        {
            var low = crossings[i];
            foreach (var (from, to) in near)
            {
                if (to <= low || from >= crossings[i + 1])
                {
                    continue;
                }

                if (from > low)
                {
                    inside.Add((low, from));
                }

                low = Math.Max(low, to);
            }

            if (low <= crossings[i + 1])
            {
                inside.Add((low, crossings[i + 1]));
            }
        }

        return inside;
    }

    private (double Low, double High)? Stadium((double X, double Y) a, (double X, double Y) b, double x)
    {
        var (low, high) = (double.PositiveInfinity, double.NegativeInfinity);
        foreach (var end in new[] { a, b })
        {
            var off = Math.Abs(x - end.X);
            if (off < keep)
            {
                var reach = Math.Sqrt((keep * keep) - (off * off));
                (low, high) = (Math.Min(low, end.Y - reach), Math.Max(high, end.Y + reach));
            }
        }

        var (dx, dy) = (b.X - a.X, b.Y - a.Y);
        var length = Math.Sqrt((dx * dx) + (dy * dy));
        if (length > 0)
        {
            // The two lines beside the edge, met where their foot is on it.
            var (nx, ny) = (-dy / length * keep, dx / length * keep);
            foreach (var side in new[] { 1, -1 })
            {
                var (px, py) = (a.X + (side * nx), a.Y + (side * ny));
                if (Math.Abs(dx) > 1e-12 && (x - px) / dx is >= 0 and <= 1 and var share)
                {
                    var y = py + (share * dy);
                    (low, high) = (Math.Min(low, y), Math.Max(high, y));
                }
            }

            if (Math.Abs(dx) <= 1e-12 && Math.Abs(x - a.X) < keep)
            {
                (low, high) = (Math.Min(low, Math.Min(a.Y, b.Y)), Math.Max(high, Math.Max(a.Y, b.Y)));
            }
        }

        return low <= high ? (low, high) : null;
    }
}

/// <summary>The least shift of a plate that puts every hole into a sound place.</summary>
/// <param name="Right">How far to the right; negative for left.</param>
/// <param name="Up">How far up; negative for down.</param>
public readonly record struct JointShift(Length Right, Length Up)
{
    /// <summary>Finds it: up or down by the least, and to the side only where no height clears, then by the least to the side.</summary>
    /// <param name="face">The face.</param>
    /// <param name="holes">The holes.</param>
    /// <param name="sideways">How far the plate may go to the left (not above zero) and to the right.</param>
    /// <param name="up">How far it may go up or down.</param>
    /// <returns>The shift, nothing where the holes are sound as they are; null where none clears.</returns>
    internal static JointShift? Least(SoundFace face, IReadOnlyList<(Length X, Length Y)> holes, (Length Left, Length Right) sideways, Length up)
    {
        foreach (var right in face.Sideways(holes, sideways, up).Prepend(Length.Zero).Distinct().OrderBy(s => s.Abs).ThenBy(s => s).Take(MostTried))
        {
            if (LeastUp(face, holes, right, up) is { } found)
            {
                return new(right, found);
            }
        }

        return null;
    }

    // More than any plate on any courses has within half a foot to each side; a file made by hand may have more.
    private const int MostTried = 20_000;

    private static Length? LeastUp(SoundFace face, IReadOnlyList<(Length X, Length Y)> holes, Length right, Length up)
    {
        List<(Length From, Length To)> common = [(-up, up)];
        foreach (var (x, y) in holes)
        {
            var sound = face.Heights(x + right, y - up, y + up);
            var both = new List<(Length From, Length To)>();
            foreach (var (from, to) in common)
            {
                foreach (var (low, high) in sound)
                {
                    var (a, b) = (Length.Max(from, low - y), Length.Min(to, high - y));
                    if (a <= b)
                    {
                        both.Add((a, b));
                    }
                }
            }

            common = both;
            if (common.Count == 0)
            {
                return null;
            }
        }

        return common.Select(c => Length.Min(Length.Max(Length.Zero, c.From), c.To)).OrderBy(s => s.Abs).ThenBy(s => s).First();
    }
}
