using System.Numerics.Tensors;

namespace Corrie.Core.Survey;

/// <summary>How far each way of finding members errs, as likelihoods. Distances are in inches, densities by the inch.</summary>
/// <remarks>
/// Assumed (common practice and makers' usual statements, from memory): a scanner's edge to 1/10 in, one pass in twenty off by up to half an
/// inch and more, one place in 150 in read as a member where there is none; a screw sits in the face in nine of ten cases; a bit meets something
/// else once in fifty. docs/studies/framing.md shows how well that does on walls whose truth is known.
/// </remarks>
internal static class MethodErrors
{
    private const double ScannerEdge = 0.1;
    private const double ScannerWild = 0.6;
    private const double ScannerNever = 1;
    private const double ScannerRest = 1e-6;
    private const double WildShare = 0.05;
    private const double KnockSpread = 1;
    private const double KnockShare = 0.8;
    private const double RightMaterial = 0.4;
    private const double WrongMaterial = 6;
    private const double FalseScans = 1d / 150;
    private const double FalseAgain = 0.7;
    private const double FalseMagnets = 1d / 60;
    private const double FalseMagnetsOnStrips = 0.2;
    private const double ScrewInFace = 0.9;
    private const double FalseHit = 0.02;
    private const double ShallowFalseHit = 0.5;
    private const double Spacing = 16;

    /// <summary>Whether a finding can be of members that stand in a way: no scanner takes two for one, or one for two.</summary>
    public static bool CanBe(Make make, Sounding finding) =>
        finding.Evidence.Kind != EvidenceKind.ScannerEdges || Math.Abs((finding.High - finding.Low).Inches - (2 * make.Reach)) <= ScannerNever;

    /// <summary>How likely findings are beside members of a make, for each middle on a grid of <see cref="Belief.Step"/>.</summary>
    /// <param name="findings">The findings; what is a fact has no say here.</param>
    /// <param name="make">The way in which members stand.</param>
    /// <param name="start">The first middle of the grid.</param>
    /// <param name="points">How many there are.</param>
    public static double[] Present(IReadOnlyList<Sounding> findings, Make make, double start, int points)
    {
        var (all, scanned, off, term) = (new double[points], new double[points], new double[points], new double[points]);
        all.AsSpan().Fill(1);
        scanned.AsSpan().Fill(1);
        var passes = 0;
        foreach (var finding in findings)
        {
            var at = finding.Middle.Inches;
            for (var i = 0; i < points; i++)
            {
                off[i] = start + (i * Belief.Step) - at;
            }

            Term(finding, make, off, term);
            var scan = finding.Evidence.Method == Method.Scanner;
            passes += scan ? 1 : 0;
            TensorPrimitives.Multiply(scan ? scanned : all, term, scan ? scanned : all);
        }

        if (passes > 1)
        {
            TensorPrimitives.Pow(scanned, Together(passes), scanned);
        }

        TensorPrimitives.Multiply(all, scanned, all);
        return all;
    }

    /// <summary>How likely findings are where there is no member: a joint, a pipe, a strip behind the board.</summary>
    /// <param name="findings">All findings of the place.</param>
    /// <param name="stated">How sure somebody was who put a member there; null where nobody did.</param>
    /// <param name="material">What members of this wall are made of.</param>
    public static double Absent(IReadOnlyList<Sounding> findings, StudState? stated, ToldMaterial material)
    {
        if (findings.Any(f => f.Evidence.Kind == EvidenceKind.Seen))
        {
            return 0;
        }

        var (log, scans) = (0d, 0);
        foreach (var scan in findings.Where(f => f.Evidence.Method == Method.Scanner))
        {
            var width = scan.Evidence.Kind == EvidenceKind.ScannerEdges ? Bell((scan.High - scan.Low).Inches - 1.3, 0.6) : 1;
            // Metal in a wall of wood is more often a pipe or a plate than a stud; the right material speaks for a member.
            var told = scan.Evidence.Told == ToldMaterial.Nothing ? 1 : scan.Evidence.Told == material ? RightMaterial : WrongMaterial;
            log += Math.Log((scans == 0 ? FalseScans : FalseAgain * Bell(0, 0.25)) * width * told);
            scans++;
        }

        if (scans > 1)
        {
            log *= Together(scans);
        }

        foreach (var finding in findings)
        {
            log += finding.Evidence.Kind switch
            {
                EvidenceKind.Magnet => Math.Log(scans > 0 ? FalseMagnetsOnStrips : FalseMagnets),
                EvidenceKind.Knock => Math.Log(0.5 / Spacing),
                EvidenceKind.ProbeHit => Math.Log(finding.Evidence.Shallow ? ShallowFalseHit : FalseHit),
                _ => 0,
            };
        }

        log += stated switch
        {
            StudState.Confirmed => Math.Log(1e-4),
            StudState.Found => Math.Log(0.02),
            StudState.Suspected => Math.Log(0.5 / Spacing),
            _ => 0,
        };
        return Math.Exp(log);
    }

    /// <summary>Density of a normal error.</summary>
    public static double Bell(double off, double spread) => Math.Exp(-0.5 * off * off / (spread * spread)) / (spread * Math.Sqrt(2 * Math.PI));

    // Passes of one scanner err together: the tenth tells little that the first two have not.
    private static double Together(int passes) => 1 / (1 + (0.25 * (passes - 1)));

    // How likely one finding is, by how far the members' middle is off the finding's.
    private static void Term(Sounding finding, Make make, ReadOnlySpan<double> off, Span<double> term)
    {
        switch (finding.Evidence.Kind)
        {
            case EvidenceKind.ScannerEdges:
                // Two edges, each off by a little: together they are off by less, and as far apart as they should be but for a little. A pass that
                // goes wrong takes both with it.
                var width = (finding.High - finding.Low).Inches - (2 * make.Reach);
                var apart = Bell(width, Math.Sqrt(2) * ScannerEdge);
                Bells(
                    off, term, ScannerRest,
                    ((1 - WildShare) * apart * Bell(0, ScannerEdge / Math.Sqrt(2)), ScannerEdge / Math.Sqrt(2)),
                    (WildShare * Bell(width, 2 * ScannerEdge) * Bell(0, ScannerWild), ScannerWild));
                break;
            case EvidenceKind.ScannerCentre:
                Bells(off, term, ScannerRest, ((1 - WildShare) * Bell(0, ScannerEdge), ScannerEdge), (WildShare * Bell(0, ScannerWild), ScannerWild));
                break;
            case EvidenceKind.Knock:
                Bells(off, term, (1 - KnockShare) / Spacing, (KnockShare * Bell(0, KnockSpread), KnockSpread));
                break;
            case EvidenceKind.Magnet or EvidenceKind.ProbeHit:
                for (var i = 0; i < off.Length; i++)
                {
                    term[i] = (ScrewInFace * Face(Math.Abs(off[i]), make.Reach) / (2 * make.Reach)) + ((1 - ScrewInFace) / Spacing);
                }

                break;
            default:
                term.Fill(1);
                break;
        }
    }

    private static void Bells(ReadOnlySpan<double> off, Span<double> term, double floor, params ReadOnlySpan<(double Peak, double Spread)> bells)
    {
        term.Fill(floor);
        var bell = new double[off.Length];
        foreach (var (peak, spread) in bells)
        {
            TensorPrimitives.Multiply(off, off, bell);
            TensorPrimitives.Multiply(bell, -0.5 / (spread * spread), bell);
            TensorPrimitives.Exp(bell, bell);
            TensorPrimitives.MultiplyAdd(bell, peak, term, term);
        }
    }

    private static double Face(double off, double reach) => 1 / (1 + Math.Exp((off - reach) / 0.05));
}
