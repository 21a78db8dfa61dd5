using Corrie.Core.Catalogue;
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
    private readonly List<(Probe, bool)> chosen = [];

    /// <summary>What is written down.</summary>
    public IReadOnlyList<Evidence> Evidence => evidence;

    /// <summary>Holes made.</summary>
    public int Holes { get; private set; }

    /// <summary>Probes that the planner chose, and how they came out.</summary>
    public IReadOnlyList<(Probe Probe, bool Hit)> Chosen => chosen;

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
            Write(EvidenceKind.ScannerEdges, left, right, height);
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
    public bool Probe(double x)
    {
        var hit = wall.Probe(x);
        Holes++;
        Write(hit ? EvidenceKind.ProbeHit : EvidenceKind.ProbeMiss, x, null, 48);
        return hit;
    }

    /// <summary>The survey of what is written down.</summary>
    public Surveyed Survey() => Surveyor.Survey(Sheet());

    /// <summary>The studs, for the bolt that they are to hold.</summary>
    public IReadOnlyList<Stud> Studs() => Survey().For(bolt).Studs;

    /// <summary>Probes as the planner says until some studs are confirmed, or it knows no further.</summary>
    /// <param name="studs">The studs, by where they are thought to be.</param>
    /// <param name="most">Most holes.</param>
    /// <returns>The studs as confirmed; null for one that was given up.</returns>
    public IReadOnlyList<Stud?> Confirm(IReadOnlyList<Length> studs, int most = 16)
    {
        var confirmed = new List<Stud?>();
        foreach (var wanted in studs)
        {
            var place = wanted;
            while (true)
            {
                var survey = Survey();
                var stud = survey.For(bolt).Studs.MinBy(s => (s.Centre - place).Abs);
                if (stud is null || (stud.Centre - place).Abs > Length.Tape(2))
                {
                    confirmed.Add(null);
                    break;
                }

                if (stud.State == StudState.Confirmed)
                {
                    confirmed.Add(stud);
                    break;
                }

                if (Holes >= most || Probing.Confirm(survey, [stud.Id], null, bolt) is not [{ } next])
                {
                    confirmed.Add(null);
                    break;
                }

                chosen.Add((next, Probe(next.At.Inches)));
                place = stud.Centre;
            }
        }

        return confirmed;
    }

    /// <summary>The wall as it goes onto a job sheet.</summary>
    public Wall Sheet() => new(
        Length.FromInches(wall.Width), Length.Tape(96), WallKind.WoodStuds, Length.Tape(wall.Spacing), Length.Tape(3, 1, 2), false,
        [new("l1", 1, "gypsum board", Length.Tape(0, 1, 2), true)], [], [], new("an apprentice", "a scanner", true))
    {
        Evidence = [.. evidence],
    };

    private void Write(EvidenceKind kind, double at, double? to, int height) => evidence.Add(new(
        $"e{evidence.Count:000}", kind, Axis.Across, Datum.LeftCorner, Length.FromInches(at), to is { } t ? Length.FromInches(t) : null, Length.Tape(height),
        Probing.Accuracy, null, ToldMaterial.Nothing, false, false, false, "an apprentice"));
}
