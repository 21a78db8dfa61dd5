using System.Globalization;
using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Measure;

namespace Corrie.Core.Fixing;

/// <summary>A line of a calculation: a formula, the figures that go in, what comes out, and where the formula comes from.</summary>
/// <param name="Says">What it is.</param>
/// <param name="Formula">The formula, in pounds-force, inches and psi as its source has it; empty for a plain figure.</param>
/// <param name="Figures">The same with its figures.</param>
/// <param name="Result">What comes out.</param>
/// <param name="Source">Where the formula comes from.</param>
public sealed record CalculationLine(string Says, string Formula, string Figures, Phrase Result, Source Source);

/// <summary>A part of a calculation.</summary>
/// <param name="Title">What it works out.</param>
/// <param name="Lines">Its lines, each from those before.</param>
public sealed record CalculationPart(string Title, IReadOnlyList<CalculationLine> Lines);

/// <summary>The whole calculation of a bolt, as an engineer checks it by hand: what hangs, where, what the bolt takes, what it holds, and the share.</summary>
public static class Calculation
{
    private static readonly string[] Corners = ["bottom left", "bottom right", "top left", "top right"];

    /// <summary>Unfolds a bolt's calculation.</summary>
    /// <param name="result">What holds the plate.</param>
    /// <param name="number">The bolt's number.</param>
    /// <returns>Its parts, in working order; none where there is no such bolt.</returns>
    public static IReadOnlyList<CalculationPart> Of(FixingResult result, int number)
    {
        if (result.Bolts.FirstOrDefault(b => b.Number == number) is not { } bolt)
        {
            return [];
        }

        var input = result.Input;
        return [new("What hangs, and where", [.. Hangs(input, bolt)]), new("What the bolt takes", [.. Takes(input, result, bolt)]), .. Holds(input, bolt), new("How far it is used", [.. Used(bolt)])];
    }

    private static string N(double value) => value.ToString(Math.Abs(value) >= 1000 ? "0" : Math.Abs(value) >= 100 ? "0.#" : "0.###", CultureInfo.InvariantCulture);

    private static string In(Length length) => N(length.Inches) + " in";

    private static string Lbf(Force force) => N(force.PoundsForce) + " lbf";

    private static Phrase Plain(double value, string unit) => $"{N(value)}{(unit.Length > 0 ? " " : string.Empty)}{unit}";

    private static IEnumerable<CalculationLine> Hangs(Bolting input, Bolt bolt)
    {
        var model = new LoadModel(input);
        var loads = model.At(bolt.Pose);
        var (mass, own) = (input.Layout.Load, input.Mount.Mass);
        yield return new(
            "All that hangs, the mount with it", input.Choice.Conditions.Vehicle ? "W = (load + mount) · factor in a vehicle" : "W = load + mount",
            $"{N(mass.Pounds)} lb + {N(own.Pounds)} lb{(input.Choice.Conditions.Vehicle ? ", times " + N(input.Policy.VehicleFactor) : string.Empty)}", Phrase.Of($"{model.Weight}"), Source.Arithmetic);
        yield return new("The pose that is worst for this bolt", string.Empty, string.Empty, bolt.Pose.Says(input.Mount), Source.CommonPractice);
        yield return new(
            "Its centre of gravity", string.Empty, "across, up, out of the wall", Phrase.Of($"{loads[0].X:fine} across, {loads[0].Y:fine} up, {loads[0].Z:fine} out"), Source.Arithmetic);
        if (loads.Count > 1)
        {
            yield return new("Somebody leans on it", "P, the company's figure", Lbf(input.Policy.AccidentalPull.Weight), Phrase.Of($"{input.Policy.AccidentalPull.Weight} at {loads[1].X:fine} across, {loads[1].Y:fine} up, {loads[1].Z:fine} out"), Source.CommonPractice);
        }
    }

    private static IEnumerable<CalculationLine> Takes(Bolting input, FixingResult result, Bolt bolt)
    {
        var group = new BoltGroup([.. result.Bolts.Select(b => (b.X, b.Y))], input.Layout.Plate);
        var loads = new LoadModel(input).At(bolt.Pose);
        var solved = group.Solve(loads);
        var sum = loads.Aggregate(default(BoltGroup.Resultant), (s, l) => s.With(group.At(l)));
        var plate = input.Layout.Plate;
        yield return new("What tips the plate's top out, about its bottom edge", "M = W · e + P · its lever", string.Join(" + ", loads.Select(l => N(group.At(l).Over))), Plain(sum.Over, "lbf in"), Source.CommonPractice);
        if (Math.Abs(sum.Along) > 0.5)
        {
            yield return new("What tips one side out, about its left edge", "M = P · its lever", N(sum.Along), Plain(sum.Along, "lbf in"), Source.CommonPractice);
        }

        var rests = solved.Corners.Select((c, i) => (Force: c, Name: Corners[i])).Where(c => c.Force.Newtons > 1e-6).ToList();
        var foot = rests.Count == 2 && rests[0].Name == Corners[0] && rests[1].Name == Corners[1];
        if (foot)
        {
            // The plain case is shown as everybody knows it: the plate turns about its bottom edge.
            var heights = result.Bolts.Select(b => (b.Y - plate.Bottom).Inches).ToList();
            var own = (bolt.Y - plate.Bottom).Inches;
            yield return new(
                "The plate bears at its bottom edge; the bolts are equal springs", "T = M h / Σ h²",
                $"{N(sum.Over)} · {N(own)} / ({string.Join(" + ", heights.Select(h => N(h) + "²"))})", Phrase.Of($"{bolt.Pull}"), Source.CommonPractice);
        }
        else
        {
            yield return new(
                $"The plate bears at its {string.Join(" and its ", rests.Select(r => r.Name))}{(rests.Count == 0 ? "bolts alone" : " corner")}; the bolts are equal springs, and their work is least", "T of each bolt",
                string.Join(", ", result.Bolts.Select((b, i) => $"{b.Number}: {N(solved.Bolts[i].Pull.PoundsForce)}")), Phrase.Of($"{bolt.Pull}"), Source.CommonPractice);
        }

        yield return new(
            "Check: the bolts' pull less what the wall presses back is what pulls out", "Σ T - Σ C = P out",
            $"{string.Join(" + ", solved.Bolts.Select(b => N(b.Pull.PoundsForce)))} - {(rests.Count == 0 ? "0" : string.Join(" - ", rests.Select(r => N(r.Force.PoundsForce))))}", Plain(sum.Out, "lbf"), Source.Arithmetic);
        yield return new("Its share of what goes across", "V / n", $"({N(sum.Right)} right, {N(sum.Up)} up) / {result.Bolts.Count}", Plain(sum.Up / result.Bolts.Count, "lbf up"), Source.CommonPractice);
        var (x, y) = (result.Bolts.Average(b => b.X.Inches), result.Bolts.Average(b => b.Y.Inches));
        var twist = sum.Turn - ((x - plate.Left.Inches) * sum.Up) + ((y - plate.Bottom.Inches) * sum.Right);
        if (Math.Abs(twist) > 0.5)
        {
            var polar = result.Bolts.Sum(b => Math.Pow(b.X.Inches - x, 2) + Math.Pow(b.Y.Inches - y, 2));
            var (dx, dy) = (bolt.X.Inches - x, bolt.Y.Inches - y);
            yield return new(
                "And of what turns the plate in the wall's plane, by its distance from the bolts' middle", "M d / Σ d²",
                $"{N(twist)} · ({N(-dy)} right, {N(dx)} up) / {N(polar)}", Phrase.Of($"{N(-dy * twist / polar)} lbf right, {N(dx * twist / polar)} lbf up"), Source.CommonPractice);
        }

        yield return new("Across the bolt in all", "V = √(right² + up²)", $"√({N(bolt.Load.Right.PoundsForce)}² + {N(bolt.Load.Up.PoundsForce)}²)", Phrase.Of($"{bolt.Across}, {bolt.FromGrain} from the grain"), Source.Arithmetic);
    }

    private static IEnumerable<CalculationPart> Holds(Bolting input, Bolt bolt)
    {
        var mine = input.For(bolt);
        var own = BoltPlan.OwnHold(mine, bolt.Penetration, bolt.Thread);
        if (FixingEvidence.EngineerFor(input) is { } figure)
        {
            yield return new("What it holds, by the engineer", [new($"{figure.Name}, {figure.On}, for {figure.Assumed}", string.Empty, string.Empty, Phrase.Of($"{figure.Tension} out, {figure.Shear} across"), new($"the figure of {figure.Name}", false))]);
        }

        var title = FixingEvidence.EngineerFor(input) is null ? "What it holds" : "What it would hold by Corrie's own rules";
        yield return own.ByYield || own.Pull is not null ? new(title, [.. own.ByYield || input.Fastener.Sort is FastenerKind.LagScrew or FastenerKind.WoodScrew ? InWood(mine, bolt, own) : ByRating(mine, own)])
            : new(title, [new("Nobody says", string.Empty, string.Empty, "not known", Source.Maker)]);
    }

    private static IEnumerable<CalculationLine> ByRating(Bolting input, BoltHold own)
    {
        var (by, rated) = (input.RatedBy, input.Rated);
        var over = by == 1 ? "the allowable load as published" : "load at failure / the company's factor";
        if ((rated?.Tension ?? input.Fastener.RatedTension) is { } tension)
        {
            yield return new($"Straight out{(rated is null ? string.Empty : ", in " + rated.Into.Said())}", over, $"{Lbf(tension)} / {N(by)}", Phrase.Of($"{own.Pull!.Value}"), Source.Maker);
        }

        if (own.Across(default) is { } across)
        {
            yield return (rated?.Shear ?? (rated is null ? input.Fastener.RatedShear : null)) is { } shear
                ? new("Across", over, $"{Lbf(shear)} / {N(by)}", Phrase.Of($"{across}"), Source.Maker)
                : new("Across, where only the board bears on its bolt", "350 psi · D · layers / 4", $"350 · {In(input.Fastener.Diameter)} · {In(input.Wall.LayersThickness)} / 4", Phrase.Of($"{across}"), Source.Published("bearing of gypsum board"));
        }
    }

    private static IEnumerable<CalculationLine> InWood(Bolting input, Bolt bolt, BoltHold own)
    {
        var (fastener, lag) = (input.Fastener, input.Fastener.Sort == FastenerKind.LagScrew);
        var (g, d) = (N(input.Gravity), N(fastener.Diameter.Inches));
        var factor = WoodValues.Factor(input.Choice.Conditions.Wet, input.Choice.Conditions.Heat);
        var perInch = lag ? Withdrawal.LagPoundsPerInch(input.Gravity, fastener.Diameter) : Withdrawal.WoodScrewPoundsPerInch(input.Gravity, fastener.Diameter);
        yield return new(
            "Thread in the wood, without the tip", "length - passed - tip, no more than the thread", $"{In(fastener.Length)} - {In(input.Passed)} - {In(fastener.TipLength)}; thread {In(fastener.Thread)}", Phrase.Of($"{bolt.Thread:fine}"),
            Source.Nds("appendix L"));
        yield return new("Withdrawal for each inch of it", lag ? "W = 1800 G^1.5 D^0.75" : "W = 2850 G² D", lag ? $"1800 · {g}^1.5 · {d}^0.75" : $"2850 · {g}² · {d}", Plain(perInch, "lbf/in"), Source.Nds(lag ? "12.2.1" : "12.2.2"));
        yield return new(
            "For a load that stays, moisture and heat", "C_D · C_M · C_t",
            $"{N(Withdrawal.Permanent)} · {(input.Choice.Conditions.Wet ? "0.7" : "1")} · {N(factor / Withdrawal.Permanent / (input.Choice.Conditions.Wet ? 0.7 : 1))}", Plain(factor, string.Empty), Source.Nds("tables 2.3.2, 11.3.3, 11.3.4"));
        yield return new("Against being pulled out", "W p · factor", $"{N(perInch)} · {N(bolt.Thread.Inches)} · {N(factor)}", Phrase.Of($"{own.Pull!.Value}"), Source.Nds("12.2"));
        var dowel = BoltPlan.DowelOf(input, bolt.Penetration, bolt.FromGrain);
        yield return new(
            "What goes into the yield equations", string.Empty,
            $"D root {N(dowel.Diameter)} in, F_yb {N(dowel.Yield)} psi, in the wood {In(dowel.InWood)}, F_em {N(dowel.Bearing)} psi, plate {In(dowel.Plate)}, F_es {N(dowel.PlateBearing)} psi, gap {In(dowel.Gap)}, {N(bolt.FromGrain.Degrees)}° from the grain",
            own.ByYield ? "six modes" : Phrase.Of($"no value: over {FixingCheck.MostGap} does not bear"), Source.Nds("12.3, appendix I and L"));
        var rows = YieldEquations.OfTheRows(dowel);
        if (rows < 1)
        {
            yield return new("Across the grain the table's rows lie lower", "1 - (1 - share) · angle / 90", $"{N(bolt.FromGrain.Degrees)}° from the grain", Plain(rows, string.Empty), Source.Published("NDS-2018 table 12K as remembered, until the printed table has been looked up"));
        }

        foreach (var mode in Enum.GetValues<YieldMode>())
        {
            yield return new($"Mode {mode.ToString()}", Formula(mode), $"{N(YieldEquations.Yields(mode, dowel))} / {N(YieldEquations.Reduction(mode, dowel))}{(rows < 1 ? " · " + N(rows) : string.Empty)}", Phrase.Of($"{YieldEquations.Of(mode, dowel)}"), mode <= YieldMode.Is ? Source.Nds("12.3.1") : Source.Published("AWC Technical Report 12, the same as NDS-2018 12.3.1 without a gap"));
        }

        if (own.ByYield)
        {
            var (governs, load) = YieldEquations.Least(dowel);
            yield return new($"Across it: mode {governs.ToString()} is least", "Z · factor", $"{Lbf(load)} · {N(factor)}", Phrase.Of($"{own.Across(bolt.FromGrain)!.Value}"), Source.Nds("12.3.1"));
        }
    }

    // q = F_e D and M = F_yb D³ / 6; s is the plate, m the wood, g the gap.
    private static string Formula(YieldMode mode) => mode switch
    {
        YieldMode.Im => "q_m l_m / R",
        YieldMode.Is => "q_s l_s / R",
        YieldMode.II => "(√(b² - 4ac) - b) / 2a / R, a = 1/4q_s + 1/4q_m, b = l_s/2 + g + l_m/2, c = -q_s l_s²/4 - q_m l_m²/4",
        YieldMode.IIIm => "the same, a = 1/2q_s + 1/4q_m, b = g + l_m/2, c = -M - q_m l_m²/4",
        YieldMode.IIIs => "the same, a = 1/4q_s + 1/2q_m, b = l_s/2 + g, c = -q_s l_s²/4 - M",
        _ => "the same, a = 1/2q_s + 1/2q_m, b = g, c = -2M",
    };

    private static IEnumerable<CalculationLine> Used(Bolt bolt)
    {
        if (bolt.InTension is { } tension)
        {
            yield return new("Pulled out", "T / W p", $"{Lbf(bolt.Pull)} / {Lbf(bolt.Holds!.Value)}", $"{100 * tension:0.#} %", Source.Arithmetic);
        }

        if (bolt.InShear is { } shear)
        {
            yield return new("Across", "V / Z", $"{Lbf(bolt.Across)} / {Lbf(bolt.HoldsAcross!.Value)}", $"{100 * shear:0.#} %", Source.Arithmetic);
        }

        if (bolt.Hold.Use(bolt.Load, bolt.FromGrain) is { } most)
        {
            var together = Math.Sqrt((bolt.Pull.Newtons * bolt.Pull.Newtons) + (bolt.Across.Newtons * bolt.Across.Newtons));
            var both = !bolt.Hold.ByYield ? most : together == 0 ? 0 : ((bolt.Pull.Newtons * (bolt.InTension ?? 0)) + (bolt.Across.Newtons * (bolt.InShear ?? 0))) / together;
            yield return bolt.Hold.ByYield
                ? new(
                    "Both together", "√(T² + V²) / Z_a, Z_a = W p Z / (W p cos² a + Z sin² a), tan a = T / V",
                    $"√({N(bolt.Pull.PoundsForce)}² + {N(bolt.Across.PoundsForce)}²), a = {N(Math.Atan2(bolt.Pull.Newtons, bolt.Across.Newtons) * 180 / Math.PI)}°", $"{100 * both:0.#} %", Source.Nds("12.4.1"))
                : new("Both together", "T / T_allowed + V / V_allowed", $"{N(bolt.InTension ?? 0)} + {N(bolt.InShear ?? 0)}", $"{100 * both:0.#} %", Source.CommonPractice);
            yield return new("The largest of these counts", string.Empty, string.Empty, $"{100 * most:0.#} %", Source.Arithmetic);
        }
    }
}
