using System.Text.Json.Nodes;
using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Core.Placement;

/// <summary>Where displays and other things go, and what is wrong with those places.</summary>
public sealed class PlacementStage : IEarlyStage
{
    /// <summary>Where a thing goes.</summary>
    internal static readonly Result<PlacementResult> Result = new("placement");

    /// <summary>Where a thing is wanted.</summary>
    internal static readonly Result<WantedPlace> WantedAt = new("wanted place");

    /// <inheritdoc/>
    public StageId Id => PlacementFindings.Stage;

    /// <inheritdoc/>
    public WorkStep Step => WorkStep.Place;

    /// <inheritdoc/>
    public IReadOnlyList<Part> Parts { get; } = [PlacementChoice.Part, Stands.Part, PlacementChoice.Read, PlacementChoice.Seats, RoomLight.Part];

    /// <inheritdoc/>
    public IReadOnlyList<FindingKind> Kinds => PlacementFindings.All;

    /// <inheritdoc/>
    public void Plan(PlanBuilder plan)
    {
        foreach (var wall in plan.Sheet.Walls)
        {
            foreach (var thing in plan.Survey(wall.Id) is { Wall: var surveyed } ? PlacedOn(plan.Sheet, wall, surveyed) : [])
            {
                plan.Work(WantedAt, thing.Id, wall.Id, thing.Outer, static (_, outer) => new WantedPlace(outer));
            }
        }
    }

    /// <summary>What is seen of each thing where it really goes, and what is wrong with that.</summary>
    /// <param name="plan">The plan, everything hung.</param>
    public void Settle(HungPlan plan)
    {
        var sheet = plan.Sheet;
        var seats = sheet.Get(PlacementChoice.Seats) ?? [];
        foreach (var wall in sheet.Walls)
        {
            if (plan.Survey(wall.Id) is not { Wall: var surveyed })
            {
                continue;
            }

            // A seat before a wall or a display that is gone watches all the same.
            var placed = PlacedOn(sheet, wall, surveyed).Select(t => t with { Outer = t.Outer.Raised(plan.Rise(t.Id)), Rise = plan.Rise(t.Id) }).ToList();
            var watched = new Same<Viewer>([.. seats.Where(s => (sheet.Wall(s.Wall) ?? sheet.Walls[0]) == wall).Select(s => sheet.Item(s.For) is null ? s with { For = string.Empty } : s)]);
            var names = new Same<PlacedThing>(placed);
            foreach (var thing in placed)
            {
                var mount = sheet.Item(thing.Id) is { } item ? sheet.On(item)?.Hardware() : null;
                var lights = new Same<RoomLight>(wall.Get(RoomLight.Part) ?? []);
                plan.Work(Result, thing.Id, wall.Id, (surveyed, thing, mount, watched, names, lights, sheet.Policy), static (work, input) =>
                {
                    var (wall, thing, mount, seats, others, lights, policy) = input;
                    var placing = new Placing(wall, thing, mount, [.. seats.Items.Where(s => s.For.Length == 0 || s.For == thing.Id)], others.Items, policy);
                    var result = placing.Result;
                    work.Add(placing.Findings());
                    if (result.Picture is { } picture)
                    {
                        work.Add(Glare.Check(picture, result.Views, lights.Items));
                    }

                    work.Add(placing.Body);
                    Marks(work, wall, thing, result, mount is not null || thing.Carried);
                    return result;
                });
            }
        }
    }

    /// <inheritdoc/>
    public StageReport Report(IHungResults plan, WallSheet? wall)
    {
        // What names a wall that is gone, or hangs in a ring, is on no wall: nothing of it is planned, so nothing is clear.
        if (wall is not null && ReferenceEquals(wall, plan.Sheet.Walls[0]) && plan.Sheet.Items.FirstOrDefault(i => plan.Sheet.WallOf(i) is null) is { } lost)
        {
            return StageReport.Open(Phrase.Of($"a wall for {lost.Kind.Title.ToLowerInvariant()} {lost.Id}"));
        }

        var things = wall is null ? [.. plan.Sheet.Items.Where(i => i.Kind.IsPlaced)] : plan.Sheet.ThingsOn(wall).Where(i => i.Kind.IsPlaced).ToList();
        if (things.Count == 0)
        {
            // A job without anything to place has only begun; a further wall without anything may stay so.
            return plan.Sheet.Items.Any(i => i.Kind.IsPlaced) ? StageReport.NotNeeded : StageReport.Untouched("a display");
        }

        // What stands in a cupboard has its place there.
        foreach (var thing in things.Where(t => t.Product is null || t.Get(Stands.Part) is not { In.Length: > 0 }))
        {
            Phrase? needs = thing.Product is null ? $"a {Choosing(thing)}"
                : thing.Get(PlacementChoice.Part) is null && plan.Placement(thing.Id) is null ? Named(thing, things, "a height")
                : plan.Placement(thing.Id) is null ? "the wall"
                : null;
            if (needs is not null)
            {
                return StageReport.Open(needs);
            }
        }

        return StageReport.Clear(things.Count == 1 && plan.Placement(things[0].Id) is { Outer: var first } ? Phrase.Of($"bottom {first.Bottom}, centre {first.CentreY}") : Phrase.Of($"{things.Count} things placed"));
    }

    /// <inheritdoc/>
    public void Write(IHungResults plan, PlanWriter file)
    {
        foreach (var item in plan.Sheet.Items)
        {
            if (plan.Placement(item.Id) is not { } placed)
            {
                continue;
            }

            var json = file.Item(item.Id);
            json["outer"] = file.Rectangle(placed.Outer);
            json["budget"] = PlanWriter.All(placed.Budget, b => new JsonObject
            {
                ["name"] = b.Name,
                ["from"] = file.Exact(b.From),
                ["to"] = file.Exact(b.To),
                ["size"] = file.Exact(b.Size),
                ["gap"] = b.IsGap,
            });
            if (placed.Picture is { } picture)
            {
                json["picture"] = file.Rectangle(picture);
                json["views"] = PlanWriter.All(placed.Views, v => new JsonObject
                {
                    ["viewer"] = v.Viewer.Name,
                    ["toCentre"] = PlanWriter.Degrees(v.ToCentre),
                    ["toTop"] = PlanWriter.Degrees(v.ToTop),
                    ["field"] = PlanWriter.Degrees(v.Field),
                    ["tilt"] = PlanWriter.Degrees(v.Tilt),
                    ["residual"] = PlanWriter.Degrees(v.Residual),
                });
            }
        }
    }

    private static IEnumerable<PlacedThing> PlacedOn(JobSheet sheet, WallSheet wall, Wall surveyed) => sheet.ThingsOn(wall).Select(i => PlacedThing.Of(sheet, i, surveyed, sheet.RootOf(i).Id)).OfType<PlacedThing>();

    private static string Choosing(Item thing) => thing.Kind.Title.ToLowerInvariant();

    private static Phrase Named(Item thing, List<Item> things, string needs) => things.Count == 1 ? needs : Phrase.Of($"{needs} for the {thing.Name}");

    private static void Marks(Worksheet work, Wall wall, PlacedThing thing, PlacementResult result, bool hung)
    {
        var outer = result.Outer;
        var what = thing.IsDisplay ? "Display" : thing.Kind.Title;
        work.Add(new Mark("centre", "Centre line", outer.CentreX, null, OverWhat(wall, thing), MarkPhase.CentreLines, MarkViews.Both, MarkLook.Chalk) { Follows = thing.Id });
        // What hangs on a plate gets its height from there, and its edges are a check; anything else is set out by its edges.
        var (phase, how) = hung || thing.IsDisplay ? (MarkPhase.Checks, Phrase.Of("check once it hangs")) : (MarkPhase.LevelLines, Phrase.Of($"{outer.Height} high"));
        work.Add(new Mark("bottom", what + " bottom", null, outer.Bottom, how, phase, MarkViews.Both) { Follows = thing.Id });
        // A box is cut by its middle and its lower edge; its size is its own.
        if (thing.Kind.Layer != WallLayer.Inside)
        {
            work.Add(new Mark("top", what + " top", null, outer.Top, how, phase, MarkViews.Front) { Follows = thing.Id });
        }
    }

    private static Phrase OverWhat(Wall wall, PlacedThing thing)
    {
        var choice = thing.Choice;
        var name = choice.Over switch
        {
            null => null,
            "wall" => "wall",
            var id => wall.Features.FirstOrDefault(f => f.Id == id)?.Name ?? thing.OverThing ?? "wall",
        };
        return name is null ? Phrase.Of("by reading")
            : choice.Across == Length.Zero ? Phrase.Of($"centre of the {name}")
            : Phrase.Of($"{choice.Across.Abs} {choice.Across.Side()} of the centre of the {name}");
    }
}

/// <summary>What placement has made of a job.</summary>
public static class PlacementResults
{
    /// <summary>Where a thing goes.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="item">Key of the thing.</param>
    /// <returns>Its place; null as long as product, height or wall lack.</returns>
    public static PlacementResult? Placement(this IHungResults plan, string item) => plan.Get(PlacementStage.Result, item);

    /// <summary>Where a thing is wanted: where it goes as long as no hole is in the wall elsewhere.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="item">Key of the thing.</param>
    /// <returns>Its place; null as long as product, height or wall lack.</returns>
    public static WantedPlace? Wanted(this IResults plan, string item) => plan.Get(PlacementStage.WantedAt, item);

    /// <summary>Left or right, for a distance counted to the right.</summary>
    /// <param name="toTheRight">The distance.</param>
    /// <returns><c>left</c> or <c>right</c>.</returns>
    public static string Side(this Length toTheRight) => toTheRight < Length.Zero ? "left" : "right";
}
