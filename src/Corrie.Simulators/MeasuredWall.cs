using Corrie.Core.Measure;
using Corrie.Core.Survey;

namespace Corrie.Simulators;

/// <summary>A wall whose true positions are known, measured by a simulated tape: the same seed gives the same wall and the same slips.</summary>
/// <param name="Truth">True position of each point, in inches from the origin.</param>
/// <param name="Readings">Its readings, with noise.</param>
public sealed record MeasuredWall(IReadOnlyList<double> Truth, IReadOnlyList<MeasuredReading> Readings)
{
    /// <summary>Measures a random wall.</summary>
    /// <param name="seed">Seed.</param>
    public static MeasuredWall Of(int seed)
    {
        var random = new Random(seed);
        var points = random.Next(4, 9);
        double[] truth = [0, .. Enumerable.Range(0, points).Select(_ => 5 + (random.NextDouble() * 150)).Order()];
        var pairs = new List<(int From, int To)>();
        // Everything hangs on something that hangs on the corner; then some more readings, anywhere.
        for (var i = 1; i <= points; i++)
        {
            pairs.Add((random.Next(i), i));
        }

        for (var extra = random.Next(3, points + 4); extra > 0; extra--)
        {
            var (a, b) = (random.Next(points + 1), random.Next(points + 1));
            pairs.Add(a == b ? (0, points) : (Math.Min(a, b), Math.Max(a, b)));
        }

        return new(truth, [.. pairs.Select((p, i) =>
        {
            var deviation = random.Next(5) == 0 ? Length.Tape(0, 1, 8) : Length.Tape(0, 1, 32);
            var value = truth[p.To] - truth[p.From] + (Gauss(random) * deviation.Inches);
            return new MeasuredReading($"r{i:00}", Name(p.From), Name(p.To), Length.FromInches(value), deviation, "tape");
        })]);
    }

    /// <summary>The same wall with a slip of the tape in one reading.</summary>
    public MeasuredWall WithSlip(int reading, Length slip) =>
        this with { Readings = [.. Readings.Select((r, i) => i == reading ? r with { Value = r.Value + slip } : r)] };

    /// <summary>The wall's readings, solved.</summary>
    public AdjustedNetwork Solve() => Network.Solve(Readings, p => p == Datum.LeftCorner ? [] : [(p, 1d)]);

    /// <summary>Name of a point.</summary>
    public static string Name(int point) => point == 0 ? Datum.LeftCorner : $"p{point}";

    // Box and Muller's way from two even numbers to a normal one.
    private static double Gauss(Random random) =>
        Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());
}

/// <summary>How well slips of the tape are found and located.</summary>
/// <param name="Walls">Walls with one slip each that the geometry makes detectable.</param>
/// <param name="Found">Of these, how many gave a finding.</param>
/// <param name="Apart">Of the found ones, how many slips are told from every other reading by the geometry (correlation of tests below 0.8).</param>
/// <param name="Located">Of these, how many were named, alone.</param>
/// <param name="FalseAlarms">Share of walls without a slip that gave a finding.</param>
/// <param name="Checked">Readings that something checks, in the walls without a slip.</param>
public sealed record ReadingStudy(int Walls, int Found, int Apart, int Located, double FalseAlarms, int Checked)
{
    /// <summary>Size of a slip over its deviation, times the root of its redundancy share, from which it can be found (Baarda's lower bound).</summary>
    public const double Detectable = 4.65;

    /// <summary>Runs the study.</summary>
    /// <param name="walls">How many walls.</param>
    /// <param name="seed">Seed of the first wall.</param>
    public static ReadingStudy Run(int walls, int seed)
    {
        var (found, apart, located, alarms, looked, done) = (0, 0, 0, 0, 0, 0);
        for (var n = 0; done < walls; n++)
        {
            var wall = MeasuredWall.Of(seed + n);
            var sound = wall.Solve();
            looked += sound.Readings.Count(r => r.Share > 1e-6);
            alarms += sound.Readings.Any(r => Math.Abs(r.Normalised) > Network.Limit) ? 1 : 0;

            var random = new Random(seed + n);
            var candidates = sound.Readings.Select((r, i) => (r, i)).Where(p => p.r.Share > 0.05).ToList();
            var (victim, index) = candidates[random.Next(candidates.Count)];
            // Just detectable and up to three times that, to either side.
            var size = Detectable * (1 + (2 * random.NextDouble())) * victim.Reading.Deviation.Inches / Math.Sqrt(victim.Share);
            var slipped = wall.WithSlip(index, Length.FromInches(random.Next(2) == 0 ? size : -size)).Solve();
            done++;
            var worst = slipped.Readings.FirstOrDefault(r => r.Suspects.Count > 0);
            if (worst is null)
            {
                continue;
            }

            found++;
            if (Strongest(wall, index) < 0.8)
            {
                apart++;
                located += worst.Suspects.Count == 1 && worst.Reading.Id == victim.Reading.Id ? 1 : 0;
            }
        }

        return new(walls, found, apart, located, alarms / (double)walls, looked);
    }

    // The strongest correlation of a reading's test with another's, from the residuals that a unit slip leaves everywhere.
    private static double Strongest(MeasuredWall wall, int index)
    {
        var still = wall.Solve();
        var unit = Length.Tape(10);
        var slipped = wall.WithSlip(index, unit).Solve();
        var mine = slipped.Readings[index].Normalised - still.Readings[index].Normalised;
        return slipped.Readings.Select((r, j) => j == index ? 0 : Math.Abs((r.Normalised - still.Readings[j].Normalised) / mine)).Max();
    }
}
