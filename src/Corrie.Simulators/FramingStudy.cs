using Corrie.Core.Measure;
using Corrie.Core.Survey;

namespace Corrie.Simulators;

/// <summary>How well framing is found in walls whose truth is known, beside the naive rule.</summary>
public sealed record FramingStudy
{
    private static readonly Length Bolt = Length.Tape(0, 3, 8);
    private static readonly double Tolerance = 0.75 - (1.5 * Bolt.Inches);

    /// <summary>Walls.</summary>
    public int Walls { get; private set; }

    /// <summary>Members that stand in them.</summary>
    public int Members { get; private set; }

    /// <summary>Members reported as found or better.</summary>
    public int Reported { get; private set; }

    /// <summary>Of these, within 1/4 in of a true one.</summary>
    public int Right { get; private set; }

    /// <summary>Of these, with no true one within 1 in: false members.</summary>
    public int False { get; private set; }

    /// <summary>True members that were reported.</summary>
    public int Seen { get; private set; }

    /// <summary>Walls in which two studs were to be confirmed.</summary>
    public int Tries { get; private set; }

    /// <summary>Of these, in which both were.</summary>
    public int Done { get; private set; }

    /// <summary>Holes made in all tries.</summary>
    public int Holes { get; private set; }

    /// <summary>Confirmed studs whose true centre is farther off the mark than the bolt allows.</summary>
    public int Wrong { get; private set; }

    /// <summary>The naive rule: second marks that miss their member altogether.</summary>
    public int NaiveMissed { get; private set; }

    /// <summary>The naive rule: tries in which both marks are where a 3/8 in bolt needs them.</summary>
    public int NaiveRight { get; private set; }

    /// <summary>The naive rule: tries in which three holes at each mark (there, and 1/2 in to each side) all hit.</summary>
    public int NaiveHits { get; private set; }

    /// <summary>The naive rule: of these, marks that the holes certify for the bolt.</summary>
    public int NaiveCertified { get; private set; }

    /// <summary>The naive rule with sixteen inches taken from the first edge pair: tries.</summary>
    public int NaiveTries { get; private set; }

    /// <summary>Runs the study.</summary>
    /// <param name="walls">How many walls.</param>
    /// <param name="seed">Seed of the first wall.</param>
    public static FramingStudy Run(int walls, int seed)
    {
        var parts = Partition(walls, seed).AsParallel().Select(part =>
        {
            var study = new FramingStudy();
            foreach (var n in part)
            {
                study.Add(new HiddenWall(n));
            }

            return study;
        }).ToList();
        var all = new FramingStudy();
        foreach (var part in parts)
        {
            all.Walls += part.Walls;
            all.Members += part.Members;
            all.Reported += part.Reported;
            all.Right += part.Right;
            all.False += part.False;
            all.Seen += part.Seen;
            all.Tries += part.Tries;
            all.Done += part.Done;
            all.Holes += part.Holes;
            all.Wrong += part.Wrong;
            all.NaiveMissed += part.NaiveMissed;
            all.NaiveRight += part.NaiveRight;
            all.NaiveHits += part.NaiveHits;
            all.NaiveCertified += part.NaiveCertified;
            all.NaiveTries += part.NaiveTries;
        }

        return all;
    }

    /// <summary>The figures, a line each.</summary>
    public override string ToString() =>
        $"""
        {Walls} walls, {Members} members.
        Reported as found or better: {Reported}; within 1/4 in of a member: {Share(Right, Reported)}; false: {Share(False, Reported)}; members reported: {Share(Seen, Members)}.
        Two studs to confirm for a 3/8 in bolt: {Tries} tries, done in {Share(Done, Tries)}, {(double)Holes / Math.Max(1, Tries):0.00} holes each; confirmed wrongly: {Wrong} of {2 * Done}.
        Naive rule, first edge pair and 16 in on: {NaiveTries} tries, second mark misses its member in {Share(NaiveMissed, NaiveTries)}, both marks good for the bolt in {Share(NaiveRight, NaiveTries)};
        with six holes all hit in {Share(NaiveHits, NaiveTries)}, and that certifies the bolt in {Share(NaiveCertified, NaiveTries)}.
        """;

    private static string Share(int some, int all) => all == 0 ? "none" : (100d * some / all).ToString("0.00", System.Globalization.CultureInfo.InvariantCulture) + " %";

    private static IEnumerable<List<int>> Partition(int walls, int seed) =>
        Enumerable.Range(0, walls).Select(i => seed + i).Chunk(100).Select(c => c.ToList());

    private void Add(HiddenWall wall)
    {
        Walls++;
        Members += wall.Truth.Count;
        var prospector = new Prospector(wall, Bolt);
        prospector.Sweep();
        var found = prospector.Studs().Where(s => s.State >= StudState.Found).ToList();
        Reported += found.Count;
        Right += found.Count(s => Off(wall, s.Centre.Inches) <= 0.25);
        False += found.Count(s => Off(wall, s.Centre.Inches) > 1);
        Seen += wall.Truth.Count(m => found.Any(s => Math.Abs(s.Centre.Inches - m.Centre) <= 0.25));

        if (Pair(found, wall) is var (near, other))
        {
            Tries++;
            var studs = prospector.Confirm([near.Centre, other.Centre]);
            Holes += prospector.Holes;
            Done += studs.All(s => s is not null) ? 1 : 0;
            Wrong += studs.Count(s => s is not null && Off(wall, s.Centre.Inches) > Tolerance + 1e-6);
        }

        Naive(wall);
    }

    /// <summary>The two studs nearest to a wall's middle that a plate can reach together; null where there are none.</summary>
    public static (Stud First, Stud Second)? Pair(IReadOnlyList<Stud> studs, HiddenWall wall)
    {
        double Away(Stud s) => Math.Abs(s.Centre.Inches - (wall.Width / 2));
        var near = studs.MinBy(Away);
        var other = near is null ? null : studs.Where(s => (s.Centre - near.Centre).Abs.Inches is > 10 and < 26).MinBy(Away);
        return near is null || other is null ? null : (near, other);
    }

    // Scan to the first edge pair right of the plate's left end, mark its middle, and go 16 in on with the tape.
    private void Naive(HiddenWall wall)
    {
        var first = wall.Sweep(Prospector.Heights[0]).FirstOrDefault(p => p.Left > (wall.Width / 2) - 16);
        if (first == default || wall.Spacing != 16)
        {
            return;
        }

        NaiveTries++;
        double[] marks = [(first.Left + first.Right) / 2, ((first.Left + first.Right) / 2) + 16];
        NaiveMissed += wall.Truth.Any(m => m.Covers(marks[1])) ? 0 : 1;
        NaiveRight += marks.All(m => Off(wall, m) <= Tolerance) ? 1 : 0;
        NaiveHits += marks.All(m => wall.Probe(m) && wall.Probe(m - 0.5) && wall.Probe(m + 0.5)) ? 1 : 0;
        var certifier = new Prospector(wall, Bolt);
        foreach (var x in marks.SelectMany(m => new[] { m - 0.5, m, m + 0.5 }))
        {
            certifier.Probe(x);
        }

        NaiveCertified += certifier.Survey().Wall.Studs.Count(s => s.State == StudState.Confirmed) >= 2 ? 1 : 0;
    }

    private static double Off(HiddenWall wall, double x) => wall.Truth.Min(m => Math.Abs(m.Centre - x));
}
