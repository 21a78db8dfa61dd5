using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Fixing;
using Corrie.Core.Format;
using Corrie.Core.Hanging;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Core.Feeds;

/// <summary>Something hidden in a wall: where somebody who drills there next year must not.</summary>
/// <param name="What">What it is.</param>
/// <param name="From">Where it begins: its left and lower end.</param>
/// <param name="To">Where it ends; the same for a point.</param>
/// <param name="Says">What else is to know about it.</param>
public sealed record HiddenThing(string What, WayEnd From, WayEnd To, Phrase Says);

/// <summary>Everything hidden in a wall: members, boxes, cables with their holes, screws, and what was there.</summary>
public static class InWall
{
    /// <summary>All of it.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="wall">The wall.</param>
    /// <returns>The things, by kind, each from the left and from below.</returns>
    public static IReadOnlyList<HiddenThing> Of(JobPlan plan, WallSheet wall)
    {
        if (plan.Survey(wall.Id) is not { } surveyed)
        {
            return [];
        }

        var all = new List<HiddenThing>();
        var sheet = plan.Sheet;
        foreach (var item in sheet.ThingsOn(wall).Where(i => i.Product is WallBox && plan.Placement(i.Id) is not null))
        {
            var (outer, box) = (plan.Placement(item.Id)!.Outer, (WallBox)item.Product!);
            all.Add(new(item.Name, new(outer.CentreX, outer.CentreY), new(outer.CentreX, outer.CentreY), Phrase.Of($"its middle; opening {box.OpeningWidth} by {box.OpeningHeight}, {box.Depth} deep, {(box.Use == BoxUse.Both ? "mains and signal" : box.HasPower ? "mains" : "signal")}")));
        }

        foreach (var route in plan.Routes(wall.Id)?.All ?? [])
        {
            var cables = route.Bundle.Cables.Count == 0 ? "nothing on the sheet yet" : string.Join(", ", route.Bundle.Cables.Select(c => c.Name));
            foreach (var move in route.Chosen?.Moves.Where(m => m.Kind != WayMoveKind.Surface && (m.Drills || m.Run >= Length.Tape(1))) ?? [])
            {
                var what = move.Kind switch
                {
                    WayMoveKind.AlongBay => $"{route.Route.Called} cable in the bay",
                    WayMoveKind.Noggin => $"{route.Route.Called} cable through a noggin",
                    WayMoveKind.Stud => $"{route.Route.Called} cable through a stud",
                    WayMoveKind.TopPlate => $"{route.Route.Called} cable through the top plate",
                    WayMoveKind.BottomPlate => $"{route.Route.Called} cable through the bottom plate",
                    WayMoveKind.Attic => $"{route.Route.Called} cable in the attic",
                    _ => $"{route.Route.Called} cable in the basement",
                };
                var (low, high) = Ends(move);
                all.Add(new(what, low, high, move.Drills ? Phrase.Of($"hole of {route.Hole:fine}; {cables}") : Phrase.Of($"{cables}")));
            }
        }

        foreach (var item in sheet.ThingsOn(wall))
        {
            foreach (var bolt in plan.Fixing(item.Id)?.Bolts ?? [])
            {
                all.Add(new($"{plan.BoltOf(item)?.Name ?? "bolt"} {bolt.Number}", new(bolt.X, bolt.Y), new(bolt.X, bolt.Y), Phrase.Of($"of the {item.Name}")));
            }
        }

        foreach (var feature in surveyed.Wall.Features.Where(f => f.Buried || f.Traits.InWall || f.Kind == FeatureKind.OldHole))
        {
            all.Add(new(feature.Name, new(feature.Left, feature.Bottom), new(feature.Right, feature.Top), feature.RouteKnown ? "was there before" : "was there before; where it runs on is not known"));
        }

        foreach (var stud in surveyed.For(plan.ShownBolt(wall.Id)).Studs)
        {
            all.Add(new("stud", new(stud.Centre, Length.Zero), new(stud.Centre, surveyed.Wall.Height), Phrase.Of($"its centre; {stud.State.Words()}, {stud.Width} wide")));
        }

        foreach (var noggin in surveyed.For(plan.ShownBolt(wall.Id)).Map.Crossings)
        {
            all.Add(new("noggin", new(noggin.From, noggin.Centre), new(noggin.To, noggin.Centre), Phrase.Of($"its centre; {noggin.State.Words()}")));
        }

        return all;
    }

    /// <summary>The second line from which a place is read, beside corner and floor: the nearest that will still be there next year and is no member, since those are hidden too.</summary>
    /// <param name="wall">The wall.</param>
    /// <param name="axis">Across or up.</param>
    /// <param name="at">The place, from the left corner or the floor.</param>
    /// <returns>The line, whether the place is left of or below it, and the reading; the first line itself where there is no other.</returns>
    public static (Datum Line, bool Back, Length Reads) Beside(Wall wall, Axis axis, Length at)
    {
        var first = axis == Axis.Across ? Datum.LeftCorner : Datum.Floor;
        var loose = wall.Features.Where(f => f.Kind is FeatureKind.Furniture or FeatureKind.Soundbar or FeatureKind.Other).Select(f => f.Id).ToHashSet();
        var lines = Datum.Of(wall).Where(d => d.Axis == axis).ToList();
        var line = lines.Where(d => d.Id != first && !d.Id.StartsWith("studs/", StringComparison.Ordinal) && !loose.Contains(d.Id.Split('/')[0])).MinBy(d => ((at - d.At).Abs.Units, d.Id)) ?? lines.First(d => d.Id == first);
        return (line, at < line.At, (at - line.At).Abs);
    }

    private static (WayEnd Low, WayEnd High) Ends(WayMove move) => (new(Length.Min(move.From.X, move.To.X), Length.Min(move.From.Y, move.To.Y)), new(Length.Max(move.From.X, move.To.X), Length.Max(move.From.Y, move.To.Y)));
}
