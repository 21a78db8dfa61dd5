using Corrie.Core.Measure;
using Corrie.Core.Survey;

namespace Corrie.Core.Hanging;

/// <summary>A hole of a plate that is in the wall and holds nothing.</summary>
/// <param name="Number">Its number, which no other hole gets.</param>
/// <param name="X">From the left corner.</param>
/// <param name="Y">Over the floor.</param>
/// <param name="State">What became of it; <see cref="HoleState.Holds"/> where a bolt is in it and misses the wood.</param>
public sealed record SpentHole(int Number, Length X, Length Y, HoleState State);

/// <summary>
/// Gives a plate's holes their numbers, for good: what is written on sheet, tape and wall stays true whatever is found out afterwards. The holes of the plan as it was before anything was
/// made are counted from the top row's left one; one that is in the wall keeps its number, sound or not; one that is planned in its place gets the next that was never given.
/// </summary>
internal static class HoleNumbers
{
    /// <summary>Numbers the bolts of a position.</summary>
    /// <param name="input">All that the layout follows from.</param>
    /// <param name="position">Where the plate goes, with all its bolts.</param>
    /// <param name="hookLine">Its hook line.</param>
    /// <param name="planned">The hook line as long as nothing was made.</param>
    /// <returns>The bolts in the same order, and what is spent.</returns>
    public static (IReadOnlyList<PlateBolt> Bolts, IReadOnlyList<SpentHole> Spent) Give(Hanging input, PlatePosition position, Length hookLine, Length planned)
    {
        var used = position.Used(input.Bolt, input.Mount.Studs);
        if (input.Made.Items.Count == 0)
        {
            return ([.. position.Bolts.Select(b => b with { Number = IndexOf(used, b) + 1 })], []);
        }

        // As it was before anything was made: the numbers that are on the sheet.
        var before = PlateLayer.Lay(input with { Made = new([]) }).Position.Used(input.Bolt, input.Mount.Studs).Where(b => b.Number > 0)
            .Select(b => (b.Number, Row: b.Row.Id, b.X, Up: planned + b.Row.AboveHook, Stud: b.Stud.Id)).ToList();
        // One number is one hole's: of two that were entered with the same, the second counts as entered without.
        var given = new HashSet<int>();
        var told = input.Made.Items.Where(h => h.Number is { } number && given.Add(number)).Select(h => h.Id).ToHashSet();
        var next = Math.Max(before.Select(b => b.Number).DefaultIfEmpty().Max(), given.DefaultIfEmpty().Max()) + 1;
        var numbers = new Dictionary<string, int>();
        foreach (var hole in input.Made.Items.Where(h => !told.Contains(h.Id)))
        {
            // Who made a hole without saying which has made the nearest one of its row.
            var nearest = before.Where(b => b.Row == hole.Row && !given.Contains(b.Number)).OrderBy(b => (b.X - hole.Across).Abs).Select(b => b.Number).FirstOrDefault();
            numbers[hole.Id] = nearest > 0 ? nearest : next++;
            given.Add(numbers[hole.Id]);
        }

        int Of(MadeHole hole) => numbers.TryGetValue(hole.Id, out var number) ? number : hole.Number!.Value;
        var bolts = new List<PlateBolt>();
        foreach (var bolt in position.Bolts)
        {
            var made = bolt.Made ? input.Made.Items.FirstOrDefault(h => h.Holds && h.Row == bolt.Row.Id && h.Across == bolt.X) : null;
            if (made is not null)
            {
                bolts.Add(bolt with { Number = Of(made) });
                continue;
            }

            if (IndexOf(used, bolt) < 0)
            {
                bolts.Add(bolt);
                continue;
            }

            var same = before.FirstOrDefault(b => b.Row == bolt.Row.Id && b.Stud == bolt.Stud.Id && !given.Contains(b.Number)).Number;
            bolts.Add(bolt with { Number = same > 0 ? same : next++ });
            given.Add(bolts[^1].Number);
        }

        return (bolts, [
            .. input.Made.Items.Where(h => !h.Holds).Select(h => new SpentHole(Of(h), h.Across, h.Up, h.State)),
            .. bolts.Where(b => b.Astray).Select(b => new SpentHole(b.Number, b.X, hookLine + b.Row.AboveHook, HoleState.Holds)),
        ]);
    }

    private static int IndexOf(IReadOnlyList<PlateBolt> bolts, PlateBolt bolt)
    {
        for (var i = 0; i < bolts.Count; i++)
        {
            if (bolts[i].Row.Id == bolt.Row.Id && bolts[i].X == bolt.X && bolts[i].Slot == bolt.Slot)
            {
                return i;
            }
        }

        return -1;
    }
}
