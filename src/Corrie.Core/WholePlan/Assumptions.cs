using System.Text.Json.Nodes;
using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Fixing;
using Corrie.Core.Format;
using Corrie.Core.Hanging;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Core.WholePlan;

/// <summary>A value that nobody entered and a result rests on.</summary>
/// <param name="Part">The part that it belongs to.</param>
/// <param name="Says">What is assumed, with its figure.</param>
/// <param name="Rests">What rests on it.</param>
/// <param name="Source">Where the value comes from.</param>
/// <param name="Safety">Whether safety rests on it.</param>
/// <param name="Answers">What clears it.</param>
public sealed record Assumption(string Part, Phrase Says, string Rests, Source Source, bool Safety, IReadOnlyList<Remedy> Answers);

/// <summary>The register of what a wall's plan assumes, and of what it refers to in vain.</summary>
internal static class Assumptions
{
    // Deeper than this a bolt may come out of a stud that is shallower than the usual 3 1/2 in (own rule: the next size is 2 1/2 in).
    private static readonly Length ShallowStud = Length.Tape(2, 1, 2);

    /// <summary>What a wall's plan assumes, as far as holes follow from it.</summary>
    /// <param name="plan">The plan so far.</param>
    /// <param name="sheet">The wall.</param>
    /// <returns>The register; empty as long as no hole is planned.</returns>
    public static IReadOnlyList<Assumption> Of(IHungResults plan, WallSheet sheet)
    {
        var register = new List<Assumption>();
        if (plan.Survey(sheet.Id) is not { Wall: var wall })
        {
            return register;
        }

        // What is usual will do to plan with; the first hole waits until the part itself has been measured.
        var things = plan.Sheet.ThingsOn(sheet).ToList();
        foreach (var (product, path, place) in things.Select(i => (i.Product, Path: i.Id + "/product", Place: i.Here.To("product"))).Concat(things.Select(i => ((Product?)i.Bolt(), i.Id + "/bolt", i.Here.To("bolt")))))
        {
            if (product is { Typical: true })
            {
                register.Add(new(
                    path, Phrase.Of($"the figures of the {FirstLow(product.Name)}{Figures(product)}"), product is Fastener ? "what bolts hold" : product is WallBox ? "the opening that is cut" : "every hole", Source.CommonPractice,
                    things.Any(i => plan.Fixing(i.Id) is { Bolts.Count: > 0 }), [new("It was measured, and these are its figures", "they count as its own", [place.Set("typical", (JsonNode)false)])]));
            }
        }

        var fixings = plan.Sheet.ThingsOn(sheet).Where(i => plan.Fixing(i.Id) is { Bolts.Count: > 0 }).Select(i => (Item: i, Result: plan.Fixing(i.Id)!, Bolt: plan.BoltOf(i)!)).ToList();
        if (fixings.Count == 0)
        {
            return register;
        }

        var here = sheet.Here;
        if (wall.Assumed.Contains("kind"))
        {
            register.Add(new(
                $"{sheet.Id}/kind", Phrase.Of($"that it is a wall of {wall.Kind.Words()}"), "every bolt", Source.CommonPractice, true,
                [.. Enum.GetValues<WallKind>().Select(k => new Remedy($"It is {k.Words()}", "entered as seen", [here.Set("kind", k.Word())]))]));
        }

        if (wall.Assumed.Contains("studDepth") && wall.Kind.Framed())
        {
            var deepest = fixings.Max(f => f.Result.DrillDepth) - wall.LayersThickness;
            register.Add(new(
                $"{sheet.Id}/studDepth", Phrase.Of($"{wall.StudDepth} of depth of the studs"), "how long a bolt may be", Source.CommonPractice, deepest > ShallowStud && fixings.Any(f => f.Bolt.Sort != FastenerKind.Toggle),
                [new($"The studs are {wall.StudDepth} deep", "entered as seen", [here.Set("studDepth", wall.StudDepth)])]));
        }

        if (wall.Assumed.Contains("spacing") && wall.Kind.Framed())
        {
            register.Add(new($"{sheet.Id}/spacing", Phrase.Of($"{wall.Spacing} stud spacing"), "where to look for studs", Source.CommonPractice, false, []));
        }

        foreach (var (item, result, bolt) in fixings)
        {
            if (item.Product is Mount { Moves: true, ReachKnown: false } mount)
            {
                register.Add(new(
                    $"{item.Id}/reach", Phrase.Of($"that the {mount.Name} reaches no farther than parked, {mount.DepthParked}"), "the pull on every bolt", Source.Maker, true, []));
            }

            if (item.Get(FixingChoice.Part)?.Gravity is null && bolt.Sort != FastenerKind.Toggle && wall.Kind == WallKind.WoodStuds)
            {
                register.Add(new($"{item.Id}/gravity", Phrase.Of($"{result.Gravity:0.00} specific gravity of the studs"), "what bolts hold", Source.Nds("12.2"), false, []));
            }

            if (result.Ground == Ground.Flange && wall.Gauge is null)
            {
                register.Add(new($"{item.Id}/gauge", Phrase.Of($"that the load of the {bolt.Name} is for the gauge of these studs"), "what bolts hold", Source.Maker, false, []));
            }

            if (bolt.Sort == FastenerKind.LagScrew && (bolt.Tip == Length.Zero || bolt.SaidThread is null))
            {
                register.Add(new(
                    $"{item.Id}/thread",
                    bolt.SaidThread is not null ? Phrase.Of($"{bolt.TipLength} of tip on the {bolt.Name}")
                        : bolt.Tip == Length.Zero ? Phrase.Of($"{bolt.Thread} of thread and {bolt.TipLength} of tip on the {bolt.Name}") : Phrase.Of($"{bolt.Thread} of thread on the {bolt.Name}"),
                    "what bolts hold", Source.Nds("appendix L"), false, []));
            }
        }

        return register;
    }

    private static string FirstLow(string name) => char.ToLowerInvariant(name[0]) + name[1..];

    private static Phrase Figures(Product product) => product switch
    {
        Display d => Phrase.Of($", {d.Width} by {d.Height}, {d.Mass}, holes {d.VesaWidth.Millimetres:0} by {d.VesaHeight.Millimetres:0} mm with their centre {d.VesaCentreUp} up"),
        Mount m => Phrase.Of($", hook line {m.HookUp} over its plate's bottom edge, rated for {m.Rated}"),
        WallBox b => Phrase.Of($", opening {b.OpeningWidth} by {b.OpeningHeight} and {b.Depth} deep"),
        Fastener f => Phrase.Of($", {f.Diameter} thick and {f.Length} long, {f.Thread} of it thread"),
        _ => string.Empty,
    };

    /// <summary>The findings of a register: each that safety rests on by itself, the others together.</summary>
    /// <param name="register">The register.</param>
    /// <param name="wall">Key of the wall.</param>
    /// <param name="holes">How many holes are planned in it.</param>
    /// <returns>The findings; their parts are whole names.</returns>
    public static IEnumerable<Finding> Findings(IReadOnlyList<Assumption> register, string wall, int holes)
    {
        // The same bolt on three plates is one cause, and one answer holds for all of them.
        foreach (var same in register.Where(a => a.Safety).GroupBy(a => (a.Says.Say(LengthStyle.Inches), a.Rests)))
        {
            var one = same.First();
            yield return WholePlanFindings.Assumed.At(
                new(one.Part), $"Find it out and enter it before {holes} {(holes == 1 ? "hole is" : "holes are")} drilled: nobody has, and the plan assumes {one.Says}; {one.Rests} rests on that.",
                [.. one.Answers.Select((answer, i) => answer with { Changes = [.. same.SelectMany(a => a.Answers[i].Changes)] })]);
        }

        // The same bolt on three plates is one value.
        var others = register.Where(a => !a.Safety).DistinctBy(a => (a.Says.Say(LengthStyle.Inches), a.Rests)).ToList();
        if (others.Count > 0)
        {
            yield return WholePlanFindings.Assumed.MildAt(new($"{wall}/assumed"), $"{others.Count} {(others.Count == 1 ? "value" : "values")} nobody has entered; the plan goes by what is usual.") with
            {
                Parts = [.. others.OrderBy(a => a.Rests, StringComparer.Ordinal).Select(a => Phrase.Of($"{a.Says}, for {a.Rests} ({a.Source.Name})"))],
            };
        }
    }

    /// <summary>References of a wall's things that lead nowhere.</summary>
    /// <param name="plan">The plan so far.</param>
    /// <param name="sheet">The wall.</param>
    /// <returns>The findings; their parts are whole names.</returns>
    public static IEnumerable<Finding> Lost(IHungResults plan, WallSheet sheet)
    {
        var job = plan.Sheet;
        var first = ReferenceEquals(job.Walls[0], sheet);
        if (plan.Survey(sheet.Id) is { Wall: var wall })
        {
            foreach (var item in job.ThingsOn(sheet))
            {
                if (item.Get(PlacementChoice.Part) is { Over: { } over } choice && over != "wall" && wall.Features.All(f => f.Id != over) && job.Item(over)?.Get(PlacementChoice.Part) is null && plan.Placement(item.Id) is { Outer: var outer })
                {
                    yield return WholePlanFindings.ItemLost.At(
                        new($"{item.Id}/over", outer.CentreX, outer.CentreY),
                        $"Say anew what the {item.Name} is centred on: '{over}' is not on the wall any more, and it is planned from the wall's centre, at {outer.CentreX}.",
                        new Remedy($"Leave it at {outer.CentreX}", "as a reading from the left corner", choice.CentreAt(outer.CentreX)));
                }
            }
        }

        foreach (var item in job.Items.Where(i => i.SaidOn.Length > 0 && job.On(i) is null && (ReferenceEquals(job.WallOf(i), sheet) || (first && job.WallOf(i) is null))))
        {
            yield return WholePlanFindings.ItemLost.At(
                new($"{item.Id}/on"),
                $"Say anew what carries the {item.Name}: it hangs on '{item.SaidOn}', which is {(job.Item(item.SaidOn) is null ? "not among the job's" : "in a ring of the job's")} {job.Items.Count} things. Nothing of it is counted as a load.");
        }

        foreach (var item in job.Items.Where(i => i.For.Length > 0 && job.Item(i.For) is null && (ReferenceEquals(job.WallOf(i), sheet) || (first && job.WallOf(i) is null))))
        {
            yield return WholePlanFindings.ItemLost.MildAt(new($"{item.Id}/for"), $"The {item.Name} is for '{item.For}', which is not among the job's {job.Items.Count} things any more.");
        }

        foreach (var seat in (job.Get(PlacementChoice.Seats) ?? []).Where(s => first && ((s.For.Length > 0 && job.Item(s.For) is null) || (s.Wall.Length > 0 && job.Wall(s.Wall) is null))))
        {
            yield return WholePlanFindings.ItemLost.MildAt(
                new($"seats/{seat.Id}"), $"The {seat.Name}, {seat.Distance} away, watches something that is gone; it is planned as if it watched all of the {(job.Wall(seat.Wall) is null ? "first wall" : "wall")}.");
        }
    }
}
