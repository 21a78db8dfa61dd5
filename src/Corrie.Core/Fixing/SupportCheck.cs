using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Hanging;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Core.Fixing;

/// <summary>How a board or blocking is held by the studs.</summary>
/// <param name="Diameter">Diameter of its lag screws.</param>
/// <param name="Length">Their least length under the head.</param>
/// <param name="Count">How many there are: in all for a board, at each end for blocking.</param>
/// <param name="Use">How far the worst of them is used up, 1 for all of it.</param>
public sealed record BackingHold(Length Diameter, Length Length, int Count, double Use);

/// <summary>What is wrong with what is made so that a plate holds where its holes and the studs do not meet.</summary>
internal static class SupportCheck
{
    // Screws into the end of a board hold 0.67 across themselves (NDS-2018 12.5.2, from memory).
    private const double EndGrain = 0.67;

    // Shear along the grain of spruce-pine-fir in psi (NDS Supplement table 4A, from memory).
    private const double ShearAlongGrain = 135;

    private const int MostAtAnEnd = 4;

    private static readonly Length Usual = Length.Tape(0, 5, 16);

    /// <summary>Everything that is wrong with it.</summary>
    /// <param name="input">All that the bolts follow from.</param>
    /// <param name="bolts">The bolts.</param>
    /// <returns>The findings, parts named from the mount on.</returns>
    public static IEnumerable<Finding> Check(Bolting input, FixingResult bolts)
    {
        var (layout, spot) = (input.Layout, FixingCheck.Plate(input, "backing"));
        if (layout.Backing is { } backing)
        {
            if (input.Wall.Kind != WallKind.WoodStuds)
            {
                yield return FixingFindings.Engineer.At(spot, $"Have an engineer say how the {backing.Kind.Words()} is held: it carries {layout.Load} to {backing.Studs} studs, and these rules cover screws into wood studs alone.");
                yield break;
            }

            foreach (var finding in backing.Kind == BackingKind.Board ? Board(input, backing) : Blocking(input, backing, bolts))
            {
                yield return finding;
            }
        }

        if (layout.Toggles.Count > 0 && input.Mount.Moves)
        {
            yield return FixingFindings.WrongForWall.At(
                spot with { Part = "toggles" }, $"Take the toggles out: {layout.Toggles.Count} of them in board would carry a mount that reaches {input.Mount.DepthExtended} out of the wall.");
        }

        if (layout.Drilled.Count > 0 && !input.Mount.MayBeDrilled)
        {
            yield return FixingFindings.DrilledPlate.At(
                spot with { Part = "drilled" }, $"Ask the maker before the plate is drilled: {layout.Drilled.Count} more {(layout.Drilled.Count == 1 ? "hole" : "holes")} a row, and the catalogue does not say that it may be.");
        }
    }

    /// <summary>How a board or blocking is held.</summary>
    /// <param name="input">All that the bolts follow from.</param>
    /// <returns>Its screws; null where the plate is bolted to the wall itself, or the studs are not of wood.</returns>
    public static BackingHold? HoldOf(Bolting input)
    {
        if (input.Layout.Backing is not { } backing || input.Wall.Kind != WallKind.WoodStuds)
        {
            return null;
        }

        var lag = Lag(input);
        var model = new LoadModel(input);
        var factor = WoodValues.Factor(input.Choice.Conditions.Wet, input.Choice.Conditions.Heat);
        var deep = lag * 4;
        var tip = Screw(lag, deep).TipLength;
        if (backing.Kind == BackingKind.Blocking)
        {
            // Through the stud's face into the end of the blocking: weight and pull both go across them.
            var through = Length.Tape(1, 1, 2);
            var one = YieldEquations.Least(new(WoodValues.Root(lag), WoodValues.BendingYield(lag), deep, WoodValues.Bearing(input.Gravity, lag, new(90)), through, WoodValues.Bearing(input.Gravity, lag, new(90)), Length.Zero, new(90), lag)).Load.Newtons * factor * EndGrain;
            // The nearer end takes all of it at the worst: the pull at a display's edge is beside the blocking's middle.
            var most = model.Worst(new([(backing.Outline.Left, backing.Outline.CentreY), (backing.Outline.Right, backing.Outline.CentreY)], backing.Outline), l => l.Pull.Newtons + l.Across.Newtons)
                .Max(l => Math.Sqrt((l.Load.Pull.Newtons * l.Load.Pull.Newtons) + (l.Load.Across.Newtons * l.Load.Across.Newtons)));
            var count = Math.Max(2, (int)Math.Ceiling(Math.Min(most / one, 99)));
            return new(lag, through + deep + tip, count, most / (one * Math.Min(count, MostAtAnEnd)));
        }

        if (backing.Screws.Count == 0)
        {
            return new(lag, Length.Zero, 0, double.PositiveInfinity);
        }

        var layers = input.Wall.LayersThickness;
        var length = backing.Thickness + layers + deep + tip;
        var thread = Length.Min(deep, Screw(lag, length).Thread - tip);
        var hold = new BoltHold(
            Force.FromPoundsForce(Withdrawal.LagPoundsPerInch(input.Gravity, lag) * thread.Inches * factor),
            angle => new(WoodValues.Root(lag), WoodValues.BendingYield(lag), deep, WoodValues.Bearing(input.Gravity, lag, angle), backing.Thickness, WoodValues.Bearing(input.Gravity, lag, new(90)), layers, angle, lag),
            factor);
        var worst = model.Worst(new([.. backing.Screws.Select(s => (s.X, s.Y))], backing.Outline), load => hold.Use(load, load.FromUpright) ?? 0);
        return new(lag, length, backing.Screws.Count, worst.Max(w => hold.Use(w.Load, w.Load.FromUpright) ?? 0));
    }

    // A lag screw of the usual dimensions.
    private static Fastener Screw(Length diameter, Length length) => new("lag screw", FastenerKind.LagScrew, diameter, length, Length.Zero, Length.Zero, Length.Zero, Length.Zero, null, RatingBasis.Allowable);

    private static Length Lag(Bolting input) => input.Fastener.Sort == FastenerKind.LagScrew ? input.Fastener.Diameter : Usual;

    private static IEnumerable<Finding> Board(Bolting input, BackingPlan board)
    {
        if (input.Wall.LayersThickness > FixingCheck.MostGap)
        {
            yield return FixingFindings.ShearUnknown.At(
                FixingCheck.Plate(input, "backing"), $"Have an engineer check the board's screws for load across them: they cross {input.Wall.LayersThickness} that does not bear before they meet the studs, and over {FixingCheck.MostGap} these rules do not say what they hold.");
        }
        else if (HoldOf(input) is { Use: > 1 } held)
        {
            yield return FixingFindings.DemandOverCapacity.At(
                FixingCheck.Plate(input, "backing"),
                $"Hold the board with more screws, or make it higher: {board.Screws.Count} lag screws of {held.Diameter} by {held.Length} into {board.Studs} {(board.Studs == 1 ? "stud" : "studs")} carry {input.Layout.Load}, and the worst of them is used {Bolt.Share(held.Use)}.");
        }
    }

    private static IEnumerable<Finding> Blocking(Bolting input, BackingPlan blocking, FixingResult bolts)
    {
        var spot = FixingCheck.Plate(input, "backing");
        if (bolts.Bolts.Count == 0 || HoldOf(input) is not { } held)
        {
            yield break;
        }

        var (low, high) = (bolts.Bolts.Min(b => b.Y), bolts.Bolts.Max(b => b.Y));
        var edge = Length.Min(low - blocking.Outline.Bottom, blocking.Outline.Top - high);
        if (edge < input.Fastener.Diameter * 4)
        {
            yield return FixingFindings.CrossGrain.At(spot, $"Make the blocking higher: a bolt is {edge} from its edge, and a load across the grain needs 4 diameters, {input.Fastener.Diameter * 4:least}.");
        }

        // What the wood under or over the bolts holds before it splits off (NDS-2018 3.4.3.3, from memory), the case nearer than five depths to an end taken.
        var share = (high - blocking.Outline.Bottom).Inches / blocking.Outline.Height.Inches;
        var splits = Force.FromPoundsForce(2 / 3d * ShearAlongGrain * blocking.Thickness.Inches * (high - blocking.Outline.Bottom).Inches * share * share * Withdrawal.Permanent);
        var across = new Force(bolts.Bolts.Sum(b => b.Across.Newtons));
        if (across.Newtons > splits.Newtons)
        {
            yield return FixingFindings.CrossGrain.At(spot, $"Take thicker or higher blocking: {across} hang across its grain, and {blocking.Thickness} by {blocking.Outline.Height} splits at {splits}.");
        }

        if (held.Count > MostAtAnEnd)
        {
            yield return FixingFindings.CrossGrain.At(spot, $"Have an engineer say how the blocking's ends are held: they would need {held.Count} lag screws of {held.Diameter} each, and {MostAtAnEnd} have room.");
        }
    }

}
