using System.Text.Json.Nodes;
using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Core.Hanging;

/// <summary>Display, mount and plate: from the place of the picture to the place of the plate.</summary>
public sealed class HangingStage : IEarlyStage
{
    /// <summary>Where a mount's plate goes.</summary>
    internal static readonly Result<PlateLayout> Result = new("plate layout");

    /// <summary>What goes into a display's back.</summary>
    internal static readonly Result<ScrewResult> ScrewsIn = new("display screws");

    private static readonly Result<Loose> NotHeld = new("not held");

    /// <inheritdoc/>
    public StageId Id => HangingFindings.Stage;

    /// <inheritdoc/>
    public WorkStep Step => WorkStep.Hang;

    /// <inheritdoc/>
    public IReadOnlyList<Part> Parts { get; } = [HangingChoice.Part, HangingChoice.Screws, Support.Part, HangingChoice.Bolt, HangingChoice.Spares, Built.Part, Held.Part];

    /// <inheritdoc/>
    public IReadOnlyList<FindingKind> Kinds => HangingFindings.All;

    /// <inheritdoc/>
    public void Plan(PlanBuilder plan)
    {
        var sheet = plan.Sheet;
        foreach (var wall in sheet.Walls)
        {
            foreach (var (item, finding) in plan.Survey(wall.Id) is { Wall.Features: var features } ? Held.Check(sheet, wall, features) : [])
            {
                plan.Work(NotHeld, item.Id, wall.Id, finding, static (work, finding) =>
                {
                    work.Add(finding);
                    return new Loose();
                });
            }
        }

        foreach (var item in sheet.Items)
        {
            if (item.Product is Mount { } carrier && sheet.WallOf(item) is { } on && sheet.DisplayOn(item)?.Product is Display back)
            {
                plan.Work(ScrewsIn, item.Id, on.Id, new Screwing(back, carrier, item.Get(HangingChoice.Screws), sheet.Carried(item).Count(i => i.Kind == Display.Kind) - 1), ScrewCheck.Check);
            }

            if (item.Hardware() is not { } mount || sheet.WallOf(item) is not { } wall || plan.Survey(wall.Id) is not { } surveyed ||
                sheet.DisplayOn(item) is not { Product: Display display } hung || plan.Wanted(hung.Id) is not { Outer: var wanted })
            {
                continue;
            }

            var load = new Same<(string Name, Mass Mass)>([.. sheet.AllCarried(item).Select(c => (c == hung ? "display" : c.Name, c.Product?.Mass ?? default))]);
            var input = new Hanging(item.Id, surveyed, mount, item.Get(HangingChoice.Part)!, display, hung.Get(PlacementChoice.Part)!, wanted, load, plan.BoltOf(item)?.Diameter ?? sheet.Policy.UsualBolt, hung.Id, sheet.RootOf(item).Id, sheet.Policy, item.Get(Support.Part), item.Bolt() is not null, new(item.Get(Built.Part)?.Holes ?? []));
            var laid = plan.Work(Result, item.Id, wall.Id, input, static (work, input) =>
            {
                var layout = PlateLayer.Lay(input) with { Turning = Turning.Of(input), Pivot = input.ArmsAt };
                input = input with { Outer = input.Outer.Raised(layout.Rise) };
                layout = layout with { Motion = Motion.Of(input.Id, input, layout.Turning) };
                var found = HangingCheck.Check(input, layout).ToList();
                if (input is { BoltChosen: true, Mount.Sort: MountKind.Flat } && found.FirstOrDefault(f => f.Kind == HangingFindings.OneStudOnly) is { } one && layout.Position.StudsHeld(input.Bolt) > 0)
                {
                    found.Remove(one);
                    layout = layout with { OneStud = one };
                }

                work.Add(found);
                Bodies(work, input, layout);
                Marks(work, input, layout);
                return layout;
            })!;
            foreach (var carried in laid.Rise == Length.Zero ? [] : sheet.AllCarried(item))
            {
                plan.Move(carried.Id, laid.Rise);
            }
        }
    }

    /// <inheritdoc/>
    public StageReport Report(IHungResults plan, WallSheet? wall)
    {
        var sheet = plan.Sheet;
        var here = wall is null ? sheet.Items : [.. sheet.ThingsOn(wall)];
        var mounts = here.Where(i => i.Kind == Mount.Kind).ToList();
        var displays = here.Where(i => i.Kind == Display.Kind).ToList();
        if (mounts.Count + displays.Count == 0)
        {
            return sheet.Items.Any(i => i.Kind.IsPlaced) ? StageReport.NotNeeded : StageReport.Untouched("a mount");
        }

        if (displays.FirstOrDefault(d => sheet.On(d)?.Kind != Mount.Kind) is { } bare)
        {
            Phrase needs = displays.Count == 1 ? "a mount" : Phrase.Of($"a mount for the {bare.Name}");
            return mounts.Count == 0 ? StageReport.Untouched(needs) : StageReport.Open(needs);
        }

        if (mounts.FirstOrDefault(m => m.Product is null) is not null)
        {
            return StageReport.Open("a mount");
        }

        return mounts.FirstOrDefault(m => plan.Layout(m.Id) is null) is { } open
            ? StageReport.Open(mounts.Count == 1 ? "a display and its place" : Phrase.Of($"a display and its place for the {open.Name}"))
            : StageReport.Clear(mounts.Count == 1 ? Phrase.Of($"hook line {plan.Layout(mounts[0].Id)!.HookLine}") : Phrase.Of($"{mounts.Count} plates laid out"));
    }

    /// <inheritdoc/>
    public void Write(IHungResults plan, PlanWriter file)
    {
        foreach (var item in plan.Sheet.Items)
        {
            if (plan.Layout(item.Id) is not { } layout)
            {
                continue;
            }

            var json = file.Item(item.Id);
            json["load"] = file.Mass(layout.Load);
            json["hookLine"] = file.Exact(layout.HookLine);
            json["chains"] = PlanWriter.All(layout.Chains, c => new JsonObject
            {
                ["from"] = c.From.Word(),
                ["steps"] = c.Say().Say(file.Style),
                ["hookLine"] = file.Exact(c.Result),
            });
            json["armHole"] = layout.ArmHole;
            json["plate"] = file.Rectangle(layout.Plate);
            json["plateCentre"] = file.Exact(layout.Position.Plate);
            json["slide"] = file.Exact(layout.Shift);
            json["slideSays"] = SlideWords(layout.Shift).Say(file.Style);
            json["slideLeft"] = file.Exact(layout.SlideLeft);
            json["slideRight"] = file.Exact(layout.SlideRight);
            if (plan.Screws(item.Id) is { Pairs.Count: > 0 } screws)
            {
                json["displayScrews"] = PlanWriter.All(screws.Pairs, p => new JsonObject
                {
                    ["holes"] = p.Holes.Name,
                    ["thread"] = p.Holes.Thread,
                    ["screw"] = p.Screw is { } screw ? file.Exact(screw) : null,
                    ["washer"] = file.Exact(p.Washer),
                    ["spacer"] = file.Exact(p.Spacer),
                    ["engagement"] = file.Exact(p.Engagement),
                });
            }
        }
    }

    /// <summary>Which way the display slides on its plate, from the front and from its back: everybody gets this wrong once.</summary>
    /// <param name="slide">How far the display's centre stands right of the plate's, seen from the front.</param>
    /// <returns>The sentence.</returns>
    public static Phrase SlideWords(Length slide) => slide == Length.Zero
        ? Phrase.Of("the display's centre is on the plate's")
        : Phrase.Of($"the display slides {slide.Abs} to the {slide.Side()} seen from the front, {(-slide).Side()} seen from its back");

    private sealed record Loose;

    private static void Bodies(Worksheet work, Hanging input, PlateLayout layout)
    {
        var mount = input.Mount;
        work.Add(new Body("plate", "plate", BodyRole.Plate, layout.Plate, Length.Zero, mount.PlateThickness) { Assembly = input.Assembly });
        if (layout.Backing is { Kind: BackingKind.Board, Outline: var outline, Thickness: var thick })
        {
            work.Add(new Body("backing", "board", BodyRole.Plate, outline, Length.Zero, thick) { Assembly = input.Assembly });
        }

        foreach (var arm in layout.Arms)
        {
            work.Add(new Body("arms", "arm", BodyRole.Arm, arm, mount.PlateThickness, Length.Max(mount.PlateThickness, mount.DepthParked)) { Assembly = input.Assembly });
        }
    }

    private static void Marks(Worksheet work, Hanging input, PlateLayout layout)
    {
        work.Add(new Mark("hook-line", "Hook line", null, layout.HookLine, layout.Chains.Single(c => c.From == input.Choice.Reference).Say(), MarkPhase.LevelLines, MarkViews.Behind, MarkLook.Chalk) { Follows = input.DisplayId });
        work.Add(new Mark("plate", "Plate centre", layout.Position.Plate, null, SlideWords(layout.Shift), MarkPhase.Outlines, MarkViews.Behind, MarkLook.Chalk));
        work.Add(new Mark("plate-top", "Plate top", null, layout.Plate.Top, $"{layout.Plate.Top - layout.HookLine} over the hook line", MarkPhase.Outlines));
        if (layout.Template is { } template)
        {
            work.Add(new Mark("template-top", "Template top", null, template.Top, $"{template.Height} high, its middle on the hook line", MarkPhase.Outlines));
        }
    }
}

/// <summary>All that a plate's layout follows from.</summary>
/// <param name="Id">Key of the mount.</param>
/// <param name="Survey">The wall as surveyed.</param>
/// <param name="Mount">The mount.</param>
/// <param name="Choice">What was chosen and measured.</param>
/// <param name="Display">The display that hangs on it.</param>
/// <param name="Placement">Where that is wanted.</param>
/// <param name="Outer">Where its outer edges are wanted, and once the plate is laid out where they go.</param>
/// <param name="Load">All that hangs on the mount, by name and weight.</param>
/// <param name="Bolt">Shank diameter of the bolts.</param>
/// <param name="DisplayId">Key of the display.</param>
/// <param name="Assembly">Key of the lowest thing that carries it all.</param>
/// <param name="Policy">The company's figures.</param>
/// <param name="Support">What is made so that the plate holds; null where nothing is.</param>
/// <param name="BoltChosen">Whether somebody has chosen the bolts.</param>
/// <param name="Made">Holes that are in the wall.</param>
internal sealed record Hanging(
    string Id, Surveyed Survey, Mount Mount, HangingChoice Choice, Display Display, PlacementChoice Placement, Rect Outer, Same<(string Name, Mass Mass)> Load, Length Bolt, string DisplayId, string Assembly, Policy Policy, Support? Support, bool BoltChosen, Same<MadeHole> Made)
{
    /// <summary>What the plate's place along the wall follows from.</summary>
    public PlateQuestion Question => new(
        Mount, Studs, ArmsAt, Bolt, Wall.Kind, Wall.Width, Mount.Moves ? null : Display.VesaWidth, Support?.Drilled)
    { Made = [.. Made.Items.Where(h => h.Holds).Select(h => (h.Row, h.Across))] };

    /// <summary>The wall, its readings worked in.</summary>
    public Wall Wall => Survey.Wall;

    /// <summary>The wall's studs as the bolts see them.</summary>
    public IReadOnlyList<Stud> Studs => Survey.For(Bolt).Studs;

    /// <summary>Where the middle between the arms has to be, from the left corner.</summary>
    public Length ArmsAt => Outer.CentreX + Display.VesaCentreRight;

    /// <summary>The sum of all that hangs on the mount.</summary>
    public Mass Weight => Load.Items.Aggregate(default(Mass), (sum, l) => sum + l.Mass);
}

/// <summary>What hanging has made of a job.</summary>
public static class HangingResults
{
    /// <summary>Where a mount's plate goes.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="mount">Key of the mount.</param>
    /// <returns>The layout; null as long as it lacks something.</returns>
    public static PlateLayout? Layout(this IResults plan, string mount) => plan.Get(HangingStage.Result, mount);

    /// <summary>What goes into the back of the display on a mount.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="mount">Key of the mount.</param>
    /// <returns>The screws; null as long as no display hangs on it.</returns>
    public static ScrewResult? Screws(this IResults plan, string mount) => plan.Get(HangingStage.ScrewsIn, mount);

    /// <summary>What a plate is bolted with.</summary>
    /// <param name="mount">The mount.</param>
    /// <returns>The bolt, screw or toggle; null until one is chosen.</returns>
    public static Fastener? Bolt(this Item mount) => mount.Get(HangingChoice.Bolt);

    /// <summary>What a plate is bolted with on the wall as it has turned out: what was chosen, or the first of the fixings on the van that suits, where that does not.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="mount">The mount.</param>
    /// <returns>The bolt, screw, anchor or toggle; null until one is chosen.</returns>
    public static Fastener? BoltOf(this IResults plan, Item mount)
    {
        var (chosen, spares) = (mount.Bolt(), mount.Get(HangingChoice.Spares) ?? []);
        return chosen is null || spares.Count == 0 || plan.Sheet.WallOf(mount) is not { } wall || plan.Survey(wall.Id) is not { Wall.Kind: var kind } || Suits(chosen) ? chosen : spares.FirstOrDefault(Suits) ?? chosen;

        bool Suits(Fastener fastener) => mount.Get(Support.Part) switch
        {
            { Backing: not null } => fastener.Sort.Suits(WallKind.Planks),
            { BoardOnly: true } => fastener.Sort == FastenerKind.Toggle,
            _ => fastener.Sort.Suits(kind),
        };
    }

    /// <summary>The display that hangs on a mount: the first one, where there are several.</summary>
    /// <param name="sheet">The sheet.</param>
    /// <param name="mount">The mount.</param>
    /// <returns>The display; null where none hangs on it.</returns>
    public static Item? DisplayOn(this JobSheet sheet, Item mount) => sheet.Carried(mount).FirstOrDefault(i => i.Kind == Display.Kind);
}
