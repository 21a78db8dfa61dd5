using Corrie.Core.Catalogue;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Core.Hanging;

/// <summary>A screw of a backing into a stud, or a toggle through the plate.</summary>
/// <param name="X">From the left corner.</param>
/// <param name="Y">Over the floor.</param>
/// <param name="Stud">The stud; null for a toggle.</param>
public readonly record struct SupportHole(Length X, Length Y, Stud? Stud);

/// <summary>A board or blocking as planned.</summary>
/// <param name="Kind">Which of the two.</param>
/// <param name="Outline">Its outline on the wall.</param>
/// <param name="Thickness">How thick it is.</param>
/// <param name="Screws">Its screws into the studs; blocking is screwed from its ends.</param>
/// <param name="Studs">How many studs carry it.</param>
public sealed record BackingPlan(BackingKind Kind, Rect Outline, Length Thickness, IReadOnlyList<SupportHole> Screws, int Studs);

/// <summary>Works out what a plate is bolted to besides its studs.</summary>
internal static class SupportPlanner
{
    /// <summary>What a backing is called where a bolt's member is asked for.</summary>
    public const string BackingId = "backing";

    // Common practice: a screw near a board's end or edge splits it; blocking stands over and under the bolts that it carries.
    internal static readonly Length FromEnd = Length.Tape(1, 1, 2);
    private static readonly Length Beyond = Length.Tape(2);

    /// <summary>The backing, and the bolts that go into it.</summary>
    /// <param name="question">Mount, studs, wall and where the display is wanted.</param>
    /// <param name="support">What was chosen.</param>
    /// <param name="plate">The plate's centre.</param>
    /// <param name="hookLine">The hook line over the floor.</param>
    /// <returns>The backing, null where no stud carries it, and the plate's bolts in it.</returns>
    public static (BackingPlan? Backing, IReadOnlyList<PlateBolt> Bolts) Back(PlateQuestion question, Support support, Length plate, Length hookLine)
    {
        var (mount, half) = (question.Mount, question.Mount.PlateWidth.Half);
        var rows = question.Rows;
        var holding = question.Studs.Where(s => s.Tolerance(question.Bolt) >= Length.Zero).OrderBy(s => s.Centre).ToList();
        if (rows.Count == 0 || holding.Count == 0 || support.Backing is not { } kind)
        {
            return (null, []);
        }

        var board = kind == BackingKind.Board;
        var first = holding.LastOrDefault(s => s.Centre <= plate - half + (board ? FromEnd : Length.Zero)) ?? holding[0];
        var last = holding.FirstOrDefault(s => s.Centre >= plate + half - (board ? FromEnd : Length.Zero)) ?? holding[^1];
        var (left, right) = board ? (Length.Min(first.Left, plate - half), Length.Max(last.Right, plate + half)) : (first.Right, last.Left);
        var (from, to) = (support.From ?? Length.Max(Length.Zero, left), support.To ?? (question.WallWidth is { } width ? Length.Min(width, right) : right));
        if (from >= to)
        {
            return (null, []);
        }

        var (bottom, top) = board
            ? (Length.Min(hookLine - mount.HookUp, hookLine + rows[^1].AboveHook - Beyond), Length.Max(hookLine - mount.HookUp + mount.PlateHeight, hookLine + rows[0].AboveHook + Beyond))
            : (hookLine + rows[^1].AboveHook - Beyond, hookLine + rows[0].AboveHook + Beyond);
        var outline = Rect.Between(from, to, bottom, top);
        var carriers = board
            ? holding.Where(s => s.Centre >= from + FromEnd.Half && s.Centre <= to - FromEnd.Half).ToList()
            : [.. holding.Where(s => s.Right >= from && s.Left <= to)];
        IReadOnlyList<SupportHole> screws = board ? [.. carriers.SelectMany(s => new[] { new SupportHole(s.Centre, top - FromEnd, s), new(s.Centre, bottom + FromEnd, s) })] : [];
        return (new(kind, outline, support.Thickness, screws, carriers.Count), [.. rows.SelectMany(r => InWood(r, plate, Clear(outline, board ? [] : carriers)))]);
    }

    /// <summary>Where toggles go: in each row, as far as can be from the studs that hold, on the side that meets none.</summary>
    /// <param name="question">Mount, studs and wall.</param>
    /// <param name="position">Where the plate is, and what holds it.</param>
    /// <param name="hookLine">The hook line over the floor.</param>
    /// <returns>The toggles; none where no stud holds, or the plate meets two.</returns>
    public static IReadOnlyList<SupportHole> Toggles(PlateQuestion question, PlatePosition position, Length hookLine)
    {
        var held = position.Bolts.Where(b => b.OffCentre <= b.Stud.Tolerance(question.Bolt)).ToList();
        if (held.Count == 0 || position.StudsHeld(question.Bolt) >= question.Mount.Studs)
        {
            return [];
        }

        var middle = held.Average(b => b.X.Inches);
        var toggles = new List<SupportHole>();
        foreach (var row in question.Rows)
        {
            // Its bar turns in the hollow: it needs its own width clear of a stud's face.
            var places = row.Slots.SelectMany(s => new[] { s.From, s.To, (s.From + s.To).Half }).Select(x => position.Plate + x)
                .Where(x => question.Studs.All(s => Length.Outside(x, s.Left, s.Right) >= FromEnd.Half)).ToList();
            if (places.Count > 0 && places.MaxBy(x => Math.Abs(x.Inches - middle)) is var place && Math.Abs(place.Inches - middle) >= question.LeastApart.Inches)
            {
                toggles.Add(new(place, hookLine + row.AboveHook, null));
            }
        }

        return toggles;
    }

    /// <summary>The bolts of a plate where the face itself holds: the outermost two holes of each row, clear of the wall's ends and of members that would be in a toggle's way.</summary>
    /// <param name="question">Mount and wall.</param>
    /// <param name="plate">The plate's centre.</param>
    /// <param name="clearOf">Members behind the face; none where there are none.</param>
    /// <returns>The bolts.</returns>
    public static IReadOnlyList<PlateBolt> Anywhere(PlateQuestion question, Length plate, IReadOnlyList<Stud> clearOf)
    {
        var stretches = new List<(Length From, Length To)>();
        var from = FromEnd;
        foreach (var stud in clearOf.OrderBy(s => s.Left))
        {
            stretches.Add((from, stud.Left - FromEnd.Half));
            from = stud.Right + FromEnd.Half;
        }

        stretches.Add((from, (question.WallWidth ?? plate + question.Mount.PlateWidth) - FromEnd));
        // A hole that is there takes the place of the one next to it.
        return [.. question.Rows.SelectMany(r => InWood(r, plate, stretches).Select(b => question.Made.Where(m => m.Row == r.Id && question.SlotOver(m, plate) == b.Slot).Select(m => (Length?)m.X).FirstOrDefault() is { } x
            ? b with { X = x, Stud = b.Stud with { Centre = x }, Made = true } : b))];
    }

    // The stretches of a backing that a bolt may go into: clear of its ends, and between the studs that blocking stands between.
    private static List<(Length From, Length To)> Clear(Rect outline, IReadOnlyList<Stud> between)
    {
        var clear = new List<(Length, Length)>();
        var from = outline.Left;
        foreach (var stud in between.Where(s => s.Left > outline.Left && s.Right < outline.Right))
        {
            clear.Add((from + FromEnd, stud.Left - FromEnd));
            from = stud.Right;
        }

        clear.Add((from + FromEnd, outline.Right - FromEnd));
        return clear;
    }

    // The outermost two holes of a row that come over such a stretch.
    private static IEnumerable<PlateBolt> InWood(PlateRow row, Length plate, List<(Length From, Length To)> clear)
    {
        var places = (from slot in row.Slots
                      from stretch in clear
                      let low = Length.Max(plate + slot.From, stretch.From)
                      let high = Length.Min(plate + slot.To, stretch.To)
                      where low <= high
                      from x in new[] { low, high }
                      orderby x
                      select new PlateBolt(row, slot, Wood(x, stretch), x)).ToList();
        return places.Count == 0 ? [] : places[0].X == places[^1].X ? [places[0]] : [places[0], places[^1]];
    }

    // For a bolt the backing is a member round it, as wide as it is from the nearer end of the wood.
    private static Stud Wood(Length x, (Length From, Length To) stretch) =>
        new(BackingId, x, (Length.Min(x - stretch.From, stretch.To - x) + FromEnd) * 2, StudState.Confirmed, Length.Zero);
}
