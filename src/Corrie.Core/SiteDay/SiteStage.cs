using System.Text.Json.Nodes;
using Corrie.Core.Catalogue;
using Corrie.Core.Feeds;
using Corrie.Core.Findings;
using Corrie.Core.Fixing;
using Corrie.Core.Hanging;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Core.SiteDay;

/// <summary>What has been made on site, beside what was planned.</summary>
/// <param name="Mount">Key of the mount.</param>
/// <param name="Proof">What has to be pulled at the plate before the display hangs on it.</param>
/// <param name="Made">How many of the planned bolts are in.</param>
/// <param name="Planned">How many are planned.</param>
/// <param name="Spent">How many holes are spent.</param>
/// <param name="Marks">The marks that check dimensions are taken between.</param>
/// <param name="Measured">What was measured between them.</param>
public sealed record SiteResult(string Mount, Mass Proof, int Made, int Planned, int Spent, IReadOnlyList<CheckPoint> Marks, IReadOnlyList<MeasuredCheck> Measured)
{
    private readonly Lazy<IReadOnlyList<CheckDimension>> checks = new(() => CheckDimensions.For(Marks));

    /// <summary>The check dimensions; worked out when somebody asks, since most readers of a plan do not.</summary>
    public IReadOnlyList<CheckDimension> Checks => checks.Value;

    /// <summary>Those of them that were measured, each with what it reads.</summary>
    public IReadOnlyList<(CheckDimension Check, Length Reads)> Taken => Measured.Count == 0 ? []
        : [.. Checks.Select(c => (c, Measured.FirstOrDefault(m => m.Id == c.Id)?.Reads)).Where(c => c.Reads is not null).Select(c => (c.c, c.Reads!.Value))];

    /// <summary>What those that were measured say; null as long as none was.</summary>
    public CheckVerdict? Verdict => Taken is { Count: > 0 } taken ? CheckDimensions.Judge(Marks, [.. taken.Select(t => t.Check)], [.. taken.Select(t => t.Reads)]) : null;
}

/// <summary>The day on site: what was made, measured and proved, and what follows from it.</summary>
public sealed class SiteStage : ILateStage
{
    private static readonly Result<SiteResult> Result = new("site day");
    private static readonly Result<Said> OfDay = new("day");

    /// <inheritdoc/>
    public StageId Id => SiteFindings.Stage;

    /// <inheritdoc/>
    public WorkStep Step => WorkStep.Site;

    /// <inheritdoc/>
    public IReadOnlyList<Part> Parts { get; } = [SettingOut.Part, Handling.Part, LiftWay.Part, OpenChoice.Part, Receipt.Part, EarlierInstall.Part, Visit.Part, ChangeOrder.Part, Incident.Part, ToolOut.Part, ClientSupplied.Part, DayTick.Part, DayPhoto.Part, Drying.Part, DayPlan.Part, HandedOver.Part, Aftercare.Part];

    /// <inheritdoc/>
    public IReadOnlyList<FindingKind> Kinds => SiteFindings.All;

    /// <inheritdoc/>
    public void Plan(HungPlan plan)
    {
        var sheet = plan.Sheet;
        foreach (var item in sheet.Items)
        {
            if (plan.Fixing(item.Id) is not { } fixing || plan.Layout(item.Id) is not { } layout || item.Product is not Mount mount || sheet.WallOf(item) is not { } wall || sheet.DisplayOn(item) is not { } display || plan.Placement(display.Id) is not { } placed)
            {
                continue;
            }

            var input = new OnSite(mount, layout, fixing, item.Get(Built.Part), placed.Outer, plan.Wanted(display.Id)!.Outer);
            plan.Work(Result, item.Id, wall.Id, input, static (work, input) =>
            {
                var result = Of(work.Owner, input);
                work.Add(SiteCheck.Check(input, result));
                return result;
            });
        }

        Day(plan);
    }

    private static void Day(HungPlan plan)
    {
        var sheet = plan.Sheet;
        IReadOnlyList<T> All<T>(Part<IReadOnlyList<T>> part) => sheet.Get(part) ?? [];
        foreach (var wall in sheet.Walls.Where(w => plan.Survey(w.Id) is not null))
        {
            var things = sheet.ThingsOn(wall).ToList();
            var displays = new List<DayDisplay>();
            foreach (var item in things)
            {
                if (item.Product is not Display || plan.Placement(item.Id) is not { } placed || sheet.On(item) is not { } mount)
                {
                    continue;
                }

                var built = mount.Get(Built.Part);
                var bare = plan.Routes(wall.Id)?.All.FirstOrDefault(r => r is { Route: { Power: true, Wired: null }, Chosen.OnSurface: false } && r.To is { } end && placed.Outer.Holds(end.X, end.Y));
                displays.Add(new(item.Id, item.Name, placed.Outer, built?.Hung is not null, built?.Holes.Any(h => h.Holds) == true, bare?.Route.Called ?? string.Empty));
            }

            // What hangs is lifted no more; nor is a plate that has a bolt in it.
            var lifts = things.Where(t => t.Get(Built.Part) is not { } made || !made.Holes.Any(h => h.Holds)).Where(t => sheet.On(t)?.Get(Built.Part)?.Hung is null)
                .Select(t => (Item: t, Lift: Lifting.For(plan, t))).Where(t => t.Lift is not null)
                .Select(t => new DayLift(t.Item.Id, t.Item.Product is Mount ? $"plate of the {t.Item.Name}" : sheet.NameOf(t.Item), t.Lift!.Value.Place, t.Lift.Value.Lift, t.Lift.Value.Mass)).ToList();
            var received = things.Where(t => t.Get(Receipt.Part) is not null).Select(t => new DayThing(t.Id, t.Name, t.Get(Receipt.Part)!, t.Get(EarlierInstall.Part))).ToList();
            var unplaced = things.Where(t => t.Kind == WallBox.Kind && plan.Placement(t.Id) is null).Select(t => t.Name).ToList();
            plan.Work(
                OfDay, wall.Id, wall.Id,
                new DayTask(wall.Id, ReferenceEquals(wall, sheet.Walls[0]), new(displays), new(lifts), new(received), new(unplaced), new(All(Visit.Part)), new(All(ChangeOrder.Part)), new(All(Incident.Part)), new(All(ClientSupplied.Part)), new(All(DayTick.Part)), new(All(DayPhoto.Part)), new(wall.Get(Drying.Part) ?? []), sheet.Get(Electrics.Part)?.Inspection ?? string.Empty),
                static (work, input) =>
                {
                    work.Add(DayCheck.Of(input));
                    return new Said();
                });
        }
    }

    private sealed record Said;

    /// <inheritdoc/>
    public StageReport Report(IHungResults plan, WallSheet? wall)
    {
        var here = wall is null ? [] : plan.Sheet.ThingsOn(wall).Select(i => (Item: i, Site: plan.Site(i.Id))).Where(i => i.Site is not null && i.Item.Get(Built.Part) is { } built && (built.Holes.Count > 0 || built.Hung is not null || built.Done.Count > 0)).ToList();
        // As long as nobody has begun, the plan waits for nothing here.
        if (here.Count == 0)
        {
            return wall is not null && plan.Sheet.ThingsOn(wall).Any(i => plan.Site(i.Id) is { Planned: > 0 }) ? StageReport.NotBegun("no hole made yet") : StageReport.NotNeeded;
        }

        var (made, planned) = (here.Sum(i => i.Site!.Made), here.Sum(i => i.Site!.Planned));
        return made < planned ? StageReport.Open(Phrase.Of($"{planned - made} of {planned} bolts"))
            : here.FirstOrDefault(i => i.Item.Get(Built.Part)!.Proof is not { Held: true }) is { Site: { } open } ? StageReport.Open(Phrase.Of($"a proof pull of {open.Proof}"))
            : here.Any(i => i.Item.Get(Built.Part)!.Hung is null) ? StageReport.Open("the display on it, measured")
            : StageReport.Clear(Phrase.Of($"{made} bolts in, proved and hung"));
    }

    /// <inheritdoc/>
    public void Write(IHungResults plan, PlanWriter file)
    {
        foreach (var item in plan.Sheet.Items)
        {
            if (plan.Site(item.Id) is { } site)
            {
                file.Item(item.Id)["site"] = new JsonObject
                {
                    ["made"] = site.Made,
                    ["planned"] = site.Planned,
                    ["spent"] = site.Spent,
                    ["proof"] = file.Mass(site.Proof),
                    ["rise"] = file.Exact(plan.Layout(item.Id)!.Rise),
                    ["checks"] = PlanWriter.All(site.Checks, c => new JsonObject { ["id"] = c.Id, ["reads"] = file.Exact(c.Expected) }),
                };
            }
        }
    }

    /// <summary>What has been made of a mount.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="mount">Key of the mount.</param>
    /// <returns>The result; null as long as no bolts are planned.</returns>
    internal static SiteResult? Of(IHungResults plan, string mount) => plan.Get(Result, mount);

    // A quarter more than what hangs, and never more than the mount is rated for.
    private static SiteResult Of(string mount, OnSite input)
    {
        var bolts = input.Fixing.Bolts;
        var proof = new Mass(Math.Min(input.Layout.Load.Kilograms * 1.25, input.Mount.Rated.Kilograms));
        IReadOnlyList<CheckPoint> marks = [.. bolts.Select(b => new CheckPoint($"{b.Number}", b.X, b.Y))];
        return new(mount, proof, input.Layout.Position.Bolts.Count(b => b.Made && !b.Astray), bolts.Count, input.Built?.Holes.Count(h => !h.Holds) ?? 0, marks, input.Built?.Checks ?? []);
    }
}

/// <summary>All that the findings on site follow from.</summary>
/// <param name="Mount">The mount.</param>
/// <param name="Layout">Where the plate goes, holes that are there respected.</param>
/// <param name="Fixing">The bolts.</param>
/// <param name="Built">What has been made; null for nothing.</param>
/// <param name="Outer">Where the display goes now.</param>
/// <param name="Wanted">Where it is wanted.</param>
internal sealed record OnSite(Mount Mount, PlateLayout Layout, FixingResult Fixing, Built? Built, Rect Outer, Rect Wanted);

/// <summary>What the day on site has made of a job.</summary>
public static class SiteResults
{
    /// <summary>What has been made of a mount.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="mount">Key of the mount.</param>
    /// <returns>The result; null as long as no bolts are planned.</returns>
    public static SiteResult? Site(this IHungResults plan, string mount) => SiteStage.Of(plan, mount);
}
