using System.Text.Json.Nodes;
using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Hanging;
using Corrie.Core.Masonry;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Core.Fixing;

/// <summary>What holds the plates: bolts, where they go, and whether they hold.</summary>
public sealed class FixingStage : ILateStage
{
    /// <summary>What holds a plate.</summary>
    internal static readonly Result<FixingResult> Result = new("fixing");

    private const long StepsOfPoses = 200_000;
    private const long StepsOfABolt = 40_000;

    private static readonly Result<WallHoles> Holes = new("holes");
    private static readonly Result<NextProbes> Probes = new("next probes");

    /// <inheritdoc/>
    public StageId Id => FixingFindings.Stage;

    /// <inheritdoc/>
    public WorkStep Step => WorkStep.Fix;

    /// <inheritdoc/>
    public IReadOnlyList<Part> Parts { get; } = [FixingChoice.Part, FixingEvidence.Part, FixingChoice.Crews];

    /// <inheritdoc/>
    public IReadOnlyList<FindingKind> Kinds => FixingFindings.All;

    /// <inheritdoc/>
    public void Plan(HungPlan plan)
    {
        var sheet = plan.Sheet;
        var bits = (sheet.Get(FixingChoice.Crews) ?? []).SelectMany(c => c.Bits.Concat(c.Drills.Where(d => d.For == BitFor.Wood).Select(d => d.Diameter))).Distinct().Order().ToList();
        var drills = new Same<Bit>([.. (sheet.Get(FixingChoice.Crews) ?? []).SelectMany(c => c.Drills)]);
        var kit = new Same<Length>(bits.Count == 0 ? PilotHole.UsualBits : bits);
        foreach (var wall in sheet.Walls)
        {
            if (plan.Survey(wall.Id) is not { } surveyed)
            {
                continue;
            }

            var holes = new List<Hole>();
            var thickest = Length.Zero;
            foreach (var item in sheet.ThingsOn(wall))
            {
                if (plan.BoltOf(item) is not { } bolt)
                {
                    continue;
                }

                thickest = Length.Max(thickest, bolt.Diameter);
                if (item.Hardware() is not { } mount || plan.Layout(item.Id) is not { } layout || sheet.DisplayOn(item) is not { Product: Display display } hung || plan.Placement(hung.Id) is not { } placed)
                {
                    continue;
                }

                var choice = item.Get(FixingChoice.Part)!;
                var gaps = plan.Face(item.Id)?.Gaps ?? new([]);
                // What hangs stands out by the widest gap; each bolt has its own.
                choice = gaps.Items.Max() is { } widest ? choice with { Packing = widest } : choice;
                var input = new Bolting(surveyed, mount, bolt, choice, layout, placed.Outer, display.Depth, kit, sheet.Policy, item.Get(FixingEvidence.Part), item.Get(Support.Part) is { BoardOnly: true }, new([.. (item.Get(Built.Part)?.Holes ?? []).Where(h => !h.Holds)]), drills)
                { Gaps = gaps, Fire = wall.Get(Fire.Part) };
                var result = plan.Work(Result, item.Id, wall.Id, input, static (work, input) =>
                {
                    // Poses by bolts: what looking for the worst of them takes.
                    work.Budget.Spend(input.Mount.Moves ? StepsOfPoses + (StepsOfABolt * (long)input.Layout.Position.Bolts.Count) : 0);
                    var result = BoltPlan.Of(input);
                    work.Add(FixingCheck.Check(input, result));
                    work.Add(FixingEvidence.Check(input));
                    work.Add(HoleCheck.Each(input.Survey, BoltPlan.Holes(input, result), input.Fastener.Diameter, [.. input.Spent.Items.Select(h => (h.Across, h.Up))]));

                    foreach (var hole in BoltPlan.Holes(input, result).Skip(result.Bolts.Count))
                    {
                        work.Add(new WallHole(hole.Part, hole.X, hole.Y, hole.Stud.Id == BoltPlan.ToggleId ? input.Fastener.Diameter * 2 : input.Fastener.Diameter, input.Wall.LayersThickness + (hole.Stud.Id == BoltPlan.ToggleId ? Length.Zero : input.Wall.StudDepth.Half)));
                    }

                    // What goes into a board on the wall alone makes no hole in the wall.
                    foreach (var bolt in input.Layout.Backing is { Kind: BackingKind.Board } ? [] : result.Bolts)
                    {
                        work.Add(new WallHole(bolt.Part, bolt.X, bolt.Y, input.Fastener.Hole > Length.Zero ? input.Fastener.Hole : input.Fastener.Diameter, bolt.DrillDepth));
                    }

                    BoltPlan.Mark(work, input, result);
                    return result;
                })!;
                holes.AddRange(BoltPlan.Holes(input, result));
            }

            plan.Work(Holes, wall.Id, wall.Id, (surveyed.Wall, House: sheet.House(), All: new Same<Hole>(holes)), static (work, input) =>
            {
                work.Add(HoleCheck.Together(input.Wall, input.House, input.All.Items));
                return new WallHoles(input.All.Items);
            });
            plan.Work(SurveyStage.Bolt, wall.Id, wall.Id, thickest, static (_, thickest) => thickest == Length.Zero ? null : new ThickestBolt(thickest));
        }
    }

    /// <inheritdoc/>
    public StageReport Report(IHungResults plan, WallSheet? wall)
    {
        var sheet = plan.Sheet;
        var here = wall is null ? sheet.Items : [.. sheet.ThingsOn(wall)];
        var mounts = here.Where(i => i.Kind == Mount.Kind).ToList();
        if (mounts.Count == 0)
        {
            return here.Any(i => i.Kind == Display.Kind) || !sheet.Items.Any(i => i.Kind.IsPlaced) ? StageReport.Untouched("a bolt") : StageReport.NotNeeded;
        }

        if (mounts.All(m => m.Bolt() is null))
        {
            return StageReport.Untouched("a bolt");
        }

        foreach (var mount in mounts)
        {
            Phrase? needs = mount.Bolt() is null ? Phrase.Of($"a bolt for the {mount.Name}")
                : plan.Fixing(mount.Id) is not { } result ? "a mount and its place"
                : result.Bolts.Count == 0 ? "studs that the plate can reach"
                : null;
            if (needs is not null)
            {
                return StageReport.Open(needs);
            }
        }

        var bolts = mounts.SelectMany(m => plan.Fixing(m.Id)!.Bolts).ToList();
        return StageReport.Clear(bolts.Max(b => b.Utilisation) is { } most
            ? double.IsFinite(most) ? Phrase.Of($"{bolts.Count} bolts, {Bolt.Share(most)} of their pull") : Phrase.Of($"{bolts.Count} bolts, more than they hold")
            : Phrase.Of($"{bolts.Count} bolts"));
    }

    /// <inheritdoc/>
    public void Write(IHungResults plan, PlanWriter file)
    {
        foreach (var item in plan.Sheet.Items)
        {
            if (plan.Fixing(item.Id) is not { } bolts)
            {
                continue;
            }

            var json = file.Item(item.Id);
            json["pilot"] = new JsonObject
            {
                ["least"] = file.Exact(bolts.PilotLeast),
                ["most"] = file.Exact(bolts.PilotMost),
                ["bit"] = file.Exact(bolts.Pilot),
                ["drillDepth"] = file.Exact(bolts.DrillDepth),
            };
            json["length"] = new JsonObject
            {
                ["least"] = file.Exact(bolts.Length.Least),
                ["most"] = file.Exact(bolts.Length.Most),
                ["sold"] = file.Exact(bolts.Length.Sold),
            };
            json["bolts"] = PlanWriter.All(bolts.Bolts, b => new JsonObject
            {
                ["number"] = b.Number,
                ["row"] = b.Row,
                ["x"] = file.Exact(b.X),
                ["y"] = file.Exact(b.Y),
                ["stud"] = b.Stud.Id,
                ["offCentre"] = file.Exact(b.OffCentre),
                ["tolerance"] = file.Exact(b.Tolerance),
                ["penetration"] = file.Exact(b.Penetration),
                ["thread"] = file.Exact(b.Thread),
                ["pose"] = b.Pose.Says((Mount)item.Product!).Say(file.Style),
                ["across"] = file.Force(b.Across),
                ["holdsAcross"] = file.Force(b.HoldsAcross),
                ["pull"] = file.Force(b.Pull),
                ["holds"] = file.Force(b.Holds),
                ["length"] = file.Exact(b.Length),
                ["packing"] = file.Exact(b.Packing),
                ["drillDepth"] = file.Exact(b.DrillDepth),
                ["utilisation"] = PlanWriter.Number(b.Utilisation, 3),
            });
        }

        foreach (var wall in plan.Sheet.Walls.Where(w => plan.Survey(w.Id) is not null))
        {
            file.Wall(wall.Id)["probes"] = PlanWriter.All(ProbesOf(plan, wall.Id), p => new JsonObject
            {
                ["axis"] = p.Axis == Axis.Up ? "up" : "across",
                ["at"] = file.Exact(p.At),
                ["beside"] = file.Exact(p.Beside),
                ["for"] = p.For,
                ["purpose"] = p.Purpose.Say(file.Style),
                ["ifHit"] = p.IfHit.Say(file.Style),
                ["ifStops"] = p.IfStops.Say(file.Style),
                ["ifMiss"] = p.IfMiss.Say(file.Style),
            });
        }
    }

    /// <summary>Where to push a thin bit in next on a wall, and what it would tell.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="wall">Key of the wall.</param>
    /// <returns>The probes: for the studs that bolts go into, then for places that have to be free.</returns>
    internal static IReadOnlyList<Probe> ProbesOf(IHungResults plan, string wall) => plan.Later(Probes, wall, () => new NextProbes(Choose(plan, wall))).All;

    private static List<Probe> Choose(IHungResults plan, string wall)
    {
        if (plan.Survey(wall) is not { } survey || plan.Sheet.Wall(wall) is not { } sheet)
        {
            return [];
        }

        // The studs that the plates' bolts go into; before there is a plate, those behind a display; before that, all.
        var probes = new List<Probe>();
        var mounts = plan.Sheet.ThingsOn(sheet).Where(i => plan.Layout(i.Id) is not null).ToList();
        foreach (var mount in mounts)
        {
            var (layout, bolt) = (plan.Layout(mount.Id)!, plan.BoltOf(mount)?.Diameter ?? plan.Sheet.Policy.UsualBolt);
            var needed = layout.Position.Bolts.Count > 0 ? layout.Position.Bolts.Select(b => b.Stud.Id)
                : Behind(survey.For(bolt).Studs, plan.Sheet.DisplayOn(mount) is { } display ? plan.Placement(display.Id) : null);
            probes.AddRange(Probing.Confirm(survey, needed, layout.HookLine, bolt).Where(p => probes.All(q => q.For != p.For || q.At != p.At)));
        }

        var usual = plan.ShownBolt(wall);
        if (mounts.Count == 0)
        {
            var placed = plan.Sheet.ThingsOn(sheet).Select(i => plan.Placement(i.Id)).FirstOrDefault(p => p?.Picture is not null);
            probes.AddRange(Probing.Confirm(survey, Behind(survey.For(usual).Studs, placed), null, usual));
        }

        return [.. probes, .. Probing.Clear(survey, usual)];
    }

    private static IEnumerable<string> Behind(IReadOnlyList<Stud> studs, PlacementResult? placed) =>
        studs.Where(s => placed is null || (s.Centre > placed.Outer.Left && s.Centre < placed.Outer.Right)).Select(s => s.Id);

    private sealed record WallHoles(IReadOnlyList<Hole> All);

    private sealed record NextProbes(IReadOnlyList<Probe> All);
}

/// <summary>What fixing has made of a job.</summary>
public static class FixingResults
{
    /// <summary>What holds a plate.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="mount">Key of the mount.</param>
    /// <returns>The bolts; null as long as something lacks.</returns>
    public static FixingResult? Fixing(this IHungResults plan, string mount) => plan.Get(FixingStage.Result, mount);

    /// <summary>Where to push a thin bit in next on a wall, and what it would tell.</summary>
    /// <remarks>Worked out when somebody asks: it costs more than all the rest, and most readers of a plan do not.</remarks>
    /// <param name="plan">The plan.</param>
    /// <param name="wall">Key of the wall.</param>
    /// <returns>The probes, the most useful first.</returns>
    public static IReadOnlyList<Probe> Probes(this IHungResults plan, string wall) => FixingStage.ProbesOf(plan, wall);
}
