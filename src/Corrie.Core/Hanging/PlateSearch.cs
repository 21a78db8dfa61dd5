using Corrie.Core.Catalogue;
using Corrie.Core.Measure;
using Corrie.Core.Survey;

namespace Corrie.Core.Hanging;

/// <summary>What a plate's place along the wall follows from.</summary>
/// <param name="Mount">The mount.</param>
/// <param name="Studs">The wall's members.</param>
/// <param name="Arms">Where the middle between the arms has to be, from the left corner.</param>
/// <param name="Bolt">Shank diameter of the bolts.</param>
/// <param name="Wall">What the wall is; holes kept for another kind of wall are left out.</param>
/// <param name="WallWidth">The wall's width; null where nobody knows it.</param>
/// <param name="Pattern">Width of the display's pattern, whose arms have to hook on the plate; null where they hook on something else.</param>
/// <param name="Drilled">Holes drilled into the plate's rows, from its centre.</param>
public sealed record PlateQuestion(
    Mount Mount, IReadOnlyList<Stud> Studs, Length Arms, Length Bolt, WallKind Wall, Length? WallWidth = null, Length? Pattern = null, IReadOnlyList<Length>? Drilled = null)
{
    /// <summary>An arm whose middle is this far beyond the plate's end still hooks on.</summary>
    public static readonly Length AtTheEnd = Length.Tape(0, 1, 16);

    /// <summary>How far the display slides to each side with both arms on the plate.</summary>
    public Length Slide => Pattern is { } pattern && Mount.PlateWidth.Half + AtTheEnd - pattern.Half is var hooked && hooked >= Length.Zero ? Length.Min(Mount.Slide, hooked) : Mount.Slide;

    /// <summary>The plate's rows of holes for this wall, the top one first.</summary>
    public IReadOnlyList<PlateRow> Rows => Mount.Walls.Contains(Wall)
        ? [.. Mount.Rows.Where(r => Mount.OnPlate(r) && r.IsFor(Wall)).OrderByDescending(r => r.AboveHook).Select(r => Drilled is { Count: > 0 } ? r with { Slots = [.. r.Slots, .. Drilled.Select(d => new Slot(d, d))] } : r)]
        : [];

    /// <summary>From where to where the plate's centre may be for the display to hang where it is wanted: the plate on the wall, both arms on the plate.</summary>
    public (Length From, Length To) Window
    {
        get
        {
            var (from, to) = (Arms - Slide, Arms + Slide);
            var (left, right) = OnWall;
            return Length.Max(from, left) is var a && Length.Min(to, right) is var b && a <= b ? (a, b) : (from, to);
        }
    }

    /// <summary>From where to where the plate's centre may be on the wall at all.</summary>
    public (Length From, Length To) OnWall => WallWidth is { } width && width >= Mount.PlateWidth
        ? (Mount.PlateWidth.Half, width - Mount.PlateWidth.Half)
        : (Length.Zero, WallWidth ?? Arms + Mount.Slide);

    /// <summary>
    /// How far apart two studs' centres have to be to carry the plate as two: a third of what its holes span, since two members under one end of it are
    /// as good as one (own rule).
    /// </summary>
    public Length LeastApart => PlateSearch.Reach(this).Most * (1.0 / 3);
}

/// <summary>
/// Finds where along the wall a plate goes. Preference, in this order: it catches as many studs as it is made for; most bolts of the top row in studs
/// with their edge distance (uncertainty included), most of the rows below, smallest largest off-centre of a bolt that holds, smallest slide.
/// </summary>
/// <remarks>
/// Every criterion is piecewise linear in the plate's position, so the best lies at the end of a stretch where a bolt keeps its edge
/// distance, lands in the face or is dead centre, where one bolt goes off its centre as fast as another comes to it, or at an end of the slide: those
/// are all that is tried.
/// </remarks>
public static class PlateSearch
{
    private const int CountBits = 5;

    /// <summary>The best position for a wanted centre.</summary>
    /// <param name="question">What it follows from.</param>
    /// <returns>The position, which may hold nothing.</returns>
    public static PlatePosition Best(PlateQuestion question)
    {
        var (from, to) = question.Window;
        var (rows, apart) = (question.Rows, question.LeastApart);
        var near = Reached(rows, question.Studs, from, to);
        var middle = Length.Min(Length.Max(question.Arms, from), to);
        var best = Score(middle, question, rows, near, apart);
        foreach (var plate in Candidates(rows, near, from, to, question.Bolt))
        {
            var score = Score(plate, question, rows, near, apart);
            best = score.CompareTo(best) < 0 ? score : best;
        }

        return At(best.Plate, question, question.Arms);
    }

    /// <summary>The bolts that one position allows.</summary>
    /// <param name="plate">The plate's centre from the left corner.</param>
    /// <param name="question">What it follows from.</param>
    /// <returns>The position with its bolts.</returns>
    public static PlatePosition At(Length plate, PlateQuestion question) => At(plate, question, question.Arms);

    /// <summary>
    /// The position nearest to the wanted centre at which the plate catches as many studs as it is made for, wherever the display then hangs; null where there is none on the wall.
    /// </summary>
    /// <param name="question">What it follows from.</param>
    /// <returns>The position with the slide that brings the display nearest to where it is wanted.</returns>
    public static PlatePosition? NearestThatHolds(PlateQuestion question)
    {
        var ((from, to), rows, apart, slide, arms) = (question.OnWall, question.Rows, question.LeastApart, question.Slide, question.Arms);
        PlatePosition? nearest = null;
        foreach (var plate in Candidates(rows, question.Studs, from, to, question.Bolt).OrderBy(p => (p - arms).Abs))
        {
            // The farther plates bring the display no nearer.
            if (nearest is not null && (plate - arms).Abs - slide > (nearest.Plate + nearest.Slide - arms).Abs)
            {
                break;
            }

            var reach = Length.Min(Length.Max(arms, plate - slide), plate + slide);
            if (Score(plate, question, rows, question.Studs, apart).Enough)
            {
                var position = At(plate, question, reach);
                nearest = nearest is null || Near(position).CompareTo(Near(nearest)) < 0 ? position : nearest;
            }
        }

        return nearest;

        (Length Off, Length Slide) Near(PlatePosition p) => ((p.Plate + p.Slide - arms).Abs, p.Slide.Abs);
    }

    /// <summary>How far apart the plate's outermost holes can take two bolts.</summary>
    /// <param name="question">Mount and wall.</param>
    /// <returns>Least and most; nothing where the plate has no holes for it.</returns>
    public static (Length Least, Length Most) Reach(PlateQuestion question)
    {
        var slots = question.Rows.SelectMany(r => r.Slots).ToList();
        if (slots.Count == 0)
        {
            return default;
        }

        var left = slots.MinBy(s => s.From);
        var right = slots.MaxBy(s => s.To);
        return (Length.Max(Length.Zero, right.From - left.To), right.To - left.From);
    }

    // The studs whose face a hole comes over while the plate moves from one end to the other.
    private static IReadOnlyList<Stud> Reached(IReadOnlyList<PlateRow> rows, IReadOnlyList<Stud> studs, Length from, Length to)
    {
        var slots = rows.SelectMany(r => r.Slots).ToList();
        return slots.Count == 0 ? [] : [.. studs.Where(s => s.Right >= from + slots.Min(h => h.From) && s.Left <= to + slots.Max(h => h.To))];
    }

    private static HashSet<Length> Candidates(IReadOnlyList<PlateRow> rows, IReadOnlyList<Stud> studs, Length from, Length to, Length bolt)
    {
        var ends = new HashSet<Length> { from, to };
        var (comes, goes) = (new HashSet<Length>(), new HashSet<Length>());
        var face = Length.Zero;
        foreach (var stud in studs)
        {
            var tolerance = Length.Max(Length.Zero, stud.Tolerance(bolt));
            face = Length.Max(face, stud.Width.Half);
            foreach (var slot in rows.SelectMany(r => r.Slots).Distinct())
            {
                // A bolt lands in the stud's face, keeps its edge distance, and is dead centre between these.
                var (before, after) = (stud.Centre - slot.To, stud.Centre - slot.From);
                foreach (var off in (ReadOnlySpan<Length>)[stud.Width.Half, tolerance, Length.Zero])
                {
                    Add(before - off);
                    Add(after + off);
                }

                comes.Add(before);
                goes.Add(after);
            }
        }

        // Where one bolt comes to its centre as fast as another goes off its own, the larger of the two is least half way.
        var (coming, going) = (comes.Order().ToList(), goes.Order().ToList());
        var first = 0;
        foreach (var end in coming)
        {
            while (first < going.Count && going[first] < end - (face * 2))
            {
                first++;
            }

            for (var i = first; i < going.Count && going[i] < end; i++)
            {
                Add((end + going[i]).Half);
            }
        }

        return ends;

        void Add(Length plate)
        {
            if (plate >= from && plate <= to)
            {
                ends.Add(plate);
            }
        }
    }

    private static PlatePosition At(Length plate, PlateQuestion question, Length arms)
    {
        var bolts = new List<PlateBolt>();
        var holding = 0;
        foreach (var row in question.Rows)
        {
            // The nearest pair of stud and hole first: a round hole takes one bolt, a slot as many as there are studs behind it.
            var pairs = question.Studs.SelectMany(stud => row.Slots.Select(slot => new PlateBolt(row, slot, stud, Length.Min(Length.Max(stud.Centre, plate + slot.From), plate + slot.To))))
                .Where(b => b.OffCentre <= b.Stud.Width.Half).OrderBy(b => b.OffCentre);
            var (taken, done, chosen) = (new HashSet<Slot>(), new HashSet<Stud>(), new List<PlateBolt>());
            foreach (var bolt in pairs)
            {
                if (!done.Contains(bolt.Stud) && (bolt.Slot.From < bolt.Slot.To || taken.Add(bolt.Slot)))
                {
                    done.Add(bolt.Stud);
                    chosen.Add(bolt);
                    holding += bolt.OffCentre <= bolt.Stud.Tolerance(question.Bolt) ? 1 : 0;
                }
            }

            bolts.AddRange(chosen.OrderBy(b => b.Stud.Centre));
        }

        return new(plate, arms - plate, bolts, holding, question.LeastApart);
    }

    private static Rank Score(Length plate, PlateQuestion question, IReadOnlyList<PlateRow> rows, IReadOnlyList<Stud> studs, Length apart)
    {
        var (held, inWood, worst, worstInWood) = (0L, 0, Length.Zero, Length.Zero);
        Length? left = null, right = null;
        foreach (var row in rows)
        {
            var inRow = 0L;
            foreach (var stud in studs)
            {
                var off = stud.Width;
                var slots = row.Slots;
                for (var i = 0; i < slots.Count; i++)
                {
                    off = Length.Min(off, Length.Outside(stud.Centre - plate, slots[i].From, slots[i].To));
                }

                if (off <= stud.Tolerance(question.Bolt))
                {
                    inRow++;
                    worst = Length.Max(worst, off);
                    left = left is { } l ? Length.Min(l, stud.Centre) : stud.Centre;
                    right = right is { } r ? Length.Max(r, stud.Centre) : stud.Centre;
                }

                if (off <= stud.Width.Half)
                {
                    inWood++;
                    worstInWood = Length.Max(worstInWood, off);
                }
            }

            held = (held << CountBits) | Math.Min(inRow, (1 << CountBits) - 1);
        }

        var enough = left is not null && (question.Mount.Studs < 2 || right - left is { } between && between > Length.Zero && between >= apart);
        // As long as no stud is known well enough to hold a bolt, the most bolts in wood, near its middle, are the best guess.
        return new(enough, held, held == 0 ? inWood : 0, held == 0 ? worstInWood : worst, (question.Arms - plate).Abs, plate);
    }

    private readonly record struct Rank(bool Enough, long Held, int InWood, Length Worst, Length Slide, Length Plate) : IComparable<Rank>
    {
        public int CompareTo(Rank other)
        {
            var by = other.Enough.CompareTo(Enough);
            by = by != 0 ? by : other.Held.CompareTo(Held);
            by = by != 0 ? by : other.InWood.CompareTo(InWood);
            by = by != 0 ? by : Worst.CompareTo(other.Worst);
            by = by != 0 ? by : Slide.CompareTo(other.Slide);
            return by != 0 ? by : Plate.CompareTo(other.Plate);
        }
    }
}
