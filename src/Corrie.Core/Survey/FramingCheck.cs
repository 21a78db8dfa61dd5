using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Measure;

namespace Corrie.Core.Survey;

/// <summary>What is wrong with the evidence of framing, and what the answers about the house mean for the job.</summary>
public static class FramingCheck
{
    /// <summary>Houses from this year on are taken to be free of lead paint and asbestos.</summary>
    public const int LeadPaint = 1980;

    /// <summary>Where the state of the flue is entered, from the wall on; likewise below.</summary>
    internal const string Flue = "questions/flue";

    /// <summary>Where it is entered whether gas runs near.</summary>
    internal const string Gas = "questions/gas";

    /// <summary>Where it is entered whether the wall is fire-rated.</summary>
    internal const string FireRated = "questions/fireRated";

    /// <summary>Where the year of the house is entered, from the job on.</summary>
    internal const string Built = "/site/built";

    /// <summary>Everything that does not fit, and every question that is open.</summary>
    /// <param name="surveyed">The wall as surveyed.</param>
    /// <param name="map">Its framing.</param>
    /// <param name="site">What is known of the house.</param>
    /// <returns>The findings, parts named from the wall on.</returns>
    public static IEnumerable<Finding> Check(Surveyed surveyed, FramingMap map, SiteFacts site) =>
    [
        .. map.Contradictions.Select(c => Contradicts(surveyed.Wall, c)),
        .. map.Unfit.Select(u => Unfit(surveyed.Wall, u)),
        .. map.False.Select(f => Untrue(surveyed, f)),
        .. map.Members.Where(m => m.Disputed).Select(m => Disputed(surveyed.Wall, m)),
        .. Foreign(surveyed),
        .. surveyed.Wall.Crosses.Where(c => c.StandsFor is null).Select(c => SurveyFindings.DatumUnclear.At(
            new("crosses/" + c.Id, c.X, c.Y), $"The client's cross at {c.X} across, {c.Y} up: ask which point it stands for, the centre, the bottom edge or a corner.")),
        .. BuildUpFound.Check(surveyed.Wall),
        .. House(surveyed.Wall, site),
    ];

    private static Spot Spot(Wall wall, Sounding s, string part)
    {
        var along = s.Middle;
        var other = s.Evidence.Beside;
        return s.Evidence.Axis == Axis.Across ? new(part, along, other ?? wall.Height.Half) : new(part, other ?? wall.Width.Half, along);
    }

    private static Finding Contradicts(Wall wall, Contradiction c)
    {
        Change Strike(Sounding s) => s.Evidence.Here.Set("struck", true);
        return SurveyFindings.EvidenceContradicts.At(
            Spot(wall, c.Miss, "evidence/" + c.Miss.Evidence.Id),
            $"The bit fell through at {c.Miss.Middle:fine}, between hits at {c.Left.Middle:fine} and {c.Right.Middle:fine}: these are {c.Right.Middle - c.Left.Middle:fine} apart, less than one member's {c.Width:fine}. Two members with a gap, or is one of the three wrong?",
            new Remedy($"Two members with a gap", $"the miss at {c.Miss.Middle:fine} is the gap between them", [c.Miss.Evidence.Here.Set("gap", true)]),
            new Remedy($"The miss was wrong", $"{c.Miss.Middle:fine} is struck out", [Strike(c.Miss)]),
            new Remedy($"The hit at {c.Left.Middle:fine} was wrong", $"it is struck out", [Strike(c.Left)]),
            new Remedy($"The hit at {c.Right.Middle:fine} was wrong", $"it is struck out", [Strike(c.Right)]));
    }

    private static Finding Unfit(Wall wall, UnfitHits u)
    {
        var spot = Spot(wall, u.First, "evidence/" + u.First.Evidence.Id);
        return u is { Before: { } before, After: { } after } && after.Low - before.High < Length.Tape(4, 1, 2)
            ? SurveyFindings.NoMemberFits.At(spot, $"What stops the bit at {u.First.Middle:fine} has misses at {before.Middle:fine} and {after.Middle:fine} beside it: {after.Middle - before.Middle:fine} are no member's width. A pipe, a nail plate or a strip stops a bit too.")
            : SurveyFindings.NoMemberFits.At(spot, $"The bit bites from {u.First.Middle:fine} to {u.Last.Middle:fine} without a miss: no members side by side are {u.Last.Middle - u.First.Middle:fine} wide. Blocking or sheathing behind the layers?");
    }

    private static Finding Disputed(Wall wall, FoundMember member)
    {
        var passes = member.Soundings.Where(s => s.Evidence.Kind is EvidenceKind.ScannerEdges or EvidenceKind.ScannerCentre).ToList();
        var scanned = Length.FromInches(passes.Average(s => s.Middle.Inches));
        return SurveyFindings.ScannerDisputed.At(
            new($"studs/{member.Id}/scanner", member.Centre, wall.Height.Half),
            $"Probe this stud's other edge as well: the bit puts its centre at {member.Centre:fine}, the scanner at {scanned:fine}, {(member.Centre - scanned).Abs:fine} apart. Was a probe misread, or is the scanner off?");
    }

    // What a bit met that is no stud for sure: too thin, or of another material.
    private static IEnumerable<Finding> Foreign(Surveyed surveyed)
    {
        var material = FramingMapper.Line(surveyed.Wall).Material;
        foreach (var s in surveyed.Soundings)
        {
            if (s.Evidence.Struck || !s.Evidence.ForeignTo(s.Evidence.Axis == Axis.Up ? ToldMaterial.Wood : material))
            {
                continue;
            }

            var what = s.Evidence switch
            {
                { Told: ToldMaterial.Metal } => Phrase.Of($"metal at {s.Middle:fine}: a pipe, a metal strip or a nail plate"),
                { Told: ToldMaterial.Wood } => Phrase.Of($"wood at {s.Middle:fine}, in a wall of steel studs: blocking, or a strip behind a joint"),
                { Bite: { } bite } when bite >= Survey.Evidence.ShallowBite => Phrase.Of($"something at {s.Middle:fine} that it goes on biting for {bite:fine}, which steel does not: blocking, or a strip of wood"),
                { Bite: { } bite } when bite > Length.Zero => Phrase.Of($"something at {s.Middle:fine} for {bite:fine} only; under {Survey.Evidence.ShallowBite:fine} it may be a furring strip, a pipe or a nail plate"),
                _ => Phrase.Of($"what stopped it at {s.Middle:fine}: a pipe, a metal strip or a nail plate"),
            };
            yield return SurveyFindings.HitTooShallow.At(Spot(surveyed.Wall, s, "evidence/" + s.Evidence.Id), $"Nothing there is known to hold: the bit met {what}.");
        }
    }

    private static Finding Untrue(Surveyed surveyed, Sounding s)
    {
        var line = FramingMapper.Line(surveyed.Wall);
        var against = surveyed.Soundings
            .Where(m => m.Evidence.Axis == s.Evidence.Axis && !m.Evidence.Struck && (m.Evidence.Kind == EvidenceKind.ProbeMiss || m.Evidence.ForeignTo(line.Material)))
            .MinBy(m => (m.Middle - s.Middle).Abs)!;
        return SurveyFindings.FalseReading.At(
            Spot(surveyed.Wall, s, "evidence/" + s.Evidence.Id),
            $"The {(s.Evidence.Method == Method.Magnet ? "magnet" : "scanner")} showed a member at {s.Middle - s.Moved}, but the bit {(against.Evidence.Kind == EvidenceKind.ProbeMiss ? "fell through" : "stopped short")} at {against.Middle:fine}: two boards that meet, a strip or a pipe. It stays on the drawing, struck out.");
    }

    private static IEnumerable<Finding> House(Wall wall, SiteFacts site)
    {
        var q = wall.Questions;
        var spot = new Spot("questions");
        if (site.Built is { } year && year < LeadPaint)
        {
            yield return SurveyFindings.OldFinish.At(spot, $"The house is of {year}: before {LeadPaint} paint may hold lead, and plaster and boards may hold asbestos. No dry sanding or sawing before a test.");
        }

        // Once it is on the wall every hole is compared with it.
        if (q.Flue == FlueState.Live && wall.Features.All(f => f.Kind != FeatureKind.Flue))
        {
            yield return SurveyFindings.LiveFlue.At(spot, $"1 flue in use is behind or beside this wall: no hole and no cable in the breast or its chase before its route is known.");
        }

        if (site.Renovation is { Length: > 0 } when)
        {
            yield return SurveyFindings.Temporary.At(spot, $"Renovation is foreseen ({when}): 1 display on the fewest holes, no box and no cable in the wall; note a date to come back.");
        }

        if (q.MayCut == false)
        {
            yield return SurveyFindings.NotToBeCut.At(spot, $"The wall may not be cut: 0 boxes and 0 cables inside it; cables go on the surface.");
        }

        if (q.Insulated == true)
        {
            yield return SurveyFindings.InsulatedWall.At(spot, $"An outside wall, {wall.LayersThickness + wall.StudDepth} deep to the far side of its members, with insulation: cables are fished through it badly, and every hole is sealed.");
        }

        if (site.SmallHands == true)
        {
            yield return SurveyFindings.SmallHands.At(spot, $"Small children or pets: nothing hangs loose below {Length.Tape(48)}, and every strap is closed before the crew leaves.");
        }
    }

    /// <summary>Questions that have to be answered before this wall is drilled, and are not.</summary>
    /// <param name="wall">The wall.</param>
    /// <param name="site">What is known of the house.</param>
    /// <returns>Where each answer is entered, from the wall or from the job, and the question in words; none where all that this wall needs is answered.</returns>
    public static IReadOnlyList<(string Answer, string Words)> OpenQuestions(Wall wall, SiteFacts site)
    {
        var q = wall.Questions;
        var open = new List<(string, string)>();
        var fire = wall.Features.Any(f => f.Kind is FeatureKind.Fireplace or FeatureKind.Mantel);
        if (fire && q.Flue is null)
        {
            open.Add((Flue, "is the flue live, dead or none"));
        }

        if (fire && q.Gas is null)
        {
            open.Add((Gas, "does gas run near"));
        }

        if (wall.Layers.Any(l => l.Name.Contains("plaster", StringComparison.OrdinalIgnoreCase) && !l.Name.Contains("board", StringComparison.OrdinalIgnoreCase)) && site.Built is null)
        {
            open.Add((Built, "how old is the house"));
        }

        if (wall is { Kind: WallKind.SteelStuds, Circulation: true } && q.FireRated is null)
        {
            open.Add((FireRated, "is this corridor wall fire-rated"));
        }

        return open;
    }
}
