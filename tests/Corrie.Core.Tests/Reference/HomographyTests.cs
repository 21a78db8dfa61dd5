using Corrie.Core.Measure;
using Corrie.Core.Survey;

namespace Corrie.Core.Tests.Reference;

/// <summary>A wall seen by a pinhole camera that is computed here, from the camera's side; the code under test knows points alone.</summary>
public class HomographyTests
{
    // Corners of something 66 by 40 in, and a fifth point inside.
    private static readonly (double X, double Y)[] Wall = [(20, 30), (86, 30), (86, 70), (20, 70), (50, 55)];

    // Turned 24 degrees aside and 17 up, 3,000 pixels wide: the four points span 1,450 to 1,600 of them.
    private static (double X, double Y) Camera(double across, double up)
    {
        const double Yaw = 24 * Math.PI / 180, Pitch = 17 * Math.PI / 180, Focal = 2800, Away = 118;
        var (x, y) = (across - 53, up - 50);
        var (x1, z1) = ((x * Math.Cos(Yaw)), (x * Math.Sin(Yaw)));
        var (y2, z2) = ((y * Math.Cos(Pitch)) - (z1 * Math.Sin(Pitch)), (y * Math.Sin(Pitch)) + (z1 * Math.Cos(Pitch)));
        return (1500 + (Focal * x1 / (Away + z2)), 1000 - (Focal * y2 / (Away + z2)));
    }

    private static List<PointPair> Points(int count, Func<double>? noise = null) =>
        [.. Wall.Take(count).Select((w, i) => Camera(w.X, w.Y) is var (x, y) ? new PointPair($"{i + 1}", x + (noise?.Invoke() ?? 0), y + (noise?.Invoke() ?? 0), w.X, w.Y) : default)];

    // Lengths inside the four points, from end to end on the picture: along, up, aslant.
    private static IEnumerable<double> Errors(Homography toWall) =>
        from ends in new[] { ((30.0, 40.0), (76.0, 40.0)), ((53, 35), (53, 66)), ((25, 33), (80, 66)), ((60, 50), (80, 50)) }
        let a = Camera(ends.Item1.Item1, ends.Item1.Item2)
        let b = Camera(ends.Item2.Item1, ends.Item2.Item2)
        let p = toWall.Map(a.X, a.Y)
        let q = toWall.Map(b.X, b.Y)
        let real = Math.Sqrt(Math.Pow(ends.Item1.Item1 - ends.Item2.Item1, 2) + Math.Pow(ends.Item1.Item2 - ends.Item2.Item2, 2))
        select Math.Abs((Math.Sqrt(Math.Pow(p.X - q.X, 2) + Math.Pow(p.Y - q.Y, 2)) / real) - 1);

    [Fact]
    public void Four_points_give_lengths_inside_them()
    {
        var span = Points(4).Max(p => p.X) - Points(4).Min(p => p.X);
        Assert.InRange(span, 1400, 1600);
        Assert.All(Errors(Homography.Fit(Points(4)).ToWall!), e => Assert.InRange(e, 0, 1e-9));
    }

    [Fact]
    public void A_pixel_of_noise_is_within_a_percent_in_95_of_100()
    {
        var good = Enumerable.Range(0, 1000).Count(seed =>
        {
            var random = new Random(seed);
            // A pixel of deviation either way: Box and Muller.
            double Noise() => Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());
            return Errors(Homography.Fit(Points(4, Noise)).ToWall!).Max() < .01;
        });
        Assert.InRange(good, 950, 1000);
    }

    [Fact]
    public void A_fifth_point_tells_whether_the_four_are_right()
    {
        Assert.InRange(Homography.Fit(Points(4)).ToWall!.Off(Points(5)[4]), 0, 1e-9);
        // The third point was typed an inch too high: the fifth does not fit any more.
        var wrong = Points(4);
        wrong[2] = wrong[2] with { Up = 71 };
        Assert.InRange(Homography.Fit(wrong).ToWall!.Off(Points(5)[4]), .1, 1);
        var all = Points(5);
        all[2] = all[2] with { Up = 71 };
        Assert.Contains(all, p => Homography.Fit(all).ToWall!.Off(p) > .05);
    }

    [Fact]
    public void There_and_back_is_where_one_was()
    {
        var there = Homography.Fit(Points(4)).ToWall!;
        var (x, y) = there.Map(1234, 987);
        var (u, v) = there.Inverse.Map(x, y);
        Assert.Equal((1234, 987), (Math.Round(u, 6), Math.Round(v, 6)));
    }

    [Theory]
    [InlineData("0 1 2", "3 points are set; it takes four")]
    [InlineData("0 0 1 2", "Points 1 and 1 are in one place on the picture")]
    [InlineData("0 1 2 r", "Points 1, 2 and r are in a row on the picture: the four are to be the corners of something")]
    [InlineData("0 1 2 w", "Points 1, 2 and w are in a row on the wall")]
    [InlineData("0 x y 3", "are crossed: round them it goes one way on the picture and the other way on the wall. Two of them are exchanged")]
    public void What_does_not_say_it_is_refused_in_words(string which, string says)
    {
        var points = Points(4);
        var special = new Dictionary<string, PointPair>
        {
            // Between the first two, on both or on the wall alone.
            ["r"] = Camera(53, 30) is var (x, y) ? new("r", x, y, 53, 30) : default,
            ["w"] = points[3] with { Name = "w", Across = 53, Up = 30 },
            ["x"] = points[1] with { X = points[2].X, Y = points[2].Y },
            ["y"] = points[2] with { X = points[1].X, Y = points[1].Y },
        };
        var (found, problem) = Homography.Fit([.. which.Split(' ').Select(w => special.TryGetValue(w, out var p) ? p : points[int.Parse(w)])]);
        Assert.Null(found);
        Assert.Contains(says, problem!.Say(LengthStyle.Inches));
    }
}
