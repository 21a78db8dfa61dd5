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
    /// <summary>Holes that are in the wall and hold, by row and place: the plate goes over them.</summary>
    public IReadOnlyList<(string Row, Length X)> Made { get; init; } = [];

    /// <summary>Stretches of the wall in which a row finds no sound wood any more, since a hole is spent there.</summary>
    public IReadOnlyList<(string Row, Length From, Length To)> Spent { get; init; } = [];

    /// <summary>Whether a plate goes over all holes that are in the wall.</summary>
    /// <param name="plate">Its centre.</param>
    /// <returns>Whether it does.</returns>
    public bool Covers(Length plate) => Made.All(m => SlotOver(m, plate) is not null);

    /// <summary>The hole or slot of a plate that comes over a hole in the wall.</summary>
    /// <param name="made">The hole in the wall.</param>
    /// <param name="plate">The plate's centre.</param>
    /// <returns>The plate's hole or slot; null where none does.</returns>
    public Slot? SlotOver((string Row, Length X) made, Length plate)
    {
        foreach (var slot in Rows.Where(r => r.Id == made.Row).SelectMany(r => r.Slots))
        {
            if (Length.Outside(made.X - plate, slot.From, slot.To) <= Play)
            {
                return slot;
            }
        }

        return null;
    }

    // A tape is good to that, and a hole is wider than its bolt by as much (common practice).
    private static readonly Length Play = Length.Tape(0, 1, 16);

    /// <summary>An arm whose middle is this far beyond the plate's end still hooks on.</summary>
    public static readonly Length AtTheEnd = Length.Tape(0, 1, 16);

    /// <summary>How far the display slides to each side with both arms on the plate.</summary>
    public Length Slide => Pattern is { } pattern && Mount.PlateWidth.Half + AtTheEnd - pattern.Half is var hooked && hooked >= Length.Zero ? Length.Min(Mount.Slide, hooked) : Mount.Slide;

    /// <summary>The plate's rows of holes for this wall, the top one first.</summary>
    public IReadOnlyList<PlateRow> Rows => Mount.Walls.Contains(Wall)
        ? [.. Mount.Rows.Where(r => Mount.OnPlate(r) && r.IsFor(Wall)).OrderByDescending(r => r.AboveHook)
            .Select(r => r with { Slots = [.. r.Slots.Concat((Drilled ?? []).Select(d => new Slot(d, d))).Where(s => !OffPlate(Mount, s))] }).Where(r => r.Slots.Count > 0)]
        : [];

    /// <summary>Whether a hole is beside the plate that it is said to be in.</summary>
    /// <param name="mount">The mount.</param>
    /// <param name="slot">The hole or slot.</param>
    /// <returns>Whether it is.</returns>
    public static bool OffPlate(Mount mount, Slot slot) => slot.From < -mount.PlateWidth.Half || slot.To > mount.PlateWidth.Half;

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
/// Finds where along the wall a plate goes. Preference, in this order: it catches as many studs as it is made for; it would once they are confirmed; most bolts of the top row in studs
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
        var judge = new Judge(question, rows, near, apart);
        var start = Length.Min(Length.Max(question.Arms, from), to);
        if (question.Made.Count > 0)
        {
            // Holes that are there stay: of all plates over them the one that needs least slide; where none is over them all, that is said elsewhere.
            start = Candidates(rows, near, from, to, question.Bolt, inFace: true).Concat(Over(question, from, to)).Where(question.Covers).OrderBy(p => (p - question.Arms).Abs).Select(p => (Length?)p).FirstOrDefault() ?? start;
        }

        var best = judge.Score(start);
        Try(inFace: false);
        if (best.Held == 0)
        {
            // Nothing holds anywhere: where bolts at least land in wood is looked for then alone.
            Try(inFace: true);
        }

        return At(best.Plate, question, question.Arms);

        void Try(bool inFace)
        {
            foreach (var plate in question.Made.Count + question.Spent.Count == 0 ? Candidates(rows, near, from, to, question.Bolt, inFace) : Candidates(rows, near, from, to, question.Bolt, inFace).Concat(Over(question, from, to)).Where(p => !question.Covers(start) || question.Covers(p)))
            {
                var score = judge.Score(plate);
                best = score.CompareTo(best) < 0 ? score : best;
            }
        }
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
        var judge = new Judge(question, rows, question.Studs, apart);
        foreach (var plate in Candidates(rows, question.Studs, from, to, question.Bolt, inFace: false).OrderBy(p => (p - arms).Abs))
        {
            // The farther plates bring the display no nearer.
            if (nearest is not null && (plate - arms).Abs - slide > (nearest.Plate + nearest.Slide - arms).Abs)
            {
                break;
            }

            var reach = Length.Min(Length.Max(arms, plate - slide), plate + slide);
            if (judge.Score(plate).Enough)
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

    // Places at which a slot's end, or its middle, comes over a hole that is there, or beside one that is spent.
    private static IEnumerable<Length> Over(PlateQuestion question, Length least, Length most) =>
        from point in question.Made.Concat(question.Spent.SelectMany(s => new[] { (s.Row, X: s.From), (s.Row, X: s.To) }))
        from slot in question.Rows.Where(r => r.Id == point.Row).SelectMany(r => r.Slots)
        from plate in new[] { point.X - slot.From, point.X - slot.To, point.X - (slot.From + slot.To).Half, question.Arms }
        where plate >= least && plate <= most
        select plate;

    // The studs whose face a hole comes over while the plate moves from one end to the other.
    private static IReadOnlyList<Stud> Reached(IReadOnlyList<PlateRow> rows, IReadOnlyList<Stud> studs, Length from, Length to)
    {
        var slots = rows.SelectMany(r => r.Slots).ToList();
        return slots.Count == 0 ? [] : [.. studs.Where(s => s.Right >= from + slots.Min(h => h.From) && s.Left <= to + slots.Max(h => h.To))];
    }

    private static HashSet<Length> Candidates(IReadOnlyList<PlateRow> rows, IReadOnlyList<Stud> studs, Length from, Length to, Length bolt, bool inFace)
    {
        var ends = new HashSet<Length> { from, to };
        var (comes, goes) = (new HashSet<Length>(), new HashSet<Length>());
        var farthest = Length.Zero;
        var spans = rows.SelectMany(r => r.Slots).Distinct().ToList();
        foreach (var stud in studs)
        {
            var tolerance = Length.Max(Length.Zero, stud.Tolerance(bolt));
            var most = inFace ? stud.Width.Half : tolerance;
            farthest = Length.Max(farthest, most);
            foreach (var slot in spans)
            {
                // A bolt keeps its edge distance, or lands in the stud's face, and is dead centre between these.
                var (before, after) = (stud.Centre - slot.To, stud.Centre - slot.From);
                Add(before - most);
                Add(before - stud.Once(bolt));
                Add(after + stud.Once(bolt));
                Add(before);
                Add(after);
                Add(after + most);

                comes.Add(before);
                goes.Add(after);
            }
        }

        // Where one bolt comes to its centre as fast as another goes off its own, the larger of the two is least half way.
        var (coming, going) = (comes.Order().ToList(), goes.Order().ToList());
        var first = 0;
        foreach (var end in coming)
        {
            while (first < going.Count && going[first] < end - (farthest * 2))
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
        var near = Reached(question.Rows, question.Studs, plate, plate);
        foreach (var row in question.Rows)
        {
            var (taken, done, chosen) = (new HashSet<Slot>(), new HashSet<Stud>(), new List<PlateBolt>());
            foreach (var made in question.Made.Where(m => m.Row == row.Id))
            {
                if (question.Studs.MinBy(s => (s.Centre - made.X).Abs) is { } at && question.SlotOver(made, plate) is { } over)
                {
                    // What went beside the member holds nothing, and another hole takes its place where there is room.
                    var astray = at.WoodBeside(question.Bolt, (made.X - at.Centre).Abs) < Length.Zero;
                    _ = astray || done.Add(at);
                    taken.Add(over);
                    chosen.Add(new(row, over, at, made.X) { Made = true, Astray = astray });
                    holding += (made.X - at.Centre).Abs <= at.Tolerance(question.Bolt) ? 1 : 0;
                }
            }

            // The nearest pair of stud and hole first: a round hole takes one bolt, a slot as many as there are studs behind it.
            var pairs = near.SelectMany(stud => row.Slots.Select(slot => (Slot: slot, Stud: stud, X: Beside(question, row, stud.Centre, plate + slot.From, plate + slot.To))))
                .Where(p => p.X is not null).Select(p => new PlateBolt(row, p.Slot, p.Stud, p.X!.Value))
                .Where(b => question.Spent.Count == 0 ? b.OffCentre <= b.Stud.Width.Half : b.Stud.WoodBeside(question.Bolt, b.OffCentre) >= Length.Zero).OrderBy(b => b.OffCentre);
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

    // The place in a slot that is nearest to a stud's centre, clear of holes that are spent; null where there is none.
    private static Length? Beside(PlateQuestion question, PlateRow row, Length centre, Length from, Length to)
    {
        var nearest = Length.Min(Length.Max(centre, from), to);
        if (question.Spent.Count == 0)
        {
            return nearest;
        }

        var spent = question.Spent.Where(s => s.Row == row.Id).ToList();
        return spent.SelectMany(s => new[] { s.From, s.To }).Append(nearest).Where(x => x >= from && x <= to && spent.All(s => x <= s.From || x >= s.To)).OrderBy(x => (x - centre).Abs).Select(x => (Length?)x).FirstOrDefault();
    }

    // Judges places of one plate. Plain numbers in arrays: a plate with sixty holes has a thousand places to be judged.
    private sealed class Judge(PlateQuestion question, IReadOnlyList<PlateRow> rows, IReadOnlyList<Stud> studs, Length apart)
    {
        private readonly (long From, long To)[][] slots = [.. rows.Select(r => r.Slots.Select(s => (s.From.Units, s.To.Units)).ToArray())];
        private readonly (long Centre, long Holds, long Once, long Face)[] members = [.. studs.Select(s => (s.Centre.Units, s.Tolerance(question.Bolt).Units, s.Once(question.Bolt).Units, s.Width.Half.Units))];
        private readonly long arms = question.Arms.Units;
        private readonly bool single = question.Mount.Studs < 2;

        public Rank Score(Length plate) => question.Made.Count + question.Spent.Count > 0 ? Slowly(plate) : Quickly(plate);

        // Where holes are in the wall already: by the bolts themselves.
        private Rank Slowly(Length plate)
        {
            var position = At(plate, question);
            var held = 0L;
            foreach (var row in rows)
            {
                held = (held << CountBits) | (long)position.Bolts.Count(b => b.Row.Id == row.Id && b.OffCentre <= b.Stud.Tolerance(question.Bolt));
            }

            var holds = position.Bolts.Where(b => b.OffCentre <= b.Stud.Tolerance(question.Bolt)).ToList();
            return new(
                position.StudsHeld(question.Bolt) >= question.Mount.Studs, position.StudsMet(question.Bolt) >= question.Mount.Studs, held, held == 0 ? position.Bolts.Count : 0,
                (held == 0 ? position.Bolts : holds).Select(b => b.OffCentre.Units).DefaultIfEmpty().Max(), Math.Abs(arms - plate.Units), plate);
        }

        private Rank Quickly(Length plate)
        {
            var (held, inWood, worst, worstInWood, left, right) = (0L, 0, 0L, 0L, long.MaxValue, long.MinValue);
            var (first, last) = (long.MaxValue, long.MinValue);
            foreach (var row in slots)
            {
                var inRow = 0L;
                foreach (var (centre, holds, once, face) in members)
                {
                    var off = Nearest(row, centre - plate.Units);
                    if (off <= holds)
                    {
                        inRow++;
                        worst = Math.Max(worst, off);
                        left = Math.Min(left, centre);
                        right = Math.Max(right, centre);
                    }

                    if (off <= once)
                    {
                        first = Math.Min(first, centre);
                        last = Math.Max(last, centre);
                    }

                    if (off <= face)
                    {
                        inWood++;
                        worstInWood = Math.Max(worstInWood, off);
                    }
                }

                held = (held << CountBits) | Math.Min(inRow, (1 << CountBits) - 1);
            }

            bool Enough(long from, long to) => from <= to && (single || (to > from && to - from >= apart.Units));
            // As long as no stud is known well enough to hold a bolt, the most bolts in wood, near its middle, are the best guess.
            return new(Enough(left, right), Enough(first, last), held, held == 0 ? inWood : 0, held == 0 ? worstInWood : worst, Math.Abs(arms - plate.Units), plate);
        }

        private static long Nearest((long From, long To)[] row, long place)
        {
            var nearest = long.MaxValue;
            foreach (var (from, to) in row)
            {
                var off = place < from ? from - place : place - to;
                if (off <= 0)
                {
                    return 0;
                }

                nearest = Math.Min(nearest, off);
            }

            return nearest;
        }
    }

    private readonly record struct Rank(bool Enough, bool Met, long Held, int InWood, long Worst, long Slide, Length Plate) : IComparable<Rank>
    {
        public int CompareTo(Rank other)
        {
            var by = other.Enough.CompareTo(Enough);
            by = by != 0 ? by : other.Met.CompareTo(Met);
            by = by != 0 ? by : other.Held.CompareTo(Held);
            by = by != 0 ? by : other.InWood.CompareTo(InWood);
            by = by != 0 ? by : Worst.CompareTo(other.Worst);
            by = by != 0 ? by : Slide.CompareTo(other.Slide);
            return by != 0 ? by : Plate.CompareTo(other.Plate);
        }
    }
}
