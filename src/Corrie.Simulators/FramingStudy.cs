using System.Globalization;
using Corrie.Core.Findings;
using Corrie.Core.Measure;
using Corrie.Core.Survey;

namespace Corrie.Simulators;

/// <summary>How one hidden wall came out.</summary>
public sealed record FramedWall
{
    /// <summary>Members that stand in it.</summary>
    public int Members { get; init; }

    /// <summary>Members reported as found or better, after the sweeps (with a biased scanner: once two members are bracketed).</summary>
    public int Reported { get; init; }

    /// <summary>Of these, within 1/4 in of a true one.</summary>
    public int Right { get; init; }

    /// <summary>Of these, with no true one within 1 in: false members.</summary>
    public int False { get; init; }

    /// <summary>True members that were reported.</summary>
    public int Seen { get; init; }

    /// <summary>Whether two studs were to be confirmed.</summary>
    public bool Tried { get; init; }

    /// <summary>Of these two, how many were.</summary>
    public int Confirmed { get; init; }

    /// <summary>Holes made for it.</summary>
    public int Holes { get; init; }

    /// <summary>Confirmed studs whose true centre is farther off the mark than the bolt allows.</summary>
    public int Wrong { get; init; }

    /// <summary>Whether a probe was read wrongly on the way.</summary>
    public bool Misread { get; init; }

    /// <summary>Whether a contradiction was named at the end.</summary>
    public bool Named { get; init; }

    /// <summary>
    /// Whether the spacing is named for what it is: not questioned where it is told rightly, the true one named where not. Null where fewer
    /// than four members are known that stand alone, which no spacing follows from.
    /// </summary>
    public bool? SpacingRight { get; init; }

    /// <summary>The naive rule, where it was tried; null elsewhere.</summary>
    public NaiveRule? Naive { get; init; }
}

/// <summary>What comes of scanning to the first edge pair, marking its middle and going 16 in on.</summary>
/// <param name="Missed">Whether the second mark misses its member altogether.</param>
/// <param name="Right">Whether both marks are where the bolt needs them.</param>
/// <param name="Hits">Whether three holes at each mark (there, and 1/2 in to each side) all hit.</param>
/// <param name="Certified">Whether these holes certify two marks for the bolt.</param>
public sealed record NaiveRule(bool Missed, bool Right, bool Hits, bool Certified);

/// <summary>How well framing is found in walls whose truth is known, beside the naive rule.</summary>
/// <param name="Kind">What kind of walls, and with what they were searched.</param>
/// <param name="All">The walls, one by one.</param>
public sealed record FramingStudy(HiddenKind Kind, IReadOnlyList<FramedWall> All)
{
    /// <summary>All kinds that the study goes through.</summary>
    public static IReadOnlyList<(string Name, HiddenKind Kind)> Kinds { get; } =
    [
        ("ordinary", HiddenKind.Usual),
        ("metal strips", new(WallSort.Strips)),
        ("pipes", new(WallSort.Pipes)),
        ("doubled with gaps", new(WallSort.Gaps)),
        ("19.2 in, told 16", new(WallSort.NineteenTwo)),
        ("old house, told 16", new(WallSort.OldHouse)),
        ("steel", new(WallSort.Steel)),
        ("plaster on laths", new(WallSort.Laths)),
        ("scanner 3/8 in off", new(WallSort.Ordinary, ScannerSort.Biased)),
        ("scanner half silent", new(WallSort.Ordinary, ScannerSort.Silent)),
        ("scanner of centres", new(WallSort.Ordinary, ScannerSort.CentreOnly)),
        ("a probe in 20 wrong", new(WallSort.Ordinary, Misread: 0.05)),
    ];

    /// <summary>The bolt that studs are confirmed for: 3/8 in, and a 1/4 in toggle in steel.</summary>
    public Length Bolt => BoltFor(Kind);

    /// <summary>Walls in which two studs were to be confirmed.</summary>
    public int Tries => All.Count(w => w.Tried);

    /// <summary>Of these, in which both were.</summary>
    public int Done => All.Count(w => w.Confirmed == 2);

    /// <summary>Studs that were confirmed.</summary>
    public int Confirmed => All.Sum(w => w.Confirmed);

    /// <summary>Of these, wrongly.</summary>
    public int Wrong => All.Sum(w => w.Wrong);

    /// <summary>Members reported as found or better.</summary>
    public int Reported => All.Sum(w => w.Reported);

    /// <summary>Share of the reported ones that are within 1/4 in of a true one.</summary>
    public double Right => Of(All.Sum(w => w.Right), Reported);

    /// <summary>Share of the reported ones that are no member at all.</summary>
    public double False => Of(All.Sum(w => w.False), Reported);

    /// <summary>Share of the true members that were reported.</summary>
    public double Seen => Of(All.Sum(w => w.Seen), All.Sum(w => w.Members));

    /// <summary>Of the walls in which a probe was misread and two studs were not confirmed, the share in which it was said what contradicts what.</summary>
    public double Named => Of(All.Count(w => w is { Misread: true, Confirmed: < 2, Named: true }), All.Count(w => w is { Misread: true, Confirmed: < 2 }));

    /// <summary>Holes made for a wall's two studs, on average.</summary>
    public double Holes => Of(All.Sum(w => w.Holes), Tries);

    /// <summary>Share of walls whose spacing is named for what it is.</summary>
    public double SpacingRight => Of(All.Count(w => w.SpacingRight == true), All.Count(w => w.SpacingRight is not null));

    /// <summary>The naive rule, where it was tried.</summary>
    public IReadOnlyList<NaiveRule> Naive => [.. All.Where(w => w.Naive is not null).Select(w => w.Naive!)];

    /// <summary>Runs the study.</summary>
    /// <param name="kind">What kind of walls.</param>
    /// <param name="walls">How many.</param>
    /// <param name="seed">Seed of the first wall.</param>
    public static FramingStudy Run(HiddenKind kind, int walls, int seed) =>
        new(kind, [.. Enumerable.Range(seed, walls).AsParallel().AsOrdered().Select(n => Play(new(n, kind: kind)))]);

    /// <summary>The figures, a line of a table.</summary>
    /// <param name="name">What the kind is called.</param>
    public string Line(string name) =>
        $"| {name} | {All.Count} | {Percent(Right)} | {Percent(False)} | {Percent(Seen)} | {Tries} | {Percent(Of(Done, Tries))} | {Holes.ToString("0.00", CultureInfo.InvariantCulture)} | {Wrong} of {Confirmed} | {Percent(SpacingRight)} |";

    /// <inheritdoc/>
    public override string ToString() => Line(Kind.ToString());

    private static double Of(double some, double all) => all == 0 ? 0 : some / all;

    private static string Percent(double share) => (100 * share).ToString("0.00", CultureInfo.InvariantCulture) + " %";

    private static Length BoltFor(HiddenKind kind) => kind.Sort == WallSort.Steel ? Length.Tape(0, 1, 4) : Length.Tape(0, 3, 8);

    private static FramedWall Play(HiddenWall wall)
    {
        var prospector = new Prospector(wall, BoltFor(wall.Kind));
        prospector.Sweep();
        var found = prospector.Studs().Where(s => s.State >= StudState.Found).ToList();
        var outcome = new FramedWall
        {
            Members = wall.Truth.Count,
            SpacingRight = found.Count(s => found.All(o => o == s || (o.Centre - s.Centre).Abs > Length.Tape(2, 1, 2))) < 4 ? null : Names(wall, prospector),
            Naive = wall.Kind == HiddenKind.Usual ? TryNaive(wall) : null,
        };
        if (wall.Kind.Scanner != ScannerSort.Biased)
        {
            outcome = Counted(outcome, wall, found);
        }

        // Where the scanner is too rough to find any, what it makes one suspect has to do.
        if ((Pair(found, wall) ?? Pair(prospector.Studs(), wall)) is var (near, other))
        {
            var studs = prospector.Confirm([near.Centre, other.Centre]).OfType<Stud>().ToList();
            outcome = outcome with
            {
                Tried = true,
                Holes = prospector.Holes,
                Confirmed = studs.Count,
                Wrong = studs.Count(s => IsWrong(wall, s)),
                Misread = prospector.Misread,
                Named = prospector.Findings().Any(f => f.Code is "survey.evidence-contradicts" or "survey.no-member-fits" or "survey.scanner-disputed" or "survey.false-reading"),
            };
            if (wall.Kind.Scanner == ScannerSort.Biased && prospector.Bracket(near.Centre) && prospector.Bracket(other.Centre))
            {
                outcome = Counted(outcome, wall, [.. prospector.Studs().Where(s => s.State >= StudState.Found)]);
            }
        }

        return outcome;
    }

    private static FramedWall Counted(FramedWall outcome, HiddenWall wall, IReadOnlyList<Stud> found) => outcome with
    {
        Reported = found.Count,
        Right = found.Count(s => Off(wall, s.Centre.Inches) <= 0.25),
        False = found.Count(s => Off(wall, s.Centre.Inches) > 1),
        Seen = wall.Truth.Count(m => found.Any(s => Math.Abs(s.Centre.Inches - m.Centre) <= 0.25)),
    };

    // Told rightly, nothing may be said; told wrongly, what it is.
    private static bool Names(HiddenWall wall, Prospector prospector)
    {
        var said = prospector.Findings().Where(f => f.Code == "survey.spacing-broken").Select(f => f.Message.Say(LengthStyle.Inches)).ToList();
        return wall.TrueSpacing switch
        {
            19.2 => said.Any(s => s.Contains("19.2 in", StringComparison.Ordinal)),
            0 => said.Any(s => s.Contains("no module", StringComparison.Ordinal)),
            _ => said.Count == 0,
        };
    }

    private static bool IsWrong(HiddenWall wall, Stud stud)
    {
        var member = wall.Truth.MinBy(m => Math.Abs(m.Centre - stud.Centre.Inches));
        return Math.Abs(member.Centre - stud.Centre.Inches) > (member.Width / 2) - (1.5 * BoltFor(wall.Kind).Inches) + 1e-6;
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
    private static NaiveRule? TryNaive(HiddenWall wall)
    {
        var first = wall.Sweep(Prospector.Heights[0]).FirstOrDefault(p => p.Left > (wall.Width / 2) - 16);
        if (first == default || wall.Spacing != 16)
        {
            return null;
        }

        var bolt = BoltFor(wall.Kind);
        double[] marks = [(first.Left + first.Right) / 2, ((first.Left + first.Right) / 2) + 16];
        var certifier = new Prospector(wall, bolt);
        var met = marks.SelectMany(m => new[] { m - 0.5, m, m + 0.5 }).Select(certifier.Probe).ToList();
        return new(
            !wall.Truth.Any(m => m.Covers(marks[1])),
            marks.All(m => Off(wall, m) <= 0.75 - (1.5 * bolt.Inches)),
            met.All(m => m == Met.Bites),
            certifier.Studs().Count(s => s.State == StudState.Confirmed) >= 2);
    }

    private static double Off(HiddenWall wall, double x) => wall.Truth.Min(m => Math.Abs(m.Centre - x));
}
