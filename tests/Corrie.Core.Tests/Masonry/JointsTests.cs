using Corrie.Core.Masonry;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using NetTopologySuite.Geometries;

namespace Corrie.Core.Tests.Masonry;

/// <summary>The least shift that clears joints, beside every shift there is on a grid of 1/64 in; traced stones beside polygons of NetTopologySuite.</summary>
public class JointsTests
{
    private const int Grid = 64;
    private static readonly GeometryFactory Geometry = new();

    [Fact]
    public void The_least_shift_is_the_least()
    {
        var random = new Random(614);
        var (asTheyAre, up, aside, none) = (0, 0, 0, 0);
        for (var n = 0; n < 2000; n++)
        {
            int Of(int from, int to) => random.Next(from, to + 1);
            // In 64ths: courses of 2 to 8 in, joints of 1/4 to 3/4 in, units of 6 to 16 in.
            var (course, joint, unit, edge) = (Of(128, 512), 2 * Of(8, 24), Of(0, 4) == 0 ? 0 : Of(384, 1024), Of(8, 60));
            var (bed, head, offset) = (Of(0, 300), Of(0, 500), Of(0, 512));
            (int X, int Y)[] holes = [.. Enumerable.Range(0, Of(1, 4)).Select(_ => (Of(2000, 3500), Of(2500, 3100)))];
            var (left, right, most) = (-Of(0, 64), Of(0, 64), Of(32, 192));
            // By what a joint is: a stripe of its thickness round its middle, and nothing nearer to it than the edge distance.
            bool Sound(int x, int y)
            {
                var k = (int)Math.Floor((y - bed) / (double)course);
                var (under, over) = (y - bed - (k * course), bed + ((k + 1) * course) - y);
                if (Math.Min(under, over) < (joint / 2) + edge)
                {
                    return false;
                }

                var past = unit == 0 ? 0 : (((x - head - (k * offset)) % unit) + unit) % unit;
                return unit == 0 || Math.Min(past, unit - past) >= (joint / 2) + edge;
            }

            (int Right, int Up)? least = null;
            foreach (var dx in Enumerable.Range(left, right - left + 1).OrderBy(Math.Abs).ThenBy(x => x))
            {
                var best = Enumerable.Range(-most, (2 * most) + 1).Where(dy => holes.All(h => Sound(h.X + dx, h.Y + dy))).Select(dy => (int?)dy).MinBy(dy => Math.Abs(dy!.Value));
                if (best is { } dy)
                {
                    least = (dx, dy);
                    break;
                }
            }

            var face = SoundFace.Of(new(new(In(course), In(joint), In(bed), unit == 0 ? null : In(unit), In(head), In(offset)), new([]), null, null, new([]), Corrie.Core.Format.Place.Nowhere), In(edge))!;
            var found = JointShift.Least(face, [.. holes.Select(h => (In(h.X), In(h.Y)))], (In(left), In(right)), In(most));
            Assert.Equal(least is { } l ? (Math.Abs(l.Right), Math.Abs(l.Up)) : null, found is { } f ? (Of64(f.Right.Abs), Of64(f.Up.Abs)) : ((int, int)?)null);
            _ = least switch { null => none++, (0, 0) => asTheyAre++, (0, _) => up++, _ => aside++ };
        }

        Assert.True(asTheyAre > 20 && up > 200 && aside > 50 && none > 200, $"{asTheyAre}, {up}, {aside}, {none}");
    }

    [Fact]
    public void A_hole_in_a_traced_stone_keeps_its_distance_from_the_outline()
    {
        var random = new Random(27);
        var (sound, shifted) = (0, 0);
        for (var n = 0; n < 300; n++)
        {
            // Stones round the nodes of a wide grid, each with 5 to 9 corners at random distances; many are hollow at a side.
            var stones = Enumerable.Range(0, 4).SelectMany(i => Enumerable.Range(0, 3).Select(j => Stone(random, 60 + (i * 6), 40 + (j * 6)))).ToList();
            var polygons = stones.Select(s => Geometry.CreatePolygon([.. s.Append(s[0]).Select(c => new Coordinate(c.X, c.Y))])).ToList();
            var edge = 0.25 + (random.Next(8) / 16.0);
            var face = new TracedFace([.. stones.Select((s, i) => new TracedUnit($"u{i}", new([.. s.Select(c => (Inch(c.X), Inch(c.Y)))])))], Inch(edge));
            bool Sound(double x, double y) => polygons.Any(p => p.Contains(new Point(x, y)) && p.ExteriorRing.Distance(new Point(x, y)) >= edge - 1e-3);
            bool Clearly(double x, double y) => polygons.Any(p => p.Contains(new Point(x, y)) && p.ExteriorRing.Distance(new Point(x, y)) >= edge + 1e-3);
            for (var k = 0; k < 40; k++)
            {
                var (x, y) = (58 + (random.NextDouble() * 24), 38 + (random.NextDouble() * 16));
                var says = face.Sound(Inch(x), Inch(y));
                Assert.True(says ? Sound(x, y) : !Clearly(x, y), $"{x}, {y}: {says}");
                sound += says ? 1 : 0;
            }

            (double X, double Y)[] holes = [(61, 43), (61 + (random.Next(64) / 8.0), 44 + (random.Next(16) / 8.0))];
            var least = JointShift.Least(face, [.. holes.Select(h => (Inch(h.X), Inch(h.Y)))], (Inch(-1), Inch(1)), Inch(3));
            var grid = from dx in Enumerable.Range(-16, 33).OrderBy(Math.Abs)
                       from dy in Enumerable.Range(-48, 97).OrderBy(Math.Abs)
                       where holes.All(h => Clearly(h.X + (dx / 16.0), h.Y + (dy / 16.0)))
                       select (Right: Math.Abs(dx) / 16.0, Up: Math.Abs(dy) / 16.0);
            if (n < 25 && grid.Select(g => ((double, double)?)g).FirstOrDefault() is var (right, up))
            {
                // A stretch that is narrower than the grid may be met sooner, never later.
                Assert.True(least is { } l && (l.Right.Abs.Inches < right - 1e-6 || (Math.Abs(l.Right.Abs.Inches - right) < 1e-6 && l.Up.Abs.Inches <= up + 1e-6)), $"{least} against {right}, {up}");
                Assert.All(holes, h => Assert.True(Sound(h.X + least!.Value.Right.Inches, h.Y + least.Value.Up.Inches)));
                shifted++;
            }
        }

        Assert.True(sound > 500 && shifted > 8, $"{sound}, {shifted}");
    }

    private static List<(double X, double Y)> Stone(Random random, double x, double y)
    {
        var corners = random.Next(5, 10);
        return [.. Enumerable.Range(0, corners).Select(i => (Angle: 2 * Math.PI * i / corners, Away: 1.6 + (random.NextDouble() * 1.3))).Select(c => (x + (c.Away * Math.Cos(c.Angle)), y + (c.Away * Math.Sin(c.Angle))))];
    }

    private static Length In(int grid) => Length.Tape(0, grid, Grid);

    private static int Of64(Length length) => (int)(length.Units * Grid / Length.PerInch);

    private static Length Inch(double inches) => Length.FromInches(inches);
}
