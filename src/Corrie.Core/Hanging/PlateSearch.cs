using Corrie.Core.Catalogue;
using Corrie.Core.Measure;
using Corrie.Core.Survey;

namespace Corrie.Core.Hanging;

/// <summary>A bolt through the plate into a stud.</summary>
/// <param name="Row">The plate's row.</param>
/// <param name="Slot">The hole or slot it goes through.</param>
/// <param name="Stud">The stud it goes into.</param>
/// <param name="X">Where, from the left corner.</param>
public readonly record struct PlateBolt(PlateRow Row, Slot Slot, Stud Stud, Length X)
{
    /// <summary>How far off the stud's centre.</summary>
    public Length OffCentre => (X - Stud.Centre).Abs;

    /// <summary>Whether it keeps its edge distance, or would if its stud were confirmed where it is marked.</summary>
    /// <param name="boltDiameter">Shank diameter.</param>
    /// <returns>Whether it does.</returns>
    public bool WouldHold(Length boltDiameter) => OffCentre <= (Stud.State == StudState.Confirmed ? Stud.Tolerance(boltDiameter) : Stud.Play(boltDiameter));
}

/// <summary>A plate position and the bolts that it allows.</summary>
/// <param name="Plate">The plate's centre from the left corner.</param>
/// <param name="Slide">How far the display's arms stand right of the plate's centre.</param>
/// <param name="Bolts">Bolts that land in a stud's face, top row first, left to right.</param>
/// <param name="Holding">How many of them keep their edge distance.</param>
/// <param name="LeastApart">How far apart bolts have to be for two studs to carry the plate as two.</param>
public sealed record PlatePosition(Length Plate, Length Slide, IReadOnlyList<PlateBolt> Bolts, int Holding, Length LeastApart)
{
    /// <summary>How many different studs the bolts that keep their edge distance go into; two members under one end of the plate are as good as one.</summary>
    /// <param name="boltDiameter">Shank diameter of the bolts.</param>
    /// <returns>The number of studs, what is not known of their centres taken off.</returns>
    public int StudsHeld(Length boltDiameter) => Studs([.. Bolts.Where(b => b.OffCentre <= b.Stud.Tolerance(boltDiameter))]);

    /// <summary>How many different studs the bolts would hold in if all centres were confirmed where they are marked.</summary>
    /// <param name="boltDiameter">Shank diameter of the bolts.</param>
    /// <returns>The number of studs.</returns>
    public int StudsMet(Length boltDiameter) => Studs([.. Bolts.Where(b => b.WouldHold(boltDiameter))]);

    private int Studs(IReadOnlyList<PlateBolt> bolts)
    {
        var studs = bolts.Select(b => b.Stud.Id).Distinct().Count();
        return studs > 1 && bolts.Max(b => b.X) - bolts.Min(b => b.X) < LeastApart ? 1 : studs;
    }

    /// <summary>The bolts that are put in: where enough of them hold, those that would miss their edge distance are left out.</summary>
    /// <param name="boltDiameter">Shank diameter of the bolts.</param>
    /// <param name="wanted">How many studs the plate is made to catch.</param>
    /// <returns>The bolts.</returns>
    public IReadOnlyList<PlateBolt> Used(Length boltDiameter, int wanted)
    {
        var sound = Bolts.Where(b => b.WouldHold(boltDiameter)).ToList();
        var whole = sound.GroupBy(b => b.Row.Id).All(r => r.Select(b => b.Stud.Id).Distinct().Count() >= wanted);
        return StudsMet(boltDiameter) >= wanted && whole && Bolts.Select(b => b.Row.Id).Distinct().Count() == sound.Select(b => b.Row.Id).Distinct().Count() ? sound : Bolts;
    }
}

/// <summary>
/// Finds where along the wall a plate goes. Preference, in this order: most bolts of the top row in studs with their edge distance
/// (uncertainty included), most of the rows below, smallest largest off-centre of a bolt that holds, smallest slide.
/// </summary>
/// <remarks>
/// Every criterion is piecewise linear in the plate's position, so the best lies at the end of a stretch where a bolt keeps its edge
/// distance, lands in the face or is dead centre, half way between two such ends, or at an end of the slide: those are all that is tried.
/// </remarks>
public static class PlateSearch
{
    /// <summary>The best position for a wanted centre.</summary>
    /// <param name="mount">The mount.</param>
    /// <param name="studs">The wall's members.</param>
    /// <param name="arms">Where the middle between the arms has to be, from the left corner.</param>
    /// <param name="boltDiameter">Shank diameter of the bolts.</param>
    /// <param name="wall">What the wall is; holes kept for another kind of wall are left out.</param>
    /// <returns>The position, which may hold nothing.</returns>
    public static PlatePosition Best(Mount mount, IReadOnlyList<Stud> studs, Length arms, Length boltDiameter, WallKind wall)
    {
        var rows = RowsFor(mount, wall);
        var (from, to, apart) = (arms - mount.Slide, arms + mount.Slide, LeastApart(rows));
        var near = Reached(rows, studs, from, to);
        return Candidates(mount, rows, near, from, to, boltDiameter)
            .Append(arms)
            .Select(plate => At(plate, rows, near, arms, boltDiameter, apart))
            .Min(Comparer<PlatePosition>.Create((a, b) => Compare(mount, a, b, boltDiameter)))!;
    }

    /// <summary>The bolts that one position allows.</summary>
    /// <param name="plate">The plate's centre from the left corner.</param>
    /// <param name="mount">The mount.</param>
    /// <param name="studs">The wall's members.</param>
    /// <param name="arms">Where the middle between the arms has to be, from the left corner.</param>
    /// <param name="boltDiameter">Shank diameter of the bolts.</param>
    /// <param name="wall">What the wall is.</param>
    /// <returns>The position with its bolts.</returns>
    public static PlatePosition At(Length plate, Mount mount, IReadOnlyList<Stud> studs, Length arms, Length boltDiameter, WallKind wall)
    {
        var rows = RowsFor(mount, wall);
        return At(plate, rows, studs, arms, boltDiameter, LeastApart(rows));
    }

    /// <summary>
    /// The position nearest to the wanted centre at which the plate catches as many studs as it is made for, wherever the display then hangs; null where there is none on the wall.
    /// </summary>
    /// <param name="mount">The mount.</param>
    /// <param name="studs">The wall's members.</param>
    /// <param name="arms">Where the middle between the arms is wanted, from the left corner.</param>
    /// <param name="boltDiameter">Shank diameter of the bolts.</param>
    /// <param name="wall">What the wall is.</param>
    /// <param name="wallWidth">The wall's width.</param>
    /// <returns>The position with the slide that brings the display nearest to where it is wanted.</returns>
    public static PlatePosition? NearestThatHolds(
        Mount mount, IReadOnlyList<Stud> studs, Length arms, Length boltDiameter, WallKind wall, Length wallWidth)
    {
        var rows = RowsFor(mount, wall);
        var apart = LeastApart(rows);
        return Candidates(mount, rows, studs, Length.Zero, wallWidth, boltDiameter)
            .Select(plate =>
            {
                var reach = Length.Min(Length.Max(arms, plate - mount.Slide), plate + mount.Slide);
                return At(plate, rows, studs, reach, boltDiameter, apart);
            })
            .Where(p => p.StudsHeld(boltDiameter) >= mount.Studs)
            .MinBy(p => ((p.Plate + p.Slide - arms).Abs, p.Slide.Abs));
    }

    /// <summary>How far apart the plate's outermost holes can take two bolts.</summary>
    /// <param name="mount">The mount.</param>
    /// <param name="wall">What the wall is.</param>
    /// <returns>Least and most; nothing where the plate has no holes for it.</returns>
    public static (Length Least, Length Most) Reach(Mount mount, WallKind wall) => Reach(RowsFor(mount, wall));

    private static (Length Least, Length Most) Reach(List<PlateRow> rows)
    {
        var slots = rows.SelectMany(r => r.Slots).ToList();
        if (slots.Count == 0)
        {
            return default;
        }

        var left = slots.MinBy(s => s.From);
        var right = slots.MaxBy(s => s.To);
        return (Length.Max(Length.Zero, right.From - left.To), right.To - left.From);
    }

    private static List<PlateRow> RowsFor(Mount mount, WallKind wall) => mount.Walls.Contains(wall) ? [.. mount.Rows.Where(mount.OnPlate)] : [];

    // The studs whose face a hole comes over while the plate moves from one end to the other.
    private static List<Stud> Reached(List<PlateRow> rows, IReadOnlyList<Stud> studs, Length from, Length to)
    {
        var slots = rows.SelectMany(r => r.Slots).ToList();
        return slots.Count == 0 ? [] : [.. studs.Where(s => s.Right >= from + slots.Min(h => h.From) && s.Left <= to + slots.Max(h => h.To))];
    }

    private static HashSet<Length> Candidates(
        Mount mount, List<PlateRow> rows, IReadOnlyList<Stud> studs, Length from, Length to, Length boltDiameter)
    {
        var spans = rows.SelectMany(r => r.Slots).Distinct().ToList();
        var ends = new HashSet<Length> { from, to };
        var centred = new HashSet<Length>();
        foreach (var stud in studs)
        {
            var tolerance = Length.Max(Length.Zero, stud.Tolerance(boltDiameter));
            foreach (var slot in spans)
            {
                // A bolt lands in the stud's face, keeps its edge distance, and is dead centre between these.
                foreach (var off in new[] { stud.Width.Half, tolerance, Length.Zero })
                {
                    Add(stud.Centre - slot.To - off);
                    Add(stud.Centre - slot.From + off);
                }

                centred.Add(stud.Centre - slot.To);
                centred.Add(stud.Centre - slot.From);
            }
        }

        // Between two stretches the largest off-centre is least half way, as long as the plate still reaches both studs.
        var stretches = centred.Where(c => c >= from - mount.PlateWidth && c <= to + mount.PlateWidth).ToList();
        for (var i = 0; i < stretches.Count; i++)
        {
            for (var j = i + 1; j < stretches.Count; j++)
            {
                if ((stretches[i] - stretches[j]).Abs < mount.PlateWidth)
                {
                    Add((stretches[i] + stretches[j]).Half);
                }
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

    // As far apart as its innermost left and right holes; where one slot runs right across, a third of what it spans (own rule).
    private static Length LeastApart(List<PlateRow> rows)
    {
        var (least, most) = Reach(rows);
        return Length.Max(least, most * (1.0 / 3));
    }

    private static PlatePosition At(Length plate, List<PlateRow> rows, IReadOnlyList<Stud> studs, Length arms, Length boltDiameter, Length apart)
    {
        var bolts = new List<PlateBolt>();
        var holding = 0;
        foreach (var row in rows)
        {
            var taken = new HashSet<Slot>();
            foreach (var stud in studs)
            {
                PlateBolt? best = null;
                foreach (var slot in row.Slots)
                {
                    var x = Length.Min(Length.Max(stud.Centre, plate + slot.From), plate + slot.To);
                    var bolt = new PlateBolt(row, slot, stud, x);
                    // A round hole takes one bolt; a slot takes as many as there are studs behind it.
                    if (bolt.OffCentre <= stud.Width.Half && (slot.From < slot.To || !taken.Contains(slot)) &&
                        (best is null || bolt.OffCentre < best.Value.OffCentre))
                    {
                        best = bolt;
                    }
                }

                if (best is { } chosen)
                {
                    taken.Add(chosen.Slot);
                    bolts.Add(chosen);
                    holding += chosen.OffCentre <= stud.Tolerance(boltDiameter) ? 1 : 0;
                }
            }
        }

        return new(plate, arms - plate, bolts, holding, apart);
    }

    private static int Compare(Mount mount, PlatePosition a, PlatePosition b, Length diameter)
    {
        foreach (var row in mount.Rows)
        {
            var byRow = Held(b, row).CompareTo(Held(a, row));
            if (byRow != 0)
            {
                return byRow;
            }
        }

        // As long as no stud is known well enough to hold a bolt, the most bolts in wood, near its middle, are the best guess.
        var inWood = a.Holding + b.Holding == 0 ? b.Bolts.Count.CompareTo(a.Bolts.Count) : 0;
        if (inWood != 0)
        {
            return inWood;
        }

        var byOffCentre = WorstOffCentre(a, diameter).CompareTo(WorstOffCentre(b, diameter));
        var bySlide = a.Slide.Abs.CompareTo(b.Slide.Abs);
        return byOffCentre != 0 ? byOffCentre : bySlide != 0 ? bySlide : a.Plate.CompareTo(b.Plate);

        int Held(PlatePosition p, PlateRow row)
        {
            var held = 0;
            foreach (var bolt in p.Bolts)
            {
                held += ReferenceEquals(bolt.Row, row) && bolt.OffCentre <= bolt.Stud.Tolerance(diameter) ? 1 : 0;
            }

            return held;
        }
    }

    // Of the bolts that hold; of all, where none does.
    private static Length WorstOffCentre(PlatePosition p, Length diameter)
    {
        var worst = Length.Zero;
        foreach (var bolt in p.Bolts)
        {
            if (p.Holding == 0 || bolt.OffCentre <= bolt.Stud.Tolerance(diameter))
            {
                worst = Length.Max(worst, bolt.OffCentre);
            }
        }

        return worst;
    }
}
