using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Measure;
using Corrie.Core.Survey;

namespace Corrie.Simulators;

/// <summary>Somebody who looks for the studs of a hidden wall, writes down what the tools show, and has it surveyed.</summary>
/// <param name="wall">The wall.</param>
/// <param name="bolt">The bolt that the studs are to hold.</param>
public sealed class Prospector(HiddenWall wall, Length bolt)
{
    /// <summary>Heights of two passes of the scanner, in inches: apart, and off the usual height of boxes.</summary>
    public static readonly IReadOnlyList<int> Heights = [34, 62];

    private readonly List<Evidence> evidence = [];
    private readonly List<(Probe, Met)> chosen = [];

    /// <summary>What is written down.</summary>
    public IReadOnlyList<Evidence> Evidence => evidence;

    /// <summary>Holes made.</summary>
    public int Holes { get; private set; }

    /// <summary>Whether a probe was read wrongly.</summary>
    public bool Misread { get; private set; }

    /// <summary>Probes that the planner chose, and how they came out.</summary>
    public IReadOnlyList<(Probe Probe, Met Met)> Chosen => chosen;

    /// <summary>Sweeps the wall with the scanner at both heights, and tries a magnet at everything that the first pass showed.</summary>
    public void Sweep()
    {
        foreach (var (left, right) in Sweep(Heights[0]))
        {
            Magnet((left + right) / 2, Heights[0]);
        }

        Sweep(Heights[1]);
    }

    /// <summary>Sweeps the wall at one height.</summary>
    public IReadOnlyList<(double Left, double Right)> Sweep(int height)
    {
        var pairs = wall.Sweep(height);
        foreach (var (left, right) in pairs)
        {
            Write(right > left ? EvidenceKind.ScannerEdges : EvidenceKind.ScannerCentre, left, right > left ? right : null, height);
        }

        foreach (var live in wall.Live)
        {
            Write(EvidenceKind.Live, live, null, height);
        }

        return pairs;
    }

    /// <summary>Tries a magnet round a place.</summary>
    /// <returns>Whether it holds.</returns>
    public bool Magnet(double x, int height)
    {
        if (wall.Magnet(x, height) is not { } screw)
        {
            return false;
        }

        Write(EvidenceKind.Magnet, screw, null, height);
        return true;
    }

    /// <summary>Pushes a bit in.</summary>
    public Met Probe(double x)
    {
        var met = wall.Probe(x);
        Holes++;
        Misread |= wall.Misreads(x);
        var did = met switch
        {
            Met.Bites => QuickEvidence.Words["bites"],
            Met.Chips => QuickEvidence.Words["chips"],
            Met.Stops => QuickEvidence.Words["stops"],
            _ => QuickEvidence.Words["miss"],
        };
        Write(did.Kind, x, null, 48, did);
        return met;
    }

    /// <summary>The survey of what is written down.</summary>
    public Surveyed Survey() => Surveyor.Survey(Sheet());

    /// <summary>The studs, for the bolt that they are to hold.</summary>
    public IReadOnlyList<Stud> Studs() => Survey().For(bolt).Studs;

    /// <summary>What the survey has to say of it.</summary>
    public IReadOnlyList<Finding> Findings() => [.. Surveyor.Check(Survey(), SiteFacts.Open, bolt)];

    /// <summary>Finds both edges of a member with the bit, to within 1/8 in, as somebody does who trusts no scanner.</summary>
    /// <param name="near">Where it is thought to be.</param>
    /// <returns>Whether the bit found one there.</returns>
    public bool Bracket(Length near)
    {
        var inside = new[] { 0, 0.5, -0.5, 1, -1 }.Select(by => near.Inches + by).FirstOrDefault(x => Probe(x) is Met.Bites or Met.Chips);
        foreach (var side in inside > 0 ? new[] { -1, 1 } : [])
        {
            var (from, to) = (0d, 2d);
            while (to - from > 0.125)
            {
                var middle = (from + to) / 2;
                (from, to) = Probe(inside + (side * middle)) is Met.Bites or Met.Chips ? (middle, to) : (from, middle);
            }
        }

        return inside > 0;
    }

    /// <summary>Probes as the planner says, one stud after the other and round again, until all are confirmed or it knows no further.</summary>
    /// <param name="studs">The studs, by where they are thought to be.</param>
    /// <param name="most">Most holes.</param>
    /// <returns>The studs as confirmed; null for one that was given up.</returns>
    public IReadOnlyList<Stud?> Confirm(IReadOnlyList<Length> studs, int most = 16)
    {
        var places = studs.ToArray();
        var given = new bool[places.Length];
        for (var more = true; more;)
        {
            more = false;
            for (var i = 0; i < places.Length; i++)
            {
                var survey = Survey();
                var stud = At(survey, places[i]);
                given[i] |= stud is null;
                if (given[i] || stud!.State == StudState.Confirmed)
                {
                    continue;
                }

                if (Holes >= most || Probing.Confirm(survey, [stud.Id], null, bolt) is not [{ } next])
                {
                    given[i] = true;
                    continue;
                }

                chosen.Add((next, Probe(next.At.Inches)));
                (places[i], more) = (stud.Centre, true);
            }
        }

        var end = Survey();
        return [.. places.Select((p, i) => At(end, p) is { State: StudState.Confirmed } stud && !given[i] ? stud : null)];
    }

    private Stud? At(Surveyed survey, Length place) =>
        survey.For(bolt).Studs.MinBy(s => (s.Centre - place).Abs) is { } stud && (stud.Centre - place).Abs <= Length.Tape(2) ? stud : null;

    /// <summary>The wall as it goes onto a job sheet.</summary>
    public Wall Sheet() => new(
        Length.FromInches(wall.Width), Length.Tape(96), wall.Kind.Sort == WallSort.Steel ? WallKind.SteelStuds : WallKind.WoodStuds, Length.Tape(wall.Spacing), Length.Tape(3, 1, 2), false,
        wall.Kind.Sort == WallSort.Laths
            ? [new("l1", 1, "plaster", Length.Tape(0, 1, 2), true), new("l2", 2, "wood lath", Length.Tape(0, 3, 8), true)]
            : [new("l1", 1, "gypsum board", Length.Tape(0, 1, 2), true)], [], [], new("an apprentice", "a scanner", true))
    {
        Evidence = [.. evidence],
    };

    private void Write(EvidenceKind kind, double at, double? to, int height, FoundBy did = default) => evidence.Add(new(
        $"e{evidence.Count:000}", kind, Axis.Across, Datum.LeftCorner, Length.FromInches(at), to is { } t ? Length.FromInches(t) : null, Length.Tape(height),
        Probing.Accuracy, did.Bite, did.Told, false, false, false, "an apprentice"));
}
