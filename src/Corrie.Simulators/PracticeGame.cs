using System.Globalization;
using Corrie.Core.Findings;
using Corrie.Core.Fixing;
using Corrie.Core.Format;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Simulators;

/// <summary>One thing that an apprentice did: a sweep at a height, a magnet or a bit at a place.</summary>
/// <param name="Tool">s, m or p.</param>
/// <param name="At">Height of a sweep in inches; place of a magnet or a bit in 1/640 mm.</param>
public readonly record struct PracticeMove(char Tool, long At)
{
    /// <summary>Reads moves as an address carries them, such as <c>s34;m1234567;p1240000</c>; what is not one is left out.</summary>
    public static IReadOnlyList<PracticeMove> Read(string? text) =>
    [
        .. (text ?? string.Empty).Split(';', StringSplitOptions.RemoveEmptyEntries).Take(200)
            .Where(m => m[0] is 's' or 'm' or 'p' && long.TryParse(m.AsSpan(1), NumberStyles.None, CultureInfo.InvariantCulture, out var at) && at < 100_000_000)
            .Select(m => new PracticeMove(m[0], long.Parse(m.AsSpan(1), CultureInfo.InvariantCulture))),
    ];

    /// <inheritdoc/>
    public override string ToString() => Tool + At.ToString(CultureInfo.InvariantCulture);
}

/// <summary>
/// A hidden wall to practise on: find and confirm two studs that a plate can reach together, for a 3/8 in bolt, with as few holes as possible.
/// The whole game follows from the wall's number and what was done, so that an address is all that has to be kept.
/// </summary>
public sealed class PracticeGame
{
    private readonly Prospector prospector;
    private readonly Lazy<Prospector> planner;

    /// <summary>Plays moves on a wall.</summary>
    /// <param name="number">The wall's number.</param>
    /// <param name="moves">What was done.</param>
    public PracticeGame(int number, IReadOnlyList<PracticeMove> moves)
    {
        Number = number;
        Moves = moves;
        Wall = new(number);
        prospector = new(Wall, Bolt);
        foreach (var move in moves)
        {
            var x = Length.FromUnits(move.At).Inches;
            Said = move.Tool switch
            {
                's' => Phrase.Of($"The scanner shows {prospector.Sweep((int)Math.Min(move.At, 96)).Count} members, {Length.Tape(Math.Min(move.At, 96))} up."),
                'm' => prospector.Magnet(x, 40) ? Phrase.Of($"The magnet holds near {Length.FromUnits(move.At)}.") : Phrase.Of($"No screw near {Length.FromUnits(move.At)}."),
                _ => Phrase.Of($"The bit {Words(prospector.Probe(x))} at {Length.FromUnits(move.At):fine}."),
            };
        }

        var head = new JobHead(string.Empty, "Practice wall", string.Empty, UnitSystem.Inches);
        var wall = new WallSheet(WallId, string.Empty, new Place(null, string.Empty, UnitSystem.Inches).To("walls").To(WallId), new Dictionary<Part, object?>())
            .With(WallForm.Wall, prospector.Sheet())
            .With(WallForm.SetOut, new SetOutChoice(Datum.LeftCorner, Datum.Floor));
        Plan = Planner.Plan(new(head, Policy.Usual with { UsualBolt = Bolt }, [wall], []));
        planner = new(() =>
        {
            var own = new Prospector(Wall, Bolt);
            own.Sweep();
            if (FramingStudy.Pair([.. own.Studs().Where(s => s.State >= StudState.Found)], Wall) is var (first, second))
            {
                own.Confirm([first.Centre, second.Centre]);
            }

            return own;
        });
    }

    /// <summary>Key of the wall in the plan.</summary>
    public const string WallId = "w1";

    /// <summary>The bolt that the studs are to hold.</summary>
    public static Length Bolt { get; } = Length.Tape(0, 3, 8);

    /// <summary>The wall's number.</summary>
    public int Number { get; }

    /// <summary>What was done.</summary>
    public IReadOnlyList<PracticeMove> Moves { get; }

    /// <summary>The wall, which an apprentice does not see before the end.</summary>
    public HiddenWall Wall { get; }

    /// <summary>What the evidence so far makes of it.</summary>
    public JobPlan Plan { get; }

    /// <summary>The studs as far as they are known, for the bolt.</summary>
    public IReadOnlyList<Stud> Studs => Plan.Survey(WallId)!.For(Bolt).Studs;

    /// <summary>What the last tool said.</summary>
    public Phrase? Said { get; }

    /// <summary>Holes made.</summary>
    public int Holes => prospector.Holes;

    /// <summary>The two confirmed studs that a plate can reach together; null until there are two.</summary>
    public (Stud First, Stud Second)? Confirmed => FramingStudy.Pair([.. Studs.Where(s => s.State == StudState.Confirmed)], Wall);

    /// <summary>The planner's own probes on the same wall.</summary>
    public IReadOnlyList<(Probe Probe, Met Met)> PlannersProbes => planner.Value.Chosen;

    /// <summary>Probes that the planner knows of.</summary>
    public IReadOnlyList<Probe> Probes => Plan.Probes(WallId);

    /// <summary>The next probe that the planner would make, from what is known so far; null where it has none.</summary>
    public Probe? Hint => Probes.Count == 0 ? null
        : FramingStudy.Pair([.. Studs.Where(s => s.State >= StudState.Found)], Wall) is var (first, second)
            ? Probes.FirstOrDefault(p => p.For == first.Id || p.For == second.Id)
            : Probes[0];

    /// <summary>
    /// The score: 100 for two studs confirmed with no more holes than the planner, 10 less for each hole more, 50 at most for one stud; nothing
    /// for none.
    /// </summary>
    public int Score
    {
        get
        {
            var studs = Confirmed is null ? Studs.Any(s => s.State == StudState.Confirmed) ? 1 : 0 : 2;
            return Math.Max(0, (50 * studs) - (10 * Math.Max(0, Holes - PlannersProbes.Count)));
        }
    }

    /// <summary>What a bit did, after 'the bit'.</summary>
    /// <param name="met">What it met.</param>
    /// <returns>The words.</returns>
    public static string Words(Met met) => met switch
    {
        Met.Bites => "goes on biting",
        Met.Chips => "brings metal chips and falls through",
        Met.Stops => "stops short",
        _ => "falls through",
    };

    /// <summary>The first wall from a number on that the planner can solve.</summary>
    public static int Solvable(int from)
    {
        for (var n = Math.Clamp(from, 1, 999_000); ; n++)
        {
            var own = new Prospector(new(n), Bolt);
            own.Sweep();
            if (FramingStudy.Pair([.. own.Studs().Where(s => s.State >= StudState.Found)], new(n)) is not null)
            {
                return n;
            }
        }
    }
}
