using Corrie.Core.Catalogue;
using Corrie.Core.Hanging;
using Corrie.Core.Measure;
using Corrie.Core.Survey;

namespace Corrie.Core.Tests.Hanging;

/// <summary>The plate's place against a search that knows nothing of how the planner does it: every 1/32 in of the window, in whole 64ths of an inch.</summary>
public class PlateFitTests
{
    [Fact]
    public void Random_walls_mounts_and_displays_have_no_better_place_on_a_fine_grid()
    {
        var (both, neither, narrow, nothing) = (0, 0, 0, 0);
        var random = new Random(20261127);
        var walls = Study.Size(5000, 1000);
        for (var n = 0; n < walls; n++)
        {
            var fit = Fit.Random(random);
            var found = PlateSearch.Best(fit.Question);
            Assert.Equal(0, found.Plate.Units % 127);
            // The planner may stand half way between two 64ths; the judge sees 128ths.
            var place = (int)(found.Plate.Units / 127);
            var planned = fit.Judge(place);
            var (from, to) = fit.Window();
            Assert.InRange(place, from, to);
            var grid = Enumerable.Range(0, ((to - from) / 4) + 1).Select(i => from + (4 * i)).Append(to).Append(Math.Clamp(2 * fit.Arms, from, to)).Select(fit.Judge).ToList();
            var best = grid.Min();
            Assert.True(planned.CompareTo(best) <= 0, $"case {n}: planned {planned}, on the grid {best}");
            Assert.Equal(planned.Enough == 0, found.StudsHeld(fit.Question.Bolt) >= fit.Question.Mount.Studs);
            (both, neither, narrow) = (both + (planned.Enough + best.Enough == 0 ? 1 : 0), neither + (planned.Enough + best.Enough == 2 ? 1 : 0), narrow + (planned.Enough < best.Enough ? 1 : 0));
            nothing += planned.Top == 0 ? 1 : 0;
        }

        // Both answers are asked often, and the two agree; 'narrow' are windows between two points of the grid, judged above by the same independent judge.
        Assert.True(both > walls / 5 && neither > walls / 5 && nothing > walls / 50, $"{both} feasible, {neither} not, {narrow} only between the grid's points, {nothing} hold nothing");
    }

    [Theory]
    [InlineData(WallKind.WoodStuds, 2)]
    [InlineData(WallKind.SteelStuds, 1)]
    public void Holes_for_another_kind_of_wall_are_left_alone(WallKind wall, int bolts)
    {
        var mount = (Mount)Sheets.Plan(
            ("/items/m1/product/walls", Sheets.Json("""["wood-studs", "steel-studs"]""")),
            ("/items/m1/product/rows", Sheets.Json("""[{ "id": "top", "aboveHook": "-1/2 in", "slots": [{ "from": "0 in", "to": "0 in" }] }, { "id": "wood", "aboveHook": "-5 in", "walls": ["wood-studs"], "slots": [{ "from": "0 in", "to": "0 in" }] }]"""))).Sheet.Item("m1")!.Product!;
        var stud = new Stud("a", Length.Tape(70), Length.Tape(1, 1, 2), StudState.Confirmed, Length.Zero);
        Assert.Equal(bolts, PlateSearch.Best(new(mount, [stud], Length.Tape(70), Length.Tape(0, 5, 16), wall)).Bolts.Count);
    }

    // Whole 64ths of an inch throughout; the judge is plain loops over them, and shares nothing with the planner but the question.
    private sealed record Fit(
        (int Height, (int From, int To)[] Slots)[] Rows, int Needs, int PlateWidth, int Slide, int Pattern, int Arms, int WallWidth, (int Centre, int Width, int Unsure, bool Confirmed)[] Studs, int Bolt)
    {
        private (int Height, (int From, int To)[] Slots)[] TopFirst { get; } = [.. Rows.OrderByDescending(r => r.Height)];

        private int Spans { get; } = Rows.SelectMany(r => r.Slots).Max(s => s.To) - Rows.SelectMany(r => r.Slots).Min(s => s.From);

        public PlateQuestion Question
        {
            get
            {
                var sample = (Mount)Sheets.Plan().Sheet.Item("m1")!.Product!;
                var mount = sample with
                {
                    Rows = [.. Rows.Select((r, i) => new PlateRow($"r{i}", In(r.Height), [.. r.Slots.Select(s => new Slot(In(s.From), In(s.To)))]))],
                    Studs = Needs,
                    PlateWidth = In(PlateWidth),
                    Slide = In(Slide),
                    PlateHeight = Length.Tape(20),
                    HookUp = Length.Tape(15),
                };
                return new(mount, [.. Studs.Select((s, i) => new Stud($"s{i}", In(s.Centre), In(s.Width), s.Confirmed ? StudState.Confirmed : StudState.Found, In(s.Unsure)))], In(Arms), In(Bolt), WallKind.WoodStuds, In(WallWidth), In(Pattern));
            }
        }

        public static Fit Random(Random random)
        {
            int Inches(double low, double high) => (int)(random.NextDouble() * ((high - low) * 64)) + (int)(low * 64);
            var spacing = new[] { 12, 16, 16, 16, 19, 24, 24 }[random.Next(7)] * 64;
            var wall = Inches(60, 160);
            var studs = new List<(int, int, int, bool)>();
            for (var at = Inches(1, 16); at < wall - 64; at += spacing + Inches(-.6, .6))
            {
                var unsure = random.Next(3) == 0 ? random.Next(0, 24) : random.Next(0, 4);
                studs.Add((at, random.Next(5) == 0 ? 80 : 96, unsure, random.Next(4) > 0));
                if (random.Next(9) == 0)
                {
                    // A doubled member.
                    studs.Add((at + 96, 96, unsure, true));
                }
            }

            var width = Inches(4, 34);
            var rows = new List<(int, (int, int)[])>();
            var height = 0;
            for (var r = random.Next(1, 4); r > 0; r--)
            {
                var slots = new List<(int, int)>();
                for (var s = random.Next(1, 7); s > 0; s--)
                {
                    var from = random.Next(-(width / 2) + 32, (width / 2) - 32);
                    slots.Add((from, random.Next(2) == 0 ? from : Math.Min(from + Inches(.25, 8), (width / 2) - 32)));
                }

                rows.Add((height -= random.Next(64, 200), [.. slots]));
            }

            // As the catalogue may have them: not always the top row first.
            return new([.. random.Next(4) == 0 ? Enumerable.Reverse(rows) : rows], random.Next(5) == 0 ? 1 : 2, width, Inches(0, 6), Inches(4, 24), Inches(4, wall / 64d - 4), wall, [.. studs], new[] { 16, 20, 24 }[random.Next(3)]);
        }

        // From where to where the plate's centre may be: the slide, both arms on the plate, the plate on the wall where that leaves anything; in 128ths.
        public (int From, int To) Window()
        {
            var hooked = PlateWidth + 8 - Pattern;
            var slide = hooked >= 0 ? Math.Min(2 * Slide, hooked) : 2 * Slide;
            var (from, to) = ((2 * Arms) - slide, (2 * Arms) + slide);
            var (low, high) = (PlateWidth, (2 * WallWidth) - PlateWidth);
            return Math.Max(from, low) <= Math.Min(to, high) ? (Math.Max(from, low), Math.Min(to, high)) : (from, to);
        }

        /// <summary>How good a place is, lower is better; given and judged in 128ths of an inch.</summary>
        public Verdict Judge(int plate)
        {
            Span<int> counts = stackalloc int[3];
            var (row, all, worst, worstAll, low, high) = (0, 0, 0, 0, int.MaxValue, int.MinValue);
            var (first, last) = (int.MaxValue, int.MinValue);
            foreach (var (_, slots) in TopFirst)
            {
                ref var count = ref counts[row++];
                foreach (var (centre, width, unsure, confirmed) in Studs)
                {
                    var nearest = int.MaxValue;
                    foreach (var (from, to) in slots)
                    {
                        var (left, right) = (plate + (2 * from) - (2 * centre), plate + (2 * to) - (2 * centre));
                        nearest = Math.Min(nearest, left > 0 ? left : right < 0 ? -right : 0);
                    }

                    if (nearest <= width - (3 * Bolt) - (2 * unsure))
                    {
                        count++;
                        worst = Math.Max(worst, nearest);
                        (low, high) = (Math.Min(low, centre), Math.Max(high, centre));
                    }

                    if (nearest <= width - (3 * Bolt) - (confirmed ? 2 * unsure : 0))
                    {
                        (first, last) = (Math.Min(first, centre), Math.Max(last, centre));
                    }

                    if (nearest <= width)
                    {
                        all++;
                        worstAll = Math.Max(worstAll, nearest);
                    }
                }
            }

            var any = low <= high;
            bool Both(int from, int to) => from <= to && (Needs == 1 || (to > from && 3 * (to - from) >= Spans));
            return new(Both(low, high) ? 0 : 1, Both(first, last) ? 0 : 1, -counts[0], -counts[1], -counts[2], any ? 0 : -all, any ? worst : worstAll, Math.Abs(plate - (2 * Arms)));
        }

        private static Length In(int sixtyFourths) => Length.Tape(0, sixtyFourths, 64);
    }

    private readonly record struct Verdict(int Enough, int Met, int Top, int Second, int Third, int InWood, int Off, int Slide) : IComparable<Verdict>
    {
        public int CompareTo(Verdict other) =>
            (Enough, Met, Top, Second, Third, InWood, (Off, Slide)).CompareTo((other.Enough, other.Met, other.Top, other.Second, other.Third, other.InWood, (other.Off, other.Slide)));
    }
}
