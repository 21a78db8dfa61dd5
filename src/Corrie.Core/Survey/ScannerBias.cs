using Corrie.Core.Measure;

namespace Corrie.Core.Survey;

/// <summary>A scanner that is off by the same amount everywhere, as members show that bits have pinned down.</summary>
/// <param name="By">How far right of the truth it reads; negative for left.</param>
/// <param name="Members">Where the members are that show it.</param>
public sealed record ScannerBias(Length By, IReadOnlyList<Length> Members)
{
    // Off by more than that, to one side, at two members (own rule): what is nearer is the usual noise of a scanner.
    private const double Least = 3d / 16;
    private const double LeastByOneEdge = 1d / 4;
    private const double LeastOfOne = 1d / 8;
    private const double BothEdges = 0.1;
    private const double Most = 5d / 8;
    private const double OfOne = 2.25;
    private const double Wild = 0.25;
    private const double Pinned = 0.22;
    private const int Enough = 2;

    /// <summary>What the places at which members stand say of the scanner.</summary>
    /// <param name="places">The places.</param>
    /// <returns>How far it is off; null where it is not, or where too few members are pinned down.</returns>
    internal static ScannerBias? Of(IReadOnlyList<MemberPlace> places)
    {
        List<(double At, double Doubt, List<double> Offs)>? pinned = null;
        foreach (var place in places)
        {
            if (place.Pinned is var (centre, doubt) && doubt <= Pinned &&
                place.Group.Positives.Where(p => p.Evidence.Kind is EvidenceKind.ScannerEdges or EvidenceKind.ScannerCentre).Select(p => Off(p, centre, place.Face)).ToList() is { Count: > 0 } offs)
            {
                (pinned ??= []).Add((centre, doubt, offs));
            }
        }

        if (pinned is null || pinned.Count < Enough)
        {
            return null;
        }

        // A pass that went wild by itself says nothing of the others.
        List<double> all = [.. pinned.SelectMany(p => p.Offs).Order()];
        var usual = (all[(all.Count - 1) / 2] + all[all.Count / 2]) / 2;
        var tame = pinned.Select(p => (p.At, p.Doubt, Offs: p.Offs.Where(o => Math.Abs(o - usual) < Wild).ToList())).Where(p => p.Offs.Count > 0).ToList();
        if (tame.Count < Enough || tame.Count < pinned.Count * 3 / 4)
        {
            return null;
        }

        var by = tame.SelectMany(p => p.Offs).Average();
        return Math.Abs(by) < Most && Math.Abs(by) > (tame.All(p => p.Doubt <= BothEdges) ? Least : LeastByOneEdge) && tame.All(p => p.Offs.Average() * Math.Sign(by) > (p.Doubt <= BothEdges ? LeastOfOne : Least)) ? new(Length.FromInches(by), [.. tame.Select(p => Length.FromInches(p.At))]) : null;
    }

    // A pass over several members side by side shows the outer edge of the one that the bit has pinned, and of the others the far one.
    private static double Off(Sounding pass, double centre, double face)
    {
        var (left, right) = (pass.Low.Inches - (centre - (face / 2)), pass.High.Inches - (centre + (face / 2)));
        return (pass.High - pass.Low).Inches < OfOne ? pass.Middle.Inches - centre : Math.Abs(left) < Math.Abs(right) ? left : right;
    }

    /// <summary>What a finding means, once it is known how far the scanner is off.</summary>
    /// <param name="sounding">The finding.</param>
    /// <returns>The finding where it belongs; the same where no scanner made it.</returns>
    internal Sounding Corrected(Sounding sounding) => sounding.Evidence.Kind is EvidenceKind.ScannerEdges or EvidenceKind.ScannerCentre
        ? sounding with { Low = sounding.Low - By, High = sounding.High - By, Moved = sounding.Moved - By }
        : sounding;
}
