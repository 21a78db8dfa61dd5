using System.Buffers;
using System.Numerics.Tensors;

namespace Corrie.Core.Survey;

/// <summary>How far each way of finding members errs, as likelihoods. Distances are in inches, densities by the inch.</summary>
/// <remarks>
/// Assumed (common practice and makers' usual statements, from memory): a scanner's edge to 1/10 in, one pass in twenty off by up to half an
/// inch and more, one place in 150 in read as a member where there is none; a screw sits in the face in nine of ten cases; a bit meets something
/// else once in fifty, and once in five hundred where it goes on biting. docs/studies/framing.md shows how well that does on walls whose truth is known.
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
    private const double FaceEdge = 0.05;
    private const double FalseHit = 0.02;
    private const double ShallowFalseHit = 0.5;
    private const double StoppedOnStud = 0.03;
    private const double DeepFalseHit = 0.002;
    private const double Spacing = 16;

    /// <summary>Whether a finding can be of members that stand in a way: no scanner takes two for one, or one for two.</summary>
    /// <param name="make">The way.</param>
    /// <param name="finding">The finding.</param>
    /// <returns>Whether it can.</returns>
    public static bool CanBe(Make make, Sounding finding) =>
        finding.Evidence.Kind != EvidenceKind.ScannerEdges || Math.Abs((finding.High - finding.Low).Inches - (2 * make.Reach)) <= ScannerNever;

    /// <summary>How likely findings are beside members of a make, for each of many middles of these.</summary>
    /// <param name="findings">The findings; what is a fact has no say here.</param>
    /// <param name="make">The way in which members stand.</param>
    /// <param name="middles">The middles, in inches.</param>
    /// <param name="likely">Where the likelihood of each goes; as long as the middles.</param>
    /// <param name="rough">How many times as rough as usual a scanner is on this wall.</param>
    public static void Present(IReadOnlyList<Sounding> findings, Make make, ReadOnlySpan<double> middles, Span<double> likely, double rough = 1)
    {
        // A wall is weighed at tens of thousands of places: what is needed for a moment only is borrowed.
        var scratch = ArrayPool<double>.Shared.Rent(2 * middles.Length);
        var term = scratch.AsSpan(0, middles.Length);
        var spare = scratch.AsSpan(middles.Length, middles.Length);
        likely.Fill(1);
        var scans = 0;
        foreach (var scan in findings)
        {
            if (scan.Evidence.Method == Method.Scanner)
            {
                scans++;
                Term(scan, make, middles, term, spare, rough);
                TensorPrimitives.Multiply(likely, term, likely);
            }
        }

        if (scans > 1)
        {
            TensorPrimitives.Pow(likely, Together(scans), likely);
        }

        foreach (var finding in findings)
        {
            if (finding.Evidence.Method != Method.Scanner)
            {
                Term(finding, make, middles, term, spare, rough);
                TensorPrimitives.Multiply(likely, term, likely);
            }
        }

        ArrayPool<double>.Shared.Return(scratch);
    }

    /// <summary>How likely findings are where there is no member: a joint, a pipe, a strip behind the board.</summary>
    /// <param name="findings">All findings of the place.</param>
    /// <param name="stated">How sure somebody was who put a member there; null where nobody did.</param>
    /// <param name="material">What members of this wall are made of.</param>
    /// <returns>The likelihood.</returns>
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
                EvidenceKind.ProbeHit => Math.Log(finding.Evidence.ForeignTo(material) ? ShallowFalseHit : finding.Evidence.Told == material || finding.Evidence.Bite is not null ? DeepFalseHit : FalseHit),
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
    /// <param name="off">The error, in inches.</param>
    /// <param name="spread">Its standard deviation, in inches; over zero.</param>
    /// <returns>The density, by the inch.</returns>
    public static double Bell(double off, double spread) => Math.Exp(-0.5 * off * off / (spread * spread)) / (spread * Math.Sqrt(2 * Math.PI));

    // Passes of one scanner err together: the tenth tells little that the first two have not.
    private static double Together(int passes) => 1 / (1 + (0.25 * (passes - 1)));

    private static void Term(Sounding finding, Make make, ReadOnlySpan<double> middles, Span<double> likely, Span<double> spare, double rough)
    {
        var (low, high, at, reach) = (finding.Low.Inches, finding.High.Inches, finding.Middle.Inches, make.Reach);
        switch (finding.Evidence.Kind)
        {
            case EvidenceKind.ScannerEdges:
                // A pass that goes wrong takes both edges with it: off by much, its edges as far apart as they should be but for a little.
                var (width, edge) = (high - low - (2 * reach), ScannerEdge * rough);
                var close = (1 - WildShare) / (edge * edge * 2 * Math.PI) * Math.Exp(-0.25 * width * width / (edge * edge));
                var wild = WildShare * Bell(width, 2 * edge) / ScannerWild / Math.Sqrt(2 * Math.PI);
                Bells(middles, at, close, edge / Math.Sqrt(2), wild, ScannerRest, likely, spare);
                return;
            case EvidenceKind.ScannerCentre:
                Bells(middles, at, (1 - WildShare) * Peak(ScannerEdge * rough), ScannerEdge * rough, WildShare * Peak(ScannerWild), ScannerRest, likely, spare);
                return;
            case EvidenceKind.ProbeHit:
                // What is weighed here, and does not bound, has stopped short: a stud does that behind a nail plate only.
                likely.Fill(StoppedOnStud);
                return;
            case EvidenceKind.Magnet:
                // In the face it is likely, beside it hardly, and between the two lies a soft edge.
                TensorPrimitives.Subtract(middles, at, likely);
                TensorPrimitives.Abs(likely, likely);
                TensorPrimitives.Subtract(reach, likely, likely);
                TensorPrimitives.Divide(likely, FaceEdge, likely);
                TensorPrimitives.Sigmoid<double>(likely, likely);
                TensorPrimitives.Multiply(likely, ScrewInFace / (2 * reach), likely);
                TensorPrimitives.Add(likely, (1 - ScrewInFace) / Spacing, likely);
                return;
            case EvidenceKind.Knock:
                Bell(middles, at, KnockSpread, likely);
                TensorPrimitives.Multiply(likely, KnockShare * Peak(KnockSpread), likely);
                TensorPrimitives.Add(likely, (1 - KnockShare) / Spacing, likely);
                return;
            default:
                likely.Fill(1);
                return;
        }
    }

    // A narrow bell over a wide one over what is never quite ruled out.
    private static void Bells(ReadOnlySpan<double> middles, double at, double narrow, double spread, double wide, double rest, Span<double> likely, Span<double> tail)
    {
        Bell(middles, at, ScannerWild, tail);
        Bell(middles, at, spread, likely);
        for (var i = 0; i < likely.Length; i++)
        {
            likely[i] = (narrow * likely[i]) + (wide * tail[i]) + rest;
        }
    }

    // A bell of height 1.
    private static void Bell(ReadOnlySpan<double> middles, double at, double spread, Span<double> bell)
    {
        TensorPrimitives.Subtract(middles, at, bell);
        TensorPrimitives.Multiply(bell, bell, bell);
        TensorPrimitives.Multiply(bell, -0.5 / (spread * spread), bell);
        TensorPrimitives.Exp<double>(bell, bell);
    }

    private static double Peak(double spread) => 1 / (spread * Math.Sqrt(2 * Math.PI));
}
